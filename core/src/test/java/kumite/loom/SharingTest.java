package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.build.panel.Block;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.power.Grid;
import org.jgrapht.Graph;
import org.jgrapht.alg.matching.HopcroftKarpMaximumCardinalityBipartiteMatching;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SharingTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Build grid(int count, Topology topology, String board) {
    double[] places = new double[count * 2];
    for (int i = 0; i < count; i++) {
      places[2 * i] = 30 + 40 * (i % 6);
      places[2 * i + 1] = 30 + 40 * (i / 6);
    }
    Build build = Builds.wired(Builds.buttons(places), board);
    List<ContactId> all = build.controls().stream().map(c -> new ContactId(c.id(), "")).toList();
    return build.withLoom(build.loom().withGroup(new ControlId("keys"), topology, all));
  }

  /** A matrix of r rows and c columns reads r c contacts; no other split takes fewer wires. */
  @Test
  public void aMatrixTakesTheFewestWires() {
    for (int n = 1; n <= 300; n++) {
      Grid size = Grid.of(n);
      assertThat(size.rows() * size.columns()).isGreaterThanOrEqualTo(n);
      int fewest = Integer.MAX_VALUE;
      for (int r = 1; r <= n; r++) {
        fewest = Math.min(fewest, r + (n + r - 1) / r);
      }
      assertThat(size.rows() + size.columns()).as("%d contacts", n).isEqualTo(fewest);
    }
  }

  @DataProvider
  Object[][] topologies() {
    return new Object[][] {
      {Topology.MATRIX, 18, 9, 18},
      {Topology.BARE_MATRIX, 18, 9, 0},
      {Topology.REGISTERS, 18, 3, 3},
      {Topology.MULTIPLEXER, 18, 6, 3},
      {Topology.LADDER, 6, 1, 0},
    };
  }

  @Test(dataProvider = "topologies")
  public void sharesTerminalsAndStillTellsEveryContact(
      Topology topology, int contacts, int wires, int firstParts) {
    Build build = grid(contacts, topology, "native-3v3-26");
    Loom loom = Loom.of(build, CATALOGUE);
    Sharing sharing = loom.sharings().get(0);
    assertThat(sharing.lines()).hasSize(wires);
    assertThat(loom.plan().unplaced()).isEmpty();
    if (firstParts > 0) {
      assertThat(sharing.parts().get(0).count()).isEqualTo(firstParts);
    }
    Set<String> seats = new HashSet<>();
    for (Sharing.Seat seat : sharing.seats()) {
      assertThat(seats.add(seat.words())).as(seat.words()).isTrue();
      assertThat(loom.pinOf(seat.site().id())).isPresent();
      assertThat(loom.strandOf(seat.site().id())).isPresent();
      assertThat(loom.whyPin(seat.site().id()).get(0)).contains(seat.words());
    }
    // All terminals differ, and what is driven can be.
    Set<String> terminals = new HashSet<>();
    for (Line line : sharing.lines()) {
      PinChoice pin = loom.plan().of(line.id()).orElseThrow();
      assertThat(terminals.add(pin.terminal().name())).isTrue();
      assertThat(line.fits(CATALOGUE.boardOf(build).orElseThrow(), pin.terminal())).isTrue();
    }
  }

  /** A plan exists exactly if the library's largest matching leaves no wire out; Hall's theorem. */
  @Test
  public void aClashIsFoundExactlyWhereNoMatchingExistsAndIsTheSmallest() {
    SplittableRandom random = new SplittableRandom(5);
    Line line =
        Loom.of(Builds.wired(Builds.buttons(50, 50), "native-3v3-26"), CATALOGUE).lines().get(0);
    int clashes = 0;
    for (int round = 0; round < 300; round++) {
      int wires = random.nextInt(1, 7);
      int terminals = random.nextInt(1, 7);
      List<BitSet> fits = new ArrayList<>();
      List<Line> lines = new ArrayList<>();
      List<String> names = new ArrayList<>();
      for (int t = 0; t < terminals; t++) {
        names.add("T" + t);
      }
      for (int w = 0; w < wires; w++) {
        BitSet set = new BitSet();
        for (int t = 0; t < terminals; t++) {
          set.set(t, random.nextInt(3) == 0);
        }
        fits.add(set);
        lines.add(
            new Line(
                ContactId.parse("w" + w),
                "w" + w,
                line.needs(),
                line.place(),
                Optional.empty(),
                line.contacts(),
                false,
                Optional.empty()));
      }
      int smallest = smallestClash(fits);
      Optional<Clash> clash = Clash.smallest(lines, names, fits);
      assertThat(clash.isPresent()).isEqualTo(matching(fits, terminals) < wires);
      assertThat(clash.map(c -> c.wires().size()).orElse(0)).isEqualTo(smallest);
      if (clash.isPresent()) {
        clashes++;
        assertThat(clash.get().terminals()).hasSize(clash.get().wires().size() - 1);
        assertThat(clash.get().words()).isNotBlank();
      }
    }
    assertThat(clashes).isBetween(50, 250);
  }

  private static int smallestClash(List<BitSet> fits) {
    int smallest = 0;
    for (int set = 1; set < 1 << fits.size(); set++) {
      BitSet reach = new BitSet();
      for (int w = 0; w < fits.size(); w++) {
        if ((set >> w & 1) == 1) {
          reach.or(fits.get(w));
        }
      }
      int size = Integer.bitCount(set);
      if (size > reach.cardinality() && (smallest == 0 || size < smallest)) {
        smallest = size;
      }
    }
    return smallest;
  }

  private static int matching(List<BitSet> fits, int terminals) {
    Graph<String, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
    Set<String> wires = new HashSet<>();
    Set<String> ends = new HashSet<>();
    for (int t = 0; t < terminals; t++) {
      ends.add("t" + t);
      graph.addVertex("t" + t);
    }
    for (int w = 0; w < fits.size(); w++) {
      String wire = "w" + w;
      wires.add(wire);
      graph.addVertex(wire);
      fits.get(w).stream().forEach(t -> graph.addEdge(wire, "t" + t));
    }
    return new HopcroftKarpMaximumCardinalityBipartiteMatching<>(graph, wires, ends)
        .getMatching()
        .getEdges()
        .size();
  }

  /**
   * Against the library's shortest path over a grid of 1 mm, blocks and their clearance cut out.
   */
  @Test
  public void waysRoundBlocksAreShortest() {
    SplittableRandom random = new SplittableRandom(8);
    for (int round = 0; round < 12; round++) {
      List<Block> blocks = new ArrayList<>();
      for (int b = 0; b < 3; b++) {
        blocks.add(
            new Block(
                "b" + b,
                random.nextInt(5, 40),
                random.nextInt(5, 40),
                random.nextInt(4, 16),
                random.nextInt(4, 16)));
      }
      Graph<Point, DefaultEdge> grid = new SimpleGraph<>(DefaultEdge.class);
      for (int x = 0; x <= 60; x++) {
        for (int y = 0; y <= 60; y++) {
          Point at = new Point(x, y);
          if (blocks.stream().noneMatch(b -> inside(b, at))) {
            grid.addVertex(at);
            for (Point before : List.of(new Point(x - 1, y), new Point(x, y - 1))) {
              if (grid.containsVertex(before)) {
                grid.addEdge(before, at);
              }
            }
          }
        }
      }
      Point from = new Point(0, random.nextInt(0, 61));
      Point to = new Point(60, random.nextInt(0, 61));
      double wanted = DijkstraShortestPath.findPathBetween(grid, from, to).getLength();
      assertThat(new Ways(blocks).mm(from, to))
          .as("round %d", round)
          .isCloseTo(wanted, within(1e-9));
    }
  }

  private static boolean inside(Block b, Point at) {
    double clear = Ways.CLEAR_MM;
    return at.xMm() > b.leftMm() - clear
        && at.xMm() < b.leftMm() + b.widthMm() + clear
        && at.yMm() > b.frontMm() - clear
        && at.yMm() < b.frontMm() + b.heightMm() + clear;
  }

  /** Every wire of an encoder or ball that finds a counting terminal gets one. */
  @Test
  public void pulsesGoToTerminalsThatCount() {
    Build build =
        Builds.wired(
            Build.empty("x")
                .withControl(
                    kumite.build.Control.of(
                        new ControlId("dial"),
                        "Dial",
                        "encoder-spinner",
                        kumite.measure.Placement.at(60, 60))),
            "native-5v-18");
    Loom loom = Loom.of(build, CATALOGUE);
    assertThat(loom.lines())
        .allSatisfy(
            line ->
                assertThat(
                        loom.plan()
                            .of(line.id())
                            .orElseThrow()
                            .terminal()
                            .can(kumite.kind.Terminal.Ability.INTERRUPT))
                    .isTrue());
  }

  @Test
  public void aDeadTerminalIsNotUsedAgain() {
    Build build = Builds.ferryBridge();
    String used =
        Loom.of(build, CATALOGUE).pinOf(ContactId.parse("bilge")).orElseThrow().terminal().name();
    Loom after = Loom.of(build.withLoom(build.loom().withDead(Set.of(used))), CATALOGUE);
    assertThat(after.plan().unplaced()).isEmpty();
    assertThat(after.plan().choices().values().stream().map(c -> c.terminal().name()))
        .doesNotContain(used);
  }

  @Test
  public void starsPairsAndConnectorsAreCutAsTheyAreLaid() {
    Build build = Builds.ferryBridge();
    for (var shape :
        List.of(
            kumite.build.loom.Laying.CommonShape.STAR,
            kumite.build.loom.Laying.CommonShape.PAIRS)) {
      Loom loom =
          Loom.of(
              build.withLoom(
                  build
                      .loom()
                      .withLaying(build.loom().laying().withShape(shape).withConnector(true))),
              CATALOGUE);
      CommonRun ground = loom.runs().get(0);
      assertThat(ground.silencedByOneBreak()).isEqualTo(1);
      long toBoard =
          loom.strands().stream()
              .filter(s -> s.id().startsWith("G") && s.to().part().equals("STRIP-GND"))
              .count();
      // By hand: 14 controls one by one; a pair each gives the lever's four contacts a wire each.
      assertThat(toBoard).isEqualTo(shape == kumite.build.loom.Laying.CommonShape.STAR ? 14 : 17);
      // Strips stay beside the board; what comes to either of them parts in the connector.
      assertThat(loom.ways())
          .isEqualTo(
              (int)
                  loom.strands().stream()
                      .filter(s -> !s.id().startsWith("F"))
                      .filter(s -> s.to().part().matches("board|STRIP-.*"))
                      .count());
    }
  }

  /** Every strand runs unbroken from its one end to its other, along bundles that hold it. */
  @Test
  public void bundlesHoldEveryStrandFromEndToEnd() {
    Build build = Builds.ferryBridge();
    Build blocked =
        build.withPanel(
            build
                .panel()
                .withInside(
                    build.panel().inside().withBlocks(List.of(new Block("bar", 180, 60, 12, 60)))));
    for (Build each : List.of(build, blocked)) {
      Loom loom = Loom.of(each, CATALOGUE);
      Harness harness = Harness.of(each, CATALOGUE.boardOf(each).orElseThrow(), loom);
      assertThat(harness.thickest()).isGreaterThan(3);
      assertThat(harness.branches()).isNotEmpty();
      for (Strand strand : loom.strands()) {
        Graph<Point, DefaultEdge> way = new SimpleGraph<>(DefaultEdge.class);
        harness.bundles().stream()
            .filter(bundle -> bundle.strands().contains(strand.id()))
            .forEach(
                bundle -> {
                  way.addVertex(bundle.from());
                  way.addVertex(bundle.to());
                  way.addEdge(bundle.from(), bundle.to());
                });
        boolean jumper = strand.from().place().part().equals(strand.to().place().part());
        if (!jumper) {
          assertThat(new org.jgrapht.alg.connectivity.ConnectivityInspector<>(way).isConnected())
              .as(strand.id())
              .isTrue();
          assertThat(way.vertexSet().stream().filter(at -> way.degreeOf(at) == 1))
              .as("%s has two ends", strand.id())
              .hasSize(2);
        }
      }
      for (Block block : each.panel().inside().blocks()) {
        assertThat(harness.bundles())
            .noneMatch(
                b ->
                    inside(
                        block,
                        new Point(
                            (b.from().xMm() + b.to().xMm()) / 2,
                            (b.from().yMm() + b.to().yMm()) / 2)));
      }
    }
  }
}
