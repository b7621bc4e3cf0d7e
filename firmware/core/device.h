/*
 * The program of one board: looks at its terminals, settles what it reads, gives it a meaning and
 * tells the host. It does what the semantics page of the workbench says, step by step.
 *
 * The board supplies the calls that begin with hw_; everything else is here. Nothing is allocated,
 * nothing is computed in fractions, and no call waits.
 */
#ifndef DEVICE_H
#define DEVICE_H

#include <stdbool.h>
#include <stdint.h>

#include "device_config.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What a terminal is used for. */
enum {
  USE_OF_UP,     /* read, with the pull-up inside the board */
  USE_OF_DOWN,   /* read, with the pull-down inside the board */
  USE_OF_OPEN,   /* read, without a pull */
  USE_OF_TOUCH,  /* a pad */
  USE_OF_CODE,   /* measured */
  USE_OF_ROW,    /* driven low in its turn, else let go */
  USE_OF_OUTPUT, /* driven all the time */
  USE_OF_LAMP,   /* drives lamps */
  USE_OF_STRIP,  /* tells a strip its colours */
  USE_OF_PORT    /* a line of the board's own USB host or serial port, which sets it up itself */
};

/* How a terminal is driven. */
enum level { LEVEL_LOW, LEVEL_HIGH, LEVEL_RELEASED };

/* ---- supplied by the board ---- */

/* Whether a terminal reads high. */
bool hw_read(number_t terminal);

/* Drives a terminal, or lets it go; returns when the wires have settled, a few microseconds. */
void hw_drive(number_t terminal, enum level level);

#if USE_CONVERTER
/* What the converter gives for a terminal, 0 to CODE_MOST. */
uint16_t hw_convert(number_t terminal);
#endif

#if USE_TOUCH
/* Whether a finger is on the pad at a terminal. */
bool hw_touched(number_t terminal);
#endif

/* Microseconds since power-up; they may run over. */
uint32_t hw_micros(void);

/*
 * Sends one report; its id is its first byte where there is one. Whether the host took it: a report
 * that it did not take counts as not told, and is tried again at the next poll.
 */
bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes);

#if N_CONSOLES
/*
 * Drives a line of a console, or lets it go: at once, since the console waits a few microseconds
 * only. It is called from where edges are told, too.
 */
void hw_answer(number_t terminal, enum level level);
#endif

#if USE_BYTES
/*
 * Hands bytes to the serial port of a console's wire, all or none of them; whether it took them. It
 * does not wait.
 */
bool hw_serial(number_t console, const uint8_t *bytes, uint8_t count);
#endif

#if USE_RUNNING
/* Stores one byte, so that it is there after power-off too. */
void hw_keep(uint8_t byte);

/* The byte that was stored; whatever there is where none ever was. */
uint8_t hw_kept(void);

/*
 * The board leaves the host and begins anew, so that the host asks again what it is. Where this
 * comes back, the program goes on with the profile that was stored.
 */
void hw_restart(void);
#endif

#if N_STRIPS
/*
 * Sends these colours: tells all lamps of a strip one colour, red, green and blue. Each lamp takes
 * some 30 us; it is called after a report, and only where the colour is new.
 */
void hw_colours(number_t terminal, uint16_t lamps, const uint8_t rgb[3]);
#endif

#if SELF_TEST
/* Writes a part of a line of the self-test stream. */
void hw_text(const char *text);
#endif

/* ---- offered to the board ---- */

/* Sets up the terminals, chooses the profile by what is held now, and begins. */
void device_power_up(void);

/* Looks and tells where that is due; to be called again and again. */
void device_tick(void);

/* When the next look and the next report are due, for a board that keeps other time. */
void device_due(uint32_t look_us, uint32_t poll_us);

/*
 * The host may have forgotten what it was told: all reports go out again. To be called when the
 * host is there again, after the plug or its sleep.
 */
void device_forget(void);

#if N_CONSOLES
/*
 * A console turned its latch or select line, or its clock: to be called at each edge, best from an
 * interrupt. What it is answered was told at the last poll.
 */
void device_edge(number_t console, bool clock, bool high);
#endif

#if N_KEYBOARDS
/*
 * A keyboard's clock fell: to be called at each fall, from an interrupt. The data line is read with
 * hw_read and the time with hw_micros, so both must bear that.
 */
void device_key_clock(number_t keyboard);
#endif

#if N_TOLD_PADS
/*
 * A USB pad told a report: all its bytes, the id first where it has one. To be called from where the
 * ticks are called from, not from an interrupt.
 */
void device_pad_report(number_t pad, const uint8_t *report, uint16_t size);

/* A USB pad was pulled out. */
void device_pad_gone(number_t pad);

#if USE_SERIAL
/* A byte came over the serial wire of a pad; to be called from there too. */
void device_serial_byte(number_t pad, uint8_t byte);
#endif
#endif

#if N_STRIPS
/* Strips may have forgotten what they were told, after their supply was off: they are told again. */
void device_show(void);
#endif

/* The profile that is in force, from 0. */
number_t device_profile(void);

/* The report descriptor of the profile in force, byte by byte. */
uint16_t device_descriptor_size(void);
uint8_t device_descriptor_byte(uint16_t at);

/* What a terminal is used for, so that it can be set up before the first look. */
uint8_t device_terminal_use(number_t terminal);

/* ---- the same in pieces, for those who keep the time themselves ---- */

void device_begin(number_t profile);
void device_look(uint32_t us);
void device_poll(void);

/* Whether anything goes on by itself though nothing is touched. */
bool device_busy(void);

/* A report as it stands, whether it was told or not; reports are numbered from 0. */
number_t device_reports(void);
uint8_t device_report(number_t report, uint8_t *transfer, report_size_t *bytes);

#ifdef __cplusplus
}
#endif

#endif
