package kumite.program;

import java.util.Objects;
import java.util.Optional;
import kumite.build.map.Target;
import kumite.name.ContactId;

/**
 * One thing that the program looks at.
 *
 * @param contact the contact that is meant; empty for a socket that nothing is planned for
 * @param travels whether volts are taken as they are, not pressed or let go
 * @param steps how many places a stepped switch has; 0 for others
 * @param rest where it stands while no hand is on it, 0 to 1 of its travel
 * @param fixed the meaning that the board gives it, where the board fixes one
 */
public record Sense(
    Optional<ContactId> contact, boolean travels, int steps, double rest, Optional<Target> fixed) {
  public Sense {
    Objects.requireNonNull(contact, "contact");
    Objects.requireNonNull(fixed, "fixed");
  }

  /** {@return a switch} */
  public static Sense press(String contact) {
    return new Sense(Optional.of(ContactId.parse(contact)), false, 0, 0, Optional.empty());
  }

  /** {@return a wiper that rests where its travel begins} */
  public static Sense travel(String contact) {
    return new Sense(Optional.of(ContactId.parse(contact)), true, 0, 0, Optional.empty());
  }
}
