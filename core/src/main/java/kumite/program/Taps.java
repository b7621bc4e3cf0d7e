package kumite.program;

/**
 * Presses that are to be told although they are over: each is on for one report and off for one.
 * Not thread-safe.
 */
final class Taps {
  /** More waiting taps of one source than this are dropped: they would come seconds late. */
  private static final int MOST = 32;

  private final int[] waiting;
  private final boolean[] on;
  private int any;

  Taps(int sources) {
    waiting = new int[sources];
    on = new boolean[sources];
  }

  void add(int source) {
    if (waiting[source] < MOST) {
      waiting[source]++;
      any++;
    }
  }

  boolean any() {
    return any > 0;
  }

  boolean on(int source) {
    return on[source];
  }

  /** Before a report: what waits and was off comes on. */
  void begin() {
    for (int i = 0; any > 0 && i < on.length; i++) {
      on[i] = waiting[i] > 0 && !on[i];
    }
  }

  /** After a report: what was on has been told. */
  void told() {
    for (int i = 0; any > 0 && i < on.length; i++) {
      if (on[i]) {
        waiting[i]--;
        any--;
        if (any == 0) {
          on[i] = false;
        }
      }
    }
  }

  Taps copy() {
    Taps copy = new Taps(on.length);
    System.arraycopy(waiting, 0, copy.waiting, 0, on.length);
    System.arraycopy(on, 0, copy.on, 0, on.length);
    copy.any = any;
    return copy;
  }
}
