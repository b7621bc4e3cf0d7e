/* The board of this computer, which notes all that its program is told, to be told again elsewhere. */
#include <stdio.h>
#include <stdlib.h>

#include "device_tables.h"
#include "host.h"

enum { LOOK = 1, POLL = 2, BEGIN = 3, STAND = 4 };

static unsigned event_count, bit_count, code_count;
static uint32_t events[2 * 200000];
static uint8_t bits[1 << 20];
static uint16_t codes_read[1 << 18];

static void event(uint32_t what, uint32_t with) {
  if (event_count > 199990) {
    abort();
  }
  events[2 * event_count] = what;
  events[2 * event_count++ + 1] = with;
}

static bool bit(bool is) {
  bits[bit_count >> 3] = (uint8_t)(bits[bit_count >> 3] | (is ? 1U << (bit_count & 7U) : 0));
  bit_count++;
  return is;
}

#if USE_PACKETS
/* What a console asks between looks is not noted: elsewhere nobody asks. */
static bool asks[N_TERMINALS];
static bool high_there[N_TERMINALS];
static bool pulled[N_TERMINALS];

void board_command(number_t console, bool high) {
  asks[console_command[console]] = true;
  high_there[console_command[console]] = high;
}

bool board_pulled(number_t terminal) {
  bool was = pulled[terminal];
  pulled[terminal] = false;
  return was;
}

bool hw_read(number_t terminal) {
  return asks[terminal] ? high_there[terminal] : bit(world_read(terminal));
}

void hw_drive(number_t terminal, enum level level) {
  pulled[terminal] = pulled[terminal] || level == LEVEL_LOW;
  world_drive(terminal, level);
}
#else
bool hw_read(number_t terminal) { return bit(world_read(terminal)); }

void hw_drive(number_t terminal, enum level level) { world_drive(terminal, level); }
#endif

#if USE_BYTES
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  return consoles_serial(console, bytes, count);
}
#endif

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) { return codes_read[code_count++] = world_convert(terminal); }
#endif

#if USE_TOUCH
bool hw_touched(number_t terminal) { return bit(world_touched(terminal)); }
#endif

#if N_CONSOLES
static bool answered[N_TERMINALS];

void hw_answer(number_t terminal, enum level level) { answered[terminal] = level != LEVEL_LOW; }

bool board_line(number_t terminal) { return answered[terminal]; }

void board_edge(number_t console, bool clock, bool high) { device_edge(console, clock, high); }
#endif

#if USE_RUNNING
static uint8_t stored = 0xFF;

void hw_keep(uint8_t byte) { stored = byte; }

uint8_t hw_kept(void) { return stored; }

void hw_restart(void) {}
#endif

uint32_t hw_micros(void) { return (uint32_t)session_now(); }

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  return session_send(id, transfer, bytes);
}

static void write_out(void) {
  FILE *out = fopen("trace.h", "w");
  fprintf(out, "#define EVENTS %uU\n", event_count);
  fprintf(out, "static const uint8_t event_what[] PROGMEM = {");
  for (unsigned i = 0; i < event_count; i++) {
    fprintf(out, "%u,", (unsigned)events[2 * i]);
  }
  fprintf(out, "};\nstatic const uint32_t event_with[] PROGMEM = {");
  for (unsigned i = 0; i < event_count; i++) {
    fprintf(out, "%luUL,", (unsigned long)events[2 * i + 1]);
  }
  fprintf(out, "};\nstatic const uint8_t trace_bits[] PROGMEM = {");
  for (unsigned i = 0; i < (bit_count >> 3) + 1; i++) {
    fprintf(out, "%u,", bits[i]);
  }
  fprintf(out, "};\nstatic const uint16_t trace_codes[] PROGMEM = {");
  for (unsigned i = 0; i < code_count; i++) {
    fprintf(out, "%u,", codes_read[i]);
  }
  fprintf(out, "0};\n");
  fclose(out);
}

void board_power_up(void) {
  static bool once;
  if (!once) {
    once = true;
    atexit(write_out);
  }
  unsigned before = bit_count, codes_before = code_count;
#if USE_RUNNING
  stored = 0xFF;
#endif
  device_power_up();
  /* What led to the choice is not told again: only what was chosen. */
  while (bit_count > before) {
    bit_count--;
    bits[bit_count >> 3] = (uint8_t)(bits[bit_count >> 3] & ~(1U << (bit_count & 7U)));
  }
  code_count = codes_before;
}

void board_begin(unsigned profile) {
  event(BEGIN, profile);
  device_begin((number_t)profile);
}

unsigned board_profile(void) { return device_profile(); }

void board_look(uint32_t us) {
  event(LOOK, us);
  device_look(us);
}

void board_poll(uint32_t us) {
  event(POLL, us);
  device_poll();
}

bool board_busy(void) { return device_busy(); }

void board_standing(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  event(STAND, (uint32_t)session_now());
  for (number_t r = 0; r < device_reports(); r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    (void)hw_send(id, transfer, bytes);
  }
}

#if N_STRIPS
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  (void)terminal;
  (void)lamps;
  (void)rgb;
}
#endif

#if N_KEYBOARDS
void board_key_clock(number_t keyboard) { device_key_clock(keyboard); }
#endif
