package kumite.wiring;

import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kumite.name.Joint;

/** Places that are joined. */
public final class Net {
  /** The name of the board's ground. */
  public static final String GROUND = "ground";

  private final int number;
  private final String name;
  private final List<Place> places;
  private final List<String> strands;
  private final Set<Place.Role> roles = EnumSet.noneOf(Place.Role.class);
  private final boolean grounded;
  private final Optional<Place> source;

  Net(int number, String name, List<Place> places, List<String> strands) {
    this.number = number;
    this.name = name;
    this.places = List.copyOf(places);
    this.strands = List.copyOf(strands);
    boolean ground = false;
    Place first = null;
    for (Place place : this.places) {
      roles.add(place.role());
      ground |= place.zero();
      boolean better = first == null || place.own() && !first.own();
      first = place.gives() && better ? place : first;
    }
    this.grounded = ground;
    this.source = Optional.ofNullable(first);
  }

  Net numbered(int newNumber) {
    return new Net(newNumber, name, places, strands);
  }

  /** {@return its place among all nets, 0 upward} */
  public int number() {
    return number;
  }

  /**
   * {@return its name, after the strongest of its places: ground, a supply, a terminal, a place}
   */
  public String name() {
    return name;
  }

  /** {@return its places in order of their names, one or more} */
  public List<Place> places() {
    return places;
  }

  /** {@return the wires of the plan that join them, by their labels} */
  public List<String> strands() {
    return strands;
  }

  /** {@return whether a place of that role is on it} */
  public boolean has(Place.Role role) {
    return roles.contains(role);
  }

  /** {@return the places with that role} */
  public List<Place> places(Place.Role role) {
    return has(role) ? places.stream().filter(place -> place.role() == role).toList() : List.of();
  }

  /** {@return whether the place is on it} */
  public boolean holds(Joint joint) {
    return places.stream().anyMatch(place -> place.joint().equals(joint));
  }

  /** {@return whether it is the board's ground} */
  public boolean grounded() {
    return grounded;
  }

  /** {@return the first place on it that gives volts, if there is one} */
  public Optional<Place> source() {
    return source;
  }

  /** {@return whether volts stand on it whatever else happens: ground or a supply} */
  public boolean rail() {
    return grounded || source.isPresent();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Net net
        && number == net.number
        && name.equals(net.name)
        && places.equals(net.places)
        && strands.equals(net.strands);
  }

  @Override
  public int hashCode() {
    return Objects.hash(number, name);
  }
}
