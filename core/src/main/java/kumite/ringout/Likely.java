package kumite.ringout;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.lead.Core;
import kumite.lead.Lead;

/** Pairs of places that are thought likely, because another lead runs so. */
public final class Likely {
  private Likely() {}

  /**
   * {@return pairs of a ring-out's places as a lead has them}
   *
   * <p>A place is known again by the pin or by the colour that it is called after: a lead whose
   * brown core comes from pin 1 makes {@code 1} and {@code BN} likely, and {@code 1} and {@code 3}
   * where that core goes to pin 3.
   */
  public static Map<String, String> asIn(Lead lead, RingOut ringOut) {
    Map<String, String> pairs = new LinkedHashMap<>();
    for (Core core : lead.cores()) {
      List<String> ends = List.of(core.from(), core.colour().code(), core.to());
      Optional<String> near = named(ringOut.near(), ends, "");
      Optional<String> far = near.flatMap(name -> named(ringOut.far(), reversed(ends), name));
      if (far.isPresent() && !pairs.containsValue(far.get())) {
        pairs.putIfAbsent(near.get(), far.get());
      }
    }
    return pairs;
  }

  private static List<String> reversed(List<String> names) {
    return List.of(names.get(2), names.get(1), names.get(0));
  }

  /** The first of a core's names that is a place; one end is not told by the other's pin alone. */
  private static Optional<String> named(List<String> places, List<String> names, String other) {
    return names.stream()
        .filter(places::contains)
        .filter(name -> !name.equals(other) || names.get(0).equals(names.get(2)))
        .findFirst();
  }
}
