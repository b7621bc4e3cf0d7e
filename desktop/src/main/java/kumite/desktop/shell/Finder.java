package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.device.SignalPath;
import kumite.verdict.Bench;
import kumite.verdict.Station;

/** The finder: any control, wire, pin or action by a few letters of its name. */
final class Finder extends VBox {
  private static final int MOST = 60;

  /** One thing that can be found. */
  private record Found(String kind, String name, String keys, Runnable run) {}

  private final Workbench workbench;
  private final Commands commands;
  private final TextField text = new TextField();
  private final ListView<Found> list = new ListView<>();
  private Runnable close = () -> {};

  Finder(Workbench workbench, Commands commands) {
    this.workbench = workbench;
    this.commands = commands;
    getStyleClass().add("finder");
    setMaxSize(520, 420);
    text.setPromptText("Type a few letters: horn, W05, D9, undo");
    text.setId("finder-text");
    text.setAccessibleText("Find a control, wire, pin or action");
    list.setId("finder-list");
    list.setPlaceholder(new Label("Nothing of that name"));
    list.setCellFactory(view -> new FoundCell());
    list.setFixedCellSize(32);
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(text, list);
    text.textProperty().addListener((o, was, is) -> search());
    text.setOnKeyPressed(
        event -> {
          int at = list.getSelectionModel().getSelectedIndex();
          if (event.getCode() == KeyCode.DOWN) {
            list.getSelectionModel().select(Math.min(at + 1, list.getItems().size() - 1));
            list.scrollTo(list.getSelectionModel().getSelectedIndex());
            event.consume();
          } else if (event.getCode() == KeyCode.UP) {
            list.getSelectionModel().select(Math.max(at - 1, 0));
            list.scrollTo(list.getSelectionModel().getSelectedIndex());
            event.consume();
          } else if (event.getCode() == KeyCode.ENTER) {
            run();
            event.consume();
          }
        });
    list.setOnMouseClicked(event -> run());
  }

  void onClose(Runnable newClose) {
    close = newClose;
  }

  void open() {
    text.clear();
    search();
    text.requestFocus();
  }

  private void run() {
    Found found = list.getSelectionModel().getSelectedItem();
    close.run();
    if (found != null) {
      found.run().run();
    }
  }

  private void search() {
    String[] words = text.getText().toLowerCase(Locale.ROOT).strip().split("\\s+");
    List<Found> hits =
        everything().stream()
            .filter(
                found -> {
                  String all = (found.kind() + " " + found.name()).toLowerCase(Locale.ROOT);
                  for (String word : words) {
                    if (!all.contains(word)) {
                      return false;
                    }
                  }
                  return true;
                })
            .limit(MOST)
            .toList();
    list.getItems().setAll(hits);
    list.getSelectionModel().selectFirst();
  }

  private List<Found> everything() {
    Bench bench = workbench.bench().get();
    List<Found> all = new ArrayList<>();
    for (SignalPath path : bench.paths()) {
      all.add(
          new Found(
              "control", path.site().label(), "", () -> show(path, workbench.station().get())));
    }
    for (SignalPath path : bench.paths()) {
      path.strand()
          .ifPresent(
              strand ->
                  all.add(
                      new Found(
                          "wire",
                          strand.id() + " " + strand.colour() + ", " + path.site().label(),
                          "",
                          () -> show(path, Station.LOOM))));
      path.pin()
          .ifPresent(
              pin ->
                  all.add(
                      new Found(
                          "pin",
                          pin.terminal().name() + ", " + path.site().label(),
                          "",
                          () -> show(path, Station.LOOM))));
    }
    for (Command command : commands.all()) {
      if (command.possible().getAsBoolean() && !command.name().equals("Find")) {
        all.add(new Found("action", command.name(), command.keyText(), command.run()));
      }
    }
    return all;
  }

  private void show(SignalPath path, Station station) {
    workbench.station().set(station);
    workbench.select(path.id());
  }

  private static final class FoundCell extends ListCell<Found> {
    private final Label kind = new Label();
    private final Label name = new Label();
    private final Label keys = new Label();
    private final HBox row;

    FoundCell() {
      kind.getStyleClass().add("note");
      kind.setMinWidth(56);
      keys.getStyleClass().addAll("mono", "note");
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      row = new HBox(kind, name, gap, keys);
      row.getStyleClass().add("found");
    }

    @Override
    protected void updateItem(Found found, boolean empty) {
      super.updateItem(found, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (!empty) {
        kind.setText(found.kind());
        name.setText(found.name());
        keys.setText(found.keys());
      }
    }
  }
}
