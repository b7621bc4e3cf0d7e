package kumite.loom;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/**
 * Each wire's terminal: the assignment of least cost.
 *
 * <p>What a pair costs is in {@link PinCosts}. Terminals kept for start-up and serial port are
 * never taken unless locked. On a board that fixes its meanings, a mapped contact goes to the
 * socket of its meaning.
 */
public final class PinPlan {
  private final Map<ContactId, PinChoice> choices;
  private final List<Line> unplaced;
  private final Optional<Clash> clash;
  private final List<Terminal> free;
  private final Function<PinChoice, List<String>> reasons;
  private final Map<String, Double> prices;

  private PinPlan(
      Map<ContactId, PinChoice> choices,
      List<Line> unplaced,
      Optional<Clash> clash,
      List<Terminal> free,
      Function<PinChoice, List<String>> reasons,
      Map<String, Double> prices) {
    this.reasons = reasons;
    this.prices = Map.copyOf(prices);
    this.choices = Collections.unmodifiableMap(choices);
    this.unplaced = List.copyOf(unplaced);
    this.clash = clash;
    this.free = List.copyOf(free);
  }

  /** {@return the terminal of each placed contact} */
  public Map<ContactId, PinChoice> choices() {
    return choices;
  }

  /** {@return the terminal of a wire, if it got one} */
  public Optional<PinChoice> of(ContactId contact) {
    return Optional.ofNullable(choices.get(contact));
  }

  /** {@return why a contact has its terminal, most telling first; empty if it has none} */
  public List<String> why(ContactId contact) {
    return of(contact).map(reasons).orElse(List.of());
  }

  /** {@return wires for which no fit terminal was left} */
  public List<Line> unplaced() {
    return unplaced;
  }

  /** {@return the smallest set of wires that cannot all be placed, where some cannot} */
  public Optional<Clash> clash() {
    return clash;
  }

  /** {@return input terminals that no strand goes to} */
  public List<Terminal> free() {
    return free;
  }

  /**
   * {@return where a terminal is, seen from the face of the panel}
   *
   * @throws java.util.NoSuchElementException if the build has no board
   */
  public static Point place(Build build, Terminal terminal) {
    return build.board().orElseThrow().placement().place(terminal.at());
  }

  /** {@return whether a terminal is kept back from the plan} */
  public static boolean keptBack(Terminal terminal) {
    return terminal
        .keep()
        .filter(k -> k == Terminal.Keep.BOOT || k == Terminal.Keep.SERIAL)
        .isPresent();
  }

  /** Plans the pins of a build; without a board every contact is unplaced. */
  static PinPlan of(Build build, Catalogue catalogue, List<Line> lines, Optional<PinPlan> before) {
    Optional<BoardKind> chosen = catalogue.boardOf(build);
    if (chosen.isEmpty()) {
      return new PinPlan(
          new TreeMap<>(), lines, Optional.empty(), List.of(), choice -> List.of(), Map.of());
    }
    BoardKind board = chosen.get();
    Map<ContactId, PinChoice> choices = new TreeMap<>();
    Set<String> taken = new HashSet<>();
    List<Line> open = new ArrayList<>();
    for (Line site : lines) {
      Optional<Terminal> locked =
          Optional.ofNullable(build.loom().locks().get(site.id())).flatMap(board::terminal);
      if (locked.isPresent() && taken.add(locked.get().name())) {
        double straight = place(build, locked.get()).distanceMm(site.place());
        choices.put(site.id(), new PinChoice(site.id(), locked.get(), true, straight));
      } else {
        open.add(site);
      }
    }
    Set<String> lampFeeds = lampFeeds(build);
    Set<String> landed = Crossings.landed(build);
    Map<Line, Terminal> held = new LinkedHashMap<>();
    for (Line site : lines) {
      Optional.ofNullable(choices.get(site.id())).ifPresent(c -> held.put(site, c.terminal()));
    }
    Set<String> gone = new HashSet<>(landed);
    gone.addAll(build.loom().dead());
    HostSockets.of(board, open, held, gone)
        .forEach(
            (site, terminal) -> {
              double straight = place(build, terminal).distanceMm(site.place());
              choices.put(site.id(), new PinChoice(site.id(), terminal, false, straight));
              taken.add(terminal.name());
              open.remove(site);
            });
    List<Terminal> terminals =
        board.terminals(Terminal.Role.INPUT).stream()
            .filter(terminal -> !taken.contains(terminal.name()))
            .filter(terminal -> !build.loom().dead().contains(terminal.name()))
            .filter(terminal -> !lampFeeds.contains(terminal.name()))
            .filter(terminal -> !landed.contains(terminal.name()))
            .toList();
    double[][] costs = PinCosts.of(build, board, open, terminals);
    Assignment assignment =
        Assignment.of(costs, prices(before, terminals, costs), hints(before, open, terminals));
    int[] columnOf = assignment.columns();
    List<Line> unplaced = new ArrayList<>();
    Map<String, Line> holder = new HashMap<>();
    Map<Line, Terminal> placed = new LinkedHashMap<>();
    for (int i = 0; i < open.size(); i++) {
      Line site = open.get(i);
      int column = columnOf[i];
      if (column >= terminals.size()
          || !site.fits(board, terminals.get(column))
          || site.keptFrom(terminals.get(column))) {
        unplaced.add(site);
      } else {
        placed.put(site, terminals.get(column));
        holder.put(terminals.get(column).name(), site);
        taken.add(terminals.get(column).name());
      }
    }
    placed.forEach(
        (site, terminal) ->
            choices.put(
                site.id(),
                new PinChoice(
                    site.id(), terminal, false, place(build, terminal).distanceMm(site.place()))));
    List<Terminal> free =
        board.terminals(Terminal.Role.INPUT).stream()
            .filter(terminal -> !taken.contains(terminal.name()))
            .toList();
    Map<ContactId, Line> byId = new HashMap<>();
    lines.forEach(site -> byId.put(site.id(), site));
    return new PinPlan(
        choices,
        unplaced,
        unplaced.isEmpty() ? Optional.empty() : clash(board, open, wanted(board, terminals, taken)),
        free,
        choice ->
            explain(build, board, byId.get(choice.contact()), choice.terminal(), terminals, holder),
        byTerminal(assignment.prices(), terminals));
  }

  /** {@return what is left of a board's inputs and host sockets} */
  private static List<Terminal> wanted(BoardKind board, List<Terminal> inputs, Set<String> taken) {
    List<Terminal> all = new ArrayList<>(inputs);
    board.terminals(Terminal.Role.HOST).stream()
        .filter(terminal -> !taken.contains(terminal.name()))
        .forEach(all::add);
    return all;
  }

  /** Where the plan before ended its search is where this one begins; the result is the same. */
  private static double[] prices(
      Optional<PinPlan> before, List<Terminal> terminals, double[][] costs) {
    double[] prices = new double[costs.length == 0 ? 0 : costs[0].length];
    before.ifPresent(
        plan -> {
          for (int j = 0; j < terminals.size() && j < prices.length; j++) {
            prices[j] = plan.prices.getOrDefault(terminals.get(j).name(), 0.0);
          }
        });
    return prices;
  }

  /** The terminal that each line had, by its place in the list; below 0 for none. */
  private static int[] hints(Optional<PinPlan> before, List<Line> lines, List<Terminal> terminals) {
    Map<String, Integer> places = new HashMap<>();
    for (int j = 0; j < terminals.size(); j++) {
      places.put(terminals.get(j).name(), j);
    }
    return lines.stream()
        .mapToInt(
            line ->
                before
                    .flatMap(plan -> Optional.ofNullable(plan.choices.get(line.id())))
                    .map(choice -> places.getOrDefault(choice.terminal().name(), -1))
                    .orElse(-1))
        .toArray();
  }

  private static Map<String, Double> byTerminal(double[] prices, List<Terminal> terminals) {
    Map<String, Double> named = new HashMap<>();
    for (int j = 0; j < terminals.size() && j < prices.length; j++) {
      named.put(terminals.get(j).name(), prices[j]);
    }
    return named;
  }

  private static List<String> explain(
      Build build,
      BoardKind board,
      Line site,
      Terminal terminal,
      List<Terminal> terminals,
      Map<String, Line> holder) {
    if (build.loom().locks().getOrDefault(site.id(), "").equals(terminal.name())) {
      return List.of("you locked it to this terminal");
    }
    double straight = place(build, terminal).distanceMm(site.place());
    List<String> reasons = new ArrayList<>();
    if (board.fixedMap() && site.fixed().isPresent() && terminal.fixed().isPresent()) {
      reasons.add("the board fixes this socket to " + terminal.fixed().get());
    }
    List<Terminal> nearer =
        terminals.stream()
            .filter(t -> site.fits(board, t) && t != terminal)
            .filter(t -> place(build, t).distanceMm(site.place()) < straight - 0.5)
            .sorted(Comparator.comparingDouble(t -> place(build, t).distanceMm(site.place())))
            .toList();
    if (nearer.isEmpty()) {
      reasons.add(mm("nearest terminal that fits, %s straight", straight));
    } else {
      // A neighbour that serves another contact says more than one that is always kept back.
      Terminal nearest =
          nearer.stream()
              .filter(t -> holder.containsKey(t.name()))
              .findFirst()
              .orElse(nearer.get(0));
      double saved = straight - place(build, nearest).distanceMm(site.place());
      String by = mm("%s nearer", saved);
      if (holder.containsKey(nearest.name())) {
        reasons.add(
            nearest.name()
                + " is "
                + by
                + "; it serves "
                + holder.get(nearest.name()).label()
                + ", so that all strands together are shortest");
      } else {
        reasons.add(nearest.name() + " is " + by + ", but " + whySpared(site, nearest));
      }
    }
    boolean onlyKept = !nearer.isEmpty() && nearer.stream().allMatch(PinPlan::keptBack);
    if (onlyKept) {
      reasons.add(0, mm("nearest of those not kept back, %s straight", straight));
    }
    reasons.add(
        switch (site.needs()) {
          case READ -> pullReason(terminal);
          case MEASURE ->
              terminal.can(Terminal.Ability.OHMS)
                  ? "it times a resistance to the supply"
                  : "it measures volts, as a wiper or ladder needs";
          case DRIVE -> "it can drive a wire";
          case SHARE -> "it can pull a wire low; " + pullReason(terminal);
          case EDGE -> "it tells each edge at once";
          case TOUCH -> "it senses touch";
          case RECEIVE, SEND, HOST_PLUS, HOST_MINUS -> "it " + site.needs().words();
        });
    if (site.pulses()) {
      reasons.add(
          terminal.can(Terminal.Ability.INTERRUPT)
              ? "it counts pulses"
              : "no free terminal counts pulses, so fast turns may be missed");
    }
    return List.copyOf(reasons);
  }

  private static String whySpared(Line site, Terminal terminal) {
    if (terminal.keep().isPresent()) {
      return "it " + terminal.keep().get().words();
    }
    if (site.needs() == Line.Need.READ && !pulls(terminal)) {
      return "it has no pull-up or pull-down inside";
    }
    return site.needs() != Line.Need.MEASURE && terminal.can(Terminal.Ability.ANALOG)
        ? "it measures volts and is spared for what needs that"
        : "the plan as a whole is shorter so";
  }

  private static String pullReason(Terminal terminal) {
    boolean up = terminal.can(Terminal.Ability.PULL_UP);
    boolean down = terminal.can(Terminal.Ability.PULL_DOWN);
    return "it reads high and low"
        + (up && down
            ? ", with a pull-up or pull-down inside"
            : up ? ", with a pull-up inside" : down ? ", with a pull-down inside" : "");
  }

  /** {@return the terminals that the builder chose to feed lamps from} */
  private static Set<String> lampFeeds(Build build) {
    Set<String> feeds = new HashSet<>();
    build.seated().forEach(c -> c.hookup().lampFrom().ifPresent(feeds::add));
    return feeds;
  }

  static boolean pulls(Terminal terminal) {
    return terminal.can(Terminal.Ability.PULL_UP) || terminal.can(Terminal.Ability.PULL_DOWN);
  }

  private static Optional<Clash> clash(
      BoardKind board, List<Line> lines, List<Terminal> terminals) {
    List<Terminal> usable =
        terminals.stream().filter(t -> lines.stream().anyMatch(l -> !l.keptFrom(t))).toList();
    List<BitSet> fits = new ArrayList<>();
    for (Line line : lines) {
      BitSet set = new BitSet();
      for (int i = 0; i < usable.size(); i++) {
        set.set(i, line.fits(board, usable.get(i)) && !line.keptFrom(usable.get(i)));
      }
      fits.add(set);
    }
    return Clash.smallest(lines, usable.stream().map(Terminal::name).toList(), fits);
  }

  private static String mm(String form, double mm) {
    return String.format(Locale.ROOT, form, String.format(Locale.ROOT, "%.0f mm", mm));
  }
}
