package kumite.ringout;

/**
 * How many probes a core takes, by how many places it may go to.
 *
 * <p>One by one: place after place; the last is known without a probe only where the core is known
 * to be whole. In groups: halves of the places that are left; a core that may be broken has one
 * outcome more.
 */
record Cost(RingOut.Way way) {

  /** {@return probes at most, for a core with so many candidates} */
  int worst(int candidates, boolean whole) {
    int outcomes = whole ? candidates : candidates + 1;
    return way == RingOut.Way.ONE_BY_ONE ? outcomes - 1 : ceilLog2(outcomes);
  }

  /** {@return how many of the candidates the next probe touches} */
  int touched(int candidates) {
    return way == RingOut.Way.ONE_BY_ONE ? 1 : (candidates + 1) / 2;
  }

  /**
   * {@return probes in the mean for a core that goes to one of its candidates}
   *
   * @param weights how likely each is, the likeliest first
   */
  double mean(double[] weights, boolean whole) {
    return mean(weights, 0, weights.length, whole);
  }

  private double mean(double[] weights, int from, int to, boolean whole) {
    int count = to - from;
    if (count == 0 || count == 1 && whole) {
      return 0;
    }
    if (count == 1) {
      return 1;
    }
    int cut = from + split(weights, from, to, worst(count, whole) - 1, whole);
    double first = sum(weights, from, cut);
    double second = sum(weights, cut, to);
    return 1
        + first / (first + second) * mean(weights, from, cut, true)
        + second / (first + second) * mean(weights, cut, to, whole);
  }

  /** Of groups that keep within the most probes left, the one nearest to half the likelihood. */
  int split(double[] weights, int from, int to, int left, boolean whole) {
    int count = to - from;
    int usual = touched(count);
    if (way == RingOut.Way.ONE_BY_ONE) {
      return usual;
    }
    double all = sum(weights, from, to);
    int best = usual;
    double miss = Double.MAX_VALUE;
    double some = 0;
    for (int size = 1; size < count || size == 1; size++) {
      some += weights[from + size - 1];
      boolean within = worst(size, true) <= left && worst(count - size, whole) <= left;
      double off = Math.abs(some - all / 2) + (size == usual ? 0 : 1e-9);
      if (within && off < miss - 1e-12) {
        miss = off;
        best = size;
      }
    }
    return best;
  }

  private static double sum(double[] weights, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += weights[i];
    }
    return sum;
  }

  static int ceilLog2(int outcomes) {
    return outcomes <= 1 ? 0 : 32 - Integer.numberOfLeadingZeros(outcomes - 1);
  }
}
