package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import kumite.build.Build;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.kind.BoardKind;
import kumite.parts.Catalogue;

/** Checks of the planned wiring, each subject in a room of its own. */
public final class LoomChecks {
  private LoomChecks() {}

  /** {@return the step that chooses a board for a build that has none} */
  public static Supplier<Optional<Fix>> board(Build build, Catalogue catalogue, Loom loom) {
    return PlaceChecks.board(build, catalogue, loom);
  }

  /** {@return what is to be said of the planned wires of the seat looked at} */
  public static List<Finding> of(Build build, Catalogue catalogue, Loom loom) {
    List<Finding> findings = new ArrayList<>();
    if (loom.sites().isEmpty()) {
      return findings;
    }
    Optional<BoardKind> board = catalogue.boardOf(build);
    board.ifPresent(b -> findings.addAll(LockChecks.of(build, loom, b)));
    findings.addAll(PlaceChecks.of(build, catalogue, loom, board));
    board.ifPresent(
        b -> {
          findings.addAll(CommonChecks.of(build, catalogue, loom, b));
          findings.addAll(SharingChecks.of(build, loom));
          findings.addAll(PinChecks.of(loom, b));
          findings.addAll(ColourChecks.of(build, loom));
          TabChecks.of(build, loom).ifPresent(findings::add);
          findings.addAll(StockChecks.of(build, loom));
          LidChecks.of(build, catalogue, loom).ifPresent(findings::add);
        });
    return findings;
  }
}
