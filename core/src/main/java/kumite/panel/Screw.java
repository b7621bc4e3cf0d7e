package kumite.panel;

import java.util.List;
import java.util.Optional;

/**
 * Machine screws of mounting holes.
 *
 * @param name such as {@code M4}
 * @param clearanceMm the hole it passes through, medium fit (ISO 273, from memory)
 * @param headMm the widest a flat 90 degree head can be (ISO 10642, theoretical diameter, from
 *     memory); 0 where that standard has none
 */
public record Screw(String name, double clearanceMm, double headMm) {
  private static final List<Screw> ALL =
      List.of(
          new Screw("M2", 2.4, 0),
          new Screw("M2.5", 2.9, 0),
          new Screw("M3", 3.4, 6.72),
          new Screw("M3.5", 3.9, 0),
          new Screw("M4", 4.5, 8.96),
          new Screw("M5", 5.5, 11.20),
          new Screw("M6", 6.6, 13.44));

  /** {@return all screws, smallest first} */
  public static List<Screw> all() {
    return ALL;
  }

  /** {@return the screw of that name, if it is known} */
  public static Optional<Screw> named(String name) {
    return ALL.stream().filter(screw -> screw.name().equals(name)).findFirst();
  }
}
