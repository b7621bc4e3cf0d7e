package kumite.panel;

import java.util.List;
import kumite.build.Build;
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
 */
record Surroundings(
    Panel panel,
    double webMm,
    Boundary edge,
    Boundary wall,
    List<Swept> outlines,
    List<BoardRoom> boards) {

  static Surroundings of(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    return new Surroundings(
        panel,
        panel.material().webMm(panel.thicknessMm()),
        Boundary.edge(panel),
        Boundary.wall(panel),
        panel.inside().blocks().stream().map(Swept::of).toList(),
        BoardRoom.of(build, catalogue));
  }

  List<Block> blocks() {
    return panel.inside().blocks();
  }
}
