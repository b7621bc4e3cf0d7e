package kumite.map;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.map.AxisName;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;

/**
 * What a host makes of the first gamepad of a profile: which part each meaning plays.
 *
 * @param rows by part, in the order that hosts ask
 */
public record PadChart(Map<PadRole, Row> rows) {
  /**
   * One part.
   *
   * @param target the meaning that plays it
   * @param givers who gives it
   */
  public record Row(Target target, List<Coverage.Giver> givers) {}

  /** {@return the chart of a profile} */
  public static PadChart of(Profile profile) {
    boolean twin =
        profile
            .entries()
            .map(entry -> entry.target())
            .anyMatch(
                t ->
                    t.pad() == 1
                        && (t instanceof Target.Axis a && second(a.axis())
                            || t instanceof Target.AxisEnd e && second(e.axis())));
    Map<PadRole, Row> rows = new EnumMap<>(PadRole.class);
    for (Coverage.Giver giver : Coverage.givers(profile)) {
      PadRole.of(giver.entry().target(), twin)
          .ifPresent(
              role ->
                  rows.computeIfAbsent(
                          role, r -> new Row(giver.entry().target(), new ArrayList<>()))
                      .givers()
                      .add(giver));
    }
    return new PadChart(rows);
  }

  private static boolean second(AxisName axis) {
    return axis == AxisName.RX || axis == AxisName.RY;
  }

  /**
   * {@return the mapping line of the common open controller database (SDL): an id of 32 hexadecimal
   * digits, a name, parts and what plays them, the system}
   *
   * <p>The id holds the bus (3, USB) and places for vendor, product and version: whoever programs
   * the board chooses these.
   *
   * @param name of the controller; commas in it become blanks
   */
  public String line(String name, ReportLayout layout) {
    String parts =
        rows.entrySet().stream()
            .flatMap(
                e ->
                    source(e.getValue().target(), layout)
                        .map(s -> e.getKey().key() + ":" + s)
                        .stream())
            .collect(Collectors.joining(","));
    return "03000000000000000000000000000000,"
        + name.replace(',', ' ').strip()
        + ","
        + (parts.isEmpty() ? "" : parts + ",")
        + "platform:Linux,";
  }

  private static Optional<String> source(Target target, ReportLayout layout) {
    Optional<InputField> field = layout.fieldOf(target);
    if (target instanceof Target.Button button) {
      return field.map(f -> "b" + (button.number() - 1));
    } else if (target instanceof Target.Hat hat) {
      // The bits of a hat: up 1, right 2, down 4, left 8.
      return field.map(f -> String.format(Locale.ROOT, "h0.%d", 1 << hat.direction().ordinal()));
    }
    return field.map(
        f -> {
          long before =
              layout.fields().stream()
                  .filter(other -> other.reportId() == f.reportId())
                  .filter(other -> other.usage().page() == Usage.GENERIC_DESKTOP)
                  .filter(other -> !other.usage().equals(Usage.HAT))
                  .filter(other -> other.bitOffset() < f.bitOffset())
                  .count();
          return "a" + before;
        });
  }
}
