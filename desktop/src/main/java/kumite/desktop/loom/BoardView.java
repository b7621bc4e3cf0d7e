package kumite.desktop.loom;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import kumite.build.Edit;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.PinPlan;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** The board's edge seen from above, its terminals in the colour of what lands on them. */
final class BoardView extends VBox {
  private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
  private static final PseudoClass KEPT = PseudoClass.getPseudoClass("kept");
  private static final double WIDTH = 190;

  private final Workbench workbench;
  private final Label title = new Label("Board, seen from above");
  private final Pane edge = new Pane();
  private final Label legend = new Label();
  private final Map<String, Button> buttons = new HashMap<>();

  BoardView(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("board-view");
    setMinWidth(WIDTH);
    setMaxWidth(WIDTH);
    title.getStyleClass().add("note");
    legend.getStyleClass().add("note");
    legend.setWrapText(true);
    getChildren().addAll(title, edge, legend);
    workbench.hovered().addListener((o, was, is) -> mark());
    heightProperty().addListener((o, was, is) -> show(workbench.bench().get()));
  }

  void show(Bench bench) {
    Optional<BoardKind> board = bench.board();
    setVisible(board.isPresent());
    edge.getChildren().clear();
    buttons.clear();
    if (board.isEmpty()) {
      return;
    }
    Map<String, SignalPath> byTerminal = new HashMap<>();
    for (SignalPath path : bench.paths()) {
      path.pin().ifPresent(pin -> byTerminal.put(pin.terminal().name(), path));
    }
    long left =
        board.get().terminals().stream().filter(t -> t.side() == Terminal.Side.LEFT).count();
    long right = board.get().terminals().size() - left;
    long rows = Math.max(left, right);
    double pitch = Math.max(19, Math.min(27, (getHeight() - 110) / rows));
    double top = 14;
    Rectangle body = new Rectangle(28, top, WIDTH - 72, rows * pitch + 6);
    body.getStyleClass().add("board-body");
    body.setArcWidth(10);
    body.setArcHeight(10);
    Label plug = new Label("USB");
    plug.getStyleClass().addAll("mono", "board-plug");
    plug.relocate(28 + (WIDTH - 72) / 2 - 19, 3);
    edge.getChildren().addAll(body, plug);
    int[] at = new int[2];
    for (Terminal terminal : board.get().terminals()) {
      int row = at[terminal.side().ordinal()]++;
      double y = top + 3 + (row + 0.5) * pitch;
      terminal(terminal, y, pitch, Optional.ofNullable(byTerminal.get(terminal.name())));
    }
    double height = top + rows * pitch + 12;
    edge.setMinHeight(height);
    edge.setPrefHeight(height);
    long used = byTerminal.size();
    long kept = bench.loom().plan().free().stream().filter(PinPlan::keptBack).count();
    legend.setText(
        used
            + " used · "
            + (bench.loom().plan().free().size() - kept)
            + " free · "
            + kept
            + " kept back");
    mark();
  }

  private void terminal(Terminal terminal, double y, double pitch, Optional<SignalPath> path) {
    boolean leftSide = terminal.side() == Terminal.Side.LEFT;
    double x = leftSide ? 28 : WIDTH - 44;
    Circle pad = new Circle(x, y, Math.min(6, pitch / 2 - 3));
    pad.getStyleClass().add("pad");
    if (path.isPresent()) {
      path.get()
          .strand()
          .ifPresent(strand -> pad.setFill(StrandLine.paint(strand.colour().base())));
    } else if (terminal.role() == Terminal.Role.GROUND) {
      pad.setFill(StrandLine.paint(kumite.kind.WireColour.Hue.BK));
    } else if (terminal.role() == Terminal.Role.SUPPLY || terminal.role() == Terminal.Role.COMMON) {
      pad.setFill(StrandLine.paint(kumite.kind.WireColour.Hue.RD));
    } else {
      pad.getStyleClass().add("free");
    }
    Button button = new Button(terminal.name());
    button.getStyleClass().addAll("mono", "terminal");
    button.setId("terminal-" + terminal.name().replace('.', '-'));
    button.setFocusTraversable(terminal.role() == Terminal.Role.INPUT);
    button.pseudoClassStateChanged(KEPT, PinPlan.keptBack(terminal));
    button.setDisable(terminal.role() != Terminal.Role.INPUT);
    button.setTooltip(new Tooltip(tip(terminal, path)));
    button.setOnAction(event -> move(workbench, terminal));
    button.setMinHeight(pitch - 1);
    button.setMaxHeight(pitch - 1);
    buttons.put(terminal.name(), button);
    edge.getChildren().addAll(pad, button);
    button.applyCss();
    button.autosize();
    button.relocate(
        leftSide ? x + 9 : x - 9 - button.prefWidth(-1), Math.round(y - (pitch - 1) / 2));
  }

  private static String tip(Terminal terminal, Optional<SignalPath> path) {
    String can =
        String.join(", ", terminal.abilities().stream().map(Terminal.Ability::words).toList());
    return path.map(p -> p.site().label() + "\n").orElse("")
        + (can.isEmpty() ? terminal.role().name().toLowerCase(java.util.Locale.ROOT) : can)
        + terminal.keep().map(keep -> "\nkept back: it " + keep.words()).orElse("")
        + terminal.fixed().map(fixed -> "\nthe board makes it " + fixed).orElse("");
  }

  /** Locks the chosen contact to a terminal; one that was locked there is let go. */
  static void move(Workbench workbench, Terminal terminal) {
    Optional<ContactId> contact = workbench.path().get();
    contact
        .flatMap(workbench.bench().get()::path)
        .ifPresent(
            path ->
                workbench.apply(
                    new Edit(
                        "Move " + path.site().label() + " to " + terminal.name(),
                        b -> {
                          var loom = b.loom();
                          for (var lock : b.loom().locks().entrySet()) {
                            if (lock.getValue().equals(terminal.name())) {
                              loom = loom.withoutLock(lock.getKey());
                            }
                          }
                          return b.withLoom(loom.withLock(contact.get(), terminal.name()));
                        })));
  }

  /** Marks the terminal of the selected path. */
  void mark() {
    Optional<String> name =
        workbench
            .shown()
            .flatMap(workbench.bench().get()::path)
            .flatMap(path -> path.pin().map(pin -> pin.terminal().name()));
    buttons.forEach(
        (terminal, button) ->
            button.pseudoClassStateChanged(SELECTED, name.filter(terminal::equals).isPresent()));
  }
}
