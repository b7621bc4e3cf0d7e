package kumite.panel;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of the panel: room, holes, depths; docs/findings.md explains each. */
public enum PanelCode implements Code {
  HOLES_CLOSE("PN-01", STOP, LOOK),
  HOLE_AT_EDGE("PN-02", STOP, LOOK),
  FLANGES_CLOSE("PN-03", STOP, LOOK),
  BODIES_CLOSE("PN-04", STOP, LOOK),
  BODY_AT_WALL("PN-05", STOP, LOOK),
  PART_DEPTH("PN-06", STOP, LOOK),
  PANEL_THICKNESS("PN-07", STOP),
  BODY_AT_BOARD("PN-08", STOP, LOOK),
  OFF_PANEL("PN-09", STOP),
  SWINGS_CLOSE("PN-10", STOP, LOOK),
  WRENCH_ROOM("PN-11", LOOK),
  BODY_AT_BLOCK("PN-12", STOP, LOOK),
  BODY_AT_PLUG("PN-13", STOP, LOOK),
  BOARD_AT_WALL("PN-14", STOP),
  PLUG_AT_WALL("PN-15", LOOK),
  BOARD_AT_BLOCK("PN-16", STOP),
  SHAFT_LEFT("PN-17", LOOK),
  BOARD_HEIGHT("PN-18", STOP, LOOK),
  GAPS_FINE("PN-20", FINE),
  DEPTHS_FINE("PN-21", FINE),
  THICKNESS_FINE("PN-22", FINE),
  BLOCK_ASTRAY("PN-23", LOOK),
  WALLS_TOO_THICK("PN-24", STOP),
  SINK("PN-25", LOOK, FINE),
  FLANGE_OVER_HOLE("PN-26", STOP, LOOK),
  SAME_LABEL("PN-27", LOOK),
  PILE("PN-28", STOP),
  LID_STRIKES("PN-29", STOP, LOOK),
  FLANGE_AT_EDGE("PN-30", STOP),
  CAPS_CLOSE("PN-31", STOP, LOOK),
  FLANGE_ON_SCREW("PN-32", STOP, LOOK),
  SHEET_BENDS("PN-33", LOOK),
  CABLE_WAY_OUT("PN-34", FINE),
  PANEL_SCREW_COVERED("PN-35", LOOK),
  BOARDS_MEET("PN-60", STOP);

  private final Said said;

  PanelCode(String text, Severity... severities) {
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
