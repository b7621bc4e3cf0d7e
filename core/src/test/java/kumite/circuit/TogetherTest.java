package kumite.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.Sharing;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.wiring.Wiring;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Several contacts held at once, against libraries that know nothing of boards. */
public class TogetherTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[40][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  private static Loom loom(Build build) {
    return Loom.of(build, CATALOGUE);
  }

  private static Inputs inputs(Build build, Wiring wiring) {
    BoardKind board = CATALOGUE.boardOf(build).orElseThrow();
    return Inputs.of(wiring, Looks.of(board, loom(build)), new Solves());
  }

  private static Wiring wiring(Build build) {
    return Wiring.planned(CATALOGUE.boardOf(build).orElseThrow(), loom(build));
  }

  private static Set<ContactId> some(Build build, int most, SplittableRandom random) {
    Set<ContactId> held = new HashSet<>();
    int count = random.nextInt(0, most + 1);
    for (int i = 0; i < count; i++) {
      held.add(
          new ContactId(build.controls().get(random.nextInt(build.controls().size())).id(), ""));
    }
    return held;
  }

  private static Set<ContactId> pressed(Inputs inputs, Set<ContactId> held) {
    Set<ContactId> seen = new HashSet<>();
    Map<Look, Seen> all = inputs.see(c -> held.contains(c) ? 1 : 0);
    all.forEach(
        (look, what) -> {
          if (what.pressed()) {
            seen.add(look.contact().orElseThrow());
          }
        });
    return seen;
  }

  /** Without diodes a contact shows when its row and column are joined by any held ones at all. */
  @Test(dataProvider = "seeds")
  public void ghostsOfABareMatrixAreTheConnectedRowsAndColumns(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.sharing(Topology.BARE_MATRIX, random.nextInt(4, 31), random);
    Sharing sharing = loom(build).sharings().get(0);
    Inputs inputs = inputs(build, wiring(build));
    for (int round = 0; round < 12; round++) {
      Set<ContactId> held = some(build, 8, random);
      Graph<String, DefaultEdge> joined = new SimpleGraph<>(DefaultEdge.class);
      sharing.lines().forEach(line -> joined.addVertex(line.id().toString()));
      for (Sharing.Seat seat : sharing.seats()) {
        if (held.contains(seat.site().id())) {
          joined.addEdge(seat.drive().orElseThrow().id().toString(), seat.read().id().toString());
        }
      }
      ConnectivityInspector<String, DefaultEdge> sets = new ConnectivityInspector<>(joined);
      Set<ContactId> wanted = new HashSet<>();
      for (Sharing.Seat seat : sharing.seats()) {
        if (sets.pathExists(
            seat.drive().orElseThrow().id().toString(), seat.read().id().toString())) {
          wanted.add(seat.site().id());
        }
      }
      assertThat(pressed(inputs, held)).as("held %s", held).isEqualTo(wanted);
    }
  }

  @DataProvider
  Object[][] apart() {
    return new Object[][] {{Topology.MATRIX}, {Topology.REGISTERS}, {Topology.MULTIPLEXER}};
  }

  /** With diodes, registers or multiplexers what is held is seen, and nothing else. */
  @Test(dataProvider = "apart")
  public void whatIsHeldIsSeenAndNothingElse(Topology topology) {
    SplittableRandom random = new SplittableRandom(6);
    for (int round = 0; round < 10; round++) {
      Build build = RandomBuilds.sharing(topology, random.nextInt(1, 25), random);
      Inputs inputs = inputs(build, wiring(build));
      for (int press = 0; press < 6; press++) {
        Set<ContactId> held = some(build, 6, random);
        assertThat(pressed(inputs, held)).as("of %s", held).isEqualTo(held);
      }
    }
  }

  /**
   * A ladder of buttons with any of them held, against nodal equations put together here and solved
   * by the linear algebra library: chain of resistors from the pull-up on, each held button 0.1 ohm
   * to ground.
   */
  @Test(dataProvider = "seeds")
  public void aLadderWithSeveralHeldHasTheVoltsOfItsNodalEquations(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.sharing(Topology.LADDER, random.nextInt(2, 9), random);
    Inputs inputs = inputs(build, wiring(build));
    Look look = inputs.looks().all().get(0);
    List<Double> ohms = ((Look.Step) look.how()).ohms();
    int n = ohms.size();
    Set<ContactId> held = some(build, 3, random);
    DMatrixRMaj g = new DMatrixRMaj(n, n);
    DMatrixRMaj i = new DMatrixRMaj(n, 1);
    g.add(0, 0, 1 / ohms.get(0));
    i.set(0, 3.3 / ohms.get(0));
    for (int k = 1; k < n; k++) {
      double s = 1 / ohms.get(k);
      g.add(k, k, s);
      g.add(k - 1, k - 1, s);
      g.add(k, k - 1, -s);
      g.add(k - 1, k, -s);
    }
    List<Sharing.Seat> seats = loom(build).sharings().get(0).seats();
    for (int k = 0; k < n; k++) {
      if (held.contains(seats.get(k).site().id())) {
        g.add(k, k, 1 / 0.1);
      }
    }
    DMatrixRMaj v = new DMatrixRMaj(n, 1);
    assertThat(CommonOps_DDRM.solve(g, i, v)).isTrue();
    Seen seen = inputs.see(c -> held.contains(c) ? 1 : 0).get(look);
    assertThat(seen.volts()).isCloseTo(v.get(0, 0), within(1e-6));
    // The lowest step held wins: beyond its short to ground nothing is seen.
    Set<ContactId> wanted = new HashSet<>();
    seats.stream()
        .map(s -> s.site().id())
        .filter(held::contains)
        .findFirst()
        .ifPresent(wanted::add);
    assertThat(pressed(inputs, held)).isEqualTo(wanted);
  }

  /** A diode put in the wrong way round silences its contact and no other. */
  @Test(dataProvider = "seeds")
  public void aReversedDiodeSilencesItsContactAlone(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.sharing(Topology.MATRIX, random.nextInt(2, 17), random);
    Wiring planned = wiring(build);
    List<Component> diodes =
        planned.parts().stream().filter(Component.Diode.class::isInstance).toList();
    Component.Diode one = (Component.Diode) diodes.get(random.nextInt(diodes.size()));
    Inputs faulty = inputs(build, planned.replacing(one, one.reversed()));
    for (var control : build.controls()) {
      ContactId id = new ContactId(control.id(), "");
      boolean silent = one.cathode().part().equals(control.id().text());
      assertThat(pressed(faulty, Set.of(id))).isEqualTo(silent ? Set.of() : Set.of(id));
      assertThat(faulty.levels().get(id).readable()).isEqualTo(!silent);
    }
  }

  /** Kirchhoff: in every island that a press makes, no current is lost at any node. */
  @Test(dataProvider = "seeds")
  public void currentsBalanceAtEveryNodeOfEveryIsland(int seed) {
    SplittableRandom random = new SplittableRandom(seed + 200);
    Build build = RandomBuilds.any(random);
    if (CATALOGUE.boardOf(build).isEmpty()) {
      throw new SkipException("this build has no board");
    }
    BoardKind board = CATALOGUE.boardOf(build).orElseThrow();
    Loom loom = loom(build);
    Network network =
        new Network(Wiring.asBuilt(build, board, loom), Looks.of(board, loom), new Solves());
    Scan scan = new Scan(network, c -> Math.floorMod(c.hashCode(), 2));
    for (Look look : network.looks().all()) {
      int place = scan.place(look);
      if (network.rail(place)) {
        continue;
      }
      Island island =
          Island.at(
              network,
              place,
              scan.during(look),
              Corner.USUAL,
              java.util.OptionalDouble.of(1e6),
              Edge.GROUND);
      OperatingPoint.Solved point = island.solve().solved();
      Map<String, Double> sums = new java.util.HashMap<>();
      double size = 0;
      for (Element part : island.circuit().elements()) {
        String letter =
            part instanceof Element.Source
                ? "V"
                : part instanceof Element.Diode ? "D" : part instanceof Element.Switch ? "S" : "R";
        double amps = point.through(letter + part.name());
        sums.merge(part.a(), -amps, Double::sum);
        sums.merge(part.b(), amps, Double::sum);
        size += Math.abs(amps);
      }
      double allowed = 1e-6 * Math.max(1e-3, size);
      sums.forEach((node, sum) -> assertThat(sum).as(node).isCloseTo(0, within(allowed)));
    }
  }

  /**
   * Many nodes, many held, everything closed: an answer comes. 121 held contacts of a bare matrix
   * join all rows and columns, so each reads low.
   */
  @Test
  public void allSwitchesOfALargeMatrixHeldAreSolved() {
    Build build = RandomBuilds.sharing(Topology.BARE_MATRIX, 121, new SplittableRandom(9));
    Inputs inputs = inputs(build, wiring(build));
    Set<ContactId> all = new HashSet<>();
    build.controls().forEach(c -> all.add(new ContactId(c.id(), "")));
    assertThat(pressed(inputs, all)).isEqualTo(all);
  }

  /** An island of hundreds of nodes: 120 buttons on one ladder, each by its nodal equations. */
  @Test
  public void aLadderOfHundredsOfNodesIsSolved() {
    Build build = RandomBuilds.sharing(Topology.LADDER, 120, new SplittableRandom(2));
    Inputs inputs = inputs(build, wiring(build));
    Look look = inputs.looks().all().get(0);
    List<Double> ohms = ((Look.Step) look.how()).ohms();
    List<Sharing.Seat> seats = loom(build).sharings().get(0).seats();
    double below = 0;
    for (int k = 0; k < seats.size(); k++) {
      below += k > 0 ? ohms.get(k) : 0;
      ContactId id = seats.get(k).site().id();
      double wanted = 3.3 * (below + 0.1) / (below + 0.1 + ohms.get(0));
      assertThat(inputs.see(c -> c.equals(id) ? 1 : 0).get(look).volts())
          .isCloseTo(wanted, within(1e-6));
    }
  }

  /** A source across a source, or a supply on ground: named, and nothing is reported. */
  @Test
  public void aLoopOfSourcesIsNamedAndNothingWorks() {
    Build build = RandomBuilds.sharing(Topology.MATRIX, 6, new SplittableRandom(3));
    for (String wire : new String[] {"board:3V3 - board:GND", "board:3V3 - board:5V"}) {
      Inputs inputs = inputs(build, wiring(build).with(kumite.name.Jumper.parse(wire)));
      assertThat(inputs.dead()).isPresent();
      assertThat(pressed(inputs, some(build, 4, new SplittableRandom(1)))).isEmpty();
      assertThat(inputs.levels().values()).noneMatch(InputLevels::readable);
    }
  }
}
