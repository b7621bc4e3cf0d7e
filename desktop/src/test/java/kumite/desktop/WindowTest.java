package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import kumite.build.Build;
import kumite.build.Control;
import kumite.files.BuildFile;
import kumite.files.Journal;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.kind.BoardKind;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.api.SoftAssertions;
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
    window.add("button-30");
    window.add("button-24");
    window.add("slider-60");
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
    window.click("#use-first-board"); // shows all boards, compared for this brief
    window.click("#brain-native-3v3-26");
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
    Fx.await(20, "the window says nothing", () -> window.news().contains("written"));
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

    window.hands.push(KeyCode.CONTROL, KeyCode.DIGIT6); // the sixth station
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
    assertThat(window.bench().count(Severity.STOP)).isEqualTo(2);
    Node fix =
        window.nodes(".fix").stream()
            .filter(
                node -> ((javafx.scene.control.Button) node).getText().startsWith("Move Rudder"))
            .findFirst()
            .orElseThrow();
    window.hands.clickOn(fix);
    assertThat(window.bench().count(Severity.STOP)).isEqualTo(1);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().count(Severity.STOP)).isEqualTo(2);
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
        .isEqualTo(new kumite.build.map.Target.Button(5));
  }

  @Test
  public void aLockAndABoardChangeAreMadeAtTheLoom() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.click("#station-loom");
    window.choose("By strand");
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse("bilge"));
          return null;
        });
    window.click("#terminal-D12");
    assertThat(window.bench().findings().stream().filter(f -> f.code().text().equals("LM-04")))
        .hasSize(1);
    ComboBox<BoardKind> board = window.find("#board-choice");
    Window.onFx(
        () -> {
          board.setValue(Catalogue.standard().board("encoder-12-rail").orElseThrow());
          return null;
        });
    assertThat(window.bench().findings().stream().map(f -> f.code().text()))
        .contains("LM-02", "LM-08");
    window.hands.push(KeyCode.CONTROL, KeyCode.Z).push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().count(Station.LOOM, Severity.STOP)).isZero();
    assertThat(board.getButtonCell().getText()).isEqualTo(window.bench().board().get().name());
    Window.onFx(
        () -> {
          window
              .workbench()
              .apply(
                  new kumite.build.Edit("No board", b -> b.withBoard(java.util.Optional.empty())));
          return null;
        });
    window.settle();
    assertThat(board.getButtonCell().getText()).isEqualTo("Choose a board");
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
    window.add("knob-9");
    Build unsaved = window.bench().build();
    window.close(); // as the application's stop does after a crash's last half second
    assertThat(
            new Journal(state, Rooms.standard())
                .find(Catalogue.standard())
                .work()
                .map(Journal.Unsaved::build))
        .isEqualTo(Optional.of(unsaved));
    window = Window.open(state);
    window.hands.push(KeyCode.H); // the horn's letter: nothing behind the question is pressed
    assertThat(Window.onFx(() -> window.workbench().holds().get().travel())).isEmpty();
    window.click("#recovery-keep");
    assertThat(window.bench().build()).isEqualTo(unsaved);
    assertThat(Window.onFx(() -> window.workbench().unsaved())).isTrue();
  }

  @Test
  public void nothingIsCutSilentlyAtTheSmallestSizeNorWithLargerType() throws Exception {
    SoftAssertions all = new SoftAssertions();
    Object[][] cases = {
      {13.0, 1100, 700, "--demo"},
      {16.25, 1280, 800, "--demo"}, // 125 %
      {19.5, 1280, 800, "--demo"}, // 150 %
      {26.0, 3840, 2160, "--demo"}, // 200 % on a large screen
      {13.0, 1100, 700, ""},
    };
    int state = 0;
    for (Object[] each : cases) {
      double fontPx = (double) each[0];
      int width = (int) each[1];
      int height = (int) each[2];
      String[] what = each[3].equals("") ? new String[0] : new String[] {"--demo"};
      window = Window.sized(folder.resolve("state" + state++), width, height, fontPx, what);
      for (Station station : Rooms.standard().stations()) {
        Window.onFx(
            () -> {
              window.workbench().station().set(station);
              return null;
            });
        String where = String.format("%s at %s px, %d wide", station.title(), fontPx, width);
        all.assertThat(window.cutTexts()).as(where).isEmpty();
        Node first = window.find("#station-brief");
        Node last = window.find("#bench-sheet");
        double left = Window.onFx(() -> first.localToScene(first.getBoundsInLocal()).getMinX());
        double right = Window.onFx(() -> last.localToScene(last.getBoundsInLocal()).getMaxX());
        all.assertThat(left).as("%s, its left edge", where).isNotNegative();
        all.assertThat(right).as("%s, its right edge", where).isLessThanOrEqualTo(width);
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

  @Test
  public void theSamePanelIsSeenFromBelowAndInSection() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    Node rudder = window.find("#control-rudder");
    Node hail = window.find("#control-hail");
    double apart =
        Window.onFx(() -> hail.localToScreen(0, 0).getX() - rudder.localToScreen(0, 0).getX());
    window.choose("Underside");
    double turned =
        Window.onFx(() -> hail.localToScreen(0, 0).getX() - rudder.localToScreen(0, 0).getX());
    assertThat(turned).as("as in a mirror").isCloseTo(-apart, within(1.0));
    Build before = window.bench().build();
    window.hands.clickOn(hail);
    window.hands.push(KeyCode.RIGHT);
    assertThat(
            window.bench().build().control(new ControlId("hail")).orElseThrow().placement().xMm())
        .as("the key moves it to the right as seen, which is left on the face")
        .isEqualTo(before.control(new ControlId("hail")).orElseThrow().placement().xMm() - 1);
    window.choose("Section");
    window.type("#section-at", "118");
    javafx.scene.layout.Pane section = window.find("#section");
    List<String> names =
        Window.onFx(
            () ->
                section.getChildren().stream()
                    .filter(javafx.scene.control.Label.class::isInstance)
                    .map(n -> ((Label) n).getText())
                    .toList());
    assertThat(names)
        .as("what the line at y = 118 meets")
        .contains("Rudder", "Port", "Starboard", "26.0"); // 72 less the 46 it hangs whole
  }

  @Test
  public void rowsAreLaidOutFittedAndKeptAsOneStep() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.choose("Lay out");
    window.type("#layout-count", "6");
    window.type("#layout-columns", "3");
    window.type("#layout-across", "1 1/4 in");
    Build before = window.bench().build();
    window.click("#layout-preview");
    assertThat(window.bench().build().controls()).as("shown, not kept").hasSize(6);
    window.click("#layout-fit");
    Fx.await(20, "the keys stay too near", () -> window.bench().gaps().tooNarrow().isEmpty());
    window.click("#layout-keep");
    Build kept = window.bench().build();
    assertThat(kept.controls()).hasSize(6);
    assertThat(window.bench().count(Station.PANEL, Severity.STOP)).isZero();
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).as("one step").isEqualTo(before);
    window.click("#layout-suggest"); // 36 to 40 mm for an average hand: common practice
    assertThat(((javafx.scene.control.TextInputControl) window.find("#layout-across")).getText())
        .isEqualTo("38.0 mm");
    window.type("#layout-across", "0");
    window.click("#layout-preview");
    assertThat(window.news()).contains("spacing across must be above 0");
    assertThat(window.bench().build()).isEqualTo(before);
  }

  @Test
  public void theLoupeLeversAndDrillTableSayWhatTheCoreSays() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.choose("Gaps");
    javafx.scene.control.ListView<?> gaps = window.find("#gaps");
    assertThat(gaps.getItems()).isEqualTo(window.bench().gaps().sideways());
    Window.onFx(
        () -> {
          gaps.getSelectionModel().select(1);
          return null;
        });
    window.settle();
    assertThat(Window.onFx(() -> window.workbench().selection().get()))
        .containsExactlyInAnyOrder(new ControlId("horn"), new ControlId("anchor"));
    window.choose("Levers");
    window.click("#use-lever-8-slim");
    assertThat(window.bench().build().control(new ControlId("rudder")).orElseThrow().kind())
        .isEqualTo("lever-8-slim");
    window.choose("Drill");
    javafx.scene.control.TableView<?> table = window.find("#drill-table");
    assertThat(table.getItems()).isEqualTo(window.bench().drill().inOrder());
    Path template = folder.resolve("t.pdf");
    window.hands.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.P);
    window.type("#file-name", template.toString());
    Fx.await(20, "the window says nothing", () -> window.news().contains("written"));
    try (var document = Loader.loadPDF(template.toFile())) {
      assertThat(new PDFTextStripper().getText(document))
          .contains("Anchor", "x 182.70", "turned over left to right");
    }
    Files.writeString(template, "not ours");
    window.hands.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.P);
    window.type("#file-name", template.toString());
    window.find("#file-confirm");
    assertThat(Files.readString(template)).as("asked first").isEqualTo("not ours");
    window.click("#file-confirm");
    Fx.await(20, "the template is not written", () -> template.toFile().length() > 1000);
  }

  @Test
  public void caseOutlineAndHandAreTypedAndJudged() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.choose("Panel");
    ComboBox<?> outline = window.find("#panel-outline");
    Window.onFx(
        () -> {
          outline.getSelectionModel().selectLast(); // corners that are typed
          return null;
        });
    window.type("#panel-corners", "40 0; 360 0; 400 220; 0 220");
    assertThat(window.bench().build().panel().outline()).hasSize(4);
    window.type("#panel-corners", "0 0; 400 220; 400 0; 0 220");
    assertThat(window.news()).contains("crosses itself");
    assertThat(window.bench().build().panel().outline().get(0)).isEqualTo(new Point(40, 0));
    window.choose("Case");
    window.type("#new-block", "batten: 0 40 400 10");
    assertThat(window.bench().build().panel().inside().blocks()).hasSize(1);
    window.fire("#block-change-0");
    window.type("#new-block", "batten: 0 40 400 10 floor 12");
    assertThat(window.bench().build().panel().inside().blocks())
        .containsExactly(
            new kumite.build.panel.Block("batten", 0, 40, 400, 10)
                .standing(kumite.build.panel.Block.Stands.FLOOR, 12));
    window.type("#panel-front-depth", "1 1/2 in");
    assertThat(window.bench().build().panel().inside().frontDepthMm())
        .isCloseTo(38.1, within(1e-9));
    window.click("#station-brief");
    window.choose("Player");
    window.type("#hand-reach", "120");
    assertThat(window.bench().findings().stream().filter(f -> f.code().text().equals("HD-01")))
        .isNotEmpty();
    window.type("#hand-force", "2.5");
    assertThat(window.bench().findings().stream().filter(f -> f.code().text().equals("HD-02")))
        .hasSize(2);
  }

  /** New, recent, a copy, everything: what people expect at a build's name. */
  @Test
  public void theBuildsNameOpensItsMenu() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    Path saved = folder.resolve("desk.kumite.json");
    menu("#menu-save-under-another-name");
    window.type("#file-name", saved.toString());
    assertThat(saved).exists();
    Path copy = folder.resolve("copy.kumite.json");
    menu("#menu-save-a-copy");
    window.type("#file-name", copy.toString());
    assertThat(Files.readString(copy)).isEqualTo(Files.readString(saved));
    assertThat(Window.onFx(() -> window.workbench().file().get())).contains(saved);
    Path all = folder.resolve("all");
    menu("#menu-export-everything");
    window.type("#file-name", all.toString());
    Fx.await(30, "the window says nothing", () -> window.news().contains("files are in"));
    try (var files = Files.list(all)) {
      assertThat(files.map(f -> f.getFileName().toString()))
          .contains("bench-sheet.pdf", "art.svg", "netlist.json", "kumite-exports.sha256");
    }
    menu("#menu-new-build");
    assertThat(window.bench().build().controls()).isEmpty();
    assertThat(new kumite.files.RecentFiles(folder.resolve("state")).all()).contains(saved);
    // Another program writes the file while it is open here: that is asked about.
    Window.onFx(
        () -> {
          window.workbench().file().set(Optional.of(saved));
          return null;
        });
    window.add("button-30");
    Files.writeString(saved, Files.readString(copy) + "\n");
    menu("#menu-save");
    window.find("#file-confirm");
    assertThat(Files.readString(saved)).endsWith("\n\n");
    window.click("#file-confirm");
    assertThat(Files.readString(saved)).isEqualTo(BuildFile.text(window.bench().build()));
  }

  private void menu(String item) {
    window.click("#build-menu");
    window.hands.clickOn(item);
    window.popupGone();
    window.settle();
  }

  /** The plan has more than half of the station's room in every tab, most with fields folded. */
  @Test
  public void thePlanHasMostOfTheRoomInEveryTab() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    for (String tab :
        new String[] {"Selected", "Panel", "Case", "Hand", "Lay out", "Gaps", "Levers", "Drill"}) {
      window.choose(tab);
      assertThat(planShare()).as(tab).isGreaterThan(2 / 3.0);
    }
    window.choose("Selected");
    double open = planShare();
    window.click("#fold-tabs");
    assertThat(planShare()).isGreaterThan(Math.max(open, 2 / 3.0));
    window.click("#fold-findings");
    Node findings = window.nodes(".findings").get(0);
    assertThat(Window.onFx(() -> findings.getBoundsInParent().getWidth())).isLessThan(60);
    window.click("#fold-findings");
  }

  private double planShare() {
    window.settle();
    Node plan = window.find("#plan");
    Node room = window.nodes(".station-room").get(0);
    return Window.onFx(
        () ->
            plan.getLayoutBounds().getWidth()
                * plan.getLayoutBounds().getHeight()
                / (room.getLayoutBounds().getWidth() * room.getLayoutBounds().getHeight()));
  }

  /**
   * No name lies on another, nor on the figure of a gap; gone to again, the station is as before.
   */
  @Test
  public void namesOnThePlanNeverLieOnEachOther() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.choose("Case");
    window.type("#new-block", "batten: 180 60 12 80");
    window.click("#station-loom");
    window.click("#station-panel");
    Node batten =
        window.nodes(".plan-note").stream()
            .filter(n -> "batten".equals(((Label) n).getText()))
            .findFirst()
            .orElseThrow();
    assertThat(Window.onFx(() -> batten.getLayoutBounds().getWidth())).isGreaterThan(12);
    for (String side : new String[] {"Top", "Underside"}) {
      window.choose(side);
      List<Node> words = new ArrayList<>(window.nodes(".control-label"));
      assertThat(words).hasSize(14);
      words.addAll(window.nodes(".gap-label"));
      words.addAll(
          window.nodes(".plan-note").stream()
              .filter(n -> "batten".equals(((Label) n).getText()))
              .toList());
      Window.onFx(
          () -> {
            for (int i = 0; i < words.size(); i++) {
              for (int j = 0; j < i; j++) {
                var one = words.get(i).localToScene(words.get(i).getLayoutBounds());
                var other = words.get(j).localToScene(words.get(j).getLayoutBounds());
                assertThat(one.intersects(other))
                    .as("%s over %s", words.get(i), words.get(j))
                    .isFalse();
              }
            }
            return null;
          });
    }
  }

  @Test
  public void anOwnPartIsDescribedAndUsed() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#own-part");
    window.type("#own-name", "Fog bell");
    window.type("#own-cutout", "wide");
    window.click("#own-add");
    javafx.scene.control.Label wrong = window.find("#own-wrong");
    assertThat(wrong.getText()).contains("hole in the panel", "not a length");
    window.type("#own-cutout", "1 1/8 in round");
    window.click("#own-add");
    assertThat(window.bench().build().own()).hasSize(1);
    window.add("own-fog-bell");
    assertThat(window.bench().drill().holes().get(0).shape().widthMm())
        .isCloseTo(28.575, within(1e-9));
    window.click("#own-part");
    kumite.desktop.field.Choice<kumite.kind.ControlKind> copy = window.find("#own-copy");
    Window.onFx(
        () -> {
          copy.setValue(Catalogue.standard().control("lever-8").orElseThrow());
          return null;
        });
    window.click("#own-add");
    kumite.kind.ControlKind copied = window.bench().build().own().get(1);
    assertThat(copied.gate()).as("what the form cannot say is kept").isPresent();
    assertThat(copied.screws()).hasSize(4);
    Path csv = folder.resolve("parts.csv");
    Files.writeString(csv, "id,name,family,cutout,body_depth\nx,X,button,30 round,deep\n");
    find("read own parts");
    window.type("#file-name", csv.toString());
    assertThat(window.news()).contains("row 2, body_depth", "Nothing was taken over");
    assertThat(window.bench().build().own()).hasSize(2);
  }

  @Test
  public void distancesAreMeasuredAndTheSheetIsZoomed() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.hands.push(KeyCode.CONTROL, KeyCode.E);
    window.click("#control-port");
    window.click("#control-starboard");
    javafx.scene.layout.Pane plan = window.find("#plan");
    assertThat(
            Window.onFx(
                () ->
                    plan.lookupAll(".dimension-label").stream()
                        .map(n -> ((Label) n).getText())
                        .toList()))
        .anySatisfy(text -> assertThat(text).contains("34.0 mm = 1.339 in"));
    window.hands.push(KeyCode.CONTROL, KeyCode.E);
    Node horn = window.find("#control-horn");
    Node hail = window.find("#control-hail");
    double apart =
        Window.onFx(() -> hail.localToScreen(0, 0).getX() - horn.localToScreen(0, 0).getX());
    Point2D at = Window.onFx(() -> horn.localToScreen(0, 0));
    window.hands.moveTo(at.getX(), at.getY()).scroll(1, javafx.geometry.VerticalDirection.UP);
    window.settle();
    assertThat(Window.onFx(() -> hail.localToScreen(0, 0).getX() - horn.localToScreen(0, 0).getX()))
        .as("larger")
        .isNotCloseTo(apart, within(5.0));
    assertThat(Window.onFx(() -> horn.localToScreen(0, 0)).distance(at))
        .as("what is under the mouse stays there")
        .isLessThan(2);
    window.hands.push(KeyCode.CONTROL, KeyCode.DIGIT0);
    window.settle();
    assertThat(Window.onFx(() -> hail.localToScreen(0, 0).getX() - horn.localToScreen(0, 0).getX()))
        .isCloseTo(apart, within(0.5));
  }

  @Test
  public void noTabOfThePanelCutsItsTexts() throws Exception {
    SoftAssertions all = new SoftAssertions();
    for (double fontPx : new double[] {13, 16.25}) {
      window =
          Window.sized(
              folder.resolve("tabs" + fontPx),
              fontPx > 13 ? 1280 : 1100,
              fontPx > 13 ? 800 : 700,
              fontPx,
              "--demo");
      for (String tab :
          List.of(
              "Panel",
              "Case",
              "Hand",
              "Lay out",
              "Gaps",
              "Levers",
              "Drill",
              "Underside",
              "Section")) {
        window.choose(tab);
        all.assertThat(window.cutTexts()).as("%s at %s px", tab, fontPx).isEmpty();
      }
      window.close();
    }
    all.assertAll();
  }
}
