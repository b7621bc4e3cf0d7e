package kumite.program;

import kumite.build.map.Repeat;

/** Step 9: rapid fire. */
public final class Rapid {
  private Rapid() {}

  /**
   * {@return whether the meaning is on}
   *
   * @param heldUs since when it has been asked for, in us; 0 at the first look
   */
  public static boolean on(Repeat repeat, long heldUs) {
    long period = 1000L * (repeat.onMs() + repeat.offMs());
    return heldUs % period < 1000L * repeat.onMs();
  }
}
