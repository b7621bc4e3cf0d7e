package kumite.kind;

import java.util.Objects;
import kumite.measure.Check;

/**
 * A kind of thing that feeds a build, passes its current on, or takes it without being a control.
 *
 * @param id its id, such as {@code jack-5v}
 * @param name short
 * @param trait what tells it from its neighbours, one line
 * @param does what it does with the current
 */
public record SupplyKind(String id, String name, String trait, Does does) {
  /** What it does with the current. */
  public sealed interface Does {
    /** {@return its tab where current comes in; empty for what feeds} */
    String in();

    /** {@return its tab where current goes on to others; empty for what only takes} */
    String out();

    /** {@return whether it has a ground of its own beside its plus} */
    default boolean grounded() {
      return true;
    }

    /** {@return its ground tab towards what feeds it} */
    default String groundIn() {
      return "-";
    }

    /** {@return its ground tab towards what it feeds} */
    default String groundOut() {
      return "-";
    }
  }

  /**
   * Where current comes from.
   *
   * @param form what it is
   * @param volts it gives, usually
   * @param leastVolts at least, in use
   * @param mostMilliamps what it is rated for; 0 where that is on its label only
   * @param milliampHours what it holds; 0 for what has no end
   * @param lithium whether it is a bare lithium cell
   */
  public record Source(
      Form form,
      double volts,
      double leastVolts,
      double mostMilliamps,
      double milliampHours,
      boolean lithium)
      implements Does {
    public Source {
      Objects.requireNonNull(form, "form");
      Check.between(0.5, 24, volts, "volts");
      Check.between(0, volts, leastVolts, "least_v");
      Check.between(0, 20_000, mostMilliamps, "most_ma");
      Check.between(0, 100_000, milliampHours, "mah");
    }

    @Override
    public String in() {
      return "";
    }

    @Override
    public String out() {
      return "+";
    }
  }

  /** What a source is. */
  public enum Form {
    /** A socket for the plug of a supply. */
    JACK,
    BANK,
    /** A cell in its holder. */
    CELL,
    /** A port of a computer or its hub. */
    PORT
  }

  /** What lies in one wire and opens it. */
  public sealed interface Through extends Does {
    @Override
    default String in() {
      return "1";
    }

    @Override
    default String out() {
      return "2";
    }

    @Override
    default boolean grounded() {
      return false;
    }
  }

  /**
   * A switch in the plus.
   *
   * @param mostMilliamps what its contacts bear
   */
  public record Switch(double mostMilliamps) implements Through {}

  /**
   * A fuse in the plus; one that resets itself too.
   *
   * @param milliamps what it holds for ever
   */
  public record Fuse(double milliamps) implements Through {}

  /**
   * The circuit that guards a cell.
   *
   * @param mostMilliamps at which it cuts off
   */
  public record Guard(double mostMilliamps) implements Does {
    @Override
    public String in() {
      return "B+";
    }

    @Override
    public String out() {
      return "P+";
    }

    @Override
    public String groundIn() {
      return "B-";
    }

    @Override
    public String groundOut() {
      return "P-";
    }
  }

  /**
   * Makes other volts.
   *
   * @param leastVolts it works from
   * @param mostVolts it bears
   * @param volts it gives
   * @param mostMilliamps it gives at most
   * @param share of what it takes that comes out again, above 0 to 1
   */
  public record Converter(
      double leastVolts, double mostVolts, double volts, double mostMilliamps, double share)
      implements Does {
    public Converter {
      Check.above(0, share, "share");
      Check.between(0, 1, share, "share");
      Check.between(leastVolts, 36, mostVolts, "most_v");
    }

    @Override
    public String in() {
      return "IN+";
    }

    @Override
    public String out() {
      return "OUT+";
    }

    @Override
    public String groundIn() {
      return "IN-";
    }

    @Override
    public String groundOut() {
      return "OUT-";
    }
  }

  /**
   * A strip of lamps that are told their colours one by one.
   *
   * @param volts it is made for
   * @param idleMilliamps of each lamp, dark
   * @param mostMilliamps of each lamp, white
   * @param pitchMm from lamp to lamp
   * @param ohmPerMetre of its copper, both ways together
   */
  public record Strip(
      double volts, double idleMilliamps, double mostMilliamps, double pitchMm, double ohmPerMetre)
      implements Does {
    /** Where its data comes in. */
    public static final String DATA = "DIN";

    /**
     * Telling one lamp its 24 bits takes so long, at 1.25 us each: common practice, from memory of
     * sheets of such lamps.
     */
    public static final int US_PER_LAMP = 30;

    /** Data is high from this share of its supply on: common practice. */
    public static final double HIGH = 0.7;

    @Override
    public String in() {
      return "+";
    }

    @Override
    public String out() {
      return "";
    }
  }

  /**
   * A lamp without a contact, lit while it is fed.
   *
   * @param lamp it, its resistor inside
   */
  public record Indicator(Lamp lamp) implements Does {
    @Override
    public String in() {
      return "+";
    }

    @Override
    public String out() {
      return "";
    }
  }

  public SupplyKind {
    Check.filled(id, "id");
    Check.writable(name, "name");
    Objects.requireNonNull(trait, "trait");
    Objects.requireNonNull(does, "does");
  }
}
