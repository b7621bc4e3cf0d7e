package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;

/** All pieces of a case, the panel first. */
final class Pieces {
  private static final double CHORD_DEGREES = 6;

  private Pieces() {}

  /** {@return them; only the panel where there is no room between the walls} */
  static List<Piece> of(Build build, Catalogue catalogue, BoxShape shape) {
    List<Piece> pieces = new ArrayList<>();
    pieces.add(panel(build, catalogue, shape));
    if (!shape.hollow()) {
      return pieces;
    }
    Making making = shape.box().making();
    boolean rectangular = shape.panel().rectangular();
    if (making instanceof Making.Boards) {
      pieces.addAll(
          rectangular ? BoardPieces.of(shape) : RingPieces.of(build, catalogue, shape, true));
    } else if (making instanceof Making.Laser) {
      pieces.addAll(
          rectangular ? LaserPieces.of(shape) : RingPieces.of(build, catalogue, shape, false));
    } else if (making instanceof Making.Printed) {
      pieces.add(tray(shape));
    }
    if (!(making instanceof Making.Bought)) {
      pieces.addAll(blocks(shape));
    }
    return pieces.stream()
        .map(piece -> drilled(build, catalogue, shape, piece))
        .flatMap(piece -> Parting.parts(shape, piece).stream())
        .toList();
  }

  /** {@return the tray before it is parted} */
  static Piece whole(BoxShape shape) {
    return tray(shape);
  }

  static Piece wall(
      BoxShape shape, Face face, Frame frame, List<Point> outline, List<Piece.Bevel> bevels) {
    return new Piece(
        face.name().toLowerCase(Locale.ROOT),
        Piece.Part.WALL,
        Optional.of(face),
        frame,
        outline,
        List.of(),
        shape.wallMm(),
        shape.box().material(),
        bevels);
  }

  static Piece floor(BoxShape shape, List<Point> outline, List<Piece.Bevel> bevels) {
    double cos = shape.cosTilt();
    double sin = shape.slope() * cos;
    Frame frame =
        new Frame(
            new Vec(0, 0, shape.panel().inside().frontDepthMm()),
            new Vec(1, 0, 0),
            new Vec(0, cos, sin),
            new Vec(0, -sin, cos));
    return wall(shape, Face.FLOOR, frame, outline, bevels);
  }

  private static Piece panel(Build build, Catalogue catalogue, BoxShape shape) {
    Panel panel = shape.panel();
    List<Piece.Hole> holes = panelHoles(build, catalogue);
    return new Piece(
        "panel",
        Piece.Part.PANEL,
        Optional.empty(),
        new Frame(new Vec(0, 0, 0), new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, -1)),
        Rounding.points(panel, CHORD_DEGREES),
        holes,
        panel.thicknessMm(),
        panel.material(),
        List.of());
  }

  /** {@return the holes of the panel itself} */
  static List<Piece.Hole> panelHoles(Build build, Catalogue catalogue) {
    List<Piece.Hole> holes = new ArrayList<>();
    for (DrillPlan.Hole hole : DrillPlan.of(build, catalogue).holes()) {
      holes.add(
          new Piece.Hole(
              hole.label() + ", " + hole.purpose(),
              hole.shape(),
              new Placement(hole.stored().xMm(), hole.stored().yMm(), hole.turnDegrees())));
    }
    return holes;
  }

  private static Piece tray(BoxShape shape) {
    double deepest =
        shape.panel().corners().stream().mapToDouble(p -> shape.depthMm(p.yMm())).max().orElse(0);
    return new Piece(
        "tray",
        Piece.Part.TRAY,
        Optional.empty(),
        new Frame(new Vec(0, 0, 0), new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1)),
        shape.ring(shape.outMm()),
        List.of(),
        deepest + shape.wallMm() / shape.cosTilt(),
        shape.box().material(),
        List.of());
  }

  private static List<Piece> blocks(BoxShape shape) {
    List<Piece> pieces = new ArrayList<>();
    List<Block> blocks = shape.panel().inside().blocks();
    for (int i = 0; i < blocks.size(); i++) {
      Block block = blocks.get(i);
      if (TrayRoom.merged(shape).contains(block)) {
        continue; // printed with the tray
      }
      double deep =
          Math.min(
              shape.depthMm(block.frontMm()), shape.depthMm(block.frontMm() + block.heightMm()));
      double top = block.topMm(deep);
      double long_ = block.bottomMm(deep) - top;
      if (long_ > 0) {
        pieces.add(
            new Piece(
                "block-" + (i + 1),
                Piece.Part.BLOCK,
                Optional.empty(),
                new Frame(
                    new Vec(block.leftMm(), block.frontMm(), top),
                    new Vec(1, 0, 0),
                    new Vec(0, 1, 0),
                    new Vec(0, 0, 1)),
                BoardPieces.rectangle(0, 0, block.widthMm(), block.heightMm()),
                List.of(),
                long_,
                shape.box().material(),
                List.of()));
      }
    }
    return pieces;
  }

  /** The holes of its face, and on the floor those for the screws of boards. */
  private static Piece drilled(Build build, Catalogue catalogue, BoxShape shape, Piece piece) {
    if (piece.face().isEmpty()) {
      return piece;
    }
    Face face = piece.face().get();
    List<Piece.Hole> holes = new ArrayList<>();
    for (Piece.Hole hole : holes(build, catalogue, shape, face)) {
      holes.add(new Piece.Hole(hole.words(), hole.shape(), onPiece(shape, face, hole.at())));
    }
    if (face == Face.FLOOR) {
      for (DrillPlan.Hole hole : DrillPlan.inFloor(build, catalogue)) {
        Point at = onPiece(shape, face, hole.stored());
        holes.add(
            new Piece.Hole(
                hole.label() + ", " + hole.purpose(),
                hole.shape(),
                new Placement(at.xMm(), at.yMm(), 0)));
      }
    }
    return piece.with(holes);
  }

  /** {@return the holes of openings and controls in a face, as that face is measured} */
  static List<Piece.Hole> holes(Build build, Catalogue catalogue, BoxShape shape, Face face) {
    List<Piece.Hole> holes = new ArrayList<>();
    for (Cutout opening : shape.box().openings()) {
      if (opening.face() == face) {
        holes.add(
            new Piece.Hole(
                opening.name(),
                opening.hole(),
                new Placement(opening.at().xMm(), opening.at().yMm(), 0)));
      }
    }
    for (Control control : build.controls()) {
      if (control.face().filter(f -> f == face).isPresent()) {
        ControlKind kind = catalogue.kindOf(control);
        holes.add(new Piece.Hole(control.label(), kind.cutout(), face.shaped(control.placement())));
        for (ScrewHole screw : kind.screws()) {
          Point at = face.place(control.placement(), screw.at());
          holes.add(
              new Piece.Hole(
                  control.label() + ", " + screw.screw() + " screw",
                  new Shape.Round(screw.diameterMm()),
                  Placement.at(at.xMm(), at.yMm())));
        }
      }
    }
    return holes;
  }

  /** {@return a place on a face as its piece has it: along the slope on the floor} */
  static Point onPiece(BoxShape shape, Face face, Point at) {
    return face == Face.FLOOR ? new Point(at.xMm(), shape.alongFloorMm(at.yMm())) : at;
  }

  private static Placement onPiece(BoxShape shape, Face face, Placement at) {
    Point there = onPiece(shape, face, at.centre());
    return at.movedTo(there.xMm(), there.yMm());
  }
}
