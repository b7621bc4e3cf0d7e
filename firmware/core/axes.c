/* Steps 10 and 11: axes, stepped switches, pulses, and the motion of a mouse. */
#include "program.h"

#if USE_AXES

#define FULL 32767
#define DOT 1000000L
#define DOTS_PER_SECOND 500
#define WHEEL_PER_SECOND 10
#define MOST_DOTS 127

#if N_AXES
static uint16_t value[N_AXES];
static bool driven[N_AXES];
static bool changed;
#if USE_RAMPS
static int16_t travel_of[N_AXES]; /* where ramps are */
#endif
#endif

#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
/* How far a converter's noise goes, in codes: common practice, no source. */
#define STILL_CODES (CODE_MOST < 4 * 255 ? CODE_MOST / 255 : 4)
static uint16_t taken[N_TRAVELS]; /* the code as an axis took it */
static bool begun;
#endif

#if USE_MOUSE
static int32_t dots[3]; /* in millionths; X, Y, wheel */
#endif

#if USE_STEPPED
static uint8_t stepped[N_MEANINGS]; /* 1 upward; 0 where it tells none */
static uint8_t stepped_before[N_MEANINGS];
static bool stepped_changed;
#endif

#if N_TRAVELS || N_AXES || USE_MOUSE
static uint16_t target_row(number_t target) { return (uint16_t)(now[TARGETS_AT] + target); }
#endif

#if N_AXES
static uint16_t axis_row(uint16_t axis) { return (uint16_t)(now[AXES_AT] + axis); }

#if USE_ENDS
static uint16_t middle(uint16_t axis) {
  return (uint16_t)(((uint32_t)rom16(&axis_most[axis_row(axis)]) + 1U) / 2U);
}
#endif

static void set(uint16_t axis, uint16_t to) {
  changed = changed || value[axis] != to;
  value[axis] = to;
}
#endif

void axes_begin(void) {
#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
  begun = false;
#endif
#if N_AXES
  for (uint16_t a = 0; a < N_AXES; a++) {
    value[a] = 0;
    driven[a] = false;
#if USE_RAMPS
    travel_of[a] = 0;
#endif
#if USE_ENDS
    if (a < now[AXES] && (romn(&axis_low[axis_row(a)]) != NONE ||
                          romn(&axis_high[axis_row(a)]) != NONE)) {
      value[a] = middle(a);
    }
#endif
  }
  changed = false;
#endif
#if USE_MOUSE
  dots[0] = dots[1] = dots[2] = 0;
#endif
#if USE_STEPPED
  for (uint16_t t = 0; t < N_MEANINGS; t++) {
    stepped[t] = 0;
  }
  stepped_changed = false;
#endif
}

#if USE_SHAPES
static int32_t cubed(int32_t x) { return x * x / FULL * x / FULL; }

/* Dead zone and saturation, then the curve; all from 0 to the whole travel. */
static int32_t shaped(number_t t, int32_t way) {
  int32_t dead = rom16(&shape_dead[t]);
  int32_t full = rom16(&shape_full[t]);
  int8_t curve = (int8_t)rom8(&shape_curve[t]);
  int32_t bend = curve < 0 ? -curve : curve;
  if (way <= dead && dead > 0) {
    return 0;
  }
  int32_t straight = way >= full ? FULL : way;
  if (way < full && (dead > 0 || full < FULL)) {
    straight = (way - dead) * FULL / (full - dead);
  }
  if (curve == 0) { /* the same in the end, and divisions are dear on small parts */
    return straight;
  }
  int32_t bent = curve >= 0 ? cubed(straight) : FULL - cubed(FULL - straight);
  return ((100 - bend) * straight + bend * bent) / 100;
}

/* The travel from the rest, below 0 only for what rests in the middle. */
static int32_t shape_travel(number_t t, uint16_t code) {
  int32_t least = rom16(&shape_least[t]);
  int32_t most = rom16(&shape_most[t]);
  int32_t clipped = code < least ? least : code > most ? most : code;
  bool inverted = (rom8(&shape_flags[t]) & SHAPE_INVERTED) != 0;
  if ((rom8(&shape_flags[t]) & SHAPE_CENTRED) == 0) {
    int32_t way = shaped(t, (clipped - least) * FULL / (most - least));
    return inverted ? FULL - way : way;
  }
  int32_t centre = rom16(&shape_centre[t]);
  bool above = clipped >= centre;
  int32_t span = above ? most - centre : centre - least;
  int32_t off = above ? clipped - centre : centre - clipped;
  int32_t way = shaped(t, span == 0 ? 0 : off * FULL / span);
  return above != inverted ? way : -way;
}
#endif

#if USE_ANALOG_AXES
static uint16_t shape_anew(number_t t, uint16_t code, uint16_t most) {
#if USE_SHAPES
  if ((rom8(&shape_flags[t]) & SHAPE_STRAIGHT) == 0) {
    int32_t travel = shape_travel(t, code);
    if ((rom8(&shape_flags[t]) & SHAPE_CENTRED) == 0) {
      return (uint16_t)(travel * most / FULL);
    }
    int32_t middle_at = (int32_t)(((uint32_t)most + 1U) / 2U);
    return (uint16_t)(middle_at + (travel >= 0 ? travel * (most - middle_at) / FULL
                                               : travel * middle_at / FULL));
  }
#else
  (void)t;
#endif
  return (uint16_t)((uint32_t)code * most / CODE_MOST);
}

/* What was worked out last stands until the code, or the axis it is for, is another one. */
static uint16_t shape_value(number_t t, uint16_t code, uint16_t most) {
  static uint16_t of_code[N_TRAVELS];
  static uint16_t of_most[N_TRAVELS]; /* 0 before the first */
  static uint16_t gave[N_TRAVELS];
  if (of_code[t] != code || of_most[t] != most) {
    gave[t] = shape_anew(t, code, most);
    of_code[t] = code;
    of_most[t] = most;
  }
  return gave[t];
}
#endif

#if USE_MOUSE
static int32_t speed(uint8_t axis) { return axis == 2 ? WHEEL_PER_SECOND : DOTS_PER_SECOND; }
#endif

#if USE_STEPPED
static uint8_t step(uint16_t code, uint8_t steps) {
  return (uint8_t)(((uint32_t)2 * code * (steps - 1U) + CODE_MOST) / ((uint32_t)2 * CODE_MOST));
}
#endif

#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
/*
 * The code as an axis takes it: within its ends, and still while it moves no further than the noise
 * of a converter; but at its ends and its rest it is taken as it is.
 */
static uint16_t still_code(number_t t) {
  uint16_t code = travel_code(t);
#if USE_SHAPES
  uint16_t least = rom16(&shape_least[t]);
  uint16_t most = rom16(&shape_most[t]);
  bool rests = (rom8(&shape_flags[t]) & SHAPE_CENTRED) != 0 && code == rom16(&shape_centre[t]);
#else
  const uint16_t least = 0;
  const uint16_t most = CODE_MOST;
  const bool rests = false;
#endif
  code = code < least ? least : code > most ? most : code;
  uint16_t off = (uint16_t)(code > taken[t] ? code - taken[t] : taken[t] - code);
  if (!begun || off > STILL_CODES || rests || code == least || code == most) {
    taken[t] = code;
  }
  return taken[t];
}
#endif

#if N_TRAVELS
/* An analog contact puts an axis somewhere, moves the mouse, or stands at a step. */
static void travelled(number_t look, uint32_t us) {
  number_t t = romn(&look_travel[look]);
  number_t target = meaning(layer, look);
  (void)us;
  (void)t;
#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
  uint16_t code = still_code(t);
#endif
  if (target == NONE) {
    return;
  }
  uint16_t more = rom16(&target_more[target_row(target)]);
  switch (rom8(&target_kind[target_row(target)])) {
#if USE_ANALOG_AXES
    case TARGET_AXIS:
      driven[more] = true;
      set(more, shape_value(t, code, rom16(&axis_most[axis_row(more)])));
      break;
#endif
#if USE_ANALOG_MOUSE
    case TARGET_MOTION:
      dots[more] += (int32_t)((int64_t)us * speed((uint8_t)more) * shape_travel(t, code) / FULL);
      break;
#endif
#if USE_STEPPED
    case TARGET_STEPS:
      if (rom8(&travel_steps[t]) > 1) {
        stepped[target] = (uint8_t)(step(travel_code(t), rom8(&travel_steps[t])) + 1U);
      }
      break;
#endif
    default:
      (void)more;
      break;
  }
#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
  (void)code;
#endif
}
#endif

#if N_PULSES
/* Whole steps go on: to the mouse, to an axis, or as taps. */
static void count(number_t look, number_t pulse) {
  int16_t steps = pulse_steps(pulse);
  if (steps == 0) {
    return;
  }
#if USE_MOUSE || N_AXES
  number_t target = meaning(layer, look);
  uint8_t kind = target == NONE ? TARGET_NOWHERE : rom8(&target_kind[target_row(target)]);
#endif
#if USE_MOUSE
  if (kind == TARGET_MOTION) {
    dots[rom16(&target_more[target_row(target)])] += (int32_t)(DOT * steps);
    return;
  }
#endif
#if N_AXES
  if (kind == TARGET_AXIS) {
    uint16_t axis = rom16(&target_more[target_row(target)]);
    int32_t most = rom16(&axis_most[axis_row(axis)]);
    int64_t way = (int64_t)steps * (most + 1) * rom16(&pulse_per_step[pulse]) /
                  rom16(&pulse_per_turn[pulse]);
    int64_t to = value[axis] + way;
    driven[axis] = true;
    set(axis, (uint16_t)(to < 0 ? 0 : to > most ? most : to));
    return;
  }
#endif
  number_t source = steps > 0 ? look : romn(&pulse_partner[pulse]);
  for (int16_t k = (int16_t)(steps < 0 ? -steps : steps); k > 0; k--) {
    tap(meaning(layer, source));
  }
}
#endif

#if USE_ENDS
static void asked(uint16_t axis, bool *low, bool *high) {
  number_t low_at = romn(&axis_low[axis_row(axis)]);
  number_t high_at = romn(&axis_high[axis_row(axis)]);
  *low = low_at != NONE && is_on(low_at);
  *high = high_at != NONE && is_on(high_at);
}

#if USE_RAMPS
/* On the way from one end to the other it goes back to the middle first. */
static int32_t slid(uint16_t axis, int32_t from, int32_t to, uint32_t us) {
  bool back = to == 0 || (from > 0 && to < 0) || (from < 0 && to > 0);
  uint16_t millis = rom16(back ? &axis_return_ms[axis_row(axis)] : &axis_rise_ms[axis_row(axis)]);
  if (millis == 0) {
    if (!back || to == 0) {
      return to;
    }
    from = 0;
    back = false;
    millis = rom16(&axis_rise_ms[axis_row(axis)]);
    if (millis == 0) {
      return to;
    }
  }
  uint32_t way = (us > 65535U ? 65535U : us) * FULL / ((uint32_t)1000 * millis);
  int32_t step_by = way > FULL ? FULL : way < 1 ? 1 : (int32_t)way;
  int32_t goal = back ? 0 : to;
  if (from < goal) {
    return from + step_by > goal ? goal : from + step_by;
  }
  return from - step_by < goal ? goal : from - step_by;
}
#endif

/* An axis goes to the end that a switch asks for, or back to its middle. */
static void ended(uint16_t axis, uint32_t us) {
  bool low;
  bool high;
  asked(axis, &low, &high);
  int32_t wanted = low == high ? 0 : low ? -FULL : FULL;
  int32_t at = wanted;
  (void)us;
#if USE_RAMPS
  if (rom16(&axis_rise_ms[axis_row(axis)]) != NO_RAMP) {
    at = slid(axis, travel_of[axis], wanted, us);
  }
  travel_of[axis] = (int16_t)at;
#endif
  bool by_ends = romn(&axis_low[axis_row(axis)]) != NONE || romn(&axis_high[axis_row(axis)]) != NONE;
  if (by_ends && (at != 0 || low || high || !driven[axis])) {
    int32_t mid = middle(axis);
    int32_t span = at >= 0 ? rom16(&axis_most[axis_row(axis)]) - mid : mid;
    set(axis, (uint16_t)(mid + at * span / FULL));
  }
}
#endif

void axes_look(uint32_t us) {
  (void)us;
#if N_AXES
  for (uint16_t a = 0; a < now[AXES]; a++) {
    driven[a] = false;
  }
#endif
#if USE_STEPPED
  for (uint16_t t = 0; t < now[TARGETS]; t++) {
    stepped_before[t] = stepped[t];
    stepped[t] = 0;
  }
#endif
#if N_TRAVELS
  for (number_t i = 0; i < N_LOOKS; i++) {
    if (romn(&look_travel[i]) != NONE) {
      travelled(i, us);
    }
  }
#if USE_ANALOG_AXES || USE_ANALOG_MOUSE
  begun = true;
#endif
#endif
#if N_AXES || N_PULSES
  for (number_t i = 0; i < N_LOOKS; i++) {
#if N_PULSES
    number_t p = romn(&look_pulse[i]);
#endif
#if N_AXES
#if N_PULSES
    bool counter = p != NONE && p != COUNTS_ONLY;
#else
    bool counter = false;
#endif
    number_t target = meaning(layer, i);
#if N_TRAVELS
    counter = counter || romn(&look_travel[i]) != NONE;
#endif
    if (!counter && target != NONE &&
        rom8(&target_kind[target_row(target)]) == TARGET_AXIS) {
      uint16_t axis = rom16(&target_more[target_row(target)]);
      driven[axis] = true;
      set(axis, is_on(target) ? rom16(&axis_most[axis_row(axis)]) : 0);
    }
#endif
#if N_PULSES
    if (p != NONE && p != COUNTS_ONLY) {
      count(i, p);
    }
#endif
  }
#endif
#if USE_MOUSE
  for (number_t t = 0; t < now[TARGETS]; t++) {
    if (is_on(t) && rom8(&target_kind[target_row(t)]) == TARGET_MOTION_END) {
      uint16_t more = rom16(&target_more[target_row(t)]);
      int32_t way = (int32_t)us * speed((uint8_t)(more >> 1));
      dots[more >> 1] += (more & 1U) != 0 ? way : -way;
    }
  }
#endif
#if USE_ENDS
  for (uint16_t a = 0; a < now[AXES]; a++) {
    ended(a, us);
  }
#endif
#if USE_STEPPED
  for (uint16_t t = 0; t < now[TARGETS]; t++) {
    stepped_changed = stepped_changed || stepped[t] != stepped_before[t];
  }
#endif
}

#if USE_STEPPED
uint8_t stepped_at(number_t target) { return stepped[target]; }

bool stepped_news(void) {
  bool was = stepped_changed;
  stepped_changed = false;
  return was;
}
#endif

bool axes_busy(void) {
#if USE_RAMPS
  for (uint16_t a = 0; a < now[AXES]; a++) {
    bool low;
    bool high;
    asked(a, &low, &high);
    int16_t wanted = (int16_t)(low == high ? 0 : low ? -FULL : FULL);
    if (rom16(&axis_rise_ms[axis_row(a)]) != NO_RAMP && travel_of[a] != wanted) {
      return true;
    }
  }
#endif
#if USE_MOUSE
  for (number_t t = 0; t < now[TARGETS]; t++) {
    if (is_on(t) && rom8(&target_kind[target_row(t)]) == TARGET_MOTION_END) {
      return true;
    }
  }
#endif
#if USE_ANALOG_MOUSE
  for (number_t i = 0; i < N_LOOKS; i++) {
    number_t t = romn(&look_travel[i]);
    number_t target = meaning(layer, i);
    if (t != NONE && target != NONE && rom8(&target_kind[target_row(target)]) == TARGET_MOTION &&
        shape_travel(t, taken[t]) != 0) {
      return true;
    }
  }
#endif
  return false;
}

#if USE_MOUSE
static int32_t told(uint8_t axis) {
  int32_t whole = (int32_t)(dots[axis] / DOT);
  return whole > MOST_DOTS ? MOST_DOTS : whole < -MOST_DOTS ? -MOST_DOTS : whole;
}

static uint16_t mouse_bit(uint8_t axis) { return rom16(&mouse_at[now[MICE_AT] + axis]); }
#endif

/* Whether an axis moved or the mouse has something to tell since it was told. */
bool axes_news(void) {
  bool any = false;
#if N_AXES
  any = changed;
#endif
#if USE_MOUSE
  for (uint8_t m = 0; m < 3; m++) {
    any = any || dots[m] >= DOT || dots[m] <= -DOT;
  }
#endif
  return any;
}

void axes_told(void) {
#if N_AXES
  changed = false;
#endif
}

#if N_AXES
/* What a report tells of an axis: a tap of an end puts it there for this report. */
static uint16_t told_value(uint16_t axis) {
#if USE_ENDS && USE_TAPS
  number_t low_at = romn(&axis_low[axis_row(axis)]);
  number_t high_at = romn(&axis_high[axis_row(axis)]);
  bool low = low_at != NONE && tap_on(low_at);
  bool high = high_at != NONE && tap_on(high_at);
  if (low || high) {
    return low && high ? middle(axis) : low ? 0 : rom16(&axis_most[axis_row(axis)]);
  }
#endif
  return value[axis];
}
#endif

#if USE_MOUSE && USE_TAPS
/* A tap of a motion is one dot, or one step of the wheel. */
void axes_tapped(number_t target) {
  if (rom8(&target_kind[target_row(target)]) == TARGET_MOTION_END) {
    uint16_t more = rom16(&target_more[target_row(target)]);
    dots[more >> 1] += (int32_t)((more & 1U) != 0 ? DOT : -DOT);
  }
}
#endif

void axes_write(number_t report, uint8_t *transfer) {
  (void)report;
  (void)transfer;
#if N_AXES
  for (uint16_t a = 0; a < now[AXES]; a++) {
    if (romn(&axis_report[axis_row(a)]) == report) {
      put_bits(transfer, rom16(&axis_bit[axis_row(a)]), rom8(&axis_bits[axis_row(a)]),
               told_value(a));
    }
  }
#endif
#if USE_MOUSE
  for (uint8_t m = 0; m < 3 && report == now[MOUSE_REPORT]; m++) {
    if (mouse_bit(m) != NO_BIT) {
      put_bits(transfer, mouse_bit(m), 8, (uint16_t)told(m));
    }
  }
#endif
}

/* Whether a report tells of motion. */
bool axes_moves(number_t report) {
  bool any = false;
  (void)report;
#if USE_MOUSE
  for (uint8_t m = 0; m < 3 && report == now[MOUSE_REPORT]; m++) {
    any = any || (mouse_bit(m) != NO_BIT && told(m) != 0);
  }
#endif
  return any;
}

/* Motion that was sent is over. */
void axes_sent(number_t report) {
  (void)report;
#if USE_MOUSE
  for (uint8_t m = 0; m < 3 && report == now[MOUSE_REPORT]; m++) {
    if (mouse_bit(m) != NO_BIT) {
      dots[m] -= (int32_t)(told(m) * DOT);
    }
  }
#endif
}

#endif
