package kumite.panel;

import java.util.List;
import java.util.Optional;
import kumite.kind.ScrewHole;

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

  /** A head or washer of a screw that no table here has, in holes: common practice, no source. */
  private static final double HEAD_PER_HOLE = 2;

  /** {@return all screws, smallest first} */
  public static List<Screw> all() {
    return ALL;
  }

  /** {@return the screw of that name, if it is known} */
  public static Optional<Screw> named(String name) {
    return ALL.stream().filter(screw -> screw.name().equals(name)).findFirst();
  }

  /** {@return the circle that the head, nut or washer at a hole takes, in mm} */
  static double headRoomMm(ScrewHole hole) {
    double known = named(hole.screw()).map(Screw::headMm).orElse(0.0);
    return known > 0 ? known : HEAD_PER_HOLE * hole.diameterMm();
  }

  /**
   * {@return how deep a 90 degree sink for the head goes into the sheet, in mm: half of what the
   * head is wider than its hole, since the cone's side stands at 45 degrees}
   */
  public static double sinkDepthMm(double headMm, double holeMm) {
    return Math.max(0, (headMm - holeMm) / 2);
  }
}
