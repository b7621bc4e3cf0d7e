package kumite.build;

import java.util.List;
import java.util.Objects;

/**
 * What the controller must do, for whose hands, on which host.
 *
 * @param title the build's name for people; not empty
 * @param host what it talks to
 * @param supplyVolts what the host's port gives; 1 to 12 V
 * @param reachMm the player's reach from the resting palm to a fingertip's press; 20 to 1000
 * @param units the unit that lengths are shown in
 * @param functions what the host asks for, in the order it asks
 */
public record Brief(
    String title,
    Host host,
    double supplyVolts,
    double reachMm,
    LengthUnit units,
    List<HostFunction> functions) {

  public Brief {
    Check.filled(title, "title");
    Objects.requireNonNull(host, "host");
    Check.between(1, 12, supplyVolts, "supply_v");
    Check.between(20, 1000, reachMm, "reach_mm");
    Objects.requireNonNull(units, "units");
    functions = List.copyOf(functions);
    long names = functions.stream().map(HostFunction::name).distinct().count();
    if (names != functions.size()) {
      throw new IllegalArgumentException("two host functions have the same name");
    }
  }

  /** {@return the same brief under another title} */
  public Brief withTitle(String newTitle) {
    return new Brief(newTitle, host, supplyVolts, reachMm, units, functions);
  }

  /** {@return the same brief for another host} */
  public Brief withHost(Host newHost) {
    return new Brief(title, newHost, supplyVolts, reachMm, units, functions);
  }

  /** {@return the same brief on another supply} */
  public Brief withSupplyVolts(double newSupplyVolts) {
    return new Brief(title, host, newSupplyVolts, reachMm, units, functions);
  }

  /** {@return the same brief for another hand} */
  public Brief withReach(double newReachMm) {
    return new Brief(title, host, supplyVolts, newReachMm, units, functions);
  }

  /** {@return the same brief shown in another unit} */
  public Brief withUnits(LengthUnit newUnits) {
    return new Brief(title, host, supplyVolts, reachMm, newUnits, functions);
  }

  /** {@return the same brief asking for other functions} */
  public Brief withFunctions(List<HostFunction> newFunctions) {
    return new Brief(title, host, supplyVolts, reachMm, units, newFunctions);
  }
}
