package kumite.desktop.loom;

import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.loom.Strand;
import kumite.loom.WireWork;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.verdict.Bench;

/**
 * One wire at a time in large type, for hands that hold an iron. Space ticks it and goes on,
 * Backspace goes back, Right skips; the ticks belong to the build.
 */
final class WireBench extends VBox {
  private final Workbench workbench;
  private final Label count = new Label();
  private final ProgressBar progress = new ProgressBar();
  private final Label wire = new Label();
  private final Label size = new Label();
  private final Label fromWhere = new Label();
  private final Label fromHow = new Label();
  private final Label toWhere = new Label();
  private final Label toHow = new Label();
  private final Label first = new Label();
  private final StrandLine line = new StrandLine();
  private final WireEnd fromEnd = new WireEnd();
  private final WireEnd toEnd = new WireEnd();
  private final Button done = new Button();
  private int at;

  WireBench(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    getStyleClass().addAll("file-pane", "wire-bench");
    setMaxSize(1000, 600);
    setAccessibleRole(AccessibleRole.PARENT);
    setAccessibleText("Wire by wire");
    Label title = new Label("Wire by wire");
    title.getStyleClass().add("emphasis");
    Button close = new Button("Close");
    close.setId("wire-close");
    close.setOnAction(event -> frame.over().lower());
    HBox.setHgrow(progress, Priority.ALWAYS);
    progress.setMaxWidth(Double.MAX_VALUE);
    count.setId("wire-count");
    count.setMinWidth(Region.USE_PREF_SIZE);
    HBox head = new HBox(title, progress, count, close);
    head.getStyleClass().add("wire-head");
    wire.getStyleClass().add("wire-name");
    wire.setId("wire-name");
    size.getStyleClass().addAll("mono", "wire-size");
    line.setPrefWidth(200);
    line.setMaxWidth(200);
    HBox name = new HBox(wire, line, size);
    name.getStyleClass().add("wire-head");
    HBox ends =
        new HBox(end("from", fromWhere, fromHow, fromEnd), end("to", toWhere, toHow, toEnd));
    ends.getStyleClass().add("wire-ends");
    VBox.setVgrow(ends, Priority.ALWAYS);
    first.setWrapText(true);
    first.setMinHeight(Region.USE_PREF_SIZE);
    first.getStyleClass().add("wire-first");
    Button back = big("Back", "wire-back", () -> go(-1));
    Button skip = big("Skip", "wire-skip", () -> go(1));
    done.setId("wire-done");
    done.getStyleClass().addAll("accent", "wire-button");
    done.setMaxWidth(Double.MAX_VALUE);
    done.setOnAction(event -> tick());
    HBox.setHgrow(done, Priority.ALWAYS);
    HBox foot = new HBox(back, done, skip);
    foot.getStyleClass().add("wire-foot");
    getChildren().addAll(head, name, ends, first, foot);
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    setFocusTraversable(true);
    workbench.bench().addListener((o, was, is) -> show());
    show();
  }

  private static VBox end(String which, Label where, Label how, WireEnd picture) {
    Label name = new Label(which);
    name.getStyleClass().add("field-name");
    where.getStyleClass().add("wire-where");
    where.setWrapText(true);
    where.setId("wire-" + which);
    how.getStyleClass().addAll("mono", "wire-how");
    how.setWrapText(true);
    VBox box = new VBox(name, where, how, picture);
    box.getStyleClass().add("wire-end");
    VBox.setVgrow(picture, Priority.ALWAYS);
    HBox.setHgrow(box, Priority.ALWAYS);
    box.setPrefWidth(440);
    return box;
  }

  private static Button big(String text, String id, Runnable run) {
    Button button = new Button(text);
    button.setId(id);
    button.getStyleClass().add("wire-button");
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(event -> run.run());
    return button;
  }

  private void key(KeyEvent event) {
    switch (event.getCode()) {
      case SPACE -> tick();
      case BACK_SPACE, LEFT -> go(-1);
      case RIGHT -> go(1);
      default -> {
        return;
      }
    }
    event.consume();
  }

  private WireWork work() {
    Bench bench = workbench.bench().get();
    return WireWork.of(bench.loom(), workbench.build().get().loom());
  }

  private void go(int by) {
    int size = work().steps().size();
    if (size > 0) {
      at = Math.floorMod(at + by, size);
      show();
    }
  }

  /** Ticks the wire and goes on to the next one that is not on; a ticked one is unticked. */
  private void tick() {
    WireWork before = work();
    if (before.steps().isEmpty()) {
      return;
    }
    WireWork.Step step = before.steps().get(at);
    boolean now = !step.done();
    String label = (now ? "Done: " : "Not done: ") + step.strand().id();
    workbench.apply(new Edit(label, b -> b.withLoom(b.loom().withDone(step.strand().wire(), now))));
    if (now) {
      WireWork after = work();
      for (int i = 1; i <= after.steps().size(); i++) {
        int next = (at + i) % after.steps().size();
        if (!after.steps().get(next).done()) {
          at = next;
          break;
        }
      }
    }
    show();
  }

  private void show() {
    WireWork work = work();
    boolean any = !work.steps().isEmpty();
    done.setDisable(!any);
    count.setText(
        any
            ? work.left() == 0
                ? "all " + work.steps().size() + " wires are on"
                : work.left() + " of " + work.steps().size() + " left"
            : "no wires yet");
    progress.setProgress(any ? 1 - (double) work.left() / work.steps().size() : 0);
    if (!any) {
      wire.setText("Choose a board first: there are no wires yet.");
      return;
    }
    at = Math.min(at, work.steps().size() - 1);
    WireWork.Step step = work.steps().get(at);
    Strand strand = step.strand();
    Bench bench = workbench.bench().get();
    LengthUnit unit = bench.build().brief().units();
    wire.setText(strand.id());
    line.show(strand.colour(), strand.colour().code());
    size.setText(
        strand.colour().words()
            + "   "
            + Length.text(strand.lengthMm(), unit)
            + "   "
            + strand.gaugeAwg()
            + " AWG");
    fromWhere.setText(strand.from().words());
    fromHow.setText(WireWork.Step.joint(strand.from(), unit));
    toWhere.setText(strand.to().words());
    toHow.setText(WireWork.Step.joint(strand.to(), unit));
    fromEnd.show(bench, strand.from());
    toEnd.show(bench, strand.to());
    first.setText("First: " + String.join(". ", step.first(unit)) + ".");
    done.setText(step.done() ? "Not on after all  (Space)" : "It is on  (Space)");
  }

  /** Lies over the window with the first wire that is not on. */
  void open(Shell.Frame frame) {
    WireWork work = work();
    at = work.next().map(work.steps()::indexOf).orElse(0);
    show();
    frame.over().raise(this);
    requestFocus();
  }

  /** {@return a button that opens it, for the station} */
  static Button opener(String id, Runnable open) {
    Button button = new Button("Wire by wire");
    button.setId(id);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.getStyleClass().add("accent");
    button.setOnAction(event -> open.run());
    return button;
  }
}
