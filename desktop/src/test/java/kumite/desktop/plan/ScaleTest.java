package kumite.desktop.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of the plan's scale, on random panels, areas and moves. */
public class ScaleTest {
  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Panel panel(SplittableRandom random) {
    return Build.empty("Scale")
        .panel()
        .withSize(random.nextDouble(20, 1500), random.nextDouble(20, 900));
  }

  private static Scale any(SplittableRandom random, Panel panel) {
    Scale scale =
        Scale.fit(
            panel,
            random.nextDouble(150, 3800),
            random.nextDouble(150, 2100),
            random.nextBoolean());
    for (int i = random.nextInt(5); i > 0; i--) {
      scale =
          random.nextBoolean()
              ? scale.zoomed(
                  random.nextDouble(0.5, 2), random.nextDouble(900), random.nextDouble(600))
              : scale.moved(random.nextDouble(-200, 200), random.nextDouble(-200, 200));
    }
    return scale;
  }

  @Test(dataProvider = "seeds")
  public void aPlaceOnTheScreenIsThePlaceOnThePanel(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Panel panel = panel(random);
    Scale scale = any(random, panel);
    Point at = new Point(random.nextDouble(panel.widthMm()), random.nextDouble(panel.heightMm()));
    Point back = scale.toPanel(scale.x(at.xMm()), scale.y(at.yMm()));
    assertThat(back.xMm()).isCloseTo(at.xMm(), within(1e-6));
    assertThat(back.yMm()).isCloseTo(at.yMm(), within(1e-6));
  }

  @Test(dataProvider = "seeds")
  public void zoomingKeepsThePlaceUnderTheMouse(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Panel panel = panel(random);
    Scale scale = any(random, panel);
    double x = random.nextDouble(1000);
    double y = random.nextDouble(700);
    Point under = scale.toPanel(x, y);
    Point after = scale.zoomed(random.nextDouble(0.3, 4), x, y).toPanel(x, y);
    assertThat(after.xMm()).isCloseTo(under.xMm(), within(1e-6));
    assertThat(after.yMm()).isCloseTo(under.yMm(), within(1e-6));
  }

  /** The whole panel lies in the area, with the room of its rulers, and fills it one way. */
  @Test(dataProvider = "seeds")
  public void aFittedPanelIsWhole(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Panel panel = panel(random);
    double width = random.nextDouble(300, 3800);
    double height = random.nextDouble(300, 2100);
    Scale scale = Scale.fit(panel, width, height, random.nextBoolean());
    double left = Math.min(scale.x(0), scale.x(panel.widthMm()));
    double right = Math.max(scale.x(0), scale.x(panel.widthMm()));
    assertThat(left).isGreaterThanOrEqualTo(Scale.RULER_PX);
    assertThat(right).isLessThanOrEqualTo(width);
    assertThat(scale.y(panel.heightMm())).isGreaterThanOrEqualTo(0);
    assertThat(scale.y(0)).isLessThanOrEqualTo(height - Scale.RULER_PX);
    double free =
        Math.min(
            width - Scale.RULER_PX - (right - left),
            height - Scale.RULER_PX - (scale.y(0) - scale.y(panel.heightMm())));
    assertThat(free).as("margins on one pair of sides only").isCloseTo(36, within(1e-6));
  }

  /** Turned over, left is right and front stays front. */
  @Test(dataProvider = "seeds")
  public void turnedOverIsMirrored(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Panel panel = panel(random);
    Scale above = Scale.fit(panel, 800, 600, false);
    Scale below = Scale.fit(panel, 800, 600, true);
    double x = random.nextDouble(panel.widthMm());
    assertThat(below.x(x)).isCloseTo(above.x(panel.widthMm() - x), within(1e-9));
    assertThat(below.y(x)).isEqualTo(above.y(x));
  }
}
