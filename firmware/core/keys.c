/*
 * Keyboards: each fall of the clock brings a bit. A start bit 0, eight bits least first, odd parity,
 * a stop bit 1; a key that goes down says its code, one that goes up says it after 0xF0, and 0xE0
 * comes before the code of an extended one.
 */
#include "program.h"

#define FRAME_BITS 11
#define SAID_RELEASED 0xF0
#define SAID_EXTENDED 0xE0

enum { RELEASED = 1, EXTENDED = 2 };

static volatile uint8_t down[(N_KEYS_HELD + 7) / 8];
static uint16_t bits[N_KEYBOARDS];
static uint8_t count[N_KEYBOARDS];
static uint8_t before[N_KEYBOARDS]; /* what came before the code */
static uint32_t since[N_KEYBOARDS];

bool key_held(uint16_t key) { return (down[key >> 3] >> (key & 7U) & 1U) != 0; }

static void put(uint16_t key, bool is) {
  uint8_t mask = (uint8_t)(1U << (key & 7U));
  down[key >> 3] = (uint8_t)(is ? down[key >> 3] | mask : down[key >> 3] & ~mask);
}

static bool is_right(uint16_t frame) {
  bool odd = false;
  for (uint8_t bit = 1; bit < FRAME_BITS - 1; bit++) {
    odd = odd != ((frame >> bit & 1U) != 0);
  }
  return odd && (frame & 1U) == 0 && frame >> (FRAME_BITS - 1) != 0;
}

static void said(number_t k, uint16_t frame) {
  uint8_t code = (uint8_t)(frame >> 1);
  if (!is_right(frame)) {
    before[k] = 0;
  } else if (code == SAID_RELEASED) {
    before[k] = (uint8_t)(before[k] | RELEASED);
  } else if (code == SAID_EXTENDED) {
    before[k] = (uint8_t)(before[k] | EXTENDED);
  } else {
    uint16_t row = (uint16_t)(code + ((before[k] & EXTENDED) != 0 ? 256U : 0));
    for (uint16_t key = rom16(&keyboard_keys_at[k]); key < rom16(&keyboard_keys_at[k + 1]); key++) {
      if (rom16(&key_code[key]) == row) {
        put(key, (before[k] & RELEASED) == 0);
      }
    }
    before[k] = 0;
  }
}

void device_key_clock(number_t k) {
  number_t data = romn(&keyboard_data[k]);
  bool high = data == NONE || hw_read(data);
  uint32_t us = hw_micros();
  if (us - since[k] > rom16(&keyboard_rest_us[k])) {
    count[k] = 0;
    bits[k] = 0;
  }
  since[k] = us;
  if (high) {
    bits[k] = (uint16_t)(bits[k] | 1U << count[k]);
  }
  count[k]++;
  if (count[k] == FRAME_BITS) {
    said(k, bits[k]);
    count[k] = 0;
    bits[k] = 0;
  }
}
