package kumite.desktop.shell;

import javafx.scene.Node;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** One station's room in the window. */
public interface StationView {
  /** {@return which station it is} */
  Station station();

  /** {@return its node; the same each time} */
  Node node();

  /** Shows a bench. Called whenever it changes while the station is shown, and when it comes up. */
  void show(Bench bench);
}
