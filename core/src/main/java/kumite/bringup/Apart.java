package kumite.bringup;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.bringup.Power;
import kumite.circuit.Meter;
import kumite.circuit.Shown;
import kumite.name.Joint;
import kumite.working.Source;
import kumite.working.Working;

/** What a meter shows between boards that nothing joins. */
final class Apart {
  private Apart() {}

  static Shown shown(Power power, Joint red, Joint black) {
    boolean live = power.live();
    String why = "nothing joins " + red.part() + " and " + black.part() + ": no current flows";
    return new Shown(
        power,
        live ? OptionalDouble.of(0) : OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        live ? -0.1 : Meter.MOST_OHM,
        live ? 0.1 : Double.POSITIVE_INFINITY,
        Optional.empty(),
        List.of(),
        new Working(
            "between " + red + " and " + black,
            why,
            List.of(),
            live ? "0 V, or whatever drifts by" : "silent",
            Source.common("figures of meters and contacts")));
  }
}
