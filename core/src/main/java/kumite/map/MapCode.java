package kumite.map;

import static kumite.finding.Severity.FINE;
import static kumite.finding.Severity.LOOK;
import static kumite.finding.Severity.STOP;

import kumite.finding.Code;
import kumite.finding.Severity;
import kumite.finding.Station;

/** What is said of what contacts mean; docs/findings.md explains each. */
public enum MapCode implements Code {
  UNMAPPED("MP-01", LOOK),
  UNCOVERED("MP-02", LOOK),
  WRONG_INPUT("MP-03", LOOK),
  GIVEN_TWICE("MP-04", LOOK),
  MANY_BUTTONS("MP-05", LOOK),
  CANNOT_GIVE("MP-06", STOP),
  FIXED_MEANING("MP-07", LOOK),
  EAGER_TOO_SHORT("MP-08", LOOK),
  TURNED("MP-09", LOOK),
  LAYER_UNREACHED("MP-10", LOOK),
  CHORD_DELAYS("MP-11", LOOK),
  CHORD_HIDDEN("MP-12", LOOK),
  CHORD_BY_CHANCE("MP-13", LOOK),
  KEYS_TOO_MANY("MP-14", LOOK),
  OPPOSITES("MP-15", LOOK),
  LAYER_NO_WAY_BACK("MP-16", STOP),
  PROFILE_CHOSEN_BADLY("MP-17", LOOK),
  PROFILE_UNCHOSEN("MP-18", LOOK),
  UNCALIBRATED("MP-19", LOOK),
  MAPPED_FINE("MP-20", FINE),
  COVERED_FINE("MP-21", FINE),
  SEATS_TYPE_ALIKE("MP-22", LOOK),
  REPORT_TOO_LONG("MP-25", STOP),
  CHORD_OF_TWO_SEATS("MP-26", STOP),
  LAYERS_IN_VAIN("MP-27", LOOK),
  LAYER_KEY_MEANS("MP-29", LOOK),
  PROGRAM_TOO_LARGE("MP-30", STOP),
  PROGRAM_FITS("MP-31", FINE),
  READY_PROGRAM("MP-42", LOOK, FINE),
  RULE_IN_VAIN("MP-32", LOOK),
  NO_HAND_CAN("MP-33", LOOK),
  OTHER_SEATS_CONTACT("MP-34", LOOK),
  SHOTS_LOST("MP-35", LOOK),
  STEP_TOO_LONG("MP-36", LOOK),
  WINDOW_TOO_SHORT("MP-37", LOOK),
  KEY_HELD_DOWN("MP-38", LOOK),
  RADIO_SLOT("MP-39", LOOK),
  SEVERAL_PADS("MP-40", LOOK),
  NO_PROGRAM("MP-41", LOOK),
  KEYS_ONLY("MP-43", STOP),
  TABLE_CANNOT_SAY("MP-44", STOP);

  private final Said said;

  MapCode(String text, Severity... severities) {
    said = new Said(Station.MAP, text, severities);
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
