package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import kumite.name.ContactId;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What a screen reader and a keyboard find: WCAG 2.1, success criteria 4.1.2 (name, role, value)
 * and 2.1.1 (keyboard), over every station and tab of one window.
 */
public class AccessTest {
  private Window window;

  @BeforeClass
  public void open() throws Exception {
    window = Window.open(Files.createTempDirectory("kumite-access"), "--demo", "ferry-bridge");
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse("horn"));
          return null;
        });
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  @DataProvider
  Object[][] places() {
    return new Object[][] {
      {"brief", List.of()},
      {
        "panel",
        List.of(
            "Selected",
            "Panel",
            "Case",
            "Hand",
            "Lay out",
            "Gaps",
            "Levers",
            "Drill",
            "Underside",
            "Section",
            "Top")
      },
      {
        "loom",
        List.of(
            "Picture",
            "By strand",
            "By terminal",
            "Commons",
            "Cut list",
            "What if",
            "Boards",
            "By hand")
      },
      {"power", List.of("Circuits", "Budget")},
      {"map", List.of("Contacts", "Rules", "Axes", "Play", "Compare", "Chart", "Timing", "Report")},
      {"leads", List.of("Pins", "Faces", "Make", "Join", "Ring-out")},
      {"log", List.of()},
    };
  }

  @Test(dataProvider = "places")
  public void everythingWithFocusHasARoleAndAName(String station, List<String> tabs) {
    window.click("#station-" + station);
    Set<String> nameless = new LinkedHashSet<>(nameless(station));
    for (String tab : tabs) {
      window.choose(tab);
      nameless.addAll(nameless(tab));
    }
    assertThat(nameless).isEmpty();
  }

  /** What lies over the window is read out as well as what is under it. */
  @Test
  public void whatLiesOverTheWindowIsNamedToo() {
    Set<String> nameless = new LinkedHashSet<>();
    for (KeyCode key : new KeyCode[] {KeyCode.F2, KeyCode.F7}) {
      window.hands.push(key);
      window.settle();
      nameless.addAll(nameless(key.getName()));
      window.hands.push(KeyCode.ESCAPE);
    }
    window.hands.push(KeyCode.CONTROL, KeyCode.K);
    window.settle();
    nameless.addAll(nameless("finder"));
    window.hands.push(KeyCode.ESCAPE);
    window.hands.push(KeyCode.CONTROL, KeyCode.O);
    window.settle();
    nameless.addAll(nameless("open"));
    window.hands.push(KeyCode.ESCAPE);
    window.settle();
    assertThat(nameless).isEmpty();
  }

  private List<String> nameless(String where) {
    window.settle();
    Node root = window.stage().getScene().getRoot();
    return Window.onFx(
        () -> {
          List<String> found = new ArrayList<>();
          walk(root, where, found);
          return found;
        });
  }

  private static void walk(Node node, String where, List<String> nameless) {
    if (!node.isVisible()) {
      return;
    }
    if (node.isFocusTraversable() && !node.isDisabled()) {
      if (node.getAccessibleRole() == null || node.getAccessibleRole() == AccessibleRole.NODE) {
        nameless.add(where + ": no role: " + node);
      }
      if (name(node).isBlank()) {
        nameless.add(where + ": no name: " + node);
      }
    }
    // What a skin is made of speaks through its control.
    boolean whole = node instanceof Control && !(node instanceof javafx.scene.control.ScrollPane);
    if (node instanceof Parent parent && (!whole || cells(node))) {
      parent.getChildrenUnmodifiable().forEach(child -> walk(child, where, nameless));
    }
  }

  private static boolean cells(Node node) {
    return node instanceof javafx.scene.control.ListView<?>
        || node instanceof javafx.scene.control.TableView<?>
        || node instanceof javafx.scene.control.IndexedCell<?>;
  }

  /** What a screen reader says: the name given, else the text, else that of the label for it. */
  private static String name(Node node) {
    if (node.getAccessibleText() != null) {
      return node.getAccessibleText();
    }
    if (node instanceof Labeled labeled && labeled.getText() != null) {
      return labeled.getText();
    }
    if (node instanceof TextInputControl field && field.getPromptText() != null) {
      return field.getPromptText();
    }
    Object label = node.queryAccessibleAttribute(AccessibleAttribute.LABELED_BY);
    return label instanceof Labeled labeled ? labeled.getText() : "";
  }

  /** Tab goes round all that has focus and comes back; none is a trap (criterion 2.1.2). */
  @Test(dataProvider = "places")
  public void tabGoesRoundAndComesBack(String station, List<String> tabs) {
    window.click("#station-" + station);
    window.settle();
    Set<Node> passed = new LinkedHashSet<>();
    Node first = Window.onFx(() -> window.stage().getScene().getFocusOwner());
    passed.add(first);
    for (int i = 0; i < 400; i++) {
      window.hands.push(KeyCode.TAB);
      Node now = Window.onFx(() -> window.stage().getScene().getFocusOwner());
      if (now == first) {
        assertThat(passed)
            .as("all stations and the path strip are on the way")
            .hasSizeGreaterThan(8);
        return;
      }
      assertThat(passed.add(now) || now == first)
          .as("%s again before all were passed", now)
          .isTrue();
    }
    throw new AssertionError("Tab does not come back to " + first);
  }
}
