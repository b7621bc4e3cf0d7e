/*
 * What the board reads while hands stand so and terminals are driven so: the circuit around a net
 * is solved node by node, as the workbench solves it and in the same order, so that both come to
 * the same code. Only for the simulated board: nothing of this runs on a real one.
 */
#include "world.h"

#include <math.h>
#include <string.h>

#include "host.h"
#include "world_tables.h"

#define CONTACT_OHM 0.1
#define DRIVER_OHM 50.0
#define CHANNEL_OHM 100.0
#define OUTPUT_OHM 1000.0
#define SKIN_OHM 550000.0
#define TRACK_END_OHM 1.0
#define CHIP_LOW 0.3
#define CHIP_HIGH 0.7

enum drive { DRIVE_NONE, DRIVE_LOW, DRIVE_HIGH };
enum logic { LOGIC_LOW, LOGIC_HIGH, LOGIC_UNDEFINED };

/* How everything stands. */
struct stand {
  const double *hands;
  const uint8_t *drives;
};

static double hands[WORLD_CONTACTS + 1];
static uint8_t drives[N_TERMINALS];

/* ---- rails, and what a way resists ---- */

static bool rail(int net) { return net < 0 || !isnan(world_volts[net]); }

static double rail_volts(int net) {
  return net == WAY_GROUND ? 0 : net == WAY_LOGIC ? WORLD_LOGIC_VOLTS : world_volts[net];
}

static enum logic of_volts(double volts, double low, double high) {
  return volts <= low ? LOGIC_LOW : volts >= high ? LOGIC_HIGH : LOGIC_UNDEFINED;
}

static double track(bool low, double ohm, double travel) {
  double share = ohm * (low ? travel : 1 - travel);
  return share > TRACK_END_OHM ? share : TRACK_END_OHM;
}

/* What the driving terminals and rails on a net make of it. */
static enum logic driven(int net, const struct stand *stand) {
  enum logic found = LOGIC_UNDEFINED;
  if (rail(net)) {
    return world_volts[net] > 0 ? LOGIC_HIGH : LOGIC_LOW;
  }
  for (unsigned at = world_net_at[net]; at < world_net_at[net + 1]; at++) {
    const struct way *way = &world_ways[world_net_ways[at]];
    uint8_t wanted = way->kind == WAY_DRIVE_HIGH  ? DRIVE_HIGH
                     : way->kind == WAY_DRIVE_LOW ? DRIVE_LOW
                                                  : DRIVE_NONE;
    if (wanted != DRIVE_NONE && stand->drives[way->by] == wanted) {
      enum logic level = wanted == DRIVE_HIGH ? LOGIC_HIGH : LOGIC_LOW;
      if (found != LOGIC_UNDEFINED && found != level) {
        return LOGIC_UNDEFINED;
      }
      found = level;
    }
  }
  return found;
}

static int picked(const struct mux *mux, const struct stand *stand) {
  int code = 0;
  for (int bit = 0; bit < mux->count; bit++) {
    enum logic level = driven(mux->selects[bit], stand);
    if (level == LOGIC_UNDEFINED) {
      return -1;
    }
    code |= level == LOGIC_HIGH ? 1 << bit : 0;
  }
  return code;
}

/* The ohm of a way at the moment; 0 for diodes, negative where it is open. */
static double ohm_of(const struct way *way, const struct stand *stand) {
  switch (way->kind) {
    case WAY_PULL:
      return stand->drives[way->by] != DRIVE_NONE ? -1 : way->ohm;
    case WAY_DRIVE_HIGH:
      return stand->drives[way->by] == DRIVE_HIGH ? DRIVER_OHM : -1;
    case WAY_DRIVE_LOW:
      return stand->drives[way->by] == DRIVE_LOW ? DRIVER_OHM : -1;
    case WAY_RESISTOR:
      return way->ohm;
    case WAY_OPEN_CONTACT:
      return stand->hands[way->by] >= 0.5 ? CONTACT_OHM : -1;
    case WAY_RESTING_CONTACT:
      return stand->hands[way->by] >= 0.5 ? -1 : CONTACT_OHM;
    case WAY_TAP:
      return rint(stand->hands[way->by] * (way->count - 1)) == way->index ? CONTACT_OHM : -1;
    case WAY_POT_LOW:
    case WAY_POT_HIGH:
      return track(way->kind == WAY_POT_LOW, way->ohm, stand->hands[way->by]);
    case WAY_SKIN:
      return stand->hands[way->by] >= 0.5 ? SKIN_OHM : -1;
    case WAY_OUTPUT_HIGH:
    case WAY_OUTPUT_LOW:
      if (way->index == 1) {
        return track(way->kind == WAY_OUTPUT_LOW, OUTPUT_OHM, stand->hands[way->by]);
      }
      return (stand->hands[way->by] < 0.5) == (way->kind == WAY_OUTPUT_HIGH) ? OUTPUT_OHM : -1;
    case WAY_CHANNEL:
      return picked(&world_muxes[way->by], stand) == way->index ? CHANNEL_OHM : -1;
    case WAY_DIODE:
      return 0;
  }
  return -1;
}

/* ---- what hangs together with a net ---- */

struct island {
  int start;
  int order[WORLD_NETS + 1]; /* nets that are no rails, from the start on */
  int nets;
  const struct way *ways[WORLD_WAYS + 1];
  double ohms[WORLD_WAYS + 1];
  int count;
};

static struct island island;
static int degree[WORLD_NETS + 2]; /* of nets, ground and logic supply first */
static uint8_t seen[WORLD_NETS + 1];
static uint8_t taken[WORLD_WAYS + 1];

static bool loose(int net) { return net != island.start && !rail(net) && degree[net + 2] == 1; }

/* Takes off what hangs on one end only: no current flows there. */
static void prune(void) {
  memset(degree, 0, sizeof degree);
  for (int i = 0; i < island.count; i++) {
    degree[island.ways[i]->a + 2]++;
    degree[island.ways[i]->b + 2]++;
  }
  for (bool again = true; again;) {
    again = false;
    for (int i = island.count - 1; i >= 0; i--) {
      const struct way *way = island.ways[i];
      if (loose(way->a) || loose(way->b)) {
        degree[way->a + 2]--;
        degree[way->b + 2]--;
        for (int k = i; k + 1 < island.count; k++) {
          island.ways[k] = island.ways[k + 1];
          island.ohms[k] = island.ohms[k + 1];
        }
        island.count--;
        again = true;
      }
    }
  }
}

static void follow(int start, const struct stand *stand) {
  memset(seen, 0, sizeof seen);
  memset(taken, 0, sizeof taken);
  island.start = start;
  island.order[0] = start;
  island.nets = 1;
  island.count = 0;
  seen[start] = 1;
  for (int i = 0; i < island.nets; i++) {
    int net = island.order[i];
    for (unsigned at = world_net_at[net]; at < world_net_at[net + 1]; at++) {
      unsigned number = world_net_ways[at];
      const struct way *way = &world_ways[number];
      double ohm = ohm_of(way, stand);
      if (ohm < 0 || taken[number]) {
        continue;
      }
      taken[number] = 1;
      island.ways[island.count] = way;
      island.ohms[island.count++] = ohm;
      int other = way->a == net ? way->b : way->a;
      if (!rail(other) && !seen[other]) {
        seen[other] = 1;
        island.order[island.nets++] = other;
      }
    }
  }
  prune();
}

/* Whether no way to a rail lets current through both ways. */
static bool floats(void) {
  memset(seen, 0, sizeof seen);
  seen[island.start] = 1;
  for (bool more = true; more;) {
    more = false;
    for (int i = 0; i < island.count; i++) {
      const struct way *way = island.ways[i];
      bool touches = (way->a >= 0 && seen[way->a]) || (way->b >= 0 && seen[way->b]);
      if (way->kind == WAY_DIODE || !touches) {
        continue;
      }
      if (rail(way->a) || rail(way->b)) {
        return false;
      }
      more = more || !seen[way->a] || !seen[way->b];
      seen[way->a] = seen[way->b] = 1;
    }
  }
  return true;
}

/* ---- node by node ---- */

#define MOST_UNKNOWNS 256
#define MOST_STEPS 200
#define FINE_STEPS 50
#define GMIN 1e-12

struct junction {
  const struct way *way;
  int anode;
  int inner;
  int cathode;
  double critical;
  double volts;
};

static double fixed[MOST_UNKNOWNS * MOST_UNKNOWNS];
static double matrix[MOST_UNKNOWNS * MOST_UNKNOWNS];
static double fixed_right[MOST_UNKNOWNS];
static double right[MOST_UNKNOWNS];
static double solution[MOST_UNKNOWNS];
static double before[MOST_UNKNOWNS];
static int swapped[MOST_UNKNOWNS];
static int unknowns;
static int nodes;
static struct junction junctions[MOST_UNKNOWNS];
static int junction_count;
static int node_of[WORLD_NETS + 1]; /* by net; -1 where it has none yet */
#define MOST_RAILS 16
static double rails[MOST_RAILS];
static int rail_nodes[MOST_RAILS];
static int rail_count;

static int node_at(int net) {
  double volts;
  if (!rail(net)) {
    if (node_of[net] < 0) {
      node_of[net] = nodes++;
    }
    return node_of[net];
  }
  volts = rail_volts(net);
  if (volts == 0) {
    return -1;
  }
  for (int r = 0; r < rail_count; r++) {
    if (rails[r] == volts) {
      return rail_nodes[r];
    }
  }
  if (rail_count == MOST_RAILS) {
    return -1; /* no board has so many supplies */
  }
  rails[rail_count] = volts;
  rail_nodes[rail_count++] = nodes;
  return nodes++;
}

static void add(double *to, int row, int column, double value) {
  to[row * unknowns + column] += value;
}

static void conductance(double *to, int a, int b, double siemens) {
  if (a >= 0) {
    add(to, a, a, siemens);
  }
  if (b >= 0) {
    add(to, b, b, siemens);
  }
  if (a >= 0 && b >= 0) {
    add(to, a, b, -siemens);
    add(to, b, a, -siemens);
  }
}

/* Column by column with the largest pivot (Crout; as the library of the workbench does it). */
static void decompose(void) {
  static double column[MOST_UNKNOWNS];
  int n = unknowns;
  for (int j = 0; j < n; j++) {
    for (int i = 0; i < n; i++) {
      column[i] = matrix[i * n + j];
    }
    for (int i = 0; i < n; i++) {
      int most = i < j ? i : j;
      double s = 0.0;
      for (int k = 0; k < most; k++) {
        s += matrix[i * n + k] * column[k];
      }
      column[i] -= s;
      matrix[i * n + j] = column[i];
    }
    int pivot = j;
    double max = fabs(column[j]);
    for (int i = j + 1; i < n; i++) {
      if (fabs(column[i]) > max) {
        pivot = i;
        max = fabs(column[i]);
      }
    }
    for (int k = 0; pivot != j && k < n; k++) {
      double kept = matrix[pivot * n + k];
      matrix[pivot * n + k] = matrix[j * n + k];
      matrix[j * n + k] = kept;
    }
    swapped[j] = pivot;
    double diagonal = matrix[j * n + j];
    for (int i = j + 1; diagonal != 0 && i < n; i++) {
      matrix[i * n + j] /= diagonal;
    }
  }
}

static void substitute(void) {
  int n = unknowns;
  int first = 0;
  memcpy(solution, right, sizeof(double) * (unsigned)n);
  for (int i = 0; i < n; i++) {
    double sum = solution[swapped[i]];
    solution[swapped[i]] = solution[i];
    if (first != 0) {
      for (int j = first - 1; j < i; j++) {
        sum -= matrix[i * n + j] * solution[j];
      }
    } else if (sum != 0.0) {
      first = i + 1;
    }
    solution[i] = sum;
  }
  for (int i = n - 1; i >= 0; i--) {
    double sum = solution[i];
    for (int j = i + 1; j < n; j++) {
      sum -= matrix[i * n + j] * solution[j];
    }
    solution[i] = sum / matrix[i * n + i];
  }
}

static double volts_at(int node) { return node < 0 ? 0 : solution[node]; }

/* Takes the new volts, but no further up the exponential than its logarithm allows. */
static void limit(struct junction *j, double wanted) {
  double scale = j->way->scale_volts;
  if (wanted > j->critical && fabs(wanted - j->volts) > 2 * scale) {
    double ratio = 1 + (wanted - j->volts) / scale;
    j->volts = j->volts <= 0 ? scale * log(wanted / scale)
               : ratio > 0   ? j->volts + scale * log(ratio)
                             : j->critical;
  } else {
    j->volts = wanted;
  }
}

/* Gives every way its nodes, and stamps what does not change from step to step. */
static bool stamp(bool load, double load_ohm) {
  static int ends[WORLD_WAYS + 2][2];
  nodes = 0;
  rail_count = 0;
  junction_count = 0;
  memset(node_of, -1, sizeof node_of);
  for (int i = 0; i < island.count; i++) {
    ends[i][0] = node_at(island.ways[i]->a);
    ends[i][1] = node_at(island.ways[i]->b);
  }
  int start = load ? node_at(island.start) : -1;
  for (int i = 0; i < island.count; i++) {
    const struct way *way = island.ways[i];
    if (way->kind == WAY_DIODE) {
      struct junction *j = &junctions[junction_count++];
      j->way = way;
      j->anode = ends[i][0];
      j->inner = way->ohm > 0 ? nodes++ : ends[i][0];
      j->cathode = ends[i][1];
      j->critical = way->scale_volts * log(way->scale_volts / (sqrt(2) * way->saturation_amps));
      j->volts = j->critical;
    }
    if (nodes + rail_count > MOST_UNKNOWNS - 2 || junction_count > MOST_UNKNOWNS - 2) {
      return false;
    }
  }
  unknowns = nodes + rail_count;
  memset(fixed, 0, sizeof(double) * (unsigned)(unknowns * unknowns));
  memset(fixed_right, 0, sizeof fixed_right);
  for (int i = 0; i < island.count; i++) {
    if (island.ways[i]->kind != WAY_DIODE) {
      conductance(fixed, ends[i][0], ends[i][1], 1 / island.ohms[i]);
    }
  }
  if (load) {
    conductance(fixed, start, -1, 1 / load_ohm);
  }
  for (int k = 0; k < junction_count; k++) {
    if (junctions[k].inner != junctions[k].anode) {
      conductance(fixed, junctions[k].anode, junctions[k].inner, 1 / junctions[k].way->ohm);
    }
  }
  return true;
}

/* The sources of the rails, lowest volts first. */
static void stamp_rails(void) {
  for (int r = 0; r < rail_count; r++) {
    int rank = 0; /* no two rails have the same volts */
    for (int other = 0; other < rail_count; other++) {
      rank += rails[other] < rails[r] ? 1 : 0;
    }
    add(fixed, nodes + rank, rail_nodes[r], 1);
    add(fixed, rail_nodes[r], nodes + rank, 1);
    fixed_right[nodes + rank] = rails[r];
  }
}

/* Newton's steps; false where they do not come to rest. */
static bool solve(bool load, double load_ohm) {
  if (!stamp(load, load_ohm)) {
    return false;
  }
  stamp_rails();
  for (int step = 1; step <= MOST_STEPS; step++) {
    memcpy(matrix, fixed, sizeof(double) * (unsigned)(unknowns * unknowns));
    memcpy(right, fixed_right, sizeof right);
    for (int k = 0; k < junction_count; k++) {
      struct junction *j = &junctions[k];
      double amps = j->way->saturation_amps * expm1(j->volts / j->way->scale_volts) + GMIN * j->volts;
      double siemens =
          j->way->saturation_amps / j->way->scale_volts * exp(j->volts / j->way->scale_volts) + GMIN;
      double excess = amps - siemens * j->volts;
      conductance(matrix, j->inner, j->cathode, siemens);
      if (j->inner >= 0) {
        right[j->inner] -= excess;
      }
      if (j->cathode >= 0) {
        right[j->cathode] += excess;
      }
    }
    decompose();
    substitute();
    bool settled = step > 1 || junction_count == 0;
    double near = step > FINE_STEPS ? 1e-6 : 1e-9;
    for (int k = 0; k < junction_count; k++) {
      struct junction *j = &junctions[k];
      double wanted = volts_at(j->inner) - volts_at(j->cathode);
      settled = settled && fabs(wanted - j->volts) <= near + 1e-9 * fabs(wanted);
      limit(j, wanted);
    }
    for (int i = 0; i < nodes && settled && junction_count > 0; i++) {
      settled = fabs(solution[i] - before[i]) <= near + 1e-9 * fabs(solution[i]);
    }
    if (settled) {
      return true;
    }
    memcpy(before, solution, sizeof before);
  }
  return false;
}

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
    if (node_of[island.order[i]] >= 0) {
      of->is[island.order[i]] = true;
      of->volts[island.order[i]] = solution[node_of[island.order[i]]];
    }
  }
  return solution[node_of[net]];
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
