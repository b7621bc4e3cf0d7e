/* The board of this computer runs the program as it is. */
#include "host.h"

void board_power_up(void) { device_power_up(); }

void board_begin(unsigned profile) { device_begin((number_t)profile); }

unsigned board_profile(void) { return device_profile(); }

void board_look(uint32_t us) { device_look(us); }

void board_poll(uint32_t us) {
  (void)us;
  device_poll();
}

bool board_busy(void) { return device_busy(); }

void board_standing(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  for (number_t r = 0; r < device_reports(); r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    hw_send(id, transfer, bytes);
  }
}
