package kumite.build.panel;

/**
 * What a panel is made of, with the least web between two holes that does not crack or tear.
 *
 * <p>The web factors are common practice, no source: about a quarter of the thickness in metal,
 * half in wood and fibreboard, one thickness in brittle acrylic, never under 2 mm.
 */
public enum Material {
  PLYWOOD("plywood", 0.5, 4),
  MDF("fibreboard", 0.5, 5),
  ACRYLIC("acrylic", 1.0, 3),
  ALUMINIUM("aluminium", 0.25, 2),
  STEEL("steel", 0.25, 2),
  PRINTED("printed plastic", 0.75, 2.4);

  private final String words;
  private final double webPerThickness;
  private final double leastWebMm;

  Material(String words, double webPerThickness, double leastWebMm) {
    this.words = words;
    this.webPerThickness = webPerThickness;
    this.leastWebMm = leastWebMm;
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
