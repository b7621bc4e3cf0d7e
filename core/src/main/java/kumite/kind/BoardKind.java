package kumite.kind;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.working.Source;

/**
 * A kind of board.
 *
 * @param id its id in builds, such as {@code native-3v3-26}
 * @param name short, for lists
 * @param trait what tells it from its neighbours, one line
 * @param widthMm left edge to right edge
 * @param heightMm front to back; the plug is at the back
 * @param logicVolts its logic supply
 * @param fiveVoltTolerant whether its terminals bear 5 V
 * @param common which rail its contacts share
 * @param lowVolts an input at or below this reads low
 * @param highVolts an input at or above this reads high
 * @param levels where the two thresholds come from
 * @param pullLeastOhm the strongest pull resistor inside
 * @param pullMostOhm the weakest
 * @param adcBits resolution where it measures volts; 0 where it cannot
 * @param fixedMap whether its maker fixed what each socket means
 * @param terminals all its terminals
 * @param seating how it sits, and the room its plug needs
 * @param brain what it can be to a host
 * @param current what it takes and what its terminals can give
 * @param circuit what its chips do, where they answer a console by themselves
 */
public record BoardKind(
    String id,
    String name,
    String trait,
    double widthMm,
    double heightMm,
    double logicVolts,
    boolean fiveVoltTolerant,
    Common common,
    double lowVolts,
    double highVolts,
    Source levels,
    double pullLeastOhm,
    double pullMostOhm,
    int adcBits,
    boolean fixedMap,
    List<Terminal> terminals,
    Seating seating,
    Brain brain,
    Current current,
    Optional<Circuit> circuit) {

  /** How a board talks to a host. */
  public enum Link {
    /** A USB device of its own. */
    USB("USB device"),
    /** A low-energy radio that hosts take for a gamepad. */
    RADIO("radio gamepad"),
    /** A serial port at most; another board has to be the gamepad. */
    SERIAL("serial to another board"),
    /** It is the host itself, and reads its header. */
    HEADER("the host's own header"),
    /** A socket of an old host that reads contacts and pots itself. */
    PORT("a port of the host");

    private final String words;

    Link(String words) {
      this.words = words;
    }

    /** {@return the link in words for people} */
    public String words() {
      return words;
    }
  }

  /**
   * What a board can be to a host.
   *
   * @param link how it talks
   * @param keysOnly whether all it can report is keys
   * @param needsCode whether a program must be put on it
   * @param costClass 1 cheap, 2 middling, 3 dear
   * @param solder whether its terminals are soldered
   * @param rawMillis how often it looks and reports at best, in ms
   * @param note what to know before choosing it, one sentence; may be empty
   * @param memory what a program may take, where it is known
   * @param answerMicros how long at most from an edge on a line to the program's answer, in us; 0
   *     where it cannot answer edges
   * @param load how a program gets on it, where it takes one and that is known
   * @param program the ready-made program that it runs, if that is known
   * @param settable what its loader's table can say, of an encoder whose sockets can be set
   */
  public record Brain(
      Link link,
      boolean keysOnly,
      boolean needsCode,
      int costClass,
      boolean solder,
      double rawMillis,
      String note,
      Optional<Memory> memory,
      double answerMicros,
      Optional<Loading> load,
      Optional<ReadyProgram> program,
      Optional<Settable> settable) {
    /** A cheap USB board that is programmed and soldered. */
    public static final Brain PLAIN =
        new Brain(
            Link.USB,
            false,
            true,
            1,
            true,
            1,
            "",
            Optional.empty(),
            0,
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    public Brain {
      Objects.requireNonNull(link, "link");
      if (settable.isPresent() && needsCode) {
        throw new IllegalArgumentException(
            "a board that takes a table for its sockets takes no program; leave needs_code out");
      }
      Objects.requireNonNull(memory, "memory");
      Check.between(1, 3, costClass, "cost_class");
      Check.between(0, 1000, rawMillis, "raw_ms");
      Check.between(0, 1_000_000, answerMicros, "answer_us");
    }
  }

  /**
   * What a board has for a program of one's own. Values of the shipped boards are generic common
   * practice.
   *
   * @param flashBytes for code and tables, what the board keeps for itself left out
   * @param ramBytes for what changes
   */
  public record Memory(int flashBytes, int ramBytes) {
    public Memory {
      Check.between(256, 1 << 30, flashBytes, "flash_bytes");
      Check.between(32, 1 << 30, ramBytes, "ram_bytes");
    }

    /** {@return whether so much goes into another} */
    public boolean within(Memory other) {
      return flashBytes <= other.flashBytes && ramBytes <= other.ramBytes;
    }
  }

  /**
   * Currents of a board. Values of the shipped boards are generic common practice.
   *
   * @param pinMilliamps what one terminal may give or take; 0 for none
   * @param allMilliamps what all terminals together may
   * @param supplyMilliamps what its logic supply terminal can give to others
   * @param fiveMilliamps what its 5 V terminals can give to others, its logic supply among them; 0
   *     where they pass on what its plug gives
   * @param usualMilliamps what it takes itself in use
   * @param mostMilliamps what it takes at worst
   */
  public record Current(
      double pinMilliamps,
      double allMilliamps,
      double supplyMilliamps,
      double fiveMilliamps,
      double usualMilliamps,
      double mostMilliamps) {
    /** 8 mA a pin, 100 mA in all, 300 mA to others, 30 to 60 mA of its own. */
    public static final Current USUAL = new Current(8, 100, 300, 0, 30, 60);

    public Current {
      Check.between(0, 1000, pinMilliamps, "pin_ma");
      Check.between(0, 10_000, allMilliamps, "all_ma");
      Check.between(0, 10_000, supplyMilliamps, "supply_ma");
      Check.between(0, 10_000, fiveMilliamps, "five_ma");
      Check.between(0, 10_000, usualMilliamps, "usual_ma");
      Check.between(usualMilliamps, 10_000, mostMilliamps, "most_ma");
    }
  }

  /**
   * How a board sits.
   *
   * @param heightMm from what it is screwed to up to its tallest part, standoffs included
   * @param standoffs its mounting holes, offsets from its centre; empty where it has none
   * @param standoffHoleMm the clearance hole for their screws
   * @param plugWidthMm width of the plug's grip; 0 where nothing is plugged in
   * @param plugReachMm from the board's back edge to where the cable has bent away
   * @param strippedMm like the height, with the connectors taken off its face; the same where it
   *     has none, or where they stay
   */
  public record Seating(
      double heightMm,
      List<Point> standoffs,
      double standoffHoleMm,
      double plugWidthMm,
      double plugReachMm,
      double strippedMm) {
    /** A board on 16 mm of height without standoffs or plug. */
    public static final Seating BARE = new Seating(16, List.of(), 0, 0, 0, 16);

    public Seating {
      standoffs = List.copyOf(standoffs);
      if (!(heightMm > 0 && heightMm <= 200 && plugWidthMm >= 0 && plugReachMm >= 0)) {
        throw new IllegalArgumentException(
            "a board sits above 0 and up to 200 mm high, its plug takes 0 or more");
      }
      Check.above(0, strippedMm, "stripped_mm");
      Check.between(0, heightMm, strippedMm, "stripped_mm");
    }
  }

  public BoardKind {
    Objects.requireNonNull(common, "common");
    Objects.requireNonNull(levels, "levels");
    Objects.requireNonNull(seating, "seating");
    Objects.requireNonNull(brain, "brain");
    Objects.requireNonNull(current, "current");
    Objects.requireNonNull(circuit, "circuit");
    if (!id.matches("[a-z0-9]+(-[a-z0-9]+)*")) {
      throw new IllegalArgumentException(
          "id must be lower-case words with hyphens, such as my-board, but was \"" + id + "\"");
    }
    Check.writable(name, "name");
    Check.between(1, 12, logicVolts, "logic_v");
    Check.between(0, logicVolts, lowVolts, "low_v");
    Check.between(lowVolts, logicVolts, highVolts, "high_v");
    Check.above(0, pullLeastOhm, "pull_ohm");
    Check.between(pullLeastOhm, 1e9, pullMostOhm, "pull_ohm");
    Check.between(0, 24, adcBits, "adc_bits");
    terminals = List.copyOf(terminals);
    Set<String> seen = new HashSet<>();
    for (Terminal terminal : terminals) {
      if (terminal.role() == Terminal.Role.LINE && circuit.isEmpty()) {
        throw new IllegalArgumentException(
            "terminal "
                + terminal.name()
                + " is a line of a circuit, which such a board does not have; make it an input or"
                + " other");
      }
      boolean host =
          terminal.can(Terminal.Ability.HOST_PLUS) != terminal.can(Terminal.Ability.HOST_MINUS);
      boolean hosts =
          terminal.can(Terminal.Ability.HOST_PLUS) || terminal.can(Terminal.Ability.HOST_MINUS);
      if (terminal.role() == Terminal.Role.HOST ? !host : hosts) {
        throw new IllegalArgumentException(
            "terminal "
                + terminal.name()
                + ": a line of a USB host has the role host, and is either host_plus or host_minus");
      }
      if (!seen.add(terminal.name())) {
        throw new IllegalArgumentException(
            "terminal "
                + terminal.name()
                + " is named twice; write the second one as "
                + terminal.name()
                + ".2");
      }
    }
  }

  /** {@return the same board under another id and name, with other terminals} */
  public BoardKind remade(String newId, String newName, List<Terminal> newTerminals) {
    return new BoardKind(
        newId,
        newName,
        trait,
        widthMm,
        heightMm,
        logicVolts,
        fiveVoltTolerant,
        common,
        lowVolts,
        highVolts,
        levels,
        pullLeastOhm,
        pullMostOhm,
        adcBits,
        fixedMap,
        newTerminals,
        seating,
        brain,
        current,
        circuit);
  }

  /** {@return the terminal of that name, if there is one} */
  public Optional<Terminal> terminal(String terminalName) {
    return terminals.stream().filter(t -> t.name().equals(terminalName)).findFirst();
  }

  /** {@return all terminals of a role, in the order of the board's edge} */
  public List<Terminal> terminals(Terminal.Role role) {
    return terminals.stream().filter(t -> t.role() == role).toList();
  }

  /** {@return what its loader's table can say, of an encoder whose sockets can be set} */
  public Optional<Settable> settable() {
    return brain.settable();
  }

  /**
   * {@return whether it runs a program of its own and reads plain contacts only, be its meanings
   * fixed or set by a table}
   */
  public boolean bringsProgram() {
    return fixedMap || brain.settable().isPresent();
  }

  /** {@return whether a program is written for it that tells strips their colours} */
  public boolean tellsStrips() {
    return !bringsProgram() && (brain.link() == Link.USB || brain.link() == Link.RADIO);
  }

  /** {@return whether the host itself reads its contacts, so that there is no report} */
  public boolean ofHost() {
    return brain.link() == Link.HEADER || brain.link() == Link.PORT;
  }

  /** {@return whether a USB device can plug into it} */
  public boolean hosts() {
    return !hostSockets().isEmpty();
  }

  /** {@return its sockets for USB devices: the first data plus goes with the first data minus} */
  public List<HostSocket> hostSockets() {
    List<Terminal> plus = new ArrayList<>(terminals(Terminal.Role.HOST));
    List<Terminal> minus = new ArrayList<>(plus);
    plus.removeIf(t -> !t.can(Terminal.Ability.HOST_PLUS));
    minus.removeIf(t -> !t.can(Terminal.Ability.HOST_MINUS));
    List<HostSocket> sockets = new ArrayList<>();
    for (int i = 0; i < Math.min(plus.size(), minus.size()); i++) {
      sockets.add(new HostSocket(plus.get(i), minus.get(i)));
    }
    return List.copyOf(sockets);
  }

  /** {@return the terminal of its circuit for a line of a console, if it has one} */
  public Optional<Terminal> line(String name) {
    return terminals(Terminal.Role.LINE).stream()
        .filter(t -> t.fixed().equals(Optional.of(name)))
        .findFirst();
  }

  /** {@return the largest code of its converter; 255 for a board without one} */
  public int axisMaximum() {
    return adcBits == 0 ? 255 : (1 << adcBits) - 1;
  }
}
