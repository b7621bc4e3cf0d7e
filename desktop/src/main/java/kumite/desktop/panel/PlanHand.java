package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.brief.Hand;
import kumite.desktop.plan.CaseLayer;
import kumite.desktop.shell.Workbench;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.Arrange;

/** What the mouse does on the plan: dragging, framing, panning, zooming, measuring. */
final class PlanHand {
  /** How near, in pixels, a dragged control must come to a line to snap to it. */
  private static final double SNAP_PX = 5;

  private static final double CLICK_PX = 3;

  /** One notch of a wheel. */
  private static final double ZOOM_STEP = 1.2;

  /** What a press on the plan has begun. */
  private sealed interface Doing {
    record Nothing() implements Doing {}

    record Panning(double xPx, double yPx) implements Doing {}

    record Framing(double xPx, double yPx) implements Doing {}

    record Resting(int index, Point from, Hand before) implements Doing {}

    record Reshaping() implements Doing {}

    record Boarding(Point from, Placement start) implements Doing {}

    record Dragging(ControlId grabbed, Point from, Map<ControlId, Placement> start)
        implements Doing {}
  }

  private final Workbench workbench;
  private final PlanView plan;
  private final CaseLayer caseLayer;
  private final CaseHand caseHand;
  private Doing doing = new Doing.Nothing();
  private boolean moved;
  private Optional<Snap> snapped = Optional.empty();
  private boolean measuring;
  private List<Point> measured = List.of();

  /** Whether both ends of a distance are clicked. */
  private boolean closed = true;

  private double[] frame = {};

  PlanHand(Workbench workbench, PlanView plan, CaseLayer caseLayer, CaseHand caseHand) {
    this.workbench = workbench;
    this.plan = plan;
    this.caseLayer = caseLayer;
    this.caseHand = caseHand;
    plan.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    plan.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    plan.addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    plan.addEventHandler(MouseEvent.MOUSE_MOVED, this::hovered);
    plan.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
  }

  /** Turns the measuring tool on or off. */
  void measure(boolean on) {
    measuring = on;
    measured = List.of();
    closed = true;
    plan.states();
  }

  boolean measuring() {
    return measuring;
  }

  /** Draws what the mouse is at. */
  void draw(Marks marks) {
    snapped.ifPresent(snap -> marks.snap(snap, workbench.build().get().panel()));
    if (measured.size() == 2) {
      marks.measured(measured.get(0), measured.get(1));
    }
    if (frame.length == 4) {
      marks.frame(frame[0], frame[1], frame[2], frame[3]);
    }
  }

  private void scrolled(ScrollEvent event) {
    if (event.isShiftDown()) {
      plan.move(event.getDeltaX() + event.getDeltaY(), 0);
    } else {
      plan.zoom(
          event.getDeltaY() > 0 ? ZOOM_STEP : event.getDeltaY() < 0 ? 1 / ZOOM_STEP : 1,
          event.getX(),
          event.getY());
    }
    event.consume();
  }

  private void pressed(MouseEvent event) {
    moved = false;
    doing = new Doing.Nothing();
    if (event.getButton() == MouseButton.MIDDLE || event.getButton() == MouseButton.SECONDARY) {
      doing = new Doing.Panning(event.getX(), event.getY());
      return;
    }
    if (event.getButton() != MouseButton.PRIMARY) {
      return;
    }
    if (measuring) {
      Point at = magnet(plan.scale().toPanel(event.getX(), event.getY()));
      measured = measured.size() == 2 && !open() ? List.of(at, at) : List.of(first(at), at);
      closed = !closed;
      plan.states();
      return;
    }
    Node picked = event.getPickResult().getIntersectedNode();
    Point at = plan.scale().toPanel(event.getX(), event.getY());
    int rest = ReachLayer.restOf(picked);
    Optional<ControlNode> node = nodeAt(picked);
    if (caseHand.pressed(event)) {
      doing = new Doing.Reshaping();
    } else if (rest >= 0) {
      doing = new Doing.Resting(rest, at, workbench.build().get().brief().hand());
    } else if (node.isPresent()) {
      grab(event, node.get(), at);
    } else if (caseLayer.isBoard(picked) && workbench.build().get().board().isPresent()) {
      doing = new Doing.Boarding(at, workbench.build().get().board().get().placement());
    } else {
      plan.requestFocus();
      if (!event.isShiftDown()) {
        workbench.selection().set(Set.of());
      }
      doing = new Doing.Framing(event.getX(), event.getY());
    }
  }

  private boolean open() {
    return !closed;
  }

  private Point first(Point at) {
    return measured.isEmpty() ? at : measured.get(0);
  }

  /** Distances are as a rule wanted from centres and corners. */
  private Point magnet(Point at) {
    Build build = workbench.build().get();
    List<Point> places = new ArrayList<>(build.panel().corners());
    build.onPanel().forEach(c -> places.add(c.placement().centre()));
    double near = 8 / plan.scale().pxPerMm();
    Point best = at;
    double least = near;
    for (Point place : places) {
      if (place.distanceMm(at) < least) {
        least = place.distanceMm(at);
        best = place;
      }
    }
    return best;
  }

  private void hovered(MouseEvent event) {
    if (measuring && measured.size() == 2 && open()) {
      measured = List.of(measured.get(0), magnet(plan.scale().toPanel(event.getX(), event.getY())));
      plan.states();
    }
  }

  private static Optional<ControlNode> nodeAt(Node picked) {
    Node node = picked;
    while (node != null && !(node instanceof ControlNode)) {
      node = node.getParent();
    }
    return Optional.ofNullable((ControlNode) node);
  }

  private void grab(MouseEvent event, ControlNode node, Point at) {
    ControlId id = node.controlId();
    if (event.isShiftDown()) {
      workbench.toggle(id);
    } else if (!workbench.selection().get().contains(id)) {
      workbench.select(id);
    }
    node.requestFocus();
    Map<ControlId, Placement> start = new LinkedHashMap<>();
    for (ControlId each : workbench.selection().get()) {
      workbench.build().get().control(each).ifPresent(c -> start.put(each, c.placement()));
    }
    if (start.containsKey(id)) {
      doing = new Doing.Dragging(id, at, start);
    }
  }

  private void dragged(MouseEvent event) {
    Point now = plan.scale().toPanel(event.getX(), event.getY());
    if (doing instanceof Doing.Panning pan) {
      plan.move(event.getX() - pan.xPx(), event.getY() - pan.yPx());
      doing = new Doing.Panning(event.getX(), event.getY());
    } else if (doing instanceof Doing.Reshaping) {
      caseHand.dragged(event);
    } else if (doing instanceof Doing.Framing framing) {
      frame = new double[] {framing.xPx(), framing.yPx(), event.getX(), event.getY()};
      plan.states();
    } else if (doing instanceof Doing.Resting resting) {
      moved = true;
      workbench.preview(b -> b.withBrief(b.brief().withHand(rested(resting, now))));
    } else if (doing instanceof Doing.Boarding boarding) {
      double dx = Math.rint(now.xMm() - boarding.from().xMm());
      double dy = Math.rint(now.yMm() - boarding.from().yMm());
      moved = dx != 0 || dy != 0;
      Placement start = boarding.start();
      workbench.preview(b -> withBoardAt(b, start.movedTo(start.xMm() + dx, start.yMm() + dy)));
    } else if (doing instanceof Doing.Dragging dragging) {
      drag(dragging, now, event.isAltDown());
    }
  }

  private static Hand rested(Doing.Resting resting, Point now) {
    List<Hand.Rest> rests = new ArrayList<>(resting.before().rests());
    Hand.Rest rest = rests.get(resting.index());
    Point to =
        new Point(
            Math.rint(rest.at().xMm() + now.xMm() - resting.from().xMm()),
            Math.rint(rest.at().yMm() + now.yMm() - resting.from().yMm()));
    rests.set(resting.index(), new Hand.Rest(rest.name(), to));
    return resting.before().withRests(rests);
  }

  private void drag(Doing.Dragging dragging, Point now, boolean freely) {
    Placement first = dragging.start().get(dragging.grabbed());
    Point wished =
        new Point(
            first.xMm() + now.xMm() - dragging.from().xMm(),
            first.yMm() + now.yMm() - dragging.from().yMm());
    if (!moved && wished.distanceMm(first.centre()) * plan.scale().pxPerMm() < CLICK_PX) {
      return; // a click is not a move
    }
    moved = true;
    Snap snap =
        freely
            ? new Snap(wished, Optional.empty(), Optional.empty())
            : Snap.of(
                workbench.build().get(),
                dragging.start().keySet(),
                wished,
                SNAP_PX / plan.scale().pxPerMm());
    snapped = Optional.of(snap);
    double dx = snap.at().xMm() - first.xMm();
    double dy = snap.at().yMm() - first.yMm();
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    dragging
        .start()
        .forEach(
            (id, start) -> placements.put(id, start.movedTo(start.xMm() + dx, start.yMm() + dy)));
    workbench.preview(b -> b.withPlacements(placements));
    // The parts follow the hand at once; the findings follow when they are worked out.
    plan.put(placements);
  }

  private static Build withBoardAt(Build build, Placement placement) {
    return build.withBoard(build.board().map(b -> b.at(placement)));
  }

  private void released(MouseEvent event) {
    snapped = Optional.empty();
    Doing done = doing;
    doing = new Doing.Nothing();
    Build build = workbench.build().get();
    if (done instanceof Doing.Reshaping) {
      caseHand.released();
    } else if (done instanceof Doing.Framing framing && frame.length == 4) {
      frame = new double[0];
      select(framing, event);
    } else if (done instanceof Doing.Resting && moved) {
      Hand hand = build.brief().hand();
      workbench.apply(
          new Edit("Move the resting point", b -> b.withBrief(b.brief().withHand(hand))));
    } else if (done instanceof Doing.Boarding && moved) {
      Optional<Placement> at = build.board().map(BoardChoice::placement);
      at.ifPresent(
          place -> workbench.apply(new Edit("Move the board", b -> withBoardAt(b, place))));
    } else if (done instanceof Doing.Dragging dragging && moved) {
      Map<ControlId, Placement> placements = new LinkedHashMap<>();
      for (ControlId id : dragging.start().keySet()) {
        build.control(id).ifPresent(c -> placements.put(id, c.placement()));
      }
      workbench.apply(
          Arrange.place("Move " + Arrange.name(build, placements.keySet()), placements));
    }
    plan.states();
  }

  private void select(Doing.Framing framing, MouseEvent event) {
    Point one = plan.scale().toPanel(framing.xPx(), framing.yPx());
    Point other = plan.scale().toPanel(event.getX(), event.getY());
    Set<ControlId> inside =
        new LinkedHashSet<>(event.isShiftDown() ? workbench.selection().get() : Set.of());
    for (Control control : workbench.build().get().onPanel()) {
      Point at = control.placement().centre();
      if (between(one.xMm(), other.xMm(), at.xMm()) && between(one.yMm(), other.yMm(), at.yMm())) {
        inside.add(control.id());
      }
    }
    workbench.selection().set(inside);
  }

  private static boolean between(double a, double b, double value) {
    return value >= Math.min(a, b) && value <= Math.max(a, b);
  }
}
