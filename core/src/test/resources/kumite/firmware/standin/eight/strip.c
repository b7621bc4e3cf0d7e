/* The part's simulator notes what its port does, cycle by cycle, while a strip is told. */
#define F_CPU 16000000UL
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#include "avr_mcu_section.h"

AVR_MCU(F_CPU, "atmega1284p");
AVR_MCU_VCD_FILE("strip.vcd", 1);
const struct avr_mmcu_vcd_trace_t traced[] _MMCU_ = {
    {AVR_MCU_VCD_SYMBOL("B"), .what = (void *)&PORTB},
};

#define portOutputRegister(port) (&PORTB)
#define digitalPinToPort(pin) (pin)
#define digitalPinToBitMask(pin) (1U << (pin))
#define delayMicroseconds(us) _delay_us(us)
#include "strip.h"

int main(void) {
  const uint8_t rgb[3] = {RED, GREEN, BLUE};
  PORTB = 0x80; /* another pin of the port stays as it is */
  DDRB = 255;
  send_colours(2, LAMPS, rgb);
  cli();
  sleep_enable();
  sleep_cpu();
}
