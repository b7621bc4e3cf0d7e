/*
 * Pads that talk in frames, over the wires as they are: who is joined to whom is known, and levels
 * are high, low, unclear or free. Only for the simulated board.
 */
#include <math.h>
#include <string.h>

#include "wires.h"
#include "world_tables.h"

#if N_FRAMES
#define HELD 0.5
#define MOST_TURNS 1000 /* more than these are sides that answer each other without end */
#define FRAME_BYTES 255.0

enum seen { SEEN_LOW, SEEN_HIGH, SEEN_UNCLEAR, SEEN_FREE };

/* One pad of a talk, whose lines nobody else's pad has. */
struct pad {
  enum seen drives[MOST_TALK_LINES];
  enum seen heard[MOST_TALK_LINES];
  enum seen state[MOST_TALK_BITS]; /* of a register */
  enum seen latch;
  enum seen clock;
  enum seen stands; /* the select line */
  int changes;
  int64_t since_us;
  bool asked;
  int bit;
  int asks; /* what the byte asked, as it was heard so far */
};

struct talking {
  enum seen console[MOST_TALK_LINES];
  enum seen nets[MOST_TALK_NETS];
  struct pad pads[MOST_TALK_PADS];
  int reads[MOST_TALK_LINES]; /* since it left its rest */
  int64_t began_us; /* the frame */
  bool rests;
  bool lost;
};

static struct talking talks[N_PADS];
static const double *hands;

static const struct talk_line *line_of(const struct talk *talk, int line) {
  return &world_talk_lines[talk->lines_at + line];
}

static const struct talk_pad *pad_of(const struct talk *talk, int pad) {
  return &world_talk_pads[talk->pads_at + pad];
}

static bool clear(enum seen level) { return level == SEEN_LOW || level == SEEN_HIGH; }

static enum seen as_read(enum seen level) { return level == SEEN_FREE ? SEEN_UNCLEAR : level; }

static bool held(int contact) { return contact >= 0 && hands[contact] >= HELD; }

static enum seen low_for(bool is) { return is ? SEEN_LOW : SEEN_HIGH; }

/* ---- nets ---- */

static void join(enum seen *level, enum seen driven) {
  if (driven != SEEN_FREE) {
    *level = *level == SEEN_FREE || *level == driven ? driven : SEEN_UNCLEAR;
  }
}

static void settle(const struct talk *talk, struct talking *now) {
  for (int n = 0; n < talk->nets; n++) {
    int rail = world_talk_rails[talk->rails_at + n];
    now->nets[n] = rail < 0 ? SEEN_FREE : rail == 0 ? SEEN_LOW : SEEN_HIGH;
  }
  for (int l = 0; l < talk->lines; l++) {
    join(&now->nets[line_of(talk, l)->net], now->console[l]);
    for (int p = 0; p < talk->pads; p++) {
      if (pad_of(talk, p)->fed) {
        int net = world_talk_nets[pad_of(talk, p)->nets_at + l];
        join(&now->nets[net], now->pads[p].drives[l]);
      }
    }
  }
  for (int l = 0; l < talk->lines; l++) {
    enum seen *level = &now->nets[line_of(talk, l)->net];
    if (*level == SEEN_FREE && line_of(talk, l)->pulled) {
      *level = SEEN_HIGH;
    }
  }
}

static enum seen at_pad(const struct talk *talk, const struct talking *now, int pad, int line) {
  return as_read(now->nets[world_talk_nets[pad_of(talk, pad)->nets_at + line]]);
}

/* Drives both ways, or only low, as the line of the kind says. */
static void say(const struct talk *talk, struct pad *pad, int line, enum seen level) {
  bool both = line_of(talk, line)->both;
  pad->drives[line] = both ? level : level == SEEN_LOW ? SEEN_LOW : SEEN_FREE;
}

/* ---- a pad that counts how often its select line turns ---- */

static int says_of(const struct talk *talk, int phase, int line) {
  return world_says[talk->says_at + phase * talk->lines + line];
}

static void phased_show(const struct talk *talk, struct pad *pad, const struct talk_pad *is) {
  int low = pad->stands == SEEN_LOW ? 1 : 0;
  bool counted = pad->changes < talk->phases && pad->changes % 2 == low;
  int phase = counted ? pad->changes : low;
  for (int l = 0; l < talk->lines; l++) {
    if (line_of(talk, l)->console) {
      continue;
    }
    int says = says_of(talk, phase, l);
    enum seen level = says == SAYS_LOW                      ? SEEN_LOW
                      : says == SAYS_HIGH                   ? SEEN_HIGH
                      : held(world_pad_bits[is->bits_at + says]) ? SEEN_LOW
                                                            : SEEN_HIGH;
    if (line_of(talk, l)->both && !clear(pad->stands)) {
      level = SEEN_UNCLEAR;
    }
    say(talk, pad, l, level);
  }
}

static void phased_turned(const struct talk *talk, struct pad *pad, const struct talk_pad *is,
                          enum seen level) {
  if (session_now() - pad->since_us > talk->forget_us) {
    pad->changes = 0;
  }
  pad->since_us = session_now();
  pad->stands = level;
  pad->changes++;
  phased_show(talk, pad, is);
}

/* ---- a pad that says bytes under a select line ---- */

enum { PACKET_SELECT, PACKET_CLOCK, PACKET_COMMAND, PACKET_DATA, PACKET_ACKNOWLEDGE };

static int packet_line(const struct talk *talk, int role) {
  return world_says[talk->says_at + role];
}

static void quiet(const struct talk *talk, struct pad *pad) {
  pad->asked = false;
  pad->drives[packet_line(talk, PACKET_DATA)] = SEEN_FREE;
  pad->drives[packet_line(talk, PACKET_ACKNOWLEDGE)] = SEEN_FREE;
}

static int packet_bytes(const struct talk *talk, const struct talk_pad *is) {
  return talk->asked + (is->bits + 7) / 8 + is->axes;
}

static bool packet_bit(const struct talk *talk, const struct talk_pad *is, int bit) {
  int number = bit / 8;
  if (number < talk->asked) {
    return (world_talk_bytes[talk->bytes_at + talk->asked + number] >> bit % 8 & 1) != 0;
  }
  int of = bit - 8 * talk->asked;
  int bits = 8 * ((is->bits + 7) / 8);
  if (of < bits) {
    return of >= is->bits || !held(world_pad_bits[is->bits_at + of]);
  }
  double at = hands[world_pad_axes[is->axes_at + (of - bits) / 8]];
  return ((int)floor(at * FRAME_BYTES + 0.5) >> bit % 8 & 1) != 0;
}

static void settle_all(const struct talk *talk, struct talking *now);

static void packet_clocked(const struct talk *talk, struct talking *now, int p, enum seen level) {
  struct pad *pad = &now->pads[p];
  const struct talk_pad *is = pad_of(talk, p);
  if (!pad->asked || pad->bit / 8 >= packet_bytes(talk, is)) {
    return;
  }
  if (level == SEEN_LOW) {
    say(talk, pad, packet_line(talk, PACKET_DATA),
        packet_bit(talk, is, pad->bit) ? SEEN_HIGH : SEEN_LOW);
  } else if (level == SEEN_HIGH) {
    enum seen command = at_pad(talk, now, p, packet_line(talk, PACKET_COMMAND));
    pad->asks |= (command == SEEN_LOW ? 0 : 1) << pad->bit % 8;
    pad->bit++;
    if (pad->bit % 8 == 0) {
      int number = pad->bit / 8 - 1;
      if (number < talk->asked && pad->asks != world_talk_bytes[talk->bytes_at + number]) {
        quiet(talk, pad); /* that was for somebody else */
        return;
      }
      pad->asks = 0;
      /* A short pulse, long over when the next byte comes. */
      pad->drives[packet_line(talk, PACKET_ACKNOWLEDGE)] = SEEN_LOW;
      settle_all(talk, now);
      pad->drives[packet_line(talk, PACKET_ACKNOWLEDGE)] = SEEN_FREE;
    }
  } else {
    quiet(talk, pad);
  }
}

static void packet_selected(const struct talk *talk, struct pad *pad, enum seen level) {
  if (level == SEEN_LOW) {
    pad->asked = true;
    pad->bit = 0;
    pad->asks = 0;
  } else {
    quiet(talk, pad);
  }
}

/* ---- a register ---- */

enum { LATCH_LATCH, LATCH_CLOCK, LATCH_DATA };

static void take_in(struct pad *pad, const struct talk_pad *is) {
  for (int b = 0; b < is->bits; b++) {
    pad->state[b] = low_for(held(world_pad_bits[is->bits_at + b]));
  }
}

static void lose(struct pad *pad, const struct talk_pad *is) {
  for (int b = 0; b < is->bits; b++) {
    pad->state[b] = SEEN_UNCLEAR;
  }
}

static void latch_turned(const struct talk *talk, struct pad *pad, const struct talk_pad *is,
                         bool clocks, enum seen level) {
  if (!clocks) {
    if (!clear(level)) {
      lose(pad, is);
    } else if (level == SEEN_HIGH || pad->latch == SEEN_HIGH) {
      take_in(pad, is);
    }
    pad->latch = level;
    if (!clear(pad->latch) || !clear(pad->clock)) {
      lose(pad, is);
    }
  } else {
    enum seen edge = talk->falls ? SEEN_LOW : SEEN_HIGH;
    if (!clear(level) || !clear(pad->clock)) {
      lose(pad, is);
    } else if (level == edge && pad->latch == SEEN_LOW) {
      memmove(&pad->state[0], &pad->state[1], (size_t)(is->bits - 1) * sizeof pad->state[0]);
      pad->state[is->bits - 1] = SEEN_LOW;
    }
    pad->clock = level;
  }
  say(talk, pad, world_says[talk->says_at + LATCH_DATA], pad->state[0]);
}

/* ---- edges ---- */

static void turned(const struct talk *talk, struct talking *now, int p, int line,
                   enum seen level) {
  struct pad *pad = &now->pads[p];
  const struct talk_pad *is = pad_of(talk, p);
  const int *says = &world_says[talk->says_at];
  switch (talk->kind) {
    case TALK_PHASED:
      if (line == talk->select) {
        phased_turned(talk, pad, is, level);
      }
      break;
    case TALK_PACKET:
      if (line == says[PACKET_SELECT]) {
        packet_selected(talk, pad, level);
      } else if (line == says[PACKET_CLOCK]) {
        packet_clocked(talk, now, p, level);
      }
      break;
    case TALK_LATCH:
      if (line == says[LATCH_LATCH] || line == says[LATCH_CLOCK]) {
        latch_turned(talk, pad, is, line == says[LATCH_CLOCK], level);
      }
      break;
  }
}

static void settle_all(const struct talk *talk, struct talking *now) {
  bool again = true;
  for (int turns = 0; again && !now->lost; turns++) {
    again = false;
    settle(talk, now);
    now->lost = turns > MOST_TURNS;
    for (int l = 0; l < talk->lines && !again; l++) {
      for (int p = 0; p < talk->pads && !again; p++) {
        enum seen level = at_pad(talk, now, p, l);
        if (pad_of(talk, p)->fed && level != now->pads[p].heard[l]) {
          now->pads[p].heard[l] = level;
          turned(talk, now, p, l, level);
          again = true;
        }
      }
    }
  }
}

/* ---- what the board does ---- */

static void begin(const struct talk *talk, struct talking *now) {
  memset(now, 0, sizeof *now);
  now->rests = true;
  for (int l = 0; l < talk->lines; l++) {
    const struct talk_line *line = line_of(talk, l);
    now->console[l] = !line->console || line->terminal < 0 ? SEEN_FREE
                      : line->high                         ? SEEN_HIGH
                                                           : SEEN_LOW;
    for (int p = 0; p < talk->pads; p++) {
      now->pads[p].drives[l] = SEEN_FREE;
    }
  }
  settle(talk, now);
  for (int p = 0; p < talk->pads; p++) {
    struct pad *pad = &now->pads[p];
    const int *says = &world_says[talk->says_at];
    pad->since_us = session_now() - 2 * talk->forget_us - 1;
    if (talk->kind == TALK_PHASED) {
      pad->stands = at_pad(talk, now, p, talk->select);
    } else if (talk->kind == TALK_LATCH) {
      pad->latch = at_pad(talk, now, p, says[LATCH_LATCH]);
      pad->clock = at_pad(talk, now, p, says[LATCH_CLOCK]);
    }
  }
  for (int p = 0; p < talk->pads; p++) {
    struct pad *pad = &now->pads[p];
    const struct talk_pad *is = pad_of(talk, p);
    if (talk->kind == TALK_PHASED && is->fed) {
      phased_show(talk, pad, is);
    } else if (talk->kind == TALK_LATCH && is->fed) {
      for (int b = 0; b < is->bits; b++) {
        pad->state[b] = SEEN_LOW;
      }
      if (pad->latch == SEEN_HIGH) {
        take_in(pad, is);
      }
      if (!clear(pad->latch) || !clear(pad->clock)) {
        lose(pad, is);
      }
      say(talk, pad, world_says[talk->says_at + LATCH_DATA], pad->state[0]);
    }
    for (int l = 0; l < talk->lines; l++) {
      pad->heard[l] = at_pad(talk, now, p, l);
    }
  }
  settle_all(talk, now);
}

void pads_fresh(void) {
  for (unsigned t = 0; t < N_PADS; t++) {
    begin(&world_talks[t], &talks[t]);
    talks[t].began_us = session_now() - 1;
  }
}

void pads_hands(const double *travel) { hands = travel; }

/*
 * A frame begins: the pads are as after a long rest, but for one that counts and was left alone too
 * short a time, which goes on counting.
 */
static void start(const struct talk *talk, struct talking *now) {
  if (now->began_us == session_now()) {
    return;
  }
  bool forgot = true;
  for (int p = 0; p < talk->pads; p++) {
    forgot = forgot && session_now() - now->pads[p].since_us > talk->forget_us;
  }
  if (forgot) {
    begin(talk, now);
  }
  now->began_us = session_now();
}

static bool at_rest(const struct talk *talk, const struct talking *now) {
  bool rests = true;
  for (int l = 0; l < talk->lines; l++) {
    const struct talk_line *line = line_of(talk, l);
    bool driven = line->console && line->terminal >= 0;
    rests = rests && (!driven || now->console[l] == (line->high ? SEEN_HIGH : SEEN_LOW));
  }
  return rests;
}

/* The program lets none of their lines go. */
void pads_drive(unsigned terminal, enum level level) {
  for (unsigned t = 0; t < N_PADS; t++) {
    const struct talk *talk = &world_talks[t];
    struct talking *now = &talks[t];
    enum seen to = level == LEVEL_HIGH ? SEEN_HIGH : SEEN_LOW;
    for (int l = 0; l < talk->lines; l++) {
      const struct talk_line *line = line_of(talk, l);
      if (line->console && line->terminal == (int)terminal && now->console[l] != to) {
        if (now->rests) {
          start(talk, now);
        }
        now->console[l] = to;
        now->rests = at_rest(talk, now);
        settle_all(talk, now);
      }
    }
  }
}

/* What nothing holds reads as it least helps: a pad is not known by it, and nothing is held. */
bool pads_read(unsigned terminal, bool *high) {
  for (unsigned t = 0; t < N_PADS; t++) {
    const struct talk *talk = &world_talks[t];
    struct talking *now = &talks[t];
    for (int l = 0; l < talk->lines; l++) {
      const struct talk_line *line = line_of(talk, l);
      if (line->console || line->terminal != (int)terminal) {
        continue;
      }
      if (now->rests) {
        start(talk, now);
      }
      enum seen level = now->lost ? SEEN_UNCLEAR : now->nets[line->net];
      int bit = now->reads[l]++;
      *high = level != SEEN_LOW;
      for (int k = 0; k < talk->known && !clear(level); k++) {
        int known = world_talk_known[talk->known_at + k];
        *high = *high && known != 2 * bit + 1;
      }
      return true;
    }
  }
  return false;
}
#endif
