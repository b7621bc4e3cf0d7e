/*
 * @TITLE@: the sketch. The program is in the other files of this folder; here are the calls that
 * depend on the board. It is for boards with native USB, whose core has HID.h, and for boards whose
 * serial port tells another board.
 */
#include "device.h"
#include "pins.h"

#if HOSTED
#include <HID.h>

#include "descriptor.h"
#endif

#if OVER_SERIAL || HEARS
#include "serial.h"
#endif

#ifndef SETTLE_US
#define SETTLE_US 5 /* for the wires, after a terminal was driven */
#endif

static bool begun = false;

extern "C" bool hw_read(number_t terminal) { return digitalRead(pins[terminal]) == HIGH; }

extern "C" void hw_drive(number_t terminal, enum level level) {
  if (level == LEVEL_RELEASED) {
    pinMode(pins[terminal], INPUT);
  } else {
    digitalWrite(pins[terminal], level == LEVEL_HIGH ? HIGH : LOW);
    pinMode(pins[terminal], OUTPUT);
  }
  delayMicroseconds(SETTLE_US);
}

#if USE_CONVERTER
extern "C" uint16_t hw_convert(number_t terminal) { return (uint16_t)analogRead(pins[terminal]); }
#endif

#if USE_TOUCH
/* With a resistor of megohms to the supply a touched pad reads low. A board with a sense of touch of
   its own has a call for it: put that here. */
extern "C" bool hw_touched(number_t terminal) { return digitalRead(pins[terminal]) == LOW; }
#endif

#if N_CONSOLES || N_KEYBOARDS
#include "edges.h"

extern "C" void hw_answer(number_t terminal, enum level level) {
  if (level == LEVEL_RELEASED) {
    pinMode(pins[terminal], INPUT);
  } else {
    digitalWrite(pins[terminal], level == LEVEL_HIGH ? HIGH : LOW);
    pinMode(pins[terminal], OUTPUT);
  }
}
#endif

#if N_STRIPS
#include "strip.h"

extern "C" void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  send_colours(pins[terminal], lamps, rgb);
}
#endif

#if USE_SERIAL || USE_BYTES || HEARS || OVER_SERIAL
/* The port of the platform that the terminal belongs to: where USB is the board's own, most have one
   beside it. */
#ifndef SERIAL_PORT
#if HOSTED
#define SERIAL_PORT Serial1
#else
#define SERIAL_PORT Serial
#endif
#endif
#endif

#if USE_SERIAL
void listen_to_serial() {
  while (SERIAL_PORT.available() > 0) {
    device_serial_byte(SERIAL_PAD, (uint8_t)SERIAL_PORT.read());
  }
}
#endif

#if USE_BYTES
extern "C" bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  (void)console;
  return SERIAL_PORT.availableForWrite() >= (int)count && SERIAL_PORT.write(bytes, count) == count;
}
#endif

#if HEARS
extern "C" bool hw_pass(uint8_t line, uint8_t id, const uint8_t *report, uint8_t bytes) {
  (void)line;
  return HID().SendReport((uint8_t)(HEARD_ABOVE + (id == 0 ? 1 : id)), report, bytes) > 0;
}

void listen_to_boards() {
  while (SERIAL_PORT.available() > 0) {
    heard_byte(0, (uint8_t)SERIAL_PORT.read());
  }
  heard_tick();
}
#endif

#if USE_RUNNING
#if defined(__has_include)
#if __has_include(<EEPROM.h>)
#include <EEPROM.h>
#define KEEPS 1
#endif
#endif

#ifdef KEEPS
extern "C" void hw_keep(uint8_t byte) { EEPROM.update(0, byte); }

extern "C" uint8_t hw_kept(void) { return EEPROM.read(0); }
#else
/* This core has no store: what was chosen is there until the power goes. */
static uint8_t stored __attribute__((section(".noinit")));

extern "C" void hw_keep(uint8_t byte) { stored = byte; }

extern "C" uint8_t hw_kept(void) { return stored; }
#endif

#if defined(__AVR__)
#include <avr/wdt.h>
#endif

/* The host asks what this is when the board comes up, and not again. */
extern "C" void hw_restart(void) {
#if defined(__AVR__)
  wdt_enable(WDTO_15MS);
  for (;;) {
  }
#elif defined(__arm__)
  NVIC_SystemReset();
#endif
}
#endif

extern "C" uint32_t hw_micros(void) { return micros(); }

#if OVER_SERIAL
/* All or nothing: a frame that finds no room in the port's buffer is tried again. */
extern "C" bool serial_write(const uint8_t *bytes, uint16_t count) {
  return SERIAL_PORT.availableForWrite() >= (int)count && SERIAL_PORT.write(bytes, count) == count;
}
#elif !HOSTED
/* Its only host is a console: nobody takes a report. */
extern "C" bool hw_send(uint8_t, const uint8_t *, report_size_t) { return true; }
#else
/* A report without an id of its own goes out under the one that the descriptor here gives it. */
extern "C" bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
#if N_CONSOLES
  if (!USBDevice.configured()) {
    return true; /* its only host is a console, which is told all the same */
  }
#endif
  int taken = id == 0 ? HID().SendReport(ONLY_ID, transfer, bytes)
                      : HID().SendReport(id, transfer + 1, bytes - 1);
  return taken > 0;
}
#endif

#if SELF_TEST
/* Over the wire to another board it goes too, which passes over what is no frame. */
extern "C" void hw_text(const char *text) { Serial.print(text); }
#endif

static void set_up(uint8_t pin, uint8_t use) {
  switch (use) {
    case USE_OF_UP:
      pinMode(pin, INPUT_PULLUP);
      break;
#if USE_PULL_DOWN
    case USE_OF_DOWN:
      pinMode(pin, INPUT_PULLDOWN);
      break;
#endif
#if N_STRIPS
    case USE_OF_STRIP:
      digitalWrite(pin, LOW);
      pinMode(pin, OUTPUT);
      break;
#endif
    case USE_OF_PORT:
      break;
    default:
      pinMode(pin, INPUT);
      break;
  }
}

/* Before the host asks what this is: the profile decides it, and what is held decides the profile. */
static void begin() {
  if (begun) {
    return;
  }
  begun = true;
#if USE_CONVERTER && CODE_MOST != 1023
  analogReadResolution(CODE_BITS);
#endif
  for (number_t t = 0; t < N_TERMINALS; t++) {
    set_up(pins[t], device_terminal_use(t));
  }
#if USE_SERIAL || USE_BYTES || HEARS || OVER_SERIAL
  SERIAL_PORT.begin(SERIAL_BAUD);
#endif
  device_power_up();
#if N_CONSOLES || N_KEYBOARDS
  listen();
#endif
#if HOSTED
  number_t p = device_profile();
  static HIDSubDescriptor node(descriptor + descriptor_at[p],
                               (uint16_t)(descriptor_at[p + 1] - descriptor_at[p]));
  HID().AppendDescriptor(&node);
#endif
#if HEARS
  static HIDSubDescriptor other(heard_descriptor, sizeof heard_descriptor);
  HID().AppendDescriptor(&other);
#endif
}

/* Cores with native USB call this before they attach to the host. */
void initVariant() { begin(); }

void setup() {
#if SELF_TEST && HOSTED
  Serial.begin(115200);
#endif
  begin();
  device_due(micros(), micros());
}

#if OVER_SERIAL
void loop() { serial_tick(); }
#elif !HOSTED
void loop() { device_tick(); }
#else
/* A host that is there again, after the plug or its sleep, is told everything anew. */
void loop() {
  static bool was_there = false;
  const bool there = USBDevice.configured();
  if (there && !was_there) {
    device_forget();
#if HEARS
    heard_forget();
#endif
  }
  was_there = there;
#if USE_SERIAL
  listen_to_serial();
#endif
#if HEARS
  listen_to_boards();
#endif
  device_tick();
}
#endif
