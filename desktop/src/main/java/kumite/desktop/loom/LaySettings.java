package kumite.desktop.loom;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.BoardChoice;
import kumite.build.Edit;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Commands;
import kumite.desktop.shell.Workbench;
import kumite.kind.BoardKind;
import kumite.loom.Loom;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.verdict.Bench;

/** The board, where it lies, and how wires are laid: one row. */
final class LaySettings extends FlowPane {
  private final Workbench workbench;
  private final Choice<BoardKind> board;
  private final Choice<Laying.CommonShape> shape;
  private final TypedField boardX;
  private final TypedField boardY;
  private final TypedField slack;
  private final TypedField loop;
  private final Label loopName = new Label("service loop");
  private final TypedField gauge;

  LaySettings(Workbench workbench) {
    this.workbench = workbench;
    board =
        new Choice<>(
            "Board",
            java.util.stream.Stream.concat(
                    workbench.catalogue().boards().stream(),
                    workbench.catalogue().readyBoards().stream())
                .toList(),
            BoardKind::name,
            kind -> workbench.apply(Commands.board(kind)));
    board.setId("board-choice");
    board.setPromptText("Choose a board");
    Em.pref(board, 230);
    Em.max(board, 230);
    shape =
        new Choice<>(
            "How commons are laid",
            List.of(Laying.CommonShape.values()),
            Laying.CommonShape::words,
            chosen ->
                loom(
                    "Commons as " + chosen.words(),
                    l -> l.withLaying(l.laying().withShape(chosen))));
    slack =
        TypedField.length(
            "slack at each end",
            Laying.SLACK,
            mm ->
                loom(
                    "Set the slack",
                    l -> l.withLaying(l.laying().withAllowances(mm, l.laying().serviceLoopMm()))));
    loop =
        TypedField.length(
            "service loop",
            Laying.SERVICE_LOOP,
            mm ->
                loom(
                    "Set the service loop",
                    l -> l.withLaying(l.laying().withAllowances(l.laying().slackMm(), mm))));
    gauge =
        TypedField.number(
            "gauge",
            Laying.GAUGE,
            n ->
                loom(
                    "Set the gauge", l -> l.withLaying(l.laying().withGauge((int) Math.round(n)))));
    loopName.getStyleClass().add("field-name");
    loopName.setMinWidth(Region.USE_PREF_SIZE);
    loopName.setLabelFor(loop);
    for (TypedField field : new TypedField[] {slack, loop, gauge}) {
      Em.pref(field.field(), 80);
    }
    boardX =
        TypedField.place("board, left to right", mm -> moveBoard(at -> at.movedTo(mm, at.yMm())));
    boardY =
        TypedField.place("board, front to back", mm -> moveBoard(at -> at.movedTo(at.xMm(), mm)));
    for (TypedField field : new TypedField[] {boardX, boardY}) {
      Em.pref(field.field(), 80);
    }
    getChildren()
        .addAll(
            Head.named("board", board),
            Head.named("its centre, x", boardX),
            Head.named("y", boardY),
            Head.named("commons", shape),
            Head.named("slack, each end", slack),
            new VBox(loopName, loop),
            Head.named("gauge", gauge));
    getStyleClass().addAll("field-row", "bar");
    setMinHeight(Region.USE_PREF_SIZE);
  }

  void show(Bench bench) {
    LengthUnit unit = bench.build().brief().units();
    board.show(bench.board());
    Tooltip.install(
        board, new Tooltip(bench.board().map(BoardKind::name).orElse("No board chosen yet")));
    shape.show(Optional.of(bench.build().loom().laying().shape()));
    boolean chosen = bench.build().board().isPresent();
    for (TypedField field : new TypedField[] {boardX, boardY}) {
      field.unit(unit);
      field.setDisable(!chosen);
    }
    bench
        .build()
        .board()
        .ifPresent(
            b -> {
              boardX.show(b.placement().xMm());
              boardY.show(b.placement().yMm());
            });
    slack.unit(unit);
    loop.unit(unit);
    slack.show(bench.build().loom().laying().slackMm());
    loop.show(bench.build().loom().laying().serviceLoopMm());
    // A hinge, or a board that stays with the panel, decides the loop of each strand by itself.
    boolean loopChosen = Loom.loopIsChosen(bench.build());
    loop.setDisable(!loopChosen);
    boolean stays =
        bench.build().board().filter(b -> b.seat() == BoardChoice.Seat.PANEL).isPresent();
    loopName.setText(
        loopChosen ? "service loop" : stays ? "loop: not needed" : "loop: by the hinge");
    gauge.show(bench.build().loom().laying().gaugeAwg());
  }

  private void loom(String label, UnaryOperator<LoomSettings> change) {
    workbench.apply(new Edit(label, b -> b.withLoom(change.apply(b.loom()))));
  }

  private void moveBoard(UnaryOperator<Placement> move) {
    workbench.apply(
        new Edit(
            "Move the board",
            b -> b.withBoard(b.board().map(board -> board.at(move.apply(board.placement()))))));
  }
}
