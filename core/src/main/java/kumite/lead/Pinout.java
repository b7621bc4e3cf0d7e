package kumite.lead;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import kumite.measure.Check;
import kumite.measure.Range;
import kumite.working.Source;

/**
 * What the pins of a plug do by one mechanism.
 *
 * @param id its word in files, such as {@code nine-pin-direct}
 * @param name for people
 * @param connector the shape it is of, by its id
 * @param volts of its supply and signals, in V
 * @param padTakesA what the pad takes from the supply at most, in A; 0 for contacts alone
 * @param pins what each does; a pin that is not named is not known
 * @param identity pins that the host knows the pad by, such as those forced low; mostly none
 * @param source where it comes from
 */
public record Pinout(
    String id,
    String name,
    String connector,
    double volts,
    double padTakesA,
    List<Pin> pins,
    Set<String> identity,
    Source source) {
  /** What a pad is fed with. */
  public static final Range VOLTS = Range.above(0, "V");

  /** What a pad takes; 0 where it is not known. */
  public static final Range TAKES = Range.of(0, 5, "A");

  /**
   * What one pin does.
   *
   * @param pin its name
   * @param function what it is for
   * @param flow who does what there
   * @param some whether only some hosts have it
   */
  public record Pin(String pin, kumite.lead.Function function, Flow flow, boolean some) {
    public Pin {
      Check.filled(pin, "name of a pin");
      Objects.requireNonNull(function, "function");
      Objects.requireNonNull(flow, "flow");
    }
  }

  public Pinout {
    if (!id.matches("[a-z][a-z0-9-]{0,39}")) {
      throw new IllegalArgumentException(
          "\"" + id + "\" is no id of a pinout; use small letters, digits and hyphens");
    }
    Check.writable(name, "name of a pinout");
    VOLTS.check(volts, "volts of a pinout");
    TAKES.check(padTakesA, "current of a pad in A");
    pins = List.copyOf(pins);
    identity = Set.copyOf(identity);
    Objects.requireNonNull(source, "source");
    Set<String> seen = new HashSet<>();
    for (Pin pin : pins) {
      if (!seen.add(pin.pin())) {
        throw new IllegalArgumentException("pinout " + id + " names pin " + pin.pin() + " twice");
      }
    }
  }

  /** {@return what a pin does, if it is known} */
  public Optional<Pin> at(String pin) {
    return pins.stream().filter(p -> p.pin().equals(pin)).findFirst();
  }

  /** {@return the first pin of a function, if it has one} */
  public Optional<Pin> of(kumite.lead.Function function) {
    return pins.stream().filter(p -> p.function().equals(function)).findFirst();
  }

  /** {@return the pins of the four directions; empty where it has not all four} */
  public Map<Turn.Direction, String> directions() {
    Map<Turn.Direction, String> found =
        java.util.Arrays.stream(Turn.Direction.values())
            .filter(d -> of(d.function()).isPresent())
            .collect(
                Collectors.toMap(
                    Function.identity(),
                    d -> of(d.function()).orElseThrow().pin(),
                    (a, b) -> a,
                    java.util.TreeMap::new));
    return found.size() == 4 ? found : Map.of();
  }
}
