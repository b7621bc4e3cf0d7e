package kumite.firmware;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.hid.ReportLayout;
import kumite.loom.Console;
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
    boolean tells = blueprint.tells();
    out.append("#define HOSTED ").append(tells || blueprint.alone() ? 0 : 1).append('\n');
    out.append("#define OVER_SERIAL ").append(tells ? 1 : 0).append('\n');
    out.append("#define HEARS ").append(blueprint.heard().isEmpty() ? 0 : 1).append('\n');
    Optional<Long> speed =
        tells || !blueprint.heard().isEmpty()
            ? Optional.of((long) SerialSource.BAUD)
            : Optional.empty();
    List<Console> consoles = ConsoleRows.answered(blueprint);
    for (int c = 0; c < consoles.size(); c++) {
      Optional<Long> baud = ConsoleRows.baud(consoles.get(c));
      if (baud.isPresent()) {
        out.append("#define SERIAL_CONSOLE ").append(c).append('\n');
        speed = baud;
      }
    }
    List<Talk> pads = ToldRows.pads(blueprint);
    for (int p = 0; p < pads.size(); p++) {
      Optional<Long> baud = ToldRows.baud(pads.get(p));
      if (baud.isPresent()) {
        out.append("#define SERIAL_PAD ").append(p).append('\n');
        speed = baud;
      }
    }
    speed.ifPresent(baud -> out.append("#define SERIAL_BAUD ").append(baud).append("UL\n"));
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
    List<Integer> told = new ArrayList<>();
    List<Integer> at = new ArrayList<>(List.of(0));
    int last = ONLY_ID;
    for (var profile : blueprint.profiles()) {
      ReportLayout layout = blueprint.layout(profile);
      told.addAll(bytes(withIds(layout, 0)));
      at.add(told.size());
      last = Math.max(last, Collections.max(layout.reportIds()));
    }
    StringBuilder out = new StringBuilder();
    out.append(
        "/* What the host is told, one descriptor for each profile; all reports have an id. */\n");
    out.append("#ifndef DESCRIPTOR_H\n#define DESCRIPTOR_H\n\n#include \"device.h\"\n\n");
    out.append("#define ONLY_ID ").append(ONLY_ID).append("\n\n");
    out.append("static const uint16_t descriptor_at[N_PROFILES + 1] = {");
    out.append(String.join(", ", at.stream().map(Object::toString).toList())).append("};\n\n");
    out.append("static const uint8_t descriptor[] PROGMEM = {").append(rows(told)).append("\n};\n");
    for (Heard heard : blueprint.heard()) {
      out.append("\n/* Of the board of seat ").append(Names.plain(heard.seat()));
      out.append(", whose reports are passed on: their ids follow those above. */\n");
      out.append("#define HEARD_ABOVE ").append(last).append("\n\n");
      out.append("static const uint8_t heard_descriptor[] PROGMEM = {");
      out.append(rows(bytes(withIds(heard.layout(), last)))).append("\n};\n");
    }
    return out.append("\n#endif\n").toString();
  }

  static List<Integer> bytes(byte[] descriptor) {
    List<Integer> bytes = new ArrayList<>();
    for (byte b : descriptor) {
      bytes.add(b & 0xFF);
    }
    return bytes;
  }

  /** {@return numbers as rows of a table} */
  static String rows(List<Integer> values) {
    StringBuilder out = new StringBuilder();
    for (int i = 0; i < values.size(); i++) {
      out.append(i % WIDE == 0 ? "\n  " : " ").append(String.format("0x%02X", values.get(i)));
      out.append(i == values.size() - 1 ? "" : ",");
    }
    return out.toString();
  }

  /** {@return the descriptor with ids that lie above others; where it has none, one is put in} */
  static byte[] withIds(ReportLayout layout, int above) {
    byte[] told = layout.reportIds().get(0) == 0 ? withId(layout) : layout.descriptor().clone();
    // A short item: one byte that says in its two lowest bits how many follow (HID 1.11, 6.2.2.2).
    for (int at = 0; at < told.length; at += 1 + ((told[at] & 3) == 3 ? 4 : told[at] & 3)) {
      if (told[at] == (byte) 0x85) {
        told[at + 1] += (byte) above;
      }
    }
    return told;
  }

  /** {@return a descriptor without ids, with one put in after its collection} */
  private static byte[] withId(ReportLayout layout) {
    byte[] plain = layout.descriptor();
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
