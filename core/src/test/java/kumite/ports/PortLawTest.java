package kumite.ports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.Port;
import kumite.circuit.FeedChecks;
import kumite.circuit.InputLevels;
import kumite.circuit.PadPlay;
import kumite.circuit.Seen;
import kumite.circuit.Wired;
import kumite.device.SignalPath;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.firmware.Blueprint;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.lead.Plugs;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.LoomCode;
import kumite.loom.Pad;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.signal.Answer;
import kumite.signal.Held;
import kumite.signal.Limits;
import kumite.signal.Play;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.Tempo;
import kumite.signal.Timed;
import kumite.signal.UsbPad;
import kumite.verdict.Bench;
import kumite.wiring.Wiring;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of ports at boards: pads are contacts of the one wiring, whatever is done to the wires. */
public class PortLawTest {
  private static final String SERIAL = "serial-bytes";

  private static final List<String> READ =
      List.of(
          "serial-latch-16",
          "serial-latch-8",
          "select-line-3",
          "direct-9",
          "select-line-6",
          "packet",
          "one-wire-pulse",
          "keyboard-frame",
          "serial-bytes",
          "one-shot-15");

  /** Those whose wires carry frames, which no level tells. */
  private static final List<String> FRAMED = READ.subList(4, READ.size() - 1);

  /** Pulses of a microsecond. */
  private static final Set<String> UNREAD = Set.of("one-wire-pulse");

  private static final List<String> BOARDS =
      List.of("native-3v3-48", "native-5v-54", "native-3v3-26");

  /** {@return a build of pads, each button with a meaning of its own} */
  static Build pads(String board, String... kinds) {
    Build build =
        Build.empty("Pads").withBoard(Optional.of(new BoardChoice(board, Placement.at(150, 80))));
    int button = 1;
    for (int i = 0; i < kinds.length; i++) {
      ControlId id = new ControlId("pad-" + (i + 1));
      Port port = Port.of(id, "Pad " + (i + 1), kinds[i], Placement.at(40 + 50 * i, 180));
      build = build.withPorts(build.ports().with(port));
      Mapping mapping = build.mapping();
      for (PortKind.Bit bit : kind(kinds[i]).contacts()) {
        mapping =
            mapping.with(
                new ContactId(id, bit.contact()),
                new Mapping.Entry(new Target.Button(button++), ""));
      }
      for (PortKind.Bit bit : kind(kinds[i]).axisContacts()) {
        int axis = kind(kinds[i]).axes().indexOf(bit.button());
        Target to = new Target.Axis(AxisName.values()[axis]);
        mapping =
            mapping.with(
                new ContactId(id, bit.contact()),
                new Mapping.Entry(i == 0 ? to : new Target.OnPad(i + 1, to), ""));
      }
      build = build.withMapping(mapping);
    }
    return build;
  }

  private static PortKind kind(String id) {
    return PortFile.find(PortFile.standard(), id).orElseThrow();
  }

  /** Whether a pad works from what the board's terminals bear. */
  private static boolean apt(String board, String id) {
    double logic = Catalogue.standard().board(board).orElseThrow().logicVolts();
    return kind(id).worksFromVolts() <= logic && logic <= kind(id).volts();
  }

  private static Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  /** The board that is offered for pads bears what they send, and reads them in time. */
  @Test(dataProvider = "read")
  public void theBoardThatIsOfferedReadsThem(String kind, int count) {
    String[] kinds = of(kind, count);
    Build build = pads("native-5v-54", kinds).withBoard(Optional.empty());
    Finding told =
        bench(build).findings().stream()
            .filter(f -> f.code().text().equals("LM-01"))
            .findFirst()
            .orElseThrow();
    Bench with = bench(told.fix().orElseThrow().edit().apply(build));
    assertThat(with.findings().stream().filter(f -> f.severity() == Severity.STOP)).isEmpty();
    assertThat(Blueprint.why(with.board().orElseThrow(), with.loom().pads()).isPresent())
        .isEqualTo(UNREAD.contains(kind));
  }

  @DataProvider
  public Object[][] read() {
    return READ.stream()
        .flatMap(kind -> Stream.of(new Object[] {kind, 1}, new Object[] {kind, 2}))
        .toArray(Object[][]::new);
  }

  /** A reading that no look is long enough for is told, and no look is offered that cannot be. */
  @Test(dataProvider = "slow")
  public void aReadingLongerThanAnyLookIsTold(double ms, boolean mended) {
    PortKind packet =
        kind("packet").with(Timed.TO_BYTE, Limits.micros(1000 * ms, 1000 * ms, 1000 * ms));
    packet = packet.with(Timed.FRAME, Limits.micros(900_000, 900_000, 900_000));
    PortKind slow =
        new PortKind(
            "slow",
            packet.what(),
            packet.pinout(),
            packet.volts(),
            packet.worksFromVolts(),
            packet.lineVolts(),
            packet.lines(),
            packet.times(),
            packet.order(),
            packet.axes(),
            packet.mechanism(),
            packet.source());
    Build build = pads("native-3v3-48", "packet");
    build =
        build.withPorts(
            build
                .ports()
                .withKinds(List.of(slow))
                .with(Port.of(new ControlId("pad-1"), "Pad 1", "slow", Placement.at(40, 180))));
    Finding told =
        bench(build).findings().stream()
            .filter(f -> f.code() == PortCode.TOO_SLOW)
            .findFirst()
            .orElseThrow();
    assertThat(told.fix().isPresent()).isEqualTo(mended);
  }

  @DataProvider
  public Object[][] slow() {
    return new Object[][] {{1, true}, {40, true}, {48, true}, {49, false}, {200, false}};
  }

  /** What no program reads is told, of each pad; and a program is refused then, and only then. */
  @Test(dataProvider = "builds")
  public void whatNoProgramReadsIsTold(String board, String[] kinds) {
    Bench bench = bench(pads(board, kinds));
    Set<String> unread =
        Stream.of(kinds)
            .filter(id -> UNREAD.contains(id))
            .map(id -> kind(id).title())
            .collect(Collectors.toSet());
    List<Finding> told =
        bench.findings().stream().filter(f -> f.code() == PortCode.NO_PROGRAM).toList();
    assertThat(told).hasSize(unread.size());
    assertThat(told.stream().mapToInt(f -> f.about().size()).sum())
        .isEqualTo((int) Stream.of(kinds).filter(UNREAD::contains).count());
    assertThat(Blueprint.why(bench.board().orElseThrow(), bench.loom().pads()).isPresent())
        .isEqualTo(!unread.isEmpty());
  }

  private static String[] drawn(SplittableRandom random, int most) {
    String[] kinds = new String[random.nextInt(1, most + 1)];
    for (int i = 0; i < kinds.length; i++) {
      kinds[i] = READ.get(random.nextInt(READ.size()));
    }
    List<String> all = new ArrayList<>(List.of(kinds));
    if (all.removeIf(SERIAL::equals)) {
      all.add(SERIAL);
    }
    return all.toArray(new String[0]);
  }

  /** Boards have one terminal that takes bytes in: of pads that send them there is one. */
  private static String[] of(String kind, int count) {
    return java.util.Collections.nCopies(kind.equals(SERIAL) ? 1 : count, kind)
        .toArray(new String[0]);
  }

  @DataProvider
  public Object[][] builds() {
    List<Object[]> all = new ArrayList<>();
    for (String board : BOARDS) {
      for (String kind : READ) {
        if (!apt(board, kind)) {
          continue;
        }
        all.add(new Object[] {board, new String[] {kind}});
        if (READ.indexOf(kind) >= 4
            && !board.equals(BOARDS.get(apt(BOARDS.get(0), kind) ? 0 : 1))) {
          continue;
        }
        all.add(new Object[] {board, of(kind, 2)});
      }
    }
    SplittableRandom random = new SplittableRandom(25);
    for (int i = 0; i < 12; i++) {
      String board = BOARDS.get(i % 2);
      String[] kinds = drawn(random, 4);
      if (List.of(kinds).stream().allMatch(kind -> apt(board, kind))) {
        all.add(new Object[] {board, kinds});
      }
    }
    return all.toArray(Object[][]::new);
  }

  /**
   * A plan of ports has nothing to stop, once the board looks as seldom as its reading wants, and
   * each press tells the host itself and nothing else.
   */
  @Test(dataProvider = "builds")
  public void aPlanWorks(String board, String[] kinds) {
    Bench quick = bench(pads(board, kinds));
    Bench bench =
        quick.findings().stream()
            .filter(f -> f.code() == PortCode.TOO_SLOW)
            .findFirst()
            .map(slow -> bench(slow.fix().orElseThrow().edit().apply(quick.build())))
            .orElse(quick);
    assertThat(bench.findings().stream().filter(f -> f.severity() == Severity.STOP))
        .as("%s %s", board, List.of(kinds))
        .isEmpty();
    Set<ContactId> all = new HashSet<>();
    for (SignalPath path : bench.paths()) {
      assertThat(path.whole()).as("%s: %s", path.id(), path.missing()).isTrue();
      assertThat(path.strand()).as("each comes by a strand").isPresent();
      all.add(path.id());
    }
    Wired wired = bench.circuit().orElseThrow();
    int most = wired.asBuilt().board().axisMaximum();
    Map<Look, Seen> still = wired.inputs().see(c -> 0);
    for (ContactId held : all) {
      for (ContactId asked : all) {
        Look look = wired.inputs().looks().of(asked).orElseThrow();
        Seen seen = wired.inputs().see(asked, c -> c.equals(held) ? 1 : 0);
        boolean moved =
            look.travels()
                ? Math.abs(seen.code() - still.get(look).code()) > most / 4
                : seen.pressed();
        assertThat(moved).as("%s while %s", asked, held).isEqualTo(asked.equals(held));
      }
    }
  }

  /**
   * A pot of a game port to the supply and as many ohms to ground: V = Vs R / (R + x R), the usual
   * divider, and the code is that of the volts.
   */
  @Test(dataProvider = "travels")
  public void aPotOfAGamePortIsADivider(double travel, double share) {
    Wired wired = bench(pads("native-5v-54", "one-shot-15")).circuit().orElseThrow();
    ContactId x = ContactId.parse("pad-1.x");
    Seen seen = wired.inputs().see(x, c -> c.equals(x) ? travel : 0.5);
    assertThat(seen.volts()).isCloseTo(5 * share, within(0.005));
    assertThat(seen.code()).isBetween((int) (1023 * share) - 2, (int) (1023 * share) + 2);
  }

  @DataProvider
  public Object[][] travels() {
    return new Object[][] {{0, 1}, {0.25, 0.8}, {0.5, 2 / 3.0}, {1, 0.5}};
  }

  /**
   * What a board makes of a framed pad is what the pad was told by hands, button by button and axis
   * by axis to within a byte, or it is told; whatever else is held, and with another pad beside it.
   */
  @Test
  public void aFrameIsHeardOrToldOf() {
    SplittableRandom random = new SplittableRandom(2511);
    int wrong = 0;
    int right = 0;
    for (int i = 0; i < 80; i++) {
      String kind = FRAMED.get(random.nextInt(FRAMED.size()));
      String board = apt("native-5v-54", kind) ? "native-5v-54" : "native-3v3-48";
      Build planned = pads(board, of(kind, 2));
      Bench bench = bench(i % 4 == 0 ? planned : faulty(planned, random));
      Wired wired = bench.circuit().orElseThrow();
      int most = wired.asBuilt().board().axisMaximum();
      boolean told = bench.findings().stream().anyMatch(f -> f.severity() == Severity.STOP);
      Map<ContactId, Double> hands = new LinkedHashMap<>();
      bench.loom().sites().stream()
          .filter(site -> random.nextInt(4) == 0)
          .forEach(
              site ->
                  hands.put(site.id(), site.contact().type().analog() ? random.nextDouble() : 1.0));
      Map<Look, Seen> all = wired.inputs().see(c -> hands.getOrDefault(c, wired.inputs().rest(c)));
      for (ContactSite site : bench.loom().sites()) {
        Seen seen = all.get(wired.inputs().looks().of(site.id()).orElseThrow());
        double at = hands.getOrDefault(site.id(), site.rest());
        boolean same =
            site.contact().type().analog()
                ? Math.abs(seen.code() - at * most) <= most / 127.0
                : seen.pressed() == (at == 1) && seen.reading() != InputLevels.Reading.UNDEFINED;
        assertThat(same || told)
            .as("%s %s of %s: %s while %s", i, site.id(), kind, seen, hands)
            .isTrue();
        wrong += same ? 0 : 1;
        right += same ? 1 : 0;
      }
    }
    assertThat(wrong).as("faults show").isGreaterThan(100);
    assertThat(right).isGreaterThan(1000);
  }

  /**
   * With wires left out and wires put in between lines of ports, what is solved and what two sides
   * talk over the same nets are the same, bit for bit. (Fed as the board is: else volts decide.)
   */
  @Test
  public void whatIsSolvedIsWhatIsTalked() {
    SplittableRandom random = new SplittableRandom(2025);
    int compared = 0;
    int unclear = 0;
    for (int i = 0; i < 120; i++) {
      String[] kinds = {READ.get(random.nextInt(3))};
      if (random.nextInt(3) > 0) {
        kinds = new String[] {kinds[0], kinds[0]};
      }
      String board = BOARDS.get(random.nextInt(BOARDS.size()));
      Build build = faulty(pads(board, kinds), random);
      Bench bench = bench(build);
      Wired wired = bench.circuit().orElseThrow();
      // Where two outputs fight it is told so, and no level is what it seems.
      boolean fights = bench.findings().stream().anyMatch(f -> f.code().text().equals("NT-08"));
      if (wired.inputs().dead().isPresent() || fights) {
        continue;
      }
      Set<ContactId> held = new HashSet<>();
      bench
          .loom()
          .sites()
          .forEach(
              site -> {
                if (random.nextInt(3) == 0) {
                  held.add(site.id());
                }
              });
      for (Pad pad : bench.loom().pads()) {
        Reading reading = reading(bench, wired, pad, held);
        for (PortKind.Bit bit : pad.kind().contacts()) {
          ContactId contact = new ContactId(pad.port().id(), bit.contact());
          Seen seen = wired.inputs().see(contact, c -> held.contains(c) ? 1 : 0);
          Answer solved =
              seen.reading() == InputLevels.Reading.UNDEFINED
                  ? Answer.UNCLEAR
                  : seen.pressed() ? Answer.YES : Answer.NO;
          assertThat(reading.buttons().get(bit.button()))
              .as(
                  "build %s, %s on %s, %s, held %s, out %s, in %s",
                  i,
                  contact,
                  board,
                  List.of(kinds),
                  held,
                  build.loom().leftOut(),
                  build.loom().added())
              .isEqualTo(solved);
          compared++;
          unclear += solved == Answer.UNCLEAR ? 1 : 0;
        }
      }
    }
    assertThat(compared).isGreaterThan(1000);
    assertThat(unclear).as("faults show").isGreaterThan(50);
  }

  private static Reading reading(Bench bench, Wired wired, Pad pad, Set<ContactId> held) {
    Play play =
        new PadPlay(wired.inputs().looks(), wired.asBuilt(), bench.loom().talks(pad))
            .play(
                contact -> held.contains(contact) ? 1 : wired.inputs().rest(contact),
                pad.kind().mechanism().frames(Held.NOTHING),
                Tempo.usual(pad.kind()));
    return play.readings().get(play.readings().size() - 1);
  }

  /** One planned wire less, or a line of one pad taken to the place of another's. */
  private static Build faulty(Build build, SplittableRandom random) {
    List<Jumper> wires = new ArrayList<>();
    bench(build).loom().strands().forEach(strand -> wires.add(strand.wire()));
    Jumper gone = wires.get(random.nextInt(wires.size()));
    Build next = build.withLoom(build.loom().withLeftOut(gone));
    if (random.nextBoolean()) {
      List<Joint> pins = new ArrayList<>();
      for (Jumper wire : wires) {
        List.of(wire.a(), wire.b()).stream()
            .filter(j -> !List.of("supply", "ground").contains(j.tab()))
            .filter(j -> !j.part().equals(Joint.BOARD))
            .forEach(pins::add);
      }
      Joint from = pins.get(random.nextInt(pins.size()));
      Joint to = pins.get(random.nextInt(pins.size()));
      // An output on a line that only listens would clock by what it says: that is not followed.
      List<String> listens = List.of("latch", "clock", "select");
      boolean says = listens.contains(from.tab()) != listens.contains(to.tab());
      if (!from.equals(to) && !says) {
        next = next.withLoom(next.loom().withAdded(new Jumper(from, to)));
      }
    }
    return next;
  }

  /** Whatever single wire is left out is told as a stop, unless all presses still come out. */
  @Test(dataProvider = "builds")
  public void noLostWireIsSilent(String board, String[] kinds) {
    Build build = pads(board, kinds);
    for (Jumper wire :
        Set.copyOf(bench(build).loom().strands().stream().map(s -> s.wire()).toList())) {
      Bench bench = bench(build.withLoom(build.loom().withLeftOut(wire)));
      boolean told = bench.findings().stream().anyMatch(f -> f.severity() == Severity.STOP);
      boolean works = bench.paths().stream().allMatch(SignalPath::whole);
      assertThat(told || works).as("without %s", wire).isTrue();
    }
  }

  /** What the ports are said to be fed, and the fix that mends it: tried on each kind of board. */
  @DataProvider
  public Object[][] feeds() {
    return new Object[][] {
      {"native-3v3-26", "serial-latch-16", 5.0, List.of(PortCode.SENDS_TOO_MUCH)},
      {"native-3v3-26", "serial-latch-16", 3.3, List.of()},
      {"native-5v-54", "serial-latch-16", 5.0, List.of()},
      {"native-5v-54", "serial-latch-16", 3.3, List.of(PortCode.NO_SUCH_SUPPLY)},
      {
        "native-3v3-26",
        "serial-latch-8",
        2.5,
        List.of(PortCode.NO_SUCH_SUPPLY, PortCode.FED_TOO_LITTLE)
      },
      {
        "native-3v3-26",
        "serial-latch-8",
        12.0,
        List.of(PortCode.NO_SUCH_SUPPLY, PortCode.FED_TOO_MUCH)
      },
      {"native-3v3-26", "direct-9", 12.0, List.of()},
    };
  }

  @Test(dataProvider = "feeds")
  public void aFeedIsJudged(String board, String kind, double volts, List<PortCode> codes) {
    Build build = pads(board, kind);
    Port port = build.ports().ports().get(0);
    Bench bench = bench(build.withPorts(build.ports().with(port.withFeed(Optional.of(volts)))));
    List<Finding> found =
        bench.findings().stream()
            .filter(f -> f.station().equals(Station.SIGNALS) && f.severity() != Severity.FINE)
            .toList();
    assertThat(found.stream().map(Finding::code))
        .containsExactlyInAnyOrderElementsOf(List.<kumite.finding.Code>copyOf(codes));
    for (Finding finding : found) {
      assertThat(finding.fix()).as(finding.toString()).isPresent();
    }
  }

  /** Each pad that the board feeds is in its budget, and in what its logic supply gives. */
  @Test(dataProvider = "read")
  public void padsAreInTheBudget(String kind, int count) {
    String[] kinds = of(kind, count);
    Build build = pads(count == 1 ? "native-5v-54" : "native-3v3-48", kinds);
    Bench with = bench(build);
    double takes = 1000 * Plugs.standard().pinout(kind(kind).pinout()).orElseThrow().padTakesA();
    Pad first = with.loom().pads().get(0);
    BoardKind board = with.board().orElseThrow();
    boolean given =
        board.terminals(Terminal.Role.SUPPLY).stream()
            .anyMatch(t -> t.volts() == first.feedVolts(board));
    double each = first.fed() && given ? takes : 0;
    assertThat(taken(with)).isCloseTo(kinds.length * each, within(1e-9));
    double logic = first.feedVolts(board) == board.logicVolts() ? kinds.length * each : 0;
    assertThat(FeedChecks.onLogic(board, with.loom(), with.wiring().orElseThrow()))
        .isCloseTo(logic, within(1e-9));
    for (Strand strand : with.loom().strands()) {
      Joint supply = first.pin("supply");
      if (strand.wire().a().equals(supply) || strand.wire().b().equals(supply)) {
        build = build.withLoom(build.loom().withLeftOut(strand.wire()));
      }
    }
    assertThat(taken(bench(build))).isLessThan(each == 0 ? 1 : kinds.length * each - 1e-9);
  }

  private static double taken(Bench bench) {
    Set<String> labels =
        bench.loom().pads().stream().map(p -> p.port().label()).collect(Collectors.toSet());
    return bench.budget().orElseThrow().items().stream()
        .filter(item -> labels.contains(item.name()))
        .mapToDouble(kumite.circuit.Budget.Item::worstMilliamps)
        .sum();
  }

  /** A USB device wants a host: a board that is none says which lines have no terminal. */
  @Test
  public void aPadIsReadByABoardThatCan() {
    for (PortKind kind : PortFile.standard()) {
      for (BoardKind board : Catalogue.standard().boards()) {
        if (board.bringsProgram() || board.circuit().isPresent()) {
          continue;
        }
        Bench bench = bench(pads(board.id(), kind.id()));
        boolean wanting = kind.mechanism() instanceof UsbPad && !board.hosts();
        assertThat(bench.paths()).as(kind.id()).isNotEmpty();
        assertThat(
                bench.findings().stream()
                    .filter(f -> f.code() == LoomCode.WITHOUT_TERMINAL)
                    .anyMatch(f -> f.detail().contains("USB host's data")))
            .as(kind.id() + " at " + board.id())
            .isEqualTo(wanting);
      }
    }
  }

  /** A pad of 3.3 V at a board of 5 V: the volts that harm it are told as its own. */
  @Test
  public void theVoltsOfTheHarmedPlaceAreTold() {
    assertThat(
            bench(pads("native-5v-54", "packet")).findings().stream()
                .filter(f -> f.code().text().equals("NT-07"))
                .map(Finding::detail))
        .isNotEmpty()
        .allMatch(words -> words.startsWith("A terminal of 3.3 V"));
  }

  /** Four pads of sixteen bits are read on six terminals, two of them shared by all. */
  @Test
  public void fourPadsShareLatchAndClock() {
    Bench bench =
        bench(
            pads(
                "native-3v3-26",
                "serial-latch-16",
                "serial-latch-16",
                "serial-latch-16",
                "serial-latch-16"));
    assertThat(bench.loom().plan().choices()).hasSize(6);
    Wiring wiring = bench.circuit().orElseThrow().asBuilt();
    for (int i = 2; i <= 4; i++) {
      assertThat(wiring.nets().joined(new Joint("pad-1", "latch"), new Joint("pad-" + i, "latch")))
          .isTrue();
      assertThat(wiring.nets().joined(new Joint("pad-1", "data"), new Joint("pad-" + i, "data")))
          .isFalse();
    }
    Map<String, Long> strands = new LinkedHashMap<>();
    bench.loom().strands().forEach(s -> strands.merge(s.from().place().part(), 1L, Long::sum));
    assertThat(strands.values()).as("five wires a pad").containsOnly(5L);
  }

  /** A pad belongs to the build as a control does: taken out, it leaves nothing behind. */
  @Test
  public void aPortTakenOutLeavesNothing() throws Exception {
    Build build = pads("native-3v3-26", "serial-latch-16", "direct-9");
    Build less = build.without(new ControlId("pad-1"));
    assertThat(less.ports().ports()).hasSize(1);
    assertThat(less.mapping().entries().keySet())
        .noneMatch(contact -> contact.control().text().equals("pad-1"));
    assertThat(
            kumite.files.BuildFile.parse(
                kumite.files.BuildFile.text(less), "less", Catalogue.standard()))
        .isEqualTo(less);
  }

  /** Hats of two gamepads of one device are no rivals; one hat that two pads push is. */
  @Test
  public void padsOfTheirOwnAreNoRivals() {
    for (boolean own : List.of(true, false)) {
      Build build = pads("native-3v3-48", "serial-latch-8", "serial-latch-8");
      Mapping mapping = build.mapping();
      for (int pad = 1; pad <= 2; pad++) {
        for (String way : List.of("up N", "down S", "left W", "right E")) {
          String to = (own && pad == 2 ? "Pad 2 Hat " : "Hat ") + way.split(" ")[1];
          mapping =
              mapping.with(
                  ContactId.parse("pad-" + pad + "." + way.split(" ")[0]),
                  new Mapping.Entry(kumite.map.TargetText.parse(to), ""));
        }
      }
      Bench bench = bench(build.withMapping(mapping));
      assertThat(bench.findings().stream().anyMatch(f -> f.code().text().equals("MP-15")))
          .isNotEqualTo(own);
    }
  }

  /** A pad's file is read back whole, and what it cannot say is refused by its place. */
  @DataProvider
  public Object[][] hostile() {
    return new Object[][] {
      {"\"kind\": \"serial-latch-16\"", "\"kind\": \"smoke\"", "ports.ports[0].kind"},
      {"\"id\": \"pad-1\"", "\"id\": \"board\"", "pad-1.a"},
      {"\"id\": \"pad-1\"", "\"id\": \"Pad\"", "ports.ports[0].id"},
      {"\"id\": \"pad-2\"", "\"id\": \"pad-1\"", "pad-1"},
      {"\"label\": \"Pad 1\"", "\"label\": \"\"", "ports.ports[0]"},
      {"\"label\": \"Pad 1\"", "\"label\": \"Pad 1\", \"feed_v\": -3", "feed of a port"},
      {"\"label\": \"Pad 1\"", "\"label\": \"Pad 1\", \"seat\": \"nowhere\"", "nowhere"},
      {"\"pad-1.start\"", "\"pad-1.jump\"", "pad-1.jump"},
    };
  }

  @Test(dataProvider = "hostile")
  public void aBrokenPortIsRefusedByPlace(String was, String is, String names) {
    String text = kumite.files.BuildFile.text(pads("native-3v3-26", "serial-latch-16", "direct-9"));
    assertThat(text).contains(was);
    String broken = text.replaceFirst(java.util.regex.Pattern.quote(was), is);
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> kumite.files.BuildFile.parse(broken, "broken", Catalogue.standard()))
        .isInstanceOf(kumite.files.BuildFileException.class)
        .hasMessageContaining(names);
  }

  /** A lock holds a line; of a button that shares one it is told that it does nothing. */
  @Test
  public void aLockHoldsALine() throws Exception {
    Build build = pads("native-3v3-26", "serial-latch-16", "direct-9");
    for (String id : List.of("pad-1.data", "ports-serial-latch-16.clock", "pad-2.fire")) {
      Build locked = build.withLoom(build.loom().withLock(ContactId.parse(id), "D14"));
      assertThat(
              kumite.files.BuildFile.parse(
                  kumite.files.BuildFile.text(locked), "locked", Catalogue.standard()))
          .isEqualTo(locked);
      Bench bench = bench(locked);
      assertThat(bench.loom().plan().of(ContactId.parse(id)).orElseThrow().terminal().name())
          .as(id)
          .isEqualTo("D14");
      assertThat(bench.paths()).as(id).allMatch(SignalPath::whole);
      assertThat(bench.findings()).as(id).noneMatch(f -> f.code() == PortCode.LOCK_IN_VAIN);
    }
    Bench bench =
        bench(build.withLoom(build.loom().withLock(ContactId.parse("pad-1.start"), "D14")));
    Finding told =
        bench.findings().stream()
            .filter(f -> f.code() == PortCode.LOCK_IN_VAIN)
            .findFirst()
            .orElseThrow();
    assertThat(told.detail()).contains("pad-1.data");
    assertThat(bench(told.fix().orElseThrow().edit().apply(bench.build())).findings())
        .noneMatch(f -> f.code() == PortCode.LOCK_IN_VAIN);
  }

  /** What is inside of a pad is nobody's to buy or to solder: on no list of parts and no sheet. */
  @Test
  public void nobodySoldersInsideOfAPad() throws Exception {
    Bench bench = bench(pads("native-5v-54", "serial-latch-16", "select-line-3", "direct-9"));
    assertThat(bench.loom().partCounts()).isEmpty();
    assertThat(kumite.wiring.Fitting.all(bench.build(), bench.circuit().orElseThrow().asBuilt()))
        .isEmpty();
    byte[] sheet =
        kumite.sheet.Exports.BENCH_SHEET
            .files(bench, kumite.verdict.Export.Choices.USUAL)
            .values()
            .iterator()
            .next();
    try (var document = org.apache.pdfbox.Loader.loadPDF(sheet)) {
      String text = new org.apache.pdfbox.text.PDFTextStripper().getText(document);
      assertThat(text).contains("pin 2 clock").doesNotContain("Chips, pin by pin", "active low");
    }
  }
}
