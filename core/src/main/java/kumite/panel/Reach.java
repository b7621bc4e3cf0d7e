package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Hand;
import kumite.build.brief.Pair;
import kumite.kind.ControlKind;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/**
 * What the player's hand has to do: how far it reaches, what it must hold at once, what it must
 * hit.
 *
 * @param reaches one row a control, in the build's order; empty where no resting point is set
 * @param pairs what play asks for at once and one hand must do alone
 * @param targets what a scattering hand would miss or hit by mistake; empty for a steady one
 */
public record Reach(List<Row> reaches, List<Together> pairs, List<Target> targets) {

  /**
   * Share of presses within a width of 4.133 standard deviations: 96 %. The effective target width
   * of Fitts' law experiments.
   */
  public static final double WIDTHS = 4.133;

  private static final Source EFFECTIVE_WIDTH =
      Source.memory("ISO 9241-411: effective target width 4.133 standard deviations, 96 % of hits");

  /**
   * How far one control is.
   *
   * @param rest the nearest resting point
   * @param awayMm from there to the control's centre
   * @param within whether that is within the reach
   */
  public record Row(
      ControlId control, Hand.Rest rest, double awayMm, boolean within, Working working) {}

  /**
   * Two functions wanted at once that fall to one hand.
   *
   * @param one the control of the first
   * @param other the control of the other
   * @param rest the hand
   * @param apartMm between their centres
   * @param within whether the spread hand spans that
   */
  public record Together(
      ControlId one,
      ControlId other,
      Pair functions,
      Hand.Rest rest,
      double apartMm,
      boolean within,
      Working working) {}

  /**
   * A control that a scattering hand misses, or hits by mistake.
   *
   * @param control the control aimed at
   * @param neighbour the one hit by mistake; empty where the control itself is too small
   * @param thereMm its width, or the room from its centre to the neighbour
   * @param neededMm what is needed
   */
  public record Target(
      ControlId control,
      Optional<ControlId> neighbour,
      double thereMm,
      double neededMm,
      Working working) {}

  public Reach {
    reaches = List.copyOf(reaches);
    pairs = List.copyOf(pairs);
    targets = List.copyOf(targets);
  }

  /** Works out what a hand has to do on a build. */
  public static Reach of(Build build, Catalogue catalogue) {
    Hand hand = build.brief().hand();
    Map<ControlId, Row> rows = new HashMap<>();
    List<Row> reaches = new ArrayList<>();
    if (!hand.rests().isEmpty()) {
      for (Control control : build.onPanel()) {
        Row row = row(control, hand);
        reaches.add(row);
        rows.put(control.id(), row);
      }
    }
    return new Reach(reaches, pairs(build, rows), targets(build, catalogue));
  }

  private static Row row(Control control, Hand hand) {
    Point at = control.placement().centre();
    Hand.Rest rest =
        hand.rests().stream()
            .min(Comparator.comparingDouble(r -> r.at().distanceMm(at)))
            .orElseThrow();
    double away = rest.at().distanceMm(at);
    return new Row(
        control.id(),
        rest,
        away,
        away <= hand.reachMm() + 1e-9,
        new Working(
            "reach to " + control.label(),
            "d = straight from the " + rest.name() + "'s resting point",
            List.of(
                Working.value("d", away, 0, "mm", "to the middle of " + control.label()),
                Working.value(
                    "reach",
                    hand.reachMm(),
                    0,
                    "mm",
                    hand.measured() ? "measured on the player" : "an average: measure the player")),
            Working.number(away, 0) + " mm of " + Working.number(hand.reachMm(), 0),
            Source.derived("straight distance; the reach is yours")));
  }

  private static List<Together> pairs(Build build, Map<ControlId, Row> rows) {
    List<Together> pairs = new ArrayList<>();
    Hand hand = build.brief().hand();
    for (Pair pair : build.profile().together()) {
      Optional<Control> one = controlOf(build, pair.one());
      Optional<Control> other = controlOf(build, pair.other());
      if (one.isEmpty() || other.isEmpty() || one.get().id().equals(other.get().id())) {
        continue;
      }
      Row rowOne = rows.get(one.get().id());
      Row rowOther = rows.get(other.get().id());
      if (rowOne == null || rowOther == null || !rowOne.rest().equals(rowOther.rest())) {
        continue;
      }
      double apart = one.get().placement().centre().distanceMm(other.get().placement().centre());
      pairs.add(
          new Together(
              one.get().id(),
              other.get().id(),
              pair,
              rowOne.rest(),
              apart,
              apart <= hand.spanMm(),
              new Working(
                  "two at once with one hand",
                  "apart <= span",
                  List.of(
                      Working.value(
                          "apart",
                          apart,
                          0,
                          "mm",
                          one.get().label() + " to " + other.get().label()),
                      Working.value(
                          "span", hand.spanMm(), 0, "mm", "thumb tip to little fingertip, spread")),
                  Working.number(apart, 0) + " mm of " + Working.number(hand.spanMm(), 0),
                  Source.common("one hand holds two controls no further apart than its span"))));
    }
    return pairs;
  }

  private static Optional<Control> controlOf(Build build, String function) {
    return build.mapping().entries().entrySet().stream()
        .filter(entry -> entry.getValue().function().equals(function))
        .findFirst()
        .flatMap(entry -> build.control(entry.getKey().control()));
  }

  private static List<Target> targets(Build build, Catalogue catalogue) {
    double scatter = build.brief().hand().wanderMm();
    List<Target> targets = new ArrayList<>();
    if (scatter <= 0) {
      return targets;
    }
    double width = WIDTHS * scatter;
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      if (!hit(kind)) {
        continue;
      }
      double there = Math.min(kind.face().widthMm(), kind.face().heightMm());
      if (there < width) {
        targets.add(
            new Target(
                control.id(),
                Optional.empty(),
                there,
                width,
                working("width of " + control.label(), "W = 4.133 s", there, width, scatter)));
      }
      nearest(build, catalogue, control)
          .filter(near -> near.distanceMm < width / 2)
          .ifPresent(
              near ->
                  targets.add(
                      new Target(
                          control.id(),
                          Optional.of(near.other.id()),
                          near.distanceMm,
                          width / 2,
                          working(
                              "middle of " + control.label() + " to " + near.other.label(),
                              "room = W / 2 = 2.067 s",
                              near.distanceMm,
                              width / 2,
                              scatter))));
    }
    return targets;
  }

  private record Near(Control other, double distanceMm) {}

  private static Optional<Near> nearest(Build build, Catalogue catalogue, Control control) {
    Swept centre = Swept.circle(control.placement().centre(), 0);
    Near best = null;
    for (Control other : build.onPanel()) {
      if (other.id().equals(control.id())) {
        continue;
      }
      Swept face = Swept.of(catalogue.kindOf(other).face(), other.placement());
      if (best == null || !centre.clearlyBeyond(face, best.distanceMm)) {
        double distance = centre.to(face).gapMm();
        if (best == null || distance < best.distanceMm) {
          best = new Near(other, distance);
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static Working working(
      String quantity, String formula, double there, double needed, double scatter) {
    return new Working(
        quantity,
        formula,
        List.of(
            Working.value("s", scatter, 1, "mm", "scatter of presses, one standard deviation"),
            Working.value("there", there, 1, "mm", "on this panel")),
        Working.number(needed, 1) + " mm needed, " + Working.number(there, 1) + " there",
        EFFECTIVE_WIDTH);
  }

  /** {@return whether a control is hit with a finger, rather than held} */
  private static boolean hit(ControlKind kind) {
    return switch (kind.family()) {
      case BUTTON, KEY, PAD, TOGGLE -> true;
      default -> false;
    };
  }
}
