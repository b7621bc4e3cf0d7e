package kumite.firmware;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongFunction;
import java.util.stream.IntStream;
import kumite.build.map.AxisTuning;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Repeat;
import kumite.build.map.Timing;
import kumite.build.supply.Rgb;
import kumite.kind.Terminal;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Supplied;
import kumite.name.ContactId;
import kumite.program.AxisShape;
import kumite.program.Sense;

/** The tables of what is read, the same under every profile. */
final class LookRows {
  /** A driven line has settled after so long (device.h). */
  private static final double SETTLE_NS = 5000;

  /**
   * Registers that come out on one line.
   *
   * @param latch how often the latch of a pad is driven, so that it stands long enough; 0 for chips
   * @param gap the same for what follows it
   * @param low the same for the clock's low
   * @param high the same for its high
   */
  record Chain(int load, int clock, int data, int bits, int latch, int gap, int low, int high) {
    boolean together(Chain other) {
      return load == other.load && clock == other.clock && bits == other.bits;
    }
  }

  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final List<Look> looks;
  private final List<Sense> senses;
  private final Names names = new Names("CONTACT_");
  private final List<String> labels = new ArrayList<>();
  private final List<String> contacts = new ArrayList<>();
  private final Map<String, Integer> terminals = new LinkedHashMap<>();
  private final List<String> terminalNames = new ArrayList<>();
  private final Map<String, String> uses = new LinkedHashMap<>();
  private final Map<Chain, Integer> chains = new LinkedHashMap<>();
  private final Map<List<Terminal>, Integer> muxes = new LinkedHashMap<>();
  private final Map<ContactId, Integer> places = new LinkedHashMap<>();
  private final FrameRows frames;
  private final KeyboardRows keyboards;
  private final ToldRows usb;

  LookRows(Blueprint blueprint, Score.Sheet sheet) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.looks = blueprint.looks().all();
    this.frames = new FrameRows(blueprint, sheet, this);
    this.keyboards = new KeyboardRows(blueprint, sheet, this);
    this.usb = new ToldRows(blueprint, sheet);
    this.senses = blueprint.senses();
    Map<ContactId, String> named = new LinkedHashMap<>();
    for (ContactSite site : blueprint.loom().sites()) {
      named.put(site.id(), site.label());
    }
    for (int i = 0; i < looks.size(); i++) {
      Optional<ContactId> contact = looks.get(i).contact();
      int at = i;
      contact.ifPresent(c -> places.put(c, at));
      labels.add(contact.map(named::get).orElse(looks.get(i).read().name()));
      contacts.add(names.of(labels.get(i)));
    }
  }

  Names names() {
    return names;
  }

  List<String> labels() {
    return labels;
  }

  List<String> contacts() {
    return contacts;
  }

  List<String> terminals() {
    return List.copyOf(terminals.keySet());
  }

  List<String> terminalNames() {
    return terminalNames;
  }

  List<Sense> senses() {
    return senses;
  }

  /** {@return the number of a contact's look, below 0 where it has none} */
  int place(ContactId contact) {
    return places.getOrDefault(contact, -1);
  }

  /** {@return the chains of registers, in the order they are shifted} */
  List<Chain> chains() {
    return List.copyOf(chains.keySet());
  }

  void write() {
    sheet.size("N_LOOKS", looks.size());
    gatherChains();
    frames.write();
    keyboards.write();
    usb.write();
    looks();
    order();
    shared();
    travels();
    pulses();
    repeats();
    lamps();
    timing();
    new ConsoleRows(blueprint, sheet, this).write();
    strips();
    Names unique = new Names("TERMINAL_");
    for (String terminal : terminals.keySet()) {
      terminalNames.add(unique.of(terminal));
      sheet.bytes("terminal_use").code(uses.get(terminal), terminal);
    }
    sheet.size("N_TERMINALS", terminals.size());
  }

  /** {@return the number of a terminal that something else uses} */
  int use(Terminal terminal, String use) {
    return terminal(terminal, use);
  }

  private int terminal(Terminal terminal, String use) {
    // A terminal that is measured and read is set up to be measured.
    uses.merge(terminal.name(), use, (one, other) -> other.equals("USE_OF_CODE") ? other : one);
    return terminals.computeIfAbsent(terminal.name(), t -> terminals.size());
  }

  private String use(Look look) {
    if (look.reported()) {
      return "USE_OF_PORT";
    }
    return switch (blueprint.looks().pulls().getOrDefault(look.read().name(), Looks.Pull.NONE)) {
      case UP -> "USE_OF_UP";
      case DOWN -> "USE_OF_DOWN";
      case TOUCH -> "USE_OF_TOUCH";
      case CHARGE, NONE -> look.measured() && !look.heard() ? "USE_OF_CODE" : "USE_OF_OPEN";
    };
  }

  // ---- one row for each look

  private void looks() {
    for (int i = 0; i < looks.size(); i++) {
      Look look = looks.get(i);
      String name = contacts.get(i);
      int read = terminal(look.read(), use(look));
      sheet.numbers("look_terminal").add(read, "", name + " at " + look.read().name());
      int with = -1;
      int place = 0;
      String kind;
      if (look.how() instanceof Look.Row row) {
        kind = "LOOK_ROW";
        with = terminal(row.row(), "USE_OF_ROW");
        sheet.uses("N_ROWS", true);
      } else if (look.how() instanceof Look.Bit bit) {
        kind = "LOOK_BIT";
        place = before(chain(look, bit)) + bit.bit();
      } else if (look.how() instanceof Look.Channel channel) {
        kind = channel.measured() ? "LOOK_CHANNEL_CODE" : "LOOK_CHANNEL";
        with = mux(channel);
        place = channel.code();
        converts(channel.measured());
      } else if (look.how() instanceof Look.Frame frame && look.clocked()) {
        kind = "LOOK_KEY";
        place = keyboards.place(frame);
      } else if (look.how() instanceof Look.Frame frame && look.reported()) {
        kind = frame.axis() ? "LOOK_REPORTED_CODE" : "LOOK_REPORTED";
        with = usb.pad(frame);
        place = usb.place(frame);
        sheet.uses("USE_CODES", frame.axis());
      } else if (look.how() instanceof Look.Frame frame) {
        kind = frame.axis() ? "LOOK_SAID_CODE" : "LOOK_SAID";
        with = frames.pad(frame);
        place = frames.place(frame);
        sheet.uses("USE_CODES", frame.axis());
      } else if (look.how() instanceof Look.Step step) {
        kind = "LOOK_STEP";
        place = sheet.words("step_from").size();
        int[] bounds = step.bounds(blueprint.board().adcBits());
        sheet.words("step_from").add(bounds[step.step() - 1], "", name);
        sheet.words("step_below").add(bounds[step.step()]);
        converts(true);
        sheet.uses("USE_STEPS", true);
      } else if (look.how() instanceof Look.Touch) {
        kind = "LOOK_TOUCH";
        sheet.uses("USE_TOUCH", true);
      } else if (look.how() instanceof Look.Level level) {
        kind = level.pressedLow() ? "LOOK_LOW" : "LOOK_HIGH";
      } else {
        kind = "LOOK_CODE";
        converts(true);
      }
      sheet.bytes("look_kind").code(kind, name);
      sheet.number("look_with", with, "");
      sheet.words("look_place").add(place);
    }
  }

  private void converts(boolean does) {
    sheet.uses("USE_CODES", does);
    sheet.uses("USE_CONVERTER", does);
  }

  private int chain(Look look, Look.Bit bit) {
    Chain chain =
        new Chain(
            terminal(bit.load(), "USE_OF_OUTPUT"),
            terminal(bit.clock(), "USE_OF_OUTPUT"),
            terminal(look.read(), use(look)),
            bit.bits(),
            times(bit, Look.Pace::latchNs),
            times(bit, Look.Pace::gapNs),
            times(bit, Look.Pace::lowNs),
            times(bit, Look.Pace::highNs));
    return chains.computeIfAbsent(chain, c -> chains.size());
  }

  private static int times(Look.Bit bit, ToLongFunction<Look.Pace> of) {
    return bit.pace()
        .map(pace -> (int) Math.max(1, Math.ceil(of.applyAsLong(pace) / SETTLE_NS)))
        .orElse(0);
  }

  private int before(int chain) {
    return chains().stream().limit(chain).mapToInt(Chain::bits).sum();
  }

  /** Those that one clock shifts stand beside each other, since it shifts them all at once. */
  private void gatherChains() {
    for (Look look : looks) {
      if (look.how() instanceof Look.Bit bit) {
        chain(look, bit);
      }
    }
    List<Chain> met = chains();
    chains.clear();
    for (Chain first : met) {
      met.stream()
          .filter(first::together)
          .forEach(chain -> chains.computeIfAbsent(chain, c -> chains.size()));
    }
  }

  private int mux(Look.Channel channel) {
    channel.selects().forEach(select -> terminal(select, "USE_OF_OUTPUT"));
    return muxes.computeIfAbsent(channel.selects(), s -> muxes.size());
  }

  /** Channels one after another, then rows one after another, so that each is driven once. */
  private void order() {
    Comparator<Integer> together =
        Comparator.<Integer>comparingInt(
                i ->
                    looks.get(i).how() instanceof Look.Row
                        ? 2
                        : looks.get(i).how() instanceof Look.Channel ? 1 : 0)
            .thenComparing(
                i ->
                    looks.get(i).how() instanceof Look.Channel c
                        ? muxes.get(c.selects()) * 256 + c.code()
                        : looks.get(i).how() instanceof Look.Row r
                            ? terminals.get(r.row().name())
                            : 0);
    IntStream.range(0, looks.size())
        .boxed()
        .sorted(together)
        .forEach(i -> sheet.numbers("look_order").add(i, contacts.get(i), ""));
  }

  private void shared() {
    sheet.size("N_CHAINS", chains.size());
    sheet.size("N_BITS", before(chains.size()));
    boolean pads = chains.keySet().stream().anyMatch(chain -> chain.latch() > 0);
    sheet.uses("USE_PADS", pads);
    Optional<Chain> before = Optional.empty();
    for (Chain chain : chains.keySet()) {
      if (pads) {
        sheet.bytes("chain_together").add(before.filter(chain::together).isPresent() ? 1 : 0);
        sheet.bytes("chain_latch").add(chain.latch());
        sheet.bytes("chain_gap").add(chain.gap());
        sheet.bytes("chain_low").add(chain.low());
        sheet.bytes("chain_high").add(chain.high());
      }
      before = Optional.of(chain);
      sheet.numbers("chain_load").add(chain.load());
      sheet.numbers("chain_clock").add(chain.clock());
      sheet.numbers("chain_data").add(chain.data());
      sheet.words("chain_bits").add(chain.bits());
    }
    sheet.size("N_MUXES", muxes.size());
    for (List<Terminal> selects : muxes.keySet()) {
      sheet.words("mux_at").add(sheet.numbers("mux_selects").size());
      selects.forEach(s -> sheet.numbers("mux_selects").add(terminals.get(s.name()), "", s.name()));
    }
    if (!muxes.isEmpty()) {
      sheet.words("mux_at").add(sheet.numbers("mux_selects").size());
    }
  }

  // ---- what is known of single contacts

  private void travels() {
    int most = blueprint.board().axisMaximum();
    int travels = 0;
    boolean shaped = false;
    for (int i = 0; i < senses.size(); i++) {
      sheet.number("look_travel", senses.get(i).travels() ? travels++ : -1, "");
      if (!senses.get(i).travels()) {
        continue;
      }
      Optional<ContactId> contact = senses.get(i).contact();
      double rest = senses.get(i).rest();
      AxisTuning axis =
          contact.map(c -> blueprint.tuning().axis(c, rest)).orElse(AxisTuning.STRAIGHT);
      PressAt press = contact.map(c -> blueprint.tuning().press(c, rest)).orElse(PressAt.MIDDLE);
      sheet.bytes("travel_smoothing").add(axis.smoothing(), "", contacts.get(i));
      sheet.bytes("travel_steps").add(senses.get(i).steps());
      sheet.words("travel_on").add(code(press.on(), most));
      sheet.words("travel_off").add(code(press.off(), most));
      shape(axis, most);
      shaped |= !axis.equals(AxisTuning.STRAIGHT);
    }
    sheet.size("N_TRAVELS", travels);
    sheet.size("CODE_MOST", most);
    sheet.uses("USE_SHAPES", shaped);
  }

  /** {@return the lowest code at or above some thousandths} */
  private static int code(int thousandths, int most) {
    return (int) Math.min(65535, ((long) thousandths * most + 999) / 1000);
  }

  private void shape(AxisTuning tuning, int most) {
    int least = scaled(tuning.least(), most);
    int end = Math.max(least + 1, scaled(tuning.most(), most));
    boolean straight = tuning.equals(AxisTuning.STRAIGHT);
    int flags =
        (straight ? 1 : 0) + (tuning.centre().isPresent() ? 2 : 0) + (tuning.inverted() ? 4 : 0);
    sheet.bytes("shape_flags").add(flags);
    sheet.words("shape_least").add(least);
    sheet
        .words("shape_centre")
        .add(Math.max(least, Math.min(end, scaled(tuning.centre().orElse(0), most))));
    sheet.words("shape_most").add(end);
    sheet.words("shape_dead").add(tuning.dead() * AxisShape.FULL / 1000);
    sheet.words("shape_full").add(tuning.saturation() * AxisShape.FULL / 1000);
    sheet.bytes("shape_curve").add(tuning.curve() & 0xFF);
  }

  private static int scaled(int thousandths, int most) {
    return (int) ((long) thousandths * most / 1000);
  }

  private void pulses() {
    int[] rows = new int[looks.size()];
    java.util.Arrays.fill(rows, -1);
    int count = 0;
    for (int i = 0; i < looks.size(); i++) {
      Optional<ContactId> contact = senses.get(i).contact();
      Pulses pulses = contact.map(blueprint.tuning().pulses()::get).orElse(null);
      int partner = contact.flatMap(Pulses::partner).map(this::place).orElse(-1);
      if (pulses != null
          && partner >= 0
          && !senses.get(i).travels()
          && !senses.get(partner).travels()) {
        rows[i] = count++;
        rows[partner] = rows[partner] >= 0 ? rows[partner] : -2;
        sheet.numbers("pulse_partner").add(partner, contacts.get(partner), "");
        sheet.words("pulse_per_turn").add(pulses.perTurn());
        sheet.words("pulse_per_step").add(pulses.perStep());
        sheet.bytes("pulse_turned").add(pulses.turned() ? 1 : 0);
      }
    }
    sheet.size("N_PULSES", count);
    for (int row : rows) {
      if (row == -2) {
        sheet.numbers("look_pulse").add(sheet.none() - 1, "COUNTS_ONLY", "");
      } else if (count > 0) {
        sheet.number("look_pulse", row, "");
      }
    }
  }

  private void repeats() {
    int count = 0;
    List<Integer> rows = new ArrayList<>();
    for (Sense sense : senses) {
      Repeat repeat = sense.contact().map(blueprint.tuning().repeats()::get).orElse(null);
      rows.add(repeat == null ? -1 : count++);
      if (repeat != null) {
        sheet.words("repeat_on_ms").add(repeat.onMs());
        sheet.words("repeat_off_ms").add(repeat.offMs());
      }
    }
    sheet.size("N_REPEATS", count);
    for (int row : count > 0 ? rows : List.<Integer>of()) {
      sheet.number("look_repeat", row, "");
    }
  }

  /** What strips are told: of each profile, of each strip, at rest and while anything is given. */
  private void strips() {
    List<Supplied> strips = blueprint.loom().strips(blueprint.board());
    sheet.size("N_STRIPS", strips.size());
    for (Supplied strip : strips) {
      Terminal terminal = blueprint.loom().plan().of(strip.data()).orElseThrow().terminal();
      sheet
          .numbers("strip_terminal")
          .add(terminal(terminal, "USE_OF_STRIP"), "", strip.part().label());
      sheet.words("strip_lamps").add(strip.part().count());
    }
    for (Profile profile : blueprint.profiles()) {
      for (Supplied strip : strips) {
        for (boolean gives : new boolean[] {false, true}) {
          Rgb colour = strip.part().shows().at(profile.name(), gives);
          Table.Draft rows = sheet.bytes("strip_colour");
          rows.add(colour.red(), "", colour.text());
          rows.add(colour.green());
          rows.add(colour.blue());
        }
      }
    }
  }

  private void lamps() {
    Looks all = blueprint.looks();
    sheet.size("N_FEEDS", all.feeds().size());
    for (String feed : all.feeds()) {
      sheet.numbers("feed_terminal").add(driven(feed, "USE_OF_OUTPUT"), "", feed);
    }
    int count = 0;
    for (Map.Entry<String, List<ContactId>> lamp : all.lamps().entrySet()) {
      List<Integer> followed =
          lamp.getValue().stream().map(this::place).filter(place -> place >= 0).toList();
      boolean free = !terminals.containsKey(lamp.getKey());
      if (!followed.isEmpty() && free) {
        count++;
        sheet.numbers("lamp_terminal").add(driven(lamp.getKey(), "USE_OF_LAMP"), "", lamp.getKey());
        sheet.numbers("lamp_at").add(sheet.numbers("lamp_looks").size());
        followed.forEach(i -> sheet.numbers("lamp_looks").add(i, contacts.get(i), ""));
      }
    }
    sheet.size("N_LAMPS", count);
    if (count > 0) {
      sheet.numbers("lamp_at").add(sheet.numbers("lamp_looks").size());
    }
  }

  private int driven(String terminal, String use) {
    return terminal(blueprint.board().terminal(terminal).orElseThrow(), use);
  }

  private void timing() {
    Timing timing = blueprint.timing();
    sheet.size("SCAN_US", timing.scanUs());
    sheet.size("POLL_US", timing.pollUs());
    sheet.size("WAIT_US", timing.waitUs());
    sheet.size("EAGER", timing.debounce() == Timing.Debounce.EAGER ? 1 : 0);
  }
}
