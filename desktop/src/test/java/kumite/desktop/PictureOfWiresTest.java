package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.shape.Polyline;
import kumite.loom.Strand;
import kumite.wiring.Lay;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The wires as a picture, worked with the mouse and with the keys, in one window. */
public class PictureOfWiresTest {
  private Window window;

  @BeforeClass
  public void open() throws Exception {
    window = Window.open(Files.createTempDirectory("kumite-lay"), "--demo", "ferry-bridge");
    window.click("#station-loom");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private Lay lay() {
    return window.bench().lay().orElseThrow();
  }

  private String words() {
    Label words = window.find("#lay-words");
    return Window.onFx(words::getText);
  }

  private void focus() {
    Node lay = window.find("#lay");
    Window.onFx(
        () -> {
          lay.requestFocus();
          return null;
        });
  }

  /** Walking with one key passes every wire once and says all of it; the other key goes back. */
  @Test
  public void theKeysReachEveryWire() {
    focus();
    List<String> passed = new ArrayList<>();
    int count = lay().wires().size();
    for (int i = 0; i < count; i++) {
      window.hands.push(KeyCode.RIGHT);
      window.settle();
      passed.add(words());
    }
    assertThat(passed).doesNotHaveDuplicates();
    for (Strand strand : window.bench().loom().strands()) {
      assertThat(passed)
          .anySatisfy(
              text ->
                  assertThat(text)
                      .startsWith(strand.id() + ", ")
                      .contains(strand.colour().code(), strand.from().words())
                      .contains("to " + strand.to().words()));
    }
    window.hands.push(KeyCode.LEFT);
    window.settle();
    assertThat(words()).isEqualTo(passed.get(count - 2));
    window.hands.push(KeyCode.ENTER);
    window.settle();
    String lit = words();
    var chosen = Window.onFx(() -> window.workbench().path().get());
    window.bench().loom().strands().stream()
        .filter(strand -> lit.startsWith(strand.id() + ", "))
        .findFirst()
        .flatMap(Strand::contact)
        .ifPresent(contact -> assertThat(chosen).contains(contact));
    window.hands.push(KeyCode.ESCAPE);
    window.settle();
  }

  /** A click in the middle of a wire's longest stretch chooses its contact, zoomed in or not. */
  @Test
  public void aClickChoosesTheContact() {
    window.click("#lay-fit");
    int tried = 0;
    for (String id : List.of("W01", "W16", "W12")) {
      Strand strand =
          window.bench().loom().strands().stream()
              .filter(s -> s.id().equals(id))
              .findFirst()
              .orElseThrow();
      Node node = wire(id);
      Point2D at = Window.onFx(() -> middle(node));
      window.hands.moveTo(at.getX(), at.getY());
      window.settle();
      if (words().startsWith(id + ",")) { // not where another one crosses over it
        window.hands.press(MouseButton.PRIMARY).release(MouseButton.PRIMARY);
        window.settle();
        assertThat(Window.onFx(() -> window.workbench().path().get())).isEqualTo(strand.contact());
        tried++;
      }
    }
    assertThat(tried).isPositive();
  }

  private Node wire(String id) {
    return window.nodes("LaidWire").stream()
        .filter(node -> node.getAccessibleText().startsWith(id + ","))
        .findFirst()
        .orElseThrow();
  }

  private static Point2D middle(Node wire) {
    Polyline line = (Polyline) ((javafx.scene.Group) wire).getChildren().get(0);
    double best = 0;
    Point2D middle = Point2D.ZERO;
    var points = line.getPoints();
    for (int i = 2; i < points.size(); i += 2) {
      Point2D a = new Point2D(points.get(i - 2), points.get(i - 1));
      Point2D b = new Point2D(points.get(i), points.get(i + 1));
      if (a.distance(b) > best) {
        best = a.distance(b);
        middle = a.midpoint(b);
      }
    }
    return line.localToScreen(middle);
  }

  /** A click on a free terminal moves the chosen contact's wire there, in one step. */
  @Test
  public void aClickOnAFreeTerminalMovesTheWire() {
    Window.onFx(
        () -> {
          window.workbench().select(kumite.name.ContactId.parse("bilge"));
          return null;
        });
    window.click("#lay-fit");
    var before = window.bench().build();
    Node free =
        window.nodes(".lay-free").stream()
            .filter(node -> node.getAccessibleText().contains("free"))
            .findFirst()
            .orElseThrow();
    String name = free.getAccessibleText().replaceAll(",.*", "");
    window.hands.clickOn(free);
    window.settle();
    assertThat(window.bench().build().loom().locks())
        .containsEntry(kumite.name.ContactId.parse("bilge"), name);
    assertThat(
            window
                .bench()
                .path(kumite.name.ContactId.parse("bilge"))
                .orElseThrow()
                .pin()
                .orElseThrow()
                .terminal()
                .name())
        .isEqualTo(name);
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    assertThat(window.bench().build()).isEqualTo(before);
  }

  /** From below the panel is turned over left to right, from the face it is not. */
  @Test
  public void theFaceIsTheMirrorOfBelow() {
    window.click("#lay-fit");
    List<Double> below = middles();
    window.choose("Face");
    List<Double> face = middles();
    Bounds view = window.find("#lay").getBoundsInLocal();
    for (int i = 0; i < below.size(); i++) {
      // The room for rulers stands at the left on both sides.
      assertThat(below.get(i) + face.get(i))
          .isCloseTo(view.getWidth() + 38, org.assertj.core.api.Assertions.within(2.5));
    }
    window.choose("From below");
    assertThat(middles()).isEqualTo(below);
  }

  private List<Double> middles() {
    List<Node> bodies = window.nodes("Polygon");
    return Window.onFx(
        () ->
            bodies.stream()
                .filter(node -> node.getStyleClass().contains("lay-body"))
                .map(node -> node.getBoundsInParent().getCenterX())
                .toList());
  }

  /** The wheel brings the place under the mouse closer; Home shows the whole panel again. */
  @Test
  public void theWheelZooms() {
    // The mouse stays where it is: what it points at is told below, and takes its room.
    window.hands.moveTo(window.find("#lay"));
    double before = home();
    window.hands.scroll(2, VerticalDirection.UP);
    window.settle();
    assertThat(width()).isGreaterThan(before * 1.3);
    assertThat(home()).isCloseTo(before, org.assertj.core.api.Assertions.within(0.5));
  }

  /** The width once it fits the room that it has; a slow machine is still making room at first. */
  private double home() {
    double before = 0;
    for (int more = 0; more < 20; more++) {
      focus();
      window.hands.push(KeyCode.HOME);
      window.settle();
      double now = width();
      if (now == before) {
        return now;
      }
      before = now;
    }
    throw new AssertionError("the picture never comes to rest");
  }

  private double width() {
    List<Node> outlines = window.nodes(".panel-outline");
    return Window.onFx(
        () ->
            outlines.stream()
                .filter(Node::isVisible)
                .mapToDouble(node -> node.getBoundsInParent().getWidth())
                .max()
                .orElseThrow());
  }

  /** Each wire, small part and the picture itself say what they are to a screen reader. */
  @Test
  public void everythingDrawnSaysWhatItIs() {
    Set<String> said = new HashSet<>();
    for (Node node : window.nodes("LaidWire")) {
      assertThat(node.getAccessibleRole()).isNotNull();
      assertThat(said.add(node.getAccessibleText())).as(node.getAccessibleText()).isTrue();
    }
    assertThat(said).hasSize(lay().wires().size());
    assertThat(window.find("#lay").getAccessibleText()).contains("Wires");
  }
}
