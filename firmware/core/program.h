/* What the files of the program share. Nothing here is for the board. */
#ifndef PROGRAM_H
#define PROGRAM_H

#include "device.h"
#include "device_tables.h"

/* What is known of each look, one bit each. */
enum {
  READ = 1,     /* what the look gave */
  RAW = 2,      /* the same, after the threshold, at the look before */
  SETTLED = 4,  /* what the debounce took */
  KEY = 8,      /* its press counts as one that reaches a layer */
  KEPT = 16,    /* it was settled as pressed when layers were looked at last */
  ASKS = 32,    /* it asks for its meaning */
  ASKED = 64,   /* it did at the look before */
  PRESSED = 128 /* its press has been taken in */
};

extern uint8_t flags[N_LOOKS];
extern number_t layer;

/* Where the tables of the profile in force begin, and how many rows they have. */
extern uint16_t now[PROFILE_ROWS];

/* The number of a meaning of a look on a layer, or NONE. */
number_t meaning(number_t of_layer, number_t look);

/* The layer that a press belongs to until it is let go. */
number_t press_layer(number_t look);
#if N_LAYERS
void press_on(number_t look, number_t before);
#endif

/* step 1 */
void sample(void);
void sample_begin(void);
#if USE_CODES
extern uint16_t codes[N_TRAVELS + 1];
#endif
#if N_KEYBOARDS
bool key_held(uint16_t key);
#endif
#if N_TOLD_PADS
#define NOWHERE 65535
bool pad_says_held(number_t pad, uint16_t field);
#if USE_CODES
uint16_t pad_said_code(number_t pad, uint16_t field);
#endif
#endif
#if N_FRAMES
void frames_begin(void); /* lines rest */
void frames_fresh(void); /* pads were left alone: all are asked at the next look */
void frames_look(void);
bool frames_held(number_t pad, uint16_t bit);
#if USE_CODES
uint16_t frames_code(number_t pad, uint16_t bit);
#endif
#endif

/* steps 2 to 5: what changed, presses and pulses, and where travels stand */
enum { SOME_SETTLED = 1, SOME_MOVED = 2 };
void settle_begin(void);
uint8_t settle(bool started, uint32_t us);
#if N_TRAVELS
uint16_t travel_code(number_t travel);
#endif
#if N_PULSES
int16_t pulse_steps(number_t pulse);
#endif

/* step 6 */
#if N_LAYERS
void layers_begin(void);
number_t layers_look(void);
#endif

/* step 7 */
#if N_CHORDS
void chords_begin(void);
void chords_age(uint32_t us);
void chords_look(number_t before);
bool chords_waiting(void);
bool chords_coming(void);
bool chord_on(number_t chord);
#endif

/* step 8 */
#if N_LEVERS || N_GATES || N_PAIRS
void opposites_begin(void);
void opposites_look(void);
#endif

/* The sources of meanings: looks, then chords. */
bool source_asks(uint16_t source);
void source_drop(uint16_t source);
number_t source_meaning(uint16_t source);
uint16_t source_count(void);

/* steps 10 and 11 */
#if USE_AXES
void axes_begin(void);
void axes_look(uint32_t us);
bool axes_busy(void);
bool axes_news(void);
void axes_told(void);
void axes_write(number_t report, uint8_t *transfer);
bool axes_moves(number_t report);
void axes_sent(number_t report);
#if USE_MOUSE
void axes_tapped(number_t target);
#endif
uint8_t stepped_at(number_t target);
bool stepped_news(void);
#endif

/* step 12 */
bool is_on(number_t target);
#if USE_TAPS
void taps_begin(void);
void tap(number_t target);
bool taps_any(void);
void taps_turn(void);
bool tap_on(number_t target);
#endif
bool given(number_t target);
void put_bits(uint8_t *transfer, uint16_t at, uint8_t bits, uint16_t value);
report_size_t compose(number_t report, uint8_t *transfer);

/* consoles */
#if N_CONSOLES
void answers_begin(void);
void answers_tell(void);
bool answer_high(uint16_t row); /* as it was told last */
#endif
#if LONGEST_SAID
void bytes_begin(number_t console);
void bytes_tell(number_t console);
#if USE_PACKETS
void bytes_edge(number_t console, bool clock, bool high);
#endif
#if USE_BYTES
void bytes_look(uint32_t us);
#endif
#endif

/* step 14 */
#if N_STRIPS
void strips_begin(void);
void strips_tell(void);
#endif

#if SELF_TEST
void self_test_begin(void);
void self_test_look(uint32_t us);
#endif

#endif
