package kumite.build.supply;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What the board's program tells a strip: all its lamps one colour at a time.
 *
 * @param usual its colour
 * @param profiles another one while a profile is in force, by the profile's name
 * @param held another one while anything is given to the host; empty where it stays
 */
public record Shows(Rgb usual, Map<String, Rgb> profiles, Optional<Rgb> held) {
  /** A third of white: bright enough beside a panel, and what a strip usually takes. */
  public static final Shows USUAL = new Shows(new Rgb(85, 85, 85), Map.of(), Optional.empty());

  public Shows {
    profiles = Collections.unmodifiableMap(new TreeMap<>(profiles));
  }

  /**
   * {@return the colour}
   *
   * @param profile the name of the one in force
   * @param gives whether anything is given to the host
   */
  public Rgb at(String profile, boolean gives) {
    Rgb still = profiles.getOrDefault(profile, usual);
    return gives ? held.orElse(still) : still;
  }

  /**
   * {@return the part of full white that it takes while nothing is held, at most, 0 to 1}
   *
   * @param names of the profiles that there are
   */
  public double share(List<String> names) {
    return names.stream().mapToDouble(name -> at(name, false).share()).max().orElse(usual.share());
  }

  /** {@return the same with another usual colour} */
  public Shows withUsual(Rgb colour) {
    return new Shows(colour, profiles, held);
  }

  /** {@return the same with another colour while anything is held; empty for none} */
  public Shows withHeld(Optional<Rgb> colour) {
    return new Shows(usual, profiles, colour);
  }

  /** {@return the same without the colour of a profile} */
  public Shows without(String profile) {
    Map<String, Rgb> next = new TreeMap<>(profiles);
    next.remove(profile);
    return new Shows(usual, next, held);
  }
}
