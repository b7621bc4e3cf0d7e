package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import kumite.build.Build;
import kumite.build.ContactId;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Point;
import kumite.files.BuildFile;
import kumite.files.Journal;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Severity;
import kumite.verdict.Station;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.api.SoftAssertions;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The main job done by hand in the real window. */
public class WindowTest {
  private Path folder;
  private Window window;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-window");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private static HostView host(Window window) {
    Bench bench = window.bench();
    return HostView.of(
        bench.layout().fields(),
        Window.onFx(() -> window.workbench().trace().get())
            .orElseThrow()
            .last(0)
            .orElseThrow()
            .toBytes());
  }

  @Test
  public void aBuildIsMadeFromNothingPressedSavedReopenedAndPrinted() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#add-first");
    window.click("#add-button-30");
    window.click("#add-button-24");
    window.click("#add-slider-60");
    assertThat(window.bench().build().controls()).hasSize(4);
    assertThat(window.bench().count(Station.PANEL, Severity.STOP))
        .as("new parts go where it is free")
        .isZero();

    window.click("#control-button-1");
    window.type("#place-x", "2 1/2 in");
    window.type("#place-y", "120");
    Point at = window.bench().build().controls().get(0).placement().centre();
    assertThat(at).isEqualTo(new Point(63.5, 120));
    window.type("#control-label", "Fog bell");
    assertThat(window.bench().build().controls().get(0).label()).isEqualTo("Fog bell");
    window.type("#place-x", "rubbish");
    assertThat(window.bench().build().controls().get(0).placement().xMm())
        .as("the last good value stands")
        .isEqualTo(63.5);

    window.click("#station-loom");
    window.click("#use-first-board");
    assertThat(window.bench().loom().plan().unplaced()).isEmpty();
    window.click("#station-map");
    window.click("#map-rest");
    assertThat(window.bench().build().mapping().entries()).hasSize(4);
    window.type("#target-button-2", "b7");
    assertThat(
            window
                .bench()
                .path(ContactId.parse("button-2"))
                .orElseThrow()
                .field()
                .orElseThrow()
                .usage())
        .isEqualTo(new Usage(Usage.BUTTON, 7));

    Node press = window.find("#press");
    window.hands.moveTo(press).press(MouseButton.PRIMARY);
    window.settle();
    assertThat(host(window).on()).containsExactly(new Usage(Usage.BUTTON, 7));
    window.hands.release(MouseButton.PRIMARY);
    window.settle();
    assertThat(host(window).on()).as("let go").isEmpty();

    Build before = window.bench().build();
    window.click("#station-panel");
    window.click("#control-button-1");
    window.hands.push(KeyCode.DELETE);
    assertThat(window.bench().build().controls()).hasSize(3);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).as("undo brings all of it back").isEqualTo(before);
    window.hands.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    assertThat(window.bench().build().controls()).hasSize(3);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);

    Path file = folder.resolve("bell.kumite.json");
    window.hands.push(KeyCode.CONTROL, KeyCode.S);
    window.type("#file-name", file.toString());
    assertThat(BuildFile.read(file, Catalogue.standard())).isEqualTo(before);
    assertThat(Window.onFx(() -> window.workbench().unsaved())).isFalse();
    window.hands.push(KeyCode.CONTROL, KeyCode.N);
    assertThat(window.bench().build().controls()).isEmpty();
    window.hands.push(KeyCode.CONTROL, KeyCode.O);
    window.type("#file-name", file.toString());
    assertThat(window.bench().build()).isEqualTo(before);

    Path sheet = folder.resolve("bell.pdf");
    window.click("#bench-sheet");
    window.type("#file-name", sheet.toString());
    WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> window.news().contains("written"));
    try (var document = Loader.loadPDF(sheet.toFile())) {
      assertThat(new PDFTextStripper().getText(document)).contains("Fog bell", "63.5", "Button 7");
    }
  }

  @Test
  public void theSameIsDoneWithoutAMouse() throws Exception {
    window = Window.open(folder.resolve("state"));
    for (String what :
        List.of("add button 30 lamp", "add button 24", "add toggle", "use native usb 5")) {
      find(what);
    }
    assertThat(window.bench().build().controls()).hasSize(3);
    assertThat(window.bench().board().map(BoardKind::id)).contains("native-5v-18");
    find("map the rest");
    assertThat(window.bench().build().mapping().entries()).hasSize(3);

    find("control button 1");
    Control before = window.bench().build().controls().get(0);
    // From the finder the focus goes back; Tab walks on to the plan, where arrows nudge.
    Window.onFx(
        () -> {
          window.stage().getScene().lookup("#control-button-1").requestFocus();
          return null;
        });
    window.hands.push(KeyCode.RIGHT);
    window.hands.push(KeyCode.SHIFT, KeyCode.UP);
    Control after = window.bench().build().controls().get(0);
    assertThat(after.placement().xMm() - before.placement().xMm()).isEqualTo(1.0);
    assertThat(after.placement().yMm() - before.placement().yMm()).isBetween(0.0999, 0.1001);

    window.hands.push(KeyCode.CONTROL, KeyCode.DIGIT4);
    assertThat(Window.onFx(() -> window.workbench().station().get())).isEqualTo(Station.MAP);
    Window.onFx(
        () -> {
          window.stage().getScene().lookup("#press").requestFocus();
          return null;
        });
    window.hands.press(KeyCode.T); // Toggle 1 takes T; it stays where it is put
    window.hands.release(KeyCode.T);
    assertThat(host(window).on()).hasSize(1);
    window.hands.press(KeyCode.T);
    window.hands.release(KeyCode.T);
    assertThat(host(window).on()).isEmpty();

    Path file = folder.resolve("keys.kumite.json");
    window.hands.push(KeyCode.CONTROL, KeyCode.S);
    window.settle();
    window.hands.write(file.toString());
    window.hands.push(KeyCode.ENTER);
    window.settle();
    assertThat(BuildFile.read(file, Catalogue.standard())).isEqualTo(window.bench().build());
  }

  /** Opens the finder, types and takes the first hit. */
  private void find(String what) {
    window.hands.push(KeyCode.CONTROL, KeyCode.K);
    window.settle();
    window.hands.write(what);
    window.hands.push(KeyCode.ENTER);
    window.settle();
  }

  @Test
  public void aFindingIsMendedByItsButtonAndMarkedOnThePlan() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    assertThat(window.bench().count(Severity.STOP)).isEqualTo(1);
    Node fix =
        window
            .hands
            .from(window.stage().getScene().getRoot())
            .lookup(".fix")
            .match(node -> ((javafx.scene.control.Button) node).getText().startsWith("Move Rudder"))
            .query();
    window.hands.clickOn(fix);
    assertThat(window.bench().count(Severity.STOP)).isZero();
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().count(Severity.STOP)).isEqualTo(1);
  }

  @Test
  public void draggingSnapsToNeighboursAndIsOneStep() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    Build before = window.bench().build();
    Node hail = window.find("#control-hail");
    Point2D from = Window.onFx(() -> hail.localToScreen(0, 0));
    Point2D radar =
        Window.onFx(() -> window.stage().getScene().lookup("#control-radar").localToScreen(0, 0));
    // Well below Radar, two pixels off its line: it must come to rest on the line.
    window
        .hands
        .moveTo(from.getX(), from.getY())
        .press(MouseButton.PRIMARY)
        .moveTo(radar.getX() + 40, from.getY() + 60)
        .moveTo(radar.getX() + 2, from.getY() + 80);
    window.settle();
    window.hands.release(MouseButton.PRIMARY);
    Build after = window.bench().build();
    Control moved = after.control(new ControlId("hail")).orElseThrow();
    assertThat(moved.placement().xMm())
        .isEqualTo(before.control(new ControlId("radar")).orElseThrow().placement().xMm());
    assertThat(moved.placement().yMm())
        .as("on whole millimetres")
        .isEqualTo(Math.rint(moved.placement().yMm()));
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).as("one step back").isEqualTo(before);
  }

  @Test
  public void aFunctionIsGivenByPressingItsControl() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.click("#station-map");
    javafx.scene.control.ListView<?> asks = window.find("#asks");
    Window.onFx(
        () -> {
          asks.requestFocus();
          asks.getSelectionModel().select(9); // Radar
          return null;
        });
    window.hands.push(KeyCode.ENTER);
    window.hands.press(KeyCode.B).release(KeyCode.B); // Bilge
    assertThat(window.bench().path(ContactId.parse("bilge")).orElseThrow().function())
        .isEqualTo("Radar");
    assertThat(window.bench().build().mapping().of(ContactId.parse("bilge")).orElseThrow().target())
        .as("its place in the report stays")
        .isEqualTo(new kumite.build.Target.Button(5));
  }

  @Test
  public void aLockAndABoardChangeAreMadeAtTheLoom() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.click("#station-loom");
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse("bilge"));
          return null;
        });
    window.click("#terminal-D12");
    assertThat(window.bench().findings().stream().filter(f -> f.code().equals("LM-04"))).hasSize(1);
    ComboBox<BoardKind> board = window.find("#board-choice");
    Window.onFx(
        () -> {
          board.setValue(Catalogue.standard().board("encoder-12-rail").orElseThrow());
          return null;
        });
    assertThat(window.bench().findings().stream().map(f -> f.code())).contains("LM-02", "LM-08");
    window.hands.push(KeyCode.CONTROL, KeyCode.Z).push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().count(Station.LOOM, Severity.STOP)).isZero();
  }

  @Test
  public void aBadFileLeavesTheOpenBuildUntouched() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    Build before = window.bench().build();
    Path bad = folder.resolve("bad.kumite.json");
    Files.writeString(bad, "{\"format\": \"kumite-build\", \"version\": 99}");
    window.hands.push(KeyCode.CONTROL, KeyCode.O);
    window.type("#file-name", bad.toString());
    assertThat(window.news()).contains("bad.kumite.json", "newer than this Kumite");
    assertThat(window.bench().build()).isEqualTo(before);
  }

  @Test
  public void unsavedWorkIsOfferedAtTheNextStart() throws Exception {
    Path state = folder.resolve("state");
    window = Window.open(state, "--demo", "ferry-bridge");
    window.click("#add-knob-9");
    Build unsaved = window.bench().build();
    window.close(); // as the application's stop does after a crash's last half second
    assertThat(new Journal(state).find(Catalogue.standard()).map(Journal.Unsaved::build))
        .isEqualTo(Optional.of(unsaved));
    window = Window.open(state);
    window.click("#recovery-keep");
    assertThat(window.bench().build()).isEqualTo(unsaved);
    assertThat(Window.onFx(() -> window.workbench().unsaved())).isTrue();
  }

  @Test
  public void nothingIsCutSilentlyAtTheSmallestSizeNorWithLargerType() throws Exception {
    SoftAssertions all = new SoftAssertions();
    Object[][] cases = {{13.0, "--demo"}, {16.25, "--demo"}, {13.0, ""}};
    for (Object[] each : cases) {
      double fontPx = (double) each[0];
      double width = fontPx > 13 ? 1280 : 1100;
      double height = fontPx > 13 ? 800 : 700;
      String[] what = each[1].equals("") ? new String[0] : new String[] {"--demo"};
      window =
          Window.sized(folder.resolve("state" + fontPx + each[1]), width, height, fontPx, what);
      for (Station station : Station.values()) {
        Window.onFx(
            () -> {
              window.workbench().station().set(station);
              return null;
            });
        all.assertThat(window.cutTexts()).as("%s at %s px", station.title(), fontPx).isEmpty();
      }
      window.close();
    }
    all.assertAll();
  }

  @Test
  public void typingInAFieldDoesNotPressControls() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.click("#station-log");
    TextField note = window.find("#new-note");
    window.hands.clickOn(note).write("hhh");
    window.settle();
    assertThat(Window.onFx(() -> window.workbench().holds().get().travel())).isEmpty();
    assertThat(note.getText()).isEqualTo("hhh");
    window.hands.push(KeyCode.ENTER);
    assertThat(window.bench().build().log()).hasSize(3);
  }

  @Test
  public void theBoardIsDraggedAndTypedIntoItsPlaceAndStrandsFollow() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    Build before = window.bench().build();
    int length = window.bench().loom().strandOf(ContactId.parse("nav")).orElseThrow().lengthMm();
    Node board = window.find("#board-below");
    Point2D middle =
        Window.onFx(
            () ->
                board.localToScreen(
                    board.getBoundsInLocal().getCenterX(), board.getBoundsInLocal().getCenterY()));
    window
        .hands
        .moveTo(middle.getX(), middle.getY() + 20)
        .press(MouseButton.PRIMARY)
        .moveTo(middle.getX() + 20, middle.getY() + 40)
        .moveTo(middle.getX() + 45, middle.getY() + 30);
    window.settle();
    window.hands.release(MouseButton.PRIMARY);
    Build after = window.bench().build();
    assertThat(after.board().orElseThrow().placement().xMm())
        .isGreaterThan(before.board().orElseThrow().placement().xMm());
    assertThat(window.bench().loom().strandOf(ContactId.parse("nav")).orElseThrow().lengthMm())
        .as("the strand from the left grows as the board goes right")
        .isGreaterThan(length);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).as("one step back").isEqualTo(before);
  }

  @Test
  public void inchesAreShownReadAndKeptAsMillimetres() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    find("show inches");
    window.click("#control-horn");
    TextField x = window.find("#place-x");
    assertThat(x.getText()).isEqualTo("5.827 in"); // 148 mm
    window.type("#place-x", "6");
    assertThat(
            window.bench().build().control(new ControlId("horn")).orElseThrow().placement().xMm())
        .isCloseTo(152.4, within(1e-9));
    window.type("#place-x", "150 mm");
    assertThat(
            window.bench().build().control(new ControlId("horn")).orElseThrow().placement().xMm())
        .isEqualTo(150.0);
  }

  @Test
  public void theFinderGoesToAWireByItsNumberAndAPinByItsName() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    find("pin D16");
    assertThat(Window.onFx(() -> window.workbench().station().get())).isEqualTo(Station.LOOM);
    ContactId byPin = Window.onFx(() -> window.workbench().path().get()).orElseThrow();
    assertThat(window.bench().path(byPin).orElseThrow().pin().orElseThrow().terminal().name())
        .isEqualTo("D16");
    find("W03");
    ContactId byWire = Window.onFx(() -> window.workbench().path().get()).orElseThrow();
    assertThat(window.bench().loom().strandOf(byWire).orElseThrow().id()).isEqualTo("W03");
    window.hands.push(KeyCode.CONTROL, KeyCode.K);
    window.find("#finder-text");
    window.hands.push(KeyCode.ESCAPE);
    window.settle();
    assertThat(Window.onFx(() -> window.stage().getScene().lookup("#finder-text"))).isNull();
  }

  @Test
  public void severalControlsAreCopiedMirroredAndDeletedTogether() throws Exception {
    window = Window.open(folder.resolve("state"));
    find("add button 24");
    find("add button 24");
    window.hands.push(KeyCode.CONTROL, KeyCode.A);
    window.settle();
    Window.onFx(
        () -> {
          window.stage().getScene().lookup("#control-button-1").requestFocus();
          return null;
        });
    window.hands.push(KeyCode.CONTROL, KeyCode.D);
    assertThat(window.bench().build().controls()).hasSize(4);
    assertThat(Window.onFx(() -> window.workbench().selection().get()))
        .as("the copies are selected")
        .containsExactlyInAnyOrder(new ControlId("button-3"), new ControlId("button-4"));
    List<Control> before = window.bench().build().controls();
    window.hands.push(KeyCode.CONTROL, KeyCode.M);
    Control mirrored = window.bench().build().control(new ControlId("button-3")).orElseThrow();
    assertThat(mirrored.placement().xMm() + before.get(2).placement().xMm())
        .as("about the centre line of a 300 mm panel")
        .isEqualTo(300.0);
    window.hands.push(KeyCode.DELETE);
    assertThat(window.bench().build().controls()).hasSize(2);
  }
}
