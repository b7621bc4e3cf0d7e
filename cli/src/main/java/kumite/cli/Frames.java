package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.device.Holds;
import kumite.ports.Frame;
import kumite.signal.Answer;
import kumite.verdict.Bench;

/** What consoles take of what is held, in print and as JSON. */
record Frames(List<Frame> frames) {
  /** {@return the frames of the consoles of the seat looked at; empty where it answers none} */
  static Optional<Frames> of(Bench bench, Holds holds) {
    List<Frame> frames = bench.frames(holds);
    return frames.isEmpty() ? Optional.empty() : Optional.of(new Frames(frames));
  }

  void print(PrintWriter out) {
    for (Frame frame : frames) {
      out.printf(
          Locale.ROOT,
          "%s reads: %s%s%n",
          frame.console().port().label(),
          frame.reading().held().isEmpty()
              ? "nothing held"
              : String.join(", ", frame.reading().held()),
          unclear(frame).isEmpty() ? "" : "; unclear " + String.join(", ", unclear(frame)));
      frame.bits().stream()
          .collect(
              Collectors.groupingBy(Frame.Bit::us, java.util.TreeMap::new, Collectors.toList()))
          .forEach((us, bits) -> out.println(row(us, bits)));
    }
  }

  /** What the wires leave open: the console may read it either way. */
  private static List<String> unclear(Frame frame) {
    return frame.reading().buttons().entrySet().stream()
        .filter(button -> button.getValue() == Answer.UNCLEAR)
        .map(Map.Entry::getKey)
        .toList();
  }

  private static String row(double us, List<Frame.Bit> bits) {
    return String.format(Locale.ROOT, "%9.1f us  %s: ", us, bits.get(0).where())
        + bits.stream()
            .map(
                bit ->
                    bit.line().replace('_', ' ')
                        + " "
                        + bit.level().word()
                        + bit.button().map(name -> " (" + name + ")").orElse(""))
            .collect(Collectors.joining(", "));
  }

  void into(ObjectNode root) {
    ArrayNode nodes = root.putArray("frames");
    for (Frame frame : frames) {
      ObjectNode node = nodes.addObject().put("port", frame.console().port().id().text());
      ArrayNode held = node.putArray("held");
      frame.reading().held().forEach(held::add);
      ArrayNode unclear = node.putArray("unclear");
      unclear(frame).forEach(unclear::add);
      ArrayNode bits = node.putArray("bits");
      for (Frame.Bit bit : frame.bits()) {
        ObjectNode item = bits.addObject();
        item.put("time_us", bit.us()).put("line", bit.line()).put("where", bit.where());
        bit.button().ifPresent(name -> item.put("button", name));
        item.put("level", bit.level().word());
      }
    }
  }
}
