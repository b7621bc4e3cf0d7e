package kumite.program;

import kumite.build.map.Ramp;

/** Step 11: an axis that moves to the end a switch asks for. The state is a travel. */
public final class Slide {
  private Slide() {}

  /**
   * {@return the travel after some time}
   *
   * @param from where it was, -{@link AxisShape#FULL} to {@link AxisShape#FULL}
   * @param to where it goes: 0 or an end
   * @param us how long since the last look, in us
   */
  public static int next(int from, int to, long us, Ramp ramp) {
    boolean back = to == 0 || (long) from * to < 0;
    int millis = back ? ramp.returnMs() : ramp.riseMs();
    if (millis == 0) {
      return back && to != 0 ? next(0, to, us, ramp) : to;
    }
    long step = Math.max(1, us * AxisShape.FULL / (1000L * millis));
    // On the way from one end to the other it goes back to the middle first.
    int goal = back ? 0 : to;
    return from < goal ? (int) Math.min(goal, from + step) : (int) Math.max(goal, from - step);
  }
}
