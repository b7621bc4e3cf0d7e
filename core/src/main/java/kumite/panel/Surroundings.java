package kumite.panel;

import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.parts.Catalogue;

/**
 * Everything about a panel that does not depend on a single part.
 *
 * @param webMm the least material to leave between two holes
 * @param edge the panel's edge
 * @param wall the inside of the case
 * @param outlines those of the blocks, in their order
 * @param boards those of all seats
 * @param box how the case is made, where that was decided
 */
record Surroundings(
    Panel panel,
    double webMm,
    Boundary edge,
    Boundary wall,
    List<Swept> outlines,
    List<BoardRoom> boards,
    Optional<Box> box) {

  static Surroundings of(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    return new Surroundings(
        panel,
        panel.material().webMm(panel.thicknessMm()),
        Boundary.edge(panel),
        Boundary.wall(panel),
        panel.inside().blocks().stream().map(Swept::of).toList(),
        BoardRoom.of(build, catalogue),
        build.get(BoxBook.PART).box());
  }

  /** {@return whether an opening of the case lets the plug of a board out} */
  boolean lets(BoardRoom board) {
    return box.isPresent()
        && panel.rectangular()
        && WayOut.of(board, panel).filter(way -> way.let(box.get())).isPresent();
  }

  List<Block> blocks() {
    return panel.inside().blocks();
  }
}
