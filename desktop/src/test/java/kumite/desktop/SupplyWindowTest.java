package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import javafx.event.ActionEvent;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.paint.Color;
import kumite.build.loom.WireSort;
import kumite.build.supply.Rgb;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.device.Holds;
import kumite.files.BuildFile;
import kumite.kind.SupplyKind;
import kumite.kind.WireColour;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Supplies;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What feeds a build, and the wire at hand, put in by a person in the window. */
public class SupplyWindowTest {
  private Window window;

  @BeforeMethod
  public void open() throws Exception {
    window = Window.open(Files.createTempDirectory("kumite-supply").resolve("state"));
    window.click("#station-panel");
    window.add("button-30");
    window.add("button-30");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private <N> N find(String selector, Class<N> type) {
    return type.cast(window.stage().getScene().getRoot().lookup(selector));
  }

  private void set(String selector, Object value) {
    Window.onFx(
        () -> {
          @SuppressWarnings("unchecked")
          ComboBox<Object> box = find(selector, ComboBox.class);
          box.setValue(value);
          return null;
        });
    window.settle();
  }

  private void add(String kind) {
    Window.onFx(
        () -> {
          @SuppressWarnings("unchecked")
          ComboBox<SupplyKind> box = find("#supply-kind", ComboBox.class);
          box.setValue(
              box.getItems().stream().filter(k -> k.id().equals(kind)).findFirst().orElseThrow());
          return null;
        });
    window.click("#supply-add");
  }

  private SupplyPart part(String kind) {
    return window.bench().build().get(SupplyBook.PART).parts().stream()
        .filter(p -> p.kind().equals(kind))
        .findFirst()
        .orElseThrow();
  }

  private List<String> codes() {
    return window.bench().findings().stream().map(f -> f.code().text()).toList();
  }

  /** A lit desk: a jack, a switch, a strip; judged, opened, coloured, counted, kept. */
  @Test
  public void aLitDeskIsBuiltAndJudged() throws Exception {
    window.click("#station-power");
    window.choose("Supply");
    add("jack-5v");
    add("switch-3a");
    add("strip-60");
    SupplyPart strip = part("strip-60");
    assertThat(strip.from()).contains(part("switch-3a").id());
    assertThat(codes()).contains("SU-11");
    window.type("#supply-count-" + strip.id() + " .text-field", "30");
    assertThat(part("strip-60").count()).isEqualTo(30);
    assertThat(codes()).doesNotContain("SU-11").contains("SU-20");
    // The first source feeds the board; what it takes is on the jack as the strip is.
    assertThat(window.bench().get(Supplies.TREE).of(part("jack-5v")).orElseThrow().worstMilliamps())
        .isGreaterThan(30 * 60.0);

    Window.onFx(
        () -> {
          ColorPicker picker = find("#supply-held-" + strip.id(), ColorPicker.class);
          picker.setValue(Color.rgb(255, 0, 0));
          picker.fireEvent(new ActionEvent());
          return null;
        });
    window.settle();
    assertThat(part("strip-60").shows().held()).contains(new Rgb(255, 0, 0));
    Bench bench = window.bench();
    Holds held = Holds.NONE.with(bench.paths().get(0).id(), 1);
    window.click("#station-map");
    assertThat(bench.device().move(Holds.NONE, held, 1).lit()).isNotEmpty();

    window.click("#station-power");
    window.choose("Supply");
    window.click("#supply-open-" + part("switch-3a").id());
    assertThat(part("switch-3a").open()).isTrue();
    assertThat(codes()).contains("SU-09");
    assertThat(window.bench().get(Supplies.TREE).of(part("strip-60")).orElseThrow().alive())
        .isFalse();
    window.click("#supply-out-" + part("switch-3a").id());
    assertThat(part("strip-60").from()).contains(part("jack-5v").id());
    assertThat(codes()).doesNotContain("SU-09");

    Path kept = Files.createTempFile("lit", BuildFile.ENDING);
    Files.writeString(kept, BuildFile.text(window.bench().build()));
    assertThat(BuildFile.parse(Files.readString(kept), "lit", Catalogue.standard()))
        .isEqualTo(window.bench().build());
  }

  /** Thin wire for signals, jumpers for grounds, typed in inches; nonsense changes nothing. */
  @Test
  public void theWireAtHandIsChosen() {
    window.click("#station-loom");
    window.choose("Cut list");
    set("#sort-gauge-signal", OptionalInt.of(28));
    set("#sort-colour-signal", Optional.of(WireColour.Hue.BU));
    assertThat(sort(WireSort.Use.SIGNAL).gaugeAwg()).hasValue(28);
    assertThat(window.bench().loom().strands())
        .filteredOn(s -> s.use() == WireSort.Use.SIGNAL)
        .isNotEmpty()
        .allMatch(s -> s.gaugeAwg() == 28 && s.colour().code().startsWith("BU"));
    assertThat(window.bench().loom().strands())
        .filteredOn(s -> s.use() == WireSort.Use.GROUND)
        .allMatch(s -> s.gaugeAwg() == 22);
    type("#sort-jumpers-ground", "100, 8 in; 500mm");
    assertThat(sort(WireSort.Use.GROUND).jumpersMm()).isEqualTo(Set.of(100, 203, 500));
    type("#sort-jumpers-ground", "100, long");
    assertThat(sort(WireSort.Use.GROUND).jumpersMm()).isEqualTo(Set.of(100, 203, 500));
    assertThat(Window.onFx(() -> find("#wire-sorts-told", Label.class).getText())).contains("long");
    type("#sort-jumpers-ground", "");
    assertThat(sort(WireSort.Use.GROUND).jumpersMm()).isEmpty();
  }

  private WireSort sort(WireSort.Use use) {
    return window.bench().build().loom().laying().sort(use);
  }

  private void type(String selector, String text) {
    Window.onFx(
        () -> {
          TextField field = find(selector, TextField.class);
          field.setText(text);
          field.fireEvent(new ActionEvent());
          return null;
        });
    window.settle();
  }

  /** What was planned is taken over as locks: a control added later moves nothing. */
  @Test
  public void thePlanIsLocked() {
    window.choose("By terminal");
    var before = window.bench().loom().plan().choices();
    window.click("#lock-all");
    assertThat(window.bench().build().loom().locks().keySet()).isEqualTo(before.keySet());
    window.click("#station-panel");
    window.add("lever-8");
    before.forEach(
        (id, choice) ->
            assertThat(window.bench().loom().plan().of(id).orElseThrow().terminal())
                .isEqualTo(choice.terminal()));
    window.click("#station-loom");
    window.choose("By terminal");
    window.click("#lock-all"); // those of the lever too
    window.click("#lock-all");
    assertThat(window.bench().build().loom().locks()).isEmpty();
  }
}
