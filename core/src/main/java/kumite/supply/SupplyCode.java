package kumite.supply;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of what feeds a build; docs/findings.md explains each. */
public enum SupplyCode implements Code {
  OVERLOADED("SU-01", STOP, LOOK),
  OTHER_VOLTS("SU-02", STOP, LOOK),
  CELL_UNGUARDED("SU-03", STOP),
  SOURCES_JOINED("SU-04", STOP),
  SWITCH_IN_GROUND("SU-05", STOP),
  FED_BY_NOTHING("SU-06", STOP),
  DATA_MARGINAL("SU-07", LOOK),
  STRIP_DROPS("SU-08", LOOK),
  OPEN("SU-09", LOOK),
  BANK_SLEEPS("SU-10", LOOK),
  STRIP_EMPTY("SU-11", LOOK),
  NO_BOARD_THERE("SU-12", STOP),
  CELL_CARE("SU-13", LOOK),
  STRIP_UNTOLD("SU-14", LOOK),
  COLOUR_OF_NO_PROFILE("SU-15", LOOK),
  STRIP_TELLS_LONG("SU-16", LOOK),
  ENOUGH("SU-20", FINE);

  private final Said said;

  SupplyCode(String text, Severity... severities) {
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
