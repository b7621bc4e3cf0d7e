package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.box.Piece;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.StockSheet;
import kumite.build.box.Through;
import kumite.build.panel.CaseInside;
import kumite.measure.Paper;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Papers and drawings of the case, measured back. */
public class CasePaperTest {
  private static final double MM = 72 / 25.4;
  private static final Export.Choices CHOICES = new Export.Choices(Paper.A4, 0);

  private static Build desk(Making making) {
    Build build = Builds.wired(Builds.buttons(80, 60, 140, 60), "native-3v3-26");
    build =
        build.withPanel(
            build.panel().withSize(220, 160).withInside(new CaseInside(12, 60).withFrontDepth(45)));
    return build.with(BoxBook.PART, new BoxBook(new Box(making)));
  }

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 12).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** A face's template in true size: its outline is as large, and the hole's cross where it is. */
  @Test(dataProvider = "seeds")
  public void aFaceIsDrawnInItsSize(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    Face face = List.of(Face.FRONT, Face.BACK, Face.LEFT, Face.RIGHT).get(seed % 4);
    Point at = new Point(random.nextDouble(40, 120), random.nextDouble(12, 30));
    Build build = desk(new Making.Laser(3, 0.15, 0));
    Box box = build.get(BoxBook.PART).box().orElseThrow();
    Bench bench =
        Bench.of(
            build
                .withSeats(build.seats().stream().map(s -> s.withBoard(Optional.empty())).toList())
                .with(
                    BoxBook.PART,
                    new BoxBook(box.with(new Cutout("hole", face, at, Through.GROMMET)))),
            Catalogue.standard());
    Piece piece =
        bench.get(BoxChecks.PLAN).pieces().stream()
            .filter(p -> p.face().filter(f -> f == face).isPresent())
            .findFirst()
            .orElseThrow();
    Map<String, byte[]> files = Exports.CASE_DRILL.files(bench, CHOICES);
    try (PDDocument pdf = Loader.loadPDF(files.values().iterator().next())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(1);
      List<double[]> lines = new Lines(pdf.getPage(0)).lines;
      Point seen = FacePaper.seen(piece, at);
      List<double[]> across = new ArrayList<>();
      for (double[] line : lines) {
        if (Math.abs(line[1] - line[3]) < 1e-3
            && Math.abs(Math.abs(line[2] - line[0]) - 15 * MM) < 0.01) {
          across.add(line); // the cross of a hole of 9 mm: 4.5 and 3 each way
        }
      }
      assertThat(across).hasSize(1);
      double x = (across.get(0)[0] + across.get(0)[2]) / 2 / MM;
      double y = across.get(0)[1] / MM;
      // A plate lies at the margin of its first page, its panel's edge at the top.
      assertThat(x - Tiling.MARGIN_MM).isCloseTo(seen.xMm(), within(0.02));
      double top =
          lines.stream()
              .filter(l -> Math.abs(l[1] - l[3]) < 1e-3 && l[1] / MM > y)
              .filter(l -> Math.abs(l[2] - l[0]) / MM > 100)
              .mapToDouble(l -> l[1] / MM)
              .max()
              .orElseThrow();
      assertThat(top - y).as("down from the edge").isCloseTo(at.yMm(), within(0.02));
      boolean mirrored = face == Face.BACK || face == Face.LEFT;
      double from = at.xMm() - piece.leftMm();
      assertThat(seen.xMm()).isCloseTo(mirrored ? piece.widthMm() - from : from, within(1e-9));
    }
  }

  /** Round a notched panel a wall is marked from outside too, from its own left end. */
  @Test
  public void aWallRoundANotchIsDrawnFromOutside() throws Exception {
    Build build = desk(new Making.Boards(6, 3));
    double w = build.panel().widthMm();
    double h = build.panel().heightMm();
    List<Point> corners =
        List.of(
            new Point(0, 0),
            new Point(w, 0),
            new Point(w, h - 80),
            new Point(w - 100, h - 80),
            new Point(w - 100, h),
            new Point(0, h));
    Box box = new Box(new Making.Boards(6, 3));
    Cutout vent =
        new Cutout(
            "vent", Face.BACK, new Point(70, 25), Through.VENT, Optional.of(new Shape.Round(9)));
    Bench bench =
        Bench.of(
            build
                .withPanel(build.panel().withCorner(0).withOutline(corners))
                .with(BoxBook.PART, new BoxBook(box.with(vent))),
            Catalogue.standard());
    byte[] bytes = Exports.CASE_DRILL.files(bench, CHOICES).values().iterator().next();
    try (PDDocument pdf = Loader.loadPDF(bytes)) {
      String text = new PDFTextStripper().getText(pdf);
      // Seen from behind its left end is at the notch.
      assertThat(text).contains("wall-5", String.format("x %.1f  y 25.0", w - 100 - 70));
    }
  }

  /** The cut list names each piece, each screw and each step, and cautions. */
  @Test
  public void theCutListSaysAll() throws Exception {
    for (Making making :
        List.of(
            new Making.Boards(12, 3),
            new Making.Laser(3, 0.15, 0),
            new Making.Printed(2.4, 400, 400, 250))) {
      Bench bench = Bench.of(desk(making), Catalogue.standard());
      BoxPlan plan = bench.get(BoxChecks.PLAN);
      byte[] bytes = Exports.CASE_CUTS.files(bench, CHOICES).values().iterator().next();
      try (PDDocument pdf = Loader.loadPDF(bytes)) {
        String text = new PDFTextStripper().getText(pdf);
        plan.pieces().forEach(piece -> assertThat(text).contains(piece.id()));
        plan.screws().forEach(line -> assertThat(text).contains(line.size().split(" round")[0]));
        assertThat(text).contains("eye protection").contains("goes together");
        plan.pieces()
            .forEach(
                p ->
                    p.bevels()
                        .forEach(
                            b -> assertThat(text).contains(String.format("%.1f°", b.degrees()))));
      }
    }
  }

  /** On its sheet a piece is turned or mirrored, never changed: lengths are kept. */
  @Test(dataProvider = "seeds")
  public void piecesKeepTheirSizeOnTheSheet(int seed) {
    SplittableRandom random = new SplittableRandom(50 + seed);
    Build build = desk(new Making.Laser(3, 0.15, 0));
    Box box = build.get(BoxBook.PART).box().orElseThrow();
    box =
        box.withStock(
            List.of(new StockSheet(random.nextDouble(240, 700), random.nextDouble(240, 700), 0)));
    Bench bench = Bench.of(build.with(BoxBook.PART, new BoxBook(box)), Catalogue.standard());
    for (Nest.Laid laid : bench.get(BoxChecks.PLAN).nest().sheets()) {
      for (Nest.Spot spot : laid.spots()) {
        List<Point> ring = spot.piece().outline();
        for (int i = 0; i < ring.size(); i++) {
          Point a = ring.get(i);
          Point b = ring.get((i + 1) % ring.size());
          assertThat(spot.at(a).distanceMm(spot.at(b))).isCloseTo(a.distanceMm(b), within(1e-9));
          assertThat(spot.at(a).xMm())
              .isBetween(spot.leftMm() - 1e-6, spot.leftMm() + spot.widthMm() + 1e-6);
          assertThat(spot.at(a).yMm())
              .isBetween(spot.topMm() - 1e-6, spot.topMm() + spot.heightMm() + 1e-6);
        }
      }
    }
  }

  /** A sheet says of its inside corners what its lines do. */
  @Test
  public void whatIsSaidOfCornersIsWhatIsCut() {
    for (double relief : new double[] {0, 1, 5}) {
      Bench bench = Bench.of(desk(new Making.Laser(3, 0.15, 0, relief)), Catalogue.standard());
      BoxPlan plan = bench.get(BoxChecks.PLAN);
      int arcs = 0;
      int said = 0;
      for (int i = 0; i < plan.nest().sheets().size(); i++) {
        CutDrawing sheet = BoxDrawing.sheet(plan, i);
        arcs +=
            (int)
                sheet.paths().stream()
                    .flatMap(path -> path.pieces().stream())
                    .filter(piece -> piece instanceof Rounding.Arc arc && arc.radiusMm() < 0.43)
                    .count();
        String words = sheet.texts().get(sheet.texts().size() - 1).text();
        Matcher freed = Pattern.compile("(\\d+) of \\d+ inside corners freed").matcher(words);
        said += freed.find() ? Integer.parseInt(freed.group(1)) : 0;
        assertThat(words.contains("does not fit")).as(words).isEqualTo(relief == 5);
      }
      assertThat(arcs).isEqualTo(said);
      assertThat(arcs > 0).isEqualTo(relief == 1);
    }
  }

  /** What cannot be written is refused with the reason. */
  @Test
  public void whatCannotBeWrittenIsRefused() {
    Build build = desk(new Making.Laser(3, 0.15, 0));
    Box small =
        build.get(BoxBook.PART).box().orElseThrow().withStock(List.of(new StockSheet(100, 100, 0)));
    Bench none = Bench.of(build.with(BoxBook.PART, new BoxBook(small)), Catalogue.standard());
    assertThatThrownBy(() -> Exports.CASE_DXF.files(none, CHOICES))
        .hasMessageContaining("no sheet takes")
        .hasMessageContaining("stock");
    Bench printed = Bench.of(desk(new Making.Printed(2.4, 400, 400, 250)), Catalogue.standard());
    assertThatThrownBy(() -> Exports.CASE_STL.files(none, CHOICES))
        .hasMessageContaining("nothing of this case is printed");
    assertThat(Exports.CASE_STL.files(printed, CHOICES)).containsKey("tray.stl");
    Build bare = Builds.buttons(60, 60);
    assertThatThrownBy(
            () -> Exports.CASE_DRILL.files(Bench.of(bare, Catalogue.standard()), CHOICES))
        .hasMessageContaining("no face of the case has a hole");
  }
}
