package kumite.build.port;

import java.util.Objects;
import java.util.Optional;
import kumite.build.Control;
import kumite.measure.Check;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.signal.PortKind;

/**
 * A place at a board where a pad plugs in and is read, so that its buttons are contacts like any;
 * or where the build is the pad, and answers a console.
 *
 * @param id its id, unlike that of any control; its pad's contacts are named by it, such as {@code
 *     pad-1.start}
 * @param label what people call it
 * @param kind the id of its kind
 * @param placement where its socket sits, on the face of the panel
 * @param seat the seat whose board it is at; empty for the first
 * @param feedVolts what its pad is fed with; empty as the board wants it
 * @param does which side of the plug the build is
 */
public record Port(
    ControlId id,
    String label,
    String kind,
    Placement placement,
    Optional<SeatId> seat,
    Optional<Double> feedVolts,
    Does does) {

  /** Which side of the plug a build is. */
  public enum Does {
    /** A pad plugs in. */
    READS("reads a pad"),
    /** The build is the pad. */
    ANSWERS("answers a console");

    private final String words;

    Does(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  /** Before the id of its kind, where kinds of controls are named. */
  public static final String AS_CONTROL = "port ";

  public Port {
    Objects.requireNonNull(id, "id");
    Check.writable(label, "label");
    Check.filled(kind, "kind of a port");
    Objects.requireNonNull(placement, "placement");
    Objects.requireNonNull(seat, "seat");
    Objects.requireNonNull(does, "does");
    if (does == Does.ANSWERS && feedVolts.isPresent()) {
      throw new IllegalArgumentException(
          "a port that answers is fed by its console; leave its feed out");
    }
    feedVolts.ifPresent(volts -> PortKind.VOLTS.check(volts, "feed of a port in V"));
  }

  /** {@return a port of the first seat, fed as its board wants it} */
  public static Port of(ControlId id, String label, String kind, Placement placement) {
    return new Port(id, label, kind, placement, Optional.empty(), Optional.empty(), Does.READS);
  }

  /** {@return the pad as what bears contacts; no panel carries it} */
  public Control control() {
    return Control.of(id, label, AS_CONTROL + kind, placement).withSeat(seat);
  }

  /** {@return the same at another seat; empty for the first} */
  public Port withSeat(Optional<SeatId> newSeat) {
    return new Port(id, label, kind, placement, newSeat, feedVolts, does);
  }

  /** {@return the same fed otherwise; empty as the board wants it} */
  public Port withFeed(Optional<Double> newFeedVolts) {
    return new Port(id, label, kind, placement, seat, newFeedVolts, does);
  }

  /** {@return whether a pad plugs in here} */
  public boolean reads() {
    return does == Does.READS;
  }

  /** {@return the same on that side of the plug; one that answers is fed by its console} */
  public Port doing(Does newDoes) {
    Optional<Double> fed = newDoes == Does.READS ? feedVolts : Optional.empty();
    return new Port(id, label, kind, placement, seat, fed, newDoes);
  }

  /** {@return the same under another label} */
  public Port withLabel(String newLabel) {
    return new Port(id, newLabel, kind, placement, seat, feedVolts, does);
  }

  /** {@return the same of another kind} */
  public Port withKind(String newKind) {
    return new Port(id, label, newKind, placement, seat, feedVolts, does);
  }

  /** {@return the same elsewhere} */
  public Port withPlacement(Placement newPlacement) {
    return new Port(id, label, kind, newPlacement, seat, feedVolts, does);
  }
}
