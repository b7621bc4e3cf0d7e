/* Which ways let current through while hands stand so, and what hangs together through them. */
#include "wires.h"

#include <math.h>
#include <string.h>

#define CONTACT_OHM 0.1
#define DRIVER_OHM 50.0
#define CHANNEL_OHM 100.0
#define OUTPUT_OHM 1000.0
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

/* What the driving terminals and rails on a net make of it. */
enum logic driven(int net, const struct stand *stand) {
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
