package kumite.lead;

import java.util.Objects;
import java.util.Optional;
import kumite.kind.WireColour;
import kumite.measure.Check;

/**
 * One wire of a lead.
 *
 * @param from the pin at the first end, by name
 * @param to the pin at the other end
 * @param colour of its insulation
 * @param role what the builder calls it, where that is not plain from the pins
 * @param shared whether it joins pins of one end on purpose
 */
public record Core(
    String from, String to, WireColour colour, Optional<String> role, boolean shared) {
  public Core {
    Check.writable(from, "pin that a core comes from");
    Check.writable(to, "pin that a core goes to");
    Objects.requireNonNull(colour, "colour");
    role.ifPresent(words -> Check.writable(words, "role of a core"));
  }

  /** A core that joins nothing but its ends, as far as is known. */
  public Core(String from, String to, WireColour colour, Optional<String> role) {
    this(from, to, colour, role, false);
  }

  /** {@return the same with its ends swapped} */
  public Core turned() {
    return new Core(to, from, colour, role, shared);
  }

  /** {@return the same, joining pins on purpose or not} */
  public Core sharing(boolean onPurpose) {
    return new Core(from, to, colour, role, onPurpose);
  }

  /** {@return the same in another colour} */
  public Core coloured(WireColour other) {
    return new Core(from, to, other, role, shared);
  }

  /** {@return the same between other pins} */
  public Core between(String newFrom, String newTo) {
    return new Core(newFrom, newTo, colour, role, shared);
  }

  /** {@return its pins in words, such as {@code 1 to 3}} */
  public String words() {
    return from + " to " + to;
  }
}
