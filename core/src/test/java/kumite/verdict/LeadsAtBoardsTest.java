package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.lead.LeadBook;
import kumite.component.Component;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.WireColour;
import kumite.lead.Beyond;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Plugs;
import kumite.lead.Where;
import kumite.measure.Placement;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Cores of leads that end at a board are wires of its wiring: what is wrong with them is told by
 * the same rules as of any wire, and what is sound is not accused. The pinouts are those of the
 * trade by mechanism, from memory.
 */
public class LeadsAtBoardsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final String LOW = "native-3v3-26";
  private static final String FIVE = "native-5v-18";

  private static Build build(String board) {
    return Builds.wired(Builds.buttons(60, 60, 120, 60), board);
  }

  /** A lead from a pad or a console to the board: pin, terminal, pin, terminal ... */
  private static Lead lead(String name, String pinout, Beyond beyond, String... cores) {
    var pins = Plugs.standard().pinout(pinout).orElseThrow();
    List<Core> all = new ArrayList<>();
    WireColour.Hue[] hues = WireColour.Hue.values();
    for (int i = 0; i < cores.length; i += 2) {
      all.add(
          new Core(
              cores[i], cores[i + 1], WireColour.of(hues[i / 2 % hues.length]), Optional.empty()));
    }
    Gender pad = Plugs.standard().connector(pins.connector()).orElseThrow().padGender();
    Gender gender = beyond == Beyond.PAD ? pad.other() : pad;
    return new Lead(
        name,
        End.Plug.of(pins.connector(), gender).into(beyond, pins),
        new End.OfBoard(SeatId.FIRST),
        all,
        List.of(),
        Cable.forCores(all.size()),
        List.of());
  }

  private static Build with(Build build, Lead... leads) {
    LeadBook book = LeadBook.EMPTY;
    for (Lead lead : leads) {
      book = book.with(lead.name(), lead);
    }
    return build.withLeads(book);
  }

  private static Lead serial(String name, String clock, String latch, String data) {
    return lead(
        name,
        "serial-latch",
        Beyond.PAD,
        "1",
        "VCC",
        "2",
        clock,
        "3",
        latch,
        "4",
        data,
        "7",
        "GND.3");
  }

  /** A dead terminal, as a builder notes it. */
  private static UnaryOperator<Build> dead(String terminal) {
    return b -> b.withLoom(b.loom().withDead(Set.of(terminal)));
  }

  @DataProvider
  public Object[][] wrong() {
    Lead one = serial("One", "2", "3", "4");
    return new Object[][] {
      {
        "data of two pads on one terminal",
        with(build(FIVE), one, serial("Two", "2", "3", "4")),
        "NT-08"
      },
      {
        "clock and latch of one pad on latch and clock of the other",
        with(build(FIVE), one, serial("Two", "3", "2", "5")),
        "NT-27"
      },
      {"a core on a dead terminal", dead("3").apply(with(build(FIVE), one)), "NT-26"},
      {
        "a core on a terminal that stops the board from starting",
        with(build(LOW), lead("Pad", "nine-pin-direct", Beyond.PAD, "1", "D12", "8", "GND.2")),
        "NT-26"
      },
      {
        "a core on reset",
        with(build(LOW), lead("Pad", "nine-pin-direct", Beyond.PAD, "1", "RST", "8", "GND.2")),
        "NT-26"
      },
      {
        "five volts of a pad into a board of 3.3 V",
        with(
            build(LOW),
            lead(
                "Pad",
                "serial-latch",
                Beyond.PAD,
                "1",
                "5V",
                "2",
                "D2",
                "3",
                "D3",
                "4",
                "D4",
                "7",
                "GND.2")),
        "NT-07"
      },
      {
        "supplies of different volts",
        with(build(LOW), lead("Console", "serial-latch", Beyond.HOST, "1", "3V3", "7", "GND.2")),
        "NT-03"
      },
      {
        "the pad's ground on the supply",
        with(build(FIVE), lead("Pad", "serial-latch", Beyond.PAD, "1", "GND.2", "7", "VCC")),
        "NT-01"
      },
      {
        "a line of the pad on ground",
        with(
            build(FIVE),
            lead("Pad", "serial-latch", Beyond.PAD, "1", "VCC", "4", "GND.2", "7", "GND.3")),
        "NT-08"
      },
      {
        "four wires in one hole",
        with(
            build(FIVE),
            one,
            serial("Two", "2", "3", "5"),
            serial("Three", "2", "3", "6"),
            serial("Four", "2", "3", "7")),
        "NT-14"
      },
      {
        "two sticks of contacts on one terminal",
        with(
            build(FIVE),
            lead("One", "nine-pin-direct", Beyond.PAD, "1", "2", "8", "GND.2"),
            lead("Two", "nine-pin-direct", Beyond.PAD, "1", "2", "8", "GND.3")),
        "NT-04"
      },
      {
        "a supply of the lead that the board lacks",
        with(
            build(FIVE),
            lead("Pad", "serial-latch", Beyond.PAD, "2", "2", "3", "3", "4", "4", "7", "GND.3")),
        "LD-04"
      },
    };
  }

  private static List<String> codes(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .map(f -> f.code().text())
        .toList();
  }

  @Test(dataProvider = "wrong")
  public void whatIsWrongWithACoreIsToldAsOfAnyWire(String what, Build build, String code) {
    List<String> before = codes(build.withLeads(LeadBook.EMPTY));
    assertThat(before).as(what).doesNotContain(code);
    assertThat(codes(build)).as(what).contains(code);
    // Its fix, where it has one, takes out what does it and leaves the rest.
    Finding found =
        Bench.of(build, CATALOGUE).findings().stream()
            .filter(f -> f.code().text().equals(code))
            .findFirst()
            .orElseThrow();
    found
        .fix()
        .ifPresent(
            fix -> {
              Build mended = fix.edit().apply(build);
              assertThat(Bench.of(mended, CATALOGUE).findings())
                  .as("%s, after: %s", what, fix.label())
                  .noneMatch(found::same);
              int cores = build.leads().leads().stream().mapToInt(l -> l.cores().size()).sum();
              int left = mended.leads().leads().stream().mapToInt(l -> l.cores().size()).sum();
              assertThat(left).as("one core goes, or one comes").isBetween(cores - 1, cores + 1);
            });
  }

  @DataProvider
  public Object[][] sound() {
    return new Object[][] {
      {
        "a pad on a board of its volts, which drives clock and latch",
        with(build(FIVE), serial("Pad", "2", "3", "4"))
      },
      {
        "two pads that share clock and latch on purpose",
        with(build(FIVE), serial("One", "2", "3", "4"), serial("Two", "2", "3", "5"))
      },
      {
        "a stick of contacts",
        with(
            build(LOW),
            lead(
                "Stick",
                "nine-pin-direct",
                Beyond.PAD,
                "1",
                "D2",
                "2",
                "D3",
                "3",
                "D4",
                "4",
                "D5",
                "6",
                "D6",
                "8",
                "GND.2"))
      },
      {
        "one of several supply and ground pins of a port",
        with(
            build(FIVE), lead("Stick", "game-port", Beyond.PAD, "1", "VCC", "2", "2", "4", "GND.2"))
      },
      {
        "a board that plays the pad, fed by the console",
        with(
            build(FIVE),
            lead(
                "Console",
                "serial-latch",
                Beyond.HOST,
                "1",
                "VCC",
                "2",
                "2",
                "3",
                "3",
                "4",
                "4",
                "7",
                "GND.2"))
      },
      {
        "a pad made for 5 V that a board of 3.3 V feeds with what it bears",
        with(
            build(LOW),
            lead(
                "Pad",
                "serial-latch",
                Beyond.PAD,
                "1",
                "3V3",
                "2",
                "D2",
                "3",
                "D3",
                "4",
                "D4",
                "7",
                "GND.2"))
      },
      {
        "the data lines of a USB plug on a board of 3.3 V",
        with(
            build(LOW),
            lead("Plug", "usb-device", Beyond.PAD, "1", "5V", "2", "D2", "3", "D3", "4", "GND.2"))
      },
    };
  }

  @Test(dataProvider = "sound")
  public void whatIsSoundIsNotAccused(String what, Build build) {
    Set<String> before = new TreeSet<>(codes(build.withLeads(LeadBook.EMPTY)));
    assertThat(
            Bench.of(build, CATALOGUE).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .map(f -> f.code().text() + " " + f.title())
                .filter(f -> !before.contains(f.substring(0, 5))))
        .as(what)
        .isEmpty();
  }

  /** The plan keeps its own contacts off the terminals of a lead. */
  @Test
  public void thePlanKeepsOffWhatALeadTakes() {
    Build plain = build(FIVE);
    String first = Builds.terminal(plain, "b1");
    Build taken =
        with(plain, lead("Stick", "nine-pin-direct", Beyond.PAD, "1", first, "8", "GND.2"));
    assertThat(Builds.terminal(taken, "b1")).isNotEqualTo(first);
    assertThat(codes(taken)).doesNotContain("LD-23");
  }

  /** Open lines want a pull-up: inside the terminal, or soldered into the lead. */
  @Test
  public void anOpenLineWantsAPullUp() {
    // The analog-only terminals of this board have none inside.
    var bare =
        CATALOGUE.boards().stream()
            .flatMap(
                b ->
                    b.terminals().stream()
                        .filter(t -> t.role() == kumite.kind.Terminal.Role.INPUT)
                        .filter(t -> !t.can(kumite.kind.Terminal.Ability.PULL_UP))
                        .filter(t -> t.keep().isEmpty())
                        .filter(t -> b.common() == kumite.kind.Common.GROUND)
                        .map(t -> new String[] {b.id(), t.name()}))
            .findFirst()
            .orElseThrow();
    Lead stick = lead("Stick", "nine-pin-direct", Beyond.PAD, "1", bare[1]);
    assertThat(codes(with(build(bare[0]), stick))).contains("NT-28");
    Lead pulled =
        stick.withParts(List.of(new LeadPart.PullUp(new LeadPart.Place(Where.FROM, "1"), 10_000)));
    assertThat(codes(with(build(bare[0]), pulled))).doesNotContain("NT-28");
  }

  /** What a supply brings over a link is told, whatever else is wrong with it. */
  @Test
  public void fiveVoltsOfOneBoardOnTheOtherAreTold() {
    Build plain = build(LOW);
    List<String> wrongs = List.of("", "left:D0 - right:RX", "left:GND - right:NOWHERE");
    for (String wrong : wrongs) {
      List<Link> links = new ArrayList<>(List.of(Link.parse("right:5V - left:D5")));
      if (!wrong.isEmpty()) {
        links.add(Link.parse(wrong));
      }
      Build two =
          plain
              .withSeats(List.of(seat("left", LOW, 60), seat("right", "serial-5v-18", 240)))
              .withLinks(links);
      Finding found =
          Bench.of(two, CATALOGUE).findings().stream()
              .filter(f -> f.code().text().equals("NT-07"))
              .findFirst()
              .orElseThrow(() -> new AssertionError("not told beside " + wrong));
      assertThat(found.named()).contains("board:D5");
      Build mended = found.fix().orElseThrow().edit().apply(two);
      assertThat(mended.links()).hasSize(links.size() - 1);
    }
  }

  /** Two boards on one plug are one budget, counted once. */
  @Test
  public void onePlugIsOneBudget() {
    Build plain = build(FIVE);
    Build apart =
        plain
            .withSeats(List.of(seat("left", FIVE, 60), seat("right", FIVE, 240)))
            .withControl(
                new kumite.name.ControlId("b2"), c -> c.withSeat(Optional.of(new SeatId("right"))));
    Build joined =
        apart.withLinks(
            List.of(Link.parse("left:GND - right:GND"), Link.parse("left:VCC - right:VCC")));
    Bench one = Bench.of(apart, CATALOGUE);
    Bench both = Bench.of(joined, CATALOGUE);
    double right =
        Bench.of(apart.facing(kumite.build.Aspect.of(apart.seats().get(1))), CATALOGUE)
            .budget()
            .orElseThrow()
            .worstMilliamps();
    assertThat(both.budget().orElseThrow().worstMilliamps())
        .isEqualTo(one.budget().orElseThrow().worstMilliamps() + right);
    assertThat(both.findings()).filteredOn(f -> f.code().text().equals("PW-23")).hasSize(1);
    assertThat(one.findings()).filteredOn(f -> f.code().text().equals("PW-23")).hasSize(2);
    assertThat(both.findings()).extracting(f -> f.code().text()).contains("LM-44");
  }

  private static Seat seat(String id, String board, double x) {
    return Seat.empty(new SeatId(id))
        .withBoard(Optional.of(new BoardChoice(board, Placement.at(x, 150))));
  }

  /** Two sticks on one terminal on purpose: either press counts, and nothing accuses it. */
  @Test
  public void aTerminalIsSharedOnPurpose() {
    Lead one = lead("One", "nine-pin-direct", Beyond.PAD, "1", "2", "8", "GND.2");
    Lead two = lead("Two", "nine-pin-direct", Beyond.PAD, "1", "2", "8", "GND.3");
    assertThat(codes(with(build(FIVE), one, two))).contains("NT-04");
    List<Core> shared = one.cores().stream().map(core -> core.sharing(true)).toList();
    assertThat(codes(with(build(FIVE), one.withCores(shared), two))).doesNotContain("NT-04");
    // What drives against what drives is no matter of purpose.
    Lead pad = serial("Pad", "2", "3", "4");
    Lead other = serial("Other", "2", "3", "4");
    List<Core> all = pad.cores().stream().map(core -> core.sharing(true)).toList();
    assertThat(codes(with(build(FIVE), pad.withCores(all), other))).contains("NT-08");
  }

  /** Fed by the console: said and so, it is fine; said and not so, it stops. */
  @Test
  public void aBoardFedByTheConsoleIsFedOrTold() {
    Lead plays =
        lead(
            "Console",
            "serial-latch",
            Beyond.HOST,
            "1",
            "VCC",
            "2",
            "2",
            "3",
            "3",
            "4",
            "4",
            "7",
            "GND.2");
    Lead fed = plays.withEnds(plays.from(), new End.OfBoard(SeatId.FIRST, true));
    assertThat(codes(with(build(FIVE), plays))).contains("LD-29").doesNotContain("LD-38");
    assertThat(codes(with(build(FIVE), fed))).doesNotContain("LD-29", "LD-38");
    for (Core core : fed.cores()) {
      List<Core> left = fed.cores().stream().filter(c -> !c.equals(core)).toList();
      assertThat(codes(with(build(FIVE), fed.withCores(left))).contains("LD-38"))
          .as("without %s", core.words())
          .isEqualTo(core.to().equals("VCC"));
    }
  }

  /** A part in a lead is a part of the board's wiring: it is not a wire, and it keeps its legs. */
  @Test
  public void partsOfALeadArePartsOfTheWiring() {
    Lead stick = lead("Stick", "nine-pin-direct", Beyond.PAD, "1", "2", "2", "3", "8", "GND.2");
    LeadPart.Place one = new LeadPart.Place(Where.FROM, "1");
    LeadPart.Place two = new LeadPart.Place(Where.FROM, "2");
    for (LeadPart part :
        List.of(
            new LeadPart.Diode("1", "2", Where.FROM),
            new LeadPart.Diode("1", "2", Where.TO),
            new LeadPart.Series("1", "2", 220))) {
      Bench bench = Bench.of(with(build(FIVE), stick.withParts(List.of(part))), CATALOGUE);
      var wiring = bench.wiring().orElseThrow();
      Joint board = new Joint(Joint.BOARD, "2");
      Joint pin = new Joint("LEAD-STICK", "1");
      assertThat(wiring.nets().joined(board, pin)).as(part.words()).isFalse();
      assertThat(wiring.parts())
          .as(part.words())
          .filteredOn(c -> c.ends().contains(board) && c.ends().contains(pin))
          .hasSize(1)
          .allSatisfy(
              c -> {
                if (part instanceof LeadPart.Diode diode) {
                  Component.Diode found = (Component.Diode) c;
                  assertThat(found.cathode()).isEqualTo(diode.band() == Where.FROM ? pin : board);
                }
              });
    }
    Build across =
        with(build(FIVE), stick.withParts(List.of(new LeadPart.ResistorAcross(one, two, 1000))));
    var wiring = Bench.of(across, CATALOGUE).wiring().orElseThrow();
    assertThat(wiring.parts())
        .anyMatch(
            c ->
                c instanceof Component.Resistor r
                    && r.ohm() == 1000
                    && r.ends().contains(new Joint("LEAD-STICK", "1"))
                    && r.ends().contains(new Joint("LEAD-STICK", "2")));
    // A drain wire at either end joins what it lands on.
    Lead shielded =
        stick
            .withCable(stick.cable().withShield(true))
            .withParts(
                List.of(
                    new LeadPart.Drain(new LeadPart.Place(Where.FROM, "1")),
                    new LeadPart.Drain(new LeadPart.Place(Where.TO, "GND"))));
    assertThat(codes(with(build(FIVE), shielded))).contains("NT-05");
  }
}
