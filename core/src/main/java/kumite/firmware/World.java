package kumite.firmware;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import kumite.build.map.Chord;
import kumite.build.map.Profile;
import kumite.circuit.Ways;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.signal.Level;
import kumite.signal.SignalLine;

/** Writes the wires of a build as tables, for the simulated board that runs the program. */
final class World {
  private final Blueprint blueprint;
  private final Score score;
  private final List<LookRows.Chain> chains;
  private final Ways ways;
  private final Map<ContactId, Integer> contacts = new HashMap<>();
  private final Map<String, Integer> terminals = new HashMap<>();
  private final Map<Integer, Integer> kept = new LinkedHashMap<>(); // by number in the ways
  private final PadTables pads;
  private final ToldTables usb;
  private final StringBuilder out = new StringBuilder();

  World(Blueprint blueprint, Score score) {
    this.blueprint = blueprint;
    this.score = score;
    this.chains = chains(score);
    this.ways = blueprint.inputs().ways();
    List<ContactSite> sites = blueprint.loom().sites();
    for (int i = 0; i < sites.size(); i++) {
      contacts.put(sites.get(i).id(), i);
    }
    for (int i = 0; i < score.terminals().size(); i++) {
      terminals.put(score.terminals().get(i), i);
    }
    this.pads = new PadTables(ways.talks(), contacts, terminals);
    this.usb = new ToldTables(ways.talks(), contacts);
    for (int i = 0; i < ways.all().size(); i++) {
      Ways.Way way = ways.all().get(i);
      // A terminal that the program never drives lets nothing through.
      if (way.terminal().isEmpty() || terminals.containsKey(way.terminal())) {
        kept.put(i, kept.size());
      }
    }
  }

  private static List<LookRows.Chain> chains(Score score) {
    return java.util.stream.IntStream.range(0, score.size("N_CHAINS"))
        .mapToObj(
            i ->
                new LookRows.Chain(
                    value(score, "chain_load", i),
                    value(score, "chain_clock", i),
                    value(score, "chain_data", i),
                    value(score, "chain_bits", i),
                    score.size("USE_PADS") > 0 ? value(score, "chain_latch", i) : 0,
                    0,
                    0,
                    0))
        .toList();
  }

  private static int value(Score score, String table, int row) {
    return score.table(table).orElseThrow().rows().get(row).value();
  }

  /** {@return the header of the tables} */
  String header() {
    BoardKind board = blueprint.board();
    out.setLength(0);
    out.append("/* The wires of this build as they are, for the simulated board. */\n");
    out.append("#ifndef WORLD_TABLES_H\n#define WORLD_TABLES_H\n\n");
    out.append("#include \"device_tables.h\"\n#include \"world.h\"\n\n");
    define("WORLD_CONTACTS", Integer.toString(contacts.size()));
    define("WORLD_NETS", Integer.toString(ways.volts().size()));
    define("WORLD_WAYS", Integer.toString(kept.size()));
    define("WORLD_CHIPS", Integer.toString(ways.registers().size()));
    define("WORLD_MUXES", Integer.toString(ways.multiplexers().size()));
    define("WORLD_DEAD", ways.dead().isPresent() ? "1" : "0");
    define("WORLD_MAY_SHORT", ways.mayShort() ? "1" : "0");
    define("WORLD_LOGIC_VOLTS", hex(board.logicVolts()));
    define("WORLD_LOW_VOLTS", hex(board.lowVolts()));
    define("WORLD_HIGH_VOLTS", hex(board.highVolts()));
    Look first = blueprint.looks().all().get(0);
    define("WORLD_FIRST_READ", terminals.get(first.read().name()).toString());
    out.append(
        """

        extern const struct contact world_contacts[];
        extern const double world_volts[];
        extern const struct way world_ways[];
        extern const unsigned world_net_at[];
        extern const unsigned world_net_ways[];
        extern const struct mux world_muxes[];
        extern const struct chip world_chips[];
        extern const struct chain world_chains[];
        extern const int world_terminal_net[];
        extern const double world_leak_ohm[];
        extern const bool world_pressed_high[];
        extern const uint8_t world_rest[];
        extern const long world_longest_window_us[];
        extern const bool world_console_early[];
        extern const char *const world_profiles[];
        """);
    out.append(pads.header()).append(usb.header()).append("\n#endif\n");
    return out.toString();
  }

  private void define(String name, String value) {
    out.append("#define ").append(name).append(' ').append(value).append('\n');
  }

  /** {@return the tables} */
  String source() {
    out.setLength(0);
    out.append("/* The wires of this build as they are, for the simulated board. */\n");
    out.append("#include \"world_tables.h\"\n\n#include <math.h>\n");
    if (score.size("N_CONSOLES") > 0) {
      out.append("\nconst bool world_console_early[] = {");
      out.append(
          ConsoleRows.answered(blueprint).stream()
              .map(console -> String.valueOf(ConsoleRows.early(console)))
              .collect(Collectors.joining(", ")));
      out.append("};\n");
    }
    rows("const struct contact world_contacts", blueprint.loom().sites(), this::contact);
    rows("const double world_volts", ways.volts(), v -> v.isNaN() ? "NAN" : hex(v));
    rows(
        "const struct way world_ways",
        kept.keySet().stream().map(ways.all()::get).toList(),
        this::way);
    StringBuilder at = new StringBuilder("0");
    List<Integer> touching = new ArrayList<>();
    for (List<Integer> net : ways.ofNet()) {
      net.stream().filter(kept::containsKey).map(kept::get).forEach(touching::add);
      at.append(",\n  ").append(touching.size());
    }
    out.append("\nconst unsigned world_net_at[] = {\n  ").append(at).append("\n};\n");
    rows("const unsigned world_net_ways", touching, Object::toString);
    rows("const struct mux world_muxes", ways.multiplexers(), World::mux);
    rows("const struct chip world_chips", ways.registers(), World::chip);
    rows(
        "const struct chain world_chains",
        chains,
        c -> braced(c.load(), c.clock(), c.data(), c.bits(), c.latch() > 0));
    rows(
        "const int world_terminal_net",
        score.terminals(),
        t -> Integer.toString(ways.terminals().get(t)));
    rows("const double world_leak_ohm", score.terminals(), t -> hex(ways.leakOhm().get(t)));
    rows("const bool world_pressed_high", score.terminals(), this::pressedHigh);
    rows("const uint8_t world_rest", score.terminals(), this::rest);
    rows("const long world_longest_window_us", blueprint.profiles(), World::window);
    rows("const char *const world_profiles", blueprint.profiles(), p -> quoted(p.name()));
    return out.append(pads.source()).append(usb.source()).toString();
  }

  private <T> void rows(String name, List<T> all, Function<T, String> text) {
    out.append('\n').append(name).append("[] = {");
    for (int i = 0; i < all.size(); i++) {
      out.append(i == 0 ? "\n  " : ",\n  ").append(text.apply(all.get(i)));
    }
    // C has no empty arrays; nothing reads this row.
    out.append(all.isEmpty() ? "\n  0" : "").append("\n};\n");
  }

  static String braced(Object... items) {
    return Arrays.stream(items).map(Object::toString).collect(Collectors.joining(", ", "{", "}"));
  }

  private String contact(ContactSite site) {
    ControlKind.Bounce bounce = site.kind().bounce();
    return braced(
        quoted(site.id().toString()),
        site.contact().type().analog(),
        site.kind().steps(),
        hex(site.rest()),
        bounce.leastUs(),
        bounce.mostUs());
  }

  private String way(Ways.Way way) {
    int by =
        way.contact()
            .map(contacts::get)
            .or(() -> Optional.ofNullable(terminals.get(way.terminal())))
            .orElse(way.kind().ofChip() ? way.of() : -1);
    return braced(
        "WAY_" + way.kind(),
        way.a(),
        way.b(),
        by,
        way.index(),
        way.of(),
        hex(way.ohm()),
        hex(way.saturationAmps()),
        hex(way.scaleVolts()));
  }

  private static String mux(Ways.Mux mux) {
    List<Integer> selects = mux.selects();
    StringBuilder text = new StringBuilder("{{");
    for (int i = 0; i < 3; i++) {
      text.append(i > 0 ? ", " : "").append(i < selects.size() ? selects.get(i) : 0);
    }
    List<Integer> channels = mux.channels();
    return text.append("}, ")
        .append(selects.size())
        .append(", ")
        .append(hex(mux.volts()))
        .append(", ")
        .append(!channels.isEmpty())
        .append(", ")
        .append(channels.isEmpty() ? "{0, 0}" : braced(channels.get(0), channels.get(1)))
        .append("}")
        .toString();
  }

  private static String chip(Ways.Chip chip) {
    return "{{"
        + String.join(", ", chip.inputs().stream().map(Object::toString).toList())
        + "}, "
        + chip.inputs().size()
        + ", "
        + chip.load()
        + ", "
        + chip.clock()
        + ", "
        + chip.next()
        + ", "
        + chip.out()
        + ", "
        + hex(chip.volts())
        + ", "
        + chip.ofPad()
        + "}";
  }

  private String pressedHigh(String terminal) {
    boolean high =
        blueprint.looks().all().stream()
            .anyMatch(
                look ->
                    look.read().name().equals(terminal)
                        && look.how() instanceof Look.Level level
                        && !level.pressedLow());
    return Boolean.toString(high);
  }

  /** How a terminal is driven between looks: 1 low, 2 high. */
  private String rest(String terminal) {
    int at = terminals.get(terminal);
    boolean high =
        chains.stream().anyMatch(c -> (c.latch() > 0 ? c.clock() : c.load()) == at)
            || blueprint.looks().feeds().contains(terminal)
            || rests(terminal, Level.HIGH);
    boolean low =
        chains.stream().anyMatch(c -> (c.latch() > 0 ? c.load() : c.clock()) == at)
            || blueprint.looks().all().stream()
                .anyMatch(
                    look ->
                        look.how() instanceof Look.Channel channel
                            && channel.selects().stream().anyMatch(s -> s.name().equals(terminal)))
            || rests(terminal, Level.LOW);
    return high ? "2" : low ? "1" : "0";
  }

  private boolean rests(String terminal, Level level) {
    return FrameRows.pads(blueprint).stream()
        .flatMap(
            pad ->
                pad.kind().lines().stream()
                    .filter(line -> line.from() == SignalLine.From.CONSOLE)
                    .filter(line -> line.idle() == level)
                    .flatMap(line -> Optional.ofNullable(pad.lines().get(line.name())).stream()))
        .anyMatch(at -> at.name().equals(terminal));
  }

  private static String window(Profile profile) {
    return Long.toString(
        1000L * profile.chords().stream().mapToLong(Chord::windowMs).max().orElse(0));
  }

  private static String hex(double value) {
    return Double.toHexString(value);
  }

  /** A string of C, byte by byte where it is not plain. */
  static String quoted(String text) {
    StringBuilder out = new StringBuilder("\"");
    for (byte b : text.getBytes(StandardCharsets.UTF_8)) {
      int c = b & 0xFF;
      if (c >= ' ' && c <= '~' && c != '"' && c != '\\' && c != '?') {
        out.append((char) c);
      } else {
        out.append(String.format("\\%03o", c));
      }
    }
    return out.append('"').toString();
  }
}
