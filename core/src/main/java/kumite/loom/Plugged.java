package kumite.loom;

import java.util.Optional;
import kumite.build.Build;
import kumite.build.port.Port;
import kumite.kind.Landing;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.name.Joint;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;

/** A port of the seat that is looked at with what is plugged in there, whichever side that is. */
public sealed interface Plugged permits Pad, Console {
  /** The place of a socket's supply among its pins. */
  String SUPPLY = "supply";

  /** The place of a socket's ground among its pins. */
  String GROUND = "ground";

  /** {@return the port} */
  Port port();

  /** {@return its kind} */
  PortKind kind();

  /** {@return whether the pad takes a supply: contacts alone do not} */
  default boolean fed() {
    return !(kind().mechanism() instanceof Phased phased) || phased.select().isPresent();
  }

  /** {@return what a pad of its kind takes from its supply at most, in mA} */
  default double takesMilliamps() {
    return fed()
        ? 1000 * Plugs.standard().pinout(kind().pinout()).map(Pinout::padTakesA).orElse(0.0)
        : 0;
  }

  /** {@return a pin of its socket as a place} */
  default Joint pin(String line) {
    return new Joint(port().id().text(), line.replace('_', '-'));
  }

  /** {@return how a wire is joined to a pin of its socket} */
  static Landing landing() {
    return Landing.of(Landing.How.LUG);
  }

  /** {@return a pin of its socket in words: its number, and what it carries} */
  default String words(String line) {
    return number(line).map(n -> "pin " + n + " ").orElse("") + line.replace('_', ' ');
  }

  /** {@return the number of a pin, where the plug has one for that} */
  default Optional<String> number(String line) {
    return line.equals(SUPPLY) || line.equals(GROUND)
        ? Plugs.standard()
            .pinout(kind().pinout())
            .flatMap(
                pinout ->
                    pinout.pins().stream()
                        .filter(pin -> pin.function().words().equals(line))
                        .map(Pinout.Pin::pin)
                        .findFirst())
        : kind().find(line).map(SignalLine::pin);
  }

  /**
   * {@return the number of a strand: a hundred for each port, and the pin; so it stays when
   * controls come and go}
   */
  default int strand(Build build, String line) {
    int number = build.ports().ports().indexOf(port()) + 1;
    return 100 * number
        + number(line).filter(pin -> pin.matches("\\d{1,2}")).map(Integer::parseInt).orElse(0);
  }
}
