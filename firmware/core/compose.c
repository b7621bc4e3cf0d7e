/* Step 12: reports of what is on. */
#include "program.h"

#define HAT_NULL 8
/* More keys than are told: the usage that says so. */
#define ROLL_OVER 1

void put_bits(uint8_t *transfer, uint16_t at, uint8_t bits, uint16_t value) {
  for (uint8_t i = 0; i < bits; i++, at++) {
    uint8_t mask = (uint8_t)(1U << (at & 7U));
    transfer[at >> 3] =
        (uint8_t)((value >> i & 1U) != 0 ? transfer[at >> 3] | mask : transfer[at >> 3] & ~mask);
  }
}

#if USE_HATS
/* 0 to 7 clockwise from north; opposites cancel. Directions: N 1, E 2, S 4, W 8. */
static uint8_t hat_value(uint8_t held) {
  static const uint8_t values[3][3] = {{5, 4, 3}, {6, HAT_NULL, 2}, {7, 0, 1}};
  int north = (held & 1U ? 1 : 0) - (held & 4U ? 1 : 0);
  int east = (held & 2U ? 1 : 0) - (held & 8U ? 1 : 0);
  return values[north + 1][east + 1];
}
#endif

#if USE_KEYS
/* Keeps the lowest usages in rising order, and counts all. */
static void key_in(uint16_t *keys, uint8_t places, uint8_t *count, uint16_t usage) {
  uint8_t at = *count < places ? *count : places;
  if (*count < 255) {
    (*count)++;
  }
  while (at > 0 && keys[at - 1] > usage) {
    if (at < places) {
      keys[at] = keys[at - 1];
    }
    at--;
  }
  if (at < places) {
    keys[at] = usage;
  }
}
#endif

bool given(number_t target) {
#if USE_TAPS
  return is_on(target) || tap_on(target);
#else
  return is_on(target);
#endif
}

report_size_t compose(number_t report, uint8_t *transfer) {
  uint16_t row = (uint16_t)(now[REPORTS_AT] + report);
  report_size_t bytes = (report_size_t)rom16(&report_bytes[row]);
  uint8_t id = rom8(&report_id[row]);
#if USE_HATS
  uint8_t hat = 0;
#endif
#if USE_KEYS
  uint16_t keys[MOST_KEYS];
  uint8_t places = rom8(&report_keys[row]);
  uint8_t held = 0;
#endif
  for (report_size_t b = 0; b < bytes; b++) {
    transfer[b] = 0;
  }
  if (id > 0 && bytes > 0) {
    transfer[0] = id;
  }
  for (number_t t = 0; t < now[TARGETS]; t++) {
    uint16_t at = (uint16_t)(now[TARGETS_AT] + t);
    if (romn(&target_report[at]) != report) {
      continue;
    }
    switch (rom8(&target_kind[at])) {
      case TARGET_BIT:
        if (given(t)) {
          put_bits(transfer, rom16(&target_bit[at]), 1, 1);
        }
        break;
#if USE_HATS
      case TARGET_HAT:
        hat = (uint8_t)(given(t) ? hat | rom16(&target_more[at]) : hat);
        break;
#endif
#if USE_KEYS
      case TARGET_KEY:
        if (given(t)) {
          key_in(keys, places, &held, rom16(&target_more[at]));
        }
        break;
#endif
#if USE_STEPPED
      case TARGET_STEPS:
        if (stepped_at(t) > 0 && stepped_at(t) <= rom16(&target_more[at])) {
          put_bits(transfer, (uint16_t)(rom16(&target_bit[at]) + stepped_at(t) - 1U), 1, 1);
        }
        break;
#endif
      default:
        break;
    }
  }
#if USE_HATS
  if (rom16(&report_hat[row]) != NO_BIT) {
    put_bits(transfer, rom16(&report_hat[row]), 4, hat_value(hat));
  }
#endif
#if USE_KEYS
  for (uint8_t k = 0; k < places && (k < held || held > places); k++) {
    put_bits(transfer, (uint16_t)(rom16(&report_keys_at[row]) + 8U * k), 8,
             held > places ? ROLL_OVER : keys[k]);
  }
#endif
#if USE_AXES
  axes_write(report, transfer);
#endif
  return bytes;
}
