/* Which ways let current through while hands stand so, and what hangs together through them. */
#include "wires.h"

#include <math.h>
#include <string.h>

#define CONTACT_OHM 0.1
#define DRIVER_OHM 50.0
#define CHANNEL_OHM 100.0
#define OUTPUT_OHM 1000.0
#define CHIP_OHM 50.0
#define SKIN_OHM 550000.0
#define TRACK_END_OHM 1.0

/* ---- rails, and what a way resists ---- */

bool rail(int net) { return net < 0 || !isnan(world_volts[net]); }

double rail_volts(int net) {
  return net == WAY_GROUND ? 0 : net == WAY_LOGIC ? WORLD_LOGIC_VOLTS : world_volts[net];
}

enum logic of_volts(double volts, double low, double high) {
  return volts <= low ? LOGIC_LOW : volts >= high ? LOGIC_HIGH : LOGIC_UNDEFINED;
}

static double track(bool low, double ohm, double travel) {
  double share = ohm * (low ? travel : 1 - travel);
  return share > TRACK_END_OHM ? share : TRACK_END_OHM;
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
      if (world_muxes[way->by].of_pad) { /* what it does not know it sends half-way */
        return picks[way->by] == way->index || picks[way->by] < 0 ? CHIP_OHM : -1;
      }
      return picks[way->by] == way->index ? CHANNEL_OHM : -1;
    case WAY_OUT_HIGH:
      return stand->outs && stand->outs[way->by] == DRIVE_HIGH ? CHIP_OHM : -1;
    case WAY_OUT_LOW:
      return stand->outs && stand->outs[way->by] == DRIVE_LOW ? CHIP_OHM : -1;
    case WAY_DIODE:
      return 0;
  }
  return -1;
}

/* ---- what hangs together with a net ---- */

int picks[WORLD_MUXES + 1];

struct island island;
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

void follow(int start, const struct stand *stand) {
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
bool floats(void) {
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

/* ---- levels of single lines ---- */

enum logic level(int net, const struct stand *stand, double low, double high) {
  double volts;
  if (rail(net)) {
    return of_volts(rail_volts(net), low, high);
  }
  follow(net, stand);
  if (floats() || !solve(false, 0) || !solved_at(net, &volts)) {
    return LOGIC_UNDEFINED;
  }
  return of_volts(volts, low, high);
}

static int picked(const struct mux *mux, const struct stand *stand) {
  int code = 0;
  for (int bit = 0; bit < mux->count; bit++) {
    enum logic at =
        level(mux->selects[bit], stand, CHIP_LOW * mux->volts, CHIP_HIGH * mux->volts);
    if (at == LOGIC_UNDEFINED) {
      return -1;
    }
    code |= at == LOGIC_HIGH ? 1 << bit : 0;
  }
  if (mux->of_pad) {
    enum logic sent =
        level(mux->channels[code], stand, CHIP_LOW * mux->volts, CHIP_HIGH * mux->volts);
    return sent == LOGIC_UNDEFINED ? -1 : sent == LOGIC_HIGH ? 1 : 0;
  }
  return code;
}

void pick(const struct stand *stand) {
  for (int m = 0; m < WORLD_MUXES; m++) {
    picks[m] = -1;
  }
  for (int m = 0; m < WORLD_MUXES; m++) {
    picks[m] = picked(&world_muxes[m], stand);
  }
}

/* ---- shorts ---- */

static bool closed(const struct way *way, const struct stand *stand) {
  bool contact = way->kind == WAY_OPEN_CONTACT || way->kind == WAY_RESTING_CONTACT ||
                 way->kind == WAY_TAP || way->kind == WAY_POT_LOW || way->kind == WAY_POT_HIGH;
  double ohm = contact ? ohm_of(way, stand) : -1;
  return ohm >= 0 && ohm <= TRACK_END_OHM;
}

bool shorted(const double *hands) {
  static int order[WORLD_NETS + 1];
  struct stand stand = {hands, NULL, NULL};
  for (int start = 0; WORLD_MAY_SHORT && start < WORLD_NETS; start++) {
    if (!rail(start)) {
      continue;
    }
    int count = 1;
    memset(seen, 0, sizeof seen);
    order[0] = start;
    seen[start] = 1;
    for (int i = 0; i < count; i++) {
      for (unsigned at = world_net_at[order[i]]; at < world_net_at[order[i] + 1]; at++) {
        const struct way *way = &world_ways[world_net_ways[at]];
        if (way->a < 0 || way->b < 0 || !closed(way, &stand)) {
          continue;
        }
        int other = way->a == order[i] ? way->b : way->a;
        if (rail(other) && world_volts[other] != world_volts[start]) {
          return true;
        }
        if (!seen[other]) {
          seen[other] = 1;
          order[count++] = other;
        }
      }
    }
  }
  return false;
}
