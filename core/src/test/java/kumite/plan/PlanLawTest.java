package kumite.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.box.PlainBox;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.build.panel.Material;
import kumite.build.plan.Finish;
import kumite.build.plan.OwnStep;
import kumite.build.plan.PlanBook;
import kumite.build.port.Port;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.lead.Cable;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Works;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of the order of work, over builds that nobody thought of. */
public class PlanLawTest {
  private static final int RANDOM = 12;

  private static final List<Build> BUILDS = new ArrayList<>();

  private static synchronized List<Build> builds() throws Exception {
    if (BUILDS.isEmpty()) {
      BUILDS.addAll(drawn());
    }
    return BUILDS;
  }

  private static List<Build> drawn() throws Exception {
    List<Build> all = new ArrayList<>();
    for (String demo :
        List.of("ferry-bridge", "lantern-duel", "one-hand", "quarter-turn", "attic-pads")) {
      all.add(Demo.open(demo, Catalogue.standard()));
    }
    for (Build demo : List.copyOf(all)) {
      all.add(PlainBox.in(demo, Catalogue.standard()));
    }
    Build printed = all.get(2);
    Box tray = new Box(new Making.Printed(2.4, 420, 420, 250));
    all.add(
        printed.with(
            BoxBook.PART,
            new BoxBook(tray.with(new Cutout("a", Face.BACK, new Point(100, 40), Through.CABLE)))));
    all.add(
        all.get(3)
            .with(
                BoxBook.PART,
                new BoxBook(
                    new Box(new Making.Laser(3, 0.15, 0))
                        .with(new Cutout("a", Face.BACK, new Point(100, 40), Through.CABLE)))));
    Build ferry = all.get(0);
    Build leads = all.get(3);
    Build cut = ferry;
    for (Control control : ferry.controls()) { // nothing but a slot, and a board on the panel
      cut = control.kind().equals("slider-60") ? cut : cut.without(control.id());
    }
    BoardChoice above = cut.board().orElseThrow().on(BoardChoice.Seat.PANEL);
    all.add(cut);
    all.add(all.get(4).with(PlanBook.PART, PlanBook.EMPTY.withAlready("pad-1"))); // an old pad
    Control rocker = Control.of(cut.freshId("Rocker"), "Rocker", "rocker-21", Placement.at(90, 60));
    all.add(cut.withControls(List.of(rocker)));
    all.add(cut.withBoard(Optional.of(above)));
    all.add(
        ferry
            .withPanel(ferry.panel().withMaterial(Material.PLYWOOD).withCover(2))
            .with(PlanBook.PART, PlanBook.EMPTY.withAlready("horn"))
            .withLeads(
                new LeadBook(
                    leads.leads().connectors(),
                    leads.leads().pinouts(),
                    leads.leads().leads(),
                    List.of(
                        new BoardCable(
                            "Umbilical",
                            ferry.seat().id(),
                            Set.of(),
                            End.Plug.of("nine-pin", Gender.MALE),
                            new Cable(20, 24, 1000, 8),
                            Map.of())),
                    List.of())));
    SplittableRandom random = new SplittableRandom(26);
    for (int i = 0; i < RANDOM; i++) {
      Build build = RandomBuilds.any(random);
      Material material = Material.values()[random.nextInt(Material.values().length)];
      build = build.withPanel(build.panel().withMaterial(material));
      if (i % 3 == 0) {
        build = build.withPanel(build.panel().withCover(2));
      }
      if (i % 4 == 0 && !build.controls().isEmpty()) {
        String there = build.controls().get(0).id().text();
        build = build.with(PlanBook.PART, PlanBook.EMPTY.withAlready(there));
      }
      all.add(build);
    }
    return all;
  }

  /** Builds are asked again and again: each is worked out once. */
  private static final Map<Build, Bench> BENCHES = new java.util.concurrent.ConcurrentHashMap<>();

  private static Bench bench(Build build) {
    return BENCHES.computeIfAbsent(build, PlanLawTest::fresh);
  }

  private static Bench fresh(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  private static Plan plan(Build build) {
    return bench(build).get(Works.PLAN);
  }

  private static Plan plan(Bench bench, List<Rule> rules) {
    return Plan.of(
        bench.build(),
        bench.catalogue(),
        DrillPlan.of(bench.build(), bench.catalogue()),
        bench.get(Desks.WORK),
        rules);
  }

  /** {@return the pairs of steps of which one has to come before the other, over any way} */
  private static Set<List<String>> reach(Plan plan) {
    Map<String, Set<String>> before = new HashMap<>();
    Set<List<String>> pairs = new HashSet<>();
    for (Step step : plan.steps()) {
      Set<String> all = new HashSet<>();
      for (String id : step.after()) {
        all.add(id);
        all.addAll(before.get(id));
      }
      before.put(step.id(), all);
      all.forEach(id -> pairs.add(List.of(id, step.id())));
    }
    return pairs;
  }

  /** Each step stands after those that it follows, ids are told apart, and every rule is kept. */
  @Test
  public void theOrderCanBeWorked() throws Exception {
    for (Build build : builds()) {
      Plan plan = plan(build);
      Map<String, Integer> place = new HashMap<>();
      for (Step step : plan.steps()) {
        assertThat(step.after()).as(step.id()).allMatch(place::containsKey);
        assertThat(place.put(step.id(), place.size())).as("twice: %s", step.id()).isNull();
        assertThat(step.why()).as(step.id()).isNotBlank();
      }
      for (Rule rule : Rule.standard()) {
        for (Step first : plan.steps()) {
          for (Step later : plan.steps()) {
            if (rule.puts(first, later)) {
              assertThat(place.get(first.id()))
                  .as("%s: %s before %s", rule.id(), first.id(), later.id())
                  .isLessThan(place.get(later.id()));
            }
          }
        }
      }
    }
  }

  /** Without a rule the slip that it guards against becomes possible: none follows from others. */
  @Test
  public void everyRuleGuards() throws Exception {
    Set<String> idle = new LinkedHashSet<>();
    Rule.standard().forEach(rule -> idle.add(rule.id()));
    for (Build build : builds()) {
      Bench bench = bench(build);
      Plan whole = plan(bench, Rule.standard());
      for (Rule rule : Rule.standard()) {
        if (!idle.contains(rule.id())) {
          continue;
        }
        List<Rule> less =
            Rule.standard().stream().filter(other -> !other.id().equals(rule.id())).toList();
        Set<List<String>> reach = reach(plan(bench, less));
        boolean guards =
            whole.steps().stream()
                .anyMatch(
                    first ->
                        whole.steps().stream()
                            .anyMatch(
                                later ->
                                    rule.puts(first, later)
                                        && !reach.contains(List.of(first.id(), later.id()))));
        if (guards) {
          idle.remove(rule.id());
        }
      }
    }
    assertThat(idle).as("rules that nothing needs").isEmpty();
    assertThat(Rule.standard().stream().map(Rule::slip)).noneMatch(String::isBlank);
  }

  /** Whatever cannot be undone has a test before it; taken out of the rules, that is told. */
  @Test
  public void nothingOfNoReturnGoesUntested() throws Exception {
    int ways = 0;
    for (Build build : builds()) {
      Plan plan = plan(build);
      Set<List<String>> reach = reach(plan);
      for (Step step : plan.steps()) {
        if (step.noReturn()) {
          ways++;
          assertThat(
                  plan.steps().stream()
                      .filter(one -> one.act().test())
                      .anyMatch(one -> reach.contains(List.of(one.id(), step.id()))))
              .as(step.id())
              .isTrue();
        }
      }
    }
    assertThat(ways).isGreaterThan(50);
    Build ferry = Demo.open("ferry-bridge", Catalogue.standard());
    Plan bare = plan(bench(ferry), List.of());
    assertThat(PlanChecks.of(ferry, bare).stream().map(f -> f.code().text()))
        .contains("PL-04")
        .doesNotContain("PL-20");
  }

  /**
   * An edit opens the steps that now say something else, and no others: over random edits of builds
   * of which all was done.
   */
  @Test
  public void anEditOpensWhatItTouches() throws Exception {
    SplittableRandom random = new SplittableRandom(7);
    int opened = 0;
    int kept = 0;
    for (Build build : builds()) {
      if (build.controls().isEmpty()) {
        continue;
      }
      Plan before = plan(build);
      PlanBook book = build.get(PlanBook.PART);
      for (Step step : before.steps()) {
        book = book.withDone(step.id(), step.mark());
      }
      Build done = build.with(PlanBook.PART, book);
      assertThat(plan(done).open()).isEmpty();
      Build edited = edited(done, random);
      for (Step step : plan(edited).steps()) {
        Optional<Step> was = before.step(step.id());
        boolean same = was.filter(w -> w.mark().equals(step.mark())).isPresent();
        assertThat(step.over()).as("%s: %s", step.id(), step.what()).isEqualTo(same);
        opened += same ? 0 : 1;
        kept += same ? 1 : 0;
      }
    }
    assertThat(opened).isGreaterThan(20);
    assertThat(kept).isGreaterThan(opened);
  }

  private static Build edited(Build build, SplittableRandom random) {
    Control some = build.controls().get(random.nextInt(build.controls().size()));
    return switch (random.nextInt(3)) {
      case 0 -> build.without(some.id());
      case 1 ->
          build.withControl(
              Control.of(build.freshId("Extra"), "Extra", some.kind(), Placement.at(90, 60)));
      default -> build.withControl(some.id(), c -> c.withLabel("Renamed"));
    };
  }

  /** Wires and steps are ticked together, whichever is ticked. */
  @Test
  public void ticksOfWiresAreTicksOfSteps() throws Exception {
    for (Build build : builds()) {
      Plan plan = plan(build);
      Build next = build;
      for (Step step : plan.steps()) {
        Plan now = plan(next);
        next = Ticks.done(next, now, now.step(step.id()).orElseThrow());
      }
      Bench bench = bench(next);
      assertThat(bench.get(Works.PLAN).open()).isEmpty();
      for (SeatWork seat : bench.get(Desks.WORK)) {
        if (seat.board().isEmpty()) {
          continue;
        }
        Seat own = next.seats().stream().filter(s -> s.id().equals(seat.seat())).findFirst().get();
        seat.loom().strands().stream()
            .filter(s -> s.cutHere() && !build.loom().leftOut().contains(s.wire()))
            .filter(
                s ->
                    plan.steps().stream()
                        .filter(step -> step.act() == Act.LAND || step.act() == Act.JOIN)
                        .anyMatch(step -> step.wires().get().wires().contains(s.wire())))
            .forEach(s -> assertThat(own.loom().done()).contains(s.wire()));
      }
      Plan all = bench.get(Works.PLAN);
      Optional<Step> join = all.steps().stream().filter(s -> s.act() == Act.JOIN).findFirst();
      if (join.isPresent()) {
        Build open = Ticks.open(next, all, join.get());
        assertThat(plan(open).step(join.get().id()).orElseThrow().over()).isFalse();
        assertThat(open.seats().stream().flatMap(s -> s.loom().done().stream()))
            .doesNotContainAnyElementsOf(join.get().wires().orElseThrow().wires());
      }
    }
  }

  // ---- the longest way

  private static Step step(String id, double minutes, String... after) {
    return new Step(
        id,
        Act.OWN,
        id,
        List.of(),
        List.of(),
        Set.of(),
        Set.of(),
        List.of(after),
        "",
        0,
        minutes,
        false,
        Optional.empty(),
        Step.State.OPEN);
  }

  /**
   * The worked network of the textbook: 14 activities of a plant, 44 weeks, A B C E F J L N is
   * critical (Hillier and Lieberman, Introduction to Operations Research, the Reliable project,
   * from memory).
   */
  @Test
  public void theTextbooksNetworkTakesFortyFourWeeks() {
    LongestWay way =
        LongestWay.of(
            List.of(
                step("a", 2),
                step("b", 4, "a"),
                step("c", 10, "b"),
                step("d", 6, "c"),
                step("e", 4, "c"),
                step("f", 5, "e"),
                step("g", 7, "d"),
                step("h", 9, "e", "g"),
                step("i", 7, "c"),
                step("j", 8, "f", "i"),
                step("k", 4, "j"),
                step("l", 5, "j"),
                step("m", 2, "h"),
                step("n", 6, "k", "l")));
    assertThat(way.minutes()).isEqualTo(44);
    assertThat(way.steps().stream().map(Step::id))
        .containsExactly("a", "b", "c", "e", "f", "j", "l", "n");
    assertThat(way.starts()).containsEntry("h", 29.0).containsEntry("j", 25.0);
  }

  // ---- today

  /**
   * What is chosen for today fits the time, the place and the tools, and follows what it has to.
   */
  @Test
  public void todayCanBeDoneToday() throws Exception {
    SplittableRandom random = new SplittableRandom(3);
    int chosen = 0;
    for (Build build : builds()) {
      Plan plan = plan(build);
      double minutes = random.nextInt(600);
      Set<Where> places = EnumSet.of(Where.values()[random.nextInt(4)], Where.BENCH);
      Set<Implement> tools = EnumSet.allOf(Implement.class);
      tools.remove(Implement.values()[random.nextInt(Implement.values().length)]);
      Today today = Today.of(plan, minutes, places, tools);
      double now = 0;
      Map<String, Double> ready = new HashMap<>();
      for (Step step : today.steps()) {
        assertThat(places).contains(step.act().where());
        assertThat(tools).containsAll(step.with());
        for (String id : step.after()) {
          assertThat(plan.step(id).orElseThrow().over() || ready.getOrDefault(id, 1e9) <= now)
              .as("%s before %s", id, step.id())
              .isTrue();
        }
        now += step.minutes();
        ready.put(step.id(), now + step.waitMinutes());
      }
      assertThat(now).isEqualTo(today.minutes()).isLessThanOrEqualTo(minutes);
      chosen += today.steps().size();
    }
    assertThat(chosen).isGreaterThan(100);
    Build desk = painted();
    Today two = Today.of(plan(desk), 300, Set.of(), Set.of());
    assertThat(two.steps().stream().map(Step::id)).contains("paint");
    assertThat(two.waits().stream().map(s -> s.act())).contains(Act.FIT_FIRST);
  }

  private static Build painted() throws Exception {
    return Demo.open("ferry-bridge", Catalogue.standard())
        .with(PlanBook.PART, PlanBook.EMPTY.withFinish(Optional.of(Finish.PAINTED)));
  }

  @DataProvider
  public Object[][] times() {
    return new Object[][] {
      {"2 h", 120}, {"90 min", 90}, {"1 h 30", 90}, {"1,5 h", 90}, {"0.5h", 30}, {"45", 45},
      {"24 h", 1440}, {"25 h", -1}, {"a while", -1}, {"", -1}, {"-1 h", -1}, {"99999999 min", -1},
    };
  }

  /** A time is read as it is written; what is no time of a day is none. */
  @Test(dataProvider = "times")
  public void aTimeIsReadAsItIsWritten(String text, int minutes) {
    assertThat(Hours.read(text).orElse(-1)).isEqualTo(minutes);
    if (minutes >= 0) {
      assertThat(Hours.read(Hours.words(minutes))).hasValue(minutes);
    }
  }

  // ---- what the builder says

  private static OwnStep own(String id, List<String> after, List<String> before) {
    return new OwnStep(id, "Do " + id, "", after, before, 5, 0, false);
  }

  @Test
  public void ownStepsStandWhereTheyAreWished() throws Exception {
    PlanBook book =
        PlanBook.EMPTY
            .with(own("sand", List.of("deburr"), List.of("fit-first-lever-8")))
            .with(own("look", List.of("sand"), List.of()));
    Plan plan = plan(Demo.open("ferry-bridge", Catalogue.standard()).with(PlanBook.PART, book));
    assertThat(plan.troubles()).isEmpty();
    List<String> ids = plan.steps().stream().map(Step::id).toList();
    assertThat(ids.indexOf("sand"))
        .isGreaterThan(ids.indexOf("deburr"))
        .isLessThan(ids.indexOf("fit-first-lever-8"));
    assertThat(ids.indexOf("look")).isGreaterThan(ids.indexOf("sand"));
    assertThat(plan.step("sand").orElseThrow().why()).isEqualTo("where you put it");
  }

  @DataProvider
  public Object[][] wrongSteps() {
    return new Object[][] {
      {List.of(own("a", List.of("b"), List.of()), own("b", List.of("a"), List.of())), "PL-01"},
      {List.of(own("a", List.of("a"), List.of())), "PL-01"},
      {List.of(own("a", List.of("close"), List.of("template"))), "PL-01"},
      {List.of(own("a", List.of("gone"), List.of())), "PL-02"},
      {List.of(own("a", List.of(), List.of()), own("close", List.of(), List.of())), "PL-06"},
      {List.of(new OwnStep("a", "Saw it", "", List.of(), List.of(), 5, 0, true)), "PL-04"},
    };
  }

  @Test(dataProvider = "wrongSteps")
  public void wrongStepsAreNamed(List<OwnStep> steps, String code) throws Exception {
    PlanBook book = PlanBook.EMPTY;
    for (OwnStep step : steps) {
      book = book.with(step);
    }
    Bench bench = bench(Demo.open("ferry-bridge", Catalogue.standard()).with(PlanBook.PART, book));
    List<Finding> found =
        bench.findings().stream()
            .filter(f -> f.station().equals(Station.PLAN) && f.severity() != Severity.FINE)
            .toList();
    assertThat(found.stream().map(f -> f.code().text())).containsOnly(code);
    assertThat(bench.get(Works.PLAN).steps().stream().map(Step::id)).contains("a", "close");
  }

  @Test
  public void aMarkOfWhatIsGoneIsToldAndTakenOut() throws Exception {
    Build build =
        Demo.open("ferry-bridge", Catalogue.standard())
            .with(PlanBook.PART, PlanBook.EMPTY.withUnused("no-such"));
    Finding finding =
        bench(build).findings().stream()
            .filter(f -> f.code().text().equals("PL-03"))
            .findFirst()
            .orElseThrow();
    Build mended = finding.fix().orElseThrow().edit().apply(build);
    assertThat(mended.get(PlanBook.PART).unused()).isEmpty();
    assertThatThrownBy(
            () -> new PlanBook(Optional.empty(), Map.of(), Set.of("a"), Set.of("a"), List.of()))
        .hasMessageContaining("there already and not be used");
  }

  /** A control that is taken out leaves no mark behind. */
  @Test
  public void aControlTakenOutTakesItsMarkAlong() throws Exception {
    Build build =
        Demo.open("ferry-bridge", Catalogue.standard())
            .with(PlanBook.PART, PlanBook.EMPTY.withUnused("horn").withAlready("radar"));
    Build less = build.without(new ControlId("horn"));
    assertThat(less.get(PlanBook.PART).unused()).isEmpty();
    assertThat(less.get(PlanBook.PART).already()).containsExactly("radar");
  }

  /** What is there already is not made, what is not used is not wired, and nothing else changes. */
  @Test
  public void marksTakeWorkAway() throws Exception {
    Build build = Demo.open("ferry-bridge", Catalogue.standard());
    Plan dark = plan(build.with(PlanBook.PART, PlanBook.EMPTY.withUnused("horn")));
    assertThat(dark.step("join-horn")).isEmpty();
    assertThat(dark.step("fit-first-button-30-lamp").orElseThrow().state())
        .isEqualTo(Step.State.UNUSED);
    Plan there = plan(build.with(PlanBook.PART, PlanBook.EMPTY.withAlready("horn")));
    assertThat(there.step("fit-first-button-30-lamp").orElseThrow().state())
        .isEqualTo(Step.State.ALREADY);
    assertThat(there.step("join-horn").orElseThrow().over()).isFalse();
    assertThat(there.step("apart")).isPresent();
    assertThat(there.step("fit-button-30")).isEqualTo(plan(build).step("fit-button-30"));
  }

  /** The plan is part of the build file, word for word. */
  @Test
  public void thePlanIsKept() throws Exception {
    PlanBook book =
        PlanBook.EMPTY
            .withFinish(Optional.of(Finish.BARE))
            .withDone("template", "0123abcd")
            .withAlready("horn")
            .withUnused("radar")
            .with(
                new OwnStep(
                    "sand", "Sand it", "smooth", List.of("deburr"), List.of(), 7, 60, true));
    Build build = Demo.open("ferry-bridge", Catalogue.standard()).with(PlanBook.PART, book);
    Build read = BuildFile.parse(BuildFile.text(build), "x", Catalogue.standard());
    assertThat(read.get(PlanBook.PART)).isEqualTo(book);
  }

  /** A build of ports alone is planned too. */
  @Test
  public void portsAlonePlanTheirSockets() {
    Build build = Build.empty("Pads");
    build =
        build.withPorts(
            build
                .ports()
                .with(Port.of(build.freshId("Pad"), "Pad", "packet", Placement.at(40, 40))));
    assertThat(plan(build).step("fit-ports").orElseThrow().state()).isEqualTo(Step.State.OPEN);
    Bench there = bench(build.with(PlanBook.PART, PlanBook.EMPTY.withAlready("pad")));
    assertThat(there.get(Works.PLAN).step("fit-ports").orElseThrow().state())
        .as("a socket that is not on the bill is not fitted either")
        .isEqualTo(Step.State.ALREADY);
    assertThat(there.get(Works.BILL).items().stream().map(item -> item.id()))
        .noneMatch(id -> id.startsWith("socket-"));
  }
}
