/* How many cycles a tick of the program takes on this computer, and the same without the program. */
#include <stdio.h>
#include <x86intrin.h>

#include "device.h"
#include "device_tables.h"

#define TICKS 200000U

static uint32_t state = 1;
static bool held[N_TERMINALS];
static volatile unsigned sink;

bool hw_read(number_t terminal) { return !held[terminal]; }

void hw_drive(number_t terminal, enum level level) { sink += terminal + (unsigned)level; }

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) { return held[terminal] ? CODE_MOST : 0; }
#endif

#if USE_TOUCH
bool hw_touched(number_t terminal) { return held[terminal]; }
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
uint32_t hw_micros(void) { return 0; }

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  sink += id + transfer[bytes - 1];
  return true;
}

/* A hand that moves once in ten looks. */
static void move(void) {
  state = state * 1664525U + 1013904223U;
  if ((state >> 16) % 10 == 0) {
    held[(state >> 20) % N_TERMINALS] ^= true;
  }
}

int main(void) {
  device_begin(0);
  unsigned long long begin = __rdtsc();
  for (uint32_t t = 0; t < TICKS; t++) {
    move();
    device_look(t * 1000U);
    device_poll();
  }
  unsigned long long program = __rdtsc() - begin;
  begin = __rdtsc();
  for (uint32_t t = 0; t < TICKS; t++) {
    move();
    for (number_t i = 0; i < N_LOOKS; i++) {
      sink += hw_read(look_terminal[i]);
    }
  }
  printf("%llu %llu\n", program / TICKS, (__rdtsc() - begin) / TICKS);
  return 0;
}
