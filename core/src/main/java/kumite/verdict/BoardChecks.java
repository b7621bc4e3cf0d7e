package kumite.verdict;

import java.util.List;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.measure.Length;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the board in its case. */
final class BoardChecks {
  private BoardChecks() {}

  static List<Finding> of(Build build, Catalogue catalogue) {
    Optional<BoardKind> kind = catalogue.boardOf(build);
    return kind.flatMap(board -> tall(build, build.board().orElseThrow(), board)).stream().toList();
  }

  /** A board that stands higher than there is room between panel and floor. */
  private static Optional<Finding> tall(Build build, BoardChoice choice, BoardKind board) {
    double room = Double.POSITIVE_INFINITY;
    for (double end : new double[] {-0.5, 0.5}) {
      Point edge = choice.placement().place(new Point(0, end * board.heightMm()));
      room = Math.min(room, build.panel().depthAtMm(edge.yMm()));
    }
    double height = choice.heightMm(board);
    double missing = height - room;
    if (missing <= 0) {
      return Optional.empty();
    }
    String floor = build.panel().inside().depthMm() == room ? "" : " at its shallow end";
    Finding finding =
        Finding.of(
                "PN-18",
                Severity.STOP,
                Station.PANEL,
                List.of(),
                "The board is taller than the case",
                "It stands "
                    + mm(build, height)
                    + " high, standoffs included; there are "
                    + mm(build, room)
                    + floor)
            .showing(
                new Working(
                    "room above the board",
                    "room = depth - height",
                    List.of(
                        Working.value("depth", room, 1, "mm", "underside of panel to case floor"),
                        Working.value("height", height, 1, "mm", "board on its standoffs")),
                    Working.number(room - height, 1) + " mm",
                    Source.common("heights of boards and standoffs vary: measure yours")));
    if (!choice.stripped() && board.seating().strippedMm() < height) {
      finding =
          finding.mendedBy(
              Fix.of(
                  "Take its connectors off: wires are soldered then",
                  b -> b.withBoard(b.board().map(c -> c.withStripped(true)))));
    }
    double more = Math.ceil(missing);
    return Optional.of(
        build.panel().inside().depthMm() + more > 2000
            ? finding
            : finding.mendedBy(
                Fix.of(
                    "Make the case "
                        + mm(build, build.panel().inside().depthMm() + more)
                        + " deep inside",
                    b -> b.withPanel(b.panel().withInside(b.panel().inside().deeperBy(more))))));
  }

  private static String mm(Build build, double mm) {
    return Length.text(mm, build.brief().units());
  }
}
