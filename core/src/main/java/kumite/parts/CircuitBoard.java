package kumite.parts;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.port.ConsoleChart;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.signal.Level;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialLatch;
import kumite.signal.SignalLine;
import kumite.signal.Timed;
import kumite.working.Source;

/**
 * The board of logic chips that is the pad of a kind of port without any program: a contact to
 * ground for each button, and the console's lines.
 */
final class CircuitBoard {
  /** Before the id of the kind of port that it answers. */
  static final String ID = "circuit-";

  private static final String SUPPLY = "VCC";
  private static final String GROUND = "GND";
  private static final int GROUNDS = 3;
  private static final double APART_MM = 30;
  private static final double NS_IN_MS = 1e6;

  /** Pull-ups of 10 kohm, 5 %: common practice, no source. */
  private static final double PULL_LEAST_OHM = 9500;

  private static final double PULL_MOST_OHM = 10_500;

  private final PortKind kind;
  private final ConsoleChart chart;
  private final Map<String, String> inputs = new HashMap<>();
  private final Map<String, String> lines = new HashMap<>();

  private CircuitBoard(PortKind kind) {
    this.kind = kind;
    this.chart = new ConsoleChart(kind);
    Set<String> taken = new HashSet<>(Set.of(SUPPLY, GROUND));
    for (PortKind.Bit bit : kind.contacts()) {
      inputs.put(bit.button(), fresh(bit.contact().toUpperCase(Locale.ROOT), taken));
    }
    for (SignalLine line : kind.lines()) {
      lines.put(line.name(), fresh("PIN" + line.pin().replaceAll("[^A-Za-z0-9]", ""), taken));
    }
  }

  private static String fresh(String wish, Set<String> taken) {
    String name = wish;
    for (int n = 2; !taken.add(name); n++) {
      name = wish + "N" + n;
    }
    return name;
  }

  /**
   * {@return the board that answers as a pad of that kind; empty where chips alone cannot: only
   * contacts, a select line of two levels, and a register that shifts on the rise}
   */
  static Optional<BoardKind> of(PortKind kind) {
    CircuitBoard made = new CircuitBoard(kind);
    if (kind.mechanism() instanceof Phased phased && phased.phases().size() <= 2) {
      return Optional.of(made.board(made.picked(phased)));
    }
    if (kind.mechanism() instanceof SerialLatch latch && latch.shift() == SerialLatch.Shift.RISE) {
      return Optional.of(made.board(made.shifted()));
    }
    return Optional.empty();
  }

  private List<Circuit.Way> picked(Phased phased) {
    List<Circuit.Way> ways = new ArrayList<>();
    for (SignalLine line : kind.lines()) {
      if (line.from().byPad()) {
        String high = said(phased, 0, line);
        String low = said(phased, phased.phases().size() - 1, line);
        ways.add(
            high.equals(low)
                ? new Circuit.Straight(high, lines.get(line.name()))
                : new Circuit.Pick(
                    lines.get(phased.select().orElseThrow()), low, high, lines.get(line.name())));
      }
    }
    return ways;
  }

  private String said(Phased phased, int phase, SignalLine line) {
    Optional<Phased.Says> says = Optional.ofNullable(phased.phases().get(phase).get(line.name()));
    if (says.isPresent() && says.get() instanceof Phased.Says.Button button) {
      return inputs.get(button.name());
    }
    boolean low =
        says.isPresent()
            && says.get() instanceof Phased.Says.Always always
            && always.level() == Level.LOW;
    return low ? GROUND : SUPPLY;
  }

  private List<Circuit.Way> shifted() {
    List<String> bits =
        kind.order().stream().map(name -> name.isEmpty() ? SUPPLY : inputs.get(name)).toList();
    return List.of(
        new Circuit.Shift(bits, lines.get("latch"), lines.get("clock"), lines.get("data")));
  }

  private BoardKind board(List<Circuit.Way> ways) {
    Circuit circuit = new Circuit(kind.id(), ways);
    double volts = kind.volts();
    String chips =
        circuit.chips().stream()
            .map(chip -> chip.name() + " " + chip.what())
            .reduce((a, b) -> a + "; " + b)
            .orElse("no chip at all");
    int rows = Math.max(inputs.size(), lines.size() + GROUNDS + 1);
    return new BoardKind(
        ID + kind.id(),
        "Pad circuit, " + kind.title(),
        "answers a console by itself, without a program: " + chips,
        APART_MM + 2 * BoardJson.PITCH_MM,
        (rows + 1) * BoardJson.PITCH_MM,
        volts,
        volts >= 5,
        Common.GROUND,
        0.3 * volts,
        0.7 * volts,
        Source.memory("0.3 and 0.7 of the supply, as JEDEC JESD7A gives for CMOS inputs"),
        PULL_LEAST_OHM,
        PULL_MOST_OHM,
        0,
        true,
        terminals(rows, circuit),
        BoardKind.Seating.BARE,
        new BoardKind.Brain(
            BoardKind.Link.PORT,
            false,
            false,
            1,
            true,
            Math.min(1000, kind.time(Timed.FRAME).usualNs() / NS_IN_MS),
            "the console reads it; there is no USB device and nothing to program",
            Optional.empty(),
            0,
            Optional.empty(),
            Optional.empty(),
            Optional.empty()),
        new BoardKind.Current(4, 25, 100, 0, 1, 5),
        Optional.of(circuit));
  }

  private List<Terminal> terminals(int rows, Circuit circuit) {
    List<Terminal> all = new ArrayList<>();
    int row = 0;
    for (String button : kind.buttons()) {
      all.add(
          new Terminal(
              inputs.get(button),
              Terminal.Role.INPUT,
              at(Terminal.Side.LEFT, row++, rows),
              Terminal.Side.LEFT,
              Set.of(Terminal.Ability.DIGITAL, Terminal.Ability.PULL_UP),
              Optional.empty(),
              Optional.of(chart.words(button)),
              0));
    }
    row = 0;
    for (SignalLine line : kind.lines()) {
      String name = lines.get(line.name());
      all.add(
          new Terminal(
              name,
              Terminal.Role.LINE,
              at(Terminal.Side.RIGHT, row++, rows),
              Terminal.Side.RIGHT,
              abilities(line, name, circuit),
              Optional.empty(),
              Optional.of(line.name()),
              0));
    }
    all.add(rail(SUPPLY, Terminal.Role.SUPPLY, row++, rows, kind.volts()));
    for (int n = 1; n <= GROUNDS; n++) {
      all.add(rail(n == 1 ? GROUND : GROUND + "." + n, Terminal.Role.GROUND, row++, rows, 0));
    }
    return all;
  }

  /** What is plain copper neither drives nor reads. */
  private static Set<Terminal.Ability> abilities(SignalLine line, String name, Circuit circuit) {
    boolean copper =
        circuit.ways().stream()
            .anyMatch(way -> way instanceof Circuit.Straight s && s.out().equals(name));
    return copper
        ? Set.of()
        : Set.of(line.from().byPad() ? Terminal.Ability.DRIVE : Terminal.Ability.DIGITAL);
  }

  private static Terminal rail(String name, Terminal.Role role, int row, int rows, double volts) {
    return new Terminal(
        name,
        role,
        at(Terminal.Side.RIGHT, row, rows),
        Terminal.Side.RIGHT,
        Set.of(),
        Optional.empty(),
        Optional.empty(),
        volts);
  }

  private static Point at(Terminal.Side side, int row, int rows) {
    double x = (side == Terminal.Side.LEFT ? -1 : 1) * APART_MM / 2;
    return new Point(x, ((rows - 1) / 2.0 - row) * BoardJson.PITCH_MM);
  }
}
