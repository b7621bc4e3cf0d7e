/*
 * The stand-in of a serial wire and of the board at its end, which passes reports on: what comes out
 * there is what the simulated host gets.
 */
#include <string.h>

#include "host.h"
#include "serial.h"

bool serial_write(const uint8_t *bytes, uint16_t count) {
  for (uint16_t i = 0; i < count; i++) {
    heard_byte(0, bytes[i]);
  }
  heard_tick();
  return true;
}

bool hw_pass(uint8_t line, uint8_t id, const uint8_t *report, uint8_t bytes) {
  static uint8_t transfer[LONGEST_REPORT + 1];
  unsigned from = id != 0 ? 1 : 0;
  (void)line;
  if (session_gone()) {
    return true; /* when it is back it is told anew */
  }
  transfer[0] = id;
  memcpy(transfer + from, report, bytes);
  return session_send(id, transfer, bytes + from);
}

void send_begin(void) {}
