/* A thin stand-in for the calls of a setup-and-loop platform: pins lead to the simulated wires. */
#ifndef PLATFORM_H
#define PLATFORM_H

#include <stdint.h>

#define LOW 0
#define HIGH 1
#define INPUT 0
#define OUTPUT 1
#define INPUT_PULLUP 2
#define INPUT_PULLDOWN 3
#define PROGMEM

/* Pins that measure have numbers of their own. */
enum { A0 = 100, A1, A2, A3, A4, A5, A6, A7, A8, A9, A10, A11, A12, A13, A14, A15 };

/* Called before the host is attached, as cores with native USB declare it. */
extern "C" void initVariant(void);

void pinMode(uint8_t pin, uint8_t mode);
void digitalWrite(uint8_t pin, uint8_t level);
int digitalRead(uint8_t pin);
int analogRead(uint8_t pin);
void analogReadResolution(int bits);
void delayMicroseconds(unsigned us);
unsigned long micros(void);

class SerialPort {
 public:
  void begin(unsigned long baud);
  int available();
  int read();
  int availableForWrite();
  unsigned write(const uint8_t *bytes, unsigned count);
};
extern SerialPort Serial;
extern SerialPort Serial1;
void listen_to_serial(); /* of the sketch */

#define CHANGE 4
#define FALLING 2
int digitalPinToInterrupt(uint8_t pin);
void attachInterrupt(int interrupt, void (*call)(void), int mode);

/* The platform's word on whether a host has taken the board in. */
class USBDevice_ {
 public:
  bool configured();
};
extern USBDevice_ USBDevice;

#endif
