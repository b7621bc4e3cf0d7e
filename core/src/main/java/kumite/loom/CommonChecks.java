package kumite.loom;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;

/** Checks of shared sides: the right rail, the right tab, what a break would silence. */
final class CommonChecks {
  private static final int RING_ABOVE = 6;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();

  private CommonChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
  }

  static List<Finding> of(Build build, Catalogue catalogue, Loom loom, BoardKind board) {
    CommonChecks checks = new CommonChecks(build, catalogue, loom);
    checks.commons(board);
    checks.restingTabs();
    checks.breaks();
    checks.unproven(board);
    return checks.findings;
  }

  private void restingTabs() {
    Set<Control> done = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (site.switched() && site.control().hookup().restsClosed() && done.add(site.control())) {
        findings.add(
            Finding.of(
                    LoomCode.WIRED_AT_NC,
                    List.of(Subject.of(site.control().id())),
                    site.control().label() + " is wired at NC",
                    site.hasClosedTab()
                        ? "The tab that is closed at rest: it is pressed until you press it"
                        : "This part has no tab that is closed at rest: there is nothing to wire to")
                .mendedBy(
                    Fix.of(
                        "Wire " + site.control().label() + " at NO",
                        b ->
                            b.withControl(
                                site.control().id(),
                                c -> c.withHookup(h -> h.withRestsClosed(false))))));
      }
    }
  }

  private void commons(BoardKind board) {
    Common wanted = wantedCommon(board);
    List<ContactSite> odd =
        loom.sites().stream()
            .filter(ContactSite::switched)
            .filter(site -> build.loom().groupOf(site.id()).isEmpty())
            .filter(site -> site.common() != wanted)
            .toList();
    Set<String> done = new HashSet<>();
    for (ContactSite site : odd) {
      if (done.add(site.control().id().text())) {
        findings.add(
            Finding.of(
                    LoomCode.OTHER_RAIL,
                    List.of(Subject.of(site.control().id())),
                    site.control().label()
                        + " shares the "
                        + site.common().words()
                        + ", the others the "
                        + wanted.words(),
                    "Mixed commons read upside down, and joining the two shorts the supply to ground")
                .mendedBy(
                    Fix.of(
                        "Wire " + site.control().label() + " to " + wanted.words(),
                        b ->
                            b.withControl(
                                site.control().id(),
                                c ->
                                    c.withCommon(
                                        wanted == board.common()
                                            ? Optional.empty()
                                            : Optional.of(wanted))))));
      }
    }
    if (odd.isEmpty() && board.common() == Common.RAIL) {
      findings.add(
          Finding.of(
              LoomCode.SHARED_RAIL,
              List.of(),
              "The shared side is the 5 V rail",
              "This board feeds its contacts from its supply: never tie their shared side to ground or"
                  + " to the ground of another board"));
    }
  }

  /** The side most contacts share, unless the board feeds a common of its own. */
  private Common wantedCommon(BoardKind board) {
    if (board.bringsProgram() || !board.terminals(Terminal.Role.COMMON).isEmpty()) {
      return board.common();
    }
    List<ContactSite> plain = loom.sites().stream().filter(ContactSite::switched).toList();
    long others = plain.stream().filter(site -> site.common() != board.common()).count();
    return others * 2 > plain.size()
        ? board.common() == Common.GROUND ? Common.RAIL : Common.GROUND
        : board.common();
  }

  /** Two wires a contact, until a meter has shown that all share one side. */
  private void unproven(BoardKind board) {
    if (board.terminals(Terminal.Role.RETURN).isEmpty()) {
      return;
    }
    String proven = board.id().replace("unknown", "proven");
    Finding finding =
        Finding.of(
            LoomCode.COMMON_UNPROVEN,
            loom.sites().stream().map(site -> Subject.of(site.id())).toList(),
            "Whether its contacts share a side is not proven",
            "Each contact gets two wires. Hold a meter between the second sides: if all of them"
                + " beep to each other, one chain will do");
    findings.add(
        catalogue
            .board(proven)
            .filter(kind -> !kind.id().equals(board.id()))
            .map(
                kind ->
                    finding.mendedBy(
                        Fix.of("It is proven: one chain", b -> Arrange.withBoard(b, kind))))
            .orElse(finding));
  }

  private void breaks() {
    for (CommonRun run : loom.runs()) {
      if (run.shape() == Laying.CommonShape.CHAIN && run.silencedByOneBreak() > RING_ABOVE) {
        findings.add(
            Finding.of(
                    LoomCode.LONG_CHAIN,
                    List.of(),
                    "The " + run.name() + " is one chain over " + run.stops().size(),
                    "A break at the board silences all of them; a ring survives one break")
                .mendedBy(
                    Fix.of(
                        "Close the ring",
                        b ->
                            b.withLoom(
                                b.loom()
                                    .withLaying(
                                        b.loom().laying().withShape(Laying.CommonShape.RING))))));
      }
    }
  }
}
