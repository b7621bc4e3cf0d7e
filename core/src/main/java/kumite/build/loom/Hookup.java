package kumite.build.loom;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.kind.Common;
import kumite.measure.Range;

/**
 * How one control is connected, where the builder decided that.
 *
 * @param common the rail it is wired to, against the board's own; empty follows the board
 * @param restsClosed whether its switches are wired at the tab that is closed at rest (NC)
 * @param lampOhm the resistor fitted in series with its lamp, if any; above 0 ohm
 * @param lampShares whether its lamp hangs on the contact itself and lights only while held
 * @param lampFrom the supply terminal its lamp is fed from; empty leaves it to the plan
 */
public record Hookup(
    Optional<Common> common,
    boolean restsClosed,
    OptionalDouble lampOhm,
    boolean lampShares,
    Optional<String> lampFrom) {
  /** A lamp's resistor. */
  public static final Range LAMP = Range.above(0, "ohm");

  /** As the board wants it, at the tabs that close when pressed, the lamp on tabs of its own. */
  public static final Hookup USUAL =
      new Hookup(Optional.empty(), false, OptionalDouble.empty(), false, Optional.empty());

  public Hookup {
    Objects.requireNonNull(common, "common");
    Objects.requireNonNull(lampFrom, "lampFrom");
    if (lampOhm.isPresent()) {
      LAMP.check(lampOhm.getAsDouble(), "lamp_ohm");
    }
  }

  /** {@return the same on another rail; empty follows the board} */
  public Hookup withCommon(Optional<Common> newCommon) {
    return new Hookup(newCommon, restsClosed, lampOhm, lampShares, lampFrom);
  }

  /** {@return the same at the tab that is closed, or open, at rest} */
  public Hookup withRestsClosed(boolean newRestsClosed) {
    return new Hookup(common, newRestsClosed, lampOhm, lampShares, lampFrom);
  }

  /** {@return the same with another lamp resistor} */
  public Hookup withLampOhm(OptionalDouble newLampOhm) {
    return new Hookup(common, restsClosed, newLampOhm, lampShares, lampFrom);
  }

  /** {@return the same with its lamp on the contact, or on tabs of its own} */
  public Hookup withLampShares(boolean newLampShares) {
    return new Hookup(common, restsClosed, lampOhm, newLampShares, lampFrom);
  }

  /** {@return the same with its lamp fed from another terminal; empty leaves it to the plan} */
  public Hookup withLampFrom(Optional<String> newLampFrom) {
    return new Hookup(common, restsClosed, lampOhm, lampShares, newLampFrom);
  }
}
