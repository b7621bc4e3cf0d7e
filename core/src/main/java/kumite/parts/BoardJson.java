package kumite.parts;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Loading;
import kumite.kind.ReadyProgram;
import kumite.kind.Settable;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.working.Source;

/** The border between a kind of board and its JSON: one method each way for each part of it. */
final class BoardJson {
  /** Distance between two terminals along a header, the usual 0.1 in. */
  static final double PITCH_MM = 2.54;

  private BoardJson() {}

  // ---- reading

  static BoardKind read(Key key) {
    double[] size = key.numbers("size_mm", 2, 2);
    double[] pull = key.numbers("pull_ohm", 2, 2);
    Key from = key.object("levels_from");
    Source levels =
        from.make(() -> new Source(from.word("kind", Source.Kind.class), from.text("text")));
    from.done();
    List<Terminal> terminals = key.has("terminals") ? listed(key) : edges(key);
    return key.whole(
        () ->
            new BoardKind(
                key.text("id"),
                key.text("name"),
                key.text("trait", ""),
                size[0],
                size[1],
                key.number("logic_v"),
                key.has("five_volt_tolerant") && key.truth("five_volt_tolerant"),
                key.word("common", Common.class),
                key.number("low_v"),
                key.number("high_v"),
                levels,
                pull[0],
                pull[1],
                key.has("adc_bits") ? key.integer("adc_bits") : 0,
                key.has("fixed_map") && key.truth("fixed_map"),
                terminals,
                key.maybe("seating").map(BoardJson::seating).orElse(BoardKind.Seating.BARE),
                key.maybe("brain").map(BoardJson::brain).orElse(BoardKind.Brain.PLAIN),
                key.maybe("current").map(BoardJson::current).orElse(BoardKind.Current.USUAL),
                Optional.empty()));
  }

  private static List<Terminal> listed(Key key) {
    List<Terminal> terminals = new ArrayList<>();
    for (Key item : key.objects("terminals")) {
      double[] at = item.numbers("at_mm", 2, 2);
      terminals.add(
          item.make(
              () ->
                  new Terminal(
                      item.text("name"),
                      item.word("role", Terminal.Role.class),
                      new Point(at[0], at[1]),
                      item.word("side", Terminal.Side.class),
                      item.has("can") ? item.words("can", Terminal.Ability.class) : Set.of(),
                      item.has("keep")
                          ? Optional.of(item.word("keep", Terminal.Keep.class))
                          : Optional.empty(),
                      item.has("means") ? Optional.of(item.text("means")) : Optional.empty(),
                      item.number("volts", 0))));
      item.done();
    }
    return terminals;
  }

  /** Terminals told by the names along both edges and what each group of names can do. */
  private static List<Terminal> edges(Key key) {
    Map<String, Key> groups = new HashMap<>();
    for (Key group : key.objects("groups")) {
      group.texts("names").forEach(name -> groups.put(name, group));
    }
    double apart = key.number("rows_apart_mm");
    List<Terminal> terminals = new ArrayList<>();
    Map<String, String> keep = texts(key, "keep");
    Map<String, String> means = texts(key, "means");
    String sends = key.text("sends", "");
    String receives = key.text("receives", "");
    for (Terminal.Side side : Terminal.Side.values()) {
      List<String> names = key.texts(PartJson.word(side));
      for (int i = 0; i < names.size(); i++) {
        // A name such as GND stands on a board several times; the file writes GND, GND.2, GND.3.
        String name = names.get(i);
        Key group = groups.get(name.replaceAll("\\.\\d+$", ""));
        if (group == null) {
          throw key.misfit("groups", "terminal " + name + " is in none of them", "add it to one");
        }
        double x = (side == Terminal.Side.LEFT ? -1 : 1) * apart / 2;
        double y = ((names.size() - 1) / 2.0 - i) * PITCH_MM; // from the plug to the front
        terminals.add(
            new Terminal(
                name,
                group.word("role", Terminal.Role.class),
                new Point(x, y),
                side,
                abilities(group, name.equals(sends), name.equals(receives)),
                Optional.ofNullable(keep.get(name))
                    .map(word -> key.object("keep").word(name, Terminal.Keep.class)),
                Optional.ofNullable(means.get(name)),
                group.number("volts", 0)));
      }
    }
    groups.values().forEach(Key::done);
    return terminals;
  }

  private static Set<Terminal.Ability> abilities(Key group, boolean sends, boolean receives) {
    Set<Terminal.Ability> can =
        group.has("can")
            ? group.words("can", Terminal.Ability.class)
            : EnumSet.noneOf(Terminal.Ability.class);
    if (sends) {
      can.add(Terminal.Ability.SEND);
    }
    if (receives) {
      can.add(Terminal.Ability.RECEIVE);
    }
    return can;
  }

  static Map<String, String> texts(Key key, String name) {
    Map<String, String> texts = new HashMap<>();
    key.maybe(name)
        .ifPresent(map -> map.members().keySet().forEach(k -> texts.put(k, map.text(k))));
    return texts;
  }

  private static BoardKind.Seating seating(Key key) {
    List<Point> standoffs = new ArrayList<>();
    if (key.has("standoffs_mm")) {
      key.pairs("standoffs_mm").forEach(at -> standoffs.add(new Point(at[0], at[1])));
    }
    double[] plug = key.has("plug_mm") ? key.numbers("plug_mm", 2, 2) : new double[2];
    double height = key.number("height_mm");
    return key.whole(
        () ->
            new BoardKind.Seating(
                height,
                standoffs,
                key.number("standoff_hole_mm", 0),
                plug[0],
                plug[1],
                key.number("stripped_mm", height)));
  }

  private static BoardKind.Brain brain(Key key) {
    return key.whole(
        () ->
            new BoardKind.Brain(
                key.word("link", BoardKind.Link.class),
                key.has("keys_only") && key.truth("keys_only"),
                key.has("needs_code") && key.truth("needs_code"),
                key.integer("cost_class"),
                key.has("solder") && key.truth("solder"),
                key.number("raw_ms", 0),
                key.text("note", ""),
                key.maybe("memory").map(BoardJson::memory),
                key.number("answer_us", 0),
                key.has("load") ? Optional.of(key.word("load", Loading.class)) : Optional.empty(),
                key.maybe("program").map(BoardJson::program),
                key.maybe("settable").map(BoardJson::settable)));
  }

  private static Settable settable(Key key) {
    return key.whole(
        () ->
            new Settable(
                key.integer("meanings"),
                key.has("shift") ? Set.copyOf(key.words("shift", Settable.Shift.class)) : Set.of(),
                Set.copyOf(key.words("gives", Settable.Gives.class))));
  }

  static ReadyProgram program(Key key) {
    List<ReadyProgram.Combination> combinations = new ArrayList<>();
    if (key.has("combinations")) {
      for (Key one : key.objects("combinations")) {
        combinations.add(
            one.whole(
                () ->
                    new ReadyProgram.Combination(
                        one.texts("hold"), one.integer("for_ms"), one.text("does"))));
      }
    }
    List<ReadyProgram.Setting> settings = new ArrayList<>();
    if (key.has("settings")) {
      for (Key one : key.objects("settings")) {
        settings.add(
            one.whole(
                () ->
                    new ReadyProgram.Setting(
                        one.text("name"),
                        one.text("usual"),
                        one.has("others") ? one.texts("others") : List.of())));
      }
    }
    return key.whole(
        () -> new ReadyProgram(key.text("name"), key.text("what"), combinations, settings));
  }

  private static BoardKind.Memory memory(Key key) {
    return key.whole(
        () -> new BoardKind.Memory(key.integer("flash_bytes"), key.integer("ram_bytes")));
  }

  private static BoardKind.Current current(Key key) {
    return key.whole(
        () ->
            new BoardKind.Current(
                key.number("pin_ma"),
                key.number("all_ma"),
                key.number("supply_ma"),
                key.number("five_ma", 0),
                key.number("usual_ma"),
                key.number("most_ma")));
  }

  // ---- writing

  static ObjectNode write(BoardKind kind) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("id", kind.id()).put("name", kind.name()).put("trait", kind.trait());
    node.putArray("size_mm").add(kind.widthMm()).add(kind.heightMm());
    node.put("logic_v", kind.logicVolts()).put("five_volt_tolerant", kind.fiveVoltTolerant());
    node.put("common", PartJson.word(kind.common()));
    node.put("low_v", kind.lowVolts()).put("high_v", kind.highVolts());
    node.putObject("levels_from")
        .put("kind", PartJson.word(kind.levels().kind()))
        .put("text", kind.levels().text());
    node.putArray("pull_ohm").add(kind.pullLeastOhm()).add(kind.pullMostOhm());
    node.put("adc_bits", kind.adcBits()).put("fixed_map", kind.fixedMap());
    ArrayNode terminals = node.putArray("terminals");
    kind.terminals().forEach(terminal -> write(terminal, terminals.addObject()));
    seating(kind.seating(), node.putObject("seating"));
    BoardKind.Brain brain = kind.brain();
    ObjectNode program = node.putObject("brain");
    program
        .put("link", PartJson.word(brain.link()))
        .put("keys_only", brain.keysOnly())
        .put("needs_code", brain.needsCode())
        .put("cost_class", brain.costClass())
        .put("solder", brain.solder())
        .put("raw_ms", brain.rawMillis())
        .put("note", brain.note());
    brain
        .memory()
        .ifPresent(
            memory ->
                program
                    .putObject("memory")
                    .put("flash_bytes", memory.flashBytes())
                    .put("ram_bytes", memory.ramBytes()));
    if (brain.answerMicros() > 0) {
      program.put("answer_us", brain.answerMicros());
    }
    brain
        .load()
        .ifPresent(load -> program.put("load", load.name().toLowerCase(java.util.Locale.ROOT)));
    brain.program().ifPresent(ready -> write(ready, program.putObject("program")));
    brain.settable().ifPresent(settable -> write(settable, program.putObject("settable")));
    BoardKind.Current current = kind.current();
    node.putObject("current")
        .put("pin_ma", current.pinMilliamps())
        .put("all_ma", current.allMilliamps())
        .put("supply_ma", current.supplyMilliamps())
        .put("five_ma", current.fiveMilliamps())
        .put("usual_ma", current.usualMilliamps())
        .put("most_ma", current.mostMilliamps());
    return node;
  }

  private static void write(Terminal terminal, ObjectNode node) {
    node.put("name", terminal.name()).put("role", PartJson.word(terminal.role()));
    node.putArray("at_mm").add(terminal.at().xMm()).add(terminal.at().yMm());
    node.put("side", PartJson.word(terminal.side()));
    if (!terminal.abilities().isEmpty()) {
      ArrayNode can = node.putArray("can");
      terminal.abilities().forEach(ability -> can.add(PartJson.word(ability)));
    }
    terminal.keep().ifPresent(keep -> node.put("keep", PartJson.word(keep)));
    terminal.fixed().ifPresent(means -> node.put("means", means));
    if (terminal.volts() != 0) {
      node.put("volts", terminal.volts());
    }
  }

  private static void seating(BoardKind.Seating seating, ObjectNode node) {
    node.put("height_mm", seating.heightMm());
    ArrayNode standoffs = node.putArray("standoffs_mm");
    seating.standoffs().forEach(at -> standoffs.addArray().add(at.xMm()).add(at.yMm()));
    node.put("standoff_hole_mm", seating.standoffHoleMm());
    node.putArray("plug_mm").add(seating.plugWidthMm()).add(seating.plugReachMm());
    if (seating.strippedMm() != seating.heightMm()) {
      node.put("stripped_mm", seating.strippedMm());
    }
  }

  private static void write(ReadyProgram ready, ObjectNode node) {
    node.put("name", ready.name()).put("what", ready.what());
    for (ReadyProgram.Combination one : ready.combinations()) {
      ObjectNode row = node.withArray("combinations").addObject();
      one.hold().forEach(row.putArray("hold")::add);
      row.put("for_ms", one.ms()).put("does", one.does());
    }
    for (ReadyProgram.Setting one : ready.settings()) {
      ObjectNode row = node.withArray("settings").addObject();
      row.put("name", one.name()).put("usual", one.usual());
      one.others().forEach(row.putArray("others")::add);
    }
  }

  private static void write(Settable settable, ObjectNode node) {
    node.put("meanings", settable.meanings());
    ArrayNode shifts = settable.shifts().isEmpty() ? node.arrayNode() : node.putArray("shift");
    settable.shifts().stream().sorted().forEach(shift -> shifts.add(shift.word()));
    ArrayNode gives = node.putArray("gives");
    settable.gives().stream().sorted().forEach(what -> gives.add(PartJson.word(what)));
  }
}
