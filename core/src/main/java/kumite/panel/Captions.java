package kumite.panel;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Finds a place for each caption of a drawing, so that none lies on another or runs off its area.
 *
 * <p>Tried are the four sides of what it names, then places further and further out; what lies
 * under is kept clear where it can be. Places are in any one unit, y downward: millimetres of a
 * page, or dots of a screen.
 *
 * <pre>{@code
 * Captions captions = new Captions(page, 2.5);
 * captions.avoid(hole);
 * captions.place(hole, width, height, 30);
 * }</pre>
 */
public final class Captions {
  private static final int DIRECTIONS = 16;

  /** Room between two captions, in steps. */
  private static final double BETWEEN_STEPS = 0.16;

  /** Side of the squares by which neighbours are found, in steps. */
  private static final double CELL_STEPS = 10;

  private static final Box NONE = new Box(0, 0, -1, -1);

  private final Box area;
  private final double step;
  private final double between;
  private final Map<Long, List<Box>> taken = new HashMap<>();
  private final Map<Long, List<Box>> avoided = new HashMap<>();

  /**
   * A box, its sides along the page's.
   *
   * @param left its left edge
   * @param top its upper edge
   * @param width 0 or more
   * @param height 0 or more
   */
  public record Box(double left, double top, double width, double height) {
    /** {@return a box about a middle} */
    public static Box about(double x, double y, double width, double height) {
      return new Box(x - width / 2, y - height / 2, width, height);
    }

    /** {@return its right edge} */
    public double right() {
      return left + width;
    }

    /** {@return its lower edge} */
    public double bottom() {
      return top + height;
    }

    /** {@return its middle, left to right} */
    public double midAcross() {
      return left + width / 2;
    }

    /** {@return its middle, top to bottom} */
    public double midDown() {
      return top + height / 2;
    }

    /** {@return whether it comes nearer to another than so much} */
    public boolean meets(Box other, double apart) {
      return left < other.right() + apart
          && other.left < right() + apart
          && top < other.bottom() + apart
          && other.top < bottom() + apart;
    }

    /** {@return whether no part of it lies outside of another} */
    public boolean within(Box other) {
      return left >= other.left
          && right() <= other.right()
          && top >= other.top
          && bottom() <= other.bottom();
    }
  }

  /**
   * Captions on an area.
   *
   * @param step how far a caption is moved out at a time; above 0
   */
  public Captions(Box area, double step) {
    this.area = area;
    this.step = step;
    this.between = step * BETWEEN_STEPS;
  }

  /** Keeps captions off a place altogether. */
  public void take(Box box) {
    put(taken, box);
  }

  /** Keeps captions off a place where they find another one. */
  public void avoid(Box box) {
    put(avoided, box);
  }

  /**
   * Takes a place for a caption.
   *
   * @param named what it names; the caption lies beside it
   * @param furthest how far out it may lie
   * @return the place; empty where none is free, and then nothing is taken
   */
  public Optional<Box> place(Box named, double width, double height, double furthest) {
    Optional<Box> clear = placeClear(named, width, height, furthest);
    return clear.isPresent() ? clear : taken(free(named, width, height, furthest, box -> true));
  }

  /** Takes a place for a caption that must not lie on what is to be kept clear either. */
  public Optional<Box> placeClear(Box named, double width, double height, double furthest) {
    return taken(free(named, width, height, furthest, box -> clear(avoided, box, 0)));
  }

  /**
   * Takes a place for a caption that may lie on what it names, and on nothing else that is to be
   * kept clear.
   *
   * @param own what it names, as it was given to {@link #avoid}
   */
  public Optional<Box> placeOff(Box named, Box own, double width, double height, double furthest) {
    return taken(free(named, width, height, furthest, box -> clear(avoided, box, 0, own)));
  }

  /**
   * Takes a line from what is named to its caption.
   *
   * @param named what it comes from, as it was given to {@link #avoid}
   * @param caption where it ends
   * @return whether it runs over no other caption, and over nothing else that is to be kept clear;
   *     if not, nothing is taken
   */
  public boolean line(Box named, Box caption) {
    double dx = caption.midAcross() - named.midAcross();
    double dy = caption.midDown() - named.midDown();
    int parts = (int) Math.max(1, Math.ceil(Math.hypot(dx, dy) / (step / 5)));
    List<Box> along = new ArrayList<>();
    for (int i = 0; i <= parts; i++) {
      Box at =
          Box.about(
              named.midAcross() + dx * i / parts, named.midDown() + dy * i / parts, thin(), thin());
      if (!at.meets(caption, 0)) {
        if (!clear(taken, at, 0, caption) || !clear(avoided, at, 0, named)) {
          return false;
        }
        along.add(at);
      }
    }
    along.forEach(this::take);
    return true;
  }

  private double thin() {
    return step / 12;
  }

  /** Gives a place back. */
  public void release(Box box) {
    for (long cell : cells(box, between)) {
      taken.getOrDefault(cell, List.of()).remove(box);
    }
  }

  /** {@return whether a caption may lie there, on nothing that is taken} */
  public boolean isFree(Box box) {
    return box.within(area) && clear(taken, box, between);
  }

  private Optional<Box> taken(Optional<Box> box) {
    box.ifPresent(this::take);
    return box;
  }

  private Optional<Box> free(
      Box named, double width, double height, double furthest, Predicate<Box> clear) {
    double up = named.height() / 2 + height / 2 + between;
    double aside = named.width() / 2 + width / 2 + between;
    double[][] sides = {{0, up}, {0, -up}, {aside, 0}, {-aside, 0}};
    for (double[] side : sides) {
      Box box = Box.about(named.midAcross() + side[0], named.midDown() + side[1], width, height);
      if (fits(box, clear)) {
        return Optional.of(box);
      }
    }
    for (double out = step; out <= furthest; out += step) {
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

  private boolean fits(Box box, Predicate<Box> clear) {
    return isFree(box) && clear.test(box);
  }

  // ---- neighbours by squares

  private void put(Map<Long, List<Box>> boxes, Box box) {
    for (long cell : cells(box, between)) {
      boxes.computeIfAbsent(cell, c -> new ArrayList<>()).add(box);
    }
  }

  private boolean clear(Map<Long, List<Box>> boxes, Box box, double apart) {
    return clear(boxes, box, apart, NONE);
  }

  private boolean clear(Map<Long, List<Box>> boxes, Box box, double apart, Box but) {
    for (long cell : cells(box, 0)) {
      for (Box other : boxes.getOrDefault(cell, List.of())) {
        if (!other.equals(but) && box.meets(other, apart)) {
          return false;
        }
      }
    }
    return true;
  }

  private long[] cells(Box box, double wider) {
    double side = step * CELL_STEPS;
    // What lies outside of the area meets no caption, so large things cost no more than it.
    int left = cell(Math.max(box.left() - wider, area.left()), side);
    int right = cell(Math.min(box.right() + wider, area.right()), side);
    int top = cell(Math.max(box.top() - wider, area.top()), side);
    int bottom = cell(Math.min(box.bottom() + wider, area.bottom()), side);
    if (right < left || bottom < top) {
      return new long[0];
    }
    long[] cells = new long[(right - left + 1) * (bottom - top + 1)];
    int i = 0;
    for (int x = left; x <= right; x++) {
      for (int y = top; y <= bottom; y++) {
        cells[i++] = (long) x << 32 | y & 0xffffffffL;
      }
    }
    return cells;
  }

  private static int cell(double at, double side) {
    return (int) Math.floor(at / side);
  }
}
