package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.attributes.ViewBox;
import com.github.weisj.jsvg.parser.SVGLoader;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.Builds;
import kumite.build.Build;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is laid on the wood or sent to a machine, measured back by independent readers. */
public class DrawingTest {
  private static final double POINTS_PER_MM = 72 / 25.4;

  private static Bench demo() {
    return Bench.of(Builds.ferryBridge(), Catalogue.standard());
  }

  /** A panel with an angled front and rounded corners. */
  private static Bench angled() {
    Build build = Builds.buttons(80, 80, 150, 120);
    return Bench.of(
        build.withPanel(
            build
                .panel()
                .withCorner(0)
                .withOutline(
                    List.of(
                        new Point(40, 0),
                        new Point(260, 0),
                        new Point(300, 200),
                        new Point(0, 200)))
                .withCorner(10)),
        Catalogue.standard());
  }

  // ---- PDF

  /** ISO 32000-1, 8.3.2.3: a unit is 1/72 in, so 100 mm are 283.46 and 4 in are 288. */
  @Test
  public void everyTemplatePageHasBarsThatMeasureRight() throws Exception {
    byte[] pdf = Template.pdf(demo(), Paper.A4);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      int pages = Template.pages(demo().build().panel(), Paper.A4);
      assertThat(document.getNumberOfPages())
          .as("face, underside and gauges")
          .isEqualTo(2 * pages + 1);
      for (int i = 0; i < 2 * pages; i++) {
        Lines lines = new Lines(document.getPage(i));
        assertThat(lines.has(283.46, true)).as("100 mm across").isTrue();
        assertThat(lines.has(283.46, false)).as("100 mm up").isTrue();
        assertThat(lines.has(288, true)).as("4 in across").isTrue();
      }
    }
  }

  /** Centre marks of two holes on one page lie as far apart as the drill plan says. */
  @Test
  public void centresOnThePaperLieWhereThePlanHasThem() throws Exception {
    Bench bench = angled();
    byte[] pdf = Template.pdf(bench, Paper.A4);
    try (PDDocument document = Loader.loadPDF(pdf)) {
      List<double[]> crosses = new ArrayList<>();
      for (double[] l : new Lines(document.getPage(0)).lines) {
        // A cross of a 30 mm hole has arms of 18 mm on both sides.
        if (Math.abs(l[1] - l[3]) < 0.01
            && Math.abs(Math.abs(l[2] - l[0]) - 36 * POINTS_PER_MM) < 0.02) {
          crosses.add(new double[] {(l[0] + l[2]) / 2, l[1]});
        }
      }
      assertThat(crosses).hasSize(2);
      assertThat((crosses.get(1)[0] - crosses.get(0)[0]) / POINTS_PER_MM)
          .isCloseTo(70, within(0.01));
      assertThat((crosses.get(1)[1] - crosses.get(0)[1]) / POINTS_PER_MM)
          .isCloseTo(40, within(0.01));
      String text = new PDFTextStripper().getText(document);
      for (DrillPlan.Hole hole : bench.drill().holes()) {
        assertThat(text)
            .contains("x " + Length.fine(hole.xMm(), LengthUnit.MM))
            .contains("x " + Length.fine(hole.belowXMm(), LengthUnit.MM));
      }
      assertThat(text).contains("turned over left to right", "Print at 100 %");
    }
  }

  @Test
  public void labelsAndOverlayNameEveryCapAndTerminal() throws Exception {
    Bench bench = demo();
    try (PDDocument labels = Loader.loadPDF(LabelSheet.pdf(bench, Paper.LETTER));
        PDDocument overlay = Loader.loadPDF(HeaderOverlay.pdf(bench, Paper.A4))) {
      String caps = new PDFTextStripper().getText(labels);
      bench.build().controls().forEach(c -> assertThat(caps).contains(c.label().split(" ")[0]));
      bench.loom().strands().forEach(s -> assertThat(caps).contains(s.id()));
      String header = new PDFTextStripper().getText(overlay);
      bench.board().orElseThrow().terminals().forEach(t -> assertThat(header).contains(t.name()));
      // Headers have a pitch of 0.1 in = 7.2 points: the leads of neighbours lie that far apart.
      Set<Long> levels = new TreeSet<>();
      for (double[] l : new Lines(overlay.getPage(0)).lines) {
        double across = Math.abs(l[2] - l[0]);
        if (Math.abs(l[1] - l[3]) < 0.01 && across > 5 && across < 40) {
          levels.add(Math.round(l[1] * 10));
        }
      }
      List<Long> sorted = List.copyOf(levels);
      for (int i = 1; i < sorted.size(); i++) {
        assertThat(sorted.get(i) - sorted.get(i - 1)).isEqualTo(72);
      }
    }
    assertThatThrownBy(
            () -> HeaderOverlay.pdf(Bench.of(Build.empty("x"), Catalogue.standard()), Paper.A4))
        .hasMessageContaining("no board yet");
  }

  // ---- SVG, drawn by a general-purpose library

  private static BufferedImage drawn(String svg, double widthMm, double heightMm, int perMm) {
    SVGDocument document =
        new SVGLoader()
            .load(
                new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)),
                null,
                com.github.weisj.jsvg.parser.LoaderContext.createDefault());
    int w = (int) Math.round(widthMm * perMm);
    int h = (int) Math.round(heightMm * perMm);
    BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D graphics = image.createGraphics();
    graphics.setColor(Color.WHITE);
    graphics.fillRect(0, 0, w, h);
    document.render((java.awt.Component) null, graphics, new ViewBox(0, 0, w, h));
    graphics.dispose();
    return image;
  }

  private static boolean inked(BufferedImage image, double xMm, double yMm, int perMm) {
    int cx = (int) Math.round(xMm * perMm);
    int cy = (int) Math.round(yMm * perMm);
    for (int dx = -1; dx <= 1; dx++) {
      for (int dy = -1; dy <= 1; dy++) {
        int x = Math.max(0, Math.min(image.getWidth() - 1, cx + dx));
        int y = Math.max(0, Math.min(image.getHeight() - 1, cy + dy));
        if ((image.getRGB(x, y) & 0xff) < 0xf0) {
          return true;
        }
      }
    }
    return false;
  }

  @Test
  public void theSvgDrawnElsewhereHasItsLinesWhereThePlanHasThem() {
    Bench bench = angled();
    int perMm = 10;
    BufferedImage image = drawn(SvgDrawing.of(bench, 0), 300, 200, perMm);
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      double r = hole.shape().widthMm() / 2;
      for (int degrees = 0; degrees < 360; degrees += 15) {
        double angle = Math.toRadians(degrees);
        double x = hole.stored().xMm() + r * Math.cos(angle);
        double y = 200 - hole.stored().yMm() - r * Math.sin(angle);
        assertThat(inked(image, x, y, perMm)).as("%s at %d", hole.label(), degrees).isTrue();
        assertThat(inked(image, x - 0.8 * Math.cos(angle), y + 0.8 * Math.sin(angle), perMm))
            .as("nothing just inside")
            .isFalse();
      }
    }
    assertThat(inked(image, 150, 200 - 0.05, perMm)).as("front edge").isTrue();
    assertThat(inked(image, 20, 100, perMm)).as("angled side, half-way").isTrue();
    assertThat(inked(image, 40.5, 199.5, perMm)).as("that corner is rounded off").isFalse();
  }

  // ---- DXF, read back pair by pair

  private record Entity(String type, Map<Integer, String> values) {
    double at(int code) {
      return Double.parseDouble(values.get(code));
    }
  }

  private static List<Entity> entities(String dxf) {
    String[] lines = dxf.split("\r\n");
    assertThat(lines.length % 2).as("pairs").isZero();
    List<Entity> found = new ArrayList<>();
    boolean inside = false;
    for (int i = 0; i < lines.length; i += 2) {
      int code = Integer.parseInt(lines[i].strip());
      String value = lines[i + 1];
      if (code == 2 && value.equals("ENTITIES")) {
        inside = true;
      } else if (code == 0 && value.equals("ENDSEC")) {
        inside = false;
      } else if (inside && code == 0) {
        found.add(new Entity(value, new HashMap<>()));
      } else if (inside) {
        found.get(found.size() - 1).values().put(code, value);
      }
    }
    assertThat(lines[lines.length - 1]).isEqualTo("EOF");
    return found;
  }

  @DataProvider
  Object[][] kerfs() {
    return new Object[][] {{0.0}, {0.2}, {3.0}};
  }

  @Test(dataProvider = "kerfs")
  public void theDxfReadBackHasEveryHoleAndACloseOutline(double kerf) {
    Bench bench = angled();
    List<Entity> entities = entities(DxfDrawing.of(bench, kerf));
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      double r = ((Shape.Round) hole.shape()).diameterMm() / 2 - kerf / 2;
      assertThat(entities)
          .anySatisfy(
              e -> {
                assertThat(e.type()).isEqualTo("CIRCLE");
                assertThat(e.values().get(8)).isEqualTo("CUT");
                assertThat(e.at(10)).isCloseTo(hole.stored().xMm(), within(1e-5));
                assertThat(e.at(20)).isCloseTo(hole.stored().yMm(), within(1e-5));
                assertThat(e.at(40)).isCloseTo(r, within(1e-5));
              });
    }
    // Every end of a line or arc of the outline is the end of exactly one other.
    Map<String, Integer> ends = new HashMap<>();
    double length = 0;
    for (Entity e : entities) {
      if (!"CUT".equals(e.values().get(8))) {
        continue;
      }
      if (e.type().equals("LINE")) {
        end(ends, e.at(10), e.at(20));
        end(ends, e.at(11), e.at(21));
        length += Math.hypot(e.at(11) - e.at(10), e.at(21) - e.at(20));
      } else if (e.type().equals("ARC")) {
        for (int code : new int[] {50, 51}) {
          double angle = Math.toRadians(e.at(code));
          end(ends, e.at(10) + e.at(40) * Math.cos(angle), e.at(20) + e.at(40) * Math.sin(angle));
        }
        double sweep = (e.at(51) - e.at(50) + 360) % 360;
        length += Math.toRadians(sweep) * e.at(40);
        assertThat(e.at(40)).isCloseTo(10 + kerf / 2, within(1e-5));
      }
    }
    assertThat(ends.values()).allSatisfy(n -> assertThat(n).isEqualTo(2));
    // Growing a convex outline by d lengthens it by 2 pi d (Steiner).
    double bare = outlineLength(bench);
    assertThat(length).isCloseTo(bare + 2 * Math.PI * kerf / 2, within(0.01));
  }

  private static double outlineLength(Bench bench) {
    List<Point> ring = kumite.panel.Rounding.points(bench.build().panel(), 0.05);
    double length = 0;
    for (int i = 0; i < ring.size(); i++) {
      length += ring.get(i).distanceMm(ring.get((i + 1) % ring.size()));
    }
    return length;
  }

  private static void end(Map<String, Integer> ends, double x, double y) {
    ends.merge(Math.round(x * 1000) + " " + Math.round(y * 1000), 1, Integer::sum);
  }

  @Test
  public void layersSayWhatIsCutDrilledEngravedAndOnlyLookedAt() {
    List<Entity> entities = entities(DxfDrawing.of(demo(), 0));
    Set<String> layers = new TreeSet<>();
    entities.forEach(e -> layers.add(e.values().get(8)));
    assertThat(layers).containsExactly("CUT", "DRILL", "ENGRAVE", "REFERENCE");
    long screws =
        demo().drill().holes().stream().filter(h -> !h.purpose().equals("cut-out")).count();
    assertThat(entities.stream().filter(e -> "DRILL".equals(e.values().get(8))))
        .hasSize((int) screws);
    assertThat(entities.stream().map(Entity::type).distinct())
        .containsExactlyInAnyOrder("LINE", "ARC", "CIRCLE", "TEXT");
  }

  @Test
  public void aKerfThatEatsAHoleIsRefusedByName() {
    assertThatThrownBy(() -> DxfDrawing.of(demo(), 4))
        .hasMessageContaining("wider than the hole of");
    assertThatThrownBy(() -> SvgDrawing.of(demo(), -1)).hasMessageContaining("kerf must be 0");
  }
}
