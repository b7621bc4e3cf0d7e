package kumite.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.bringup.Power;
import kumite.name.Joint;
import kumite.working.Quantity;
import kumite.working.Source;
import kumite.working.Working;

/**
 * What was solved, with what a sound build and a usual meter may be off. All of it is common
 * practice without a source: 1 % and 10 mV on volts; 1 %, half an ohm less and one ohm more for
 * leads on ohms, one more for each closed contact; tracks within 20 %.
 */
final class Reckoned {
  static final double TRACK_WITHIN = 0.2;
  private static final double WITHIN = 0.01;
  private static final double VOLTS_OFF = 0.01;
  private static final double LEADS_LESS_OHM = 0.5;
  private static final double LEADS_MORE_OHM = 1;
  private static final double CONTACT_MORE_OHM = 1;

  private Reckoned() {}

  static Shown volts(
      Power power, double at, double low, double high, List<String> by, Joint red, Joint black) {
    double least = low - Math.abs(low) * WITHIN - VOLTS_OFF;
    double most = high + Math.abs(high) * WITHIN + VOLTS_OFF;
    return new Shown(
        power,
        OptionalDouble.of(at),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        least,
        most,
        Optional.empty(),
        by,
        working(
            power,
            "volts of " + red + " against " + black,
            by,
            Quantity.OHM.words(Meter.METER_OHM) + " of the meter between both",
            Working.number(at, 3)
                + " V, "
                + Working.number(least, 2)
                + " to "
                + Working.number(most, 2)
                + " V"));
  }

  static Shown ohms(
      Power power,
      double at,
      double off,
      int contacts,
      OptionalDouble drop,
      List<String> by,
      Joint red,
      Joint black) {
    double low = Math.max(0, at * (1 - WITHIN) - off - LEADS_LESS_OHM);
    double high = at * (1 + WITHIN) + off + LEADS_MORE_OHM + contacts * CONTACT_MORE_OHM;
    return new Shown(
        power,
        OptionalDouble.empty(),
        OptionalDouble.of(at),
        drop,
        low,
        high,
        Optional.empty(),
        by,
        working(
            power,
            "ohms between " + red + " and " + black,
            by,
            "the meter's " + Meter.TEST_VOLTS + " V, too little for a junction",
            Working.number(at, 1) + " ohm; it beeps below " + Working.number(Meter.BEEP_OHM, 0)));
  }

  static Shown open(Power power, OptionalDouble drop, List<String> by, Joint red, Joint black) {
    return new Shown(
        power,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        drop,
        Meter.MOST_OHM,
        Double.POSITIVE_INFINITY,
        Optional.empty(),
        by,
        working(
            power,
            "ohms between " + red + " and " + black,
            by,
            "the meter's " + Meter.TEST_VOLTS + " V, too little for a junction",
            "more than " + Quantity.OHM.words(Meter.MOST_OHM) + ": silent"));
  }

  static Shown nothing(Power power, String why, Joint red, Joint black) {
    return new Shown(
        power,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        Double.NaN,
        Double.NaN,
        Optional.of(why),
        List.of(),
        working(power, "volts of " + red + " against " + black, List.of(), "a meter", why));
  }

  private static Working working(
      Power power, String what, List<String> by, String meter, String result) {
    List<Working.Value> values = new ArrayList<>();
    values.add(Working.words("state", power.words(), ""));
    int number = 0;
    for (String part : by) {
      values.add(Working.words("way " + ++number, part, ""));
    }
    values.add(Working.words("meter", meter, ""));
    return new Working(
        what,
        "the circuit of all that carries current there, solved at rest",
        values,
        result,
        Source.common("figures of meters and contacts"));
  }
}
