/* The keyboards' side: keys that moved are said byte by byte, bit by bit, at once. */
#include "wires.h"
#include "world_tables.h"

#if N_KEYBOARDS
static uint8_t told[N_KEYS_HELD + 1];
static int sending = -1; /* the terminal that the data line is at */
static bool stands; /* what it says */

bool keyboards_read(unsigned terminal, bool *high) {
  *high = stands;
  return sending >= 0 && sending == (int)terminal;
}

static void bit(number_t k, bool high) {
  stands = high;
  board_key_clock(k);
}

static void say(number_t k, int value) {
  bool odd = true;
  if (!world_keyboards[k].heard) {
    return;
  }
  sending = world_keyboards[k].data;
  bit(k, false);
  for (int i = 0; i < 8; i++) {
    bool high = (value >> i & 1) != 0;
    odd = odd != high;
    bit(k, high);
  }
  bit(k, odd);
  bit(k, true);
  sending = -1;
}

static void said(number_t k, int key, bool down) {
  const int *code = &world_key_codes[world_keyboards[k].codes_at + 2 * key];
  if (code[0] != 0) {
    say(k, code[0]);
  }
  if (!down) {
    say(k, 0xF0);
  }
  say(k, code[1]);
}

/* What goes up first, then what goes down. */
void keyboards_hands(const double *travel) {
  for (int down = 0; down < 2; down++) {
    int at = 0;
    for (number_t k = 0; k < N_KEYBOARDS; k++) {
      for (int key = 0; key < world_keyboards[k].keys; key++, at++) {
        int contact = world_pad_bits[world_keyboards[k].bits_at + key];
        bool held = contact >= 0 && travel[contact] >= 0.5;
        if (held == (down != 0) && held != (told[at] != 0)) {
          told[at] = held ? 1 : 0;
          said(k, key, held);
        }
      }
    }
  }
}
#endif
