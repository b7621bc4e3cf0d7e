package kumite.lead;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.working.Source;

/**
 * A connector that comes in every length: pins in one row or two.
 *
 * @param id what its id begins with, such as {@code header}
 * @param name for people
 * @param mechanism what it is known by at the bench
 * @param rows of pins, 1 or 2
 * @param fewest pins a row
 * @param most pins a row
 * @param pitchMm from pin to pin, in mm
 * @param numbering how they are counted
 * @param wired the ways a wire is put on
 * @param ampsEach what one pin carries, in A
 * @param source where its measures come from
 */
public record ConnectorRow(
    String id,
    String name,
    String mechanism,
    int rows,
    int fewest,
    int most,
    double pitchMm,
    String numbering,
    List<Wired> wired,
    double ampsEach,
    Source source) {
  public ConnectorRow {
    wired = List.copyOf(wired);
    Check.between(1, 2, rows, "rows of a connector");
    Check.above(0, pitchMm, "pitch in mm");
  }

  /** {@return its ids, in words} */
  public String words() {
    return id + "-" + fewest + " to " + id + "-" + most;
  }

  /** {@return the connector of an id such as {@code header-12}, if it is one of these} */
  public Optional<ConnectorKind> ofId(String wanted) {
    if (!wanted.matches(id + "-[1-9][0-9]{0,2}")) {
      return Optional.empty();
    }
    int count = Integer.parseInt(wanted.substring(id.length() + 1));
    return count >= fewest && count <= most ? Optional.of(of(count)) : Optional.empty();
  }

  /** {@return it with so many pins a row} */
  public ConnectorKind of(int count) {
    List<ConnectorKind.Pin> pins = new ArrayList<>();
    double half = (count - 1) * pitchMm / 2;
    for (int i = 0; i < count * rows; i++) {
      double x = i / rows * pitchMm - half;
      double y = rows == 1 ? 0 : i % 2 == 0 ? pitchMm / 2 : -pitchMm / 2;
      pins.add(new ConnectorKind.Pin(String.valueOf(i + 1), new Point(x, y)));
    }
    double wide = half + pitchMm / 2;
    double high = rows * pitchMm / 2;
    List<Point> outline =
        List.of(
            new Point(-wide, high),
            new Point(wide, high),
            new Point(wide, -high),
            new Point(-wide, -high));
    double foot = pitchMm / 4;
    List<Point> mark = // a notch beside pin 1, since both ways round look alike
        List.of(
            new Point(-wide, high + foot),
            new Point(-wide + 2 * foot, high + foot),
            new Point(-wide + foot, high));
    return new ConnectorKind(
        id + "-" + count,
        name.replace("#", String.valueOf(count * rows)),
        mechanism,
        pins,
        outline,
        mark,
        List.of(),
        numbering,
        wired,
        ampsEach,
        Gender.FEMALE,
        source);
  }
}
