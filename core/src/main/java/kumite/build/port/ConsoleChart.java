package kumite.build.port;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
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

  private static Optional<Target.Direction> direction(String button) {
    return Optional.ofNullable(DIRECTIONS.get(button.toLowerCase(Locale.ROOT)));
  }

  /** {@return the meaning of each of its buttons, of the first gamepad} */
  private Map<String, Target> plain() {
    List<String> buttons = kind.buttons();
    boolean hat = buttons.stream().filter(name -> direction(name).isPresent()).count() == 4;
    Map<String, Target> plain = new LinkedHashMap<>();
    int number = 0;
    for (String name : buttons) {
      Optional<Target.Direction> way = hat ? direction(name) : Optional.empty();
      plain.put(name, way.isPresent() ? new Target.Hat(way.get()) : new Target.Button(++number));
    }
    return plain;
  }

  private Target ours(Target plain) {
    return pad == 1 ? plain : new Target.OnPad(pad, plain);
  }

  /** {@return the meaning that plays one of its buttons} */
  public Target target(String button) {
    return ours(plain().get(button));
  }

  /** {@return that meaning of the first gamepad, in the words of the map} */
  public String words(String button) {
    Target plain = plain().get(button);
    return plain instanceof Target.Hat hat
        ? "Hat " + hat.direction().name()
        : "Button " + ((Target.Button) plain).number();
  }

  /** {@return the button that a meaning plays, if it plays one} */
  public Optional<String> button(Target target) {
    return button(plain(), target);
  }

  private Optional<String> button(Map<String, Target> plain, Target target) {
    return plain.entrySet().stream()
        .filter(entry -> ours(entry.getValue()).equals(target))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /** {@return the direction against one of its buttons, which both together are neither} */
  public Optional<String> against(String button) {
    return against(plain(), button);
  }

  private Optional<String> against(Map<String, Target> plain, String button) {
    return plain.get(button) instanceof Target.Hat hat
        ? button(plain, ours(new Target.Hat(opposite(hat.direction()))))
        : Optional.empty();
  }

  private static Target.Direction opposite(Target.Direction way) {
    return Target.Direction.values()[(way.ordinal() + 2) % 4];
  }

  /** {@return what the console is told while these meanings are on} */
  public Held held(Collection<Target> on) {
    Map<String, Target> plain = plain();
    Set<String> buttons = new HashSet<>();
    on.forEach(target -> button(plain, target).ifPresent(buttons::add));
    Set<String> told = new HashSet<>(buttons);
    told.removeIf(name -> against(plain, name).filter(buttons::contains).isPresent());
    return new Held(told, Map.of());
  }
}
