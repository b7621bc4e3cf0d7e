package kumite.build.port;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.map.Target;
import kumite.signal.Held;
import kumite.signal.PortKind;

/**
 * What a console makes of a gamepad: which meaning plays which of its buttons. Up, right, down and
 * left are the hat, where a pad has all four; the others are buttons 1 upward, in the order that
 * they are told. A pad that is read is charted in the same way.
 *
 * @param kind the kind of port that the console has
 * @param pad the gamepad of the device that answers it, 1 for the first
 */
public record ConsoleChart(PortKind kind, int pad) {
  private static final Map<String, Target.Direction> DIRECTIONS =
      Map.of(
          "up", Target.Direction.N,
          "right", Target.Direction.E,
          "down", Target.Direction.S,
          "left", Target.Direction.W);

  /** The chart of the first gamepad. */
  public ConsoleChart(PortKind kind) {
    this(kind, 1);
  }

  private Optional<Target.Direction> direction(String button) {
    List<String> plain =
        kind.buttons().stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
    return plain.containsAll(DIRECTIONS.keySet())
        ? Optional.ofNullable(DIRECTIONS.get(button.toLowerCase(Locale.ROOT)))
        : Optional.empty();
  }

  /** {@return the place of a button among those that are no directions, 1 upward} */
  private int number(String button) {
    return kind.buttons().stream()
            .filter(name -> direction(name).isEmpty())
            .toList()
            .indexOf(button)
        + 1;
  }

  /** {@return the meaning that plays one of its buttons} */
  public Target target(String button) {
    Target plain =
        direction(button)
            .<Target>map(Target.Hat::new)
            .orElseGet(() -> new Target.Button(number(button)));
    return pad == 1 ? plain : new Target.OnPad(pad, plain);
  }

  /** {@return that meaning of the first gamepad, in the words of the map} */
  public String words(String button) {
    return direction(button)
        .map(way -> "Hat " + way.name())
        .orElseGet(() -> "Button " + number(button));
  }

  /** {@return the button that a meaning plays, if it plays one} */
  public Optional<String> button(Target target) {
    return kind.buttons().stream().filter(name -> target(name).equals(target)).findFirst();
  }

  /** {@return the direction against one of its buttons, which both together are neither} */
  public Optional<String> against(String button) {
    return direction(button)
        .map(way -> Target.Direction.values()[(way.ordinal() + 2) % 4])
        .flatMap(way -> button(pad == 1 ? new Target.Hat(way) : onPad(way)));
  }

  private Target onPad(Target.Direction way) {
    return new Target.OnPad(pad, new Target.Hat(way));
  }

  /** {@return what the console is told while these meanings are on} */
  public Held held(Collection<Target> on) {
    Set<String> buttons = new HashSet<>();
    on.forEach(target -> button(target).ifPresent(buttons::add));
    Set<String> told = new HashSet<>(buttons);
    told.removeIf(name -> against(name).filter(buttons::contains).isPresent());
    return new Held(told, Map.of());
  }
}
