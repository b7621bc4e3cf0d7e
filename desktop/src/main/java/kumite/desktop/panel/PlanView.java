package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Datum;
import kumite.build.Edit;
import kumite.build.Length;
import kumite.build.LengthUnit;
import kumite.build.Panel;
import kumite.build.Placement;
import kumite.build.Point;
import kumite.desktop.shell.Workbench;
import kumite.panel.Arrange;
import kumite.panel.Gap;
import kumite.parts.BoardKind;
import kumite.verdict.Bench;
import kumite.verdict.Finding;
import kumite.verdict.Severity;

/** The plan of the panel to scale, with rulers, controls that can be moved, and gaps. */
final class PlanView extends Pane {
  /** How near, in pixels, a dragged control must come to a line to snap to it. */
  private static final double SNAP_PX = 5;

  private final Workbench workbench;
  private final Rectangle outline = new Rectangle();
  private final Rectangle wall = new Rectangle();
  private final Rectangle board = new Rectangle();
  private final Label boardLabel = new Label("board");
  private final Label wallLabel = new Label();
  private final Pane rulers = layer();
  private final Pane controls = layer();
  private final Pane marks = layer();
  private final Map<ControlId, ControlNode> nodes = new HashMap<>();
  private Scale scale = new Scale(1, 0, 0);
  private String ruled = "";

  private Point dragFrom;
  private Map<ControlId, Placement> dragStart = Map.of();
  private ControlId dragged;
  private Optional<Placement> boardStart = Optional.empty();
  private boolean moved;
  private Optional<Snap> snapped = Optional.empty();

  PlanView(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("plan-view");
    setMinSize(200, 160);
    outline.getStyleClass().add("panel-outline");
    wall.getStyleClass().add("case-wall");
    board.getStyleClass().add("board-below");
    boardLabel.getStyleClass().add("plan-note");
    wallLabel.getStyleClass().add("plan-note");
    controls.setPickOnBounds(false);
    marks.setMouseTransparent(true);
    rulers.setMouseTransparent(true);
    for (Node node : new Node[] {boardLabel, wallLabel, wall}) {
      node.setMouseTransparent(true);
    }
    for (Node node : new Node[] {board, boardLabel, wallLabel, wall}) {
      node.setManaged(false);
    }
    board.setId("board-below");
    outline.setManaged(false);
    getChildren().addAll(outline, wall, board, boardLabel, wallLabel, rulers, controls, marks);
    widthProperty().addListener((o, was, is) -> show(workbench.bench().get()));
    heightProperty().addListener((o, was, is) -> show(workbench.bench().get()));
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    workbench.selection().addListener((o, was, is) -> states());
    workbench.holds().addListener((o, was, is) -> states());
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
  }

  private static Pane layer() {
    Pane pane = new Pane();
    pane.setPickOnBounds(false);
    pane.setManaged(false);
    return pane;
  }

  void show(Bench bench) {
    if (getWidth() < 50 || getHeight() < 50) {
      return;
    }
    Build build = bench.build();
    Panel panel = build.panel();
    scale = Scale.fit(panel, getWidth(), getHeight());
    double s = scale.pxPerMm();
    place(outline, 0, panel.heightMm(), panel.widthMm(), panel.heightMm());
    outline.setArcWidth(2 * panel.cornerMm() * s);
    outline.setArcHeight(2 * panel.cornerMm() * s);
    double in = panel.inside().wallMm();
    boolean walls = in > 0 && 2 * in < Math.min(panel.widthMm(), panel.heightMm());
    wall.setVisible(walls);
    wallLabel.setVisible(walls);
    place(wall, in, panel.heightMm() - in, panel.widthMm() - 2 * in, panel.heightMm() - 2 * in);
    wallLabel.setText("inside of the case wall");
    wallLabel.applyCss();
    wallLabel.autosize();
    wallLabel.relocate(scale.x(panel.widthMm() - in) - wallLabel.getWidth() - 6, scale.y(in) - 18);
    board(bench);
    rulers(panel, build.brief().units());
    controls(bench);
    states();
  }

  private void place(Rectangle box, double leftMm, double backMm, double widthMm, double heightMm) {
    box.setX(scale.x(leftMm));
    box.setY(scale.y(backMm));
    box.setWidth(Math.max(0, widthMm * scale.pxPerMm()));
    box.setHeight(Math.max(0, heightMm * scale.pxPerMm()));
  }

  private void board(Bench bench) {
    Optional<BoardKind> kind = bench.board();
    board.setVisible(kind.isPresent());
    boardLabel.setVisible(kind.isPresent());
    if (kind.isPresent()) {
      Placement at = bench.build().board().orElseThrow().placement();
      place(
          board,
          at.xMm() - kind.get().widthMm() / 2,
          at.yMm() + kind.get().heightMm() / 2,
          kind.get().widthMm(),
          kind.get().heightMm());
      board.setRotate(-at.turnDegrees());
      boardLabel.applyCss();
      boardLabel.autosize();
      boardLabel.relocate(
          Math.round(scale.x(at.xMm()) - boardLabel.getWidth() / 2),
          Math.round(scale.y(at.yMm()) - boardLabel.getHeight() / 2));
    }
  }

  private void rulers(Panel panel, LengthUnit unit) {
    String wanted =
        scale + " " + panel.widthMm() + " " + panel.heightMm() + " " + unit + panel.datum();
    if (wanted.equals(ruled)) {
      return;
    }
    ruled = wanted;
    rulers.getChildren().clear();
    double unitMm = unit == LengthUnit.MM ? 1 : Length.MM_PER_INCH;
    double major = step(unitMm);
    double minor = major / (unit == LengthUnit.MM ? 5 : 4);
    double y = scale.y(0) + 10;
    double x = scale.x(0) - 10;
    for (int i = 0; i * minor <= panel.widthMm() + 1e-6; i++) {
      boolean big = i % Math.round(major / minor) == 0;
      tick(scale.x(i * minor), y, 0, big ? 8 : 4);
      if (big) {
        Label label = ruler(shown(panel, new Point(i * minor, 0), unit, true));
        label.relocate(Math.round(scale.x(i * minor) - label.getWidth() / 2), y + 10);
      }
    }
    for (int i = 0; i * minor <= panel.heightMm() + 1e-6; i++) {
      boolean big = i % Math.round(major / minor) == 0;
      tick(x, scale.y(i * minor), big ? -8 : -4, 0);
      if (big) {
        Label label = ruler(shown(panel, new Point(0, i * minor), unit, false));
        label.relocate(
            Math.round(x - 12 - label.getWidth()),
            Math.round(scale.y(i * minor) - label.getHeight() / 2));
      }
    }
    double[][] corners = {{0, 0}, {1, 0}, {0, 1}, {1, 1}, {0.5, 0.5}};
    Datum datum = panel.datum();
    double[] at =
        corners[
            switch (datum) {
              case FRONT_LEFT -> 0;
              case FRONT_RIGHT -> 1;
              case BACK_LEFT -> 2;
              case BACK_RIGHT -> 3;
              case CENTRE -> 4;
            }];
    double cx = scale.x(at[0] * panel.widthMm());
    double cy = scale.y(at[1] * panel.heightMm());
    javafx.scene.shape.Circle mark = new javafx.scene.shape.Circle(cx, cy, 4);
    mark.getStyleClass().add("datum-mark");
    rulers.getChildren().add(mark);
  }

  /** {@return a step of at least 45 px between figures, in mm} */
  private double step(double unitMm) {
    for (double units : new double[] {1, 2, 5, 10, 20, 50, 100, 200, 500}) {
      if (units * unitMm * scale.pxPerMm() >= 45) {
        return units * unitMm;
      }
    }
    return 1000 * unitMm;
  }

  private static String shown(Panel panel, Point stored, LengthUnit unit, boolean alongX) {
    Point point = panel.datum().fromStored(stored, panel);
    double mm = alongX ? point.xMm() : point.yMm();
    double value = unit == LengthUnit.MM ? mm : mm / Length.MM_PER_INCH;
    String text =
        Math.abs(value - Math.rint(value)) < 0.005
            ? String.valueOf((long) Math.rint(value))
            : String.format(java.util.Locale.ROOT, "%.1f", value);
    return text;
  }

  private void tick(double x, double y, double dx, double dy) {
    double px = Math.floor(x) + 0.5;
    double py = Math.floor(y) + 0.5;
    Line line = new Line(px, py, px + dx, py + dy);
    line.getStyleClass().add("ruler-line");
    rulers.getChildren().add(line);
  }

  private Label ruler(String text) {
    Label label = new Label(text);
    label.getStyleClass().addAll("mono", "ruler-label");
    rulers.getChildren().add(label);
    label.applyCss();
    label.autosize();
    return label;
  }

  private void controls(Bench bench) {
    Set<ControlId> present = new HashSet<>();
    for (Control control : bench.build().controls()) {
      present.add(control.id());
      ControlNode node =
          nodes.computeIfAbsent(
              control.id(),
              id -> {
                ControlNode fresh = new ControlNode(id);
                controls.getChildren().add(fresh);
                fresh
                    .focusedProperty()
                    .addListener(
                        (o, was, is) -> {
                          if (is && !workbench.selection().get().contains(id)) {
                            workbench.select(id);
                          }
                        });
                fresh.applyCss();
                return fresh;
              });
      node.show(control, bench.catalogue().kindOf(control), scale, bench.build().brief().units());
    }
    nodes
        .entrySet()
        .removeIf(
            entry -> {
              boolean gone = !present.contains(entry.getKey());
              if (gone) {
                controls.getChildren().remove(entry.getValue());
              }
              return gone;
            });
  }

  /** Selection, live presses and findings change how things look, not where they are. */
  private void states() {
    Bench bench = workbench.bench().get();
    Set<ControlId> selection = workbench.selection().get();
    Map<String, Severity> worst = new HashMap<>();
    for (Finding finding : bench.findings()) {
      if (finding.gap().isPresent() || finding.station() == kumite.verdict.Station.PANEL) {
        finding
            .about()
            .forEach(
                id -> worst.merge(id, finding.severity(), (a, b) -> a.compareTo(b) < 0 ? a : b));
      }
    }
    Set<ControlId> live = new HashSet<>();
    workbench.holds().get().travel().keySet().forEach(contact -> live.add(contact.control()));
    nodes.forEach(
        (id, node) ->
            node.state(
                selection.contains(id),
                live.contains(id),
                worst.getOrDefault(id.text(), Severity.FINE)));
    marks.getChildren().clear();
    dimensions(bench, selection);
    gaps(bench);
    snapped.ifPresent(this::snapLines);
  }

  private void dimensions(Bench bench, Set<ControlId> selection) {
    if (selection.size() != 1) {
      return;
    }
    Optional<Control> control = bench.build().control(selection.iterator().next());
    if (control.isEmpty()) {
      return;
    }
    Panel panel = bench.build().panel();
    LengthUnit unit = bench.build().brief().units();
    Point at = control.get().placement().centre();
    Point shown = panel.datum().fromStored(at, panel);
    Point origin = panel.datum().toStored(new Point(0, 0), panel);
    double x = scale.x(at.xMm());
    double y = scale.y(at.yMm());
    dimension(scale.x(origin.xMm()), y, x, y, Length.number(shown.xMm(), unit));
    dimension(x, scale.y(origin.yMm()), x, y, Length.number(shown.yMm(), unit));
  }

  private void dimension(double x1, double y1, double x2, double y2, String text) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add("dimension");
    Label label = new Label(text);
    label.getStyleClass().addAll("mono", "dimension-label");
    marks.getChildren().addAll(line, label);
    // Towards the datum, where a panel is emptier than in its middle.
    double along = x1 == x2 ? 0.2 : 0.5;
    centre(label, x1 + (x2 - x1) * along, y1 + (y2 - y1) * along);
  }

  /** Keeps a label's centre at a place, whatever size its text takes once it is styled. */
  private static void centre(Label label, double x, double y) {
    label.layoutXProperty().bind(label.widthProperty().multiply(-0.5).add(Math.round(x)));
    label.layoutYProperty().bind(label.heightProperty().multiply(-0.5).add(Math.round(y)));
  }

  private void gaps(Bench bench) {
    List<Finding> drawn = new ArrayList<>();
    bench.findings().stream()
        .filter(f -> f.severity() != Severity.FINE && f.gap().isPresent())
        .forEach(drawn::add);
    LengthUnit unit = bench.build().brief().units();
    for (Finding finding : drawn) {
      Gap gap = finding.gap().get();
      Line line =
          new Line(
              scale.x(gap.from().xMm()),
              scale.y(gap.from().yMm()),
              scale.x(gap.to().xMm()),
              scale.y(gap.to().yMm()));
      line.getStyleClass().addAll("gap-line", finding.severity().word());
      Label label =
          new Label(
              (finding.severity() == Severity.STOP ? "\u25CF " : "\u25B2 ")
                  + Length.number(gap.gapMm(), unit));
      label.getStyleClass().addAll("mono", "gap-label", finding.severity().word());
      marks.getChildren().addAll(line, label);
      centre(
          label,
          (line.getStartX() + line.getEndX()) / 2,
          (line.getStartY() + line.getEndY()) / 2 - 18);
    }
  }

  private void snapLines(Snap snap) {
    line(snap.lineX(), true, snap.alongX());
    line(snap.lineY(), false, snap.alongY());
  }

  private void line(OptionalDouble at, boolean vertical, Optional<String> what) {
    if (at.isEmpty()) {
      return;
    }
    double mm = at.getAsDouble();
    Line line =
        vertical
            ? new Line(scale.x(mm), outline.getY(), scale.x(mm), scale.frontPx())
            : new Line(
                scale.leftPx(), scale.y(mm), scale.leftPx() + outline.getWidth(), scale.y(mm));
    line.getStyleClass().add("snap-line");
    Label label = new Label("in line with " + what.orElse(""));
    label.getStyleClass().add("snap-label");
    marks.getChildren().addAll(line, label);
    label.applyCss();
    label.autosize();
    label.relocate(
        vertical ? scale.x(mm) + 4 : scale.leftPx() + 8,
        vertical ? outline.getY() + 4 : scale.y(mm) - label.getHeight() - 1);
  }

  // ---- mouse

  private Optional<ControlNode> nodeAt(MouseEvent event) {
    Node node = event.getPickResult().getIntersectedNode();
    while (node != null && !(node instanceof ControlNode)) {
      node = node.getParent();
    }
    return Optional.ofNullable((ControlNode) node);
  }

  private void pressed(MouseEvent event) {
    if (event.getButton() != MouseButton.PRIMARY) {
      return;
    }
    Optional<ControlNode> node = nodeAt(event);
    moved = false;
    boardStart = Optional.empty();
    if (node.isEmpty()) {
      dragged = null;
      if (event.getPickResult().getIntersectedNode() == board) {
        boardStart = workbench.build().get().board().map(BoardChoice::placement);
        dragFrom = scale.toPanel(event.getX(), event.getY());
        return;
      }
      workbench.selection().set(Set.of());
      return;
    }
    ControlId id = node.get().controlId();
    if (event.isShiftDown()) {
      workbench.toggle(id);
    } else if (!workbench.selection().get().contains(id)) {
      workbench.select(id);
    }
    node.get().requestFocus();
    dragged = id;
    dragFrom = scale.toPanel(event.getX(), event.getY());
    Map<ControlId, Placement> start = new LinkedHashMap<>();
    for (ControlId each : workbench.selection().get()) {
      workbench.build().get().control(each).ifPresent(c -> start.put(each, c.placement()));
    }
    dragStart = start;
  }

  private void dragged(MouseEvent event) {
    if (boardStart.isPresent()) {
      Point now = scale.toPanel(event.getX(), event.getY());
      double dx = Math.rint(now.xMm() - dragFrom.xMm());
      double dy = Math.rint(now.yMm() - dragFrom.yMm());
      Placement start = boardStart.get();
      moved = dx != 0 || dy != 0;
      workbench.preview(b -> withBoardAt(b, start.movedTo(start.xMm() + dx, start.yMm() + dy)));
      return;
    }
    if (dragged == null || !dragStart.containsKey(dragged)) {
      return;
    }
    Point now = scale.toPanel(event.getX(), event.getY());
    Placement first = dragStart.get(dragged);
    Point wished =
        new Point(
            first.xMm() + now.xMm() - dragFrom.xMm(), first.yMm() + now.yMm() - dragFrom.yMm());
    if (!moved && wished.distanceMm(first.centre()) * scale.pxPerMm() < 3) {
      return; // a click is not a move
    }
    moved = true;
    Build build = workbench.build().get();
    Snap snap =
        event.isAltDown()
            ? new Snap(wished, Optional.empty(), Optional.empty())
            : Snap.of(build, dragStart.keySet(), wished, SNAP_PX / scale.pxPerMm());
    snapped = Optional.of(snap);
    Map<ControlId, Placement> placements =
        shifted(snap.at().xMm() - first.xMm(), snap.at().yMm() - first.yMm());
    workbench.preview(b -> b.withPlacements(placements));
    // The parts follow the hand at once; the findings follow when they are worked out.
    placements.forEach(
        (id, placement) ->
            nodes.get(id).relocate(scale.x(placement.xMm()), scale.y(placement.yMm())));
  }

  private Map<ControlId, Placement> shifted(double dxMm, double dyMm) {
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    dragStart.forEach(
        (id, start) -> placements.put(id, start.movedTo(start.xMm() + dxMm, start.yMm() + dyMm)));
    return placements;
  }

  private static Build withBoardAt(Build build, Placement placement) {
    return build.withBoard(build.board().map(b -> new BoardChoice(b.kind(), placement)));
  }

  private void released(MouseEvent event) {
    snapped = Optional.empty();
    if (boardStart.isPresent()) {
      boardStart = Optional.empty();
      Optional<Placement> at = workbench.build().get().board().map(BoardChoice::placement);
      if (moved && at.isPresent()) {
        workbench.apply(new Edit("Move the board", b -> withBoardAt(b, at.get())));
      }
      return;
    }
    if (dragged != null && moved) {
      Map<ControlId, Placement> placements = new LinkedHashMap<>();
      for (ControlId id : dragStart.keySet()) {
        workbench.build().get().control(id).ifPresent(c -> placements.put(id, c.placement()));
      }
      workbench.apply(
          Arrange.place(
              "Move " + Arrange.name(workbench.build().get(), placements.keySet()), placements));
    }
    dragged = null;
    states();
  }
}
