package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Aspect;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.lead.LeadBook;
import kumite.build.map.Timing;
import kumite.component.Component;
import kumite.device.Holds;
import kumite.files.Tables;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.lead.Beyond;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Flow;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.wiring.Neighbourhood;
import kumite.wiring.Net;
import org.jgrapht.alg.util.UnionFind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Several boards, links and leads, judged from the printed charts alone by plain union-find: nets
 * are those of the charts, what is shorted over two boards is told, and a board that nobody hears
 * tells the host nothing.
 */
public class JoinsLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final List<SeatId> SEATS =
      List.of(new SeatId("left"), new SeatId("right"), new SeatId("far"));

  private static final Map<String, Integer> DRAWN = new TreeMap<>();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 150).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @DataProvider
  public Object[][] few() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  // ---- builds

  /** {@return one to three boards with links and leads, drawn by chance} */
  public static Build drawn(SplittableRandom random) {
    List<SeatId> seats = SEATS.subList(0, random.nextInt(1, 4));
    String[] kinds = {"button-30", "toggle-12", "rotary-5", "slider-60"};
    Build build = Build.empty("Joined");
    build = build.withPanel(build.panel().withSize(600, 300));
    List<Seat> all = new ArrayList<>();
    for (int s = 0; s < seats.size(); s++) {
      BoardKind board =
          random.nextBoolean()
              ? CATALOGUE.board(s == 0 ? "serial-5v-18" : "native-3v3-26").orElseThrow()
              : CATALOGUE.boards().get(random.nextInt(CATALOGUE.boards().size()));
      all.add(
          Seat.empty(seats.get(s))
              .withBoard(
                  Optional.of(new BoardChoice(board.id(), Placement.at(100 + 180 * s, 200)))));
    }
    build = build.withSeats(all);
    for (int i = 0; i < 2 * seats.size(); i++) {
      build =
          build.withControl(
              Control.of(
                      new ControlId("c" + i),
                      "c" + i,
                      kinds[random.nextInt(kinds.length)],
                      Placement.at(50 + 70 * i, 60))
                  .withSeat(seats.size() > 1 ? Optional.of(seats.get(i / 2)) : Optional.empty()));
    }
    List<Link> links = new ArrayList<>();
    for (int i = seats.size() > 1 ? random.nextInt(5) : 0; i > 0; i--) {
      Seat one = all.get(random.nextInt(all.size()));
      Seat other = all.get(random.nextInt(all.size()));
      if (!one.id().equals(other.id())) {
        Link link =
            new Link(
                new Link.End(one.id(), terminal(one, random)),
                new Link.End(other.id(), terminal(other, random)));
        links.add(link);
      }
    }
    if (seats.size() > 1 && random.nextBoolean()) {
      serial(all.get(0), all.get(1), random).forEach(links::add);
    }
    build = build.withLinks(links.stream().distinct().toList());
    build = build.withLeads(leads(all, random));
    return byHand(build, random);
  }

  /** Ground to ground, TX to RX and back, or something left out of it. */
  private static List<Link> serial(Seat one, Seat other, SplittableRandom random) {
    List<Link> links = new ArrayList<>();
    Optional<String> tx = able(one, Terminal.Ability.SEND);
    Optional<String> rx = able(other, Terminal.Ability.RECEIVE);
    Optional<String> back = able(other, Terminal.Ability.SEND);
    Optional<String> here = able(one, Terminal.Ability.RECEIVE);
    if (tx.isPresent() && rx.isPresent() && random.nextInt(4) > 0) {
      links.add(link(one, tx.get(), other, rx.get()));
    }
    if (here.isPresent() && back.isPresent() && random.nextInt(4) > 0) {
      links.add(link(one, here.get(), other, back.get()));
    }
    Optional<String> ground = ground(one);
    if (ground.isPresent() && ground(other).isPresent() && random.nextInt(4) > 0) {
      links.add(link(one, ground.get(), other, ground(other).get()));
    }
    return links;
  }

  private static Link link(Seat one, String at, Seat other, String there) {
    return new Link(new Link.End(one.id(), at), new Link.End(other.id(), there));
  }

  private static Optional<String> able(Seat seat, Terminal.Ability ability) {
    return kind(seat).terminals().stream()
        .filter(t -> t.can(ability))
        .map(Terminal::name)
        .findFirst();
  }

  private static Optional<String> ground(Seat seat) {
    return kind(seat).terminals(Terminal.Role.GROUND).stream().map(Terminal::name).findFirst();
  }

  private static BoardKind kind(Seat seat) {
    return CATALOGUE.board(seat.board().orElseThrow().kind()).orElseThrow();
  }

  private static String terminal(Seat seat, SplittableRandom random) {
    List<Terminal> all =
        kind(seat).terminals().stream()
            .filter(t -> random.nextInt(5) == 0 || t.role() != Terminal.Role.INPUT)
            .toList();
    return all.isEmpty() ? "none" : all.get(random.nextInt(all.size())).name();
  }

  /** Pads and consoles at the boards, on any terminals. */
  private static LeadBook leads(List<Seat> seats, SplittableRandom random) {
    LeadBook book = LeadBook.EMPTY;
    List<Pinout> pinouts = Plugs.standard().pinouts();
    for (int i = random.nextInt(3); i > 0; i--) {
      Pinout pinout = pinouts.get(random.nextInt(pinouts.size()));
      Seat seat = seats.get(random.nextInt(seats.size()));
      List<Core> cores = new ArrayList<>();
      Set<String> seen = new HashSet<>();
      for (Pinout.Pin pin : pinout.pins()) {
        String at = terminal(seat, random);
        if (random.nextInt(3) > 0 && seen.add(at)) {
          cores.add(new Core(pin.pin(), at, WireColour.of(WireColour.Hue.GY), Optional.empty()));
        }
      }
      End.Plug plug =
          End.Plug.of(pinout.connector(), Gender.MALE)
              .into(random.nextBoolean() ? Beyond.PAD : Beyond.HOST, pinout);
      Lead lead =
          new Lead(
              "Pad " + i,
              plug,
              new End.OfBoard(seat.id()),
              cores,
              List.of(),
              Cable.forCores(Math.max(1, cores.size())),
              List.of());
      book = book.with(lead.name(), lead);
    }
    return book;
  }

  private static Build byHand(Build build, SplittableRandom random) {
    Build next = build;
    for (Seat seat : build.seats()) {
      Build faced = next.facing(Aspect.of(seat));
      if (random.nextInt(3) > 0) {
        List<Control> mine =
            build.controls().stream()
                .filter(c -> c.seat().map(seat.id()::equals).orElse(true))
                .toList();
        List<Joint> tabs =
            Bench.of(faced, CATALOGUE).wiring().orElseThrow().ownParts().stream()
                .flatMap(part -> part.ends().stream())
                .filter(j -> mine.stream().anyMatch(c -> c.id().text().equals(j.part())))
                .distinct()
                .toList();
        Joint one = tabs.get(random.nextInt(tabs.size()));
        List<Terminal> supplies = kind(seat).terminals(Terminal.Role.SUPPLY);
        boolean supply = !supplies.isEmpty() && random.nextBoolean();
        Joint other = Joint.board(supply ? supplies.get(0).name() : terminal(seat, random));
        next = faced.withLoom(faced.loom().withAdded(new Jumper(one, other))).home();
      }
    }
    return next;
  }

  // ---- the judge: charts read back

  /** Everything that the charts of all seats say, in names of its own. */
  private static final class Charts {
    final Build build;
    final Map<SeatId, Bench> benches = new LinkedHashMap<>();
    final List<String[]> wires = new ArrayList<>();
    final Map<String, Double> rails = new TreeMap<>();
    final Map<String, String> tabs = new TreeMap<>();
    final Map<ContactId, List<Object[]>> contacts = new TreeMap<>();

    Charts(Build build) {
      this.build = build;
      for (Seat seat : build.seats()) {
        Bench bench = Bench.of(build.facing(Aspect.of(seat)), CATALOGUE);
        benches.put(seat.id(), bench);
        board(seat);
        for (Component part : bench.wiring().orElseThrow().ownParts()) {
          part.moved().ifPresent(contact -> contact(contact, part, seat.id()));
        }
        for (String line : Tables.wiring(bench).split("\r\n")) {
          String[] cells = line.split(",", -1);
          boolean head = cells[0].equals("strand");
          if (!head && !cells[12].equals("left out")) {
            wires.add(
                new String[] {
                  place(seat.id(), cells[2], cells[3]), place(seat.id(), cells[5], cells[6])
                });
          }
        }
      }
      for (Lead lead : build.leads().leads()) {
        End.Plug plug = (End.Plug) lead.from();
        Pinout pinout = Plugs.standard().pinout(plug).orElseThrow();
        for (Pinout.Pin pin : pinout.pins()) {
          String place = Neighbourhood.partOf(lead) + "|" + pin.pin();
          if (pin.flow() == Flow.GROUND) {
            rails.put(place, 0.0);
          } else if (pin.flow() == Flow.HOST_SUPPLIES && plug.beyond() == Beyond.HOST) {
            rails.put(place, pinout.volts());
          }
        }
      }
    }

    private void board(Seat seat) {
      Map<List<Object>, String> first = new HashMap<>();
      for (Terminal t : kind(seat).terminals()) {
        String place = place(seat.id(), "board", t.name());
        if (t.role() == Terminal.Role.GROUND || t.role() == Terminal.Role.RETURN) {
          rails.put(place, 0.0);
        } else if (t.role() == Terminal.Role.SUPPLY || t.role() == Terminal.Role.COMMON) {
          rails.put(place, t.volts());
        }
        if (rails.containsKey(place) && t.role() != Terminal.Role.RETURN) {
          String before = first.putIfAbsent(List.of(t.role(), t.volts()), place);
          if (before != null) {
            wires.add(new String[] {before, place});
          }
        }
      }
    }

    private void contact(ContactId contact, Component part, SeatId seat) {
      List<Object[]> joins = contacts.computeIfAbsent(contact, c -> new ArrayList<>());
      if (part instanceof Component.Pole p) {
        joins.add(new Object[] {0, at(seat, p.common()), at(seat, p.closed())});
        joins.add(new Object[] {1, at(seat, p.common()), at(seat, p.open())});
      } else if (part instanceof Component.Selector s) {
        for (int i = 0; i < s.taps().size(); i++) {
          joins.add(new Object[] {i, at(seat, s.wiper()), at(seat, s.taps().get(i))});
        }
      } else if (part instanceof Component.Pot p) {
        joins.add(new Object[] {0, at(seat, p.wiper()), at(seat, p.low())});
        joins.add(new Object[] {1, at(seat, p.wiper()), at(seat, p.high())});
      }
    }

    String at(SeatId seat, Joint joint) {
      return place(seat, joint.part(), joint.tab());
    }

    /** One name for a place, whichever chart tells it. */
    String place(SeatId seat, String part, String tab) {
      String plain = tab.replace('.', ' ');
      String name =
          part.startsWith("board of ")
              ? part.substring("board of ".length()) + ":board"
              : part.startsWith("BOARD-")
                  ? part.substring(6).toLowerCase(java.util.Locale.ROOT) + ":board"
                  : part.startsWith("LEAD-") || part.matches("c\\d+") ? part : seat + ":" + part;
      String place = name + "|" + (part.startsWith("STRIP") ? "strip" : plain);
      tabs.put(place, name);
      return place;
    }

    UnionFind<String> joined(Map<ContactId, Integer> state, boolean contactsToo) {
      Set<String> places = new TreeSet<>(tabs.keySet());
      places.addAll(rails.keySet());
      UnionFind<String> sets = new UnionFind<>(places);
      wires.forEach(w -> sets.union(w[0], w[1]));
      if (contactsToo) {
        contacts.forEach(
            (contact, joins) ->
                joins.stream()
                    .filter(j -> state.getOrDefault(contact, 0).equals(j[0]))
                    .forEach(j -> sets.union((String) j[1], (String) j[2])));
      }
      return sets;
    }

    boolean shorted(UnionFind<String> sets) {
      for (String one : rails.keySet()) {
        for (String other : rails.keySet()) {
          if (!rails.get(one).equals(rails.get(other)) && sets.inSameSet(one, other)) {
            return true;
          }
        }
      }
      return false;
    }
  }

  // ---- the laws

  @Test(dataProvider = "seeds")
  public void whatTheChartsSayIsWhatIsTold(int seed) {
    Charts charts = new Charts(drawn(new SplittableRandom(seed)));
    netsAreThoseOfTheCharts(charts);
    whatIsShortedOverBoardsIsTold(charts);
    whatNobodyHearsTellsTheHostNothing(charts);
  }

  private static void netsAreThoseOfTheCharts(Charts charts) {
    UnionFind<String> sets = charts.joined(Map.of(), false);
    charts.benches.forEach(
        (seat, bench) -> {
          Map<Joint, String> names = new LinkedHashMap<>();
          for (Net net : bench.wiring().orElseThrow().nets().all()) {
            net.places().forEach(p -> names.put(p.joint(), charts.at(seat, p.joint())));
          }
          names.values().retainAll(charts.tabs.keySet());
          List<Joint> joints = new ArrayList<>(names.keySet());
          joints.removeIf(j -> !inReach(charts.build, seat, j) || !known(sets, names.get(j)));
          for (Joint one : joints) {
            for (Joint other : joints) {
              assertThat(bench.wiring().orElseThrow().nets().joined(one, other))
                  .as("%s and %s, from seat %s", one, other, seat)
                  .isEqualTo(sets.inSameSet(names.get(one), names.get(other)));
            }
          }
        });
  }

  private static boolean known(UnionFind<String> sets, String place) {
    try {
      sets.find(place);
      return true;
    } catch (IllegalArgumentException notOnAnyChart) {
      return false;
    }
  }

  /** Tabs that carry parts of controls, boards and leads; strips have a name on each chart. */
  private static boolean inReach(Build build, SeatId seat, Joint joint) {
    return joint.part().equals(Joint.BOARD)
        || joint.part().startsWith("BOARD-")
        || joint.part().startsWith("LEAD-")
        || joint.part().matches("c\\d+");
  }

  private static void whatIsShortedOverBoardsIsTold(Charts charts) {
    Build build = charts.build;
    List<Finding> stops =
        Bench.of(build, CATALOGUE).findings().stream()
            .filter(f -> f.severity() == Severity.STOP)
            .toList();
    boolean byWire = charts.shorted(charts.joined(Map.of(), false));
    boolean atRest = charts.shorted(charts.joined(Map.of(), true));
    DRAWN.merge(byWire ? "by wire" : atRest ? "at rest" : "neither", 1, Integer::sum);
    if (byWire) {
      assertThat(stops).as("by wire").anyMatch(f -> f.code().text().matches("NT-0[13]"));
    } else {
      assertThat(stops)
          .as("no wire shorts a supply")
          .noneMatch(
              f ->
                  f.code().text().equals("NT-03")
                      || f.code().text().equals("NT-01") && !fed(f, build));
    }
    if (atRest && !byWire) {
      assertThat(stops).as("at rest").anyMatch(f -> f.code().text().equals("NT-21"));
    }
    boolean pressed = false;
    for (ContactId contact : charts.contacts.keySet()) {
      for (Object[] join : charts.contacts.get(contact)) {
        boolean moved = (int) join[0] > 0;
        Map<ContactId, Integer> state = Map.of(contact, (int) join[0]);
        if (moved && charts.shorted(charts.joined(state, true))) {
          pressed = true;
          if (!atRest) {
            assertThat(stops)
                .as("%s in position %s", contact, join[0])
                .anyMatch(
                    f -> f.code().text().equals("NT-22") && f.named().contains(contact.toString()));
          }
        }
      }
    }
    if (!pressed && !atRest && charts.contacts.size() < 3) {
      assertThat(stops).noneMatch(f -> f.code().text().matches("NT-2[12]"));
    }
    if (byWire || atRest) {
      assertThat(stops)
          .as("one fault is told once, not by every seat that it reaches")
          .filteredOn(f -> f.code().text().equals("NT-03"))
          .extracting(f -> f.named().toString())
          .doesNotHaveDuplicates();
    }
  }

  /** A pad's own supply pin on ground is told as one too. */
  private static boolean fed(Finding finding, Build build) {
    return build.leads().leads().stream()
        .anyMatch(
            lead ->
                finding.named().stream().anyMatch(a -> a.startsWith(Neighbourhood.partOf(lead))));
  }

  private static void whatNobodyHearsTellsTheHostNothing(Charts charts) {
    Build build = charts.build;
    UnionFind<String> sets = charts.joined(Map.of(), false);
    Set<SeatId> heard = new TreeSet<>();
    for (Seat seat : build.seats()) {
      if (kind(seat).brain().link() != BoardKind.Link.SERIAL) {
        heard.add(seat.id());
      }
    }
    for (int round = 0; round < build.seats().size(); round++) {
      for (Seat seat : build.seats()) {
        for (Seat other : build.seats()) {
          if (heard.contains(other.id())
              && !seat.equals(other)
              && sends(charts, sets, seat, other)) {
            heard.add(seat.id());
          }
        }
      }
    }
    charts.benches.forEach(
        (seat, bench) -> {
          boolean reaches = heard.contains(seat);
          boolean serial = bench.hearing().orElseThrow().by().size() > 0;
          DRAWN.merge(reaches ? serial ? "passed on" : "itself" : "unheard", 1, Integer::sum);
          assertThat(bench.hearing().orElseThrow().reaches()).as("%s", seat).isEqualTo(reaches);
          if (!reaches) {
            assertThat(bench.paths()).noneMatch(p -> p.arrives() || p.whole());
            assertThat(bench.device().move(Holds.NONE, Holds.NONE, 1).reports()).isEmpty();
            assertThat(bench.findings())
                .anyMatch(f -> f.code().text().equals("LM-46"))
                .noneMatch(
                    f ->
                        f.severity() == Severity.FINE
                            && f.station() == Station.MAP
                            && (build.seats().size() == 1
                                || f.whose().startsWith("Seat " + seat + ":")));
          }
        });
  }

  /** The draw is wide enough to tell anything. */
  @Test(dependsOnMethods = "whatTheChartsSayIsWhatIsTold", alwaysRun = true)
  public void theDrawHoldsAllThatIsSpokenOf() {
    assertThat(DRAWN.values()).as("%s", DRAWN).hasSize(6).allMatch(count -> count > 1);
  }

  private static boolean sends(Charts charts, UnionFind<String> sets, Seat from, Seat to) {
    boolean line = false;
    boolean ground = false;
    for (Terminal one : kind(from).terminals()) {
      for (Terminal other : kind(to).terminals()) {
        String a = charts.place(from.id(), "board", one.name());
        String b = charts.place(to.id(), "board", other.name());
        boolean same = known(sets, a) && known(sets, b) && sets.inSameSet(a, b);
        line |= same && one.can(Terminal.Ability.SEND) && other.can(Terminal.Ability.RECEIVE);
        ground |=
            same && one.role() == Terminal.Role.GROUND && other.role() == Terminal.Role.GROUND;
      }
    }
    return line && ground;
  }

  /** An edit of any seat, link or lead leaves what working it all out afresh would. */
  @Test(dataProvider = "few")
  public void theNextBenchIsAFreshOne(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = drawn(random);
    Bench bench = Bench.of(build, CATALOGUE);
    for (int i = 0; i < 3; i++) {
      Build other = drawn(random);
      build =
          switch (random.nextInt(4)) {
            case 0 -> build.withLinks(build.links().stream().skip(1).toList());
            case 1 -> build.withLeads(LeadBook.EMPTY.withCables(build.leads().cables()));
            case 2 -> byHand(build, random);
            default -> other;
          };
      bench = bench.next(build);
      Bench fresh = Bench.of(build, CATALOGUE);
      assertThat(bench.findings()).isEqualTo(fresh.findings());
      assertThat(bench.paths()).isEqualTo(fresh.paths());
      assertThat(bench.loom().strands()).isEqualTo(fresh.loom().strands());
    }
  }

  /** Four buttons on a serial board, passed on by one that is a device: the hop costs its time. */
  @Test
  public void aSerialHopStandsInTheDelay() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60), "serial-5v-18");
    kumite.build.map.Profile profile = build.profile();
    build =
        build.withSeats(
            List.of(
                Seat.empty(SEATS.get(0))
                    .withBoard(Optional.of(new BoardChoice("serial-5v-18", Placement.at(60, 150))))
                    .withProfiles(List.of(profile)),
                Seat.empty(SEATS.get(1))
                    .withBoard(
                        Optional.of(new BoardChoice("native-5v-18", Placement.at(200, 150))))));
    Bench unheard = Bench.of(build, CATALOGUE);
    Bench heard =
        Bench.of(
            build.withLinks(
                List.of(Link.parse("left:GND - right:GND"), Link.parse("left:TX - right:RX"))),
            CATALOGUE);
    Timing hears = heard.build().seats().get(1).timing();
    // The report in its frame: begin, count and id before it, two bytes of check behind it.
    int bytes = 5 + heard.layout().lengthBytes(0);
    // 115 200 baud, eight bits, no parity, one stop: ten bits a byte, 86.8 us. The hearer reports.
    double more =
        bytes * 86.805_555
            + hears.scanUs() / 2.0
            + (hears.pollUs() - heard.timing().pollUs()) / 2.0;
    assertThat(heard.paths().get(0).delay().meanUs() - unheard.paths().get(0).delay().meanUs())
        .isCloseTo(more, org.assertj.core.api.Assertions.within(0.01));
    assertThat(heard.findings()).noneMatch(f -> f.code().text().equals("LM-46"));
  }
}
