package kumite.desktop.panel;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.desktop.plan.CaseLayer;
import kumite.desktop.plan.Scale;
import kumite.desktop.shell.Workbench;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.finding.Subject;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.panel.Captions;
import kumite.panel.Gap;
import kumite.verdict.Bench;

/** The plan of the panel to scale, from above or from below, with controls that can be moved. */
final class PlanView extends Pane {
  private final Workbench workbench;
  private final CaseLayer caseLayer = new CaseLayer();
  private final Rulers rulers = new Rulers();
  private final ReachLayer reach = new ReachLayer();
  private final Pane controls = new Pane();
  private final PlanNames names = new PlanNames();
  private final Marks marks = new Marks();
  private final Handles handles = new Handles();
  private final CaseHand caseHand;
  private final PlanHand hand;
  private final Map<ControlId, ControlNode> nodes = new HashMap<>();
  private Scale scale = new Scale(1, 0, 0, 1, false);
  private boolean fitted = true;
  private double coveredPx;
  private boolean below;
  private boolean showReach;
  private Optional<Gap> loupe = Optional.empty();

  PlanView(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("plan-view");
    setMinSize(200, 120);
    controls.setPickOnBounds(false);
    controls.setManaged(false);
    caseLayer.setManaged(false);
    reach.setManaged(false);
    getChildren().addAll(caseLayer, rulers, controls, names, reach, marks, handles);
    caseHand = new CaseHand(workbench, this, handles);
    hand = new PlanHand(workbench, this, caseLayer, caseHand);
    widthProperty().addListener((o, was, is) -> show(workbench.bench().get()));
    heightProperty().addListener((o, was, is) -> show(workbench.bench().get()));
    workbench.selection().addListener((o, was, is) -> states());
    workbench.holds().addListener((o, was, is) -> states());
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ESCAPE && hand.measuring()) {
            hand.measure(true); // begins anew
          }
        });
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
  }

  Scale scale() {
    return scale;
  }

  /** Shows the panel from below, or from above. */
  void below(boolean isBelow) {
    below = isBelow;
    fitted = true;
    show(workbench.bench().get());
  }

  /** Shows resting points and reach, or not. */
  void reach(boolean wanted) {
    showReach = wanted;
    show(workbench.bench().get());
  }

  /** Offers corners or blocks to the mouse, or neither. */
  void offer(Handles.Kind kind) {
    handles.kind(kind);
    caseHand.draw(false, () -> {});
    handles.show(scale, workbench.build().get().panel());
  }

  /** The next drag draws a block. */
  void drawBlock(boolean on, Runnable whenDrawn) {
    caseHand.draw(on, whenDrawn);
  }

  void measure(boolean on) {
    hand.measure(on);
  }

  /** Draws one gap over the plan until another is asked for. */
  void loupe(Optional<Gap> gap) {
    loupe = gap;
    states();
  }

  /** Brings a gap to the middle and close. */
  void zoomTo(Gap gap) {
    double x = (gap.from().xMm() + gap.to().xMm()) / 2;
    double y = (gap.from().yMm() + gap.to().yMm()) / 2;
    fitted = false;
    double px = 8;
    scale =
        new Scale(
            px,
            getWidth() / 2 - (below ? scale.widthMm() - x : x) * px,
            getHeight() / 2 + y * px,
            scale.widthMm(),
            below);
    show(workbench.bench().get());
  }

  void zoom(double factor, double xPx, double yPx) {
    fitted = false;
    scale = scale.zoomed(factor, xPx, yPx);
    show(workbench.bench().get());
  }

  void zoom(double factor) {
    zoom(factor, getWidth() / 2, getHeight() / 2);
  }

  void move(double dxPx, double dyPx) {
    fitted = false;
    scale = scale.moved(dxPx, dyPx);
    show(workbench.bench().get());
  }

  /** Says how much of its right side something lies over; the whole panel keeps clear of it. */
  void covered(double px) {
    coveredPx = px;
    show(workbench.bench().get());
  }

  /** Shows the whole panel. */
  void fit() {
    fitted = true;
    show(workbench.bench().get());
  }

  void show(Bench bench) {
    if (getWidth() < 50 || getHeight() < 50) {
      return;
    }
    Build build = bench.build();
    Panel panel = build.panel();
    scale =
        fitted
            ? Scale.fit(panel, getWidth() - coveredPx, getHeight(), below)
            : scale.forPanel(panel.widthMm(), below);
    caseLayer.show(scale, bench);
    rulers.show(scale, panel, build.brief().units());
    reach.show(scale, build.brief().hand(), showReach);
    controls(bench);
    handles.show(scale, panel);
    states();
  }

  private void controls(Bench bench) {
    Set<ControlId> present = new HashSet<>();
    for (Control control : bench.build().onPanel()) {
      present.add(control.id());
      ControlNode node = nodes.computeIfAbsent(control.id(), this::fresh);
      node.show(control, bench.catalogue().kindOf(control), scale, bench.build().brief().units());
    }
    nodes
        .entrySet()
        .removeIf(
            entry -> {
              boolean gone = !present.contains(entry.getKey());
              if (gone) {
                controls.getChildren().remove(entry.getValue());
                names.getChildren().remove(entry.getValue().name());
              }
              return gone;
            });
  }

  private ControlNode fresh(ControlId id) {
    ControlNode node = new ControlNode(id);
    controls.getChildren().add(node);
    names.getChildren().add(node.name());
    node.focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (is && !workbench.selection().get().contains(id)) {
                workbench.select(id);
              }
            });
    node.applyCss();
    return node;
  }

  /** Puts controls where a hand drags them, before anything is worked out. */
  void put(Map<ControlId, Placement> placements) {
    placements.forEach(
        (id, placement) -> nodes.get(id).drag(scale.x(placement.xMm()), scale.y(placement.yMm())));
    states();
  }

  /** Selection, live presses and findings change how things look, not where they are. */
  void states() {
    Bench bench = workbench.bench().get();
    Set<ControlId> selection = workbench.selection().get();
    Map<Subject, Severity> worst = new HashMap<>();
    for (Finding finding : bench.findings()) {
      if (finding.drawn().isPresent() || finding.station() == Station.PANEL) {
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
                worst.getOrDefault(Subject.of(id), Severity.FINE)));
    Captions captions =
        names.place(
            getWidth() - coveredPx,
            getHeight(),
            nodes.values(),
            selection,
            caseLayer.words(),
            caseLayer.outside());
    marks.begin(scale, bench.build().brief().units());
    marks.dimensions(bench, selection);
    marks.gaps(bench, selection, captions);
    loupe.ifPresent(marks::loupe);
    hand.draw(marks);
  }
}
