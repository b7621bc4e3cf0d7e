package kumite.desktop.panel;

import javafx.scene.Node;
import kumite.verdict.Bench;

/** One of the tabs below the plan. */
interface Tab {
  /** {@return its node; the same each time} */
  Node node();

  /** Shows a bench. */
  void show(Bench bench);

  /** Called when the tab is left. */
  default void leave() {}
}
