/* The board on this computer: hands, wires and time are simulated; the program is the real one. */
#ifndef HOST_H
#define HOST_H

#include <stdbool.h>
#include <stdint.h>

#include "device.h"

#ifdef __cplusplus
extern "C" {
#endif

/* ---- chance: the same numbers for the same seed as in the workbench ---- */
struct chance {
  uint64_t seed;
  uint64_t gamma;
};
struct chance chance_of(int64_t seed);
struct chance chance_split(struct chance *from);
int32_t chance_below(struct chance *from, int32_t bound);
double chance_share(struct chance *from);

/* ---- wires: whether a short holds the board down while hands stand so ---- */
bool world_dead(void);

/* The host is asleep or unplugged: it takes no report. Times are since the script began. */
#define MOST_AWAY 100
struct away {
  int64_t from_us;
  int64_t to_us;
};

/* ---- hands: a script of moves ---- */
#define MOST_MOVES 1000

struct move {
  uint16_t contact;
  double travel;
  int64_t from_us;
  int64_t for_us; /* 0 stays */
};

struct script {
  struct move moves[MOST_MOVES];
  int count;
};

/* Reads a script; on bad input says why on the error stream and gives false. */
bool script_read(struct script *script, const char *text);

/* Reads a time such as 80ms, 5us or 2s; false where it is none. */
bool time_of(const char *text, int64_t *us);

/* Reads a stretch of time such as 100ms+2s; false where it is none. */
bool away_read(const char *text, struct away *away);

/* The number of a contact by its name, or -1, said on the error stream. */
int contact_named(const char *name, unsigned length);

/* ---- the wires ---- */
void world_hands(const double *travel);
bool world_read(number_t terminal);
void world_drive(number_t terminal, enum level level);
#if N_KEYBOARDS
void keyboards_hands(const double *travel); /* keys that moved are clocked out at once */
bool keyboards_read(unsigned terminal, bool *high);
void board_key_clock(number_t keyboard); /* the clock of a keyboard fell */
#endif
#if N_TOLD_PADS
void told_hands(const double *travel); /* pads that moved tell it at once */
void board_pad_report(number_t pad, const uint8_t *report, unsigned size);
void board_serial_byte(number_t pad, uint8_t byte);
#endif
#if N_FRAMES
void pads_fresh(void); /* pads in frames were left alone for long */
void pads_hands(const double *travel);
void pads_drive(unsigned terminal, enum level level);
bool pads_read(unsigned terminal, bool *high); /* whether it is one of their lines */
#endif
#if USE_CONVERTER
uint16_t world_convert(number_t terminal);
#endif
#if USE_TOUCH
bool world_touched(number_t terminal);
#endif

/* ---- the board: its program, however it is written ---- */
void board_power_up(void);
void board_begin(unsigned profile);
unsigned board_profile(void);
void board_look(uint32_t us);
void board_poll(uint32_t us);
bool board_busy(void);
void board_standing(void); /* sends all reports as they stand */
void send_begin(void);     /* by whatever way reports go, it begins anew */

#if N_CONSOLES
void board_edge(number_t console, bool clock, bool high); /* a console turns a line */
bool board_line(number_t terminal);                       /* whether a line is high, or let go */

/* ---- consoles ---- */
uint32_t consoles_micros(void); /* what the board's clock says to them */
void consoles_ask(bool anew);   /* tells what they take, where it changed or is asked anew */
#if USE_BYTES
bool consoles_serial(number_t console, const uint8_t *bytes, unsigned count);
#endif
#if USE_PACKETS
void board_command(number_t console, bool high); /* a console asks, bit by bit */
bool board_pulled(number_t terminal);            /* whether it was low since that was asked last */
#endif
void session_answer(unsigned console, const char *bits);
#endif

/* ---- time ---- */

struct run {
  int64_t seed;
  bool powered_up[65536]; /* what is held at power-up */
  int profile;           /* chosen by hand, or -1 */
  int64_t start_us;      /* what the board's clock says at power-up */
  int64_t noise;         /* codes that the converter is off at most */
  struct away away[MOST_AWAY];
  int away_count;
};

void session_play(const struct script *script, const struct run *run);
int64_t session_now(void); /* what the board's clock says, in us */
int session_noise(void);   /* codes that the converter is off by now */
bool session_gone(void);   /* whether the host was away at the last poll */
bool session_send(uint8_t id, const uint8_t *transfer, unsigned bytes);
bool session_key(unsigned code, bool down);
#if N_STRIPS
void session_colours(number_t terminal, const uint8_t *rgb);
#endif

/* What to do with each report: us since the script began. */
void session_report(int64_t us, uint8_t id, const uint8_t *transfer, unsigned bytes);

/* What to do with a key that a computer's own header gives. */
void session_pressed(int64_t us, unsigned code, bool down);

/* What to do with a colour that a strip is told. */
void session_strip(int64_t us, unsigned strip, const uint8_t *rgb);

/* What to do with a profile that was chosen while the board runs; the first is 1. */
void session_turned(int64_t us, unsigned profile);

/* What to do with what a console took: high or low, bit by bit. */
void session_frame(int64_t us, unsigned console, const char *bits);

#ifdef __cplusplus
}
#endif

#endif
