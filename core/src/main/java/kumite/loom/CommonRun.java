package kumite.loom;

import java.util.List;
import java.util.Locale;
import kumite.build.ControlId;
import kumite.build.Point;

/**
 * One shared side as it is laid from tab to tab.
 *
 * @param name {@code ground}, {@code rail} or {@code supply}
 * @param terminal the board's terminal it starts from
 * @param ring whether its far end comes back to the board
 * @param stops the controls in the order they are laid
 * @param lengthMm of all its strands
 */
public record CommonRun(
    String name, String terminal, boolean ring, List<Stop> stops, int lengthMm) {

  /**
   * One control on the run.
   *
   * @param control its id
   * @param label its label
   * @param at where it sits
   */
  public record Stop(ControlId control, String label, Point at) {}

  public CommonRun {
    stops = List.copyOf(stops);
  }

  /** {@return the run in a few words, such as {@code ground ring over 9}} */
  public String words() {
    return String.format(Locale.ROOT, "%s %s over %d", name, ring ? "ring" : "chain", stops.size());
  }

  /** {@return how many controls go silent at most when one link breaks} */
  public int silencedByOneBreak() {
    return ring ? 0 : stops.size();
  }
}
