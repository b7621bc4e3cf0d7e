package kumite.desktop.shell;

import java.util.Comparator;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import kumite.desktop.field.Em;
import kumite.desktop.field.Segments;
import kumite.finding.Severity;
import kumite.measure.LengthUnit;
import kumite.verdict.Bench;

/** The bar at the top: which build, finder, units, verdict, sheet. */
final class TopBar extends HBox {
  private final Workbench workbench;
  private final Label state = new Label();
  private final Segments<LengthUnit> units;
  private final Button[] chips = new Button[Severity.values().length];

  TopBar(Workbench workbench, Commands commands, FileMenu title) {
    this.workbench = workbench;
    getStyleClass().add("top-bar");
    title.setTextOverrun(OverrunStyle.ELLIPSIS);
    state.getStyleClass().add("note");
    state.setMinWidth(Region.USE_PREF_SIZE);
    Button finder = new Button("Find anything, do anything");
    finder.getStyleClass().add("finder-button");
    finder.setId("finder-button");
    finder.setTooltip(
        new Tooltip(
            "Find anything, do anything: controls, wires, terminals, findings, sums, commands"));
    Label keys = new Label("Ctrl+K");
    keys.getStyleClass().addAll("mono", "note");
    finder.setGraphic(keys);
    finder.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
    finder.setOnAction(event -> commands.find().run().run());
    Em.min(finder, 120);
    HBox.setHgrow(title, Priority.SOMETIMES);
    Region left = spacer();
    Region right = spacer();
    units =
        new Segments<>(
            LengthUnit::symbol, unit -> workbench.apply(Commands.units(unit)), LengthUnit.values());
    units.getStyleClass().add("flat-segments");
    units.setMinWidth(USE_PREF_SIZE);
    getChildren().addAll(title, state, left, finder, right, units);
    for (Severity severity : Severity.values()) {
      Button chip = new Button();
      chip.getStyleClass().addAll("chip", severity.word());
      chip.setId("chip-" + severity.word());
      chip.setAccessibleRole(AccessibleRole.BUTTON);
      chip.setMinWidth(Region.USE_PREF_SIZE);
      chip.setOnAction(event -> goTo(severity));
      chip.setTooltip(new Tooltip("Go to the station with the first of these"));
      chips[severity.ordinal()] = chip;
      getChildren().add(chip);
    }
    Button sheet = new Button("Bench sheet");
    sheet.getStyleClass().add("accent");
    sheet.setId("bench-sheet");
    sheet.setMinWidth(Region.USE_PREF_SIZE);
    sheet.setOnAction(event -> commands.sheet().run().run());
    getChildren().add(sheet);
    workbench.bench().addListener((o, was, is) -> show(is));
    workbench.build().addListener((o, was, is) -> name());
    workbench.saved().addListener((o, was, is) -> name());
    workbench.file().addListener((o, was, is) -> name());
    show(workbench.bench().get());
    name();
  }

  private static Region spacer() {
    Region spacer = new Region();
    HBox.setHgrow(spacer, Priority.ALWAYS);
    return spacer;
  }

  private void goTo(Severity severity) {
    workbench.bench().get().findings().stream()
        .filter(finding -> finding.severity() == severity)
        .min(Comparator.comparing(finding -> workbench.rooms().order(finding.station())))
        .ifPresent(finding -> workbench.station().set(finding.station()));
  }

  private void name() {
    String file =
        workbench.file().get().map(path -> path.getFileName().toString()).orElse("no file yet");
    state.setText(
        "rev "
            + workbench.build().get().revision()
            + " · "
            + (workbench.unsaved()
                ? "not saved"
                : workbench.file().get().isEmpty() ? file : "saved"));
    state.setTooltip(
        new Tooltip(
            workbench.file().get().map(Object::toString).orElse("This build has no file yet")));
  }

  private void show(Bench bench) {
    units.choose(bench.build().brief().units());
    set(Severity.STOP, "\u25CF  ", bench.count(Severity.STOP), " to stop");
    set(Severity.LOOK, "\u25B2  ", bench.count(Severity.LOOK), " to look at");
    set(Severity.FINE, "", bench.count(Severity.FINE), " fine");
  }

  private void set(Severity severity, String sign, int count, String words) {
    Button chip = chips[severity.ordinal()];
    chip.setText(sign + count + words);
    chip.setDisable(count == 0);
  }
}
