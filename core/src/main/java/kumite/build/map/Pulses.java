package kumite.build.map;

import java.util.Optional;
import kumite.measure.Range;
import kumite.name.ContactId;

/**
 * A pair of contacts that counts as it turns: an encoder, or one way of a trackball.
 *
 * @param perTurn counts in one turn, four to a whole cycle of both contacts; 1 to 10000
 * @param perStep counts that make one step of an axis, one tap or one dot of motion; 1 to 400
 * @param turned whether it is mounted the other way round, so that it counts backward
 */
public record Pulses(int perTurn, int perStep, boolean turned) {
  /** Pulses of a whole turn. */
  public static final Range PER_TURN = Range.of(1, 10_000);

  /** Pulses of one step. */
  public static final Range PER_STEP = Range.of(1, 400);

  /** Twenty detents of one whole cycle each: common practice, no source. */
  public static final Pulses USUAL = new Pulses(80, 4, false);

  public Pulses {
    PER_TURN.check(perTurn, "per_turn");
    PER_STEP.check(perStep, "per_step");
  }

  /** {@return the contact that counts together with one: {@code knob.b} for {@code knob.a}} */
  public static Optional<ContactId> partner(ContactId first) {
    String name = first.contact();
    return name.endsWith("a")
        ? Optional.of(new ContactId(first.control(), name.substring(0, name.length() - 1) + "b"))
        : Optional.empty();
  }
}
