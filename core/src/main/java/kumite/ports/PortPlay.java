package kumite.ports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.PinChoice;
import kumite.loom.Plugged;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Held;
import kumite.signal.Level;
import kumite.signal.Pin;
import kumite.signal.Play;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;
import kumite.signal.Tempo;
import kumite.wiring.Net;
import kumite.wiring.Wiring;

/**
 * A board and its pads talking over the wires as they are: who is joined to whom is taken from the
 * nets, levels are high, low, unclear or floating. How many volts that is, is solved elsewhere.
 */
public final class PortPlay {
  private static final int FIRST_LOOSE = 1_000_000;

  private final Loom loom;
  private final Looks looks;
  private final Wiring wiring;
  private final Pad pad;
  private final List<Pad> pads = new ArrayList<>();
  private final Map<Pin, Integer> loose = new HashMap<>();

  private PortPlay(Loom loom, Looks looks, Wiring wiring, Pad pad) {
    this.loom = loom;
    this.looks = looks;
    this.wiring = wiring;
    this.pad = pad;
    pads.add(pad);
    loom.pads().stream()
        .filter(other -> other.kind().equals(pad.kind()) && !other.equals(pad))
        .forEach(pads::add);
  }

  /**
   * {@return what a board reads from one of its ports}
   *
   * @param wiring the wires as they are
   * @param held which contacts are held, of this pad and of others
   */
  public static Play of(
      Loom loom,
      Looks looks,
      Wiring wiring,
      Pad pad,
      Predicate<ContactId> held,
      int frames,
      Tempo tempo) {
    PortPlay play = new PortPlay(loom, looks, wiring, pad);
    List<Held> hands = new ArrayList<>();
    for (int number = 1; number <= play.pads.size(); number++) {
      hands.add(play.hands(number, held)); // they stand still while it is played
    }
    return Play.over(pad.kind(), number -> hands.get(number - 1), frames, tempo, play.over());
  }

  private Held hands(int number, Predicate<ContactId> held) {
    Pad of = pads.get(number - 1);
    Set<String> buttons = new HashSet<>();
    for (PortKind.Bit bit : of.kind().contacts()) {
      if (held.test(new ContactId(of.port().id(), bit.contact()))) {
        buttons.add(bit.button());
      }
    }
    return new Held(buttons, Map.of());
  }

  private Play.Over over() {
    List<Integer> fed = new ArrayList<>();
    for (int i = 0; i < pads.size(); i++) {
      if (fed(pads.get(i))) {
        fed.add(i + 1);
      }
    }
    Set<String> unpulled = new HashSet<>();
    for (SignalLine line : pad.kind().lines()) {
      boolean pulled =
          loom.pinOf(pad, line)
              .map(pin -> looks.pulls().getOrDefault(pin.terminal().name(), Looks.Pull.NONE))
              .filter(pull -> pull == Looks.Pull.UP)
              .isPresent();
      if (!pulled) {
        unpulled.add(line.name());
      }
    }
    Map<Integer, Level> rails = new HashMap<>();
    for (Net net : wiring.nets().all()) {
      if (net.grounded()) {
        rails.put(net.number(), Level.LOW);
      } else if (net.source().isPresent()) {
        rails.put(net.number(), Level.HIGH);
      }
    }
    return new Play.Over(this::net, fed, unpulled, rails);
  }

  /** {@return whether a pad has what it needs to say anything: ground, and a supply if it wants} */
  private boolean fed(Pad one) {
    boolean grounded = wiring.nets().of(one.pin(Plugged.GROUND)).filter(Net::grounded).isPresent();
    boolean supplied =
        !one.fed() || wiring.nets().of(one.pin(Plugged.SUPPLY)).flatMap(Net::source).isPresent();
    return grounded && supplied;
  }

  private int net(Pin pin) {
    Optional<Joint> place =
        pin.side() == Pin.CONSOLE
            ? loom.pinOf(pad, pad.kind().line(pin.line()))
                .map(PinChoice::terminal)
                .map(terminal -> Joint.board(terminal.name()))
            : Optional.of(pads.get(pin.side() - 1).pin(pin.line()));
    return place
        .flatMap(at -> wiring.nets().of(at))
        .map(Net::number)
        .orElseGet(() -> loose.computeIfAbsent(pin, p -> FIRST_LOOSE + loose.size()));
  }
}
