package kumite.desktop.loom;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.wiring.Lay;

/** The picture of the wires with its tools, and the lit wire in words below. */
final class LayTab extends VBox {
  private final Workbench workbench;
  private final LayView view;
  private final Label words = new Label();

  /**
   * The picture.
   *
   * @param wireByWire opens the mode in which wires are put on one by one
   */
  LayTab(Workbench workbench, Shell.Frame frame, Runnable wireByWire) {
    this.workbench = workbench;
    view = new LayView(workbench);
    Segments<Boolean> side =
        new Segments<>(below -> below ? "From below" : "Face", view::below, true, false);
    side.choose(true);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox bar =
        new HBox(
            side,
            tool("−", "lay-smaller", "Smaller  (−)", () -> view.zoom(1 / 1.25)),
            tool("+", "lay-larger", "Larger  (+)", () -> view.zoom(1.25)),
            tool("Fit", "lay-fit", "The whole panel  (Home)", view::fit),
            gap,
            tool(
                "Wiring board",
                "print-wiring-board",
                "Print the wires in true size, from below, to lay them on",
                () -> frame.commands().export(Exports.WIRING_BOARD)),
            WireBench.opener("wire-by-wire", wireByWire));
    bar.getStyleClass().add("lay-bar");
    words.setId("lay-words");
    words.setWrapText(true);
    words.setMaxWidth(Double.MAX_VALUE);
    words.setMinHeight(Region.USE_PREF_SIZE);
    words.getStyleClass().add("lay-words");
    VBox.setVgrow(view, Priority.ALWAYS);
    view.tell(this::say);
    getChildren().addAll(bar, view, words);
  }

  private static Button tool(String text, String id, String tip, Runnable run) {
    Button button = new Button(text);
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setAccessibleText(tip);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(event -> run.run());
    return button;
  }

  void show(Bench bench) {
    view.show(bench);
    say();
  }

  private void say() {
    Optional<Lay.Laid> lit = view.lit();
    words.setText(
        lit.map(wire -> LaidWire.words(wire, workbench.build().get().brief().units()))
            .orElseGet(() -> view.lay().map(LayTab::all).orElse("")));
  }

  private static String all(Lay lay) {
    long hand = lay.wires().stream().filter(w -> w.state() == Lay.State.ADDED).count();
    long out = lay.wires().stream().filter(w -> w.state() == Lay.State.LEFT_OUT).count();
    return (lay.wires().size() - hand)
        + " wires of the plan"
        + (out > 0 ? ", " + out + " of them left out" : "")
        + (hand > 0 ? ", " + hand + " put in by hand" : "")
        + (lay.parts().isEmpty() ? "" : ", " + lay.parts().size() + " small parts in the lines")
        + ", "
        + lay.ties().size()
        + " ties. "
        + (lay.astray().isEmpty()
            ? ""
            : "Not drawn, since an end is nowhere on this build: "
                + String.join(", ", lay.astray().stream().map(Object::toString).toList())
                + ". ")
        + "Point at a wire, or walk with the arrow keys; a free terminal takes the"
        + " chosen wire. Tabs stand in a row by their names: where"
        + " they sit on your part may differ.";
  }
}
