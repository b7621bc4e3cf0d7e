package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.name.Joint;

/** Checks of connectors: contacts whose shared sides are one pin cannot be parted by wires. */
final class PinChecks {
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();

  private PinChecks(Loom loom) {
    this.loom = loom;
  }

  static List<Finding> of(Loom loom, BoardKind board) {
    PinChecks checks = new PinChecks(loom);
    Map<Joint, List<ContactSite>> pins = new LinkedHashMap<>();
    for (ContactSite site : loom.sites()) {
      if (site.switched()) {
        site.sharedCommon()
            .ifPresent(pin -> pins.computeIfAbsent(pin, p -> new ArrayList<>()).add(site));
      }
    }
    List<List<ContactSite>> split = pins.values().stream().filter(checks::split).toList();
    split.forEach(sites -> checks.rows(sites, split));
    pins.values()
        .forEach(
            sites -> {
              checks.unproven(sites, board);
              checks.grounded(sites);
            });
    return checks.findings;
  }

  /** All contacts of a pin are in one matrix, or none is in any. */
  private boolean split(List<ContactSite> sites) {
    List<Optional<Sharing>> crossed = sites.stream().map(this::crossed).distinct().toList();
    return crossed.stream().anyMatch(Optional::isPresent)
        && (crossed.size() > 1 || sites.get(0).atGround());
  }

  /** Taken out one by one they would still hold each other's rows: the fix takes all of them. */
  private void rows(List<ContactSite> sites, List<List<ContactSite>> split) {
    ContactSite first = sites.get(0);
    boolean grounded = first.atGround();
    List<ContactId> ids = sites.stream().map(ContactSite::id).toList();
    List<ContactId> all = split.stream().flatMap(List::stream).map(ContactSite::id).toList();
    String whom =
        split.stream().map(s -> s.get(0).control().label()).collect(Collectors.joining(", "));
    String pin = first.sharedCommon().orElseThrow().tab();
    findings.add(
        Finding.of(
                LoomCode.PIN_IN_TWO_ROWS,
                ids.stream().map(Subject::of).toList(),
                first.control().label()
                    + ": "
                    + pin
                    + " is one pin, and stands at a row of a matrix",
                grounded
                    ? "The pin is the ground of its pots too, so the row is held at ground"
                    : "What else is on that pin joins the row to ground or to another row; all of"
                        + " its contacts have to be in one matrix, or none")
            .mendedBy(
                Fix.of(
                    "Take " + whom + " out of the matrix",
                    b -> b.withLoom(b.loom().ungrouped(all)))));
  }

  private Optional<Sharing> crossed(ContactSite site) {
    return loom.sharings().stream()
        .filter(sharing -> Grouping.of(sharing.group().topology()).crossed())
        .filter(sharing -> sharing.group().contacts().contains(site.id()))
        .findFirst();
  }

  /** A board whose common is not proven wants a way back of its own for each contact. */
  private void unproven(List<ContactSite> sites, BoardKind board) {
    boolean several = sites.stream().filter(s -> loom.plan().of(s.id()).isPresent()).count() > 1;
    if (board.terminals(Terminal.Role.RETURN).isEmpty() || !several) {
      return;
    }
    ContactSite first = sites.get(0);
    findings.add(
        Finding.of(
            LoomCode.PIN_UNPROVEN,
            sites.stream().map(site -> Subject.of(site.id())).toList(),
            first.control().label()
                + ": "
                + first.sharedCommon().orElseThrow().tab()
                + " is one pin, and would join second sides that are not proven to be one",
            "Prove the board's common with a meter first, or take a part with tabs of its own for"
                + " each contact"));
  }

  private void grounded(List<ContactSite> sites) {
    ContactSite first = sites.get(0);
    boolean wished = first.control().hookup().common().filter(c -> c == Common.RAIL).isPresent();
    if (wished && first.atGround()) {
      findings.add(
          Finding.of(
              LoomCode.PIN_AT_GROUND,
              sites.stream().map(site -> Subject.of(site.id())).toList(),
              first.label() + " goes to ground, whatever was chosen",
              "Its shared side is one pin with the end of its pots, which is at ground"));
    }
  }
}
