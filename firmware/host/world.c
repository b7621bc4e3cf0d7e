/*
 * What the board reads while hands stand so and terminals are driven so. Only for the simulated
 * board: nothing of this runs on a real one.
 */
#include <math.h>
#include <string.h>

#include "wires.h"

#define CHIP_LOW 0.3
#define CHIP_HIGH 0.7

static double hands[WORLD_CONTACTS + 1];
static uint8_t drives[N_TERMINALS];

/* ---- volts, kept while hands stand still ---- */

struct known {
  uint8_t drives[N_TERMINALS];
  bool is[WORLD_NETS + 1];
  double volts[WORLD_NETS + 1];
};

#define MOST_KNOWN 300
static struct known known[MOST_KNOWN];
static int known_count;

static struct known *known_of(const struct stand *stand) {
  for (int k = 0; k < known_count; k++) {
    if (memcmp(known[k].drives, stand->drives, N_TERMINALS) == 0) {
      return &known[k];
    }
  }
  struct known *next = &known[known_count < MOST_KNOWN ? known_count++ : MOST_KNOWN - 1];
  memcpy(next->drives, stand->drives, N_TERMINALS);
  memset(next->is, 0, sizeof next->is);
  return next;
}

/* The volts of a net; one that floats has what the usual leak of its reader leaves it. */
static double volts_of(int net, const struct stand *stand, unsigned reader) {
  if (rail(net)) {
    return rail_volts(net);
  }
  struct known *of = known_of(stand);
  if (of->is[net]) {
    return of->volts[net];
  }
  follow(net, stand);
  bool load = floats();
  if (!solve(load, world_leak_ohm[reader])) {
    return NAN;
  }
  for (int i = 0; i < island.nets; i++) {
    int other = island.order[i];
    of->is[other] = of->is[other] || solved_at(other, &of->volts[other]);
  }
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

static enum logic chip_input(int net, const struct stand *stand) {
  return of_volts(volts_of(net, stand, WORLD_FIRST_READ), CHIP_LOW * WORLD_LOGIC_VOLTS,
                  CHIP_HIGH * WORLD_LOGIC_VOLTS);
}

/* How the lines of a chip stand. */
struct lines {
  enum logic load;
  enum logic clock;
  enum logic serial;
  int sender; /* the one chip that sends to its serial input, or -1 */
};

static enum logic states[WORLD_CHIPS + 1][8];

static void lines_of(struct lines *lines, const struct stand *stand) {
  for (int c = 0; c < WORLD_CHIPS; c++) {
    const struct chip *chip = &world_chips[c];
    int senders = 0;
    lines[c].load = chip->powered ? driven(chip->load, stand) : LOGIC_UNDEFINED;
    lines[c].clock = driven(chip->clock, stand);
    lines[c].sender = -1;
    for (int other = 0; other < WORLD_CHIPS; other++) {
      if (world_chips[other].out == chip->next) {
        lines[c].sender = other;
        senders++;
      }
    }
    if (senders != 1) {
      lines[c].sender = -1;
    }
    lines[c].serial = lines[c].sender < 0 ? driven(chip->next, stand) : LOGIC_UNDEFINED;
  }
}

static void shift(const struct lines *from, const struct lines *to, const struct stand *stand) {
  enum logic coming[WORLD_CHIPS + 1];
  for (int c = 0; c < WORLD_CHIPS; c++) {
    coming[c] = to[c].sender < 0 ? to[c].serial : states[to[c].sender][0];
  }
  for (int c = 0; c < WORLD_CHIPS; c++) {
    if (to[c].load == LOGIC_UNDEFINED || to[c].clock == LOGIC_UNDEFINED) {
      for (int i = 0; i < 8; i++) {
        states[c][i] = LOGIC_UNDEFINED;
      }
    } else if (to[c].load == LOGIC_LOW) {
      for (int i = 0; i < 8; i++) {
        states[c][i] = chip_input(world_chips[c].inputs[i], stand);
      }
    } else if (from[c].clock == LOGIC_LOW && to[c].clock == LOGIC_HIGH) {
      memmove(&states[c][0], &states[c][1], 7 * sizeof states[c][0]);
      states[c][7] = coming[c];
    }
  }
}

/* What the data terminal reads: the chips that send to it, else the volts of its net. */
static enum logic data(const struct chain *chain, const struct stand *rest) {
  int net = world_terminal_net[chain->data];
  enum logic found = LOGIC_UNDEFINED;
  bool any = false;
  for (int c = 0; !rail(net) && c < WORLD_CHIPS; c++) {
    if (world_chips[c].out == net && world_chips[c].powered) {
      found = any && states[c][0] != found ? LOGIC_UNDEFINED : states[c][0];
      if (any && found == LOGIC_UNDEFINED) {
        return found;
      }
      any = true;
    }
  }
  return any ? found
             : of_volts(volts_of(net, rest, (unsigned)chain->data), WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS);
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
  loads[chain->load] = DRIVE_LOW;
  clocks[chain->clock] = DRIVE_HIGH;
  struct stand rest = {into->hands, at_rest};
  struct stand load = {into->hands, loads};
  struct stand clock = {into->hands, clocks};
  known_count = 0; /* hands of another time */
  for (int c = 0; c < WORLD_CHIPS; c++) {
    for (int i = 0; i < 8; i++) {
      states[c][i] = LOGIC_UNDEFINED;
    }
  }
  lines_of(idle, &rest);
  lines_of(loading, &load);
  lines_of(clocked, &clock);
  shift(loading, loading, &load);
  shift(loading, idle, &rest);
  for (int bit = 0; bit < chain->bits; bit++) {
    into->out[bit] = data(chain, &rest);
    shift(idle, clocked, &clock);
    shift(clocked, idle, &rest);
  }
  known_count = 0;
  into->known = true;
}

static void chains_drive(unsigned terminal, enum level level) {
  for (int c = 0; c < N_CHAINS; c++) {
    if (world_chains[c].load == (int)terminal && level == LEVEL_LOW) {
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
  if (memcmp(hands, travel, sizeof(double) * WORLD_CONTACTS) != 0) {
    memcpy(hands, travel, sizeof(double) * WORLD_CONTACTS);
    known_count = 0;
  }
}

static double read_volts(unsigned terminal) {
  struct stand stand = {hands, drives};
  return volts_of(world_terminal_net[terminal], &stand, terminal);
}

bool world_read(number_t terminal) {
  enum logic logic;
#if N_CHAINS
  if (!chain_reads(terminal, &logic))
#endif
    logic = of_volts(read_volts(terminal), WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS);
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
  drives[terminal] = drive;
}

#if USE_CODES
uint16_t world_convert(number_t terminal) {
  double exact = floor(read_volts(terminal) / WORLD_LOGIC_VOLTS * (CODE_MOST + 1.0));
  return (uint16_t)(!(exact > 0) ? 0 : exact > CODE_MOST ? CODE_MOST : exact);
}
#endif

#if USE_TOUCH
bool world_touched(number_t terminal) {
  return of_volts(read_volts(terminal), WORLD_LOW_VOLTS, WORLD_HIGH_VOLTS) == LOGIC_LOW;
}
#endif
