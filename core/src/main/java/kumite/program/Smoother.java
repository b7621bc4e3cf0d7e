package kumite.program;

/**
 * Step 2: smoothing of a code. The state is the code times 256, so that small steps are not lost.
 */
public final class Smoother {
  private Smoother() {}

  /** {@return the state of a code that has long been so} */
  public static int rest(int code) {
    return code << 8;
  }

  /**
   * {@return the state after one look}
   *
   * @param state the state before
   * @param code what was looked at, 0 to 65535
   * @param smoothing 0 to 7; each look takes one 2^n-th of the way
   */
  public static int next(int state, int code, int smoothing) {
    int way = (code << 8) - state;
    // Towards the code also for the last small steps: a shift alone would stop short of it.
    int step = way >> smoothing;
    return state + (step == 0 && way != 0 ? Integer.signum(way) : step);
  }

  /** {@return the code that a state stands for, rounded} */
  public static int code(int state) {
    return (state + 128) >> 8;
  }
}
