package kumite.panel;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of parts by themselves: sinks, flanges, labels. */
final class PartChecks {
  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final List<Finding> findings = new ArrayList<>();

  private PartChecks(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
  }

  static List<Finding> of(Build build, Catalogue catalogue) {
    PartChecks checks = new PartChecks(build, catalogue);
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      checks.sink(control, kind);
      checks.cover(control, kind);
    }
    checks.labels();
    return checks.findings;
  }

  private void sink(Control control, ControlKind kind) {
    Panel panel = build.panel();
    Set<String> said = new LinkedHashSet<>();
    for (ScrewHole hole : kind.screws()) {
      Optional<Screw> screw = Screw.named(hole.screw()).filter(s -> s.headMm() > 0);
      if (screw.isEmpty()
          || screw.get().leavesMm(hole, panel) >= panel.material().underSinkMm()
          || !said.add(hole.screw())) {
        continue;
      }
      double deep = screw.get().sinkDepthMm(hole.diameterMm());
      double left = panel.thicknessMm() - deep;
      findings.add(
          Finding.of(
                  PanelCode.SINK,
                  left <= 0 ? Severity.LOOK : Severity.FINE,
                  List.of(Subject.of(control.id())),
                  "The "
                      + hole.screw()
                      + " heads of "
                      + control.label()
                      + (left <= 0 ? " cannot be sunk" : " stay on the face"),
                  "A sink for a flat head goes "
                      + mm(deep)
                      + " deep "
                      + (left <= 0 ? "and would widen the hole" : "and leaves " + mm(left))
                      + "; the sheet is "
                      + mm(panel.thicknessMm())
                      + ", and "
                      + panel.material().words()
                      + " wants "
                      + mm(panel.material().underSinkMm())
                      + " below a head. Take pan heads"
                      + (panel.material().youngGpa() > 50 ? ", or dimple thin metal" : ""))
              .ofMany("parts have screw heads that are not sunk")
              .showing(
                  new Working(
                      "depth of the sink",
                      "s = (D - d) / 2 / tan(a / 2)",
                      List.of(
                          Working.value(
                              "D", screw.get().headMm(), 2, "mm", "head of " + hole.screw()),
                          Working.value("d", hole.diameterMm(), 1, "mm", "its hole"),
                          Working.value(
                              "a", screw.get().coneDegrees(), 0, "degrees", "cone of its head"),
                          Working.value("t", panel.thicknessMm(), 1, "mm", "this panel")),
                      Working.number(deep, 2) + " mm",
                      Source.memory("ISO 10642 and ASME B18.6.3 heads, ISO 273 holes"))));
    }
  }

  private void cover(Control control, ControlKind kind) {
    double cover = kind.coverMm();
    boolean above = kind.mount().from() == ControlKind.Mount.From.ABOVE;
    boolean glued = kind.mount().how() == ControlKind.Mount.How.GLUE;
    if (cover > 0.05 || cover > -0.05 && (!above || glued)) {
      return;
    }
    boolean falls = above && !glued && cover < 0.05;
    findings.add(
        Finding.of(
                PanelCode.FLANGE_OVER_HOLE,
                falls && cover < -0.05 ? Severity.STOP : Severity.LOOK,
                List.of(Subject.of(control.id())),
                control.label()
                    + (cover < -0.05 ? "'s flange does not cover its hole" : " has no flange"),
                (cover < -0.05
                        ? mm(-cover) + " of the hole show beside it"
                        : "Its flange is as large as its hole")
                    + (falls ? "; put in from above, nothing holds it there" : "")
                    + ". Measure its flange again, or the hole")
            .showing(
                new Working(
                    "cover of the hole",
                    "c = least distance from the edge of the hole to the rim of the flange",
                    List.of(
                        Working.words("flange", size(kind.face()), kind.name()),
                        Working.words("hole", size(kind.cutout()), kind.name())),
                    Working.number(cover, 1) + " mm",
                    Source.common("outlines as the part file gives them"))));
  }

  private static String size(kumite.measure.Shape shape) {
    return Working.number(shape.widthMm(), 1) + " x " + Working.number(shape.heightMm(), 1) + " mm";
  }

  /** Two things of one name cannot be told apart on paper, on wire flags or in the log. */
  private void labels() {
    Map<String, List<Control>> byLabel = new LinkedHashMap<>();
    for (Control control : build.onPanel()) {
      byLabel
          .computeIfAbsent(
              control.label().strip().toLowerCase(java.util.Locale.ROOT), l -> new ArrayList<>())
          .add(control);
    }
    for (List<Control> same : byLabel.values()) {
      if (same.size() > 1) {
        String label = same.get(0).label();
        findings.add(
            Finding.of(
                    PanelCode.SAME_LABEL,
                    same.stream().map(c -> Subject.of(c.id())).toList(),
                    same.size() + " controls are called \"" + label + "\"",
                    "On the drill table, the wire flags and the map they cannot be told apart")
                .mendedBy(
                    Fix.of(
                        same.size() == 2 ? "Rename the second" : "Rename all but the first",
                        b -> {
                          Build after = b;
                          for (Control control : same.subList(1, same.size())) {
                            String fresh = after.freshLabel(control.label().strip());
                            after = after.withControl(control.id(), c -> c.withLabel(fresh));
                          }
                          return after;
                        })));
      }
    }
  }

  private String mm(double mm) {
    return Length.text(mm, unit);
  }
}
