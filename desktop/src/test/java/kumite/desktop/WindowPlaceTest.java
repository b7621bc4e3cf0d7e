package kumite.desktop;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.geometry.Rectangle2D;
import kumite.files.BuildFileException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The window comes back where it was, and whatever the screens are by then, it is seen whole. */
public class WindowPlaceTest {
  private static final Rectangle2D LAPTOP = new Rectangle2D(0, 0, 1366, 728);

  private static Rectangle2D random(Random random, int least) {
    return new Rectangle2D(
        random.nextInt(8000) - 4000,
        random.nextInt(8000) - 4000,
        least + random.nextInt(4000),
        least + random.nextInt(2200));
  }

  @DataProvider
  public Object[][] seeds() {
    return new Random(11).longs(50).mapToObj(s -> new Object[] {s}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void itIsWholeOnAScreenAndStaysWhereItFits(long seed) {
    Random random = new Random(seed);
    List<Rectangle2D> screens = new ArrayList<>();
    for (int i = 0; i <= random.nextInt(3); i++) {
      screens.add(random(random, 640));
    }
    WindowPlace wanted = new WindowPlace(random(random, 300), random.nextBoolean());
    WindowPlace got = wanted.within(screens);
    assertTrue(screens.stream().anyMatch(s -> s.contains(got.area())), got + " on " + screens);
    assertEquals(got.within(screens), got);
    assertEquals(got.whole(), wanted.whole());
    if (screens.stream().anyMatch(s -> s.contains(wanted.area()))) {
      assertEquals(got, wanted);
    }
    if (screens.stream().anyMatch(s -> s.intersects(wanted.area()))) {
      assertTrue(got.area().getWidth() <= wanted.area().getWidth());
      assertTrue(got.area().getHeight() <= wanted.area().getHeight());
    }
  }

  @Test
  public void itIsNeverLargerThanASmallLaptopShows() {
    WindowPlace usual = WindowPlace.usual(LAPTOP);
    assertTrue(LAPTOP.contains(usual.area()), usual.toString());
    assertEquals(usual.area().getWidth(), WindowPlace.USUAL_WIDTH);
    assertEquals(usual.area().getHeight(), 728.0);
  }

  @Test(dataProvider = "seeds")
  public void itIsKeptAsItWas(long seed) throws IOException, BuildFileException {
    Random random = new Random(seed);
    Path folder = Files.createTempDirectory("place").resolve("not-made-yet");
    WindowPlace place = new WindowPlace(random(random, 300), random.nextBoolean());
    place.keep(folder);
    assertEquals(WindowPlace.kept(folder), Optional.of(place));
  }

  @DataProvider
  public Object[][] spoilt() {
    return new Object[][] {
      {""},
      {"x=1\ny=2\nwidth=wide\nheight=3\n"},
      {"x=NaN\ny=0\nwidth=900\nheight=700\n"},
      {"x=0\ny=0\nwidth=-900\nheight=700\n"},
      {"x=0\ny=0\nwidth=900\n"},
      {"\\u12"},
    };
  }

  @Test(dataProvider = "spoilt")
  public void aSpoiltNoteOfThePlaceIsPassedOver(String text) throws IOException {
    Path folder = Files.createTempDirectory("place");
    assertEquals(WindowPlace.kept(folder), Optional.empty());
    Files.writeString(folder.resolve("window.properties"), text);
    assertEquals(WindowPlace.kept(folder), Optional.empty());
  }
}
