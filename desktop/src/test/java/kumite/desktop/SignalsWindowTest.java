package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import kumite.device.SignalPath;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.signal.PortKind;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Ports in the window, from an empty build to a press that reaches the host. */
public class SignalsWindowTest {
  private Window window;
  private Path folder;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-signals");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private List<String> labels() {
    return Window.onFx(
        () ->
            window.stage().getScene().getRoot().lookupAll(".label").stream()
                .filter(Labeled.class::isInstance)
                .map(node -> ((Labeled) node).getText())
                .toList());
  }

  private String read() {
    return Window.onFx(
        () -> ((Labeled) window.stage().getScene().getRoot().lookup("#port-read")).getText());
  }

  private void hold(ContactId contact, double travel) {
    Window.onFx(
        () -> {
          if (travel > 0) {
            window.workbench().hold(contact, travel);
          } else {
            window.workbench().letGo(contact);
          }
          return null;
        });
    window.settle();
  }

  private Optional<Finding> found(String code) {
    return window.bench().findings().stream().filter(f -> f.code().text().equals(code)).findFirst();
  }

  private void apply(kumite.build.Edit edit) {
    Window.onFx(
        () -> {
          window.workbench().apply(edit);
          return null;
        });
    window.settle();
  }

  /** Two old pads to one board: added, wired, pressed, one fault read off and mended. */
  @Test
  public void twoPadsAreReadFromAnEmptyBuildOn() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#station-signals");
    assertThat(labels()).contains("Nothing plugs in yet");
    window.click("#port-add");
    window.click("#port-add");
    assertThat(window.bench().build().ports().ports()).hasSize(2);
    assertThat(window.bench().build().ports().ports().get(1).label()).isEqualTo("Pad 2");
    assertThat(window.workbench().path().get().orElseThrow().control().text())
        .as("the strip follows the port that was added")
        .isEqualTo("pad-2");
    apply(found("SG-02").orElseThrow().fix().orElseThrow().edit());
    assertThat(window.bench().board()).isPresent();
    apply(found("MP-01").orElseThrow().fix().orElseThrow().edit());
    assertThat(window.bench().paths()).hasSize(24).allMatch(SignalPath::whole);
    assertThat(labels())
        .contains("clock", "latch", "data", "supply", "ground", "shared with Pad 1");

    ContactId start = ContactId.parse("pad-2.start");
    assertThat(read()).contains("nothing held").contains("a pad is there").contains("210.0 us");
    hold(start, 1);
    assertThat(read()).contains("The board reads: Start ·");
    assertThat(window.workbench().trace().get().orElseThrow().reports()).hasSizeGreaterThan(1);
    hold(start, 0);

    List<Jumper> clock =
        window.bench().loom().strands().stream()
            .map(strand -> strand.wire())
            .filter(wire -> List.of(wire.a(), wire.b()).contains(new Joint("pad-2", "clock")))
            .toList();
    for (Jumper wire : clock) {
      apply(new kumite.build.Edit("Leave out", b -> b.withLoom(b.loom().withLeftOut(wire))));
    }
    Finding told = found("NT-06").orElseThrow();
    assertThat(told.title()).contains("clock");
    assertThat(read()).contains("unclear");
    for (int i = 0; i < clock.size(); i++) {
      apply(found("NT-06").orElseThrow().fix().orElseThrow().edit());
    }
    assertThat(window.bench().findings()).noneMatch(f -> f.severity() == Severity.STOP);
    assertThat(read()).contains("nothing held");
  }

  /** A USB pad by its descriptor: what is understood is said while it is typed, then plugged in. */
  @Test
  public void aPadOfOnesOwnIsPluggedIn() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#station-signals");
    window.click("#port-own");
    assertThat(labels()).contains("Nothing pasted yet.");
    window.fill("#own-pad-name", "Table stick");
    window.fill("#own-pad-text", "05 01 09 04 A1 01 05");
    assertThat(labels())
        .anyMatch(text -> text.contains("not closed") || text.contains("cut short"));
    window.fill(
        "#own-pad-text",
        "05 01 09 04 A1 01 05 09 19 01 29 03 15 00 25 01 75 01 95 03 81 02 75 05 95 01 81 03"
            + " 05 01 09 30 15 81 25 7F 75 08 95 01 81 02 C0");
    assertThat(labels()).contains("Understood: buttons 1, 2, 3; axes X.");
    window.click("#own-pad-plug");
    assertThat(window.bench().build().ports().ports().get(0).label()).isEqualTo("Table stick");
    apply(found("SG-02").orElseThrow().fix().orElseThrow().edit());
    apply(found("MP-01").orElseThrow().fix().orElseThrow().edit());
    assertThat(window.bench().paths()).hasSize(4).allMatch(SignalPath::whole);
    assertThat(window.bench().findings()).noneMatch(f -> f.severity() == Severity.STOP);
    hold(ContactId.parse("pad-1.b2"), 1);
    assertThat(read()).contains("The board reads: 2, X 0.50");
    assertThat(window.workbench().trace().get().orElseThrow().reports()).hasSizeGreaterThan(1);
  }

  /** A port's label, feed and life are changed here, and each change can be taken back. */
  @Test
  public void aPortIsRenamedFedAndTakenOut() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "attic-pads");
    window.click("#station-signals");
    ListView<?> list =
        Window.onFx(() -> (ListView<?>) window.stage().getScene().getRoot().lookup("#ports"));
    Window.onFx(
        () -> {
          list.getSelectionModel().select(2);
          return null;
        });
    window.settle();
    assertThat(labels()).contains("Pad 3: from its plug to the board");
    window.type("#port-label", "Window seat");
    assertThat(window.bench().build().ports().ports().get(2).label()).isEqualTo("Window seat");
    assertThat(window.bench().paths())
        .anyMatch(path -> path.site().label().equals("Window seat start"));
    window.click("#port-delete");
    assertThat(window.bench().build().ports().ports()).hasSize(3);
    assertThat(window.bench().build().mapping().entries().keySet())
        .noneMatch(contact -> contact.control().text().equals("pad-3"));
    Window.onFx(
        () -> {
          window.workbench().undo();
          return null;
        });
    window.settle();
    assertThat(window.bench().build().ports().ports()).hasSize(4);
    assertThat(window.bench().findings())
        .filteredOn(f -> f.station().equals(Station.SIGNALS))
        .allMatch(f -> f.severity() == Severity.FINE);
    assertThat(window.cutTexts()).isEmpty();
  }

  /**
   * A pad for a select-line console out of a multiplexer, from an empty build on: each level of the
   * select line shows what it tells, and a wire that is missing is read off.
   */
  @Test
  public void aConsoleIsAnsweredByChipsFromAnEmptyBuildOn() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#station-signals");
    Window.onFx(
        () -> {
          ComboBox<?> kinds =
              (ComboBox<?>) window.stage().getScene().getRoot().lookup("#port-kind");
          for (int i = 0; i < kinds.getItems().size(); i++) {
            if (((PortKind) kinds.getItems().get(i)).id().equals("select-line-3")) {
              kinds.getSelectionModel().select(i);
            }
          }
          return null;
        });
    window.click("#port-answer");
    assertThat(labels()).contains("Console 1: from its plug to the board", "What it asks for");
    apply(found("SG-02").orElseThrow().fix().orElseThrow().edit());
    assertThat(window.bench().board().orElseThrow().id()).isEqualTo("circuit-select-line-3");
    assertThat(labels()).contains("Start\nnobody gives it");
    apply(found("SG-14").orElseThrow().fix().orElseThrow().edit());
    assertThat(window.bench().findings())
        .as("%s", window.bench().findings())
        .noneMatch(f -> f.severity() == Severity.STOP);
    assertThat(labels())
        .contains("select high", "select low", "U1 quad two-to-one multiplexer, type 157");

    hold(ContactId.parse("start"), 1);
    assertThat(read()).contains("It reads: Start ·");
    assertThat(labels()).contains("Start\nlow", "C\nhigh", "always\nlow");
    hold(ContactId.parse("start"), 0);
    hold(ContactId.parse("c"), 1);
    assertThat(labels()).contains("Start\nhigh", "C\nlow");
    hold(ContactId.parse("c"), 0);
    assertThat(window.cutTexts()).isEmpty();

    Jumper select =
        window.bench().loom().strands().stream()
            .map(strand -> strand.wire())
            .filter(wire -> List.of(wire.a(), wire.b()).contains(new Joint("console-1", "select")))
            .findFirst()
            .orElseThrow();
    apply(new kumite.build.Edit("Leave out", b -> b.withLoom(b.loom().withLeftOut(select))));
    assertThat(found("SG-12")).isPresent();
    assertThat(read()).contains("unclear");
    Window.onFx(
        () -> {
          window.workbench().undo();
          return null;
        });
    window.settle();
    assertThat(found("SG-21")).isPresent();
  }
}
