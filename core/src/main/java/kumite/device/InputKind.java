package kumite.device;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.Sketch;
import kumite.loom.Look;

/**
 * Inputs that are wired alike.
 *
 * @param title what they are, such as {@code Lamp on its contact: Horn}
 * @param levels those of the first of them; of a ladder of the last
 * @param paths all of them
 */
public record InputKind(String title, InputLevels levels, List<SignalPath> paths) {
  public InputKind {
    paths = List.copyOf(paths);
  }

  /** {@return the kinds among the paths, the most frequent first} */
  public static List<InputKind> of(List<SignalPath> paths) {
    Map<List<Object>, List<SignalPath>> alike = new LinkedHashMap<>();
    for (SignalPath path : paths) {
      path.levels().ifPresent(l -> alike.computeIfAbsent(key(l), k -> new ArrayList<>()).add(path));
    }
    List<InputKind> kinds = new ArrayList<>();
    for (List<SignalPath> members : alike.values()) {
      // Of a ladder the last step shows all its rungs.
      boolean ladder = members.get(0).levels().orElseThrow().look().how() instanceof Look.Step;
      InputLevels levels = members.get(ladder ? members.size() - 1 : 0).levels().orElseThrow();
      String title = words(levels);
      kinds.add(
          new InputKind(
              members.size() == 1 ? members.get(0).site().label() + ": " + title : title,
              levels,
              members));
    }
    kinds.sort(Comparator.comparingInt(kind -> -kind.paths().size()));
    return kinds;
  }

  /** Alike: read the same way, through the same branches, at the same volts. */
  private static List<Object> key(InputLevels levels) {
    List<Object> key = new ArrayList<>();
    key.add(levels.look().how().getClass());
    if (levels.look().how() instanceof Look.Step step) {
      key.add(step.ohms()); // the steps of one ladder are one kind
      return key;
    }
    key.add(levels.idleRange());
    key.add(levels.heldRange());
    for (Sketch.Branch branch : levels.sketch().branches()) {
      key.add(List.of(branch.kind(), branch.words(), branch.closedAtRest()));
    }
    return key;
  }

  /**
   * {@return the volts of each step of a ladder as it is wired, first step first; empty for others}
   */
  public List<Double> steps(Inputs inputs) {
    SignalPath first = paths.get(0);
    int count = first.site().kind().steps();
    if (levels.look().how() instanceof Look.Step) {
      return paths.stream().map(path -> path.levels().orElseThrow().heldVolts()).toList();
    }
    List<Double> volts = new ArrayList<>();
    for (int step = 0; step < count && first.site().contact().type().analog(); step++) {
      double travel = step / (double) Math.max(1, count - 1);
      volts.add(
          inputs.see(first.id(), c -> c.equals(first.id()) ? travel : inputs.rest(c)).volts());
    }
    return volts;
  }

  /** {@return what an input is, in words for people} */
  public static String words(InputLevels levels) {
    Look.How how = levels.look().how();
    boolean diode = has(levels, Sketch.Kind.DIODE);
    if (how instanceof Look.Row) {
      return diode ? "Matrix with diodes" : "Matrix without diodes";
    }
    if (how instanceof Look.Bit bit) {
      return bit.ofPad() ? "Bit of a pad at a port" : "Shift register input";
    }
    if (how instanceof Look.Frame frame) {
      return frame.axis() ? "Axis of a pad at a port" : "Button of a pad that talks in frames";
    }
    if (how instanceof Look.Channel) {
      return "Multiplexer channel";
    }
    if (how instanceof Look.Step) {
      return "Ladder of buttons";
    }
    if (how instanceof Look.Touch) {
      return "Touch pad";
    }
    if (how instanceof Look.Ohms) {
      return "Resistance to the supply, timed";
    }
    String words =
        how instanceof Look.Volts
            ? has(levels, Sketch.Kind.TRACK) ? "Wiper" : volts(levels)
            : has(levels, Sketch.Kind.LAMP)
                ? "Lamp on its contact"
                : has(levels, Sketch.Kind.OUTPUT)
                    ? "Fed output"
                    : has(levels, Sketch.Kind.CONTACT) ? "Plain contact" : "Nothing that changes";
    return levels.upsideDown() ? words + ", closed at rest" : words;
  }

  private static String volts(InputLevels levels) {
    return has(levels, Sketch.Kind.OUTPUT)
        ? "Fed output, measured"
        : has(levels, Sketch.Kind.CONTACT) ? "Ladder with taps" : "Nothing that changes";
  }

  private static boolean has(InputLevels levels, Sketch.Kind kind) {
    return levels.sketch().branches().stream().anyMatch(branch -> branch.kind() == kind);
  }
}
