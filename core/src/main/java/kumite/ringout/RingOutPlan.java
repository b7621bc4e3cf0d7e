package kumite.ringout;

import java.util.List;
import kumite.measure.Check;
import kumite.working.Source;
import kumite.working.Working;

/**
 * How many probes ringing out a cable takes, before it is begun.
 *
 * @param cores how many cores, and places at either end, 1 to 64
 */
public record RingOutPlan(int cores) {

  /**
   * Probes.
   *
   * @param worst at most
   * @param mean over all ways the cores may run, each alike likely
   */
  public record Probes(int worst, double mean) {}

  public RingOutPlan {
    Check.between(1, RingOut.MOST_PLACES, cores, "number of cores");
  }

  /**
   * {@return probes where the faults that are looked for may be, but are not}
   *
   * @param faults what is looked for
   */
  public Probes probes(RingOut.Way way, RingOut.Faults faults) {
    Cost cost = new Cost(way);
    boolean whole = faults == RingOut.Faults.NONE;
    int worst = new Promise(cost).fresh(cores, cores, whole, 0);
    double mean = 0;
    for (int k = 1; k <= cores; k++) {
      double[] alike = new double[k];
      java.util.Arrays.fill(alike, 1);
      mean += cost.mean(alike, whole);
    }
    int touching = faults == RingOut.Faults.JOINED ? touching(way, cores) : 0;
    return new Probes(worst + touching, mean + touching);
  }

  /** {@return probes at most where so many cores go nowhere} */
  public int worstBroken(RingOut.Way way, int broken) {
    return new Promise(new Cost(way)).fresh(cores, cores, false, Math.min(broken, cores));
  }

  /** {@return probes of a last round that touches what was found, at most, where it is right} */
  public int lastRound(RingOut.Way way, RingOut.Faults faults, int broken) {
    return LastRound.most(way, faults, cores, cores, Math.min(broken, cores));
  }

  /** {@return probes that show that no two of so many places touch} */
  static int touching(RingOut.Way way, int places) {
    return way == RingOut.Way.GROUPED ? Cost.ceilLog2(places) : places * (places - 1) / 2;
  }

  /** {@return what no way of asking yes or no can beat in the worst case: log2 of n!} */
  public double bound() {
    double bits = 0;
    for (int k = 2; k <= cores; k++) {
      bits += Math.log(k) / Math.log(2);
    }
    return bits;
  }

  /** {@return how the figures for whole cores came about} */
  public Working working(RingOut.Way way) {
    Probes probes = probes(way, RingOut.Faults.NONE);
    return new Working(
        "probes to ring out " + cores + " cores, " + way.words(),
        way == RingOut.Way.ONE_BY_ONE
            ? "worst = n (n - 1) / 2; mean = sum of (k + 1)/2 - 1/k"
            : "worst = sum of ceil(log2 k); bound = log2(n!)",
        List.of(
            Working.value("n", cores, 0, "", "cores"),
            Working.value("mean", probes.mean(), 1, "", "over all orders"),
            Working.value("bound", bound(), 2, "", "no way of asking is below it")),
        probes.worst() + " at most",
        Source.derived("each core is asked about in turn; the last is known"));
  }
}
