package kumite.circuit;

/** What a digital input makes of a level. */
enum Logic {
  LOW,
  HIGH,
  /** Between the thresholds, driven both ways, or held by nothing. */
  UNDEFINED;

  static Logic of(boolean high) {
    return high ? HIGH : LOW;
  }

  static Logic of(double volts, double lowVolts, double highVolts) {
    return volts <= lowVolts ? LOW : volts >= highVolts ? HIGH : UNDEFINED;
  }

  /** {@return the other of the two; unclear as it is} */
  Logic turned() {
    return this == LOW ? HIGH : this == HIGH ? LOW : this;
  }
}
