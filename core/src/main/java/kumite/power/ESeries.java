package kumite.power;

/**
 * Preferred resistor values (IEC 60063).
 *
 * <p>The lists are those of the standard's table 1 for two significant figures, from memory. They
 * are not the rounded powers of ten: E24 has 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7 and 8.2 where
 * rounding would give other figures.
 */
public enum ESeries {
  E12(10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82),
  E24(
      10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82,
      91);

  private final int[] figures;

  ESeries(int... figures) {
    this.figures = figures;
  }

  /** {@return the two-figure values of one decade, ascending} */
  public int[] figures() {
    return figures.clone();
  }

  /**
   * The smallest preferred value not below the given one.
   *
   * @param ohm above 0
   * @throws IllegalArgumentException if it is not above 0
   */
  public double atLeast(double ohm) {
    if (!(ohm > 0) || Double.isInfinite(ohm)) {
      throw new IllegalArgumentException("a resistance must be above 0 ohm, but was " + ohm);
    }
    int decade = (int) Math.floor(Math.log10(ohm)) - 1;
    while (true) {
      for (int figure : figures) {
        double value = decade < 0 ? figure / Math.pow(10, -decade) : figure * Math.pow(10, decade);
        // A value that is preferred already must be found itself, whatever its last binary digit.
        if (value >= ohm * (1 - 1e-9)) {
          return value;
        }
      }
      decade++;
    }
  }

  /**
   * The preferred value nearest by ratio to the given one.
   *
   * @param ohm above 0
   */
  public double nearest(double ohm) {
    double above = atLeast(ohm);
    int figure = 0;
    // The value below is the largest one that is not the one above.
    double decade = Math.pow(10, Math.floor(Math.log10(above) + 1e-9) - 1);
    for (int i = 0; i < figures.length; i++) {
      if (Math.abs(figures[i] * decade / above - 1) < 1e-6) {
        figure = i;
      }
    }
    double below =
        figure == 0 ? figures[figures.length - 1] * decade / 10 : figures[figure - 1] * decade;
    return above / ohm <= ohm / below ? above : below;
  }
}
