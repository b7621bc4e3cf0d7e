/* Steps 2 to 5: smoothing, thresholds, debounce, and pairs that count. */
#include "program.h"

#if WAIT_US > 65535
typedef uint32_t wait_t;
#else
typedef uint16_t wait_t;
#endif

#if WAIT_US > 0
static wait_t left[N_LOOKS]; /* of the wait, in us */
#endif

#if N_TRAVELS
static uint32_t smooth[N_TRAVELS]; /* the code times 256 */
#endif

#if N_PULSES
static uint8_t gray[N_PULSES];
static int16_t counted[N_PULSES];
#endif

void settle_begin(void) {
#if WAIT_US > 0
  for (number_t i = 0; i < N_LOOKS; i++) {
    left[i] = 0;
  }
#endif
#if N_PULSES
  for (number_t p = 0; p < N_PULSES; p++) {
    gray[p] = 0;
    counted[p] = 0;
  }
#endif
}

#if N_TRAVELS
uint16_t travel_code(number_t travel) { return (uint16_t)((smooth[travel] + 128U) >> 8); }

/* One 2^n-th of the way, rounded down, but at least 1. */
static uint32_t smoother(uint32_t state, uint16_t code, uint8_t n) {
  uint32_t to = (uint32_t)code << 8;
  if (to >= state) {
    uint32_t step = (to - state) >> n;
    return state + (step == 0 && to != state ? 1U : step);
  }
  uint32_t up = (uint32_t)((1UL << n) - 1U);
  return state - ((state - to + up) >> n);
}

/* Smooths one travel, and whether it is pressed. */
static bool travelled(number_t look, number_t t, bool started, bool *moved) {
  uint32_t next = started ? smoother(smooth[t], codes[t], rom8(&travel_smoothing[t]))
                          : (uint32_t)codes[t] << 8;
  *moved = *moved || next != smooth[t];
  smooth[t] = next;
  uint16_t code = travel_code(t);
  return code >= rom16(&travel_on[t]) ||
         ((flags[look] & RAW) != 0 && code >= rom16(&travel_off[t]));
}
#endif

#if N_PULSES
/* Forward runs none, A, A and B, B, none. */
static bool turned(number_t look, number_t p, bool started) {
  static const uint8_t places[4] = {0, 1, 3, 2}; /* of B A as two bits */
  bool a = (flags[look] & READ) != 0;
  bool b = (flags[romn(&pulse_partner[p])] & READ) != 0;
  uint8_t at = places[(b ? 2U : 0U) | (a ? 1U : 0U)];
  uint8_t way = (uint8_t)((at - gray[p]) & 3U);
  gray[p] = at;
  if (started && (way == 1 || way == 3)) {
    bool forward = (way == 1) != (rom8(&pulse_turned[p]) != 0);
    counted[p] = (int16_t)(counted[p] + (forward ? 1 : -1));
  }
  int16_t step = (int16_t)rom16(&pulse_per_step[p]);
  return counted[p] >= step || counted[p] <= -step;
}

int16_t pulse_steps(number_t pulse) {
  int16_t step = (int16_t)rom16(&pulse_per_step[pulse]);
  int16_t steps = (int16_t)(counted[pulse] / step);
  counted[pulse] = (int16_t)(counted[pulse] - steps * step);
  return steps;
}
#endif

/* Whether a level counts now; us is no more than a wait can tell apart. */
static bool counts(number_t i, bool raw, bool edge, wait_t us) {
#if WAIT_US > 0
#if EAGER
  (void)edge;
  left[i] = (wait_t)(left[i] > us ? left[i] - us : 0);
  if (raw == ((flags[i] & SETTLED) != 0) || left[i] > 0) {
    return false;
  }
  left[i] = (wait_t)WAIT_US;
  return true;
#else
  left[i] = (wait_t)(edge ? WAIT_US : left[i] > us ? left[i] - us : 0);
  return raw != ((flags[i] & SETTLED) != 0) && left[i] == 0;
#endif
#else
  (void)edge;
  (void)us;
  return raw != ((flags[i] & SETTLED) != 0);
#endif
}

/* Whether nothing can come of a look: it read what has long counted, and no wait runs. */
static bool quiet(number_t i, uint8_t known) {
  if (known != 0 && known != (READ | RAW | SETTLED)) {
    return false;
  }
#if WAIT_US > 0 && EAGER
  return left[i] == 0;
#else
  (void)i; /* without an edge a wait is over, and an edge begins another */
  return true;
#endif
}

uint8_t settle(bool started, uint32_t us) {
  bool changed = false;
  bool moved = false;
#if N_TRAVELS
  for (number_t i = 0; i < N_LOOKS; i++) {
    number_t t = romn(&look_travel[i]);
    if (t != NONE) {
      bool pressed = travelled(i, t, started, &moved);
      flags[i] = (uint8_t)(pressed ? flags[i] | READ : flags[i] & ~READ);
    }
  }
#endif
#if WAIT_US > 0
  wait_t passed = (wait_t)(us < WAIT_US ? us : WAIT_US);
#else
  wait_t passed = 0;
  (void)us;
#endif
  for (number_t i = 0; i < N_LOOKS; i++) {
    uint8_t known = (uint8_t)(flags[i] & (READ | RAW | SETTLED));
#if !N_PULSES
    if (quiet(i, known)) {
      continue;
    }
#endif
    bool raw = (known & READ) != 0;
    bool edge = raw != ((known & RAW) != 0);
#if N_PULSES
    number_t p = romn(&look_pulse[i]);
    if (p != NONE) {
      flags[i] = (uint8_t)(raw ? flags[i] | RAW : flags[i] & ~RAW);
      changed = (p != COUNTS_ONLY && turned(i, p, started)) || changed;
      continue;
    }
#endif
#if N_PULSES
    if (quiet(i, known)) {
      continue;
    }
#endif
    /* What is held at power-up counts at once: there is no edge that could bounce. */
    bool counted_now = started ? counts(i, raw, edge, passed) : raw;
    if (counted_now) {
      flags[i] ^= SETTLED;
      changed = true;
    }
    flags[i] = (uint8_t)(raw ? flags[i] | RAW : flags[i] & ~RAW);
  }
  return (uint8_t)((changed ? SOME_SETTLED : 0) | (moved ? SOME_MOVED : 0));
}
