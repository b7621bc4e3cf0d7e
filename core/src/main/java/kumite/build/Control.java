package kumite.build;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One control on the panel.
 *
 * @param id its id, unique in the build
 * @param label what is written beside it
 * @param kind the id of its kind in the catalogue
 * @param placement where it sits
 * @param common the rail it is wired to, where the builder chose one against the board's own
 * @param lampOhm the resistor fitted in series with its lamp, if any; above 0 ohm
 */
public record Control(
    ControlId id,
    String label,
    String kind,
    Placement placement,
    Optional<Common> common,
    OptionalDouble lampOhm) {

  public Control {
    Objects.requireNonNull(id, "id");
    Check.filled(label, "label");
    Check.filled(kind, "kind");
    Objects.requireNonNull(placement, "placement");
    Objects.requireNonNull(common, "common");
    if (lampOhm.isPresent()) {
      Check.above(0, lampOhm.getAsDouble(), "lamp_ohm");
    }
  }

  /** {@return a control wired as its board wants it} */
  public static Control of(ControlId id, String label, String kind, Placement placement) {
    return new Control(id, label, kind, placement, Optional.empty(), OptionalDouble.empty());
  }

  /** {@return the same control elsewhere} */
  public Control withPlacement(Placement newPlacement) {
    return new Control(id, label, kind, newPlacement, common, lampOhm);
  }

  /** {@return the same control under another label; its id stays} */
  public Control withLabel(String newLabel) {
    return new Control(id, newLabel, kind, placement, common, lampOhm);
  }

  /** {@return the same control as another kind} */
  public Control withKind(String newKind) {
    return new Control(id, label, newKind, placement, common, lampOhm);
  }

  /** {@return the same control on another rail; empty follows the board} */
  public Control withCommon(Optional<Common> newCommon) {
    return new Control(id, label, kind, placement, newCommon, lampOhm);
  }

  /** {@return the same control with another lamp resistor} */
  public Control withLampOhm(OptionalDouble newLampOhm) {
    return new Control(id, label, kind, placement, common, newLampOhm);
  }
}
