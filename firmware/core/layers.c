/* Step 6: which layer is in force. */
#include "program.h"

#if N_LAYERS

static number_t in_force;
static bool started;
static uint8_t complete[(N_LAYERS + 7) / 8];
static uint8_t toggled[(N_LAYERS + 7) / 8];

static bool bit(const uint8_t *of, number_t at) { return (of[at >> 3] >> (at & 7U) & 1U) != 0; }

static void put(uint8_t *of, number_t at, bool on) {
  uint8_t mask = (uint8_t)(1U << (at & 7U));
  of[at >> 3] = (uint8_t)(on ? of[at >> 3] | mask : of[at >> 3] & ~mask);
}

void layers_begin(void) {
  in_force = 0;
  started = false;
  for (number_t l = 0; l < N_LAYERS; l++) {
    put(complete, l, false);
    put(toggled, l, false);
  }
}

/* Whether a layer gives a look a meaning of its own. */
static bool named(number_t of_layer, number_t look) {
  uint16_t row = (uint16_t)(now[LAYERS_AT] + of_layer - 1U);
  return (rom8(&layer_named[row * ((N_LOOKS + 7U) / 8U) + (look >> 3)]) >> (look & 7U) & 1U) != 0;
}

number_t layers_look(void) {
  number_t count = (number_t)now[LAYERS];
  uint16_t first = now[LAYERS_AT];
  /* A press of a layer's contact is a key, unless the layer in force names the contact itself. */
  for (uint16_t at = rom16(&layer_at[first]); at < rom16(&layer_at[first + count]); at++) {
    number_t i = romn(&layer_keys[at]);
    bool pressed = (flags[i] & SETTLED) != 0;
    bool before = (flags[i] & KEPT) != 0;
    if (!pressed) {
      flags[i] = (uint8_t)(flags[i] & ~(KEY | KEPT));
    } else if (!before) {
      bool key = in_force == 0 || !named(in_force, i);
      flags[i] = (uint8_t)((key ? flags[i] | KEY : flags[i] & ~KEY) | KEPT);
    }
  }
  in_force = 0;
  for (number_t l = 0; l < count; l++) {
    uint16_t at = rom16(&layer_at[first + l]);
    uint16_t end = rom16(&layer_at[first + l + 1]);
    bool all = at < end;
    for (; at < end; at++) {
      all = all && (flags[romn(&layer_keys[at])] & KEY) != 0;
    }
    bool toggles = rom8(&layer_toggles[first + l]) != 0;
    /* What is held at power-up toggles nothing: nobody pressed it. */
    if (toggles && all && !bit(complete, l) && started) {
      put(toggled, l, !bit(toggled, l));
    }
    put(complete, l, all);
    if (toggles ? bit(toggled, l) : all) {
      in_force = (number_t)(l + 1);
    }
  }
  started = true;
  return in_force;
}

#endif
