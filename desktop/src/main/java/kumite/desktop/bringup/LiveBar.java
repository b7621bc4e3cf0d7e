package kumite.desktop.bringup;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import kumite.bringup.Telling;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.desktop.shell.Workbench;

/** The board itself: what it tells over its serial port answers the questions of the host round. */
final class LiveBar extends FlowPane {
  private final Workbench workbench;
  private final RoundDesk desk;
  private final TextField from = new TextField();
  private final Button listen = new Button("Listen to the board");
  private final Label says = new Label();
  private Optional<Lines> lines = Optional.empty();
  private Optional<Telling> telling = Optional.empty();

  LiveBar(Workbench workbench, RoundDesk desk) {
    this.workbench = workbench;
    this.desk = desk;
    getStyleClass().add("ask-row");
    setAlignment(Pos.CENTER_LEFT);
    from.setId("live-from");
    from.getStyleClass().add("mono");
    from.setPromptText("port or file");
    from.setAccessibleText("serial port or file of a self-test stream");
    from.setStyle("-fx-pref-width: 12em;");
    from.setOnAction(event -> toggle());
    listen.setId("live-listen");
    listen.setMinWidth(USE_PREF_SIZE);
    listen.setOnAction(event -> toggle());
    says.setId("live-says");
    says.getStyleClass().add("note");
    says.setWrapText(true);
    // Beside the button where there is room, else below it.
    says.maxWidthProperty().bind(widthProperty());
    says.setText("Its self-test over a serial port ticks the host round as you press.");
    getChildren().addAll(from, listen, says);
  }

  private void toggle() {
    if (lines.isPresent()) {
      stop("Stopped.");
      return;
    }
    String name = from.getText().strip();
    if (name.isEmpty()) {
      says.setText("Name a port, such as COM3 or /dev/ttyACM0, or a file.");
      return;
    }
    try {
      Lines opened = Lines.open(name);
      Telling board = new Telling(workbench.bench().get().looks());
      lines = Optional.of(opened);
      telling = Optional.of(board);
      listen.setText("Stop listening");
      says.setText("Listening; reset the board, so that its stream begins.");
      opened.read(
          line -> Platform.runLater(() -> heard(board, line)),
          why -> Platform.runLater(() -> ended(opened, why)));
    } catch (IOException | InvalidPathException e) {
      says.setText(e.getMessage());
    }
  }

  private void ended(Lines source, String why) {
    if (lines.filter(l -> l == source).isPresent()) {
      boolean heard = telling.map(Telling::heard).orElse(false);
      stop(
          heard
              ? "The stream ended: " + why + "."
              : "Nothing of a self-test came: "
                  + why
                  + ". Set SELF_TEST in the program, and look at port and board.");
    }
  }

  private void stop(String words) {
    lines.ifPresent(Lines::close);
    lines = Optional.empty();
    listen.setText("Listen to the board");
    says.setText(words);
  }

  private void heard(Telling board, String line) {
    if (telling.filter(t -> t == board).isEmpty() || lines.isEmpty()) {
      return;
    }
    Optional<Held> shown = board.take(line);
    says.setText(
        board
            .trouble()
            .orElse(
                board.heard()
                    ? "It takes as pressed: " + (board.now().none() ? "nothing" : board.now())
                    : "Waiting for a stream to begin; reset the board."));
    shown.ifPresent(this::answer);
  }

  /** A press that came and went answers the question that is put, whatever it showed. */
  private void answer(Held shown) {
    desk.question()
        .filter(q -> q.ask() instanceof Ask.Press press && !press.held().none())
        .ifPresent(q -> desk.answer(q.ask(), new Answer.Shows(shown), "told by the board"));
  }
}
