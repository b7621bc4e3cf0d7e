package kumite.loom;

import java.util.List;
import java.util.Optional;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Asking;

/**
 * One look of the board: which terminal it reads, what it does before, and when that counts as
 * pressed. Looks follow from the plan, as a board's program does; what they see follows from the
 * wires as they are.
 *
 * @param contact the contact that is meant; empty for a socket that the plan leaves free
 * @param read the terminal it reads
 * @param how what it does
 * @param fixed the meaning that the board gives the socket, where it gives one
 */
public record Look(Optional<ContactId> contact, Terminal read, How how, Optional<String> fixed) {

  /** What a look does and expects. */
  public sealed interface How {
    /** {@return the terminals that are driven for it} */
    default List<Terminal> driven() {
      return List.of();
    }
  }

  /**
   * Reads high or low.
   *
   * @param pressedLow whether low counts as pressed
   */
  public record Level(boolean pressedLow) implements How {}

  /** Reads whether a person bridges a pad to the common pad: low under a pull-up of megohms. */
  public record Touch() implements How {}

  /**
   * Drives one row low, lets the others go, and reads a column; low counts as pressed.
   *
   * @param row the row of the contact
   */
  public record Row(Terminal row) implements How {
    @Override
    public List<Terminal> driven() {
      return List.of(row);
    }
  }

  /**
   * Loads the registers and shifts until the contact's bit is out; low counts as pressed.
   *
   * @param bits how many are shifted in all
   * @param bit which one it is, 0 for the first out
   * @param input the chip's input that is meant for the contact
   * @param pace of a pad's register, whose load is its latch: high takes in and low is rest, and
   *     its clock rests high; empty for a chip, where all is the other way round
   */
  public record Bit(
      Terminal load, Terminal clock, int bits, int bit, Joint input, Optional<Pace> pace)
      implements How {
    @Override
    public List<Terminal> driven() {
      return List.of(load, clock);
    }

    /** {@return whether it is a pad's register} */
    public boolean ofPad() {
      return pace.isPresent();
    }
  }

  /**
   * How long a pad wants its lines to stand, at least, in ns.
   *
   * @param latchNs the latch is high
   * @param gapNs from the latch to the first clock
   * @param lowNs the clock is low
   * @param highNs the clock is high
   */
  public record Pace(long latchNs, long gapNs, long lowNs, long highNs) {}

  /**
   * Sets the select lines and reads what the channel shows.
   *
   * @param selects lowest bit first
   * @param code the channel, 0 to 7
   * @param measured whether volts are taken; else low counts as pressed
   */
  public record Channel(List<Terminal> selects, int code, boolean measured) implements How {
    public Channel {
      selects = List.copyOf(selects);
    }

    @Override
    public List<Terminal> driven() {
      return selects;
    }
  }

  /**
   * Takes what a pad at a port says, frame by frame, as its kind says it.
   *
   * @param talk the pad, and between which terminals and pins it talks
   * @param says the name of the button or axis
   * @param axis whether it is an axis, whose code is scaled to that of the board
   * @param input where the contact stands inside of the pad
   */
  public record Frame(Talk talk, String says, boolean axis, Joint input) implements How {
    @Override
    public List<Terminal> driven() {
      return talk.kind().lines().stream()
          .filter(line -> line.from().byConsole())
          .flatMap(line -> Optional.ofNullable(talk.lines().get(line.name())).stream())
          .toList();
    }

    /** {@return how the programs that are written for the board ask the pad; empty if none does} */
    public Optional<Asking> asking() {
      return talk.kind().mechanism().asking(talk.kind());
    }
  }

  /**
   * Measures volts and takes the nearest step of a ladder of buttons.
   *
   * @param step the contact's, 1 upward
   * @param ohms the pull-up, then the resistor before each step after the first
   */
  public record Step(int step, List<Double> ohms) implements How {
    public Step {
      ohms = List.copyOf(ohms);
    }

    /**
     * {@return the first code of each step, and the code from which on none is held}
     *
     * <p>The bounds lie half way between the volts of neighbours, as a program without fractions
     * tells steps apart.
     *
     * @param bits of the converter
     */
    public int[] bounds(int bits) {
      int[] bounds = new int[ohms.size() + 1];
      double pull = ohms.get(0);
      double below = 0;
      for (int k = 1; k < bounds.length; k++) {
        double here = below / (below + pull);
        boolean last = k == ohms.size();
        below += last ? 0 : ohms.get(k);
        double next = last ? 1 : below / (below + pull);
        bounds[k] = (int) Math.round((here + next) / 2 * (1L << bits));
      }
      return bounds;
    }

    /** {@return whether a code is that of this step} */
    public boolean at(int code, int bits) {
      int[] bounds = bounds(bits);
      return code >= bounds[step - 1] && code < bounds[step];
    }
  }

  /** Measures volts. */
  public record Volts() implements How {}

  /** Times a capacitor that charges through what leads to the supply, and so takes its ohms. */
  public record Ohms() implements How {
    /** Ohm to the supply that give the last code: common practice for the port, no source. */
    public static final double FULL_OHM = kumite.power.Judgement.PORT_OHM;
  }

  /** {@return whether a terminal is read or driven for it} */
  public boolean takes(String terminal) {
    return read.name().equals(terminal)
        || how.driven().stream().anyMatch(driven -> driven.name().equals(terminal));
  }

  /** {@return whether it is a key whose bytes come by themselves} */
  public boolean clocked() {
    return how instanceof Frame frame && frame.talk().pad().clocked();
  }

  /** {@return whether a pad says it in reports, over USB or on a serial wire} */
  public boolean reported() {
    return how instanceof Frame frame && frame.talk().pad().tells();
  }

  /** {@return whether a pad says it that the program asks in frames} */
  public boolean asked() {
    return how instanceof Frame frame && frame.talk().pad().asked();
  }

  /** {@return at each how many of the board's looks it is read, 1 for all} */
  public int everyLooks(int scanUs) {
    return how instanceof Frame frame
        ? frame.asking().map(a -> a.everyLooks(1000L * scanUs, Talk.SETTLE_NS)).orElse(1)
        : 1;
  }

  /** {@return whether a pad says it, so that no terminal measures it or tells its level} */
  public boolean heard() {
    return how instanceof Frame;
  }

  /** {@return whether it gives a way of travel: a code, but not that of one button among others} */
  public boolean travels() {
    return measured() && !(how instanceof Step);
  }

  /** Looks are keys of every answer: what tells most of them apart is enough. */
  @Override
  public int hashCode() {
    return 31 * contact.hashCode() + read.name().hashCode();
  }

  /** {@return whether a code is taken as it is, so that no threshold counts} */
  public boolean measured() {
    return how instanceof Volts
        || how instanceof Ohms
        || how instanceof Step
        || how instanceof Frame frame && frame.axis()
        || how instanceof Channel channel && channel.measured();
  }
}
