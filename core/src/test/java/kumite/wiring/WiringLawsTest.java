package kumite.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.build.loom.Topology;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.loom.Loom;
import kumite.loom.Sharing;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.jgrapht.alg.util.UnionFind;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of any wiring: what a topology joins, how many wires an end takes, names that stay. */
public class WiringLawsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static BoardKind board(Build build) {
    return CATALOGUE.boardOf(build).orElseThrow();
  }

  @DataProvider
  Object[][] topologies() {
    List<Object[]> rows = new ArrayList<>();
    SplittableRandom random = new SplittableRandom(3);
    for (Topology topology : Topology.CHOSEN) {
      for (int n : new int[] {1, 2, 5, 8, 9, 16, 17}) {
        boolean fits = topology != Topology.TOUCH || n <= 9;
        if (fits) {
          rows.add(new Object[] {topology, n, random.nextInt()});
        }
      }
    }
    return rows.toArray(Object[][]::new);
  }

  /**
   * The strands of each topology join exactly what its definition wants: the wanted pairs are put
   * together here from the definition alone, places by their names, and gathered by union-find.
   */
  @Test(dataProvider = "topologies")
  public void theStrandsOfATopologyJoinWhatItsDefinitionWants(
      Topology topology, int contacts, int seed) {
    Build build = RandomBuilds.sharing(topology, contacts, new SplittableRandom(seed));
    Loom loom = Loom.of(build, CATALOGUE);
    Nets nets = Wiring.planned(board(build), loom).nets();
    UnionFind<Joint> wanted = new UnionFind<>(nets.places().keySet());
    Sharing sharing = loom.sharings().get(0);
    assertThat(sharing.placed(loom.plan())).isTrue();
    List<Joint> grounds = new ArrayList<>();
    List<Joint> supplies = new ArrayList<>();
    board(build)
        .terminals()
        .forEach(
            t -> {
              switch (t.role()) {
                case GROUND -> grounds.add(Joint.board(t.name()));
                case SUPPLY ->
                    (t.volts() == 3.3 ? supplies : new ArrayList<Joint>())
                        .add(Joint.board(t.name()));
                default -> {}
              }
            });
    Map<String, Joint> lines = new HashMap<>();
    sharing
        .lines()
        .forEach(
            line ->
                lines.put(
                    line.id().contact(),
                    Joint.board(loom.plan().of(line.id()).orElseThrow().terminal().name())));
    for (Sharing.Seat seat : sharing.seats()) {
      String part = seat.site().control().id().text();
      Joint no = new Joint(part, "NO");
      Joint com = new Joint(part, "COM");
      String read = seat.read().id().contact();
      switch (topology) {
        case MATRIX -> {
          wanted.union(new Joint(part, "D"), lines.get(read));
          wanted.union(com, lines.get(seat.drive().orElseThrow().id().contact()));
        }
        case BARE_MATRIX -> {
          wanted.union(no, lines.get(read));
          wanted.union(com, lines.get(seat.drive().orElseThrow().id().contact()));
        }
        case REGISTERS, MULTIPLEXER -> {
          wanted.union(no, new Joint("keys", "IN" + seat.place()));
          grounds.add(com);
        }
        case LADDER -> {
          grounds.add(com);
          if (seat.place() == 1) {
            wanted.union(no, new Joint("keys", "TAP"));
          } else {
            Sharing.Seat before = sharing.seats().get(seat.place() - 2);
            wanted.union(
                new Joint(part, "R"), new Joint(before.site().control().id().text(), "NO"));
          }
        }
        case TOUCH -> {
          wanted.union(no, lines.get(read));
          grounds.add(com);
        }
      }
    }
    switch (topology) {
      case REGISTERS ->
          List.of("LOAD", "CLOCK", "DATA")
              .forEach(
                  tab ->
                      wanted.union(
                          new Joint("keys", tab),
                          lines.get(tab.toLowerCase(java.util.Locale.ROOT))));
      case MULTIPLEXER ->
          lines.forEach(
              (name, at) ->
                  wanted.union(new Joint("keys", name.toUpperCase(java.util.Locale.ROOT)), at));
      case LADDER -> {
        wanted.union(new Joint("keys", "TAP"), lines.get("tap"));
        supplies.add(new Joint("keys", "PULL"));
      }
      default -> {}
    }
    if (topology == Topology.REGISTERS || topology == Topology.MULTIPLEXER) {
      grounds.add(new Joint("keys", "GND"));
      supplies.add(new Joint("keys", "VCC"));
    }
    nets.places().keySet().stream()
        .filter(j -> j.part().startsWith("STRIP-"))
        .forEach(j -> (j.part().contains("GND") ? grounds : supplies).add(j));
    grounds.forEach(j -> wanted.union(j, grounds.get(0)));
    supplies.forEach(j -> wanted.union(j, supplies.get(0)));
    Map<Joint, Set<Joint>> sets = new HashMap<>();
    nets.places()
        .keySet()
        .forEach(j -> sets.computeIfAbsent(wanted.find(j), r -> new TreeSet<>()).add(j));
    Set<Set<Joint>> ours = new HashSet<>();
    nets.all()
        .forEach(net -> ours.add(new TreeSet<>(net.places().stream().map(Place::joint).toList())));
    assertThat(ours).isEqualTo(new HashSet<>(sets.values()));
  }

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[60][];
    Arrays.setAll(seeds, i -> new Object[] {i + 500});
    return seeds;
  }

  /**
   * Common practice: a push-on tab and a screw take two wires, a header pin one, a plated hole one
   * (two thin ones). A part's lead soldered to a tab counts as one.
   */
  @Test(dataProvider = "seeds")
  public void thePlanGivesNoEndMoreWiresThanItTakes(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    if (CATALOGUE.boardOf(build).isEmpty()) {
      throw new SkipException("this build has no board");
    }
    for (Laying.CommonShape shape : Laying.CommonShape.values()) {
      Build laid = build.withLoom(build.loom().withLaying(build.loom().laying().withShape(shape)));
      Loom loom = Loom.of(laid, CATALOGUE);
      Map<Joint, Integer> wires = new HashMap<>();
      Map<Joint, Landing> landings = new HashMap<>();
      for (Strand strand : loom.strands()) {
        for (Strand.End end : List.of(strand.from(), strand.to())) {
          wires.merge(end.place(), 1, Integer::sum);
          landings.put(end.place(), end.landing());
        }
      }
      for (Component part : loom.parts()) {
        if (part instanceof Component.Diode || part instanceof Component.Resistor) {
          part.ends().stream()
              .filter(landings::containsKey)
              .filter(e -> landings.get(e).how() != Landing.How.LEAD)
              .filter(e -> landings.get(e).how() != Landing.How.HOLE)
              .filter(e -> loom.site(kumite.name.ContactId.parse(e.part())).isPresent())
              .forEach(e -> wires.merge(e, 1, Integer::sum));
        }
      }
      int gauge = laid.loom().laying().gaugeAwg();
      wires.forEach(
          (joint, count) ->
              assertThat(count)
                  .as("%s, %s, wires at %s", laid.board().orElseThrow().kind(), shape, joint)
                  .isLessThanOrEqualTo(landings.get(joint).takes(gauge)));
    }
  }

  /** A label on a wire stays right when one more control is added, whatever is re-planned. */
  @Test(dataProvider = "seeds")
  public void addingAControlLeavesTheNumbersOfTheOtherStrandsAlone(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.any(random);
    Build more =
        build.withControl(
            Control.of(
                build.freshId("more"),
                "More",
                "button-30-lamp",
                Placement.at(random.nextDouble(20, 200), random.nextDouble(20, 150))));
    Map<String, Joint> before = numbers(Loom.of(build, CATALOGUE));
    Map<String, Joint> after = numbers(Loom.of(more, CATALOGUE));
    before.forEach(
        (id, from) -> {
          if (after.containsKey(id) && !id.matches("[A-Z]00.*|F.*")) {
            assertThat(after.get(id)).as(id).isEqualTo(from);
          }
        });
  }

  private static Map<String, Joint> numbers(Loom loom) {
    Map<String, Joint> numbers = new HashMap<>();
    loom.strands().forEach(strand -> numbers.put(strand.id(), strand.from().place()));
    return numbers;
  }

  /** Nets do not hang on the order in which wires were put in. */
  @Test(dataProvider = "seeds")
  public void aFaultIsOneSmallEditAndIsTakenBackByOne(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    if (CATALOGUE.boardOf(build).isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Wiring wiring = Wiring.planned(board(build), Loom.of(build, CATALOGUE));
    for (Jumper wire : wiring.wires().keySet()) {
      Wiring cut = wiring.without(wire);
      assertThat(cut.nets().all().size()).isGreaterThanOrEqualTo(wiring.nets().all().size());
      assertThat(groups(cut.with(wire))).isEqualTo(groups(wiring));
    }
    for (Component part : wiring.parts()) {
      assertThat(wiring.without(part).parts()).hasSize(wiring.parts().size() - 1);
      if (part instanceof Component.Diode diode) {
        Wiring turned = wiring.replacing(diode, diode.reversed());
        assertThat(turned.replacing(diode.reversed(), diode)).isEqualTo(wiring);
      }
    }
  }

  private static Set<Set<Joint>> groups(Wiring wiring) {
    Set<Set<Joint>> groups = new HashSet<>();
    for (Net net : wiring.nets().all()) {
      groups.add(new TreeSet<>(net.places().stream().map(Place::joint).toList()));
    }
    return groups;
  }

  /** Every strand is drawn between places on the panel or its board, none from nowhere. */
  @Test(dataProvider = "seeds")
  public void everyEndOfEveryStrandHasItsPlace(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    Loom loom = Loom.of(build, CATALOGUE);
    for (Strand strand : loom.strands()) {
      for (Strand.End end : List.of(strand.from(), strand.to())) {
        String part = end.place().part();
        boolean known =
            part.equals(Joint.BOARD)
                || loom.spots().containsKey(part)
                || build.hands().stream().anyMatch(c -> c.id().text().equals(part));
        assertThat(known).as("%s of %s", end.place(), strand.id()).isTrue();
      }
    }
  }
}
