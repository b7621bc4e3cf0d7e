package kumite.measure;

/** Paper sizes, upright, in mm: ISO 216 and ANSI/ASME Y14.1. */
public enum Paper {
  A4(210, 297, "A4"),
  LETTER(215.9, 279.4, "Letter");

  private final double widthMm;
  private final double heightMm;
  private final String words;

  Paper(double widthMm, double heightMm, String words) {
    this.widthMm = widthMm;
    this.heightMm = heightMm;
    this.words = words;
  }

  /** {@return the width in mm} */
  public double widthMm() {
    return widthMm;
  }

  /** {@return the height in mm} */
  public double heightMm() {
    return heightMm;
  }

  /** {@return the paper's name} */
  public String words() {
    return words;
  }
}
