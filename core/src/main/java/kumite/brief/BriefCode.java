package kumite.brief;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the brief; docs/findings.md explains each. */
public enum BriefCode implements Code {
  SUPPLY_VOLTS("BR-02", LOOK, FINE);

  private final Said said;

  BriefCode(String text, Severity... severities) {
    said = new Said(Station.BRIEF, text, severities);
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
