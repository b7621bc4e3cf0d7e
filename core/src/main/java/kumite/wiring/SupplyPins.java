package kumite.wiring;

import java.util.ArrayList;
import java.util.List;
import kumite.kind.SupplyKind;
import kumite.loom.Loom;
import kumite.loom.Supplied;

/** What stands at the tabs of supply parts. */
final class SupplyPins {
  /** What is made for some volts bears a tenth more: common practice, no source. */
  static final double OVER = 1.1;

  private SupplyPins() {}

  static List<Place> of(Loom loom) {
    List<Place> pins = new ArrayList<>();
    for (Supplied supplied : loom.supplies()) {
      SupplyKind.Does does = supplied.kind().does();
      if (does instanceof SupplyKind.Source source) {
        pins.add(new Place(supplied.tab("+"), Place.Role.SUPPLY, source.volts(), 0));
        pins.add(new Place(supplied.tab("-"), Place.Role.GROUND, 0, 0));
      } else if (does instanceof SupplyKind.Converter converter) {
        pins.add(new Place(supplied.tab("IN+"), Place.Role.FED, 0, converter.mostVolts()));
        pins.add(new Place(supplied.tab("OUT+"), Place.Role.SUPPLY, converter.volts(), 0));
      } else if (does instanceof SupplyKind.Strip strip) {
        pins.add(new Place(supplied.tab("+"), Place.Role.FED, 0, strip.volts() * OVER));
      }
    }
    return pins;
  }
}
