package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Bring-up in the window: one question at a time, a stand-in with a fault, found and mended. */
public class BringUpWindowTest {
  private static final int PATIENCE_SECONDS = 60;

  private Window window;
  private Path folder;

  @BeforeMethod
  public void open() throws Exception {
    folder = Files.createTempDirectory("kumite-bring-up");
    window = Window.open(folder.resolve("state"));
    kumite.build.Build desk = Demo.open("ferry-bridge", Catalogue.standard());
    Window.onFx(
        () -> {
          window.workbench().open(desk, Optional.empty());
          return null;
        });
    window.settle();
    window.click("#station-bring-up");
    await("the questions never came", () -> !enabled("ask-space").isEmpty());
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private static void await(String what, java.util.function.BooleanSupplier until) {
    Fx.await(PATIENCE_SECONDS, what, () -> Window.onFx(until::getAsBoolean));
  }

  private Node find(String id) {
    return window.stage().getScene().getRoot().lookup("#" + id);
  }

  private Optional<Button> enabled(String id) {
    return find(id) instanceof Button button && !button.isDisabled() && button.isVisible()
        ? Optional.of(button)
        : Optional.empty();
  }

  private void fire(String id) {
    Window.onFx(
        () -> {
          enabled(id).orElseThrow(() -> new AssertionError("no button " + id)).fire();
          return null;
        });
    window.settle();
  }

  /** A key of the keyboard, wherever the focus is. */
  private void key(KeyCode code) {
    Window.onFx(
        () -> {
          window
              .stage()
              .getScene()
              .getRoot()
              .fireEvent(
                  new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
          return null;
        });
    window.settle();
  }

  private List<Entry> entries() {
    return Window.onFx(
        () ->
            window.workbench().build().get().get(RoundBook.PART).now().stream()
                .map(Round::entries)
                .findFirst()
                .orElse(List.of()));
  }

  private String text(String id) {
    return Window.onFx(() -> shows(id));
  }

  private String shows(String id) {
    return ((Label) find(id)).getText();
  }

  private void type(String id, String words) {
    Window.onFx(
        () -> {
          TextField field = (TextField) find(id);
          field.setText(words);
          field.fireEvent(new javafx.event.ActionEvent());
          return null;
        });
    window.settle();
  }

  private List<String> labels() {
    return Window.onFx(
        () ->
            window.stage().getScene().getRoot().lookupAll(".label").stream()
                .filter(Labeled.class::isInstance)
                .map(node -> ((Labeled) node).getText())
                .toList());
  }

  /** Keys answer, go back and skip; what is typed is said back, or refused and not lost. */
  @Test
  public void oneKeyAnswersAndAnotherTakesItBack() {
    String first = text("ask-question");
    assertThat(first).startsWith("Red probe on");
    key(KeyCode.SPACE);
    assertThat(entries()).hasSize(1);
    assertThat(text("ask-question")).isNotEqualTo(first);
    key(KeyCode.BACK_SPACE);
    assertThat(entries()).isEmpty();
    assertThat(text("ask-question")).isEqualTo(first);
    key(KeyCode.S);
    assertThat(entries()).hasSize(1).allMatch(e -> e.answer().isEmpty());
    type("ask-typed", "perhaps");
    assertThat(entries()).hasSize(1);
    type("ask-typed", "2k2");
    assertThat(entries()).hasSize(2);
    assertThat(entries().get(1).answer()).contains(new Answer.Ohms(2200));
    fire("bringup-begin");
    assertThat(entries()).isEmpty();
    assertThat(text("ask-question")).isEqualTo(first);
  }

  /** A supply that beeps to ground is a stop that is not to be powered. */
  @Test
  public void aShortedSupplyIsAStop() {
    key(KeyCode.N);
    assertThat(entries().get(0).answer()).contains(new Answer.Beep(true));
    Fx.await(
        PATIENCE_SECONDS,
        "no stop came",
        () ->
            window.bench().findings().stream()
                .anyMatch(f -> f.code().text().equals("BU-01") && f.title().contains("3V3")));
  }

  /** A desk with a hidden fault is asked until it is known, mended, and asked again. */
  @Test
  public void aHiddenFaultIsFoundByTheBestNextProbe() {
    window.click("#bringup-host");
    fire("stand-in-hide");
    fire("stand-in-all");
    assertThat(entries()).hasSizeGreaterThan(20);
    for (int i = 0; i < 12; i++) {
      await(
          "no diagnosis came",
          () ->
              labels().stream().anyMatch("Best next probe"::equals)
                  && labels().stream().noneMatch(l -> l.endsWith("...")));
      if (Window.onFx(() -> enabled("bringup-ask-next")).isEmpty()) {
        break;
      }
      fire("bringup-ask-next");
      int before = entries().size();
      fire("stand-in-answer");
      assertThat(entries().size()).isGreaterThan(before);
    }
    fire("stand-in-tell");
    String was = text("stand-in-says");
    assertThat(was).startsWith("It was: ");
    String fault = was.substring("It was: ".length(), was.length() - 1);
    List<String> shown = labels();
    boolean named = shown.stream().anyMatch(fault::equals);
    boolean alike =
        shown.stream().anyMatch(l -> l.contains("just the same") || l.contains("show anything"));
    assertThat(named || alike).as(fault + " among " + shown).isTrue();
    if (!Window.onFx(() -> enabled("bringup-mended")).isEmpty()) {
      fire("bringup-mended");
      assertThat(
              Window.onFx(
                  () ->
                      window
                          .workbench()
                          .build()
                          .get()
                          .get(RoundBook.PART)
                          .now()
                          .orElseThrow()
                          .repairs()))
          .hasSize(1);
      assertThat(text("ask-question")).isNotEqualTo("This round is through.");
    }
  }

  /** Any two places: the same reading as on the command line, with its working. */
  @Test
  public void anyTwoPlacesAreReadWithTheirWorking() {
    window.click("#bringup-between");
    choose("between-red", "anchor:NO");
    choose("between-black", "board:GND");
    assertThat(text("between-shows")).isEqualTo("The meter shows: silent");
    Window.onFx(
        () -> {
          ((TextField) find("between-held")).setText("anchor");
          return null;
        });
    window.settle();
    assertThat(text("between-shows")).isEqualTo("The meter shows: beep");
    assertThat(labels()).anyMatch(l -> l.contains("beeps below 50"));
    choose("between-red", "ghost:NO");
    assertThat(labels()).anyMatch(l -> l.contains("there is no place ghost:NO"));
  }

  private void choose(String id, String place) {
    Window.onFx(
        () -> {
          ((ComboBox<?>) find(id)).getEditor().setText(place);
          return null;
        });
    window.settle();
  }

  /** A board that tells of itself ticks the host round: what came and went is the answer. */
  @Test
  public void whatTheBoardTellsAnswersTheHostRound() throws Exception {
    window.click("#bringup-host");
    key(KeyCode.SPACE);
    key(KeyCode.SPACE);
    int before = entries().size();
    String asked = text("ask-question");
    int looks = window.bench().looks().size();
    String none = "0".repeat(looks);
    String one = "1" + "0".repeat(looks - 1);
    Path stream = folder.resolve("stream.txt");
    Files.writeString(
        stream,
        "noise of a start\nself-test 1 looks "
            + looks
            + " scan_us 1000\n0 "
            + none
            + " "
            + none
            + "\n5000 "
            + one
            + " "
            + none
            + "\n9000 "
            + one
            + " "
            + one
            + "\n12000 1\n90000 "
            + none
            + " "
            + none
            + "\n");
    type("live-from", stream.toString());
    await("the board never answered", () -> !shows("ask-question").equals(asked));
    assertThat(entries()).hasSize(before + 1);
    Entry told = entries().get(before);
    assertThat(told.note()).isEqualTo("told by the board");
    assertThat(told.answer().orElseThrow().toString()).isEqualTo("rudder.up");
    await("the end was not told", () -> shows("live-says").contains("ended"));
    type("live-from", folder.resolve("nothing").toString());
    assertThat(text("live-says")).contains("nothing");
    Path empty = Files.writeString(folder.resolve("empty.txt"), "");
    type("live-from", empty.toString());
    await("an empty stream was not told", () -> shows("live-says").contains("Nothing of a self"));
  }

  /** Days later the round goes on where it was left. */
  @Test
  public void theRoundIsKeptInTheFile() throws Exception {
    key(KeyCode.SPACE);
    key(KeyCode.SPACE);
    Path file = folder.resolve("desk.kumite.json");
    kumite.build.Build build = Window.onFx(() -> window.workbench().build().get());
    Files.writeString(file, kumite.files.BuildFile.text(build));
    kumite.build.Build read = kumite.files.BuildFile.read(file, Catalogue.standard());
    assertThat(read.get(RoundBook.PART)).isEqualTo(build.get(RoundBook.PART));
    Ask first = read.get(RoundBook.PART).now().orElseThrow().entries().get(0).ask();
    assertThat(first).isInstanceOf(Ask.Probe.class);
  }
}
