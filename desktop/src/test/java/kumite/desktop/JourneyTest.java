package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.RecentFiles;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.parts.Catalogue;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/**
 * A newcomer makes a build, saves it where they want, wires it wire by wire and prints the wiring
 * board: once with a mouse alone, once with a keyboard alone.
 */
public class JourneyTest {
  private Path folder;
  private Path bench;
  private Window window;

  @BeforeMethod
  public void open() throws Exception {
    folder = Files.createTempDirectory("kumite-journey");
    bench = Files.createDirectory(folder.resolve("bench"));
    Path before = Files.writeString(bench.resolve("older.kumite.json"), "{}");
    // The folder used last is where a file window opens.
    new RecentFiles(folder.resolve("state")).used(before);
    window = Window.open(folder.resolve("state"));
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  @Test
  public void withAMouseAlone() throws Exception {
    window.click("#add-first");
    window.add("button-24");
    window.add("lever-8");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    window.click("#station-map");
    window.click("#map-rest");
    menu("#menu-save");
    window.click("#file-ok");
    Path saved = saved();
    assertThat(BuildFile.read(saved, Catalogue.standard())).isEqualTo(window.bench().build());

    window.click("#station-loom");
    window.choose("Picture");
    window.click("#wire-by-wire");
    int all = window.bench().loom().strands().size();
    for (int i = 0; i < all; i++) {
      window.click("#wire-done");
    }
    assertThat(count()).isEqualTo("all " + all + " wires are on");
    window.click("#wire-close");
    window.click("#print-wiring-board");
    window.click("#file-ok");
    printed("B");
    assertThat(window.bench().count(Station.LOOM, Severity.STOP)).isZero();
    menu("#menu-save");
    Fx.await(10, "what was ticked is not saved", () -> !Window.onFx(window.workbench()::unsaved));
    assertThat(BuildFile.read(saved, Catalogue.standard()).loom().done()).hasSize(all);
  }

  private void menu(String item) {
    window.click("#build-menu");
    window.hands.clickOn(item);
    window.popupGone();
    window.settle();
  }

  @Test
  public void withAKeyboardAlone() throws Exception {
    for (String what :
        List.of("add button 30 lamp", "add toggle", "use native usb 3.3", "map the rest")) {
      find(what);
    }
    Build built = window.bench().build();
    assertThat(built.controls()).hasSize(2);
    assertThat(built.board()).isPresent();
    window.hands.push(KeyCode.CONTROL, KeyCode.S);
    window.settle();
    window.hands.push(KeyCode.ENTER);
    window.settle();
    assertThat(BuildFile.read(saved(), Catalogue.standard())).isEqualTo(built);

    window.hands.push(KeyCode.F7);
    window.settle();
    int all = window.bench().loom().strands().size();
    for (int i = 0; i < all; i++) {
      window.hands.push(KeyCode.SPACE);
      window.settle();
    }
    assertThat(count()).isEqualTo("all " + all + " wires are on");
    window.hands.push(KeyCode.ESCAPE);
    find("wiring board");
    window.hands.push(KeyCode.ENTER);
    window.settle();
    printed("Button");
    window.hands.push(KeyCode.CONTROL, KeyCode.S);
    Fx.await(10, "what was ticked is not saved", () -> !Window.onFx(window.workbench()::unsaved));
    assertThat(BuildFile.read(saved(), Catalogue.standard()).loom().done()).hasSize(all);
  }

  private void find(String what) {
    window.hands.push(KeyCode.CONTROL, KeyCode.K);
    window.settle();
    window.hands.write(what);
    window.hands.push(KeyCode.ENTER);
    window.settle();
  }

  private String count() {
    Label count = window.find("#wire-count");
    return Window.onFx(count::getText);
  }

  private Path saved() {
    Path file = Window.onFx(() -> window.workbench().file().get()).orElseThrow();
    assertThat(file).hasParent(bench);
    return file;
  }

  /** The wiring board lies beside the build and names its parts and every wire. */
  private void printed(String part) throws Exception {
    Fx.await(20, "nothing was printed", () -> window.news().contains("written"));
    Path pdf;
    try (var files = Files.list(bench)) {
      pdf = files.filter(f -> f.toString().endsWith("wiring-board.pdf")).findFirst().orElseThrow();
    }
    try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
      String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
      assertThat(text).contains(part);
      window
          .bench()
          .loom()
          .strands()
          .forEach(s -> assertThat(text).contains(s.id() + " " + s.colour().code()));
    }
  }
}
