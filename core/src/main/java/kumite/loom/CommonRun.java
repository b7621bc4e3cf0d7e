package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kumite.build.loom.Laying.CommonShape;
import kumite.measure.Point;
import kumite.name.ControlId;

/**
 * One shared side as it is laid from tab to tab.
 *
 * @param rail which side it is
 * @param terminal the board's terminal it starts from, or the strip that stands for it
 * @param shape chain, ring, star or pairs
 * @param stops the controls in the order they are laid
 * @param lengthMm of all its strands
 */
public record CommonRun(
    Rail rail, String terminal, CommonShape shape, List<Stop> stops, int lengthMm) {

  /**
   * One stop of the run: a control, a carrier or a part.
   *
   * @param control its control; empty for others
   * @param label its label
   * @param at where it sits
   */
  public record Stop(Optional<ControlId> control, String label, Point at) {}

  /**
   * One stretch of the run, and what its break would silence.
   *
   * @param from the label it comes from, or {@code board}
   * @param to the label it goes to, or {@code board}
   * @param silenced the labels that go silent when it alone breaks
   */
  public record Link(String from, String to, List<String> silenced) {}

  public CommonRun {
    stops = List.copyOf(stops);
  }

  /** {@return the side in words: {@code ground}, {@code rail}, {@code supply 5 V} */
  public String name() {
    return rail.words();
  }

  /** {@return whether its far end comes back to the board} */
  public boolean ring() {
    return shape == CommonShape.RING;
  }

  /** {@return whether each stop has a wire of its own from the board} */
  public boolean oneByOne() {
    return shape == CommonShape.STAR || shape == CommonShape.PAIRS;
  }

  /** {@return the run in a few words, such as {@code ground ring over 9}} */
  public String words() {
    return String.format(
        Locale.ROOT,
        "%s %s over %d",
        name(),
        shape == CommonShape.PAIRS ? "pairs" : shape.words(),
        stops.size());
  }

  /** {@return its stretches in laid order, each with what its break would silence} */
  public List<Link> links() {
    List<Link> links = new ArrayList<>();
    for (int i = 0; i < stops.size(); i++) {
      String from = i == 0 || oneByOne() ? "board" : stops.get(i - 1).label();
      List<Stop> beyond =
          ring()
              ? List.of()
              : oneByOne() ? stops.subList(i, i + 1) : stops.subList(i, stops.size());
      links.add(new Link(from, stops.get(i).label(), beyond.stream().map(Stop::label).toList()));
    }
    if (ring()) {
      links.add(new Link(stops.get(stops.size() - 1).label(), "board", List.of()));
    }
    return links;
  }

  /** {@return how many controls go silent at most when one link breaks} */
  public int silencedByOneBreak() {
    return links().stream().mapToInt(link -> link.silenced().size()).max().orElse(0);
  }
}
