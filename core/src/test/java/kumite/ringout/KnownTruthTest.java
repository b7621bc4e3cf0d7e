package kumite.ringout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What a ring-out says it knows, against every cable that there could be. For few cores all cables
 * are written down, those that do not fit the answers are struck out, and what is left is the
 * truth: no source, it is the definition of knowing.
 */
public class KnownTruthTest {
  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Place near(int i) {
    return new Place(Where.FROM, "c" + (i + 1));
  }

  private static Place far(int j) {
    return new Place(Where.TO, "p" + (j + 1));
  }

  /** Some places of an end, at least one. */
  private static Set<Place> some(Where end, int count, SplittableRandom random) {
    Set<Place> places = new LinkedHashSet<>();
    while (places.isEmpty()) {
      for (int i = 0; i < count; i++) {
        if (random.nextInt(3) == 0) {
          places.add(end == Where.FROM ? near(i) : far(i));
        }
      }
    }
    return places;
  }

  private static Rung cable(int[] to, int places) {
    return new Rung(to, places);
  }

  /** All ways that so many cores may run: each to a place of its own, or nowhere. */
  private static List<int[]> ways(int cores, int places, boolean broken) {
    List<int[]> all = new ArrayList<>();
    ways(new int[cores], 0, places, new HashSet<>(), broken, all);
    return all;
  }

  private static void ways(
      int[] to, int at, int places, Set<Integer> used, boolean broken, List<int[]> all) {
    if (at == to.length) {
      all.add(to.clone());
      return;
    }
    for (int place = broken ? -1 : 0; place < places; place++) {
      if (place < 0 || used.add(place)) {
        to[at] = place;
        ways(to, at + 1, places, used, broken, all);
        used.remove(place);
      }
    }
  }

  private static boolean fits(Rung cable, List<Reading> readings) {
    return readings.stream().allMatch(r -> cable.beeps(r.one(), r.other()) == r.beep());
  }

  /** Random questions, answered by one of the cables. */
  private static List<Reading> asked(
      Rung truth, int cores, int places, boolean single, SplittableRandom random) {
    List<Reading> readings = new ArrayList<>();
    for (int i = random.nextInt(7); i > 0; i--) {
      Set<Place> one =
          single ? Set.of(near(random.nextInt(cores))) : some(Where.FROM, cores, random);
      Set<Place> other = some(Where.TO, places, random);
      readings.add(new Reading(one, other, truth.beeps(one, other)));
    }
    return readings;
  }

  /** Where every core is whole, the candidates left are exactly those of some cable that fits. */
  @Test(dataProvider = "seeds")
  public void candidatesOfWholeCoresAreThoseOfSomeCable(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int cores = 2 + random.nextInt(4);
    int places = cores + random.nextInt(2);
    List<int[]> ways = ways(cores, places, false);
    int[] truth = ways.get(random.nextInt(ways.size()));
    Rung cable = cable(truth, places);
    List<Reading> readings = asked(cable, cores, places, true, random);
    RingOut ringOut =
        cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.NONE).withReadings(readings);
    Known known = Known.of(ringOut);
    List<int[]> left = ways.stream().filter(w -> fits(cable(w, places), readings)).toList();
    for (int core = 0; core < cores; core++) {
      Set<Integer> possible = new HashSet<>();
      for (int[] way : left) {
        possible.add(way[core]);
      }
      Set<Integer> said = new HashSet<>();
      known.candidates(core).stream().forEach(said::add);
      assertThat(said).as("core %d, %s", core + 1, readings).isEqualTo(possible);
      assertThat(known.partner(core).isPresent()).isEqualTo(possible.size() == 1);
    }
  }

  /** Where cores may be broken, the truth is never struck out, and what is settled is true. */
  @Test(dataProvider = "seeds")
  public void theTruthIsNeverStruckOut(int seed) {
    SplittableRandom random = new SplittableRandom(1000 + seed);
    int cores = 2 + random.nextInt(4);
    int places = Math.max(2, cores + random.nextInt(3) - 1);
    List<int[]> ways = ways(cores, places, true);
    int[] truth = ways.get(random.nextInt(ways.size()));
    Rung cable = cable(truth, places);
    List<Reading> readings = asked(cable, cores, places, random.nextBoolean(), random);
    RingOut ringOut =
        cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.BROKEN).withReadings(readings);
    Known known = Known.of(ringOut);
    assertThat(known.facts().contradiction()).isEmpty();
    for (int core = 0; core < cores; core++) {
      if (truth[core] >= 0) {
        assertThat(known.candidates(core).get(truth[core])).as("%s", readings).isTrue();
      }
      if (known.settled(core)) {
        assertThat(known.partner(core).orElse(-1)).isEqualTo(truth[core]);
      }
    }
  }

  // ---- facts, against every way that places can be joined

  /** All ways to part so many places into groups. */
  private static List<int[]> partitions(int places) {
    List<int[]> all = new ArrayList<>();
    partitions(new int[places], 0, 0, all);
    return all;
  }

  private static void partitions(int[] group, int at, int groups, List<int[]> all) {
    if (at == group.length) {
      all.add(group.clone());
      return;
    }
    for (int g = 0; g <= groups; g++) {
      group[at] = g;
      partitions(group, at + 1, Math.max(groups, g + 1), all);
    }
  }

  private static boolean beeps(int[] group, Reading reading, List<Place> places) {
    return reading.one().stream()
        .anyMatch(
            a ->
                reading.other().stream()
                    .anyMatch(b -> group[places.indexOf(a)] == group[places.indexOf(b)]));
  }

  /**
   * Answers of a cable that is anything at all: what is said to be joined is joined in every cable
   * that fits, what is said to be apart in none; and no fitting answers contradict.
   */
  @Test(dataProvider = "seeds")
  public void factsHoldInEveryCableThatFits(int seed) {
    SplittableRandom random = new SplittableRandom(2000 + seed);
    int cores = 2 + random.nextInt(2);
    List<Place> places = new ArrayList<>();
    for (int i = 0; i < cores; i++) {
      places.add(near(i));
    }
    for (int i = 0; i < cores; i++) {
      places.add(far(i));
    }
    List<int[]> all = partitions(places.size());
    int[] truth = all.get(random.nextInt(all.size()));
    List<Reading> readings = new ArrayList<>();
    for (int i = random.nextInt(6); i > 0; i--) {
      Set<Place> one = new LinkedHashSet<>();
      Set<Place> other = new LinkedHashSet<>();
      for (Place place : places) {
        int where = random.nextInt(4);
        if (where == 0) {
          one.add(place);
        } else if (where == 1) {
          other.add(place);
        }
      }
      if (!one.isEmpty() && !other.isEmpty()) {
        Reading silent = new Reading(one, other, false);
        readings.add(new Reading(one, other, beeps(truth, silent, places)));
      }
    }
    RingOut ringOut =
        cable(new int[cores], cores)
            .ringOut(RingOut.Way.GROUPED, RingOut.Faults.JOINED)
            .withReadings(readings);
    Facts facts = Known.of(ringOut).facts();
    assertThat(facts.contradiction()).isEmpty();
    List<int[]> fitting =
        all.stream()
            .filter(g -> readings.stream().allMatch(r -> beeps(g, r, places) == r.beep()))
            .toList();
    for (Place a : places) {
      for (Place b : places) {
        Optional<Boolean> joined = facts.joined(a, b);
        if (!a.equals(b) && joined.isPresent()) {
          for (int[] group : fitting) {
            boolean same = group[places.indexOf(a)] == group[places.indexOf(b)];
            assertThat(same).as("%s and %s after %s", a, b, readings).isEqualTo(joined.get());
          }
        }
      }
    }
  }

  /** Answers that no cable gives are told as a contradiction, whenever one reading shows it. */
  @Test(dataProvider = "seeds")
  public void whatNoCableCouldSayIsAContradiction(int seed) {
    SplittableRandom random = new SplittableRandom(3000 + seed);
    int cores = 3;
    Rung cable = cable(Rung.shuffled(cores, new java.util.Random(seed)), cores);
    RingOut done = cable.rungOut(cable.ringOut(RingOut.Way.ONE_BY_ONE, RingOut.Faults.JOINED));
    Place a = near(random.nextInt(cores));
    Place b = far(random.nextInt(cores));
    Reading lie = new Reading(Set.of(a), Set.of(b), !cable.joined(a, b));
    RingOut spoilt = done.with(lie);
    Optional<Facts.Contradiction> found = Known.of(spoilt).facts().contradiction();
    assertThat(found).isPresent();
    assertThat(found.get().readings()).contains(spoilt.readings().size() - 1);
    assertThat(Known.of(spoilt.without(found.get().repeat())).facts().contradiction())
        .as("without the one to repeat the others agree")
        .isEmpty();
  }

  /** Whatever touches what: a core that was heard to beep is never said to go nowhere. */
  @Test(dataProvider = "seeds")
  public void aCoreThatBeepedIsNotBroken(int seed) {
    SplittableRandom random = new SplittableRandom(4000 + seed);
    int cores = 3 + random.nextInt(3);
    Rung cable = cable(Rung.shuffled(cores, new java.util.Random(seed)), cores);
    for (int i = random.nextInt(1, 3); i > 0; i--) {
      int a = random.nextInt(cores);
      cable.touching(a, (a + 1 + random.nextInt(cores - 1)) % cores);
    }
    RingOut.Faults faults = random.nextBoolean() ? RingOut.Faults.NONE : RingOut.Faults.BROKEN;
    List<Reading> readings = asked(cable, cores, cores, true, random);
    RingOut done = cable.rungOut(cable.ringOut(RingOut.Way.GROUPED, faults).withReadings(readings));
    for (Known.Fate fate : Known.of(done).fates()) {
      Place core = new Place(Where.FROM, fate.near());
      boolean beeped =
          done.readings().stream().anyMatch(r -> r.beep() && r.one().equals(Set.of(core)));
      assertThat(beeped && fate.open()).as("%s after %s", fate, done.readings()).isFalse();
    }
  }

  /**
   * As many answers as a file may hold, one of them a lie: found, and the set is a smallest one.
   */
  @Test
  public void aLieAmongManyAnswersIsFound() {
    Rung cable = cable(Rung.shuffled(40, new java.util.Random(1)), 40);
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; readings.size() < RingOut.MOST_READINGS - 1; i++) {
      Set<Place> one = Set.of(near(i % 40));
      Set<Place> other = Set.of(far(i / 40 % 40));
      readings.add(new Reading(one, other, cable.beeps(one, other)));
    }
    Reading first = readings.get(17);
    readings.add(new Reading(first.one(), first.other(), !first.beep()));
    Facts.Contradiction found =
        Known.of(
                cable.ringOut(RingOut.Way.ONE_BY_ONE, RingOut.Faults.BROKEN).withReadings(readings))
            .facts()
            .contradiction()
            .orElseThrow();
    assertThat(found.readings()).hasSize(2).endsWith(readings.size() - 1);
  }
}
