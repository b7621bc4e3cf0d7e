package kumite.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds a place for each caption of a drawing, so that none lies on another or runs off its area.
 *
 * <p>Tried are the four sides of what it names, then places further and further out; what lies
 * under is kept clear where it can be. Places are millimetres on the page.
 */
final class Captions {
  private static final double STEP_MM = 2.5;
  private static final int DIRECTIONS = 16;

  /** Room between two captions. */
  private static final double BETWEEN_MM = 0.4;

  private final Box area;
  private final List<Box> taken = new ArrayList<>();
  private final List<Box> avoided = new ArrayList<>();

  /** A box on the page. */
  record Box(double left, double top, double width, double height) {
    static Box about(double x, double y, double width, double height) {
      return new Box(x - width / 2, y - height / 2, width, height);
    }

    double right() {
      return left + width;
    }

    double bottom() {
      return top + height;
    }

    double midAcross() {
      return left + width / 2;
    }

    double midDown() {
      return top + height / 2;
    }

    boolean meets(Box other, double apart) {
      return left < other.right() + apart
          && other.left < right() + apart
          && top < other.bottom() + apart
          && other.top < bottom() + apart;
    }

    boolean within(Box other) {
      return left >= other.left
          && right() <= other.right()
          && top >= other.top
          && bottom() <= other.bottom();
    }
  }

  Captions(Box area) {
    this.area = area;
  }

  /** Keeps captions off a place altogether. */
  void take(Box box) {
    taken.add(box);
  }

  /** Keeps captions off a place where they find another one. */
  void avoid(Box box) {
    avoided.add(box);
  }

  /**
   * Takes a place for a caption.
   *
   * @param named what it names; the caption lies beside it
   * @param furthest how far out it may lie
   * @return the place; empty where none is free, and then nothing is taken
   */
  Optional<Box> place(Box named, double width, double height, double furthest) {
    Optional<Box> clear = placeClear(named, width, height, furthest);
    return clear.isPresent() ? clear : taken(free(named, width, height, furthest, false));
  }

  /** Takes a place for a caption that must not lie on what is to be kept clear either. */
  Optional<Box> placeClear(Box named, double width, double height, double furthest) {
    return taken(free(named, width, height, furthest, true));
  }

  private Optional<Box> taken(Optional<Box> box) {
    box.ifPresent(taken::add);
    return box;
  }

  private Optional<Box> free(
      Box named, double width, double height, double furthest, boolean clear) {
    double up = named.height() / 2 + height / 2 + BETWEEN_MM;
    double aside = named.width() / 2 + width / 2 + BETWEEN_MM;
    double[][] sides = {{0, up}, {0, -up}, {aside, 0}, {-aside, 0}};
    for (double[] side : sides) {
      Box box = Box.about(named.midAcross() + side[0], named.midDown() + side[1], width, height);
      if (fits(box, clear)) {
        return Optional.of(box);
      }
    }
    for (double out = STEP_MM; out <= furthest; out += STEP_MM) {
      for (int i = 0; i < DIRECTIONS; i++) {
        double angle = 2 * Math.PI * i / DIRECTIONS;
        Box box =
            Box.about(
                named.midAcross() + (aside + out) * Math.cos(angle),
                named.midDown() + (up + out) * Math.sin(angle),
                width,
                height);
        if (fits(box, clear)) {
          return Optional.of(box);
        }
      }
    }
    return Optional.empty();
  }

  private boolean fits(Box box, boolean clear) {
    if (!box.within(area)) {
      return false;
    }
    for (Box other : taken) {
      if (box.meets(other, BETWEEN_MM)) {
        return false;
      }
    }
    if (clear) {
      for (Box other : avoided) {
        if (box.meets(other, 0)) {
          return false;
        }
      }
    }
    return true;
  }
}
