package kumite.benchmarks;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import kumite.build.Build;
import kumite.build.Control;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.panel.Captions;
import kumite.panel.Gaps;
import kumite.parts.Catalogue;
import kumite.sheet.ArtSheet;
import kumite.sheet.Template;
import kumite.verdict.Bench;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What goes to the workshop, beside the PDF library reading the same pages back. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class PaperBenchmark {
  private final Catalogue catalogue = Catalogue.standard();
  private Bench three;
  private Bench one;
  private Build pile;
  private byte[] template;

  /** 300 parts in a grid, 100 of them, and 1000 on one spot. */
  @Setup
  public void layOut() {
    three = Bench.of(grid(300), catalogue);
    one = Bench.of(grid(100), catalogue);
    List<Control> piled = new ArrayList<>();
    for (int i = 0; i < 1000; i++) {
      piled.add(Control.of(new ControlId("p" + i), "P" + i, "button-30", Placement.at(150, 100)));
    }
    pile = Build.empty("Pile").withControls(piled);
    template = Template.pdf(three, Paper.A4);
  }

  private static Build grid(int parts) {
    List<Control> controls = new ArrayList<>();
    for (int i = 0; i < parts; i++) {
      controls.add(
          Control.of(
              new ControlId("b" + i),
              "Button " + i,
              "button-24",
              Placement.at(45 + 30.0 * (i % 20), 45 + 30.0 * (i / 20))));
    }
    Build empty = Build.empty("Grid");
    return empty
        .withPanel(empty.panel().withSize(690, 60 + 30.0 * (parts / 20 + 1)))
        .withControls(controls);
  }

  /** {@return the template of 300 parts in true size, face and underside} */
  @Benchmark
  public byte[] templateOf300() {
    return Template.pdf(three, Paper.A4);
  }

  /** {@return how many of 100 words found a place beside 100 flanges} */
  @Benchmark
  public int placesOf100Labels() {
    Captions captions = new Captions(new Captions.Box(0, 0, 700, 250), 2.5);
    int placed = 0;
    for (int i = 0; i < 100; i++) {
      captions.avoid(Captions.Box.about(45 + 30 * (i % 20), 45 + 30.0 * (i / 20), 27.4, 27.4));
    }
    for (int i = 0; i < 100; i++) {
      Captions.Box flange =
          Captions.Box.about(45 + 30 * (i % 20), 45 + 30.0 * (i / 20), 27.4, 27.4);
      placed += captions.place(flange, 22, 5, 40).isPresent() ? 1 : 0;
    }
    return placed;
  }

  /** {@return a drawing with 100 words placed beside 100 flanges} */
  @Benchmark
  public String artOf100Labels() {
    return ArtSheet.svg(one);
  }

  /** {@return the gaps of a pile} */
  @Benchmark
  public Gaps gapsOf1000OnOneSpot() {
    return Gaps.of(pile, catalogue);
  }

  /** {@return the text of the template, read back by the library} */
  @Benchmark
  public String templateReadBackByTheLibrary() {
    try (PDDocument document = Loader.loadPDF(template)) {
      return new PDFTextStripper().getText(document);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
