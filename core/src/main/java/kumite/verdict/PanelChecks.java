package kumite.verdict;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.panel.Gap;
import kumite.panel.Gaps;
import kumite.panel.Levers;
import kumite.panel.Nudge;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the panel: room, depth, thickness. */
final class PanelChecks {
  /** Looking for a move costs time; beyond this many faults the worst ones are mended first. */
  private static final int MOST_NUDGES = 8;

  private static final Map<Gap.Kind, String> CODES = new EnumMap<>(Gap.Kind.class);

  static {
    CODES.put(Gap.Kind.HOLE_HOLE, "PN-01");
    CODES.put(Gap.Kind.HOLE_EDGE, "PN-02");
    CODES.put(Gap.Kind.FLANGE_FLANGE, "PN-03");
    CODES.put(Gap.Kind.BODY_BODY, "PN-04");
    CODES.put(Gap.Kind.BODY_WALL, "PN-05");
    CODES.put(Gap.Kind.DEPTH, "PN-06");
    CODES.put(Gap.Kind.BODY_BOARD, "PN-08");
    CODES.put(Gap.Kind.SWING_SWING, "PN-10");
    CODES.put(Gap.Kind.WRENCH_BODY, "PN-11");
    CODES.put(Gap.Kind.BODY_BLOCK, "PN-12");
    CODES.put(Gap.Kind.BODY_PLUG, "PN-13");
    CODES.put(Gap.Kind.BOARD_WALL, "PN-14");
    CODES.put(Gap.Kind.PLUG_WALL, "PN-15");
    CODES.put(Gap.Kind.BOARD_BLOCK, "PN-16");
  }

  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final Nudge.Search search;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ControlId, Control> controls = new HashMap<>();

  private PanelChecks(Build build, Catalogue catalogue, Nudge.Search search) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
    this.search = search;
    build.controls().forEach(control -> controls.put(control.id(), control));
  }

  static List<Finding> of(Build build, Catalogue catalogue, Gaps gaps, Nudge.Search search) {
    PanelChecks checks = new PanelChecks(build, catalogue, search);
    if (!build.controls().isEmpty() || build.board().isPresent()) {
      Set<ControlId> off = checks.offThePanel();
      checks.narrow(gaps, off);
    }
    if (!build.controls().isEmpty()) {
      checks.depth(gaps);
      checks.thickness();
      checks.shafts();
    }
    return checks.findings;
  }

  private Set<ControlId> offThePanel() {
    Set<ControlId> off = new HashSet<>(Arrange.offPanel(build));
    for (Control control : build.controls()) {
      if (off.contains(control.id())) {
        kumite.build.Edit back = Arrange.bringBack(build, control.id());
        kumite.build.Edit free = Arrange.bringToFreePlace(catalogue, control.id(), back);
        findings.add(
            Finding.of(
                    "PN-09",
                    Severity.STOP,
                    Station.PANEL,
                    List.of(control.id().text()),
                    control.label() + " is off the panel",
                    "Its centre lies outside the outline of the panel")
                .mendedBy(new Fix(free.label(), free))
                .mendedBy(new Fix(back.label(), back)));
      }
    }
    return off;
  }

  /** One finding for each pair of parts, about the height at which most is missing. */
  private void narrow(Gaps gaps, Set<ControlId> off) {
    Map<String, List<Gap>> byPair = new LinkedHashMap<>();
    for (Gap gap : gaps.tooNarrow()) {
      boolean elsewhere = gap.controls().stream().anyMatch(off::contains);
      if (gap.kind() != Gap.Kind.DEPTH && !elsewhere) {
        String pair =
            gap.controls().size() == 2
                ? new java.util.TreeSet<>(gap.controls()).toString()
                : gap.controls() + "/" + gap.kind().height() + gap.against();
        byPair.computeIfAbsent(pair, p -> new ArrayList<>()).add(gap);
      }
    }
    int nudges = 0;
    for (List<Gap> pair : byPair.values()) {
      Gap worst = pair.get(0);
      Finding finding = finding(worst, pair).drawn(worst).showing(worst.working());
      findings.add(
          nudges++ < MOST_NUDGES
              ? finding.mendedBy(() -> search.forGap(worst).map(this::move))
              : finding);
    }
    if (byPair.isEmpty()) {
      Optional<Gap> closest = gaps.sideways().stream().findFirst();
      Finding fine =
          Finding.of(
              "PN-20",
              Severity.FINE,
              Station.PANEL,
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
      findings.add(closest.map(gap -> fine.drawn(gap).showing(gap.working())).orElse(fine));
    }
  }

  private Finding finding(Gap gap, List<Gap> pair) {
    boolean overlap = gap.gapMm() <= 0;
    boolean stop =
        overlap && gap.kind() != Gap.Kind.PLUG_WALL && gap.kind() != Gap.Kind.WRENCH_BODY
            || gap.kind().height() == kumite.panel.Height.PANEL && gap.gapMm() < gap.neededMm() / 2;
    String apart = mm(gap.gapMm());
    String title =
        switch (gap.kind()) {
          case HOLE_HOLE ->
              between(gap) + (overlap ? " holes run into each other" : " leave a web of " + apart);
          case HOLE_EDGE ->
              label(gap)
                  + (overlap
                      ? " hole breaks the panel's edge"
                      : " hole sits " + apart + " from the edge");
          case FLANGE_FLANGE ->
              between(gap) + (overlap ? " flanges overlap" : " flanges " + apart + " apart");
          case SWING_SWING ->
              between(gap)
                  + (overlap ? " swing into each other" : " swing " + apart + " from each other");
          case BODY_BODY ->
              between(gap) + (overlap ? " bodies collide" : " bodies " + apart + " apart");
          case WRENCH_BODY ->
              "No wrench gets round " + label(gap) + " beside " + label(gap.controls().get(1));
          case BODY_WALL ->
              label(gap)
                  + (overlap ? " body meets the case wall" : " body " + apart + " from the wall");
          case BODY_BLOCK ->
              label(gap)
                  + (overlap
                      ? " body meets " + gap.against()
                      : " body " + apart + " from " + gap.against());
          case BODY_BOARD ->
              label(gap)
                  + (overlap ? " body sits on the board" : " body " + apart + " from the board");
          case BODY_PLUG ->
              label(gap)
                  + (overlap
                      ? " body is where the board's plug goes"
                      : " body " + apart + " from the board's plug");
          case BOARD_WALL -> "The board meets " + gap.against();
          case PLUG_WALL -> "The board's plug has no room before " + gap.against();
          case BOARD_BLOCK -> "The board or its plug meets " + gap.against();
          case DEPTH -> throw new AssertionError(gap);
        };
    StringBuilder detail =
        new StringBuilder(capital(gap.kind().words()))
            .append(": ")
            .append(mm(gap.neededMm()))
            .append(" needed, ")
            .append(overlap ? "overlap " + mm(-gap.gapMm()) : mm(gap.gapMm()) + " there");
    pair.stream()
        .skip(1)
        .forEach(
            other ->
                detail
                    .append("; ")
                    .append(other.kind().words())
                    .append(" ")
                    .append(mm(other.gapMm())));
    List<String> about = gap.controls().stream().map(ControlId::text).toList();
    return Finding.of(
        CODES.get(gap.kind()),
        stop ? Severity.STOP : Severity.LOOK,
        Station.PANEL,
        about,
        title,
        detail.toString());
  }

  private Fix move(Nudge nudge) {
    return move(build, nudge, unit);
  }

  /** {@return a fix that moves a control, or the board where the nudge names none} */
  static Fix move(Build build, Nudge nudge, LengthUnit unit) {
    if (nudge.control().isEmpty()) {
      return Fix.of(
          "Move the board " + nudge.words(unit),
          b ->
              b.withBoard(
                  b.board()
                      .map(
                          board ->
                              board.at(
                                  board
                                      .placement()
                                      .movedTo(
                                          board.placement().xMm() + nudge.dxMm(),
                                          board.placement().yMm() + nudge.dyMm())))));
    }
    ControlId id = nudge.control().get();
    String name = build.control(id).map(Control::label).orElse(id.text());
    return Fix.of(
        "Move " + name + " " + nudge.words(unit),
        b -> Arrange.shift(b, List.of(id), nudge.dxMm(), nudge.dyMm()).apply(b));
  }

  private void depth(Gaps gaps) {
    Gap worst = null;
    boolean any = false;
    double deepest = 0;
    for (Gap gap : gaps.list()) {
      if (gap.kind() != Gap.Kind.DEPTH) {
        continue;
      }
      worst = worst == null || gap.gapMm() < worst.gapMm() ? gap : worst;
      deepest = Math.max(deepest, gap.missingMm());
      if (gap.missingMm() > 0) {
        any = true;
        double more = Math.ceil(gap.missingMm());
        double wanted = build.panel().inside().depthMm() + more;
        findings.add(
            Finding.of(
                    "PN-06",
                    gap.gapMm() < 0 ? Severity.STOP : Severity.LOOK,
                    Station.PANEL,
                    List.of(gap.controls().get(0).text()),
                    label(gap)
                        + (gap.gapMm() < 0
                            ? " is deeper than the case"
                            : " leaves little room below"),
                    mm(gap.neededMm())
                        + " needed below the tabs for the bend of the wire, "
                        + (gap.gapMm() < 0
                            ? mm(-gap.gapMm()) + " too deep"
                            : mm(gap.gapMm()) + " there"))
                .showing(gap.working())
                .mendedBy(
                    wanted > 2000
                        ? Optional.empty()
                        : Optional.of(
                            Fix.of(
                                "Make the case " + mm(wanted) + " deep inside",
                                b ->
                                    b.withPanel(
                                        b.panel()
                                            .withInside(b.panel().inside().deeperBy(more)))))));
      }
    }
    if (!any && worst != null) {
      findings.add(
          Finding.of(
                  "PN-21",
                  Severity.FINE,
                  Station.PANEL,
                  List.of(worst.controls().get(0).text()),
                  "Depth fits",
                  label(worst) + " is the deepest and leaves " + mm(worst.gapMm()))
              .showing(worst.working()));
    }
  }

  private void thickness() {
    Panel panel = build.panel();
    boolean any = false;
    double low = 0.5;
    double high = 60;
    for (Control control : build.controls()) {
      ControlKind kind = catalogue.kindOf(control);
      low = Math.max(low, kind.thinnestMm());
      high = Math.min(high, kind.thickestMm());
    }
    for (Control control : build.controls()) {
      ControlKind kind = catalogue.kindOf(control);
      boolean thin = panel.thicknessMm() < kind.thinnestMm();
      if (thin || panel.thicknessMm() > kind.thickestMm()) {
        any = true;
        findings.add(
            Finding.of(
                    "PN-07",
                    Severity.STOP,
                    Station.PANEL,
                    List.of(control.id().text()),
                    control.label() + " does not hold in this panel",
                    "It takes "
                        + mm(kind.thinnestMm())
                        + " to "
                        + mm(kind.thickestMm())
                        + "; the panel is "
                        + mm(panel.thicknessMm()))
                .mendedBy(thicknessFix(control, kind, low, high)));
      }
    }
    if (!any) {
      findings.add(
          Finding.of(
              "PN-22",
              Severity.FINE,
              Station.PANEL,
              List.of(),
              "The panel holds every part",
              "All take "
                  + mm(panel.thicknessMm())
                  + "; from "
                  + mm(low)
                  + " to "
                  + mm(high)
                  + " would do"));
    }
  }

  private Optional<Fix> thicknessFix(Control control, ControlKind kind, double low, double high) {
    Optional<ControlKind> other =
        catalogue.controls().stream()
            .filter(k -> k.family() == kind.family() && k.cutout().equals(kind.cutout()))
            .filter(k -> k.contacts().equals(kind.contacts()) && k.lit() == kind.lit())
            .filter(k -> build.panel().thicknessMm() >= k.thinnestMm())
            .filter(k -> build.panel().thicknessMm() <= k.thickestMm())
            .findFirst();
    if (other.isPresent()) {
      return Optional.of(
          Fix.of(
              "Use " + other.get().name() + " for " + control.label(),
              b -> b.withControl(control.id(), c -> c.withKind(other.get().id()))));
    }
    if (low > high) {
      return Optional.empty();
    }
    double wanted = Math.max(low, Math.min(high, build.panel().thicknessMm()));
    return Optional.of(
        Fix.of(
            "Make the panel " + mm(wanted) + " thick",
            b -> b.withPanel(b.panel().withThickness(wanted))));
  }

  private String between(Gap gap) {
    return gap.controls().isEmpty()
        ? "the board and " + gap.against()
        : label(gap) + " and " + gap.other().map(this::label).orElse(gap.against());
  }

  private String label(Gap gap) {
    return gap.control().map(this::label).orElse("The board");
  }

  /** A lever's shaft that a thick panel swallows can hardly be gripped. */
  private void shafts() {
    Panel panel = build.panel();
    for (Control control : build.controls()) {
      ControlKind kind = catalogue.kindOf(control);
      kind.gate()
          .ifPresent(
              gate -> {
                double left = kind.leftAboveMm(gate.shaftMm(), panel.thicknessMm());
                if (left < Levers.LEAST_SHAFT_MM) {
                  findings.add(
                      Finding.of(
                              "PN-17",
                              Severity.LOOK,
                              Station.PANEL,
                              List.of(control.id().text()),
                              control.label() + " stands only " + mm(left) + " high",
                              "Its shaft is "
                                  + mm(gate.shaftMm())
                                  + " in a thin panel; "
                                  + mm(Levers.LEAST_SHAFT_MM)
                                  + " is the least to grip well. Recess the panel from below, or"
                                  + " take a longer shaft")
                          .showing(
                              new Working(
                                  "shaft left above the panel",
                                  "h = h0 - (t - t0)",
                                  List.of(
                                      Working.value(
                                          "h0", gate.shaftMm(), 1, "mm", "in its thinnest panel"),
                                      Working.value(
                                          "t", panel.thicknessMm(), 1, "mm", "this panel"),
                                      Working.value(
                                          "t0", kind.thinnestMm(), 1, "mm", "the thinnest")),
                                  Working.number(left, 1) + " mm",
                                  Source.common("shafts differ by model: measure yours")))
                          .mendedBy(longerShaft(control, kind)));
                }
              });
    }
  }

  private Optional<Fix> longerShaft(Control control, ControlKind kind) {
    double thickness = build.panel().thicknessMm();
    return catalogue.controls(ControlKind.Family.LEVER).stream()
        .filter(k -> k.contacts().size() == kind.contacts().size())
        .filter(k -> thickness >= k.thinnestMm() && thickness <= k.thickestMm())
        .filter(
            k ->
                k.leftAboveMm(k.gate().map(ControlKind.Gate::shaftMm).orElse(0.0), thickness)
                    >= Levers.LEAST_SHAFT_MM)
        .findFirst()
        .map(
            k -> {
              kumite.build.Edit swap = Arrange.swap(build, catalogue, control.id(), k);
              return new Fix(swap.label(), swap);
            });
  }

  private String label(ControlId id) {
    return controls.get(id).label();
  }

  private String mm(double mm) {
    return Length.text(mm, unit);
  }

  private static String capital(String text) {
    return Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }
}
