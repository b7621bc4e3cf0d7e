package kumite.measure;

/**
 * A place on the panel, seen from the finished face.
 *
 * @param xMm from the left edge to the right
 * @param yMm from the front edge to the back
 */
public record Point(double xMm, double yMm) {

  /** {@return this point moved} */
  public Point plus(double dxMm, double dyMm) {
    return new Point(xMm + dxMm, yMm + dyMm);
  }

  /** {@return the straight distance to the other point, in mm} */
  public double distanceMm(Point other) {
    double dx = xMm - other.xMm;
    double dy = yMm - other.yMm;
    return Math.sqrt(dx * dx + dy * dy); // panels are far from overflow, which hypot guards against
  }

  /** {@return this offset turned counter-clockwise about the origin} */
  public Point turned(double degrees) {
    if (degrees == 0) {
      return this;
    }
    double angle = Math.toRadians(degrees);
    double cos = Math.cos(angle);
    double sin = Math.sin(angle);
    return new Point(xMm * cos - yMm * sin, xMm * sin + yMm * cos);
  }
}
