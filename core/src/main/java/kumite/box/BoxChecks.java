package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Seat;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.build.supply.SupplyBook;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.panel.LidScrews;
import kumite.parts.Catalogue;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the case: whether it can be made, holds, and lets out what has to come out. */
public final class BoxChecks {
  static final Sight SEEN =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.of(BoxBook.PART),
          Facet.of(SupplyBook.PART),
          Facet.CONTROLS,
          Facet.BOARDS);

  /** The case worked out. */
  public static final Derivation<BoxPlan> PLAN =
      Derivation.of("case", SEEN, given -> BoxPlan.of(given.build(), given.catalogue()));

  /** What is said of a case that somebody spoke of. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.of(
          "findings of the case",
          SEEN,
          // Worked out here, so that a build without a case pays nothing for one at each edit.
          given ->
              FaceChecks.judged(given.build())
                  ? of(BoxPlan.of(given.build(), given.catalogue()), given.catalogue())
                  : List.of());

  /** Steeper than this no panel is worked on: common practice, no source. */
  private static final double STEEPEST_DEGREES = 45;

  /** Less than this is no room for anything. */
  private static final double SHALLOWEST_MM = 5;

  /** Three lines of a usual nozzle: common practice, no source. */
  private static final double THIN_PRINT_MM = 1.2;

  private static final double THIN_BOARD_MM = LidScrews.EDGE_MM;

  private final BoxPlan plan;
  private final BoxShape shape;
  private final Box box;
  private final Panel panel;
  private final Catalogue catalogue;
  private final List<Finding> findings = new ArrayList<>();

  private BoxChecks(BoxPlan plan, Catalogue catalogue) {
    this.plan = plan;
    this.catalogue = catalogue;
    this.shape = plan.shape();
    this.box = plan.box();
    this.panel = shape.panel();
  }

  /** {@return what is to be said of a case} */
  public static List<Finding> of(BoxPlan plan, Catalogue catalogue) {
    BoxChecks checks = new BoxChecks(plan, catalogue);
    checks.room();
    checks.slope();
    checks.walls();
    checks.sizes();
    checks.held();
    checks.metal(catalogue);
    checks.findings.addAll(OpeningChecks.of(plan.build(), catalogue, plan.shape()));
    checks.pieces();
    checks.screws();
    if (checks.findings.stream().anyMatch(f -> f.severity() == Severity.STOP)) {
      checks.findings.removeIf(f -> f.severity() == Severity.FINE);
    } else {
      checks.fine();
    }
    return checks.findings;
  }

  private void room() {
    if (!shape.hollow()) {
      say(
          BoxCode.NO_ROOM,
          Severity.STOP,
          "Nothing is left between the walls",
          "They take "
              + mm(shape.inMm())
              + " on each side of a panel of "
              + mm(panel.widthMm())
              + " x "
              + mm(panel.heightMm())
              + ": take thinner walls, or let the panel stand out less",
          Optional.of(
              Fix.of(
                  "Set the panel flush with its walls",
                  b -> OpeningChecks.cased(b, c -> c.withOverhang(0)))));
      return;
    }
    double kept = panel.inside().wallMm();
    if (shape.inMm() > kept + 1e-6) {
      say(
          BoxCode.WALLS_TAKE_ROOM,
          Severity.STOP,
          "The walls take more room than was kept for them",
          mm(shape.inMm())
              + " from the panel's edge to their inside, and "
              + mm(kept)
              + " were kept: gaps inside are measured to that",
          whereIn(
              CaseInside.WALL.has(shape.inMm()),
              Fix.of(
                  "Keep " + mm(shape.inMm()) + " for them",
                  b ->
                      b.withPanel(
                          b.panel().withInside(b.panel().inside().withWall(shape.inMm()))))));
    }
    double r = panel.cornerMm();
    double stands = Math.sqrt(2) * (r - shape.outMm()) - r;
    if (panel.rectangular() && stands > 0.05 && !(box.making() instanceof Making.Bought)) {
      double over = Math.ceil(r * (1 - 1 / Math.sqrt(2)) * 10) / 10;
      double corner = Math.floor(shape.outMm() / (1 - 1 / Math.sqrt(2)) * 10) / 10;
      boolean room = shape.wallMm() + over <= kept;
      say(
          BoxCode.CORNERS_STAND_OUT,
          Severity.LOOK,
          "The corners of the case stand out of the panel's",
          "The panel's are round by "
              + mm(r)
              + ", those of the case are sharp: "
              + mm(stands)
              + " stand out",
          Optional.of(
              room
                  ? Fix.of(
                      "Let the panel stand out by " + mm(over),
                      b -> OpeningChecks.cased(b, c -> c.withOverhang(over)))
                  : Fix.of(
                      "Round the panel's corners by " + mm(corner),
                      b -> b.withPanel(b.panel().withCorner(corner)))));
    }
  }

  private void slope() {
    double tilt = Math.abs(shape.tiltDegrees());
    double least = Math.min(panel.inside().frontDepthMm(), panel.inside().depthMm());
    if (tilt > STEEPEST_DEGREES || least < SHALLOWEST_MM) {
      double level = Math.max(panel.inside().frontDepthMm(), panel.inside().depthMm());
      say(
          BoxCode.TOO_STEEP,
          Severity.STOP,
          tilt > STEEPEST_DEGREES
              ? "The slope is steeper than the case bears"
              : "The case has no depth at its shallow end",
          Working.number(tilt, 1)
              + "° between panel and floor, "
              + mm(least)
              + " deep at the shallow end: make that end deeper",
          Optional.of(
              Fix.of(
                  "Make it " + mm(level) + " deep everywhere",
                  b ->
                      b.withPanel(
                          b.panel()
                              .withInside(
                                  b.panel()
                                      .inside()
                                      .withFrontDepth(level)
                                      .withDepth(level)
                                      .withFrontDepth(level))))));
    }
  }

  private void walls() {
    double t = box.making().thicknessMm();
    if (box.making() instanceof Making.Printed && t < THIN_PRINT_MM) {
      say(
          BoxCode.WALL_THIN,
          Severity.LOOK,
          "The printed walls are thin",
          mm(t) + "; three lines of a usual nozzle are " + mm(THIN_PRINT_MM) + " (common practice)",
          Optional.empty());
    } else if (box.making() instanceof Making.Boards && t < THIN_BOARD_MM) {
      say(
          BoxCode.WALL_THIN,
          Severity.LOOK,
          "The boards are thin for screws in their edges",
          mm(t)
              + "; from "
              + mm(THIN_BOARD_MM)
              + " on an edge takes a screw without splitting (common practice): put battens into the"
              + " corners, or glue only",
          Optional.empty());
    }
    if (box.making() instanceof Making.Laser && panel.rectangular() && shape.hollow()) {
      LaserPieces.plainWords(shape)
          .ifPresent(
              edges ->
                  say(
                      BoxCode.EDGE_PLAIN,
                      Severity.LOOK,
                      "Some edges are too short for fingers",
                      edges + ": they are glued butt to butt",
                      Optional.empty()));
    }
  }

  /** A bought box says its own inside; gaps are measured to what the panel says of it. */
  private void sizes() {
    if (!(box.making() instanceof Making.Bought of)) {
      return;
    }
    CaseInside inside = panel.inside();
    double side = (panel.widthMm() - of.insideWidthMm()) / 2;
    double end = (panel.heightMm() - of.insideDepthMm()) / 2;
    double wall = Math.max(0, Math.max(side, end));
    boolean large = side < 0 || end < 0;
    boolean same =
        Math.abs(inside.wallMm() - wall) < 0.05
            && Math.abs(inside.depthMm() - of.insideHeightMm()) < 0.05
            && Math.abs(inside.frontDepthMm() - of.insideHeightMm()) < 0.05;
    if (large) {
      say(
          BoxCode.OTHER_SIZES,
          Severity.STOP,
          "The panel does not cover the box",
          mm(of.insideWidthMm())
              + " x "
              + mm(of.insideDepthMm())
              + " inside, and the panel is "
              + mm(panel.widthMm())
              + " x "
              + mm(panel.heightMm()),
          whereIn(
              Panel.WIDTH.has(of.insideWidthMm() + 2 * of.thicknessMm())
                  && Panel.HEIGHT.has(of.insideDepthMm() + 2 * of.thicknessMm()),
              Fix.of(
                  "Make the panel as large as the box",
                  b ->
                      b.withPanel(
                          b.panel()
                              .withSize(
                                  Math.max(
                                      panel.widthMm(), of.insideWidthMm() + 2 * of.thicknessMm()),
                                  Math.max(
                                      panel.heightMm(),
                                      of.insideDepthMm() + 2 * of.thicknessMm()))))));
    } else if (!same) {
      say(
          BoxCode.OTHER_SIZES,
          Severity.STOP,
          "The room below the panel is not that of the box",
          "Measured are "
              + mm(inside.depthMm())
              + " depth and "
              + mm(inside.wallMm())
              + " for walls; the box has "
              + mm(of.insideHeightMm())
              + " and "
              + mm(wall),
          whereIn(
              CaseInside.WALL.has(wall) && CaseInside.DEPTH.has(of.insideHeightMm()),
              Fix.of(
                  "Measure the gaps to the box",
                  b ->
                      b.withPanel(
                          b.panel()
                              .withInside(
                                  new CaseInside(
                                      wall,
                                      of.insideHeightMm(),
                                      of.insideHeightMm(),
                                      b.panel().inside().blocks(),
                                      b.panel().inside().opening()))))));
    }
  }

  /** A repair that would leave what a panel can be is none. */
  private static Optional<Fix> whereIn(boolean range, Fix fix) {
    return range ? Optional.of(fix) : Optional.empty();
  }

  private void held() {
    boolean loose =
        panel.inside().opening() == Opening.LIFTS_OFF
            && LidScrews.of(panel, box).at().isEmpty()
            && !(box.making() instanceof Making.Bought)
            && shape.hollow();
    if (loose) {
      Panel blocked = PlainBox.blocked(panel, box);
      say(
          BoxCode.NOTHING_HOLDS,
          Severity.LOOK,
          "Nothing holds the panel on its case",
          "It lifts off, and there is no block under it that a screw could go into",
          blocked.equals(panel)
              ? Optional.empty()
              : Optional.of(
                  Fix.of(
                      "Put a block into each corner",
                      b -> b.withPanel(PlainBox.blocked(b.panel(), box)))));
    }
  }

  private void metal(Catalogue catalogue) {
    boolean floor = metal(box.material());
    boolean above = metal(panel.material());
    for (Seat seat : plan.build().seats()) {
      Optional<BoardChoice> board = seat.board();
      boolean bare =
          board
              .filter(b -> b.seat() == BoardChoice.Seat.FLOOR ? floor : above)
              .filter(b -> catalogue.board(b.kind()).isPresent())
              .isPresent();
      if (bare) {
        findings.add(
            Finding.of(
                BoxCode.METAL_UNDER_BOARD,
                Severity.LOOK,
                List.of(Subject.BOARD),
                "A board stands over bare metal",
                "Its joints short on it if a standoff gives or a wire end falls: lay insulation under"
                    + " it, and cut wire ends off outside"));
      }
    }
  }

  private static boolean metal(Material material) {
    return material == Material.ALUMINIUM || material == Material.STEEL;
  }

  private void pieces() {
    for (Piece piece : plan.nest().tooLarge()) {
      findings.add(
          Finding.of(
                  BoxCode.TOO_LARGE,
                  Severity.STOP,
                  List.of(new Subject.Thing("piece " + piece.id())),
                  "No sheet takes the piece \"" + piece.id() + "\"",
                  size(piece)
                      + "; "
                      + (box.stock().isEmpty()
                          ? "the largest usual sheet is smaller: say which sheets there are, or take"
                              + " another way of making"
                          : "the sheets there are, are smaller or used up: add one, or take another"
                              + " way of making"))
              .mendedBy(
                  () ->
                      box.stock().isEmpty()
                          ? Optional.empty()
                          : Optional.of(
                              Fix.of(
                                  "Take the usual sheets",
                                  b -> OpeningChecks.cased(b, c -> c.withStock(List.of()))))));
    }
    if (box.making() instanceof Making.Printed bed) {
      for (Piece piece : plan.printed()) {
        double w = piece.widthMm();
        double h = piece.heightMm();
        boolean lies =
            w <= bed.bedWidthMm() && h <= bed.bedDepthMm()
                || h <= bed.bedWidthMm() && w <= bed.bedDepthMm();
        if (!lies || piece.thicknessMm() > bed.bedHeightMm()) {
          findings.add(
              Finding.of(
                      BoxCode.TOO_LARGE,
                      Severity.STOP,
                      List.of(new Subject.Thing("piece " + piece.id())),
                      "The printer does not take the piece \"" + piece.id() + "\"",
                      size(piece)
                          + " on a bed of "
                          + mm(bed.bedWidthMm())
                          + " x "
                          + mm(bed.bedDepthMm())
                          + " x "
                          + mm(bed.bedHeightMm())
                          + ": part it, with lips that are screwed together; or find a larger printer, or"
                          + " take boards or sheet for the walls")
                  .mendedBy(() -> SeamChecks.parted(plan, catalogue, bed)));
        }
      }
    }
    findings.addAll(SeamChecks.of(plan, catalogue));
  }

  private static String size(Piece piece) {
    return mm(piece.widthMm()) + " x " + mm(piece.heightMm()) + " x " + mm(piece.thicknessMm());
  }

  private void screws() {
    for (ScrewLine line : plan.screws()) {
      if (line.lengthMm().isEmpty()) {
        findings.add(
            Finding.of(
                    BoxCode.NO_SCREW,
                    Severity.STOP,
                    line.about().isEmpty()
                        ? List.of(new Subject.Thing("screws of " + line.joint()))
                        : line.about(),
                    "No length of " + line.screw() + " suits: " + line.joint(),
                    line.leastMm() > line.mostMm()
                        ? "It would have to be "
                            + mm(line.leastMm())
                            + " to hold and comes through beyond "
                            + mm(line.mostMm())
                            + ": take a thicker part there, a thinner screw, or glue"
                        : "From "
                            + mm(line.leastMm())
                            + " it holds, up to "
                            + mm(line.mostMm())
                            + " it stays in; none is made between: add a washer or a spacer")
                .showing(line.working()));
      }
    }
  }

  private void fine() {
    int sheets = plan.nest().sheets().size();
    String used =
        sheets == 0
            ? ""
            : plan.nest().sheets().size()
                + (sheets == 1 ? " sheet, " : " sheets, ")
                + Working.number(
                    plan.nest().sheets().stream().mapToDouble(Nest.Laid::used).average().orElse(0)
                        * 100,
                    0)
                + " % of it used";
    findings.add(
        Finding.of(
            BoxCode.PIECES_FINE,
            Severity.FINE,
            List.of(),
            "Every piece can be cut or printed",
            plan.pieces().size()
                + (plan.pieces().size() == 1 ? " piece" : " pieces")
                + (used.isEmpty() ? "" : "; " + used)));
    if (!plan.screws().isEmpty()) {
      ScrewLine shortest =
          plan.screws().stream()
              .min(
                  java.util.Comparator.comparingDouble(
                      l -> l.mostMm() - l.lengthMm().orElseThrow()))
              .orElseThrow();
      findings.add(
          Finding.of(
                  BoxCode.SCREWS_FINE,
                  Severity.FINE,
                  List.of(),
                  "Every screw holds and none comes through",
                  "Closest: "
                      + shortest.joint()
                      + ", "
                      + shortest.words()
                      + ", "
                      + mm(shortest.mostMm() - shortest.lengthMm().orElseThrow())
                      + " to spare")
              .showing(shortest.working()));
    }
    if (!box.openings().isEmpty()) {
      boolean looked =
          findings.stream()
              .anyMatch(
                  f ->
                      f.severity() == Severity.LOOK
                          && f.named().stream().anyMatch(n -> n.startsWith("opening ")));
      if (!looked) {
        findings.add(
            Finding.of(
                BoxCode.OPENINGS_FINE,
                Severity.FINE,
                List.of(),
                box.openings().size() == 1
                    ? "The opening is on its face, and what goes through it has its room"
                    : "All openings are on their faces, and what goes through them has its room",
                box.openings().size() + " measured against " + "panel, floor, bodies and boards"));
      }
    }
  }

  private void say(
      BoxCode code, Severity severity, String title, String detail, Optional<Fix> fix) {
    findings.add(
        Finding.of(code, severity, List.of(new Subject.Thing("case")), title, detail)
            .showing(
                new Working(
                    "measures of the case",
                    "outside at o, inside at o + t from the panel's edge",
                    List.of(
                        Working.value("o", shape.outMm(), 2, "mm", "the panel stands out"),
                        Working.value("t", shape.wallMm(), 2, "mm", "walls"),
                        Working.value("a", shape.tiltDegrees(), 2, "deg", "panel against floor")),
                    title,
                    Source.derived("from the panel, its depths and the making")))
            .mendedBy(fix));
  }

  private static String mm(double value) {
    return OpeningChecks.mm(value);
  }
}
