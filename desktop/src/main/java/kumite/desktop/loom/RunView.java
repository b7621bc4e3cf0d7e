package kumite.desktop.loom;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import kumite.desktop.field.StrandLine;
import kumite.kind.WireColour;
import kumite.loom.CommonRun;

/** A common drawn in laid order: stops on a wire, and what a break of each stretch silences. */
final class RunView extends VBox {
  RunView(CommonRun run) {
    getStyleClass().add("run");
    Label title = new Label(run.words() + ", in laid order");
    title.getStyleClass().add("strong");
    Label risk =
        new Label(
            run.silencedByOneBreak() == 0
                ? "one break silences nothing"
                : "one break silences up to " + run.silencedByOneBreak());
    risk.getStyleClass().add("note");
    HBox head = new HBox(title, risk);
    head.getStyleClass().add("row");
    FlowPane way = new FlowPane();
    way.getStyleClass().add("run-way");
    way.setMinHeight(Region.USE_PREF_SIZE);
    List<CommonRun.Link> links = run.links();
    way.getChildren().add(stop(run.terminal(), true));
    for (CommonRun.Link link : links) {
      way.getChildren().add(stretch(link, run.rail().colour()));
      way.getChildren()
          .add(
              stop(
                  link.to().equals("board") ? "back to the board" : link.to(),
                  link.to().equals("board")));
    }
    getChildren().addAll(head, way);
  }

  private static HBox stop(String text, boolean board) {
    Circle dot = new Circle(4);
    dot.getStyleClass().addAll("pad", board ? "circuit-solid" : "free");
    Label label = new Label(text);
    label.getStyleClass().add(board ? "mono" : "run-stop");
    HBox stop = new HBox(dot, label);
    stop.getStyleClass().add("run-item");
    return stop;
  }

  private static HBox stretch(CommonRun.Link link, WireColour colour) {
    Line line = new Line(0, 0, 18, 0);
    line.setStrokeWidth(3);
    line.setStroke(StrandLine.paint(colour.base()));
    HBox box = new HBox(line);
    box.getStyleClass().add("run-item");
    String silent =
        link.silenced().isEmpty()
            ? "a break here silences nothing"
            : "a break here silences " + String.join(", ", link.silenced());
    Tooltip.install(box, new Tooltip(link.from() + " to " + link.to() + ": " + silent));
    return box;
  }
}
