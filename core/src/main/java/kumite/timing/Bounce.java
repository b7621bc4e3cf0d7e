package kumite.timing;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/**
 * The edges of one bouncing contact.
 *
 * <p>A contact closes at time 0, opens and closes a few times with stretches that grow longer while
 * closed, and stays closed. Opening bounces the same way. The shape is common practice, no source.
 *
 * @param edgesUs times of the edges, ascending; the first is 0, and each turns the contact over
 */
public record Bounce(List<Integer> edgesUs) {
  public Bounce {
    edgesUs = List.copyOf(edgesUs);
    if (edgesUs.isEmpty() || edgesUs.size() % 2 == 0) {
      throw new IllegalArgumentException(
          "a bounce needs an odd count of edges to end where it was going, but had "
              + edgesUs.size());
    }
  }

  /** {@return a contact that does not bounce} */
  public static Bounce clean() {
    return new Bounce(List.of(0));
  }

  /**
   * A bounce of a length drawn between two limits.
   *
   * @param leastUs shortest time from first to last edge, 0 or more
   * @param mostUs longest, at least {@code leastUs}
   * @param random where chance comes from
   */
  public static Bounce drawn(int leastUs, int mostUs, SplittableRandom random) {
    return new Bounce(Arrays.stream(edges(leastUs, mostUs, random)).boxed().toList());
  }

  /** The edges of {@link #drawn}, for those who draw a million. */
  static int[] edges(int leastUs, int mostUs, SplittableRandom random) {
    int length = leastUs + (mostUs > leastUs ? random.nextInt(mostUs - leastUs + 1) : 0);
    if (length < 4) {
      return new int[] {0};
    }
    int pairs = Math.min(1 + random.nextInt(4), length / 4);
    int[] cuts = new int[2 * pairs + 1];
    for (int i = 0; i < 2 * pairs - 1; i++) {
      double early = random.nextDouble() * random.nextDouble(); // edges crowd near the start
      cuts[i] = 1 + (int) (early * (length - 1));
    }
    cuts[2 * pairs - 1] = length;
    cuts[2 * pairs] = 0;
    Arrays.sort(cuts);
    // Two edges in the same microsecond are no edges: push them apart, and let the last one end it.
    for (int i = 1; i < cuts.length; i++) {
      if (cuts[i] <= cuts[i - 1]) {
        cuts[i] = cuts[i - 1] + 1;
      }
    }
    return cuts;
  }

  /** {@return whether the contact has turned over at that time, counted from the first edge} */
  public boolean turnedAt(int us) {
    int edges = 0;
    while (edges < edgesUs.size() && edgesUs.get(edges) <= us) {
      edges++;
    }
    return edges % 2 == 1;
  }

  /** {@return when it came to rest} */
  public int lengthUs() {
    return edgesUs.get(edgesUs.size() - 1);
  }
}
