package kumite.wiring;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the wires as they are; docs/findings.md explains each. */
public enum NetCode implements Code {
  SUPPLY_ON_GROUND("NT-01", STOP),
  GROUND_APART("NT-02", STOP),
  SUPPLIES_MEET("NT-03", STOP),
  INPUTS_BRIDGED("NT-04", STOP),
  INPUT_TIED("NT-05", STOP),
  NOT_REACHED("NT-06", STOP),
  TOO_MANY_VOLTS("NT-07", STOP),
  DRIVERS_MEET("NT-08", STOP),
  NOT_CROSSED("NT-09", STOP),
  DEVICE_WITHOUT_GROUND("NT-10", STOP),
  NO_SUCH_TAB("NT-11", LOOK),
  WRONG_RAIL("NT-12", STOP),
  WRONG_TERMINAL("NT-13", STOP),
  TOO_MANY_WIRES("NT-14", LOOK),
  NO_SUCH_PART("NT-15", LOOK),
  NOT_IN_PLAN("NT-16", LOOK),
  SHOWS_OTHERWISE("NT-17", STOP),
  BYPASSED("NT-18", STOP),
  JOINED_UNPLANNED("NT-19", LOOK),
  NETS_FINE("NT-20", FINE),
  SHORT_AT_REST("NT-21", STOP),
  SHORT_WHEN_PRESSED("NT-22", STOP),
  DRIVEN_LINE_HELD("NT-23", STOP),
  TERMINAL_HARMED("NT-24", STOP),
  SHORTS_NOT_ALL_TRIED("NT-25", LOOK),
  LANDS_BADLY("NT-26", STOP),
  LINES_MIXED("NT-27", STOP),
  NO_PULL_UP("NT-28", STOP);

  private final Said said;

  NetCode(String text, Severity... severities) {
    said = new Said(Station.LOOM, text, severities);
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
