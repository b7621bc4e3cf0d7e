package kumite.wiring;

import java.util.List;
import java.util.Optional;
import kumite.name.Joint;

/**
 * Places that are joined.
 *
 * @param number its place among all nets, 0 upward
 * @param name after the strongest of its places: ground, a supply, a terminal, else the first place
 * @param places in order of their names, one or more
 * @param strands the wires of the plan that join them, by their labels
 */
public record Net(int number, String name, List<Place> places, List<String> strands) {
  /** The name of the board's ground. */
  public static final String GROUND = "ground";

  public Net {
    places = List.copyOf(places);
    strands = List.copyOf(strands);
  }

  /** {@return whether a place of that role is on it} */
  public boolean has(Place.Role role) {
    return places.stream().anyMatch(place -> place.role() == role);
  }

  /** {@return the places with that role} */
  public List<Place> places(Place.Role role) {
    return places.stream().filter(place -> place.role() == role).toList();
  }

  /** {@return whether the place is on it} */
  public boolean holds(Joint joint) {
    return places.stream().anyMatch(place -> place.joint().equals(joint));
  }

  /** {@return whether it is the board's ground} */
  public boolean grounded() {
    return places.stream()
        .anyMatch(
            p -> p.role() == Place.Role.GROUND || p.role() == Place.Role.COMMON && p.volts() == 0);
  }

  /** {@return the first place on it that gives volts, if there is one} */
  public Optional<Place> source() {
    return places.stream().filter(Place::gives).findFirst();
  }

  /** {@return whether volts stand on it whatever else happens: ground or a supply} */
  public boolean rail() {
    return grounded() || source().isPresent();
  }
}
