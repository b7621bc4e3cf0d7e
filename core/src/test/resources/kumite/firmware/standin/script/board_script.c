/* The board of this computer runs a script: its interpreter says what to do when it is asked. */
#include "device_tables.h"
#include "host.h"

struct script_board {
  void (*power_up)(void);
  void (*begin)(unsigned profile);
  unsigned (*profile)(void);
  void (*look)(void);
  void (*poll)(void);
  bool (*busy)(void);
  void (*standing)(void);
};

static struct script_board script_board;

void script_set(struct script_board calls) { script_board = calls; }

uint8_t device_terminal_use(number_t terminal) { return terminal_use[terminal]; }

static void fresh(void) {
#if N_FRAMES
  pads_fresh();
#endif
}

void board_power_up(void) {
  fresh();
  script_board.power_up();
}

void board_begin(unsigned profile) {
  fresh();
  script_board.begin(profile);
}

unsigned board_profile(void) { return script_board.profile(); }

void board_look(uint32_t us) {
  (void)us;
  script_board.look();
}

void board_poll(uint32_t us) {
  (void)us;
  script_board.poll();
}

bool board_busy(void) { return script_board.busy(); }

void board_standing(void) { script_board.standing(); }
