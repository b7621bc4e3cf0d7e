package kumite.loom;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.ContactId;
import kumite.build.Opening;
import kumite.build.WireColour;
import kumite.parts.BoardKind;
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
 * @param plan the terminals of the contacts
 * @param strands all strands: signals first, then commons, supplies and lamps
 * @param runs the shared sides, in the order they are laid
 * @param bundles the signal strands that leave the board together, by the board's side
 */
public record Loom(
    List<ContactSite> sites,
    PinPlan plan,
    List<Strand> strands,
    List<CommonRun> runs,
    Map<String, List<ContactId>> bundles) {

  public Loom {
    sites = List.copyOf(sites);
    strands = List.copyOf(strands);
    runs = List.copyOf(runs);
    bundles = Collections.unmodifiableMap(bundles);
  }

  /** Works out the loom of a build. A build without a board has no strands. */
  public static Loom of(Build build, Catalogue catalogue) {
    List<ContactSite> sites = ContactSite.all(build, catalogue);
    PinPlan plan = PinPlan.of(build, catalogue, sites);
    Optional<BoardKind> board = catalogue.boardOf(build);
    if (board.isEmpty()) {
      return new Loom(sites, plan, List.of(), List.of(), Map.of());
    }
    Map<String, List<ContactId>> bundles = bundles(sites, plan);
    Map<ContactId, WireColour> colours = Colours.assign(bundles, build.loom().colours());
    StrandCutter cutter = new StrandCutter(build, board.get());
    for (ContactSite site : sites) {
      plan.of(site.id())
          .ifPresent(pin -> cutter.signal(site, pin.terminal(), colours.get(site.id())));
    }
    cutter.commons(sites, plan);
    cutter.lamps(sites);
    return new Loom(sites, plan, cutter.strands(), cutter.runs(), bundles);
  }

  private static Map<String, List<ContactId>> bundles(List<ContactSite> sites, PinPlan plan) {
    Map<String, List<ContactId>> bundles = new TreeMap<>();
    for (ContactSite site : sites) {
      plan.of(site.id())
          .ifPresent(
              pin ->
                  bundles
                      .computeIfAbsent(
                          pin.terminal().side().name().toLowerCase(java.util.Locale.ROOT),
                          side -> new ArrayList<>())
                      .add(site.id()));
    }
    Map<String, List<ContactId>> fixed = new LinkedHashMap<>();
    bundles.forEach((side, contacts) -> fixed.put(side, List.copyOf(contacts)));
    return fixed;
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

  /**
   * {@return whether the service loop of the settings is used: a board left in a case lifted off}
   */
  public static boolean loopIsChosen(Build build) {
    boolean apart = build.board().map(board -> board.seat() == BoardChoice.Seat.FLOOR).orElse(true);
    return apart && build.panel().inside().opening() == Opening.LIFTS_OFF;
  }
}
