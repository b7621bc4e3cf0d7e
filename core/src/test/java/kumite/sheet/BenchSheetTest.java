package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.loom.Strand;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BenchSheetTest {
  private static Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  private static String text(byte[] pdf) throws Exception {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document);
    }
  }

  @Test
  public void holdsEveryStrandHoleFindingAndCautionAsSearchableText() throws Exception {
    Bench bench = bench(Builds.ferryBridge());
    String text = text(BenchSheet.pdf(bench, Paper.A4));
    for (Strand strand : bench.loom().strands()) {
      assertThat(text).contains(strand.id());
    }
    assertThat(text)
        .contains("Ferry bridge desk", "Drill table", "Wiring chart", "Map chart")
        .contains("182.70") // Anchor's x
        .contains("STOP", "PN-05", "Move Rudder")
        .contains("Steer left", "Button 10")
        .contains("mains", "never feed them from 5V")
        .contains("30.00 round", "1 3/16 in");
  }

  @DataProvider
  public Object[][] ways() {
    return new Object[][] {
      {Topology.MATRIX}, {Topology.REGISTERS}, {Topology.MULTIPLEXER}, {Topology.LADDER}
    };
  }

  /** What a meter should show stands beside each contact, chips pin by pin, rows and columns. */
  @Test(dataProvider = "ways")
  public void tellsVoltsAndPinsOfEveryWayOfSharing(Topology way) throws Exception {
    Build build =
        kumite.RandomBuilds.sharing(way, 5, new java.util.SplittableRandom(2))
            .withControl(
                kumite.build.Control.of(
                    new ControlId("telegraph"),
                    "Telegraph",
                    "rotary-5",
                    kumite.measure.Placement.at(300, 30)));
    Bench bench = bench(build);
    String text = text(BenchSheet.pdf(bench, Paper.A4)).replace('\n', ' ');
    for (kumite.device.SignalPath path : bench.paths()) {
      if (path.site().kind().steps() < 2) {
        var levels = path.levels().orElseThrow();
        String idle = String.format(java.util.Locale.ROOT, "%.2f V", levels.idleVolts());
        String held = String.format(java.util.Locale.ROOT, "%.2f V", levels.heldVolts());
        assertThat(text).as("%s of %s", path.id(), way).contains(idle + " " + held);
      }
    }
    // Four equal resistors between 0 and 3.3 V: quarters of the supply.
    for (int step = 1; step <= 5; step++) {
      var row =
          java.util.regex.Pattern.compile("Telegraph, step " + step + " \\S+ (\\d\\.\\d\\d) V")
              .matcher(text);
      assertThat(row.find()).as("step %s", step).isTrue();
      assertThat(Double.parseDouble(row.group(1))).isCloseTo(3.3 * (step - 1) / 4, within(0.0051));
    }
    if (way == Topology.MATRIX) {
      for (kumite.loom.Look look : bench.looks()) {
        if (look.how() instanceof kumite.loom.Look.Row row) {
          assertThat(text).contains("row " + row.row().name() + ", col " + look.read().name());
        }
      }
    }
    long chips =
        bench.wiring().orElseThrow().parts().stream()
            .filter(
                p ->
                    p instanceof kumite.component.Component.Register
                        || p instanceof kumite.component.Component.Multiplexer)
            .count();
    assertThat(text.split("active low: tie it to ground", -1)).hasSize((int) chips + 1);
    if (way == Topology.MULTIPLEXER) {
      assertThat(text).contains("select, weight 1", "select, weight 2", "select, weight 4");
    }
    if (way == Topology.REGISTERS) {
      assertThat(text).contains("comes out as number 8, weight 128");
    }
  }

  @Test
  public void embedsItsFontsAndDrawsNoPictures() throws Exception {
    try (PDDocument document =
        Loader.loadPDF(BenchSheet.pdf(bench(Builds.ferryBridge()), Paper.A4))) {
      Set<String> fonts = new HashSet<>();
      for (PDPage page : document.getPages()) {
        // ISO 216: A4 is 210 by 297 mm; a point is 1/72 in.
        double[] sides = {page.getMediaBox().getWidth(), page.getMediaBox().getHeight()};
        java.util.Arrays.sort(sides);
        assertThat(sides[0]).isCloseTo(595.28, within(0.01));
        assertThat(sides[1]).isCloseTo(841.89, within(0.01));
        assertThat(page.getResources().getXObjectNames()).isEmpty();
        for (COSName name : page.getResources().getFontNames()) {
          PDFont font = page.getResources().getFont(name);
          fonts.add(font.getName());
          assertThat(font.isEmbedded()).as(font.getName()).isTrue();
        }
      }
      assertThat(fonts).hasSize(3);
    }
  }

  @Test
  public void comesOutForAnEmptyBuildForInchesAndForOddLabels() throws Exception {
    assertThat(text(BenchSheet.pdf(bench(Build.empty("Bare")), Paper.LETTER)))
        .contains("Bare", "not chosen yet", "No holes yet");
    Build odd =
        Builds.wired(Builds.buttons(60, 60), "native-5v-18")
            .withControl(new ControlId("b1"), c -> c.withLabel("Läut 🔔 " + "very ".repeat(40)));
    Build inches = odd.withBrief(odd.brief().withUnits(LengthUnit.INCH));
    assertThat(text(BenchSheet.pdf(bench(inches), Paper.LETTER)))
        .contains("Läut 🔔 very")
        .contains("1.181 round"); // 30 mm
  }
}
