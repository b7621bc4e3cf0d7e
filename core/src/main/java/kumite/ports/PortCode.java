package kumite.ports;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of ports; docs/findings.md explains each. */
public enum PortCode implements Code {
  NO_BOARD("SG-02", LOOK),
  NO_SUCH_SUPPLY("SG-03", STOP),
  FED_TOO_MUCH("SG-04", STOP),
  FED_TOO_LITTLE("SG-05", LOOK),
  TOO_SLOW("SG-06", STOP),
  NOT_PULLED("SG-07", LOOK),
  SENDS_TOO_MUCH("SG-08", STOP, LOOK),
  LOCK_IN_VAIN("SG-09", LOOK),
  NO_ANSWER("SG-10", STOP),
  OTHER_CIRCUIT("SG-11", STOP),
  ANSWERS_WRONG("SG-12", STOP),
  ANSWERS_LATE("SG-13", STOP),
  NO_BUTTON("SG-14", LOOK),
  TWO_FEEDS("SG-15", LOOK),
  NO_PROGRAM("SG-16", LOOK),
  IN_TIME("SG-20", FINE),
  ANSWERS("SG-21", FINE);

  private final Said said;

  PortCode(String text, Severity... severities) {
    said = new Said(Station.SIGNALS, text, severities);
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
