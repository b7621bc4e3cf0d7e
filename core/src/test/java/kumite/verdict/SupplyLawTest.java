package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.circuit.Inputs;
import kumite.circuit.LampCurrent;
import kumite.device.Holds;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.SupplyKind;
import kumite.loom.Serves;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.parts.SupplyFile;
import kumite.supply.SupplyCode;
import kumite.supply.SupplyTree;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What feeds a build, as a tree and as wires: both tell one story, whatever is opened, left out or
 * joined.
 */
public class SupplyLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final List<String> THROUGH =
      List.of("switch-3a", "fuse-500", "fuse-2000", "switch-3a");
  private static final List<String> TAKERS =
      List.of("strip-60", "strip-30", "lamp-power-5v", "lamp-power-5v");

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static SupplyPart part(String id, String kind, Optional<String> from) {
    return SupplyPart.of(
        new ControlId(id), id, kind, Placement.at(200, 150), from.map(ControlId::new));
  }

  /** A tree of switches and fuses behind one 5 V source, with takers, drawn by chance. */
  private static Build draw(SplittableRandom random) {
    List<SupplyPart> parts = new ArrayList<>();
    parts.add(part("root", random.nextBoolean() ? "jack-5v" : "bank-5v", Optional.empty()));
    List<String> givers = new ArrayList<>(List.of("root"));
    for (int i = random.nextInt(6); i > 0; i--) {
      String from = givers.get(random.nextInt(givers.size()));
      String id = "through" + i;
      parts.add(
          part(id, THROUGH.get(random.nextInt(THROUGH.size())), Optional.of(from))
              .opened(random.nextInt(4) == 0));
      givers.add(id);
    }
    for (int i = random.nextInt(5); i > 0; i--) {
      Optional<String> from =
          random.nextInt(5) == 0
              ? Optional.empty()
              : Optional.of(givers.get(random.nextInt(givers.size())));
      parts.add(
          part("taker" + i, TAKERS.get(random.nextInt(TAKERS.size())), from)
              .withCount(random.nextInt(40)));
    }
    SupplyBook book = new SupplyBook(parts, Map.of());
    if (random.nextInt(4) > 0) {
      String from = givers.get(random.nextInt(givers.size()));
      book = book.feeding(SeatId.FIRST, Optional.of(new ControlId(from)));
    }
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30, 120, 30), "native-3v3-26");
    return build.with(SupplyBook.PART, book);
  }

  /** {@return whether every switch and fuse from a part up to its source is closed} */
  private static boolean closed(SupplyBook book, SupplyPart part) {
    Optional<SupplyPart> at = Optional.of(part);
    while (at.isPresent()) {
      if (at.get().open()) {
        return false;
      }
      at = at.get().from().flatMap(book::part);
    }
    return true;
  }

  private static Inputs inputs(Bench bench) {
    return bench.circuit().orElseThrow().inputs();
  }

  /** An open switch kills what is behind it, in the solver as in the tree, and nothing else. */
  @Test(dataProvider = "seeds")
  public void whatIsOpenKillsWhatIsBehindIt(int seed) {
    Build build = draw(new SplittableRandom(seed));
    SupplyBook book = build.get(SupplyBook.PART);
    Bench bench = Bench.of(build, CATALOGUE);
    Optional<SupplyPart> feeder =
        Optional.ofNullable(book.boards().get(SeatId.FIRST)).flatMap(book::part);
    boolean fed = feeder.isEmpty() || closed(book, feeder.get());
    assertThat(inputs(bench).dead().isEmpty()).isEqualTo(fed);
    assertThat(inputs(bench).unfed().isEmpty()).isEqualTo(fed);
    assertThat(bench.device().steady(Holds.NONE).isEmpty()).isEqualTo(!fed);
    for (SupplyTree.Branch branch : bench.get(Supplies.TREE).branches()) {
      branch.part().ifPresent(part -> assertThat(branch.alive()).isEqualTo(closed(book, part)));
    }
    if (fed) {
      for (LampCurrent lamp : inputs(bench).lamps()) {
        SupplyPart part = book.part(lamp.light().control()).orElseThrow();
        assertThat(lamp.worstMilliamps() > 1).as("%s", part).isEqualTo(closed(book, part));
      }
    }
    if (bench.findings().stream().anyMatch(f -> f.code() == SupplyCode.OPEN)) {
      Build all = build;
      for (SupplyPart part : book.parts()) {
        all = all.with(SupplyBook.PART, all.get(SupplyBook.PART).with(part.opened(false)));
      }
      assertThat(bench.next(all).circuit().orElseThrow().inputs().dead()).isEmpty();
    }
  }

  /** Wires are the truth: one of the board's way to its source left out, and it is not fed. */
  @Test(dataProvider = "seeds")
  public void aWireLeftOutOfTheWayIsFelt(int seed) {
    SplittableRandom random = new SplittableRandom(300 + seed);
    Build build = draw(random);
    SupplyBook book = build.get(SupplyBook.PART);
    Optional<SupplyPart> feeder =
        Optional.ofNullable(book.boards().get(SeatId.FIRST)).flatMap(book::part);
    Bench bench = Bench.of(build, CATALOGUE);
    if (feeder.isEmpty() || !closed(book, feeder.get())) {
      assertThat(bench.get(Supplies.TREE).branches()).isNotEmpty();
      return;
    }
    Set<String> way = new HashSet<>(Set.of(Joint.BOARD));
    Optional<SupplyPart> at = feeder;
    while (at.isPresent()) {
      way.add(at.get().id().text());
      at = at.get().from().flatMap(book::part);
    }
    // A strip stands for the only hole of the board's inlet.
    bench.loom().strands().stream()
        .filter(strand -> strand.serves() == Serves.STRIP)
        .forEach(strand -> way.add(strand.from().place().part()));
    for (Strand strand : bench.loom().strands()) {
      boolean plus = !strand.from().tab().equals("-") && !strand.to().tab().equals("-");
      if (strand.serves() == Serves.FEED && plus) {
        boolean on =
            way.contains(strand.from().place().part()) && way.contains(strand.to().place().part());
        Bench without = bench.next(build.withLoom(build.loom().withLeftOut(strand.wire())));
        assertThat(inputs(without).unfed().isPresent()).as("%s", strand.wire()).isEqualTo(on);
      }
    }
  }

  /** What is bought is what is there: each part counted, strips by their length. */
  @Test(dataProvider = "seeds")
  public void partsAreOnTheBill(int seed) {
    Build build = draw(new SplittableRandom(900 + seed));
    Bench bench = Bench.of(build, CATALOGUE);
    Map<String, Double> wanted = new HashMap<>();
    for (SupplyPart part : build.get(SupplyBook.PART).parts()) {
      // 60 or 30 lamps a metre, as their kinds are called
      double one =
          part.kind().equals("strip-60")
              ? part.count() / 60.0
              : part.kind().equals("strip-30") ? part.count() / 30.0 : 1;
      wanted.merge(part.kind(), one, Double::sum);
    }
    bench.get(Works.BILL).items().stream()
        .filter(item -> item.group() == kumite.bill.Item.Group.SUPPLIES)
        .forEach(item -> assertThat(item.need()).isCloseTo(wanted.remove(item.id()), within(0.01)));
    assertThat(wanted).isEmpty();
    assertThat(bench.get(Works.PLAN).steps()).anyMatch(step -> step.id().equals("fit-supply"));
  }

  /** Currents add up from the leaves: worked out here without the tree. */
  @Test(dataProvider = "seeds")
  public void currentsAddUp(int seed) {
    Build build = draw(new SplittableRandom(700 + seed));
    SupplyBook book = build.get(SupplyBook.PART);
    Bench bench = Bench.of(build, CATALOGUE);
    Map<ControlId, Double> worst = new HashMap<>();
    for (SupplyPart part : book.parts()) {
      double own = 0;
      SupplyKind.Does does = SupplyFile.find(part.kind()).orElseThrow().does();
      if (does instanceof SupplyKind.Strip) {
        own = part.count() * 60; // each at full white (common practice)
      } else if (does instanceof SupplyKind.Indicator && part.from().isPresent()) {
        own = 10; // made for 10 mA at its volts
      }
      if (book.boards().containsValue(part.id())) {
        own += bench.budget().orElseThrow().worstMilliamps();
      }
      // Parts are chosen for when all is switched on, whatever stands open now.
      Optional<SupplyPart> at = Optional.of(part);
      while (at.isPresent()) {
        worst.merge(at.get().id(), own, Double::sum);
        at = at.get().from().flatMap(book::part);
      }
    }
    for (SupplyTree.Branch branch : bench.get(Supplies.TREE).branches()) {
      branch
          .part()
          .filter(part -> part.from().isPresent() || part.id().text().equals("root"))
          .ifPresent(
              part ->
                  assertThat(branch.worstMilliamps())
                      .as("%s", part.id())
                      .isCloseTo(worst.get(part.id()), within(0.5)));
    }
    for (SupplyTree.Branch branch : bench.get(Supplies.TREE).branches()) {
      boolean over =
          branch.ratedMilliamps() > 0 && branch.worstMilliamps() > branch.ratedMilliamps();
      branch
          .part()
          .ifPresent(
              part ->
                  assertThat(said(bench, SupplyCode.OVERLOADED, part.id()).isPresent())
                      .isEqualTo(over));
    }
  }

  private static Optional<Finding> said(Bench bench, SupplyCode code, ControlId id) {
    return bench.findings().stream().filter(f -> f.code() == code && f.isAbout(id)).findFirst();
  }

  @Test(dataProvider = "seeds")
  public void theFileKeepsIt(int seed) throws BuildFileException {
    Build build = draw(new SplittableRandom(1100 + seed));
    assertThat(BuildFile.parse(BuildFile.text(build), "x", CATALOGUE)).isEqualTo(build);
    SupplyBook book = build.get(SupplyBook.PART);
    for (SupplyPart part : book.parts()) {
      SupplyBook without = book.without(part.id());
      assertThat(without.parts()).hasSize(book.parts().size() - 1);
      assertThat(without.part(part.id())).isEmpty();
    }
  }

  private static Build with(SupplyBook book, String board) {
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30), board);
    return build.with(SupplyBook.PART, book);
  }

  private static List<String> stops(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() == Severity.STOP)
        .map(f -> f.code().text())
        .filter(code -> code.startsWith("SU") || code.startsWith("NT"))
        .distinct()
        .sorted()
        .toList();
  }

  @DataProvider
  Object[][] wrong() {
    Optional<String> none = Optional.empty();
    return new Object[][] {
      {"a sound one", List.of(part("jack", "jack-5v", none)), "jack", List.of()},
      {
        "12 V into a board of 5 V",
        List.of(part("jack", "jack-12v", none)),
        "jack",
        List.of("NT-07")
      },
      {
        "12 V through a converter",
        List.of(
            part("jack", "jack-12v", none), part("down", "converter-12-5", Optional.of("jack"))),
        "down",
        List.of()
      },
      {
        "a converter for more than it is given",
        List.of(part("jack", "jack-5v", none), part("down", "converter-12-5", Optional.of("jack"))),
        "down",
        List.of("SU-02")
      },
      {
        "a bare cell",
        List.of(
            part("cell", "cell-lithium", none), part("up", "converter-5v", Optional.of("cell"))),
        "up",
        List.of("SU-03")
      },
      {
        "a guarded cell",
        List.of(
            part("cell", "cell-lithium", none),
            part("guard", "guard-cell", Optional.of("cell")),
            part("up", "converter-5v", Optional.of("guard"))),
        "up",
        List.of()
      },
      {
        "a cell too low for the board's 5 V",
        List.of(part("cells", "cells-3-aa", none).withCount(0)),
        "cells",
        List.of()
      },
      {
        "a lithium cell straight at the board",
        List.of(part("cell", "cell-lithium", none)),
        "cell",
        List.of("SU-02", "SU-03")
      },
      {
        "a switch in the ground",
        List.of(
            part("jack", "jack-5v", none),
            part("main", "switch-3a", Optional.of("jack")).inGround(true)),
        "main",
        List.of("SU-05")
      },
      {
        "a switch that nothing feeds",
        List.of(part("jack", "jack-5v", none), part("main", "switch-3a", none)),
        "jack",
        List.of("SU-06")
      },
      {
        "a strip at 12 V",
        List.of(
            part("jack", "jack-12v", none),
            part("down", "converter-12-5", Optional.of("jack")),
            part("strip", "strip-60", Optional.of("jack")).withCount(3)),
        "down",
        List.of("NT-07", "SU-02")
      },
      {
        "more than a jack gives",
        List.of(
            part("jack", "jack-5v", none),
            part("strip", "strip-60", Optional.of("jack")).withCount(200)),
        "jack",
        List.of("SU-01")
      },
    };
  }

  /** Each with what it stops for, and nothing else; worked out by hand. */
  @Test(dataProvider = "wrong")
  public void whatIsWrongIsNamed(
      String what, List<SupplyPart> parts, String board, List<String> codes) {
    SupplyBook book = new SupplyBook(parts, Map.of(SeatId.FIRST, new ControlId(board)));
    assertThat(stops(with(book, "native-3v3-26"))).as(what).isEqualTo(codes);
  }

  /** A jack beside the plug: two sources on one net are a stop, though both give 5 V. */
  @Test
  public void twoSourcesOnOneNetAreTold() {
    SupplyBook book = new SupplyBook(List.of(part("jack", "jack-5v", Optional.empty())), Map.of());
    Build build = with(book, "native-3v3-26");
    assertThat(stops(build)).isEmpty();
    Build joined =
        build.withLoom(
            build
                .loom()
                .withAdded(Jumper.parse("board:5V - jack:+"))
                .withAdded(Jumper.parse("board:GND - jack:-")));
    assertThat(stops(joined)).containsExactly("SU-04");
    SupplyBook two =
        new SupplyBook(
            List.of(
                part("one", "cell-lithium", Optional.empty()),
                part("other", "cell-lithium", Optional.empty())),
            Map.of());
    Build cells = with(two, "native-3v3-26");
    Build parallel =
        cells.withLoom(
            cells
                .loom()
                .withAdded(Jumper.parse("one:+ - other:+"))
                .withAdded(Jumper.parse("one:- - other:-")));
    assertThat(stops(parallel)).contains("SU-04");
    Build shorted = build.withLoom(build.loom().withAdded(Jumper.parse("jack:+ - jack:-")));
    assertThat(stops(shorted)).contains("NT-01").doesNotContain("SU-01");
  }

  /** The tree adds up takers: what a fault would draw is told with the fault, once. */
  @Test(dataProvider = "seeds")
  public void aShortIsNoLoadOfTheTree(int seed) {
    Build build = draw(new SplittableRandom(seed));
    Build shorted = build.withLoom(build.loom().withAdded(Jumper.parse("board:3V3 - board:GND")));
    Bench fine = Bench.of(build, CATALOGUE);
    Bench bench = fine.next(shorted);
    assertThat(stops(shorted)).contains("NT-01");
    assertThat(bench.get(Supplies.TREE).branches())
        .extracting(SupplyTree.Branch::worstMilliamps)
        .allSatisfy(worst -> assertThat(worst).isLessThan(20_000));
  }

  /** An open switch hides no stop: each that is there once it is closed is told before. */
  @Test(dataProvider = "seeds")
  public void aSwitchHidesNothing(int seed) {
    SplittableRandom random = new SplittableRandom(900 + seed);
    Build build = draw(random);
    List<String> ends = List.of("3V3", "5V", "GND", "D2", "D5", "D13", "A0");
    String one = ends.get(random.nextInt(ends.size()));
    String other = ends.get(random.nextInt(ends.size()));
    if (!one.equals(other)) {
      Jumper slip = Jumper.parse("board:" + one + " - board:" + other);
      build = build.withLoom(build.loom().withAdded(slip));
    }
    List<Finding> now = Bench.of(build, CATALOGUE).findings();
    for (Finding stop : Bench.of(Supplies.closed(build), CATALOGUE).findings()) {
      if (stop.severity() == Severity.STOP) {
        assertThat(now)
            .as("%s", stop)
            .anyMatch(f -> f.code().equals(stop.code()) && f.about().containsAll(stop.about()));
      }
    }
  }

  /** Any board that has an inlet lives on a jack of its volts, however many pins it has for it. */
  @Test
  public void anyBoardLivesOnAJack() {
    int tried = 0;
    for (var board : CATALOGUE.boards()) {
      if (kumite.loom.Supplied.inlet(board).filter(t -> t.volts() == 5).isEmpty()) {
        continue;
      }
      SupplyBook book =
          SupplyBook.EMPTY
              .with(part("jack", "jack-5v", Optional.empty()))
              .feeding(SeatId.FIRST, Optional.of(new ControlId("jack")));
      Build build =
          Builds.wired(Builds.buttons(30, 30, 75, 30), board.id()).with(SupplyBook.PART, book);
      assertThat(stops(build)).as(board.id()).doesNotContain("SU-04", "NT-01", "NT-03");
      assertThat(inputs(Bench.of(build, CATALOGUE)).dead()).as(board.id()).isEmpty();
      tried++;
    }
    assertThat(tried).isGreaterThan(5);
  }

  /** What a port gives is said of boards that live on one, and of no other. */
  @Test(dataProvider = "seeds")
  public void aPortIsSpokenOfWhereThereIsOne(int seed) {
    Build build = draw(new SplittableRandom(500 + seed));
    boolean port = build.get(SupplyBook.PART).boards().isEmpty();
    assertThat(
            Bench.of(build, CATALOGUE).findings().stream()
                .anyMatch(f -> f.code().text().equals("BR-02")))
        .isEqualTo(port);
  }

  @DataProvider
  Object[][] lampsOnAHeader() {
    // 60 mA a lamp at full white, common practice: 16 are 960 mA of the 1000 mA of the header's
    // 5 V pins, which is common practice too. In play the usual colours take a part of that.
    return new Object[][] {
      {1, Severity.FINE}, {16, Severity.FINE}, {17, Severity.LOOK}, {150, Severity.STOP}
    };
  }

  /** A header's 5 V pins give what its supply leaves, not what a port gives. */
  @Test(dataProvider = "lampsOnAHeader")
  public void aHeaderGivesSoMuch(int lamps, Severity said) {
    Build build =
        with(
            new SupplyBook(
                List.of(part("strip", "strip-60", Optional.empty()).withCount(lamps)), Map.of()),
            "header-40");
    assertThat(Bench.of(build, CATALOGUE).findings().stream().filter(f -> code(f, "PW-25")))
        .extracting(Finding::severity)
        .containsExactly(said);
    Build fed =
        with(
            new SupplyBook(
                List.of(
                    part("jack", "jack-5v", Optional.empty()),
                    part("strip", "strip-60", Optional.of("jack")).withCount(lamps)),
                Map.of()),
            "header-40");
    assertThat(Bench.of(fed, CATALOGUE).findings().stream().filter(f -> code(f, "PW-25")))
        .as("what another source feeds does not hang on it")
        .extracting(Finding::severity)
        .containsExactly(Severity.FINE);
  }

  private static boolean code(Finding finding, String code) {
    return finding.code().text().equals(code);
  }

  /** 5 V / 0.9 out of 3.7 V: power is kept but for the loss; a bank's hours by hand. */
  @Test
  public void aConverterTakesPower() {
    SupplyBook book =
        new SupplyBook(
            List.of(
                part("cell", "cell-lithium", Optional.empty()),
                part("guard", "guard-cell", Optional.of("cell")),
                part("up", "converter-5v", Optional.of("guard")),
                part("strip", "strip-60", Optional.of("up")).withCount(10)),
            Map.of());
    Bench bench = Bench.of(with(book, "native-3v3-26"), CATALOGUE);
    SupplyTree.Branch cell = bench.get(Supplies.TREE).branches().get(0);
    // Ten lamps at a third of white: 1 mA dark, and a third of the other 59.
    double third = 10 * (1 + 59 / 3.0);
    assertThat(cell.usualMilliamps()).isCloseTo(third * 5 / (3.7 * 0.9), within(0.1));
    assertThat(cell.worstMilliamps()).isCloseTo(600 * 5 / (3.0 * 0.9), within(0.1));
    assertThat(cell.hours()).isCloseTo(2000 * 0.8 / (third * 5 / (3.7 * 0.9)), within(0.01));
  }

  /** Lamp by lamp along the copper the drop is the sum of what is left; the closed form is near. */
  @Test
  public void theDropAlongAStripIsThatOfItsLamps() {
    SupplyKind.Strip strip = (SupplyKind.Strip) SupplyFile.find("strip-60").orElseThrow().does();
    int count = 120;
    double step = strip.ohmPerMetre() * strip.pitchMm() / 1000;
    double drop = 0;
    for (int i = 0; i < count; i++) {
      drop += (count - i) * strip.mostMilliamps() / 1000 * step;
    }
    double closed =
        count
            * strip.mostMilliamps()
            / 1000
            * strip.ohmPerMetre()
            * count
            * strip.pitchMm()
            / 1000
            / 2;
    assertThat(closed).isCloseTo(drop, within(drop / count + 1e-9));
    SupplyBook book =
        new SupplyBook(
            List.of(
                part("jack", "jack-5v", Optional.empty()),
                part("strip", "strip-60", Optional.of("jack")).withCount(count)),
            Map.of());
    Finding told =
        said(
                Bench.of(with(book, "native-5v-18"), CATALOGUE),
                SupplyCode.STRIP_DROPS,
                new ControlId("strip"))
            .orElseThrow();
    assertThat(told.detail()).contains(kumite.working.Working.number(5 - closed, 2) + " V");
    assertThat(
            said(
                Bench.of(with(book, "native-5v-18"), CATALOGUE),
                SupplyCode.DATA_MARGINAL,
                new ControlId("strip")))
        .isEmpty();
  }

  @Test
  public void brokenTreesAreRefused() {
    assertThatThrownBy(
            () -> new SupplyBook(List.of(part("a", "switch-3a", Optional.of("b"))), Map.of()))
        .hasMessageContaining("no supply part \"b\"");
    assertThatThrownBy(
            () ->
                new SupplyBook(
                    List.of(
                        part("a", "switch-3a", Optional.of("b")),
                        part("b", "switch-3a", Optional.of("a"))),
                    Map.of()))
        .hasMessageContaining("in a ring");
    assertThatThrownBy(() -> part("a", "switch-3a", Optional.of("a")))
        .hasMessageContaining("feed itself");
    assertThatThrownBy(
            () ->
                new SupplyBook(
                    List.of(
                        part("a", "jack-5v", Optional.empty()),
                        part("a", "jack-5v", Optional.empty())),
                    Map.of()))
        .hasMessageContaining("are called");
    assertThatThrownBy(
            () ->
                with(
                    new SupplyBook(List.of(part("b1", "jack-5v", Optional.empty())), Map.of()),
                    "native-3v3-26"))
        .hasMessageContaining("something else has");
  }
}
