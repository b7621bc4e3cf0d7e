/* Step 1: one pass over everything that is read. */
#include "program.h"

#if USE_CODES
uint16_t codes[N_TRAVELS + 1];
#endif

#if N_CHAINS
static uint8_t bits[(N_BITS + 7) / 8];

#if USE_PADS
#define PAD(c) (rom8(&chain_latch[c]) != 0)
#define WITH_NEXT(c) ((c) + 1 < N_CHAINS && rom8(&chain_together[(c) + 1]) != 0)
#else
#define PAD(c) false
#define WITH_NEXT(c) false
#endif

/* The registers take in what their inputs see. Pads are latched when they are read. */
static void chains_load(void) {
  for (number_t c = 0; c < N_CHAINS; c++) {
    if (!PAD(c)) {
      hw_drive(romn(&chain_load[c]), LEVEL_LOW);
      hw_drive(romn(&chain_load[c]), LEVEL_HIGH);
    }
  }
}

/* A small part shifts by one place at a time, and has them read in less. */
static const uint8_t masks[8] ROM = {1, 2, 4, 8, 16, 32, 64, 128};

static void keep(uint16_t at, bool high) {
  uint8_t mask = rom8(&masks[at & 7U]);
  if (high) {
    bits[at >> 3] = (uint8_t)(bits[at >> 3] & ~mask);
  } else {
    bits[at >> 3] = (uint8_t)(bits[at >> 3] | mask);
  }
}

#if USE_PADS
/* Driven again, a line stands for as long again. */
static void hold(number_t terminal, enum level level, uint8_t times) {
  for (; times > 0; times--) {
    hw_drive(terminal, level);
  }
}

/* Pads that share latch and clock come out side by side: taken while the clock is low. */
static void pads_shift(number_t first, number_t end, uint16_t at) {
  number_t latch = romn(&chain_load[first]);
  number_t clock = romn(&chain_clock[first]);
  uint16_t count = rom16(&chain_bits[first]);
  hold(latch, LEVEL_HIGH, rom8(&chain_latch[first]));
  hold(latch, LEVEL_LOW, rom8(&chain_gap[first]));
  for (uint16_t b = 0; b < count; b++) {
    hold(clock, LEVEL_LOW, rom8(&chain_low[first]));
    uint16_t to = (uint16_t)(at + b);
    for (number_t c = first; c < end; c++) {
      keep(to, hw_read(romn(&chain_data[c])));
      to = (uint16_t)(to + count);
    }
    hold(clock, LEVEL_HIGH, rom8(&chain_high[first]));
  }
}
#endif

/* What they took in at the end of the pass before comes out bit by bit; low is pressed. */
static void chains_shift(void) {
  uint16_t at = 0;
  for (number_t c = 0; c < N_CHAINS;) {
    uint16_t count = rom16(&chain_bits[c]);
    number_t end = (number_t)(c + 1);
#if USE_PADS
    if (PAD(c)) {
      while (WITH_NEXT(end - 1)) {
        end++;
      }
      pads_shift(c, end, at);
    } else
#endif
    {
      for (uint16_t b = 0; b < count; b++) {
        keep((uint16_t)(at + b), hw_read(romn(&chain_data[c])));
        hw_drive(romn(&chain_clock[c]), LEVEL_HIGH);
        hw_drive(romn(&chain_clock[c]), LEVEL_LOW);
      }
    }
    at = (uint16_t)(at + (uint16_t)(end - c) * count);
    c = end;
  }
}
#endif

#if N_MUXES
/* Puts the select lines of a multiplexer to a channel. */
static void pick(number_t mux, uint8_t channel) {
  uint16_t at = rom16(&mux_at[mux]);
  for (uint8_t bit = 0; at + bit < rom16(&mux_at[mux + 1]); bit++) {
    hw_drive(romn(&mux_selects[at + bit]), (channel >> bit & 1) != 0 ? LEVEL_HIGH : LEVEL_LOW);
  }
}
#endif

/* Outputs rest, and registers hold what they see now. */
void sample_begin(void) {
#if N_FEEDS
  for (number_t f = 0; f < N_FEEDS; f++) {
    hw_drive(romn(&feed_terminal[f]), LEVEL_HIGH); /* a lamp on its contact lights by that alone */
  }
#endif
#if N_FRAMES
  frames_begin();
#endif
#if N_CHAINS
  for (number_t c = 0; c < N_CHAINS; c++) {
    hw_drive(romn(&chain_clock[c]), PAD(c) ? LEVEL_HIGH : LEVEL_LOW);
    hw_drive(romn(&chain_load[c]), PAD(c) ? LEVEL_LOW : LEVEL_HIGH);
  }
#endif
#if N_MUXES
  for (number_t m = 0; m < N_MUXES; m++) {
    pick(m, 0);
  }
#endif
#if N_CHAINS
  chains_load();
#endif
}

void sample(void) {
#if N_ROWS
  number_t row = NONE;
#endif
#if N_MUXES
  number_t mux = NONE;
  uint8_t channel = 0;
#endif
#if USE_STEPS
  number_t measured = NONE;
  uint16_t step_code = 0;
#endif
#if N_CHAINS
  chains_shift();
#endif
#if N_FRAMES
  frames_look();
#endif
  for (number_t k = 0; k < N_LOOKS; k++) {
#if N_ROWS || N_MUXES
    number_t look = romn(&look_order[k]);
#else
    number_t look = k;
#endif
    number_t terminal = romn(&look_terminal[look]);
    uint8_t kind = rom8(&look_kind[look]);
    bool pressed = false;
#if N_MUXES
    bool channels = kind == LOOK_CHANNEL || kind == LOOK_CHANNEL_CODE;
    number_t wanted = channels ? romn(&look_with[look]) : NONE;
    uint8_t place = (uint8_t)(channels ? rom16(&look_place[look]) : 0);
    if (mux != NONE && mux != wanted) {
      pick(mux, 0);
      channel = 0;
    }
    if (channels && channel != place) {
      pick(wanted, place);
      channel = place;
    }
    mux = wanted;
#endif
#if N_ROWS
    number_t drive = kind == LOOK_ROW ? romn(&look_with[look]) : NONE;
    if (row != drive) {
      if (row != NONE) {
        hw_drive(row, LEVEL_RELEASED);
      }
      if (drive != NONE) {
        hw_drive(drive, LEVEL_LOW);
      }
      row = drive;
    }
#endif
    switch (kind) {
#if N_TRAVELS && USE_CONVERTER
      case LOOK_CODE:
#if N_MUXES
      case LOOK_CHANNEL_CODE:
#endif
        codes[romn(&look_travel[look])] = hw_convert(terminal);
        break;
#endif
#if USE_STEPS
      case LOOK_STEP: {
        uint16_t at = rom16(&look_place[look]);
        if (measured != terminal) {
          step_code = hw_convert(terminal);
          measured = terminal;
        }
        pressed = step_code >= rom16(&step_from[at]) && step_code < rom16(&step_below[at]);
        break;
      }
#endif
#if USE_TOUCH
      case LOOK_TOUCH:
        pressed = hw_touched(terminal);
        break;
#endif
#if N_CHAINS
      case LOOK_BIT: {
        uint16_t at = rom16(&look_place[look]);
        pressed = (bits[at >> 3] & rom8(&masks[at & 7U])) != 0;
        break;
      }
#endif
#if N_KEYBOARDS
      case LOOK_KEY:
        pressed = key_held(rom16(&look_place[look]));
        break;
#endif
#if N_TOLD_PADS
      case LOOK_REPORTED:
        pressed = pad_says_held(romn(&look_with[look]), rom16(&look_place[look]));
        break;
#if N_TRAVELS
      case LOOK_REPORTED_CODE:
        codes[romn(&look_travel[look])] =
            pad_said_code(romn(&look_with[look]), rom16(&look_place[look]));
        break;
#endif
#endif
#if N_FRAMES
      case LOOK_SAID:
        pressed = frames_held(romn(&look_with[look]), rom16(&look_place[look]));
        break;
#if N_TRAVELS
      case LOOK_SAID_CODE:
        codes[romn(&look_travel[look])] =
            frames_code(romn(&look_with[look]), rom16(&look_place[look]));
        break;
#endif
#endif
      case LOOK_HIGH:
        pressed = hw_read(terminal);
        break;
      default: /* level, row and channel: low is pressed */
        pressed = !hw_read(terminal);
        break;
    }
    flags[look] = (uint8_t)(pressed ? flags[look] | READ : flags[look] & ~READ);
  }
#if N_ROWS
  if (row != NONE) {
    hw_drive(row, LEVEL_RELEASED);
  }
#endif
#if N_MUXES
  if (mux != NONE && channel != 0) {
    pick(mux, 0);
  }
#endif
#if N_CHAINS
  chains_load();
#endif
}
