package kumite.bringup;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.wiring.Change;

/**
 * One thing that may be wrong, as an edit of the build.
 *
 * @param id the same whenever the build is the same
 * @param what is wrong, one sentence
 * @param where to look
 * @param repair what to do
 * @param weight how likely before anything was read, against others
 * @param change of the wiring, with the names of questions
 * @param effects what it does beside that; usually nothing
 * @param seat at which board; empty where it is no board's own
 */
public record Fault(
    String id,
    FaultKind kind,
    String what,
    List<Joint> where,
    String repair,
    double weight,
    Change change,
    List<Effect> effects,
    Optional<SeatId> seat) {

  /** What a fault does that no wire shows. */
  public sealed interface Effect {
    /** A terminal reads nothing. */
    record Dead(Joint terminal) implements Effect {}

    /** The device is there, but the host gives its functions to nothing. */
    record NotAssigned() implements Effect {}

    /** The host sees another device, or none. */
    record WrongProgram() implements Effect {}
  }

  /** Nothing is wrong. */
  static Fault none(double weight) {
    return new Fault(
        "none",
        FaultKind.NONE,
        "Nothing is wrong",
        List.of(),
        "Nothing is to be done",
        weight,
        Change.NONE,
        List.of(),
        Optional.empty());
  }

  public Fault {
    where = List.copyOf(where);
    effects = List.copyOf(effects);
  }

  /** {@return both faults at once} */
  public Fault and(Fault other) {
    return new Fault(
        id + " + " + other.id,
        kind,
        what + "; and " + Character.toLowerCase(other.what.charAt(0)) + other.what.substring(1),
        java.util.stream.Stream.concat(where.stream(), other.where.stream()).distinct().toList(),
        repair + "; " + Character.toLowerCase(other.repair.charAt(0)) + other.repair.substring(1),
        weight * other.weight,
        change.and(other.change),
        java.util.stream.Stream.concat(effects.stream(), other.effects.stream()).toList(),
        seat.isPresent() ? seat : other.seat);
  }

  /** {@return the same, likely otherwise} */
  Fault weighing(double other) {
    return new Fault(id, kind, what, where, repair, other, change, effects, seat);
  }

  /** {@return where to look, in words} */
  public String places() {
    return where.stream().map(Joint::toString).collect(Collectors.joining(", "));
  }
}
