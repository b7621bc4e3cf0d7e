package kumite.ports;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Stream;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.ConsoleChart;
import kumite.build.port.Port;
import kumite.circuit.Inputs;
import kumite.circuit.Wired;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.loom.Console;
import kumite.loom.Plugged;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.signal.Held;
import kumite.signal.Level;
import kumite.signal.Play;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.Taken;
import kumite.signal.Tempo;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of a build that is the pad of an old console, by chips or by a program. */
public class ConsoleLawTest {
  private static final List<String> CIRCUITS =
      List.of("direct-9", "select-line-3", "serial-latch-8", "serial-latch-16");
  private static final ControlId CONSOLE = new ControlId("console");

  static PortKind kind(String id) {
    return PortFile.find(PortFile.standard(), id).orElseThrow();
  }

  /** {@return a build of one push button for each of a pad's buttons, in that order} */
  static Build answering(String kind, String board) {
    PortKind port = kind(kind);
    List<String> buttons = port.buttons();
    double[] places = new double[2 * buttons.size()];
    for (int i = 0; i < buttons.size(); i++) {
      places[2 * i] = 40 + 45 * (i % 6);
      places[2 * i + 1] = 40 + 45 * (i / 6);
    }
    Build build = Builds.buttons(places);
    build = build.withPanel(build.panel().withSize(320, 200));
    ConsoleChart chart = new ConsoleChart(port);
    Mapping mapping = build.mapping();
    for (int i = 0; i < buttons.size(); i++) {
      ContactId contact = new ContactId(build.controls().get(i).id(), "");
      mapping = mapping.with(contact, new Mapping.Entry(chart.target(buttons.get(i)), ""));
    }
    return build
        .withMapping(mapping)
        .withBoard(Optional.of(new BoardChoice(board, Placement.at(150, 100))))
        .withPorts(
            build
                .ports()
                .with(
                    Port.of(CONSOLE, "Console", kind, Placement.at(280, 180))
                        .doing(Port.Does.ANSWERS)));
  }

  private static Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  private static Console console(Bench bench) {
    return bench.loom().consoles().get(0);
  }

  private static ContactId contact(Build build, PortKind kind, String button) {
    Control control = build.controls().get(kind.buttons().indexOf(button));
    return new ContactId(control.id(), "");
  }

  private static Holds holding(Build build, PortKind kind, Set<String> buttons) {
    Holds holds = Holds.NONE;
    for (String button : buttons) {
      holds = holds.with(contact(build, kind, button), 1);
    }
    return holds;
  }

  private static List<String> codes(Bench bench, Severity severity) {
    return bench.findings().stream()
        .filter(f -> f.severity() == severity)
        .map(f -> f.code().text())
        .toList();
  }

  @DataProvider
  public Object[][] answers() {
    List<Object[]> all = new ArrayList<>();
    for (String kind : CIRCUITS) {
      all.add(new Object[] {kind, "circuit-" + kind});
      if (!kind.startsWith("select")) { // which wants an answer sooner than that program gives it
        all.add(new Object[] {kind, "native-5v-54"});
      }
    }
    all.add(new Object[] {"packet", "native-3v3-48"}); // the one that is quick enough for its clock
    all.add(new Object[] {"serial-bytes", "native-5v-54"});
    all.add(new Object[] {"serial-bytes", "serial-5v-18"}); // whose only host is that console
    return all.toArray(Object[][]::new);
  }

  /** As planned nothing stops, and whatever is held the console reads that and nothing else. */
  @Test(dataProvider = "answers")
  public void aPlanIsAnswered(String id, String board) {
    PortKind kind = kind(id);
    Build build = answering(id, board);
    Bench bench = bench(build);
    assertThat(codes(bench, Severity.STOP)).as("%s by %s", id, board).isEmpty();
    assertThat(codes(bench, Severity.FINE)).contains("SG-21");
    SplittableRandom random = new SplittableRandom(id.hashCode());
    for (int i = 0; i < 20; i++) {
      Set<String> held = new TreeSet<>();
      kind.buttons().stream().filter(b -> random.nextInt(3) == 0).forEach(held::add);
      boolean rivals = held.containsAll(Set.of("Up", "Down")) || held.contains("Left");
      if (rivals && !board.startsWith("circuit")) {
        continue; // a program gives neither of two opposites
      }
      Reading reading =
          bench.play(console(bench), holding(build, kind, held)).orElseThrow().readings().get(0);
      assertThat(reading.held()).as("%s by %s", id, board).hasSameElementsAs(held);
      bitsSay(bench.frames(holding(build, kind, held)).get(0), kind, held);
    }
  }

  /** Bit by bit, at the moment at which it is taken, the line says what is held. */
  private static void bitsSay(Frame frame, PortKind kind, Set<String> held) {
    List<Taken> taken = kind.mechanism().taken(kind);
    assertThat(frame.bits()).hasSameSizeAs(taken);
    for (int i = 0; i < taken.size(); i++) {
      Optional<String> button = taken.get(i).button();
      if (button.isPresent()) {
        boolean high = held.contains(button.get()) == (taken.get(i).held() == Level.HIGH);
        assertThat(frame.bits().get(i).level())
            .as("%s of %s while %s", taken.get(i), kind.id(), held)
            .isEqualTo(Level.of(high));
      }
    }
    assertThat(taken.stream().flatMap(t -> t.button().stream()).toList())
        .containsAll(kind.buttons());
  }

  /**
   * The truth table of the three-button pad: select high tells directions, B and C; select low
   * tells up, down, two lows, A and Start. Common practice, no source.
   */
  @Test
  public void theTruthTableOfTheSelectPad() {
    Build build = answering("select-line-3", "circuit-select-line-3");
    PortKind kind = kind("select-line-3");
    Bench bench = bench(build);
    List<String> lines = List.of("up", "down", "left", "right", "fire", "fire_2");
    List<String> high = List.of("Up", "Down", "Left", "Right", "B", "C");
    List<String> low = List.of("Up", "Down", "", "", "A", "Start");
    for (int bits = 0; bits < 256; bits += 7) {
      Set<String> held = new LinkedHashSet<>();
      for (int b = 0; b < 8; b++) {
        if ((bits >> b & 1) == 1) {
          held.add(kind.buttons().get(b));
        }
      }
      Frame frame = bench.frames(holding(build, kind, held)).get(0);
      for (int i = 0; i < lines.size(); i++) {
        assertThat(frame.bits().get(i).level()).isEqualTo(Level.of(!held.contains(high.get(i))));
        Level wanted = low.get(i).isEmpty() ? Level.LOW : Level.of(!held.contains(low.get(i)));
        assertThat(frame.bits().get(6 + i).level()).isEqualTo(wanted);
      }
    }
  }

  /**
   * Pins of the common chips, from memory of their data sheets: the quad multiplexer has its select
   * on 1 and its outputs on 4, 7, 9 and 12; the register is loaded by 9, clocked by 10, tells on 3
   * and chains into 11. What is told first is its input 8, pin 1.
   */
  @Test
  public void chipsHaveTheirPins() {
    Circuit picks = circuit("select-line-3");
    assertThat(picks.chips()).hasSize(1);
    Map<Integer, String> quad = legs(picks.chips().get(0));
    assertThat(quad).hasSize(16);
    assertThat(quad.get(1)).isEqualTo("PIN7");
    assertThat(List.of(quad.get(4), quad.get(7), quad.get(9), quad.get(12)))
        .containsExactly("PIN3", "PIN4", "PIN6", "PIN9");
    // The low inputs, then the high ones.
    assertThat(List.of(quad.get(2), quad.get(5), quad.get(11), quad.get(14)))
        .containsExactly("GND", "GND", "A", "START");
    assertThat(List.of(quad.get(3), quad.get(6), quad.get(10), quad.get(13)))
        .containsExactly("LEFT", "RIGHT", "B", "C");
    assertThat(List.of(quad.get(8), quad.get(15), quad.get(16)))
        .containsExactly("GND", "GND", "VCC");

    Circuit shift = circuit("serial-latch-16");
    assertThat(shift.chips()).hasSize(2);
    Map<Integer, String> first = legs(shift.chips().get(0));
    Map<Integer, String> second = legs(shift.chips().get(1));
    assertThat(List.of(first.get(1), first.get(15), first.get(14), first.get(13)))
        .containsExactly("B", "Y", "SELECT", "START");
    assertThat(List.of(first.get(4), first.get(5), first.get(6), first.get(7)))
        .containsExactly("UP", "DOWN", "LEFT", "RIGHT");
    assertThat(first.get(11)).isEqualTo("U2 Q8");
    assertThat(List.of(second.get(4), second.get(7))).containsOnly("VCC");
    assertThat(second.get(11)).as("low after the last bit").isEqualTo("GND");
    assertThat(List.of(first.get(9), first.get(10), first.get(3)))
        .containsExactly("PIN3", "PIN2", "PIN4");
    assertThat(circuit("direct-9").bare()).isTrue();
    assertThat(circuit("direct-9").chips()).isEmpty();
  }

  private static Circuit circuit(String id) {
    return Catalogue.standard().circuit(kind(id)).flatMap(BoardKind::circuit).orElseThrow();
  }

  private static Map<Integer, String> legs(Circuit.Chip chip) {
    Map<Integer, String> legs = new java.util.TreeMap<>();
    chip.legs().forEach(leg -> legs.put(leg.number(), leg.to()));
    return legs;
  }

  /**
   * Any wire left out, and any two contacts swapped: if what is solved at the chips' terminals or
   * what the console reads is not what is held, something stops; nothing is called fine.
   */
  @Test(dataProvider = "answers")
  public void nothingIsCalledFineThatIsNot(String id, String board) {
    Build build = answering(id, board);
    PortKind kind = kind(id);
    Bench bench = bench(build);
    List<Build> faulty = new ArrayList<>();
    SplittableRandom random = new SplittableRandom(kind.buttons().size());
    for (Strand strand : bench.loom().strands()) {
      boolean plug = strand.from().place().part().equals(CONSOLE.text());
      if (plug || random.nextInt(4) == 0) {
        faulty.add(without(build, strand));
      }
    }
    List<Strand> lines =
        bench.loom().strands().stream()
            .filter(s -> s.from().place().part().equals(CONSOLE.text()))
            .toList();
    for (int i = 0; i + 1 < lines.size(); i++) {
      faulty.add(swapped(build, lines.get(i), lines.get(i + 1)));
    }
    for (Build wrong : faulty) {
      Bench judged = bench(wrong);
      boolean right = true;
      boolean chips = board.startsWith("circuit");
      for (String button : kind.buttons()) {
        // Of a program only what it tells is on these lines; its contacts are judged elsewhere.
        Optional<Play> play =
            chips
                ? judged.play(console(judged), holding(build, kind, Set.of(button)))
                : ConsolePlay.of(
                    judged.loom(),
                    judged.wiring().orElseThrow(),
                    console(judged),
                    contact -> false,
                    new Held(Set.of(button), Map.of()),
                    1,
                    Tempo.usual(kind));
        right &= play.orElseThrow().readings().get(0).held().equals(Set.of(button));
      }
      assertThat(right || codes(judged, Severity.STOP).size() > 0)
          .as("%s by %s: %s", id, board, wrong.loom().leftOut())
          .isTrue();
      if (!right) {
        assertThat(codes(judged, Severity.FINE)).doesNotContain("SG-21");
      }
    }
  }

  private static Build without(Build build, Strand strand) {
    return build.withLoom(build.loom().withLeftOut(strand.wire()));
  }

  private static Build swapped(Build build, Strand one, Strand other) {
    return build.withLoom(
        build
            .loom()
            .withLeftOut(one.wire())
            .withLeftOut(other.wire())
            .withAdded(new Jumper(one.from().place(), other.to().place()))
            .withAdded(new Jumper(other.from().place(), one.to().place())));
  }

  /** What the solver finds at the chips' terminals is what the chips tell, over odd wires. */
  @Test
  public void whatIsSolvedIsWhatTheChipsTell() {
    SplittableRandom random = new SplittableRandom(157);
    int odd = 0;
    for (int i = 0; i < 60; i++) {
      String id = CIRCUITS.get(random.nextInt(CIRCUITS.size()));
      PortKind kind = kind(id);
      Build build = answering(id, "circuit-" + id);
      List<Strand> signals =
          bench(build).loom().strands().stream().filter(s -> s.contact().isPresent()).toList();
      for (int fault = random.nextInt(3); fault >= 0; fault--) {
        Strand one = signals.get(random.nextInt(signals.size()));
        Strand other = signals.get(random.nextInt(signals.size()));
        if (random.nextBoolean()) {
          build = build.withLoom(build.loom().withLeftOut(one.wire()));
        } else if (!one.equals(other)) {
          build =
              build.withLoom(
                  build.loom().withAdded(new Jumper(one.from().place(), other.to().place())));
        }
      }
      Bench bench = bench(build);
      Wired wired = bench.circuit().orElseThrow();
      Inputs inputs = wired.inputs();
      Set<String> held = new HashSet<>();
      kind.buttons().stream().filter(b -> random.nextInt(3) == 0).forEach(held::add);
      Set<ContactId> contacts = new HashSet<>();
      for (String button : held) {
        contacts.add(contact(build, kind, button));
      }
      Reading reading =
          bench.play(console(bench), holding(build, kind, held)).orElseThrow().readings().get(0);
      for (String button : kind.buttons()) {
        ContactId contact = contact(build, kind, button);
        boolean pressed = inputs.see(contact, c -> contacts.contains(c) ? 1 : 0).pressed();
        assertThat(reading.held().contains(button)).as("%s %s", id, button).isEqualTo(pressed);
        odd += pressed == held.contains(button) ? 0 : 1;
      }
    }
    assertThat(odd).as("faults show").isGreaterThan(20);
  }

  @DataProvider
  public Object[][] boards() {
    return new Object[][] {
      // Who can answer what, and what is said: common practice of the boards' speed, no source.
      {"select-line-3", "native-5v-54", "SG-13"}, // 2.5 us where 2 are allowed
      {"serial-latch-16", "native-5v-18", "SG-13"}, // 12 of 10 us
      {"serial-latch-16", "native-5v-54", ""},
      {"serial-latch-16", "native-3v3-48", "SG-08"}, // 5 V on 3.3 V terminals
      {"serial-latch-16", "encoder-12-ground", "SG-10"},
      {"serial-latch-16", "header-40", "SG-10"},
      {"serial-latch-8", "circuit-serial-latch-16", "SG-11"},
      {"select-line-6", "native-5v-54", "SG-13"}, // 2.5 us where 2 are allowed
      {"packet", "native-3v3-48", ""}, // 0.6 of 1.9 us
      {"packet", "native-3v3-26", "SG-13"}, // 3 of 1.9 us
      {"serial-bytes", "native-5v-18", ""},
      {"one-wire-pulse", "native-3v3-48", "SG-10"}, // no program is written that answers pulses
      {"keyboard-frame", "native-3v3-48", "SG-10"}, // nor one that is a keyboard
      {"direct-9", "native-5v-18", ""},
    };
  }

  @Test(dataProvider = "boards")
  public void aBoardThatCannotIsTold(String kind, String board, String stop) {
    Bench bench = bench(answering(kind, board));
    List<String> signals =
        codes(bench, Severity.STOP).stream().filter(code -> code.startsWith("SG")).toList();
    assertThat(signals).isEqualTo(stop.isEmpty() ? List.of() : List.of(stop));
    if (!stop.isEmpty()) {
      assertThat(codes(bench, Severity.FINE)).doesNotContain("SG-21");
    }
  }

  /** What only listens sends no volts into a board; what pulls its lines up does. */
  @Test
  public void aConsoleThatOnlyListensBringsNoVolts() {
    List<String> bytes = codes(bench(answering("serial-bytes", "native-3v3-26")), Severity.LOOK);
    assertThat(bytes).doesNotContain("SG-08");
    List<String> pulled = codes(bench(answering("direct-9", "native-3v3-26")), Severity.LOOK);
    assertThat(pulled).contains("SG-08");
  }

  /** A board without USB is heard by its console; what means nothing to that goes nowhere. */
  @Test
  public void theConsoleIsTheOnlyHost() {
    Build build = answering("serial-bytes", "serial-5v-18");
    Bench bench = bench(build);
    assertThat(codes(bench, Severity.STOP)).doesNotContain("LM-46");
    assertThat(bench.paths()).allMatch(SignalPath::arrives);
    ContactId first = contact(build, kind("serial-bytes"), "1");
    Build other =
        build.withMapping(
            build.mapping().with(first, new Mapping.Entry(new Target.Button(90), "")));
    Map<ContactId, SignalPath> paths = new HashMap<>();
    bench(other).paths().forEach(path -> paths.put(path.id(), path));
    assertThat(paths.remove(first).arrives()).isFalse();
    assertThat(paths.values()).allMatch(SignalPath::arrives);
    Build alone = build.without(CONSOLE);
    assertThat(codes(bench(alone), Severity.STOP)).contains("LM-46");
    assertThat(bench(alone).paths()).noneMatch(SignalPath::arrives);
  }

  /** Whoever takes the circuit that is offered has a pad that works. */
  @Test
  public void theCircuitThatIsOfferedMends() {
    for (String board : List.of("", "encoder-12-ground", "circuit-serial-latch-16")) {
      Build build = answering("select-line-3", board.isEmpty() ? "native-5v-54" : board);
      build = board.isEmpty() ? build.withBoard(Optional.empty()) : build;
      Finding finding =
          bench(build).findings().stream()
              .filter(f -> f.title().startsWith("Nothing answers"))
              .findFirst()
              .orElseThrow();
      Build mended = finding.fix().orElseThrow().edit().apply(build);
      assertThat(codes(bench(mended), Severity.STOP)).as(board).isEmpty();
      assertThat(codes(bench(mended), Severity.FINE)).as(board).contains("SG-21");
    }
  }

  @DataProvider
  public Object[][] offered() {
    return new Object[][] {
      {"packet", "", "SG-02"},
      {"packet", "native-3v3-26", "SG-13"},
      {"packet", "header-40", "SG-10"},
      {"serial-bytes", "", "SG-02"},
      {"serial-bytes", "encoder-24-rail", "SG-10"},
      {"serial-latch-16", "native-5v-18", "SG-13"},
      {"select-line-6", "native-5v-54", "SG-13"},
    };
  }

  /** Where no chips answer, a board is offered that does in time; where none can, none is. */
  @Test(dataProvider = "offered")
  public void theBoardThatIsOfferedAnswers(String kind, String board, String code) {
    Build build = answering(kind, board.isEmpty() ? "native-5v-54" : board);
    build = board.isEmpty() ? build.withBoard(Optional.empty()) : build;
    Finding finding =
        bench(build).findings().stream()
            .filter(f -> f.code().text().equals(code))
            .findFirst()
            .orElseThrow();
    boolean none = kind.equals("select-line-6"); // 2 us at 5 V are too quick for all that there are
    assertThat(finding.fix().isPresent()).as("%s by %s", kind, board).isEqualTo(!none);
    if (!none) {
      Bench mended = bench(finding.fix().orElseThrow().edit().apply(build));
      assertThat(codes(mended, Severity.STOP).stream().filter(c -> c.startsWith("SG"))).isEmpty();
      assertThat(codes(mended, Severity.FINE)).contains("SG-21");
    }
  }

  /** A circuit answers one console; a program as many as it has gamepads, each its own. */
  @Test
  public void twoConsolesAreTwoGamepads() {
    Build one = answering("serial-latch-8", "native-5v-54");
    PortKind kind = kind("serial-latch-8");
    Port second =
        Port.of(new ControlId("other"), "Other", "serial-latch-8", Placement.at(200, 180))
            .doing(Port.Does.ANSWERS);
    Build two = one.withPorts(one.ports().with(second));
    ContactId first = contact(one, kind, "A");
    Target onSecond = new ConsoleChart(kind, 2).target("Start");
    two = two.withMapping(two.mapping().with(first, new Mapping.Entry(onSecond, "")));
    Bench bench = bench(two);
    List<Frame> frames = bench.frames(Holds.NONE.with(first, 1));
    assertThat(frames.get(0).reading().held()).isEmpty();
    assertThat(frames.get(1).reading().held()).containsExactly("Start");

    Build chips =
        two.withBoard(
            Optional.of(new BoardChoice("circuit-serial-latch-8", Placement.at(150, 100))));
    assertThat(codes(bench(chips), Severity.STOP)).contains("SG-11");
  }

  /** Nothing is called fine of buttons that nobody gives. */
  @Test
  public void aButtonThatNobodyGivesIsNotFine() {
    Build build = answering("serial-latch-8", "circuit-serial-latch-8");
    Build less = build.without(build.controls().get(2).id());
    assertThat(codes(bench(less), Severity.FINE)).doesNotContain("SG-21");
    Finding told =
        bench(less).findings().stream()
            .filter(f -> f.code().text().equals("SG-14"))
            .findFirst()
            .orElseThrow();
    assertThat(told.title()).endsWith("its Select");
    Build mended = told.fix().orElseThrow().edit().apply(less);
    assertThat(codes(bench(mended), Severity.FINE)).contains("SG-21");
    assertThat(codes(bench(mended), Severity.STOP)).isEmpty();
  }

  /** A program's hat in between two directions is both of them. */
  @Test
  public void diagonalsAreBothDirections() {
    Build build = answering("serial-latch-8", "native-5v-54");
    PortKind kind = kind("serial-latch-8");
    Bench bench = bench(build);
    List<String> ways = List.of("Up", "Right", "Down", "Left");
    for (int way = 0; way < 4; way++) {
      Set<String> held = Set.of(ways.get(way), ways.get((way + 1) % 4));
      assertThat(bench.frames(holding(build, kind, held)).get(0).reading().held())
          .hasSameElementsAs(held);
    }
  }

  /** A ground core that is missing leaves the console alone with its pull-ups. */
  @Test
  public void withoutGroundNobodyIsThere() {
    Build build = answering("select-line-3", "circuit-select-line-3");
    Bench bench = bench(build);
    Joint ground = new Joint("console", "ground");
    for (Strand strand : bench.loom().strands()) {
      if (strand.from().place().equals(ground) || strand.to().place().equals(ground)) {
        build = without(build, strand);
      }
    }
    Bench torn = bench(build);
    Reading reading = torn.play(console(torn), Holds.NONE).orElseThrow().readings().get(0);
    assertThat(reading.presence()).isNotEqualTo(kumite.signal.Answer.YES);
    assertThat(codes(torn, Severity.STOP)).contains("SG-12");
  }

  /** Two consoles that feed one board are told once; with a supply core left out nothing is. */
  @Test
  public void suppliesOfTwoConsolesAreTold() {
    Build one = answering("serial-latch-8", "native-5v-54");
    ControlId second = new ControlId("second-console");
    Build two =
        one.withPorts(
            one.ports()
                .with(
                    Port.of(second, "Second", "serial-latch-8", Placement.at(230, 180))
                        .doing(Port.Does.ANSWERS)));
    assertThat(feeds(one)).containsExactly("Console and a USB plug would both feed the board");
    assertThat(feeds(two))
        .containsExactlyInAnyOrder(
            "Console and a USB plug would both feed the board",
            "Second and a USB plug would both feed the board",
            "The supplies of Console and Second are joined");
    Build out = two;
    for (Strand strand : bench(two).loom().strands()) {
      boolean fed =
          Stream.of(strand.from(), strand.to())
              .anyMatch(end -> end.place().equals(new Joint(CONSOLE.text(), Plugged.SUPPLY)));
      out = fed ? without(out, strand) : out;
    }
    assertThat(out).isNotEqualTo(two);
    assertThat(feeds(out)).containsExactly("Second and a USB plug would both feed the board");
  }

  /** The same where each has a board of its own, and a link joins what feeds them: told once. */
  @Test(dataProvider = "links")
  public void suppliesOfTwoConsolesMeetOverALink(String one, String other, boolean joined) {
    Build first = answering("serial-latch-8", "native-5v-54");
    Seat second =
        Seat.empty(new SeatId("second"))
            .withBoard(Optional.of(new BoardChoice("native-5v-54", Placement.at(150, 20))));
    Build build =
        first.withSeats(Stream.concat(first.seats().stream(), Stream.of(second)).toList());
    build =
        build.withPorts(
            build
                .ports()
                .with(
                    Port.of(
                            new ControlId("second-console"),
                            "Second",
                            "serial-latch-8",
                            Placement.at(230, 180))
                        .doing(Port.Does.ANSWERS)
                        .withSeat(Optional.of(second.id()))));
    String here = first.seat().id().text();
    build =
        build.withLinks(
            List.of(
                Link.parse(here + ":GND - second:GND"),
                Link.parse(here + ":" + one + " - second:" + other)));
    long told =
        feeds(build).stream()
            .filter(title -> title.contains("The supplies of Console and Second are joined"))
            .count();
    assertThat(told).isEqualTo(joined ? 1 : 0);
  }

  @DataProvider
  public Object[][] links() {
    return new Object[][] {{"5V", "5V", true}, {"3V3", "3V3", false}, {"D8", "D9", false}};
  }

  private static List<String> feeds(Build build) {
    return bench(build).findings().stream()
        .filter(finding -> finding.code() == PortCode.TWO_FEEDS)
        .map(Finding::title)
        .toList();
  }
}
