/*
 * What the board reads while hands stand so and terminals are driven so. Only for the simulated
 * board: nothing of this runs on a real one.
 */
#include <math.h>
#include <string.h>

#include "wires.h"

static double hands[WORLD_CONTACTS + 1];
static uint8_t drives[N_TERMINALS];

/* ---- volts, kept while hands stand still ---- */

struct known {
  uint8_t drives[N_TERMINALS];
  int picks[WORLD_MUXES + 1];
  bool is[WORLD_NETS + 1];
  bool floats[WORLD_NETS + 1];
  double volts[WORLD_NETS + 1];
};

#define MOST_KNOWN 300
static struct known known[MOST_KNOWN];
static int known_count;

/* What is known while terminals are driven so; its picks are in force from here on. */
static struct known *known_of(const struct stand *stand) {
  for (int k = 0; k < known_count; k++) {
    if (memcmp(known[k].drives, stand->drives, N_TERMINALS) == 0) {
      memcpy(picks, known[k].picks, sizeof picks);
      return &known[k];
    }
  }
  struct known *next = &known[known_count < MOST_KNOWN ? known_count++ : MOST_KNOWN - 1];
  memcpy(next->drives, stand->drives, N_TERMINALS);
  memset(next->is, 0, sizeof next->is);
  memset(next->floats, 0, sizeof next->floats);
  pick(stand);
  memcpy(next->picks, picks, sizeof picks);
  return next;
}

/* The volts of a net; one that floats has what the usual leak of its reader leaves it, and says so. */
static bool floating;

static double volts_of(int net, const struct stand *stand, unsigned reader) {
  floating = false;
  if (rail(net)) {
    return rail_volts(net);
  }
  struct known *of = known_of(stand);
  if (of->is[net]) {
    floating = of->floats[net];
    return of->volts[net];
  }
  follow(net, stand);
  bool load = floats();
  if (!solve(load, world_leak_ohm[reader])) {
    return NAN;
  }
  /* With the leak of its own reader; what else hangs there has another. */
  for (int i = 0; i < (load ? 1 : island.nets); i++) {
    int other = island.order[i];
    of->is[other] = of->is[other] || solved_at(other, &of->volts[other]);
    of->floats[other] = load;
  }
  floating = load;
  return of->volts[net];
}

/* ---- registers ---- */

#if N_CHAINS
/* What the registers took in when they were loaded last, as the bits that come out. */
struct taken_in {
  double hands[WORLD_CONTACTS + 1];
  enum logic out[N_BITS + 1];
  bool known;
  int clocked;
};

static struct taken_in chains[N_CHAINS];

static enum logic chip_input(const struct chip *chip, int net, const struct stand *stand) {
  double volts = volts_of(net, stand, WORLD_FIRST_READ);
  return floating ? LOGIC_UNDEFINED
                  : of_volts(volts, CHIP_LOW * chip->volts, CHIP_HIGH * chip->volts);
}

/* How the lines of a chip stand. */
struct lines {
  enum logic load;
  enum logic clock;
};

static enum logic states[WORLD_CHIPS + 1][MOST_INPUTS];

static enum logic line(const struct chip *chip, int net, const struct stand *stand) {
  if (!(chip->volts > 0)) {
    return LOGIC_UNDEFINED;
  }
  known_of(stand);
  return level(net, stand, CHIP_LOW * chip->volts, CHIP_HIGH * chip->volts);
}

static void lines_of(struct lines *lines, const struct stand *stand) {
  for (int c = 0; c < WORLD_CHIPS; c++) {
    enum logic load = line(&world_chips[c], world_chips[c].load, stand);
    /* The load of a pad's register is high; here low is loading for all of them. */
    bool turned = world_chips[c].of_pad && load != LOGIC_UNDEFINED;
    lines[c].load = !turned ? load : load == LOGIC_HIGH ? LOGIC_LOW : LOGIC_HIGH;
    lines[c].clock = line(&world_chips[c], world_chips[c].clock, stand);
  }
}

static bool sends(int chip, int net) {
  return !rail(net) && world_chips[chip].out == net && world_chips[chip].volts > 0;
}

/* How a net is read while chips send to it what comes out of them next. */
static enum logic sent(int net, const struct stand *stand, double low, double high) {
  uint8_t outs[WORLD_CHIPS + 1];
  struct stand sending = {stand->hands, stand->drives, outs};
  bool any = false;
  memset(outs, DRIVE_NONE, sizeof outs);
  for (int c = 0; c < WORLD_CHIPS; c++) {
    if (sends(c, net)) {
      if (states[c][0] == LOGIC_UNDEFINED) {
        return LOGIC_UNDEFINED;
      }
      outs[c] = states[c][0] == LOGIC_HIGH ? DRIVE_HIGH : DRIVE_LOW;
      any = true;
    }
  }
  if (!any) {
    sending.outs = NULL;
  }
  pick(&sending);
  return level(net, &sending, low, high);
}

static void shift(const struct lines *from, const struct lines *to, const struct stand *stand) {
  enum logic coming[WORLD_CHIPS + 1];
  for (int c = 0; c < WORLD_CHIPS; c++) {
    const struct chip *chip = &world_chips[c];
    bool rises = to[c].load == LOGIC_HIGH && from[c].clock == LOGIC_LOW && to[c].clock == LOGIC_HIGH;
    coming[c] = rises ? sent(chip->next, stand, CHIP_LOW * chip->volts, CHIP_HIGH * chip->volts)
                      : LOGIC_UNDEFINED;
  }
  for (int c = 0; c < WORLD_CHIPS; c++) {
    if (to[c].load == LOGIC_UNDEFINED || to[c].clock == LOGIC_UNDEFINED) {
      for (int i = 0; i < world_chips[c].count; i++) {
        states[c][i] = LOGIC_UNDEFINED;
      }
    } else if (to[c].load == LOGIC_LOW) {
      for (int i = 0; i < world_chips[c].count; i++) {
        states[c][i] = chip_input(&world_chips[c], world_chips[c].inputs[i], stand);
      }
    } else if (from[c].clock == LOGIC_LOW && to[c].clock == LOGIC_HIGH) {
      int last = world_chips[c].count - 1;
      memmove(&states[c][0], &states[c][1], (size_t)last * sizeof states[c][0]);
      states[c][last] = coming[c];
    }
  }
}

/* What the data terminal reads: what the chips that send to it make of its net. */
static enum logic data(const struct chain *chain, const struct stand *rest) {
  int net = world_terminal_net[chain->data];
  for (int c = 0; c < WORLD_CHIPS; c++) {
    if (sends(c, net)) {
      return sent(net, rest, WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS);
    }
  }
  double volts = volts_of(net, rest, (unsigned)chain->data);
  return floating ? LOGIC_UNDEFINED : of_volts(volts, WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS);
}

static void come_out(int number) {
  const struct chain *chain = &world_chains[number];
  struct taken_in *into = &chains[number];
  static struct lines idle[WORLD_CHIPS + 1];
  static struct lines loading[WORLD_CHIPS + 1];
  static struct lines clocked[WORLD_CHIPS + 1];
  uint8_t at_rest[N_TERMINALS];
  uint8_t loads[N_TERMINALS];
  uint8_t clocks[N_TERMINALS];
  memcpy(at_rest, world_rest, N_TERMINALS);
  memcpy(loads, world_rest, N_TERMINALS);
  memcpy(clocks, world_rest, N_TERMINALS);
  loads[chain->load] = chain->of_pad ? DRIVE_HIGH : DRIVE_LOW;
  clocks[chain->clock] = chain->of_pad ? DRIVE_LOW : DRIVE_HIGH;
  struct stand rest = {into->hands, at_rest, NULL};
  struct stand load = {into->hands, loads, NULL};
  struct stand clock = {into->hands, clocks, NULL};
  known_count = 0; /* hands of another time */
  for (int c = 0; c < WORLD_CHIPS; c++) {
    for (int i = 0; i < world_chips[c].count; i++) {
      states[c][i] = LOGIC_UNDEFINED;
    }
  }
  lines_of(idle, &rest);
  lines_of(loading, &load);
  lines_of(clocked, &clock);
  shift(loading, loading, &load);
  shift(loading, idle, &rest);
  for (int bit = 0; bit < chain->bits; bit++) {
    /* A register is read before its clock turns, a pad while its clock is low, before it rises. */
    if (!chain->of_pad) {
      into->out[bit] = data(chain, &rest);
    }
    shift(idle, clocked, &clock);
    if (chain->of_pad) {
      into->out[bit] = data(chain, &clock);
    }
    shift(clocked, idle, &rest);
  }
  known_count = 0;
  into->known = true;
}

static void chains_drive(unsigned terminal, enum level level) {
  for (int c = 0; c < N_CHAINS; c++) {
    enum level loads = world_chains[c].of_pad ? LEVEL_HIGH : LEVEL_LOW;
    if (world_chains[c].load == (int)terminal && level == loads) {
      if (memcmp(chains[c].hands, hands, sizeof hands) != 0) {
        memcpy(chains[c].hands, hands, sizeof hands);
        chains[c].known = false;
      }
      chains[c].clocked = 0;
    } else if (world_chains[c].clock == (int)terminal && level == LEVEL_HIGH) {
      chains[c].clocked++;
    }
  }
}

static bool chain_reads(unsigned terminal, enum logic *logic) {
  for (int c = 0; c < N_CHAINS; c++) {
    if (world_chains[c].data == (int)terminal) {
      if (!chains[c].known) {
        come_out(c);
      }
      *logic = chains[c].clocked < world_chains[c].bits ? chains[c].out[chains[c].clocked]
                                                        : LOGIC_UNDEFINED;
      return true;
    }
  }
  return false;
}
#endif

/* ---- what the board asks of it ---- */

void world_hands(const double *travel) {
#if N_FRAMES
  pads_hands(hands);
#endif
  if (memcmp(hands, travel, sizeof(double) * WORLD_CONTACTS) != 0) {
    memcpy(hands, travel, sizeof(double) * WORLD_CONTACTS);
    known_count = 0;
  }
#if N_KEYBOARDS
  keyboards_hands(travel);
#endif
#if N_TOLD_PADS
  told_hands(travel);
#endif
}

bool world_dead(void) { return shorted(hands); }

static double read_volts(unsigned terminal) {
  struct stand stand = {hands, drives, NULL};
  return volts_of(world_terminal_net[terminal], &stand, terminal);
}

/* What nothing holds may read either way, whatever a leak makes of it. */
static enum logic level_read(unsigned terminal) {
  double volts = read_volts(terminal);
  return floating ? LOGIC_UNDEFINED : of_volts(volts, WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS);
}

bool world_read(number_t terminal) {
  enum logic logic;
  if (world_dead()) {
    return !world_pressed_high[terminal];
  }
#if N_KEYBOARDS
  bool bit;
  if (keyboards_read(terminal, &bit)) {
    return bit;
  }
#endif
#if N_FRAMES
  bool high;
  if (pads_read(terminal, &high)) {
    return high;
  }
#endif
#if N_CHAINS
  if (!chain_reads(terminal, &logic))
#endif
    logic = level_read(terminal);
  /* What is neither reads as not pressed. */
  return logic == LOGIC_UNDEFINED ? !world_pressed_high[terminal] : logic == LOGIC_HIGH;
}

void world_drive(number_t terminal, enum level level) {
  /* Lamps are in other circuits: the workbench leaves them out of what is read, and so does this. */
  if (device_terminal_use(terminal) == USE_OF_LAMP) {
    return;
  }
  uint8_t drive = (uint8_t)(level == LEVEL_RELEASED ? DRIVE_NONE
                            : level == LEVEL_LOW    ? DRIVE_LOW
                                                    : DRIVE_HIGH);
  if (drives[terminal] == drive) {
    return; /* no edge */
  }
#if N_CHAINS
  chains_drive(terminal, level);
#endif
#if N_FRAMES
  pads_drive(terminal, level);
#endif
  drives[terminal] = drive;
}

#if USE_CONVERTER
uint16_t world_convert(number_t terminal) {
  if (world_dead()) {
    return 0;
  }
  double exact = floor(read_volts(terminal) / WORLD_LOGIC_VOLTS * (CODE_MOST + 1.0));
  exact = exact > CODE_MOST ? CODE_MOST : exact > 0 ? exact : 0;
  exact += session_noise();
  return (uint16_t)(!(exact > 0) ? 0 : exact > CODE_MOST ? CODE_MOST : exact);
}
#endif

#if USE_TOUCH
bool world_touched(number_t terminal) {
  return level_read(terminal) == LOGIC_LOW;
}
#endif
