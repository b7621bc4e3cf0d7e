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
import kumite.build.CaseInside;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Length;
import kumite.build.LengthUnit;
import kumite.build.Panel;
import kumite.panel.Arrange;
import kumite.panel.Gap;
import kumite.panel.Gaps;
import kumite.panel.Nudge;
import kumite.parts.Catalogue;
import kumite.parts.ControlKind;

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
  }

  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ControlId, Control> controls = new HashMap<>();

  private PanelChecks(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
    build.controls().forEach(control -> controls.put(control.id(), control));
  }

  static List<Finding> of(Build build, Catalogue catalogue, Gaps gaps) {
    PanelChecks checks = new PanelChecks(build, catalogue);
    if (!build.controls().isEmpty()) {
      Set<ControlId> off = checks.offThePanel();
      checks.narrow(gaps, off);
      checks.depth(gaps);
      checks.thickness();
    }
    return checks.findings;
  }

  private Set<ControlId> offThePanel() {
    Set<ControlId> off = new HashSet<>();
    Panel panel = build.panel();
    for (Control control : build.controls()) {
      double x = control.placement().xMm();
      double y = control.placement().yMm();
      if (x < 0 || y < 0 || x > panel.widthMm() || y > panel.heightMm()) {
        off.add(control.id());
        findings.add(
            Finding.of(
                    "PN-09",
                    Severity.STOP,
                    Station.PANEL,
                    List.of(control.id().text()),
                    control.label() + " is off the panel",
                    "Its centre lies outside the outline of the panel")
                .mendedBy(
                    Fix.of(
                        "Bring " + control.label() + " back",
                        b ->
                            b.withControl(
                                control.id(),
                                c ->
                                    c.withPlacement(
                                        c.placement()
                                            .movedTo(
                                                Math.max(0, Math.min(x, b.panel().widthMm())),
                                                Math.max(
                                                    0, Math.min(y, b.panel().heightMm()))))))));
      }
    }
    return off;
  }

  /** One finding for each pair of parts, about the height at which most is missing. */
  private void narrow(Gaps gaps, Set<ControlId> off) {
    Map<String, List<Gap>> byPair = new LinkedHashMap<>();
    for (Gap gap : gaps.tooNarrow()) {
      if (gap.kind() != Gap.Kind.DEPTH && !off.contains(gap.control())) {
        String pair =
            gap.control()
                + " "
                + gap.other().map(ControlId::text).orElse("/" + gap.kind().height());
        byPair.computeIfAbsent(pair, p -> new ArrayList<>()).add(gap);
      }
    }
    int nudges = 0;
    for (List<Gap> pair : byPair.values()) {
      Gap worst = pair.get(0);
      Optional<Fix> fix =
          nudges++ < MOST_NUDGES
              ? Nudge.forGap(build, catalogue, worst).map(this::move)
              : Optional.empty();
      findings.add(finding(worst, pair).drawn(worst).showing(worst.working()).mendedBy(fix));
    }
    if (byPair.isEmpty()) {
      Optional<Gap> closest =
          gaps.list().stream().filter(gap -> gap.kind() != Gap.Kind.DEPTH).findFirst();
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
        overlap
            || gap.kind().height() == kumite.panel.Height.PANEL && gap.gapMm() < gap.neededMm() / 2;
    String title =
        switch (gap.kind()) {
          case HOLE_HOLE ->
              between(gap)
                  + (overlap ? " holes run into each other" : " leave a web of " + mm(gap.gapMm()));
          case HOLE_EDGE ->
              label(gap.control())
                  + (overlap
                      ? " hole breaks the panel's edge"
                      : " hole sits " + mm(gap.gapMm()) + " from the edge");
          case FLANGE_FLANGE ->
              between(gap)
                  + (overlap ? " flanges overlap" : " flanges " + mm(gap.gapMm()) + " apart");
          case BODY_BODY ->
              between(gap)
                  + (overlap ? " bodies collide" : " bodies " + mm(gap.gapMm()) + " apart");
          case BODY_WALL ->
              label(gap.control())
                  + (overlap
                      ? " body meets the case wall"
                      : " body " + mm(gap.gapMm()) + " from the wall");
          case BODY_BOARD ->
              label(gap.control())
                  + (overlap
                      ? " body sits on the board"
                      : " body " + mm(gap.gapMm()) + " from the board");
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
    List<String> about = new ArrayList<>(List.of(gap.control().text()));
    gap.other().ifPresent(other -> about.add(other.text()));
    return Finding.of(
        CODES.get(gap.kind()),
        stop ? Severity.STOP : Severity.LOOK,
        Station.PANEL,
        about,
        title,
        detail.toString());
  }

  private Fix move(Nudge nudge) {
    String label = "Move " + label(nudge.control()) + " " + nudge.words(unit);
    return new Fix(
        label,
        new kumite.build.Edit(
            label,
            b -> Arrange.shift(b, List.of(nudge.control()), nudge.dxMm(), nudge.dyMm()).apply(b)));
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
        double wanted = Math.ceil(build.panel().inside().depthMm() + gap.missingMm());
        findings.add(
            Finding.of(
                    "PN-06",
                    gap.gapMm() < 0 ? Severity.STOP : Severity.LOOK,
                    Station.PANEL,
                    List.of(gap.control().text()),
                    label(gap.control())
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
                                            .withInside(
                                                new CaseInside(
                                                    b.panel().inside().wallMm(), wanted)))))));
      }
    }
    if (!any && worst != null) {
      findings.add(
          Finding.of(
                  "PN-21",
                  Severity.FINE,
                  Station.PANEL,
                  List.of(worst.control().text()),
                  "Depth fits",
                  label(worst.control()) + " is the deepest and leaves " + mm(worst.gapMm()))
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
    return label(gap.control())
        + gap.other()
            .map(other -> " and " + label(other))
            .orElse(
                switch (gap.kind()) {
                  case BODY_WALL -> " and the wall";
                  case HOLE_EDGE -> " and the edge";
                  default -> " and the board";
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
