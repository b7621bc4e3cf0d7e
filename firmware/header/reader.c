/*
 * Reads the terminals of the header by the system's own calls for such lines, and tells the system
 * which keys went up and down. What a contact means is the program's matter (core/); which line a
 * terminal is, and which code a key has, stands in keys.txt.
 */
#include "reader.h"

#include <errno.h>
#include <fcntl.h>
#include <linux/gpio.h>
#include <linux/uinput.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "device.h"
#include "keys.h"
#include "system.h"

#define LONGEST_ROW 256
#define UNKNOWN (-1)

static long lines[N_TERMINALS];     /* which line of the chip a terminal is */
static long codes[N_KEY_CODES + 1]; /* what the system calls a key */
static enum level driven[N_TERMINALS];
static bool on[N_KEY_BITS + 1];     /* which keys the program gives */
static bool down[N_KEY_CODES + 1];  /* which the system knows to be down */
static int line_file = -1;
static int key_file = -1;

static bool refuse(const char *what, const char *why) {
  fprintf(stderr, "%s: %s\n", what, why);
  return false;
}

/* ---- the table ---- */

static bool number(const char *word, long *value) {
  char *end;
  errno = 0;
  *value = strtol(word, &end, 0);
  return errno == 0 && end != word && *end == '\0' && *value >= 0;
}

/* "line H13 13 ..." says which line a terminal is, "key 0x07 0x04 30 ..." which code a key has. */
static bool take(char *row) {
  static const char gaps[] = " \t\r\n";
  char *kind = strtok(row, gaps);
  if (kind == NULL || kind[0] == '#') {
    return true;
  }
  char *first = strtok(NULL, gaps);
  char *second = strtok(NULL, gaps);
  char *third = strtok(NULL, gaps);
  if (first == NULL || second == NULL) {
    return false;
  }
  long value;
  if (strcmp(kind, "line") == 0) {
    if (!number(second, &value)) {
      return false;
    }
    for (unsigned t = 0; t < N_TERMINALS; t++) {
      if (strcmp(key_terminals[t], first) == 0) {
        lines[t] = value;
      }
    }
    return true; /* of a terminal that the program does not use */
  }
  long page;
  long usage;
  if (strcmp(kind, "key") != 0 || third == NULL || !number(first, &page) ||
      !number(second, &usage) || !number(third, &value) || value > KEY_MAX) {
    return false;
  }
  for (int k = 0; k < N_KEY_CODES; k++) {
    if (key_pages[k] == page && key_usages[k] == usage) {
      codes[k] = value;
    }
  }
  return true;
}

bool reader_table(const char *path) {
  char row[LONGEST_ROW];
  char words[LONGEST_ROW + 64];
  int at = 0;
  FILE *file = fopen(path, "r");
  for (unsigned t = 0; t < N_TERMINALS; t++) {
    lines[t] = UNKNOWN;
  }
  for (int k = 0; k < N_KEY_CODES; k++) {
    codes[k] = UNKNOWN;
  }
  if (file == NULL) {
    return refuse(path, "cannot be read");
  }
  while (fgets(row, sizeof row, file) != NULL) {
    at++;
    if (!take(row)) {
      fclose(file);
      snprintf(words, sizeof words, "row %d is neither \"line TERMINAL NUMBER\" nor \"key PAGE USAGE CODE\"", at);
      return refuse(path, words);
    }
  }
  fclose(file);
  for (unsigned t = 0; t < N_TERMINALS; t++) {
    if (lines[t] == UNKNOWN) {
      snprintf(words, sizeof words, "has no row \"line %.64s NUMBER\"", key_terminals[t]);
      return refuse(path, words);
    }
    for (unsigned other = 0; other < t; other++) {
      if (lines[other] == lines[t]) {
        snprintf(words, sizeof words, "gives %.64s and %.64s one line", key_terminals[other],
                 key_terminals[t]);
        return refuse(path, words);
      }
    }
  }
  for (int k = 0; k < N_KEY_CODES; k++) {
    if (codes[k] == UNKNOWN) {
      snprintf(words, sizeof words, "has no row \"key 0x%02X 0x%02X CODE\"", key_pages[k],
               key_usages[k]);
      return refuse(path, words);
    }
  }
  return true;
}

/* ---- the lines ---- */

static uint64_t flags_of(number_t terminal) {
  if (driven[terminal] != LEVEL_RELEASED) {
    return GPIO_V2_LINE_FLAG_OUTPUT;
  }
  switch (device_terminal_use(terminal)) {
    case USE_OF_UP:
      return GPIO_V2_LINE_FLAG_INPUT | GPIO_V2_LINE_FLAG_BIAS_PULL_UP;
    case USE_OF_DOWN:
      return GPIO_V2_LINE_FLAG_INPUT | GPIO_V2_LINE_FLAG_BIAS_PULL_DOWN;
    default:
      return GPIO_V2_LINE_FLAG_INPUT | GPIO_V2_LINE_FLAG_BIAS_DISABLED;
  }
}

/* Lines that are set up alike share an attribute; another one says which outputs are high. */
static void set_up(struct gpio_v2_line_config *config) {
  uint64_t outputs = 0;
  uint64_t high = 0;
  memset(config, 0, sizeof *config);
  config->flags = GPIO_V2_LINE_FLAG_INPUT;
  for (number_t t = 0; t < N_TERMINALS; t++) {
    uint64_t flags = flags_of(t);
    uint64_t bit = (uint64_t)1 << t;
    unsigned a = 0;
    while (a < config->num_attrs && config->attrs[a].attr.flags != flags) {
      a++;
    }
    if (a == config->num_attrs) {
      config->num_attrs++;
      config->attrs[a].attr.id = GPIO_V2_LINE_ATTR_ID_FLAGS;
      config->attrs[a].attr.flags = flags;
    }
    config->attrs[a].mask |= bit;
    if (driven[t] != LEVEL_RELEASED) {
      outputs |= bit;
      high |= driven[t] == LEVEL_HIGH ? bit : 0;
    }
  }
  if (outputs != 0) {
    struct gpio_v2_line_config_attribute *values = &config->attrs[config->num_attrs++];
    values->attr.id = GPIO_V2_LINE_ATTR_ID_OUTPUT_VALUES;
    values->attr.values = high;
    values->mask = outputs;
  }
}

bool hw_read(number_t terminal) {
  struct gpio_v2_line_values values;
  memset(&values, 0, sizeof values);
  values.mask = (uint64_t)1 << terminal;
  return SYS_IOCTL(line_file, GPIO_V2_LINE_GET_VALUES_IOCTL, &values) == 0 &&
         (values.bits & values.mask) != 0;
}

void hw_drive(number_t terminal, enum level level) {
  struct gpio_v2_line_config config;
  if (driven[terminal] == level) {
    return;
  }
  driven[terminal] = level;
  if (line_file >= 0) {
    set_up(&config);
    if (SYS_IOCTL(line_file, GPIO_V2_LINE_SET_CONFIG_IOCTL, &config) != 0) {
      refuse(key_terminals[terminal], "cannot be driven");
    }
  }
  SYS_SETTLE();
}

uint32_t hw_micros(void) { return SYS_MICROS(); }

static bool open_lines(const char *chip) {
  struct gpio_v2_line_request request;
  int file = SYS_OPEN(chip, O_RDWR);
  if (file < 0) {
    return refuse(chip, "cannot be opened; are you allowed to?");
  }
  memset(&request, 0, sizeof request);
  for (number_t t = 0; t < N_TERMINALS; t++) {
    request.offsets[t] = (uint32_t)lines[t];
    driven[t] = LEVEL_RELEASED;
  }
  request.num_lines = N_TERMINALS;
  snprintf(request.consumer, sizeof request.consumer, "keys");
  set_up(&request.config);
  if (SYS_IOCTL(file, GPIO_V2_GET_LINE_IOCTL, &request) != 0) {
    return refuse(chip, "does not give its lines; another program may hold them");
  }
  line_file = request.fd;
  return true;
}

/* ---- the keys ---- */

static void *word(int value) { return (void *)(intptr_t)value; }

static bool open_keys(const char *keys) {
  struct uinput_setup setup;
  key_file = SYS_OPEN(keys, O_WRONLY | O_NONBLOCK);
  if (key_file < 0) {
    return refuse(keys, "cannot be opened; are you allowed to?");
  }
  memset(&setup, 0, sizeof setup);
  setup.id.bustype = BUS_HOST;
  snprintf(setup.name, sizeof setup.name, "%s", KEYS_NAME);
  bool well = SYS_IOCTL(key_file, UI_SET_EVBIT, word(EV_KEY)) == 0;
  for (int k = 0; k < N_KEY_CODES; k++) {
    well = well && SYS_IOCTL(key_file, UI_SET_KEYBIT, word((int)codes[k])) == 0;
  }
  well = well && SYS_IOCTL(key_file, UI_DEV_SETUP, &setup) == 0 &&
         SYS_IOCTL(key_file, UI_DEV_CREATE, NULL) == 0;
  return well || refuse(keys, "does not take a device of keys");
}

static bool tell(uint16_t type, uint16_t code, int32_t value) {
  struct input_event event;
  memset(&event, 0, sizeof event);
  event.type = type;
  event.code = code;
  event.value = value;
  return SYS_WRITE(key_file, &event, sizeof event) == (long)sizeof event;
}

static bool wanted(int key) {
  for (int b = 0; b < N_KEY_BITS; b++) {
    if (key_of_bit[b] == key && on[b]) {
      return true;
    }
  }
  return false;
}

/* Keys that are let go first, then those that are pressed, each in the order of their table. */
bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  bool told = false;
  (void)bytes;
  for (int b = 0; b < N_KEY_BITS; b++) {
    if (key_profile[b] != device_profile()) {
      on[b] = false; /* a profile that is no longer in force wants nothing */
    } else if (key_report[b] == id) {
      on[b] = (transfer[key_bit[b] >> 3] >> (key_bit[b] & 7U) & 1U) != 0;
    }
  }
  for (int press = 0; press < 2; press++) {
    for (int k = 0; k < N_KEY_CODES; k++) {
      if (wanted(k) == down[k] || wanted(k) != (press == 1)) {
        continue;
      }
      if (!tell(EV_KEY, (uint16_t)codes[k], press)) {
        return false;
      }
      down[k] = press == 1;
      told = true;
    }
  }
  return !told || tell(EV_SYN, SYN_REPORT, 0);
}

bool reader_open(const char *chip, const char *keys) {
  reader_fresh();
  return open_lines(chip) && open_keys(keys);
}

void reader_fresh(void) {
  memset(on, 0, sizeof on);
  memset(down, 0, sizeof down);
}
