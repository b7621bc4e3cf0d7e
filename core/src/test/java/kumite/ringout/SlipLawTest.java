package kumite.ringout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A ring-out is never wrong in silence: over a thousand cables with breaks and bridges all true
 * answers end in the truth, or in a mark that something is doubtful; and a hand that slips once is
 * found out, or does no harm.
 */
public class SlipLawTest {
  /** The suite tries 200 cables each way; {@code -Dringout.times=8} tries more than a thousand. */
  private static final int TIMES = Integer.getInteger("ringout.times", 1);

  private static final Set<NextProbe.Why> LAST =
      EnumSet.of(NextProbe.Why.DENIED, NextProbe.Why.CLAIMED, NextProbe.Why.AGAIN);

  /** One cable, and how it was rung out. */
  private record Played(RingOut done, int searched, boolean found) {}

  private static Rung cable(Random random, boolean bridges) {
    int n = 3 + random.nextInt(23);
    int places = Math.max(2, n + random.nextInt(4) - 1);
    int[] all = Rung.shuffled(Math.max(n, places), random);
    int breaks = random.nextInt(3);
    int[] to = new int[n];
    for (int i = 0; i < n; i++) {
      to[i] = all[i] < places ? all[i] : -1;
    }
    for (int k = 0; k < breaks; k++) {
      to[random.nextInt(n)] = -1;
    }
    Rung cable = new Rung(to, places);
    for (int k = bridges ? random.nextInt(3) : 0; k > 0; k--) {
      int a = random.nextInt(n);
      cable.touching(a, (a + 1 + random.nextInt(n - 1)) % n);
    }
    return cable;
  }

  /** Asks until nothing is left to ask; one answer is wrong, none where that is below 0. */
  private static Played play(Rung cable, RingOut begun, int wrong) {
    RingOut ringOut = begun;
    int searched = 0;
    while (true) {
      Known known = Known.of(ringOut);
      if (known.facts().contradiction().isPresent()) {
        return new Played(ringOut, searched, true);
      }
      Optional<NextProbe> next = NextProbe.of(known);
      if (next.isEmpty()) {
        return new Played(ringOut, searched, false);
      }
      boolean true0 = cable.beeps(next.get().one(), next.get().other());
      searched += LAST.contains(next.get().why()) ? 0 : 1;
      ringOut = ringOut.with(next.get().answered(true0 != (ringOut.readings().size() == wrong)));
      assertThat(ringOut.readings().size()).as("it comes to an end").isLessThan(1200);
    }
  }

  /** Cores that are told otherwise than they are, and nothing about them is marked. */
  private static List<String> wrong(Rung cable, RingOut done) {
    List<Known.Fate> fates = Known.of(done).fates();
    List<String> wrong = new ArrayList<>();
    for (Known.Fate fate : fates) {
      Place core = new Place(Where.FROM, fate.near());
      Set<String> truth = new HashSet<>();
      cable.far.stream()
          .filter(p -> cable.joined(core, new Place(Where.TO, p)))
          .forEach(truth::add);
      long sharing =
          fates.stream().filter(f -> f.far().stream().anyMatch(fate.far()::contains)).count();
      boolean marked =
          !fate.settled() || fate.far().size() > 1 || !fate.touching().isEmpty() || sharing > 1;
      if (!marked && !truth.equals(new HashSet<>(fate.far()))) {
        wrong.add(Result.words(fate) + ", and it is " + truth);
      }
    }
    return wrong;
  }

  @DataProvider(parallel = true)
  public Object[][] modes() {
    return new Object[][] {
      {RingOut.Way.GROUPED, RingOut.Faults.BROKEN, 120},
      {RingOut.Way.GROUPED, RingOut.Faults.JOINED, 50},
      {RingOut.Way.ONE_BY_ONE, RingOut.Faults.BROKEN, 15},
      {RingOut.Way.ONE_BY_ONE, RingOut.Faults.JOINED, 15},
    };
  }

  /** True answers; without clips cores that touch are told only where they are looked for. */
  @Test(dataProvider = "modes")
  public void trueAnswersEndInTheTruth(RingOut.Way way, RingOut.Faults faults, int cables) {
    Random random = new Random(2026);
    boolean sees = way == RingOut.Way.GROUPED || faults == RingOut.Faults.JOINED;
    int bad = 0;
    String first = "";
    for (int trial = 0; trial < TIMES * cables; trial++) {
      Rung cable = cable(random, true);
      Played played = play(cable, cable.ringOut(way, faults), -1);
      assertThat(played.found()).as("true answers contradict nothing").isFalse();
      List<String> wrong = wrong(cable, played.done());
      if (!sees) {
        // What is not looked for is taken as absent; but nothing is said to go nowhere falsely.
        wrong.removeIf(words -> !words.contains("nowhere"));
      }
      bad += wrong.isEmpty() ? 0 : 1;
      first = first.isEmpty() && !wrong.isEmpty() ? "cable " + trial + ": " + wrong : first;
    }
    assertThat(bad).as(first).isZero();
  }

  /** One slip: found, or right in the end, in at least 95 of 100. */
  @Test(dataProvider = "modes")
  public void oneSlipIsFoundOrDoesNoHarm(RingOut.Way way, RingOut.Faults faults, int cables) {
    Random random = new Random(77);
    int harm = 0;
    int count = 0;
    for (int trial = 0; trial < TIMES * cables; trial++) {
      Rung cable = cable(random, false);
      RingOut begun = cable.ringOut(way, faults);
      int all = play(cable, begun, -1).done().readings().size();
      Played played = play(cable, begun, random.nextInt(all));
      count++;
      boolean bad = !played.found() && !wrong(cable, played.done()).isEmpty();
      harm += bad ? 1 : 0;
    }
    assertThat(harm).as("of %d", count).isLessThanOrEqualTo(Math.max(1, count / 20));
  }

  /** What contradicts is mended by repeating what is named, and then the truth is found. */
  @Test
  public void repeatingWhatIsNamedLeadsToTheTruth() {
    Random random = new Random(31);
    int repeats = 0;
    int found = 0;
    int harm = 0;
    for (int trial = 0; trial < 60; trial++) {
      Rung cable = cable(random, false);
      RingOut begun = cable.ringOut(RingOut.Way.GROUPED, RingOut.Faults.BROKEN);
      int all = play(cable, begun, -1).done().readings().size();
      Played played = play(cable, begun, random.nextInt(all));
      RingOut ringOut = played.done();
      found += played.found() ? 1 : 0;
      for (int more = 0; played.found(); more++) {
        assertThat(more).as("repeats of cable %d", trial).isLessThan(40);
        int repeat = Known.of(ringOut).facts().contradiction().orElseThrow().repeat();
        Reading asked = ringOut.readings().get(repeat);
        ringOut = ringOut.again(repeat, cable.beeps(asked.one(), asked.other()));
        repeats++;
        played = play(cable, ringOut, -1);
        ringOut = played.done();
      }
      harm += wrong(cable, ringOut).isEmpty() ? 0 : 1;
    }
    assertThat(found).isGreaterThan(30);
    assertThat(harm).isLessThanOrEqualTo(60 / 20);
    assertThat(repeats).as("for %d slips found", found).isLessThan(4 * found);
  }

  /** What nothing is wrong with takes no more than a tenth more, over cables of 3 to 25 cores. */
  @Test
  public void theLastRoundIsShort() {
    Random random = new Random(5);
    for (RingOut.Way way : RingOut.Way.values()) {
      for (RingOut.Faults faults : RingOut.Faults.values()) {
        long searched = 0;
        long all = 0;
        for (int cores = 3; cores <= 25; cores++) {
          for (int trial = 0; trial < 2; trial++) {
            Rung cable = new Rung(Rung.shuffled(cores, random), cores);
            Played played = play(cable, cable.ringOut(way, faults), -1);
            searched += played.searched();
            all += played.done().readings().size();
            assertThat(played.done().readings().size() - played.searched())
                .isLessThanOrEqualTo(new RingOutPlan(cores).lastRound(way, faults, 0));
          }
        }
        assertThat(all).as("%s, %s", way, faults).isLessThanOrEqualTo(searched * 11 / 10);
      }
    }
  }
}
