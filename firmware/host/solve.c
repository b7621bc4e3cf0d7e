/*
 * Modified nodal analysis with Newton's steps, as the workbench does it and in the same order, so
 * that both come to the same code.
 */
#include "wires.h"

#include <math.h>
#include <string.h>

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
bool solve(bool load, double load_ohm) {
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

bool solved_at(int net, double *volts) {
  if (node_of[net] < 0) {
    return false;
  }
  *volts = solution[node_of[net]];
  return true;
}
