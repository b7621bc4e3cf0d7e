package kumite.panel;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Edit;
import kumite.build.Placement;
import kumite.build.Point;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.ControlKind;

/** The edits of laying out a panel. Each is one undoable step. */
public final class Arrange {
  /** Room for a plug's bend between a board and the back wall: common practice, no source. */
  private static final double BOARD_FROM_WALL_MM = 4;

  /** Copies are tried at up to so many steps in each direction. */
  private static final int FURTHEST_COPY = 6;

  private Arrange() {}

  /** {@return an edit that puts controls at the given places} */
  public static Edit place(String label, Map<ControlId, Placement> placements) {
    Map<ControlId, Placement> fixed = Map.copyOf(placements);
    return new Edit(label, build -> build.withPlacements(fixed));
  }

  /** {@return an edit that shifts controls together} */
  public static Edit shift(Build build, Collection<ControlId> ids, double dxMm, double dyMm) {
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    for (ControlId id : ids) {
      build
          .control(id)
          .ifPresent(
              c ->
                  placements.put(
                      id,
                      c.placement()
                          .movedTo(c.placement().xMm() + dxMm, c.placement().yMm() + dyMm)));
    }
    return place("Move " + name(build, ids), placements);
  }

  /**
   * The control that adding a kind from the tray would make.
   *
   * @param at where its centre goes
   */
  public static Control fresh(Build build, ControlKind kind, Point at) {
    String label = build.freshLabel(kind.family().word());
    return Control.of(build.freshId(label), label, kind.id(), Placement.at(at.xMm(), at.yMm()));
  }

  /** {@return an edit that adds a control} */
  public static Edit add(Control control) {
    return new Edit("Add " + control.label(), build -> build.withControl(control));
  }

  /** {@return an edit that takes controls away, with their locks, colours and meanings} */
  public static Edit delete(Build build, Collection<ControlId> ids) {
    List<ControlId> fixed = List.copyOf(ids);
    return new Edit(
        "Delete " + name(build, ids),
        before -> {
          Build after = before;
          for (ControlId id : fixed) {
            after = after.without(id);
          }
          return after;
        });
  }

  /**
   * An edit that adds copies of controls in the same arrangement, beside the originals where they
   * have room.
   *
   * @return an edit whose copies carry no meanings, locks or lamp resistors
   */
  public static Edit duplicate(Build build, Catalogue catalogue, Collection<ControlId> ids) {
    double width = 0;
    double height = 0;
    for (ControlId id : ids) {
      Optional<ControlKind> kind = build.control(id).map(catalogue::kindOf);
      width =
          Math.max(
              width, kind.map(k -> Math.max(k.face().widthMm(), k.body().widthMm())).orElse(0.0));
      height =
          Math.max(
              height,
              kind.map(k -> Math.max(k.face().heightMm(), k.body().heightMm())).orElse(0.0));
    }
    double stepX = Math.ceil(width + Gaps.FLANGE_MM + 2);
    double stepY = Math.ceil(height + Gaps.FLANGE_MM + 2);
    double[][] directions = {{stepX, 0}, {0, -stepY}, {-stepX, 0}, {0, stepY}};
    for (int far = 1; far <= FURTHEST_COPY; far++) {
      for (double[] direction : directions) {
        Edit edit = copies(build, ids, direction[0] * far, direction[1] * far);
        Build after = edit.apply(build);
        boolean room =
            Gaps.of(after, catalogue).tooNarrow().stream()
                .noneMatch(
                    gap ->
                        build.control(gap.control()).isEmpty()
                            || gap.other().filter(o -> build.control(o).isEmpty()).isPresent());
        if (room) {
          return edit;
        }
      }
    }
    return copies(build, ids, stepX, 0); // no room anywhere near: the findings will say so
  }

  private static Edit copies(Build build, Collection<ControlId> ids, double dxMm, double dyMm) {
    List<ControlId> fixed = List.copyOf(ids);
    return new Edit(
        "Duplicate " + name(build, ids),
        before -> {
          Build after = before;
          for (ControlId id : fixed) {
            Optional<Control> original = before.control(id);
            if (original.isPresent()) {
              after = after.withControl(copy(after, original.get(), dxMm, dyMm));
            }
          }
          return after;
        });
  }

  private static Control copy(Build build, Control original, double dxMm, double dyMm) {
    String stem = original.label().replaceAll("\\s+\\d+$", "");
    String label = build.freshLabel(stem);
    Placement at = original.placement();
    return new Control(
        build.freshId(label),
        label,
        original.kind(),
        at.movedTo(at.xMm() + dxMm, at.yMm() + dyMm),
        original.common(),
        OptionalDouble.empty());
  }

  /** {@return an edit that mirrors controls left to right about the panel's centre line} */
  public static Edit mirror(Build build, Collection<ControlId> ids) {
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    for (ControlId id : ids) {
      build
          .control(id)
          .ifPresent(
              c ->
                  placements.put(
                      id,
                      c.placement()
                          .movedTo(
                              build.panel().widthMm() - c.placement().xMm(), c.placement().yMm())
                          .turnedTo(-c.placement().turnDegrees())));
    }
    return place("Mirror " + name(build, ids), placements);
  }

  /** {@return the build with a board; a first one goes to the middle of the back of the case} */
  public static Build withBoard(Build build, BoardKind kind) {
    Placement at =
        build
            .board()
            .map(BoardChoice::placement)
            .orElseGet(
                () ->
                    Placement.at(
                        build.panel().widthMm() / 2,
                        build.panel().heightMm()
                            - build.panel().inside().wallMm()
                            - kind.heightMm() / 2
                            - BOARD_FROM_WALL_MM));
    return build.withBoard(Optional.of(new BoardChoice(kind.id(), at)));
  }

  /** {@return the label of a single control, or how many there are} */
  public static String name(Build build, Collection<ControlId> ids) {
    return ids.size() == 1
        ? build.control(ids.iterator().next()).map(Control::label).orElse("nothing")
        : ids.size() + " controls";
  }

  /**
   * A free place for a new part, near the wished one: the nearest point of a 4 mm grid where the
   * part comes too near to nothing.
   *
   * @return the wished place itself where no free one is found
   */
  public static Point freePlace(Build build, Catalogue catalogue, ControlKind kind, Point wished) {
    Point best = wished;
    double bestDistance = Double.POSITIVE_INFINITY;
    Control probe = fresh(build, kind, wished);
    List<Room> rooms =
        build.controls().stream().map(c -> Room.of(catalogue.kindOf(c), c.placement())).toList();
    double wall = build.panel().inside().wallMm() + Gaps.BODY_MM;
    for (double x = wall; x <= build.panel().widthMm() - wall; x += 4) {
      for (double y = wall; y <= build.panel().heightMm() - wall; y += 4) {
        Point at = new Point(x, y);
        double distance = at.distanceMm(wished);
        if (distance >= bestDistance) {
          continue;
        }
        Room room = Room.of(kind, probe.placement().movedTo(x, y));
        boolean inside =
            room.left >= wall
                && room.right <= build.panel().widthMm() - wall
                && room.front >= wall
                && room.back <= build.panel().heightMm() - wall;
        if (inside && rooms.stream().noneMatch(room::meets)) {
          best = at;
          bestDistance = distance;
        }
      }
    }
    return best;
  }

  /** The box that a part needs for itself, at all heights. */
  private record Room(double left, double right, double front, double back) {
    static Room of(ControlKind kind, Placement placement) {
      Swept face = Swept.of(kind.face(), placement);
      Swept body = Swept.of(kind.body(), placement);
      double margin = Gaps.FLANGE_MM / 2 + 0.5;
      return new Room(
          Math.min(face.envelope().getMinX(), body.envelope().getMinX()) - margin,
          Math.max(face.envelope().getMaxX(), body.envelope().getMaxX()) + margin,
          Math.min(face.envelope().getMinY(), body.envelope().getMinY()) - margin,
          Math.max(face.envelope().getMaxY(), body.envelope().getMaxY()) + margin);
    }

    boolean meets(Room other) {
      return left < other.right && other.left < right && front < other.back && other.front < back;
    }
  }
}
