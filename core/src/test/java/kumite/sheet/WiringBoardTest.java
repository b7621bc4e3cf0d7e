package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.loom.Strand;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.wiring.Lay;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;

/**
 * The wiring board, read back by a PDF library: true size, from below, every wire named. A point is
 * 1/72 in (ISO 32000-1, 8.3.2.3).
 */
public class WiringBoardTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final double POINT_MM = 25.4 / 72;

  @Test
  public void wiresAreInTrueSizeAndMirrored() throws IOException {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 100), "native-3v3-26");
    build = build.withPanel(build.panel().withSize(180, 150));
    build = build.withBoard(build.board().map(b -> b.at(Placement.at(110, 60))));
    Bench bench = Bench.of(build, CATALOGUE);
    Lay lay = bench.lay().orElseThrow();
    try (PDDocument pdf = Loader.loadPDF(WiringBoard.pdf(bench, Paper.A4))) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(Template.pages(build.panel(), Paper.A4));
      double high = pdf.getPage(0).getMediaBox().getHeight();
      List<double[]> lines = new Lines(pdf.getPage(0)).lines;
      for (Lay.Laid wire : lay.wires()) {
        for (int i = 1; i < wire.way().size(); i++) {
          double[] wanted = onPage(build, wire.way().get(i - 1), wire.way().get(i), high);
          assertThat(lines)
              .as("%s, stretch %d", wire.name(), i)
              .anyMatch(line -> same(line, wanted));
        }
      }
    }
  }

  /** One page: its left edge is the panel's right one, 12 mm in; its back edge 12 mm down. */
  private static double[] onPage(Build build, Point a, Point b, double highPt) {
    double[] at = new double[4];
    for (int i = 0; i < 2; i++) {
      Point p = i == 0 ? a : b;
      at[2 * i] = (12 + build.panel().widthMm() - p.xMm()) / POINT_MM;
      at[2 * i + 1] = highPt - (12 + build.panel().heightMm() - p.yMm()) / POINT_MM;
    }
    return at;
  }

  private static boolean same(double[] line, double[] wanted) {
    for (int i = 0; i < 4; i++) {
      if (Math.abs(line[i] - wanted[i]) > 0.05) {
        return false;
      }
    }
    return true;
  }

  /** On whatever build: every wire's number and its colour's letters are on a page. */
  @Test
  public void everyWireIsNamed() throws IOException {
    List<Build> builds = new ArrayList<>(List.of(Builds.ferryBridge()));
    for (kumite.build.loom.Topology topology : kumite.build.loom.Topology.CHOSEN) {
      builds.add(RandomBuilds.sharing(topology, 6, new SplittableRandom(7)));
    }
    for (Build build : builds) {
      Bench bench = Bench.of(build, CATALOGUE);
      try (PDDocument pdf = Loader.loadPDF(WiringBoard.pdf(bench, Paper.LETTER))) {
        String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
        for (Strand strand : bench.loom().strands()) {
          assertThat(text).contains(strand.id() + " " + strand.colour().code());
        }
        for (var control : build.controls()) {
          assertThat(text).contains(control.label());
        }
        assertThat(text).contains("from below").contains("100 mm");
      }
    }
  }

  /** The bar that the printer is checked by is as long as it says. */
  @Test
  public void theCheckBarIsTrue() throws IOException {
    Bench bench = Bench.of(Builds.ferryBridge(), CATALOGUE);
    try (PDDocument pdf = Loader.loadPDF(WiringBoard.pdf(bench, Paper.A4))) {
      for (var page : pdf.getPages()) {
        assertThat(new Lines(page).has(100 / POINT_MM, true)).isTrue();
      }
      assertThat(pdf.getPage(0).getMediaBox().getWidth() * POINT_MM).isCloseTo(210, within(0.1));
    }
  }

  @Test
  public void withoutABoardThereIsNothingToLay() {
    for (Build build : List.of(Build.empty("None"), Builds.buttons(60, 60))) {
      Bench bench = Bench.of(build, CATALOGUE);
      assertThatThrownBy(() -> WiringBoard.pdf(bench, Paper.A4))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("choose a board");
    }
  }
}
