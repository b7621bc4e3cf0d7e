package kumite.measure;

/**
 * Where a part sits.
 *
 * @param xMm its centre from the left edge; -5000 to 5000
 * @param yMm its centre from the front edge; -5000 to 5000
 * @param turnDegrees counter-clockwise seen from the face; -360 to 360
 */
public record Placement(double xMm, double yMm, double turnDegrees) {
  /** How far it can be turned, to the left. */
  public static final Range TURN = Range.of(-360, 360, "deg");

  public Placement {
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, xMm, "x_mm");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, yMm, "y_mm");
    TURN.check(turnDegrees, "turn_degrees");
  }

  /** {@return an unturned placement} */
  public static Placement at(double xMm, double yMm) {
    return new Placement(xMm, yMm, 0);
  }

  /** {@return the centre} */
  public Point centre() {
    return new Point(xMm, yMm);
  }

  /** {@return the place on the panel of an offset within the part} */
  public Point place(Point offset) {
    return offset.turned(turnDegrees).plus(xMm, yMm);
  }

  /** {@return the same turn at another centre} */
  public Placement movedTo(double newXMm, double newYMm) {
    return new Placement(newXMm, newYMm, turnDegrees);
  }

  /** {@return the same place with another turn} */
  public Placement turnedTo(double degrees) {
    return new Placement(xMm, yMm, degrees);
  }
}
