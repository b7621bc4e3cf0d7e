/*
 * Sends all lamps of a strip one colour. A bit is 1.25 us long: high for some 0.3 us is 0, for some
 * 0.8 us is 1; green comes first, then red, then blue, the highest bit first (common practice of such
 * lamps; hold it against the sheet of yours).
 */
#ifndef STRIP_H
#define STRIP_H

#if defined(STRIP_BY_BOARD) /* you have that call: it is elsewhere in this folder */

void send_colours(uint8_t pin, uint16_t lamps, const uint8_t *rgb);

#elif defined(__AVR__) && F_CPU == 16000000UL

/* One byte, cycle by cycle: 16 to a microsecond. */
static inline void send_byte(volatile uint8_t *port, uint8_t high, uint8_t low, uint8_t byte) {
  uint8_t bits = 8;
  __asm__ volatile(
      "1: st %a[port], %[high]\n" /* 2 cycles; high from here on */
      "   nop\n"
      "   nop\n"
      "   sbrs %[byte], 7\n"      /* 1, or 2 over what follows */
      "   st %a[port], %[low]\n"  /* 2: a 0 ends after 5 cycles, 0.31 us */
      "   lsl %[byte]\n"
      "   nop\n"
      "   nop\n"
      "   nop\n"
      "   nop\n"
      "   nop\n"
      "   nop\n"
      "   st %a[port], %[low]\n"  /* a 1 ends after 13 cycles, 0.81 us */
      "   dec %[bits]\n"
      "   brne 1b\n"              /* the whole bit takes 18 to 19 */
      : [byte] "+r"(byte), [bits] "+r"(bits)
      : [port] "e"(port), [high] "r"(high), [low] "r"(low)
      : "memory");
}

static void send_colours(uint8_t pin, uint16_t lamps, const uint8_t *rgb) {
  volatile uint8_t *port = portOutputRegister(digitalPinToPort(pin));
  const uint8_t mask = digitalPinToBitMask(pin);
  for (uint16_t lamp = 0; lamp < lamps; lamp++) {
    const uint8_t before = SREG;
    cli(); /* one lamp at a time, so that the clock and the host go on */
    const uint8_t high = *port | mask;
    const uint8_t low = *port & (uint8_t)~mask;
    send_byte(port, high, low, rgb[1]);
    send_byte(port, high, low, rgb[0]);
    send_byte(port, high, low, rgb[2]);
    SREG = before;
  }
  delayMicroseconds(300); /* they take it over once the line has been low so long */
}

#else
#error "write send_colours(pin, lamps, rgb) with what your board has for such strips, and define STRIP_BY_BOARD"
#endif

#endif
