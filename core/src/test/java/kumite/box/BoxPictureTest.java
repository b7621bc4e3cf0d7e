package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The case as it is seen: flat faces keep their size, lids turn about their hinges. */
public class BoxPictureTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static BoxPlan plan(Opening opening) {
    Build build = Builds.buttons(80, 60, 150, 90, 220, 140);
    Panel panel =
        build
            .panel()
            .withCorner(0)
            .withInside(new CaseInside(3, 70).withFrontDepth(50).withOpening(opening));
    Box box = new Box(new Making.Laser(3, 0.15, 0));
    return BoxPlan.of(build.withPanel(panel).with(BoxBook.PART, new BoxBook(box)), CATALOGUE);
  }

  private static BoxPicture seen(BoxPlan plan, double turn, double tilt, double lid) {
    return BoxPicture.of(plan, CATALOGUE, new BoxPicture.Look(turn, tilt, lid, 0, Set.of(), false));
  }

  private static double area(BoxPicture.Seen face) {
    List<Point> ring = face.corners();
    return Math.abs(BoxShape.area(ring));
  }

  private static double largest(BoxPicture picture, BoxPicture.Kind kind) {
    return picture.faces().stream()
        .filter(f -> f.kind() == kind)
        .mapToDouble(BoxPictureTest::area)
        .max()
        .orElse(0);
  }

  /** Straight from above the shut panel is seen in its size, and each hole in its own. */
  @Test
  public void fromAboveThePanelHasItsSize() {
    BoxPlan plan = plan(Opening.HINGED_BACK);
    Panel panel = plan.shape().panel();
    BoxPicture picture = seen(plan, 0, 90, 0);
    assertThat(largest(picture, BoxPicture.Kind.PANEL))
        .isCloseTo(panel.widthMm() * panel.heightMm(), within(1e-6));
    double holes =
        picture.faces().stream()
            .filter(f -> f.kind() == BoxPicture.Kind.HOLE)
            .mapToDouble(BoxPictureTest::area)
            .sum();
    double drilled =
        plan.piece("panel").orElseThrow().holes().stream()
            .mapToDouble(h -> Math.abs(BoxShape.area(h.ring())))
            .sum();
    assertThat(holes).isCloseTo(drilled, within(1e-6));
  }

  @DataProvider
  Object[][] hinges() {
    // An open lid stands over its hinge and shows its underside to the opposite side.
    return new Object[][] {
      {Opening.HINGED_BACK, 0.0},
      {Opening.HINGED_FRONT, 180.0},
      {Opening.HINGED_LEFT, 90.0},
      {Opening.HINGED_RIGHT, -90.0}
    };
  }

  /** Opened square, a lid is seen whole from the side opposite to its hinge, and stands upward. */
  @Test(dataProvider = "hinges")
  public void aLidTurnsAboutItsHinge(Opening opening, double turn) {
    BoxPlan plan = plan(opening);
    Panel panel = plan.shape().panel();
    double whole = panel.widthMm() * panel.heightMm();
    for (double from : new double[] {turn, turn + 180}) {
      BoxPicture open = seen(plan, from, 0, 90);
      assertThat(largest(open, BoxPicture.Kind.PANEL)).isCloseTo(whole, within(1e-6));
    }
    BoxPicture shut = seen(plan, turn, 0, 0);
    BoxPicture open = seen(plan, turn, 0, 90);
    double tall =
        opening == Opening.HINGED_BACK || opening == Opening.HINGED_FRONT
            ? panel.heightMm()
            : panel.widthMm();
    assertThat(shut.bounds().topMm() - open.bounds().topMm())
        .as("as much higher as it is deep, less its thickness")
        .isCloseTo(tall - panel.thicknessMm(), within(1e-6));
  }

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /**
   * From wherever: what is far is painted first, what is left out is not seen, nothing is flipped.
   */
  @Test(dataProvider = "seeds")
  public void farFacesComeFirst(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    BoxPlan plan = plan(Opening.values()[random.nextInt(5)]);
    BoxPicture.Look look =
        new BoxPicture.Look(
            random.nextDouble(-180, 180),
            random.nextDouble(-80, 80),
            random.nextDouble(0, 110),
            random.nextDouble(0, 60),
            Set.of("back"),
            random.nextBoolean());
    BoxPicture picture = BoxPicture.of(plan, CATALOGUE, look);
    assertThat(picture.faces()).isNotEmpty().noneMatch(f -> f.id().equals("back"));
    for (int i = 1; i < picture.faces().size(); i++) {
      assertThat(picture.faces().get(i).far())
          .isLessThanOrEqualTo(picture.faces().get(i - 1).far());
    }
    assertThat(picture.faces()).allSatisfy(f -> assertThat(f.light()).isBetween(0.0, 1.0));
    BoxPicture.Bounds box = picture.bounds();
    double scale = box.fit(400, 300);
    assertThat((box.rightMm() - box.leftMm()) * scale).isLessThanOrEqualTo(400 + 1e-6);
    assertThat((box.bottomMm() - box.topMm()) * scale).isLessThanOrEqualTo(300 + 1e-6);
  }
}
