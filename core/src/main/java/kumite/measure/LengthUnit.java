package kumite.measure;

/** The unit lengths are shown in. Lengths are always stored in millimetres. */
public enum LengthUnit {
  MM("mm"),
  INCH("in");

  private final String symbol;

  LengthUnit(String symbol) {
    this.symbol = symbol;
  }

  /** {@return the unit's symbol as written after a number} */
  public String symbol() {
    return symbol;
  }
}
