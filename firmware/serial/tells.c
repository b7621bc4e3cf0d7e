/* The board that tells: its reports go out as frames. */
#include "serial.h"

#include <string.h>

#define AGAIN_US 50000U /* one report is told again, each in its turn */

static uint8_t frame[LONGEST_REPORT + FRAME_AROUND];
static uint8_t told[N_REPORTS][LONGEST_REPORT + FRAME_AROUND];
static uint8_t sizes[N_REPORTS];
static uint8_t count;
static uint32_t again_us;
static uint8_t next;

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  uint8_t from = id != 0 ? 1 : 0;
  uint8_t at = id != 0 ? (uint8_t)(id - 1U) : 0; /* ids are counted from 1; a single one is 0 */
  uint8_t size = (uint8_t)(bytes - from + FRAME_AROUND);
  frame[0] = FRAME_BEGINS;
  frame[1] = (uint8_t)(count + 1U);
  frame[2] = id;
  memcpy(&frame[FRAME_REPORT], &transfer[from], (size_t)(bytes - from));
  uint16_t check = frame_check(&frame[1], (uint8_t)(size - 3U));
  frame[size - 2U] = (uint8_t)(check >> 8);
  frame[size - 1U] = (uint8_t)check;
  if (!serial_write(frame, size)) {
    return false; /* it is tried again at the next poll */
  }
  count++;
  memcpy(told[at], frame, size);
  sizes[at] = size;
  return true;
}

void serial_tick(void) {
  uint32_t us = hw_micros();
  device_tick();
  if (us - again_us >= AGAIN_US) {
    again_us = us;
    next = next + 1U < N_REPORTS ? (uint8_t)(next + 1U) : 0;
    if (sizes[next] != 0) {
      (void)serial_write(told[next], sizes[next]);
    }
  }
}
