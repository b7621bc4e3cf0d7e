/* The consoles' side: each asks once, and what it takes is told where it changed. */
#include <string.h>

#include "host.h"
#include "world_tables.h"

#if N_CONSOLES
static char frames[N_CONSOLES][N_ANSWERS + 2];

static char line_of(number_t at) { return board_line(romn(&console_line[at])) ? '1' : '0'; }

/* Bit by bit, and of a register what follows. */
static void ask(number_t c, char *bits) {
  number_t from = romn(&console_lines_at[c]);
  number_t to = romn(&console_lines_at[c + 1]);
  uint16_t rows = (uint16_t)(rom16(&console_answers_at[c + 1]) - rom16(&console_answers_at[c]));
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
  char bits[N_ANSWERS + 2];
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
