/*
 * The stand-in of a computer with a header: the reader's calls for lines go to the simulated wires,
 * and what it tells of keys is told on.
 */
#include <errno.h>
#include <linux/gpio.h>
#include <linux/uinput.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "host.h"
#include "reader.h"
#include "system.h"

enum { CHIP = 3, LINES = 4, KEYS = 5 };

static uint32_t offsets[GPIO_V2_LINES_MAX];
static bool known[KEY_MAX + 1];
static bool made;

int stand_open(const char *path, int flags) {
  (void)flags;
  return strcmp(path, "keys") == 0 ? KEYS : CHIP;
}

static void wrong(const char *what) {
  fprintf(stderr, "the reader asks the system wrongly: %s\n", what);
  exit(3);
}

/* A real system keeps to the same: pulls on inputs only, values of outputs only, each line once. */
static void take_config(const struct gpio_v2_line_config *config) {
  for (number_t t = 0; t < N_TERMINALS; t++) {
    uint64_t bit = (uint64_t)1 << t;
    uint64_t flags = config->flags;
    bool high = false;
    bool valued = false;
    for (unsigned a = 0; a < config->num_attrs; a++) {
      if ((config->attrs[a].mask & bit) == 0) {
        continue;
      }
      if (config->attrs[a].attr.id == GPIO_V2_LINE_ATTR_ID_FLAGS) {
        flags = config->attrs[a].attr.flags;
      } else {
        valued = true;
        high = (config->attrs[a].attr.values & bit) != 0;
      }
    }
    bool output = (flags & GPIO_V2_LINE_FLAG_OUTPUT) != 0;
    if (output == ((flags & GPIO_V2_LINE_FLAG_INPUT) != 0) || (valued && !output)) {
      wrong("a line is to be both input and output, or neither");
    }
    if (!output && device_terminal_use(t) == USE_OF_UP &&
        (flags & GPIO_V2_LINE_FLAG_BIAS_PULL_UP) == 0) {
      wrong("a line lacks its pull-up");
    }
    if (!output && device_terminal_use(t) == USE_OF_DOWN &&
        (flags & GPIO_V2_LINE_FLAG_BIAS_PULL_DOWN) == 0) {
      wrong("a line lacks its pull-down");
    }
    world_drive(t, !output ? LEVEL_RELEASED : high ? LEVEL_HIGH : LEVEL_LOW);
  }
}

static int get_lines(struct gpio_v2_line_request *request) {
  if (request->num_lines != N_TERMINALS || request->config.num_attrs > GPIO_V2_LINE_NUM_ATTRS_MAX) {
    wrong("it takes other lines than it uses");
  }
  for (unsigned t = 0; t < N_TERMINALS; t++) {
    offsets[t] = request->offsets[t];
    for (unsigned other = 0; other < t; other++) {
      if (offsets[other] == offsets[t]) {
        wrong("it takes a line twice");
      }
    }
  }
  take_config(&request->config);
  request->fd = LINES;
  return 0;
}

static int get_values(struct gpio_v2_line_values *values) {
  values->bits = 0;
  for (number_t t = 0; t < N_TERMINALS; t++) {
    uint64_t bit = (uint64_t)1 << t;
    if ((values->mask & bit) != 0 && world_read(t)) {
      values->bits |= bit;
    }
  }
  return 0;
}

int stand_ioctl(int file, unsigned long request, void *argument) {
  switch (request) {
    case GPIO_V2_GET_LINE_IOCTL:
      return file == CHIP ? get_lines(argument) : -1;
    case GPIO_V2_LINE_GET_VALUES_IOCTL:
      return file == LINES ? get_values(argument) : -1;
    case GPIO_V2_LINE_SET_CONFIG_IOCTL:
      take_config(argument);
      return file == LINES ? 0 : -1;
    case UI_SET_KEYBIT:
      known[(intptr_t)argument] = true;
      return file == KEYS ? 0 : -1;
    case UI_DEV_CREATE:
      made = true;
      return file == KEYS ? 0 : -1;
    case UI_SET_EVBIT:
    case UI_DEV_SETUP:
      return file == KEYS && !made ? 0 : -1;
    default:
      wrong("a call that it does not know");
      return -1;
  }
}

long stand_write(int file, const void *bytes, size_t count) {
  struct input_event event;
  if (file != KEYS || count != sizeof event || !made) {
    wrong("keys go elsewhere");
  }
  memcpy(&event, bytes, sizeof event);
  if (event.type == EV_SYN) {
    return (long)count;
  }
  if (event.type != EV_KEY || event.code > KEY_MAX || !known[event.code]) {
    wrong("a key that it did not name before");
  }
  return session_key(event.code, event.value != 0) ? (long)count : -1;
}

uint32_t stand_micros(void) { return (uint32_t)session_now(); }

static void plug_in(void) {
  static bool plugged;
  if (!plugged) {
    plugged = true;
    if (!reader_table("keys.txt") || !reader_open("lines", "keys")) {
      exit(2);
    }
  }
}

#if USE_RUNNING
static uint8_t stored = 0xFF;

void hw_keep(uint8_t byte) { stored = byte; }

uint8_t hw_kept(void) { return stored; }

void hw_restart(void) {}
#endif

void board_power_up(void) {
  plug_in();
#if USE_RUNNING
  stored = 0xFF; /* each play is one of a new board */
#endif
#if N_FRAMES
  pads_fresh();
#endif
  device_power_up();
}

void board_begin(unsigned profile) {
  plug_in();
  reader_fresh();
#if N_FRAMES
  pads_fresh();
#endif
  device_begin((number_t)profile);
}

unsigned board_profile(void) { return device_profile(); }

void board_look(uint32_t us) { device_look(us); }

void board_poll(uint32_t us) {
  (void)us;
  device_poll();
}

bool board_busy(void) { return device_busy(); }

void board_standing(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  reader_fresh(); /* what is down already is told once more, as a script begins */
  for (number_t r = 0; r < device_reports(); r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    (void)hw_send(id, transfer, bytes);
  }
}

#if N_KEYBOARDS
void board_key_clock(number_t keyboard) { device_key_clock(keyboard); }
#endif
