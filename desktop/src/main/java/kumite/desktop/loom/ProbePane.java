package kumite.desktop.loom;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.verdict.Bench;
import kumite.wiring.Nets;
import kumite.wiring.Probe;
import kumite.wiring.Wiring;

/** Pairs probed with a continuity meter, pasted in and held against the plan as one types. */
final class ProbePane extends VBox {
  private final Workbench workbench;
  private final TextArea pairs = new TextArea("from,to,beeps\n");
  private final VBox found = new VBox();

  ProbePane(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    getStyleClass().add("file-pane");
    setMaxSize(760, 560);
    Label title = new Label("What the meter said");
    title.getStyleClass().add("emphasis");
    Label how =
        new Label(
            "Nothing powered. One pair a line: from, to and, where it stayed silent, no. Places as in"
                + " the netlist, such as horn:NO,board:D6. Export the netlist to have all names.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(USE_PREF_SIZE);
    pairs.setId("probe-pairs");
    pairs.getStyleClass().add("mono");
    pairs.setPrefRowCount(10);
    pairs.textProperty().addListener((o, was, is) -> hold());
    found.setId("probe-found");
    found.getStyleClass().add("cards");
    ScrollPane scroll = new ScrollPane(found);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    Button done = new Button("Close");
    done.setOnAction(event -> frame.over().lower());
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(gap, done);
    foot.getStyleClass().add("foot");
    getChildren().addAll(title, how, pairs, scroll, foot);
    hold();
  }

  private void hold() {
    found.getChildren().clear();
    Bench bench = workbench.bench().get();
    if (bench.board().isEmpty()) {
      say("Choose a board first: without one there is no plan to hold it against.", "look-text");
      return;
    }
    try {
      Probe probe = Probe.parse(pairs.getText());
      Nets plan = Wiring.planned(bench.board().get(), bench.loom()).nets();
      List<Probe.Found> differences = probe.against(plan, bench.loom());
      int count = probe.readings().size();
      if (differences.isEmpty()) {
        say(count + (count == 1 ? " pair: as planned" : " pairs: as planned"), "fine-text");
      }
      for (Probe.Found difference : differences) {
        say(difference.kind().words() + ": " + difference.words(), "stop-text");
      }
    } catch (IllegalArgumentException e) {
      say(e.getMessage(), "look-text");
    }
  }

  private void say(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setWrapText(true);
    label.setMinHeight(USE_PREF_SIZE);
    found.getChildren().add(label);
  }
}
