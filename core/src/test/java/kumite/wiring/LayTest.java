package kumite.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.component.Component;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The wires as they lie: all of them, from tab to tab, side by side. */
public class LayTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final GeometryFactory JTS = new GeometryFactory();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 150).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Whatever the build: each wire of plan and hand is laid once or named as astray. */
  @Test(dataProvider = "seeds")
  public void everyWireIsLaidOrNamed(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    Bench bench = Bench.of(build, CATALOGUE);
    if (bench.lay().isEmpty()) {
      assertThat(bench.board()).isEmpty();
      return;
    }
    Lay lay = bench.lay().get();
    Set<Jumper> wanted = new HashSet<>(bench.wiring().orElseThrow().wires().keySet());
    bench.loom().strands().stream().map(Strand::wire).forEach(wanted::add);
    List<Jumper> got = new ArrayList<>(lay.astray());
    lay.wires().stream().map(Lay.Laid::ends).forEach(got::add);
    assertThat(got).doesNotHaveDuplicates().hasSameElementsAs(wanted);
    for (Lay.Laid wire : lay.wires()) {
      boolean there = bench.wiring().get().wires().containsKey(wire.ends());
      boolean planned = bench.loom().strands().stream().anyMatch(s -> s.wire().equals(wire.ends()));
      assertThat(wire.state())
          .as(wire.name())
          .isEqualTo(!planned ? Lay.State.ADDED : there ? Lay.State.PLANNED : Lay.State.LEFT_OUT);
      assertThat(List.of(wire.way().get(0), wire.way().get(wire.way().size() - 1)))
          .as("%s runs from tab to tab", wire.name())
          .containsExactlyInAnyOrder(
              lay.tabs().get(wire.ends().a()), lay.tabs().get(wire.ends().b()));
    }
    // Only a place that the build has nowhere is a reason not to draw a wire.
    Set<String> parts = new HashSet<>(Set.of(Joint.BOARD));
    build.controls().forEach(c -> parts.add(c.id().text()));
    parts.addAll(bench.loom().spots().keySet());
    for (Jumper stray : lay.astray()) {
      assertThat(List.of(stray.a(), stray.b()))
          .as(stray.toString())
          .anyMatch(end -> !known(end, parts, bench));
    }
    smallPartsSitOnTheirEnds(bench, lay);
  }

  private static boolean known(Joint end, Set<String> parts, Bench bench) {
    return end.part().equals(Joint.BOARD)
        ? bench.board().orElseThrow().terminal(end.tab()).isPresent()
        : parts.contains(end.part());
  }

  private static void smallPartsSitOnTheirEnds(Bench bench, Lay lay) {
    List<Component> two =
        bench.wiring().orElseThrow().parts().stream()
            .filter(part -> part.fitted() && part.ends().size() == 2)
            .toList();
    assertThat(lay.parts()).extracting(Lay.Small::part).isSubsetOf(two);
    for (Lay.Small small : lay.parts()) {
      assertThat(small.from()).isEqualTo(lay.tabs().get(small.part().ends().get(0)));
      assertThat(small.to()).isEqualTo(lay.tabs().get(small.part().ends().get(1)));
      assertThat(small.from().distanceMm(small.to())).as(small.part().words()).isPositive();
    }
  }

  /** Terminals are drawn where the board has them, turned as it lies; two tabs are two places. */
  @Test(dataProvider = "seeds")
  public void placesAreTheirOwn(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    Bench bench = Bench.of(build, CATALOGUE);
    bench
        .lay()
        .ifPresent(
            lay -> {
              Placement at = build.board().orElseThrow().placement();
              Map<String, Set<Point>> byPart = new HashMap<>();
              Map<String, Integer> counts = new HashMap<>();
              lay.tabs()
                  .forEach(
                      (joint, place) -> {
                        if (joint.part().equals(Joint.BOARD)) {
                          Point offset =
                              bench.board().get().terminal(joint.tab()).orElseThrow().at();
                          double turn = Math.toRadians(at.turnDegrees());
                          assertThat(place.xMm())
                              .isCloseTo(
                                  at.xMm()
                                      + offset.xMm() * Math.cos(turn)
                                      - offset.yMm() * Math.sin(turn),
                                  within(1e-6));
                        }
                        byPart
                            .computeIfAbsent(joint.part(), part -> new HashSet<>())
                            .add(round(place));
                        counts.merge(joint.part(), 1, Integer::sum);
                      });
              byPart.forEach(
                  (part, places) -> assertThat(places).as(part).hasSize(counts.get(part)));
            });
  }

  private static Point round(Point at) {
    return new Point(Math.rint(at.xMm() * 1e4) / 1e4, Math.rint(at.yMm() * 1e4) / 1e4);
  }

  /**
   * On ways among points of a coarse grid no wire lies along another, and each stays near its way.
   * The judge is a geometry library.
   */
  @Test(dataProvider = "seeds")
  public void noWireLiesOnAnother(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<Integer, List<Point>> ways = new LinkedHashMap<>();
    int count = 2 + random.nextInt(14);
    for (int i = 0; i < count; i++) {
      Point from = grid(random);
      Point to = grid(random);
      Point corner =
          random.nextBoolean() ? new Point(from.xMm(), to.yMm()) : new Point(to.xMm(), from.yMm());
      if (!from.equals(to)) {
        ways.put(i, List.of(from, corner, to));
      }
    }
    Map<Integer, List<Point>> apart = Lanes.apart(ways, 1.6, 40);
    assertThat(apart.keySet()).isEqualTo(ways.keySet());
    List<Integer> all = List.copyOf(apart.keySet());
    for (int i = 0; i < all.size(); i++) {
      List<Point> way = ways.get(all.get(i));
      List<Point> lane = apart.get(all.get(i));
      assertThat(lane.get(0)).isEqualTo(way.get(0));
      assertThat(lane.get(lane.size() - 1)).isEqualTo(way.get(way.size() - 1));
      assertThat(line(lane).within(line(way).buffer(20))).as("near its way").isTrue();
      for (int j = 0; j < i; j++) {
        Geometry both = line(between(lane)).intersection(line(between(apart.get(all.get(j)))));
        assertThat(both.getLength()).as("%s along %s", all.get(i), all.get(j)).isZero();
      }
    }
  }

  /** Grid lines are 50 mm apart, so lanes of one line stay clear of those of the next. */
  private static Point grid(SplittableRandom random) {
    return new Point(50 * random.nextInt(6), 50 * random.nextInt(4));
  }

  /** {@return the part of a way in its lanes, without the steps from and to its ends} */
  private static List<Point> between(List<Point> lane) {
    return lane.subList(1, lane.size() - 1);
  }

  private static Geometry line(List<Point> points) {
    return JTS.createLineString(
        points.stream().map(p -> new Coordinate(p.xMm(), p.yMm())).toArray(Coordinate[]::new));
  }

  /** What turns off first lies outermost, so wires that turn one way do not cross. */
  @Test
  public void wiresThatTurnOneWayDoNotCross() {
    Map<Integer, List<Point>> comb = new LinkedHashMap<>();
    for (int i = 0; i < 8; i++) {
      comb.put(i, List.of(new Point(0, 0), new Point(40 + 30 * i, 0), new Point(40 + 30 * i, 60)));
    }
    Map<Integer, List<Point>> apart = Lanes.apart(comb, 1.6, 40);
    for (int i = 0; i < 8; i++) {
      for (int j = 0; j < i; j++) {
        assertThat(line(between(apart.get(i))).intersects(line(between(apart.get(j))))).isFalse();
      }
    }
  }

  /** More wires than a line is wide crowd rather than spread over the panel. */
  @Test
  public void manyWiresCrowd() {
    Map<Integer, List<Point>> many = new LinkedHashMap<>();
    for (int i = 0; i < 100; i++) {
      many.put(i, List.of(new Point(0, 0), new Point(300, 0)));
    }
    double[] lanes =
        Lanes.apart(many, 1.6, 40).values().stream().mapToDouble(w -> w.get(1).yMm()).toArray();
    assertThat(java.util.Arrays.stream(lanes).distinct().count()).isEqualTo(100);
    assertThat(java.util.Arrays.stream(lanes).map(Math::abs).max().orElseThrow())
        .isLessThanOrEqualTo(20);
  }

  @DataProvider
  public Object[][] topologies() {
    return Topology.CHOSEN.stream()
        .map(topology -> new Object[] {topology})
        .toArray(Object[][]::new);
  }

  /** Diodes, resistors and chips of every way of sharing are in the picture, none is lost. */
  @Test(dataProvider = "topologies")
  public void everySmallPartOfAWayOfSharingIsDrawn(Topology topology) {
    Build build = RandomBuilds.sharing(topology, 9, new SplittableRandom(4));
    Bench bench = Bench.of(build, CATALOGUE);
    Lay lay = bench.lay().orElseThrow();
    assertThat(lay.astray()).isEmpty();
    List<Component> two =
        bench.loom().parts().stream()
            .filter(part -> part.fitted() && part.ends().size() == 2)
            .toList();
    assertThat(lay.parts()).extracting(Lay.Small::part).containsExactlyElementsOf(two);
    assertThat(lay.tabs().keySet())
        .containsAll(
            bench.loom().parts().stream()
                .filter(Component::fitted)
                .flatMap(part -> part.ends().stream())
                .toList());
  }

  /** A tie holds two wires or more and lies across all that pass there. */
  @Test
  public void tiesLieAcrossTheirWires() {
    Build build = Builds.ferryBridge();
    Lay lay = Bench.of(build, CATALOGUE).lay().orElseThrow();
    assertThat(lay.ties()).hasSizeGreaterThan(10);
    for (Lay.Tie tie : lay.ties()) {
      Geometry across = line(List.of(tie.from(), tie.to()));
      long crossed =
          lay.wires().stream().filter(wire -> line(wire.way()).intersects(across)).count();
      assertThat(tie.wires()).isGreaterThan(1);
      assertThat(crossed).isGreaterThanOrEqualTo(tie.wires());
    }
  }

  /** What is left out by hand is still shown, as left out; what is put in is shown beside it. */
  @Test
  public void whatIsDoneByHandShows() {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 60, 240, 120), "native-3v3-26");
    Jumper first = Bench.of(build, CATALOGUE).loom().strands().get(0).wire();
    Jumper added = Jumper.parse("b1:NO - b3:COM");
    Jumper stray = Jumper.parse("b2:NO - board:NOWHERE");
    Build changed =
        build.withLoom(build.loom().withLeftOut(first).withAdded(added).withAdded(stray));
    Lay lay = Bench.of(changed, CATALOGUE).lay().orElseThrow();
    assertThat(lay.wires())
        .filteredOn(wire -> wire.state() == Lay.State.LEFT_OUT)
        .extracting(Lay.Laid::ends)
        .containsExactly(first);
    assertThat(lay.wires())
        .filteredOn(wire -> wire.state() == Lay.State.ADDED)
        .extracting(Lay.Laid::ends)
        .containsExactly(added);
    assertThat(lay.astray()).containsExactly(stray);
    assertThat(lay.at(Joint.parse("b1:NO"))).extracting(Lay.Laid::ends).contains(first, added);
  }
}
