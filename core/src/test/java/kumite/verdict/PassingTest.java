package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.Builds;
import kumite.build.Aspect;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.firmware.Blueprint;
import kumite.firmware.Firmware;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What a board without USB tells is in the program of the one that hears it, or it is said why not:
 * for every board of the catalogue, for several, and over a third.
 */
public class PassingTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final String TELLS = "serial-5v-18";
  private static final String PASSES = "native-5v-54";

  /** A button at each of some boards: seats s0, s1 ... */
  private static Build build(List<String> boards, String... links) {
    double[] places = new double[2 * boards.size()];
    List<Seat> seats = new ArrayList<>();
    for (int i = 0; i < boards.size(); i++) {
      places[2 * i] = 40 + 60 * i;
      places[2 * i + 1] = 40;
      Mapping mapping =
          Mapping.EMPTY.with(
              ContactId.parse("b" + (i + 1)), new Mapping.Entry(new Target.Button(1), ""));
      BoardChoice board = new BoardChoice(boards.get(i), Placement.at(60 + 120 * i, 200));
      seats.add(
          Seat.empty(seat(i)).withBoard(Optional.of(board)).withProfile(p -> p.withBase(mapping)));
    }
    Build build = Builds.buttons(places);
    build = build.withPanel(build.panel().withSize(640, 320)).withSeats(seats);
    for (int i = 0; i < boards.size(); i++) {
      SeatId of = seat(i);
      build = build.withControl(new ControlId("b" + (i + 1)), c -> c.withSeat(Optional.of(of)));
    }
    return build.withLinks(List.of(links).stream().map(Link::parse).toList());
  }

  private static SeatId seat(int number) {
    return new SeatId("s" + number);
  }

  private static Bench at(Build build, int seat) {
    return Bench.of(build.facing(Aspect.of(build.seats().get(seat))), CATALOGUE);
  }

  private static List<String> codes(Bench bench) {
    return bench.findings().stream().map(f -> f.code().text()).toList();
  }

  private static String first(BoardKind board, Terminal.Ability can) {
    return board.terminals().stream()
        .filter(t -> t.can(can))
        .map(Terminal::name)
        .findFirst()
        .orElseThrow();
  }

  private static String ground(BoardKind board) {
    return board.terminals(Terminal.Role.GROUND).get(0).name();
  }

  @DataProvider
  public Object[][] hearers() {
    return CATALOGUE.boards().stream()
        .filter(b -> b.terminals().stream().anyMatch(t -> t.can(Terminal.Ability.RECEIVE)))
        .map(b -> new Object[] {b})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "hearers")
  public void aHearersProgramPassesItOnOrItIsSaidWhyNot(BoardKind hearer) {
    Build build =
        build(
            List.of(hearer.id(), TELLS),
            "s0:" + ground(hearer) + " - s1:GND",
            "s0:" + first(hearer, Terminal.Ability.RECEIVE) + " - s1:TX");
    Bench bench = at(build, 0);
    boolean device = hearer.brain().link() != BoardKind.Link.SERIAL;
    boolean passes = hearer.brain().link() == BoardKind.Link.USB && hearer.brain().needsCode();
    assertThat(codes(bench).contains("LM-48")).isEqualTo(device && !passes);
    assertThat(codes(bench).contains("LM-46")).isEqualTo(!device);
    assertThat(codes(bench)).doesNotContain("MP-41");
    if (Blueprint.why(hearer).isEmpty()) {
      assertThat(bench.firmware().files(Firmware.Target.PORTABLE, List.of()).keySet())
          .matches(names -> names.contains("serial/hears.c") == (passes || !device));
    }
    assertThat(at(build, 1).programless(seat(1))).isEmpty();
    Map<String, String> files = at(build, 1).firmware().files(Firmware.Target.PORTABLE, List.of());
    assertThat(files).containsKeys("serial/tells.c");
    assertThat(files.get("README.txt")).contains("no device of its own");
  }

  private static String header(Bench bench) {
    return bench.firmware().files(Firmware.Target.PORTABLE, List.of()).get("serial/heard.h");
  }

  /** A board that only passes on has no program: it is said, and one contact mends it. */
  @Test
  public void aBoardWithoutAContactPassesNothingOn() {
    Build both = build(List.of(PASSES, TELLS), "s0:GND - s1:GND", "s0:0 - s1:TX");
    assertThat(codes(at(both, 0))).doesNotContain("LM-48");
    Build bare = both.without(new ControlId("b1"));
    assertThat(at(bare, 0).findings())
        .filteredOn(f -> f.code().text().equals("LM-48"))
        .singleElement()
        .satisfies(f -> assertThat(f.detail()).contains("reads no contact of its own"));
  }

  /** A script has no second report to tell: it is refused rather than silent about the other. */
  @Test
  public void aScriptDoesNotPassOn() {
    Build build = build(List.of("native-3v3-26", TELLS), "s0:GND - s1:GND", "s0:D0 - s1:TX");
    Firmware firmware = at(build, 0).firmware();
    assertThat(firmware.why(Firmware.Target.SCRIPT).orElseThrow()).contains("seat s1");
    assertThat(firmware.why(Firmware.Target.SKETCH)).isEmpty();
    Firmware alone = at(build.withLinks(List.of()), 0).firmware();
    assertThat(alone.why(Firmware.Target.SCRIPT)).isEmpty();
  }

  /** Over two wires nobody passes it on; the one in between is heard all the same. */
  @Test
  public void aChainOfTwoIsSaid() {
    Build build =
        build(
            List.of(PASSES, TELLS, TELLS),
            "s0:GND - s1:GND",
            "s1:GND.2 - s2:GND",
            "s0:0 - s1:TX",
            "s1:RX - s2:TX");
    Bench bench = at(build, 0);
    assertThat(
            bench.findings().stream()
                .filter(f -> f.code().text().equals("LM-48"))
                .map(f -> f.title() + f.detail()))
        .singleElement()
        .asString()
        .contains("seat s2", "over the board of seat s1");
    assertThat(header(bench)).contains("one wire each: s1.", "N_HEARD_LINES 1\n", "TELLS 0");
    // What the one in the middle hears is none of its program's: that tells, and no more.
    assertThat(header(at(build, 1))).contains("one wire each: s1.", "TELLS 1");
    assertThat(bench.firmware().contents().holds()).contains("1 board whose reports it passes on");
    assertThat(at(build, 1).firmware().contents().holds())
        .contains("1 serial wire to another board");
  }

  /** Ground may come by a third board: what is joined is joined, by whatever way. */
  @Test
  public void groundOverAThirdBoardIsGround() {
    List<String> boards = List.of(PASSES, TELLS, "native-5v-18");
    Build whole =
        build(boards, "s0:GND - s2:GND", "s2:GND.2 - s1:GND", "s0:0 - s1:TX", "s1:RX - s2:TX");
    assertThat(codes(at(whole, 0))).doesNotContain("LM-41", "LM-46", "LM-48");
    Build parted = build(boards, "s0:GND - s2:GND", "s0:0 - s1:TX", "s1:RX - s2:TX");
    assertThat(codes(at(parted, 0))).contains("LM-41", "LM-46");
  }
}
