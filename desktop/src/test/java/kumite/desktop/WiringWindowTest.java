package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import kumite.build.loom.Topology;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.name.ContactId;
import kumite.verdict.Bench;
import org.assertj.core.api.SoftAssertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Wiring and volts done by hand in the real window. */
public class WiringWindowTest {
  private Path folder;
  private Window window;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-wiring");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private Optional<Finding> first(Bench bench) {
    return bench.findings().stream()
        .filter(f -> f.severity() != Severity.FINE && !f.code().text().startsWith("PN"))
        .findFirst();
  }

  private void fix(String code) {
    Finding finding =
        window.bench().findings().stream()
            .filter(f -> f.code().text().equals(code))
            .findFirst()
            .orElseThrow();
    window.click("#fix-" + code);
    assertThat(window.bench().findings()).doesNotContain(finding);
  }

  @Test
  public void wrongWiringsPutInByHandAreNamedAndMended() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    select("bilge");
    window.choose("By hand");
    window.type("#hand-wire", "bilge:COM - board:3V3");
    window.click("#hand-add");
    assertThat(first(window.bench()).orElseThrow().code().text()).isEqualTo("NT-01");
    fix("NT-01");
    window.click("#hookup-nc");
    assertThat(first(window.bench()).orElseThrow().code().text()).isEqualTo("LM-12");
    fix("LM-12");
    assertThat(((CheckBox) window.find("#hookup-nc")).isSelected()).isFalse();
    window.type("#hand-wire", "bilge to nowhere");
    window.click("#hand-add");
    assertThat(window.news()).contains("write part:tab");
    window.type("#hand-dead", "D9");
    assertThat(window.bench().loom().plan().choices().values())
        .noneMatch(pin -> pin.terminal().name().equals("D9"));
    window.type("#hand-dead", "D99");
    assertThat(window.news()).contains("no terminal \"D99\"");
  }

  private void select(String contact) {
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse(contact));
          return null;
        });
    window.settle();
  }

  @Test
  public void whatTheMeterSaidIsHeldAgainstThePlan() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    window.choose("By hand");
    String one = terminal("bilge");
    String other = terminal("wiper");
    window.click("#hand-probe");
    TextArea area = window.find("#probe-pairs");
    Window.onFx(
        () -> {
          area.setText("bilge:NO,board:" + other + "\nwiper:NO,board:" + one + "\n");
          return null;
        });
    assertThat(((Label) window.find("#probe-found .label")).getText()).startsWith("swapped");
    Window.onFx(
        () -> {
          area.setText("bilge:NO,board:" + one + "\nwiper:NO,board:" + other + "\n");
          return null;
        });
    assertThat(((Label) window.find("#probe-found .label")).getText()).contains("as planned");
  }

  private String terminal(String contact) {
    return window.bench().loom().pinOf(ContactId.parse(contact)).orElseThrow().terminal().name();
  }

  @Test
  public void anotherWayOfWiringPlansAllAnewInOneUndoableStep() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    window.choose("What if");
    int before = window.bench().loom().lines().size();
    window.click("#use-matrix-with-diodes");
    Bench after = window.bench();
    assertThat(after.build().loom().groups().get(0).topology()).isEqualTo(Topology.MATRIX);
    assertThat(after.loom().lines().size()).isEqualTo(before - 14 + 8);
    assertThat(after.paths()).allMatch(path -> path.levels().isPresent());
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build().loom().groups()).isEmpty();
    window.choose("Boards");
    window.click("#wish-wireless");
    window.click("#brain-radio-3v3-21");
    assertThat(window.bench().board().orElseThrow().id()).isEqualTo("radio-3v3-21");
  }

  @Test
  public void aBoardOfOnesOwnIsPastedInAndRefusedByRow() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    window.choose("Boards");
    window.click("#own-board");
    StringBuilder table = new StringBuilder("terminal,can\nGND,\n3V3,\n");
    for (int i = 1; i <= 17; i++) {
      table.append("X").append(i).append(",digital pull_up analog\n");
    }
    paste(table + "X3,digital\n");
    window.click("#board-add");
    assertThat(((Label) window.find("#board-wrong")).getText()).contains("row 21").contains("X3");
    paste(table.toString());
    window.click("#board-add");
    assertThat(window.bench().board().orElseThrow().id()).isEqualTo("own-my-board");
    assertThat(window.bench().loom().plan().unplaced()).isEmpty();
    assertThat(window.bench().build().ownBoards()).hasSize(1);
  }

  private void paste(String text) {
    TextArea area = window.find("#board-table");
    Window.onFx(
        () -> {
          area.setText(text);
          return null;
        });
  }

  @Test
  public void levelsAreShownAndALampFedWrongIsNamed() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-power");
    assertThat(window.stage().getScene().getRoot().lookupAll(".circuit-card")).hasSize(4);
    window.choose("Budget");
    window.choose("Circuits");
    select("horn");
    window.click("#fix-PW-01");
    assertThat(window.bench().findings().stream().map(f -> f.code().text())).contains("PW-20");
    Window.onFx(
        () -> {
          window
              .workbench()
              .apply(
                  new kumite.build.Edit(
                      "Feed from 5V",
                      b ->
                          b.withControl(
                              new kumite.name.ControlId("horn"),
                              c -> c.withHookup(h -> h.withLampFrom(Optional.of("5V"))))));
          return null;
        });
    assertThat(first(window.bench()).orElseThrow().code().text()).isEqualTo("PW-07");
    fix("PW-07");
  }

  @Test
  public void oneKeyOpensTheSumsFromAnywhereAndTheyFollowTheTyping() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    for (String station : List.of("#station-map", "#station-power")) {
      window.click(station);
      window.hands.push(KeyCode.F2);
      window.settle();
      window.type("#sum-supply", station.equals("#station-map") ? "3V3" : "12");
      String result = ((Label) window.find("#sum-result")).getText();
      // By hand: (3.3 - 2.0) V / 15 mA = 86.7, next up 91; (12 - 2) / 15 mA = 667, next up 680.
      assertThat(result).startsWith(station.equals("#station-map") ? "91 ohm" : "680 ohm");
      window.hands.push(KeyCode.ESCAPE);
      window.settle();
    }
    window.hands.push(KeyCode.F2);
    window.type("#sum-current", "0");
    assertThat(((Label) window.find("#sum-result")).getText()).contains("current must be above 0");
  }

  /**
   * One wire after another with the space bar, back, and what is left; the ticks are the build's.
   */
  @Test
  public void wiresAreTickedOneByOneWithTheSpaceBar() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    window.click("#wire-by-wire");
    int all = window.bench().loom().strands().size();
    for (int i = 1; i <= 3; i++) {
      String name = ((Label) window.find("#wire-name")).getText();
      window.hands.push(KeyCode.SPACE);
      window.settle();
      assertThat(((Label) window.find("#wire-count")).getText())
          .isEqualTo((all - i) + " of " + all + " left");
      assertThat(((Label) window.find("#wire-name")).getText()).isNotEqualTo(name);
    }
    assertThat(window.bench().build().loom().done()).hasSize(3);
    window.hands.push(KeyCode.BACK_SPACE);
    window.click("#wire-done"); // not on after all
    assertThat(window.bench().build().loom().done()).hasSize(2);
    window.hands.push(KeyCode.ESCAPE);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build().loom().done()).as("a tick is a step").hasSize(3);
    window.choose("Boards");
    assertThat(window.nodes("#wire-by-wire")).as("only beside a picture of the board").isEmpty();
  }

  @Test
  public void hoveringAStrandLightsItsWholePath() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo");
    window.click("#station-loom");
    window.choose("By strand");
    select("horn");
    javafx.scene.Node row = window.nodes(".strand-row").get(2);
    window.hands.moveTo(row);
    window.settle();
    Optional<ContactId> shown = Window.onFx(() -> window.workbench().shown());
    assertThat(shown).isPresent().isNotEqualTo(Optional.of(ContactId.parse("horn")));
    assertThat(Window.onFx(() -> window.workbench().path().get()))
        .isEqualTo(Optional.of(ContactId.parse("horn")));
  }

  @Test
  public void noTabOfLoomAndPowerCutsItsTexts() throws Exception {
    SoftAssertions all = new SoftAssertions();
    for (double fontPx : new double[] {13, 16.25}) {
      window =
          Window.sized(
              folder.resolve("tabs" + fontPx),
              fontPx > 13 ? 1280 : 1100,
              fontPx > 13 ? 800 : 700,
              fontPx,
              "--demo",
              "lantern-duel");
      window.click("#station-loom");
      for (String tab :
          List.of(
              "Picture",
              "By strand",
              "By terminal",
              "Commons",
              "Cut list",
              "What if",
              "Boards",
              "By hand")) {
        window.choose(tab);
        all.assertThat(window.cutTexts()).as("%s at %s px", tab, fontPx).isEmpty();
      }
      window.click("#station-power");
      for (String tab : List.of("Circuits", "Budget")) {
        window.choose(tab);
        all.assertThat(window.cutTexts()).as("%s at %s px", tab, fontPx).isEmpty();
      }
      window.close();
    }
    all.assertAll();
  }

  /**
   * From an empty build in one go: buttons, a board, a ladder, a wire left out by hand. The strip,
   * the findings, the volts and the host tell of it; its repair brings the press back.
   */
  @Test
  public void aLadderIsBuiltBrokenByHandFoundAndMended() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#add-first");
    for (int i = 0; i < 3; i++) {
      window.add("button-30");
    }
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    window.click("#station-map");
    window.click("#map-rest");
    window.click("#station-loom");
    window.choose("What if");
    window.click("#use-resistor-ladder");
    assertThat(window.bench().wiring().orElseThrow().parts().toString()).contains("PULL_UP");
    window.choose("Cut list");
    select("button-4");
    assertThat(pressed()).containsExactly(4);
    window.choose("By hand");
    String wire =
        window.bench().loom().strands().stream()
            .map(kumite.loom.Strand::wire)
            .filter(w -> w.toString().contains("button-3:R"))
            .findFirst()
            .orElseThrow()
            .toString();
    window.type("#hand-wire", wire);
    window.click("#hand-leave");
    assertThat(first(window.bench()).orElseThrow().code().text()).isEqualTo("NT-06");
    select("button-4");
    assertThat(pressed()).as("beyond the break").isEmpty();
    select("button-2");
    assertThat(pressed()).as("before the break").containsExactly(2);
    window.click("#station-power");
    assertThat(window.bench().findings().stream().map(f -> f.code().text())).contains("PW-06");
    window.click("#station-loom");
    fix("NT-06");
    select("button-4");
    assertThat(pressed()).containsExactly(4);
    window.click("#station-power");
    String sheet = kumite.files.Tables.fittings(window.bench());
    assertThat(sheet.lines().count()).as("a pull-up and three rungs").isEqualTo(1 + 4);
  }

  /** The buttons the host sees while the shown path is held on the strip. */
  private java.util.List<Integer> pressed() {
    javafx.scene.Node press = window.find("#press");
    window.hands.moveTo(press).press(javafx.scene.input.MouseButton.PRIMARY);
    window.settle();
    kumite.hid.HostView seen =
        kumite.hid.HostView.of(
            window.bench().layout().fields(),
            Window.onFx(() -> window.workbench().trace().get())
                .orElseThrow()
                .last(0)
                .orElseThrow()
                .toBytes());
    window.hands.release(javafx.scene.input.MouseButton.PRIMARY);
    window.settle();
    return seen.on().stream().map(kumite.hid.Usage::id).sorted().toList();
  }
}
