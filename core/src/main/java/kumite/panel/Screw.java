package kumite.panel;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kumite.build.panel.Panel;
import kumite.kind.ScrewHole;
import kumite.working.Working;

/**
 * Machine screws of mounting holes.
 *
 * @param name such as {@code M4}
 * @param diameterMm of its thread; of a No. 8 0.164 in, ASME B1.1, from memory
 * @param clearanceMm the hole it passes through, medium fit (ISO 273, from memory; inch sizes ASME
 *     B18.2.8, from memory)
 * @param headMm the widest a flat head can be (ISO 10642, theoretical diameter, from memory; inch
 *     sizes ASME B18.6.3, from memory); 0 where that standard has none
 * @param coneDegrees of its flat head: 90 metric, 82 inch
 */
public record Screw(
    String name, double diameterMm, double clearanceMm, double headMm, double coneDegrees) {
  private static final List<Screw> ALL =
      List.of(
          metric(2, 2.4, 0),
          metric(2.5, 2.9, 0),
          metric(3, 3.4, 6.72),
          metric(3.5, 3.9, 0),
          metric(4, 4.5, 8.96),
          new Screw("No. 8-32", 0.164 * 25.4, 4.5, 8.4, 82),
          metric(5, 5.5, 11.20),
          metric(6, 6.6, 13.44));

  private static final Pattern ASIDE = Pattern.compile("no\\.?|#|\\s");
  private static final Map<String, Screw> BY_NAME =
      ALL.stream().collect(Collectors.toMap(screw -> plain(screw.name()), screw -> screw));

  private static Screw metric(double diameterMm, double clearanceMm, double headMm) {
    String name = "M" + Working.number(diameterMm, diameterMm % 1 == 0 ? 0 : 1);
    return new Screw(name, diameterMm, clearanceMm, headMm, 90);
  }

  /** A head or washer of a screw that no table here has, in holes: common practice, no source. */
  private static final double HEAD_PER_HOLE = 2;

  /** {@return all screws, smallest first} */
  public static List<Screw> all() {
    return ALL;
  }

  /** {@return the screw of that name, if it is known} */
  public static Optional<Screw> named(String name) {
    String plain = plain(name);
    return Optional.ofNullable(BY_NAME.get(plain));
  }

  /** People write No. 8-32, #8-32 and 8-32 for one screw. */
  private static String plain(String name) {
    return ASIDE.matcher(name.toLowerCase(Locale.ROOT)).replaceAll("");
  }

  /** {@return the sink for its head in a hole of a sheet; 0 where none leaves enough to hold} */
  public static double sinkMm(ScrewHole hole, Panel panel) {
    return named(hole.screw())
        .filter(screw -> screw.leavesMm(hole, panel) >= panel.material().underSinkMm())
        .map(Screw::headMm)
        .orElse(0.0);
  }

  /** {@return what a sink for its head leaves of a sheet below it, in mm} */
  public double leavesMm(ScrewHole hole, Panel panel) {
    return panel.thicknessMm() - sinkDepthMm(hole.diameterMm());
  }

  /** {@return the circle that the head, nut or washer at a hole takes, in mm} */
  static double headRoomMm(ScrewHole hole) {
    double known = named(hole.screw()).map(Screw::headMm).orElse(0.0);
    return known > 0 ? known : HEAD_PER_HOLE * hole.diameterMm();
  }

  /**
   * {@return how deep a sink for the head goes into the sheet around a hole, in mm: half of what
   * the head is wider than its hole, by the slope of the cone, which of 90 degrees is 1}
   */
  public double sinkDepthMm(double holeMm) {
    return Math.max(0, (headMm - holeMm) / 2 / Math.tan(Math.toRadians(coneDegrees / 2)));
  }
}
