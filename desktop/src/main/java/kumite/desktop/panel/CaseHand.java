package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.input.MouseEvent;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.panel.Block;
import kumite.desktop.shell.Workbench;
import kumite.measure.Point;
import kumite.panel.Reshape;

/**
 * What the mouse does to corners and blocks: they are dragged to whole millimetres, with Alt to
 * tenths, and change when let go. A block can be drawn where there is none.
 */
final class CaseHand {
  private final Workbench workbench;
  private final PlanView plan;
  private final Handles handles;
  private Optional<Handles.Held> held = Optional.empty();
  private Optional<Point> drawnFrom = Optional.empty();
  private Point from = new Point(0, 0);
  private Point to = new Point(0, 0);
  private boolean drawing;
  private Runnable drawn = () -> {};

  CaseHand(Workbench workbench, PlanView plan, Handles handles) {
    this.workbench = workbench;
    this.plan = plan;
    this.handles = handles;
  }

  /** The next drag over the plan draws a block; {@code whenDrawn} hears when it is done. */
  void draw(boolean on, Runnable whenDrawn) {
    drawing = on;
    drawn = whenDrawn;
  }

  /** {@return whether the press takes hold of something here} */
  boolean pressed(MouseEvent event) {
    held = Handles.of(event.getPickResult().getIntersectedNode());
    from = at(event);
    to = from;
    if (drawing) {
      held = Optional.empty();
      drawnFrom = Optional.of(from);
      return true;
    }
    if (event.isShortcutDown() && held.orElse(null) instanceof Handles.Held.Corner corner) {
      held = Optional.empty();
      List<Point> corners = new ArrayList<>(panelCorners());
      corners.remove(corner.index());
      change("Take a corner out", b -> Reshape.corners(b, corners));
      return true;
    }
    return held.isPresent();
  }

  void dragged(MouseEvent event) {
    to = at(event);
    if (drawnFrom.isPresent()) {
      handles.ghost(plan.scale(), ring(drawnFrom.get(), to));
      return;
    }
    held.ifPresent(
        what -> {
          try {
            handles.ghost(plan.scale(), shape(what));
          } catch (IllegalArgumentException e) {
            handles.ghost(plan.scale(), List.of()); // no such block; it says so when let go
          }
        });
  }

  void released() {
    Optional<Handles.Held> what = held;
    Optional<Point> start = drawnFrom;
    held = Optional.empty();
    drawnFrom = Optional.empty();
    handles.ghost(plan.scale(), List.of());
    if (start.isPresent()) {
      drawing = false;
      drawn.run();
      String name = "block " + (blocks().size() + 1);
      change("Draw a block", b -> Reshape.add(b, Reshape.block(name, start.get(), to)));
    } else if (what.isPresent() && !to.equals(from)) {
      keep(what.get());
    }
  }

  private void keep(Handles.Held what) {
    if (what instanceof Handles.Held.Corner || what instanceof Handles.Held.Side) {
      List<Point> corners = shape(what);
      change("Move a corner", b -> Reshape.corners(b, corners));
    } else if (what instanceof Handles.Held.Body body) {
      Block block = moved(blocks().get(body.index()));
      change("Move " + block.name(), b -> Reshape.block(b, body.index(), block));
    } else if (what instanceof Handles.Held.Size size) {
      change(
          "Size " + blocks().get(size.index()).name(),
          b -> Reshape.block(b, size.index(), sized(blocks().get(size.index()))));
    }
  }

  /** What stands there when it is let go now. */
  private List<Point> shape(Handles.Held what) {
    if (what instanceof Handles.Held.Body body) {
      return ring(moved(blocks().get(body.index())));
    }
    if (what instanceof Handles.Held.Size size) {
      return ring(sized(blocks().get(size.index())));
    }
    boolean side = what instanceof Handles.Held.Side;
    int index = side ? ((Handles.Held.Side) what).index() : ((Handles.Held.Corner) what).index();
    List<Point> corners =
        new ArrayList<>(side ? Reshape.split(panelCorners(), index) : panelCorners());
    corners.set(side ? index + 1 : index, to);
    return corners;
  }

  private Block moved(Block block) {
    return new Block(
        block.name(),
        block.leftMm() + to.xMm() - from.xMm(),
        block.frontMm() + to.yMm() - from.yMm(),
        block.widthMm(),
        block.heightMm());
  }

  private Block sized(Block block) {
    return Reshape.block(block.name(), new Point(block.leftMm(), block.frontMm()), to);
  }

  private static List<Point> ring(Block block) {
    return ring(
        new Point(block.leftMm(), block.frontMm()),
        new Point(block.leftMm() + block.widthMm(), block.frontMm() + block.heightMm()));
  }

  private static List<Point> ring(Point a, Point b) {
    return List.of(a, new Point(b.xMm(), a.yMm()), b, new Point(a.xMm(), b.yMm()));
  }

  private List<Block> blocks() {
    return workbench.build().get().panel().inside().blocks();
  }

  private List<Point> panelCorners() {
    return workbench.build().get().panel().corners();
  }

  /** The place under the mouse in whole millimetres, with Alt in tenths. */
  private Point at(MouseEvent event) {
    Point at = plan.scale().toPanel(event.getX(), event.getY());
    double step = event.isAltDown() ? 0.1 : 1;
    return new Point(Math.rint(at.xMm() / step) * step, Math.rint(at.yMm() / step) * step);
  }

  private void change(String label, UnaryOperator<Build> change) {
    try {
      change.apply(workbench.build().get());
      workbench.apply(new Edit(label, change::apply));
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }
}
