/* The side of pads that tell reports: whoever moved says it at once. */
#include <math.h>
#include <string.h>

#include "wires.h"
#include "world_tables.h"

#if N_TOLD_PADS
#define HELD 0.5
#define MOST_BYTES 64

static uint8_t last[N_TOLD_PADS][MOST_BYTES];
static bool told[N_TOLD_PADS];

static bool is_held(int contact, const double *travel) {
  return contact >= 0 && travel[contact] >= HELD;
}

static void put(uint8_t *report, int bit, int bits, int value) {
  for (int i = 0; i < bits; i++) {
    int mask = 1 << ((bit + i) & 7);
    int byte = report[(bit + i) >> 3];
    report[(bit + i) >> 3] = (uint8_t)((value >> i & 1) != 0 ? byte | mask : byte & ~mask);
  }
}

/* Clockwise in eighths from up; rest is one beyond the last step, or one before the first. */
static int hat_says(const struct told_hat *hat, const double *travel) {
  static const int eighths[3][3] = {{5, 4, 3}, {6, -1, 2}, {7, 0, 1}};
  bool way[4];
  for (int i = 0; i < 4; i++) {
    way[i] = is_held(hat->contacts[i], travel);
  }
  int up = (way[0] ? 1 : 0) - (way[2] ? 1 : 0);
  int right = (way[1] ? 1 : 0) - (way[3] ? 1 : 0);
  int eighth = eighths[up + 1][right + 1];
  if (eighth < 0) {
    return hat->most + 1 < 1 << hat->bits ? hat->most + 1 : hat->least - 1;
  }
  if (hat->most - hat->least == 7) {
    return hat->least + eighth;
  }
  return hat->least + (up > 0 ? 0 : up < 0 ? 2 : right > 0 ? 1 : 3);
}

#if USE_SERIAL
/* A byte to begin with, the report, and the sum of its bytes. */
static void bytewise(number_t p, const uint8_t *bytes, unsigned size) {
  unsigned sum = 0;
  board_serial_byte(p, (uint8_t)world_told_pads[p].begin);
  for (unsigned i = 0; i < size; i++) {
    sum += bytes[i];
    board_serial_byte(p, bytes[i]);
  }
  board_serial_byte(p, (uint8_t)(sum & 255U));
}
#endif

static void tell(number_t p, const uint8_t *bytes, unsigned size) {
#if USE_SERIAL
  if (world_told_pads[p].begin >= 0) {
    bytewise(p, bytes, size);
    return;
  }
#endif
  board_pad_report(p, bytes, size);
}

static void report(number_t p, const double *travel) {
  const struct told_pad *pad = &world_told_pads[p];
  uint8_t bytes[MOST_BYTES] = {0};
  uint8_t *body = bytes;
  if (pad->id != 0) {
    bytes[0] = (uint8_t)pad->id;
    body = &bytes[1];
  }
  for (int i = 0; i < pad->fields; i++) {
    const struct told_field *field = &world_told_fields[pad->fields_at + i];
    int value = field->least;
    if (field->axis) {
      double at = field->contact >= 0 ? travel[field->contact] : 0.5;
      value = (int)floor(field->least + at * (field->most - field->least) + 0.5);
    } else if (is_held(field->contact, travel)) {
      value = field->most;
    }
    put(body, field->bit, field->bits, value);
  }
  for (int i = 0; i < pad->hats; i++) {
    const struct told_hat *hat = &world_told_hats[pad->hats_at + i];
    put(body, hat->bit, hat->bits, hat_says(hat, travel));
  }
  if (!told[p] || memcmp(last[p], bytes, sizeof bytes) != 0) {
    told[p] = true;
    memcpy(last[p], bytes, sizeof bytes);
    tell(p, bytes, (unsigned)(pad->bytes + (pad->id != 0 ? 1 : 0)));
  }
}

void told_hands(const double *travel) {
  for (number_t p = 0; p < N_TOLD_PADS; p++) {
    if (world_told_pads[p].heard) {
      report(p, travel);
    }
  }
}
#endif
