package kumite.map;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Pulses;
import kumite.build.map.Target;
import kumite.build.map.Target.Direction;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.name.ContactId;

/**
 * Which way the hand pushes for each contact of a lever that is turned in its panel.
 *
 * <p>A contact keeps the name it has on the lever. Turned a quarter counter-clockwise, the one
 * named {@code up} closes when the hand pushes left.
 */
public final class Turned {
  /** A lever this far off a quarter turn gives no clear direction, in degrees. */
  private static final double OFF_DEGREES = 30;

  /** Arrow keys of the keyboard page (HID Usage Tables, page 0x07). */
  private static final Map<Direction, Integer> ARROWS = new EnumMap<>(Direction.class);

  static {
    ARROWS.put(Direction.E, 0x4F);
    ARROWS.put(Direction.W, 0x50);
    ARROWS.put(Direction.S, 0x51);
    ARROWS.put(Direction.N, 0x52);
  }

  private Turned() {}

  /** {@return the quarter turns of a control, 0 to 3 counter-clockwise; empty between quarters} */
  public static Optional<Integer> quarters(Control control) {
    double turn = control.placement().turnDegrees();
    long quarters = Math.round(turn / 90);
    return Math.abs(turn - 90 * quarters) <= OFF_DEGREES
        ? Optional.of((int) Math.floorMod(quarters, 4L))
        : Optional.empty();
  }

  /** {@return which way the hand pushes to close a contact, if it is one of a lever} */
  public static Optional<Direction> pushed(Control control, ContactKind contact) {
    return quarters(control).flatMap(q -> named(contact).map(d -> turned(d, q)));
  }

  /** {@return the direction that a contact's name says, where it says one} */
  public static Optional<Direction> named(ContactKind contact) {
    for (Direction direction : Direction.values()) {
      if (direction.words().equals(contact.name())) {
        return Optional.of(direction);
      }
    }
    return Optional.empty();
  }

  private static Direction turned(Direction direction, int quarters) {
    Direction[] all = Direction.values(); // clockwise from north
    return all[Math.floorMod(direction.ordinal() - quarters, 4)];
  }

  /** {@return the direction that a meaning has for the host, where it has one} */
  public static Optional<Direction> meant(Target any) {
    Target target = any.plain();
    if (target instanceof Target.Hat hat) {
      return Optional.of(hat.direction());
    }
    if (target instanceof Target.AxisEnd end) {
      return switch (end.axis()) {
        case X, RX -> Optional.of(end.high() ? Direction.E : Direction.W);
        case Y, RY -> Optional.of(end.high() ? Direction.S : Direction.N);
        default -> Optional.empty();
      };
    }
    if (target instanceof Target.Key key) {
      return ARROWS.entrySet().stream()
          .filter(e -> e.getValue() == key.usage())
          .map(Map.Entry::getKey)
          .findFirst();
    }
    return Optional.empty();
  }

  /** {@return the arrow key of a direction} */
  public static Target arrow(Direction direction) {
    return new Target.Key(ARROWS.get(direction));
  }

  /** {@return the meanings that a lever moving that way proposes, the best first} */
  static List<Target> proposals(Direction direction) {
    boolean sideways = direction == Direction.W || direction == Direction.E;
    boolean high = direction == Direction.E || direction == Direction.S;
    return List.of(
        new Target.Hat(direction), new Target.AxisEnd(sideways ? AxisName.X : AxisName.Y, high));
  }

  /** {@return whether both pairs of a ball mean sideways and up and down as on an unturned one} */
  public static boolean rolls(Mapping mapping, ContactId across, ContactId upright) {
    return moves(mapping.of(across), Target.MouseAxis.X, AxisName.X, AxisName.RX)
        && moves(mapping.of(upright), Target.MouseAxis.Y, AxisName.Y, AxisName.RY);
  }

  private static boolean moves(
      Optional<Mapping.Entry> entry, Target.MouseAxis mouse, AxisName one, AxisName other) {
    return entry
        .map(e -> e.target().plain())
        .filter(
            t ->
                t instanceof Target.Motion m && m.axis() == mouse
                    || t instanceof Target.Axis a && (a.axis() == one || a.axis() == other))
        .isPresent();
  }

  /**
   * {@return a build whose ball is mapped as it sits}
   *
   * <p>Turned a quarter counter-clockwise, what rolled right rolls up: the pair across gives up and
   * down, backward, and the pair upright gives right and left.
   *
   * @param quarters counter-clockwise, 1 to 3
   */
  public static Build ball(Build build, ContactId across, ContactId upright, int quarters) {
    Build next = build;
    if (quarters != 2) {
      Mapping map = build.mapping();
      Mapping.Entry x = map.of(across).orElseThrow();
      Mapping.Entry y = map.of(upright).orElseThrow();
      next = next.withMapping(map.with(across, y).with(upright, x));
    }
    next = quarters == 3 ? next : turned(next, across);
    return quarters == 1 ? next : turned(next, upright);
  }

  private static Build turned(Build build, ContactId first) {
    Pulses pulses = build.tuning().pulses().getOrDefault(first, Pulses.USUAL);
    Pulses other = new Pulses(pulses.perTurn(), pulses.perStep(), !pulses.turned());
    return build.withTuning(build.tuning().withPulses(first, Optional.of(other)));
  }

  /**
   * {@return the contacts of a turned lever that still mean what they are named, and not the way
   * the hand pushes for them}
   */
  public static List<ContactId> notTurned(Control control, ControlKind kind, Mapping mapping) {
    List<ContactId> wrong = new ArrayList<>();
    for (ContactKind contact : kind.contacts()) {
      ContactId id = new ContactId(control.id(), contact.name());
      Optional<Direction> meant = mapping.of(id).flatMap(entry -> meant(entry.target()));
      Optional<Direction> pushed = pushed(control, contact);
      if (meant.isPresent()
          && pushed.isPresent()
          && meant.equals(named(contact))
          && !meant.equals(pushed)) {
        wrong.add(id);
      }
    }
    return wrong;
  }

  /** {@return the mapping with the directions of a lever going the way the hand pushes} */
  public static Mapping turned(Control control, ControlKind kind, Mapping mapping) {
    Map<Direction, Mapping.Entry> entries = new EnumMap<>(Direction.class);
    for (ContactKind contact : kind.contacts()) {
      Optional<Mapping.Entry> entry = mapping.of(new ContactId(control.id(), contact.name()));
      entry.flatMap(e -> meant(e.target())).ifPresent(d -> entries.put(d, entry.get()));
    }
    Mapping turned = mapping;
    for (ContactKind contact : kind.contacts()) {
      ContactId id = new ContactId(control.id(), contact.name());
      Optional<Mapping.Entry> wanted = pushed(control, contact).map(entries::get);
      if (mapping.of(id).isPresent() && wanted.isPresent()) {
        turned = turned.with(id, wanted.get());
      }
    }
    return turned;
  }
}
