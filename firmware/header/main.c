/*
 * usage: key-reader [CHIP [KEYS [TABLE]]]
 * CHIP is the file of the header's lines, KEYS that of the system for keys made by programs, TABLE
 * the table of lines and keys.
 */
#define _POSIX_C_SOURCE 200112L
#include <stdio.h>
#include <time.h>

#include "device.h"
#include "reader.h"
#include "system.h"

#define NAP_NS 250000L
#define SETTLE_NS 5000L

static void nap(long ns) {
  struct timespec time = {0, ns};
  nanosleep(&time, NULL);
}

uint32_t system_micros(void) {
  struct timespec now;
  clock_gettime(CLOCK_MONOTONIC, &now);
  return (uint32_t)((uint64_t)now.tv_sec * 1000000U + (uint64_t)now.tv_nsec / 1000U);
}

void system_settle(void) { nap(SETTLE_NS); }

#if USE_RUNNING
/* In a file beside the program. */
static const char *const kept = "profile.kept";

void hw_keep(uint8_t byte) {
  FILE *file = fopen(kept, "wb");
  if (file == NULL || fputc(byte, file) == EOF || fclose(file) != 0) {
    fprintf(stderr, "%s cannot be written: the profile is not kept\n", kept);
  }
}

uint8_t hw_kept(void) {
  FILE *file = fopen(kept, "rb");
  int byte = file == NULL ? EOF : fgetc(file);
  if (file != NULL) {
    fclose(file);
  }
  return byte == EOF ? 0xFF : (uint8_t)byte;
}

/* Keys need no plug to be pulled: the program goes on with the profile. */
void hw_restart(void) {}
#endif

#if SELF_TEST
void hw_text(const char *text) {
  fputs(text, stdout);
  fflush(stdout);
}
#endif

int main(int count, char **words) {
  const char *chip = count > 1 ? words[1] : "/dev/gpiochip0";
  const char *keys = count > 2 ? words[2] : "/dev/uinput";
  if (!reader_table(count > 3 ? words[3] : "keys.txt") || !reader_open(chip, keys)) {
    return 2;
  }
  device_power_up();
  for (;;) {
    device_tick();
    nap(NAP_NS);
  }
}
