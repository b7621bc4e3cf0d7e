package kumite.signal;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.measure.Check;

/**
 * What hands do with a pad.
 *
 * @param buttons the buttons held, in the order they were named
 * @param axes where its axes stand, 0 to 1; those that are not named rest in the middle
 */
public record Held(Set<String> buttons, Map<String, Double> axes) {
  /** No hand on it. */
  public static final Held NOTHING = new Held(Set.of(), Map.of());

  /** Where an axis stands that nobody moves. */
  public static final double MIDDLE = 0.5;

  public Held {
    buttons = Collections.unmodifiableSet(new LinkedHashSet<>(buttons));
    axes = Collections.unmodifiableMap(new LinkedHashMap<>(axes));
    axes.forEach((name, at) -> Check.between(0, 1, at, "axis " + name));
  }

  /** {@return whether a button is held} */
  public boolean holds(String button) {
    return buttons.contains(button);
  }

  /** {@return where an axis stands, 0 to 1} */
  public double at(String axis) {
    return axes.getOrDefault(axis, MIDDLE);
  }

  /**
   * {@return what words such as {@code A}, {@code Up} and {@code X=0.25} say}
   *
   * @throws IllegalArgumentException if one names nothing of that kind; the message lists what it
   *     has
   */
  public static Held of(PortKind kind, List<String> words) {
    Set<String> buttons = new LinkedHashSet<>();
    Map<String, Double> axes = new LinkedHashMap<>();
    for (String word : words) {
      int sign = word.indexOf('=');
      if (sign < 0) {
        buttons.add(
            named(kind.buttons(), word)
                .orElseThrow(() -> unknown(kind, "button", word, kind.buttons())));
      } else {
        String name = word.substring(0, sign);
        axes.put(
            named(kind.axes(), name).orElseThrow(() -> unknown(kind, "axis", name, kind.axes())),
            number(word.substring(sign + 1), word));
      }
    }
    return new Held(buttons, axes);
  }

  private static double number(String text, String word) {
    try {
      return Double.parseDouble(text.strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "\"" + word + "\" has no number behind the sign; write NAME=0 to NAME=1", e);
    }
  }

  private static Optional<String> named(List<String> names, String word) {
    return names.stream().filter(name -> name.equalsIgnoreCase(word.strip())).findFirst();
  }

  private static IllegalArgumentException unknown(
      PortKind kind, String what, String word, List<String> names) {
    return new IllegalArgumentException(
        kind.id()
            + " has no "
            + what
            + " \""
            + word
            + "\"; "
            + (names.isEmpty() ? "it has none" : "use " + String.join(", ", names)));
  }
}
