package kumite.ringout;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * A cable that is being rung out: its two ends, what is thought likely, and every answer so far.
 *
 * @param name for people
 * @param from what its near end is
 * @param to what its far end is
 * @param near the names of the places at the near end: pins, or colours of a cut end
 * @param far those at the far end
 * @param way how it is probed
 * @param looksFor which faults are looked for
 * @param likely pairs that are thought likely, near to far; never taken for a fact
 * @param readings the answers, oldest first
 */
public record RingOut(
    String name,
    End.Plug from,
    End.Plug to,
    List<String> near,
    List<String> far,
    Way way,
    Faults looksFor,
    Map<String, String> likely,
    List<Reading> readings) {

  /** More readings than this is taken for a damaged file. */
  public static final int MOST_READINGS = 2000;

  /** More places at one end than this is no cable that is rung out by hand. */
  public static final int MOST_PLACES = 64;

  /** Cores of a cable that nothing else is said of. */
  public static final Range CORES = Range.of(1, MOST_PLACES);

  /** How a cable is probed. */
  public enum Way {
    ONE_BY_ONE("one core at a time"),
    GROUPED("far ends clipped together in groups");

    private final String words;

    Way(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }
  }

  /** Which faults are looked for; what is not looked for is taken as absent. */
  public enum Faults {
    /** Every core goes through to one end of its own: the last one is known without a probe. */
    NONE("none: every core is whole and by itself"),
    BROKEN("broken cores"),
    JOINED("broken cores, and cores that touch");

    private final String words;

    Faults(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }
  }

  public RingOut {
    Check.writable(name, "name of a ring-out");
    Check.between(1, Lead.MOST_LETTERS, name.length(), "letters of a ring-out's name");
    Objects.requireNonNull(from, "from");
    Objects.requireNonNull(to, "to");
    near = List.copyOf(near);
    far = List.copyOf(far);
    Objects.requireNonNull(way, "way");
    Objects.requireNonNull(looksFor, "looksFor");
    likely = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(likely));
    readings = List.copyOf(readings);
    named(near, "near");
    named(far, "far");
    Check.between(0, MOST_READINGS, readings.size(), "number of readings");
    Set<String> partners = new HashSet<>();
    for (Map.Entry<String, String> pair : likely.entrySet()) {
      known(near, pair.getKey(), "near", "likely pair");
      known(far, pair.getValue(), "far", "likely pair");
      if (!partners.add(pair.getValue())) {
        throw new IllegalArgumentException(
            "two likely pairs end at \"" + pair.getValue() + "\"; keep one of them");
      }
    }
    for (int i = 0; i < readings.size(); i++) {
      Set<Place> all = new HashSet<>(readings.get(i).one());
      all.addAll(readings.get(i).other());
      for (Place place : all) {
        boolean close = place.end() == Where.FROM;
        known(close ? near : far, place.pin(), close ? "near" : "far", "reading " + (i + 1));
      }
    }
  }

  private static void named(List<String> names, String end) {
    Check.between(1, MOST_PLACES, names.size(), "number of places at the " + end + " end");
    Set<String> seen = new HashSet<>();
    for (String name : names) {
      Check.writable(name, "a place at the " + end + " end");
      if (name.indexOf(',') >= 0) {
        throw new IllegalArgumentException(
            "\"" + name + "\" at the " + end + " end holds a comma; name places without");
      }
      if (!seen.add(name)) {
        throw new IllegalArgumentException(
            "two places at the " + end + " end are called \"" + name + "\"; tell them apart");
      }
    }
  }

  private static void known(List<String> names, String name, String end, String what) {
    if (!names.contains(name)) {
      throw new IllegalArgumentException(
          what
              + ": there is no place \""
              + name
              + "\" at the "
              + end
              + " end; there are "
              + String.join(", ", names));
    }
  }

  /** {@return a ring-out of two plugs, with the pins' names at both ends and nothing asked yet} */
  public static RingOut of(String name, ConnectorKind from, ConnectorKind to) {
    return new RingOut(
        name,
        End.Plug.of(from.id(), from.padGender()),
        End.Plug.of(to.id(), to.padGender()),
        from.names(),
        to.names(),
        Way.GROUPED,
        Faults.BROKEN,
        Map.of(),
        List.of());
  }

  /** {@return the same with one more answer} */
  public RingOut with(Reading reading) {
    List<Reading> next = new ArrayList<>(readings);
    next.add(reading);
    return withReadings(next);
  }

  /** {@return the same with other answers} */
  public RingOut withReadings(List<Reading> newReadings) {
    return new RingOut(name, from, to, near, far, way, looksFor, likely, newReadings);
  }

  /**
   * {@return the same with one answer asked again}
   *
   * <p>Said otherwise it takes the place of the old one; said the same it stands twice, so that the
   * next one to repeat is another.
   *
   * @param reading its place in the list, from 0
   */
  public RingOut again(int reading, boolean beep) {
    Reading before = readings.get(reading);
    if (before.beep() == beep) {
      return with(before);
    }
    List<Reading> next = new ArrayList<>(readings);
    next.removeIf(before::equals);
    next.add(new Reading(before.one(), before.other(), beep));
    return withReadings(next);
  }

  /** {@return the same without one answer, to ask it again} */
  public RingOut without(int reading) {
    List<Reading> next = new ArrayList<>(readings);
    next.remove(reading);
    return withReadings(next);
  }

  /** {@return the same probed another way, or with other faults looked for} */
  public RingOut probed(Way newWay, Faults faults) {
    return new RingOut(name, from, to, near, far, newWay, faults, likely, readings);
  }

  /** {@return the same with other pairs thought likely} */
  public RingOut withLikely(Map<String, String> pairs) {
    return new RingOut(name, from, to, near, far, way, looksFor, pairs, readings);
  }

  /**
   * {@return the same between other ends}
   *
   * <p>As many places as before, with other names, are the same places in the same order: answers
   * go with them. Otherwise answers that name a place that is no more are dropped.
   */
  public RingOut between(
      End.Plug newFrom, End.Plug newTo, List<String> newNear, List<String> newFar) {
    Map<String, String> nears = renamed(near, newNear);
    Map<String, String> fars = renamed(far, newFar);
    Map<String, String> pairs = new LinkedHashMap<>();
    likely.forEach(
        (one, other) -> {
          if (nears.containsKey(one) && fars.containsKey(other)) {
            pairs.put(nears.get(one), fars.get(other));
          }
        });
    List<Reading> kept = new ArrayList<>();
    for (Reading reading : readings) {
      Optional<Set<Place>> one = renamed(reading.one(), nears, fars);
      Optional<Set<Place>> other = renamed(reading.other(), nears, fars);
      if (one.isPresent() && other.isPresent()) {
        kept.add(new Reading(one.get(), other.get(), reading.beep()));
      }
    }
    return new RingOut(name, newFrom, newTo, newNear, newFar, way, looksFor, pairs, kept);
  }

  private static Map<String, String> renamed(List<String> names, List<String> others) {
    Map<String, String> by = new HashMap<>();
    boolean same = new HashSet<>(names).equals(new HashSet<>(others));
    for (int i = 0; i < names.size(); i++) {
      String name = names.get(i);
      if (names.size() == others.size() && !same) {
        by.put(name, others.get(i));
      } else if (others.contains(name)) {
        by.put(name, name);
      }
    }
    return by;
  }

  private static Optional<Set<Place>> renamed(
      Set<Place> places, Map<String, String> nears, Map<String, String> fars) {
    Set<Place> next = new LinkedHashSet<>();
    for (Place place : places) {
      String name = (place.end() == Where.FROM ? nears : fars).get(place.pin());
      if (name == null) {
        return Optional.empty();
      }
      next.add(new Place(place.end(), name));
    }
    return Optional.of(next);
  }

  /** {@return pairs of the places that have the same name at both ends} */
  public Map<String, String> sameNames() {
    Map<String, String> pairs = new LinkedHashMap<>();
    near.stream().filter(far::contains).forEach(name -> pairs.put(name, name));
    return pairs;
  }
}
