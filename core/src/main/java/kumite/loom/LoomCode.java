package kumite.loom;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the plan of the wires; docs/findings.md explains each. */
public enum LoomCode implements Code {
  NO_BOARD("LM-01", LOOK),
  WITHOUT_TERMINAL("LM-02", STOP),
  LOCK_CANNOT_READ("LM-03", STOP),
  LOCK_ON_KEPT("LM-04", STOP, LOOK),
  OTHER_RAIL("LM-05", STOP),
  SAME_COLOUR("LM-07", LOOK),
  LOCK_ON_NOTHING("LM-08", STOP),
  LOCKED_TWICE("LM-09", STOP),
  LONG_CHAIN("LM-10", LOOK),
  SHARED_RAIL("LM-11", FINE),
  WIRED_AT_NC("LM-12", STOP),
  MATRIX_WITHOUT_DIODES("LM-13", STOP),
  LADDER_TOGETHER("LM-14", STOP),
  GROUP_CANNOT_READ("LM-15", STOP),
  PULSES_NOT_COUNTED("LM-16", LOOK),
  COMMON_UNPROVEN("LM-17", LOOK),
  LID_LOOP("LM-18", LOOK),
  LOCK_ON_DEAD("LM-19", STOP),
  GAUGE_OFF_TAB("LM-21", LOOK),
  TERMINALS_FINE("LM-20", FINE),
  COLOURS_FINE("LM-22", FINE),
  PIN_IN_TWO_ROWS("LM-24", STOP),
  PIN_UNPROVEN("LM-25", STOP),
  PIN_AT_GROUND("LM-26", LOOK),
  JUMPERS_SHORT("LM-27", LOOK),
  CORES_FEW("LM-28", LOOK),
  LINK_TO_NOTHING("LM-40", STOP),
  NO_SHARED_GROUND("LM-41", STOP),
  SUPPLIES_LINKED("LM-44", LOOK),
  LINK_TOO_HIGH("LM-45", STOP),
  UNHEARD("LM-46", STOP),
  LINK_ON_TAKEN("LM-47", STOP),
  NOT_PASSED_ON("LM-48", LOOK);

  private final Said said;

  LoomCode(String text, Severity... severities) {
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
