package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Plugs;
import kumite.lead.RandomLeads;
import kumite.lead.Turn;
import kumite.loom.Strand;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.ringout.RingOut;
import kumite.wiring.CableLead;
import kumite.wiring.Wiring;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Leads, cables and ring-outs as part of a build. */
public class LeadsInBuildsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Plugs PLUGS = Plugs.standard();

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build changed(Build build, SplittableRandom random) {
    LeadBook book = build.leads();
    return switch (random.nextInt(6)) {
      case 0 -> RandomBuilds.edited(build, random);
      case 1 -> build.withLeads(RandomLeads.book(build, random));
      case 2 ->
          book.leads().isEmpty()
              ? build
              : build.withLeads(book.without(book.leads().get(0).name()));
      case 3 ->
          build.withLeads(
              book.with("New", Making.turning(Turn.all().get(random.nextInt(8)), direct(), PLUGS)));
      case 4 -> build.withBrief(build.brief().withTitle("Other " + random.nextInt()));
      default -> RandomBuilds.spoiled(build, random);
    };
  }

  private static kumite.lead.Pinout direct() {
    return PLUGS.neededPinout("nine-pin-direct");
  }

  /** What an edit leaves of the judging of leads is what judging anew says. */
  @Test(dataProvider = "seeds")
  public void theNextBenchSaysWhatAFreshOneSays(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = Builds.ferryBridge();
    Bench bench = Bench.of(build, CATALOGUE);
    for (int i = 0; i < 5; i++) {
      build = changed(build, random);
      bench = bench.next(build);
      assertThat(leads(bench)).isEqualTo(leads(Bench.of(build, CATALOGUE)));
    }
  }

  private static List<Finding> leads(Bench bench) {
    return bench.findings().stream().filter(f -> f.station() == Station.LEADS).toList();
  }

  /** Any build with leads is judged, printed and read back. */
  @Test(dataProvider = "seeds")
  public void anyBuildWithLeadsIsAWholeBuild(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(500 + seed);
    Build any = RandomBuilds.any(random);
    Build build = any.withLeads(RandomLeads.book(any, random));
    assertThat(BuildFile.parse(BuildFile.text(build), "b", CATALOGUE)).isEqualTo(build);
    Bench bench = Bench.of(build, CATALOGUE);
    for (Lead lead : bench.leads()) {
      assertThat(lead.name()).isNotBlank();
    }
    for (Finding finding : leads(bench)) {
      assertThat(finding.code().text()).startsWith("LD-");
      assertThat(finding.named()).isNotEmpty();
    }
  }

  private static BoardCable through(String connector, Set<ControlId> controls) {
    return new BoardCable(
        "Lid",
        SeatId.FIRST,
        controls,
        End.Plug.of(connector, Gender.MALE),
        Cable.forCores(30),
        Map.of());
  }

  private static Map<Jumper, String> pins(Build build, BoardCable cable) {
    Bench bench = Bench.of(build, CATALOGUE);
    return CableLead.pins(cable, bench.wiring().orElseThrow(), PLUGS);
  }

  /** A wire left out leaves the cable; one put in by hand comes into it. */
  @Test
  public void theCableFollowsTheWires() {
    Build build = Builds.ferryBridge();
    BoardCable cable = through("header-40", Set.of());
    Map<Jumper, String> before = pins(build, cable);
    Jumper gone = before.keySet().iterator().next();
    Build less = build.withLoom(build.loom().withLeftOut(gone));
    assertThat(pins(less, cable).keySet()).doesNotContain(gone).hasSize(before.size() - 1);
    Jumper more = Jumper.parse("horn:NO - board:GND");
    Build joined = build.withLoom(build.loom().withAdded(more));
    assertThat(pins(joined, cable)).containsKey(more).hasSize(before.size() + 1);
    Lead lead =
        Bench.of(joined.withLeads(LeadBook.EMPTY.withCables(List.of(cable))), CATALOGUE)
            .lead(cable)
            .orElseThrow();
    assertThat(lead.cores())
        .anyMatch(c -> c.to().equals("GND") && c.role().orElse("").contains("by hand"));
  }

  @Test
  public void aCableOfSomeControlsHasTheirWiresAlone() {
    Build build = Builds.ferryBridge();
    ControlId horn = new ControlId("horn");
    Map<Jumper, String> pins = pins(build, through("header-10", Set.of(horn)));
    assertThat(pins).isNotEmpty();
    for (Jumper wire : pins.keySet()) {
      assertThat(wire.a().part().equals("horn") || wire.b().part().equals("horn")).isTrue();
    }
    Build without =
        build.withLeads(
            LeadBook.EMPTY.withCables(
                List.of(through("header-10", Set.of(horn, new ControlId("anchor"))))));
    assertThat(without.without(horn).leads().cables().get(0).controls())
        .containsExactly(new ControlId("anchor"));
  }

  /** A pin that was chosen stays, the others take what is left, and no two share one. */
  @Test(dataProvider = "seeds")
  public void chosenPinsStay(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = Builds.ferryBridge();
    BoardCable cable = through("header-40", Set.of());
    List<Jumper> wires = new ArrayList<>(pins(build, cable).keySet());
    for (int i = 0; i < 5; i++) {
      cable =
          cable.withPin(
              wires.get(random.nextInt(wires.size())), String.valueOf(random.nextInt(1, 41)));
    }
    Map<Jumper, String> pins = pins(build, cable);
    assertThat(pins.values()).doesNotHaveDuplicates();
    cable.pins().forEach((wire, pin) -> assertThat(pins.get(wire)).isEqualTo(pin));
  }

  /** Colours of a cable's cores are those of the strands: nothing is entered twice. */
  @Test
  public void coloursAndNamesComeFromTheLoom() {
    Build build = Builds.ferryBridge();
    Bench bench = Bench.of(build, CATALOGUE);
    BoardCable cable = through("header-40", Set.of());
    Wiring wiring = bench.wiring().orElseThrow();
    Lead lead = CableLead.of(cable, bench.loom(), wiring, PLUGS);
    Map<Jumper, String> pins = CableLead.pins(cable, wiring, PLUGS);
    int seen = 0;
    for (Strand strand : bench.loom().strands()) {
      String pin = pins.get(strand.wire());
      if (pin != null) {
        Core core =
            lead.cores().stream().filter(c -> c.from().equals(pin)).findFirst().orElseThrow();
        assertThat(core.colour()).isEqualTo(strand.colour());
        seen++;
      }
    }
    assertThat(seen).isEqualTo(lead.cores().size());
  }

  // ---- the book

  @Test
  public void twoOfANameAreRefused() {
    Lead lead = Making.turning(Turn.PLAIN, direct(), PLUGS);
    LeadBook book = LeadBook.EMPTY.with(lead.name(), lead);
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> book.withLeads(List.of(lead, lead)))
        .hasMessageContaining("two leads are called");
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () ->
                book.withCables(
                    List.of(through("header-4", Set.of()), through("strip-3", Set.of()))))
        .hasMessageContaining("two leads are called \"Lid\"");
    assertThat(book.freshName(lead.name())).isEqualTo(lead.name() + " 2");
    RingOut ring = RingOut.of("Ring", PLUGS.needed("usb"), PLUGS.needed("bare-4"));
    assertThat(book.with("Ring", ring).with("Ring", ring).ringOuts()).hasSize(1);
    assertThat(book.without(lead.name())).isEqualTo(LeadBook.EMPTY);
    assertThat(book.standsAlone()).isTrue();
    assertThat(book.withCables(List.of(through("header-4", Set.of()))).standsAlone()).isFalse();
  }

  /** Whatever is taken out of a build, what is left is a build that can be saved and read. */
  @Test(dataProvider = "seeds")
  public void whatIsTakenOutLeavesABuildThatCanBeSaved(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(900 + seed);
    Build any = RandomBuilds.any(random);
    Build build = any.withLeads(RandomLeads.book(any, random));
    for (Control control : any.controls()) {
      build = random.nextBoolean() ? build.without(control.id()) : build;
    }
    assertThat(BuildFile.parse(BuildFile.text(build), "b", CATALOGUE)).isEqualTo(build);
    Build bare = build;
    for (Control control : build.controls()) {
      bare = bare.without(control.id());
    }
    assertThat(BuildFile.parse(BuildFile.text(bare), "b", CATALOGUE)).isEqualTo(bare);
    for (BoardCable cable : bare.leads().cables()) {
      assertThat(cable.controls()).isEmpty(); // one that named some is gone with them
    }
    Build elsewhere = build.withSeats(List.of(kumite.build.Seat.empty(new SeatId("other"))));
    assertThat(elsewhere.leads().cables()).isEmpty();
    assertThat(BuildFile.parse(BuildFile.text(elsewhere), "b", CATALOGUE)).isEqualTo(elsewhere);
  }

  /** A build without leads is written as before: no key of leads, and no finding of leads. */
  @Test
  public void aBuildWithoutLeadsSaysNothingOfThem() {
    Build build = Builds.ferryBridge();
    assertThat(BuildFile.text(build)).doesNotContain("\"leads\"");
    assertThat(leads(Bench.of(build, CATALOGUE))).isEmpty();
    assertThat(Bench.of(build.withBoard(Optional.empty()), CATALOGUE).leads()).isEmpty();
    for (Control control : build.controls()) {
      assertThat(build.without(control.id()).leads()).isEqualTo(LeadBook.EMPTY);
    }
  }
}
