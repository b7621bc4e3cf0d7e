package kumite.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.measure.Point;
import kumite.working.Source;

/**
 * Several plugs at one end of a lead, so that a lead has three ends or more: their ids joined by
 * {@code -and-}, such as {@code nine-pin-and-nine-pin}. The pins of the first begin with A, those
 * of the second with B.
 */
final class Several {
  private static final String AND = "-and-";
  private static final double BETWEEN_MM = 10;

  /** More plugs than this at one end are no plugs but a harness. */
  private static final int MOST = 4;

  private Several() {}

  /** {@return the ids that an id is joined of; itself alone where it is one} */
  static List<String> parts(String id) {
    List<String> parts = List.of(id.split(AND, -1));
    return parts.size() > MOST ? List.of(id) : parts;
  }

  private static String letter(int i) {
    return String.valueOf((char) ("A".charAt(0) + i));
  }

  private static double half(ConnectorKind kind) {
    return kind.outline().stream().mapToDouble(p -> Math.abs(p.xMm())).max().orElse(0);
  }

  /** {@return several connectors side by side, as one shape} */
  static ConnectorKind of(List<ConnectorKind> kinds) {
    double wide =
        kinds.stream().mapToDouble(k -> 2 * half(k)).sum() + BETWEEN_MM * (kinds.size() - 1);
    double left = -wide / 2;
    double high = 0;
    List<ConnectorKind.Pin> pins = new ArrayList<>();
    List<Wired> wired = new ArrayList<>(kinds.get(0).wired());
    for (int i = 0; i < kinds.size(); i++) {
      ConnectorKind kind = kinds.get(i);
      double middle = left + half(kind);
      for (ConnectorKind.Pin pin : kind.pins()) {
        pins.add(new ConnectorKind.Pin(letter(i) + pin.name(), pin.at().plus(middle, 0)));
      }
      high =
          Math.max(
              high, kind.outline().stream().mapToDouble(p -> Math.abs(p.yMm())).max().orElse(0));
      left += 2 * half(kind) + BETWEEN_MM;
      Set<Wired.How> ways =
          kind.wired().stream().map(Wired::how).collect(Collectors.toCollection(HashSet::new));
      wired.removeIf(way -> !ways.contains(way.how()));
    }
    return new ConnectorKind(
        joined(kinds.stream().map(ConnectorKind::id).toList()),
        named(kinds.stream().map(ConnectorKind::name).toList()),
        "several plugs at one end",
        pins,
        List.of(
            new Point(-wide / 2, high),
            new Point(wide / 2, high),
            new Point(wide / 2, -high),
            new Point(-wide / 2, -high)),
        List.of(),
        List.of(),
        named(kinds.stream().map(ConnectorKind::numbering).toList()),
        wired.isEmpty() ? kinds.get(0).wired() : wired,
        kinds.stream().mapToDouble(ConnectorKind::ampsEach).min().orElseThrow(),
        kinds.get(0).padGender(),
        Source.derived("side by side, each as it is"));
  }

  private static String joined(List<String> ids) {
    return String.join(AND, ids);
  }

  private static String named(List<String> names) {
    List<String> each = new ArrayList<>();
    for (int i = 0; i < names.size(); i++) {
      each.add(letter(i) + ": " + names.get(i));
    }
    return String.join("; ", each);
  }

  /** {@return what the pins of several plugs do} */
  static Pinout pins(List<Pinout> pinouts) {
    List<Pinout.Pin> pins = new ArrayList<>();
    Set<String> identity = new HashSet<>();
    for (int i = 0; i < pinouts.size(); i++) {
      String letter = letter(i);
      for (Pinout.Pin pin : pinouts.get(i).pins()) {
        pins.add(new Pinout.Pin(letter + pin.pin(), pin.function(), pin.flow(), pin.some()));
      }
      pinouts.get(i).identity().forEach(pin -> identity.add(letter + pin));
    }
    return new Pinout(
        joined(pinouts.stream().map(Pinout::id).toList()),
        named(pinouts.stream().map(Pinout::name).toList()),
        joined(pinouts.stream().map(Pinout::connector).toList()),
        pinouts.stream().mapToDouble(Pinout::volts).max().orElseThrow(),
        pinouts.stream().mapToDouble(Pinout::padTakesA).sum(),
        pins,
        identity,
        Source.derived("each as it is"));
  }
}
