/* What the files of the simulated wires share. */
#ifndef WIRES_H
#define WIRES_H

#include "host.h"
#include "world.h"
#include "world_tables.h"

enum drive { DRIVE_NONE, DRIVE_LOW, DRIVE_HIGH };
enum logic { LOGIC_LOW, LOGIC_HIGH, LOGIC_UNDEFINED };

/* How everything stands. */
struct stand {
  const double *hands;
  const uint8_t *drives;
  const uint8_t *outs; /* how registers send, by chip; NULL while none does */
};

/* ---- ways.c: rails, and what lets current through ---- */
bool rail(int net);
double rail_volts(int net);
enum logic of_volts(double volts, double low, double high);

#define CHIP_LOW 0.3
#define CHIP_HIGH 0.7

/* How the level of a net is read as it is solved; undefined where nothing holds it. */
enum logic level(int net, const struct stand *stand, double low, double high);

/* What the select lines of each multiplexer pick; -1 where they do not say. */
extern int picks[WORLD_MUXES + 1];

/* Works out all picks in order; the channels of a multiplexer that had no turn yet are open. */
void pick(const struct stand *stand);

/* Whether contacts join two supplies of different volts, or a supply and ground. */
bool shorted(const double *hands);

/* What hangs together with a net. */
struct island {
  int start;
  int order[WORLD_NETS + 1]; /* nets that are no rails, from the start on */
  int nets;
  const struct way *ways[WORLD_WAYS + 1];
  double ohms[WORLD_WAYS + 1];
  int count;
};
extern struct island island;

/* Follows what carries current from a net on. */
void follow(int start, const struct stand *stand);

/* Whether no way to a rail lets current through both ways. */
bool floats(void);

/* ---- solve.c: the island, node by node ---- */

/* Newton's steps, with a load to ground beside what is wired; false where they do not come to rest. */
bool solve(bool load, double load_ohm);

/* The volts of a net of the island that was solved last; false where no current reaches it. */
bool solved_at(int net, double *volts);

#endif
