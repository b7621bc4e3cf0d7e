package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Printed trays as a general-purpose checker of meshes sees them, where it is installed. */
public class MeshJudgeTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final String CHECKER = "admesh";

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 12).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static BoxPlan tray(SplittableRandom random) {
    double t = random.nextDouble(1.2, 4);
    Build build = Builds.wired(Builds.buttons(80, 60, 160, 60), "native-3v3-26");
    double side = random.nextDouble(8, 16);
    Panel panel = build.panel();
    CaseInside inside =
        new CaseInside(t + side, random.nextDouble(40, 110))
            .withFrontDepth(random.nextDouble(30, 110));
    Box box = new Box(new Making.Printed(t, 400, 400, 250));
    for (Face face : Face.values()) {
      box =
          box.with(
              new Cutout(
                  face.words(),
                  face,
                  new Point(random.nextDouble(60, 120), random.nextDouble(10, 28)),
                  random.nextBoolean() ? Through.GLAND : Through.VENT));
    }
    return BoxPlan.of(
        build
            .withPanel(
                panel.withInside(
                    inside.withBlocks(
                        java.util.List.of(
                            new Block("a", t, t, side, side),
                            new Block("b", panel.widthMm() - t - side, t, side, side)))))
            .with(BoxBook.PART, new BoxBook(box)),
        CATALOGUE);
  }

  /** One part, every facet joined to three others, none turned over, of the volume that we say. */
  @Test(dataProvider = "seeds")
  public void aCheckerFindsNothing(int seed) throws Exception {
    boolean there = new ProcessBuilder("sh", "-c", "command -v " + CHECKER).start().waitFor() == 0;
    if (!there) {
      throw new SkipException("no checker of meshes on this machine");
    }
    BoxPlan plan = tray(new SplittableRandom(seed));
    Mesh mesh = plan.solid(plan.piece("tray").orElseThrow(), CATALOGUE);
    Path file = Files.createTempFile("tray", ".stl");
    Files.write(file, mesh.stl("tray"));
    Process process =
        new ProcessBuilder(CHECKER, file.toString()).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isZero();
    assertThat(number(said, "Number of parts")).isEqualTo(1);
    for (String fault :
        new String[] {
          "Total disconnected facets", "Degenerate facets", "Facets reversed", "Backwards edges"
        }) {
      assertThat(number(said, fault)).as(fault).isZero();
    }
    assertThat(number(said, "Volume")).isCloseTo(mesh.volumeMm3(), within(1e-4 * mesh.volumeMm3()));
    Files.delete(file);
  }

  private static double number(String said, String what) {
    Matcher found = Pattern.compile(Pattern.quote(what) + "\\s*:\\s*([0-9.]+)").matcher(said);
    assertThat(found.find()).as("%s in %s", what, said.toLowerCase(Locale.ROOT)).isTrue();
    return Double.parseDouble(found.group(1));
  }
}
