/* The board of this computer runs the program as it is: its calls go to the simulated wires. */
#include "device_tables.h"
#include "host.h"

#if USE_PACKETS
static bool asks[N_TERMINALS];
static bool high_there[N_TERMINALS];
static bool pulled[N_TERMINALS];

void board_command(number_t console, bool high) {
  number_t terminal = console_command[console];
  asks[terminal] = true;
  high_there[terminal] = high;
}

bool board_pulled(number_t terminal) {
  bool was = pulled[terminal];
  pulled[terminal] = false;
  return was;
}

bool hw_read(number_t terminal) {
  return asks[terminal] ? high_there[terminal] : world_read(terminal);
}

void hw_drive(number_t terminal, enum level level) {
  pulled[terminal] = pulled[terminal] || level == LEVEL_LOW;
  world_drive(terminal, level);
}
#else
bool hw_read(number_t terminal) { return world_read(terminal); }

void hw_drive(number_t terminal, enum level level) { world_drive(terminal, level); }
#endif

#if USE_BYTES
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  return consoles_serial(console, bytes, count);
}
#endif

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) { return world_convert(terminal); }
#endif

#if USE_TOUCH
bool hw_touched(number_t terminal) { return world_touched(terminal); }
#endif

#if N_CONSOLES
static bool answered[N_TERMINALS]; /* what lines of consoles stand at: high, or let go */

void hw_answer(number_t terminal, enum level level) { answered[terminal] = level != LEVEL_LOW; }

bool board_line(number_t terminal) { return answered[terminal]; }

void board_edge(number_t console, bool clock, bool high) { device_edge(console, clock, high); }
#endif

#if N_STRIPS
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  (void)lamps;
  session_colours(terminal, rgb);
}
#endif

#if USE_RUNNING
static uint8_t stored = 0xFF;

void hw_keep(uint8_t byte) { stored = byte; }

uint8_t hw_kept(void) { return stored; }

/* This computer has no plug to leave: the program goes on with what was stored. */
void hw_restart(void) {}
#endif

uint32_t hw_micros(void) {
#if N_CONSOLES
  return consoles_micros();
#else
  return (uint32_t)session_now();
#endif
}

void board_power_up(void) {
#if USE_RUNNING
  stored = 0xFF; /* each play is one of a new board */
#endif
#if N_FRAMES
  pads_fresh();
#endif
  device_power_up();
}

void board_begin(unsigned profile) {
#if N_FRAMES
  pads_fresh();
#endif
  device_begin((number_t)profile);
  send_begin();
}

unsigned board_profile(void) { return device_profile(); }

void board_look(uint32_t us) {
  unsigned before = board_profile();
  device_look(us);
  if (board_profile() != before) {
    send_begin();
  }
}

void board_poll(uint32_t us) {
  static bool was_gone;
  (void)us;
  if (was_gone && !session_gone()) {
    device_forget();
  }
  was_gone = session_gone();
  device_poll();
}

bool board_busy(void) { return device_busy(); }

void board_standing(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  for (number_t r = 0; r < device_reports(); r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    (void)hw_send(id, transfer, bytes);
  }
#if N_STRIPS
  device_show();
#endif
}

#if N_TOLD_PADS
void board_pad_report(number_t pad, const uint8_t *report, unsigned size) {
  device_pad_report(pad, report, (uint16_t)size);
}
#endif

#if USE_SERIAL
void board_serial_byte(number_t pad, uint8_t byte) { device_serial_byte(pad, byte); }
#endif

#if N_KEYBOARDS
void board_key_clock(number_t keyboard) { device_key_clock(keyboard); }
#endif
