package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.measure.Point;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * A printed tray, and a printed panel, parted along seams so that each part lies on the bed. Where
 * a seam meets a wall a block stands, half of it on either part: the lips that are screwed
 * together.
 */
final class Parting {
  /** Of a lip to either side of its seam, and from the wall inward: common practice, no source. */
  static final double LIP_MM = 8;

  static final double LIP_DEEP_MM = 12;

  /** Left free between a seam and what is beside it. */
  private static final double CLEAR_MM = 2;

  /** No part is narrower. */
  private static final double LEAST_MM = 20;

  private Parting() {}

  /** A seam: it parts left from right, or front from back, at a place in mm. */
  record Seam(MeshCut.Across across, double at) {
    /** {@return in words, such as {@code at x 210.0 mm}} */
    String words() {
      return "at " + (across == MeshCut.Across.X ? "x " : "y ") + OpeningChecks.mm(at);
    }
  }

  /** {@return the seams of a case; none where it is not printed} */
  static List<Seam> seams(BoxShape shape) {
    List<Seam> seams = new ArrayList<>();
    if (shape.box().making() instanceof Making.Printed printed) {
      printed.seamsXMm().forEach(at -> seams.add(new Seam(MeshCut.Across.X, at)));
      printed.seamsYMm().forEach(at -> seams.add(new Seam(MeshCut.Across.Y, at)));
    }
    return seams;
  }

  /** {@return a piece as its parts, front row first; itself where no seam meets it} */
  static List<Piece> parts(BoxShape shape, Piece piece) {
    boolean printed =
        piece.part() == Piece.Part.TRAY
            || piece.part() == Piece.Part.PANEL
                && piece.material() == kumite.build.panel.Material.PRINTED;
    if (!printed || seams(shape).isEmpty()) {
      return List.of(piece);
    }
    Envelope all = piece.envelope();
    List<Double> xs = bounds(shape, MeshCut.Across.X, all.getMinX(), all.getMaxX());
    List<Double> ys = bounds(shape, MeshCut.Across.Y, all.getMinY(), all.getMaxY());
    List<Piece> parts = new ArrayList<>();
    for (int j = 1; j < ys.size(); j++) {
      for (int i = 1; i < xs.size(); i++) {
        List<Point> cell =
            BoardPieces.rectangle(xs.get(i - 1), ys.get(j - 1), xs.get(i), ys.get(j));
        part(piece, cell, parts.size() + 1).ifPresent(parts::add);
      }
    }
    return parts.size() == 1 ? List.of(piece) : parts;
  }

  private static List<Double> bounds(
      BoxShape shape, MeshCut.Across across, double least, double most) {
    List<Double> bounds = new ArrayList<>(List.of(least));
    seams(shape).stream()
        .filter(seam -> seam.across() == across && seam.at() > least && seam.at() < most)
        .map(Seam::at)
        .sorted()
        .forEach(bounds::add);
    bounds.add(most);
    return bounds;
  }

  private static Optional<Piece> part(Piece piece, List<Point> cell, int number) {
    Polygon within = Outlines.polygonOf(cell);
    Geometry left = Outlines.polygonOf(piece.outline()).intersection(within);
    if (!(left instanceof Polygon one) || one.isEmpty()) {
      return Optional.empty();
    }
    List<Point> outline = new ArrayList<>();
    for (Coordinate at : one.getExteriorRing().getCoordinates()) {
      outline.add(new Point(at.x, at.y));
    }
    return Optional.of(
        new Piece(
            piece.id() + "-" + number,
            piece.part(),
            piece.face(),
            piece.frame(),
            Outlines.cleaned(outline),
            piece.holes().stream()
                .filter(hole -> Outlines.polygonOf(hole.ring()).intersects(one))
                .toList(),
            piece.thicknessMm(),
            piece.material(),
            piece.bevels()));
  }

  /** {@return the part of a tray that a piece is} */
  static Mesh solid(Mesh tray, Piece piece, Piece whole) {
    Envelope part = piece.envelope();
    Envelope all = whole.envelope();
    Mesh left = tray;
    if (part.getMinX() > all.getMinX()) {
      left = MeshCut.of(left, MeshCut.Across.X, part.getMinX(), false);
    }
    if (part.getMaxX() < all.getMaxX()) {
      left = MeshCut.of(left, MeshCut.Across.X, part.getMaxX(), true);
    }
    if (part.getMinY() > all.getMinY()) {
      left = MeshCut.of(left, MeshCut.Across.Y, part.getMinY(), false);
    }
    if (part.getMaxY() < all.getMaxY()) {
      left = MeshCut.of(left, MeshCut.Across.Y, part.getMaxY(), true);
    }
    return left;
  }

  /** {@return the lips that a seam wants, as blocks from panel to floor} */
  static List<Block> lips(BoxShape shape, Seam seam) {
    Envelope room = new Envelope();
    shape.ring(shape.inMm()).forEach(p -> room.expandToInclude(p.xMm(), p.yMm()));
    String name = "lip " + seam.words();
    double from = seam.at() - LIP_MM;
    return seam.across() == MeshCut.Across.X
        ? List.of(
            new Block(name + ", front", from, room.getMinY(), 2 * LIP_MM, LIP_DEEP_MM),
            new Block(name + ", back", from, room.getMaxY() - LIP_DEEP_MM, 2 * LIP_MM, LIP_DEEP_MM))
        : List.of(
            new Block(name + ", left", room.getMinX(), from, LIP_DEEP_MM, 2 * LIP_MM),
            new Block(
                name + ", right", room.getMaxX() - LIP_DEEP_MM, from, LIP_DEEP_MM, 2 * LIP_MM));
  }

  /** {@return those of the lips that no block of the case does already} */
  static List<Block> missing(BoxShape shape, Seam seam) {
    List<Polygon> there =
        TrayRoom.merged(shape).stream()
            .map(block -> Outlines.polygonOf(TrayRoom.corners(block)).buffer(1e-6))
            .map(Polygon.class::cast)
            .toList();
    return lips(shape, seam).stream()
        .filter(
            lip ->
                there.stream()
                    .noneMatch(area -> area.contains(Outlines.polygonOf(TrayRoom.corners(lip)))))
        .toList();
  }

  /** {@return what a seam runs through or too near past, in words; holes, posts and inserts} */
  static List<String> met(List<Piece.Hole> holes, Seam seam) {
    List<String> met = new ArrayList<>();
    for (Piece.Hole hole : holes) {
      Envelope at = new Envelope();
      hole.ring().forEach(p -> at.expandToInclude(p.xMm(), p.yMm()));
      boolean x = seam.across() == MeshCut.Across.X;
      double least = x ? at.getMinX() : at.getMinY();
      double most = x ? at.getMaxX() : at.getMaxY();
      if (seam.at() > least - CLEAR_MM && seam.at() < most + CLEAR_MM) {
        met.add(hole.words());
      }
    }
    return met;
  }

  /**
   * {@return seams that part a length into parts that a bed takes, as even as what is in their way
   * lets them be; empty where none do}
   *
   * @param holes what they are to keep clear of, where that can be
   */
  static Optional<List<Double>> even(
      MeshCut.Across across, double least, double most, double bedMm, List<Piece.Hole> holes) {
    double length = most - least;
    int parts = (int) Math.ceil(length / bedMm - 1e-9);
    if (parts < 1 || length / parts < LEAST_MM) {
      return Optional.empty();
    }
    for (int n = parts; n <= parts + 2; n++) {
      List<Double> seams = new ArrayList<>();
      double from = least;
      for (int i = 1; i < n; i++) {
        double wanted = least + length * i / n;
        double far = Math.min(from + bedMm, most - LEAST_MM);
        double near = Math.max(from + LEAST_MM, most - bedMm * (n - i));
        Optional<Double> at = free(across, wanted, near, far, holes);
        if (at.isEmpty()) {
          break;
        }
        seams.add(at.get());
        from = at.get();
      }
      if (seams.size() == n - 1 && most - from <= bedMm + 1e-9) {
        return Optional.of(seams);
      }
    }
    return Optional.empty();
  }

  /** The nearest place to a wanted one that meets nothing. */
  private static Optional<Double> free(
      MeshCut.Across across, double wanted, double near, double far, List<Piece.Hole> holes) {
    for (double off = 0; off <= far - near + 1; off += 0.5) {
      for (double at : new double[] {wanted + off, wanted - off}) {
        double place = Math.round(at * 2) / 2.0;
        if (place >= near && place <= far && met(holes, new Seam(across, place)).isEmpty()) {
          return Optional.of(place);
        }
      }
    }
    return Optional.empty();
  }
}
