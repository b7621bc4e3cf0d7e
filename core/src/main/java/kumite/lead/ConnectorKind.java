package kumite.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.measure.Range;
import kumite.working.Source;

/**
 * A shape of connector: where its pins are and how they are numbered.
 *
 * <p>Its geometry is kept once, as the mating face of the half with pins shows it; every other view
 * is that one or its mirror image, see {@link #seen}.
 *
 * @param id its word in files and on the command line, such as {@code nine-pin}
 * @param name for people
 * @param mechanism what it is known by at the bench
 * @param pins in the order they are numbered, each name once
 * @param outline the edge of its face, a closed line of 3 corners or more
 * @param key what keeps it from going in the wrong way round, a closed line; empty where the
 *     outline itself does
 * @param socketKey the same of the half with sockets, looking at its own mating face; empty where
 *     it is the mirror image
 * @param numbering how its pins are counted, looking at the mating face of the half with pins
 * @param wired the ways a wire is put on, the usual one first; at least one
 * @param ampsEach what one pin carries, in A
 * @param padGender what the plug at an old pad's or stick's cable usually is
 * @param source where its measures and its numbering come from
 */
public record ConnectorKind(
    String id,
    String name,
    String mechanism,
    List<Pin> pins,
    List<Point> outline,
    List<Point> key,
    List<Point> socketKey,
    String numbering,
    List<Wired> wired,
    double ampsEach,
    Gender padGender,
    Source source) {
  /** What one pin carries. */
  public static final Range AMPS = Range.above(0, "A");

  /** More pins than any connector here has. */
  public static final int MOST_PINS = 128;

  /**
   * A pin.
   *
   * @param name as printed at it
   * @param at its middle at the mating face of the half with pins: mm right and up from the middle
   */
  public record Pin(String name, Point at) {
    public Pin {
      Check.writable(name, "name of a pin");
      Objects.requireNonNull(at, "at");
    }
  }

  public ConnectorKind {
    if (!id.matches("[a-z][a-z0-9-]{0,39}")) {
      throw new IllegalArgumentException(
          "\"" + id + "\" is no id of a connector; use small letters, digits and hyphens");
    }
    Check.writable(name, "name of a connector");
    pins = List.copyOf(pins);
    outline = List.copyOf(outline);
    key = List.copyOf(key);
    socketKey = List.copyOf(socketKey);
    wired = List.copyOf(wired);
    Check.between(1, MOST_PINS, pins.size(), "number of pins of connector " + id);
    AMPS.check(ampsEach, "current of a pin in A");
    Objects.requireNonNull(padGender, "padGender");
    Objects.requireNonNull(source, "source");
    if (wired.isEmpty()) {
      throw new IllegalArgumentException("connector " + id + " says no way to put a wire on it");
    }
    Set<String> names = new HashSet<>();
    Set<Point> places = new HashSet<>();
    for (Pin pin : pins) {
      if (!names.add(pin.name())) {
        throw new IllegalArgumentException(
            "connector " + id + " has two pins called \"" + pin.name() + "\"");
      }
      if (!places.add(pin.at())) {
        throw new IllegalArgumentException(
            "connector " + id + " has another pin where \"" + pin.name() + "\" is");
      }
    }
  }

  /** {@return whether it is no connector but a cable cut off} */
  public boolean bare() {
    return wired.get(0).how() == Wired.How.BARE;
  }

  /** {@return the pins' names in order} */
  public List<String> names() {
    return pins.stream().map(Pin::name).toList();
  }

  /** {@return whether it has a pin of that name} */
  public boolean has(String pin) {
    return pins.stream().anyMatch(p -> p.name().equals(pin));
  }

  /** {@return the pin whose number a pin has where a face is taken for the one that it faces} */
  public Optional<String> facing(String pin) {
    return pins.stream()
        .filter(p -> p.name().equals(pin))
        .findFirst()
        .flatMap(
            p ->
                pins.stream()
                    .filter(other -> other.at().distanceMm(mirrored(p.at())) < 0.05)
                    .map(Pin::name)
                    .findFirst());
  }

  /** {@return the place of a pin in the order of numbers, 0 upward; after all where it has none} */
  public int order(String pin) {
    int at = names().indexOf(pin);
    return at < 0 ? pins.size() : at;
  }

  /** {@return the way of putting a wire on that is asked for, if it has that; the usual without} */
  public Wired wired(Optional<Wired.How> how) {
    return how.flatMap(h -> ways().stream().filter(w -> w.how() == h).findFirst())
        .orElse(wired.get(0));
  }

  /** {@return all ways: those of its own, and that it was moulded on, which any plug can be} */
  public List<Wired> ways() {
    List<Wired> ways = new ArrayList<>(wired);
    if (!bare() && wired.stream().noneMatch(w -> w.how() == Wired.How.MOULDED)) {
      ways.add(Wired.AS_MOULDED);
    }
    return ways;
  }

  /**
   * {@return how it looks}
   *
   * <p>Pins and sockets face each other, so the mating face of the half with sockets is the mirror
   * image of that with pins; and every wire side is the mirror image of its own mating face.
   */
  public Seen seen(Gender gender, Side side) {
    boolean mirrored = gender == Gender.FEMALE ^ side == Side.WIRES;
    List<Pin> spots = new ArrayList<>();
    for (Pin pin : pins) {
      spots.add(new Pin(pin.name(), mirrored ? mirrored(pin.at()) : pin.at()));
    }
    return new Seen(
        this,
        gender,
        side,
        spots,
        mirrored ? outline.stream().map(ConnectorKind::mirrored).toList() : outline,
        key(gender, side));
  }

  /** A tongue is not mirrored into its counterpart: the other half's lies on its other side. */
  private List<Point> key(Gender gender, Side side) {
    boolean own = gender == Gender.FEMALE && !socketKey.isEmpty();
    boolean mirrored = own ? side == Side.WIRES : gender == Gender.FEMALE ^ side == Side.WIRES;
    List<Point> line = own ? socketKey : key;
    return mirrored ? line.stream().map(ConnectorKind::mirrored).toList() : line;
  }

  private static Point mirrored(Point at) {
    return new Point(at.xMm() == 0 ? 0 : -at.xMm(), at.yMm());
  }
}
