package kumite.build.lead;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.lead.Cable;
import kumite.lead.End;
import kumite.measure.Check;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.name.SeatId;

/**
 * A cable that wires of a build run through on their way to a board, such as from lid to base or
 * from an old pad. Its cores are those wires; only what the wires do not say is kept here.
 *
 * @param name for people, unlike that of leads and other cables
 * @param seat whose board it goes to
 * @param controls whose wires run through it; all of the seat where empty
 * @param plug the connector at the end away from the board; a cut end where the cable is fixed
 * @param cable what it is made of
 * @param pins which pin a wire has at that connector, where it is not the next in order
 */
public record BoardCable(
    String name,
    SeatId seat,
    Set<ControlId> controls,
    End.Plug plug,
    Cable cable,
    Map<Jumper, String> pins) {
  public BoardCable {
    Check.writable(name, "name of a cable");
    Objects.requireNonNull(seat, "seat");
    controls = java.util.Collections.unmodifiableSet(new TreeSet<>(controls));
    Objects.requireNonNull(plug, "plug");
    Objects.requireNonNull(cable, "cable");
    pins = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(pins));
  }

  /** {@return the same under another name} */
  public BoardCable named(String newName) {
    return new BoardCable(newName, seat, controls, plug, cable, pins);
  }

  /** {@return the same made of another cable} */
  public BoardCable withCable(Cable newCable) {
    return new BoardCable(name, seat, controls, plug, newCable, pins);
  }

  /** {@return the same with a wire on another pin; the wire that had it gets the pin left} */
  public BoardCable withPin(Jumper wire, String pin) {
    Map<Jumper, String> next = new LinkedHashMap<>(pins);
    next.values().remove(pin);
    next.put(wire, pin);
    return new BoardCable(name, seat, controls, plug, cable, next);
  }

  /** {@return the same with another connector} */
  public BoardCable withPlug(End.Plug newPlug) {
    return new BoardCable(name, seat, controls, newPlug, cable, Map.of());
  }

  /** {@return the same with the controls that there are; empty where all it names are gone} */
  Optional<BoardCable> within(Set<ControlId> there) {
    if (there.containsAll(controls)) {
      return Optional.of(this);
    }
    Set<ControlId> left = new TreeSet<>(controls);
    left.retainAll(there);
    return left.isEmpty()
        ? Optional.empty()
        : Optional.of(new BoardCable(name, seat, left, plug, cable, pins));
  }
}
