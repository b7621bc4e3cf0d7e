package kumite.ringout;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/**
 * A cable as it really is, and the meter at it. It knows nothing of how a ring-out thinks: two
 * places are joined where their numbers are alike.
 */
final class Rung {
  final List<String> near = new ArrayList<>();
  final List<String> far = new ArrayList<>();

  /** For each place of either end the net it is on. */
  private final int[] nearNet;

  private final int[] farNet;

  /** Core i goes to the place {@code to[i]}, or nowhere below 0. */
  Rung(int[] to, int places) {
    nearNet = new int[to.length];
    farNet = new int[places];
    for (int j = 0; j < places; j++) {
      far.add("p" + (j + 1));
      farNet[j] = 1000 + j;
    }
    for (int i = 0; i < to.length; i++) {
      near.add("c" + (i + 1));
      nearNet[i] = i;
      if (to[i] >= 0) {
        farNet[to[i]] = i;
      }
    }
  }

  /** Two cores touch from now on. */
  Rung touching(int a, int b) {
    int gone = nearNet[b];
    int stays = nearNet[a];
    for (int[] nets : List.of(nearNet, farNet)) {
      for (int i = 0; i < nets.length; i++) {
        nets[i] = nets[i] == gone ? stays : nets[i];
      }
    }
    return this;
  }

  static int[] shuffled(int cores, Random random) {
    List<Integer> places = new ArrayList<>();
    for (int i = 0; i < cores; i++) {
      places.add(i);
    }
    java.util.Collections.shuffle(places, random);
    return places.stream().mapToInt(i -> i).toArray();
  }

  RingOut ringOut(RingOut.Way way, RingOut.Faults faults) {
    return new RingOut(
        "cable",
        End.Plug.of("bare-" + near.size(), Gender.MALE),
        End.Plug.of("bare-" + far.size(), Gender.MALE),
        near,
        far,
        way,
        faults,
        Map.of(),
        List.of());
  }

  private int net(Place place) {
    return place.end() == Where.FROM
        ? nearNet[near.indexOf(place.pin())]
        : farNet[far.indexOf(place.pin())];
  }

  boolean joined(Place a, Place b) {
    return net(a) == net(b);
  }

  boolean beeps(Set<Place> one, Set<Place> other) {
    return one.stream().anyMatch(a -> other.stream().anyMatch(b -> joined(a, b)));
  }

  /** Asks until nothing is left to ask. */
  RingOut rungOut(RingOut begun) {
    RingOut ringOut = begun;
    Optional<NextProbe> next = NextProbe.of(Known.of(ringOut));
    while (next.isPresent()) {
      ringOut = ringOut.with(next.get().answered(beeps(next.get().one(), next.get().other())));
      if (ringOut.readings().size() > 700) {
        throw new AssertionError("the ring-out does not come to an end: " + next.get());
      }
      next = NextProbe.of(Known.of(ringOut));
    }
    return ringOut;
  }
}
