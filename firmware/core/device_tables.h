/* The tables of a build: what stands where is written here, the rows are made from the build. */
#ifndef DEVICE_TABLES_H
#define DEVICE_TABLES_H

#include "device.h"

/* Where an 8-bit part cannot read tables from its program memory as from any other, it asks. */
#if defined(__AVR__)
#include <avr/pgmspace.h>
#define ROM PROGMEM
#define rom8(at) pgm_read_byte(at)
#define rom16(at) pgm_read_word(at)
#if NUMBER_BITS == 8
#define romn(at) pgm_read_byte(at)
#else
#define romn(at) pgm_read_word(at)
#endif
#else
#define ROM
#define rom8(at) (*(at))
#define rom16(at) (*(at))
#define romn(at) (*(at))
#endif

#define NO_BIT 65535
#define NO_RAMP 65535
#define COUNTS_ONLY (NONE - 1)

/* ---- looks: one row for each contact that is read ---- */
enum {
  LOOK_LOW,          /* low is pressed */
  LOOK_HIGH,         /* high is pressed */
  LOOK_TOUCH,        /* a finger is pressed */
  LOOK_ROW,          /* low is pressed while the row "with" is driven low */
  LOOK_BIT,          /* bit "place" of what the registers shift out */
  LOOK_CHANNEL,      /* low is pressed while multiplexer "with" picks channel "place" */
  LOOK_CHANNEL_CODE, /* the code of that channel */
  LOOK_STEP,         /* the code lies in row "place" of the steps */
  LOOK_CODE,         /* the code as it is */
  LOOK_SAID,         /* pad "with" says it in bit "place" of its frames, low for held */
  LOOK_SAID_CODE,    /* it says it in eight bits from there on */
  LOOK_KEY,          /* key "place" of all keyboards is down */
  LOOK_REPORTED,     /* pad "with" says it in field "place" of its report */
  LOOK_REPORTED_CODE /* it says it there as a code */
};
extern const uint8_t look_kind[];
extern const number_t look_terminal[];
extern const number_t look_with[];
extern const uint16_t look_place[];
extern const number_t look_order[];  /* in which order they are read */
extern const number_t look_travel[]; /* the row of its travel, or NONE */
extern const number_t look_pulse[];  /* the row of its pulses, COUNTS_ONLY, or NONE */
extern const number_t look_repeat[]; /* the row of its rapid fire, or NONE */
extern const uint8_t terminal_use[];

/* ---- what shared terminals need ---- */
extern const uint16_t step_from[];
extern const uint16_t step_below[];
extern const number_t chain_load[];
extern const number_t chain_clock[];
extern const number_t chain_data[];
extern const uint16_t chain_bits[];
extern const uint8_t chain_together[]; /* whether one clock shifts it with the chain before */
extern const uint8_t chain_latch[];    /* of a pad: how often its latch is driven high; else 0 */
extern const uint8_t chain_gap[];
extern const uint8_t chain_low[];
extern const uint8_t chain_high[];

/* ---- pads that talk in frames: of each frame its steps, its pads, and what they are known by ---- */
extern const uint16_t frame_every[]; /* at each how many looks it is asked */
extern const uint16_t frame_steps_at[];
extern const uint8_t step_how[];    /* 0 takes bits; else how often a line is driven, 128 for high */
extern const number_t step_with[];  /* the terminal that is driven, or which line of a pad is taken */
extern const number_t frame_pads_at[];
extern const uint16_t frame_known_at[];
extern const uint16_t frame_known[]; /* a bit, twice its number, and 1 where it is high */
extern const uint16_t pad_reads_at[];
extern const number_t pad_reads[];  /* the terminals of its lines, or NONE */
extern const uint16_t pad_bits_at[]; /* its first bit of all */
extern const number_t frame_line[]; /* what is driven, and how it rests */
extern const uint8_t frame_line_high[];

/* ---- keyboards: of each its data line, when a byte begins anew, and its keys ---- */
extern const number_t keyboard_data[]; /* or NONE */
extern const uint16_t keyboard_rest_us[];
extern const uint16_t keyboard_keys_at[];
extern const uint16_t key_code[]; /* its byte, and 256 for one that is extended */

/* ---- pads that tell reports: of each where its bytes stand, and what is said where in its report ---- */
extern const uint8_t told_begin[]; /* of a frame on a serial wire */
extern const uint8_t told_id[]; /* the first byte of its report; 0 where there is none */
extern const uint16_t told_bytes_at[];
extern const uint16_t told_bit[]; /* from the first byte after the id, least bit first */
extern const uint8_t told_bits[];
extern const uint8_t told_signed[];
extern const uint16_t told_least[]; /* of a number with a sign in two's complement */
extern const uint16_t told_span[];  /* from least to most */
extern const uint8_t told_turn[];   /* of a hat 1 for up, then clockwise to 4; else 0 */

/* ---- more that terminals share ---- */
extern const uint16_t mux_at[];
extern const number_t mux_selects[];
extern const number_t feed_terminal[];
extern const number_t lamp_terminal[];
extern const number_t lamp_at[];
extern const number_t lamp_looks[];

/* ---- strips: of each profile, of each strip, its colour at rest and while anything is given ---- */
extern const number_t strip_terminal[];
extern const uint16_t strip_lamps[];
extern const uint8_t strip_colour[]; /* red, green, blue */

/* ---- consoles that are answered ---- */
enum {
  CONSOLE_PHASED, /* lines of their own; where a select line turns they say something else */
  CONSOLE_SHIFT,  /* a register: latched, and clocked out */
  CONSOLE_PACKET, /* bytes that it clocks out and asks for, each acknowledged */
  CONSOLE_BYTES   /* bytes that come unasked, by a serial port */
};
extern const uint8_t console_kind[];
extern const number_t console_control[]; /* the terminal of its latch or select, or NONE */
extern const number_t console_clock[];   /* of its clock, or NONE */
extern const uint8_t console_falls[];    /* whether the fall of the clock brings the next bit */
extern const number_t console_lines_at[];
extern const number_t console_line[]; /* the terminals that tell */
extern const uint8_t console_phases[];    /* what its lines say in turn, as the select line turns */
extern const uint16_t console_forget_us[]; /* left alone for longer, it counts from the first */
extern const uint8_t console_open[];  /* of a line, whether it is let go in place of high */
extern const uint16_t console_answers_at[];
extern const uint16_t console_says_at[]; /* of consoles that take bytes: what is always the same */
extern const uint8_t console_says[];
extern const uint8_t console_asks[];      /* what it asks with meanwhile */
extern const uint8_t console_axes[];      /* how many bytes of axes follow the buttons */
extern const uint16_t console_every_us[]; /* how often bytes come unasked */
extern const number_t console_command[];  /* the terminal of its question, or NONE */

/*
 * Of each profile N_ANSWERS rows: bit after bit of a register, line after line of each phase. Low
 * tells that the target is given and the one against it is not.
 */
extern const number_t answer_target[];
extern const number_t answer_against[];
extern const uint8_t answer_low[]; /* whether it is always low */

/* ---- travels: contacts whose code counts ---- */
enum { SHAPE_STRAIGHT = 1, SHAPE_CENTRED = 2, SHAPE_INVERTED = 4 };
extern const uint8_t travel_smoothing[];
extern const uint8_t travel_steps[];
extern const uint16_t travel_on[];
extern const uint16_t travel_off[];
extern const uint8_t shape_flags[];
extern const uint16_t shape_least[];
extern const uint16_t shape_centre[];
extern const uint16_t shape_most[];
extern const uint16_t shape_dead[];
extern const uint16_t shape_full[];
extern const uint8_t shape_curve[]; /* signed */

/* ---- pairs that count, and rapid fire ---- */
extern const number_t pulse_partner[];
extern const uint16_t pulse_per_turn[];
extern const uint16_t pulse_per_step[];
extern const uint8_t pulse_turned[];
extern const uint16_t repeat_on_ms[];
extern const uint16_t repeat_off_ms[];

/* ---- profiles: where the rows of each begin below, and how many there are ---- */
enum {
  MEANINGS_AT,
  TARGETS_AT,
  TARGETS,
  REPORTS_AT,
  REPORTS,
  AXES_AT,
  AXES,
  MICE_AT,
  MOUSE_REPORT,
  LAYERS_AT,
  LAYERS,
  CHORDS_AT,
  CHORDS,
  LEVERS_AT,
  LEVERS,
  GATES_AT,
  GATES,
  PAIRS_AT,
  PAIRS,
  DESCRIPTOR_AT,
  DESCRIPTOR,
  PROFILE_ROWS
};
extern const uint16_t profiles[];
enum { CHOICE_NONE, CHOICE_HELD, CHOICE_CLOSED, CHOICE_OPEN, CHOICE_RUNNING };
extern const uint8_t choice_kind[];
extern const number_t choice_at[];
extern const number_t choice_looks[];

/* By layer, then look: the row among the targets of the profile, or NONE. */
extern const number_t meanings[];

/* ---- targets: what something means, and where a report tells it ---- */
enum {
  TARGET_NOWHERE,
  TARGET_BIT,
  TARGET_HAT,       /* more: N 1, E 2, S 4, W 8 */
  TARGET_KEY,       /* more: its usage */
  TARGET_STEPS,     /* more: how many buttons there are from the bit on */
  TARGET_AXIS,      /* more: the axis */
  TARGET_AXIS_END,  /* more: the axis */
  TARGET_MOTION,    /* more: X 0, Y 1, wheel 2 */
  TARGET_MOTION_END /* more: twice that, and 1 for the high way */
};
extern const uint8_t target_kind[];
extern const number_t target_report[];
extern const uint16_t target_bit[];
extern const uint16_t target_more[];

extern const uint8_t report_id[];
extern const uint16_t report_bytes[];
extern const uint16_t report_at[];
extern const uint16_t report_hat[];
extern const uint8_t report_keys[];
extern const uint16_t report_keys_at[];

extern const number_t axis_report[];
extern const uint16_t axis_bit[];
extern const uint8_t axis_bits[];
extern const uint16_t axis_most[];
extern const number_t axis_low[];
extern const number_t axis_high[];
extern const uint16_t axis_rise_ms[];
extern const uint16_t axis_return_ms[];
extern const uint16_t mouse_at[];

extern const uint8_t layer_toggles[];
extern const uint16_t layer_at[];
extern const number_t layer_keys[];
extern const uint8_t layer_named[];

extern const uint16_t chord_at[];
extern const number_t chord_keys[];
extern const uint8_t chord_waits[];
extern const uint16_t chord_window_ms[];
extern const number_t chord_meaning[];
extern const uint8_t chord_layers[];
extern const number_t chord_longest_first[];

extern const number_t lever_low[];
extern const number_t lever_high[];
extern const uint8_t lever_rule[];
extern const number_t gate_looks[]; /* up, down, left, right */
extern const uint8_t gate_rule[];
extern const number_t pair_low[];
extern const number_t pair_high[];
extern const uint8_t pair_rule[];

extern const uint8_t descriptors[];

#endif
