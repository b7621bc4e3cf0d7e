package kumite.measure;

/** The outline of a cut-out, a flange or a body, centred on its control. */
public sealed interface Shape {

  /** A circle. */
  record Round(double diameterMm) implements Shape {
    public Round {
      requirePositive(diameterMm, "diameter");
    }

    @Override
    public double widthMm() {
      return diameterMm;
    }

    @Override
    public double heightMm() {
      return diameterMm;
    }
  }

  /**
   * A rectangle, before turning.
   *
   * @param widthMm left to right
   * @param heightMm front to back
   * @param cornerMm radius of its corners; 0 to half the shorter side
   */
  record Rect(double widthMm, double heightMm, double cornerMm) implements Shape {
    public Rect {
      requirePositive(widthMm, "width");
      requirePositive(heightMm, "height");
      if (!(cornerMm >= 0 && cornerMm <= Math.min(widthMm, heightMm) / 2)) {
        throw new IllegalArgumentException(
            "corner radius must be between 0 and half the shorter side, but was " + cornerMm);
      }
    }
  }

  /** {@return the size left to right, before turning} */
  double widthMm();

  /** {@return the size front to back, before turning} */
  double heightMm();

  private static void requirePositive(double value, String what) {
    if (!(value > 0) || value > 2000) {
      throw new IllegalArgumentException(
          what + " of a shape must be above 0 and at most 2000 mm, but was " + value);
    }
  }
}
