package kumite.panel;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the hand: reach, force, targets; docs/findings.md explains each. */
public enum HandCode implements Code {
  OUT_OF_REACH("HD-01", LOOK),
  TOO_STIFF("HD-02", LOOK),
  HOLD_TOO_WIDE("HD-03", LOOK),
  TOO_SMALL("HD-04", LOOK),
  NEIGHBOUR_HIT("HD-05", LOOK),
  PLAYERS_CLOSE("HD-06", LOOK),
  UNDER_A_HAND("HD-07", LOOK),
  REACH_FINE("HD-20", FINE);

  private final Said said;

  HandCode(String text, Severity... severities) {
    said = new Said(Station.PANEL, text, severities);
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
