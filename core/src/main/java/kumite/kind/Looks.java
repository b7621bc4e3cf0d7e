package kumite.kind;

import java.util.Locale;
import kumite.measure.Point;

/** Which way a tab looks, and so where its wire leaves it; on an unturned part, from the face. */
public enum Looks {
  /** Away from the panel. */
  DOWN(0, 0),
  FRONT(0, -1),
  BACK(0, 1),
  LEFT(-1, 0),
  RIGHT(1, 0);

  private final int x;
  private final int y;

  Looks(int x, int y) {
    this.x = x;
    this.y = y;
  }

  /** {@return one step that way; none for what looks down} */
  public Point step() {
    return new Point(x, y);
  }

  /**
   * {@return where it looks on a part that is turned, counter-clockwise, to the nearest quarter}
   */
  public Looks turned(double degrees) {
    int quarters = Math.floorMod(Math.round(degrees / 90), 4);
    Looks looks = this;
    for (int i = 0; i < quarters; i++) {
      looks =
          switch (looks) {
            case DOWN -> DOWN;
            case FRONT -> RIGHT;
            case RIGHT -> BACK;
            case BACK -> LEFT;
            case LEFT -> FRONT;
          };
    }
    return looks;
  }

  /** {@return its word in files and on paper} */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
