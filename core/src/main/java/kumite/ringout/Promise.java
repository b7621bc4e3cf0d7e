package kumite.ringout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The most probes that finding every core's partner takes, core after core.
 *
 * <p>Cores with few candidates are taken first, while most places are still free; that is no more
 * than any other order needs, since the sum of minima is least when the one row rises as the other
 * falls.
 */
final class Promise {
  /** A core of which the partner is not found yet. */
  record Loose(int candidates, boolean whole) {}

  private final Cost cost;

  Promise(Cost cost) {
    this.cost = cost;
  }

  /**
   * {@return the most probes for cores that nobody asked about}
   *
   * @param broken how many of them go nowhere
   */
  int fresh(int cores, int places, boolean whole, int broken) {
    List<Loose> all = new ArrayList<>();
    for (int i = 0; i < cores; i++) {
      all.add(new Loose(places, whole));
    }
    return left(all, places, broken);
  }

  /**
   * {@return the most probes that are left}
   *
   * @param free places that no core is known to go to
   * @param broken how many of the cores go nowhere: they take no place from the others
   */
  int left(List<Loose> loose, int free, int broken) {
    List<Loose> cores = new ArrayList<>(loose);
    int sum = 0;
    // A broken core costs most where it has most candidates.
    cores.sort(Comparator.comparingInt((Loose c) -> c.whole() ? -1 : c.candidates()).reversed());
    for (int i = 0; i < broken && !cores.isEmpty() && !cores.get(0).whole(); i++) {
      sum += cost.worst(Math.min(cores.remove(0).candidates(), free), false);
    }
    cores.sort(Comparator.comparingInt(Loose::candidates));
    int places = free;
    for (Loose core : cores) {
      int may = Math.max(0, Math.min(core.candidates(), places));
      sum += may == 0 ? 0 : cost.worst(may, core.whole());
      places--;
    }
    return sum;
  }
}
