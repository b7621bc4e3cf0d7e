package kumite.circuit;

import java.util.List;

/**
 * What hangs on a place where volts are read, as branches between nets: enough to draw it.
 *
 * @param place the net that is read
 * @param how in words
 * @param told whether what is read gets on to the board's program
 * @param branches the parts that carry current at rest or held, in the order they are met
 * @param levels the nets between them with their volts at rest and held
 */
public record Sketch(
    String place, String how, boolean told, List<Branch> branches, List<Level> levels) {

  /** What a branch is, for its picture. */
  public enum Kind {
    RESISTOR,
    CONTACT,
    DIODE,
    LAMP,
    TRACK,
    SKIN,
    OUTPUT
  }

  /**
   * One part.
   *
   * @param kind its picture
   * @param name what it is, such as {@code pull-up}
   * @param words its value
   * @param from the net of its first end: the anode of a diode
   * @param to the net of its other end
   * @param closedAtRest whether it lets current through while nobody presses
   */
  public record Branch(
      Kind kind, String name, String words, String from, String to, boolean closedAtRest) {
    /** {@return its two nets in words} */
    public String between() {
      return from + " to " + to;
    }
  }

  /**
   * A net.
   *
   * @param name its name
   * @param rail whether it is ground or a supply
   */
  public record Level(String name, boolean rail, double idleVolts, double heldVolts) {}

  public Sketch {
    branches = List.copyOf(branches);
    levels = List.copyOf(levels);
  }
}
