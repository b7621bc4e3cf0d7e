package kumite.kind;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.measure.Point;

/**
 * One named place on a board where a wire lands.
 *
 * @param name as printed on the board
 * @param role what it is for
 * @param at offset from the board's centre, seen from above, before turning
 * @param side which edge of the board it sits on
 * @param abilities what it can do as an input
 * @param keep why it is better kept free, if it is
 * @param fixed the meaning its board gives it, in the words of the map, if the board fixes one
 * @param volts what a supply terminal gives; 0 for others
 */
public record Terminal(
    String name,
    Role role,
    Point at,
    Side side,
    Set<Ability> abilities,
    Optional<Keep> keep,
    Optional<String> fixed,
    double volts) {

  /** What a terminal is for. */
  public enum Role {
    /** Reads a contact. */
    INPUT,
    /** Ground. */
    GROUND,
    /** The second side of one contact on a board whose common is not proven. */
    RETURN,
    /** Gives volts to pots, ladders and lamps. */
    SUPPLY,
    /** The shared side of all contacts, where the board provides one. */
    COMMON,
    /** A line of the console that the board's circuit answers; {@code fixed} names it. */
    LINE,
    /** A line of the board's own USB host, for the pad in its socket; its ability says which. */
    HOST,
    /** Anything else that no strand goes to: reset, enable. */
    OTHER
  }

  /** The board's edges, seen from above with its plug to the back. */
  public enum Side {
    LEFT,
    RIGHT
  }

  /** What an input terminal can do. */
  public enum Ability {
    DIGITAL("reads high and low"),
    ANALOG("measures volts"),
    /** Times how long a capacitor takes to charge through what leads to the supply. */
    OHMS("times a resistance to the supply"),
    PULL_UP("has a pull-up inside"),
    PULL_DOWN("has a pull-down inside"),
    DRIVE("can drive a wire"),
    TOUCH("senses touch"),
    /** TX: drives a serial line. */
    SEND("sends serial data"),
    /** RX: listens to a serial line. */
    RECEIVE("receives serial data"),
    INTERRUPT("counts pulses"),
    /** Of a USB host: the line that a full-speed device lifts. */
    HOST_PLUS("is a USB host's data plus"),
    /** Of a USB host: the line that a low-speed device lifts. */
    HOST_MINUS("is a USB host's data minus");

    private final String words;

    Ability(String words) {
      this.words = words;
    }

    /** {@return the ability in words for people} */
    public String words() {
      return words;
    }
  }

  /** Why a terminal is better kept free. */
  public enum Keep {
    /** Held the wrong way at power-up, it stops the board from starting. */
    BOOT("can stop the board from starting"),
    /** Carries the programming or debug serial port. */
    SERIAL("carries the serial port"),
    /** Drives the lamp on the board, which pulls on the level. */
    LED("shares the lamp on the board"),
    /**
     * Its converter is taken while the radio is on: it reads high and low, but measures nothing.
     */
    RADIO("cannot measure while the radio is on");

    private final String words;

    Keep(String words) {
      this.words = words;
    }

    /** {@return the reason in words for people} */
    public String words() {
      return words;
    }
  }

  public Terminal {
    Objects.requireNonNull(name, "name");
    Objects.requireNonNull(role, "role");
    abilities =
        abilities.isEmpty()
            ? Set.of()
            : java.util.Collections.unmodifiableSet(EnumSet.copyOf(abilities));
  }

  /** {@return whether it can do that} */
  public boolean can(Ability ability) {
    return abilities.contains(ability);
  }
}
