package kumite.build.bringup;

import java.util.Locale;
import java.util.Objects;
import kumite.measure.Check;
import kumite.name.Joint;

/** One question that is put to a build at the bench. */
public sealed interface Ask {
  /** In place of a meter's state: what the host shows. */
  String HOST = "host";

  /** In place of a meter's state: something is tried, and works or does not. */
  String TRY = "try";

  /** {@return the first place of its row in a table of readings; may be empty} */
  String from();

  /** {@return the second place of its row; may be empty} */
  String to();

  /** {@return the state of its row} */
  String state();

  /** {@return what is held meanwhile} */
  Held held();

  /**
   * What does a meter show between two places?
   *
   * @param red where the red probe goes
   * @param black where the black one goes
   */
  record Probe(Joint red, Joint black, Power power, Held held) implements Ask {
    public Probe {
      Objects.requireNonNull(power, "power");
      Objects.requireNonNull(held, "held");
      if (red.equals(black)) {
        throw new IllegalArgumentException(
            "both probes were on " + red + "; a meter reads between two places");
      }
    }

    @Override
    public String from() {
      return red.toString();
    }

    @Override
    public String to() {
      return black.toString();
    }

    @Override
    public String state() {
      return power.word();
    }
  }

  /** What does the host show while these are held? */
  record Press(Held held) implements Ask {
    public Press {
      Objects.requireNonNull(held, "held");
    }

    @Override
    public String from() {
      return "";
    }

    @Override
    public String to() {
      return "";
    }

    @Override
    public String state() {
      return HOST;
    }
  }

  /** How many devices does the host show? */
  record Devices() implements Ask {
    static final String WORD = "devices";

    @Override
    public String from() {
      return WORD;
    }

    @Override
    public String to() {
      return "";
    }

    @Override
    public String state() {
      return HOST;
    }

    @Override
    public Held held() {
      return Held.NONE;
    }
  }

  /**
   * Does this work?
   *
   * @param what is tried, one sentence
   */
  record Try(String what, Held held) implements Ask {
    public Try {
      Check.filled(what, "what is tried");
      Objects.requireNonNull(held, "held");
    }

    @Override
    public String from() {
      return what;
    }

    @Override
    public String to() {
      return "";
    }

    @Override
    public String state() {
      return TRY;
    }
  }

  /**
   * Reads the cells of a row.
   *
   * @throws IllegalArgumentException if they make no question; the message says what to write
   */
  static Ask parse(String from, String to, String state, String held) {
    Held hands = Held.parse(held);
    return switch (state.strip().toLowerCase(Locale.ROOT)) {
      case HOST -> host(from.strip(), to.strip(), hands);
      case TRY -> new Try(from.strip(), hands);
      default -> new Probe(Joint.parse(from), Joint.parse(to), Power.parse(state), hands);
    };
  }

  private static Ask host(String from, String to, Held held) {
    if (from.equalsIgnoreCase(Devices.WORD)) {
      return new Devices();
    }
    if (!from.isEmpty() && !from.equalsIgnoreCase(HOST) || !to.isEmpty()) {
      throw new IllegalArgumentException(
          "the host is asked what it shows while contacts are held: leave from and to empty, or"
              + " write devices under from");
    }
    return new Press(held);
  }
}
