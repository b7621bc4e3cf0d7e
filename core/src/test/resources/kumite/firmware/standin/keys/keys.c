/* Clocks bits into the program as a line tells it, and says which keys it then gives as down. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "device.h"
#include "device_tables.h"
#include "program.h"

static bool data;
static uint32_t us;

bool hw_read(number_t terminal) {
  (void)terminal;
  return data;
}
void hw_drive(number_t terminal, enum level level) {
  (void)terminal;
  (void)level;
}
uint32_t hw_micros(void) { return us; }
bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  (void)id;
  (void)transfer;
  (void)bytes;
  return true;
}

/* 0 and 1 are bits, 80 us apart; a dot is a rest of a millisecond. */
int main(void) {
  char line[1000];
  us = 4294967000U; /* the clock runs over soon */
  while (fgets(line, sizeof line, stdin) != NULL) {
    for (const char *at = line; *at != 0; at++) {
      us += *at == '.' ? 1000 : 80;
      data = *at == '1';
      if (*at == '0' || *at == '1') {
        device_key_clock(0);
      }
    }
    for (uint16_t key = 0; key < N_KEYS_HELD; key++) {
      if (key_held(key)) {
        printf(" %u", (unsigned)key);
      }
    }
    printf("\n");
  }
  return 0;
}
