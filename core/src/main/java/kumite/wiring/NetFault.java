package kumite.wiring;

import java.util.List;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * One fault of the nets, with the wires that would mend it.
 *
 * @param kind what is wrong
 * @param at the places it is about, most telling first; one or more
 * @param remove wires put in by hand, links or cores of leads that should go
 * @param restore wires of the plan that should be put back
 * @param join wires that should be put in
 */
public record NetFault(
    Kind kind, List<Joint> at, List<Jumper> remove, List<Jumper> restore, List<Jumper> join) {

  /** What can be wrong with nets, the most dangerous first. */
  public enum Kind {
    SUPPLY_ON_GROUND,
    SUPPLIES_JOINED,
    TOO_MANY_VOLTS,
    DRIVERS_JOINED,
    UNJOINED_GROUND,
    /** An end that the plan has on one rail stands on another. */
    WRONG_RAIL,
    INPUT_STUCK,
    INPUTS_JOINED,
    /** A soldered part with both its ends on one net: it does nothing. */
    BYPASSED,
    /** A tab that goes to another terminal than the plan says. */
    MISPLACED,
    NOT_REACHED,
    SERIAL_NOT_CROSSED,
    /** Lines of leads that are for different things, such as clock and latch. */
    LINES_CROSSED,
    /**
     * A wire of a link or lead on a terminal that cannot serve it: dead, boot, reset, read-only.
     */
    LANDS_BADLY,
    /** A line that only closes to ground, at a terminal without a pull-up. */
    NO_PULL_UP,
    NO_SHARED_GROUND,
    NO_SUCH_PLACE,
    /** More wires than an end takes. */
    CROWDED,
    /** A wire by hand joins what the plan keeps apart, and no other fault speaks of it. */
    UNPLANNED,
    /** A wire by hand to something the build does not know. */
    UNKNOWN_PART,
    /** A wire noted as left out that the plan no longer has. */
    NOT_IN_PLAN
  }

  public NetFault {
    at = List.copyOf(at);
    remove = List.copyOf(remove);
    restore = List.copyOf(restore);
    join = List.copyOf(join);
  }
}
