package kumite.firmware;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.hid.ReportLayout;
import kumite.loom.Talk;

/** What a sketch needs beside the program: pins, and descriptors whose reports all have an id. */
final class SketchSource {
  /** The id of a report that has none in the build: the platform sends none without. */
  static final int ONLY_ID = 1;

  private static final Pattern ANALOG = Pattern.compile("A(\\d{1,2})");
  private static final Pattern DIGITAL = Pattern.compile("[A-Z]?(\\d{1,2})");
  private static final int WIDE = 16;

  private SketchSource() {}

  /** {@return the name of its folder and file} */
  static String name(Blueprint blueprint) {
    String name = new Names("").of(blueprint.title()).toLowerCase(java.util.Locale.ROOT);
    return Character.isDigit(name.charAt(0)) ? "device_" + name : name;
  }

  /**
   * {@return what the platform calls a terminal, if that follows from what is printed on the board}
   */
  static Optional<String> pin(String terminal) {
    Matcher analog = ANALOG.matcher(terminal);
    if (analog.matches()) {
      return Optional.of("A" + Integer.parseInt(analog.group(1)));
    }
    Matcher digital = DIGITAL.matcher(terminal);
    if (digital.matches()) {
      return Optional.of(Integer.toString(Integer.parseInt(digital.group(1))));
    }
    // The serial terminals of most such boards; common practice, no source.
    return terminal.equals("RX")
        ? Optional.of("0")
        : terminal.equals("TX") ? Optional.of("1") : Optional.empty();
  }

  /** {@return the header of pins, for the builder to hold against the board} */
  static String pins(Blueprint blueprint, Score score) {
    StringBuilder out = new StringBuilder();
    out.append(
        "/* Which pin of the platform each terminal is. Hold it against the drawing of your board. */\n");
    out.append("#ifndef PINS_H\n#define PINS_H\n\n#include \"device.h\"\n\n");
    boolean down =
        score.table("terminal_use").orElseThrow().rows().stream()
            .anyMatch(row -> row.word().equals("USE_OF_DOWN"));
    out.append("#define USE_PULL_DOWN ").append(down ? 1 : 0).append('\n');
    out.append("#define CODE_BITS ").append(Math.max(1, blueprint.board().adcBits())).append('\n');
    Set<String> taken = new HashSet<>();
    List<Table.Row> uses = score.table("terminal_use").orElseThrow().rows();
    for (int i = 0; i < score.terminals().size(); i++) {
      String terminal = score.terminals().get(i);
      if (uses.get(i).word().equals("USE_OF_PORT")) {
        continue; // the platform's own host knows its pins
      }
      if (pin(terminal).filter(taken::add).isEmpty()) {
        out.append("#error \"say below which pin ")
            .append(Names.plain(terminal).replace("\"", ""))
            .append(" is, and take this line out\"\n");
      }
    }
    List<Talk> pads = ToldRows.pads(blueprint);
    for (int p = 0; p < pads.size(); p++) {
      Optional<Long> baud = ToldRows.baud(pads.get(p));
      if (baud.isPresent()) {
        out.append("#define SERIAL_PAD ").append(p).append('\n');
        out.append("#define SERIAL_BAUD ").append(baud.get()).append("UL\n");
      }
    }
    out.append("\nstatic const uint8_t pins[N_TERMINALS] = {");
    for (int i = 0; i < score.terminals().size(); i++) {
      String terminal = score.terminals().get(i);
      boolean last = i == score.terminals().size() - 1;
      out.append("\n  ").append(pin(terminal).orElse("0")).append(last ? " " : ", ");
      out.append("/* ").append(Names.plain(terminal)).append(" */");
    }
    return out.append("\n};\n\n#endif\n").toString();
  }

  /** {@return the header of descriptors} */
  static String descriptors(Blueprint blueprint) {
    List<Integer> bytes = new ArrayList<>();
    List<Integer> at = new ArrayList<>(List.of(0));
    for (var profile : blueprint.profiles()) {
      for (byte b : withId(blueprint.layout(profile))) {
        bytes.add(b & 0xFF);
      }
      at.add(bytes.size());
    }
    StringBuilder out = new StringBuilder();
    out.append(
        "/* What the host is told, one descriptor for each profile; all reports have an id. */\n");
    out.append("#ifndef DESCRIPTOR_H\n#define DESCRIPTOR_H\n\n#include \"device.h\"\n\n");
    out.append("#define ONLY_ID ").append(ONLY_ID).append("\n\n");
    out.append("static const uint16_t descriptor_at[N_PROFILES + 1] = {");
    out.append(String.join(", ", at.stream().map(Object::toString).toList())).append("};\n\n");
    out.append("static const uint8_t descriptor[] PROGMEM = {");
    for (int i = 0; i < bytes.size(); i++) {
      out.append(i % WIDE == 0 ? "\n  " : " ").append(String.format("0x%02X", bytes.get(i)));
      out.append(i == bytes.size() - 1 ? "" : ",");
    }
    return out.append("\n};\n\n#endif\n").toString();
  }

  /** {@return the descriptor, with an id put in after its collection where it has none} */
  static byte[] withId(ReportLayout layout) {
    byte[] plain = layout.descriptor();
    if (layout.reportIds().get(0) != 0) {
      return plain;
    }
    int at = 0;
    while (plain[at] != (byte) 0xA1) {
      // A short item: one byte that says in its two lowest bits how many follow (HID 1.11,
      // 6.2.2.2).
      at += 1 + (plain[at] & 3);
    }
    byte[] told = new byte[plain.length + 2];
    System.arraycopy(plain, 0, told, 0, at + 2);
    told[at + 2] = (byte) 0x85;
    told[at + 3] = ONLY_ID;
    System.arraycopy(plain, at + 2, told, at + 4, plain.length - at - 2);
    return told;
  }
}
