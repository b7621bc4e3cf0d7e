package kumite.program;

/**
 * Meanings of presses that are to be told although they are over: each is on for one report and off
 * for one. Not thread-safe.
 */
final class Taps {
  /** More waiting taps of one meaning than this are dropped: they would come seconds late. */
  private static final int MOST = 32;

  private final int[] waiting;
  private final boolean[] on;

  /** Those that wait, and those that are on and have to go off. */
  private int any;

  Taps(int targets) {
    waiting = new int[targets];
    on = new boolean[targets];
  }

  void add(int target) {
    if (target >= 0 && waiting[target] < MOST) {
      waiting[target]++;
      any++;
    }
  }

  boolean any() {
    return any > 0;
  }

  boolean on(int target) {
    return on[target];
  }

  /** Before a report: what waits comes on, unless it was on in the report before. */
  void begin() {
    for (int i = 0; any > 0 && i < on.length; i++) {
      boolean was = on[i];
      on[i] = waiting[i] > 0 && !was;
      any -= was ? 1 : 0; // told, and now told to be over
      waiting[i] -= on[i] ? 1 : 0;
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
