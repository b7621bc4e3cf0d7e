package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.files.Demo;
import kumite.lead.ConnectorKind;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.lead.RandomLeads;
import kumite.lead.Seen;
import kumite.lead.Side;
import kumite.leads.LeadChecks;
import kumite.measure.Paper;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Charts of leads, read and measured back by a PDF library. */
public class LeadSheetTest {
  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final Plugs PLUGS = Plugs.standard();

  /** A word on the page, with its middle, in mm. */
  private record Word(String text, double x, double y) {}

  private static List<Word> words(PDDocument document, int page) throws IOException {
    List<Word> words = new ArrayList<>();
    PDFTextStripper stripper =
        new PDFTextStripper() {
          @Override
          protected void writeString(String text, List<TextPosition> at) {
            int start = 0;
            for (int i = 1; i <= at.size(); i++) {
              boolean end =
                  i == at.size()
                      || at.get(i).getXDirAdj()
                              - at.get(i - 1).getXDirAdj()
                              - at.get(i - 1).getWidthDirAdj()
                          > 1;
              if (end) {
                TextPosition first = at.get(start);
                TextPosition last = at.get(i - 1);
                StringBuilder word = new StringBuilder();
                at.subList(start, i).forEach(p -> word.append(p.getUnicode()));
                double right = last.getXDirAdj() + last.getWidthDirAdj();
                words.add(
                    new Word(
                        word.toString().strip(),
                        (first.getXDirAdj() + right) / 2 / POINTS_PER_MM,
                        first.getYDirAdj() / POINTS_PER_MM));
                start = i;
              }
            }
          }
        };
    stripper.setSortByPosition(true);
    stripper.setStartPage(page);
    stripper.setEndPage(page);
    stripper.getText(document);
    return words;
  }

  @DataProvider
  public Object[][] kinds() {
    return List.of("nine-pin", "fifteen-pin", "seven-pin", "ribbon-5", "header-4").stream()
        .map(id -> new Object[] {PLUGS.needed(id)})
        .toArray(Object[][]::new);
  }

  /**
   * Laid on the print, the real plug must meet it: places of the numbers are read off the page and
   * compared with where the pins are, for both genders and sides, in true size.
   */
  @Test(dataProvider = "kinds")
  public void facesArePrintedInTrueSizeAndNotMirrored(ConnectorKind kind) throws Exception {
    try (PDDocument document = Loader.loadPDF(LeadSheet.faces(kind, Paper.A4))) {
      List<Word> words = words(document, 1);
      List<Word> sides =
          words.stream()
              .filter(w -> w.text().equals("pins") || w.text().equals("sockets"))
              .filter(w -> w.y() > 40)
              .toList();
      int found = 0;
      for (Word side : sides) {
        Gender gender = side.text().equals("pins") ? Gender.MALE : Gender.FEMALE;
        long wires =
            words.stream()
                .filter(w -> w.text().equals("wire") || w.text().contains("wire side"))
                .filter(w -> Math.abs(w.x() - side.x()) < 12)
                .filter(w -> w.y() > side.y() && w.y() < side.y() + 6)
                .count();
        Seen seen = kind.seen(gender, wires > 0 ? Side.WIRES : Side.MATING);
        found += matches(words, side, seen) ? 1 : 0;
      }
      assertThat(found).as("faces that match").isEqualTo(4);
      double width = kind.outline().get(1).xMm() - kind.outline().get(0).xMm();
      assertThat(new Lines(document.getPage(0)).has(width * POINTS_PER_MM, true)).isTrue();
    }
  }

  private static boolean matches(List<Word> words, Word side, Seen seen) {
    Map<String, Word> numbers = new TreeMap<>();
    for (ConnectorKind.Pin pin : seen.pins()) {
      words.stream()
          .filter(w -> w.text().equals(pin.name()))
          .filter(w -> Math.abs(w.x() - side.x()) < 20)
          .filter(w -> w.y() < side.y() && w.y() > side.y() - 18)
          .min(Comparator.comparingDouble(w -> Math.abs(w.x() - side.x() - pin.at().xMm())))
          .ifPresent(w -> numbers.put(pin.name(), w));
    }
    assertThat(numbers.keySet()).hasSize(seen.pins().size());
    Word first = numbers.get(seen.pins().get(0).name());
    for (ConnectorKind.Pin pin : seen.pins()) {
      Word there = numbers.get(pin.name());
      double dx = pin.at().xMm() - seen.pins().get(0).at().xMm();
      double dy = pin.at().yMm() - seen.pins().get(0).at().yMm();
      assertThat(there.x() - first.x()).as(seen.words()).isCloseTo(dx, within(0.1));
      assertThat(first.y() - there.y()).as(seen.words()).isCloseTo(dy, within(0.1));
    }
    return true;
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PDFTextStripper stripper = new PDFTextStripper();
      stripper.setSortByPosition(true);
      return stripper.getText(document).replaceAll("\\s+", " ");
    }
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Any lead prints, and every core of it is in the rows of its chart. */
  @Test(dataProvider = "seeds")
  public void everyCoreOfAnyLeadIsOnItsChart(int seed) throws Exception {
    Lead lead = RandomLeads.any(new SplittableRandom(seed));
    String text =
        text(
            LeadSheet.pdf(
                "Any",
                List.of(new LeadSheet.Judged(lead, LeadChecks.alone(lead, PLUGS))),
                PLUGS,
                seed % 2 == 0 ? Paper.A4 : Paper.LETTER));
    for (int i = 0; i < lead.cores().size(); i++) {
      kumite.lead.Core core = PLUGS.inOrder(lead).get(i);
      assertThat(text).containsPattern((i + 1) + " " + core.from() + " [a-z].*" + core.colour());
    }
    assertThat(text).contains("Order of work");
  }

  @Test
  public void theBenchSheetHasTheLeadsOfItsBuild() throws Exception {
    Build build = Demo.open("quarter-turn", Catalogue.standard());
    Bench bench = Bench.of(build, Catalogue.standard());
    String text = text(BenchSheet.pdf(bench, Paper.A4));
    assertThat(text)
        .contains("Lead: Quarter left", "Lead: Half turn", "Lead: Both joined")
        .contains("turns the stick a quarter to the left")
        .contains("the cable has 9 cores and no spare")
        .contains("Faces in true size");
    assertThat(Exports.LEADS.files(bench, Export.Choices.USUAL).keySet())
        .containsExactly(
            "leads.pdf",
            "lead-quarter-left.lead.json",
            "lead-half-turn.lead.json",
            "lead-both-joined.lead.json");
    assertThatThrownBy(
            () ->
                Exports.LEADS.files(
                    Bench.of(Build.empty("None"), Catalogue.standard()), Export.Choices.USUAL))
        .hasMessageContaining("there are no leads");
  }
}
