package kumite.lead;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import kumite.measure.Check;
import kumite.working.Quantity;

/** A part soldered into a lead. */
public sealed interface LeadPart {

  /** {@return it in words, with its place} */
  String words();

  /** {@return the pins it hangs on} */
  Set<Place> places();

  /** {@return the same in a lead that is used the other way round} */
  LeadPart turned();

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
  record Series(String from, String to, double ohm) implements LeadPart {
    public Series {
      Check.filled(from, "pin of a part");
      Check.filled(to, "pin of a part");
      Check.between(0.1, 1e8, ohm, "series resistor in ohm");
    }

    @Override
    public String words() {
      return Quantity.OHM.words(ohm) + " in the core from " + from + " to " + to;
    }

    @Override
    public Set<Place> places() {
      return Set.of(new Place(Where.FROM, from), new Place(Where.TO, to));
    }

    @Override
    public LeadPart turned() {
      return new Series(to, from, ohm);
    }
  }

  /** A resistor from a pin to the ground of that end. */
  record ResistorToGround(Place at, double ohm) implements LeadPart {
    public ResistorToGround {
      Check.between(0.1, 1e8, ohm, "resistor in ohm");
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
      Check.between(1e-13, 1, farad, "capacitor in F");
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
      Check.between(0.1, 1e8, ohm, "pull-up in ohm");
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
      return Set.of(at, new Place(at.end(), other));
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
