package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import kumite.build.map.Script;
import kumite.files.RecentFiles;
import kumite.firmware.Trail;
import kumite.name.ContactId;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** The code for a build, found, followed and written in the window, and run outside of it. */
public class FirmwareWindowTest {
  private Window window;

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private static String make(Path folder, String... command) throws Exception {
    Process process =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectInput(ProcessBuilder.Redirect.from(new java.io.File("/dev/null")))
            .start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).as(said).isZero();
    return said;
  }

  @SuppressWarnings("unchecked")
  private List<Trail.Line> code() {
    return (List<Trail.Line>) List.copyOf(window.<ListView<?>>find("#firmware-code").getItems());
  }

  /** From an empty build to a folder that proves itself, and back from what a board tells. */
  @Test
  public void theCodeOfANewBuildIsWrittenAndProvesItself() throws Exception {
    Path folder = Files.createTempDirectory("kumite-firmware");
    Path desk = Files.createDirectory(folder.resolve("desk"));
    new RecentFiles(folder.resolve("state"))
        .used(Files.writeString(desk.resolve("older.kumite.json"), "{}"));
    window = Window.open(folder.resolve("state"));
    window.click("#add-first");
    for (String kind : new String[] {"button-24", "button-24", "slider-45"}) {
      window.add(kind);
    }
    window.click("#station-map");
    window.choose("Firmware");
    Fx.await(20, "no reason", () -> label("choose a board"));
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-5v-18");
    window.click("#station-map");
    window.choose("Contacts");
    window.click("#map-rest");
    window.choose("Firmware");
    Fx.await(20, "no contacts", () -> window.nodes("#firmware-contacts").size() == 1);
    Fx.await(20, "no rows", () -> !code().isEmpty());
    assertThat(label("It holds 4 contacts") || label("It holds 3 contacts")).isTrue();

    // One button followed from its row to the code.
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse("button-1"));
          return null;
        });
    window.settle();
    Fx.await(20, "not followed", () -> code().stream().anyMatch(l -> l.words().equals("Button 1")));
    assertThat(code()).anyMatch(line -> line.code().startsWith("look_terminal["));

    window.choose("Script");
    // What runs scripts has no room on this board, and the window says so.
    Fx.await(20, "no reason", () -> label("what runs scripts wants"));
    window.choose("Portable C");
    Fx.await(20, "no words", () -> label("plain C for any board"));
    window.click("#firmware-write");
    Path out = desk.resolve("pad-code");
    window.type("#file-name", out.toString());
    Fx.await(30, "not written", () -> Files.exists(out.resolve("kumite-exports.sha256")));
    assertThat(make(out, "make", "-s", "check")).contains("what the workbench showed");

    // What a board tells of itself is read back, contact by contact.
    Script script = Script.parse("s", "button-1@5+60ms button-1@120+60ms button-2@30+40ms");
    Path stream = desk.resolve("board.txt");
    Files.writeString(stream, window.bench().device().selfTest(script, 3).text());
    window.click("#firmware-self-test");
    window.type("#file-name", stream.toString());
    window.settle();
    assertThat(code().toString()).as(window.news()).contains("2 presses");
    assertThat(code()).anyMatch(line -> line.code().startsWith("1 press"));
    Files.writeString(stream, "self-test 1 looks 99 scan_us 1000\n");
    window.click("#firmware-self-test");
    window.type("#file-name", stream.toString());
    Fx.await(20, "not refused", () -> window.news().contains("tells of 99 contacts"));
    assertThat(window.cutTexts()).isEmpty();
  }

  private boolean label(String words) {
    return window.nodes("#firmware .label").stream()
        .anyMatch(node -> ((Label) node).getText().contains(words));
  }
}
