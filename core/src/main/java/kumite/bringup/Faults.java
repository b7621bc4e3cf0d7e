package kumite.bringup;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.loom.ContactSite;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.TabRole;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/**
 * The single faults that a seat's wiring can have, each as an edit of it. What they look like is
 * never said here: that is worked out.
 */
final class Faults {
  /** A wire that sits further from its terminal is rarer by this: common practice, no source. */
  private static final double FAR = 0.15;

  /** Terminals so far apart on one side of a board are next to each other. */
  private static final int NEXT = 2;

  private final View view;
  private final Wiring wiring;
  private final Map<String, Fault> made = new LinkedHashMap<>();
  private final Set<Change> changes = new HashSet<>();
  private final Map<Joint, List<Jumper>> at = new HashMap<>();
  private final List<Wiring.Wire> own = new ArrayList<>();

  private Faults(View view) {
    this.view = view;
    this.wiring = view.wiring();
    for (Wiring.Wire wire : wiring.wires().values()) {
      if (wire.origin() != Wiring.Origin.ELSEWHERE) {
        own.add(wire);
        for (Joint end : List.of(wire.ends().a(), wire.ends().b())) {
          at.computeIfAbsent(end, e -> new ArrayList<>()).add(wire.ends());
        }
      }
    }
  }

  /** {@return what is likely to be wrong, the same in the same order for the same build} */
  static List<Fault> near(View view) {
    Faults faults = new Faults(view);
    faults.open();
    faults.terminals(true);
    faults.swaps(true);
    faults.bridges();
    faults.poles();
    faults.levers();
    faults.parts();
    faults.lamps();
    faults.board();
    return List.copyOf(faults.made.values());
  }

  /** {@return what is less likely: wires far from where they should be} */
  static List<Fault> far(View view) {
    Faults faults = new Faults(view);
    faults.terminals(false);
    faults.swaps(false);
    return List.copyOf(faults.made.values());
  }

  /** {@return the faults of all seats; what two seats share, such as a link, stands once} */
  static List<Fault> near(List<View> views) {
    return once(views.stream().flatMap(view -> near(view).stream()).toList());
  }

  /** {@return the less likely faults of all seats, each once} */
  static List<Fault> far(List<View> views) {
    return once(views.stream().flatMap(view -> far(view).stream()).toList());
  }

  private static List<Fault> once(List<Fault> faults) {
    Map<String, Fault> byId = new LinkedHashMap<>();
    faults.forEach(fault -> byId.putIfAbsent(fault.id(), fault));
    return List.copyOf(byId.values());
  }

  private void add(
      FaultKind kind,
      String id,
      double share,
      String what,
      Collection<Joint> where,
      String repair,
      Change change) {
    if (changes.add(change)) {
      Change named = change.renamed(view::global);
      List<Joint> places = where.stream().map(view::global).toList();
      made.putIfAbsent(
          id,
          new Fault(
              id,
              kind,
              what,
              places,
              repair,
              kind.weight() * share,
              named,
              List.of(),
              Optional.of(view.wires().seat())));
    }
  }

  private String words(Joint place) {
    return view.global(place).toString();
  }

  private String label(Wiring.Wire wire) {
    return wire.strand()
        .map(id -> wire.origin() == Wiring.Origin.LEAD ? "lead " + id : id)
        .map(id -> id + " (" + between(wire.ends()) + ")")
        .orElse(between(wire.ends()));
  }

  private String between(Jumper wire) {
    return words(wire.a()) + " to " + words(wire.b());
  }

  private String plain(Jumper wire) {
    return words(wire.a()) + "~" + words(wire.b());
  }

  // ---- wires

  private void open() {
    for (Wiring.Wire wire : own) {
      add(
          FaultKind.OPEN,
          "open " + plain(wire.ends()),
          1,
          "Wire " + label(wire) + " is open: broken, not landed, or a cold joint",
          List.of(wire.ends().a(), wire.ends().b()),
          "Tug both its ends, then join or replace it",
          Change.without(wire.ends()));
    }
  }

  private Optional<Joint> boardEnd(Jumper wire) {
    boolean a = wire.a().part().equals(Joint.BOARD);
    boolean b = wire.b().part().equals(Joint.BOARD);
    // A wire put in by hand may end where the board has no terminal.
    return a == b
        ? Optional.empty()
        : Optional.of(a ? wire.a() : wire.b())
            .filter(end -> wiring.board().terminal(end.tab()).isPresent());
  }

  private static Jumper moved(Jumper wire, Joint from, Joint to) {
    return new Jumper(wire.a().equals(from) ? to : wire.a(), wire.b().equals(from) ? to : wire.b());
  }

  private boolean joined(Joint a, Joint b) {
    return wiring.nets().joined(a, b);
  }

  private List<Terminal> side(Terminal terminal) {
    return wiring.board().terminals().stream()
        .filter(t -> t.side() == terminal.side())
        .sorted(Comparator.comparingDouble(t -> t.at().yMm()))
        .toList();
  }

  private int apart(Terminal one, Terminal other) {
    List<Terminal> side = side(one);
    return one.side() == other.side()
        ? Math.abs(side.indexOf(one) - side.indexOf(other))
        : Integer.MAX_VALUE;
  }

  private boolean rail(Terminal terminal) {
    return switch (terminal.role()) {
      case GROUND, SUPPLY, COMMON -> true;
      default -> false;
    };
  }

  private void terminals(boolean near) {
    for (Wiring.Wire wire : own) {
      Optional<Joint> end = boardEnd(wire.ends());
      Optional<Terminal> here = end.flatMap(e -> wiring.board().terminal(e.tab()));
      if (here.isEmpty()) {
        continue;
      }
      for (Terminal there : wiring.board().terminals()) {
        Joint to = Joint.board(there.name());
        Jumper other = there.equals(here.get()) ? wire.ends() : moved(wire.ends(), end.get(), to);
        boolean wrongRail = rail(here.get()) && rail(there);
        boolean close = wrongRail || apart(here.get(), there) <= NEXT;
        if (there.equals(here.get()) || joined(to, end.get()) || close != near) {
          continue;
        }
        add(
            wrongRail ? FaultKind.WRONG_COMMON : FaultKind.WRONG_TERMINAL,
            "at " + words(to) + " " + plain(wire.ends()),
            near ? apart(here.get(), there) == 1 ? 1 : 0.5 : FAR,
            "Wire " + label(wire) + " is at " + words(to) + " and not at " + words(end.get()),
            List.of(end.get(), to),
            "Move it from " + words(to) + " to " + words(end.get()),
            Change.moved(wire.ends(), other));
      }
    }
  }

  private void swaps(boolean near) {
    List<Wiring.Wire> ended =
        own.stream().filter(wire -> boardEnd(wire.ends()).isPresent()).toList();
    for (int i = 0; i < ended.size(); i++) {
      Joint one = boardEnd(ended.get(i).ends()).orElseThrow();
      Terminal first = wiring.board().terminal(one.tab()).orElseThrow();
      for (int j = i + 1; j < ended.size(); j++) {
        Joint other = boardEnd(ended.get(j).ends()).orElseThrow();
        Terminal second = wiring.board().terminal(other.tab()).orElseThrow();
        if (joined(one, other)) {
          continue;
        }
        boolean kin =
            farEnd(ended.get(i).ends(), one)
                .part()
                .equals(farEnd(ended.get(j).ends(), other).part());
        boolean close = kin || apart(first, second) <= NEXT;
        if (close == near) {
          swap(ended.get(i), one, ended.get(j), other, near ? 1 : FAR);
        }
      }
    }
  }

  private static Joint farEnd(Jumper wire, Joint near) {
    return wire.a().equals(near) ? wire.b() : wire.a();
  }

  private void swap(Wiring.Wire a, Joint one, Wiring.Wire b, Joint other, double share) {
    add(
        FaultKind.SWAPPED,
        "swapped "
            + words(one)
            + " "
            + words(other)
            + " "
            + plain(a.ends())
            + " "
            + plain(b.ends()),
        share,
        "Wires " + label(a) + " and " + label(b) + " are swapped",
        List.of(one, other),
        "Change them over at " + words(one) + " and " + words(other),
        new Change(
            Set.of(a.ends(), b.ends()),
            Set.of(moved(a.ends(), one, other), moved(b.ends(), other, one)),
            Map.of()));
  }

  private void bridges() {
    for (Terminal.Side side : Terminal.Side.values()) {
      List<Terminal> row =
          wiring.board().terminals().stream()
              .filter(t -> t.side() == side)
              .sorted(Comparator.comparingDouble(t -> t.at().yMm()))
              .toList();
      for (int i = 1; i < row.size(); i++) {
        Joint one = Joint.board(row.get(i - 1).name());
        Joint other = Joint.board(row.get(i).name());
        boolean wired = at.containsKey(one) || at.containsKey(other);
        if (wired && !joined(one, other)) {
          bridge(one, other, at.containsKey(one) && at.containsKey(other) ? 1 : 0.3);
        }
      }
    }
  }

  private void bridge(Joint one, Joint other, double share) {
    add(
        FaultKind.BRIDGED,
        "bridged " + words(one) + " " + words(other),
        share,
        words(one) + " and " + words(other) + " are bridged, by solder or a loose strand",
        List.of(one, other),
        "Clear what lies between them",
        Change.with(new Jumper(one, other)));
  }

  // ---- contacts

  private void poles() {
    for (Component part : wiring.ownParts()) {
      if (part instanceof Component.Pole pole) {
        tabs(pole);
        add(
            FaultKind.NEVER_CLOSES,
            "never " + pole.contact(),
            1,
            "The contact of " + pole.contact() + " never closes",
            List.of(pole.common(), pole.open()),
            "Try it off the wires; clean or replace it",
            Change.without(pole));
      }
    }
  }

  private void tabs(Component.Pole pole) {
    List<Jumper> open = at.getOrDefault(pole.open(), List.of());
    List<Jumper> closed = at.getOrDefault(pole.closed(), List.of());
    List<Jumper> common = at.getOrDefault(pole.common(), List.of());
    if (!open.isEmpty() && closed.isEmpty()) {
      add(
          FaultKind.RESTING_TAB,
          "nc " + pole.contact(),
          1,
          pole.contact()
              + " is wired to "
              + words(pole.closed())
              + ", which is closed until it is pressed",
          List.of(pole.open(), pole.closed()),
          "Move the wire from " + words(pole.closed()) + " to " + words(pole.open()),
          all(open, pole.open(), pole.closed()));
    }
    if (!closed.isEmpty() && open.isEmpty()) {
      add(
          FaultKind.OPEN_TAB,
          "no " + pole.contact(),
          1,
          pole.contact() + " is wired to " + words(pole.open()) + ", which is open at rest",
          List.of(pole.open(), pole.closed()),
          "Move the wire from " + words(pole.open()) + " to " + words(pole.closed()),
          all(closed, pole.closed(), pole.open()));
    }
    if (!common.isEmpty() && !(open.isEmpty() && closed.isEmpty())) {
      Joint signal = open.isEmpty() ? pole.closed() : pole.open();
      Joint free = open.isEmpty() ? pole.open() : pole.closed();
      add(
          FaultKind.ONE_SIDE,
          "one-side " + pole.contact(),
          1,
          "Both wires of "
              + pole.contact()
              + " are on "
              + words(signal)
              + ", or a bridge joins its tabs",
          List.of(pole.common(), signal),
          "Put the wires of the shared side on " + words(pole.common()),
          all(common, pole.common(), signal));
      if (at.getOrDefault(free, List.of()).isEmpty()) {
        add(
            FaultKind.COMMON_AT_RESTING,
            "common-at " + pole.contact(),
            1,
            "The shared side of " + pole.contact() + " is on " + words(free),
            List.of(pole.common(), free),
            "Move it from " + words(free) + " to " + words(pole.common()),
            all(common, pole.common(), free));
      }
    }
  }

  private static Change all(List<Jumper> wires, Joint from, Joint to) {
    Set<Jumper> in = new LinkedHashSet<>();
    for (Jumper wire : wires) {
      Joint far = farEnd(wire, from);
      if (!far.equals(to)) {
        in.add(new Jumper(far, to));
      }
    }
    return new Change(new LinkedHashSet<>(wires), in, Map.of());
  }

  // ---- levers

  private static final List<String> ROUND = List.of("up", "right", "down", "left");

  private void levers() {
    Map<kumite.name.ControlId, Map<String, Component.Pole>> levers = new LinkedHashMap<>();
    for (Component part : wiring.ownParts()) {
      if (part instanceof Component.Pole pole && ROUND.contains(pole.contact().contact())) {
        levers
            .computeIfAbsent(pole.contact().control(), c -> new LinkedHashMap<>())
            .put(pole.contact().contact(), pole);
      }
    }
    levers.forEach(
        (control, poles) -> {
          if (poles.keySet().containsAll(ROUND)) {
            turned(control, poles, 1, "a quarter to the right");
            turned(control, poles, 2, "half a turn");
            turned(control, poles, 3, "a quarter to the left");
          }
        });
  }

  private void turned(
      kumite.name.ControlId control, Map<String, Component.Pole> poles, int by, String words) {
    Map<Component, Optional<Component>> parts = new LinkedHashMap<>();
    List<Joint> where = new ArrayList<>();
    for (int i = 0; i < ROUND.size(); i++) {
      Component.Pole pole = poles.get(ROUND.get(i));
      ContactId moves = new ContactId(control, ROUND.get((i + by) % ROUND.size()));
      parts.put(
          pole, Optional.of(new Component.Pole(moves, pole.common(), pole.open(), pole.closed())));
      where.add(pole.open());
    }
    add(
        FaultKind.TURNED,
        "turned " + control + " " + by,
        1,
        "The lever " + control + " is mounted " + words,
        where,
        "Turn its body back, or turn its wires on",
        new Change(Set.of(), Set.of(), parts));
  }

  // ---- parts

  private void parts() {
    int number = 0;
    for (Component part : wiring.ownParts()) {
      number++;
      if (part instanceof Component.Diode diode) {
        part(
            number,
            diode,
            FaultKind.REVERSED,
            "reversed",
            diode.reversed(),
            "is the wrong way round",
            "Turn it: the band goes to " + words(diode.cathode()));
        missing(number, diode);
      } else if (part instanceof Component.Resistor resistor && resistor.fitted()) {
        missing(number, resistor);
        if (resistor.job() != Component.Job.LAMP) {
          for (double factor : new double[] {10, 0.1}) {
            part(
                number,
                resistor,
                FaultKind.PART_WRONG,
                factor > 1 ? "tenfold" : "tenth",
                new Component.Resistor(
                    resistor.job(),
                    resistor.a(),
                    resistor.b(),
                    resistor.ohm() * factor,
                    resistor.tolerance()),
                factor > 1 ? "is ten times too large" : "is ten times too small",
                "Read its rings, and replace it");
          }
        }
      } else if (part instanceof Component.Light light) {
        part(
            number,
            light,
            FaultKind.REVERSED,
            "reversed",
            new Component.Light(light.control(), light.cathode(), light.anode(), light.lamp()),
            "is the wrong way round",
            "Change over its two wires");
      } else if (part instanceof Component.Pot pot) {
        part(
            number,
            pot,
            FaultKind.REVERSED,
            "reversed",
            new Component.Pot(
                pot.contact(),
                pot.high(),
                pot.wiper(),
                pot.low(),
                pot.ohm(),
                pot.rest() > 0 ? 1 - pot.rest() : 0),
            "has its two ends changed over",
            "Change over the wires at its ends");
        ends(pot);
      }
    }
  }

  private void ends(Component.Pot pot) {
    for (Joint end : List.of(pot.low(), pot.high())) {
      List<Jumper> atEnd = at.getOrDefault(end, List.of());
      List<Jumper> atWiper = at.getOrDefault(pot.wiper(), List.of());
      if (!atEnd.isEmpty() && !atWiper.isEmpty()) {
        add(
            FaultKind.SWAPPED,
            "track " + words(end) + " " + words(pot.wiper()),
            0.7,
            "The wires at " + words(pot.wiper()) + " and " + words(end) + " are changed over",
            List.of(pot.wiper(), end),
            "Change them back",
            all(atEnd, end, pot.wiper()).and(all(atWiper, pot.wiper(), end)));
      }
    }
  }

  private void missing(int number, Component part) {
    add(
        FaultKind.PART_MISSING,
        "missing " + number + " " + words(part.ends().get(0)),
        1,
        named(part) + " is missing, or one of its joints is open",
        part.ends(),
        "Put it in, or make its joints anew",
        Change.without(part));
  }

  private void part(
      int number,
      Component part,
      FaultKind kind,
      String word,
      Component by,
      String is,
      String repair) {
    add(
        kind,
        word + " " + number + " " + words(part.ends().get(0)),
        1,
        named(part) + " " + is,
        part.ends(),
        repair,
        Change.replacing(part, by));
  }

  private String named(Component part) {
    String words = part.words();
    return "The "
        + words
        + " between "
        + words(part.ends().get(0))
        + " and "
        + words(part.ends().get(part.ends().size() - 1));
  }

  private void lamps() {
    for (ContactSite site : view.wires().loom().sites()) {
      if (!site.kind().lit() || !site.switched()) {
        continue;
      }
      Joint plus = site.own(TabRole.LAMP_PLUS);
      Joint minus = site.own(TabRole.LAMP_MINUS);
      Joint signal = new Joint(site.control().id().text(), site.signalTab());
      Joint common = new Joint(site.control().id().text(), site.commonTab());
      mixed(site, plus, signal);
      mixed(site, plus, common);
      mixed(site, minus, signal);
      mixed(site, minus, common);
    }
  }

  private void mixed(ContactSite site, Joint lamp, Joint tab) {
    List<Jumper> atLamp = at.getOrDefault(lamp, List.of());
    List<Jumper> atTab = at.getOrDefault(tab, List.of());
    if (atLamp.isEmpty() || atTab.isEmpty() || joined(lamp, tab)) {
      return;
    }
    add(
        FaultKind.LAMP_TABS,
        "lamp " + words(lamp) + " " + words(tab),
        1,
        "Of "
            + site.label()
            + " the wires at "
            + words(lamp)
            + " and "
            + words(tab)
            + " are mixed up",
        List.of(lamp, tab),
        "Change them over",
        all(atLamp, lamp, tab).and(all(atTab, tab, lamp)));
  }

  // ---- the board

  private void board() {
    Set<String> told = new LinkedHashSet<>();
    view.all()
        .forEach(
            look ->
                view.places(look).stream()
                    .filter(place -> place.part().equals(Joint.BOARD))
                    .map(Joint::tab)
                    .forEach(told::add));
    for (String name : told) {
      Joint terminal = Joint.board(name);
      effect(
          FaultKind.TERMINAL_DEAD,
          "dead " + words(terminal),
          "Terminal " + words(terminal) + " of the board is dead",
          List.of(terminal),
          "Move its wire to a free terminal, and the plan with it",
          new Fault.Effect.Dead(view.global(terminal)));
    }
    String at = view.wires().build().seats().size() > 1 ? " at " + view.wires().seat() : "";
    effect(
        FaultKind.NOT_ASSIGNED,
        "not-assigned" + at,
        "The host shows the device" + at + ", but gives its buttons no function yet",
        List.of(),
        "Assign its functions in the host's settings, from the assignment chart",
        new Fault.Effect.NotAssigned());
    effect(
        FaultKind.WRONG_PROGRAM,
        "wrong-program" + at,
        "The board" + at + " runs another program, or one for another board",
        List.of(),
        "Choose the board by its name and load the program again",
        new Fault.Effect.WrongProgram());
  }

  private void effect(
      FaultKind kind,
      String id,
      String what,
      List<Joint> where,
      String repair,
      Fault.Effect effect) {
    made.putIfAbsent(
        id,
        new Fault(
            id,
            kind,
            what,
            where.stream().map(view::global).toList(),
            repair,
            kind.weight(),
            Change.NONE,
            List.of(effect),
            Optional.of(view.wires().seat())));
  }
}
