package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.loom.Strand;
import kumite.measure.Paper;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is done to the wires by hand stands on every paper that shows wires. */
public class SheetTruthTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] papers() {
    return new Object[][] {
      {Exports.BENCH_SHEET, "LEFT OUT", "by hand"},
      {Exports.HEADER_OVERLAY, "LEFT OUT", "by hand"},
      {Exports.WIRING_BOARD, "left out", "by hand"},
    };
  }

  private static String text(byte[] pdf) throws Exception {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
    }
  }

  @Test(dataProvider = "papers")
  public void wiresLeftOutAndPutInStandOnPaper(Export paper, String out, String hand)
      throws Exception {
    Build build = Builds.wired(Builds.buttons(60, 60, 160, 100, 240, 60), "native-3v3-26");
    String plain = text(paper.content(Bench.of(build, CATALOGUE), Export.Choices.USUAL));
    assertThat(plain).doesNotContain(out).doesNotContain(hand);
    Strand signal =
        Bench.of(build, CATALOGUE).loom().strands().stream()
            .filter(s -> s.contact().isPresent())
            .findFirst()
            .orElseThrow();
    Jumper added = Jumper.parse("b2:NO - board:GND");
    Build changed = build.withLoom(build.loom().withLeftOut(signal.wire()).withAdded(added));
    String text = text(paper.content(Bench.of(changed, CATALOGUE), Export.Choices.USUAL));
    assertThat(text).contains(out).contains(hand).contains("b2:NO");
  }

  @DataProvider
  public Object[][] topologies() {
    return Topology.CHOSEN.stream()
        .map(topology -> new Object[] {topology})
        .toArray(Object[][]::new);
  }

  /** The chart on the sheet names both ends of every strand of every way of sharing. */
  @Test(dataProvider = "topologies")
  public void everyStrandOfAWayOfSharingIsOnTheSheet(Topology topology) throws Exception {
    Build build = RandomBuilds.sharing(topology, 7, new SplittableRandom(11));
    Bench bench = Bench.of(build, CATALOGUE);
    String text = text(BenchSheet.pdf(bench, Paper.A4));
    for (Strand strand : bench.loom().strands()) {
      assertThat(text).contains(strand.id() + " " + strand.colour().code());
    }
    for (String part : List.of("Parts to solder in", "Wiring chart")) {
      boolean wanted = !part.startsWith("Parts") || !bench.loom().partCounts().isEmpty();
      assertThat(text.contains(part)).as(part).isEqualTo(wanted);
    }
  }
}
