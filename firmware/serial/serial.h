/*
 * Reports from one board to another over a serial wire: 115 200 baud, eight bits, no parity, one
 * stop bit. A frame is a byte to begin with, a count, the report's id, the report without it, and two
 * bytes of check over all but the first. The count says which frames are new: each is told again from
 * time to time, so that what was lost on the way comes late, not never.
 */
#ifndef SERIAL_H
#define SERIAL_H

#include "device.h"
#include "heard.h"

#ifdef __cplusplus
extern "C" {
#endif

#define FRAME_BEGINS 0xA5U /* no letter of a text that goes over the same wire */
#define FRAME_AROUND 5U    /* bytes of a frame beside its report */
#define FRAME_REPORT 3U    /* where its report begins */

/* The check of ITU-T V.41, x^16 + x^12 + x^5 + 1, begun with ones. */
static inline uint16_t frame_check(const uint8_t *bytes, uint8_t count) {
  uint16_t check = 0xFFFFU;
  for (uint8_t i = 0; i < count; i++) {
    check = (uint16_t)(check ^ (uint16_t)((uint16_t)bytes[i] << 8));
    for (uint8_t bit = 0; bit < 8; bit++) {
      bool high = (check & 0x8000U) != 0;
      check = (uint16_t)(check << 1);
      if (high) {
        check = (uint16_t)(check ^ 0x1021U);
      }
    }
  }
  return check;
}

#if TELLS
/* ---- the board that tells: supplied by it, beside the calls of device.h but hw_send ---- */

/* Hands bytes to the port, all or none of them; whether it took them. It does not wait. */
bool serial_write(const uint8_t *bytes, uint16_t count);

/* ---- offered to it ---- */

/* In place of device_tick: looks, tells, and tells again. */
void serial_tick(void);
#endif

/* ---- the board that hears: supplied by it ---- */

/* Sends a report of such a board to the host, without its id; whether the host took it. */
bool hw_pass(uint8_t line, uint8_t id, const uint8_t *report, uint8_t bytes);

/* ---- offered to it ---- */

/* A byte came over the wire of a board; to be called from where the ticks are called from. */
void heard_byte(uint8_t line, uint8_t byte);

/* Passes on what waits, and lets go what fell silent; to be called again and again. */
void heard_tick(void);

/* The host may have forgotten what it was told. */
void heard_forget(void);

#ifdef __cplusplus
}
#endif

#endif
