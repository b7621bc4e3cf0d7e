package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.CaseInside;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Panel;
import kumite.build.Placement;
import kumite.build.Point;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.ControlKind;
import kumite.parts.ScrewHole;
import kumite.parts.Shape;
import kumite.working.Source;
import kumite.working.Working;
import org.locationtech.jts.geom.Envelope;

/**
 * All gaps of a panel that are narrower than {@value #INTEREST_MM} mm, worst first, and the depth
 * of every control.
 *
 * @param list the gaps, the one missing most first
 */
public record Gaps(List<Gap> list) {
  /** Gaps wider than this are nobody's worry. */
  public static final double INTEREST_MM = 12;

  /** Room between two flanges for a fingertip to tell them apart: common practice, no source. */
  public static final double FLANGE_MM = 2;

  /** Room between two bodies, or a body and a wall, to get them in: common practice, no source. */
  public static final double BODY_MM = 1;

  /** Room below the tabs for the bend of the wire: common practice, no source. */
  public static final double BEND_MM = 8;

  /** Standoffs, board and the parts on it, above the case floor: common practice, no source. */
  public static final double BOARD_HEIGHT_MM = 16;

  /** Least material from a hole to the edge of the panel, in webs: common practice, no source. */
  private static final double EDGE_WEBS = 1.5;

  public Gaps {
    list = List.copyOf(list);
  }

  /** A control with its outlines in place. */
  record Placed(
      Control control, ControlKind kind, List<Swept> holes, Swept face, Swept body, Envelope all) {

    static Placed of(Control control, ControlKind kind) {
      List<Swept> holes = new ArrayList<>();
      holes.add(Swept.of(kind.cutout(), control.placement()));
      for (ScrewHole screw : kind.screws()) {
        holes.add(Swept.circle(control.placement().place(screw.at()), screw.diameterMm()));
      }
      Swept face = Swept.of(kind.face(), control.placement());
      Swept body = Swept.of(kind.body(), control.placement());
      Envelope all = new Envelope(face.envelope());
      all.expandToInclude(body.envelope());
      holes.forEach(hole -> all.expandToInclude(hole.envelope()));
      return new Placed(control, kind, List.copyOf(holes), face, body, all);
    }
  }

  /** Measures all gaps of a build. */
  public static Gaps of(Build build, Catalogue catalogue) {
    Panel panel = build.panel();
    List<Gap> found = new ArrayList<>();
    List<Placed> placed = new ArrayList<>();
    for (Control control : build.controls()) {
      placed.add(Placed.of(control, catalogue.kindOf(control)));
    }
    double web = panel.material().webMm(panel.thicknessMm());
    for (Placed part : placed) {
      alone(part, build, catalogue, web, found);
      depth(part, panel, found);
    }
    // Sweep from left to right: only neighbours whose boxes can come near are compared.
    List<Placed> sorted = new ArrayList<>(placed);
    sorted.sort(Comparator.comparingDouble(p -> p.all().getMinX()));
    for (int i = 0; i < sorted.size(); i++) {
      Placed left = sorted.get(i);
      for (int j = i + 1; j < sorted.size(); j++) {
        Placed right = sorted.get(j);
        if (right.all().getMinX() > left.all().getMaxX() + INTEREST_MM) {
          break;
        }
        if (left.all().distance(right.all()) <= INTEREST_MM) {
          pair(left, right, web, found);
        }
      }
    }
    found.sort(
        Comparator.comparingDouble((Gap gap) -> -gap.missingMm())
            .thenComparingDouble(gap -> gap.gapMm() - gap.neededMm())
            .thenComparing(Gap::kind)
            .thenComparing(Gap::control));
    return new Gaps(found);
  }

  /** {@return the gaps in which a control takes part} */
  public List<Gap> of(ControlId control) {
    return list.stream()
        .filter(
            gap ->
                gap.control().equals(control)
                    || gap.other().filter(other -> other.equals(control)).isPresent())
        .toList();
  }

  /** {@return the gaps that are too narrow, worst first} */
  public List<Gap> tooNarrow() {
    return list.stream().filter(gap -> gap.missingMm() > 0).toList();
  }

  /** Measures one part against the panel, the walls and the board. */
  static void alone(Placed part, Build build, Catalogue catalogue, double web, List<Gap> found) {
    edge(part, build.panel(), web, found);
    wall(part, build.panel(), found);
    build
        .board()
        .flatMap(
            choice ->
                catalogue
                    .board(choice.kind())
                    .flatMap(board -> board(part, build.panel(), board, choice.placement())))
        .ifPresent(found::add);
  }

  /** Measures two parts against each other. */
  static void pair(Placed a, Placed b, double web, List<Gap> found) {
    Swept.Between narrowest = null;
    for (Swept holeA : a.holes()) {
      for (Swept holeB : b.holes()) {
        if (!holeA.clearlyBeyond(holeB, INTEREST_MM)) {
          Swept.Between between = holeA.to(holeB);
          if (narrowest == null || between.gapMm() < narrowest.gapMm()) {
            narrowest = between;
          }
        }
      }
    }
    if (narrowest != null) {
      add(Gap.Kind.HOLE_HOLE, a, b, narrowest, web, "web left by the material", found);
    }
    if (!a.face().clearlyBeyond(b.face(), INTEREST_MM)) {
      add(
          Gap.Kind.FLANGE_FLANGE,
          a,
          b,
          a.face().to(b.face()),
          FLANGE_MM,
          "room to tell them apart and to tighten them",
          found);
    }
    if (!a.body().clearlyBeyond(b.body(), INTEREST_MM)) {
      add(Gap.Kind.BODY_BODY, a, b, a.body().to(b.body()), BODY_MM, "room to get them in", found);
    }
  }

  private static void add(
      Gap.Kind kind,
      Placed a,
      Placed b,
      Swept.Between between,
      double needed,
      String why,
      List<Gap> found) {
    if (between.gapMm() > INTEREST_MM) {
      return;
    }
    double centres = a.control().placement().centre().distanceMm(b.control().placement().centre());
    found.add(
        new Gap(
            kind,
            a.control().id(),
            Optional.of(b.control().id()),
            between.gapMm(),
            needed,
            between.from(),
            between.to(),
            new Working(
                kind.words(),
                "gap = nearest distance between the two outlines",
                List.of(
                    Working.value("d", centres, 1, "mm", "between the two centres"),
                    size("A", kind, a),
                    size("B", kind, b),
                    Working.value("needed", needed, 1, "mm", why)),
                Working.number(between.gapMm(), 1) + " mm",
                Source.common("the gap is measured; the room needed is"))));
  }

  private static Working.Value size(String symbol, Gap.Kind kind, Placed part) {
    Shape shape =
        switch (kind) {
          case FLANGE_FLANGE -> part.kind().face();
          case HOLE_HOLE, HOLE_EDGE -> part.kind().cutout();
          default -> part.kind().body();
        };
    String text =
        shape instanceof Shape.Round round
            ? Working.number(round.diameterMm(), 1) + " mm round"
            : Working.number(shape.widthMm(), 1)
                + " x "
                + Working.number(shape.heightMm(), 1)
                + " mm";
    boolean screws = kind.height() == Height.PANEL && !part.kind().screws().isEmpty();
    return Working.words(
        symbol, text, part.control().label() + (screws ? ", and its screw holes" : ""));
  }

  private static void edge(Placed part, Panel panel, double web, List<Gap> found) {
    Side nearest = null;
    for (Swept hole : part.holes()) {
      Side side = Side.nearest(hole.envelope(), 0, panel.widthMm(), 0, panel.heightMm());
      nearest = nearest == null || side.gapMm() < nearest.gapMm() ? side : nearest;
    }
    double needed = EDGE_WEBS * web;
    if (nearest != null && nearest.gapMm() <= INTEREST_MM) {
      found.add(
          single(
              Gap.Kind.HOLE_EDGE,
              part,
              nearest,
              needed,
              "gap = from the edge of the hole to the edge of the panel",
              "1.5 webs of " + panel.material().words()));
    }
  }

  private static void wall(Placed part, Panel panel, List<Gap> found) {
    CaseInside inside = panel.inside();
    Side nearest =
        Side.nearest(
            part.body().envelope(),
            inside.wallMm(),
            panel.widthMm() - inside.wallMm(),
            inside.wallMm(),
            panel.heightMm() - inside.wallMm());
    if (nearest.gapMm() <= INTEREST_MM) {
      found.add(
          single(
              Gap.Kind.BODY_WALL,
              part,
              nearest,
              BODY_MM,
              "gap = from the body to the inside of the " + nearest.name() + " wall",
              "room to get it in"));
    }
  }

  private static void depth(Placed part, Panel panel, List<Gap> found) {
    double below = depthBelowMm(part.kind(), panel);
    double gap = panel.inside().depthMm() - below;
    Point centre = part.control().placement().centre();
    found.add(
        new Gap(
            Gap.Kind.DEPTH,
            part.control().id(),
            Optional.empty(),
            gap,
            BEND_MM,
            centre,
            centre,
            new Working(
                "room below " + part.control().label(),
                "gap = H - (D - (t - t0))",
                List.of(
                    Working.value(
                        "H", panel.inside().depthMm(), 1, "mm", "underside of panel to case floor"),
                    Working.value(
                        "D", part.kind().bodyDepthMm(), 1, "mm", "body with tabs in a thin panel"),
                    Working.value("t", panel.thicknessMm(), 1, "mm", "this panel"),
                    Working.value(
                        "t0", part.kind().thinnestMm(), 1, "mm", "the thinnest panel it takes"),
                    Working.value("needed", BEND_MM, 1, "mm", "bend of the wire")),
                Working.number(gap, 1) + " mm",
                Source.common("body sizes are generic: measure yours"))));
  }

  /** {@return how far a control reaches below the underside of the panel, in mm} */
  public static double depthBelowMm(ControlKind kind, Panel panel) {
    return Math.max(0, kind.bodyDepthMm() - Math.max(0, panel.thicknessMm() - kind.thinnestMm()));
  }

  private static Optional<Gap> board(
      Placed part, Panel panel, BoardKind board, Placement placement) {
    double room = panel.inside().depthMm() - depthBelowMm(part.kind(), panel) - BOARD_HEIGHT_MM;
    if (room >= BEND_MM) {
      return Optional.empty(); // it hangs well above the board
    }
    Swept outline = Swept.of(new Shape.Rect(board.widthMm(), board.heightMm(), 0), placement);
    if (part.body().clearlyBeyond(outline, INTEREST_MM)) {
      return Optional.empty();
    }
    Swept.Between between = part.body().to(outline);
    return Optional.of(
        new Gap(
            Gap.Kind.BODY_BOARD,
            part.control().id(),
            Optional.empty(),
            between.gapMm(),
            BODY_MM,
            between.from(),
            between.to(),
            new Working(
                "body to board",
                "they collide sideways where H - D - B is under the bend of the wire",
                List.of(
                    Working.value("H", panel.inside().depthMm(), 1, "mm", "inside depth"),
                    Working.value("D", depthBelowMm(part.kind(), panel), 1, "mm", "body"),
                    Working.value("B", BOARD_HEIGHT_MM, 1, "mm", "board on its standoffs"),
                    Working.value("needed", BODY_MM, 1, "mm", "sideways")),
                Working.number(between.gapMm(), 1) + " mm sideways",
                Source.common("heights of boards and standoffs vary: measure yours"))));
  }

  private static Gap single(
      Gap.Kind kind, Placed part, Side side, double needed, String formula, String why) {
    return new Gap(
        kind,
        part.control().id(),
        Optional.empty(),
        side.gapMm(),
        needed,
        side.from(),
        side.to(),
        new Working(
            kind.words(),
            formula,
            List.of(size("A", kind, part), Working.value("needed", needed, 1, "mm", why)),
            Working.number(side.gapMm(), 1) + " mm",
            Source.common("the gap is measured; the room needed is")));
  }

  /** The nearest side of a rectangle around a box. */
  private record Side(String name, double gapMm, Point from, Point to) {
    static Side nearest(Envelope around, double left, double right, double front, double back) {
      double midX = (around.getMinX() + around.getMaxX()) / 2;
      double midY = (around.getMinY() + around.getMaxY()) / 2;
      List<Side> sides =
          List.of(
              new Side(
                  "left",
                  around.getMinX() - left,
                  new Point(around.getMinX(), midY),
                  new Point(left, midY)),
              new Side(
                  "right",
                  right - around.getMaxX(),
                  new Point(around.getMaxX(), midY),
                  new Point(right, midY)),
              new Side(
                  "front",
                  around.getMinY() - front,
                  new Point(midX, around.getMinY()),
                  new Point(midX, front)),
              new Side(
                  "back",
                  back - around.getMaxY(),
                  new Point(midX, around.getMaxY()),
                  new Point(midX, back)));
      return sides.stream().min(Comparator.comparingDouble(Side::gapMm)).orElseThrow();
    }
  }
}
