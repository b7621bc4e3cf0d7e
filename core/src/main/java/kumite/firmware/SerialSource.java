package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import kumite.hid.ReportLayout;
import kumite.hid.SerialFrame;

/** What a board needs that tells another its reports, and one that passes such reports on. */
final class SerialSource {
  /** Bits in a second on such a wire. */
  static final int BAUD = 115_200;

  private SerialSource() {}

  /** {@return the header that both halves are compiled with} */
  static String header(List<Heard> heard, boolean tells) {
    int reports = heard.stream().mapToInt(h -> h.layout().reportIds().size()).sum();
    int longest =
        heard.stream()
            .mapToInt(h -> SerialFrame.bytes(h.layout()) - SerialFrame.AROUND)
            .max()
            .orElse(0);
    String seats = heard.stream().map(Heard::seat).collect(Collectors.joining(", "));
    return "/* Boards whose reports are passed on, one wire each: "
        + Names.plain(seats)
        + ". */\n#ifndef HEARD_H\n#define HEARD_H\n\n#include <stdint.h>\n\n"
        + "/* Whether this board tells, rather than hears. */\n#define TELLS "
        + (tells ? 1 : 0)
        + "\n\n#define N_HEARD_LINES "
        + heard.size()
        + "\n#define N_HEARD "
        + reports
        + "\n#define HEARD_LONGEST "
        + Math.max(1, longest)
        + "\n\n/* The reports of each wire, their ids (0: it has none), how long they are without it,\n"
        + "   whether they tell motion, and what they are while nothing is touched. */\n"
        + "extern const uint8_t heard_reports_at[N_HEARD_LINES + 1];\n"
        + "extern const uint8_t heard_id[N_HEARD];\n"
        + "extern const uint8_t heard_bytes[N_HEARD];\n"
        + "extern const uint8_t heard_moves[N_HEARD];\n"
        + "extern const uint16_t heard_rest_at[N_HEARD];\n"
        + "extern const uint8_t heard_rest[];\n\n#endif\n";
  }

  /** {@return the tables of what is heard} */
  static String tables(List<Heard> heard) {
    List<Integer> at = new ArrayList<>(List.of(0));
    List<Integer> ids = new ArrayList<>();
    List<Integer> bytes = new ArrayList<>();
    List<Integer> moves = new ArrayList<>();
    List<Integer> restAt = new ArrayList<>();
    List<Integer> rest = new ArrayList<>();
    for (Heard one : heard) {
      ReportLayout layout = one.layout();
      for (int id : layout.reportIds()) {
        ids.add(id);
        bytes.add(SerialFrame.reportBytes(layout, id));
        moves.add(layout.part(id) == ReportLayout.Part.MOUSE ? 1 : 0);
        restAt.add(rest.size());
        rest.addAll(one.rest().get(id));
      }
      at.add(ids.size());
    }
    if (rest.isEmpty()) {
      rest.add(0);
    }
    return "/* What is passed on. */\n#include \"heard.h\"\n"
        + table("uint8_t", "heard_reports_at[N_HEARD_LINES + 1]", at)
        + table("uint8_t", "heard_id[N_HEARD]", ids)
        + table("uint8_t", "heard_bytes[N_HEARD]", bytes)
        + table("uint8_t", "heard_moves[N_HEARD]", moves)
        + table("uint16_t", "heard_rest_at[N_HEARD]", restAt)
        + table("uint8_t", "heard_rest[]", rest);
  }

  /** {@return the report descriptor of each wire's board, for an interface of its own} */
  static String descriptors(List<Heard> heard) {
    StringBuilder out = new StringBuilder();
    out.append("/* What the host is told of each board whose reports are passed on. */\n");
    out.append("#ifndef DESCRIPTORS_H\n#define DESCRIPTORS_H\n\n#include <stdint.h>\n");
    for (int line = 0; line < heard.size(); line++) {
      String name = "heard_descriptor_" + line + "[]";
      out.append("\n/* Of seat ").append(Names.plain(heard.get(line).seat())).append(". */");
      out.append("\nstatic");
      out.append(
          table("uint8_t", name, SketchSource.bytes(heard.get(line).layout().descriptor()))
              .replaceFirst("\n", " "));
    }
    return out.append("\n#endif\n").toString();
  }

  private static String table(String type, String name, List<Integer> values) {
    return "\nconst " + type + " " + name + " = {" + SketchSource.rows(values) + "\n};\n";
  }
}
