package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Hand;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * Finds a place on the panel where a whole arrangement has its room.
 *
 * @param places where each control goes
 * @param spread the factor that the wanted spacing was changed by; 1 where it was kept
 * @param fits whether everything has its room there; where not, the places are the wished ones
 */
public record Fit(Map<ControlId, Placement> places, double spread, boolean fits) {
  private static final double STEP_MM = 4;
  private static final double SPREAD_STEP = 0.02;
  private static final double WIDEST = 2.5;
  private static final double TIGHTEST = 0.5;

  public Fit {
    places = Map.copyOf(places);
  }

  /** {@return controls in an arrangement about a middle, without looking whether they fit} */
  public static Fit asWished(Layout layout, List<ControlId> ids, Point middle) {
    return new Fit(named(ids, layout.places(ids.size(), middle, 1)), 1, false);
  }

  /**
   * Where an arrangement is wished: about the middle of its controls as they lie now, or, for an
   * arc, so that its first row is one radius from the nearest resting palm.
   */
  public static Point wishedMiddle(Build build, Layout layout, List<ControlId> ids) {
    List<Point> now =
        ids.stream()
            .flatMap(id -> build.control(id).stream())
            .map(control -> control.placement().centre())
            .toList();
    Point middle =
        new Point(
            now.stream().mapToDouble(Point::xMm).average().orElse(build.panel().widthMm() / 2),
            now.stream().mapToDouble(Point::yMm).average().orElse(build.panel().heightMm() / 2));
    if (layout instanceof Layout.Arc arc) {
      return build.brief().hand().rests().stream()
          .map(Hand.Rest::at)
          .min(Comparator.comparingDouble(palm -> palm.distanceMm(middle)))
          .map(palm -> new Point(palm.xMm(), palm.yMm() + arc.aheadMm(ids.size())))
          .orElse(middle);
    }
    return middle;
  }

  /**
   * Looks for the place nearest to the wished middle where nothing is too narrow. The spacing is
   * kept if it can be; else it is changed in proportion, so that gaps stay equal among themselves.
   *
   * @param ids the controls to arrange; all are in the build
   * @param onCentreLine whether the arrangement stays symmetric about the panel's centre line
   * @param cancelled asked now and then; the search ends when it says so
   * @return the places found, or the wished ones with {@code fits} false
   */
  public static Fit find(
      Build build,
      Catalogue catalogue,
      Layout layout,
      List<ControlId> ids,
      Point middle,
      boolean onCentreLine,
      BooleanSupplier cancelled) {
    double centre = build.panel().widthMm() / 2;
    Point wished = onCentreLine ? new Point(centre, middle.yMm()) : middle;
    PartRoom room = PartRoom.of(build, catalogue);
    List<Point> middles = middles(build, wished, onCentreLine);
    for (double spread : spreads(build, catalogue, layout, ids, wished)) {
      for (Point at : middles) {
        if (cancelled.getAsBoolean()) {
          return asWished(layout, ids, wished);
        }
        Map<ControlId, Placement> places = named(ids, layout.places(ids.size(), at, spread));
        if (room.clear(places)) {
          return new Fit(places, spread, true);
        }
      }
    }
    return asWished(layout, ids, wished);
  }

  /** Spacings worth trying: the wished one or the next wider that parts bear, then tighter ones. */
  private static List<Double> spreads(
      Build build, Catalogue catalogue, Layout layout, List<ControlId> ids, Point middle) {
    List<Double> spreads = new ArrayList<>();
    double spread = 1;
    while (spread <= WIDEST && !clearOfEachOther(build, catalogue, layout, ids, middle, spread)) {
      spread += SPREAD_STEP;
    }
    if (spread <= WIDEST) {
      spreads.add(spread);
    }
    if (spread == 1) {
      for (double tighter = 1 - SPREAD_STEP; tighter >= TIGHTEST; tighter -= SPREAD_STEP) {
        if (!clearOfEachOther(build, catalogue, layout, ids, middle, tighter)) {
          break;
        }
        spreads.add(tighter);
      }
    }
    return spreads;
  }

  private static boolean clearOfEachOther(
      Build build,
      Catalogue catalogue,
      Layout layout,
      List<ControlId> ids,
      Point middle,
      double spread) {
    List<Placement> places = layout.places(ids.size(), middle, spread);
    double web = build.panel().material().webMm(build.panel().thicknessMm());
    List<Placed> parts = new ArrayList<>();
    for (int i = 0; i < ids.size(); i++) {
      Control control = build.control(ids.get(i)).orElseThrow();
      parts.add(Placed.of(control.withPlacement(places.get(i)), catalogue.kindOf(control)));
    }
    Measured found = new Measured();
    for (int i = 0; i < parts.size(); i++) {
      for (int j = 0; j < i; j++) {
        PairGaps.measure(parts.get(j), parts.get(i), web, found);
      }
    }
    return !found.narrow();
  }

  private static List<Point> middles(Build build, Point wished, boolean onCentreLine) {
    List<Point> middles = new ArrayList<>(List.of(wished));
    for (double y = 0; y <= build.panel().heightMm(); y += STEP_MM) {
      if (onCentreLine) {
        middles.add(new Point(wished.xMm(), y));
      } else {
        for (double x = 0; x <= build.panel().widthMm(); x += STEP_MM) {
          middles.add(new Point(x, y));
        }
      }
    }
    middles.sort(Comparator.comparingDouble(p -> p.distanceMm(wished)));
    return middles;
  }

  private static Map<ControlId, Placement> named(List<ControlId> ids, List<Placement> places) {
    Map<ControlId, Placement> named = new LinkedHashMap<>();
    for (int i = 0; i < ids.size(); i++) {
      named.put(ids.get(i), places.get(i));
    }
    return named;
  }

  /** {@return what was done with the spacing, in words; empty where it was kept} */
  public Optional<String> spreadWords() {
    if (Math.abs(spread - 1) < 1e-9) {
      return Optional.empty();
    }
    return Optional.of(
        "spacing "
            + (spread > 1 ? "widened" : "tightened")
            + " to "
            + Math.round(spread * 100)
            + " %");
  }
}
