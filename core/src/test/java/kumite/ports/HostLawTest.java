package kumite.ports;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.bringup.Question;
import kumite.bringup.Rounds;
import kumite.build.Build;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.Port;
import kumite.circuit.Meter;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.hid.DrawnPad;
import kumite.hid.UsbPads;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.UsbPad;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** USB pads at boards that host some: each pad in one socket, and heard only there. */
public class HostLawTest {
  private static final int MOST_SOCKETS = 3;

  /** {@return a board with so many sockets, whose terminals stand in any order} */
  private static BoardKind board(int sockets, SplittableRandom random) {
    BoardKind one = Catalogue.standard().board("host-3v3-20").orElseThrow();
    List<Terminal> terminals = new ArrayList<>(one.terminals());
    terminals.removeIf(t -> t.role() == Terminal.Role.HOST);
    for (int i = 1; i <= sockets; i++) {
      for (boolean plus : new boolean[] {true, false}) {
        Terminal.Ability does = plus ? Terminal.Ability.HOST_PLUS : Terminal.Ability.HOST_MINUS;
        Terminal.Side side = random.nextBoolean() ? Terminal.Side.LEFT : Terminal.Side.RIGHT;
        terminals.add(
            new Terminal(
                "U" + i + (plus ? "+" : "-"),
                Terminal.Role.HOST,
                new Point(random.nextInt(-15, 16), random.nextInt(-28, 29)),
                side,
                Set.of(does),
                Optional.empty(),
                Optional.empty(),
                0));
      }
    }
    return one.remade("own-host", "Own host", terminals);
  }

  private static Build build(BoardKind board, int pads, SplittableRandom random) {
    Build build = Builds.wired(Builds.buttons(60, 60).withOwnBoard(board), board.id());
    Mapping mapping = build.mapping();
    boolean alike = random.nextBoolean();
    DrawnPad first = DrawnPad.of(random, false);
    for (int i = 1; i <= pads; i++) {
      DrawnPad drawn = alike ? first : DrawnPad.of(random, false);
      String name = alike ? "Stick" : "Pad " + i;
      PortKind kind = UsbPads.of(drawn.descriptor(), UsbPads.Wish.called(name)).kind();
      ControlId id = new ControlId("pad-" + i);
      Placement place = Placement.at(random.nextInt(20, 200), random.nextInt(20, 150));
      build =
          build.withPorts(
              build.ports().withKind(kind).with(Port.of(id, "Pad " + i, kind.id(), place)));
      mapping =
          mapping.with(
              new ContactId(id, kind.contacts().get(0).contact()),
              new Mapping.Entry(new Target.Button(i + 1), ""));
    }
    return build.withMapping(mapping);
  }

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[12][];
    for (int i = 0; i < seeds.length; i++) {
      seeds[i] = new Object[] {i};
    }
    return seeds;
  }

  private static Optional<String> socket(Bench bench, int pad, String line) {
    return bench
        .loom()
        .plan()
        .of(ContactId.parse("pad-" + pad + "." + line))
        .map(pin -> pin.terminal().name());
  }

  private static boolean held(Bench bench, int pad) {
    ContactId first =
        bench.loom().sites().stream()
            .map(kumite.loom.ContactSite::id)
            .filter(id -> id.control().text().equals("pad-" + pad))
            .findFirst()
            .orElseThrow();
    return bench
        .circuit()
        .orElseThrow()
        .inputs()
        .see(first, c -> c.equals(first) ? 1 : 0)
        .pressed();
  }

  /** As many pads as there are sockets are heard, each by both its lines; one more says so. */
  @Test(dataProvider = "seeds")
  public void eachPadHasASocketOfItsOwn(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int sockets = random.nextInt(1, MOST_SOCKETS + 1);
    int pads = random.nextInt(1, MOST_SOCKETS + 2);
    Build build = build(board(sockets, random), pads, random);
    if (random.nextBoolean()) { // one line chosen by hand takes the other with it
      String plus = "U" + random.nextInt(1, sockets + 1) + "+";
      build = build.withLoom(build.loom().withLock(ContactId.parse("pad-1.dataplus"), plus));
    }
    Bench bench = Bench.of(build, Catalogue.standard());
    int placed = 0;
    for (int pad = 1; pad <= pads; pad++) {
      Optional<String> plus = socket(bench, pad, "dataplus");
      Optional<String> minus = socket(bench, pad, "dataminus");
      assertThat(plus.map(name -> name.replace('+', '-'))).isEqualTo(minus);
      assertThat(plus.isPresent() && held(bench, pad)).isEqualTo(plus.isPresent());
      placed += plus.isPresent() ? 1 : 0;
    }
    assertThat(placed).isEqualTo(Math.min(pads, sockets));
    assertThat(stops(bench).contains("LM-02")).isEqualTo(pads > sockets);
    assertThat(stops(bench)).doesNotContain("LM-03");
  }

  private static List<String> stops(Bench bench) {
    return bench.findings().stream()
        .filter(f -> f.severity() == Severity.STOP)
        .map(f -> f.code().text())
        .toList();
  }

  /** Lines in two sockets are heard by neither host: a stop, whose remedy ends it. */
  @Test
  public void aPadInTwoSocketsIsTold() {
    SplittableRandom random = new SplittableRandom(5);
    Build build = build(board(2, random), 1, random);
    Build parted =
        build.withLoom(
            build
                .loom()
                .withLock(ContactId.parse("pad-1.dataplus"), "U1+")
                .withLock(ContactId.parse("pad-1.dataminus"), "U2-"));
    Bench bench = Bench.of(parted, Catalogue.standard());
    assertThat(held(bench, 1)).isFalse();
    Finding told =
        bench.findings().stream()
            .filter(f -> f.code().text().equals("LM-03"))
            .findFirst()
            .orElseThrow();
    assertThat(told.title()).contains("another socket");
    Bench mended = Bench.of(told.fix().orElseThrow().edit().apply(parted), Catalogue.standard());
    assertThat(held(mended, 1)).isTrue();
    assertThat(stops(mended)).isEmpty();
  }

  /**
   * What is done to one wire of a pad is told, and nothing of it is heard; the others stay sound.
   */
  @Test(dataProvider = "seeds")
  public void aPadIsHeardOverSoundWiresOnly(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = build(board(2, random), 2, random);
    Bench sound = Bench.of(build, Catalogue.standard());
    List<Joint> pins =
        List.of("data-plus", "data-minus", "supply").stream()
            .map(pin -> new Joint("pad-1", pin))
            .toList();
    Joint pin = pins.get(seed % pins.size());
    List<Jumper> wires =
        sound.loom().strands().stream()
            .map(Strand::wire)
            .filter(wire -> wire.a().equals(pin) || wire.b().equals(pin))
            .toList();
    assertThat(wires).isNotEmpty();
    boolean chained = wires.size() > 1;
    Build cut = build;
    for (Jumper wire : wires) {
      cut = cut.withLoom(cut.loom().withLeftOut(wire));
    }
    Bench bench = Bench.of(cut, Catalogue.standard());
    assertThat(held(bench, 1)).isFalse();
    assertThat(stops(bench)).isNotEmpty();
    assertThat(chained || held(bench, 2)).isTrue();
    Map<Boolean, String> rails = Map.of(true, "GND", false, "3V3");
    Build tied =
        build.withLoom(
            build
                .loom()
                .withAdded(new Jumper(pins.get(seed % 2), Joint.board(rails.get(seed % 4 < 2)))));
    Bench wrong = Bench.of(tied, Catalogue.standard());
    assertThat(held(wrong, 1)).isFalse();
    assertThat(held(wrong, 2)).isTrue();
    assertThat(stops(wrong)).isNotEmpty();
  }

  /** Bytes come in at the terminal that is kept for them, locked or not, and at no other. */
  @Test
  public void aSerialPadIsHeardAtTheReceiver() {
    ControlId id = new ControlId("pad-1");
    ContactId data = ContactId.parse("pad-1.data");
    int boards = 0;
    for (BoardKind board : Catalogue.standard().boards()) {
      Optional<Terminal> receiver =
          board.terminals(Terminal.Role.INPUT).stream()
              .filter(t -> t.can(Terminal.Ability.RECEIVE))
              .findFirst();
      if (receiver.isEmpty() || board.logicVolts() < 5) {
        continue; // such a pad has 5 V
      }
      boards++;
      Build build = Builds.wired(Builds.buttons(60, 60), board.id());
      Port port = Port.of(id, "Pad 1", "serial-bytes", Placement.at(60, 100));
      build = build.withPorts(build.ports().with(port));
      Bench bench = Bench.of(build, Catalogue.standard());
      assertThat(socket(bench, 1, "data")).contains(receiver.get().name());
      assertThat(held(bench, 1)).isTrue();
      for (Terminal terminal : board.terminals(Terminal.Role.INPUT)) {
        Bench locked =
            Bench.of(
                build.withLoom(build.loom().withLock(data, terminal.name())), Catalogue.standard());
        boolean right = terminal.equals(receiver.get());
        assertThat(
                locked.findings().stream()
                    .filter(
                        f -> f.code().text().startsWith("LM-0") && f.named().contains("pad-1.data"))
                    .anyMatch(f -> f.severity() != Severity.FINE))
            .as(terminal.name())
            .isNotEqualTo(right);
      }
    }
    assertThat(boards).isGreaterThan(1);
  }

  @DataProvider
  public Object[][] kinds() {
    return PortFile.standard().stream().map(k -> new Object[] {k}).toArray(Object[][]::new);
  }

  /** A round asks at the plug of a pad, never inside of it. */
  @Test(dataProvider = "kinds")
  public void noProbeGoesIntoAPad(PortKind kind) {
    ControlId id = new ControlId("pad-1");
    String board = kind.mechanism() instanceof UsbPad ? "host-3v3-20" : "native-3v3-48";
    Build build = Builds.wired(Builds.buttons(60, 60), board);
    Port port = Port.of(id, "Pad 1", kind.id(), Placement.at(60, 100));
    Bench bench = Bench.of(build.withPorts(build.ports().with(port)), Catalogue.standard());
    Set<String> pins = new HashSet<>(Set.of("supply", "ground"));
    kind.lines().forEach(line -> pins.add(line.name().replace('_', '-')));
    List<Joint> asked = new ArrayList<>();
    for (Question question : Rounds.of(bench.places(), List.of(Question.Kind.values()))) {
      if (question.ask() instanceof Ask.Probe probe) {
        asked.add(probe.red());
        asked.add(probe.black());
      }
    }
    List<String> tabs =
        asked.stream().filter(j -> j.part().equals("pad-1")).map(Joint::tab).distinct().toList();
    assertThat(pins).containsAll(tabs);
    assertThat(tabs).isNotEmpty();
  }

  /** Over a USB pad's lines packets go all the time; without power they are wires like any. */
  @Test
  public void aMeterShowsNothingSteadyWherePacketsGo() {
    Bench bench =
        Bench.of(
            build(board(1, new SplittableRandom(1)), 1, new SplittableRandom(2)),
            Catalogue.standard());
    Joint line = Joint.board("U1+");
    Joint pin = new Joint("pad-1", "data-plus");
    Joint ground = Joint.board("GND");
    Meter meter = Meter.of(bench.circuit().orElseThrow().inputs());
    assertThat(meter.shows(line, ground, Power.POWERED, Held.NONE).words()).contains("no meter");
    assertThat(meter.shows(line, pin, Power.POWERED, Held.NONE).words()).isEqualTo("0.000 V");
    assertThat(meter.shows(line, pin, Power.UNPOWERED, Held.NONE).words()).isEqualTo("beep");
    assertThat(meter.shows(Joint.board("3V3"), ground, Power.POWERED, Held.NONE).words())
        .startsWith("3.3");
  }

  /** A board whose host lines are none, or have no role of a host, is refused by the terminal. */
  @Test
  public void aHostLineIsOneOrTheOther() {
    BoardKind one = Catalogue.standard().board("host-3v3-20").orElseThrow();
    for (Set<Terminal.Ability> does :
        List.<Set<Terminal.Ability>>of(
            Set.of(), Set.of(Terminal.Ability.HOST_PLUS, Terminal.Ability.HOST_MINUS))) {
      List<Terminal> terminals = new ArrayList<>(one.terminals());
      terminals.replaceAll(
          t ->
              t.name().equals("H+")
                  ? new Terminal(
                      "H+", t.role(), t.at(), t.side(), does, t.keep(), t.fixed(), t.volts())
                  : t);
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> one.remade("own-host", "Own", terminals))
          .hasMessageContaining("H+")
          .hasMessageContaining("host_plus or host_minus");
    }
  }
}
