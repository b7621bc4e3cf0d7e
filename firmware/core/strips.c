/* Step 14: strips show the colour of the profile, or another one while anything is given. */
#include "program.h"

enum { UNTOLD = 2 };

static uint8_t shown; /* whether anything was given when they were told last, or untold */

static uint8_t gives(void) {
  for (number_t t = 0; t < now[TARGETS]; t++) {
    if (is_on(t)) {
      return 1;
    }
  }
  return 0;
}

static void colour(number_t strip, uint8_t given, uint8_t rgb[3]) {
  const uint16_t row = (uint16_t)(device_profile() * (uint16_t)N_STRIPS + strip);
  const uint16_t at = (uint16_t)(6U * row + 3U * given);
  for (uint8_t c = 0; c < 3; c++) {
    rgb[c] = rom8(&strip_colour[(uint16_t)(at + c)]);
  }
}

static void tell(bool anew) {
  shown = gives();
  for (number_t s = 0; s < N_STRIPS; s++) {
    uint8_t rgb[3];
    uint8_t before[3];
    colour(s, shown, rgb);
    colour(s, shown ^ 1U, before);
    if (anew || rgb[0] != before[0] || rgb[1] != before[1] || rgb[2] != before[2]) {
      hw_colours(romn(&strip_terminal[s]), rom16(&strip_lamps[s]), rgb);
    }
  }
}

void strips_begin(void) { shown = UNTOLD; }

void device_show(void) { tell(true); }

void strips_tell(void) {
  if (shown != gives()) {
    tell(shown == UNTOLD);
  }
}
