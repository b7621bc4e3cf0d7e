package kumite.build.panel;

import kumite.measure.Point;

/** The edge corner or centre that coordinates are measured from; both grow into the panel. */
public enum Datum {
  FRONT_LEFT("front-left corner"),
  FRONT_RIGHT("front-right corner"),
  BACK_LEFT("back-left corner"),
  BACK_RIGHT("back-right corner"),
  CENTRE("centre lines");

  private final String words;

  Datum(String words) {
    this.words = words;
  }

  /** {@return the datum in words for people} */
  public String words() {
    return words;
  }

  /** {@return the stored point as coordinates from this datum} */
  public Point fromStored(Point stored, Panel panel) {
    return switch (this) {
      case FRONT_LEFT -> stored;
      case FRONT_RIGHT -> new Point(panel.widthMm() - stored.xMm(), stored.yMm());
      case BACK_LEFT -> new Point(stored.xMm(), panel.heightMm() - stored.yMm());
      case BACK_RIGHT -> new Point(panel.widthMm() - stored.xMm(), panel.heightMm() - stored.yMm());
      case CENTRE ->
          new Point(stored.xMm() - panel.widthMm() / 2, stored.yMm() - panel.heightMm() / 2);
    };
  }

  /** {@return coordinates from this datum as a stored point} */
  public Point toStored(Point shown, Panel panel) {
    return this == CENTRE
        ? new Point(shown.xMm() + panel.widthMm() / 2, shown.yMm() + panel.heightMm() / 2)
        : fromStored(shown, panel); // each corner is its own mirror
  }
}
