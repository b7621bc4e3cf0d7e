/* The board that hears: what others tell goes on to the host, in order. */
#include "serial.h"

#include <string.h>

#define SILENT_US 500000U /* then a board is off or its wire is: what it told is let go */
#define WAITING (N_HEARD + 8U)

static uint8_t coming[N_HEARD_LINES][HEARD_LONGEST + FRAME_AROUND];
static uint8_t came[N_HEARD_LINES];
static uint8_t of[N_HEARD_LINES]; /* the report that is coming */
static uint32_t since_us[N_HEARD_LINES];
static bool there[N_HEARD_LINES];

static uint8_t last[N_HEARD][HEARD_LONGEST];
static uint8_t counts[N_HEARD];
static bool known[N_HEARD];

static struct {
  uint8_t line;
  uint8_t report;
  uint8_t bytes[HEARD_LONGEST];
} waiting[WAITING];

static uint8_t first;
static uint8_t waits;

/* What finds no place pushes out the oldest. */
static void put(uint8_t line, uint8_t report, const uint8_t *bytes) {
  if (waits == WAITING) {
    first = (uint8_t)((first + 1U) % WAITING);
    waits--;
  }
  uint8_t at = (uint8_t)((first + waits) % WAITING);
  waiting[at].line = line;
  waiting[at].report = report;
  memcpy(waiting[at].bytes, bytes, heard_bytes[report]);
  waits++;
}

static void whole(uint8_t line) {
  const uint8_t *frame = coming[line];
  uint8_t report = of[line];
  since_us[line] = hw_micros();
  there[line] = true;
  bool same = memcmp(last[report], &frame[FRAME_REPORT], heard_bytes[report]) == 0;
  if (!known[report] || counts[report] != frame[1] || !same) {
    known[report] = true;
    counts[report] = frame[1];
    memcpy(last[report], &frame[FRAME_REPORT], heard_bytes[report]);
    put(line, report, &frame[FRAME_REPORT]);
  }
}

void heard_byte(uint8_t line, uint8_t byte) {
  uint8_t *frame = coming[line];
  uint8_t at = came[line];
  frame[at] = byte;
  came[line] = (uint8_t)(at + 1U);
  if (at == 0) {
    came[line] = byte == FRAME_BEGINS ? 1 : 0;
  } else if (at == 2) {
    uint8_t end = heard_reports_at[line + 1U];
    of[line] = heard_reports_at[line];
    while (of[line] < end && heard_id[of[line]] != byte) {
      of[line]++;
    }
    came[line] = of[line] < end ? 3 : 0; /* else none of its reports */
  } else if (at > 2 && at == heard_bytes[of[line]] + FRAME_REPORT + 1U) {
    uint16_t check = frame_check(&frame[1], (uint8_t)(at - 2U));
    came[line] = 0;
    if (frame[at - 1U] == (uint8_t)(check >> 8) && byte == (uint8_t)check) {
      whole(line);
    }
  }
}

/* Keys, buttons and axes as they are when nothing is touched. */
static void let_go(uint8_t line) {
  for (uint8_t r = heard_reports_at[line]; r < heard_reports_at[line + 1U]; r++) {
    if (known[r]) {
      known[r] = false;
      put(line, r, &heard_rest[heard_rest_at[r]]);
    }
  }
}

void heard_tick(void) {
  for (uint8_t line = 0; line < N_HEARD_LINES; line++) {
    if (there[line] && hw_micros() - since_us[line] > SILENT_US) {
      there[line] = false;
      let_go(line);
    }
  }
  while (waits > 0 && hw_pass(waiting[first].line, heard_id[waiting[first].report],
                              waiting[first].bytes, heard_bytes[waiting[first].report])) {
    first = (uint8_t)((first + 1U) % WAITING);
    waits--;
  }
}

/* What moves is not told twice. */
void heard_forget(void) {
  waits = 0;
  for (uint8_t line = 0; line < N_HEARD_LINES; line++) {
    for (uint8_t r = heard_reports_at[line]; r < heard_reports_at[line + 1U]; r++) {
      if (heard_moves[r] == 0) {
        put(line, r, known[r] ? last[r] : &heard_rest[heard_rest_at[r]]);
      }
    }
  }
}
