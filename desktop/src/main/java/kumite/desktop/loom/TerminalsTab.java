package kumite.desktop.loom;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.circuit.InputLevels;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.verdict.Bench;
import kumite.working.Working;

/** The loom terminal by terminal: what lands there, and what it reads. */
final class TerminalsTab implements Tab {
  /** One terminal with what lands on it. */
  private record Row(
      Terminal terminal, List<Strand> strands, List<SignalPath> paths, boolean dead) {
    String lands() {
      return String.join(
          ", ", strands.stream().map(s -> s.id() + " " + s.colour().code()).toList());
    }

    String serves() {
      if (dead) {
        return "marked dead";
      }
      if (!paths.isEmpty()) {
        return String.join(", ", paths.stream().map(p -> p.site().label()).toList());
      }
      return terminal.keep().map(k -> "kept back: " + k.words()).orElse("");
    }

    Optional<InputLevels> levels() {
      return paths.stream().findFirst().flatMap(SignalPath::levels);
    }
  }

  private final Workbench workbench;
  private final TableView<Row> table = new TableView<>();
  private final Locks locks;
  private final VBox whole;
  private boolean showing;

  TerminalsTab(Workbench workbench) {
    this.workbench = workbench;
    locks = new Locks(workbench);
    whole = new VBox(locks, table);
    VBox.setVgrow(table, Priority.ALWAYS);
    table.setId("terminals");
    table.setAccessibleText("Terminals of the board");
    table.setFixedCellSize(28);
    column("terminal", 76, row -> row.terminal().name());
    column("is", 70, row -> row.terminal().role().name().toLowerCase(java.util.Locale.ROOT));
    column("strands", 120, Row::lands);
    column("serves", 244, Row::serves);
    column("idle", 70, row -> row.levels().map(l -> volts(l.idleVolts())).orElse(""));
    column("held", 70, row -> row.levels().map(l -> volts(l.heldVolts())).orElse(""));
    table
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null && !is.paths().isEmpty()) {
                workbench.select(is.paths().get(0).id());
              }
            });
  }

  private void column(String name, double width, java.util.function.Function<Row, String> text) {
    TableColumn<Row, String> column = new TableColumn<>(name);
    column.setPrefWidth(width);
    column.setSortable(false);
    column.setReorderable(false);
    column.setCellValueFactory(cell -> new ReadOnlyStringWrapper(text.apply(cell.getValue())));
    column.setCellFactory(
        c ->
            new TableCell<>() {
              @Override
              protected void updateItem(String value, boolean empty) {
                super.updateItem(value, empty);
                setText(empty ? null : value);
                setTooltip(empty || value.isEmpty() ? null : new Tooltip(value));
              }
            });
    table.getColumns().add(column);
  }

  private static String volts(double volts) {
    return Working.number(volts, 2) + " V";
  }

  @Override
  public VBox node() {
    return whole;
  }

  @Override
  public void show(Bench bench) {
    showing = true;
    locks.show(bench);
    Map<String, List<SignalPath>> paths = new HashMap<>();
    for (SignalPath path : bench.paths()) {
      path.pin()
          .ifPresent(
              pin ->
                  paths
                      .computeIfAbsent(pin.terminal().name(), name -> new java.util.ArrayList<>())
                      .add(path));
    }
    List<Strand> strands = bench.loom().strands();
    table
        .getItems()
        .setAll(
            bench.board().stream()
                .flatMap(board -> board.terminals().stream())
                .map(
                    terminal ->
                        new Row(
                            terminal,
                            strands.stream()
                                .filter(s -> lands(s, Joint.board(terminal.name())))
                                .toList(),
                            paths.getOrDefault(terminal.name(), List.of()),
                            bench.build().loom().dead().contains(terminal.name())))
                .toList());
    showing = false;
  }

  private static boolean lands(Strand strand, Joint joint) {
    return strand.from().place().equals(joint) || strand.to().place().equals(joint);
  }
}
