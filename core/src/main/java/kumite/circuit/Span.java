package kumite.circuit;

/**
 * Volts between a worst and a best case.
 *
 * @param least lowest that parts within their tolerance give
 * @param usual with all parts at their usual value
 * @param most highest
 */
public record Span(double least, double usual, double most) {
  /** {@return a span of one value} */
  public static Span at(double volts) {
    return new Span(volts, volts, volts);
  }

  Span reaching(double volts) {
    return new Span(Math.min(least, volts), usual, Math.max(most, volts));
  }
}
