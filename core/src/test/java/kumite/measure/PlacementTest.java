package kumite.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Places and lengths against a geometry class of the platform and exact decimal arithmetic. */
public class PlacementTest {

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Turning is counter-clockwise with y to the back, as in every book of geometry. */
  @Test(dataProvider = "seeds")
  public void placesAsAnAffineTransformDoes(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Placement at =
        new Placement(
            random.nextDouble(-500, 500), random.nextDouble(-500, 500), random.nextInt(-360, 361));
    Point offset = new Point(random.nextDouble(-90, 90), random.nextDouble(-90, 90));
    AffineTransform judge = new AffineTransform();
    judge.translate(at.xMm(), at.yMm());
    judge.rotate(Math.toRadians(at.turnDegrees()));
    Point2D wanted =
        judge.transform(new Point2D.Double(offset.xMm(), offset.yMm()), new Point2D.Double());
    Point placed = at.place(offset);
    assertThat(placed.xMm()).isCloseTo(wanted.getX(), within(1e-9));
    assertThat(placed.yMm()).isCloseTo(wanted.getY(), within(1e-9));
    assertThat(placed.distanceMm(at.centre()))
        .isCloseTo(Math.hypot(offset.xMm(), offset.yMm()), within(1e-9));
  }

  /** A quarter of a turn, four times, is nothing; the law of distances holds for any three. */
  @Test(dataProvider = "seeds")
  public void turnsAndDistancesKeepTheirLaws(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Point a = new Point(random.nextDouble(-99, 99), random.nextDouble(-99, 99));
    Point b = new Point(random.nextDouble(-99, 99), random.nextDouble(-99, 99));
    Point c = new Point(random.nextDouble(-99, 99), random.nextDouble(-99, 99));
    Point round = a.turned(90).turned(90).turned(90).turned(90);
    assertThat(round.distanceMm(a)).isCloseTo(0, within(1e-9));
    assertThat(a.distanceMm(c)).isLessThanOrEqualTo(a.distanceMm(b) + b.distanceMm(c) + 1e-9);
    assertThat(a.distanceMm(b)).isEqualTo(b.distanceMm(a));
    assertThat(a.turned(37).distanceMm(b.turned(37))).isCloseTo(a.distanceMm(b), within(1e-9));
  }

  /** What is shown reads back as what it was, to the digits shown: 1 in is 25.4 mm exactly. */
  @Test(dataProvider = "seeds")
  public void whatIsShownReadsBack(int seed) {
    double mm = new SplittableRandom(seed).nextDouble(0, 4000);
    for (LengthUnit unit : LengthUnit.values()) {
      double step = unit == LengthUnit.MM ? 0.05 : 0.0005 * 25.4;
      assertThat(Length.parse(Length.text(mm, unit), LengthUnit.MM).mm())
          .as(Length.text(mm, unit))
          .isCloseTo(mm, within(step + 1e-9));
      assertThat(Length.parse(Length.number(mm, unit), unit).mm())
          .isCloseTo(mm, within(step + 1e-9));
      double fine = unit == LengthUnit.MM ? 0.005 : 0.0005 * 25.4;
      assertThat(Length.parse(Length.fine(mm, unit), unit).mm()).isCloseTo(mm, within(fine + 1e-9));
    }
  }

  /** The nearest 64th against exact arithmetic. */
  @Test(dataProvider = "seeds")
  public void theNearest64thIsNearest(int seed) {
    double mm = new SplittableRandom(seed).nextDouble(0.5, 300);
    BigDecimal nearest =
        BigDecimal.valueOf(mm)
            .multiply(BigDecimal.valueOf(64))
            .divide(new BigDecimal("25.4"), 0, RoundingMode.HALF_UP);
    double error =
        nearest
            .multiply(new BigDecimal("25.4"))
            .divide(BigDecimal.valueOf(64), 12, RoundingMode.HALF_UP)
            .subtract(BigDecimal.valueOf(mm))
            .doubleValue();
    assertThat(Math.abs(Length.errorOf64th(mm))).isCloseTo(Math.abs(error), within(1e-6));
    assertThat(inch(Length.nearest64th(mm))).isCloseTo(mm + error, within(1e-6));
  }

  private static double inch(String words) {
    return Length.parse(words.contains("in") ? words : words + " in", LengthUnit.MM).mm();
  }

  /** Every 64th up to three inches reads back, in lowest terms. */
  @Test
  public void everySixtyFourthReadsBackInLowestTerms() {
    for (int parts = 1; parts <= 3 * 64; parts++) {
      String words = Length.nearest64th(parts * 25.4 / 64);
      assertThat(inch(words)).as(words).isCloseTo(parts * 25.4 / 64, within(1e-9));
      assertThat(words.contains("/64")).as("%s in lowest terms", words).isEqualTo(parts % 2 != 0);
    }
  }

  @Test
  public void whatIsNoPlaceIsRefused() {
    for (double bad : new double[] {Double.NaN, Double.POSITIVE_INFINITY}) {
      assertThatThrownBy(() -> new Placement(bad, 0, 0)).isInstanceOf(RuntimeException.class);
      assertThatThrownBy(() -> new Placement(0, 0, bad)).isInstanceOf(RuntimeException.class);
    }
  }
}
