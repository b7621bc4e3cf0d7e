/* Step 7: what a press asks for: its own meaning, nothing yet, or its part of a chord. */
#include "program.h"

#if N_CHORDS

enum stand { UP, WAITING, OWN, TAKEN };

#define LONG_AGO UINT32_MAX

static uint8_t stands[N_LOOKS];
static uint32_t age[N_LOOKS]; /* of the press, in us; stays at LONG_AGO */
static number_t taken_by[N_LOOKS];
static bool on[N_CHORDS];
static number_t waiting; /* how many presses wait */
static bool coming;

void chords_begin(void) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    stands[i] = UP;
  }
  for (number_t c = 0; c < N_CHORDS; c++) {
    on[c] = false;
  }
  waiting = 0;
  coming = false;
}

static uint16_t row(number_t c) { return (uint16_t)(now[CHORDS_AT] + c); }
static uint16_t first(number_t c) { return rom16(&chord_at[row(c)]); }
static uint16_t end(number_t c) { return rom16(&chord_at[row(c) + 1]); }
static uint16_t size(number_t c) { return (uint16_t)(end(c) - first(c)); }
static bool waits(number_t c) { return rom8(&chord_waits[row(c)]) != 0; }
static uint32_t window(number_t c) { return (uint32_t)1000 * rom16(&chord_window_ms[row(c)]); }

static bool available(number_t c, number_t on_layer) {
  uint16_t at = (uint16_t)(row(c) * ((N_LAYERS + 8U) / 8U) + (on_layer >> 3));
  return (rom8(&chord_layers[at]) >> (on_layer & 7U) & 1U) != 0;
}

static bool has(number_t c, number_t look) {
  for (uint16_t m = first(c); m < end(c); m++) {
    if (romn(&chord_keys[m]) == look) {
      return true;
    }
  }
  return false;
}

static bool within(number_t inner, number_t outer) {
  if (size(inner) >= size(outer)) {
    return false;
  }
  for (uint16_t m = first(inner); m < end(inner); m++) {
    if (!has(outer, romn(&chord_keys[m]))) {
      return false;
    }
  }
  return true;
}

/* Whether a press waits, and the longest window it waits for. */
static bool patient(number_t look, uint32_t *longest) {
  bool any = false;
  *longest = 0;
  for (number_t c = 0; c < now[CHORDS]; c++) {
    if (waits(c) && available(c, press_layer(look)) && has(c, look)) {
      any = true;
      *longest = window(c) > *longest ? window(c) : *longest;
    }
  }
  return any;
}

void chords_age(uint32_t us) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    if (stands[i] != UP) {
      age[i] = age[i] > LONG_AGO - us ? LONG_AGO : age[i] + us;
    }
  }
}

/* All members are held, pressed within the window, and free or part of a shorter chord. */
static bool complete(number_t c) {
  uint32_t oldest = 0;
  uint32_t youngest = UINT32_MAX;
  number_t last = 0;
  if (size(c) == 0) {
    return false;
  }
  for (uint16_t m = first(c); m < end(c); m++) {
    number_t i = romn(&chord_keys[m]);
    bool unfree = stands[i] == TAKEN && !(on[taken_by[i]] && within(taken_by[i], c));
    if (stands[i] == UP || unfree) {
      return false;
    }
    oldest = age[i] > oldest ? age[i] : oldest;
    if (age[i] <= youngest) {
      youngest = age[i];
      last = i;
    }
  }
  /* Of two that are as old as can be told none knows which came first. */
  return oldest < LONG_AGO && oldest - youngest <= window(c) && available(c, press_layer(last));
}

static bool open(number_t c) {
  for (uint16_t m = first(c); m < end(c); m++) {
    number_t i = romn(&chord_keys[m]);
    if (stands[i] == TAKEN || (stands[i] != UP && age[i] > window(c))) {
      return false;
    }
  }
  return true;
}

/* A longer chord that its members wait for may still come. */
static bool blocked(number_t c) {
  number_t member = romn(&chord_keys[first(c)]);
  for (number_t k = 0; k < now[CHORDS]; k++) {
    number_t longer = romn(&chord_longest_first[row(k)]);
    if (size(longer) <= size(c)) {
      return false;
    }
    if (waits(longer) && available(longer, press_layer(member)) && within(c, longer) &&
        open(longer)) {
      return true;
    }
  }
  return false;
}

static void take(number_t c) {
  on[c] = true;
  for (uint16_t m = first(c); m < end(c); m++) {
    number_t i = romn(&chord_keys[m]);
    if (stands[i] == TAKEN) {
      on[taken_by[i]] = false;
    } else if (stands[i] == WAITING) {
      waiting--;
    }
    stands[i] = TAKEN;
    taken_by[i] = c;
  }
}

static void press(number_t i, number_t before) {
  uint32_t longest;
  (void)before;
#if N_LAYERS
  press_on(i, before);
#endif
  age[i] = 0;
  stands[i] = patient(i, &longest) ? WAITING : OWN;
  waiting = (number_t)(waiting + (stands[i] == WAITING ? 1 : 0));
}

void chords_look(number_t before) {
  uint32_t longest;
  for (number_t c = 0; c < now[CHORDS]; c++) {
    for (uint16_t m = first(c); on[c] && m < end(c); m++) {
      on[c] = (flags[romn(&chord_keys[m])] & SETTLED) != 0;
    }
  }
  for (number_t i = 0; i < N_LOOKS; i++) {
    bool pressed = (flags[i] & SETTLED) != 0;
    if (!pressed && stands[i] != UP) {
      if (stands[i] == WAITING) {
        tap(meaning(press_layer(i), i));
        waiting--;
      }
      stands[i] = UP;
    } else if (pressed && stands[i] == UP) {
      press(i, before);
    }
  }
  for (number_t k = 0; k < now[CHORDS]; k++) {
    number_t c = romn(&chord_longest_first[row(k)]);
    if (!on[c] && complete(c) && !blocked(c)) {
      take(c);
    }
  }
  coming = false;
  for (number_t i = 0; i < N_LOOKS; i++) {
    if (stands[i] == WAITING && (!patient(i, &longest) || age[i] > longest)) {
      stands[i] = OWN;
      waiting--;
    }
    for (number_t c = 0; stands[i] == WAITING && c < now[CHORDS]; c++) {
      coming = coming || (waits(c) && has(c, i) && age[i] <= window(c));
    }
    flags[i] = (uint8_t)(stands[i] == OWN ? flags[i] | ASKS : flags[i] & ~ASKS);
  }
}

bool chords_waiting(void) { return waiting > 0; }

/* Whether a window of a press that waits is not over yet. */
bool chords_coming(void) { return coming; }

bool chord_on(number_t chord) { return on[chord]; }

#endif
