package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.brief.HostFunction;
import kumite.desktop.field.Em;
import kumite.device.SignalPath;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.power.Sum;
import kumite.verdict.Bench;

/** The finder: anything there is by a few letters of its name, or of another word for it. */
final class Finder extends VBox {
  private static final int MOST = 60;

  /** One thing that can be found. */
  record Found(String kind, String name, String keys, Runnable run) {}

  private final Workbench workbench;
  private final Commands commands;
  private final TextField text = new TextField();
  private final ListView<Found> list = new ListView<>();
  private final Consumer<Sum> openSum;

  /** Names of what was taken in this sitting, the last first. */
  private final List<String> taken = new ArrayList<>();

  private Runnable close = () -> {};

  Finder(Workbench workbench, Commands commands, Consumer<Sum> openSum) {
    this.openSum = openSum;
    this.workbench = workbench;
    this.commands = commands;
    getStyleClass().add("finder");
    setMaxSize(560, 420);
    text.setPromptText("Type a few letters: horn, W05, D9, undo, add joystick, PN-05, metric");
    text.setId("finder-text");
    text.setAccessibleText("Find a control, wire, pin, function, finding, sum or action");
    list.setId("finder-list");
    list.setAccessibleText("What was found");
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
      taken.remove(found.name());
      taken.add(0, found.name());
      found.run().run();
    }
  }

  private void search() {
    String typed = text.getText();
    List<Found> hits =
        everything().stream()
            .filter(found -> rank(found, typed) < OtherWords.Hit.NONE.ordinal())
            .sorted(
                Comparator.comparingInt((Found found) -> rank(found, typed))
                    .thenComparingInt(this::age))
            .limit(MOST)
            .toList();
    list.getItems().setAll(hits);
    list.getSelectionModel().selectFirst();
  }

  private static int rank(Found found, String typed) {
    return OtherWords.of(found.kind(), found.name(), typed).ordinal();
  }

  /** What was taken last comes first among equals. */
  private int age(Found found) {
    int at = taken.indexOf(found.name());
    return at < 0 ? Integer.MAX_VALUE : at;
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
    for (HostFunction function : bench.build().profile().functions()) {
      all.add(new Found("function", function.name(), "", () -> show(bench, function)));
    }
    for (Finding finding : bench.findings()) {
      all.add(
          new Found(
              "finding", finding.code().text() + " " + finding.title(), "", () -> show(finding)));
    }
    for (Sum sum : Sum.values()) {
      all.add(new Found("sum", sum.title(), "F2", () -> openSum.accept(sum)));
    }
    return all;
  }

  /** The Map station, with the contact that does the function where there is one. */
  private void show(Bench bench, HostFunction function) {
    workbench.station().set(Station.MAP);
    bench.paths().stream()
        .filter(path -> path.function().equals(function.name()))
        .findFirst()
        .ifPresent(path -> workbench.select(path.id()));
  }

  private void show(Finding finding) {
    workbench.station().set(finding.station());
    workbench.bench().get().build().labelled().stream()
        .filter(control -> finding.isAbout(control.id()))
        .findFirst()
        .ifPresent(control -> workbench.select(control.id()));
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
      Em.min(kind, 56);
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
