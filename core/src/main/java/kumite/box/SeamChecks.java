package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.measure.Placement;
import kumite.measure.Shape;
import kumite.panel.LidScrews;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Envelope;

/** Checks of the seams along which a printed tray is parted. */
final class SeamChecks {
  private SeamChecks() {}

  /** {@return what is to be said of them} */
  static List<Finding> of(BoxPlan plan, Catalogue catalogue) {
    List<Finding> findings = new ArrayList<>();
    BoxShape shape = plan.shape();
    if (!shape.hollow()) {
      return findings;
    }
    Envelope tray = Pieces.whole(shape).envelope();
    for (Parting.Seam seam : Parting.seams(shape)) {
      boolean x = seam.across() == MeshCut.Across.X;
      double least = x ? tray.getMinX() : tray.getMinY();
      double most = x ? tray.getMaxX() : tray.getMaxY();
      double edge = shape.wallMm() + Parting.LIP_MM;
      if (seam.at() < least + edge || seam.at() > most - edge) {
        findings.add(
            finding(
                    BoxCode.SEAM_MEETS,
                    Severity.STOP,
                    seam,
                    "The seam " + seam.words() + " parts nothing off",
                    "The tray reaches from "
                        + OpeningChecks.mm(least)
                        + " to "
                        + OpeningChecks.mm(most)
                        + ", and its lip takes "
                        + OpeningChecks.mm(edge)
                        + " at either end: put the seam between")
                .mendedBy(Fix.of("Take out the seam " + seam.words(), b -> without(b, seam))));
        continue;
      }
      List<Block> missing = Parting.missing(shape, seam);
      if (!missing.isEmpty()) {
        findings.add(lipless(shape, seam, missing));
      }
      List<String> met = Parting.met(holes(plan.build(), catalogue, shape, seam.across()), seam);
      if (!met.isEmpty()) {
        findings.add(
            finding(
                BoxCode.SEAM_MEETS,
                Severity.LOOK,
                seam,
                "The seam " + seam.words() + " runs through " + met.get(0),
                "It is weak there, and fits only once both parts are joined"
                    + (met.size() > 1
                        ? "; so it does through "
                            + met.stream().skip(1).distinct().collect(Collectors.joining(", "))
                        : "")
                    + ": move one of them, or the seam"));
      }
    }
    return findings;
  }

  private static Finding lipless(BoxShape shape, Parting.Seam seam, List<Block> missing) {
    String names =
        missing.stream()
            .map(b -> b.name().substring(b.name().lastIndexOf(' ') + 1))
            .collect(Collectors.joining(" and "));
    Finding finding =
        finding(
            BoxCode.SEAM_WITHOUT_LIP,
            Severity.STOP,
            seam,
            "The seam " + seam.words() + " has nothing to be screwed by at the " + names,
            "A block from panel to floor over the seam, "
                + OpeningChecks.mm(2 * Parting.LIP_MM)
                + " wide and "
                + OpeningChecks.mm(Parting.LIP_DEEP_MM)
                + " deep against the wall, is printed with it: half of it on either part");
    // Walls that are slanted want lips that only the builder can place.
    return shape.panel().rectangular()
        ? finding.mendedBy(
            Fix.of("Put lips over the seam " + seam.words(), b -> lipped(b, missing)))
        : finding;
  }

  private static Finding finding(
      BoxCode code, Severity severity, Parting.Seam seam, String title, String detail) {
    return Finding.of(
        code, severity, List.of(new Subject.Thing("seam " + seam.words())), title, detail);
  }

  /** {@return the build with blocks below its panel} */
  private static Build lipped(Build build, List<Block> lips) {
    CaseInside inside = build.panel().inside();
    List<Block> blocks = new ArrayList<>(inside.blocks());
    for (Block lip : lips) {
      blocks.removeIf(block -> block.name().equals(lip.name()));
      blocks.add(lip);
    }
    return build.withPanel(build.panel().withInside(inside.withBlocks(blocks)));
  }

  private static Build without(Build build, Parting.Seam seam) {
    return OpeningChecks.cased(
        build,
        box ->
            box.making() instanceof Making.Printed printed
                ? box.withMaking(
                    printed.parted(
                        less(printed.seamsXMm(), seam, MeshCut.Across.X),
                        less(printed.seamsYMm(), seam, MeshCut.Across.Y)))
                : box);
  }

  private static List<Double> less(List<Double> seams, Parting.Seam seam, MeshCut.Across across) {
    return seam.across() == across ? seams.stream().filter(at -> at != seam.at()).toList() : seams;
  }

  /** {@return all that a seam had better not run through, as its own way sees it} */
  static List<Piece.Hole> holes(
      Build build, Catalogue catalogue, BoxShape shape, MeshCut.Across across) {
    List<Piece.Hole> holes = new ArrayList<>(Pieces.holes(build, catalogue, shape, Face.FLOOR));
    // What is in a wall is met by the seams that cross that wall, where it is along it.
    for (Face face :
        across == MeshCut.Across.X
            ? List.of(Face.FRONT, Face.BACK)
            : List.of(Face.LEFT, Face.RIGHT)) {
      for (Piece.Hole hole : Pieces.holes(build, catalogue, shape, face)) {
        double along = hole.at().centre().xMm();
        holes.add(round(hole.words(), hole.shape().widthMm(), along, along));
      }
    }
    for (Tray.Post post : Tray.posts(build, catalogue)) {
      holes.add(round("a post of a board", post.diameterMm(), post.at().xMm(), post.at().yMm()));
    }
    LidScrews.of(shape.panel(), shape.box())
        .at()
        .forEach(at -> holes.add(round("a screw of the lid", 5, at.xMm(), at.yMm())));
    if (shape.panel().material() == Material.PRINTED) {
      Pieces.panelHoles(build, catalogue).forEach(holes::add);
    }
    return holes;
  }

  /** {@return the same with room for lips beside what stands in a wall} */
  private static List<Piece.Hole> clear(
      Build build, Catalogue catalogue, BoxShape shape, MeshCut.Across across) {
    List<Piece.Hole> clear = new ArrayList<>();
    for (Piece.Hole hole : holes(build, catalogue, shape, across)) {
      clear.add(hole);
      if (hole.at().xMm() == hole.at().yMm()) { // along a wall
        double wide = NUT_PER_HOLE * hole.shape().widthMm() + 2 * Parting.LIP_MM;
        clear.add(round(hole.words(), wide, hole.at().xMm(), hole.at().yMm()));
      }
    }
    return clear;
  }

  /** What holds a thing in its hole is so much wider: common practice, no source. */
  private static final double NUT_PER_HOLE = 1.8;

  private static Piece.Hole round(String words, double diameter, double x, double y) {
    return new Piece.Hole(words, new Shape.Round(diameter), Placement.at(x, y));
  }

  /** {@return a fix that parts a tray into parts which a bed takes, if there is a way} */
  static Optional<Fix> parted(BoxPlan plan, Catalogue catalogue, Making.Printed bed) {
    BoxShape shape = plan.shape();
    Piece whole = Pieces.whole(shape);
    if (!plan.spoken()) {
      return Optional.empty(); // nobody said yet how it is made
    }
    if (!shape.panel().rectangular() || whole.thicknessMm() > bed.bedHeightMm()) {
      return Optional.empty();
    }
    Envelope all = whole.envelope();
    if (shape.panel().material() == Material.PRINTED) {
      plan.pieces().stream()
          .filter(p -> p.part() == Piece.Part.PANEL)
          .forEach(p -> all.expandToInclude(p.envelope()));
    }
    Optional<Fix> best = Optional.empty();
    int fewest = Integer.MAX_VALUE;
    for (boolean turned : new boolean[] {false, true}) {
      double wide = turned ? bed.bedDepthMm() : bed.bedWidthMm();
      double deep = turned ? bed.bedWidthMm() : bed.bedDepthMm();
      Optional<List<Double>> x =
          Parting.even(
              MeshCut.Across.X,
              all.getMinX(),
              all.getMaxX(),
              wide,
              clear(plan.build(), catalogue, shape, MeshCut.Across.X));
      Optional<List<Double>> y =
          Parting.even(
              MeshCut.Across.Y,
              all.getMinY(),
              all.getMaxY(),
              deep,
              clear(plan.build(), catalogue, shape, MeshCut.Across.Y));
      int parts = x.isPresent() && y.isPresent() ? (x.get().size() + 1) * (y.get().size() + 1) : 0;
      if (parts > 1 && parts < fewest) {
        fewest = parts;
        best = Optional.of(fix(bed.parted(x.get(), y.get()), parts));
      }
    }
    return best;
  }

  private static Fix fix(Making.Printed parted, int parts) {
    return Fix.of(
        "Part it in " + parts + ", with lips to screw it together",
        b -> {
          Build next = OpeningChecks.cased(b, box -> box.withMaking(parted));
          BoxShape shape =
              new BoxShape(
                  next.panel(), next.get(kumite.build.box.BoxBook.PART).box().orElseThrow());
          for (Parting.Seam seam : Parting.seams(shape)) {
            next = lipped(next, Parting.missing(shape, seam));
          }
          return next;
        });
  }
}
