package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import kumite.Builds;
import kumite.build.Build;
import kumite.loom.Strand;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
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
