package kumite.finding;

/** What a finding asks of the builder. */
public enum Severity {
  /** It will not fit, not work or may do harm: mend it before going on. */
  STOP("stop"),
  /** It may be meant so: look at it once. */
  LOOK("look"),
  /** Checked and in order. */
  FINE("fine");

  private final String word;

  Severity(String word) {
    this.word = word;
  }

  /** {@return the severity as one word for people and files} */
  public String word() {
    return word;
  }
}
