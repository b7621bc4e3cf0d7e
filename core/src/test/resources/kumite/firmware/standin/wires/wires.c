/* What each look reads while hands stand so: a line of travels in, a line of levels and codes out. */
#include <stdio.h>
#include <stdlib.h>

#include "host.h"
#include "program.h"
#include "world_tables.h"

/* Levels alone are compared here. */
int session_noise(void) { return 0; }

bool hw_read(number_t terminal) { return world_read(terminal); }
void hw_drive(number_t terminal, enum level level) { world_drive(terminal, level); }
#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) { return world_convert(terminal); }
#endif
#if USE_TOUCH
bool hw_touched(number_t terminal) { return world_touched(terminal); }
#endif
#if N_CONSOLES
void hw_answer(number_t terminal, enum level level) {
  (void)terminal;
  (void)level;
}
#endif

#if USE_BYTES
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  (void)console;
  (void)bytes;
  (void)count;
  return true;
}
#endif
#if USE_RUNNING
void hw_keep(uint8_t byte) { (void)byte; }
uint8_t hw_kept(void) { return 0xFF; }
void hw_restart(void) {}
#endif
#if N_STRIPS
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  (void)terminal;
  (void)lamps;
  (void)rgb;
}
#endif
static int64_t now_us;
int64_t session_now(void) { return now_us; }
uint32_t hw_micros(void) { return (uint32_t)now_us; }
#if N_KEYBOARDS
void board_key_clock(number_t keyboard) { device_key_clock(keyboard); }
#endif
#if N_TOLD_PADS
void board_pad_report(number_t pad, const uint8_t *report, unsigned size) {
  device_pad_report(pad, report, (uint16_t)size);
}
#endif
#if USE_SERIAL
void board_serial_byte(number_t pad, uint8_t byte) { device_serial_byte(pad, byte); }
#endif
bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  (void)id;
  (void)transfer;
  (void)bytes;
  return true;
}

int main(void) {
  static char line[WORLD_CONTACTS * 24 + 100];
  static double travel[WORLD_CONTACTS + 1];
  while (fgets(line, sizeof line, stdin) != NULL) {
    char *rest = line;
    for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
      travel[c] = strtod(rest, &rest);
    }
    now_us += 1000000;
    world_hands(travel);
#if N_FRAMES
    pads_fresh();
    frames_fresh();
#endif
    sample_begin(); /* registers take in what they see */
    sample();
    for (number_t i = 0; i < N_LOOKS; i++) {
      putchar((flags[i] & READ) != 0 ? '1' : '0');
    }
#if N_TRAVELS
    for (number_t t = 0; t < N_TRAVELS; t++) {
      printf(" %u", (unsigned)codes[t]);
    }
#endif
    printf("\n");
  }
  return 0;
}
