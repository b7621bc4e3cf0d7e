package kumite.verdict;

import java.util.List;
import kumite.build.Build;
import kumite.build.panel.Panel;
import kumite.measure.Length;
import kumite.panel.Sheet;

/** Whether the sheet is stiff enough to be pressed on. */
final class SheetChecks {
  private SheetChecks() {}

  static List<Finding> of(Build build) {
    Panel panel = build.panel();
    Sheet sheet = Sheet.of(panel);
    if (sheet.bendsMm() <= Sheet.MOST_MM || build.controls().isEmpty()) {
      return List.of();
    }
    double enough =
        Math.ceil(panel.thicknessMm() * Math.cbrt(sheet.bendsMm() / Sheet.MOST_MM) * 2) / 2;
    return List.of(
        Finding.of(
                "PN-33",
                Severity.LOOK,
                Station.PANEL,
                List.of(),
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
            .showing(sheet.working(panel)));
  }

  private static String mm(Build build, double mm) {
    return Length.text(mm, build.brief().units());
  }
}
