/* What the wires are made of: nets, and the ways for current between them. */
#ifndef WORLD_H
#define WORLD_H

#include <stdbool.h>
#include <stdint.h>

#define WAY_GROUND (-1)
#define WAY_LOGIC (-2)

enum way_kind {
  WAY_PULL,
  WAY_DRIVE_HIGH,
  WAY_DRIVE_LOW,
  WAY_RESISTOR,
  WAY_OPEN_CONTACT,
  WAY_RESTING_CONTACT,
  WAY_TAP,
  WAY_POT_LOW,
  WAY_POT_HIGH,
  WAY_DIODE,
  WAY_SKIN,
  WAY_OUTPUT_HIGH,
  WAY_OUTPUT_LOW,
  WAY_CHANNEL,
  WAY_OUT_HIGH,
  WAY_OUT_LOW
};

/* by: the terminal that pulls or drives, the contact that moves it, the multiplexer or register. */
struct way {
  enum way_kind kind;
  int a;
  int b;
  int by;
  int index; /* of a tap or channel; 1 for an output in proportion */
  int count; /* of taps */
  double ohm;
  double saturation_amps;
  double scale_volts;
};

struct contact {
  const char *name;
  bool analog;
  int steps;
  double rest; /* where it stands while no hand is on it */
  int bounce_least_us;
  int bounce_most_us;
};

struct mux {
  int selects[3];
  int count;
  double volts;    /* of its supply */
  bool of_pad;     /* it sends what it picks, low or high */
  int channels[2]; /* of a pad's: the nets that it picks from */
};

/* Nets of a register; a chip without a supply or ground, of 0 volts, takes nothing in. */
#define MOST_INPUTS 128

struct chip {
  int inputs[MOST_INPUTS];
  int count;
  int load;
  int clock;
  int next;
  int out;
  double volts;
  bool of_pad; /* its load is high, and its clock rests high */
};

/* Pads that are asked in frames: how they talk, and who is joined to whom. */
enum talk_kind { TALK_PHASED, TALK_PACKET, TALK_LATCH };

#define SAYS_LOW (-1)
#define SAYS_HIGH (-2)

struct talk {
  enum talk_kind kind;
  int lines_at;
  int lines;
  int pads_at; /* the one that is asked, and all that have a say */
  int pads;
  int nets;
  int rails_at;
  int says_at; /* phased: a button, SAYS_LOW or SAYS_HIGH by phase and line; others: their lines */
  int phases;
  int select;
  int64_t forget_us;
  int bytes_at; /* of a packet: what it is asked, and what it says meanwhile */
  int asked;
  bool falls; /* of a register */
  int known_at; /* bits that it is known by, twice their number, and 1 where high */
  int known;
};

struct talk_line {
  int terminal; /* of the board, or -1 */
  bool console; /* the board drives it */
  bool both;    /* the pad drives it both ways, else low only */
  bool high;    /* how it rests */
  bool pulled;
  int net;
};

struct talk_pad {
  bool fed;
  int nets_at; /* its net, line by line */
  int bits_at; /* the contacts of its buttons, -1 for none */
  int bits;
  int axes_at;
  int axes;
};

/* A keyboard: the terminal of its data, or -1, its keys as contacts, and two bytes of code each. */
struct keyboard {
  bool heard;
  int data;
  int bits_at;
  int codes_at;
  int keys;
};

/* A pad that tells reports: whether it is heard, its report, and what is said where in it. */
struct told_pad {
  bool heard;
  int begin; /* of a frame on a serial wire; -1 over USB */
  int id;
  int bytes; /* the id left out */
  int fields_at;
  int fields;
  int hats_at;
  int hats;
};

struct told_field {
  int contact; /* or -1 */
  bool axis;
  int bit;
  int bits;
  int least;
  int most;
};

struct told_hat {
  int contacts[4]; /* up, right, down, left; or -1 */
  int bit;
  int bits;
  int least;
  int most;
};

struct chain {
  int load; /* terminals */
  int clock;
  int data;
  int bits;
  bool of_pad;
};

#endif
