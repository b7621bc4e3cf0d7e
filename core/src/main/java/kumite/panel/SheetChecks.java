package kumite.panel;

import java.util.List;
import kumite.build.Build;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.measure.Length;
import kumite.parts.Catalogue;

/** Whether the sheet is stiff enough to be pressed on. */
public final class SheetChecks {
  private SheetChecks() {}

  /** {@return whether the sheet bends} */
  public static List<Finding> of(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    Sheet sheet = Sheet.of(panel);
    if (sheet.bendsMm() <= Sheet.MOST_MM || build.onPanel().isEmpty()) {
      return List.of();
    }
    double enough =
        Math.ceil(panel.thicknessMm() * Math.cbrt(sheet.bendsMm() / Sheet.MOST_MM) * 2) / 2;
    Finding finding =
        Finding.of(
                PanelCode.SHEET_BENDS,
                List.of(Subject.PANEL),
                "The panel bends under the hand",
                "A firm press in the middle of the largest field that nothing holds, "
                    + mm(build, sheet.longMm())
                    + " by "
                    + mm(build, sheet.shortMm())
                    + ", pushes it down by "
                    + mm(build, sheet.bendsMm())
                    + ". A batten under the panel along the middle of that field halves it; or take "
                    + mm(build, enough)
                    + " of "
                    + panel.material().words())
            .showing(sheet.working(panel));
    boolean holds =
        enough <= 60
            && build.onPanel().stream()
                .allMatch(c -> Grip.holds(catalogue.kindOf(c), panel.withThickness(enough)));
    return List.of(
        holds
            ? finding.mendedBy(
                Fix.of(
                    "Make the panel " + mm(build, enough) + " thick",
                    b -> b.withPanel(b.panel().withThickness(enough))))
            : finding);
  }

  private static String mm(Build build, double mm) {
    return Length.text(mm, build.brief().units());
  }
}
