package kumite.leads;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of leads, cables and ring-outs; docs/findings.md explains each. */
public enum LeadCode implements Code {
  ALL_ARRIVES("LD-01", FINE),
  WHAT_IT_DOES("LD-02", LOOK, FINE),
  NO_GROUND("LD-03", STOP),
  NO_SUPPLY("LD-04", STOP),
  SUPPLY_ON_GROUND("LD-05", STOP),
  SUPPLY_ON_SIGNAL("LD-06", STOP),
  SIGNAL_ON_GROUND("LD-07", STOP),
  HOST_GIVES_NONE("LD-08", STOP, LOOK),
  NO_SPARE("LD-09", LOOK),
  OUTPUTS_MEET("LD-10", STOP),
  PINS_MEET("LD-11", STOP, LOOK, FINE),
  GENDERS("LD-12", STOP),
  TOO_FEW_CORES("LD-13", STOP),
  CORES_TOO_THIN("LD-14", STOP),
  PLUG_DOES_NOT_TAKE("LD-15", STOP),
  CORES_OF_ONE_COLOUR("LD-16", LOOK),
  COLOURS_UNTRUSTED("LD-17", LOOK),
  PART_IN_VAIN("LD-18", STOP, LOOK),
  ARRIVES_NOWHERE("LD-19", LOOK),
  PAD_UNKNOWN("LD-20", STOP),
  NO_SUCH_PIN("LD-21", STOP),
  VOLTS_DO_NOT_SUIT("LD-22", STOP, LOOK),
  TERMINAL_TAKEN("LD-23", STOP),
  BOARD_NOT_CHOSEN("LD-24", STOP),
  CABLE_WITHOUT_WIRES("LD-25", LOOK),
  CABLE_GAUGE("LD-26", STOP),
  WIRE_SHORTER("LD-27", STOP),
  CONTACT_TO_RAIL("LD-28", STOP),
  FEEDS_BOARD("LD-29", LOOK, FINE),
  READINGS_CONTRADICT("LD-30", STOP),
  CORE_BROKEN("LD-31", STOP),
  CORES_TOUCH("LD-32", STOP),
  CORE_ELSEWHERE("LD-33", LOOK),
  RING_OUT_OPEN("LD-34", LOOK),
  MIRRORED("LD-35", LOOK),
  ROLE_UNKNOWN("LD-36", LOOK),
  DIODE_WRONG("LD-37", STOP, LOOK),
  BOARD_UNFED("LD-38", STOP),
  SHIELD_WRONG("LD-39", STOP, LOOK);

  private final Said said;

  LeadCode(String text, Severity... severities) {
    said = new Said(Station.LEADS, text, severities);
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
