package kumite.ringout;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/**
 * Which places are surely joined and which surely are not, whatever the cable is like.
 *
 * <p>A silent reading parts every place of the one probe from every place of the other. A beep
 * joins some pair; once all pairs but one are parted, that one is joined. Being joined is
 * transitive, and what is joined to one of two parted places is parted from the other.
 */
public final class Facts {
  private final RingOut ringOut;
  private final int[] group;
  private final boolean[][] apart;
  private final Map<Place, Integer> numbers;
  private final List<Touch> touches;
  private boolean contradicted;

  /** A reading, with the numbers of its places. */
  private record Touch(Reading reading, int[] one, int[] other) {
    static Touch of(Reading reading, Map<Place, Integer> numbers) {
      return new Touch(
          reading, numbered(reading.one(), numbers), numbered(reading.other(), numbers));
    }

    private static int[] numbered(Set<Place> places, Map<Place, Integer> numbers) {
      return places.stream().mapToInt(numbers::get).toArray();
    }
  }

  /** An answer that is not explained yet: it beeped, and several pairs may be why. */
  record Unexplained(Reading reading, List<int[]> pairs) {}

  private final List<Unexplained> unexplained = new ArrayList<>();

  private Facts(RingOut ringOut, Map<Place, Integer> numbers, List<Touch> touches) {
    this.ringOut = ringOut;
    this.numbers = numbers;
    this.touches = touches;
    int all = ringOut.near().size() + ringOut.far().size();
    group = new int[all];
    apart = new boolean[all][all];
    for (int i = 0; i < all; i++) {
      group[i] = i;
    }
    boolean again = true;
    while (again && !contradicted) {
      again = round();
    }
  }

  static Facts of(RingOut ringOut) {
    Map<Place, Integer> numbers = new HashMap<>();
    ringOut.near().forEach(pin -> numbers.put(new Place(Where.FROM, pin), numbers.size()));
    ringOut.far().forEach(pin -> numbers.put(new Place(Where.TO, pin), numbers.size()));
    return new Facts(
        ringOut,
        numbers,
        ringOut.readings().stream().map(reading -> Touch.of(reading, numbers)).toList());
  }

  private boolean round() {
    unexplained.clear();
    for (boolean[] row : apart) {
      java.util.Arrays.fill(row, false);
    }
    for (Touch touch : touches) {
      if (!touch.reading().beep()) {
        for (int a : touch.one()) {
          for (int b : touch.other()) {
            contradicted |= group[a] == group[b];
            apart[group[a]][group[b]] = true;
            apart[group[b]][group[a]] = true;
          }
        }
      }
    }
    boolean learnt = false;
    for (Touch touch : touches) {
      if (touch.reading().beep()) {
        learnt |= explain(touch);
      }
    }
    return learnt;
  }

  private boolean explain(Touch touch) {
    List<int[]> pairs = new ArrayList<>();
    java.util.Set<Long> seen = new java.util.HashSet<>();
    for (int a : touch.one()) {
      for (int b : touch.other()) {
        if (group[a] == group[b]) {
          return false;
        }
        boolean fresh =
            seen.add((long) Math.min(group[a], group[b]) << 32 | Math.max(group[a], group[b]));
        if (!apart[group[a]][group[b]] && fresh) {
          pairs.add(new int[] {a, b});
        }
      }
    }
    if (pairs.isEmpty()) {
      contradicted = true;
      return false;
    }
    if (pairs.size() > 1) {
      unexplained.add(new Unexplained(touch.reading(), pairs));
      return false;
    }
    int gone = group[pairs.get(0)[1]];
    int stays = group[pairs.get(0)[0]];
    for (int i = 0; i < group.length; i++) {
      if (group[i] == gone) {
        group[i] = stays;
      }
    }
    return true;
  }

  private int number(Place place) {
    return numbers.get(place);
  }

  /** {@return the place of a number: near ones first} */
  Place place(int number) {
    int near = ringOut.near().size();
    return number < near
        ? new Place(Where.FROM, ringOut.near().get(number))
        : new Place(Where.TO, ringOut.far().get(number - near));
  }

  boolean same(int a, int b) {
    return group[a] == group[b];
  }

  boolean apart(int a, int b) {
    return apart[group[a]][group[b]];
  }

  List<Unexplained> unexplained() {
    return unexplained;
  }

  /** {@return whether two places are joined; empty where that is not known} */
  public Optional<Boolean> joined(Place a, Place b) {
    if (same(number(a), number(b))) {
      return Optional.of(true);
    }
    return apart(number(a), number(b)) ? Optional.of(false) : Optional.empty();
  }

  /**
   * Answers that cannot all be true.
   *
   * @param readings a smallest set of them, by their places in the list
   * @param repeat which of them to ask again first
   */
  public record Contradiction(List<Integer> readings, int repeat) {}

  /**
   * {@return answers that cannot all be true, if there are any}
   *
   * <p>To be repeated is one without which the others agree; a silent one before a beep, since a
   * probe that slips is silent (common practice, no source), and the latest of those; one that was
   * asked again and said the same comes last.
   */
  public Optional<Contradiction> contradiction() {
    if (!contradicted) {
      return Optional.empty();
    }
    List<Reading> all = ringOut.readings();
    List<Integer> core = new ArrayList<>();
    int before = all.size();
    // The reading that first makes those before it disagree is one of them; then those before that.
    while (!disagree(core)) {
      int low = 0;
      int high = before - 1;
      while (low < high) {
        int middle = (low + high) / 2;
        if (disagree(upTo(middle, core))) {
          high = middle;
        } else {
          low = middle + 1;
        }
      }
      core.add(0, low);
      before = low;
    }
    int repeat = core.get(core.size() - 1);
    int best = -1;
    for (int i : core) {
      List<Integer> others = new ArrayList<>();
      for (int k = 0; k < all.size(); k++) {
        if (k != i) {
          others.add(k);
        }
      }
      // What was said twice is hardly a slip.
      boolean confirmed = java.util.Collections.frequency(all, all.get(i)) > 1;
      int worth = (confirmed ? -4 : 0) + (disagree(others) ? 0 : 2) + (all.get(i).beep() ? 0 : 1);
      if (worth >= best) {
        best = worth;
        repeat = i;
      }
    }
    return Optional.of(new Contradiction(core, repeat));
  }

  private static List<Integer> upTo(int last, List<Integer> more) {
    List<Integer> some = new ArrayList<>();
    for (int i = 0; i <= last; i++) {
      some.add(i);
    }
    some.addAll(more);
    return some;
  }

  private boolean disagree(List<Integer> some) {
    return new Facts(ringOut, numbers, some.stream().map(touches::get).toList()).contradicted;
  }
}
