package kumite.timing;

import kumite.build.map.Timing;

/** Turns the looks at one terminal into a settled state. Not thread-safe; one per terminal. */
public final class Debouncer {
  private final Timing timing;
  private boolean settled;
  private boolean lastRaw;
  private long quietSinceUs;
  private long holdUntilUs = Long.MIN_VALUE;

  /**
   * A debouncer at rest.
   *
   * @param settled its state before the first look
   */
  public Debouncer(Timing timing, boolean settled) {
    this.timing = timing;
    this.settled = settled;
    this.lastRaw = settled;
    this.quietSinceUs = Long.MIN_VALUE / 2;
  }

  /**
   * One look at the terminal.
   *
   * @param us the time, never before that of the last look
   * @param raw whether it reads pressed
   * @return the settled state after this look
   */
  public boolean look(long us, boolean raw) {
    if (raw != lastRaw) {
      lastRaw = raw;
      quietSinceUs = us;
    }
    if (raw != settled) {
      boolean counts =
          switch (timing.debounce()) {
            case DEFERRED -> us - quietSinceUs >= timing.waitUs();
            case EAGER -> us >= holdUntilUs;
          };
      if (counts) {
        settled = raw;
        holdUntilUs = us + timing.waitUs();
      }
    }
    return settled;
  }

  /** {@return the state, taken at once, as at power-up} */
  public boolean settle(boolean raw) {
    settled = raw;
    lastRaw = raw;
    return settled;
  }

  /** {@return another debouncer in the same state} */
  public Debouncer copy() {
    Debouncer copy = new Debouncer(timing, settled);
    copy.lastRaw = lastRaw;
    copy.quietSinceUs = quietSinceUs;
    copy.holdUntilUs = holdUntilUs;
    return copy;
  }
}
