/* The order of things: looks, polls, and what a press asks for. */
#include "program.h"

uint8_t flags[N_LOOKS];
number_t layer;
uint16_t now[PROFILE_ROWS];

static number_t profile;
static bool started;
static bool busy; /* axes are on their way */
#if N_REPEATS
static bool repeats; /* rapid fire is asked for */
#endif
static bool news;
static uint32_t last_us;
static uint32_t next_look_us;
static uint32_t next_poll_us;

static uint8_t on[N_MEANINGS + 1]; /* bit 0 now, bit 1 at the look before */
static uint8_t sent[REPORT_BYTES];
static bool was_sent[N_REPORTS];
static bool refused;      /* the host did not take a report at the poll before, */
static number_t again;    /* which one it was */

#if N_LAYERS
static number_t pressed_on[N_LOOKS];
#endif

#if N_REPEATS
static uint32_t phase[N_REPEATS]; /* of a period, since it was asked for, in us */
#endif

#if N_CHORDS
static uint8_t chord_flags[N_CHORDS];
#endif

number_t meaning(number_t of_layer, number_t look) {
  return romn(&meanings[now[MEANINGS_AT] + (uint16_t)(of_layer * N_LOOKS) + look]);
}

number_t press_layer(number_t look) {
#if N_LAYERS
  return pressed_on[look];
#else
  (void)look;
  return 0;
#endif
}

#if N_LAYERS
/* A key of a layer belongs to the layer before, every other press to the one in force. */
void press_on(number_t look, number_t before) {
  pressed_on[look] = (flags[look] & KEY) != 0 ? before : layer;
}
#endif

bool is_on(number_t target) { return (on[target] & 1U) != 0; }

uint16_t source_count(void) { return (uint16_t)(N_LOOKS + now[CHORDS]); }

bool source_asks(uint16_t source) {
#if N_CHORDS
  if (source >= N_LOOKS) {
    return (chord_flags[source - N_LOOKS] & ASKS) != 0;
  }
#endif
  return (flags[source] & ASKS) != 0;
}

void source_drop(uint16_t source) {
#if N_CHORDS
  if (source >= N_LOOKS) {
    chord_flags[source - N_LOOKS] = 0;
    return;
  }
#endif
  flags[source] = (uint8_t)(flags[source] & ~ASKS);
}

number_t source_meaning(uint16_t source) {
#if N_CHORDS
  if (source >= N_LOOKS) {
    return romn(&chord_meaning[now[CHORDS_AT] + source - N_LOOKS]);
  }
#endif
  return meaning(press_layer((number_t)source), (number_t)source);
}

/* Step 7: what each press and each chord asks for. */
static void ask(number_t before) {
  (void)before;
#if N_CHORDS
  chords_look(before);
  for (number_t c = 0; c < now[CHORDS]; c++) {
    chord_flags[c] = chord_on(c) ? ASKS : 0;
  }
#else
  for (number_t i = 0; i < N_LOOKS; i++) {
    bool pressed = (flags[i] & SETTLED) != 0;
#if N_LAYERS
    if (pressed && (flags[i] & PRESSED) == 0) {
      press_on(i, before);
    }
#endif
    flags[i] = (uint8_t)(pressed ? flags[i] | ASKS | PRESSED : flags[i] & ~(ASKS | PRESSED));
  }
#endif
}

#if N_REPEATS
/* Step 9: on for the first part of each period since it was asked for. */
static bool rests(number_t look) {
  number_t r = romn(&look_repeat[look]);
  return r != NONE && phase[r] >= (uint32_t)1000 * rom16(&repeat_on_ms[r]);
}

/* Time goes on for what is asked for, whether it is given or not. */
static void repeats_age(uint32_t us) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    number_t r = romn(&look_repeat[i]);
    if (r != NONE && (flags[i] & ASKED) != 0) {
      uint32_t ms = (uint32_t)rom16(&repeat_on_ms[r]) + rom16(&repeat_off_ms[r]);
      phase[r] = (phase[r] + us) % (1000U * ms);
    }
  }
}

static void repeats_ask(void) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    number_t r = romn(&look_repeat[i]);
    bool asks = (flags[i] & ASKS) != 0;
    if (r != NONE && asks && (flags[i] & ASKED) == 0) {
      phase[r] = 0;
    }
    flags[i] = (uint8_t)(asks ? flags[i] | ASKED : flags[i] & ~ASKED);
  }
}
#endif

/* Steps 8 and 9: what of that is given. */
static void give(void) {
#if N_REPEATS
  repeats_ask();
#endif
#if N_LEVERS || N_GATES || N_PAIRS
  opposites_look();
#endif
  for (number_t t = 0; t < now[TARGETS]; t++) {
    on[t] = (uint8_t)((on[t] & 1U) << 1);
  }
  for (uint16_t s = 0; s < source_count(); s++) {
    number_t target = source_asks(s) ? source_meaning(s) : NONE;
#if N_REPEATS
    if (target != NONE && s < N_LOOKS && rests((number_t)s)) {
      target = NONE;
    }
#endif
    if (target != NONE) {
      on[target] |= 1U;
    }
  }
  for (number_t t = 0; t < now[TARGETS]; t++) {
    news = news || on[t] == 1 || on[t] == 2;
  }
}

#if N_REPEATS
static bool repeating(void) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    if (romn(&look_repeat[i]) != NONE && (flags[i] & ASKS) != 0) {
      return true;
    }
  }
  return false;
}
#endif

#if N_LAMPS
/* Lamps that follow their contacts. */
static void light(void) {
  for (number_t k = 0; k < N_LAMPS; k++) {
    bool lit = false;
    for (number_t at = romn(&lamp_at[k]); at < romn(&lamp_at[k + 1]); at++) {
      lit = lit || (flags[romn(&lamp_looks[at])] & SETTLED) != 0;
    }
    hw_drive(romn(&lamp_terminal[k]), lit ? LEVEL_HIGH : LEVEL_LOW);
  }
}
#endif

#if USE_RUNNING
/* Profiles that are chosen while the board runs: their contacts held together so long, then let go. */
#define HELD_US 2000000U
#define MADE 0xFFFFFFFFU

static uint32_t held_us[N_PROFILES]; /* 1 when all have come to be held, and so much later more */

/* Stored with the number, so that a byte of something else is none of ours. */
#define KEPT 0xA0U

static number_t turn_to(uint32_t since) {
  number_t to = NONE;
  for (number_t p = 0; p < N_PROFILES; p++) {
    if (p == profile || rom8(&choice_kind[p]) != CHOICE_RUNNING) {
      continue;
    }
    bool all = romn(&choice_at[p]) < romn(&choice_at[p + 1]);
    bool any = false;
    for (number_t at = romn(&choice_at[p]); at < romn(&choice_at[p + 1]); at++) {
      number_t look = romn(&choice_looks[at]);
      bool is = look != NONE && (flags[look] & SETTLED) != 0;
      all = all && is;
      any = any || is;
    }
    if (held_us[p] == MADE) {
      to = !any && to == NONE ? p : to;
    } else if (!all) {
      held_us[p] = 0;
    } else {
      held_us[p] = held_us[p] == 0 ? 1 : held_us[p] + since;
      held_us[p] = held_us[p] > HELD_US ? MADE : held_us[p];
    }
  }
  return to;
}

static void begin(number_t chosen);

static void turn(uint32_t since) {
  number_t to = turn_to(since);
  if (to != NONE) {
    hw_keep((uint8_t)(KEPT + to));
    hw_restart();
    begin(to);
  }
}
#endif

static void look_at(uint32_t us, uint32_t since);

void device_look(uint32_t us) {
  uint32_t since = started ? us - last_us : 0;
  look_at(us, since);
#if USE_RUNNING
  turn(since);
#endif
#if USE_BYTES
  bytes_look(us);
#endif
}

static void look_at(uint32_t us, uint32_t since) {
  number_t before = layer;
  sample();
  uint8_t what = settle(started, since);
  bool changed = (what & SOME_SETTLED) != 0 || !started;
#if SELF_TEST
  self_test_look(us);
#endif
#if N_CHORDS
  chords_age(since);
  changed = changed || chords_waiting();
#endif
#if N_REPEATS
  repeats_age(since);
  changed = changed || repeats;
#endif
  last_us = us;
  if (!changed && (what & SOME_MOVED) == 0 && !busy) {
    return;
  }
  if (changed) { /* else what is asked for and given is as it was */
#if N_LAYERS
    layer = layers_look();
#endif
    ask(before);
    give();
#if N_LAMPS
    light();
#endif
  }
#if USE_AXES
  axes_look(since);
#if USE_STEPPED
  news = stepped_news() || news;
#endif
  busy = axes_busy();
#endif
#if N_REPEATS
  repeats = repeating();
#endif
  started = true;
}

static bool differs(const uint8_t *transfer, const uint8_t *before, report_size_t bytes) {
  for (report_size_t b = 0; b < bytes; b++) {
    if (transfer[b] != before[b]) {
      return true;
    }
  }
  return false;
}

/* Whether taps or axes have something to tell. */
static bool more_to_tell(void) {
  bool any = false;
#if USE_TAPS
  any = taps_any();
#endif
#if USE_AXES
  any = any || axes_news();
#endif
  return any;
}

/*
 * Step 13: a report that differs from the last one sent, or tells of motion, is sent. What the host
 * does not take is tried again first; a tap stays on until every report of its poll was taken.
 */
static void tell(void) {
  uint8_t transfer[LONGEST_REPORT];
  if (!news && !refused && !more_to_tell()) {
    return;
  }
#if USE_TAPS
  if (!refused) {
    taps_turn();
  }
#endif
#if N_CONSOLES
  answers_tell();
#endif
  number_t r = refused ? again : 0;
  refused = false;
  for (number_t k = 0; k < now[REPORTS]; k++, r = (number_t)(r + 1U < now[REPORTS] ? r + 1U : 0)) {
    uint8_t *last = &sent[rom16(&report_at[now[REPORTS_AT] + r])];
    report_size_t bytes = compose(r, transfer);
    bool moves = false;
#if USE_AXES
    moves = axes_moves(r);
#endif
    if (!moves && was_sent[r] && !differs(transfer, last, bytes)) {
      continue;
    }
    if (!hw_send(rom8(&report_id[now[REPORTS_AT] + r]), transfer, bytes)) {
      refused = true;
      again = r;
      return;
    }
#if USE_AXES
    axes_sent(r);
    if (moves) {
      /* What the mouse did is told once; what stands is compared without it. */
      (void)compose(r, transfer);
    }
#endif
    for (report_size_t b = 0; b < bytes; b++) {
      last[b] = transfer[b];
    }
    was_sent[r] = true;
  }
#if USE_AXES
  axes_told();
#endif
#if USE_TAPS
  news = taps_any();
#else
  news = false;
#endif
}

void device_poll(void) {
  if (!started) {
    return; /* nothing is known yet */
  }
  tell();
#if N_STRIPS
  strips_tell();
#endif
}

void device_forget(void) {
  for (number_t r = 0; r < N_REPORTS; r++) {
    was_sent[r] = false;
  }
  news = true;
}

static void begin(number_t chosen) {
  profile = chosen;
  for (uint16_t r = 0; r < PROFILE_ROWS; r++) {
    now[r] = rom16(&profiles[chosen * (uint16_t)PROFILE_ROWS + r]);
  }
  for (number_t i = 0; i < N_LOOKS; i++) {
    flags[i] = 0;
#if N_LAYERS
    pressed_on[i] = 0;
#endif
  }
  for (uint16_t t = 0; t < N_MEANINGS; t++) {
    on[t] = 0;
  }
  device_forget();
  refused = false;
  layer = 0;
  started = false;
  busy = false;
  sample_begin();
  settle_begin();
#if N_LAYERS
  layers_begin();
#endif
#if N_CHORDS
  chords_begin();
#endif
#if N_LEVERS || N_GATES || N_PAIRS
  opposites_begin();
#endif
#if N_REPEATS
  for (number_t r = 0; r < N_REPEATS; r++) {
    phase[r] = 0;
  }
  repeats = false;
#endif
#if USE_RUNNING
  for (number_t p = 0; p < N_PROFILES; p++) {
    held_us[p] = 0;
  }
#endif
#if USE_AXES
  axes_begin();
#endif
#if USE_TAPS
  taps_begin();
#endif
#if N_CONSOLES
  answers_begin();
#endif
#if N_STRIPS
  strips_begin();
#endif
#if SELF_TEST
  self_test_begin();
#endif
}

void device_begin(number_t chosen) {
#if N_FRAMES
  frames_fresh();
#endif
  begin(chosen);
}

#if N_PROFILES > 1
static bool held(number_t p) {
  bool all = romn(&choice_at[p]) < romn(&choice_at[p + 1]);
  for (number_t at = romn(&choice_at[p]); at < romn(&choice_at[p + 1]); at++) {
    number_t look = romn(&choice_looks[at]);
    all = all && look != NONE && (flags[look] & READ) != 0;
  }
  return all;
}

/*
 * Of those whose contacts are all held the one that asks for most of them; else the first whose
 * switch stands so; else the one that was chosen while running; else the first of all.
 */
static number_t choose(void) {
  number_t best = 0;
  number_t most = 0;
  for (number_t p = 1; p < N_PROFILES; p++) {
    number_t size = (number_t)(romn(&choice_at[p + 1]) - romn(&choice_at[p]));
    if (rom8(&choice_kind[p]) == CHOICE_HELD && size > most && held(p)) {
      best = p;
      most = size;
    }
  }
  for (number_t p = 1; p < N_PROFILES && best == 0; p++) {
    uint8_t kind = rom8(&choice_kind[p]);
    if ((kind == CHOICE_CLOSED && held(p)) || (kind == CHOICE_OPEN && !held(p))) {
      best = p;
    }
  }
#if USE_RUNNING
  uint8_t kept = (uint8_t)(hw_kept() - KEPT);
  if (best == 0 && kept < N_PROFILES && rom8(&choice_kind[kept]) == CHOICE_RUNNING) {
    best = kept;
  }
#endif
  return best;
}
#endif

void device_power_up(void) {
  device_begin(0);
#if N_PROFILES > 1
  sample();
  (void)settle(false, 0);
  begin(choose());
#endif
}

void device_due(uint32_t look_us, uint32_t poll_us) {
  next_look_us = look_us;
  next_poll_us = poll_us;
}

void device_tick(void) {
  uint32_t us = hw_micros();
  if ((int32_t)(us - next_look_us) >= 0) {
    /* What was missed is not made up for. */
    next_look_us = (int32_t)(us - next_look_us) < (int32_t)SCAN_US ? next_look_us + SCAN_US
                                                                  : us + SCAN_US;
    device_look(us);
  }
  if ((int32_t)(us - next_poll_us) >= 0) {
    next_poll_us = (int32_t)(us - next_poll_us) < (int32_t)POLL_US ? next_poll_us + POLL_US
                                                                  : us + POLL_US;
    device_poll();
  }
}

bool device_busy(void) {
  bool any = busy;
#if N_REPEATS
  any = any || repeats;
#endif
#if N_CHORDS
  any = any || chords_coming();
#endif
  return any || refused || more_to_tell();
}

number_t device_profile(void) { return profile; }

number_t device_reports(void) { return (number_t)now[REPORTS]; }

uint8_t device_report(number_t report, uint8_t *transfer, report_size_t *bytes) {
  *bytes = compose(report, transfer);
  return rom8(&report_id[now[REPORTS_AT] + report]);
}

uint16_t device_descriptor_size(void) { return now[DESCRIPTOR]; }

uint8_t device_descriptor_byte(uint16_t at) { return rom8(&descriptors[now[DESCRIPTOR_AT] + at]); }

uint8_t device_terminal_use(number_t terminal) { return rom8(&terminal_use[terminal]); }
