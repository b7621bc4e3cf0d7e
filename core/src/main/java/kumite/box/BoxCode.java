package kumite.box;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the case; docs/findings.md explains each. */
public enum BoxCode implements Code {
  NO_ROOM("CS-01", STOP),
  WALLS_TAKE_ROOM("CS-02", STOP),
  CORNERS_STAND_OUT("CS-03", LOOK),
  PLUG_HAS_NO_WAY("CS-04", LOOK),
  DOES_NOT_PASS("CS-05", STOP),
  OFF_ITS_FACE("CS-06", STOP, LOOK),
  OPENINGS_MEET("CS-07", STOP, LOOK),
  NUT_BOUND("CS-08", STOP, LOOK),
  WALL_TOO_THICK("CS-09", STOP),
  MEETS_INSIDE("CS-10", STOP),
  NO_SCREW("CS-11", STOP),
  TOO_LARGE("CS-12", STOP),
  NOTHING_HOLDS("CS-13", LOOK),
  TOO_STEEP("CS-14", STOP),
  WALL_THIN("CS-15", LOOK),
  EDGE_PLAIN("CS-16", LOOK),
  OTHER_SIZES("CS-17", STOP),
  METAL_UNDER_BOARD("CS-18", LOOK),
  PART_WITHOUT_HOLE("CS-19", LOOK),
  NO_FACE("CS-20", STOP),
  MEETS_AS_IT_SWINGS("CS-21", STOP),
  SEAM_WITHOUT_LIP("CS-25", STOP),
  SEAM_MEETS("CS-26", STOP, LOOK),
  PIECES_FINE("CS-22", FINE),
  SCREWS_FINE("CS-23", FINE),
  OPENINGS_FINE("CS-24", FINE);

  private final Said said;

  BoxCode(String text, Severity... severities) {
    said = new Said(Station.CASE, text, severities);
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
