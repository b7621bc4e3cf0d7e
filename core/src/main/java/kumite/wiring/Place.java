package kumite.wiring;

import kumite.name.Joint;

/**
 * One place of a net.
 *
 * @param joint its name
 * @param role what stands there
 * @param volts what it gives: of a supply, or of what sends; 0 for others
 * @param bearsVolts the most it takes unharmed; 0 where nothing is known of that
 */
public record Place(Joint joint, Role role, double volts, double bearsVolts)
    implements Comparable<Place> {
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
    /** What the far end of a lead drives both high and low. */
    SENDS,
    /** What the far end of a lead and its host drive in turn. */
    SHARES,
    /** What the far end of a lead listens to. */
    LISTENS,
    /** A contact to ground, or a pot, of what a lead plugs into. */
    CLOSES,
    /** Where what a lead plugs into takes its supply. */
    FED,
    /** A tab, which gives nothing by itself. */
    PASSIVE
  }

  /** A tab. */
  static Place passive(Joint joint) {
    return new Place(joint, Role.PASSIVE, 0, 0);
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
    return volts > 0 && (role == Role.SUPPLY || role == Role.COMMON);
  }

  /** {@return whether it belongs to the board that is looked at} */
  public boolean own() {
    return joint.part().equals(Joint.BOARD);
  }

  /** {@return whether something drives it, at least at times} */
  public boolean drives() {
    return role == Role.DRIVE || role == Role.SENDS;
  }
}
