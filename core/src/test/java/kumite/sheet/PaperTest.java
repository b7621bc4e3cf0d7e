package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import javax.xml.parsers.DocumentBuilderFactory;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of every printed page, read back by another library. */
public class PaperTest {
  private static final double POINTS_PER_MM = 72 / 25.4; // ISO 32000-1, 8.3.2.3
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** One text as it was written: what it says and the box of its letters, in points. */
  private record Written(String text, double left, double top, double right, double bottom) {
    boolean over(Written other) {
      double across = Math.min(right, other.right) - Math.max(left, other.left);
      double down = Math.min(bottom, other.bottom) - Math.max(top, other.top);
      return across > 0.3 && down > 0.3;
    }
  }

  /** Collects every text of a page with the box of its letters. */
  private static final class Texts extends PDFTextStripper {
    private final List<Written> all = new ArrayList<>();
    private Written now;

    static List<Written> of(PDDocument document, int page) throws IOException {
      Texts texts = new Texts();
      texts.setStartPage(page);
      texts.setEndPage(page);
      texts.getText(document);
      return texts.all;
    }

    @Override
    public void showTextString(byte[] string) throws IOException {
      now = null;
      super.showTextString(string);
      if (now != null) {
        all.add(now);
      }
    }

    @Override
    protected void processTextPosition(TextPosition at) {
      double size = at.getFontSizeInPt();
      double left = at.getXDirAdj();
      double base = at.getYDirAdj();
      Written letter =
          new Written(at.getUnicode(), left, base - 0.68 * size, left + at.getWidthDirAdj(), base);
      now =
          now == null
              ? letter
              : new Written(
                  now.text + letter.text,
                  Math.min(now.left, letter.left),
                  Math.min(now.top, letter.top),
                  Math.max(now.right, letter.right),
                  Math.max(now.bottom, letter.bottom));
    }
  }

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE);
  }

  private static void nothingLiesOverAnything(byte[] pdf, String what) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      for (int page = 1; page <= document.getNumberOfPages(); page++) {
        List<Written> texts = Texts.of(document, page);
        PDPage sheet = document.getPage(page - 1);
        for (int i = 0; i < texts.size(); i++) {
          Written one = texts.get(i);
          assertThat(one.right)
              .as("%s p%d: %s", what, page, one)
              .isLessThan(sheet.getMediaBox().getWidth());
          assertThat(one.left).as("%s p%d: %s", what, page, one).isPositive();
          for (int j = 0; j < i; j++) {
            Written other = texts.get(j);
            assertThat(one.over(other)).as("%s p%d: %s over %s", what, page, one, other).isFalse();
          }
        }
      }
    }
  }

  private static void everyPage(Bench bench, String what) throws IOException {
    nothingLiesOverAnything(BenchSheet.pdf(bench, Paper.A4), what + " bench sheet");
    nothingLiesOverAnything(Template.pdf(bench, Paper.LETTER), what + " template");
    nothingLiesOverAnything(LabelSheet.pdf(bench, Paper.A4), what + " labels");
    nothingLiesOverAnything(ArtSheet.pdf(bench), what + " art");
  }

  @Test
  public void noTextOfADemoLiesOverAnother() throws Exception {
    for (String name : Demo.names()) {
      Build demo = BuildFile.parse(Demo.text(name).orElseThrow(), name, CATALOGUE);
      everyPage(bench(demo), name);
    }
    everyPage(bench(keyField(6, 4)), "keys");
  }

  @Test
  public void noTextOfARandomBuildLiesOverAnother() throws Exception {
    SplittableRandom random = new SplittableRandom(77);
    for (int round = 0; round < 28; round++) {
      everyPage(bench(RandomBuilds.any(random)), "round " + round);
    }
  }

  /** Keys at the pitch of 19.05 mm, three quarters of an inch: common practice, no source. */
  private static Build keyField(int across, int along) {
    Build build = Build.empty("Keys");
    build = build.withPanel(build.panel().withThickness(1.5));
    for (int i = 0; i < across * along; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("k" + i),
                  "Key " + i,
                  "keyswitch-14",
                  Placement.at(60 + 19.05 * (i % across), 60 + 19.05 * (i / across))));
    }
    return build;
  }

  private static double points(double mm) {
    return mm * 72 / 25.4;
  }

  /** Parts close to each other, of any size that is drilled, on a panel that one page shows. */
  private static Build dense(SplittableRandom random) {
    List<String> kinds =
        List.of("keyswitch-14", "tact-6", "button-16", "toggle-6", "knob-9", "toggle-12");
    Build build = Build.empty("Dense");
    build = build.withPanel(build.panel().withSize(170, 150).withThickness(2));
    double pitch = random.nextDouble(15, 26);
    int along = 0;
    for (double y = 20; y < 135; y += pitch) {
      for (double x = 20; x < 155; x += pitch) {
        String kind = kinds.get(random.nextInt(random.nextInt(10) == 0 ? kinds.size() : 4));
        String label = "Key of the bridge".substring(0, random.nextInt(1, 17)).strip() + along;
        build =
            build.withControl(
                Control.of(
                    new ControlId("c" + along++),
                    label,
                    kind,
                    Placement.at(x + random.nextDouble(-1, 1), y + random.nextDouble(-1, 1))
                        .turnedTo(random.nextInt(4) * 90)));
      }
    }
    return build;
  }

  /**
   * 100 dense layouts, read by a PDF reader: no word lies in a hole but the number of that hole,
   * none on another word or on the line that is cut; each hole has its number; what has no words
   * beside it stands in the key.
   */
  @Test
  public void noWordLiesInAHole() throws Exception {
    SplittableRandom random = new SplittableRandom(1905);
    for (int round = 0; round < 100; round++) {
      Bench bench = bench(dense(random));
      try (PDDocument document = Loader.loadPDF(Template.pdf(bench, Paper.A4))) {
        List<Written> words = Texts.of(document, 1);
        double foot = document.getPage(0).getMediaBox().getHeight() - points(32);
        StringBuilder all = new StringBuilder();
        words.forEach(word -> all.append(word.text).append(' '));
        for (int page = 3; page <= document.getNumberOfPages(); page++) {
          Texts.of(document, page).forEach(word -> all.append(word.text).append(' '));
        }
        for (int i = 0; i < words.size(); i++) {
          for (int j = 0; j < i; j++) {
            assertThat(words.get(i).over(words.get(j)))
                .as("round %d: %s over %s", round, words.get(i), words.get(j))
                .isFalse();
          }
        }
        for (DrillPlan.Hole hole : bench.drill().inOrder()) {
          double x = points(Tiling.MARGIN_MM + hole.stored().xMm());
          double y = points(Tiling.MARGIN_MM + 150 - hole.stored().yMm());
          boolean turned = Math.round(hole.turnDegrees()) % 180 != 0;
          double wide = turned ? hole.shape().heightMm() : hole.shape().widthMm();
          double high = turned ? hole.shape().widthMm() : hole.shape().heightMm();
          boolean circle = hole.shape() instanceof kumite.measure.Shape.Round;
          String number = String.valueOf(hole.order());
          assertThat(words).as("number %s", number).anyMatch(w -> w.text.equals(number));
          for (Written word : words) {
            if (word.top < foot && !word.text.equals(number)) {
              double dx = Math.max(0, Math.max(word.left - x, x - word.right));
              double dy = Math.max(0, Math.max(word.top - y, y - word.bottom));
              boolean inside =
                  circle
                      ? Math.hypot(dx, dy) < points(wide) / 2
                      : dx < points(wide) / 2 && dy < points(high) / 2;
              assertThat(inside)
                  .as("round %d: \"%s\" in hole %s", round, word.text, number)
                  .isFalse();
            }
          }
          if (hole.cutout()) {
            assertThat(all.toString()).contains(hole.label());
          }
        }
        double right = points(Tiling.MARGIN_MM + 170);
        double front = points(Tiling.MARGIN_MM + 150);
        for (Written word : words) {
          if (word.top < foot) {
            assertThat(word.left < right && word.right > right).as(word.text).isFalse();
            assertThat(word.top < front && word.bottom > front).as(word.text).isFalse();
          }
        }
      }
    }
  }

  @Test
  public void aPitchOf1905StaysOneOnPaperAndInTheTable() throws Exception {
    Bench bench = bench(keyField(3, 1));
    try (PDDocument sheet = Loader.loadPDF(BenchSheet.pdf(bench, Paper.A4));
        PDDocument template = Loader.loadPDF(Template.pdf(bench, Paper.A4))) {
      String text = new PDFTextStripper().getText(sheet);
      assertThat(text).contains("60.00", "79.05", "98.10", "14.00 x 14.00");
      assertThat(new PDFTextStripper().getText(template)).contains("Gauges", "3 holes");
    }
    assertThat(kumite.files.Tables.drill(bench)).contains(",79.05,");
  }

  /** The same number stands for the same hole on plan, table, template and in both cut drawings. */
  @Test
  public void everyHoleHasOneNumberEverywhere() throws Exception {
    Bench bench = bench(Builds.ferryBridge());
    try (PDDocument template = Loader.loadPDF(Template.pdf(bench, Paper.A4))) {
      int pages = Template.pages(bench.build().panel(), Paper.A4);
      List<String> face = new ArrayList<>();
      List<String> below = new ArrayList<>();
      for (int page = 1; page <= 2 * pages; page++) {
        List<String> side = page <= pages ? face : below;
        Texts.of(template, page).forEach(t -> side.add(t.text));
      }
      String svg = SvgDrawing.of(bench, 0);
      for (DrillPlan.Hole hole : bench.drill().holes()) {
        String number = String.valueOf(hole.order());
        assertThat(face).contains(number);
        assertThat(below).contains(number);
        assertThat(svg).contains(">" + number + "</text>");
      }
    }
    assertThat(bench.drill().inOrder().get(0).order()).isEqualTo(1);
  }

  /** Nothing but the page's own edge comes nearer than 6 mm to it. */
  @Test
  public void nothingOfATemplateLiesInTheRimThatPrintersLeaveWhite() throws Exception {
    for (Paper paper : Paper.values()) {
      try (PDDocument document = Loader.loadPDF(Template.pdf(bench(Builds.ferryBridge()), paper))) {
        int number = 0;
        for (PDPage page : document.getPages()) {
          number++;
          double rim = 6 * POINTS_PER_MM;
          double right = page.getMediaBox().getWidth() - rim;
          double top = page.getMediaBox().getHeight() - rim;
          for (Written text : Texts.of(document, number)) {
            assertThat(text.bottom).as("%s", text).isLessThanOrEqualTo(top + 0.01);
            assertThat(text.left).as("%s", text).isGreaterThanOrEqualTo(rim - 0.01);
            assertThat(text.right).as("%s", text).isLessThanOrEqualTo(right + 0.01);
          }
          // What runs on past a tile is clipped at the tile's frame; bars stand outside of it.
          for (double[] l : new Lines(page).lines) {
            double length = Math.hypot(l[2] - l[0], l[3] - l[1]);
            boolean bar = Math.abs(length - 283.46) < 0.02 || Math.abs(length - 288) < 0.02;
            if (bar) {
              assertThat(Math.min(l[0], l[2])).isGreaterThanOrEqualTo(rim - 0.01);
              assertThat(Math.min(l[1], l[3])).isGreaterThanOrEqualTo(rim - 0.01);
            }
          }
        }
      }
    }
  }

  /** 280 by 170 mm: one page of A4 laid across takes it, two upright ones would be needed. */
  @Test
  public void paperIsLaidTheWayThatTakesFewerPages() throws Exception {
    Build build = Builds.buttons(60, 60);
    Build wide = build.withPanel(build.panel().withSize(265, 165));
    assertThat(Template.pages(wide.panel(), Paper.A4)).isEqualTo(1);
    try (PDDocument document = Loader.loadPDF(Template.pdf(bench(wide), Paper.A4))) {
      assertThat(document.getPage(0).getMediaBox().getWidth())
          .isGreaterThan(document.getPage(0).getMediaBox().getHeight());
    }
    Build tall = build.withPanel(build.panel().withSize(165, 250));
    assertThat(Template.pages(tall.panel(), Paper.A4)).isEqualTo(1);
  }

  @Test
  public void theUndersideShowsTheCaseTheBlocksAndTheFrontOfABall() throws Exception {
    Build build = Build.empty("Ball");
    build =
        build
            .withPanel(
                build
                    .panel()
                    .withInside(
                        build
                            .panel()
                            .inside()
                            .withBlocks(List.of(new Block("batten", 20, 20, 90, 12)))))
            .withControl(
                Control.of(
                    new ControlId("ball"), "Ball", "trackball-38", new Placement(150, 90, 90)));
    try (PDDocument document = Loader.loadPDF(Template.pdf(bench(build), Paper.A4))) {
      int pages = Template.pages(build.panel(), Paper.A4);
      assertThat(new PDFTextStripper().getText(document)).contains("batten");
      // Turned a quarter counter-clockwise its front looks to the right, from below to the left.
      List<double[]> face = new Lines(document.getPage(0)).lines;
      double longest = arrow(face);
      assertThat(longest).as("to the right on the face").isPositive();
      boolean mirrored = false;
      for (int page = pages; page < 2 * pages; page++) {
        mirrored |= arrow(new Lines(document.getPage(page)).lines) < 0;
      }
      assertThat(mirrored).as("to the left from below").isTrue();
    }
  }

  /**
   * Art that is larger than the paper comes over several pages, true to size: laid by their marks
   * the pages show the panel's edge where it belongs, and no page is missing a part of it.
   */
  @Test
  public void artLargerThanThePaperIsTiled() throws Exception {
    for (double[] size : new double[][] {{150, 120}, {262, 180}, {400, 220}, {900, 400}}) {
      Build build = Builds.ferryBridge();
      build = build.withPanel(build.panel().withSize(size[0], size[1]));
      Bench bench = bench(build);
      for (Paper paper : Paper.values()) {
        boolean whole = ArtSheet.fits(build.panel(), paper);
        Export.Choices choices = new Export.Choices(paper, 0);
        assertThat(Exports.ART.files(bench, choices).containsKey("art-pages.pdf"))
            .isEqualTo(!whole);
        if (whole) {
          continue;
        }
        try (PDDocument pages = Loader.loadPDF(ArtSheet.pages(bench, paper))) {
          double shown = 0;
          for (PDPage page : pages.getPages()) {
            PDRectangle box = page.getMediaBox();
            boolean upright = box.getWidth() < box.getHeight();
            assertThat(box.getWidth() / POINTS_PER_MM)
                .isCloseTo(upright ? paper.widthMm() : paper.heightMm(), within(0.1));
            shown += (box.getWidth() / POINTS_PER_MM - 34) * (box.getHeight() / POINTS_PER_MM - 54);
          }
          assertThat(shown).isGreaterThan((size[0] + 10) * (size[1] + 10));
          String text = new PDFTextStripper().getText(pages).replaceAll("\\s+", " ");
          assertThat(text).contains("100 mm", "Grey lies under flanges", "Rudder");
        }
      }
    }
  }

  /** How far the arrow of a ball of 40 mm in a flange of 52 runs across: 13 mm, signed. */
  private static double arrow(List<double[]> lines) {
    return lines.stream()
        .filter(l -> Math.abs(l[1] - l[3]) < 0.01)
        .map(l -> l[2] - l[0])
        .filter(d -> Math.abs(Math.abs(d) - 13 * POINTS_PER_MM) < 0.02)
        .findFirst()
        .orElse(0.0);
  }

  @DataProvider
  Object[][] scripts() {
    return new Object[][] {
      {"Μοχλός"},
      {"Рычаг влево"},
      {"レバー左右"},
      {"ذراع التوجيه"},
      {"ידית"},
      {"Start 🚀"},
      {"Größe ½ Ω"},
    };
  }

  @Test(dataProvider = "scripts")
  public void labelsPrintInTheirOwnScript(String label) throws Exception {
    Bench bench =
        bench(Builds.buttons(60, 60).withControl(new ControlId("b1"), c -> c.withLabel(label)));
    for (Export export : new Export[] {Exports.BENCH_SHEET, Exports.TEMPLATE, Exports.CAP_LABELS}) {
      assertThat(export.notes(bench)).isEmpty();
      try (PDDocument document = Loader.loadPDF(export.content(bench, Export.Choices.USUAL))) {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setSortByPosition(true);
        String text = Normalizer.normalize(stripper.getText(document), Normalizer.Form.NFKC);
        for (String word : Normalizer.normalize(label, Normalizer.Form.NFKC).split(" ")) {
          assertThat(text).as(export.word()).contains(word);
        }
      }
    }
    assertThat(SvgDrawing.of(bench, 0)).contains(">" + label + "<");
  }

  /** Where no typeface has a sign, that is said before, with what will stand for it. */
  @Test
  public void aSignThatCannotBePrintedIsSaidBefore() throws Exception {
    Build build =
        Builds.buttons(60, 60).withControl(new ControlId("b1"), c -> c.withLabel("ปุ่ม A"));
    assertThat(Exports.BENCH_SHEET.notes(bench(build)))
        .singleElement()
        .asString()
        .contains("ป", "? stands for it");
    assertThat(Exports.DRILL.notes(bench(build))).isEmpty();
    assertThatThrownBy(() -> build.withControl(new ControlId("b1"), c -> c.withLabel("A\u0007B")))
        .hasMessageContaining("U+0007 (bel), at place 2");
    assertThatThrownBy(() -> build.withControl(new ControlId("b1"), c -> c.withLabel("A\uD83D")))
        .hasMessageContaining("half character U+D83D");
  }

  // ---- art

  /** The trimmed box is the panel, the bleed box 3 mm more, in ISO 32000-1 units of 1/72 in. */
  @Test
  public void theArtSheetIsThePanelInTrueSizeWithItsBleed() throws Exception {
    Bench bench = bench(Builds.ferryBridge());
    try (PDDocument document = Loader.loadPDF(ArtSheet.pdf(bench))) {
      PDPage page = document.getPage(0);
      assertThat(page.getTrimBox().getWidth() / POINTS_PER_MM).isCloseTo(400, within(0.01));
      assertThat(page.getTrimBox().getHeight() / POINTS_PER_MM).isCloseTo(220, within(0.01));
      assertThat(page.getBleedBox().getWidth() / POINTS_PER_MM).isCloseTo(406, within(0.01));
      assertThat(document.getDocumentCatalog().getOCProperties().getGroupNames())
          .contains("hidden", "bleed", "cut", "cover", "art", "marks");
    }
    var svg =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new ByteArrayInputStream(ArtSheet.svg(bench).getBytes(StandardCharsets.UTF_8)));
    assertThat(svg.getDocumentElement().getAttribute("width")).isEqualTo("406mm");
    // Every round hole is in the art and in the cover, each where the drill plan has it.
    var circles = svg.getElementsByTagName("circle");
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      if (hole.shape() instanceof kumite.measure.Shape.Round round) {
        int there = 0;
        for (int i = 0; i < circles.getLength(); i++) {
          var at = circles.item(i).getAttributes();
          Point centre =
              new Point(
                  Double.parseDouble(at.getNamedItem("cx").getNodeValue()),
                  220 - Double.parseDouble(at.getNamedItem("cy").getNodeValue()));
          double r = Double.parseDouble(at.getNamedItem("r").getNodeValue());
          boolean same =
              centre.distanceMm(hole.stored()) < 0.001
                  && Math.abs(2 * r - round.diameterMm()) < 0.001;
          there += same ? 1 : 0;
        }
        assertThat(there).as(hole.label()).isEqualTo(2);
      }
    }
  }

  /** Words of the art lie beside all flanges: under one they would not be seen. */
  @Test
  public void noWordOfTheArtLiesUnderAFlange() {
    SplittableRandom random = new SplittableRandom(5);
    for (int round = 0; round < 100; round++) {
      Build build = RandomBuilds.any(random);
      CutDrawing drawing = ArtSheet.drawing(bench(build));
      for (CutDrawing.Text word : drawing.texts()) {
        for (CutDrawing.Circle flange : drawing.circles()) {
          if (flange.layer() == CutDrawing.Layer.HIDDEN && flange.diameterMm() > 14) {
            assertThat(word.at().distanceMm(flange.centre()))
                .as("%s of round %d", word.text(), round)
                .isGreaterThan(flange.diameterMm() / 2);
          }
        }
      }
    }
  }
}
