package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.MouseButton;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.hid.HostView;
import kumite.verdict.Bench;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The strip at the bottom says of every contact what the core says, and presses what it names. */
public class PathStripTest {
  private Window window;

  @BeforeClass
  public void open() throws Exception {
    window = Window.open(Files.createTempDirectory("kumite-strip"), "--demo", "ferry-bridge");
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private void choose(SignalPath path) {
    Window.onFx(
        () -> {
          window.workbench().select(path.id());
          return null;
        });
    window.settle();
  }

  private Set<String> words() {
    List<Node> labels = window.nodes(".path-strip .label");
    return Window.onFx(
        () ->
            labels.stream().map(label -> ((Labeled) label).getText()).collect(Collectors.toSet()));
  }

  @Test
  public void everyContactIsShownAsTheCoreHasIt() {
    Bench bench = window.bench();
    for (SignalPath path : bench.paths()) {
      choose(path);
      Set<String> words = words();
      assertThat(words).as("%s", path.id()).contains(path.site().label());
      path.pin().ifPresent(pin -> assertThat(words).contains(pin.terminal().name()));
      path.strand()
          .ifPresent(
              strand ->
                  assertThat(words)
                      .anyMatch(
                          text ->
                              text.contains(strand.id())
                                  && text.contains(strand.colour().code())
                                  && text.contains(String.valueOf(strand.lengthMm()))));
      path.target()
          .ifPresent(target -> assertThat(words).contains(kumite.map.TargetText.of(target)));
    }
  }

  /** Held by the mouse, the host sees what the simulated device sends; let go, it rests. */
  @Test
  public void theButtonOfTheStripPressesWhatItNames() {
    Bench bench = window.bench();
    for (String id : List.of("horn", "bilge", "rudder.left")) {
      SignalPath path = bench.path(kumite.name.ContactId.parse(id)).orElseThrow();
      choose(path);
      Node press = window.find("#press");
      window.hands.moveTo(press).press(MouseButton.PRIMARY);
      window.settle();
      Trace.Report sent =
          Window.onFx(() -> window.workbench().trace().get()).orElseThrow().last(0).orElseThrow();
      Trace.Report wanted = bench.device().steady(Holds.NONE.with(path.id(), 1)).get(0);
      assertThat(sent.hex()).as(id).isEqualTo(wanted.hex());
      window.hands.release(MouseButton.PRIMARY);
      window.settle();
      Trace.Report rest =
          Window.onFx(() -> window.workbench().trace().get()).orElseThrow().last(0).orElseThrow();
      assertThat(HostView.of(bench.layout().fields(), rest.toBytes()).on()).as(id).isEmpty();
    }
  }

  /** The findings fold by a key and by themselves, and open again when there is room. */
  @Test
  public void findingsFoldWhereTheWindowIsNarrowForItsType() {
    Node findings = window.nodes(".findings").get(0);
    double open = Window.onFx(() -> findings.getLayoutBounds().getWidth());
    type(19.5);
    assertThat(Window.onFx(() -> findings.getLayoutBounds().getWidth())).isLessThan(open / 2);
    type(13);
    assertThat(Window.onFx(() -> findings.getLayoutBounds().getWidth())).isEqualTo(open);
    window.hands.push(javafx.scene.input.KeyCode.F8);
    window.settle();
    assertThat(Window.onFx(() -> findings.getLayoutBounds().getWidth())).isLessThan(open / 2);
    // What a person folded stays folded, whatever the type.
    type(19.5);
    type(13);
    assertThat(Window.onFx(() -> findings.getLayoutBounds().getWidth())).isLessThan(open / 2);
    window.hands.push(javafx.scene.input.KeyCode.F8);
    window.settle();
    assertThat(Window.onFx(() -> findings.getLayoutBounds().getWidth())).isEqualTo(open);
  }

  /** A list that was scrolled stays where it was when the build changes under it. */
  @Test
  public void longListsKeepTheirPlaceAfterAnEdit() throws Exception {
    String[][] lists = {
      {"loom", "By strand", "#strands"},
      {"loom", "Cut list", "#cut-list"},
      {"loom", "By terminal", "#terminals"},
      {"map", "", "#contacts"},
      {"map", "", "#asks"},
      {"panel", "Gaps", "#gaps"},
    };
    for (String[] each : lists) {
      window.click("#station-" + each[0]);
      if (!each[1].isEmpty()) {
        window.choose(each[1]);
      }
      Node list = window.find(each[2]);
      Window.onFx(
          () -> {
            if (list instanceof javafx.scene.control.ListView<?> view) {
              view.scrollTo(5);
            } else {
              ((javafx.scene.control.TableView<?>) list).scrollTo(5);
            }
            return null;
          });
      window.settle();
      int before = firstShown(list);
      Window.onFx(
          () -> {
            window
                .workbench()
                .apply(
                    new kumite.build.Edit(
                        "Slack",
                        b ->
                            b.withLoom(
                                b.loom()
                                    .withLaying(
                                        b.loom()
                                            .laying()
                                            .withAllowances(
                                                b.loom().laying().slackMm() + 1, 120)))));
            return null;
          });
      window.settle();
      assertThat(firstShown(list)).as("%s keeps its place", each[2]).isEqualTo(before);
    }
    window.click("#station-panel");
    window.choose("Selected");
  }

  private int firstShown(Node list) {
    return Window.onFx(
        () ->
            ((javafx.scene.control.skin.VirtualFlow<?>) list.lookup(".virtual-flow"))
                .getFirstVisibleCell()
                .getIndex());
  }

  private void type(double px) {
    Window.onFx(
        () -> {
          window.stage().getScene().getRoot().setStyle("-fx-font-size: " + px + "px;");
          return null;
        });
    window.settle();
    window.settle();
  }
}
