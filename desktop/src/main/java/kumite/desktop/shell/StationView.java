package kumite.desktop.shell;

import javafx.scene.Node;
import javafx.scene.input.KeyCode;
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

  /**
   * Offers a plain key while the station is shown and no text is being typed, before it presses a
   * contact.
   *
   * @return whether the station took it
   */
  default boolean key(KeyCode code) {
    return false;
  }
}
