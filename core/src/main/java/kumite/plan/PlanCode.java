package kumite.plan;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the order of work; docs/findings.md explains each. */
public enum PlanCode implements Code {
  CYCLE("PL-01", STOP),
  NO_SUCH_STEP("PL-02", LOOK),
  NO_SUCH_THING("PL-03", LOOK),
  UNTESTED("PL-04", LOOK),
  OPENED_AGAIN("PL-05", LOOK),
  ID_TAKEN("PL-06", STOP),
  TESTED("PL-20", FINE);

  private final Said said;

  PlanCode(String text, Severity... severities) {
    said = new Said(Station.PLAN, text, severities);
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
