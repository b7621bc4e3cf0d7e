package kumite.lead;

import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import kumite.measure.Check;
import kumite.measure.Range;
import kumite.working.Quantity;

/** A part soldered into a lead. */
public sealed interface LeadPart {
  /** A resistor. */
  Range OHM = Range.of(0.1, 1e8, "ohm");

  /** A capacitor. */
  Range FARAD = Range.of(1e-13, 1, "F");

  /** {@return it in words, with its place} */
  String words();

  /** {@return the pins it hangs on, in the order in which it names them} */
  Set<Place> places();

  private static Set<Place> both(Place one, Place other) {
    return Collections.unmodifiableSet(new LinkedHashSet<>(List.of(one, other)));
  }

  /** {@return the same in a lead that is used the other way round} */
  LeadPart turned();

  /** A part that lies in a core, and so between the pins of that core. */
  sealed interface InCore extends LeadPart permits Series, Diode {
    /** {@return the core's pin at the first end} */
    String from();

    /** {@return the core's pin at the other end} */
    String to();

    /** {@return whether it lies in that core} */
    default boolean in(Core core) {
      return core.from().equals(from()) && core.to().equals(to());
    }

    @Override
    default Set<Place> places() {
      return both(new Place(Where.FROM, from()), new Place(Where.TO, to()));
    }
  }

  /** A part between two pins, and so between two cores. */
  sealed interface Across extends LeadPart permits ResistorAcross, CapacitorAcross {
    /** {@return the one pin} */
    Place at();

    /** {@return the other pin, of the same end or not} */
    Place other();

    /** {@return the same part between two other pins} */
    Across between(Place newAt, Place newOther);

    @Override
    default Set<Place> places() {
      return both(at(), other());
    }

    @Override
    default Across turned() {
      return between(at().across(), other().across());
    }

    private static void check(Place at, Place other) {
      if (at.equals(other)) {
        throw new IllegalArgumentException(
            "a part between two cores needs two pins, but both were " + at.words());
      }
    }
  }

  /** {@return the one pin it hangs on, and the same part on another pin; empty for two pins} */
  default Optional<Hanging> hanging() {
    return Optional.empty();
  }

  /**
   * A part between one pin and a rail of its end.
   *
   * @param at the pin
   * @param moved the same part on another pin
   */
  record Hanging(Place at, Function<Place, LeadPart> moved) {}

  /**
   * A pin of one end.
   *
   * @param end which end
   * @param pin its name
   */
  record Place(Where end, String pin) {
    public Place {
      Objects.requireNonNull(end, "end");
      Check.filled(pin, "pin of a part");
    }

    /** {@return the same pin of the other end's lead} */
    Place across() {
      return new Place(end.across(), pin);
    }

    /** {@return it in words} */
    public String words() {
      return "pin " + pin + " of the " + end.words();
    }
  }

  /**
   * A resistor in a core.
   *
   * @param from the core's pin at the first end
   * @param to its pin at the other end
   * @param ohm above 0
   */
  record Series(String from, String to, double ohm) implements InCore {
    public Series {
      Check.filled(from, "pin of a part");
      Check.filled(to, "pin of a part");
      OHM.check(ohm, "series resistor in ohm");
    }

    @Override
    public String words() {
      return Quantity.OHM.words(ohm) + " in the core from " + from + " to " + to;
    }

    @Override
    public LeadPart turned() {
      return new Series(to, from, ohm);
    }
  }

  /**
   * A signal diode in a core: current flows towards its band.
   *
   * @param from the core's pin at the first end
   * @param to its pin at the other end
   * @param band the end that the band (the cathode) looks to
   */
  record Diode(String from, String to, Where band) implements InCore {
    public Diode {
      Check.filled(from, "pin of a part");
      Check.filled(to, "pin of a part");
      Objects.requireNonNull(band, "band");
    }

    @Override
    public String words() {
      return "a diode in the core from " + from + " to " + to + ", its band to the " + band.words();
    }

    @Override
    public LeadPart turned() {
      return new Diode(to, from, band.across());
    }
  }

  /** A resistor between two pins. */
  record ResistorAcross(Place at, Place other, double ohm) implements Across {
    public ResistorAcross {
      Across.check(at, other);
      OHM.check(ohm, "resistor in ohm");
    }

    @Override
    public String words() {
      return Quantity.OHM.words(ohm) + " between " + at.words() + " and " + other.words();
    }

    @Override
    public ResistorAcross between(Place newAt, Place newOther) {
      return new ResistorAcross(newAt, newOther, ohm);
    }
  }

  /** A capacitor between two pins. */
  record CapacitorAcross(Place at, Place other, double farad) implements Across {
    public CapacitorAcross {
      Across.check(at, other);
      FARAD.check(farad, "capacitor in F");
    }

    @Override
    public String words() {
      return Quantity.FARAD.words(farad) + " between " + at.words() + " and " + other.words();
    }

    @Override
    public CapacitorAcross between(Place newAt, Place newOther) {
      return new CapacitorAcross(newAt, newOther, farad);
    }
  }

  /** The drain wire of the cable's shield on a pin; all of a lead's drain wires are one net. */
  record Drain(Place at) implements LeadPart {
    @Override
    public String words() {
      return "the shield's drain wire on " + at.words();
    }

    @Override
    public Set<Place> places() {
      return Set.of(at);
    }

    @Override
    public LeadPart turned() {
      return new Drain(at.across());
    }
  }

  /** A resistor from a pin to the ground of that end. */
  record ResistorToGround(Place at, double ohm) implements LeadPart {
    public ResistorToGround {
      OHM.check(ohm, "resistor in ohm");
    }

    @Override
    public String words() {
      return Quantity.OHM.words(ohm) + " from " + at.words() + " to ground";
    }

    @Override
    public Set<Place> places() {
      return Set.of(at);
    }

    @Override
    public Optional<Hanging> hanging() {
      return Optional.of(new Hanging(at, place -> new ResistorToGround(place, ohm)));
    }

    @Override
    public LeadPart turned() {
      return new ResistorToGround(at.across(), ohm);
    }
  }

  /** A capacitor from a pin to the ground of that end. */
  record CapacitorToGround(Place at, double farad) implements LeadPart {
    public CapacitorToGround {
      FARAD.check(farad, "capacitor in F");
    }

    @Override
    public String words() {
      return Quantity.FARAD.words(farad) + " from " + at.words() + " to ground";
    }

    @Override
    public Set<Place> places() {
      return Set.of(at);
    }

    @Override
    public Optional<Hanging> hanging() {
      return Optional.of(new Hanging(at, place -> new CapacitorToGround(place, farad)));
    }

    @Override
    public LeadPart turned() {
      return new CapacitorToGround(at.across(), farad);
    }
  }

  /** A resistor from a pin to the supply of that end. */
  record PullUp(Place at, double ohm) implements LeadPart {
    public PullUp {
      OHM.check(ohm, "pull-up in ohm");
    }

    @Override
    public String words() {
      return Quantity.OHM.words(ohm) + " from " + at.words() + " to supply";
    }

    @Override
    public Set<Place> places() {
      return Set.of(at);
    }

    @Override
    public Optional<Hanging> hanging() {
      return Optional.of(new Hanging(at, place -> new PullUp(place, ohm)));
    }

    @Override
    public LeadPart turned() {
      return new PullUp(at.across(), ohm);
    }
  }

  /** A piece of wire between two pins of one end. */
  record Bridge(Place at, String other) implements LeadPart {
    public Bridge {
      Check.filled(other, "pin of a bridge");
      if (at.pin().equals(other)) {
        throw new IllegalArgumentException(
            "a bridge joins two pins, but both were \"" + other + "\"");
      }
    }

    @Override
    public String words() {
      return "bridge from " + at.words() + " to its pin " + other;
    }

    @Override
    public Set<Place> places() {
      return both(at, new Place(at.end(), other));
    }

    @Override
    public LeadPart turned() {
      return new Bridge(at.across(), other);
    }
  }

  /** {@return all of them turned} */
  static List<LeadPart> turned(List<LeadPart> parts) {
    return parts.stream().map(LeadPart::turned).toList();
  }
}
