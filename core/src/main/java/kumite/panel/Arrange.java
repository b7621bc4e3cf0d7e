package kumite.panel;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/** The edits of laying out a panel. Each is one undoable step. */
public final class Arrange {
  /** Least room between a board and the back wall: common practice, no source. */
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
    return moved("Move ", build, ids, at -> at.movedTo(at.xMm() + dxMm, at.yMm() + dyMm));
  }

  private static Edit moved(
      String label, Build build, Collection<ControlId> ids, UnaryOperator<Placement> move) {
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    for (ControlId id : ids) {
      build.control(id).ifPresent(c -> placements.put(id, move.apply(c.placement())));
    }
    return place(label + name(build, ids), placements);
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
                    gap -> gap.controls().stream().anyMatch(id -> build.control(id).isEmpty()));
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
        original.hookup().withLampOhm(OptionalDouble.empty()),
        original.seat());
  }

  /** {@return an edit that mirrors controls left to right about the panel's centre line} */
  public static Edit mirror(Build build, Collection<ControlId> ids) {
    double width = build.panel().widthMm();
    return moved(
        "Mirror ",
        build,
        ids,
        at -> at.movedTo(width - at.xMm(), at.yMm()).turnedTo(-at.turnDegrees()));
  }

  /** {@return the controls whose centres lie off the panel} */
  public static List<ControlId> offPanel(Build build) {
    Boundary edge = Boundary.edge(build.panel());
    return build.onPanel().stream()
        .filter(c -> !edge.holds(c.placement().centre()))
        .map(Control::id)
        .toList();
  }

  /** {@return an edit that brings a control that lies off the panel to the nearest place on it} */
  public static Edit bringBack(Build build, ControlId id) {
    return new Edit(
        "Bring " + name(build, List.of(id)) + " back",
        before ->
            before.withControl(
                id,
                c -> {
                  Boundary edge = Boundary.edge(before.panel());
                  Point at = c.placement().centre();
                  if (edge.holds(at)) {
                    return c;
                  }
                  Swept.Between out = edge.from(Swept.circle(at, 0.001));
                  return c.withPlacement(c.placement().movedTo(out.to().xMm(), out.to().yMm()));
                }));
  }

  /**
   * {@return an edit that brings a control to the free place nearest to where another edit would
   * put it}
   */
  public static Edit bringToFreePlace(Catalogue catalogue, ControlId id, Edit near) {
    return new Edit(
        near.label() + " to a free place",
        before -> {
          Optional<Control> there = near.apply(before).control(id);
          if (there.isEmpty()) {
            return before;
          }
          Point at =
              freePlace(
                  before.without(id),
                  catalogue,
                  catalogue.kindOf(there.get()),
                  there.get().placement().centre());
          return before.withControl(
              id, c -> c.withPlacement(c.placement().movedTo(at.xMm(), at.yMm())));
        });
  }

  /** {@return an edit that puts controls on one line, left to right, at the first one's y} */
  public static Edit row(Build build, Collection<ControlId> ids) {
    return inLine("Put in a row: ", build, ids, true);
  }

  /** {@return an edit that puts controls on one line, front to back, at the first one's x} */
  public static Edit column(Build build, Collection<ControlId> ids) {
    return inLine("Put in a column: ", build, ids, false);
  }

  private static Edit inLine(String label, Build build, Collection<ControlId> ids, boolean alongX) {
    Point first =
        ids.stream()
            .flatMap(id -> build.control(id).stream())
            .map(control -> control.placement().centre())
            .findFirst()
            .orElse(new Point(0, 0));
    return moved(
        label,
        build,
        ids,
        at -> alongX ? at.movedTo(at.xMm(), first.yMm()) : at.movedTo(first.xMm(), at.yMm()));
  }

  /**
   * An edit that makes the gaps between controls equal; the outermost two stay.
   *
   * @param alongX whether from left to right, or from front to back
   * @throws IllegalArgumentException if fewer than three are given
   */
  public static Edit spread(
      Build build, Catalogue catalogue, Collection<ControlId> ids, boolean alongX) {
    List<Control> line = new ArrayList<>();
    ids.forEach(id -> build.control(id).ifPresent(line::add));
    if (line.size() < 3) {
      throw new IllegalArgumentException("select three controls or more to spread them evenly");
    }
    line.sort(Comparator.comparingDouble(c -> alongX ? c.placement().xMm() : c.placement().yMm()));
    double[] width = new double[line.size()];
    double between = 0;
    for (int i = 0; i < width.length; i++) {
      Swept face = Swept.of(catalogue.kindOf(line.get(i)).face(), line.get(i).placement());
      width[i] = alongX ? face.envelope().getWidth() : face.envelope().getHeight();
      between += i == 0 || i == width.length - 1 ? width[i] / 2 : width[i];
    }
    double first = along(line.get(0), alongX);
    double gap = (along(line.get(width.length - 1), alongX) - first - between) / (width.length - 1);
    Map<ControlId, Placement> placements = new LinkedHashMap<>();
    double at = first;
    for (int i = 1; i < width.length - 1; i++) {
      at += width[i - 1] / 2 + gap + width[i] / 2;
      Placement old = line.get(i).placement();
      double tenth = Math.rint(at * 10) / 10;
      placements.put(
          line.get(i).id(), alongX ? old.movedTo(tenth, old.yMm()) : old.movedTo(old.xMm(), tenth));
    }
    return place("Spread evenly: " + name(build, ids), placements);
  }

  private static double along(Control control, boolean alongX) {
    return alongX ? control.placement().xMm() : control.placement().yMm();
  }

  /**
   * An edit that copies controls to a second seat on the other half of the panel.
   *
   * @param mirrored whether as in a mirror about the centre line, or shifted by half the width
   */
  public static Edit secondSeat(Build build, Collection<ControlId> ids, boolean mirrored) {
    List<ControlId> fixed = List.copyOf(ids);
    double width = build.panel().widthMm();
    double middle =
        fixed.stream()
            .flatMap(id -> build.control(id).stream())
            .mapToDouble(c -> c.placement().xMm())
            .average()
            .orElse(0);
    double shift = middle < width / 2 ? width / 2 : -width / 2;
    return new Edit(
        "Second seat: " + name(build, ids),
        before -> {
          Build after = before;
          for (ControlId id : fixed) {
            Optional<Control> original = before.control(id);
            if (original.isPresent()) {
              Placement at = original.get().placement();
              Control copy = copy(after, original.get(), mirrored ? 0 : shift, 0);
              after =
                  after.withControl(
                      mirrored
                          ? copy.withPlacement(
                              at.movedTo(width - at.xMm(), at.yMm()).turnedTo(-at.turnDegrees()))
                          : copy);
            }
          }
          return after;
        });
  }

  /** {@return an edit that makes a control another kind; meanings of contacts it loses go} */
  public static Edit swap(Build build, Catalogue catalogue, ControlId id, ControlKind kind) {
    return new Edit(
        "Use " + kind.name() + " for " + name(build, List.of(id)),
        before -> {
          Build after = before.withControl(id, c -> c.withKind(kind.id()));
          for (ContactKind old :
              before
                  .control(id)
                  .map(catalogue::kindOf)
                  .map(ControlKind::contacts)
                  .orElse(List.of())) {
            boolean kept = kind.contacts().stream().anyMatch(c -> c.name().equals(old.name()));
            if (!kept) {
              ContactId contact = new ContactId(id, old.name());
              after =
                  after
                      .withMapping(after.mapping().without(contact))
                      .withLoom(after.loom().withoutLock(contact).withoutColour(contact));
            }
          }
          return after;
        });
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
                            - Math.max(BOARD_FROM_WALL_MM, kind.seating().plugReachMm())));
    return build.withBoard(
        Optional.of(
            new BoardChoice(
                kind.id(),
                at,
                build.board().map(BoardChoice::seat).orElse(BoardChoice.Seat.FLOOR),
                false)));
  }

  /** {@return the label of a single control, or how many there are} */
  public static String name(Build build, Collection<ControlId> ids) {
    return ids.size() == 1
        ? build.control(ids.iterator().next()).map(Control::label).orElse("nothing")
        : ids.size() + " controls";
  }

  /**
   * A free place for a new part, near the wished one: the nearest point of a 4 mm grid where
   * nothing is too narrow, at any height.
   *
   * @return the wished place itself where no free one is found
   */
  public static Point freePlace(Build build, Catalogue catalogue, ControlKind kind, Point wished) {
    PartRoom room = PartRoom.of(build, catalogue);
    Control probe = fresh(build, kind, wished);
    List<Point> places = new ArrayList<>();
    double wall = build.panel().inside().wallMm() + Gaps.BODY_MM;
    for (double x = wall; x <= build.panel().widthMm() - wall; x += 4) {
      for (double y = wall; y <= build.panel().heightMm() - wall; y += 4) {
        places.add(new Point(x, y));
      }
    }
    places.sort(Comparator.comparingDouble(at -> at.distanceMm(wished)));
    for (Point at : places) {
      Control there = probe.withPlacement(probe.placement().movedTo(at.xMm(), at.yMm()));
      if (room.clear(List.of(Placed.of(there, kind)), List.of())) {
        return at;
      }
    }
    return wished;
  }
}
