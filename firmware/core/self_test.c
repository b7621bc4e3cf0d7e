/*
 * The self-test stream: a line for each look at which a level or a code changed, for a person or
 * the workbench to read. See self-test.md of the workbench for the form.
 */
#include "program.h"

#if SELF_TEST

static uint8_t told[N_LOOKS];
static bool any;
#if N_TRAVELS
static uint16_t told_code[N_TRAVELS];
#endif

static void text_number(uint32_t value) {
  char digits[11];
  uint8_t at = 10;
  digits[10] = '\0';
  do {
    digits[--at] = (char)('0' + value % 10U);
    value /= 10U;
  } while (value > 0);
  hw_text(&digits[at]);
}

/* One character for each look, in their order. */
static void text_levels(uint8_t mask) {
  for (number_t i = 0; i < N_LOOKS; i++) {
    hw_text((flags[i] & mask) != 0 ? "1" : "0");
  }
}

void self_test_begin(void) { any = false; }

static void text_head(void) {
  hw_text("self-test 1 looks ");
  text_number(N_LOOKS);
  hw_text(" scan_us ");
  text_number(SCAN_US);
  hw_text("\n");
}

void self_test_look(uint32_t us) {
  bool changed = !any;
  if (!any) {
    text_head();
  }
  any = true;
  for (number_t i = 0; i < N_LOOKS; i++) {
    uint8_t levels = flags[i] & (RAW | SETTLED);
    changed = changed || levels != told[i];
    told[i] = levels;
  }
#if N_TRAVELS
  for (number_t t = 0; t < N_TRAVELS; t++) {
    changed = changed || codes[t] != told_code[t];
    told_code[t] = codes[t];
  }
#endif
  if (!changed) {
    return;
  }
  text_number(us);
  hw_text(" ");
  text_levels(RAW);
  hw_text(" ");
  text_levels(SETTLED);
#if N_TRAVELS
  for (number_t t = 0; t < N_TRAVELS; t++) {
    hw_text(" ");
    text_number(codes[t]);
  }
#endif
  hw_text("\n");
}

#endif
