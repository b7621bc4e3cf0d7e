/*
 * A serial wire that loses bytes, a board that is pulled out, and a host that is not always there:
 * what is passed on is what was told. Prints what was wrong and ends with 1, or what was tried.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "device_tables.h"
#include "serial.h"

static uint32_t us;
static unsigned long long state;
static unsigned loses;    /* of 1000 bytes so many are lost or turned over */
static bool full;         /* the port has no room */
static bool taken = true; /* the host takes what it is told */
static bool letters;      /* a text goes over the wire between frames */
static uint8_t got[256][HEARD_LONGEST];
static long counted[256];
static long moved[256]; /* sum of the first byte of what tells motion */
static long lost;

static unsigned below(unsigned most) {
  state = state * 6364136223846793005ULL + 1442695040888963407ULL;
  return (unsigned)(state >> 33) % most;
}

uint32_t hw_micros(void) { return us; }

void device_tick(void) {}

static void over(uint8_t byte) {
  if (below(1000) < loses) {
    lost++;
    if (below(2) == 0) {
      return;
    }
    byte = (uint8_t)(byte ^ (1U << below(8)));
  }
  heard_byte(0, byte);
}

bool serial_write(const uint8_t *bytes, uint16_t count) {
  if (full) {
    return false;
  }
  if (letters) {
    for (const char *text = "14188 console 1 0111\n"; *text != '\0'; text++) {
      over((uint8_t)*text);
    }
  }
  for (uint16_t i = 0; i < count; i++) {
    over(bytes[i]);
  }
  return true;
}

static unsigned place(uint8_t id) {
  unsigned r = 0;
  while (heard_id[r] != id) {
    r++;
  }
  return r;
}

bool hw_pass(uint8_t line, uint8_t id, const uint8_t *report, uint8_t bytes) {
  if (line != 0 || bytes != heard_bytes[place(id)]) {
    printf("a report of another line or length\n");
    exit(1);
  }
  if (taken) {
    memcpy(got[id], report, bytes);
    counted[id]++;
    moved[id] += bytes > 0 ? report[0] : 0;
  }
  return taken;
}

static void pass(unsigned millis) {
  for (unsigned i = 0; i < millis; i++) {
    us += 1000;
    serial_tick();
    heard_tick();
  }
}

static void wrong(const char *what, unsigned r) {
  printf("report %u: %s\n", r, what);
  exit(1);
}

int main(int argc, char **argv) {
  static uint8_t told[256][LONGEST_REPORT];
  (void)argc;
  state = strtoull(argv[1], NULL, 10);
  us = 0xFFF00000U; /* the clock runs over meanwhile */
  loses = below(3) == 0 ? 0 : below(120);
  letters = below(2) == 0;
  long sent[256] = {0};
  long sum[256] = {0};
  for (unsigned step = 0; step < 3000; step++) {
    unsigned r = below(N_HEARD);
    uint8_t id = heard_id[r];
    unsigned from = id != 0 ? 1 : 0;
    told[id][0] = id;
    for (unsigned i = 0; i < heard_bytes[r]; i++) {
      told[id][from + i] = (uint8_t)(below(3) == 0 ? 0xA5 : below(256));
    }
    full = below(20) == 0;
    bool went = hw_send(id, told[id], (report_size_t)(heard_bytes[r] + from));
    if (went == full) {
      wrong("took what there was no room for, or the other way", r);
    }
    if (!went) {
      full = false;
      (void)hw_send(id, told[id], (report_size_t)(heard_bytes[r] + from));
    }
    sent[id]++;
    sum[id] += heard_bytes[r] > 0 ? told[id][from] : 0;
    pass(below(4));
    if (loses == 0 && memcmp(got[id], &told[id][from], heard_bytes[r]) != 0) {
      heard_tick();
      if (memcmp(got[id], &told[id][from], heard_bytes[r]) != 0) {
        wrong("is not what was told", r);
      }
    }
  }
  /* The wire is whole again: what was lost last comes by itself. */
  loses = 0;
  pass(60 * N_REPORTS + 60);
  for (unsigned r = 0; r < N_HEARD; r++) {
    uint8_t id = heard_id[r];
    unsigned from = id != 0 ? 1 : 0;
    if (sent[id] > 0 && memcmp(got[id], &told[id][from], heard_bytes[r]) != 0) {
      wrong("stays lost", r);
    }
    if (lost == 0 && (counted[id] != sent[id] || moved[id] != sum[id])) {
      wrong("came more or less often than it was told", r);
    }
    if (counted[id] > sent[id]) {
      wrong("came twice", r);
    }
  }
  /* The host sleeps and comes back: it gets what stands, and no motion again. */
  long before[256];
  memcpy(before, counted, sizeof before);
  taken = false;
  pass(100);
  memset(got, 0, sizeof got);
  taken = true;
  heard_forget();
  pass(10);
  for (unsigned r = 0; r < N_HEARD; r++) {
    uint8_t id = heard_id[r];
    unsigned from = id != 0 ? 1 : 0;
    if (heard_moves[r] != 0 ? counted[id] != before[id]
                            : sent[id] > 0 && memcmp(got[id], &told[id][from], heard_bytes[r]) != 0) {
      wrong("is not told anew to a host that is back", r);
    }
  }
  /* The other board is off: nothing stays held. */
  for (unsigned i = 0; i < 600; i++) {
    us += 1000;
    heard_tick();
  }
  for (unsigned r = 0; r < N_HEARD; r++) {
    uint8_t id = heard_id[r];
    if (sent[id] > 0 && memcmp(got[id], &heard_rest[heard_rest_at[r]], heard_bytes[r]) != 0) {
      wrong("stays held though its board fell silent", r);
    }
  }
  printf("tried, %ld bytes lost\n", lost);
  return 0;
}
