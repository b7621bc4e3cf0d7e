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
static bool travelled(number_t look, number_t t, bool started, bool *changed) {
  uint32_t next = started ? smoother(smooth[t], codes[t], rom8(&travel_smoothing[t]))
                          : (uint32_t)codes[t] << 8;
  *changed = *changed || next != smooth[t];
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

/* Whether a level counts now. */
static bool counts(number_t i, bool raw, bool edge, uint32_t us) {
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

bool settle(bool started, uint32_t us) {
  bool changed = false;
#if N_TRAVELS
  for (number_t i = 0; i < N_LOOKS; i++) {
    number_t t = romn(&look_travel[i]);
    if (t != NONE) {
      bool pressed = travelled(i, t, started, &changed);
      flags[i] = (uint8_t)(pressed ? flags[i] | READ : flags[i] & ~READ);
    }
  }
#endif
  for (number_t i = 0; i < N_LOOKS; i++) {
    bool raw = (flags[i] & READ) != 0;
    bool edge = raw != ((flags[i] & RAW) != 0);
#if N_PULSES
    number_t p = romn(&look_pulse[i]);
    if (p != NONE) {
      flags[i] = (uint8_t)(raw ? flags[i] | RAW : flags[i] & ~RAW);
      changed = (p != COUNTS_ONLY && turned(i, p, started)) || changed;
      continue;
    }
#endif
    /* What is held at power-up counts at once: there is no edge that could bounce. */
    bool counted_now = started ? counts(i, raw, edge, us) : raw;
    if (counted_now) {
      flags[i] ^= SETTLED;
      changed = true;
    }
    flags[i] = (uint8_t)(raw ? flags[i] | RAW : flags[i] & ~RAW);
  }
  return changed;
}
