package kumite.loom;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Opening;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/**
 * All strands of a build, worked out.
 *
 * <pre>{@code
 * Loom loom = Loom.of(build, Catalogue.standard());
 * loom.strandOf(ContactId.parse("horn")); // W07 BU 315 mm to D9
 * }</pre>
 *
 * @param sites all contacts
 * @param lines the wires that want terminals: contacts of their own, and those of groups
 * @param sharings the groups worked out
 * @param plan the terminals of the wires
 * @param strands all strands: signals first, then commons, supplies and lamps
 * @param runs the shared sides, in the order they are laid
 * @param bundles the wires that leave the board together, by the board's side
 * @param colours the colour of each wire that has a terminal
 */
public record Loom(
    List<ContactSite> sites,
    List<Line> lines,
    List<Sharing> sharings,
    PinPlan plan,
    List<Strand> strands,
    List<CommonRun> runs,
    Map<String, List<ContactId>> bundles,
    Map<ContactId, WireColour> colours) {

  public Loom {
    sites = List.copyOf(sites);
    lines = List.copyOf(lines);
    sharings = List.copyOf(sharings);
    strands = List.copyOf(strands);
    runs = List.copyOf(runs);
    bundles = Collections.unmodifiableMap(bundles);
    colours = Collections.unmodifiableMap(colours);
  }

  /** Works out the loom of a build. A build without a board has no strands. */
  public static Loom of(Build build, Catalogue catalogue) {
    List<ContactSite> sites = ContactSite.all(build, catalogue);
    Map<ContactId, ContactSite> byId = new LinkedHashMap<>();
    sites.forEach(site -> byId.put(site.id(), site));
    List<Sharing> sharings =
        build.loom().groups().stream()
            .map(group -> Sharing.of(group, byId))
            .filter(sharing -> !sharing.seats().isEmpty())
            .toList();
    List<Line> lines = lines(sites, sharings);
    PinPlan plan = PinPlan.of(build, catalogue, lines);
    Optional<BoardKind> board = catalogue.boardOf(build);
    if (board.isEmpty()) {
      return new Loom(sites, lines, sharings, plan, List.of(), List.of(), Map.of(), Map.of());
    }
    Map<String, List<ContactId>> bundles = bundles(lines, plan);
    Map<ContactId, WireColour> colours =
        Colours.assign(bundles, build.loom().colours(), build.loom().laying().stock());
    StrandCutter cutter = new StrandCutter(build, board.get());
    for (Line line : lines) {
      if (line.group().isEmpty()) {
        plan.of(line.id())
            .ifPresent(
                pin ->
                    cutter.signal(line.contacts().get(0), pin.terminal(), colours.get(line.id())));
      }
    }
    sharings.forEach(sharing -> cutter.shared(sharing, plan, colours));
    cutter.commons(sites, sharings, plan);
    cutter.lamps(sites);
    return new Loom(
        sites, lines, sharings, plan, cutter.strands(), cutter.runs(), bundles, colours);
  }

  /** {@return a wire for each contact of its own, in their order, then those of the groups} */
  private static List<Line> lines(List<ContactSite> sites, List<Sharing> sharings) {
    Set<ContactId> grouped = new HashSet<>();
    sharings.forEach(sharing -> sharing.seats().forEach(seat -> grouped.add(seat.site().id())));
    List<Line> lines = new ArrayList<>();
    for (ContactSite site : sites) {
      if (!grouped.contains(site.id())) {
        lines.add(site.line());
      }
    }
    sharings.forEach(sharing -> lines.addAll(sharing.lines()));
    return lines;
  }

  private static Map<String, List<ContactId>> bundles(List<Line> lines, PinPlan plan) {
    Map<String, List<ContactId>> bundles = new TreeMap<>();
    for (Line line : lines) {
      plan.of(line.id())
          .ifPresent(
              pin ->
                  bundles
                      .computeIfAbsent(
                          pin.terminal().side().name().toLowerCase(java.util.Locale.ROOT),
                          side -> new ArrayList<>())
                      .add(line.id()));
    }
    Map<String, List<ContactId>> fixed = new LinkedHashMap<>();
    bundles.forEach((side, contacts) -> fixed.put(side, List.copyOf(contacts)));
    return fixed;
  }

  /** {@return the terminal that reads a contact, if every wire it needs has one} */
  public Optional<PinChoice> pinOf(ContactId contact) {
    Optional<Sharing> sharing = sharingOf(contact);
    if (sharing.isEmpty()) {
      return plan.of(contact);
    }
    boolean whole = sharing.get().lines().stream().allMatch(line -> plan.of(line.id()).isPresent());
    return whole
        ? sharing.get().seat(contact).flatMap(seat -> plan.of(seat.read().id()))
        : Optional.empty();
  }

  /** {@return why a contact is read at its terminal, most telling first; empty if it has none} */
  public List<String> whyPin(ContactId contact) {
    Optional<Sharing> sharing = sharingOf(contact);
    if (sharing.isEmpty() || pinOf(contact).isEmpty()) {
      return plan.why(contact);
    }
    Sharing.Seat seat = sharing.get().seat(contact).orElseThrow();
    List<String> reasons = new ArrayList<>();
    reasons.add(sharing.get().group().topology().words() + ", " + seat.words());
    reasons.addAll(plan.why(seat.read().id()));
    return reasons;
  }

  /** {@return the group a contact shares terminals in, if it does} */
  public Optional<Sharing> sharingOf(ContactId contact) {
    return sharings.stream().filter(sharing -> sharing.seat(contact).isPresent()).findFirst();
  }

  /** {@return the signal strand of a contact, if it is wired} */
  public Optional<Strand> strandOf(ContactId contact) {
    return Optional.ofNullable(byContact().get(contact));
  }

  /** {@return the signal strands by contact} */
  public Map<ContactId, Strand> byContact() {
    Map<ContactId, Strand> map = new HashMap<>();
    strands.forEach(strand -> strand.contact().ifPresent(contact -> map.put(contact, strand)));
    return map;
  }

  /** {@return the contact of that id, if the build has it} */
  public Optional<ContactSite> site(ContactId contact) {
    return sites.stream().filter(site -> site.id().equals(contact)).findFirst();
  }

  /** {@return the length of all strands together, in metres} */
  public double totalMetres() {
    return strands.stream().mapToInt(Strand::lengthMm).sum() / 1000.0;
  }

  /** {@return whether the board stays in the case when the panel comes off} */
  public static boolean boardStaysBehind(Build build) {
    return build.board().map(board -> board.seat() == BoardChoice.Seat.FLOOR).orElse(true);
  }

  /**
   * {@return whether the service loop of the settings is used: a board left in a case lifted off}
   */
  public static boolean loopIsChosen(Build build) {
    return boardStaysBehind(build) && build.panel().inside().opening() == Opening.LIFTS_OFF;
  }

  /**
   * {@return how many wires part between lid and base: ways of the connector, spares not counted}
   */
  public int ways() {
    return strands.stream().mapToInt(strand -> strand.way().orElse(0)).max().orElse(0);
  }

  /** {@return the supply terminal that feeds a control's lamp, if the board has one} */
  public static Optional<Terminal> lampSupply(BoardKind board, Control control) {
    return StrandCutter.lampSupply(board, control);
  }

  /** {@return the volts that feed a control's lamp; 0 where nothing does} */
  public static double lampVolts(BoardKind board, Control control) {
    // A terminal that drives gives the logic supply.
    return lampSupply(board, control)
        .map(t -> t.role() == Terminal.Role.SUPPLY ? t.volts() : board.logicVolts())
        .orElse(0.0);
  }
}
