package kumite.desktop.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.bringup.Question;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Held;
import kumite.desktop.shell.Workbench;
import kumite.verdict.Bench;

/** One question in large type, with a key for each usual answer: hands hold probes. */
final class AskCard extends VBox {
  private final Workbench workbench;
  private final RoundDesk desk;
  private final Label count = new Label();
  private final Label question = new Label();
  private final Label sub = new Label();
  private final Label why = new Label();
  private final Label caution = new Label();
  private final HBox answers = new HBox();
  private final TextField typed = new TextField();
  private final Label understood = new Label();
  private final TextField note = new TextField();
  private final HBox picture = new HBox();
  private final Button back = new Button("Back (Backspace)");
  private final Button skip = new Button("Skip (S)");
  private Optional<Question> shown = Optional.empty();
  private final List<Key> keys = new ArrayList<>();

  /** An answer that a key gives. */
  private record Key(KeyCode code, Runnable give) {}

  AskCard(Workbench workbench, RoundDesk desk) {
    this.workbench = workbench;
    this.desk = desk;
    getStyleClass().addAll("sheet", "ask-card");
    setId("ask-card");
    count.getStyleClass().addAll("mono", "note");
    question.getStyleClass().add("ask-question");
    question.setId("ask-question");
    sub.getStyleClass().add("ask-sub");
    sub.setId("ask-expected");
    why.getStyleClass().add("note");
    caution.getStyleClass().add("ask-caution");
    for (Label label : List.of(count, question, sub, why, caution, understood)) {
      label.setWrapText(true);
      label.setMinHeight(USE_PREF_SIZE);
    }
    setMinHeight(USE_PREF_SIZE);
    understood.managedProperty().bind(understood.textProperty().isNotEmpty());
    understood.visibleProperty().bind(understood.managedProperty());
    answers.getStyleClass().add("ask-answers");
    typed.setId("ask-typed");
    typed.getStyleClass().add("mono");
    typed.setAccessibleText("a typed reading");
    typed.textProperty().addListener((o, was, is) -> understand());
    typed.setOnAction(event -> take());
    note.setId("ask-note");
    note.setPromptText("note, if any");
    note.setAccessibleText("a note to this reading");
    note.setStyle("-fx-pref-width: 12em;");
    understood.getStyleClass().add("note");
    back.setId("ask-back");
    back.setOnAction(event -> desk.back());
    skip.setId("ask-skip");
    skip.setOnAction(event -> shown.ifPresent(desk::skip));
    Label or = new Label("or type it");
    or.getStyleClass().add("note");
    FlowPane row = new FlowPane(or, typed, note, back, skip);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("ask-row");
    or.setMinWidth(USE_PREF_SIZE);
    VBox words = new VBox(count, question, sub, why, caution);
    words.getStyleClass().add("ask-words");
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMinWidth(0);
    picture.setMinWidth(USE_PREF_SIZE);
    HBox top = new HBox(words, picture);
    top.setSpacing(12);
    getChildren().addAll(top, answers, row, understood);
    setFocusTraversable(true);
    setOnMousePressed(event -> requestFocus());
  }

  /** {@return whether a key was an answer, or took one back} */
  boolean key(KeyCode code) {
    for (Key key : keys) {
      if (key.code() == code) {
        key.give().run();
        return true;
      }
    }
    if (code == KeyCode.BACK_SPACE && !back.isDisabled()) {
      desk.back();
      return true;
    }
    if (code == KeyCode.S && shown.isPresent()) {
      desk.skip(shown.get());
      return true;
    }
    return false;
  }

  void show(Bench bench) {
    shown = desk.question();
    keys.clear();
    answers.getChildren().clear();
    picture.getChildren().clear();
    boolean none = shown.isEmpty();
    typed.setDisable(none);
    skip.setDisable(none);
    back.setDisable(desk.now().filter(r -> !r.entries().isEmpty()).isEmpty());
    List<Question> all = desk.questions(desk.kind());
    long over = all.stream().filter(desk::over).count();
    if (none) {
      count.setText(over + " of " + all.size() + " · " + desk.kind().title());
      question.setText(
          !desk.busy().isEmpty()
              ? desk.busy() + " ..."
              : bench.board().isEmpty()
                  ? "Choose a board at the Loom station first."
                  : all.isEmpty() ? "Nothing to ask here." : "This round is through.");
      sub.setText(
          all.isEmpty() || !desk.busy().isEmpty()
              ? ""
              : "Go on with the next one above, or begin a new round.");
      why.setText("");
      caution.setText("");
      return;
    }
    Question now = shown.get();
    int place = all.indexOf(now) + 1;
    count.setText(
        (place > 0 ? place + " of " + all.size() : "asked next")
            + " · "
            + now.kind().title()
            + ", "
            + now.kind().when()
            + (over > 0 ? " · " + over + " over" : ""));
    question.setText(AskWords.large(now, bench));
    sub.setText(
        now.answer().isEmpty() && now.ask() instanceof Ask.Probe probe && !probe.power().live()
            ? "What it should be is " + now.expected() + "."
            : "A sound build: " + expected(now) + ".");
    why.setText(now.why() + ".");
    caution.setText(now.caution().map(words -> "Caution: " + words + ".").orElse(""));
    caution.setVisible(now.caution().isPresent());
    caution.setManaged(now.caution().isPresent());
    ProbePicture.of(bench, now.ask()).ifPresent(picture.getChildren()::add);
    offer(now);
    typed.setPromptText(AskWords.prompt(now.ask()));
    understand();
  }

  private String expected(Question now) {
    boolean twin = RoundDesk.twin(now.ask()).isPresent() && now.answer().isPresent();
    boolean beeps = now.answer().filter(a -> a.equals(new Answer.Beep(true))).isPresent();
    return twin && beeps ? "it beeps while held, and is silent when let go" : now.expected();
  }

  // ---- answers by one key

  private void offer(Question now) {
    Optional<Ask.Probe> twin = RoundDesk.twin(now.ask());
    if (now.ask() instanceof Ask.Probe probe && !probe.power().live()) {
      if (now.answer().isEmpty()) {
        key(KeyCode.SPACE, "Beeps", "look", one(now, new Answer.Beep(true)));
        key(KeyCode.N, "Silent", "look", one(now, new Answer.Beep(false)));
      } else if (twin.isPresent()) {
        key(KeyCode.SPACE, "Beeps, then quiet", "fine", both(now, twin.get(), true, false));
        key(KeyCode.N, "Never beeps", "stop", both(now, twin.get(), false, false));
        key(KeyCode.A, "Always beeps", "look", both(now, twin.get(), true, true));
      } else {
        boolean beeps = now.answer().filter(a -> a.equals(new Answer.Beep(true))).isPresent();
        key(KeyCode.SPACE, beeps ? "Beeps" : "Silent", "fine", one(now, new Answer.Beep(beeps)));
        key(KeyCode.N, beeps ? "Silent" : "Beeps", "stop", one(now, new Answer.Beep(!beeps)));
      }
    } else if (now.ask() instanceof Ask.Press press) {
      now.answer().ifPresent(a -> key(KeyCode.SPACE, "Shows " + a, "fine", one(now, a)));
      if (!press.held().none()) {
        key(KeyCode.N, "Shows nothing", "stop", one(now, new Answer.Shows(Held.NONE)));
      }
    } else if (now.ask() instanceof Ask.Try) {
      key(KeyCode.SPACE, "Works", "fine", one(now, new Answer.Works(true)));
      key(KeyCode.N, "Does not", "stop", one(now, new Answer.Works(false)));
    } else {
      now.answer().ifPresent(a -> key(KeyCode.SPACE, "It reads " + a, "fine", one(now, a)));
      if (now.ask() instanceof Ask.Devices) {
        key(KeyCode.N, "None", "stop", one(now, new Answer.Count(0)));
      }
    }
  }

  private Runnable one(Question now, Answer answer) {
    return () -> give(List.of(new Entry(now.ask(), Optional.of(answer), note.getText().strip())));
  }

  private Runnable both(Question now, Ask.Probe rest, boolean held, boolean idle) {
    return () ->
        give(
            List.of(
                new Entry(rest, Optional.of(new Answer.Beep(idle)), ""),
                new Entry(now.ask(), Optional.of(new Answer.Beep(held)), note.getText().strip())));
  }

  private void give(List<Entry> entries) {
    note.clear();
    typed.clear();
    desk.answer(entries);
  }

  private void key(KeyCode code, String words, String style, Runnable give) {
    Label what = new Label(words);
    what.getStyleClass().add("ask-answer-words");
    Label name = new Label(code == KeyCode.SPACE ? "Space" : code.getName());
    name.getStyleClass().add("mono");
    VBox face = new VBox(what, name);
    face.setAlignment(Pos.CENTER);
    Button button = new Button();
    button.setGraphic(face);
    button.setId(
        "ask-"
            + (code == KeyCode.SPACE
                ? "space"
                : code.getName().toLowerCase(java.util.Locale.ROOT)));
    button.setAccessibleText(words);
    button.getStyleClass().addAll("ask-answer", "ask-" + style);
    button.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(button, Priority.ALWAYS);
    button.setFocusTraversable(false);
    button.setOnAction(event -> give.run());
    answers.getChildren().add(button);
    keys.add(new Key(code, give));
  }

  // ---- a typed reading

  private void understand() {
    String text = typed.getText().strip();
    if (text.isEmpty() || shown.isEmpty()) {
      understood.setText("");
      return;
    }
    try {
      understood.setText(
          "understood as " + Answer.parse(shown.get().ask(), text) + "; Enter takes it");
      understood.getStyleClass().remove("bad-text");
    } catch (IllegalArgumentException e) {
      understood.setText(e.getMessage());
      if (!understood.getStyleClass().contains("bad-text")) {
        understood.getStyleClass().add("bad-text");
      }
    }
  }

  private void take() {
    if (shown.isEmpty() || typed.getText().isBlank()) {
      return;
    }
    try {
      Answer answer = Answer.parse(shown.get().ask(), typed.getText());
      one(shown.get(), answer).run();
      requestFocus();
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }
}
