package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.WireColour;
import kumite.lead.AtPin;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Ends;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadNets;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Making;
import kumite.lead.Nature;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.RandomLeads;
import kumite.lead.Turn;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.leads.LeadChecks;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.ringout.Reading;
import kumite.ringout.RingOut;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each fault of a lead is found, and no sound one is blamed. */
public class LeadChecksTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Plugs PLUGS = Plugs.standard();
  private static final Pinout SELECT = PLUGS.neededPinout("nine-pin-select");

  private static Lead plain(String pinout) {
    Pinout pins = PLUGS.neededPinout(pinout);
    return Making.byFunctions(pins, pins, PLUGS);
  }

  private static UnaryOperator<Lead> moved(String from, String to) {
    return lead ->
        lead.withCores(
            lead.cores().stream()
                .map(core -> core.from().equals(from) ? core.between(from, to) : core)
                .toList());
  }

  private static UnaryOperator<Lead> without(String from) {
    return lead ->
        lead.withCores(lead.cores().stream().filter(c -> !c.from().equals(from)).toList());
  }

  private static UnaryOperator<Lead> more(String from, String to) {
    return lead -> {
      List<Core> cores = new ArrayList<>(lead.cores());
      cores.add(new Core(from, to, WireColour.parse("VTGY"), Optional.empty()));
      return lead.withCores(cores);
    };
  }

  private static UnaryOperator<Lead> part(LeadPart part) {
    return lead -> lead.withParts(List.of(part));
  }

  private static UnaryOperator<Lead> end(Where where, UnaryOperator<End.Plug> change) {
    return lead -> lead.withEnd(where, change.apply((End.Plug) lead.end(where)));
  }

  private static UnaryOperator<Lead> long_(double metres, int awg) {
    return lead -> lead.withCable(new Cable(12, awg, metres * 1000, 0));
  }

  @DataProvider
  public Object[][] faults() {
    Place from1 = new Place(Where.FROM, "1");
    return new Object[][] {
      // pinout, what is done to a plain lead of it, the code that must come
      row("nine-pin-direct", more("1", "2"), "LD-11"),
      row("nine-pin-select", more("1", "2"), "LD-10"),
      row("nine-pin-direct", without("8"), "LD-03"),
      row("nine-pin-select", without("5"), "LD-04"),
      row("nine-pin-direct", without("6"), "LD-19"),
      row("nine-pin-select", moved("5", "8"), "LD-05"),
      row("nine-pin-select", more("8", "5"), "LD-05"),
      row("nine-pin-direct", moved("1", "7"), "LD-06"),
      row("nine-pin-select", moved("5", "1"), "LD-06"),
      row("nine-pin-direct", moved("1", "8"), "LD-07"),
      row("serial-latch", moved("4", "2"), "LD-10"),
      row("nine-pin-select", end(Where.FROM, p -> flipped(p)), "LD-12"),
      row("nine-pin-select", l -> l.withCable(l.cable().withCores(8)), "LD-13"),
      row("nine-pin-select", l -> l.withCable(l.cable().withCores(9)), "LD-09"),
      row("keyboard-frame", long_(12, 30), "LD-14"),
      row("nine-pin-direct", l -> l.withCable(l.cable().withGauge(16)), "LD-15"),
      row("nine-pin-direct", end(Where.TO, p -> wired(p, Wired.How.PIERCED)), "LD-15"),
      row("nine-pin-direct", LeadChecksTest::alike, "LD-16"),
      row("serial-latch", UnaryOperator.identity(), "LD-17"),
      row("nine-pin-select", part(new LeadPart.Series("5", "5", 100)), "LD-18"),
      row(
          "nine-pin-select",
          l ->
              l.withParts(
                  List.of(
                      new LeadPart.Series("1", "1", 100),
                      new LeadPart.CapacitorToGround(from1, 1e-8))),
          "LD-18"),
      // A contact sinks what the host's pull-up gives: the band looks to the pad.
      row("nine-pin-direct", part(new LeadPart.Diode("1", "1", Where.TO)), "LD-37"),
      row("nine-pin-select", part(new LeadPart.Diode("5", "5", Where.TO)), "LD-37"),
      row("nine-pin-select", part(new LeadPart.Diode("8", "8", Where.FROM)), "LD-37"),
      row("serial-latch", part(new LeadPart.Diode("4", "4", Where.TO)), "LD-37"),
      // 5 V and 47 ohm: 0.53 W by Ohm's law.
      row(
          "nine-pin-select",
          part(
              new LeadPart.ResistorAcross(
                  new Place(Where.FROM, "5"), new Place(Where.FROM, "8"), 47)),
          "LD-18"),
      row("nine-pin-select", l -> l.withCable(l.cable().withShield(true)), "LD-39"),
      row("nine-pin-select", drains(new Place(Where.TO, "5")), "LD-39"),
      row("nine-pin-select", drains(new Place(Where.TO, "1")), "LD-39"),
      row("nine-pin-select", drains(new Place(Where.FROM, "8"), new Place(Where.TO, "8")), "LD-39"),
      row("nine-pin-select", drains(new Place(Where.FROM, "5"), new Place(Where.TO, "8")), "LD-05"),
      row("nine-pin-direct", called("bananas"), "LD-36"),
      row("nine-pin-select", quarter(), "LD-20"),
      row("nine-pin-direct", quarter(), "LD-02"),
      row("nine-pin-direct", moved("6", "5"), "LD-02"),
    };
  }

  private static UnaryOperator<Lead> drains(Place... places) {
    return l ->
        l.withCable(l.cable().withShield(true))
            .withParts(java.util.Arrays.stream(places).<LeadPart>map(LeadPart.Drain::new).toList());
  }

  private static UnaryOperator<Lead> called(String role) {
    return l -> {
      List<Core> cores = new ArrayList<>(l.cores());
      Core one = cores.get(0);
      cores.set(0, new Core(one.from(), one.to(), one.colour(), Optional.of(role)));
      return l.withCores(cores);
    };
  }

  /** What is sound, though it looks like a fault of the table: nothing of that code is told. */
  @DataProvider
  public Object[][] noFaults() {
    return new Object[][] {
      row("nine-pin-direct", part(new LeadPart.Diode("1", "1", Where.FROM)), "LD-37"),
      row(
          "nine-pin-select",
          part(
              new LeadPart.ResistorAcross(
                  new Place(Where.FROM, "5"), new Place(Where.FROM, "8"), 470)),
          "LD-18"),
      row(
          "nine-pin-select",
          part(
              new LeadPart.CapacitorAcross(
                  new Place(Where.FROM, "5"), new Place(Where.FROM, "8"), 1e-7)),
          "LD-18"),
      row("nine-pin-select", drains(new Place(Where.TO, "8")), "LD-39"),
      row("nine-pin-direct", called("Fire 2"), "LD-36"),
      row("nine-pin-select", l -> l.withCable(l.cable().withCores(9).withBought(true)), "LD-09"),
      row(
          "nine-pin-select",
          end(Where.FROM, p -> wired(p, Wired.How.MOULDED))
                  .andThen(end(Where.TO, p -> wired(p, Wired.How.MOULDED)))
                  .andThen(l -> l.withCable(l.cable().withCores(9)))
              ::apply,
          "LD-09"),
      row(
          "nine-pin-direct",
          end(Where.TO, p -> wired(p, Wired.How.MOULDED))
                  .andThen(l -> l.withCable(l.cable().withGauge(26)))
              ::apply,
          "LD-15"),
    };
  }

  @Test(dataProvider = "noFaults")
  public void whatIsSoundIsNotAccused(String pinout, UnaryOperator<Lead> change, String code) {
    assertThat(LeadChecks.alone(change.apply(plain(pinout)), PLUGS))
        .extracting(f -> f.code().text())
        .doesNotContain(code);
  }

  /** Two pins on one line on purpose: no stop for that, and a stop all the same for what burns. */
  @Test
  public void aSharedCoreIsMeant() {
    Lead lead = more("1", "2").apply(plain("nine-pin-direct"));
    for (int i = 0; i < lead.cores().size(); i++) {
      List<Core> cores = new ArrayList<>(lead.cores());
      cores.replaceAll(core -> core.from().equals("1") ? core.sharing(true) : core);
      List<Finding> findings = LeadChecks.alone(lead.withCores(cores), PLUGS);
      assertThat(findings)
          .filteredOn(f -> f.code().text().equals("LD-11"))
          .isNotEmpty()
          .allMatch(f -> f.severity() == Severity.FINE);
    }
    Lead burns = moved("5", "8").apply(plain("nine-pin-select"));
    List<Core> all = burns.cores().stream().map(core -> core.sharing(true)).toList();
    assertThat(LeadChecks.alone(burns.withCores(all), PLUGS))
        .extracting(f -> f.code().text())
        .contains("LD-05");
  }

  /** A diode is judged alike from both ends, whichever end of the lead the pad is at. */
  @Test(dataProvider = "faults")
  public void aTurnedLeadHasTheSameFaults(String pinout, UnaryOperator<Lead> fault, String code) {
    Lead lead = fault.apply(plain(pinout));
    assertThat(LeadChecks.alone(lead.turned(), PLUGS))
        .extracting(f -> f.code().text())
        .contains(code);
  }

  private static Object[] row(String pinout, UnaryOperator<Lead> fault, String code) {
    return new Object[] {pinout, fault, code};
  }

  private static UnaryOperator<Lead> quarter() {
    return lead ->
        Making.turning(
            new Turn(1, false), PLUGS.pinout((End.Plug) lead.from()).orElseThrow(), PLUGS);
  }

  private static End.Plug flipped(End.Plug p) {
    return new End.Plug(p.connector(), p.gender().other(), p.beyond(), p.pinout(), p.wired());
  }

  private static End.Plug wired(End.Plug p, Wired.How how) {
    return new End.Plug(p.connector(), p.gender(), p.beyond(), p.pinout(), Optional.of(how));
  }

  private static Lead alike(Lead lead) {
    List<Core> cores = new ArrayList<>(lead.cores());
    Core two = cores.get(1);
    cores.set(1, new Core(two.from(), two.to(), cores.get(0).colour(), two.role()));
    return lead.withCores(cores);
  }

  @Test(dataProvider = "faults")
  public void eachFaultIsFoundWithItsPlace(String pinout, UnaryOperator<Lead> fault, String code) {
    Lead lead = fault.apply(plain(pinout));
    List<Finding> findings = LeadChecks.alone(lead, PLUGS);
    assertThat(findings).extracting(f -> f.code().text()).contains(code);
    Finding found =
        findings.stream().filter(f -> f.code().text().equals(code)).findFirst().orElseThrow();
    assertThat(found.detail()).isNotBlank();
    assertThat(found.title()).startsWith(lead.name());
    if (findings.stream().anyMatch(f -> f.severity() == Severity.STOP)) {
      assertThat(findings.get(0).severity()).isEqualTo(Severity.STOP);
      assertThat(findings).extracting(f -> f.code().text()).doesNotContain("LD-01");
    }
  }

  /** A plain lead of every pinout is sound: nothing to stop, and everything arrives. */
  @Test
  public void aPlainLeadOfEveryPinoutIsSound() {
    for (Pinout pinout : PLUGS.pinouts()) {
      Lead lead = Making.byFunctions(pinout, pinout, PLUGS);
      Lead fits =
          lead.withCable(
              lead.cable()
                  .withGauge(
                      PLUGS.needed(pinout.connector()).wired(Optional.empty()).thinnestAwg()));
      List<Finding> findings = LeadChecks.alone(fits, PLUGS);
      assertThat(findings)
          .as(pinout.id() + ": " + findings)
          .noneMatch(f -> f.severity() == Severity.STOP);
      assertThat(findings).as(pinout.id()).extracting(f -> f.code().text()).contains("LD-01");
      assertThat(fits.cores()).allMatch(core -> core.from().equals(core.to()));
    }
  }

  // ---- a model of ten lines against the checks

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 400).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /**
   * Random cores between a pad and a host: a plug that would burn, by a model that looks at pairs
   * of pins and not at the checks, is never without a stop; a lead without a stop shorts nothing
   * and brings ground.
   */
  @Test(dataProvider = "seeds")
  public void noLeadThatBurnsIsWithoutAStop(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Pinout pinout = random.nextBoolean() ? SELECT : PLUGS.neededPinout("nine-pin-direct");
    Lead lead = Making.byFunctions(pinout, pinout, PLUGS);
    for (int i = random.nextInt(3); i >= 0; i--) {
      String pin = String.valueOf(random.nextInt(1, 10));
      String other = String.valueOf(random.nextInt(1, 10));
      UnaryOperator<Lead> change =
          switch (random.nextInt(4)) {
            case 0 -> without(pin);
            case 1 ->
                pin.equals(other)
                    ? UnaryOperator.identity()
                    : part(new LeadPart.Bridge(new Place(Where.TO, pin), other));
            default -> moved(pin, other);
          };
      lead = change.apply(lead);
    }
    Lead judged = lead;
    boolean stopped =
        LeadChecks.alone(judged, PLUGS).stream().anyMatch(f -> f.severity() == Severity.STOP);
    assertThat(stopped || !burns(judged)).as("%s", judged.cores()).isTrue();
    if (!stopped) {
      assertThat(LeadNets.of(judged).carried("8")).contains("8");
    }
  }

  private static boolean burns(Lead lead) {
    Ends ends = Ends.of(lead, PLUGS);
    for (Set<Place> net : LeadNets.of(lead).all()) {
      List<Nature> natures = new ArrayList<>();
      for (Place place : net) {
        AtPin at = ends.at(place.end(), place.pin());
        natures.add(at.nature());
      }
      boolean supply = natures.contains(Nature.GIVES_SUPPLY);
      boolean ground = natures.contains(Nature.GROUND);
      boolean drives = natures.contains(Nature.DRIVES);
      boolean contact = natures.contains(Nature.CONTACT);
      boolean two = natures.stream().filter(n -> n == Nature.DRIVES).count() > 1;
      if (supply && (ground || drives || contact) || ground && drives || two) {
        return true;
      }
    }
    return false;
  }

  // ---- in a build

  private static Build with(Lead lead) {
    return Builds.ferryBridge().withLeads(LeadBook.EMPTY.with(lead.name(), lead));
  }

  /** Every fix that is offered for a lead takes its finding away and brings no stop. */
  @Test(dataProvider = "faults")
  public void aFixMendsWhatItSays(String pinout, UnaryOperator<Lead> fault, String code) {
    Bench bench = Bench.of(with(fault.apply(plain(pinout))), CATALOGUE);
    for (Finding finding : bench.findings()) {
      if (finding.station() == Station.LEADS && finding.fix().isPresent()) {
        Bench after = bench.next(finding.fix().get().edit().apply(bench.build()));
        assertThat(after.findings()).noneMatch(finding::same);
        assertThat(after.count(Severity.STOP)).isLessThanOrEqualTo(bench.count(Severity.STOP));
      }
    }
    assertThat(bench.findings()).extracting(f -> f.code().text()).contains(code);
  }

  @Test
  public void supplyAHostDoesNotGive() {
    Lead lead = Making.byFunctions(SELECT, PLUGS.neededPinout("lever-ribbon"), PLUGS);
    assertThat(LeadChecks.alone(lead, PLUGS)).extracting(f -> f.code().text()).contains("LD-08");
    Lead some = Making.byFunctions(SELECT, PLUGS.neededPinout("nine-pin-direct"), PLUGS);
    assertThat(LeadChecks.alone(some, PLUGS)).extracting(f -> f.code().text()).contains("LD-08");
  }

  @Test
  public void theFirstPairToSuspectIsSupplyAndGround() {
    Finding finding =
        LeadChecks.alone(plain("serial-latch"), PLUGS).stream()
            .filter(f -> f.code().text().equals("LD-17"))
            .findFirst()
            .orElseThrow();
    assertThat(finding.detail())
        .contains("pin 1 (supply")
        .contains("pin 7 (ground")
        .contains("then pins 2 and 3")
        .contains("Do not swap supply and ground by trial");
  }

  // ---- boards

  private static Lead toBoard(Build build, String from, String terminal) {
    Lead lead = plain("nine-pin-select");
    List<Core> cores =
        lead.cores().stream()
            .filter(c -> c.from().equals(from))
            .map(c -> c.between(from, terminal))
            .toList();
    return new Lead(
        "To the board",
        lead.from(),
        new End.OfBoard(build.seat().id()),
        cores,
        List.of(),
        lead.cable(),
        List.of());
  }

  /** What is told of a lead, and of its cores as wires of the board that it ends at. */
  @DataProvider
  public Object[][] allPinouts() {
    return PLUGS.pinouts().stream()
        .map(pinout -> new Object[] {pinout.id()})
        .toArray(Object[][]::new);
  }

  /**
   * A part stands between any two places of any lead, and is judged there: each way round alike.
   */
  @Test(dataProvider = "allPinouts")
  public void aPartIsJudgedBetweenAnyTwoPlaces(String pinout) {
    Lead lead = plain(pinout);
    List<Place> places = new ArrayList<>();
    for (Where where : Where.values()) {
      PLUGS.neededPinout(pinout).pins().forEach(pin -> places.add(new Place(where, pin.pin())));
    }
    for (Place one : places) {
      for (Place other : places.subList(places.indexOf(one) + 1, places.size())) {
        List<String> there = alone(lead, new LeadPart.ResistorAcross(one, other, 50));
        List<String> back = alone(lead, new LeadPart.ResistorAcross(other, one, 50));
        assertThat(there).as("%s to %s", one, other).containsExactlyInAnyOrderElementsOf(back);
        assertThat(alone(lead, new LeadPart.CapacitorAcross(one, other, 1e-7)))
            .allMatch(code -> code.startsWith("LD-"));
      }
    }
  }

  private static List<String> alone(Lead lead, LeadPart part) {
    return LeadChecks.alone(lead.withParts(List.of(part)), PLUGS).stream()
        .map(finding -> finding.code().text())
        .toList();
  }

  private static List<String> codes(Build build, Lead lead) {
    return Bench.of(build.withLeads(LeadBook.EMPTY.with(lead.name(), lead)), CATALOGUE)
        .findings()
        .stream()
        .filter(f -> f.station() == Station.LEADS || f.code().text().startsWith("NT-"))
        .map(f -> f.code().text())
        .toList();
  }

  @Test
  public void aBoardsPlugIsTheEndOfALead() {
    Build build = Builds.ferryBridge(); // on a 3.3 V board
    Bench bench = Bench.of(build, CATALOGUE);
    Set<String> wired = new HashSet<>();
    bench.wiring().orElseThrow().wires().keySet().forEach(w -> wired.add(terminal(w)));
    String taken = bench.loom().plan().choices().values().iterator().next().terminal().name();
    String free =
        bench.board().orElseThrow().terminals().stream()
            .filter(t -> t.role() == kumite.kind.Terminal.Role.INPUT)
            .map(kumite.kind.Terminal::name)
            .filter(t -> !wired.contains(t))
            .findFirst()
            .orElseThrow();
    Build locked =
        build.withLoom(
            build.loom().withLock(bench.loom().plan().choices().keySet().iterator().next(), taken));
    assertThat(codes(locked, toBoard(build, "1", taken))).contains("LD-23");
    assertThat(codes(build, toBoard(build, "1", taken))).doesNotContain("LD-23");
    assertThat(codes(build, toBoard(build, "1", free))).contains("NT-07").doesNotContain("LD-23");
    assertThat(codes(build, toBoard(build, "5", "GND"))).contains("NT-01");
    assertThat(codes(build, toBoard(build, "1", "NOWHERE"))).contains("LD-21");
    assertThat(codes(build.withBoard(Optional.empty()), toBoard(build, "1", "D1")))
        .contains("LD-24");
  }

  private static String terminal(Jumper wire) {
    return wire.a().part().equals(Joint.BOARD) ? wire.a().tab() : wire.b().tab();
  }

  private static BoardCable cable(String connector, int cores) {
    return new BoardCable(
        "Lid to base",
        SeatId.FIRST,
        Set.of(),
        End.Plug.of(connector, Gender.MALE),
        Cable.forCores(cores),
        Map.of());
  }

  @DataProvider
  public Object[][] few() {
    return IntStream.range(0, 50).mapToObj(i -> new Object[] {8 * i}).toArray(Object[][]::new);
  }

  /** A cable's cores are the wires to the board, whatever was changed by hand, one for one. */
  @Test(dataProvider = "few")
  public void aCablesCoresAreTheWiresAsTheyAre(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = kumite.RandomBuilds.spoiled(Builds.ferryBridge(), random);
    BoardCable cable = cable("header-40", 30);
    Bench bench = Bench.of(build.withLeads(LeadBook.EMPTY.withCables(List.of(cable))), CATALOGUE);
    List<String> wires = new ArrayList<>();
    for (Jumper wire : bench.wiring().orElseThrow().wires().keySet()) {
      boolean a = wire.a().part().equals(Joint.BOARD);
      boolean b = wire.b().part().equals(Joint.BOARD);
      if (a != b) {
        wires.add(a ? wire.a().tab() : wire.b().tab());
      }
    }
    Lead lead = bench.lead(cable).orElseThrow();
    assertThat(lead.cores().stream().map(Core::to).toList())
        .containsExactlyInAnyOrderElementsOf(wires);
    assertThat(lead.cores().stream().map(Core::from)).doesNotHaveDuplicates();
  }

  @Test
  public void aCableThatIsTooSmallIsTold() {
    Build build = Builds.ferryBridge();
    Bench few =
        Bench.of(
            build.withLeads(LeadBook.EMPTY.withCables(List.of(cable("header-4", 3)))), CATALOGUE);
    assertThat(few.findings()).extracting(f -> f.code().text()).contains("LD-13", "LD-21");
    Bench none =
        Bench.of(
            build
                .withBoard(Optional.empty())
                .withLeads(LeadBook.EMPTY.withCables(List.of(cable("header-4", 3)))),
            CATALOGUE);
    assertThat(none.findings()).extracting(f -> f.code().text()).contains("LD-25");
  }

  /** A wire has one gauge and one length: the cable that it runs through must agree. */
  @Test
  public void aCableAgreesWithTheLoomThatItsWiresAreOf() {
    Build build = Builds.ferryBridge();
    int gauge = build.loom().laying().gaugeAwg();
    BoardCable wrong =
        cable("bare-40", 40).withCable(new Cable(40, gauge + 6, Cable.LONGEST_MM, 0));
    Build odd = build.withLeads(LeadBook.EMPTY.withCables(List.of(wrong)));
    Bench bench = Bench.of(odd, CATALOGUE);
    assertThat(bench.findings()).extracting(f -> f.code().text()).contains("LD-26", "LD-27");
    for (String code : List.of("LD-26", "LD-27")) {
      Finding finding =
          bench.findings().stream()
              .filter(f -> f.code().text().equals(code))
              .findFirst()
              .orElseThrow();
      bench = bench.next(finding.fix().orElseThrow().edit().apply(bench.build()));
      assertThat(bench.findings()).noneMatch(finding::same);
    }
    int shortest = bench.loom().strands().stream().mapToInt(s -> s.lengthMm()).min().orElseThrow();
    Cable mended = bench.build().leads().cables().get(0).cable();
    assertThat(mended.gaugeAwg()).isEqualTo(gauge);
    assertThat(mended.lengthMm()).isGreaterThanOrEqualTo(shortest);
  }

  /** A pad of contacts to ground on a board whose shared side is the supply rail. */
  @Test
  public void contactsToGroundAreNotReadByARailBoard() throws Exception {
    Build duel = kumite.files.Demo.open("lantern-duel", CATALOGUE);
    Bench bench = Bench.of(duel, CATALOGUE);
    Set<String> wired = new HashSet<>();
    bench.wiring().orElseThrow().wires().keySet().forEach(w -> wired.add(terminal(w)));
    String free =
        bench.board().orElseThrow().terminals().stream()
            .filter(t -> t.role() == kumite.kind.Terminal.Role.INPUT)
            .map(kumite.kind.Terminal::name)
            .filter(t -> !wired.contains(t))
            .findFirst()
            .orElse("K8");
    Lead contacts = plain("nine-pin-direct");
    Lead lead =
        new Lead(
            "Stick",
            contacts.from(),
            new End.OfBoard(duel.seat().id()),
            List.of(contacts.cores().get(0).between("1", free)),
            List.of(),
            contacts.cable(),
            List.of());
    assertThat(codes(duel, lead)).contains("LD-28");
    assertThat(codes(duel, lead.withCores(List.of(contacts.cores().get(7).between("8", "COM")))))
        .contains("NT-01");
    assertThat(codes(Builds.ferryBridge(), toBoard(Builds.ferryBridge(), "1", "D1")))
        .doesNotContain("LD-28");
  }

  // ---- ring-outs

  private static RingOut ring(Reading... readings) {
    RingOut plain =
        RingOut.of("Found", PLUGS.needed("header-3"), PLUGS.needed("header-3"))
            .probed(RingOut.Way.ONE_BY_ONE, RingOut.Faults.BROKEN);
    return plain.withLikely(plain.sameNames()).withReadings(List.of(readings));
  }

  /** The first core goes nowhere: held against all places, and twice against the free one. */
  private static RingOut broken() {
    return ring(
        read("1", "1", false),
        read("1", "2", false),
        read("1", "3", false),
        read("2", "2", true),
        read("3", "2", false),
        read("3", "3", true),
        read("1", "1", false));
  }

  private static Reading read(String near, String far, boolean beep) {
    return new Reading(Set.of(new Place(Where.FROM, near)), Set.of(new Place(Where.TO, far)), beep);
  }

  @DataProvider
  public Object[][] ringOuts() {
    return new Object[][] {
      {ring(read("1", "1", true), read("1", "1", false)), "LD-30"},
      {ring(read("1", "1", false), read("1", "2", false), read("1", "3", false)), "LD-34"},
      {broken(), "LD-31"},
      {ring(read("1", "1", true), read("2", "1", true)), "LD-32"},
      {ring(read("1", "2", true)), "LD-33"},
      {ring(), "LD-34"},
    };
  }

  @Test(dataProvider = "ringOuts")
  public void aRingOutTellsWhatItFound(RingOut ringOut, String code) {
    Bench bench =
        Bench.of(
            Build.empty("Rings").withLeads(LeadBook.EMPTY.with(ringOut.name(), ringOut)),
            CATALOGUE);
    assertThat(bench.findings()).extracting(f -> f.code().text()).contains(code);
    bench.findings().stream()
        .filter(f -> f.code().text().equals("LD-30"))
        .forEach(
            f -> {
              Build mended = f.fix().orElseThrow().edit().apply(bench.build());
              assertThat(mended.leads().ringOuts().get(0).readings()).hasSize(1);
            });
  }

  /** Any lead, however odd, is judged without a fault of the judge. */
  @Test(dataProvider = "seeds")
  public void anyLeadIsJudged(int seed) {
    Lead lead = RandomLeads.any(new SplittableRandom(seed));
    List<Finding> findings = LeadChecks.alone(lead, PLUGS);
    assertThat(findings).isSortedAccordingTo(Comparator.comparing(Finding::severity));
    assertThat(findings).doesNotHaveDuplicates();
  }
}
