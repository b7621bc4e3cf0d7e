package kumite.program;

/**
 * Step 5: two contacts that count. Turning forward they go through the Gray sequence A, A and B, B,
 * none (a reflected binary code of two bits: one contact changes at a time).
 */
public final class Quadrature {
  /** By the state before (A times 2 plus B) and after; where both changed nothing is counted. */
  private static final int[][] COUNT = {
    {0, -1, 1, 0}, // none
    {1, 0, 0, -1}, // B
    {-1, 0, 0, 1}, // A
    {0, 1, -1, 0} // both
  };

  private Quadrature() {}

  /** {@return both contacts as a state, 0 to 3} */
  public static int state(boolean a, boolean b) {
    return (a ? 2 : 0) + (b ? 1 : 0);
  }

  /** {@return 1 forward, -1 backward, 0 where nothing changed or both did} */
  public static int count(int before, int after) {
    return COUNT[before][after];
  }
}
