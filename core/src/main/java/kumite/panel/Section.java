package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.parts.Catalogue;

/**
 * A cut through panel and case, to scale. Heights are counted from the finished face, up positive.
 *
 * @param line where the cut runs
 * @param pieces what it meets
 * @param floorFromMm the case floor's height where the line begins
 * @param floorToMm and where it ends
 */
public record Section(Line line, List<Piece> pieces, double floorFromMm, double floorToMm) {

  /**
   * A line through the panel.
   *
   * @param alongX whether it runs left to right at a y, or front to back at an x
   * @param atMm that y or x
   */
  public record Line(boolean alongX, double atMm) {}

  /** What a piece of the cut is. */
  public enum Role {
    PANEL,
    FACE,
    ABOVE,
    BODY,
    WALL,
    BLOCK,
    BOARD,
    PLUG
  }

  /**
   * One piece of the cut.
   *
   * @param label what it is
   * @param fromMm its beginning along the line
   * @param toMm its end
   * @param bottomMm its lower edge
   * @param topMm its upper edge
   */
  public record Piece(
      Role role, String label, double fromMm, double toMm, double bottomMm, double topMm) {}

  public Section {
    pieces = List.copyOf(pieces);
  }

  /** Cuts a build along a line. */
  public static Section of(Build build, Catalogue catalogue, Line line) {
    Panel panel = build.panel();
    double under = -panel.stackMm();
    double length = line.alongX() ? panel.widthMm() : panel.heightMm();
    double floorFrom = under - panel.depthAtMm(line.alongX() ? line.atMm() : 0);
    double floorTo = under - panel.depthAtMm(line.alongX() ? line.atMm() : panel.heightMm());
    List<Piece> pieces = new ArrayList<>();
    List<double[]> holes = new ArrayList<>();
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      Placed part = Placed.of(control, kind);
      for (Swept hole : part.holes()) {
        chord(hole, line).ifPresent(holes::add);
      }
      chord(part.face(), line)
          .ifPresent(c -> pieces.add(new Piece(Role.FACE, control.label(), c[0], c[1], 0, 2)));
      double stands = kind.leftAboveMm(kind.above().heightMm(), panel.stackMm());
      if (stands > 0) {
        chord(part.swing(), line)
            .ifPresent(
                c -> pieces.add(new Piece(Role.ABOVE, control.label(), c[0], c[1], 0, stands)));
      }
      double below = part.depthMm(panel);
      chord(part.body(), line)
          .ifPresent(
              c ->
                  pieces.add(
                      new Piece(Role.BODY, control.label(), c[0], c[1], under - below, under)));
    }
    panel(panel, line, holes, pieces);
    for (Block block : panel.inside().blocks()) {
      chord(Swept.of(block), line)
          .ifPresent(
              c -> {
                double deep = under - floorAt(floorFrom, floorTo, (c[0] + c[1]) / 2 / length);
                pieces.add(
                    new Piece(
                        Role.BLOCK,
                        block.name(),
                        c[0],
                        c[1],
                        under - block.bottomMm(deep),
                        under - block.topMm(deep)));
              });
    }
    double wall = panel.inside().wallMm();
    if (wall > 0 && 2 * wall < length) {
      pieces.add(new Piece(Role.WALL, "wall", 0, wall, floorFrom, under));
      pieces.add(new Piece(Role.WALL, "wall", length - wall, length, floorTo, under));
    }
    board(build, catalogue, line, floorFrom, floorTo, length, pieces);
    return new Section(line, pieces, floorFrom, floorTo);
  }

  private static void board(
      Build build,
      Catalogue catalogue,
      Line line,
      double floorFrom,
      double floorTo,
      double length,
      List<Piece> pieces) {
    BoardRoom.of(build, catalogue)
        .forEach(
            room -> {
              boolean hangs = room.hangs();
              double height = room.heightMm();
              chord(room.outline(), line)
                  .ifPresent(
                      c -> {
                        double floor = floorAt(floorFrom, floorTo, (c[0] + c[1]) / 2 / length);
                        double under = -build.panel().stackMm();
                        pieces.add(
                            new Piece(
                                Role.BOARD,
                                "board",
                                c[0],
                                c[1],
                                hangs ? under - height : floor,
                                hangs ? under : floor + height));
                      });
              room.plug()
                  .flatMap(plug -> chord(plug, line))
                  .ifPresent(
                      c -> {
                        double floor = floorAt(floorFrom, floorTo, (c[0] + c[1]) / 2 / length);
                        double top = hangs ? -build.panel().stackMm() : floor + height;
                        pieces.add(new Piece(Role.PLUG, "plug", c[0], c[1], top - height / 2, top));
                      });
            });
  }

  private static double floorAt(double from, double to, double share) {
    return from + (to - from) * Math.max(0, Math.min(1, share));
  }

  private static Optional<double[]> chord(Swept outline, Line line) {
    return outline.chord(line.alongX(), line.atMm());
  }

  /** The panel's material along the line: what its outline holds, less the holes. */
  private static void panel(Panel panel, Line line, List<double[]> holes, List<Piece> pieces) {
    List<Double> crossings = new ArrayList<>();
    List<Point> ring = Rounding.points(panel, 2);
    for (int i = 0; i < ring.size(); i++) {
      Point a = ring.get(i);
      Point b = ring.get((i + 1) % ring.size());
      double va = (line.alongX() ? a.yMm() : a.xMm()) - line.atMm();
      double vb = (line.alongX() ? b.yMm() : b.xMm()) - line.atMm();
      if (va < 0 != vb < 0) {
        double ua = line.alongX() ? a.xMm() : a.yMm();
        double ub = line.alongX() ? b.xMm() : b.yMm();
        crossings.add(ua + (ub - ua) * va / (va - vb));
      }
    }
    crossings.sort(null);
    holes.sort((a, b) -> Double.compare(a[0], b[0]));
    for (int i = 0; i + 1 < crossings.size(); i += 2) {
      double from = crossings.get(i);
      double to = crossings.get(i + 1);
      for (double[] hole : holes) {
        if (hole[1] > from && hole[0] < to) {
          if (hole[0] > from) {
            plate(panel, from, hole[0], pieces);
          }
          from = Math.max(from, hole[1]);
        }
      }
      if (to > from) {
        plate(panel, from, to, pieces);
      }
    }
  }

  private static void plate(Panel panel, double from, double to, List<Piece> pieces) {
    double cover = panel.coverMm();
    pieces.add(new Piece(Role.PANEL, "panel", from, to, -panel.stackMm(), -cover));
    if (cover > 0) {
      pieces.add(new Piece(Role.PANEL, "cover", from, to, -cover, 0));
    }
  }

  /** {@return the middle of a placement as the place of a cut in the wanted direction} */
  public static Line through(Placement placement, boolean alongX) {
    return new Line(alongX, alongX ? placement.yMm() : placement.xMm());
  }
}
