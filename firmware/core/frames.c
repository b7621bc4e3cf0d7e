/*
 * Pads that talk in frames: lines are driven and their levels taken, step by step. All pads of a
 * kind come out side by side. Nothing that a pad does is waited for, only time.
 */
#include "program.h"

#define HIGH_STEP 128U /* of a step: its line goes high; the rest says how often it is driven */
#define TAKES 0U       /* such a step takes bits */

static uint8_t taken[(N_FRAME_BITS + 7) / 8]; /* 1 for low */
static bool known[N_PADS];
static uint16_t looks[N_FRAMES]; /* until it is asked again */

static bool low(uint16_t bit) { return (taken[bit >> 3] >> (bit & 7U) & 1U) != 0; }

static void keep(uint16_t bit, bool high) {
  uint8_t mask = (uint8_t)(1U << (bit & 7U));
  taken[bit >> 3] = (uint8_t)(high ? taken[bit >> 3] & ~mask : taken[bit >> 3] | mask);
}

/* One bit of each pad of a frame. */
static void take(number_t first, number_t end, number_t slot, uint16_t number) {
  for (number_t p = first; p < end; p++) {
    number_t from = romn(&pad_reads[rom16(&pad_reads_at[p]) + slot]);
    keep((uint16_t)(rom16(&pad_bits_at[p]) + number), from == NONE || hw_read(from));
  }
}

static bool is_known(number_t frame, number_t pad) {
  bool all = true;
  for (uint16_t at = rom16(&frame_known_at[frame]); at < rom16(&frame_known_at[frame + 1]); at++) {
    uint16_t row = rom16(&frame_known[at]); /* a bit, and whether it is high */
    all = all && low((uint16_t)(rom16(&pad_bits_at[pad]) + (row >> 1))) != ((row & 1U) != 0);
  }
  return all;
}

static void ask(number_t frame) {
  number_t first = romn(&frame_pads_at[frame]);
  number_t end = romn(&frame_pads_at[frame + 1]);
  uint16_t number = 0;
  for (uint16_t s = rom16(&frame_steps_at[frame]); s < rom16(&frame_steps_at[frame + 1]); s++) {
    uint8_t step = rom8(&step_how[s]);
    number_t with = romn(&step_with[s]);
    if (step == TAKES) {
      take(first, end, with, number++);
    }
    for (uint8_t times = (uint8_t)(step & ~HIGH_STEP); times > 0 && with != NONE; times--) {
      hw_drive(with, (step & HIGH_STEP) != 0 ? LEVEL_HIGH : LEVEL_LOW);
    }
  }
  for (number_t p = first; p < end; p++) {
    known[p] = is_known(frame, p);
  }
}

void frames_begin(void) {
  for (number_t i = 0; i < N_FRAME_LINES; i++) {
    hw_drive(romn(&frame_line[i]), rom8(&frame_line_high[i]) != 0 ? LEVEL_HIGH : LEVEL_LOW);
  }
}

void frames_fresh(void) {
  for (number_t f = 0; f < N_FRAMES; f++) {
    looks[f] = 0;
  }
}

void frames_look(void) {
  for (number_t f = 0; f < N_FRAMES; f++) {
    if (looks[f] == 0) {
      ask(f);
      looks[f] = rom16(&frame_every[f]);
    }
    looks[f]--;
  }
}

bool frames_held(number_t pad, uint16_t bit) { return known[pad] && low(bit); }

#if USE_CODES
/* A byte, least bit first, as a code; of a pad that is not known the middle. */
uint16_t frames_code(number_t pad, uint16_t bit) {
  uint32_t value = 0;
  for (uint16_t i = 0; i < 8; i++) {
    value |= low((uint16_t)(bit + i)) ? 0 : (uint32_t)1 << i;
  }
  return known[pad] ? (uint16_t)((2 * value * CODE_MOST + 255) / 510)
                    : (uint16_t)(CODE_MOST / 2 + 1);
}
#endif
