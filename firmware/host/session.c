/* Hands move in simulated time: contacts bounce, the board looks, and the host asks. */
#include <stdlib.h>
#include <string.h>

#include "host.h"
#include "world_tables.h"

/* A run that has not come to rest so long after its last edge never will. */
#define LONGEST_US 2000000
/* What goes on for ever, such as rapid fire, is followed so long. */
#define GOES_ON_US 250000
#define MOST_EDGES 9

/* One contact on its way from one place to another. */
struct moving {
  bool is;
  double from;
  double to;
  int64_t start_us;
  int32_t edges[MOST_EDGES]; /* since the start */
  int edge_count;
};

static struct moving moving[WORLD_CONTACTS + 1];
static double held[WORLD_CONTACTS + 1];
static struct chance chance;
static int64_t now_us;
static int64_t scan_us;
static int64_t poll_us;
static int64_t edge_us;
static int64_t origin;
static bool tells;
static bool off; /* a short holds the board down; without it, it powers up again */

static const struct run *running;
static bool polls;
static bool gone; /* the host was away at the last poll */

int64_t session_now(void) { return (running == NULL ? 0 : running->start_us) + now_us; }

bool session_gone(void) { return gone; }

/* The same at the same moment of the same play, whatever was drawn before. */
int session_noise(void) {
  if (running == NULL || running->noise == 0) {
    return 0;
  }
  struct chance now = chance_of(running->seed ^ now_us);
  return chance_below(&now, (int32_t)(2 * running->noise + 1)) - (int)running->noise;
}

bool session_send(uint8_t id, const uint8_t *transfer, unsigned bytes) {
  if (polls && gone) {
    return false;
  }
  if (tells) {
    session_report(now_us - origin, id, transfer, bytes);
  }
  return true;
}

bool session_key(unsigned code, bool down) {
  if (polls && gone) {
    return false;
  }
  if (tells) {
    session_pressed(now_us - origin, code, down);
  }
  return true;
}

#if N_STRIPS
void session_colours(number_t terminal, const uint8_t *rgb) {
  for (number_t s = 0; s < N_STRIPS && tells; s++) {
    if (strip_terminal[s] == terminal) {
      session_strip(now_us - origin, s + 1U, rgb);
    }
  }
}
#endif

#if N_CONSOLES
void session_answer(unsigned console, const char *bits) {
  if (tells) {
    session_frame(now_us - origin, console, bits);
  }
}
#endif

static bool away(int64_t us) {
  bool any = false;
  for (int i = 0; i < running->away_count && tells; i++) {
    any = any || (us >= running->away[i].from_us && us < running->away[i].to_us);
  }
  return any;
}

/* ---- bounces ---- */

static int by_size(const void *a, const void *b) {
  int32_t one = *(const int32_t *)a;
  int32_t other = *(const int32_t *)b;
  return one < other ? -1 : one > other;
}

/* Edges that crowd near the start; the last one ends the bounce. */
static void bounce(struct moving *m, int least_us, int most_us) {
  int32_t length = least_us;
  if (most_us > least_us) {
    length += chance_below(&chance, most_us - least_us + 1);
  }
  m->edges[0] = 0;
  m->edge_count = 1;
  if (length < 4) {
    return;
  }
  int pairs = 1 + chance_below(&chance, 4);
  pairs = pairs < length / 4 ? pairs : length / 4;
  m->edge_count = 2 * pairs + 1;
  for (int i = 0; i < 2 * pairs - 1; i++) {
    double early = chance_share(&chance);
    early *= chance_share(&chance);
    m->edges[i] = 1 + (int32_t)(early * (length - 1));
  }
  m->edges[2 * pairs - 1] = length;
  m->edges[2 * pairs] = 0;
  qsort(m->edges, (size_t)m->edge_count, sizeof m->edges[0], by_size);
  for (int i = 1; i < m->edge_count; i++) {
    if (m->edges[i] <= m->edges[i - 1]) {
      m->edges[i] = m->edges[i - 1] + 1;
    }
  }
}

static int32_t length_of(const struct moving *m) { return m->edges[m->edge_count - 1]; }

/* ---- what the hands do ---- */

/* Nobody's hand is on anything. */
static void rest(double *travel) {
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    travel[c] = world_contacts[c].rest;
  }
}

static void shift(const double *after) {
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    struct moving *m = &moving[c];
    if (held[c] == after[c]) {
      continue;
    }
    m->is = true;
    m->from = held[c];
    m->to = after[c];
    m->start_us = now_us;
    if (world_contacts[c].analog) {
      m->edges[0] = 0;
      m->edge_count = 1;
    } else {
      bounce(m, world_contacts[c].bounce_least_us, world_contacts[c].bounce_most_us);
    }
    int64_t last = now_us + length_of(m);
    edge_us = last > edge_us ? last : edge_us;
    held[c] = after[c];
  }
}

static void hands_now(void) {
  static double travel[WORLD_CONTACTS + 1];
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    struct moving *m = &moving[c];
    travel[c] = held[c];
    if (m->is) {
      int turned = 0;
      while (turned < m->edge_count && m->edges[turned] <= now_us - m->start_us) {
        turned++;
      }
      travel[c] = turned % 2 == 1 ? m->to : m->from;
      m->is = now_us - m->start_us < length_of(m);
    }
  }
  world_hands(travel);
}

/* ---- time ---- */

/* A board that takes another profile says so. */
static void look(void) {
  unsigned before = board_profile();
  board_look((uint32_t)session_now());
  if (board_profile() != before && tells) {
    session_turned(now_us - origin, board_profile() + 1U);
  }
}

/* Looks and reports until some time. */
static void run_to(int64_t to) {
  while ((scan_us < poll_us ? scan_us : poll_us) <= to) {
    if (scan_us <= poll_us) {
      now_us = scan_us;
      hands_now();
      if (world_dead()) {
        off = true;
      } else if (off) {
        off = false;
        board_begin(board_profile());
      }
      if (!off) {
        look();
      }
      scan_us += SCAN_US;
    } else {
      now_us = poll_us;
      gone = away(now_us - origin);
      if (!off) {
        polls = true;
        board_poll((uint32_t)session_now());
        polls = false;
#if N_CONSOLES
        consoles_ask(false);
#endif
      }
      poll_us += POLL_US;
    }
  }
  now_us = now_us > to ? now_us : to;
}

/* After the last edge: one look, the wait, a look to see that it is over, and one report. */
static int64_t rest_us(int64_t last_edge) {
  int64_t wait = 2LL * WAIT_US + 4LL * SCAN_US + POLL_US + world_longest_window_us[board_profile()];
  return last_edge + (wait < LONGEST_US ? wait : LONGEST_US);
}

/* ---- scripts ---- */

struct change {
  int64_t us;
  uint16_t contact;
  double travel;
  int rank; /* of the same time: releases first, then presses in their order */
};

static int in_order(const void *a, const void *b) {
  const struct change *one = a;
  const struct change *other = b;
  if (one->us != other->us) {
    return one->us < other->us ? -1 : 1;
  }
  return one->rank - other->rank;
}

static int changes_of(const struct script *script, struct change *changes) {
  int count = 0;
  for (int i = 0; i < script->count; i++) {
    const struct move *m = &script->moves[i];
    if (m->for_us > 0) {
      struct change end = {m->from_us + m->for_us, m->contact,
                           world_contacts[m->contact].rest, i};
      changes[count++] = end;
    }
    struct change begin = {m->from_us, m->contact, m->travel, MOST_MOVES + i};
    changes[count++] = begin;
  }
  qsort(changes, (size_t)count, sizeof changes[0], in_order);
  return count;
}

static void follow(const struct script *script) {
  static struct change changes[2 * MOST_MOVES];
  static double after[WORLD_CONTACTS + 1];
  int count = changes_of(script, changes);
  bool first = true;
  rest(after);
  for (int i = 0; i < count;) {
    int64_t us = changes[i].us;
    for (; i < count && changes[i].us == us; i++) {
      after[changes[i].contact] = changes[i].travel;
    }
    run_to(origin + us);
    shift(after);
    if (first) {
      chance = chance_split(&chance); /* what is ahead has chances of its own */
      first = false;
    }
  }
}

static void power_up(const struct run *run) {
  static double travel[WORLD_CONTACTS + 1];
  now_us = scan_us = poll_us = edge_us = 0;
  running = run;
  tells = false;
  off = false;
  gone = false;
  memset(moving, 0, sizeof moving);
  rest(held);
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    travel[c] = run->powered_up[c] ? 1 : held[c];
  }
  world_hands(travel);
  if (run->profile < 0) {
    board_power_up();
  } else {
    board_begin((unsigned)run->profile);
  }
  /* Then the hands let go, and it runs on with the profile it took. */
  world_hands(held);
  board_begin(board_profile());
}

void session_play(const struct script *script, const struct run *run) {
  chance = chance_of(run->seed);
  power_up(run);
  run_to(rest_us(0));
  scan_us = now_us + chance_below(&chance, SCAN_US);
  poll_us = now_us + chance_below(&chance, POLL_US);
  origin = now_us;
  tells = true;
  board_standing();
#if N_CONSOLES
  consoles_ask(true);
#endif
  follow(script);
  int64_t end = rest_us(edge_us);
  run_to(end);
  int64_t most = end + GOES_ON_US;
  while (board_busy() && now_us < most) {
    int64_t next = now_us + POLL_US;
    run_to(next < most ? next : most);
  }
}
