package kumite.signal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Buttons and axes as bytes, least bit first. */
final class Bytes {
  /** The byte of an axis at its end. */
  static final double MOST = 255;

  private Bytes() {}

  static List<Integer> checked(List<Integer> bytes, String what) {
    bytes.forEach(b -> kumite.measure.Check.between(0, 255, b, "byte of " + what));
    return List.copyOf(bytes);
  }

  /** {@return how many bytes bits take} */
  static int count(List<String> order) {
    return (order.size() + 7) / 8;
  }

  /** {@return bits as bytes, 1 for held; what is blank is 0} */
  static List<Integer> buttons(List<String> order, Held held) {
    List<Integer> bytes = new ArrayList<>();
    for (int i = 0; i < order.size(); i++) {
      if (i % 8 == 0) {
        bytes.add(0);
      }
      int bit = held.holds(order.get(i)) ? 1 << i % 8 : 0;
      bytes.set(i / 8, bytes.get(i / 8) | bit);
    }
    return bytes;
  }

  /**
   * {@return one bit of a frame of bytes as it is taken}
   *
   * @param bit its number in the whole frame, from 0
   * @param before how many bytes stand before those of the buttons
   */
  static Taken taken(PortKind kind, int bit, int before, long afterNs, Level held) {
    int at = bit - 8 * before;
    Optional<String> button =
        at >= 0 && at < kind.order().size()
            ? Optional.of(kind.order().get(at)).filter(name -> !name.isEmpty())
            : Optional.empty();
    String where = "byte " + (bit / 8 + 1) + ", bit " + (bit % 8 + 1);
    return new Taken(afterNs, "data", where, button, held);
  }

  static int axis(double at) {
    return (int) Math.round(at * MOST);
  }

  /** {@return eight levels as a byte; empty where one is unclear} */
  static Optional<Integer> value(Level[] levels) {
    int value = 0;
    for (int i = 0; i < levels.length; i++) {
      if (!levels[i].clear()) {
        return Optional.empty();
      }
      value |= (levels[i] == Level.HIGH ? 1 : 0) << i;
    }
    return Optional.of(value);
  }

  /** {@return a bit of some bytes, least bit first} */
  static boolean bit(List<Integer> bytes, int number) {
    return (bytes.get(number / 8) >> number % 8 & 1) == 1;
  }
}
