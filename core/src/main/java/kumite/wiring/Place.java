package kumite.wiring;

import kumite.name.Joint;

/**
 * One place of a net.
 *
 * @param joint its name
 * @param role what stands there
 * @param volts of a supply; 0 for others
 */
public record Place(Joint joint, Role role, double volts) implements Comparable<Place> {
  /** What stands at a place; of a net the first of these gives it its name. */
  public enum Role {
    GROUND,
    /** The second side of one contact, taken for ground, on a board whose common is not proven. */
    RETURN,
    SUPPLY,
    /** The shared side that a board feeds. */
    COMMON,
    INPUT,
    DRIVE,
    /** A tab, which gives nothing by itself. */
    PASSIVE
  }

  @Override
  public int compareTo(Place other) {
    return joint.compareTo(other.joint);
  }

  /** {@return whether it is held at no volts: ground, or a shared side that is ground} */
  public boolean zero() {
    return role == Role.GROUND || role == Role.RETURN || role == Role.COMMON && !gives();
  }

  /** {@return whether it gives volts of its own: a supply, or a common that is fed} */
  public boolean gives() {
    return volts > 0;
  }
}
