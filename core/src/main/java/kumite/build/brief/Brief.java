package kumite.build.brief;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import kumite.measure.Check;
import kumite.measure.LengthUnit;

/**
 * What the controller must do, for whose hands, on which host.
 *
 * @param title the build's name for people; not empty
 * @param host what it talks to
 * @param supplyVolts what the host's port gives; 1 to 12 V
 * @param hand who plays
 * @param units the unit that lengths are shown in
 * @param functions what the host asks for, in the order it asks
 * @param together pairs of functions that play asks for at the same moment
 */
public record Brief(
    String title,
    Host host,
    double supplyVolts,
    Hand hand,
    LengthUnit units,
    List<HostFunction> functions,
    List<Pair> together) {

  /**
   * Two functions wanted at once.
   *
   * @param one the name of a function
   * @param other the name of another
   */
  public record Pair(String one, String other) {
    public Pair {
      if (one.equals(other)) {
        throw new IllegalArgumentException(
            "\"" + one + "\" cannot be wanted together with itself; name two functions");
      }
    }
  }

  public Brief {
    Check.writable(title, "title");
    Objects.requireNonNull(host, "host");
    Check.between(1, 12, supplyVolts, "supply_v");
    Objects.requireNonNull(hand, "hand");
    Objects.requireNonNull(units, "units");
    functions = List.copyOf(functions);
    together = List.copyOf(together);
    Set<String> names = new HashSet<>();
    for (HostFunction function : functions) {
      if (!names.add(function.name())) {
        throw new IllegalArgumentException("two host functions have the same name");
      }
    }
    for (Pair pair : together) {
      if (!names.contains(pair.one()) || !names.contains(pair.other())) {
        throw new IllegalArgumentException(
            "together names \""
                + (names.contains(pair.one()) ? pair.other() : pair.one())
                + "\", which the host does not ask for");
      }
    }
  }

  /** {@return the same brief under another title} */
  public Brief withTitle(String newTitle) {
    return new Brief(newTitle, host, supplyVolts, hand, units, functions, together);
  }

  /** {@return the same brief for another host} */
  public Brief withHost(Host newHost) {
    return new Brief(title, newHost, supplyVolts, hand, units, functions, together);
  }

  /** {@return the same brief on another supply} */
  public Brief withSupplyVolts(double newSupplyVolts) {
    return new Brief(title, host, newSupplyVolts, hand, units, functions, together);
  }

  /** {@return the same brief for another player} */
  public Brief withHand(Hand newHand) {
    return new Brief(title, host, supplyVolts, newHand, units, functions, together);
  }

  /** {@return the same brief shown in another unit} */
  public Brief withUnits(LengthUnit newUnits) {
    return new Brief(title, host, supplyVolts, hand, newUnits, functions, together);
  }

  /** {@return the same brief asking for other functions; pairs that lost one go} */
  public Brief withFunctions(List<HostFunction> newFunctions) {
    Set<String> names = new HashSet<>();
    newFunctions.forEach(function -> names.add(function.name()));
    List<Pair> kept =
        together.stream()
            .filter(pair -> names.contains(pair.one()) && names.contains(pair.other()))
            .toList();
    return new Brief(title, host, supplyVolts, hand, units, newFunctions, kept);
  }

  /** {@return the same brief wanting other functions at once} */
  public Brief withTogether(List<Pair> newTogether) {
    return new Brief(title, host, supplyVolts, hand, units, functions, newTogether);
  }
}
