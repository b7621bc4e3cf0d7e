package kumite.signal;

/** What a reader can say of a button or of a pad. */
public enum Answer {
  YES,
  NO,
  /** The level that says it was none. */
  UNCLEAR;

  /** {@return the answer of a line that is low for yes} */
  static Answer low(Level level) {
    return switch (level) {
      case LOW -> YES;
      case HIGH -> NO;
      case UNCLEAR, FREE -> UNCLEAR;
    };
  }

  static Answer of(boolean yes) {
    return yes ? YES : NO;
  }
}
