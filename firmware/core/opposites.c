/* Step 8: opposite directions, and levers of which one direction passes. */
#include "program.h"

#if N_LEVERS || N_GATES || N_PAIRS

enum rule { NEUTRAL, LAST, FIRST, LOW_WINS, HIGH_WINS };
enum winner { NEITHER, LOW_ONE, HIGH_ONE };

/* Who asked at the look before, and who was first while both ask: one byte for each contest. */
enum { LOW_BEFORE = 1, HIGH_BEFORE = 2, FIRST_LOW = 4, FIRST_HIGH = 8 };

static uint8_t contests[N_LEVERS + N_GATES + N_PAIRS];

void opposites_begin(void) {
  for (uint16_t c = 0; c < N_LEVERS + N_GATES + N_PAIRS; c++) {
    contests[c] = 0;
  }
}

static enum winner look(uint16_t contest, uint8_t rule, bool low, bool high) {
  uint8_t was = contests[contest];
  uint8_t first = was & (FIRST_LOW | FIRST_HIGH);
  if (low && high && (was & (LOW_BEFORE | HIGH_BEFORE)) != (LOW_BEFORE | HIGH_BEFORE)) {
    first = (was & LOW_BEFORE) != 0 ? FIRST_LOW : (was & HIGH_BEFORE) != 0 ? FIRST_HIGH : 0;
  }
  contests[contest] = (uint8_t)(first | (low ? LOW_BEFORE : 0) | (high ? HIGH_BEFORE : 0));
  if (!low || !high) {
    return low ? LOW_ONE : high ? HIGH_ONE : NEITHER;
  }
  switch (rule) {
    case LOW_WINS:
      return LOW_ONE;
    case HIGH_WINS:
      return HIGH_ONE;
    case FIRST:
      return first == FIRST_LOW ? LOW_ONE : first == FIRST_HIGH ? HIGH_ONE : NEITHER;
    case LAST:
      return first == FIRST_HIGH ? LOW_ONE : first == FIRST_LOW ? HIGH_ONE : NEITHER;
    default:
      return NEITHER;
  }
}

#if N_LEVERS || N_GATES
static bool asks(number_t look_at) { return look_at != NONE && source_asks(look_at); }

static void drop(number_t look_at) {
  if (look_at != NONE) {
    source_drop(look_at);
  }
}
#endif

#if N_LEVERS
static void levers(void) {
  for (uint16_t k = 0; k < now[LEVERS]; k++) {
    uint16_t row = (uint16_t)(now[LEVERS_AT] + k);
    number_t low = romn(&lever_low[row]);
    number_t high = romn(&lever_high[row]);
    bool both = asks(low) && asks(high);
    enum winner winner = look(k, rom8(&lever_rule[row]), asks(low), asks(high));
    if (both && winner != LOW_ONE) {
      drop(low);
    }
    if (both && winner != HIGH_ONE) {
      drop(high);
    }
  }
}
#endif

#if N_GATES
static void gates(void) {
  for (uint16_t k = 0; k < now[GATES]; k++) {
    uint16_t row = (uint16_t)(now[GATES_AT] + k);
    const number_t *at = &gate_looks[4U * row]; /* up, down, left, right */
    bool upright = asks(romn(at)) || asks(romn(at + 1));
    bool across = asks(romn(at + 2)) || asks(romn(at + 3));
    enum winner winner =
        look((uint16_t)(N_LEVERS + k), rom8(&gate_rule[row]), upright, across);
    if (upright && across) {
      /* Both from the same look: up and down pass, so that a push to a corner is not lost. */
      uint8_t loses = winner == HIGH_ONE ? 0 : 2;
      drop(romn(at + loses));
      drop(romn(at + loses + 1));
    }
  }
}
#endif

#if N_PAIRS
static bool gives(number_t target) {
  for (uint16_t s = 0; s < source_count(); s++) {
    if (source_asks(s) && source_meaning(s) == target) {
      return true;
    }
  }
  return false;
}

static void pairs(void) {
  for (uint16_t k = 0; k < now[PAIRS]; k++) {
    uint16_t row = (uint16_t)(now[PAIRS_AT] + k);
    number_t low = romn(&pair_low[row]);
    number_t high = romn(&pair_high[row]);
    bool low_asks = gives(low);
    bool high_asks = gives(high);
    enum winner winner =
        look((uint16_t)(N_LEVERS + N_GATES + k), rom8(&pair_rule[row]), low_asks, high_asks);
    for (uint16_t s = 0; low_asks && high_asks && s < source_count(); s++) {
      number_t target = source_meaning(s);
      if ((target == low && winner != LOW_ONE) || (target == high && winner != HIGH_ONE)) {
        source_drop(s);
      }
    }
  }
}
#endif

void opposites_look(void) {
#if N_LEVERS
  levers();
#endif
#if N_GATES
  gates();
#endif
#if N_PAIRS
  pairs();
#endif
}

#endif
