package kumite.panel;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.finding.Alike;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;

/** Checks of the room between things, sideways and downward. */
final class GapChecks {
  /** Looking for a move costs time; beyond this many faults the worst ones are mended first. */
  private static final int MOST_NUDGES = 24;

  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final Nudge.Search search;
  private final List<Finding> findings = new ArrayList<>();

  private GapChecks(Build build, Catalogue catalogue, Nudge.Search search) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
    this.search = search;
  }

  static List<Finding> of(Build build, Catalogue catalogue, Gaps gaps, Nudge.Search search) {
    GapChecks checks = new GapChecks(build, catalogue, search);
    Set<ControlId> off = new HashSet<>(Arrange.offPanel(build));
    Piles piles = Piles.of(gaps);
    checks.piles(piles);
    checks.sideways(gaps, off, piles);
    checks.depth(gaps);
    return checks.findings;
  }

  // ---- sideways

  private void piles(Piles piles) {
    for (List<ControlId> pile : piles.all()) {
      findings.add(
          Finding.of(
                  PanelCode.PILE,
                  pile.stream().map(Subject::of).toList(),
                  pile.size() + " parts lie on one another",
                  "Each runs into many others, so single gaps say nothing: "
                      + Alike.list(pile.stream().map(this::label).toList())
                      + ". Lay them out first")
              .mendedBy(() -> Piles.laidOut(build, catalogue, pile)));
    }
  }

  /** One finding for each pair, about the gap that decides: first what cannot be built so. */
  private void sideways(Gaps gaps, Set<ControlId> off, Piles piles) {
    Map<String, List<Gap>> byPair = new LinkedHashMap<>();
    boolean any = !piles.all().isEmpty();
    for (Gap gap : gaps.tooNarrow()) {
      any |= !gap.kind().downward();
      boolean elsewhere = gap.controls().stream().anyMatch(off::contains) || piles.holds(gap);
      if (!gap.kind().downward() && !elsewhere) {
        String pair =
            gap.controls().size() == 2
                ? new TreeSet<>(gap.controls()).toString()
                : gap.controls() + gap.thing().words() + "/" + gap.kind().height() + gap.against();
        byPair.computeIfAbsent(pair, p -> new ArrayList<>()).add(gap);
      }
    }
    int nudges = 0;
    for (List<Gap> pair : byPair.values()) {
      Gap worst = pair.get(0);
      Finding finding = finding(worst, pair).at(worst).showing(worst.working());
      findings.add(
          nudges++ < MOST_NUDGES
              ? finding.mendedBy(
                  () ->
                      search
                          .respaced(worst)
                          .map(this::spaced)
                          .or(() -> search.forGap(worst).map(n -> move(build, n, unit))))
              : finding);
    }
    if (!any) {
      fine(gaps);
    }
  }

  private void fine(Gaps gaps) {
    Optional<Gap> closest = gaps.sideways().stream().findFirst();
    Finding fine =
        Finding.of(
            PanelCode.GAPS_FINE,
            List.of(),
            "Everything has its room",
            closest
                .map(
                    gap ->
                        "Tightest: "
                            + between(gap)
                            + ", "
                            + gap.kind().words()
                            + " "
                            + mm(gap.gapMm())
                            + " of "
                            + mm(gap.neededMm())
                            + " needed")
                .orElse("No two parts come within " + mm(Gaps.INTEREST_MM)));
    findings.add(closest.map(gap -> fine.at(gap).showing(gap.working())).orElse(fine));
  }

  private Finding finding(Gap gap, List<Gap> pair) {
    StringBuilder detail =
        new StringBuilder(capital(gap.kind().words()))
            .append(": ")
            .append(mm(gap.neededMm()))
            .append(" needed, ")
            .append(gap.meets() ? "overlap " + mm(-gap.gapMm()) : mm(gap.gapMm()) + " there");
    pair.stream()
        .skip(1)
        .forEach(
            other ->
                detail
                    .append("; ")
                    .append(other.kind().words())
                    .append(" ")
                    .append(mm(other.gapMm())));
    if (pair.stream().anyMatch(g -> g.kind() == Gap.Kind.PLUG_WALL)) {
      detail.append(throughTheWall(gap));
    }
    return Finding.of(
        code(gap.kind()),
        gap.stops() ? Severity.STOP : Severity.LOOK,
        gap.controls().stream().map(Subject::of).toList(),
        title(gap),
        detail.toString());
  }

  private String title(Gap gap) {
    boolean meets = gap.meets();
    String apart = mm(gap.gapMm());
    return switch (gap.kind()) {
      case HOLE_HOLE ->
          between(gap) + (meets ? " holes run into each other" : " leave a web of " + apart);
      case HOLE_EDGE ->
          label(gap)
              + (meets
                  ? " hole breaks the panel's edge"
                  : " hole sits " + apart + " from the edge");
      case FLANGE_FLANGE ->
          between(gap) + (meets ? " flanges overlap" : " flanges " + apart + " apart");
      case FLANGE_EDGE ->
          label(gap) + " hangs " + mm(-gap.gapMm()) + " over " + gap.against() + " of the panel";
      case HEAD_FLANGE ->
          label(gap.controls().get(1))
              + (meets ? " sits on a screw of " : " nearly sits on a screw of ")
              + label(gap);
      case BOARD_SCREW -> label(gap) + (meets ? " sits on " : " nearly sits on ") + gap.against();
      case CAP_CAP ->
          between(gap) + (meets ? " caps run into each other" : " caps " + apart + " apart");
      case SWING_SWING ->
          between(gap)
              + (meets ? " swing into each other" : " swing " + apart + " from each other");
      case BODY_BODY -> between(gap) + (meets ? " bodies collide" : " bodies " + apart + " apart");
      case WRENCH_BODY ->
          "No wrench gets round " + label(gap) + " beside " + label(gap.controls().get(1));
      case WRENCH_WALL, WRENCH_BLOCK, WRENCH_BOARD ->
          "No wrench gets round " + label(gap) + " beside " + gap.against();
      case BODY_WALL ->
          label(gap) + (meets ? " body meets the case wall" : " body " + apart + " from the wall");
      case BODY_BLOCK ->
          label(gap) + (meets ? " body meets " : " body " + apart + " from ") + gap.against();
      case BODY_BOARD ->
          label(gap) + (meets ? " body sits on " : " body " + apart + " from ") + gap.against();
      case BODY_PLUG ->
          label(gap)
              + (meets
                  ? " body is where " + gap.against() + " goes"
                  : " body " + apart + " from " + gap.against());
      case LID_WALL, LID_BLOCK, LID_BOARD ->
          label(gap)
              + (meets ? " strikes " : " passes " + apart + " from ")
              + gap.against()
              + " as the lid swings";
      case BOARD_WALL -> label(gap) + " meets " + gap.against();
      case PLUG_WALL ->
          "The plug of " + gap.thing().words() + " has no room before " + gap.against();
      case BOARD_BLOCK -> label(gap) + " or its plug meets " + gap.against();
      case BOARD_BOARD -> label(gap) + " or its plug meets " + gap.against();
      case DEPTH, BOARD_DEPTH -> throw new AssertionError(gap);
    };
  }

  private static Code code(Gap.Kind kind) {
    return switch (kind) {
      case HOLE_HOLE -> PanelCode.HOLES_CLOSE;
      case HOLE_EDGE -> PanelCode.HOLE_AT_EDGE;
      case FLANGE_FLANGE -> PanelCode.FLANGES_CLOSE;
      case BODY_BODY -> PanelCode.BODIES_CLOSE;
      case BODY_WALL -> PanelCode.BODY_AT_WALL;
      case DEPTH -> PanelCode.PART_DEPTH;
      case BODY_BOARD -> PanelCode.BODY_AT_BOARD;
      case SWING_SWING -> PanelCode.SWINGS_CLOSE;
      case WRENCH_BODY, WRENCH_WALL, WRENCH_BLOCK, WRENCH_BOARD -> PanelCode.WRENCH_ROOM;
      case BODY_BLOCK -> PanelCode.BODY_AT_BLOCK;
      case BODY_PLUG -> PanelCode.BODY_AT_PLUG;
      case BOARD_WALL -> PanelCode.BOARD_AT_WALL;
      case PLUG_WALL -> PanelCode.PLUG_AT_WALL;
      case BOARD_BLOCK -> PanelCode.BOARD_AT_BLOCK;
      case BOARD_BOARD -> PanelCode.BOARDS_MEET;
      case BOARD_DEPTH -> PanelCode.BOARD_HEIGHT;
      case LID_WALL, LID_BLOCK, LID_BOARD -> PanelCode.LID_STRIKES;
      case FLANGE_EDGE -> PanelCode.FLANGE_AT_EDGE;
      case CAP_CAP -> PanelCode.CAPS_CLOSE;
      case HEAD_FLANGE, BOARD_SCREW -> PanelCode.FLANGE_ON_SCREW;
    };
  }

  /** What to cut where the plug is to pass through the wall instead of ending before it. */
  private String throughTheWall(Gap gap) {
    return WayOut.of(build, catalogue).stream()
        .filter(way -> way.board().equals(gap.thing().words()))
        .findFirst()
        .map(
            way ->
                ". Or let the grip pass through the wall: an opening "
                    + mm(way.plugMm())
                    + " wide, its middle "
                    + mm(way.atMm())
                    + " from the "
                    + way.side().from()
                    + " edge")
        .orElse("");
  }

  private Fix spaced(Spacing spacing) {
    String label =
        "Space the "
            + (spacing.alongX() ? "row" : "column")
            + " of "
            + spacing.places().size()
            + " at "
            + mm(spacing.pitchMm());
    return new Fix(label, Arrange.place(label, spacing.places()));
  }

  /** {@return a fix that moves controls, or the board where the nudge names none} */
  static Fix move(Build build, Nudge nudge, LengthUnit unit) {
    if (nudge.controls().isEmpty()) {
      SeatId seat = nudge.board().orElseThrow();
      String whose = build.seats().size() > 1 ? " of seat " + seat : "";
      return Fix.of(
          "Move the board" + whose + " " + nudge.words(unit),
          b -> Nudge.shifted(b, seat, nudge.dxMm(), nudge.dyMm()));
    }
    List<ControlId> ids = nudge.controls();
    String first = Arrange.name(build, ids.subList(0, 1));
    String name = ids.size() == 1 ? first : first + " and " + (ids.size() - 1) + " in line with it";
    return Fix.of(
        "Move " + name + " " + nudge.words(unit),
        b -> Arrange.shift(b, ids, nudge.dxMm(), nudge.dyMm()).apply(b));
  }

  // ---- downward

  private void depth(Gaps gaps) {
    Gap worst = null;
    boolean any = false;
    for (Gap gap : gaps.list()) {
      if (!gap.kind().downward()) {
        continue;
      }
      boolean board = gap.kind() == Gap.Kind.BOARD_DEPTH;
      if (!board) {
        worst = worst == null || gap.gapMm() < worst.gapMm() ? gap : worst;
      }
      if (gap.missingMm() > 0) {
        any = true;
        Finding finding = board ? tallBoard(gap) : deepPart(gap);
        findings.add(deeperCase(finding, gap.missingMm()));
      }
    }
    if (!any && worst != null) {
      findings.add(
          Finding.of(
                  PanelCode.DEPTHS_FINE,
                  List.of(Subject.of(worst.controls().get(0))),
                  "Depth fits",
                  label(worst) + " is the deepest and leaves " + mm(worst.gapMm()))
              .showing(worst.working()));
    }
  }

  private Finding deepPart(Gap gap) {
    boolean deeper = gap.gapMm() < 0;
    return Finding.of(
            PanelCode.PART_DEPTH,
            deeper ? Severity.STOP : Severity.LOOK,
            List.of(Subject.of(gap.controls().get(0))),
            label(gap) + (deeper ? " is deeper than the case" : " leaves little room below"),
            mm(gap.neededMm())
                + " needed below the tabs for the bend of the wire, "
                + (deeper ? mm(-gap.gapMm()) + " too deep" : mm(gap.gapMm()) + " there"))
        .ofMany(deeper ? "parts are deeper than the case" : "parts leave little room below")
        .showing(gap.working());
  }

  private Finding tallBoard(Gap gap) {
    boolean taller = gap.gapMm() < 0;
    BoardChoice choice = board(gap);
    BoardKind kind = catalogue.board(choice.kind()).orElseThrow();
    SeatId seat = gap.thing().board().orElseThrow();
    Finding finding =
        Finding.of(
                PanelCode.BOARD_HEIGHT,
                taller ? Severity.STOP : Severity.LOOK,
                List.of(),
                label(gap) + (taller ? " is taller than the case" : " all but fills the depth"),
                "With what stands on it and its standoffs it takes "
                    + mm(choice.heightMm(kind))
                    + "; there are "
                    + mm(choice.heightMm(kind) + gap.gapMm())
                    + " at its place")
            .showing(gap.working());
    return !choice.stripped() && kind.seating().strippedMm() < choice.heightMm(kind)
        ? finding.mendedBy(
            Fix.of(
                "Take its connectors off: wires are soldered then",
                b ->
                    b.withSeats(
                        b.seats().stream()
                            .map(
                                s ->
                                    s.id().equals(seat)
                                        ? s.withBoard(s.board().map(c -> c.withStripped(true)))
                                        : s)
                            .toList())))
        : finding;
  }

  private Finding deeperCase(Finding finding, double missingMm) {
    double more = Math.ceil(missingMm);
    double wanted = build.panel().inside().depthMm() + more;
    return wanted > 2000
        ? finding
        : finding.mendedBy(
            Fix.of(
                "Make the case " + mm(wanted) + " deep inside",
                b -> b.withPanel(b.panel().withInside(b.panel().inside().deeperBy(more)))));
  }

  // ---- words

  private String between(Gap gap) {
    return gap.controls().isEmpty()
        ? gap.thing().words() + " and " + gap.against()
        : label(gap) + " and " + gap.other().map(this::label).orElse(gap.against());
  }

  private String label(Gap gap) {
    return gap.control().map(this::label).orElseGet(() -> capital(gap.thing().words()));
  }

  private BoardChoice board(Gap gap) {
    SeatId whose = gap.thing().board().orElseThrow();
    return build.seats().stream()
        .filter(seat -> seat.id().equals(whose))
        .findFirst()
        .flatMap(seat -> seat.board())
        .orElseThrow();
  }

  private String label(ControlId id) {
    return build.control(id).map(kumite.build.Control::label).orElse(id.text());
  }

  private String mm(double mm) {
    return Length.text(mm, unit);
  }

  private static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }
}
