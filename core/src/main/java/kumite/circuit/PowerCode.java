package kumite.circuit;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of volts and amps; docs/findings.md explains each. */
public enum PowerCode implements Code {
  LAMP_WITHOUT_RESISTOR("PW-01", STOP, LOOK),
  LAMP_DARK("PW-02", STOP),
  LAMP_OVERFED("PW-03", STOP, LOOK),
  LAMP_WITHOUT_SUPPLY("PW-04", LOOK),
  LAMP_DIM("PW-05", LOOK),
  UNREAD("PW-06", STOP),
  TOO_HIGH("PW-07", STOP),
  STEPS_CLOSE("PW-08", LOOK),
  POT_TOO_HIGH("PW-09", LOOK),
  OVER_BUDGET("PW-10", STOP),
  LAMPS_PER_TERMINAL("PW-11", STOP),
  LOST_IN_WIRES("PW-12", LOOK),
  RESISTOR_TWICE("PW-13", LOOK),
  PART_UNFED("PW-14", STOP),
  POT_OFF_PORT("PW-15", LOOK),
  LAMPS_ALL_TERMINALS("PW-16", STOP),
  LOGIC_SUPPLY("PW-17", STOP),
  DIVIDER_ON_TIMER("PW-18", STOP),
  PART_HOT("PW-19", STOP, LOOK),
  LAMP_FINE("PW-20", FINE),
  LEVELS_FINE("PW-21", FINE),
  STEPS_FINE("PW-22", FINE),
  IN_BUDGET("PW-23", FINE),
  POT_FINE("PW-24", FINE),
  FIVE_VOLT_PINS("PW-25", STOP, LOOK, FINE);

  private final Said said;

  PowerCode(String text, Severity... severities) {
    said = new Said(Station.POWER, text, severities);
  }

  @Override
  public Said said() {
    return said;
  }

  @Override
  public String toString() {
    return text();
  }
}
