package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.loom.Looks;
import kumite.loom.PadInside;
import kumite.loom.Plugged;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Held;
import kumite.signal.Level;
import kumite.signal.Pin;
import kumite.signal.Play;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.SignalLine;
import kumite.signal.Tempo;
import kumite.wiring.Net;
import kumite.wiring.Wiring;

/**
 * A board and its pads talking over the wires as they are: who is joined to whom is taken from the
 * nets, levels are high, low, unclear or floating. How many volts that is, is solved elsewhere.
 */
public final class PadPlay {
  private final Looks looks;
  private final Wiring wiring;
  private final List<Talk> talks;

  /**
   * @param talks the one that is asked, then all others of its kind at the board
   * @param wiring the wires as they are
   */
  public PadPlay(Looks looks, Wiring wiring, List<Talk> talks) {
    this.looks = looks;
    this.wiring = wiring;
    this.talks = heard(talks);
  }

  /** The one that is asked, and those that have a say on any line that it or the board hears. */
  private List<Talk> heard(List<Talk> all) {
    Talk asked = all.get(0);
    List<Talk> heard = new ArrayList<>(List.of(asked));
    Set<Net> nets = new HashSet<>();
    for (SignalLine line : asked.kind().lines()) {
      asked.terminal(line.name()).flatMap(at -> wiring.nets().of(at)).ifPresent(nets::add);
      net(asked, line).ifPresent(nets::add);
    }
    List<Talk> others = new ArrayList<>(all.subList(1, all.size()));
    for (int i = 0; i < others.size(); i++) {
      Talk other = others.get(i);
      boolean speaks =
          other.kind().lines().stream()
              .filter(line -> line.from().byPad())
              .anyMatch(line -> net(other, line).filter(nets::contains).isPresent());
      if (speaks) {
        other.kind().lines().forEach(line -> net(other, line).ifPresent(nets::add));
        heard.add(others.remove(i));
        i = -1; // what is heard now may bring others in
      }
    }
    return List.copyOf(heard);
  }

  private Optional<Net> net(Talk talk, SignalLine line) {
    return wiring.nets().of(talk.pad().pin(line.name()));
  }

  /**
   * What is joined to what: equal ones are heard alike, whatever their terminals are called.
   *
   * @param hash of the nets, which tell most of them apart
   */
  record Joined(
      PortKind kind,
      Map<Pin, Integer> nets,
      List<Integer> fed,
      Set<String> unpulled,
      Map<Integer, Level> rails,
      int hash) {
    Play play(List<Held> hands, int frames, Tempo tempo) {
      return Play.asked(
          kind,
          number -> hands.get(number - 1),
          frames,
          tempo,
          new Play.Over(nets::get, fed, unpulled, rails));
    }

    Optional<Reading> heard(List<Held> hands) {
      return Play.heard(kind, hands, new Play.Over(nets::get, fed, unpulled, rails));
    }

    @Override
    public int hashCode() {
      return hash;
    }
  }

  /**
   * {@return what a board reads from the port that is asked}
   *
   * @param hands how far each contact is moved, 0 to 1, of this pad and of others
   */
  public Play play(ToDoubleFunction<ContactId> hands, int frames, Tempo tempo) {
    return joined().play(hands(hands), frames, tempo);
  }

  /** {@return what hands do with each pad, the one that is asked first} */
  List<Held> hands(ToDoubleFunction<ContactId> hands) {
    return talks.stream().map(talk -> talk.held(hands)).toList();
  }

  /** {@return the pads that have a say, the one that is asked first} */
  List<Talk> talks() {
    return talks;
  }

  Joined joined() {
    PortKind kind = talks.get(0).kind();
    Map<Integer, Integer> numbers = new HashMap<>();
    Map<Pin, Integer> nets = new HashMap<>();
    for (SignalLine line : kind.lines()) {
      join(new Pin(Pin.CONSOLE, line.name()), talks.get(0).terminal(line.name()), numbers, nets);
      for (int i = 0; i < talks.size(); i++) {
        Optional<Joint> pin = Optional.of(talks.get(i).pad().pin(line.name()));
        join(new Pin(i + 1, line.name()), pin, numbers, nets);
      }
    }
    List<Integer> fed = new ArrayList<>();
    for (int i = 0; i < talks.size(); i++) {
      if (fed(talks.get(i))) {
        fed.add(i + 1);
      }
    }
    Map<Integer, Level> rails = new HashMap<>();
    for (Net net : wiring.nets().all()) {
      Integer number = numbers.get(net.number());
      if (number != null && net.grounded()) {
        rails.put(number, Level.LOW);
      } else if (number != null && net.source().isPresent()) {
        rails.put(number, Level.HIGH);
      }
    }
    int hash = 31 * nets.hashCode() + kind.id().hashCode();
    return new Joined(kind, nets, fed, unpulled(kind), rails, hash);
  }

  /** A pin that is on no net is on one of its own. */
  private void join(
      Pin pin, Optional<Joint> place, Map<Integer, Integer> numbers, Map<Pin, Integer> nets) {
    int net = place.flatMap(at -> wiring.nets().of(at)).map(Net::number).orElse(-1 - nets.size());
    nets.put(pin, numbers.computeIfAbsent(net, n -> numbers.size()));
  }

  private Set<String> unpulled(PortKind kind) {
    Set<String> unpulled = new HashSet<>();
    for (SignalLine line : kind.lines()) {
      boolean pulled =
          PadInside.pulledAtSocket(talks.get(0).pad(), line)
              || Optional.ofNullable(talks.get(0).lines().get(line.name()))
                  .map(pin -> looks.pulls().getOrDefault(pin.name(), Looks.Pull.NONE))
                  .filter(pull -> pull == Looks.Pull.UP)
                  .isPresent();
      if (!pulled) {
        unpulled.add(line.name());
      }
    }
    return unpulled;
  }

  /** {@return whether a pad has what it needs to say anything: ground, and a supply if it wants} */
  private boolean fed(Talk talk) {
    Plugged one = talk.pad();
    boolean grounded = wiring.nets().of(one.pin(Plugged.GROUND)).filter(Net::grounded).isPresent();
    boolean supplied =
        !one.fed() || wiring.nets().of(one.pin(Plugged.SUPPLY)).flatMap(Net::source).isPresent();
    return grounded && supplied && talk.oneSocket(wiring.board());
  }
}
