package kumite.power;

/** Codes of an analog to digital converter. */
public final class Converter {
  private Converter() {}

  /** {@return the converter's code: floor(V / Vref x 2^n), clipped to its range} */
  public static int code(double volts, double referenceVolts, int bits) {
    long code = (long) Math.floor(volts / referenceVolts * (1L << bits));
    return (int) Math.max(0, Math.min((1L << bits) - 1, code));
  }
}
