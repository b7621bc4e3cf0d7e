package kumite.firmware;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.program.AxisShape;

/**
 * Writes tables for the script, and takes out of it what the build does not use.
 *
 * <p>Longer than most files: one program, written from top to bottom.
 */
final class ScriptSource {
  private final Blueprint blueprint;
  private final Score score;
  private final StringBuilder out = new StringBuilder();

  ScriptSource(Blueprint blueprint, Score score) {
    this.blueprint = blueprint;
    this.score = score;
  }

  /** {@return the program with its tables} */
  String program(String template) {
    return kept(template)
        .replace("@TITLE@", Names.plain(blueprint.title()))
        .replace("@TABLES@", tables().strip());
  }

  // ---- what is used

  /** Lines between "# if SIZES" and "# end" stay where one of the sizes is more than 0. */
  private String kept(String template) {
    StringBuilder kept = new StringBuilder();
    List<Boolean> within = new ArrayList<>();
    for (String line : template.split("\n")) {
      String word = line.strip();
      if (word.startsWith("# if ")) {
        within.add(holds(word.substring("# if ".length())));
      } else if (word.equals("# end")) {
        within.remove(within.size() - 1);
      } else if (!within.contains(false)) {
        kept.append(line).append('\n');
      }
    }
    return kept.toString();
  }

  private boolean holds(String condition) {
    boolean not = condition.startsWith("not ");
    String sizes = not ? condition.substring("not ".length()) : condition;
    boolean any = false;
    for (String size : sizes.split(" \\+ ")) {
      any |= score.size(size) > 0;
    }
    return any != not;
  }

  // ---- tables

  private String tables() {
    out.setLength(0);
    constants();
    name("CODE_MOST", score.size("CODE_MOST"));
    name("STILL_CODES", AxisShape.still(score.size("CODE_MOST")));
    name(
        "LOW_VALUE", (int) (blueprint.board().lowVolts() / blueprint.board().logicVolts() * 65536));
    name("SCAN_US", score.size("SCAN_US"));
    name("POLL_US", score.size("POLL_US"));
    name("WAIT_US", score.size("WAIT_US"));
    out.append("EAGER = ").append(truth(score.size("EAGER"))).append('\n');
    looks();
    shared();
    contacts();
    profiles();
    return out.toString();
  }

  private void name(String name, int value) {
    out.append(name).append(" = ").append(value).append('\n');
  }

  private void constants() {
    for (List<String> names : List.of(Codes.LOOKS, Codes.TARGETS, Codes.USES, Codes.CHOICES)) {
      out.append(String.join(", ", names)).append(" = range(").append(names.size()).append(")\n");
    }
  }

  private static String truth(int value) {
    return value != 0 ? "True" : "False";
  }

  /** A value of a table, -1 for none, 0 where the build has no such table. */
  private int at(String table, int row) {
    Table there = score.table(table).orElse(null);
    if (there == null) {
      return 0;
    }
    int value = there.at(row);
    boolean none = there.type() == Table.Type.NUMBER && value == (score.small() ? 255 : 65535);
    return none ? -1 : value;
  }

  private String word(String table, int row) {
    return score.table(table).orElseThrow().rows().get(row).word();
  }

  private static String tuple(List<String> items) {
    return "(" + String.join(", ", items) + (items.size() == 1 ? ",)" : ")");
  }

  private static String tuple(Object... items) {
    return tuple(Arrays.stream(items).map(Object::toString).toList());
  }

  private static String tuple(IntStream items) {
    return tuple(items.mapToObj(Integer::toString).toList());
  }

  private void rows(String name, int count, IntFunction<String> row, IntFunction<String> note) {
    out.append(name).append(" = (\n");
    for (int i = 0; i < count; i++) {
      out.append("    ").append(row.apply(i)).append(',');
      String said = Names.plain(note.apply(i));
      out.append(said.isEmpty() ? "" : "  # " + said).append('\n');
    }
    out.append(")\n");
  }

  private void looks() {
    rows(
        "TERMINALS",
        score.terminals().size(),
        i -> tuple(text(pin(score.terminals().get(i))), word("terminal_use", i)),
        i -> "");
    rows(
        "LOOKS",
        score.contacts().size(),
        i -> tuple(word("look_kind", i), at("look_terminal", i), at("look_with", i), look(i)),
        i -> i + " " + score.contacts().get(i));
    out.append("ORDER = ")
        .append(tuple(IntStream.range(0, score.contacts().size()).map(i -> at("look_order", i))))
        .append('\n');
  }

  /** Bits of a pad are numbered by themselves here. */
  private int look(int i) {
    boolean said = word("look_kind", i).startsWith("LOOK_SAID");
    return at("look_place", i) - (said ? at("pad_bits_at", at("look_with", i)) : 0);
  }

  /** Boards name terminals with a letter first. */
  private static String pin(String terminal) {
    return Character.isDigit(terminal.charAt(0)) ? "D" + terminal : terminal;
  }

  private static String text(String text) {
    return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
  }

  private void shared() {
    if (score.size("USE_STEPS") > 0) {
      rows(
          "STEPS",
          score.table("step_from").orElseThrow().rows().size(),
          i -> tuple(at("step_from", i), at("step_below", i)),
          i -> "");
    }
    if (score.size("N_CHAINS") > 0) {
      rows(
          "CHAINS",
          score.size("N_CHAINS"),
          i ->
              tuple(
                  IntStream.of(
                      at("chain_load", i),
                      at("chain_clock", i),
                      at("chain_data", i),
                      at("chain_bits", i))),
          i -> "load, clock, data, bits");
      if (score.size("USE_PADS") > 0) {
        rows(
            "PADS",
            score.size("N_CHAINS"),
            i ->
                tuple(
                    IntStream.of(
                        at("chain_together", i),
                        at("chain_latch", i),
                        at("chain_gap", i),
                        at("chain_low", i),
                        at("chain_high", i))),
            i -> "with the one before, then how often each is driven");
      }
    }
    if (score.size("N_FRAMES") > 0) {
      frames();
    }
    if (score.size("N_MUXES") > 0) {
      rows("MUXES", score.size("N_MUXES"), i -> stretch("mux_at", i, "mux_selects"), i -> "");
    }
    if (score.size("N_FEEDS") > 0) {
      out.append("FEEDS = ")
          .append(tuple(IntStream.range(0, score.size("N_FEEDS")).map(i -> at("feed_terminal", i))))
          .append('\n');
    }
    if (score.size("N_LAMPS") > 0) {
      rows(
          "LAMPS",
          score.size("N_LAMPS"),
          i -> tuple(at("lamp_terminal", i), stretch("lamp_at", i, "lamp_looks")),
          i -> "");
    }
  }

  /** Of each frame: how often it is asked, its steps, what its pads are known by, its pads. */
  private void frames() {
    out.append("TAKE = None\n");
    rows(
        "FRAMES",
        score.size("N_FRAMES"),
        i ->
            tuple(
                at("frame_every", i),
                tuple(span("frame_steps_at", i).mapToObj(s -> step(s)).toList()),
                tuple(
                    span("frame_known_at", i)
                        .map(k -> at("frame_known", k))
                        .mapToObj(known -> tuple(known / 2, truth(known % 2)))
                        .toList()),
                tuple(span("frame_pads_at", i).mapToObj(this::framed).toList())),
        i -> "");
    rows(
        "FRAME_LINES",
        score.size("N_FRAME_LINES"),
        i -> tuple(at("frame_line", i), truth(at("frame_line_high", i))),
        i -> "");
  }

  private IntStream span(String places, int i) {
    return IntStream.range(at(places, i), at(places, i + 1));
  }

  private String step(int number) {
    int how = at("step_how", number);
    int times = how >= FrameRows.HIGH_STEP ? how - FrameRows.HIGH_STEP : -how;
    return tuple(how == 0 ? "TAKE" : times, at("step_with", number));
  }

  private String framed(int pad) {
    int from = at("pad_reads_at", pad);
    int rows = score.table("pad_reads").orElseThrow().rows().size();
    int to = pad + 1 < score.size("N_PADS") ? at("pad_reads_at", pad + 1) : rows;
    return tuple(pad, tuple(IntStream.range(from, to).map(k -> at("pad_reads", k))));
  }

  /** The rows of a table from one place to the next. */
  private String stretch(String places, int i, String of) {
    return tuple(IntStream.range(at(places, i), at(places, i + 1)).map(k -> at(of, k)));
  }

  private void contacts() {
    Map<Integer, String> travels = new TreeMap<>();
    Map<Integer, String> pulses = new TreeMap<>();
    Map<Integer, String> repeats = new TreeMap<>();
    List<String> counters = new ArrayList<>();
    for (int i = 0; i < score.contacts().size(); i++) {
      int travel = score.size("N_TRAVELS") > 0 ? at("look_travel", i) : -1;
      if (travel >= 0) {
        travels.put(i, travel(travel));
      }
      int pulse = score.size("N_PULSES") > 0 ? at("look_pulse", i) : -1;
      if (pulse >= 0 && word("look_pulse", i).equals("COUNTS_ONLY")) {
        counters.add(Integer.toString(i));
      } else if (pulse >= 0) {
        pulses.put(
            i,
            tuple(
                at("pulse_partner", pulse),
                at("pulse_per_turn", pulse),
                at("pulse_per_step", pulse),
                truth(at("pulse_turned", pulse))));
      }
      int repeat = score.size("N_REPEATS") > 0 ? at("look_repeat", i) : -1;
      if (repeat >= 0) {
        repeats.put(
            i,
            tuple(
                IntStream.of(
                    1000 * at("repeat_on_ms", repeat), 1000 * at("repeat_off_ms", repeat))));
      }
    }
    map("TRAVELS", travels);
    if (score.size("N_PULSES") > 0) {
      map("PULSES", pulses);
      out.append("COUNTERS = ").append(tuple(counters)).append('\n');
    }
    if (score.size("N_REPEATS") > 0) {
      map("REPEATS", repeats);
    }
  }

  private String travel(int t) {
    int flags = at("shape_flags", t);
    boolean shaped = score.size("USE_SHAPES") > 0;
    String shape =
        !shaped
            ? tuple(0, "None", score.size("CODE_MOST"), 0, 0, 0, "False", "True")
            : tuple(
                at("shape_least", t),
                ((flags & 2) != 0 ? at("shape_centre", t) : "None"),
                at("shape_most", t),
                at("shape_dead", t),
                at("shape_full", t),
                (byte) at("shape_curve", t),
                truth(flags & 4),
                truth(flags & 1));
    return tuple(
        at("travel_smoothing", t),
        at("travel_on", t),
        at("travel_off", t),
        at("travel_steps", t),
        shape);
  }

  private void map(String name, Map<Integer, String> rows) {
    out.append(name).append(" = {\n");
    rows.forEach(
        (i, row) ->
            out.append("    ")
                .append(i)
                .append(": ")
                .append(row)
                .append(",  # ")
                .append(score.contacts().get(i))
                .append('\n'));
    out.append("}\n");
  }

  // ---- profiles

  private int stretch(int profile, String name) {
    List<Table.Row> rows = score.table("profiles").orElseThrow().rows();
    int width = rows.size() / score.size("N_PROFILES");
    return IntStream.range(profile * width, (profile + 1) * width)
        .filter(i -> rows.get(i).note().equals(name))
        .map(i -> rows.get(i).value())
        .findFirst()
        .orElseThrow();
  }

  /** One tuple for each profile, of one item for each row of its stretch. */
  private void each(String name, String at, String count, IntFunction<String> row) {
    out.append(name).append(" = (\n");
    for (int p = 0; p < score.size("N_PROFILES"); p++) {
      int from = stretch(p, at);
      int rows = stretch(p, count);
      out.append("    (\n");
      for (int i = from; i < from + rows; i++) {
        out.append("        ").append(row.apply(i)).append(",\n");
      }
      out.append("    ),\n");
    }
    out.append(")\n");
  }

  private void profiles() {
    rows(
        "CHOICES",
        score.size("N_PROFILES"),
        p ->
            score.size("N_PROFILES") > 1
                ? tuple(word("choice_kind", p), stretch("choice_at", p, "choice_looks"))
                : "(CHOICE_NONE, ())",
        p -> blueprint.profiles().get(p).name());
    int looks = score.contacts().size();
    rows(
        "MEANINGS",
        score.size("N_PROFILES"),
        p ->
            IntStream.rangeClosed(0, stretch(p, "LAYERS"))
                .mapToObj(
                    l ->
                        tuple(
                            IntStream.range(0, looks)
                                .map(
                                    i ->
                                        at("meanings", stretch(p, "MEANINGS_AT") + l * looks + i))))
                .collect(Collectors.joining(",\n     ", "(", ",)")),
        p -> "");
    each(
        "TARGETS",
        "TARGETS_AT",
        "TARGETS",
        i ->
            tuple(
                word("target_kind", i),
                at("target_report", i),
                at("target_bit", i),
                at("target_more", i)));
    reports();
    layers();
    opposites();
    out.append("DESCRIPTORS = (\n");
    for (int p = 0; p < score.size("N_PROFILES"); p++) {
      int from = stretch(p, "DESCRIPTOR_AT");
      String bytes =
          IntStream.range(from, from + stretch(p, "DESCRIPTOR"))
              .mapToObj(i -> String.format("%02X", at("descriptors", i)))
              .collect(Collectors.joining());
      out.append("    bytes.fromhex(\n");
      for (int i = 0; i < bytes.length(); i += 80) {
        out.append("        \"").append(bytes, i, Math.min(bytes.length(), i + 80)).append("\"\n");
      }
      out.append("    ),\n");
    }
    out.append(")\n");
  }

  private String bit(int value) {
    return value == 65535 ? "None" : Integer.toString(value);
  }

  private void reports() {
    out.append("REPORTS = (\n");
    for (int p = 0; p < score.size("N_PROFILES"); p++) {
      out.append("    (\n");
      int profile = p;
      for (int r = 0; r < stretch(p, "REPORTS"); r++) {
        int i = stretch(p, "REPORTS_AT") + r;
        boolean mouse = score.size("USE_MOUSE") > 0 && stretch(p, "MOUSE_REPORT") == r;
        List<String> mice =
            IntStream.range(0, 3)
                .mapToObj(
                    m -> mouse ? bit(at("mouse_at", stretch(profile, "MICE_AT") + m)) : "None")
                .toList();
        out.append("        (")
            .append(at("report_id", i))
            .append(", ")
            .append(at("report_bytes", i))
            .append(", ")
            .append(score.size("USE_HATS") > 0 ? bit(at("report_hat", i)) : "None")
            .append(", ")
            .append(at("report_keys", i))
            .append(", ")
            .append(at("report_keys_at", i))
            .append(", ")
            .append(tuple(mice))
            .append("),\n");
      }
      out.append("    ),\n");
    }
    out.append(")\n");
    if (score.size("USE_AXES") > 0) {
      boolean ends = score.size("USE_ENDS") > 0;
      boolean ramps = score.size("USE_RAMPS") > 0;
      each(
          "AXES",
          "AXES_AT",
          "AXES",
          i ->
              tuple(
                  at("axis_report", i),
                  at("axis_bit", i),
                  at("axis_bits", i),
                  at("axis_most", i),
                  (ends ? at("axis_low", i) : -1),
                  (ends ? at("axis_high", i) : -1),
                  (ramps ? bit(at("axis_rise_ms", i)) : "None"),
                  (ramps ? bit(at("axis_return_ms", i)) : "None")));
    }
  }

  private void layers() {
    if (score.size("N_LAYERS") > 0) {
      int width = (score.contacts().size() + 7) / 8;
      each(
          "LAYERS",
          "LAYERS_AT",
          "LAYERS",
          l ->
              tuple(
                  tuple(
                      IntStream.range(0, score.contacts().size())
                          .filter(i -> (at("layer_named", l * width + i / 8) >> i % 8 & 1) != 0)),
                  stretch("layer_at", l, "layer_keys"),
                  truth(at("layer_toggles", l))));
    }
    if (score.size("N_CHORDS") > 0) {
      int layers = score.size("N_LAYERS") + 1;
      int width = (layers + 7) / 8;
      each(
          "CHORDS",
          "CHORDS_AT",
          "CHORDS",
          c ->
              tuple(
                  stretch("chord_at", c, "chord_keys"),
                  1000 * at("chord_window_ms", c),
                  truth(at("chord_waits", c)),
                  tuple(
                      IntStream.range(0, layers)
                          .filter(l -> (at("chord_layers", c * width + l / 8) >> l % 8 & 1) != 0)),
                  at("chord_meaning", c)));
    }
  }

  private void opposites() {
    if (score.size("N_LEVERS") + score.size("N_GATES") + score.size("N_PAIRS") == 0) {
      return;
    }
    each(
        "LEVERS",
        "LEVERS_AT",
        "LEVERS",
        i -> tuple(IntStream.of(at("lever_low", i), at("lever_high", i), at("lever_rule", i))));
    each(
        "GATES",
        "GATES_AT",
        "GATES",
        i ->
            tuple(
                IntStream.concat(
                    IntStream.range(4 * i, 4 * i + 4).map(k -> at("gate_looks", k)),
                    IntStream.of(at("gate_rule", i)))));
    each(
        "PAIRS",
        "PAIRS_AT",
        "PAIRS",
        i -> tuple(IntStream.of(at("pair_low", i), at("pair_high", i), at("pair_rule", i))));
  }
}
