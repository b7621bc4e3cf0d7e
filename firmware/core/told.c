/* Pads that tell reports, over USB or byte by byte on a serial wire: the last one of each. */
#include "program.h"

#include <string.h>

#define EIGHTHS 8

static uint8_t said[N_TOLD_BYTES];
static bool there[N_TOLD_PADS];

void device_pad_report(number_t pad, const uint8_t *report, uint16_t size) {
  uint16_t at = rom16(&told_bytes_at[pad]);
  uint16_t bytes = (uint16_t)(rom16(&told_bytes_at[pad + 1]) - at);
  uint8_t id = rom8(&told_id[pad]);
  uint16_t first = id != 0 ? 1 : 0;
  if (size == bytes + first && (id == 0 || report[0] == id)) { /* others tell of something else */
    memcpy(&said[at], &report[first], bytes);
    there[pad] = true;
  }
}

void device_pad_gone(number_t pad) { there[pad] = false; }

#if USE_SERIAL
static uint8_t coming[N_TOLD_BYTES];
static uint8_t came[N_TOLD_PADS]; /* bytes of its frame, the one that begins it among them */
static uint8_t sum[N_TOLD_PADS];

void device_serial_byte(number_t pad, uint8_t byte) {
  uint16_t at = rom16(&told_bytes_at[pad]);
  uint8_t bytes = (uint8_t)(rom16(&told_bytes_at[pad + 1]) - at);
  if (came[pad] == 0) {
    came[pad] = byte == rom8(&told_begin[pad]) ? 1 : 0;
    sum[pad] = 0;
  } else if (came[pad] <= bytes) {
    coming[at + came[pad] - 1U] = byte;
    sum[pad] = (uint8_t)(sum[pad] + byte);
    came[pad]++;
  } else {
    came[pad] = 0;
    if (byte == sum[pad]) {
      memcpy(&said[at], &coming[at], bytes);
      there[pad] = true;
    }
  }
}
#endif

/* How far a field stands above its least, at its ends no further. */
static uint16_t above(number_t pad, uint16_t field, uint16_t most) {
  uint16_t bit = rom16(&told_bit[field]);
  uint8_t bits = rom8(&told_bits[field]);
  uint32_t value = 0;
  for (uint8_t i = 0; i < bits; i++, bit++) {
    uint8_t byte = said[rom16(&told_bytes_at[pad]) + (bit >> 3)];
    value |= (uint32_t)(byte >> (bit & 7U) & 1U) << i;
  }
  int32_t is = (int32_t)value;
  int32_t least = rom16(&told_least[field]);
  if (rom8(&told_signed[field]) != 0) {
    is -= (value >> (bits - 1U) & 1U) != 0 ? (int32_t)1 << bits : 0;
    least -= 65536;
  }
  is -= least;
  return (uint16_t)(is < 0 ? (most == NOWHERE ? NOWHERE : 0) : is > most ? most : is);
}

bool pad_says_held(number_t pad, uint16_t field) {
  uint16_t span = rom16(&told_span[field]);
  uint8_t turn = rom8(&told_turn[field]);
  if (!there[pad]) {
    return false;
  }
  if (turn == 0) {
    return above(pad, field, span) > span / 2;
  }
  uint16_t step = above(pad, field, NOWHERE); /* a hat: any number beyond its steps is rest */
  uint8_t each = span + 1U == EIGHTHS ? 1 : 2;
  uint8_t off = (uint8_t)((uint8_t)(step * each - 2U * (turn - 1U)) % EIGHTHS);
  return step <= span && (off <= 1 || off == EIGHTHS - 1);
}

#if USE_CODES
/* Of a pad that is not there the middle. */
uint16_t pad_said_code(number_t pad, uint16_t field) {
  uint16_t span = rom16(&told_span[field]);
  return there[pad] ? (uint16_t)(((uint32_t)above(pad, field, span) * CODE_MOST + span / 2) / span)
                    : (uint16_t)(CODE_MOST / 2 + 1);
}
#endif
