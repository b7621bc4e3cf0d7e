package kumite.loom;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * The ways of wires behind a panel, seen from the face, in mm: along its edges, round the blocks of
 * the case.
 */
public final class Routes {
  private final Build build;
  private final BoardKind board;
  private final Map<String, Point> places = new HashMap<>();
  private final Ways ways;

  private Routes(Build build, BoardKind board, Loom loom) {
    this.build = build;
    this.board = board;
    this.ways = Ways.of(build.panel());
    for (Control control : build.hands()) {
      places.put(control.id().text(), round(control.placement().centre()));
    }
    loom.spots().forEach((part, at) -> places.put(part, round(at)));
  }

  /**
   * The ways of a build's wires.
   *
   * @param board the build's board
   * @throws java.util.NoSuchElementException if the build has no board
   */
  public static Routes of(Build build, BoardKind board, Loom loom) {
    return new Routes(build, board, loom);
  }

  /**
   * {@return the corners of a wire's way, ends included, each stretch along x or y}
   *
   * <p>Empty where an end is at no known part; one point where both are at the same.
   */
  public List<Point> way(Joint from, Joint to) {
    Optional<Point> a = place(from);
    Optional<Point> b = place(to);
    if (a.isEmpty() || b.isEmpty()) {
      return List.of();
    }
    return a.equals(b) ? List.of(a.get()) : ways.way(a.get(), b.get());
  }

  /** {@return the way of a wire that has no direction, from its first end on} */
  public List<Point> way(Jumper wire) {
    return way(wire.a(), wire.b());
  }

  /** {@return where wires to a place gather: a part's middle, or the middle of a board's edge} */
  private Optional<Point> place(Joint joint) {
    if (!joint.part().equals(Joint.BOARD)) {
      return Optional.ofNullable(places.get(joint.part()));
    }
    boolean left =
        board.terminal(joint.tab()).map(t -> t.side() == Terminal.Side.LEFT).orElse(true);
    Point edge = new Point((left ? -1 : 1) * board.widthMm() / 2, 0);
    return Optional.of(round(build.board().orElseThrow().placement().place(edge)));
  }

  private static Point round(Point at) {
    return new Point(Math.rint(at.xMm() * 10) / 10, Math.rint(at.yMm() * 10) / 10);
  }
}
