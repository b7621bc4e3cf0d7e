package kumite.brief;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;

import java.util.EnumSet;
import java.util.Set;
import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the brief; docs/findings.md explains each. */
public enum BriefCode implements Code {
  SUPPLY_VOLTS("BR-02", LOOK, FINE);

  private final String text;
  private final Set<Severity> severities;

  BriefCode(String text, Severity first, Severity... others) {
    this.text = text;
    this.severities = EnumSet.of(first, others);
  }

  @Override
  public String text() {
    return text;
  }

  @Override
  public Set<Severity> severities() {
    return severities;
  }

  @Override
  public Station station() {
    return Station.BRIEF;
  }

  @Override
  public String toString() {
    return text;
  }
}
