package kumite.lead;

import java.util.Objects;
import java.util.Optional;

/**
 * What is found at a pin of a lead's end, once it is plugged in.
 *
 * @param nature what it is electrically
 * @param function what it is for, where that is known
 * @param volts what it gives or drives with at most; 0 where it gives none
 * @param bearsVolts the most it bears; 0 where that is not known
 * @param some whether only some hosts have it
 */
public record AtPin(
    Nature nature, Optional<Function> function, double volts, double bearsVolts, boolean some) {
  /** Nobody said. */
  public static final AtPin UNKNOWN = new AtPin(Nature.UNKNOWN, Optional.empty(), 0, 0, false);

  private static final double USB_DATA_V = 3.3;

  public AtPin {
    Objects.requireNonNull(nature, "nature");
    Objects.requireNonNull(function, "function");
  }

  /** {@return what it is for, or what it is, in words} */
  public String words() {
    return function.map(Function::words).orElse(nature.words());
  }

  static AtPin of(Pinout pinout, Pinout.Pin pin, Beyond beyond) {
    Nature nature = beyond == Beyond.OPEN ? Nature.UNKNOWN : pin.flow().at(beyond);
    // Data lines of USB are of 3.3 V whatever the supply is (USB 2.0, 7.1.5, from memory).
    boolean data =
        pin.function() == Function.Known.DATA_PLUS || pin.function() == Function.Known.DATA_MINUS;
    double volts = data ? Math.min(USB_DATA_V, pinout.volts()) : pinout.volts();
    boolean gives =
        nature == Nature.GIVES_SUPPLY || nature == Nature.DRIVES || nature == Nature.SHARES;
    return new AtPin(
        nature,
        Optional.of(pin.function()),
        gives ? volts : 0,
        nature == Nature.NOTHING ? 0 : volts,
        pin.some());
  }
}
