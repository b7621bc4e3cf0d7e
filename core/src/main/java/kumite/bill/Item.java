package kumite.bill;

import java.util.List;

/**
 * One row of a bill.
 *
 * @param id its id, the same in every build; such as {@code wire-24-RD}
 * @param group what it belongs to
 * @param what it for people
 * @param unit what it is counted in
 * @param need how much goes into the build
 * @param spare how much more is bought, by rule
 * @param cuts lengths that it is cut into, in mm; empty for what is not cut
 * @param alternatives ids of others that fit in its place
 */
public record Item(
    String id,
    Group group,
    String what,
    Unit unit,
    double need,
    double spare,
    List<Integer> cuts,
    List<String> alternatives) {

  /** What a row belongs to, in the order of the bill. */
  public enum Group {
    CONTROLS("Controls"),
    BOARDS("Boards"),
    SUPPLIES("Supplies"),
    WIRE("Wire"),
    JOINTS("Joints"),
    CASE("Case"),
    FIXINGS("Fixings"),
    LEADS("Leads and connectors"),
    SMALL_PARTS("Small parts"),
    CONSUMABLES("Consumables");

    private final String title;

    Group(String title) {
      this.title = title;
    }

    /** {@return its name for people} */
    public String title() {
      return title;
    }
  }

  /** What something is counted in. */
  public enum Unit {
    EACH("", 0),
    METRE("m", 2),
    GRAM("g", 0);

    private final String words;
    private final int digits;

    Unit(String words, int digits) {
      this.words = words;
      this.digits = digits;
    }

    /** {@return its sign; empty for pieces} */
    public String words() {
      return words;
    }

    /** {@return digits behind the point} */
    public int digits() {
      return digits;
    }
  }

  public Item {
    cuts = List.copyOf(cuts);
    alternatives = List.copyOf(alternatives);
  }

  /** Something that is not cut. */
  Item(String id, Group group, String what, Unit unit, double need, double spare) {
    this(id, group, what, unit, need, spare, List.of(), List.of());
  }

  /** {@return an amount as it is written: whole pieces, metres to the centimetre} */
  public String words(double amount) {
    return String.format(java.util.Locale.ROOT, "%." + unit.digits + "f", amount);
  }

  /** {@return need and spare together} */
  public double wanted() {
    return need + spare;
  }
}
