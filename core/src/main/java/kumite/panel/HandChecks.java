package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Hand;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the player's hand: reach, force, spread, steadiness. */
public final class HandChecks {
  /** Looking for a place costs time; beyond this many the nearest ones are mended first. */
  private static final int MOST_MOVES = 6;

  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final Nudge.Search search;
  private final List<Finding> findings = new ArrayList<>();

  private HandChecks(Build build, Catalogue catalogue, Nudge.Search search) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
    this.search = search;
  }

  /** {@return what is to be said of reach, force and targets} */
  public static List<Finding> of(
      Build build, Catalogue catalogue, Reach reach, Nudge.Search search) {
    HandChecks checks = new HandChecks(build, catalogue, search);
    checks.reach(reach);
    checks.force();
    checks.together(reach);
    checks.targets(reach);
    checks.players();
    checks.underTheHand();
    return checks.findings;
  }

  private void reach(Reach reach) {
    List<Reach.Row> beyond =
        reach.reaches().stream()
            .filter(row -> !row.within())
            .sorted(Comparator.comparingDouble(Reach.Row::awayMm))
            .toList();
    int moves = 0;
    for (Reach.Row row : beyond) {
      double most = build.brief().hand().reachMm();
      boolean few = moves++ < MOST_MOVES;
      Supplier<Optional<Fix>> fix =
          () ->
              few
                  ? search
                      .towards(row.control(), row.rest().at(), most)
                      .map(nudge -> GapChecks.move(build, nudge, unit))
                  : Optional.empty();
      findings.add(
          look(
                  HandCode.OUT_OF_REACH,
                  List.of(row.control()),
                  label(row.control()) + " is out of reach",
                  "controls are out of reach")
              .detail(
                  mm(row.awayMm())
                      + " from the "
                      + row.rest().name()
                      + "'s resting point; the reach is "
                      + mm(most))
              .showing(row.working())
              .mendedBy(fix));
    }
    if (beyond.isEmpty() && !reach.reaches().isEmpty()) {
      Reach.Row furthest =
          reach.reaches().stream().max(Comparator.comparingDouble(Reach.Row::awayMm)).orElseThrow();
      findings.add(
          Finding.of(
                  HandCode.REACH_FINE,
                  List.of(),
                  "All is within reach",
                  "Furthest: "
                      + label(furthest.control())
                      + ", "
                      + mm(furthest.awayMm())
                      + " from the "
                      + furthest.rest().name())
              .showing(furthest.working()));
    }
  }

  private void force() {
    Hand hand = build.brief().hand();
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      double needs = kind.feel().newton();
      if (needs > hand.forceN()) {
        findings.add(
            look(
                    HandCode.TOO_STIFF,
                    List.of(control.id()),
                    control.label() + " is too stiff for this hand",
                    "controls are too stiff for this hand")
                .detail(
                    "It takes "
                        + Working.number(needs, 1)
                        + " N; the player has "
                        + Working.number(hand.forceN(), 1)
                        + " N without tiring")
                .showing(
                    new Working(
                        "force",
                        "F <= limit",
                        List.of(
                            Working.value("F", needs, 1, "N", kind.name()),
                            Working.value("limit", hand.forceN(), 1, "N", "from the brief")),
                        Working.number(needs, 1) + " N",
                        Source.common("forces are generic: weigh yours with coins or a scale")))
                .mendedBy(lighter(control, kind, hand.forceN())));
      }
    }
  }

  /** A kind of the same family and contacts that this hand can move, the nearest in size first. */
  private Optional<Fix> lighter(Control control, ControlKind kind, double newton) {
    return swap(
        control,
        catalogue.controls(kind.family()).stream()
            .filter(k -> names(k).equals(names(kind)) && k.lit() == kind.lit())
            .filter(k -> k.latching() == kind.latching())
            .filter(k -> k.feel().newton() <= newton)
            .min(Comparator.comparingDouble(k -> sizeApart(k, kind))));
  }

  private Optional<Fix> swap(Control control, Optional<ControlKind> to) {
    return to.map(
        k -> {
          kumite.build.Edit edit = Arrange.swap(build, catalogue, control.id(), k);
          return new Fix(edit.label(), edit);
        });
  }

  private static double sizeApart(ControlKind a, ControlKind b) {
    return Math.abs(a.cutout().widthMm() - b.cutout().widthMm())
        + Math.abs(a.face().widthMm() - b.face().widthMm());
  }

  private static List<String> names(ControlKind kind) {
    return kind.contacts().stream().map(c -> c.name() + c.type()).toList();
  }

  private void together(Reach reach) {
    for (Reach.Together pair : reach.pairs()) {
      if (pair.within()) {
        continue;
      }
      Control other = build.control(pair.other()).orElseThrow();
      Supplier<Optional<Fix>> fix =
          () ->
              search
                  .towards(
                      pair.other(),
                      build.control(pair.one()).orElseThrow().placement().centre(),
                      build.brief().hand().spanMm())
                  .map(nudge -> GapChecks.move(build, nudge, unit));
      findings.add(
          look(
                  HandCode.HOLD_TOO_WIDE,
                  List.of(pair.one(), pair.other()),
                  "One hand cannot hold " + label(pair.one()) + " and " + other.label(),
                  "pairs cannot be held by one hand")
              .detail(
                  "Both fall to the "
                      + pair.rest().name()
                      + " at the same moment and lie "
                      + mm(pair.apartMm())
                      + " apart; it spans "
                      + mm(build.brief().hand().spanMm()))
              .showing(pair.working())
              .mendedBy(fix));
    }
  }

  private void targets(Reach reach) {
    for (Reach.Target target : reach.targets()) {
      Control control = build.control(target.control()).orElseThrow();
      if (target.neighbour().isEmpty()) {
        ControlKind kind = catalogue.kindOf(control);
        Optional<ControlKind> larger =
            catalogue.controls(kind.family()).stream()
                .filter(k -> names(k).equals(names(kind)) && k.latching() == kind.latching())
                .filter(k -> Math.min(k.face().widthMm(), k.face().heightMm()) >= target.neededMm())
                .filter(k -> k.feel().newton() <= build.brief().hand().forceN())
                .min(Comparator.comparingDouble(k -> sizeApart(k, kind)));
        findings.add(
            look(
                    HandCode.TOO_SMALL,
                    List.of(target.control()),
                    control.label() + " is small for this hand",
                    "controls are small for this hand")
                .detail(
                    "A hand that scatters by "
                        + mm(build.brief().hand().wanderMm())
                        + " needs "
                        + mm(target.neededMm())
                        + " to hit it 96 times of 100; it is "
                        + mm(target.thereMm())
                        + " wide")
                .showing(target.working())
                .mendedBy(swap(control, larger)));
      } else {
        ControlId near = target.neighbour().get();
        findings.add(
            look(
                    HandCode.NEIGHBOUR_HIT,
                    List.of(target.control(), near),
                    "A press aimed at " + control.label() + " may land on " + label(near),
                    "presses may land on a neighbour")
                .detail(
                    label(near)
                        + " begins "
                        + mm(target.thereMm())
                        + " from its middle; this hand needs "
                        + mm(target.neededMm())
                        + ". Space them wider, or fit a guard between")
                .showing(target.working()));
      }
    }
  }

  private void players() {
    for (Players.Neighbours two : Players.of(build, catalogue)) {
      if (two.close()) {
        findings.add(
            look(
                    HandCode.PLAYERS_CLOSE,
                    List.of(two.left().controls().get(0), two.right().controls().get(0)),
                    "Two players stand closer than their shoulders",
                    "players stand closer than their shoulders")
                .detail(
                    "The middles of the controls of "
                        + two.left().name()
                        + " and "
                        + two.right().name()
                        + " are "
                        + mm(two.apartMm())
                        + " apart; shoulders are up to "
                        + mm(Players.SHOULDERS_MM)
                        + " broad. Move them apart, or let the players stand at an angle")
                .showing(two.working()));
      }
    }
  }

  /** What is pressed and lies flush where the fingers round a lever's grip are. */
  private void underTheHand() {
    for (UnderHand.Found found : UnderHand.of(build, catalogue)) {
      findings.add(
          look(
                  HandCode.UNDER_A_HAND,
                  List.of(found.pressed(), found.held()),
                  label(found.pressed()) + " lies under the hand on " + label(found.held()),
                  "buttons lie under the hand on a lever")
              .detail(
                  mm(found.gapMm())
                      + " from where it swings, and the fingers that hold it take "
                      + mm(found.fingersMm())
                      + ": the hand presses it unmeant. Move it away, or mount it lower"));
    }
  }

  /** A finding on its way: its title is said first, its reason next. */
  private record Begun(Code code, List<ControlId> about, String title, String ofMany) {
    Finding detail(String detail) {
      return Finding.of(
              code, Severity.LOOK, about.stream().map(Subject::of).toList(), title, detail)
          .ofMany(ofMany);
    }
  }

  private static Begun look(Code code, List<ControlId> about, String title, String ofMany) {
    return new Begun(code, about, title, ofMany);
  }

  private String label(ControlId id) {
    return build.control(id).map(Control::label).orElse(id.text());
  }

  private String mm(double mm) {
    return Length.text(mm, unit);
  }
}
