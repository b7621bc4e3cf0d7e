package kumite.desktop.log;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import kumite.build.Edit;
import kumite.build.LogNote;
import kumite.build.bringup.Repair;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** What was done and measured, with its date. */
public final class LogStation implements StationView {
  private final Workbench workbench;
  private final Clock clock;
  private final VBox root = new VBox();
  private final ListView<LogNote> notes = new ListView<>();
  private final TextField text = new TextField();

  /** The station's room; the clock dates the notes. */
  public LogStation(Workbench workbench, Clock clock) {
    this.workbench = workbench;
    this.clock = clock;
    root.getStyleClass().add("station-room");
    Head head = new Head("Log");
    head.facts("what you did and measured; newest first");
    text.setId("new-note");
    text.setPromptText("What did you do or measure?");
    text.setOnAction(event -> add());
    HBox.setHgrow(text, Priority.ALWAYS);
    Button add = new Button("Note it");
    add.getStyleClass().add("accent");
    add.setOnAction(event -> add());
    HBox adder = new HBox(text, add);
    adder.getStyleClass().add("field-row");
    notes.setId("notes");
    notes.setAccessibleText("Notes");
    notes.setCellFactory(view -> new NoteCell());
    Label none = new Label("No notes yet. Write down the first thing you measured.");
    none.getStyleClass().add("note");
    notes.setPlaceholder(none);
    VBox.setVgrow(notes, Priority.ALWAYS);
    VBox sheet = new VBox(adder, notes);
    sheet.getStyleClass().addAll("sheet", "form");
    VBox.setVgrow(sheet, Priority.ALWAYS);
    root.getChildren().addAll(head, sheet);
  }

  private void add() {
    String note = text.getText().strip();
    if (note.isEmpty()) {
      text.requestFocus();
      return;
    }
    LogNote dated = new LogNote(LocalDate.now(clock), note);
    workbench.apply(
        new Edit(
            "Note",
            b -> {
              List<LogNote> log = new ArrayList<>(b.log());
              log.add(dated);
              return b.withLog(log);
            }));
    text.clear();
  }

  @Override
  public Station station() {
    return Station.LOG;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    List<LogNote> newestFirst = new ArrayList<>(bench.build().log());
    newestFirst.addAll(rounds(bench));
    Collections.reverse(newestFirst);
    // What was noted last on a day stays first.
    newestFirst.sort(Comparator.comparing(LogNote::date).reversed());
    notes.getItems().setAll(newestFirst);
  }

  /** A line for each round of bring-up, so that rounds stand beside what was done between them. */
  private static List<LogNote> rounds(Bench bench) {
    List<LogNote> lines = new ArrayList<>();
    int number = 0;
    for (Round round : bench.build().get(RoundBook.PART).rounds()) {
      number++;
      long read = round.entries().stream().filter(e -> e.answer().isPresent()).count();
      String mended =
          round.repairs().isEmpty()
              ? ""
              : "; mended: "
                  + String.join("; ", round.repairs().stream().map(Repair::what).toList());
      lines.add(
          new LogNote(
              round.begun(),
              "Bring-up, round "
                  + number
                  + ": "
                  + read
                  + (read == 1 ? " reading" : " readings")
                  + mended));
    }
    return lines;
  }

  private final class NoteCell extends ListCell<LogNote> {
    private final Label date = new Label();
    private final Text note = new Text();
    private final HBox row = new HBox(date, note);

    NoteCell() {
      date.getStyleClass().addAll("mono", "note");
      Em.min(date, 96);
      note.getStyleClass().add("note-text");
      // A text, not a label: in a list only a text of given width knows its height.
      note.wrappingWidthProperty().bind(notes.widthProperty().subtract(160));
      row.getStyleClass().add("note-row");
    }

    @Override
    protected void updateItem(LogNote item, boolean empty) {
      super.updateItem(item, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (!empty) {
        date.setText(item.date().toString());
        note.setText(item.text());
      }
    }
  }
}
