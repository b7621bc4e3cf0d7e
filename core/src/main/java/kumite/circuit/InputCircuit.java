package kumite.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Lamp;
import kumite.kind.Terminal;
import kumite.power.Ladder;

/**
 * What hangs on one input terminal, seen from the terminal.
 *
 * <p>Two contacts with equal circuits have equal levels. Values that are common practice without a
 * source: {@value #CONTACT_OHM} ohm for a sound closed contact, 1 uA of leakage (10 nA where touch
 * is sensed), 50 ohm for a driving terminal, 10 kohm beside a register or multiplexer, 100 ohm
 * through a multiplexer, 50 kohm to 2 Mohm for a person who bridges a pad, supplies within 5 %,
 * lamps within 0.2 V.
 *
 * @param shape what kind of circuit it is
 * @param reads the board's supply and thresholds
 * @param common the rail the shared side is tied to
 * @param pulls the resistors inside
 * @param restsClosed whether the contact is closed at rest
 * @param wireOhm resistance of strand and common together, 0 or more
 * @param lamp the lamp on the contact, where there is one
 * @param track what is measured along; {@link Track#NONE} for a plain contact
 */
public record InputCircuit(
    Shape shape,
    Reads reads,
    Common common,
    Pulls pulls,
    boolean restsClosed,
    double wireOhm,
    Optional<LampFeed> lamp,
    Track track) {

  /**
   * How the terminal reads.
   *
   * @param logicVolts the board's logic supply
   * @param lowVolts at or below this it reads low
   * @param highVolts at or above this it reads high
   */
  public record Reads(double logicVolts, double lowVolts, double highVolts) {}

  /**
   * The resistors inside.
   *
   * @param up whether one pulls to the supply
   * @param down whether one pulls to ground
   * @param leastOhm the strongest
   * @param mostOhm the weakest
   */
  public record Pulls(boolean up, boolean down, double leastOhm, double mostOhm) {}

  /**
   * A lamp on the contact.
   *
   * @param lamp what it is
   * @param ohm its resistor; 0 where it has none
   * @param volts what it is fed from
   */
  public record LampFeed(Lamp lamp, double ohm, double volts) {}

  /**
   * What is measured along.
   *
   * @param steps steps of a ladder; 0 for a pot
   * @param ohm end to end of a pot, or each rung of a ladder; 0 for a ladder of buttons
   * @param step which step of a ladder of buttons this contact is, 1 upward; 0 for others
   */
  public record Track(int steps, double ohm, int step) {
    /** Nothing: the contact is open or closed. */
    public static final Track NONE = new Track(0, 0, 0);
  }

  /** Resistance of a sound closed contact. */
  public static final double CONTACT_OHM = 0.1;

  /** The node at the board's terminal. */
  public static final String PIN = "pin";

  /** The pull-up beside a register, and above a ladder of buttons. */
  public static final double OWN_PULL_OHM = 10_000;

  private static final double LEAK_AMPS = 1e-6;
  private static final double TOUCH_LEAK_AMPS = 1e-8;
  private static final double DRIVER_OHM = 50;
  private static final double MULTIPLEXER_OHM = 100;
  private static final double SKIN_LEAST_OHM = 50_000;
  private static final double SKIN_MOST_OHM = 2_000_000;
  private static final double TOUCH_LEAST_OHM = 10e6;
  private static final double TOUCH_MOST_OHM = 22e6;
  private static final double SUPPLY_WITHIN = 0.05;
  private static final double LAMP_WITHIN_VOLTS = 0.2;

  /** A lamp without a resistor still has its leads and the switch. */
  private static final double BARE_LEAD_OHM = 0.05;

  /** The kinds of circuits. */
  public enum Shape {
    CONTACT("Plain contact"),
    LAMP_ON_CONTACT("Lamp on its contact"),
    MATRIX("Matrix with diodes"),
    BARE_MATRIX("Matrix without diodes"),
    REGISTER("Shift register input"),
    MULTIPLEXER("Multiplexer channel"),
    BUTTON_LADDER("Ladder of buttons"),
    TAP_LADDER("Ladder with taps"),
    WIPER("Wiper"),
    TOUCH("Touch pad");

    private final String words;

    Shape(String words) {
      this.words = words;
    }

    /** {@return the kind in words for people} */
    public String words() {
      return words;
    }
  }

  /**
   * One choice of what tolerances do.
   *
   * @param pull 0 for the strongest pull, 1 for the weakest
   * @param supply by how much of it the supply is off
   * @param lampVolts by how many volts the lamp is off
   * @param leak whether the input leaks against the pull
   */
  record Corner(double pull, double supply, double lampVolts, boolean leak) {
    static final Corner USUAL = new Corner(0.5, 0, 0, false);

    static List<Corner> all(boolean lit) {
      List<Corner> corners = new ArrayList<>();
      double[] lamps =
          lit ? new double[] {-LAMP_WITHIN_VOLTS, LAMP_WITHIN_VOLTS} : new double[] {0};
      for (double pull : new double[] {0, 1}) {
        for (double supply : new double[] {-SUPPLY_WITHIN, SUPPLY_WITHIN}) {
          for (double lamp : lamps) {
            for (boolean leak : new boolean[] {false, true}) {
              corners.add(new Corner(pull, supply, lamp, leak));
            }
          }
        }
      }
      return corners;
    }
  }

  /** {@return whether it is measured, not read high or low} */
  public boolean measured() {
    return shape == Shape.WIPER || shape == Shape.TAP_LADDER || shape == Shape.BUTTON_LADDER;
  }

  /** {@return the resistor that sets the idle level, in words} */
  public String pull() {
    return switch (shape) {
      case REGISTER, MULTIPLEXER, BUTTON_LADDER -> "pull-up beside it";
      case WIPER, TAP_LADDER -> "none";
      default -> up() ? "pull-up" : pulls.down() ? "pull-down" : "none";
    };
  }

  /** A contact to the rail wants a pull-down; where the board has only a pull-up, that is on. */
  private boolean up() {
    return pulls.up() && (common == Common.GROUND || !pulls.down());
  }

  private InputCircuit with(boolean closed, double newWireOhm, Track newTrack) {
    return new InputCircuit(shape, reads, common, pulls, closed, newWireOhm, lamp, newTrack);
  }

  /** {@return the same circuit with the wires' resistance rounded up, so that more are alike} */
  InputCircuit coarse() {
    return with(restsClosed, Math.ceil(wireOhm * 2) / 2, track);
  }

  /** {@return the same circuit without its wires and its step: equal for inputs wired alike} */
  public InputCircuit alike() {
    return with(restsClosed, 0, new Track(track.steps(), track.ohm(), 0));
  }

  /** {@return the circuit with all parts at their usual value, its contact idle or held} */
  public Circuit circuit(boolean held) {
    return circuit(held, Corner.USUAL);
  }

  Circuit circuit(boolean held, Corner corner) {
    double logic = reads.logicVolts() * (1 + corner.supply());
    List<Element> parts = new ArrayList<>();
    parts.add(new Element.Source("LOGIC", "vdd", "0", logic));
    switch (shape) {
      case WIPER -> wiper(parts, held ? 1 : 0);
      case TAP_LADDER -> taps(parts, held ? track.steps() - 1 : 0);
      case BUTTON_LADDER -> buttons(parts, held);
      default -> contact(parts, held, corner, logic);
    }
    if (corner.leak()) {
      boolean toGround = !pull().equals("pull-down");
      parts.add(
          new Element.Resistor(
              "LEAK",
              PIN,
              toGround ? "0" : "vdd",
              reads.logicVolts() / (shape == Shape.TOUCH ? TOUCH_LEAK_AMPS : LEAK_AMPS)));
    }
    return new Circuit(parts);
  }

  private double pullOhm(Corner corner) {
    return pulls.leastOhm() + corner.pull() * (pulls.mostOhm() - pulls.leastOhm());
  }

  private void contact(List<Element> parts, boolean held, Corner corner, double logic) {
    boolean closed = held != restsClosed;
    String pin = PIN;
    if (shape == Shape.REGISTER) {
      parts.add(new Element.Resistor("PULL", "vdd", PIN, OWN_PULL_OHM));
    } else if (shape == Shape.MULTIPLEXER) {
      parts.add(new Element.Resistor("PULL", "vdd", PIN, OWN_PULL_OHM));
      parts.add(new Element.Resistor("THROUGH", PIN, "channel", MULTIPLEXER_OHM));
      pin = "channel";
    } else if (up()) {
      parts.add(new Element.Resistor("PULL", "vdd", PIN, pullOhm(corner)));
    } else if (pulls.down()) {
      parts.add(new Element.Resistor("PULL", PIN, "0", pullOhm(corner)));
    }
    if (shape == Shape.LAMP_ON_CONTACT) {
      lamp(parts, corner);
    }
    String far = "common";
    double contactOhm = CONTACT_OHM;
    if (shape == Shape.TOUCH) {
      contactOhm = corner.pull() == 0 ? SKIN_MOST_OHM : SKIN_LEAST_OHM;
    }
    if (shape == Shape.MATRIX) {
      parts.add(new Element.Diode("1", PIN, "tab", Element.Model.SIGNAL_DIODE));
      pin = "tab";
    }
    parts.add(new Element.Switch("1", pin, far, contactOhm, closed));
    String end = common == Common.RAIL && !grounded() ? "vdd" : "0";
    if (shape == Shape.MATRIX || shape == Shape.BARE_MATRIX) {
      parts.add(new Element.Resistor("WIRE", far, "row", Math.max(1e-3, wireOhm)));
      parts.add(new Element.Resistor("DRIVE", "row", "0", DRIVER_OHM));
    } else {
      parts.add(new Element.Resistor("WIRE", far, end, Math.max(1e-3, wireOhm)));
    }
  }

  /** Shared circuits sink to ground whatever the board's own common is. */
  private boolean grounded() {
    return shape != Shape.CONTACT && shape != Shape.LAMP_ON_CONTACT;
  }

  private void lamp(List<Element> parts, Corner corner) {
    LampFeed feed = lamp.orElseThrow();
    Lamp bulb = feed.lamp();
    Element.Model model =
        Element.Model.lamp(
            Math.max(0.3, bulb.forwardVolts() + corner.lampVolts()), bulb.milliamps() / 1000);
    double series = feed.ohm() > 0 ? feed.ohm() : BARE_LEAD_OHM;
    if (common == Common.GROUND) {
      parts.add(new Element.Source("LAMP", "feed", "0", feed.volts() * (1 + corner.supply())));
      parts.add(new Element.Resistor("LAMP", "feed", "anode", series));
      parts.add(new Element.Diode("LAMP", "anode", PIN, model));
    } else {
      parts.add(new Element.Resistor("LAMP", PIN, "anode", series));
      parts.add(new Element.Diode("LAMP", "anode", "0", model));
    }
  }

  private void wiper(List<Element> parts, double travel) {
    // The track has a little end resistance, so that no end is shorted.
    parts.add(new Element.Resistor("UPPER", "vdd", PIN, Math.max(1, track.ohm() * (1 - travel))));
    parts.add(new Element.Resistor("LOWER", PIN, "0", Math.max(1, track.ohm() * travel)));
  }

  private void taps(List<Element> parts, int tap) {
    for (int rung = 0; rung < track.steps() - 1; rung++) {
      String low = rung == 0 ? "0" : "tap" + rung;
      String high = rung == track.steps() - 2 ? "vdd" : "tap" + (rung + 1);
      parts.add(new Element.Resistor("RUNG" + (rung + 1), high, low, track.ohm()));
    }
    String node = tap == 0 ? "0" : tap == track.steps() - 1 ? "vdd" : "tap" + tap;
    parts.add(new Element.Resistor("WIRE", node, PIN, CONTACT_OHM + Math.max(1e-3, wireOhm)));
    parts.add(new Element.Resistor("LOAD", PIN, "0", 1e9));
  }

  private void buttons(List<Element> parts, boolean held) {
    List<Double> ohms = ladder(12).ohms();
    parts.add(new Element.Resistor("PULL", "vdd", PIN, ohms.get(0)));
    String at = PIN;
    for (int k = 1; k < track.step(); k++) {
      String next = "tap" + (k + 1);
      parts.add(new Element.Resistor("RUNG" + k, at, next, ohms.get(k)));
      at = next;
    }
    boolean closed = held != restsClosed;
    parts.add(new Element.Switch("1", at, "common", CONTACT_OHM, closed));
    parts.add(new Element.Resistor("WIRE", "common", "0", Math.max(1e-3, wireOhm)));
  }

  /** {@return the ladder of this circuit, for a converter of so many bits} */
  public Ladder ladder(int bits) {
    return shape == Shape.TAP_LADDER
        ? Ladder.taps(reads.logicVolts(), track.ohm(), track.steps(), 0.05, bits)
        : Ladder.buttons(
            reads.logicVolts(),
            OWN_PULL_OHM,
            Math.max(2, track.steps()),
            0.01,
            bits,
            kumite.power.ESeries.E24);
  }

  /** {@return how the board reads volts at this terminal} */
  public InputLevels.Reading read(double volts) {
    return volts <= reads.lowVolts()
        ? InputLevels.Reading.LOW
        : volts >= reads.highVolts() ? InputLevels.Reading.HIGH : InputLevels.Reading.UNDEFINED;
  }

  /** {@return how the board reads a whole span} */
  InputLevels.Reading read(Span span) {
    InputLevels.Reading least = read(span.least());
    return least == read(span.most()) ? least : InputLevels.Reading.UNDEFINED;
  }

  /** {@return a plain contact on a terminal of a board} */
  public static InputCircuit plain(
      BoardKind board, Terminal terminal, Common common, double wireOhm) {
    return of(Shape.CONTACT, board, terminal, common, wireOhm);
  }

  static InputCircuit of(
      Shape shape, BoardKind board, Terminal terminal, Common common, double wireOhm) {
    boolean register = shape == Shape.REGISTER;
    boolean touch = shape == Shape.TOUCH;
    return new InputCircuit(
        shape,
        new Reads(
            board.logicVolts(),
            register ? 0.3 * board.logicVolts() : board.lowVolts(),
            register ? 0.7 * board.logicVolts() : board.highVolts()),
        common,
        new Pulls(
            terminal.can(Terminal.Ability.PULL_UP),
            terminal.can(Terminal.Ability.PULL_DOWN),
            touch ? TOUCH_LEAST_OHM : board.pullLeastOhm(),
            touch ? TOUCH_MOST_OHM : board.pullMostOhm()),
        false,
        wireOhm,
        Optional.empty(),
        Track.NONE);
  }

  InputCircuit restingClosed(boolean closed) {
    return with(closed, wireOhm, track);
  }

  /** {@return the same contact with a lamp on it} */
  public InputCircuit lit(Lamp newLamp, double ohm, double volts) {
    return new InputCircuit(
        Shape.LAMP_ON_CONTACT,
        reads,
        common,
        pulls,
        restsClosed,
        wireOhm,
        Optional.of(new LampFeed(newLamp, ohm, volts)),
        track);
  }

  InputCircuit stepped(int steps, double ohm, int step) {
    return with(restsClosed, wireOhm, new Track(steps, ohm, step));
  }

  /** {@return the levels of this circuit, solved at its usual values and over its tolerances} */
  public InputLevels levels() {
    return new Inputs().levels(this);
  }
}
