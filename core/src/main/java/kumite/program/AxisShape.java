package kumite.program;

import kumite.build.map.AxisTuning;

/**
 * Step 10: the code of an analog contact as the value of an axis.
 *
 * <p>The code becomes a travel from the rest, -{@value #FULL} to {@value #FULL}; dead zone,
 * saturation, curve and inversion work on it; the travel becomes a value.
 *
 * @param tuning how
 * @param codeMost what the converter gives at most, 1 to 65535
 */
public record AxisShape(AxisTuning tuning, int codeMost) {
  /** The whole travel. */
  public static final int FULL = 32767;

  /** How far the noise of a converter goes, in codes: common practice, no source. */
  private static final int NOISE_CODES = 4;

  /** Of so many codes a converter may be off by one. */
  private static final int CODES_AN_OFF = 255;

  /** {@return how far a code may move without being taken for a movement} */
  public static int still(int codeMost) {
    return Math.min(NOISE_CODES, codeMost / CODES_AN_OFF);
  }

  /**
   * {@return the code as an axis takes it: within its ends, and the one before while it moves no
   * further than noise; but at its ends and its rest as it is}
   *
   * @param before what it took before
   */
  int taken(int code, int before) {
    int least = scaled(tuning.least());
    int most = Math.max(least + 1, scaled(tuning.most()));
    int clipped = Math.max(least, Math.min(most, code));
    boolean rests =
        tuning.centre().isPresent()
            && code == Math.max(least, Math.min(most, scaled(tuning.centre().getAsInt())));
    boolean anchor = rests || clipped == least || clipped == most;
    return anchor || Math.abs(clipped - before) > still(codeMost) ? clipped : before;
  }

  /** {@return the value of an axis, 0 to {@code most}, for a code} */
  public int value(int code, int most) {
    if (tuning.equals(AxisTuning.STRAIGHT)) {
      return (int) ((long) code * most / codeMost);
    }
    int travel = travel(code);
    if (tuning.centre().isEmpty()) {
      return (int) ((long) travel * most / FULL);
    }
    int middle = (most + 1) / 2;
    return middle
        + (int)
            (travel >= 0 ? (long) travel * (most - middle) / FULL : (long) travel * middle / FULL);
  }

  /** {@return the travel from the rest, below 0 only for a contact that rests in the middle} */
  public int travel(int code) {
    int least = scaled(tuning.least());
    int most = Math.max(least + 1, scaled(tuning.most()));
    int clipped = Math.max(least, Math.min(most, code));
    if (tuning.centre().isEmpty()) {
      long way = (long) (clipped - least) * FULL / (most - least);
      int shaped = shaped((int) way);
      return tuning.inverted() ? FULL - shaped : shaped;
    }
    int centre = Math.max(least, Math.min(most, scaled(tuning.centre().getAsInt())));
    int span = clipped >= centre ? most - centre : centre - least;
    int way = span == 0 ? 0 : (int) ((long) Math.abs(clipped - centre) * FULL / span);
    int shaped = clipped >= centre ? shaped(way) : -shaped(way);
    return tuning.inverted() ? -shaped : shaped;
  }

  private int scaled(int thousandths) {
    return (int) ((long) thousandths * codeMost / 1000);
  }

  /** Dead zone and saturation, then the curve; all from 0 to the whole travel. */
  private int shaped(int way) {
    int dead = tuning.dead() * FULL / 1000;
    int full = tuning.saturation() * FULL / 1000;
    if (way <= dead && dead > 0) {
      return 0;
    }
    long straight = way >= full ? FULL : (long) (way - dead) * FULL / (full - dead);
    int bend = Math.abs(tuning.curve());
    long bent = tuning.curve() >= 0 ? cubed(straight) : FULL - cubed(FULL - straight);
    return (int) (((100 - bend) * straight + bend * bent) / 100);
  }

  private static long cubed(long x) {
    return x * x / FULL * x / FULL;
  }
}
