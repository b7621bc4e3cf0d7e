/*
 * Consoles that the board is the pad of. What they are answered is told at each poll; an edge only
 * brings it out, so that it comes at once.
 */
#include "program.h"

/* What is told, high or low, twice: one side is read while the other is written. */
static uint8_t levels[2][N_ANSWERS];
static volatile uint8_t side;

static uint8_t taken[N_ANSWERS]; /* what registers took in */
static uint16_t place[N_CONSOLES];
static bool control[N_CONSOLES];

#if USE_COUNTED
static uint8_t turns[N_CONSOLES]; /* of the select line, since it was left alone */
static uint32_t since[N_CONSOLES];
#endif

static uint16_t rows(number_t c) {
  return (uint16_t)(rom16(&console_answers_at[c + 1]) - rom16(&console_answers_at[c]));
}

static void show(number_t at, uint8_t high) {
  enum level up = rom8(&console_open[at]) != 0 ? LEVEL_RELEASED : LEVEL_HIGH;
  hw_answer(romn(&console_line[at]), high != 0 ? up : LEVEL_LOW);
}

/* Of an even row the select line is high, of an odd one low; those past the first two are counted. */
static uint8_t phase(number_t c) {
  uint8_t low = control[c] ? 0 : 1;
#if USE_COUNTED
  if (turns[c] < rom8(&console_phases[c]) && (turns[c] & 1U) == low) {
    return turns[c];
  }
#endif
  return low;
}

static void lines(number_t c) {
  number_t from = romn(&console_lines_at[c]);
  number_t count = (number_t)(romn(&console_lines_at[c + 1]) - from);
  uint16_t row = (uint16_t)(rom16(&console_answers_at[c]) + phase(c) * (uint16_t)count);
  for (number_t i = 0; i < count; i++) {
    show((number_t)(from + i), levels[side][row + i]);
  }
}

/* Low follows the last bit: it tells that a pad is there. */
static void bit(number_t c) {
  uint16_t row = rom16(&console_answers_at[c]);
  show(romn(&console_lines_at[c]), place[c] < rows(c) ? taken[row + place[c]] : 0);
}

static void take(number_t c) {
  uint16_t row = rom16(&console_answers_at[c]);
  for (uint16_t i = 0; i < rows(c); i++) {
    taken[row + i] = levels[side][row + i];
  }
  place[c] = 0;
  bit(c);
}

#if USE_COUNTED
/* What did not turn, for all that was seen, is not counted. */
static void count(number_t c, bool high) {
  uint32_t us = hw_micros();
  if (high == control[c]) {
    return;
  }
  if (us - since[c] > rom16(&console_forget_us[c])) {
    turns[c] = 0;
  }
  since[c] = us;
  if (turns[c] < 255) {
    turns[c]++;
  }
}
#endif

bool answer_high(uint16_t row) { return levels[side][row] != 0; }

void device_edge(number_t c, bool clock, bool high) {
#if USE_PACKETS
  if (rom8(&console_kind[c]) == CONSOLE_PACKET) {
    bytes_edge(c, clock, high);
    return;
  }
#endif
  if (rom8(&console_kind[c]) == CONSOLE_PHASED) {
#if USE_COUNTED
    count(c, high);
#endif
    control[c] = high;
    lines(c);
  } else if (!clock) {
    control[c] = high;
    take(c); /* as long as the latch is high, so what counts is what stands when it falls */
  } else if (!control[c] && high != (rom8(&console_falls[c]) != 0) && place[c] < rows(c)) {
    place[c]++;
    bit(c);
  }
}

/* What stands on lines without an edge is brought out at once. */
static void bring(void) {
  for (number_t c = 0; c < N_CONSOLES; c++) {
    if (rom8(&console_kind[c]) == CONSOLE_PHASED) {
      lines(c);
    } else if (control[c]) {
      take(c);
    }
#if LONGEST_SAID
    bytes_tell(c);
#endif
  }
}

void answers_tell(void) {
  uint16_t at = (uint16_t)(device_profile() * (uint16_t)N_ANSWERS);
  uint8_t *next = levels[1 - side];
  for (uint16_t i = 0; i < N_ANSWERS; i++) {
    number_t target = romn(&answer_target[at + i]);
    number_t against = romn(&answer_against[at + i]);
    bool low = rom8(&answer_low[i]) != 0;
    if (target != NONE) {
      low = given(target) && (against == NONE || !given(against));
    }
    next[i] = low ? 0 : 1;
  }
  side = (uint8_t)(1 - side);
  bring();
}

void answers_begin(void) {
  for (uint16_t i = 0; i < N_ANSWERS; i++) {
    levels[0][i] = levels[1][i] = rom8(&answer_low[i]) != 0 ? 0 : 1;
    taken[i] = 0;
  }
  for (number_t c = 0; c < N_CONSOLES; c++) {
    place[c] = rows(c);
    control[c] = rom8(&console_kind[c]) == CONSOLE_PHASED;
#if USE_COUNTED
    turns[c] = 0;
    since[c] = hw_micros();
#endif
    if (rom8(&console_kind[c]) == CONSOLE_SHIFT) {
      bit(c);
    }
#if LONGEST_SAID
    bytes_begin(c);
#endif
  }
  bring();
}
