package kumite.build.box;

import kumite.build.panel.Panel;
import kumite.measure.Placement;
import kumite.measure.Point;

/**
 * A side of the case other than the panel.
 *
 * <p>Places on a wall are measured along its upper edge, from the left edge of the panel at front
 * and back and from its front edge at the sides, and down from the underside of the panel. Places
 * on the floor are those of the panel above it.
 */
public enum Face {
  FRONT("front", "left", true),
  BACK("back", "left", true),
  LEFT("left", "front", false),
  RIGHT("right", "front", false),
  FLOOR("floor", "left", true);

  private final String words;
  private final String from;
  private final boolean across;

  Face(String words, String from, boolean across) {
    this.words = words;
    this.from = from;
    this.across = across;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return the edge that places along it are measured from} */
  public String from() {
    return from;
  }

  /** {@return whether it runs left to right} */
  public boolean across() {
    return across;
  }

  /** {@return whether it stands under an edge of the panel} */
  public boolean wall() {
    return this != FLOOR;
  }

  /**
   * {@return a place of it with the case unfolded into the plane of the panel: walls beside the
   * edge that they stand under, the floor beyond the front}
   */
  public Point flat(Point at, Panel panel) {
    return switch (this) {
      case FRONT -> new Point(at.xMm(), -at.yMm());
      case BACK -> new Point(at.xMm(), panel.heightMm() + at.yMm());
      case LEFT -> new Point(-at.yMm(), at.xMm());
      case RIGHT -> new Point(panel.widthMm() + at.yMm(), at.xMm());
      case FLOOR -> new Point(at.xMm(), -panel.inside().frontDepthMm() - at.yMm());
    };
  }

  /**
   * {@return a placement as that plane has it: what is turned on a face is turned with the face}
   */
  public Placement flat(Placement at, Panel panel) {
    Point there = flat(at.centre(), panel);
    double with =
        switch (this) {
          case FRONT -> 0;
          case BACK, FLOOR -> 180;
          case LEFT -> -90;
          case RIGHT -> 90;
        };
    return new Placement(there.xMm(), there.yMm(), turn(at.turnDegrees() + with));
  }

  /**
   * {@return where on the face a place of a part lies. A part is turned counter-clockwise as it is
   * seen from outside, its upper side toward the panel; on the floor toward the back}
   *
   * @param offset from the part's middle, before turning
   */
  public Point place(Placement at, Point offset) {
    Point turned = at.movedTo(0, 0).place(offset);
    return switch (this) {
      case FRONT, RIGHT -> at.centre().plus(turned.xMm(), -turned.yMm());
      case BACK, LEFT -> at.centre().plus(-turned.xMm(), -turned.yMm());
      case FLOOR -> at.centre().plus(-turned.xMm(), turned.yMm());
    };
  }

  /** {@return a placement for outlines, in the face's own x and y as if y ran upward} */
  public Placement shaped(Placement at) {
    return at.turnedTo(
        turn(
            switch (this) {
              case FRONT, RIGHT, FLOOR -> -at.turnDegrees();
              case BACK, LEFT -> at.turnDegrees() + 180;
            }));
  }

  private static double turn(double degrees) {
    return Math.IEEEremainder(degrees, 360);
  }
}
