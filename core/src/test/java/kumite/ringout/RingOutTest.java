package kumite.ringout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.lead.Making;
import kumite.lead.Plugs;
import kumite.lead.Turn;
import kumite.lead.Where;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Ring-outs of cables that are known to the test alone: every order, and thousands of spoilt ones.
 */
public class RingOutTest {
  /** Ways where cores may be broken. */
  @DataProvider
  public Object[][] broken() {
    return looking(RingOut.Faults.BROKEN);
  }

  /** Ways where all cores are whole. */
  @DataProvider
  public Object[][] whole() {
    return looking(RingOut.Faults.NONE);
  }

  private Object[][] looking(RingOut.Faults faults) {
    return Arrays.stream(ways()).filter(row -> row[1] == faults).toArray(Object[][]::new);
  }

  @DataProvider
  public Object[][] ways() {
    List<Object[]> rows = new ArrayList<>();
    for (RingOut.Way way : RingOut.Way.values()) {
      for (RingOut.Faults faults : RingOut.Faults.values()) {
        for (int cores = 1; cores <= 5; cores++) {
          rows.add(new Object[] {way, faults, cores});
        }
      }
    }
    rows.add(new Object[] {RingOut.Way.ONE_BY_ONE, RingOut.Faults.NONE, 6});
    rows.add(new Object[] {RingOut.Way.GROUPED, RingOut.Faults.NONE, 6});
    return rows.toArray(Object[][]::new);
  }

  static List<int[]> orders(int cores) {
    List<int[]> all = new ArrayList<>();
    orders(new int[cores], 0, new boolean[cores], all);
    return all;
  }

  private static void orders(int[] order, int at, boolean[] used, List<int[]> all) {
    if (at == order.length) {
      all.add(order.clone());
      return;
    }
    for (int i = 0; i < order.length; i++) {
      if (!used[i]) {
        used[i] = true;
        order[at] = i;
        orders(order, at + 1, used, all);
        used[i] = false;
      }
    }
  }

  @Test(dataProvider = "ways")
  public void everyOrderOfWholeCoresTakesWhatThePlanSays(
      RingOut.Way way, RingOut.Faults faults, int cores) {
    RingOutPlan.Probes plan = new RingOutPlan(cores).probes(way, faults);
    int worst = 0;
    double sum = 0;
    List<int[]> orders = orders(cores);
    for (int[] order : orders) {
      Rung cable = new Rung(order, cores);
      RingOut done = cable.rungOut(cable.ringOut(way, faults));
      told(cable, done, faults);
      worst = Math.max(worst, done.readings().size());
      sum += done.readings().size();
    }
    if (faults == RingOut.Faults.JOINED) { // answers about partners may show some apart already
      assertThat(worst).isLessThanOrEqualTo(plan.worst());
      assertThat(sum / orders.size()).isLessThanOrEqualTo(plan.mean() + 1e-9);
    } else {
      int last = new RingOutPlan(cores).lastRound(way, faults, 0);
      // A probe of the last round that the search has asked before is not asked again.
      assertThat(worst).isBetween(plan.worst(), plan.worst() + last);
      assertThat(sum / orders.size()).isBetween(plan.mean() - 1e-9, plan.mean() + last + 1e-9);
    }
  }

  /** Everything that was looked for is told as it is, and nothing else. */
  private static void told(Rung cable, RingOut done, RingOut.Faults faults) {
    Known known = Known.of(done);
    assertThat(known.facts().contradiction()).isEmpty();
    for (Known.Fate fate : known.fates()) {
      Place core = new Place(Where.FROM, fate.near());
      List<String> truth =
          cable.far.stream().filter(p -> cable.joined(core, new Place(Where.TO, p))).toList();
      assertThat(fate.settled()).isTrue();
      if (faults == RingOut.Faults.JOINED) {
        assertThat(fate.far()).containsExactlyInAnyOrderElementsOf(truth);
        assertThat(fate.touching())
            .containsExactlyInAnyOrderElementsOf(
                cable.near.stream()
                    .filter(c -> !c.equals(fate.near()))
                    .filter(c -> cable.joined(core, new Place(Where.FROM, c)))
                    .toList());
      } else {
        assertThat(fate.far()).isEqualTo(truth);
      }
      assertThat(fate.open()).isEqualTo(truth.isEmpty());
    }
  }

  @Test
  public void countsOfNineCores() {
    // TRADE section 8: n(n-1)/2 = 36, mean 24.2; sum of ceil(log2 k) = 21; reckoned here anew.
    RingOutPlan nine = new RingOutPlan(9);
    RingOutPlan.Probes single = nine.probes(RingOut.Way.ONE_BY_ONE, RingOut.Faults.NONE);
    assertThat(single.worst()).isEqualTo(36);
    assertThat(single.mean()).isCloseTo(24.2, within(0.05));
    RingOutPlan.Probes grouped = nine.probes(RingOut.Way.GROUPED, RingOut.Faults.NONE);
    assertThat(grouped.worst()).isEqualTo(21);
    assertThat(nine.bound()).isCloseTo(Math.log(362_880) / Math.log(2), within(1e-9));
    for (int cores = 1; cores <= RingOut.MOST_PLACES; cores++) {
      RingOutPlan plan = new RingOutPlan(cores);
      assertThat(plan.probes(RingOut.Way.ONE_BY_ONE, RingOut.Faults.NONE).worst())
          .isEqualTo(cores * (cores - 1) / 2);
      RingOutPlan.Probes halves = plan.probes(RingOut.Way.GROUPED, RingOut.Faults.NONE);
      assertThat((double) halves.worst()).isGreaterThanOrEqualTo(plan.bound() - 1e-9);
      assertThat(halves.mean()).isGreaterThanOrEqualTo(plan.bound() - 1e-9);
    }
  }

  /**
   * The best that any way of asking can do, by trying all of them: a decision tree over the orders
   * that are left. No source; it is the definition.
   */
  private static double best(
      List<int[]> left, List<int[]> probes, boolean worst, Map<List<int[]>, Double> seen) {
    if (left.size() <= 1) {
      return 0;
    }
    Double known = seen.get(left);
    if (known != null) {
      return known;
    }
    double best = Double.MAX_VALUE;
    for (int[] probe : probes) {
      List<int[]> beeps = new ArrayList<>();
      List<int[]> silent = new ArrayList<>();
      for (int[] order : left) {
        ((probe[1] >> order[probe[0]] & 1) == 1 ? beeps : silent).add(order);
      }
      if (!beeps.isEmpty() && !silent.isEmpty()) {
        double one = best(beeps, probes, worst, seen);
        double other = best(silent, probes, worst, seen);
        double cost =
            worst
                ? 1 + Math.max(one, other)
                : 1 + (beeps.size() * one + silent.size() * other) / left.size();
        best = Math.min(best, cost);
      }
    }
    seen.put(left, best);
    return best;
  }

  private static List<int[]> probes(int cores, RingOut.Way way) {
    List<int[]> probes = new ArrayList<>();
    for (int core = 0; core < cores; core++) {
      for (int set = 1; set < 1 << cores; set++) {
        if (way == RingOut.Way.GROUPED || Integer.bitCount(set) == 1) {
          probes.add(new int[] {core, set});
        }
      }
    }
    return probes;
  }

  @Test
  public void noWayOfAskingBeatsThePlanForFewCores() {
    for (RingOut.Way way : RingOut.Way.values()) {
      for (int cores = 1; cores <= 4; cores++) {
        RingOutPlan.Probes plan = new RingOutPlan(cores).probes(way, RingOut.Faults.NONE);
        List<int[]> probes = probes(cores, way);
        double worst = best(orders(cores), probes, true, new HashMap<>());
        double mean = best(orders(cores), probes, false, new HashMap<>());
        assertThat((double) plan.worst()).as(way + " " + cores).isEqualTo(worst);
        assertThat(plan.mean()).as(way + " " + cores).isCloseTo(mean, within(1e-9));
      }
    }
  }

  @Test(dataProvider = "broken")
  public void brokenCoresAreFoundWithinThePromise(
      RingOut.Way way, RingOut.Faults faults, int cores) {
    Random random = new Random(cores);
    for (int trial = 0; trial < 40; trial++) {
      int n = cores + random.nextInt(8);
      int[] to = Rung.shuffled(n, random);
      int broken = 0;
      for (int i = 0; i < n; i++) {
        if (random.nextInt(4) == 0) {
          to[i] = -1;
          broken++;
        }
      }
      Rung cable = new Rung(to, n);
      RingOut begun = cable.ringOut(way, faults).withLikely(likely(cable, to, random));
      RingOut done = cable.rungOut(begun);
      told(cable, done, faults);
      assertThat(done.readings().size())
          .as(way + ", " + n + " cores, " + broken + " broken")
          .isLessThanOrEqualTo(
              new RingOutPlan(n).worstBroken(way, broken)
                  + new RingOutPlan(n).lastRound(way, faults, broken));
    }
  }

  /** Pairs thought likely: right, wrong or none. */
  private static Map<String, String> likely(Rung cable, int[] to, Random random) {
    Map<String, String> pairs = new HashMap<>();
    int kind = random.nextInt(3);
    int[] other = Rung.shuffled(cable.far.size(), random);
    for (int i = 0; i < to.length && kind > 0; i++) {
      int place = kind == 1 ? to[i] : i < other.length ? other[i] : -1;
      if (place >= 0) {
        pairs.put(cable.near.get(i), cable.far.get(place));
      }
    }
    return pairs;
  }

  @Test(dataProvider = "whole")
  public void whatIsThoughtLikelyNeverBreaksThePromise(
      RingOut.Way way, RingOut.Faults faults, int cores) {
    Random random = new Random(100 + cores);
    RingOutPlan plan = new RingOutPlan(cores + 4);
    int most = plan.probes(way, faults).worst() + plan.lastRound(way, faults, 0);
    double right = 0;
    for (int trial = 0; trial < 30; trial++) {
      int[] to = Rung.shuffled(cores + 4, random);
      Rung cable = new Rung(to, cores + 4);
      RingOut done =
          cable.rungOut(cable.ringOut(way, faults).withLikely(likely(cable, to, random)));
      told(cable, done, faults);
      assertThat(done.readings().size()).isLessThanOrEqualTo(most);
      Map<String, String> truth = new HashMap<>();
      for (int i = 0; i < to.length; i++) {
        truth.put(cable.near.get(i), cable.far.get(to[i]));
      }
      right += cable.rungOut(cable.ringOut(way, faults).withLikely(truth)).readings().size();
    }
    assertThat(right / 30)
        .isLessThan(plan.probes(way, faults).mean() + plan.lastRound(way, faults, 0) + 1e-9);
  }

  @Test
  public void cablesWithAnyFaultsAreToldAsTheyAre() {
    Random random = new Random(7);
    for (int trial = 0; trial < 200; trial++) {
      int n = 2 + random.nextInt(8);
      int places = Math.max(2, n + random.nextInt(3) - 1);
      int[] all = Rung.shuffled(Math.max(n, places), random);
      int[] to = new int[n];
      for (int i = 0; i < n; i++) {
        to[i] = all[i] < places && random.nextInt(5) > 0 ? all[i] : -1;
      }
      Rung cable = new Rung(to, places);
      for (int k = random.nextInt(3); k > 0; k--) {
        int a = random.nextInt(n);
        cable.touching(a, (a + 1 + random.nextInt(n - 1)) % n);
      }
      RingOut.Way way = RingOut.Way.values()[trial % 2];
      RingOut begun =
          cable.ringOut(way, RingOut.Faults.JOINED).withLikely(likely(cable, to, random));
      told(cable, cable.rungOut(begun), RingOut.Faults.JOINED);
    }
  }

  @Test
  public void nineCoresWithOneBrokenAndTwoCrossed() {
    Random random = new Random(14);
    for (RingOut.Way way : RingOut.Way.values()) {
      for (int trial = 0; trial < 100; trial++) {
        int[] to = {0, 1, 2, 3, 4, 5, 6, 7, 8};
        int broken = random.nextInt(9);
        int a = (broken + 1 + random.nextInt(8)) % 9;
        int b = a;
        while (b == a || b == broken) {
          b = random.nextInt(9);
        }
        to[broken] = -1;
        int swap = to[a];
        to[a] = to[b];
        to[b] = swap;
        Rung cable = new Rung(to, 9);
        RingOut done = cable.rungOut(cable.ringOut(way, RingOut.Faults.BROKEN));
        told(cable, done, RingOut.Faults.BROKEN);
        assertThat(done.readings().size())
            .isLessThanOrEqualTo(
                new RingOutPlan(9).worstBroken(way, 1)
                    + new RingOutPlan(9).lastRound(way, RingOut.Faults.BROKEN, 1));
      }
    }
  }

  @Test
  public void aWrongAnswerIsFoundOutOrDoesNoHarm() {
    Random random = new Random(3);
    int found = 0;
    for (int trial = 0; trial < 150; trial++) {
      Rung cable = new Rung(Rung.shuffled(6, random), 6);
      RingOut done = cable.rungOut(cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.JOINED));
      int wrong = random.nextInt(done.readings().size());
      List<Reading> readings = new ArrayList<>(done.readings());
      Reading right = readings.get(wrong);
      readings.set(wrong, new Reading(right.one(), right.other(), !right.beep()));
      RingOut spoilt = done.withReadings(readings);
      Optional<Facts.Contradiction> contradiction = Known.of(spoilt).facts().contradiction();
      if (contradiction.isPresent()) {
        found++;
        assertThat(contradiction.get().readings()).contains(wrong);
        assertThat(NextProbe.of(Known.of(spoilt))).isEmpty();
        // Any smallest set of answers that disagree does so no more without any one of them.
        for (int i : contradiction.get().readings()) {
          List<Reading> fewer = new ArrayList<>();
          for (int k : contradiction.get().readings()) {
            if (k != i) {
              fewer.add(readings.get(k));
            }
          }
          assertThat(Known.of(spoilt.withReadings(fewer)).facts().contradiction()).isEmpty();
        }
      }
    }
    assertThat(found).isGreaterThan(60);
  }

  @Test
  public void stoppedAndGoneOnWithDaysLaterAsksTheSame() {
    Rung cable = new Rung(new int[] {2, 0, 3, 1}, 4);
    RingOut ringOut = cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.BROKEN);
    RingOut whole = cable.rungOut(ringOut);
    for (int i = 0; i < whole.readings().size(); i++) {
      RingOut half = whole.withReadings(whole.readings().subList(0, i));
      assertThat(cable.rungOut(half)).isEqualTo(whole);
      assertThat(NextProbe.left(Known.of(half), 0).worst())
          .isGreaterThanOrEqualTo(whole.readings().size() - i);
    }
  }

  /**
   * What another lead has makes pairs likely, by pins and by colours; it is never taken as true.
   */
  @Test
  public void anotherLeadSaysWhatIsLikely() {
    Plugs plugs = Plugs.standard();
    Lead quarter = Making.turning(Turn.degrees(90), plugs.neededPinout("nine-pin-direct"), plugs);
    RingOut pins = RingOut.of("pins", plugs.needed("nine-pin"), plugs.needed("nine-pin"));
    assertThat(Likely.asIn(quarter, pins))
        .containsEntry("1", "3")
        .containsEntry("4", "1")
        .containsEntry("9", "9");
    RingOut cut = RingOut.of("cut", plugs.needed("nine-pin"), plugs.needed("bare-9"));
    List<String> colours = List.of("WH", "BK", "RD", "TQ", "PK", "OG", "GN", "BU", "BN");
    RingOut named = cut.between(cut.from(), cut.to(), cut.near(), colours);
    Map<String, String> pairs = Likely.asIn(quarter, named);
    assertThat(pairs).containsEntry("1", "BN").containsEntry("8", "BK").hasSize(9);
    RingOut guessed = named.withLikely(pairs);
    Place one = new Place(Where.FROM, "1");
    NextProbe first = NextProbe.of(Known.of(guessed)).orElseThrow();
    assertThat(first.other())
        .contains(new Place(Where.TO, pairs.get(first.one().iterator().next().pin())));
    Reading silent =
        new Reading(java.util.Set.of(one), java.util.Set.of(new Place(Where.TO, "BN")), false);
    assertThat(Known.of(guessed.with(silent)).fates().get(0).may()).hasSize(8).doesNotContain("BN");
  }

  /** Places called otherwise keep their answers; places taken away lose theirs and no others. */
  @Test
  public void answersGoWithTheirPlaces() {
    Random random = new Random(21);
    Rung cable = new Rung(Rung.shuffled(6, random), 6);
    RingOut begun = cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.JOINED);
    RingOut done = cable.rungOut(begun.withLikely(Map.of("c1", "p2")));
    List<String> near = List.of("BN", "BU", "GN", "OG", "PK", "TQ");
    RingOut named = done.between(done.from(), done.to(), near, done.far());
    assertThat(named.readings()).hasSameSizeAs(done.readings());
    assertThat(named.likely()).containsExactly(Map.entry("BN", "p2"));
    List<Known.Fate> before = Known.of(done).fates();
    List<Known.Fate> after = Known.of(named).fates();
    for (int i = 0; i < 6; i++) {
      assertThat(after.get(i).near()).isEqualTo(near.get(i));
      assertThat(after.get(i).far()).isEqualTo(before.get(i).far());
    }
    assertThat(named.between(done.from(), done.to(), done.near(), done.far())).isEqualTo(done);
    List<String> turned = new ArrayList<>(done.near());
    java.util.Collections.reverse(turned);
    RingOut reordered = done.between(done.from(), done.to(), turned, done.far());
    assertThat(reordered.readings()).isEqualTo(done.readings());
    RingOut fewer = done.between(done.from(), done.to(), done.near().subList(0, 5), done.far());
    assertThat(fewer.readings())
        .isEqualTo(
            done.readings().stream()
                .filter(r -> !r.one().contains(new Place(Where.FROM, "c6")))
                .filter(r -> !r.other().contains(new Place(Where.FROM, "c6")))
                .toList());
  }
}
