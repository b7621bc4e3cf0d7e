package kumite.loom;

import java.util.ArrayList;
import java.util.Arrays;
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
import kumite.build.ContactId;
import kumite.build.ContactKind;
import kumite.build.Point;
import kumite.map.TargetText;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.Terminal;

/**
 * Each contact's terminal: the assignment of least cost.
 *
 * <p>The cost of a pair is the straight distance from control to terminal, so that strands come out
 * short; of straight lines of least total length no two of interchangeable ends cross, since
 * uncrossing two lines shortens them (triangle inequality). Added to it are {@value
 * #ANALOG_SPARED_MM} mm for a switch on a terminal that measures volts and {@value #LED_MM} mm for
 * one that shares the lamp on the board, so that those are taken last. Terminals kept for start-up
 * and serial port are never taken unless locked. On a board that fixes its meanings, a mapped
 * contact goes to the socket of its meaning.
 */
public final class PinPlan {
  static final double ANALOG_SPARED_MM = 60;
  static final double LED_MM = 300;
  private static final double CANNOT = 1e6;

  private final Map<ContactId, PinChoice> choices;
  private final List<ContactSite> unplaced;
  private final List<Terminal> free;
  private final Function<PinChoice, List<String>> reasons;

  private PinPlan(
      Map<ContactId, PinChoice> choices,
      List<ContactSite> unplaced,
      List<Terminal> free,
      Function<PinChoice, List<String>> reasons) {
    this.reasons = reasons;
    this.choices = Collections.unmodifiableMap(choices);
    this.unplaced = List.copyOf(unplaced);
    this.free = List.copyOf(free);
  }

  /** {@return the terminal of each placed contact} */
  public Map<ContactId, PinChoice> choices() {
    return choices;
  }

  /** {@return the terminal of a contact, if it got one} */
  public Optional<PinChoice> of(ContactId contact) {
    return Optional.ofNullable(choices.get(contact));
  }

  /** {@return why a contact has its terminal, most telling first; empty if it has none} */
  public List<String> why(ContactId contact) {
    return of(contact).map(reasons).orElse(List.of());
  }

  /** {@return contacts for which no fit terminal was left} */
  public List<ContactSite> unplaced() {
    return unplaced;
  }

  /** {@return input terminals that no strand goes to} */
  public List<Terminal> free() {
    return free;
  }

  /** {@return where a terminal is, seen from the face of the panel} */
  public static Point place(Build build, Terminal terminal) {
    return build.board().orElseThrow().placement().place(terminal.at());
  }

  /** {@return whether a terminal can read a contact at all, kept back or not} */
  public static boolean fits(ContactSite site, BoardKind board, Terminal terminal) {
    if (terminal.role() != Terminal.Role.INPUT) {
      return false;
    }
    if (site.contact().type().analog()) {
      return terminal.can(Terminal.Ability.ANALOG);
    }
    if (!terminal.can(Terminal.Ability.DIGITAL)) {
      return false;
    }
    return !board.fixedMap()
        || site.entry().isEmpty()
        || terminal.fixed().isEmpty()
        || terminal.fixed().get().equals(TargetText.of(site.entry().get().target()));
  }

  /** {@return whether a terminal is kept back from the plan} */
  public static boolean keptBack(Terminal terminal) {
    return terminal.keep().filter(keep -> keep != Terminal.Keep.LED).isPresent();
  }

  /** Plans the pins of a build; without a board every contact is unplaced. */
  static PinPlan of(Build build, Catalogue catalogue, List<ContactSite> sites) {
    Optional<BoardKind> chosen = catalogue.boardOf(build);
    if (chosen.isEmpty()) {
      return new PinPlan(new TreeMap<>(), sites, List.of(), choice -> List.of());
    }
    BoardKind board = chosen.get();
    Map<ContactId, PinChoice> choices = new TreeMap<>();
    Set<String> taken = new HashSet<>();
    List<ContactSite> open = new ArrayList<>();
    for (ContactSite site : sites) {
      Optional<Terminal> locked =
          Optional.ofNullable(build.loom().locks().get(site.id())).flatMap(board::terminal);
      if (locked.isPresent() && taken.add(locked.get().name())) {
        double straight = place(build, locked.get()).distanceMm(site.place());
        choices.put(site.id(), new PinChoice(site.id(), locked.get(), true, straight));
      } else {
        open.add(site);
      }
    }
    List<Terminal> terminals =
        board.terminals(Terminal.Role.INPUT).stream()
            .filter(terminal -> !taken.contains(terminal.name()))
            .toList();
    int[] columnOf = Assignment.solve(costs(build, board, open, terminals));
    List<ContactSite> unplaced = new ArrayList<>();
    Map<String, ContactSite> holder = new HashMap<>();
    Map<ContactSite, Terminal> placed = new LinkedHashMap<>();
    for (int i = 0; i < open.size(); i++) {
      ContactSite site = open.get(i);
      int column = columnOf[i];
      if (column >= terminals.size()
          || !fits(site, board, terminals.get(column))
          || keptBack(terminals.get(column))) {
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
    Map<ContactId, ContactSite> byId = new HashMap<>();
    sites.forEach(site -> byId.put(site.id(), site));
    return new PinPlan(
        choices,
        unplaced,
        free,
        choice ->
            explain(
                build, board, byId.get(choice.contact()), choice.terminal(), terminals, holder));
  }

  /** {@return cost[contact][terminal]; columns for "nowhere" fill up to one for each contact} */
  static double[][] costs(
      Build build, BoardKind board, List<ContactSite> sites, List<Terminal> terminals) {
    List<Point> places = terminals.stream().map(t -> place(build, t)).toList();
    double[][] cost = new double[sites.size()][Math.max(terminals.size(), sites.size())];
    for (int i = 0; i < sites.size(); i++) {
      Arrays.fill(cost[i], CANNOT);
      for (int j = 0; j < terminals.size(); j++) {
        cost[i][j] = cost(sites.get(i), board, terminals.get(j), places.get(j));
      }
    }
    return cost;
  }

  private static double cost(ContactSite site, BoardKind board, Terminal terminal, Point place) {
    if (!fits(site, board, terminal) || keptBack(terminal)) {
      return CANNOT;
    }
    double cost = place.distanceMm(site.place());
    if (!site.contact().type().analog() && terminal.can(Terminal.Ability.ANALOG)) {
      cost += ANALOG_SPARED_MM;
    }
    if (terminal.keep().isPresent()) {
      cost += LED_MM;
    }
    return cost;
  }

  private static List<String> explain(
      Build build,
      BoardKind board,
      ContactSite site,
      Terminal terminal,
      List<Terminal> terminals,
      Map<String, ContactSite> holder) {
    if (build.loom().locks().getOrDefault(site.id(), "").equals(terminal.name())) {
      return List.of("you locked it to this terminal");
    }
    double straight = place(build, terminal).distanceMm(site.place());
    List<String> reasons = new ArrayList<>();
    if (board.fixedMap() && site.entry().isPresent() && terminal.fixed().isPresent()) {
      reasons.add("the board fixes this socket to " + terminal.fixed().get());
    }
    List<Terminal> nearer =
        terminals.stream()
            .filter(t -> fits(site, board, t) && t != terminal)
            .filter(t -> place(build, t).distanceMm(site.place()) < straight - 0.05)
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
        site.contact().type() == ContactKind.Type.SWITCH
            ? pullReason(terminal)
            : "it measures volts, as a " + word(site.contact().type()) + " needs");
    return List.copyOf(reasons);
  }

  private static String whySpared(ContactSite site, Terminal terminal) {
    if (terminal.keep().isPresent()) {
      return "it " + terminal.keep().get().words();
    }
    return !site.contact().type().analog() && terminal.can(Terminal.Ability.ANALOG)
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

  private static String word(ContactKind.Type type) {
    return type.name().toLowerCase(Locale.ROOT);
  }

  private static String mm(String form, double mm) {
    return String.format(Locale.ROOT, form, String.format(Locale.ROOT, "%.0f mm", mm));
  }
}
