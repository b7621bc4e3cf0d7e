package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.lead.LeadPart.Place;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Leads as permutations and as nets, against arithmetic done here anew: permutations as arrays, and
 * joined pins as a graph that is walked.
 */
public class LeadLawTest {
  private static final Plugs PLUGS = Plugs.standard();
  private static final Pinout NINE = PLUGS.neededPinout("nine-pin-direct");

  /** What each pin of a lead goes to, as an array from 1; the test's own reading of the cores. */
  private static int[] array(Lead lead) {
    int[] to = new int[10];
    for (Core core : lead.cores()) {
      assertThat(to[Integer.parseInt(core.from())]).isZero();
      to[Integer.parseInt(core.from())] = Integer.parseInt(core.to());
    }
    return to;
  }

  private static int[] then(int[] first, int[] second) {
    int[] both = new int[first.length];
    for (int i = 1; i < first.length; i++) {
      both[i] = second[first[i]];
    }
    return both;
  }

  private static Lead turning(int quarters, boolean mirrored) {
    return Making.turning(new Turn(quarters, mirrored), NINE, PLUGS);
  }

  /** TRADE section 8: half swaps 1-2 and 3-4; a quarter counter-clockwise is 1>3 2>4 3>2 4>1. */
  @Test
  public void turnsAreAsTheTradeWritesThem() {
    assertThat(array(turning(0, false))).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9);
    assertThat(array(turning(1, false))).containsExactly(0, 3, 4, 2, 1, 5, 6, 7, 8, 9);
    assertThat(array(turning(2, false))).containsExactly(0, 2, 1, 4, 3, 5, 6, 7, 8, 9);
    assertThat(array(turning(3, false))).containsExactly(0, 4, 3, 1, 2, 5, 6, 7, 8, 9);
    assertThat(array(turning(0, true))).containsExactly(0, 1, 2, 4, 3, 5, 6, 7, 8, 9);
    assertThat(array(turning(2, true))).containsExactly(0, 2, 1, 3, 4, 5, 6, 7, 8, 9);
  }

  /** All 64 compositions of the eight turns, as arrays and as leads, and their names. */
  @Test
  public void everyTwoTurnsJoinedAreTheTurnOfTheirProduct() {
    for (Turn one : Turn.all()) {
      for (Turn other : Turn.all()) {
        Lead first = Making.turning(one, NINE, PLUGS);
        Lead second = Making.turning(other, NINE, PLUGS);
        Lead both = Making.joined(List.of(first, second));
        assertThat(array(both)).isEqualTo(then(array(first), array(second)));
        assertThat(Told.of(both, PLUGS).turn()).contains(one.then(other));
        assertThat(array(Making.turning(one.then(other), NINE, PLUGS))).isEqualTo(array(both));
      }
      Lead four = Making.joined(java.util.Collections.nCopies(4, Making.turning(one, NINE, PLUGS)));
      assertThat(Told.of(four, PLUGS).words()).isEqualTo("a plain extension");
      Lead undone =
          Making.joined(
              List.of(
                  Making.turning(one, NINE, PLUGS),
                  Making.inverse(Making.turning(one, NINE, PLUGS))));
      assertThat(array(undone)).isEqualTo(array(turning(0, false)));
      assertThat(one.then(one.inverse())).isEqualTo(Turn.PLAIN);
    }
    assertThat(Told.of(Making.joined(List.of(turning(1, false), turning(2, false))), PLUGS).words())
        .contains("three quarters to the left");
  }

  @Test
  public void degreesAreCountedCounterClockwise() {
    assertThat(Turn.degrees(-90)).isEqualTo(new Turn(3, false));
    assertThat(Turn.degrees(450)).isEqualTo(new Turn(1, false));
    assertThat(Turn.degrees(90).of(Turn.Direction.UP)).isEqualTo(Turn.Direction.LEFT);
    for (double odd : new double[] {45, 1e9, Double.NaN, Double.POSITIVE_INFINITY}) {
      assertThatThrownBy(() -> Turn.degrees(odd))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("quarters");
    }
  }

  // ---- any leads, as nets

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 150).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Which pins one can walk to, over cores and bridges of some leads in a row. */
  private static Set<String> walked(List<Lead> leads, String start) {
    Map<String, Set<String>> ways = new HashMap<>();
    for (int i = 0; i < leads.size(); i++) {
      for (Core core : leads.get(i).cores()) {
        way(ways, i + " " + core.from(), (i + 1) + " " + core.to());
      }
      for (LeadPart part : leads.get(i).parts()) {
        if (part instanceof LeadPart.Bridge bridge) {
          int at = bridge.at().end() == Where.FROM ? i : i + 1;
          way(ways, at + " " + bridge.at().pin(), at + " " + bridge.other());
        } else if (part instanceof LeadPart.Drain drain) {
          // The shield is a place of its own, which every drain wire comes from.
          int at = drain.at().end() == Where.FROM ? i : i + 1;
          way(ways, "shield of " + i, at + " " + drain.at().pin());
        }
      }
    }
    Set<String> seen = new HashSet<>(Set.of(start));
    List<String> left = new ArrayList<>(seen);
    while (!left.isEmpty()) {
      for (String next : ways.getOrDefault(left.remove(0), Set.of())) {
        if (seen.add(next)) {
          left.add(next);
        }
      }
    }
    return seen;
  }

  private static void way(Map<String, Set<String>> ways, String a, String b) {
    ways.computeIfAbsent(a, k -> new HashSet<>()).add(b);
    ways.computeIfAbsent(b, k -> new HashSet<>()).add(a);
  }

  private static Set<String> ends(Set<String> places, int last) {
    Set<String> ends = new HashSet<>();
    for (String place : places) {
      if (place.startsWith("shield")) {
        continue;
      }
      if (place.startsWith("0 ")) {
        ends.add("from " + place.substring(2));
      } else if (place.startsWith(last + " ")) {
        ends.add("to " + place.substring(place.indexOf(' ') + 1));
      }
    }
    return ends;
  }

  private static Set<String> net(Lead lead, Where where, String pin) {
    Set<String> net = new HashSet<>();
    for (Place place : LeadNets.of(lead).of(new Place(where, pin))) {
      net.add((place.end() == Where.FROM ? "from " : "to ") + place.pin());
    }
    return net;
  }

  /** The same leads, each beginning with the half that the one before ends in asks for. */
  static List<Lead> plugged(List<Lead> leads) {
    List<Lead> all = new ArrayList<>(leads.subList(0, 1));
    for (Lead next : leads.subList(1, leads.size())) {
      End.Plug before = (End.Plug) all.get(all.size() - 1).to();
      End.Plug from = (End.Plug) next.from();
      all.add(
          next.withEnd(
              Where.FROM,
              new End.Plug(
                  from.connector(),
                  before.gender().other(),
                  from.beyond(),
                  from.pinout(),
                  from.wired())));
    }
    return all;
  }

  @Test(dataProvider = "seeds")
  public void joinedLeadsJoinWhatTheyJoinOneAfterAnother(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<ConnectorKind> kinds = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      kinds.add(RandomLeads.connector(random));
    }
    List<Lead> leads = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      leads.add(RandomLeads.between(kinds.get(i), kinds.get(i + 1), random));
    }
    leads = plugged(leads);
    Lead all = Making.joined(leads);
    for (String pin : kinds.get(0).names()) {
      assertThat(net(all, Where.FROM, pin)).isEqualTo(ends(walked(leads, "0 " + pin), 3));
    }
    for (String pin : kinds.get(3).names()) {
      assertThat(net(all, Where.TO, pin)).isEqualTo(ends(walked(leads, "3 " + pin), 3));
    }
    assertThat(all.from()).isEqualTo(leads.get(0).from());
    assertThat(all.to()).isEqualTo(leads.get(2).to());
  }

  @Test(dataProvider = "seeds")
  public void aLeadTurnedTwiceIsItself(int seed) {
    Lead lead = RandomLeads.any(new SplittableRandom(seed));
    assertThat(lead.turned().turned()).isEqualTo(lead);
    for (Core core : lead.cores()) {
      Set<String> there = new HashSet<>();
      for (String place : net(lead.turned(), Where.TO, core.from())) {
        there.add(
            place.startsWith("to ") ? "from" + place.substring(2) : "to" + place.substring(4));
      }
      assertThat(there).isEqualTo(net(lead, Where.FROM, core.from()));
    }
  }

  private static Lead permuted(int[] order, String name) {
    List<Core> cores = new ArrayList<>();
    Lead plain = turning(0, false);
    for (int i = 0; i < 9; i++) {
      cores.add(plain.cores().get(i).between(String.valueOf(i + 1), String.valueOf(order[i] + 1)));
    }
    return plain.withCores(cores).named(name);
  }

  private static int[] shuffled(SplittableRandom random) {
    int[] order = IntStream.range(0, 9).toArray();
    for (int i = 8; i > 0; i--) {
      int j = random.nextInt(i + 1);
      int swap = order[i];
      order[i] = order[j];
      order[j] = swap;
    }
    return order;
  }

  @Test(dataProvider = "seeds")
  public void whatMakesOneIntoAnotherDoesSo(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Lead one = permuted(shuffled(random), "one");
    Lead other = permuted(shuffled(random), "other");
    Lead between = Making.making(one, other);
    assertThat(array(Making.joined(List.of(one, between)))).isEqualTo(array(other));
    assertThat(array(Making.joined(List.of(one, Making.inverse(one)))))
        .isEqualTo(array(turning(0, false)));
  }

  @Test(dataProvider = "seeds")
  public void aDrawerGivesTheFewestLeadsThatDo(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Lead> drawer = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      drawer.add(permuted(shuffled(random), "lead " + i));
    }
    int count = 1 + seed % 3;
    List<Lead> chosen = new ArrayList<>(drawer);
    java.util.Collections.shuffle(chosen, new java.util.Random(seed));
    Lead wanted = Making.joined(chosen.subList(0, count));
    Optional<List<Lead>> found = new Drawer(drawer).doing(wanted);
    assertThat(found).isPresent();
    assertThat(array(Making.joined(found.get()))).isEqualTo(array(wanted));
    assertThat(found.get()).doesNotHaveDuplicates();
    assertThat(found.get().size()).isEqualTo(fewest(drawer, array(wanted)));
    assertThat(new Drawer(List.of()).doing(wanted)).isEmpty();
  }

  private static int fewest(List<Lead> drawer, int[] wanted) {
    int best = 4;
    for (Lead a : drawer) {
      best = java.util.Arrays.equals(array(a), wanted) ? 1 : best;
      for (Lead b : drawer) {
        int[] two = then(array(a), array(b));
        best = a != b && java.util.Arrays.equals(two, wanted) ? Math.min(best, 2) : best;
        for (Lead c : drawer) {
          boolean apart = a != b && b != c && a != c;
          boolean does = java.util.Arrays.equals(then(two, array(c)), wanted);
          best = apart && does ? Math.min(best, 3) : best;
        }
      }
    }
    return best;
  }

  @Test
  public void leadsThatDoNotMeetAreNamed() {
    Lead nine = turning(1, false);
    Lead usb =
        Making.byFunctions(
            PLUGS.neededPinout("usb-device"), PLUGS.neededPinout("keyboard-frame"), PLUGS);
    assertThatThrownBy(() -> Making.joined(List.of(nine, usb)))
        .hasMessageContaining("nine-pin")
        .hasMessageContaining("usb");
    assertThatThrownBy(() -> Making.turning(Turn.PLAIN, PLUGS.neededPinout("game-port"), PLUGS))
        .hasMessageContaining("no pins for up, down, left and right");
    Lead joining =
        nine.withCores(
            List.of(
                nine.cores().get(0), nine.cores().get(1).between("2", nine.cores().get(0).to())));
    assertThatThrownBy(() -> Making.making(joining, nine))
        .hasMessageContaining("no lead after it can part them");
  }
}
