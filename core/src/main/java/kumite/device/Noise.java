package kumite.device;

import java.util.SplittableRandom;
import kumite.measure.Check;

/**
 * What a converter adds to a level by itself. Of one moment all of a board's levels are off by as
 * much; the same seed gives the same noise, in the exported program's test bed too.
 *
 * @param codes the most that it adds or takes, 0 for a converter without any
 */
public record Noise(int codes) {
  /** A converter that always says the same of the same level. */
  public static final Noise NONE = new Noise(0);

  /** More is no noise but a fault. */
  public static final int MOST = 64;

  public Noise {
    Check.between(0, MOST, codes, "codes of noise");
  }

  /** {@return by how many codes a level is off at a time of a play} */
  int at(long us, long seed) {
    return codes == 0 ? 0 : new SplittableRandom(seed ^ us).nextInt(2 * codes + 1) - codes;
  }
}
