package kumite.lead;

import java.util.List;
import kumite.measure.Point;

/**
 * A connector as one looks at it: all places in mm right and up from its middle.
 *
 * @param kind what is looked at
 * @param gender pins or sockets
 * @param side from where
 * @param pins where its pins are seen, in order of their numbers
 * @param outline its edge
 * @param key what keeps it the right way round; empty where the edge does
 */
public record Seen(
    ConnectorKind kind,
    Gender gender,
    Side side,
    List<ConnectorKind.Pin> pins,
    List<Point> outline,
    List<Point> key) {
  public Seen {
    pins = List.copyOf(pins);
    outline = List.copyOf(outline);
    key = List.copyOf(key);
  }

  /** {@return which way one is looking, in a plain line} */
  public String words() {
    return switch (side) {
      case MATING -> "Mating face, " + gender.words() + ": the cable runs away from you";
      case WIRES -> "Wire side, " + gender.words() + ": the cable comes towards you";
    };
  }

  /** {@return how pin 1 and the last pin of its row lie, in words, to check the eye by} */
  public String countedFrom() {
    ConnectorKind.Pin first = pins.get(0);
    if (pins.size() == 1) {
      return first.name() + " is the only one";
    }
    ConnectorKind.Pin second = pins.get(1);
    double dx = second.at().xMm() - first.at().xMm();
    double dy = second.at().yMm() - first.at().yMm();
    String way =
        Math.abs(dx) >= Math.abs(dy)
            ? dx > 0 ? "from left to right" : "from right to left"
            : dy > 0 ? "upward" : "downward";
    return first.name() + " and " + second.name() + " run " + way;
  }
}
