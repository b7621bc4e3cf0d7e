package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Aspect;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.lead.LeadBook;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.port.PortBook;
import kumite.build.supply.SupplyBook;
import kumite.device.Holds;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Several boards in one build. */
public class SeatsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final SeatId LEFT = new SeatId("left");
  private static final SeatId RIGHT = new SeatId("right");

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** What a seat works out to is what its controls and board alone would: one law for all. */
  @Test(dataProvider = "seeds")
  public void aSeatIsABuildOfItsOwn(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    // Leads belong to no seat, and what feeds one may stand at the other (SupplyAcrossTest).
    Build any =
        RandomBuilds.any(random).withLeads(LeadBook.EMPTY).with(SupplyBook.PART, SupplyBook.EMPTY);
    Build two = RandomBuilds.seated(any, random);
    assertThat(BuildFile.parse(BuildFile.text(two), "two", CATALOGUE)).isEqualTo(two);
    for (Seat seat : two.seats()) {
      Build faced = two.facing(Aspect.of(seat));
      assertThat(faced.home()).isEqualTo(two);
      Build alone =
          two.withControls(faced.seated().stream().filter(c -> two.controls().contains(c)).toList())
              .withLinks(List.of())
              .withPorts(
                  new PortBook(
                      two.ports().kinds(),
                      two.ports().ports().stream()
                          .filter(p -> two.seatOf(p.control()).equals(seat.id()))
                          .toList()))
              .withSeats(List.of(seat));
      Bench shared = Bench.of(faced, CATALOGUE);
      Bench single = Bench.of(alone, CATALOGUE);
      assertThat(shared.loom().strands()).isEqualTo(single.loom().strands());
      assertThat(shared.layout().descriptor()).isEqualTo(single.layout().descriptor());
      assertThat(shared.paths().stream().map(p -> p.id()).toList())
          .isEqualTo(single.paths().stream().map(p -> p.id()).toList());
      Holds holds = Holds.NONE;
      for (Control control : faced.seated()) {
        if (CATALOGUE.kindOf(control).contacts().size() == 1) {
          holds = holds.with(new ContactId(control.id(), ""), 1);
        }
      }
      assertThat(shared.device().steady(holds)).isEqualTo(single.device().steady(holds));
      Set<String> own = codes(single, "");
      Set<String> told = codes(shared, "Seat " + seat.id() + ": ");
      assertThat(told).as("findings of seat %s", seat.id()).isEqualTo(own);
    }
  }

  private static Set<String> codes(Bench bench, String whose) {
    Set<String> codes = new TreeSet<>();
    for (Finding finding : bench.findings()) {
      boolean electrical =
          finding.station() != Station.PANEL
              && finding.station() != Station.CASE
              && finding.station() != Station.BRIEF
              && !finding.code().text().startsWith("LM-4")
              && !finding
                  .code()
                  .text()
                  .equals("LM-18") // the panel rises whole, by its deepest part
              && !Set.of("MP-22", "MP-34").contains(finding.code().text());
      if (electrical && finding.whose().startsWith(whose)) {
        codes.add(finding.code().text() + " " + finding.severity());
      }
    }
    return codes;
  }

  /** From one edit to the next as if worked out anew, whichever seat is looked at. */
  @Test(dataProvider = "seeds")
  public void theNextBenchIsThatOfTheBuild(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 77L);
    Build build =
        RandomBuilds.seated(RandomBuilds.layered(RandomBuilds.any(random), random), random);
    Bench bench = Bench.of(build, CATALOGUE);
    for (int i = 0; i < 4; i++) {
      Seat seat = build.seats().get(random.nextInt(2));
      Profile profile = seat.profiles().get(random.nextInt(seat.profiles().size()));
      build = build.facing(new Aspect(seat.id(), profile.name()));
      build = random.nextBoolean() ? RandomBuilds.edited(build, random) : build;
      bench = bench.next(build);
      Bench fresh = Bench.of(build, CATALOGUE);
      assertThat(bench.findings()).isEqualTo(fresh.findings());
      assertThat(bench.paths()).isEqualTo(fresh.paths());
      assertThat(bench.layout().descriptor()).isEqualTo(fresh.layout().descriptor());
    }
  }

  /** Two players of four buttons, each on a board with both ends of a serial line. */
  private static Build two(String leftBoard, String rightBoard) {
    Build build = Builds.buttons(60, 60, 110, 60, 160, 60, 210, 60);
    build = build.withPanel(build.panel().withSize(320, 240));
    Mapping mapping = Mapping.EMPTY;
    for (int i = 1; i <= 4; i++) {
      mapping =
          mapping.with(
              ContactId.parse("b" + i), new Mapping.Entry(TargetText.parse("Button " + i), ""));
    }
    Seat left = seat(LEFT, leftBoard, 60).withProfile(p -> p);
    Seat right = seat(RIGHT, rightBoard, 240);
    Mapping all = mapping;
    return build
        .withSeats(
            List.of(
                left.withProfile(p -> p.withBase(all)), right.withProfile(p -> p.withBase(all))))
        .withControl(new ControlId("b3"), c -> c.withSeat(Optional.of(RIGHT)))
        .withControl(new ControlId("b4"), c -> c.withSeat(Optional.of(RIGHT)));
  }

  private static Seat seat(SeatId id, String board, double x) {
    return Seat.empty(id).withBoard(Optional.of(new BoardChoice(board, Placement.at(x, 160))));
  }

  /**
   * One sender tells two boards: nothing is crossed. Two senders on one line push against each
   * other.
   */
  @Test
  public void oneSenderMayTellTwoReceivers() {
    SeatId third = new SeatId("third");
    Build plain = two("native-5v-18", "native-5v-54");
    List<Seat> three = new ArrayList<>(plain.seats());
    three.add(seat(third, "serial-5v-18", 150));
    Build build = plain.withSeats(three);
    List<String> grounds = List.of("left:GND - right:GND", "left:GND.2 - third:GND");
    assertThat(codesOf(linked(build, grounds, "left:RX - third:TX", "right:0 - third:TX")))
        .doesNotContain("NT-09", "LM-46");
    assertThat(codesOf(linked(build, grounds, "left:RX - third:TX", "left:TX - third:TX")))
        .contains("NT-09");
    assertThat(codesOf(linked(build, grounds, "left:RX - right:0"))).contains("NT-09");
  }

  private static Build linked(Build build, List<String> some, String... more) {
    List<Link> links = new ArrayList<>();
    some.forEach(link -> links.add(Link.parse(link)));
    List.of(more).forEach(link -> links.add(Link.parse(link)));
    return build.withLinks(links);
  }

  @DataProvider
  public Object[][] links() {
    String usb = "native-5v-18";
    String low = "native-3v3-26";
    String serial = "serial-5v-18";
    String both = "left:GND - right:GND";
    return new Object[][] {
      {usb, serial, List.of(both, "left:TX - right:RX", "left:RX - right:TX"), ""},
      {usb, serial, List.of(both, "left:TX - right:TX", "left:RX - right:TX"), "NT-09"},
      {usb, serial, List.of(both, "left:RX - right:RX", "left:RX - right:TX"), "NT-09"},
      {usb, serial, List.of("left:TX - right:RX", "left:RX - right:TX"), "LM-41"},
      {usb, serial, List.of(both, "left:TX - right:RX"), ""},
      {usb, serial, List.of(), "LM-46"},
      {usb, serial, List.of(both, "left:TX - right:NOWHERE", "left:RX - right:TX"), "LM-40"},
      {usb, serial, List.of(both, "left:VCC - right:GND", "left:RX - right:TX"), "NT-01"},
      {usb, serial, List.of(both, "left:VCC - right:5V", "left:RX - right:TX"), "LM-44"},
      // 5 V from TX into a board of 3.3 V that does not bear it.
      {low, serial, List.of(both, "left:D0 - right:TX"), "LM-45"},
      {low, serial, List.of(both, "left:D1 - right:RX"), ""},
    };
  }

  @Test(dataProvider = "links")
  public void linksKeepTheRules(String left, String right, List<String> wires, String code) {
    List<Link> links = wires.stream().map(Link::parse).toList();
    Bench bench = Bench.of(two(left, right).withLinks(links), CATALOGUE);
    Set<String> found = new TreeSet<>();
    bench.findings().stream()
        .filter(
            f ->
                f.code().text().startsWith("LM-4")
                    || f.code().text().equals("NT-01")
                    || f.code().text().equals("NT-09"))
        .forEach(f -> found.add(f.code().text()));
    if (code.isEmpty()) {
      found.remove("LM-46"); // a serial board whose TX goes nowhere is another matter
      assertThat(found).isEmpty();
    } else {
      assertThat(found).contains(code);
      bench.findings().stream()
          .filter(f -> f.code().text().equals(code) && f.code().text().matches("LM-4[05]|NT-0[19]"))
          .findFirst()
          .flatMap(Finding::fix)
          .ifPresent(
              fix ->
                  assertThat(
                          Bench.of(fix.edit().apply(bench.build()), CATALOGUE).findings().stream()
                              .map(f -> f.code().text()))
                      .doesNotContain(code));
    }
  }

  /**
   * Whatever terminal the plan gave a contact: a link to it is a stop, and its fix takes it out.
   */
  @Test
  public void aLinkToATakenTerminalIsNamed() {
    Build build = two("native-5v-18", "native-5v-18");
    for (Seat seat : build.seats()) {
      Bench bench = Bench.of(build.facing(Aspect.of(seat)), CATALOGUE);
      String taken = bench.paths().get(0).pin().orElseThrow().terminal().name();
      String other = seat.id().equals(LEFT) ? "right" : "left";
      // The plan keeps off a terminal that a link lands on; a lock is the builder's word.
      ContactId id = bench.paths().get(0).id();
      Build locked =
          build.withSeats(
              build.seats().stream()
                  .map(s -> s.id().equals(seat.id()) ? s.withLoom(s.loom().withLock(id, taken)) : s)
                  .toList());
      List<Link> link = List.of(Link.parse(seat.id() + ":" + taken + " - " + other + ":RX"));
      assertThat(codesOf(build.withLinks(link))).doesNotContain("LM-47");
      Build linked = locked.withLinks(link);
      Bench judged = Bench.of(linked, CATALOGUE);
      Finding found =
          judged.findings().stream()
              .filter(f -> f.code().text().equals("LM-47"))
              .findFirst()
              .orElseThrow();
      assertThat(found.detail()).contains(bench.paths().get(0).id().toString());
      assertThat(codesOf(found.fix().orElseThrow().edit().apply(linked))).doesNotContain("LM-47");
    }
  }

  @Test
  public void whatTwoSeatsDoToEachOtherIsNamed() {
    Build sound = two("native-5v-18", "native-5v-18");
    List<String> before = codesOf(sound);
    assertThat(before).doesNotContain("MP-22", "MP-26", "PN-60", "PN-61");
    Build keys = sound;
    for (Seat seat : sound.seats()) {
      String contact = seat.id().equals(LEFT) ? "b1" : "b3";
      keys =
          keys.facing(Aspect.of(seat))
              .withProfile(
                  p ->
                      p.withBase(
                          p.base()
                              .without(new ControlId("b3"))
                              .without(new ControlId("b1"))
                              .with(
                                  ContactId.parse(contact),
                                  new Mapping.Entry(TargetText.parse("Key Space"), ""))));
    }
    assertThat(codesOf(keys.home())).contains("MP-22");
    Build chord =
        sound.withProfile(
            p ->
                p.withChord(
                    new Chord(
                        Layer.BASE,
                        Set.of(ContactId.parse("b1"), ContactId.parse("b3")),
                        50,
                        false,
                        new Mapping.Entry(TargetText.parse("Button 9"), ""))));
    assertThat(codesOf(chord)).contains("MP-26");
    Build pile = sound.withBoard(sound.board().map(b -> b.at(Placement.at(240, 170))));
    assertThat(codesOf(pile)).contains("PN-60");
    Build out =
        sound
            .facing(Aspect.of(sound.seats().get(1)))
            .withBoard(sound.board().map(b -> b.at(Placement.at(315, 170))))
            .home();
    assertThat(codesOf(out)).contains("PN-14");
  }

  private static List<String> codesOf(Build build) {
    List<String> codes = new ArrayList<>();
    Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .forEach(f -> codes.add(f.code().text()));
    return codes;
  }

  private static List<String> serial(BoardKind board, Terminal.Ability can, Terminal.Ability not) {
    return board.terminals().stream()
        .filter(t -> t.can(can) && !t.can(not))
        .map(Terminal::name)
        .toList();
  }

  @DataProvider
  public Object[][] ports() {
    List<BoardKind> boards =
        CATALOGUE.boards().stream()
            .filter(b -> !serial(b, Terminal.Ability.SEND, Terminal.Ability.RECEIVE).isEmpty())
            .filter(b -> !serial(b, Terminal.Ability.RECEIVE, Terminal.Ability.SEND).isEmpty())
            .toList();
    return boards.stream()
        .flatMap(a -> boards.stream().map(b -> new Object[] {a, b}))
        .toArray(Object[][]::new);
  }

  /**
   * Whatever two boards and whatever joins them (a link, a core of a lead, a way over a third
   * board's terminal): two senders, or two receivers, on one net are told once and no seat calls
   * its nets sound; a sender on a receiver is not accused. TRADE: TX to RX and RX to TX, common
   * practice.
   */
  @Test(dataProvider = "ports")
  public void sendersMeetReceivers(BoardKind one, BoardKind two) {
    String tx1 = serial(one, Terminal.Ability.SEND, Terminal.Ability.RECEIVE).get(0);
    String rx1 = serial(one, Terminal.Ability.RECEIVE, Terminal.Ability.SEND).get(0);
    String tx2 = serial(two, Terminal.Ability.SEND, Terminal.Ability.RECEIVE).get(0);
    String rx2 = serial(two, Terminal.Ability.RECEIVE, Terminal.Ability.SEND).get(0);
    Build plain = two(one.id(), two.id());
    for (List<String> pair :
        List.of(List.of(tx1, tx2), List.of(rx1, rx2), List.of(tx1, rx2), List.of(rx1, tx2))) {
      boolean wrong = pair.equals(List.of(tx1, tx2)) || pair.equals(List.of(rx1, rx2));
      Build linked =
          plain.withLinks(List.of(Link.parse("left:" + pair.get(0) + " - right:" + pair.get(1))));
      Lead lead =
          new Lead(
              "J",
              new End.OfBoard(LEFT),
              new End.OfBoard(RIGHT),
              List.of(new Core(pair.get(0), pair.get(1), WireColour.parse("BK"), Optional.empty())),
              List.of(),
              Cable.forCores(1),
              List.of());
      Build cored = plain.withLeads(LeadBook.EMPTY.with("J", lead));
      SeatId third = new SeatId("third");
      List<Seat> three = new ArrayList<>(plain.seats());
      three.add(seat(third, "native-5v-18", 150));
      Build over =
          plain
              .withSeats(three)
              .withLinks(
                  List.of(
                      Link.parse("left:" + pair.get(0) + " - third:8"),
                      Link.parse("third:8 - right:" + pair.get(1))));
      for (Build build : List.of(linked, cored, over)) {
        List<String> codes =
            Bench.of(build, CATALOGUE).findings().stream().map(f -> f.code().text()).toList();
        assertThat(codes.stream().filter("NT-09"::equals).count())
            .as("%s %s %s", one.id(), two.id(), pair)
            .isEqualTo(wrong ? 1 : 0);
        if (wrong) {
          assertThat(codes).doesNotContain("NT-20");
        }
      }
    }
  }

  /** A lead between two boards that joins their supplies says so once, not from either end. */
  @Test
  public void boardsThatFeedEachOtherThroughALeadAreToldOnce() {
    Lead lead =
        new Lead(
            "J",
            new End.OfBoard(LEFT),
            new End.OfBoard(RIGHT),
            List.of(
                new Core("VCC", "5V", WireColour.parse("RD"), Optional.empty()),
                new Core("GND", "GND", WireColour.parse("BK"), Optional.empty())),
            List.of(),
            Cable.forCores(2),
            List.of());
    Build build = two("native-5v-18", "serial-5v-18").withLeads(LeadBook.EMPTY.with("J", lead));
    assertThat(codesOf(build).stream().filter("LD-29"::equals)).hasSize(1);
  }
}
