package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Hand;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.Test;

/** Rows, arcs and fits keep what they promise: spacing, symmetry, room. */
public class LayoutTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @Test
  public void aGridIsCentredWithItsSpacingsAndAnIncompleteRowInTheMiddle() {
    List<Placement> places = new Layout.Grid(3, 40, 30).places(5, new Point(150, 100), 1);
    assertThat(places)
        .containsExactly(
            Placement.at(110, 85),
            Placement.at(150, 85),
            Placement.at(190, 85),
            Placement.at(130, 115),
            Placement.at(170, 115));
  }

  /** Common practice, no source: 36 to 40 mm under an average hand; hands scale it. */
  @Test
  public void theBandOfComfortFollowsTheHandAndNeverLetsFlangesTouch() {
    var button = CATALOGUE.control("button-30").orElseThrow();
    var hand = kumite.build.brief.Hand.AVERAGE;
    assertThat(Comfort.of(hand, button).leastMm()).isEqualTo(36);
    assertThat(Comfort.of(hand, button).mostMm()).isEqualTo(40);
    for (double breadth = 40; breadth <= 130; breadth += 7) {
      for (var kind : CATALOGUE.controls()) {
        Comfort comfort = Comfort.of(hand.withBreadth(breadth), kind);
        double face = Math.max(kind.face().widthMm(), kind.face().heightMm());
        assertThat(comfort.leastMm()).isGreaterThanOrEqualTo(face + 2 - 0.25);
        assertThat(comfort.mostMm()).isGreaterThanOrEqualTo(comfort.leastMm());
        assertThat(comfort.middleMm()).isBetween(comfort.leastMm(), comfort.mostMm());
      }
    }
    assertThat(Comfort.of(hand.withBreadth(105), button).words(LengthUnit.MM))
        .isEqualTo("Suggested: 45.0 to 50.0 mm between centres");
  }

  /** The middle finger reaches furthest, the little one least; the left hand is the mirror. */
  @Test
  public void rowsByTheFingersFollowTheirLengthsAndMirrorForTheLeftHand() {
    List<Placement> right = new Layout.Fingers(38, 38, 84, false).places(8, new Point(0, 0), 1);
    List<Placement> left = new Layout.Fingers(38, 38, 84, true).places(8, new Point(0, 0), 1);
    assertThat(right.get(1).yMm()).isGreaterThan(right.get(0).yMm());
    assertThat(right.get(3).yMm()).isLessThan(right.get(0).yMm());
    for (int i = 0; i < 8; i++) {
      int mirror = i / 4 * 4 + 3 - i % 4;
      assertThat(left.get(mirror).xMm()).isCloseTo(-right.get(i).xMm(), within(0.11));
      assertThat(left.get(mirror).yMm()).isCloseTo(right.get(i).yMm(), within(0.11));
      if (i % 4 > 0) {
        assertThat(right.get(i).xMm() - right.get(i - 1).xMm()).isCloseTo(38, within(0.11));
      }
    }
  }

  @Test
  public void aStaggeredRowIsShifted() {
    List<Placement> places = new Layout.Staggered(2, 40, 30, 20).places(4, new Point(0, 0), 1);
    assertThat(places.get(2).xMm() - places.get(0).xMm()).isEqualTo(20);
  }

  /**
   * A chord of a circle is 2 r sin(angle / 2); all places of a row are one radius from the palm.
   */
  @Test
  public void anArcKeepsItsDistanceFromThePalmAndItsSpacing() {
    Layout arc = new Layout.Arc(5, 34, 34, 110);
    List<Placement> places = arc.places(10, new Point(0, 0), 1);
    Placement middle = places.get(2);
    Point palm = new Point(middle.xMm(), middle.yMm() - 110);
    for (int i = 0; i < 10; i++) {
      assertThat(places.get(i).centre().distanceMm(palm))
          .isCloseTo(i < 5 ? 110 : 144, within(0.15));
      if (i % 5 > 0) {
        assertThat(places.get(i).centre().distanceMm(places.get(i - 1).centre()))
            .isCloseTo(34, within(0.15));
      }
    }
  }

  /** By the circle's own equation: every button of a row is one radius from the palm. */
  @Test
  public void anArcIsWishedAboutTheNearestPalm() {
    Build build = eight();
    Hand hand = build.brief().hand();
    Build rested =
        build.withBrief(build.brief().withHand(hand.withRests(hand.usualRests(build.panel()))));
    Point palm = rested.brief().hand().rests().get(0).at();
    for (int columns : new int[] {3, 4}) {
      Layout arc = new Layout.Arc(columns, 34, 34, 80);
      Point middle = Fit.wishedMiddle(rested, arc, ids(rested));
      List<Placement> places = arc.places(8, middle, 1);
      for (int i = 0; i < 8; i++) {
        assertThat(places.get(i).centre().distanceMm(palm))
            .as("%d to a row, number %d", columns, i)
            .isCloseTo(80 + 34 * (i / columns), within(0.15));
      }
    }
    assertThat(Fit.wishedMiddle(build, new Layout.Grid(4, 36, 36), ids(build)))
        .as("a grid stays where its controls are")
        .isEqualTo(new Point(100, 100));
  }

  @Test
  public void spacingsOfNothingAreRefused() {
    assertThatThrownBy(() -> new Layout.Grid(3, 0, 30)).hasMessageContaining("above 0");
    assertThatThrownBy(() -> new Layout.Grid(0, 30, 30)).hasMessageContaining("1 to 100");
    assertThatThrownBy(() -> new Layout.Grid(3, 30, Double.NaN)).hasMessageContaining("above 0");
    assertThatThrownBy(() -> new Layout.Arc(3, 300, 30, 100)).hasMessageContaining("radius");
  }

  private static Build eight() {
    double[] places = new double[16];
    java.util.Arrays.fill(places, 100);
    return Builds.buttons(places);
  }

  private static List<ControlId> ids(Build build) {
    return build.controls().stream().map(Control::id).toList();
  }

  @Test
  public void whatFitsHasNoGapTooNarrowAndStaysOnTheCentreLine() {
    Build build = eight();
    // 30 mm apart is too tight for 33 mm flanges: the spacing must be widened in proportion.
    Fit fit =
        Fit.find(
            build,
            CATALOGUE,
            new Layout.Grid(4, 30, 30),
            ids(build),
            new Point(60, 30),
            true,
            () -> false);
    assertThat(fit.fits()).isTrue();
    assertThat(fit.spread()).isGreaterThan(1);
    Build laid = build.withPlacements(fit.places());
    assertThat(Gaps.of(laid, CATALOGUE).tooNarrow()).isEmpty();
    double sum = laid.controls().stream().mapToDouble(c -> c.placement().xMm()).sum();
    assertThat(sum / 8).as("symmetric").isCloseTo(150, within(0.05));
  }

  @Test
  public void whatCannotFitSaysSoAndKeepsTheWish() {
    Build build = eight();
    Build small = build.withPanel(build.panel().withSize(90, 60));
    Layout grid = new Layout.Grid(4, 36, 36);
    Fit fit = Fit.find(small, CATALOGUE, grid, ids(small), new Point(45, 30), false, () -> false);
    assertThat(fit.fits()).isFalse();
    assertThat(fit.places()).isEqualTo(Fit.asWished(grid, ids(small), new Point(45, 30)).places());
  }

  @Test
  public void alignedSpreadAndSeatedTwice() {
    Build build = Builds.buttons(40, 50, 90, 60, 200, 70);
    List<ControlId> ids = ids(build);
    Build row = Arrange.row(build, ids).apply(build);
    assertThat(row.controls()).allSatisfy(c -> assertThat(c.placement().yMm()).isEqualTo(50));
    Build even = Arrange.spread(row, CATALOGUE, ids, true).apply(row);
    assertThat(even.controls().get(1).placement().xMm()).isEqualTo(120.0);
    assertThatThrownBy(() -> Arrange.spread(row, CATALOGUE, ids.subList(0, 2), true))
        .hasMessageContaining("three");
    Build left = Builds.buttons(40, 50, 90, 60);
    Build two = Arrange.secondSeat(left, ids(left), true).apply(left);
    Map<Double, Double> at = new java.util.TreeMap<>();
    two.controls().forEach(c -> at.put(c.placement().xMm(), c.placement().yMm()));
    assertThat(at)
        .containsExactlyInAnyOrderEntriesOf(
            Map.of(40.0, 50.0, 90.0, 60.0, 260.0, 50.0, 210.0, 60.0));
    assertThat(new ArrayList<>(two.mapping().entries().keySet())).isEmpty();
  }
}
