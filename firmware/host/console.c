/* The consoles' side: each asks once, and what it takes is told where it changed. */
#include <stdio.h>
#include <string.h>

#include "host.h"
#include "world_tables.h"

#if N_CONSOLES
#define MOST_TEXT (N_ANSWERS + 2 + 3 * LONGEST_SAID)

static char frames[N_CONSOLES][MOST_TEXT];

static char line_of(number_t at) { return board_line(romn(&console_line[at])) ? '1' : '0'; }

#if USE_BYTES
static char said[N_CONSOLES][MOST_TEXT];

bool consoles_serial(number_t c, const uint8_t *bytes, unsigned count) {
  for (unsigned i = 0; i < count; i++) {
    sprintf(said[c] + 2 * i, "%02x", bytes[i]);
  }
  return true;
}
#endif

#if USE_PACKETS
/* Byte by byte, both ways at once; one that is not acknowledged is marked. */
static void packet(number_t c, char *text) {
  uint16_t at = rom16(&console_says_at[c]);
  unsigned known = (unsigned)(rom16(&console_says_at[c + 1]) - at);
  unsigned rows = (unsigned)(rom16(&console_answers_at[c + 1]) - rom16(&console_answers_at[c]));
  unsigned bytes = known + (rows + 7) / 8 + rom8(&console_axes[c]);
  number_t data = romn(&console_lines_at[c]);
  number_t acknowledge = romn(&console_line[data + 1]);
  (void)board_pulled(acknowledge);
  board_edge(c, false, false);
  for (unsigned n = 0; n < bytes; n++) {
    unsigned asks = n < known ? rom8(&console_asks[at + n]) : 0;
    unsigned took = 0;
    for (unsigned b = 0; b < 8; b++) {
      board_command(c, (asks >> b & 1) != 0);
      board_edge(c, true, false);
      took |= line_of(data) == '1' ? 1U << b : 0;
      board_edge(c, true, true);
    }
    text += sprintf(text, board_pulled(acknowledge) ? "%02x" : "%02x!", took);
  }
  board_edge(c, false, true);
}
#endif

/* Bit by bit, and of a register what follows. */
static void ask(number_t c, char *bits) {
  number_t from = romn(&console_lines_at[c]);
  number_t to = romn(&console_lines_at[c + 1]);
  uint16_t rows = (uint16_t)(rom16(&console_answers_at[c + 1]) - rom16(&console_answers_at[c]));
#if USE_PACKETS
  if (rom8(&console_kind[c]) == CONSOLE_PACKET) {
    packet(c, bits);
    return;
  }
#endif
#if USE_BYTES
  if (rom8(&console_kind[c]) == CONSOLE_BYTES) {
    strcpy(bits, said[c]);
    return;
  }
#endif
  if (rom8(&console_kind[c]) == CONSOLE_PHASED) {
    for (uint16_t i = 0; i < rows; i++) {
      number_t line = (number_t)(i % (uint16_t)(to - from));
      if (line == 0) {
        board_edge(c, false, i / (uint16_t)(to - from) % 2 == 0);
      }
      *bits++ = line_of((number_t)(from + line));
    }
    board_edge(c, false, true);
  } else {
    board_edge(c, false, true);
    board_edge(c, false, false);
    for (uint16_t i = 0; i < rows; i++) {
      char early = line_of(from);
      board_edge(c, true, false);
      *bits++ = world_console_early[c] ? early : line_of(from);
      board_edge(c, true, true);
    }
    *bits++ = line_of(from);
  }
  *bits = '\0';
}

/* A console asks once a frame; here it does so at each poll, a frame later by its own clock. */
#define FRAME_US 16667
static uint32_t asked;
static bool asking;

uint32_t consoles_micros(void) {
  return (uint32_t)session_now() + (asking ? asked * FRAME_US : 0);
}

void consoles_ask(bool anew) {
  char bits[MOST_TEXT];
  asked++;
  asking = true;
  for (number_t c = 0; c < N_CONSOLES; c++) {
    ask(c, bits);
    if (anew || strcmp(bits, frames[c]) != 0) {
      session_answer(c, bits);
      strcpy(frames[c], bits);
    }
  }
  asking = false;
}
#endif
