/*
 * Consoles that take bytes: packets, which they clock out bit by bit, and frames that come unasked.
 * After what is always the same come the buttons, then axes, which stand in the middle.
 */
#include "program.h"

#define MIDDLE 128

static uint8_t saying[N_CONSOLES][LONGEST_SAID];

/* In packets a button is low for held, in frames high. */
static uint8_t fill(number_t c, bool high_for_held) {
  uint8_t *bytes = saying[c];
  uint8_t size = 0;
  uint16_t row = rom16(&console_answers_at[c]);
  uint16_t rows = (uint16_t)(rom16(&console_answers_at[c + 1]) - row);
  for (uint16_t at = rom16(&console_says_at[c]); at < rom16(&console_says_at[c + 1]); at++) {
    bytes[size++] = rom8(&console_says[at]);
  }
  for (uint16_t i = 0; i < rows; i++) {
    if (i % 8 == 0) {
      bytes[size++] = high_for_held ? 0 : 0xFF;
    }
    if (!answer_high((uint16_t)(row + i))) {
      bytes[size - 1U] = (uint8_t)(bytes[size - 1U] ^ (1U << (i % 8)));
    }
  }
  for (uint8_t axis = 0; axis < rom8(&console_axes[c]); axis++) {
    bytes[size++] = MIDDLE;
  }
  return size;
}

#if USE_PACKETS
static bool asked[N_CONSOLES];
static uint8_t size_of[N_CONSOLES];
static uint8_t byte[N_CONSOLES];
static uint8_t bit[N_CONSOLES];
static uint8_t heard[N_CONSOLES];

static number_t data(number_t c) { return romn(&console_line[romn(&console_lines_at[c])]); }

static void quiet(number_t c) {
  asked[c] = false;
  hw_answer(data(c), LEVEL_RELEASED);
}

/* Low for a few microseconds, a few microseconds after the last bit; the console waits for that. */
static void acknowledge(number_t c) {
  number_t line = romn(&console_line[romn(&console_lines_at[c]) + 1U]);
  hw_drive(line, LEVEL_RELEASED);
  hw_drive(line, LEVEL_LOW);
  hw_drive(line, LEVEL_RELEASED);
}

static void whole(number_t c) {
  uint16_t at = rom16(&console_says_at[c]);
  bool asks = at + byte[c] < rom16(&console_says_at[c + 1]);
  if (asks && heard[c] != rom8(&console_asks[at + byte[c]])) {
    quiet(c); /* that was for somebody else */
    return;
  }
  byte[c]++;
  bit[c] = 0;
  heard[c] = 0;
  acknowledge(c);
}

void bytes_edge(number_t c, bool clock, bool high) {
  if (!clock) {
    if (high) {
      quiet(c);
    } else {
      size_of[c] = fill(c, false);
      asked[c] = true;
      byte[c] = bit[c] = heard[c] = 0;
    }
  } else if (asked[c] && byte[c] < size_of[c]) {
    if (!high) {
      bool one = (saying[c][byte[c]] >> bit[c] & 1U) != 0;
      enum level up =
          rom8(&console_open[romn(&console_lines_at[c])]) != 0 ? LEVEL_RELEASED : LEVEL_HIGH;
      hw_answer(data(c), one ? up : LEVEL_LOW);
    } else {
      bool one = hw_read(romn(&console_command[c]));
      heard[c] = (uint8_t)(heard[c] | (one ? 1U << bit[c] : 0U));
      if (++bit[c] == 8) {
        whole(c);
      }
    }
  }
}
#endif

#if USE_BYTES
static uint32_t since[N_CONSOLES];

static void say(number_t c) {
  uint8_t size = fill(c, true);
  uint8_t sum = 0;
  for (uint8_t i = 1; i < size; i++) { /* the byte that begins it is not in its sum */
    sum = (uint8_t)(sum + saying[c][i]);
  }
  saying[c][size] = sum;
  if (hw_serial(c, saying[c], (uint8_t)(size + 1U))) {
    since[c] = hw_micros();
  }
}

/* A console that hears nothing for long thinks that nobody is there. */
void bytes_look(uint32_t us) {
  for (number_t c = 0; c < N_CONSOLES; c++) {
    if (rom8(&console_kind[c]) == CONSOLE_BYTES && us - since[c] >= rom16(&console_every_us[c])) {
      say(c);
    }
  }
}
#endif

void bytes_tell(number_t c) {
#if USE_BYTES
  if (rom8(&console_kind[c]) == CONSOLE_BYTES) {
    say(c);
  }
#else
  (void)c;
#endif
}

void bytes_begin(number_t c) {
#if USE_PACKETS
  if (rom8(&console_kind[c]) == CONSOLE_PACKET) {
    quiet(c);
    hw_answer(romn(&console_line[romn(&console_lines_at[c]) + 1U]), LEVEL_RELEASED);
  }
#else
  (void)c;
#endif
}
