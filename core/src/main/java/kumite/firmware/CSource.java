package kumite.firmware;

import java.util.List;
import java.util.Map;

/** Writes sizes and tables in C. */
final class CSource {
  /** Sizes and switches that code asks for even where a build has nothing of the kind. */
  private static final List<String> ASKED =
      List.of(
          "N_LOOKS",
          "N_TERMINALS",
          "N_TRAVELS",
          "N_ROWS",
          "N_CHAINS",
          "N_BITS",
          "N_MUXES",
          "N_FRAMES",
          "N_PADS",
          "N_FRAME_BITS",
          "N_FRAME_LINES",
          "N_KEYBOARDS",
          "N_KEYS_HELD",
          "N_TOLD_PADS",
          "N_TOLD_BYTES",
          "N_PULSES",
          "N_REPEATS",
          "N_FEEDS",
          "N_LAMPS",
          "N_CONSOLES",
          "N_ANSWERS",
          "LONGEST_SAID",
          "N_STRIPS",
          "N_PROFILES",
          "N_MEANINGS",
          "N_REPORTS",
          "LONGEST_REPORT",
          "REPORT_BYTES",
          "MOST_KEYS",
          "N_AXES",
          "N_LAYERS",
          "N_CHORDS",
          "N_LEVERS",
          "N_GATES",
          "N_PAIRS",
          "USE_CODES",
          "USE_CONVERTER",
          "USE_COUNTED",
          "USE_PADS",
          "USE_SERIAL",
          "USE_BYTES",
          "USE_PACKETS",
          "USE_STEPS",
          "USE_TOUCH",
          "USE_SHAPES",
          "USE_HATS",
          "USE_KEYS",
          "USE_STEPPED",
          "USE_ANALOG_AXES",
          "USE_ANALOG_MOUSE",
          "USE_MOUSE",
          "USE_ENDS",
          "USE_RAMPS",
          "USE_TAPS",
          "USE_RUNNING",
          "USE_AXES",
          "CODE_MOST",
          "SCAN_US",
          "POLL_US",
          "WAIT_US",
          "EAGER");

  private static final int WIDE = 12;

  private CSource() {}

  /** {@return the header that says how much there is of what} */
  static String config(Blueprint blueprint, Score score) {
    StringBuilder out = new StringBuilder();
    out.append("/* ").append(Names.plain(blueprint.title())).append(": what this build uses. */\n");
    out.append("#ifndef DEVICE_CONFIG_H\n#define DEVICE_CONFIG_H\n\n#include <stdint.h>\n\n");
    out.append("/* Whether the self-test stream is written. */\n");
    out.append("#ifndef SELF_TEST\n#define SELF_TEST 0\n#endif\n\n");
    out.append("#define NUMBER_BITS ").append(score.size("NUMBER_BITS")).append('\n');
    out.append("typedef ").append(score.small() ? "uint8_t" : "uint16_t").append(" number_t;\n");
    out.append("#define NONE ").append(score.small() ? 255 : 65535).append('\n');
    out.append("typedef ")
        .append(score.size("LONGEST_REPORT") > 255 ? "uint16_t" : "uint8_t")
        .append(" report_size_t;\n\n");
    for (String size : ASKED) {
      out.append("#define ").append(size).append(' ').append(score.size(size)).append('\n');
    }
    numbered(out, "Contacts, in the order they are looked at.", score.contacts());
    numbered(out, "Terminals, as they are printed on the board.", score.terminalNames());
    return out.append("\n#endif\n").toString();
  }

  private static void numbered(StringBuilder out, String what, List<String> names) {
    out.append("\n/* ").append(what).append(" */\nenum {");
    for (int i = 0; i < names.size(); i++) {
      out.append(i == 0 ? "\n  " : ",\n  ").append(names.get(i)).append(" = ").append(i);
    }
    out.append("\n};\n");
  }

  /** {@return the tables} */
  static String tables(Blueprint blueprint, Score score) {
    StringBuilder out = new StringBuilder();
    out.append("/* ").append(Names.plain(blueprint.title())).append(": its tables. */\n");
    out.append("#include \"device_tables.h\"\n");
    for (Table table : score.tables()) {
      table(out, table);
    }
    return out.toString();
  }

  private static void table(StringBuilder out, Table table) {
    out.append("\nconst ").append(table.type().word()).append(' ').append(table.name());
    out.append("[] ROM = {");
    boolean noted = table.rows().stream().anyMatch(row -> !row.note().isEmpty());
    for (int i = 0; i < table.rows().size(); i++) {
      Table.Row row = table.rows().get(i);
      boolean last = i == table.rows().size() - 1;
      out.append(noted || i % WIDE == 0 ? "\n  " : " ").append(row.text()).append(last ? "" : ",");
      if (!row.note().isEmpty()) {
        out.append(" /* ").append(Names.plain(row.note())).append(" */");
      }
    }
    out.append("\n};\n");
  }

  /** {@return the files of the program that a build uses, without those that are made for it} */
  static List<String> parts(Score score) {
    Map<String, Boolean> parts = new java.util.LinkedHashMap<>();
    parts.put("device.c", true);
    parts.put("sample.c", true);
    parts.put("frames.c", score.size("N_FRAMES") > 0);
    parts.put("keys.c", score.size("N_KEYBOARDS") > 0);
    parts.put("told.c", score.size("N_TOLD_PADS") > 0);
    parts.put("settle.c", true);
    parts.put("compose.c", true);
    parts.put("layers.c", score.size("N_LAYERS") > 0);
    parts.put("chords.c", score.size("N_CHORDS") > 0);
    parts.put(
        "opposites.c", score.size("N_LEVERS") + score.size("N_GATES") + score.size("N_PAIRS") > 0);
    parts.put("axes.c", score.size("USE_AXES") > 0);
    parts.put("taps.c", score.size("USE_TAPS") > 0);
    parts.put("answers.c", score.size("N_CONSOLES") > 0);
    parts.put("bytes.c", score.size("LONGEST_SAID") > 0);
    parts.put("strips.c", score.size("N_STRIPS") > 0);
    parts.put("self_test.c", true);
    parts.values().removeIf(used -> !used);
    return List.copyOf(parts.keySet());
  }
}
