package kumite.signal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * Where in its reports a USB pad says each of its buttons and axes (HID 1.11, section 8: bits are
 * counted from the least one of the first byte after the id).
 *
 * @param id the first byte of the report; 0 where it has no such byte
 * @param bytes how long it is, the id left out
 * @param buttons of each button its place, by its name
 * @param axes of each axis its place, by its name
 * @param hat four directions that are said as one number, if there are such
 */
public record UsbReport(
    int id, int bytes, Map<String, Place> buttons, Map<String, Place> axes, Optional<Hat> hat) {
  /** Of a report's first byte. */
  public static final Range ID = Range.of(0, 255);

  /** Of a report, the id left out. */
  public static final Range BYTES = Range.of(1, 63);

  /**
   * Some bits of a report, and what they may say.
   *
   * @param bit the least one
   * @param bits how many
   * @param least what a button says that nobody presses, and an axis at one end; below 0 the number
   *     is one with a sign
   * @param most at the other end
   */
  public record Place(int bit, int bits, int least, int most) {
    /** Of the first bit. */
    public static final Range BIT = Range.of(0, 8 * 63 - 1);

    /** Of how many there are. */
    public static final Range BITS = Range.of(1, 16);

    /** Of what they say. */
    public static final Range SAYS = Range.of(-32_768, 65_535);

    public Place {
      BIT.check(bit, "bit of a report");
      BITS.check(bits, "bits of a field");
      SAYS.check(least, "least value of a field");
      SAYS.check(most, "most value of a field");
      int low = least < 0 ? -(1 << bits - 1) : 0;
      int high = least < 0 ? (1 << bits - 1) - 1 : (1 << bits) - 1;
      if (least >= most || least < low || most > high) {
        throw new IllegalArgumentException(
            "bit "
                + bit
                + ": "
                + bits
                + (bits == 1 ? " bit says " : " bits say ")
                + low
                + " to "
                + high
                + ", but this is to say "
                + least
                + " to "
                + most);
      }
    }

    /** {@return one bit that says 1 for held} */
    public static Place bit(int bit) {
      return new Place(bit, 1, 0, 1);
    }

    private int read(List<Integer> report) {
      int value = 0;
      for (int i = 0; i < bits; i++) {
        value |= Bytes.bit(report, bit + i) ? 1 << i : 0;
      }
      boolean below = least < 0 && (value >> bits - 1 & 1) == 1;
      return below ? value - (1 << bits) : value;
    }

    private void write(List<Integer> report, int value) {
      for (int i = 0; i < bits; i++) {
        int at = (bit + i) / 8;
        int mask = 1 << (bit + i) % 8;
        report.set(at, (value >> i & 1) == 1 ? report.get(at) | mask : report.get(at) & ~mask);
      }
    }
  }

  /**
   * Four directions as one number: the first is up, then clockwise, in eight steps or in four; any
   * other number is rest (HID usage tables, hat switch).
   *
   * @param place where, and from which number to which
   * @param says the names of up, right, down and left
   */
  public record Hat(Place place, List<String> says) {
    private static final int EIGHT = 8;
    private static final int FOUR = 4;

    public Hat {
      says = List.copyOf(says);
      if (says.size() != FOUR) {
        throw new IllegalArgumentException("a hat says four directions: up, right, down, left");
      }
      int steps = place.most() - place.least() + 1;
      if (steps != EIGHT && steps != FOUR) {
        throw new IllegalArgumentException(
            "a hat goes round in 8 steps or in 4, but this one has " + steps);
      }
      if (place.least() < 0) {
        throw new IllegalArgumentException("a hat counts from 0 or more");
      }
      rest(place);
    }

    private static int rest(Place place) {
      if (place.most() + 1 < 1 << place.bits()) {
        return place.most() + 1;
      }
      if (place.least() > 0) {
        return place.least() - 1;
      }
      throw new IllegalArgumentException(
          "bit " + place.bit() + ": no number is left for a hat at rest; give it one bit more");
    }

    /** {@return how many steps one turn has, 8 or 4} */
    public int steps() {
      return place.most() - place.least() + 1;
    }

    private int number(Held held) {
      int up = side(held, 0, 2);
      int right = side(held, 1, 3);
      if (up == 0 && right == 0) {
        return rest(place);
      }
      int eighth = up > 0 ? Math.floorMod(right, EIGHT) : up < 0 ? FOUR - right : right > 0 ? 2 : 6;
      return place.least() + (steps() == EIGHT ? eighth : (up != 0 ? 1 - up : 2 - right));
    }

    /** Both sides of it cannot be pressed at once: then it stands between them. */
    private int side(Held held, int one, int other) {
      return (held.holds(says.get(one)) ? 1 : 0) - (held.holds(says.get(other)) ? 1 : 0);
    }

    /** {@return whether a direction is pressed: 0 for up, then clockwise} */
    private boolean held(int number, int direction) {
      int step = number - place.least();
      if (step < 0 || step >= steps()) {
        return false;
      }
      int off = Math.floorMod(step * (EIGHT / steps()) - 2 * direction, EIGHT);
      return off <= 1 || off == EIGHT - 1;
    }
  }

  public UsbReport {
    buttons = Collections.unmodifiableMap(new LinkedHashMap<>(buttons));
    axes = Collections.unmodifiableMap(new LinkedHashMap<>(axes));
    ID.check(id, "id of a report");
    BYTES.check(bytes, "bytes of a report");
    Map<Integer, String> taken = new LinkedHashMap<>();
    buttons.forEach((name, place) -> take(taken, place, name));
    axes.forEach((name, place) -> take(taken, place, name));
    hat.ifPresent(one -> take(taken, one.place(), "hat"));
    for (Map.Entry<Integer, String> bit : taken.entrySet()) {
      if (bit.getKey() >= 8 * bytes) {
        throw new IllegalArgumentException(
            "\""
                + bit.getValue()
                + "\" is said in bit "
                + bit.getKey()
                + ", but a report of "
                + bytes
                + (bytes == 1 ? " byte has " : " bytes has ")
                + 8 * bytes);
      }
    }
  }

  private static void take(Map<Integer, String> taken, Place place, String name) {
    for (int bit = place.bit(); bit < place.bit() + place.bits(); bit++) {
      String before = taken.put(bit, name);
      if (before != null) {
        throw new IllegalArgumentException(
            "bit " + bit + " of the report says both \"" + before + "\" and \"" + name + "\"");
      }
    }
  }

  /** {@return a report of a bit for each button, then a byte for each axis} */
  static UsbReport plain(List<String> order, List<String> axes) {
    Map<String, Place> bits = new LinkedHashMap<>();
    for (int i = 0; i < order.size(); i++) {
      if (!order.get(i).isEmpty()) {
        bits.put(order.get(i), Place.bit(i));
      }
    }
    Map<String, Place> ways = new LinkedHashMap<>();
    for (String axis : axes) {
      ways.put(axis, new Place(8 * (Bytes.count(order) + ways.size()), 8, 0, 255));
    }
    return new UsbReport(0, Bytes.count(order) + axes.size(), bits, ways, Optional.empty());
  }

  /** {@return all bytes of it, the id among them} */
  public int size() {
    return bytes + (id == 0 ? 0 : 1);
  }

  /** {@return the names of its buttons, the directions of a hat last} */
  public List<String> says() {
    return Stream.concat(buttons.keySet().stream(), hat.map(Hat::says).orElse(List.of()).stream())
        .toList();
  }

  /** {@return the report of what hands do, its id first} */
  List<Integer> of(Held held) {
    List<Integer> report = new ArrayList<>(Collections.nCopies(bytes, 0));
    buttons.forEach(
        (name, place) -> place.write(report, held.holds(name) ? place.most() : place.least()));
    axes.forEach(
        (name, place) ->
            place.write(
                report,
                (int) Math.round(place.least() + held.at(name) * (place.most() - place.least()))));
    hat.ifPresent(one -> one.place().write(report, one.number(held)));
    if (id != 0) {
      report.add(0, id);
    }
    return report;
  }

  /** {@return whether bytes are this report: other ids are other reports, other lengths none} */
  boolean is(List<Integer> transfer) {
    return transfer.size() == size() && (id == 0 || transfer.get(0) == id);
  }

  private List<Integer> body(List<Integer> transfer) {
    return transfer.subList(transfer.size() - bytes, transfer.size());
  }

  /** {@return the buttons that a report says are held} */
  Set<String> held(List<Integer> transfer) {
    List<Integer> report = body(transfer);
    Set<String> held = new LinkedHashSet<>();
    buttons.forEach(
        (name, place) -> {
          if (2 * place.read(report) > place.least() + place.most()) {
            held.add(name);
          }
        });
    hat.ifPresent(
        one -> {
          int number = one.place().read(report);
          for (int i = 0; i < one.says().size(); i++) {
            if (one.held(number, i)) {
              held.add(one.says().get(i));
            }
          }
        });
    return held;
  }

  /** {@return where a report says that each axis stands, 0 to 1} */
  Map<String, Double> axes(List<Integer> transfer) {
    List<Integer> report = body(transfer);
    Map<String, Double> at = new LinkedHashMap<>();
    axes.forEach(
        (name, place) -> {
          double part = place.read(report) - place.least();
          double way = part / (place.most() - place.least());
          at.put(name, Math.max(0, Math.min(1, way)));
        });
    return at;
  }

  /**
   * Holds it against the names of a kind of port.
   *
   * @throws IllegalArgumentException if one says what the other does not
   */
  void check(List<String> kindButtons, List<String> kindAxes) {
    same(kindButtons, says(), "button");
    same(kindAxes, List.copyOf(axes.keySet()), "axis");
  }

  private static void same(List<String> named, List<String> said, String what) {
    for (String name : named) {
      if (!said.contains(name)) {
        throw new IllegalArgumentException(
            what + " \"" + name + "\" has no place in the report; say which bits it is");
      }
    }
    for (String name : said) {
      Check.writable(name, "name in the report");
      if (!named.contains(name)) {
        throw new IllegalArgumentException(
            "the report says \""
                + name
                + "\", which is no "
                + what
                + " of the port; name it there");
      }
    }
    if (said.size() != Set.copyOf(said).size()) {
      throw new IllegalArgumentException("the report says a " + what + " twice");
    }
  }
}
