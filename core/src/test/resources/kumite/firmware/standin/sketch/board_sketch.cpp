/* The board of this computer runs the sketch: setup, then loop, with pins that lead to the wires. */
#include <stdlib.h>
#include <string.h>

#include "pins.h"
#if HOSTED
#include "HID.h"
#include "descriptor.h"
#endif
#include "device_tables.h"
#include "host.h"

void setup();
void loop();

#define LATER 1000000UL

static uint8_t mode_of[N_TERMINALS];
static uint8_t level_of[N_TERMINALS];
#if HOSTED
static HIDSubDescriptor *told;
#endif

static number_t terminal_of(uint8_t pin) {
  for (number_t t = 0; t < N_TERMINALS; t++) {
    if (pins[t] == pin) {
      return t;
    }
  }
  abort();
}

#if USE_PACKETS
static bool pulled[N_TERMINALS];

bool board_pulled(number_t t) {
  const bool was = pulled[t];
  pulled[t] = false;
  return was;
}
#endif

static void drive(number_t t) {
  enum level level = mode_of[t] != OUTPUT ? LEVEL_RELEASED : level_of[t] ? LEVEL_HIGH : LEVEL_LOW;
#if USE_PACKETS
  pulled[t] = pulled[t] || level == LEVEL_LOW;
#endif
  world_drive(t, level);
}

void pinMode(uint8_t pin, uint8_t mode) {
  number_t t = terminal_of(pin);
  mode_of[t] = mode;
  drive(t);
}

void digitalWrite(uint8_t pin, uint8_t level) {
  number_t t = terminal_of(pin);
  level_of[t] = level;
  if (mode_of[t] == OUTPUT) {
    drive(t);
  }
}

#if N_TOLD_PADS
/* What the callback of a board's host library does. */
void board_pad_report(number_t pad, const uint8_t *report, unsigned size) {
  device_pad_report(pad, report, (uint16_t)size);
}

#if USE_SERIAL
static uint8_t coming[4];
static int waiting;

int SerialPort::available() { return waiting; }

int SerialPort::read() { return coming[--waiting]; }

void board_serial_byte(number_t, uint8_t byte) {
  coming[waiting++] = byte;
  listen_to_serial();
}
#endif
#endif

SerialPort Serial;
SerialPort Serial1;

void SerialPort::begin(unsigned long) {}

#if USE_BYTES
int SerialPort::availableForWrite() { return LONGEST_SAID; }

unsigned SerialPort::write(const uint8_t *bytes, unsigned count) {
  consoles_serial(SERIAL_CONSOLE, bytes, count);
  return count;
}
#endif

#if OVER_SERIAL
int SerialPort::availableForWrite() { return LONGEST_REPORT + 5; }

/* The check of a frame, bit by bit as a register shifts it. */
static bool is_whole(const uint8_t *bytes, unsigned count) {
  uint32_t shifts = 0xFFFF;
  for (unsigned bit = 8; bit < (count - 2) * 8; bit++) {
    const uint32_t in = bytes[bit / 8] >> (7 - bit % 8) & 1U;
    const bool turns = ((shifts >> 15 & 1U) ^ in) != 0;
    shifts = (shifts << 1 ^ (turns ? 0x1021U : 0U)) & 0xFFFF;
  }
  return bytes[count - 2] == shifts >> 8 && bytes[count - 1] == (shifts & 0xFF);
}

/* A frame as another board takes it: one that is told again is nothing new. */
unsigned SerialPort::write(const uint8_t *bytes, unsigned count) {
  static int last[256];
  uint8_t transfer[LONGEST_REPORT + 1];
  if (count < 5 || bytes[0] != 0xA5 || !is_whole(bytes, count)) {
    abort();
  }
  const unsigned from = bytes[2] != 0 ? 1 : 0;
  transfer[0] = bytes[2];
  memcpy(transfer + from, bytes + 3, count - 5);
  if (last[bytes[2]] != bytes[1] + 1 && !session_gone()) {
    session_send(bytes[2], transfer, count - 5 + from);
  }
  last[bytes[2]] = bytes[1] + 1;
  return count;
}
#endif

#if N_CONSOLES || N_KEYBOARDS
static void (*call_of[N_TERMINALS])(void);
static int falling[N_TERMINALS]; /* the clocks of keyboards, in their order */
static int falls;

int digitalPinToInterrupt(uint8_t pin) { return terminal_of(pin); }

void attachInterrupt(int interrupt, void (*call)(void), int mode) {
  call_of[interrupt] = call;
  if (mode == FALLING) {
    falling[falls++] = interrupt;
  }
}
#endif

#if N_KEYBOARDS
void board_key_clock(number_t keyboard) {
  if (falls == 0) {
    device_key_clock(keyboard); /* before anything is set up */
  } else if (keyboard < falls) {
    call_of[falling[keyboard]]();
  }
}
#endif

#if N_CONSOLES
static bool is_turned[N_TERMINALS];
static int turned[N_TERMINALS]; /* what a console turned a line to */

bool board_line(number_t t) { return mode_of[t] != OUTPUT || level_of[t] == HIGH; }

#if USE_PACKETS
void board_command(number_t console, bool high) {
  const number_t t = console_command[console];
  is_turned[t] = true;
  turned[t] = high ? HIGH : LOW;
}
#endif

/* A line that stands still makes no edge. */
void board_edge(number_t console, bool clock, bool high) {
  const number_t t = clock ? console_clock[console] : console_control[console];
  if (t == NONE) {
    return;
  }
  const bool idle = clock || console_kind[console] != CONSOLE_SHIFT;
  const bool was = is_turned[t] ? turned[t] == HIGH : idle;
  is_turned[t] = true;
  turned[t] = high ? HIGH : LOW;
  if (was != high && call_of[t] != nullptr) {
    call_of[t]();
  }
}
#endif

int digitalRead(uint8_t pin) {
#if N_CONSOLES
  if (is_turned[terminal_of(pin)]) {
    return turned[terminal_of(pin)];
  }
#endif
  return world_read(terminal_of(pin)) ? HIGH : LOW;
}

int analogRead(uint8_t pin) {
#if USE_CONVERTER
  return world_convert(terminal_of(pin));
#else
  (void)pin;
  return 0;
#endif
}

void analogReadResolution(int bits) { (void)bits; }

void delayMicroseconds(unsigned us) { (void)us; }

unsigned long micros(void) {
#if N_CONSOLES
  return consoles_micros();
#else
  return (unsigned long)(uint32_t)session_now();
#endif
}

#if HOSTED
HID_ &HID() {
  static HID_ hid;
  return hid;
}

int HID_::SendReport(uint8_t id, const void *bytes, int count) {
  uint8_t transfer[LONGEST_REPORT + 2];
  uint8_t blank[LONGEST_REPORT];
  report_size_t size;
  const bool own = device_report(0, blank, &size) != 0;
  transfer[0] = id;
  memcpy(transfer + 1, bytes, (size_t)count);
  const bool taken =
      session_send(own ? id : 0, own ? transfer : transfer + 1, (unsigned)(own ? count + 1 : count));
  return taken ? count + 1 : -1; /* the id is sent with it */
}

void HID_::AppendDescriptor(HIDSubDescriptor *node) { told = node; }
#endif

#if N_STRIPS
void send_colours(uint8_t pin, uint16_t lamps, const uint8_t *rgb) {
  const number_t t = terminal_of(pin);
  for (number_t s = 0; s < N_STRIPS; s++) {
    if (strip_terminal[s] == t && (strip_lamps[s] != lamps || mode_of[t] != OUTPUT)) {
      abort();
    }
  }
  session_colours(t, rgb);
}
#endif

USBDevice_ USBDevice;

bool USBDevice_::configured() { return !session_gone(); }

void board_power_up(void) {
  initVariant();
#if HOSTED
  if (told == nullptr || told->length == 0) {
    abort(); /* the host would not know what this is */
  }
#endif
#if USE_RUNNING
  hw_keep(0xFF);
#endif
#if N_FRAMES
  pads_fresh();
#endif
  device_power_up();
#if N_CONSOLES || N_KEYBOARDS
  falls = 0;
#endif
  setup();
}

void board_begin(unsigned profile) {
#if N_FRAMES
  pads_fresh();
#endif
  device_begin((number_t)profile);
}

unsigned board_profile(void) { return device_profile(); }

void board_look(uint32_t us) {
  device_due(us, us + LATER);
  loop();
}

void board_poll(uint32_t us) {
#if OVER_SERIAL
  static bool was_gone = false;
  if (was_gone && !session_gone()) {
    device_forget(); /* for what the board that hears tells a host that is back */
  }
  was_gone = session_gone();
#endif
  device_due(us + LATER, us);
  loop();
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
