# @TITLE@: the program. It does what the semantics page of the workbench says, step by step.
# Put it on the board as code.py, and boot.py beside it. Numbers are whole; times are microseconds.
import time

import analogio
import board
import digitalio
import microcontroller
import supervisor
import usb_hid

NONE = -1
SELF_TEST = False  # True prints what is read, for "kumite self-test" of the workbench

# ---- tables, made from the build ----
@TABLES@

# ---- the board ----
SETTLE = 0.000005  # seconds for the wires, after a terminal was driven


class Board:
    """The terminals of the board, by their numbers in the tables."""

    def __init__(self):
        self.begun = time.monotonic_ns()
        self.pins = []
        for name, use in TERMINALS:
            pin = getattr(board, name)
            if use == USE_OF_CODE:
                self.pins.append(analogio.AnalogIn(pin))
                continue
            line = digitalio.DigitalInOut(pin)
            if use == USE_OF_UP:
                line.switch_to_input(digitalio.Pull.UP)
            elif use == USE_OF_DOWN:
                line.switch_to_input(digitalio.Pull.DOWN)
            else:
                line.switch_to_input(None)
            self.pins.append(line)

    def read(self, terminal):
        if TERMINALS[terminal][1] == USE_OF_CODE:
            return self.pins[terminal].value > LOW_VALUE
        return self.pins[terminal].value

    def drive(self, terminal, level):
        if level is None:
            self.pins[terminal].switch_to_input(None)
        else:
            self.pins[terminal].switch_to_output(level)
        time.sleep(SETTLE)

    def convert(self, terminal):
        # The module gives 16 bits, whatever the converter has.
        return self.pins[terminal].value * (CODE_MOST + 1) >> 16

    def close(self):
        for pin in self.pins:
            pin.deinit()

    def micros(self):
        return (time.monotonic_ns() - self.begun) // 1000

    def send(self, report_id, transfer):
        """Whether the host took it: one that sleeps or is not there yet does not."""
        device = usb_hid.devices[0]
        try:
            if report_id:
                device.send_report(transfer[1:], report_id)
            else:
                device.send_report(transfer)
        except OSError:
            return False
        return True

    def host_there(self):
        return supervisor.runtime.usb_connected


def whole(a, b):
    """A division that drops what is behind the point."""
    return a // b if (a >= 0) == (b > 0) else -(-a // b)


# ---- the program ----


class Contest:
    """Two opposite directions of which one passes: 1 the low one, 2 the high one, 0 neither."""

    def __init__(self, rule):
        self.rule = rule
        self.before = (False, False)
        self.first = 0

    def look(self, low, high):
        if low and high and self.before != (True, True):
            self.first = 1 if self.before[0] else 2 if self.before[1] else 0
        self.before = (low, high)
        if not (low and high):
            return 1 if low else 2 if high else 0
        if self.rule == 3:
            return 1
        if self.rule == 4:
            return 2
        if self.rule == 2:
            return self.first
        return 3 - self.first if self.rule == 1 and self.first else 0


class Program:
    def __init__(self, hardware, profile, before=None):
        self.hw = hardware
        self.profile = profile
        # if N_FRAMES
        # With a program before this one pads were asked just now, and their pause goes on.
        self.frame_waits = before.frame_waits if before else [0] * len(FRAMES)
        self.said = before.said if before else [None] * sum(len(row[3]) for row in FRAMES)
        # end
        self.meanings = MEANINGS[profile]
        self.targets = TARGETS[profile]
        self.reports = REPORTS[profile]
        n = len(LOOKS)
        self.read = [False] * n
        self.codes = [0] * n
        self.raw = [False] * n
        self.settled = [False] * n
        # if not N_CHORDS
        self.pressed = [False] * n
        # end
        self.changed_us = [0] * n
        self.free_us = [0] * n
        self.smooth = [0] * n
        self.counted = [0] * n
        self.gray = [0] * n
        self.layer = 0
        self.press_layer = [0] * n
        self.asks = [False] * n
        self.asked = [False] * n
        self.asked_us = [0] * n
        self.on = [False] * len(self.targets)
        self.started = False
        self.busy = False
        self.news = True
        self.last_us = 0
        self.sent = {}
        self.refused = False
        self.again = 0
        self.printed = None
        # if USE_RUNNING
        self.held_us = [None] * len(CHOICES)
        # end
        # if N_LAYERS
        self.layers = LAYERS[profile]
        self.keys = [False] * n
        self.kept = [False] * n
        self.complete = [False] * len(self.layers)
        self.toggled = [False] * len(self.layers)
        # end
        # if N_CHORDS
        self.chords = CHORDS[profile]
        self.stand = ["up"] * n
        self.since_us = [0] * n
        self.taken_by = [NONE] * n
        self.chord_on = [False] * len(self.chords)
        self.coming = False
        self.longest_first = sorted(range(len(self.chords)), key=lambda c: -len(self.chords[c][0]))
        # end
        # if USE_TAPS
        self.waiting = [0] * len(self.targets)
        self.tap_on = [False] * len(self.targets)
        # end
        # if N_LEVERS + N_GATES + N_PAIRS
        self.contests = [Contest(row[-1]) for row in LEVERS[profile] + GATES[profile] + PAIRS[profile]]
        # end
        # if USE_AXES
        self.axes = AXES[profile]
        self.value = [0] * len(self.axes)
        self.travel = [0] * len(self.axes)
        self.driven = [False] * len(self.axes)
        for a, axis in enumerate(self.axes):
            if axis[4] != NONE or axis[5] != NONE:
                self.value[a] = (axis[3] + 1) // 2
        self.stepped = [0] * len(self.targets)
        self.taken = [0] * n
        self.dots = [0, 0, 0]
        self.axes_changed = False
        # end
        self.begin()

    # ---- step 1

    def begin(self):
        """Outputs rest, and registers hold what they see now."""
        # if N_FEEDS
        for terminal in FEEDS:
            self.hw.drive(terminal, True)
        # end
        # if N_FRAMES
        for terminal, level in FRAME_LINES:
            self.hw.drive(terminal, level)
        # end
        # if N_CHAINS
        for chain, (load, clock, data, bits) in enumerate(CHAINS):
            self.hw.drive(clock, self.pad(chain))
            self.hw.drive(load, not self.pad(chain))
        # end
        # if N_MUXES
        for mux in range(len(MUXES)):
            self.pick(mux, 0)
        # end
        # if N_CHAINS
        self.load()
        # end

    # if N_CHAINS
    def pad(self, chain):
        # if USE_PADS
        if PADS[chain][1] > 0:
            return True
        # end
        return False

    def load(self):
        """The registers take in what they see; pads are latched when they are read."""
        for chain, (load, clock, data, bits) in enumerate(CHAINS):
            if not self.pad(chain):
                self.hw.drive(load, False)
                self.hw.drive(load, True)

    # if USE_PADS
    def hold(self, terminal, level, times):
        """Driven again, a line stands for as long again."""
        for _ in range(times):
            self.hw.drive(terminal, level)

    def shift_pads(self, first, end, out):
        """Pads that share latch and clock come out side by side, taken while the clock is low."""
        load, clock, _, bits = CHAINS[first]
        _, latch, gap, low, high = PADS[first]
        self.hold(load, True, latch)
        self.hold(load, False, gap)
        at = len(out)
        out.extend([False] * (bits * (end - first)))
        for bit in range(bits):
            self.hold(clock, False, low)
            for chain in range(first, end):
                out[at + (chain - first) * bits + bit] = not self.hw.read(CHAINS[chain][2])
            self.hold(clock, True, high)

    # end
    def shift(self):
        out = []
        chain = 0
        while chain < len(CHAINS):
            load, clock, data, bits = CHAINS[chain]
            end = chain + 1
            if self.pad(chain):
                # if USE_PADS
                while end < len(CHAINS) and PADS[end][0]:
                    end += 1
                self.shift_pads(chain, end, out)
                # end
                pass
            else:
                for _ in range(bits):
                    out.append(not self.hw.read(data))
                    self.hw.drive(clock, True)
                    self.hw.drive(clock, False)
            chain = end
        return out

    # end
    # if N_FRAMES
    def look_at_frames(self):
        """Pads that talk in frames are asked step by step; what they said last stands meanwhile."""
        for frame, (every, steps, known, pads) in enumerate(FRAMES):
            if self.frame_waits[frame] == 0:
                self.ask_pads(steps, known, pads)
                self.frame_waits[frame] = every
            self.frame_waits[frame] -= 1

    def ask_pads(self, steps, known, pads):
        taken = [[] for _ in pads]
        for how, of in steps:
            if how is TAKE:
                for bits, (pad, lines) in zip(taken, pads):
                    line = lines[of]
                    bits.append(line == NONE or self.hw.read(line))
            elif of != NONE:
                for _ in range(abs(how)):
                    self.hw.drive(of, how > 0)
        for bits, (pad, lines) in zip(taken, pads):
            there = all(bits[bit] == high for bit, high in known)
            self.said[pad] = bits if there else None

    def said_code(self, pad, place):
        bits = self.said[pad]
        if bits is None:
            return CODE_MOST // 2 + 1
        value = sum(1 << i for i in range(8) if bits[place + i])
        return (2 * value * CODE_MOST + 255) // 510

    # end
    # if N_MUXES
    def pick(self, mux, channel):
        for bit, terminal in enumerate(MUXES[mux]):
            self.hw.drive(terminal, bool(channel >> bit & 1))

    # end
    def sample(self):
        hw = self.hw
        row = NONE
        # if N_MUXES
        mux, channel = NONE, 0
        # end
        # if N_CHAINS
        bits = self.shift()
        # end
        # if N_FRAMES
        self.look_at_frames()
        # end
        # if USE_STEPS
        measured, step_code = NONE, 0
        # end
        for look in ORDER:
            kind, terminal, of, place = LOOKS[look]
            # if N_MUXES
            channels = kind == LOOK_CHANNEL or kind == LOOK_CHANNEL_CODE
            wanted = of if channels else NONE
            if mux != NONE and mux != wanted:
                self.pick(mux, 0)
                channel = 0
            if channels and channel != place:
                self.pick(wanted, place)
                channel = place
            mux = wanted
            # end
            drive = of if kind == LOOK_ROW else NONE
            if row != drive:
                if row != NONE:
                    hw.drive(row, None)
                if drive != NONE:
                    hw.drive(drive, False)
                row = drive
            pressed = False
            if kind == LOOK_HIGH:
                pressed = hw.read(terminal)
            # if N_FRAMES
            elif kind == LOOK_SAID:
                said = self.said[of]
                pressed = said is not None and not said[place]
            # end
            # if N_FRAMES
            elif kind == LOOK_SAID_CODE:
                self.codes[look] = self.said_code(of, place)
            # end
            # if USE_CONVERTER
            elif kind == LOOK_CODE or kind == LOOK_CHANNEL_CODE:
                self.codes[look] = hw.convert(terminal)
            # end
            # if USE_STEPS
            elif kind == LOOK_STEP:
                if measured != terminal:
                    step_code = hw.convert(terminal)
                    measured = terminal
                pressed = STEPS[place][0] <= step_code < STEPS[place][1]
            # end
            # if N_CHAINS
            elif kind == LOOK_BIT:
                pressed = bits[place]
            # end
            else:
                pressed = not hw.read(terminal)
            self.read[look] = pressed
        if row != NONE:
            hw.drive(row, None)
        # if N_MUXES
        if mux != NONE and channel != 0:
            self.pick(mux, 0)
        # end
        # if N_CHAINS
        self.load()
        # end

    # ---- steps 2 to 5

    def settle(self, us):
        changed = False
        # if N_TRAVELS
        for i, (smoothing, on, off, steps, shape) in TRAVELS.items():
            code = self.codes[i]
            state = code << 8
            if self.started:
                way = (code << 8) - self.smooth[i]
                step = way >> smoothing
                if step == 0 and way != 0:
                    step = 1 if way > 0 else -1
                state = self.smooth[i] + step
            changed = changed or state != self.smooth[i]
            self.smooth[i] = state
            code = state + 128 >> 8
            self.read[i] = code >= on or (self.raw[i] and code >= off)
        # end
        for i in range(len(LOOKS)):
            raw = self.read[i]
            edge = raw != self.raw[i]
            # if N_PULSES
            if i in PULSES or i in COUNTERS:
                self.raw[i] = raw
                if i in PULSES:
                    changed = self.turn(i) or changed
                continue
            # end
            if edge:
                self.changed_us[i] = us
            self.raw[i] = raw
            if raw == self.settled[i]:
                continue
            if self.started:
                since = self.free_us[i] if EAGER else self.changed_us[i] + WAIT_US
                if us < since:
                    continue
                self.free_us[i] = us + WAIT_US
            self.settled[i] = raw
            changed = True
        return changed

    # if N_PULSES
    def turn(self, i):
        partner, per_turn, per_step, turned = PULSES[i]
        at = (0, 1, 3, 2)[(2 if self.read[partner] else 0) + (1 if self.read[i] else 0)]
        way = at - self.gray[i] & 3
        self.gray[i] = at
        if self.started and way in (1, 3):
            self.counted[i] += 1 if (way == 1) != turned else -1
        return abs(self.counted[i]) >= per_step

    # end
    # ---- step 6
    # if N_LAYERS

    def reach(self):
        for i in sorted({i for names, by, toggles in self.layers for i in by}):
            if not self.settled[i]:
                self.keys[i] = self.kept[i] = False
            elif not self.kept[i]:
                self.keys[i] = self.layer == 0 or i not in self.layers[self.layer - 1][0]
                self.kept[i] = True
        self.layer = 0
        for l, (names, by, toggles) in enumerate(self.layers):
            held = len(by) > 0 and all(self.keys[i] for i in by)
            if toggles and held and not self.complete[l] and self.started:
                self.toggled[l] = not self.toggled[l]
            self.complete[l] = held
            if self.toggled[l] if toggles else held:
                self.layer = l + 1

    # end
    # ---- step 7

    def press_on(self, i, before):
        # if N_LAYERS
        self.press_layer[i] = before if self.keys[i] else self.layer
        # end
        # if not N_LAYERS
        pass
        # end

    def meaning(self, layer, look):
        return self.meanings[layer][look]

    # if not N_CHORDS
    def ask(self, us, before):
        for i, pressed in enumerate(self.settled):
            if pressed and not self.pressed[i]:
                self.press_on(i, before)
            self.asks[i] = self.pressed[i] = pressed

    # end
    # if N_CHORDS
    def patience(self, i):
        """The longest window that a press waits for, or less than 0."""
        longest = -1
        for members, window, waits, layers, target in self.chords:
            if waits and self.press_layer[i] in layers and i in members:
                longest = max(longest, window)
        return longest

    def whole_chord(self, c):
        members, window, waits, layers, target = self.chords[c]
        first, last, latest = None, None, 0
        if not members:
            return False
        for i in members:
            by = self.taken_by[i]
            unfree = self.stand[i] == "taken" and not (self.chord_on[by] and self.within(by, c))
            if self.stand[i] == "up" or unfree:
                return False
            first = self.since_us[i] if first is None else min(first, self.since_us[i])
            if last is None or self.since_us[i] >= last:
                last, latest = self.since_us[i], i
        return last - first <= window and self.press_layer[latest] in layers

    def within(self, inner, outer):
        a, b = self.chords[inner][0], self.chords[outer][0]
        return len(a) < len(b) and all(i in b for i in a)

    def blocked(self, c, us):
        members = self.chords[c][0]
        for longer in self.longest_first:
            others, window, waits, layers, target = self.chords[longer]
            if len(others) <= len(members):
                return False
            free = all(
                self.stand[i] != "taken"
                and (self.stand[i] == "up" or us - self.since_us[i] <= window)
                for i in others
            )
            if waits and self.press_layer[members[0]] in layers and self.within(c, longer) and free:
                return True
        return False

    def ask(self, us, before):
        for c, row in enumerate(self.chords):
            self.chord_on[c] = self.chord_on[c] and all(self.settled[i] for i in row[0])
        for i, pressed in enumerate(self.settled):
            if not pressed and self.stand[i] != "up":
                if self.stand[i] == "waiting":
                    self.tap(self.meaning(self.press_layer[i], i))
                self.stand[i] = "up"
            elif pressed and self.stand[i] == "up":
                self.press_on(i, before)
                self.since_us[i] = us
                self.stand[i] = "waiting" if self.patience(i) >= 0 else "own"
        for c in self.longest_first:
            if not self.chord_on[c] and self.whole_chord(c) and not self.blocked(c, us):
                self.chord_on[c] = True
                for i in self.chords[c][0]:
                    if self.stand[i] == "taken":
                        self.chord_on[self.taken_by[i]] = False
                    self.stand[i] = "taken"
                    self.taken_by[i] = c
        self.coming = False
        for i in range(len(LOOKS)):
            if self.stand[i] == "waiting" and us - self.since_us[i] > self.patience(i):
                self.stand[i] = "own"
            if self.stand[i] == "waiting":
                self.coming = self.coming or any(
                    row[2] and i in row[0] and us - self.since_us[i] <= row[1] for row in self.chords
                )
            self.asks[i] = self.stand[i] == "own"

    # end
    # if USE_TAPS
    def tap(self, target):
        if target != NONE and self.waiting[target] < 32:
            self.waiting[target] += 1

    def taps_any(self):
        return any(self.waiting) or any(self.tap_on)

    # end
    def sources(self):
        """What each press and each chord asks for: a target, or NONE."""
        asked = [
            self.meaning(self.press_layer[i], i) if self.asks[i] else NONE for i in range(len(LOOKS))
        ]
        # if N_CHORDS
        asked += [row[4] if self.chord_on[c] else NONE for c, row in enumerate(self.chords)]
        # end
        return asked

    # ---- steps 8 and 9

    # if N_LEVERS + N_GATES + N_PAIRS
    def oppose(self):
        levers, gates, pairs = LEVERS[self.profile], GATES[self.profile], PAIRS[self.profile]
        asks = self.asks
        at = 0
        for low, high, rule in levers:
            a, b = low != NONE and asks[low], high != NONE and asks[high]
            winner = self.contests[at].look(a, b)
            if a and b:
                asks[low] = winner == 1
                asks[high] = winner == 2
            at += 1
        for up, down, left, right, rule in gates:
            upright = any(i != NONE and asks[i] for i in (up, down))
            across = any(i != NONE and asks[i] for i in (left, right))
            winner = self.contests[at].look(upright, across)
            if upright and across:
                for i in (up, down) if winner == 2 else (left, right):
                    if i != NONE:
                        asks[i] = False
            at += 1
        asked = self.sources()
        for low, high, rule in pairs:
            a, b = low in asked, high in asked
            winner = self.contests[at].look(a, b)
            if a and b:
                for s, target in enumerate(asked):
                    if (target == low and winner != 1) or (target == high and winner != 2):
                        asked[s] = NONE
                        if s < len(LOOKS):
                            asks[s] = False
            at += 1
        return asked

    # end
    def give(self, us):
        for i in range(len(LOOKS)):
            if self.asks[i] and not self.asked[i]:
                self.asked_us[i] = us
            self.asked[i] = self.asks[i]
        # if N_LEVERS + N_GATES + N_PAIRS
        asked = self.oppose()
        # end
        # if not N_LEVERS + N_GATES + N_PAIRS
        asked = self.sources()
        # end
        on = [False] * len(self.targets)
        for s, target in enumerate(asked):
            # if N_REPEATS
            if s in REPEATS:
                on_us, off_us = REPEATS[s]
                if (us - self.asked_us[s]) % (on_us + off_us) >= on_us:
                    continue
            # end
            if target != NONE:
                on[target] = True
        self.news = self.news or on != self.on
        self.on = on

    # ---- steps 10 and 11
    # if USE_AXES

    def set(self, axis, value):
        self.axes_changed = self.axes_changed or self.value[axis] != value
        self.value[axis] = value

    # if N_TRAVELS
    def shape(self, shape, code):
        """The travel from the rest, below 0 only for what rests in the middle."""
        least, centre, most, dead, full, curve, inverted = shape
        clipped = max(least, min(most, code))
        if centre is None:
            way = self.bend((clipped - least) * 32767 // (most - least), dead, full, curve)
            return 32767 - way if inverted else way
        above = clipped >= centre
        span = most - centre if above else centre - least
        way = abs(clipped - centre) * 32767 // span if span else 0
        way = self.bend(way, dead, full, curve)
        return way if above != inverted else -way

    def bend(self, way, dead, full, curve):
        if way <= dead and dead > 0:
            return 0
        straight = 32767 if way >= full else whole((way - dead) * 32767, full - dead)
        if curve >= 0:
            bent = whole(whole(straight * straight, 32767) * straight, 32767)
        else:
            back = 32767 - straight
            bent = 32767 - whole(whole(back * back, 32767) * back, 32767)
        bend = abs(curve)
        return whole((100 - bend) * straight + bend * bent, 100)

    def shaped(self, i, code, most):
        shape, straight = TRAVELS[i][4], TRAVELS[i][4][7]
        if straight:
            return code * most // CODE_MOST
        travel = self.shape(shape[:7], code)
        if shape[1] is None:
            return whole(travel * most, 32767)
        middle = (most + 1) // 2
        return middle + whole(travel * (most - middle if travel >= 0 else middle), 32767)

    # end
    # if N_TRAVELS
    def still(self, i):
        """The code as an axis takes it: still while it moves no further than a converter's noise."""
        least, centre, most = TRAVELS[i][4][:3]
        code = self.smooth[i] + 128 >> 8
        rests = code == centre
        code = max(least, min(most, code))
        anchor = rests or code == least or code == most
        if not self.started or anchor or abs(code - self.taken[i]) > STILL_CODES:
            self.taken[i] = code
        return self.taken[i]

    # end
    def goes_to(self, us, since):
        axes = self.axes
        self.driven = [False] * len(axes)
        before = self.stepped
        self.stepped = [0] * len(self.targets)
        # if N_TRAVELS
        for i in sorted(TRAVELS):
            still = self.still(i)
            target = self.meaning(self.layer, i)
            if target == NONE:
                continue
            kind, report, bit, more = self.targets[target]
            if kind == TARGET_AXIS:
                self.driven[more] = True
                self.set(more, self.shaped(i, still, axes[more][3]))
            elif kind == TARGET_MOTION:
                speed = 10 if more == 2 else 500
                travel = self.shape(TRAVELS[i][4][:7], still)
                self.dots[more] += whole(since * speed * travel, 32767)
            elif kind == TARGET_STEPS and TRAVELS[i][3] > 1:
                steps = TRAVELS[i][3]
                code = self.smooth[i] + 128 >> 8
                self.stepped[target] = (2 * code * (steps - 1) + CODE_MOST) // (2 * CODE_MOST) + 1
        # end
        for i in range(len(LOOKS)):
            target = self.meaning(self.layer, i)
            # if N_PULSES
            if i in PULSES:
                self.count(i, target)
                continue
            # end
            if target != NONE and i not in TRAVELS and self.targets[target][0] == TARGET_AXIS:
                axis = self.targets[target][3]
                self.driven[axis] = True
                self.set(axis, axes[axis][3] if self.on[target] else 0)
        for t, (kind, report, bit, more) in enumerate(self.targets):
            if kind == TARGET_MOTION_END and self.on[t]:
                way = since * (10 if more >> 1 == 2 else 500)
                self.dots[more >> 1] += way if more & 1 else -way
        for a in range(len(axes)):
            self.end(a, since)
        self.news = self.news or self.stepped != before

    # if N_PULSES
    def count(self, i, target):
        partner, per_turn, per_step, turned = PULSES[i]
        steps = whole(self.counted[i], per_step)
        self.counted[i] -= steps * per_step
        if steps == 0:
            return
        kind, report, bit, more = self.targets[target] if target != NONE else (0, 0, 0, 0)
        if kind == TARGET_MOTION:
            self.dots[more] += 1000000 * steps
        elif kind == TARGET_AXIS:
            most = self.axes[more][3]
            self.driven[more] = True
            way = whole(steps * (most + 1) * per_step, per_turn)
            self.set(more, max(0, min(most, self.value[more] + way)))
        else:
            for _ in range(abs(steps)):
                self.tap(self.meaning(self.layer, i if steps > 0 else partner))

    # end
    def wanted(self, a):
        low, high = self.axes[a][4], self.axes[a][5]
        low, high = low != NONE and self.on[low], high != NONE and self.on[high]
        return low, high, 0 if low == high else -32767 if low else 32767

    def slide(self, at, to, us, rise, back_ms):
        back = to == 0 or at * to < 0
        millis = back_ms if back else rise
        if millis == 0:
            return self.slide(0, to, us, rise, back_ms) if back and to != 0 else to
        step = max(1, us * 32767 // (1000 * millis))
        goal = 0 if back else to
        return min(goal, at + step) if at < goal else max(goal, at - step)

    def end(self, a, since):
        report, bit, bits, most, low_at, high_at, rise, back = self.axes[a]
        low, high, to = self.wanted(a)
        self.travel[a] = to if rise is None else self.slide(self.travel[a], to, since, rise, back)
        travel = self.travel[a]
        if low_at == NONE and high_at == NONE:
            return
        if travel != 0 or low or high or not self.driven[a]:
            middle = (most + 1) // 2
            span = most - middle if travel >= 0 else middle
            self.set(a, middle + whole(travel * span, 32767))

    def axes_busy(self):
        for a, axis in enumerate(self.axes):
            if axis[6] is not None and self.travel[a] != self.wanted(a)[2]:
                return True
        for t, target in enumerate(self.targets):
            if target[0] == TARGET_MOTION_END and self.on[t]:
                return True
        # if N_TRAVELS
        for i in TRAVELS:
            target = self.meaning(self.layer, i)
            if target != NONE and self.targets[target][0] == TARGET_MOTION:
                if self.shape(TRAVELS[i][4][:7], self.taken[i]) != 0:
                    return True
        # end
        return False

    def told_value(self, a):
        """What a report tells of an axis: a tap of an end puts it there for this report."""
        # if USE_TAPS
        low, high = self.axes[a][4], self.axes[a][5]
        low, high = low != NONE and self.tap_on[low], high != NONE and self.tap_on[high]
        if low or high:
            most = self.axes[a][3]
            return (most + 1) // 2 if low and high else 0 if low else most
        # end
        return self.value[a]

    def axes_news(self):
        return self.axes_changed or any(abs(d) >= 1000000 for d in self.dots)

    def told(self, axis):
        return max(-127, min(127, whole(self.dots[axis], 1000000)))

    # end
    # ---- one look

    # if USE_RUNNING
    def chosen(self, us):
        """The profile that its combination chose: held together so long, then let go."""
        chosen = NONE
        for p, (kind, looks) in enumerate(CHOICES):
            if p == self.profile or kind != CHOICE_RUNNING:
                continue
            down = [i != NONE and self.settled[i] for i in looks]
            if self.held_us[p] == "made":
                if not any(down) and chosen == NONE:
                    chosen = p
            elif not looks or not all(down):
                self.held_us[p] = None
            elif self.held_us[p] is None:
                self.held_us[p] = us
            elif us - self.held_us[p] >= HELD_US:
                self.held_us[p] = "made"
        return chosen

    # end
    def look(self, us):
        since = us - self.last_us if self.started else 0
        self.last_us = us
        before = self.layer
        self.sample()
        changed = self.settle(us) or not self.started
        if SELF_TEST:
            self.print_test(us)
        # if N_CHORDS
        changed = changed or "waiting" in self.stand
        # end
        if not changed and not self.busy:
            return
        # if N_LAYERS
        self.reach()
        # end
        self.ask(us, before)
        self.give(us)
        self.busy = False
        # if USE_AXES
        self.goes_to(us, since)
        self.busy = self.axes_busy()
        # end
        # if N_REPEATS
        self.busy = self.busy or any(self.asks[i] for i in REPEATS)
        # end
        # if N_LAMPS
        for terminal, follows in LAMPS:
            self.hw.drive(terminal, any(self.settled[i] for i in follows))
        # end
        self.started = True

    def print_test(self, us):
        """A line of the self-test stream, where anything changed."""
        levels = ("".join("1" if on else "0" for on in which) for which in (self.raw, self.settled))
        words = list(levels)
        # if N_TRAVELS
        words += [str(self.codes[i]) for i in sorted(TRAVELS)]
        # end
        if self.printed is None:
            print("self-test 1 looks", len(LOOKS), "scan_us", SCAN_US)
        if words != self.printed:
            print(us, *words)
        self.printed = words

    # ---- steps 12 and 13

    def given(self, target):
        # if USE_TAPS
        if self.tap_on[target]:
            return True
        # end
        return self.on[target]

    def compose(self, r):
        report_id, length, hat_at, key_places, keys_at, mice = self.reports[r]
        transfer = bytearray(length)
        if report_id and length:
            transfer[0] = report_id
        hat = 0
        keys = []
        for t, (kind, report, bit, more) in enumerate(self.targets):
            if report != r:
                continue
            if kind == TARGET_BIT and self.given(t):
                put(transfer, bit, 1, 1)
            elif kind == TARGET_HAT and self.given(t):
                hat |= more
            elif kind == TARGET_KEY and self.given(t):
                keys.append(more)
            # if USE_STEPPED
            elif kind == TARGET_STEPS and 0 < self.stepped[t] <= more:
                put(transfer, bit + self.stepped[t] - 1, 1, 1)
            # end
        if hat_at is not None:
            put(transfer, hat_at, 4, HAT_VALUES[hat])
        if len(keys) > key_places:
            keys = [1] * key_places
        for k, usage in enumerate(sorted(keys)):
            put(transfer, keys_at + 8 * k, 8, usage)
        # if USE_AXES
        for a, axis in enumerate(self.axes):
            if axis[0] == r:
                put(transfer, axis[1], axis[2], self.told_value(a))
        for axis, bit in enumerate(mice):
            if bit is not None:
                put(transfer, bit, 8, self.told(axis) & 255)
        # end
        return transfer

    def forget(self):
        """The host may have forgotten what it was told: all reports go out again."""
        self.sent = {}
        self.news = True

    def poll(self):
        if not self.started:
            return  # nothing is known yet
        news = self.news or self.refused
        # if USE_TAPS
        news = news or self.taps_any()
        # end
        # if USE_AXES
        news = news or self.axes_news()
        # end
        if not news:
            return
        # if USE_TAPS
        for t in range(0 if self.refused else len(self.targets)):
            was = self.tap_on[t]
            self.tap_on[t] = self.waiting[t] > 0 and not was
            self.waiting[t] -= 1 if self.tap_on[t] else 0
            # if USE_MOUSE
            kind, report, bit, more = self.targets[t]
            if self.tap_on[t] and kind == TARGET_MOTION_END:
                self.dots[more >> 1] += 1000000 if more & 1 else -1000000
            # end
        # end
        first = self.again if self.refused else 0
        self.refused = False
        for k in range(len(self.reports)):
            r = (first + k) % len(self.reports)
            report = self.reports[r]
            transfer = self.compose(r)
            moves = False
            # if USE_AXES
            moves = any(bit is not None and self.told(m) for m, bit in enumerate(report[5]))
            # end
            if not moves and self.sent.get(r) == transfer:
                continue
            if not self.hw.send(report[0], transfer):
                self.refused, self.again = True, r
                return
            # if USE_AXES
            for m, bit in enumerate(report[5]):
                if bit is not None:
                    self.dots[m] -= self.told(m) * 1000000
            if moves:
                transfer = self.compose(r)
            # end
            self.sent[r] = transfer
        # if USE_AXES
        self.axes_changed = False
        # end
        self.news = False
        # if USE_TAPS
        self.news = self.taps_any()
        # end

    def goes_on(self):
        """Whether anything goes on by itself though nothing is touched."""
        on = self.busy or self.refused
        # if N_CHORDS
        on = on or self.coming
        # end
        # if USE_TAPS
        on = on or self.taps_any()
        # end
        # if USE_AXES
        on = on or self.axes_news()
        # end
        return on


# 0 to 7 clockwise from north, 8 for none; by N 1, E 2, S 4, W 8. Opposites cancel.
HAT_VALUES = (8, 0, 2, 1, 4, 8, 3, 2, 6, 7, 8, 0, 5, 6, 4, 8)


def put(transfer, at, bits, value):
    for i in range(bits):
        if value >> i & 1:
            transfer[at + i >> 3] |= 1 << (at + i & 7)


def choose(hardware):
    """The profile that what is held now asks for."""
    program = Program(hardware, 0)
    program.sample()
    program.settle(0)
    best, most = 0, 0
    for p, (kind, looks) in enumerate(CHOICES):
        held = len(looks) > 0 and all(i != NONE and program.read[i] for i in looks)
        if kind == CHOICE_HELD and held and len(looks) > most:
            best, most = p, len(looks)
    if best == 0:
        for p, (kind, looks) in enumerate(CHOICES):
            held = len(looks) > 0 and all(i != NONE and program.read[i] for i in looks)
            if p > 0 and ((kind == CHOICE_CLOSED and held) or (kind == CHOICE_OPEN and not held)):
                return p
        # if USE_RUNNING
        p = -1 if microcontroller.nvm is None else microcontroller.nvm[1] - KEPT
        if 0 <= p < len(CHOICES) and CHOICES[p][0] == CHOICE_RUNNING:
            return p
        # end
    return best


# if USE_RUNNING
KEPT = 0xA0  # stored with the profile, so that a byte of something else is none of ours
HELD_US = 2000000


def keep(profile):
    """Stores what was chosen while running, and begins anew, so that the host asks again."""
    if microcontroller.nvm is not None:
        microcontroller.nvm[1:2] = bytes((KEPT + profile,))
        microcontroller.reset()


# end


def taken(hardware):
    """The profile that boot.py told the host; held again after a reload, whatever is held then."""
    kept = microcontroller.nvm
    if len(REPORTS) > 1 and kept is not None and kept[0] < len(REPORTS):
        return kept[0]
    return choose(hardware)


def run():
    hardware = Board()
    program = Program(hardware, taken(hardware))
    look_us = poll_us = hardware.micros()
    there = False
    while True:
        was_there, there = there, hardware.host_there()
        if there and not was_there:
            program.forget()
        us = hardware.micros()
        if us >= look_us:
            look_us = max(look_us + SCAN_US, us)
            program.look(us)
            # if USE_RUNNING
            chosen = program.chosen(us)
            if chosen != NONE:
                keep(chosen)
                program = Program(hardware, chosen, program)
            # end
        if us >= poll_us:
            poll_us = max(poll_us + POLL_US, us)
            program.poll()


if __name__ == "__main__":
    run()
