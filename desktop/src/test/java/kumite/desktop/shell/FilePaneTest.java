package kumite.desktop.shell;

import static org.testng.Assert.assertEquals;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import kumite.desktop.Fx;
import org.testfx.api.FxToolkit;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is chosen in the system's own file window counts as if it were typed. */
public class FilePaneTest {
  private final List<FilePane.Wanted> asked = new ArrayList<>();
  private final List<Path> acted = new ArrayList<>();
  private int closed;

  @BeforeClass
  public void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  @DataProvider
  public Object[][] uses() {
    return new Object[][] {
      {FilePane.Use.READ}, {FilePane.Use.WRITE}, {FilePane.Use.FOLDER},
    };
  }

  @Test(dataProvider = "uses")
  public void theSystemIsAskedForWhatIsWanted(FilePane.Use use) throws Exception {
    Path folder = Files.createTempDirectory("pane").toRealPath();
    Path chosen = folder.resolve("elsewhere/desk.kumite.json");
    browse(folder, use, "mine.kumite.json", Optional.of(chosen));
    assertEquals(
        asked,
        List.of(new FilePane.Wanted("Which?", folder, "mine.kumite.json", ".kumite.json", use)));
    assertEquals(acted, List.of(chosen));
    assertEquals(closed, 1);
  }

  @Test(dataProvider = "uses")
  public void anAskingWithoutAnAnswerLeavesThePane(FilePane.Use use) throws Exception {
    Path folder = Files.createTempDirectory("pane").toRealPath();
    browse(folder, use, "", Optional.empty());
    assertEquals(asked.size(), 1);
    assertEquals(acted, List.of());
    assertEquals(closed, 0);
  }

  /** What was typed, and is wanted by then, goes to the system's window, not what was suggested. */
  private void browse(Path folder, FilePane.Use use, String typed, Optional<Path> answer) {
    asked.clear();
    acted.clear();
    closed = 0;
    Fx.onFx(
        () -> {
          FilePane pane =
              new FilePane(
                  (wanted, owner) -> {
                    asked.add(wanted);
                    return answer;
                  });
          new Scene(pane);
          pane.onShow(() -> {}, () -> closed++);
          pane.ask(
              "Which?",
              "Go",
              folder,
              "suggested",
              ".kumite.json",
              use,
              acted::add,
              Optional.empty());
          ((TextField) pane.lookup("#file-name")).setText(typed);
          ((Button) pane.lookup("#file-browse")).fire();
        });
  }
}
