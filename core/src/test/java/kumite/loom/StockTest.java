package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.build.loom.WireSort;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.kind.Landing;
import kumite.kind.WireColour;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The wire at hand: sorts for single uses, ready jumpers, cables, one bare wire along a row. */
public class StockTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Each strand is of the wire for its use; ground and supply in the builder's own colours. */
  @Test(dataProvider = "seeds")
  public void everyStrandIsOfTheWireForItsUse(int seed) throws BuildFileException {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    assertThat(BuildFile.parse(BuildFile.text(build), "x", CATALOGUE)).isEqualTo(build);
    Bench bench = Bench.of(build, CATALOGUE);
    Laying laying = build.loom().laying();
    int far = 0;
    for (Strand strand : bench.loom().strands()) {
      if (strand.crosses()) {
        continue;
      }
      WireSort sort = laying.sort(strand.use());
      assertThat(strand.gaugeAwg()).isEqualTo(sort.gaugeAwg().orElse(laying.gaugeAwg()));
      if (strand.use() != WireSort.Use.SIGNAL && sort.colour().isPresent()) {
        assertThat(strand.colour()).isEqualTo(WireColour.of(sort.colour().get()));
      }
      boolean reaches =
          sort.jumpersMm().isEmpty()
              || sort.jumpersMm().stream().anyMatch(mm -> mm >= strand.lengthMm());
      far += reaches ? 0 : 1;
    }
    assertThat(bench.findings().stream().anyMatch(f -> f.code() == LoomCode.JUMPERS_SHORT))
        .isEqualTo(far > 0);
  }

  /** A code in which all signals are one colour is the builder's: nothing is said against it. */
  @Test
  public void theBuildersOwnColoursAreTakenAsGiven() {
    Build build = Build.empty("code");
    for (int i = 0; i < 8; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("b" + i), "B" + i, "button-24", Placement.at(30 + 30 * i, 60)));
    }
    build = build.withBoard(Optional.of(new BoardChoice("native-3v3-26", Placement.at(150, 150))));
    Laying laying =
        build
            .loom()
            .laying()
            .withSort(
                WireSort.Use.SIGNAL, WireSort.USUAL.withColour(Optional.of(WireColour.Hue.BU)))
            .withSort(
                WireSort.Use.GROUND, WireSort.USUAL.withColour(Optional.of(WireColour.Hue.WH)));
    Bench bench = Bench.of(build.withLoom(build.loom().withLaying(laying)), CATALOGUE);
    for (Strand strand : bench.loom().strands()) {
      assertThat(strand.colour().code()).isEqualTo(strand.serves() == Serves.GROUND ? "WH" : "BU");
    }
    assertThat(bench.findings()).noneMatch(f -> f.code() == LoomCode.SAME_COLOUR);
    Bench usual = Bench.of(build, CATALOGUE);
    Set<WireColour> seen = new HashSet<>();
    usual.loom().colours().values().forEach(colour -> seen.add(colour));
    assertThat(seen.size()).isGreaterThan(2);
  }

  /** Twelve switches in a row: one bare wire with twelve joints, as long as its stretches. */
  @Test
  public void aBusAlongARowIsOneWire() {
    Build build = Build.empty("bus");
    for (int i = 0; i < 12; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("k" + i), "K" + i, "tact-6", Placement.at(30 + 19.05 * i, 60)));
    }
    build = build.withBoard(Optional.of(new BoardChoice("native-3v3-26", Placement.at(150, 150))));
    build =
        build.withLoom(
            build.loom().withLaying(build.loom().laying().withShape(Laying.CommonShape.BUS)));
    Loom loom = Loom.of(build, CATALOGUE);
    List<CutList.Bus> buses = CutList.of(loom).buses();
    assertThat(buses).hasSize(1);
    assertThat(buses.get(0).joints()).isEqualTo(12);
    assertThat(buses.get(0).strands()).hasSize(11);
    // From the first tab to the last in a straight line, each stretch rounded up to 5 mm.
    assertThat(buses.get(0).lengthMm()).isBetween((int) (11 * 19.05), 11 * 20);
    long cuts =
        WireWork.of(loom, build.loom()).steps().stream()
            .filter(s -> s.bus().isPresent())
            .filter(
                s -> s.first(LengthUnit.MM).stream().anyMatch(w -> w.startsWith("Cut one bare")))
            .count();
    assertThat(cuts).as("it is cut once").isEqualTo(1);
    assertThat(loom.strands().stream().filter(s -> s.from().landing().how() == Landing.How.BUS))
        .hasSize(11);
  }

  /** Eight cores serve seven wires, with one kept spare (common practice: ten for nine). */
  @Test
  public void coresAreCounted() {
    for (int wires = 5; wires <= 9; wires++) {
      Build build = Build.empty("cores");
      for (int i = 0; i < wires; i++) {
        build =
            build.withControl(
                Control.of(
                    new ControlId("b" + i), "B" + i, "button-24", Placement.at(30 + 30 * i, 60)));
      }
      build =
          build.withBoard(Optional.of(new BoardChoice("native-3v3-26", Placement.at(150, 150))));
      Laying laying =
          build
              .loom()
              .laying()
              .withSort(
                  WireSort.Use.SIGNAL, WireSort.USUAL.withCores(8).withGauge(OptionalInt.of(26)));
      Bench bench = Bench.of(build.withLoom(build.loom().withLaying(laying)), CATALOGUE);
      Optional<Finding> told =
          bench.findings().stream().filter(f -> f.code() == LoomCode.CORES_FEW).findFirst();
      assertThat(told.isPresent()).as("%d wires", wires).isEqualTo(wires > 7);
    }
  }

  /** A ready jumper is the shortest that reaches; foil is clipped, and a bolt has a screw. */
  @Test
  public void jumpersReachAndFoilIsNotSoldered() {
    WireSort sort = WireSort.USUAL.withJumpers(Set.of(100, 200, 300));
    for (Map.Entry<Integer, Integer> row :
        Map.of(50, 100, 100, 100, 101, 200, 300, 300).entrySet()) {
      assertThat(sort.jumper(row.getKey())).hasValue(row.getValue());
    }
    assertThat(sort.jumper(435)).isEmpty();
    for (String kind : List.of("pad-foil", "pad-disc")) {
      Build build =
          Build.empty("foil")
              .withControl(Control.of(new ControlId("p"), "P", kind, Placement.at(60, 60)))
              .withBoard(Optional.of(new BoardChoice("native-3v3-48", Placement.at(200, 120))));
      int ends = 0;
      for (Strand strand : Loom.of(build, CATALOGUE).strands()) {
        for (Strand.End end : List.of(strand.from(), strand.to())) {
          if (end.place().part().equals("p") || end.place().part().equals("PERSON")) {
            assertThat(end.landing().soldered()).as("%s %s", kind, end.words()).isFalse();
            ends++;
          }
        }
      }
      assertThat(ends).isGreaterThanOrEqualTo(2);
    }
  }
}
