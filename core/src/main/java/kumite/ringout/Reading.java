package kumite.ringout;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.lead.LeadPart.Place;

/**
 * One answer of the meter: the places of one clip against those of the other.
 *
 * @param one the places held together at one probe, at least one
 * @param other those at the other, none of the first
 * @param beep whether it beeped: some place of the one is joined to some place of the other
 */
public record Reading(Set<Place> one, Set<Place> other, boolean beep) {
  public Reading {
    one = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(one));
    other = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(other));
    if (one.isEmpty() || other.isEmpty()) {
      throw new IllegalArgumentException("a reading touches places with both probes");
    }
    if (one.stream().anyMatch(other::contains)) {
      throw new IllegalArgumentException(
          "a reading touches " + words(one) + " with both probes; take it from one of them");
    }
  }

  /** {@return the places of one probe in words} */
  public static String words(Set<Place> places) {
    return places.stream().map(Place::pin).collect(Collectors.joining(", "));
  }

  /** {@return it in words} */
  public String words() {
    return words(one) + " against " + words(other) + ": " + (beep ? "beep" : "silent");
  }
}
