package kumite.wiring;

import java.util.ArrayList;
import java.util.List;
import kumite.kind.BoardKind;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.signal.SignalLine;

/** What stands at the pins of sockets that pads are in. */
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
                sends ? volts : 0,
                role == Place.Role.CLOSES ? 0 : bears));
      }
      if (pad.fed()) {
        pins.add(new Place(pad.pin(Pad.SUPPLY), Place.Role.FED, 0, bears));
      }
    }
    return pins;
  }
}
