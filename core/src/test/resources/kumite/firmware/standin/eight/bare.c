/* The program on an 8-bit part with calls that only touch ports: for its size. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "device.h"

bool hw_read(number_t terminal) { return (PINB >> (terminal & 7U) & 1U) != 0; }

void hw_drive(number_t terminal, enum level level) {
  uint8_t mask = (uint8_t)(1U << (terminal & 7U));
  PORTB = (uint8_t)(level == LEVEL_HIGH ? PORTB | mask : PORTB & ~mask);
  DDRB = (uint8_t)(level == LEVEL_RELEASED ? DDRB & ~mask : DDRB | mask);
}

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) {
  ADMUX = terminal;
  ADCSRA |= (1U << ADSC);
  while ((ADCSRA & (1U << ADSC)) != 0) {
  }
  return ADC;
}
#endif

#if USE_TOUCH
bool hw_touched(number_t terminal) { return (PINB >> (terminal & 7U) & 1U) == 0; }
#endif

#if USE_BYTES
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  PORTA = bytes[count - 1U];
  return console == 0;
}
#endif

#if N_CONSOLES
void hw_answer(number_t terminal, enum level level) { hw_drive(terminal, level); }

ISR(INT0_vect) { device_edge(0, false, (PINB & 1U) != 0); }

ISR(INT1_vect) { device_edge(0, true, (PINB & 2U) != 0); }
#endif

#if USE_RUNNING
static uint8_t stored = 0xFF;

void hw_keep(uint8_t byte) { stored = byte; }

uint8_t hw_kept(void) { return stored; }

void hw_restart(void) {}
#endif

uint32_t hw_micros(void) { return TCNT1; }

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  for (report_size_t b = 0; b < bytes; b++) {
    PORTD = transfer[b];
  }
  PORTD = id;
  return true;
}

int main(void) {
  device_power_up();
  for (uint16_t b = 0; b < device_descriptor_size(); b++) {
    PORTD = device_descriptor_byte(b);
  }
  for (;;) {
    device_tick();
#if N_KEYBOARDS
    device_key_clock(PINA); /* in place of an interrupt */
#endif
  }
}

#if N_STRIPS
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  (void)terminal;
  (void)lamps;
  (void)rgb;
}
#endif
