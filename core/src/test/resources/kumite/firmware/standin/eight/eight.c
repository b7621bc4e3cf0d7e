/* The program on a simulated 8-bit part: it is told what was noted, and says its reports. */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/pgmspace.h>
#include <avr/sleep.h>
#include "avr_mcu_section.h"

#include "device.h"
#include "trace.h"

AVR_MCU(16000000, "atmega1284p");
AVR_MCU_SIMAVR_CONSOLE(&GPIOR0);

enum { LOOK = 1, POLL = 2, BEGIN = 3, STAND = 4 };
#define PER_TICK 8U /* cycles of the timer */

static const uint8_t *bit_at = trace_bits;
static uint8_t bit_mask = 1;
#if USE_CONVERTER
static uint32_t code_at;
#endif
static uint32_t origin, us_now;
static bool tells;
static uint32_t looks, least = 0xFFFFFFFFUL, most;
static uint64_t all;

static void say(const char *text) {
  while (*text != '\0') {
    GPIOR0 = (uint8_t)*text++;
  }
}

static void say_number(uint32_t value) {
  char digits[11];
  uint8_t at = 10;
  digits[10] = '\0';
  do {
    digits[--at] = (char)('0' + value % 10U);
    value /= 10U;
  } while (value > 0);
  say(&digits[at]);
  say(" ");
}

/* As few cycles as can be: what is counted is the program, not what hands it its levels. */
static bool bit(void) {
  bool is = (pgm_read_byte(bit_at) & bit_mask) != 0;
  bit_mask = (uint8_t)(bit_mask << 1);
  if (bit_mask == 0) {
    bit_mask = 1;
    bit_at++;
  }
  return is;
}

bool hw_read(number_t terminal) {
  (void)terminal;
  return bit();
}

void hw_drive(number_t terminal, enum level level) {
  (void)terminal;
  (void)level;
}

#if USE_CONVERTER
uint16_t hw_convert(number_t terminal) {
  (void)terminal;
  return pgm_read_word(&trace_codes[code_at++]);
}
#endif

#if USE_TOUCH
bool hw_touched(number_t terminal) {
  (void)terminal;
  return bit();
}
#endif

#if N_CONSOLES
void hw_answer(number_t terminal, enum level level) {
  (void)terminal;
  (void)level;
}
#endif

#if USE_BYTES
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count) {
  (void)console;
  (void)bytes;
  (void)count;
  return true;
}
#endif
#if USE_RUNNING
static uint8_t stored = 0xFF;

void hw_keep(uint8_t byte) { stored = byte; }

uint8_t hw_kept(void) { return stored; }

void hw_restart(void) {}
#endif

uint32_t hw_micros(void) { return us_now; }

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  static const char hex[] = "0123456789ABCDEF";
  if (!tells) {
    return true;
  }
  say_number(us_now - origin);
  say_number(id);
  for (report_size_t b = 0; b < bytes; b++) {
    char two[3] = {hex[transfer[b] >> 4], hex[transfer[b] & 15U], '\0'};
    say(two);
  }
  say("\r");
  return true;
}

static void begin_count(void) {
  TCCR1B = 0;
  TCNT1 = 0;
  TCCR1B = 2; /* every eighth cycle */
}

static void stand(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  origin = us_now;
  tells = true;
  for (number_t r = 0; r < device_reports(); r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    (void)hw_send(id, transfer, bytes);
  }
}

int main(void) {
  for (uint32_t e = 0; e < EVENTS; e++) {
    uint32_t with = pgm_read_dword(&event_with[e]);
    uint32_t cycles;
    switch (pgm_read_byte(&event_what[e])) {
      case LOOK:
        us_now = with;
        begin_count();
        device_look(with);
        cycles = (uint32_t)TCNT1 * PER_TICK;
        looks++;
        all += cycles;
        least = cycles < least ? cycles : least;
        most = cycles > most ? cycles : most;
        break;
      case POLL:
        us_now = with;
        device_poll();
        break;
      case BEGIN:
        if (tells) {
          say("next\r");
        }
        tells = false;
        device_begin((number_t)with);
        break;
      default:
        us_now = with;
        stand();
        break;
    }
  }
  say("cycles ");
  say_number(least);
  say_number((uint32_t)(all / looks));
  say_number(most);
  say("\r");
  cli();
  sleep_mode();
  return 0;
}

#if N_STRIPS
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]) {
  (void)terminal;
  (void)lamps;
  (void)rgb;
}
#endif
