package kumite.wiring;

import java.util.ArrayList;
import java.util.List;
import kumite.kind.BoardKind;
import kumite.loom.Console;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.signal.SignalLine;

/** What stands at the pins of sockets that pads or consoles are in. */
final class PadPins {
  private PadPins() {}

  static List<Place> of(BoardKind board, Loom loom) {
    List<Place> pins = new ArrayList<>();
    for (Pad pad : loom.pads()) {
      double volts = pad.fed() ? pad.feedVolts(board) : 0;
      double bears = pad.kind().volts();
      for (SignalLine line : pad.kind().lines()) {
        Place.Role role =
            switch (line.from()) {
              case CONSOLE -> Place.Role.LISTENS;
              case PAD -> Place.Role.SENDS;
              case PAD_LOW, POT -> Place.Role.CLOSES;
              case BOTH, BOTH_LOW -> Place.Role.SHARES;
            };
        boolean sends = role == Place.Role.SENDS || role == Place.Role.SHARES;
        pins.add(
            new Place(
                pad.pin(line.name()),
                role,
                sends ? pad.kind().lineVolts(volts) : 0,
                role == Place.Role.CLOSES ? 0 : pad.kind().lineVolts(bears)));
      }
      if (pad.fed()) {
        pins.add(new Place(pad.pin(Plugged.SUPPLY), Place.Role.FED, 0, bears));
      }
    }
    loom.consoles().forEach(console -> pins.addAll(of(console)));
    return pins;
  }

  /** The console's side of the plug: it drives its lines, hears the pad's, and gives the supply. */
  private static List<Place> of(Console console) {
    List<Place> pins = new ArrayList<>();
    double volts = console.kind().volts();
    for (SignalLine line : console.kind().lines()) {
      Place.Role role =
          switch (line.from()) {
            case CONSOLE -> Place.Role.SENDS;
            case PAD, PAD_LOW, POT -> Place.Role.LISTENS;
            case BOTH, BOTH_LOW -> Place.Role.SHARES;
          };
      pins.add(
          new Place(console.pin(line.name()), role, role == Place.Role.LISTENS ? 0 : volts, volts));
    }
    if (console.fed()) {
      pins.add(new Place(console.pin(Plugged.SUPPLY), Place.Role.SUPPLY, volts, 0));
    }
    pins.add(new Place(console.pin(Plugged.GROUND), Place.Role.GROUND, 0, 0));
    return pins;
  }
}
