package kumite.build;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import kumite.build.box.Face;
import kumite.build.loom.Hookup;
import kumite.kind.Common;
import kumite.measure.Check;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * One control, on the panel or on another face of the case.
 *
 * @param id its id, unique in the build
 * @param label what is written beside it
 * @param kind the id of its kind in the catalogue
 * @param placement where it sits: on the panel, or as that face is measured
 * @param hookup how it is connected
 * @param seat the seat it belongs to; empty for the first
 * @param face the face of the case that it sits in; empty for the panel
 */
public record Control(
    ControlId id,
    String label,
    String kind,
    Placement placement,
    Hookup hookup,
    Optional<SeatId> seat,
    Optional<Face> face) {

  public Control {
    Objects.requireNonNull(id, "id");
    Check.writable(label, "label");
    Check.filled(kind, "kind");
    Objects.requireNonNull(placement, "placement");
    Objects.requireNonNull(hookup, "hookup");
    Objects.requireNonNull(seat, "seat");
    Objects.requireNonNull(face, "face");
  }

  /** A control on the panel. */
  public Control(
      ControlId id,
      String label,
      String kind,
      Placement placement,
      Hookup hookup,
      Optional<SeatId> seat) {
    this(id, label, kind, placement, hookup, seat, Optional.empty());
  }

  /** {@return the same control in another face; empty for the panel} */
  public Control on(Optional<Face> newFace) {
    return new Control(id, label, kind, placement, hookup, seat, newFace);
  }

  /** A control of the first seat. */
  public Control(ControlId id, String label, String kind, Placement placement, Hookup hookup) {
    this(id, label, kind, placement, hookup, Optional.empty());
  }

  /** {@return the same control at another seat; empty for the first} */
  public Control withSeat(Optional<SeatId> newSeat) {
    return new Control(id, label, kind, placement, hookup, newSeat, face);
  }

  /** {@return a control wired as its board wants it} */
  public static Control of(ControlId id, String label, String kind, Placement placement) {
    return new Control(id, label, kind, placement, Hookup.USUAL);
  }

  /** {@return the same control elsewhere} */
  public Control withPlacement(Placement newPlacement) {
    return new Control(id, label, kind, newPlacement, hookup, seat, face);
  }

  /** {@return the same control under another label; its id stays} */
  public Control withLabel(String newLabel) {
    return new Control(id, newLabel, kind, placement, hookup, seat, face);
  }

  /** {@return the same control as another kind} */
  public Control withKind(String newKind) {
    return new Control(id, label, newKind, placement, hookup, seat, face);
  }

  /** {@return the same control connected otherwise} */
  public Control withHookup(UnaryOperator<Hookup> change) {
    return new Control(id, label, kind, placement, change.apply(hookup), seat, face);
  }

  /** {@return the same control on another rail; empty follows the board} */
  public Control withCommon(Optional<Common> newCommon) {
    return withHookup(h -> h.withCommon(newCommon));
  }

  /** {@return the same control with another lamp resistor} */
  public Control withLampOhm(OptionalDouble newLampOhm) {
    return withHookup(h -> h.withLampOhm(newLampOhm));
  }
}
