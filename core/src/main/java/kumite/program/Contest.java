package kumite.program;

import kumite.build.map.OppositesRule;

/** Step 8: two opposite directions of which one passes. Not thread-safe; one for each pair. */
public final class Contest {
  private final OppositesRule rule;
  private boolean lowBefore;
  private boolean highBefore;

  /** Who asked first, while both ask. */
  private First first = First.NONE;

  private enum First {
    NONE,
    LOW,
    HIGH
  }

  /** What passes. */
  public enum Winner {
    NEITHER,
    LOW,
    HIGH
  }

  public Contest(OppositesRule rule) {
    this.rule = rule;
  }

  /** {@return what passes after one look} */
  public Winner look(boolean low, boolean high) {
    if (low && high && !(lowBefore && highBefore)) {
      first = lowBefore ? First.LOW : highBefore ? First.HIGH : First.NONE;
    }
    lowBefore = low;
    highBefore = high;
    if (!low || !high) {
      return low ? Winner.LOW : high ? Winner.HIGH : Winner.NEITHER;
    }
    return switch (rule) {
      case NEUTRAL -> Winner.NEITHER;
      case LOW -> Winner.LOW;
      case HIGH -> Winner.HIGH;
      case FIRST -> of(first == First.LOW, first == First.HIGH);
      case LAST -> of(first == First.HIGH, first == First.LOW);
    };
  }

  private static Winner of(boolean low, boolean high) {
    return low ? Winner.LOW : high ? Winner.HIGH : Winner.NEITHER;
  }

  Contest copy() {
    Contest copy = new Contest(rule);
    copy.lowBefore = lowBefore;
    copy.highBefore = highBefore;
    copy.first = first;
    return copy;
  }
}
