package kumite.bringup;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of readings; docs/findings.md explains each. */
public enum BringUpCode implements Code {
  SUPPLY_SHORTED("BU-01", STOP),
  OTHERWISE("BU-02", LOOK),
  DOES_NOT_COUNT("BU-03", LOOK),
  COMMON_PROVEN("BU-04", LOOK),
  AS_EXPECTED("BU-20", FINE),
  SIDES_APART("BU-21", FINE);

  private final Said said;

  BringUpCode(String text, Severity... severities) {
    said = new Said(Station.BRING_UP, text, severities);
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
