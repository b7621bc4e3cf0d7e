package kumite.build.panel;

/**
 * What a panel is made of, with the least web between two holes that does not crack or tear.
 *
 * <p>The web factors are common practice, no source: about a quarter of the thickness in metal,
 * half in wood and fibreboard, one thickness in brittle acrylic, never under 2 mm.
 */
public enum Material {
  PLYWOOD("plywood", 0.5, 4, 2, 8),
  MDF("fibreboard", 0.5, 5, 2, 3),
  ACRYLIC("acrylic", 1.0, 3, 3, 3),
  ALUMINIUM("aluminium", 0.25, 2, 0.5, 70),
  STEEL("steel", 0.25, 2, 0.4, 200),
  PRINTED("printed plastic", 0.75, 2.4, 3, 2.3);

  private final String words;
  private final double webPerThickness;
  private final double leastWebMm;
  private final double underSinkMm;
  private final double youngGpa;

  Material(
      String words,
      double webPerThickness,
      double leastWebMm,
      double underSinkMm,
      double youngGpa) {
    this.words = words;
    this.webPerThickness = webPerThickness;
    this.leastWebMm = leastWebMm;
    this.underSinkMm = underSinkMm;
    this.youngGpa = youngGpa;
  }

  /**
   * {@return the least that a sink for a screw's head leaves below it, in mm, so that it holds and
   * does not crack; common practice, no source}
   */
  public double underSinkMm() {
    return underSinkMm;
  }

  /**
   * {@return its modulus of elasticity, in GPa: tables of engineering materials, from memory; of
   * plywood along the weaker grain it is less}
   */
  public double youngGpa() {
    return youngGpa;
  }

  /** {@return the material in words for people} */
  public String words() {
    return words;
  }

  /** {@return the least web to leave between two holes in a panel of this thickness, in mm} */
  public double webMm(double thicknessMm) {
    return Math.max(leastWebMm, webPerThickness * thicknessMm);
  }
}
