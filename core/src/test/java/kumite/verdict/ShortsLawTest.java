package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Topology;
import kumite.component.Component;
import kumite.device.Holds;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.wiring.Wiring;
import org.jgrapht.alg.util.UnionFind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A second judge of shorts: every pair of supplies, grounds and drivers, with contacts in every
 * position, one, two and three moved at a time, by plain union-find over parts and wires. Whatever
 * it finds a stop names; where it finds nothing no such stop is told.
 */
public class ShortsLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final int MOST_CONTACTS = 9;

  /** How often each kind of short came up. */
  private static final Map<String, Integer> DRAWN = new TreeMap<>();

  /** What a stop says of shorts that take contacts. */
  private static final Set<String> CONTACTS = Set.of("NT-21", "NT-22", "NT-23");

  /** What is told of shorts by wires alone. */
  private static final Set<String> WIRES = Set.of("NT-01", "NT-03", "NT-05", "NT-07", "NT-08");

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 400).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Contacts of every kind on any board, wired one by one or shared, and spoilt or not. */
  static Build drawn(SplittableRandom random) {
    String[] kinds = {"button-30", "button-24", "toggle-12", "rotary-5", "slider-60", "lever-8"};
    Build build = Build.empty("Shorts");
    build = build.withPanel(build.panel().withSize(400, 260));
    int contacts = 0;
    for (int i = 0; contacts < MOST_CONTACTS - 3 && i < 6; i++) {
      String kind = kinds[random.nextInt(kinds.length)];
      contacts += kind.startsWith("lever") ? 4 : 1;
      boolean resting = random.nextInt(4) == 0;
      build =
          build.withControl(
              Control.of(
                      new ControlId("c" + i),
                      "C" + i,
                      kind,
                      Placement.at(40 + 60 * (i % 6), 60 + 70 * (i / 6)))
                  .withHookup(h -> h.withRestsClosed(resting)));
    }
    List<BoardKind> boards = CATALOGUE.boards();
    build =
        build.withBoard(
            Optional.of(
                new kumite.build.BoardChoice(
                    boards.get(random.nextInt(boards.size())).id(), Placement.at(200, 200))));
    if (random.nextBoolean()) {
      List<ContactId> switches =
          build.controls().stream()
              .filter(c -> c.kind().startsWith("button") || c.kind().startsWith("toggle"))
              .map(c -> new ContactId(c.id(), ""))
              .toList();
      Topology[] ways = {
        Topology.MATRIX, Topology.BARE_MATRIX, Topology.REGISTERS, Topology.MULTIPLEXER
      };
      if (switches.size() > 1) {
        build =
            build.withLoom(
                build
                    .loom()
                    .withGroup(new ControlId("keys"), ways[random.nextInt(ways.length)], switches));
      }
    }
    return random.nextInt(4) == 0 ? build : spoilt(build, random);
  }

  /** A wire or three between tabs of contacts, rails and terminals, as a slip would put them. */
  private static Build spoilt(Build build, SplittableRandom random) {
    Bench bench = Bench.of(build, CATALOGUE);
    Wiring wiring = bench.wiring().orElseThrow();
    List<Joint> tabs = new ArrayList<>();
    List<Joint> board = new ArrayList<>();
    wiring.parts().stream()
        .filter(part -> part.moved().isPresent())
        .forEach(part -> tabs.addAll(part.ends()));
    wiring.parts().stream()
        .filter(Component.Multiplexer.class::isInstance)
        .forEach(part -> tabs.addAll(part.ends()));
    wiring.board().terminals().stream()
        .filter(t -> t.role() != Terminal.Role.INPUT || wiring.drives(t))
        .filter(t -> t.role() != Terminal.Role.OTHER)
        .forEach(t -> board.add(Joint.board(t.name())));
    Build next = build;
    List<Jumper> planned = new ArrayList<>(wiring.wires().keySet());
    for (int i = random.nextInt(3); i > 0 && !planned.isEmpty(); i--) {
      next = next.withLoom(next.loom().withLeftOut(planned.get(random.nextInt(planned.size()))));
    }
    List<Component.Pole> poles =
        wiring.parts().stream()
            .filter(Component.Pole.class::isInstance)
            .map(Component.Pole.class::cast)
            .toList();
    if (random.nextInt(4) == 0 && poles.size() > 1) {
      return chained(next, wiring, poles.get(0), poles.get(random.nextInt(1, poles.size())));
    }
    for (int i = random.nextInt(5); i >= 0; i--) {
      Joint one = tabs.get(random.nextInt(tabs.size()));
      List<Joint> others = random.nextInt(3) > 0 && !board.isEmpty() ? board : tabs;
      Joint other = others.get(random.nextInt(others.size()));
      if (!one.equals(other)) {
        next = next.withLoom(next.loom().withAdded(new Jumper(one, other)));
      }
    }
    return next;
  }

  /** One contact leads from a supply to another: pressed together they reach what that is on. */
  private static Build chained(
      Build build, Wiring wiring, Component.Pole one, Component.Pole other) {
    Build next = build;
    for (Jumper wire : wiring.wires().keySet()) {
      if (one.ends().contains(wire.a()) || one.ends().contains(wire.b())) {
        next = next.withLoom(next.loom().withLeftOut(wire));
      }
    }
    Optional<Terminal> supply = wiring.board().terminals(Terminal.Role.SUPPLY).stream().findFirst();
    if (supply.isEmpty() || one.contact().equals(other.contact())) {
      return next;
    }
    return next.withLoom(
        next.loom()
            .withAdded(new Jumper(Joint.board(supply.get().name()), one.common()))
            .withAdded(new Jumper(one.open(), other.open())));
  }

  /** A contact in one of its positions, and what it joins there. */
  private record Position(ContactId contact, int number, Joint a, Joint b) {}

  /** Everything the second judge knows, taken from parts, wires and the board's terminals. */
  private static final class Judge {
    final Wiring wiring;
    final List<Position> positions = new ArrayList<>();
    final Map<ContactId, Integer> moves = new TreeMap<>();
    final Map<Joint, Double> rails = new HashMap<>();
    final Set<Joint> drivers = new HashSet<>();
    final Set<Joint> rows = new HashSet<>();
    final List<Set<ContactId>> supplies = new ArrayList<>();
    final List<Set<ContactId>> driven = new ArrayList<>();
    boolean byWire;

    Judge(Bench bench) {
      wiring = bench.wiring().orElseThrow();
      for (Terminal t : wiring.board().terminals()) {
        Joint joint = Joint.board(t.name());
        switch (t.role()) {
          case GROUND, RETURN -> rails.put(joint, 0.0);
          case SUPPLY, COMMON -> rails.put(joint, t.volts());
          case INPUT -> {
            if (wiring.drives(t)) {
              drivers.add(joint);
            }
          }
          case OTHER -> {}
        }
      }
      for (Look look : bench.looks()) {
        if (look.how() instanceof Look.Row row) {
          rows.add(Joint.board(row.row().name()));
        }
      }
      for (Component part : wiring.parts()) {
        if (part instanceof Component.Pole p) {
          position(p.contact(), 0, p.common(), p.closed());
          position(p.contact(), 1, p.common(), p.open());
        } else if (part instanceof Component.Selector s) {
          for (int i = 0; i < s.taps().size(); i++) {
            position(s.contact(), i, s.wiper(), s.taps().get(i));
          }
        } else if (part instanceof Component.Pot p) {
          position(p.contact(), 0, p.wiper(), p.low());
          position(p.contact(), 1, p.wiper(), p.high());
        }
      }
    }

    private void position(ContactId contact, int number, Joint a, Joint b) {
      positions.add(new Position(contact, number, a, b));
      moves.merge(contact, number, Math::max);
    }

    /** Every state with at most three contacts moved, fewest first. */
    List<Map<ContactId, Integer>> states() {
      List<Map<ContactId, Integer>> states = new ArrayList<>(List.of(new TreeMap<>()));
      List<ContactId> contacts = new ArrayList<>(moves.keySet());
      int from = 0;
      for (int moved = 1; moved <= 3; moved++) {
        int to = states.size();
        for (int i = from; i < to; i++) {
          Map<ContactId, Integer> before = states.get(i);
          int first =
              before.isEmpty()
                  ? 0
                  : contacts.indexOf(((TreeMap<ContactId, Integer>) before).lastKey()) + 1;
          for (int c = first; c < contacts.size(); c++) {
            for (int p = 1; p <= moves.get(contacts.get(c)); p++) {
              Map<ContactId, Integer> next = new TreeMap<>(before);
              next.put(contacts.get(c), p);
              states.add(next);
            }
          }
        }
        from = to;
      }
      return states;
    }

    UnionFind<Joint> joined(Optional<Map<ContactId, Integer>> state) {
      Set<Joint> places = new LinkedHashSet<>(rails.keySet());
      places.addAll(drivers);
      wiring.wires().keySet().forEach(w -> places.addAll(List.of(w.a(), w.b())));
      positions.forEach(p -> places.addAll(List.of(p.a(), p.b())));
      UnionFind<Joint> sets = new UnionFind<>(places);
      wiring.wires().keySet().forEach(w -> sets.union(w.a(), w.b()));
      Map<List<Object>, Joint> inside = new HashMap<>();
      for (Terminal t : wiring.board().terminals()) {
        if (rails.containsKey(Joint.board(t.name())) && t.role() != Terminal.Role.RETURN) {
          Joint first = inside.putIfAbsent(List.of(t.role(), t.volts()), Joint.board(t.name()));
          if (first != null) {
            sets.union(first, Joint.board(t.name()));
          }
        }
      }
      state.ifPresent(
          s ->
              positions.stream()
                  .filter(p -> s.getOrDefault(p.contact(), 0) == p.number())
                  .forEach(p -> sets.union(p.a(), p.b())));
      return sets;
    }

    void judge() {
      byWire = !shorts(joined(Optional.empty())).isEmpty();
      for (Map<ContactId, Integer> state : states()) {
        UnionFind<Joint> sets = joined(Optional.of(state));
        for (String found : shorts(sets)) {
          List<Set<ContactId>> into = found.equals("supply") ? supplies : driven;
          if (into.stream().noneMatch(known -> state.keySet().containsAll(known))) {
            into.add(state.keySet());
          }
        }
      }
    }

    /** What is shorted: supplies, or what drives against a rail or another that may drive then. */
    private Set<String> shorts(UnionFind<Joint> sets) {
      Set<String> found = new TreeSet<>();
      List<Joint> held = new ArrayList<>(rails.keySet());
      held.addAll(drivers);
      for (Joint one : held) {
        for (Joint other : held) {
          if (one.compareTo(other) >= 0 || !sets.inSameSet(one, other)) {
            continue;
          }
          boolean supplies = rails.containsKey(one) && rails.containsKey(other);
          if (supplies && !rails.get(one).equals(rails.get(other))) {
            found.add("supply");
          } else if (!supplies && !(rows.contains(one) && rows.contains(other))) {
            found.add("driven");
          }
        }
      }
      return found;
    }
  }

  /** What a stop says, in short. */
  private record Stop(String code, List<String> about) {}

  @Test(dataProvider = "seeds")
  public void whatIsShortedIsNamedAndNothingSoundIsAccused(int seed) {
    Build build = drawn(new SplittableRandom(seed));
    Bench bench = Bench.of(build, CATALOGUE);
    Judge judge = new Judge(bench);
    judge.judge();
    count(judge);
    List<Stop> stops =
        bench.findings().stream()
            .filter(f -> f.severity() == Severity.STOP)
            .map(f -> new Stop(f.code().text(), f.named()))
            .toList();
    for (Set<ContactId> moved : judge.supplies) {
      assertThat(stops)
          .as("%s short a supply", moved)
          .anyMatch(
              f ->
                  moved.isEmpty()
                      ? Set.of("NT-01", "NT-03", "NT-21").contains(f.code())
                      : f.code().equals("NT-22") && names(f, moved));
    }
    for (Set<ContactId> moved : judge.driven) {
      assertThat(stops)
          .as("%s hold what is driven", moved)
          .anyMatch(
              f ->
                  moved.isEmpty() && WIRES.contains(f.code())
                      || f.code().equals("NT-23") && names(f, moved));
    }
    if (judge.supplies.isEmpty() && judge.driven.isEmpty()) {
      assertThat(stops).noneMatch(f -> CONTACTS.contains(f.code()) || f.code().equals("NT-01"));
    }
    if (!judge.supplies.isEmpty() || !judge.driven.isEmpty()) {
      assertThat(bench.findings())
          .as("beside a short nothing about the board is fine")
          .noneMatch(
              f ->
                  f.severity() == Severity.FINE
                      && Set.of(Station.LOOM, Station.POWER, Station.MAP).contains(f.station()));
    }
    presses(bench, judge);
  }

  private static boolean names(Stop finding, Set<ContactId> moved) {
    return moved.stream().allMatch(contact -> finding.about().contains(contact.toString()));
  }

  /** What shorts a supply when it is held alone sends nothing; and its port is over its budget. */
  private static void presses(Bench bench, Judge judge) {
    boolean dead = judge.supplies.stream().anyMatch(Set::isEmpty);
    assertThat(bench.circuit().orElseThrow().inputs().dead().isPresent()).isEqualTo(dead);
    for (Set<ContactId> moved : judge.supplies) {
      if (moved.size() == 1 && !dead) {
        ContactId contact = moved.iterator().next();
        Map<ContactId, Integer> far = judge.moves;
        if (far.get(contact) == 1) {
          var trace = bench.device().move(Holds.NONE, Holds.NONE.with(contact, 1), 1);
          assertThat(trace.end().orElseThrow().off()).as("%s ends the board", contact).isTrue();
          boolean heard = !bench.ofHost() && bench.hearing().orElseThrow().reaches();
          // Where the contact bounces the board comes up again between, and tells that it rests.
          Set<String> told = new TreeSet<>();
          trace.reports().forEach(report -> told.add(report.id() + " " + report.hex()));
          assertThat(told).hasSize(heard ? bench.layout().reportIds().size() : 0);
        }
      }
    }
    if (!judge.supplies.isEmpty()) {
      assertThat(bench.budget().orElseThrow().worstMilliamps())
          .as("the budget says what would flow")
          .isGreaterThan(1000);
    }
  }

  private static void count(Judge judge) {
    Map<String, Boolean> what =
        Map.of(
            "sound", judge.supplies.isEmpty() && judge.driven.isEmpty(),
            "at rest", judge.supplies.stream().anyMatch(Set::isEmpty) && !judge.byWire,
            "pressed", judge.supplies.stream().anyMatch(s -> s.size() == 1),
            "together", judge.supplies.stream().anyMatch(s -> s.size() > 1),
            "driven", judge.driven.stream().anyMatch(s -> !s.isEmpty()));
    what.forEach((name, is) -> DRAWN.merge(name, is ? 1 : 0, Integer::sum));
  }

  /** The draw is wide enough to tell anything: all that the law speaks of comes up. */
  @Test(dependsOnMethods = "whatIsShortedIsNamedAndNothingSoundIsAccused", alwaysRun = true)
  public void theDrawHoldsEveryKindOfShort() {
    assertThat(DRAWN.values()).as("%s", DRAWN).hasSize(5).allMatch(count -> count > 1);
  }

  /** The demos and every way of sharing, as planned, short nothing. */
  @Test
  public void whatIsPlannedShortsNothing() throws Exception {
    List<Build> builds = new ArrayList<>();
    for (String name : Builds.demosWithBoards()) {
      builds.add(kumite.files.Demo.open(name, CATALOGUE));
    }
    SplittableRandom random = new SplittableRandom(5);
    for (Topology way : Topology.CHOSEN) {
      builds.add(RandomBuilds.sharing(way, 9, random));
    }
    for (Build build : builds) {
      assertThat(Bench.of(build, CATALOGUE).findings())
          .noneMatch(f -> f.code().text().matches("NT-0[138]|NT-2[1-8]"));
    }
  }
}
