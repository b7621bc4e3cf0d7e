package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polygon;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.Unfolded;
import kumite.build.Control;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.files.BuildFile;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A case made by a person in the window, from an empty panel to a saved box. */
public class CaseWindowTest {
  private Window window;
  private Path folder;

  @BeforeMethod
  public void open() throws Exception {
    folder = Files.createTempDirectory("kumite-case");
    window = Window.open(folder.resolve("state"));
    window.click("#station-panel");
    window.add("button-30");
    window.add("button-30");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    window.click("#station-case");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private <N> N find(String selector, Class<N> type) {
    return type.cast(window.stage().getScene().getRoot().lookup(selector));
  }

  private void set(String selector, String words) {
    Window.onFx(
        () -> {
          @SuppressWarnings("unchecked")
          ComboBox<Object> box = find(selector, ComboBox.class);
          box.setValue(
              box.getItems().stream()
                  .filter(item -> box.getConverter().toString(item).equals(words))
                  .findFirst()
                  .orElseThrow());
          return null;
        });
    window.settle();
  }

  private void type(String selector, String text) {
    Window.onFx(
        () -> {
          TextField field = find(selector, TextField.class);
          field.setText(text);
          field.getOnAction().handle(new ActionEvent());
          return null;
        });
    window.settle();
  }

  private Optional<Box> box() {
    return window.bench().build().get(BoxBook.PART).box();
  }

  private BoxPlan plan() {
    return window.bench().get(BoxChecks.PLAN);
  }

  private List<String> codes() {
    return window.bench().findings().stream().map(f -> f.code().text()).toList();
  }

  /** In one go: taken over, sloped, thickness in inches, an opening added, moved, sized, saved. */
  @Test
  public void aCaseIsMadeInTheWindow() throws Exception {
    assertThat(box()).isEmpty();
    assertThat(plan().pieces()).hasSizeGreaterThan(5);
    set("#case-lid-opens", "hinged at the back");
    type("#case-front-depth", "50");
    window.click("#case-take");
    assertThat(box()).isPresent();
    assertThat(plan().shape().tiltDegrees()).isGreaterThan(1);
    assertThat(find("#case-take", javafx.scene.Node.class).getParent().isVisible()).isFalse();
    set("#case-making", "boards");
    type("#case-thick", "1/4 in");
    assertThat(box().orElseThrow().making()).isInstanceOf(Making.Boards.class);
    assertThat(box().orElseThrow().making().thicknessMm()).isEqualTo(6.35);
    set("#case-making", "laser-cut sheet");
    set("#opening-through", Through.GLAND.words());
    set("#opening-face", Face.LEFT.words());
    window.fire("#opening-add");
    Cutout made = box().orElseThrow().opening("gland").orElseThrow();
    assertThat(made.face()).isEqualTo(Face.LEFT);
    assertThat(codes()).doesNotContain("CS-06", "CS-08", "CS-10");
    type("#opening-x", "5");
    assertThat(codes()).contains("CS-06");
    type("#opening-x", "2 in");
    assertThat(box().orElseThrow().opening("gland").orElseThrow().at().xMm()).isEqualTo(50.8);
    type("#opening-diameter", "16");
    assertThat(box().orElseThrow().opening("gland").orElseThrow().hole().widthMm()).isEqualTo(16);
    window.fire("#opening-out");
    assertThat(box().orElseThrow().opening("gland")).isEmpty();
    Path file = folder.resolve("cased.kumite.json");
    BuildFile.write(window.bench().build(), file);
    assertThat(BuildFile.read(file, Catalogue.standard()).get(BoxBook.PART).box()).isEqualTo(box());
  }

  /** Presses at a place of a picture, drags by so many dots, and lets go. */
  private void drag(Pane pane, double x, double y, double dx, double dy) {
    Point2D at = Window.onFx(() -> pane.localToScreen(x, y));
    window.hands.moveTo(at.getX(), at.getY()).press(MouseButton.PRIMARY);
    window.hands.moveTo(at.getX() + dx / 2, at.getY() + dy / 2);
    window.hands.moveTo(at.getX() + dx, at.getY() + dy).release(MouseButton.PRIMARY);
    window.settle();
  }

  /** An opening follows the mouse on its face, by half millimetres; one undo takes it back. */
  @Test
  public void anOpeningIsDragged() {
    window.click("#case-take");
    Cutout plug = box().orElseThrow().openings().get(0);
    Pane picture = find("#case-unfolded", Pane.class);
    Unfolded net = new Unfolded(plan().shape());
    Polygon drawn =
        Window.onFx(
            () ->
                (Polygon)
                    picture.getChildren().stream()
                        .filter(n -> n.getStyleClass().contains("case-opening"))
                        .findFirst()
                        .orElseThrow());
    Bounds at = drawn.getBoundsInParent();
    double scale =
        Math.min(
            (picture.getWidth() - 28) / net.widthMm(), (picture.getHeight() - 28) / net.heightMm());
    drag(picture, at.getCenterX(), at.getCenterY(), -40 * scale, -2);
    Cutout moved = box().orElseThrow().opening(plug.name()).orElseThrow();
    assertThat(plug.at().xMm() - moved.at().xMm()).isBetween(36.0, 44.0);
    assertThat(moved.at().xMm() * 2).isEqualTo(Math.rint(moved.at().xMm() * 2));
    assertThat(net.face(net.at(moved.face(), moved.at()))).hasValue(moved.face());
    assertThat(codes()).contains("CS-04");
    assertThat(find("#opening-x", TextField.class)).isNotNull();
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    window.settle();
    assertThat(box().orElseThrow().opening(plug.name())).hasValue(plug);
  }

  /** A control goes from the panel into a wall, where it is dragged, measured and wired. */
  @Test
  public void aControlGoesIntoAWall() {
    int panel = window.bench().drill().holes().size();
    set("#side-face", "right");
    Control side =
        window.bench().build().controls().stream()
            .filter(c -> c.face().isPresent())
            .findFirst()
            .orElseThrow();
    assertThat(side.face()).hasValue(Face.RIGHT);
    assertThat(window.bench().drill().holes()).hasSize(panel - 1);
    type("#side-y", "1 in");
    type("#side-x", "95");
    assertThat(window.bench().build().control(side.id()).orElseThrow().placement().centre())
        .isEqualTo(new Point(95, 25.4));
    assertThat(window.bench().build().flat().control(side.id()).orElseThrow().placement().xMm())
        .isGreaterThan(window.bench().build().panel().widthMm());
    Pane picture = find("#case-unfolded", Pane.class);
    Bounds at =
        Window.onFx(
            () ->
                picture.getChildren().stream()
                    .filter(n -> n.getStyleClass().contains("case-opening"))
                    .reduce((a, b) -> b)
                    .orElseThrow()
                    .getBoundsInParent());
    drag(picture, at.getCenterX(), at.getCenterY(), 0, -20);
    assertThat(window.bench().build().control(side.id()).orElseThrow().placement().xMm())
        .isGreaterThan(100);
    set("#side-face", "panel");
    assertThat(window.bench().drill().holes()).hasSize(panel);
  }

  /** The solid turns, opens and leaves faces out; sheets follow the stock. */
  @Test
  public void theSolidAndItsSheets() {
    window.click("#case-take");
    window.choose("Solid");
    Pane picture = find("#case-picture", Pane.class);
    List<String> before = shapes(picture);
    drag(picture, 100, 100, 80, 20);
    List<String> turned = shapes(picture);
    assertThat(turned).isNotEqualTo(before).isNotEmpty();
    Window.onFx(
        () -> {
          find("#case-lid", Slider.class).setValue(5);
          find("#case-show-back", CheckBox.class).setSelected(false);
          return null;
        });
    window.settle();
    assertThat(shapes(picture)).isNotEqualTo(turned).noneMatch(s -> s.startsWith("back"));
    window.choose("Sheets");
    window.fire("#stock-add");
    type("#stock-width-0", "250");
    type("#stock-height-0", "250");
    assertThat(codes()).contains("CS-12");
    type("#stock-width-0", "-5");
    assertThat(box().orElseThrow().stock().get(0).widthMm()).isEqualTo(250);
    type("#stock-width-0", "1000");
    type("#stock-height-0", "24 in");
    assertThat(codes()).doesNotContain("CS-12");
    assertThat(find("#case-sheets", Pane.class).getChildren()).hasSizeGreaterThan(6);
    window.fire("#stock-out-0");
    assertThat(box().orElseThrow().stock()).isEmpty();
  }

  private List<String> shapes(Pane picture) {
    return Window.onFx(
        () ->
            picture.getChildren().stream()
                .map(n -> n.getAccessibleText() + ((Polygon) n).getPoints())
                .toList());
  }
}
