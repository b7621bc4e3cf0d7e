package kumite.panel;

import java.util.List;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;

/** What of the case can be told without any part in it. */
public final class Surrounds {
  private Surrounds() {}

  /** {@return whether the walls leave room between them} */
  public static boolean leaveRoom(Panel panel) {
    return Boundary.leavesRoom(panel);
  }

  /** {@return the blocks that no part of the panel lies over} */
  public static List<Block> besideThePanel(Panel panel) {
    Boundary edge = Boundary.edge(panel);
    return panel.inside().blocks().stream().filter(block -> edge.clearOf(Swept.of(block))).toList();
  }
}
