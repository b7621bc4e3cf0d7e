package kumite.desktop.panel;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.Build;
import kumite.build.Control;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.plan.Scale;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Tabs;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.panel.Section;
import kumite.verdict.Bench;

/** Where things go, and whether they fit. */
public final class PanelStation implements StationView {
  private enum Side {
    TOP("Top"),
    UNDERSIDE("Underside"),
    SECTION("Section");

    private final String words;

    Side(String words) {
      this.words = words;
    }
  }

  private enum Below {
    SELECTED("Selected", 0),
    PANEL("Panel", 0),
    CASE("Case", 0),
    HAND("Hand", 0),
    LAYOUT("Lay out", 400),
    GAPS("Gaps", 300),
    LEVERS("Levers", 400),
    DRILL("Drill", 400);

    private final String words;

    /** How wide a table or large form is, which lies over the side of the plan; 0 for others. */
    private final double tablePx;

    Below(String words, double tablePx) {
      this.words = words;
      this.tablePx = tablePx;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final PlanView plan;
  private final SectionView section = new SectionView();
  private final Head head;
  private final Tray tray;
  private final Begin empty;
  private final Segments<Side> sides;
  private final Tabs<Below> tabs = new Tabs<>(Below.class, b -> b.words, b -> opened());
  private final StackPane bottom = new StackPane();
  private final StackPane drawer = new StackPane();
  private final ToggleButton fold = new ToggleButton("Fold");
  private final HBox sectionBar = new HBox();
  private final HBox planBar = new HBox();
  private final Segments<Boolean> sectionWay;
  private final TypedField sectionAt;
  private final ToggleButton measure = new ToggleButton("Measure");
  private final ToggleButton reach = new ToggleButton("Reach");
  private Side side = Side.TOP;
  private Section.Line line = new Section.Line(true, 0);
  private boolean lineSet;

  /** Whether reach is shown only because its tab is open. */
  private boolean reachForHand;

  /** The station's room. */
  public PanelStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    plan = new PlanView(workbench);
    plan.setId("plan");
    section.setId("section");
    root.getStyleClass().add("station-room");
    sides = new Segments<>(s -> s.words, this::look, Side.values());
    sides.choose(side);
    StackPane bars = new StackPane(planBar, sectionBar);
    head = new Head("Panel", bars, sides);

    SelectedTab selected = new SelectedTab(workbench, frame);
    tray =
        new Tray(
            workbench,
            kind -> {
              frame.commands().add(kind);
              choose(Below.SELECTED);
              selected.nameIt();
            });
    Button own = new Button("Own part");
    own.setId("own-part");
    own.getStyleClass().add("tray-button");
    own.setMinWidth(Region.USE_PREF_SIZE);
    own.setTooltip(new Tooltip("Describe a part of your own, or read parts from a file"));
    own.setOnAction(event -> frame.over().raise(new OwnPart(workbench, frame)));
    tray.last(own);

    tabs.tab(Below.SELECTED, () -> selected)
        .tab(Below.PANEL, () -> new PanelTab(workbench))
        .tab(Below.CASE, () -> new CaseTab(workbench, plan))
        .tab(Below.HAND, () -> new HandTab(workbench))
        .tab(Below.LAYOUT, () -> new LayoutTab(workbench))
        .tab(Below.GAPS, () -> new GapsTab(workbench, plan))
        .tab(Below.LEVERS, () -> new LeversTab(workbench))
        .tab(Below.DRILL, () -> new DrillTab(workbench, frame));

    sectionWay =
        new Segments<>(
            across -> across ? "Left to right" : "Front to back", this::turnLine, true, false);
    sectionWay.choose(true);
    sectionAt =
        TypedField.place(
            "place of the section",
            mm -> {
              lineSet = true;
              line = new Section.Line(line.alongX(), mm);
              show(workbench.bench().get());
            });
    sectionAt.field().setId("section-at");
    Em.pref(sectionAt.field(), 84);
    planBar.getStyleClass().add("plan-bar");
    sectionBar.getStyleClass().add("plan-bar");
    sectionAt.getStyleClass().add("bare");
    sectionAt.setTooltip(
        "Where the cut runs: from the front edge, or from the left. A selected control is cut"
            + " through its middle");
    sectionBar.getChildren().addAll(sectionWay, sectionAt);
    measure.setId("measure");
    measure.getStyleClass().add("segment");
    measure.setTooltip(new Tooltip("Measure: click two places; centres and corners catch. Ctrl+E"));
    measure.setOnAction(event -> plan.measure(measure.isSelected()));
    reach.setId("show-reach");
    reach.getStyleClass().add("segment");
    reach.setTooltip(new Tooltip("Reach of the hand from its resting points. Ctrl+R"));
    reach.setOnAction(event -> plan.reach(reach.isSelected()));
    planBar
        .getChildren()
        .addAll(
            tool("\u2212", "Smaller  Ctrl+-", () -> plan.zoom(1 / 1.25)),
            tool("Fit", "Whole panel  Ctrl+0", plan::fit),
            tool("+", "Larger  Ctrl+=", () -> plan.zoom(1.25)),
            measure,
            reach);
    for (Node node : planBar.getChildren()) {
      ((Region) node).setMinWidth(Region.USE_PREF_SIZE);
    }
    frame
        .commands()
        .offer("Larger plan", "Shortcut+Equals", () -> onPlan(() -> plan.zoom(1.25)))
        .offer("Smaller plan", "Shortcut+Minus", () -> onPlan(() -> plan.zoom(1 / 1.25)))
        .offer("Whole panel", "Shortcut+0", () -> onPlan(plan::fit))
        .offer("Measure on the plan", "Shortcut+E", () -> onPlan(measure::fire))
        .offer("Show reach", "Shortcut+R", () -> onPlan(reach::fire))
        .offer("Look from above", "", () -> onPlan(() -> look(Side.TOP)))
        .offer("Look from below", "Shortcut+U", () -> onPlan(this::turnOver))
        .offer("Look at a section", "", () -> onPlan(() -> look(Side.SECTION)));
    for (Below each : Below.values()) {
      frame.commands().offer("Panel: " + each.words, "", () -> onPlan(() -> choose(each)));
    }

    tabs.bar().getStyleClass().add("flat-segments");
    bottom.setMinHeight(Region.USE_PREF_SIZE);
    empty = new Begin(workbench, frame);
    drawer.getStyleClass().add("drawer");
    StackPane.setAlignment(drawer, Pos.CENTER_RIGHT);
    // In the middle of the panel, which the rulers push aside.
    StackPane.setMargin(empty, new Insets(0, 0, Scale.RULER_PX, Scale.RULER_PX));
    StackPane sheet = new StackPane(plan, section, empty, drawer);
    sheet.getStyleClass().add("sheet");
    VBox.setVgrow(sheet, Priority.ALWAYS);
    fold.setId("fold-tabs");
    fold.getStyleClass().addAll("segment", "fold");
    fold.setMinWidth(Region.USE_PREF_SIZE);
    fold.setTooltip(new Tooltip("Fold the fields away, so that the plan has all the room. F6"));
    fold.setOnAction(event -> opened());
    HBox.setHgrow(tabs.bar(), Priority.ALWAYS);
    HBox tabRow = new HBox(tabs.bar(), fold);
    VBox work = new VBox(sheet, tabRow, bottom);
    work.getStyleClass().add("plan-work");
    HBox.setHgrow(work, Priority.ALWAYS);
    ScrollPane rail = new ScrollPane(tray);
    rail.getStyleClass().addAll("quiet-scroll", "rail");
    rail.setFitToWidth(true);
    rail.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    rail.setFocusTraversable(false);
    HBox room = new HBox(rail, work);
    room.getStyleClass().add("plan-room");
    VBox.setVgrow(room, Priority.ALWAYS);
    root.getChildren().addAll(head, room);
    frame.commands().offer("Fold the panel's fields", "F6", () -> onPlan(fold::fire));
    choose(Below.SELECTED);
    look(Side.TOP);
    plan.addEventFilter(KeyEvent.KEY_PRESSED, this::nudge);
    workbench
        .selection()
        .addListener(
            (o, was, is) -> {
              if (side == Side.SECTION && !is.isEmpty()) {
                lineSet = false;
                show(workbench.bench().get());
              }
            });
    section.widthProperty().addListener((o, was, is) -> drawSection(workbench.bench().get()));
    section.heightProperty().addListener((o, was, is) -> drawSection(workbench.bench().get()));
  }

  private void onPlan(Runnable run) {
    workbench.station().set(Station.PANEL);
    run.run();
  }

  private static Button tool(String text, String tip, Runnable run) {
    Button button = new Button(text);
    button.getStyleClass().add("small");
    button.setTooltip(new Tooltip(tip));
    button.setAccessibleText(tip);
    button.setOnAction(event -> run.run());
    return button;
  }

  private void turnOver() {
    look(side == Side.UNDERSIDE ? Side.TOP : Side.UNDERSIDE);
  }

  private void look(Side wanted) {
    side = wanted;
    sides.choose(wanted);
    boolean cut = wanted == Side.SECTION;
    plan.setVisible(!cut);
    planBar.setVisible(!cut);
    planBar.setManaged(!cut);
    section.setVisible(cut);
    sectionBar.setVisible(cut);
    sectionBar.setManaged(cut);
    if (cut) {
      lineSet = false;
      show(workbench.bench().get());
    } else {
      plan.below(wanted == Side.UNDERSIDE);
    }
  }

  /** How to begin stands on a bare panel, unless what is done there has the room beside it. */
  private void begin(Bench bench) {
    empty.show(bench.build().controls().isEmpty() && side != Side.SECTION && !drawer.isVisible());
  }

  private void choose(Below wanted) {
    tabs.choose(wanted);
    opened();
  }

  /** Brings the chosen tab up, or folds it away. */
  private void opened() {
    Below wanted = tabs.chosen();
    Tab tab = tabs.tab();
    boolean folded = fold.isSelected();
    fold.setText(folded ? "Unfold" : "Fold");
    bottom.getChildren().setAll(wanted.tablePx > 0 || folded ? List.of() : List.of(tab.node()));
    drawer.getChildren().setAll(wanted.tablePx > 0 && !folded ? List.of(tab.node()) : List.of());
    drawer.setVisible(!drawer.getChildren().isEmpty());
    drawer.setPrefWidth(wanted.tablePx);
    drawer.setMaxWidth(wanted.tablePx);
    plan.covered(drawer.isVisible() ? wanted.tablePx : 0);
    begin(workbench.bench().get());
    plan.offer(
        wanted == Below.PANEL
            ? Handles.Kind.CORNERS
            : wanted == Below.CASE ? Handles.Kind.BLOCKS : Handles.Kind.NONE);
    tab.show(workbench.bench().get());
    if (wanted == Below.HAND && !reach.isSelected()) {
      reachForHand = true;
      reach.fire();
    } else if (wanted != Below.HAND && reachForHand) {
      reachForHand = false;
      if (reach.isSelected()) {
        reach.fire();
      }
    }
  }

  private void turnLine(boolean alongX) {
    lineSet = false;
    line = new Section.Line(alongX, line.atMm());
    show(workbench.bench().get());
  }

  private void nudge(KeyEvent event) {
    Set<ControlId> selection = workbench.selection().get();
    double step = event.isShiftDown() ? 0.1 : 1;
    double dx = 0;
    double dy = 0;
    switch (event.getCode()) {
      case LEFT -> dx = -step;
      case RIGHT -> dx = step;
      case UP -> dy = step;
      case DOWN -> dy = -step;
      default -> {
        return;
      }
    }
    if (!selection.isEmpty() && !event.isShortcutDown()) {
      double across = side == Side.UNDERSIDE ? -dx : dx; // it moves where the key points
      workbench.apply(Arrange.shift(workbench.build().get(), selection, across, dy));
      event.consume();
    }
  }

  @Override
  public Station station() {
    return Station.PANEL;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Build build = bench.build();
    head.facts(
        build.controls().size()
            + (build.controls().size() == 1 ? " control · " : " controls · ")
            + bench.drill().holes().size()
            + " holes · from the "
            + build.panel().datum().words());
    begin(bench);
    tray.show();
    plan.show(bench);
    drawSection(bench);
    tabs.show(bench);
  }

  private void drawSection(Bench bench) {
    if (side != Side.SECTION) {
      return;
    }
    if (!lineSet) {
      Optional<Placement> through =
          workbench.selection().get().stream()
              .flatMap(id -> bench.build().control(id).stream())
              .map(Control::placement)
              .findFirst();
      double middle =
          line.alongX()
              ? bench.build().panel().heightMm() / 2
              : bench.build().panel().widthMm() / 2;
      line =
          through
              .map(at -> Section.through(at, line.alongX()))
              .orElse(new Section.Line(line.alongX(), middle));
    }
    sectionAt.unit(bench.build().brief().units());
    sectionAt.show(line.atMm());
    section.show(bench, line);
  }
}
