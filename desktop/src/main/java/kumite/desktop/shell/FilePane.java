package kumite.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.Window;
import kumite.desktop.field.Segments;

/** Asks for a file inside the window: a folder's list and a name to type. */
final class FilePane extends VBox {
  /** A choice offered beside the name. */
  record Choice(String name, String... options) {}

  /** What the file is wanted for. */
  enum Use {
    READ,
    WRITE,
    /** A folder that many files are written into. */
    FOLDER
  }

  /**
   * A file that is asked for.
   *
   * @param question what it is for, in words
   * @param folder where to begin
   * @param name a name to begin with; empty for none
   * @param ending what its name ends in; empty for any
   */
  record Wanted(String question, Path folder, String name, String ending, Use use) {}

  /** A way of asking outside this window. */
  interface Outside {
    /** {@return the file chosen; empty where the asking was ended without one} */
    Optional<Path> ask(Wanted wanted, Window owner);
  }

  private final Outside outside;
  private final Label title = new Label();
  private final TextField name = new TextField();
  private final Label where = new Label();
  private final Label wrong = new Label();
  private final ListView<String> list = new ListView<>();
  private final HBox foot = new HBox();
  private Path folder = Path.of(".");
  private String ending = "";
  private String chosen = "";
  private Predicate<Path> act = file -> true;
  private Runnable show = () -> {};
  private Runnable close = () -> {};

  FilePane(Outside outside) {
    this.outside = outside;
    getStyleClass().add("file-pane");
    setMaxSize(620, 440);
    title.getStyleClass().add("emphasis");
    where.getStyleClass().addAll("mono", "note");
    wrong.getStyleClass().add("bad-text");
    wrong.setWrapText(true);
    name.setId("file-name");
    name.setAccessibleText("File name");
    list.setId("file-list");
    list.setAccessibleText("Files of the folder");
    VBox.setVgrow(list, Priority.ALWAYS);
    foot.getStyleClass().add("foot");
    name.setOnAction(event -> go());
    list.setOnMouseClicked(event -> pick(event.getClickCount() > 1));
    list.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ENTER) {
            pick(true);
            event.consume();
          }
        });
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null && !is.endsWith("/")) {
                name.setText(is);
              }
            });
  }

  void onShow(Runnable newShow, Runnable newClose) {
    show = newShow;
    close = newClose;
  }

  /** {@return which of the offered choices was chosen} */
  String chosen() {
    return chosen;
  }

  void ask(
      String question,
      String verb,
      Path startIn,
      String suggested,
      String newEnding,
      Use use,
      Predicate<Path> newAct,
      Optional<Choice> choice) {
    title.setText(question);
    ending = newEnding;
    act = newAct;
    wrong.setText("");
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> close.run());
    Button ok = new Button(verb);
    ok.setId("file-ok");
    ok.getStyleClass().add("accent");
    ok.setOnAction(event -> go());
    Button browse = new Button("Browse");
    browse.setId("file-browse");
    browse.setTooltip(new Tooltip("Choose in the file window of your system"));
    browse.setOnAction(
        event ->
            outside
                .ask(
                    new Wanted(question, folder, name.getText().strip(), newEnding, use),
                    getScene().getWindow())
                .ifPresent(this::take));
    foot.getChildren().setAll(browse);
    choice.ifPresent(
        c -> {
          chosen = c.options()[0];
          Segments<String> segments =
              new Segments<>(text -> text, text -> chosen = text, c.options());
          segments.choose(chosen);
          Label what = new Label(c.name());
          what.getStyleClass().add("note");
          foot.getChildren().addAll(what, segments);
        });
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    foot.getChildren().addAll(gap, cancel, ok);
    getChildren().setAll(title, where, list, name, wrong, foot);
    look(startIn);
    name.setText(suggested);
    show.run();
    name.requestFocus();
    name.selectAll();
  }

  /** Asks what to do with unsaved work. */
  void askKeep(String question, String detail, Runnable keep, Runnable drop) {
    title.setText(question);
    Label text = new Label(detail);
    text.setWrapText(true);
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> close.run());
    Button dropIt = new Button("Go on without saving");
    dropIt.setId("drop-unsaved");
    dropIt.setOnAction(
        event -> {
          close.run();
          drop.run();
        });
    Button keepIt = new Button("Save first");
    keepIt.getStyleClass().add("accent");
    keepIt.setOnAction(
        event -> {
          close.run();
          keep.run();
        });
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    foot.getChildren().setAll(gap, cancel, dropIt, keepIt);
    getChildren().setAll(title, text, foot);
    show.run();
    keepIt.requestFocus();
  }

  /** Asks before something is lost; Cancel has the focus. */
  void confirm(String question, String detail, String verb, Runnable then) {
    title.setText(question);
    Label text = new Label(detail);
    text.setWrapText(true);
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> close.run());
    Button go = new Button(verb);
    go.setId("file-confirm");
    go.setOnAction(
        event -> {
          close.run();
          then.run();
        });
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    foot.getChildren().setAll(gap, cancel, go);
    getChildren().setAll(title, text, foot);
    show.run();
    cancel.requestFocus();
  }

  private void look(Path newFolder) {
    Path real = newFolder.toAbsolutePath().normalize();
    List<String> rows = new ArrayList<>();
    if (real.getParent() != null) {
      rows.add("../");
    }
    try (Stream<Path> files = Files.list(real)) {
      files
          .filter(f -> !f.getFileName().toString().startsWith("."))
          .filter(f -> Files.isDirectory(f) || f.getFileName().toString().endsWith(ending))
          .sorted(
              Comparator.comparing((Path f) -> !Files.isDirectory(f))
                  .thenComparing(f -> f.getFileName().toString()))
          .limit(500)
          .forEach(f -> rows.add(f.getFileName() + (Files.isDirectory(f) ? "/" : "")));
      folder = real;
    } catch (IOException e) {
      wrong.setText(real + " cannot be listed");
      return;
    }
    where.setText(folder.toString());
    list.getItems().setAll(rows);
  }

  private void pick(boolean open) {
    String row = list.getSelectionModel().getSelectedItem();
    if (row == null) {
      return;
    }
    if (row.endsWith("/")) {
      if (open) {
        look(folder.resolve(row));
      }
    } else if (open) {
      go();
    }
  }

  private void go() {
    String typed = name.getText().strip();
    if (typed.isEmpty()) {
      wrong.setText("Type a name or choose a file above");
      return;
    }
    Path file;
    try {
      file = folder.resolve(typed);
    } catch (InvalidPathException e) {
      wrong.setText("\"" + typed + "\" is no file name");
      return;
    }
    if (Files.isDirectory(file)) {
      look(file);
      name.clear();
      return;
    }
    take(file);
  }

  private void take(Path file) {
    close.run();
    act.test(file);
  }
}
