package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.kind.Looks;
import kumite.kind.TabSpot;
import kumite.measure.Point;
import kumite.name.Joint;

/** Where tabs of controls are on the panel, however these are turned. */
public final class Spots {
  /** Tabs this near to one line are a row. */
  private static final double LEVEL_MM = 0.6;

  private Spots() {}

  /** {@return where a tab is, seen from the face; the control's middle where it has no such tab} */
  public static Point of(Control control, ControlKind kind, Joint tab) {
    return kind.tabs()
        .spot(tab.tab())
        .map(spot -> control.placement().place(spot.at()))
        .orElseGet(() -> control.placement().centre());
  }

  /** {@return which way a tab looks, towards which edge of the panel; down where it is unknown} */
  public static Looks looks(Control control, ControlKind kind, Joint tab) {
    return kind.tabs()
        .spot(tab.tab())
        .map(TabSpot::looks)
        .orElse(Looks.DOWN)
        .turned(control.placement().turnDegrees());
  }

  /**
   * {@return where a tab is, in words for who sits before the turned-over panel: {@code left side,
   * 2 of 3 from the front}; empty for a tab that the control does not have}
   */
  public static String fromBelow(Control control, ControlKind kind, Joint tab) {
    return kind.tabs().spot(tab.tab()).map(spot -> words(control, kind, spot)).orElse("");
  }

  private static String words(Control control, ControlKind kind, TabSpot spot) {
    double turn = control.placement().turnDegrees();
    String side = side(spot.looks().turned(turn));
    Point at = spot.at().turned(turn);
    List<Point> row =
        kind.tabs().spots().stream()
            .filter(other -> other.looks() == spot.looks())
            .map(other -> other.at().turned(turn))
            .toList();
    List<Point> across = row.stream().filter(p -> Math.abs(p.yMm() - at.yMm()) < LEVEL_MM).toList();
    List<Point> along = row.stream().filter(p -> Math.abs(p.xMm() - at.xMm()) < LEVEL_MM).toList();
    boolean byX = across.size() >= along.size();
    int of = byX ? across.size() : along.size();
    // Turned over left to right: what is furthest right on the face comes first from the left.
    long before =
        byX
            ? across.stream().filter(p -> p.xMm() > at.xMm() + LEVEL_MM).count()
            : along.stream().filter(p -> p.yMm() < at.yMm() - LEVEL_MM).count();
    return of < 2
        ? side
        : side + ", " + (before + 1) + " of " + of + (byX ? " from the left" : " from the front");
  }

  /**
   * {@return the tabs of a control by the side they are on, each row as it lies before who sits at
   * the turned-over panel, from the left or from the front}
   */
  public static Map<String, List<String>> sidesFromBelow(Control control, ControlKind kind) {
    double turn = control.placement().turnDegrees();
    Map<String, List<TabSpot>> sides = new TreeMap<>();
    for (TabSpot spot : kind.tabs().spots()) {
      sides.computeIfAbsent(side(spot.looks().turned(turn)), k -> new ArrayList<>()).add(spot);
    }
    Map<String, List<String>> named = new LinkedHashMap<>();
    sides.forEach(
        (side, spots) -> {
          spots.sort(
              Comparator.comparingDouble(
                      (TabSpot s) -> -Math.rint(s.at().turned(turn).xMm() / LEVEL_MM))
                  .thenComparingDouble(s -> s.at().turned(turn).yMm()));
          named.put(side, spots.stream().map(TabSpot::tab).toList());
        });
    return named;
  }

  private static String side(Looks looks) {
    return switch (looks) {
      case DOWN -> "underneath";
      case FRONT -> "front side";
      case BACK -> "back side";
      case LEFT -> "right side";
      case RIGHT -> "left side";
    };
  }
}
