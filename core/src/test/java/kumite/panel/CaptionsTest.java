package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.Test;

/** Captions never lie on each other; the judge is the rectangle of the platform's own library. */
public class CaptionsTest {
  private static Rectangle2D rectangle(Captions.Box box) {
    return new Rectangle2D.Double(box.left(), box.top(), box.width(), box.height());
  }

  @Test
  public void captionsNeverLieOnEachOtherNorOutside() {
    SplittableRandom random = new SplittableRandom(71);
    int placed = 0;
    int onParts = 0;
    for (int round = 0; round < 60; round++) {
      Captions.Box area =
          new Captions.Box(
              random.nextDouble(-50, 50),
              random.nextDouble(-50, 50),
              300,
              random.nextDouble(80, 300));
      Captions captions = new Captions(area, random.nextDouble(1, 8));
      List<Captions.Box> parts = new ArrayList<>();
      for (int i = 0; i < 60; i++) {
        parts.add(
            Captions.Box.about(
                area.left() + random.nextDouble(300),
                area.top() + random.nextDouble(area.height()),
                random.nextDouble(1, 40),
                random.nextDouble(1, 40)));
      }
      parts.forEach(captions::avoid);
      List<Rectangle2D> found = new ArrayList<>();
      for (Captions.Box part : parts) {
        double wide = random.nextDouble(5, 50);
        boolean clear = random.nextBoolean();
        Optional<Captions.Box> box =
            clear ? captions.placeClear(part, wide, 6, 60) : captions.place(part, wide, 6, 60);
        if (box.isPresent()) {
          Rectangle2D here = rectangle(box.get());
          assertThat(rectangle(area).contains(here)).isTrue();
          assertThat(found).as("round %d", round).noneMatch(here::intersects);
          boolean over = parts.stream().map(CaptionsTest::rectangle).anyMatch(here::intersects);
          assertThat(clear && over).as("clear means clear").isFalse();
          onParts += over ? 1 : 0;
          assertThat(captions.isFree(box.get())).as("taken now").isFalse();
          found.add(here);
        }
      }
      placed += found.size();
    }
    assertThat(placed).isGreaterThan(1200);
    assertThat(onParts).as("most find a clear place").isLessThan(placed / 4);
  }

  /** Alone, a caption lies right below what it names. */
  @Test
  public void theNearestFreeSideIsTaken() {
    Captions captions = new Captions(new Captions.Box(0, 0, 100, 100), 2);
    Captions.Box part = Captions.Box.about(50, 50, 20, 20);
    captions.avoid(part);
    Captions.Box below = captions.place(part, 30, 5, 30).orElseThrow();
    Captions.Box above = captions.place(part, 30, 5, 30).orElseThrow();
    assertThat(below.midAcross()).isEqualTo(50);
    assertThat(below.top()).isBetween(60.0, 61.0);
    assertThat(above.bottom()).isBetween(39.0, 40.0);
  }
}
