package kumite.desktop.panel;

import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Control;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.panel.Levers;
import kumite.verdict.Bench;

/** All levers side by side for the place of the selected one. */
final class LeversTab implements Tab {
  private static final String[] HEADS = {
    "",
    "lever",
    "gate",
    "throw",
    "force",
    "shaft here",
    "room below",
    "screw holes",
    "what the swap costs"
  };

  private static final int HOLES = 7;
  private static final int COST = 8;

  private final Workbench workbench;
  private final Label intro = new Label();
  private final GridPane grid = new GridPane();
  private final VBox root = new VBox();
  private String shown = "";

  LeversTab(Workbench workbench) {
    this.workbench = workbench;
    intro.getStyleClass().add("note");
    intro.setWrapText(true);
    intro.setMinHeight(Region.USE_PREF_SIZE);
    grid.getStyleClass().add("compare");
    for (int c = 0; c < HEADS.length; c++) {
      ColumnConstraints column = new ColumnConstraints();
      if (c == HOLES) {
        column.setPrefWidth(170);
        column.setMinWidth(140);
      } else if (c == COST) {
        column.setHgrow(Priority.ALWAYS);
        column.setPrefWidth(200);
        column.setMinWidth(160);
      }
      grid.getColumnConstraints().add(column);
    }
    ScrollPane scroll = new ScrollPane(grid);
    scroll.setFitToWidth(true);
    scroll.setPrefHeight(190);
    scroll.setMinHeight(90);
    scroll.getStyleClass().add("quiet-scroll");
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(intro, scroll);
    workbench.selection().addListener((o, was, is) -> show(workbench.bench().get()));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    if (root.getScene() == null) {
      return; // comparing costs a few milliseconds; not while nobody looks
    }
    Optional<ControlId> id =
        workbench.selection().get().stream()
            .filter(
                s ->
                    bench
                        .build()
                        .control(s)
                        .filter(c -> bench.catalogue().kindOf(c).pushesDirections())
                        .isPresent())
            .findFirst()
            .or(
                () ->
                    bench.build().onPanel().stream()
                        .filter(c -> bench.catalogue().kindOf(c).pushesDirections())
                        .map(Control::id)
                        .findFirst());
    if (id.isEmpty()) {
      shown = "";
      intro.setText(
          "Add a lever, and all kinds are compared for its place, this panel and this player.");
      grid.getChildren().clear();
      return;
    }
    Levers levers = Levers.of(bench.build(), bench.catalogue(), id.get()).orElseThrow();
    LengthUnit unit = bench.build().brief().units();
    String key = levers + " " + unit;
    if (key.equals(shown)) {
      return;
    }
    shown = key;
    String label = bench.build().control(id.get()).map(Control::label).orElse("");
    intro.setText(
        "For the place of "
            + label
            + ", in "
            + Length.text(bench.build().panel().thicknessMm(), unit)
            + " "
            + bench.build().panel().material().words()
            + ". Gate, feel and mount differ by model and feel is a matter of taste: hold one before"
            + " you drill.");
    grid.getChildren().clear();
    for (int c = 0; c < HEADS.length; c++) {
      Label head = new Label(HEADS[c]);
      head.getStyleClass().add("field-name");
      head.setMinWidth(Region.USE_PREF_SIZE);
      grid.add(head, c, 0);
    }
    int r = 1;
    for (Levers.Row row : levers.rows()) {
      row(r++, id.get(), row, unit);
    }
  }

  private void row(int r, ControlId id, Levers.Row row, LengthUnit unit) {
    if (row.same()) {
      grid.add(cell("fitted", "fine-text"), 0, r);
    } else {
      Button use = new Button("Use");
      use.setId("use-" + row.kind().id());
      use.getStyleClass().add("small");
      use.setMinWidth(Region.USE_PREF_SIZE);
      use.setOnAction(
          event ->
              workbench.apply(
                  Arrange.swap(workbench.build().get(), workbench.catalogue(), id, row.kind())));
      grid.add(use, 0, r);
    }
    Label name = cell(row.kind().name(), "strong");
    name.setTooltip(new Tooltip(row.kind().name() + ": " + row.kind().trait()));
    grid.add(name, 1, r);
    grid.add(
        cell(
            row.kind().gate().orElseThrow().ways().stream()
                .map(String::valueOf)
                .collect(Collectors.joining(" or ")),
            "mono"),
        2,
        r);
    grid.add(cell(Length.text(row.kind().feel().throwMm(), unit), "mono"), 3, r);
    grid.add(
        cell(
            row.kind().feel().newton() + " N" + (row.tooStiff() ? ", too stiff" : ""),
            row.tooStiff() ? "look-text" : "mono"),
        4,
        r);
    grid.add(cell(Length.text(row.shaftMm(), unit), row.low() ? "look-text" : "mono"), 5, r);
    grid.add(
        cell(
            Length.text(row.roomBelowMm(), unit),
            row.roomBelowMm() < 0 ? "stop-text" : row.tight() ? "look-text" : "mono"),
        6,
        r);
    grid.add(wrapped(cell(holes(row, unit), "plain")), HOLES, r);
    Label cost =
        cell(
            String.join(", ", row.cost()),
            row.holds() && row.narrow() == 0 ? "plain" : "look-text");
    grid.add(wrapped(cost), COST, r);
  }

  private static String holes(Levers.Row row, LengthUnit unit) {
    if (row.same()) {
      return row.kind().screws().size() + " of " + row.kind().screws().size();
    }
    if (row.kind().screws().isEmpty()) {
      return "none, on its nut";
    }
    String pattern =
        row.drilled() == 0
            ? ""
            : row.pattern().serves()
                ? "; drill "
                    + row.pattern().screws().size()
                    + " for both, web "
                    + Length.number(row.pattern().leastWebMm(), unit)
                : "; no pattern for both, web " + Length.number(row.pattern().leastWebMm(), unit);
    return "shares " + row.shared() + " of " + row.kind().screws().size() + pattern;
  }

  private static Label wrapped(Label label) {
    label.setWrapText(true);
    label.setMinWidth(0);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  private static Label cell(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }
}
