package kumite.device;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.circuit.InputCircuit;
import kumite.circuit.InputLevels;
import kumite.working.Quantity;

/**
 * Inputs that are wired alike, but for the length of their wires.
 *
 * @param title what they are, such as {@code Lamp on its contact: Horn}
 * @param levels those of the one with the longest wires
 * @param paths all of them
 */
public record InputKind(String title, InputLevels levels, List<SignalPath> paths) {
  public InputKind {
    paths = List.copyOf(paths);
  }

  /** {@return the kinds among the paths, the most frequent first} */
  public static List<InputKind> of(List<SignalPath> paths) {
    Map<InputCircuit, List<SignalPath>> alike = new LinkedHashMap<>();
    for (SignalPath path : paths) {
      path.levels()
          .ifPresent(
              levels ->
                  alike
                      .computeIfAbsent(levels.circuit().alike(), c -> new ArrayList<>())
                      .add(path));
    }
    List<InputKind> kinds = new ArrayList<>();
    alike.forEach(
        (circuit, members) -> {
          InputLevels longest =
              members.stream()
                  .map(path -> path.levels().orElseThrow())
                  .max(Comparator.comparingDouble(levels -> levels.circuit().wireOhm()))
                  .orElseThrow();
          kinds.add(new InputKind(title(circuit, members), longest, members));
        });
    kinds.sort(Comparator.comparingInt(kind -> -kind.paths().size()));
    return kinds;
  }

  private static String title(InputCircuit circuit, List<SignalPath> members) {
    String words = circuit.shape().words();
    if (circuit.track().ohm() > 0) {
      words += ", " + Quantity.OHM.words(circuit.track().ohm());
    }
    if (circuit.restsClosed()) {
      words += ", closed at rest";
    }
    return members.size() == 1 ? members.get(0).site().label() + ": " + words : words;
  }
}
