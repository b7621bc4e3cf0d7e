package kumite.build.panel;

import kumite.measure.Point;

/** How the case is opened; it decides which strands need a service loop. */
public enum Opening {
  LIFTS_OFF("the panel lifts off"),
  HINGED_BACK("hinged at the back"),
  HINGED_FRONT("hinged at the front"),
  HINGED_LEFT("hinged at the left"),
  HINGED_RIGHT("hinged at the right");

  private final String words;

  Opening(String words) {
    this.words = words;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return how far a place on the panel is from the hinge, in mm; 0 where there is none} */
  public double fromHingeMm(Point at, Panel panel) {
    return switch (this) {
      case LIFTS_OFF -> 0;
      case HINGED_BACK -> panel.heightMm() - at.yMm();
      case HINGED_FRONT -> at.yMm();
      case HINGED_LEFT -> at.xMm();
      case HINGED_RIGHT -> panel.widthMm() - at.xMm();
    };
  }
}
