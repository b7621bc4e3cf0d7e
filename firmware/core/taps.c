/* Meanings of presses that are told although they are over: on for one report, off for one. */
#include "program.h"

#if USE_TAPS

/* More waiting taps of one meaning than this are dropped: they would come seconds late. */
#define MOST_TAPS 32
#define TOLD 0x80U

static uint8_t taps[N_MEANINGS + 1]; /* how many wait; the top bit while one is on */
static uint16_t any;

void taps_begin(void) {
  for (uint16_t t = 0; t < N_MEANINGS; t++) {
    taps[t] = 0;
  }
  any = 0;
}

void tap(number_t target) {
  if (target != NONE && (taps[target] & ~TOLD) < MOST_TAPS) {
    taps[target]++;
    any++;
  }
}

bool taps_any(void) { return any > 0; }

bool tap_on(number_t target) { return (taps[target] & TOLD) != 0; }

/* Before a report: what waits comes on, unless it was on in the report before. */
void taps_turn(void) {
  for (uint16_t t = 0; any > 0 && t < now[TARGETS]; t++) {
    bool was = (taps[t] & TOLD) != 0;
    uint8_t waits = (uint8_t)(taps[t] & ~TOLD);
    if (was) {
      any--;
    }
    taps[t] = (uint8_t)(waits > 0 && !was ? (waits - 1U) | TOLD : waits);
#if USE_MOUSE
    if (waits > 0 && !was) {
      axes_tapped((number_t)t);
    }
#endif
  }
}

#endif
