/*
 * The program without wires: each line says what a look reads, or that the host asks.
 *   L us levels [codes]   P us   B profile   T us levels   F   R 0 or 1
 * T lets the program keep the time itself, and says of each look that it came. After R 1 the host
 * refuses what it is given; F is a host that has forgotten.
 * Times are moved on by the first argument, so that a counter of 32 bits can be made to run over.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "device.h"
#include "device_tables.h"

static char levels[N_LOOKS + 1];
static unsigned codes[N_LOOKS];
static unsigned long long us;
static unsigned long long base;
static bool ticks;
static bool refuses;

static number_t look_at(number_t terminal) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    if (look_terminal[i] == terminal) {
      return i;
    }
  }
  abort();
}

bool hw_read(number_t terminal) {
  number_t look = look_at(terminal);
  bool pressed = levels[look] == '1';
  if (ticks && look == 0) {
    printf("look %llu\n", us);
  }
  return look_kind[look] == LOOK_HIGH ? pressed : !pressed;
}

void hw_drive(number_t terminal, enum level level) {
  if (device_terminal_use(terminal) == USE_OF_LAMP) {
    printf("lamp %u %d at %llu\n", (unsigned)terminal, level == LEVEL_HIGH, us);
  }
}

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) { return (uint16_t)codes[look_at(terminal)]; }
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
uint32_t hw_micros(void) { return (uint32_t)(us + base); }

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  if (refuses) {
    return false;
  }
  printf("%llu %u ", us, (unsigned)id);
  for (report_size_t b = 0; b < bytes; b++) {
    printf("%02X", (unsigned)transfer[b]);
  }
  printf("\n");
  return true;
}

int main(int argc, char **argv) {
  base = argc > 1 ? strtoull(argv[1], NULL, 10) : 0;
  static char line[4 * N_LOOKS * 8 + 100];
  device_begin(0);
  device_due((uint32_t)base, (uint32_t)base);
  while (fgets(line, sizeof line, stdin) != NULL) {
    char *rest = line + 1;
    if (line[0] == 'B') {
      device_begin((number_t)strtoul(rest, NULL, 10));
      continue;
    }
    if (line[0] == 'F') {
      device_forget();
      continue;
    }
    if (line[0] == 'R') {
      refuses = strtoul(rest, NULL, 10) > 0;
      continue;
    }
    us = strtoull(rest, &rest, 10);
    if (line[0] == 'P') {
      device_poll();
      continue;
    }
    rest += strspn(rest, " ");
    memcpy(levels, rest, N_LOOKS);
    rest += N_LOOKS;
    for (number_t i = 0; i < N_LOOKS; i++) {
      codes[i] = (unsigned)strtoul(rest, &rest, 10);
    }
    ticks = line[0] == 'T';
    if (ticks) {
      device_tick();
    } else {
      device_look((uint32_t)(us + base));
    }
  }
  return 0;
}
