package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import kumite.build.Build;
import kumite.build.panel.Block;
import kumite.measure.Point;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Corners, blocks and battens by hand on the plan, in one window. */
public class ReshapeWindowTest {
  private Window window;

  @BeforeClass
  public void open() throws Exception {
    window = Window.open(Files.createTempDirectory("kumite-reshape"), "--demo", "ferry-bridge");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  @BeforeMethod
  public void fresh() {
    Window.onFx(
        () -> {
          window.workbench().open(kumite.build.Build.empty("Shape"), Optional.empty());
          return null;
        });
    window.add("button-30");
  }

  /** Drags from the middle of what answers to a name to a place so many millimetres off. */
  private void drag(String named, double rightMm, double backMm) {
    window.settle();
    Node handle =
        handles()
            .filter(n -> n.getAccessibleText().startsWith(named))
            .findFirst()
            .orElseThrow(() -> new AssertionError("no handle is " + named));
    Point2D at =
        Window.onFx(
            () ->
                handle.localToScreen(
                    handle.getBoundsInLocal().getCenterX(),
                    handle.getBoundsInLocal().getCenterY()));
    drag(at, rightMm, backMm);
  }

  private Stream<Node> handles() {
    return Stream.of(".handle", ".handle-side", ".handle-body")
        .flatMap(style -> window.nodes(style).stream());
  }

  private void drag(Point2D at, double rightMm, double backMm) {
    double px = pxPerMm();
    window
        .hands
        .moveTo(at.getX(), at.getY())
        .press(MouseButton.PRIMARY)
        .moveTo(at.getX() + rightMm * px / 2, at.getY() - backMm * px / 2)
        .moveTo(at.getX() + rightMm * px, at.getY() - backMm * px);
    window.settle();
    window.hands.release(MouseButton.PRIMARY);
    window.settle();
  }

  private double pxPerMm() {
    Node outline = panel();
    double width = window.bench().build().panel().widthMm();
    return Window.onFx(() -> outline.getLayoutBounds().getWidth()) / width;
  }

  private Node panel() {
    return window.nodes(".panel-outline").stream()
        .filter(n -> n.getLayoutBounds().getWidth() > 200)
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void aCornerIsDraggedToWholeMillimetresInOneStep() {
    window.choose("Panel");
    Build before = window.bench().build();
    drag("Corner 3", -40, -30);
    List<Point> corners = window.bench().build().panel().corners();
    assertThat(corners).hasSize(4);
    assertThat(corners.get(2).xMm()).isCloseTo(260, within(2.0));
    assertThat(corners.get(2).yMm()).isCloseTo(170, within(2.0));
    assertThat(corners.get(2).xMm()).isEqualTo(Math.rint(corners.get(2).xMm()));
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).as("one step").isEqualTo(before);
  }

  /** What is on the panel stays among the corners that were not moved. */
  @Test
  public void theButtonStaysWhenTheFrontLeftCornersGoOut() {
    window.choose("Panel");
    Point button = window.bench().build().controls().get(0).placement().centre();
    drag("Middle of side 4", -30, 0);
    Build after = window.bench().build();
    assertThat(after.panel().corners()).hasSize(5);
    double grown = after.panel().widthMm() - 300;
    assertThat(grown).isCloseTo(30, within(2.0));
    assertThat(after.controls().get(0).placement().xMm())
        .isCloseTo(button.xMm() + grown, within(1e-6));
  }

  /** A corner that would make the outline cross itself is refused in words, and nothing changes. */
  @Test
  public void anOutlineThatCrossesItselfIsRefused() {
    window.choose("Panel");
    drag("Middle of side 1", 0, 40);
    Build before = window.bench().build();
    drag("Corner 2", 120, 320);
    assertThat(window.bench().build()).isEqualTo(before);
    assertThat(window.news()).contains("cross");
  }

  @Test
  public void aBlockIsDrawnMovedAndSized() {
    window.choose("Case");
    window.click("#draw-block");
    Node outline = panel();
    Point2D corner =
        Window.onFx(
            () -> {
              var bounds = outline.localToScreen(outline.getLayoutBounds());
              return new Point2D(bounds.getMinX(), bounds.getMaxY());
            });
    double px = pxPerMm();
    drag(corner.add(20 * px, -20 * px), 60, 18);
    assertThat(blocks()).hasSize(1);
    Block drawn = blocks().get(0);
    assertThat(drawn.widthMm()).isCloseTo(60, within(2.0));
    assertThat(drawn.heightMm()).isCloseTo(18, within(2.0));
    drag("block 1: drag", 50, 100);
    Block moved = blocks().get(0);
    assertThat(moved.leftMm() - drawn.leftMm()).isCloseTo(50, within(2.0));
    assertThat(moved.frontMm() - drawn.frontMm()).isCloseTo(100, within(2.0));
    assertThat(moved.widthMm()).isEqualTo(drawn.widthMm());
    drag("block 1, its back right corner", 25, 10);
    Block sized = blocks().get(0);
    assertThat(sized.widthMm() - moved.widthMm()).isCloseTo(25, within(2.0));
    assertThat(sized.leftMm()).isEqualTo(moved.leftMm());
    // In another tab the blocks lie still.
    window.choose("Hand");
    assertThat(handles().filter(n -> n.getAccessibleText().startsWith("block 1"))).isEmpty();
  }

  private List<Block> blocks() {
    return window.bench().build().panel().inside().blocks();
  }
}
