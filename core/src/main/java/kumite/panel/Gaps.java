package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * All gaps of a panel that are narrow enough to matter, the one missing most first, and the depth
 * of every control.
 *
 * @param list the gaps
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

  /** What stands less than this above the face lets a hand pass over: common practice. */
  public static final double STANDS_MM = 10;

  /** Least material from a hole to the edge of the panel, in webs: common practice, no source. */
  private static final double EDGE_WEBS = 1.5;

  private static final Source MEASURED = Source.common("the gap is measured; the room needed is");

  public Gaps {
    list = List.copyOf(list);
  }

  /** A control with its outlines in place. */
  record Placed(
      Control control,
      ControlKind kind,
      List<Swept> holes,
      Swept face,
      Swept body,
      Swept swing,
      Envelope all) {

    static Placed of(Control control, ControlKind kind) {
      Placement at = control.placement();
      List<Swept> holes = new ArrayList<>();
      holes.add(Swept.of(kind.cutout(), at));
      for (ScrewHole screw : kind.screws()) {
        holes.add(Swept.circle(at.place(screw.at()), screw.diameterMm()));
      }
      Swept face = Swept.of(kind.face(), at);
      Swept body = Swept.of(kind.body(), at);
      Swept swing = Swept.of(kind.above().swing(), at);
      Envelope all = new Envelope(face.envelope());
      all.expandToInclude(body.envelope());
      holes.forEach(hole -> all.expandToInclude(hole.envelope()));
      if (kind.above().heightMm() >= STANDS_MM) {
        all.expandToInclude(swing.envelope());
      }
      if (kind.mount().wrenchMm() > 0) {
        all.expandToInclude(Swept.circle(at.centre(), kind.mount().wrenchMm()).envelope());
      }
      return new Placed(control, kind, List.copyOf(holes), face, body, swing, all);
    }
  }

  /** Everything that does not depend on a single part: edge, walls, blocks, board, webs. */
  static final class Surroundings {
    final Panel panel;
    final double web;
    final Boundary edge;
    final Boundary wall;
    final List<Block> blocks;
    final List<Swept> blockOutlines = new ArrayList<>();
    private final java.util.Optional<BoardRoom> board;

    Surroundings(Build build, Catalogue catalogue) {
      this.panel = build.panel();
      this.web = panel.material().webMm(panel.thicknessMm());
      this.edge = Boundary.edge(panel);
      this.wall = Boundary.wall(panel);
      this.blocks = panel.inside().blocks();
      blocks.forEach(block -> blockOutlines.add(Swept.of(block)));
      this.board =
          build
              .board()
              .flatMap(
                  choice -> catalogue.board(choice.kind()).map(kind -> BoardRoom.of(choice, kind)));
    }

    java.util.Optional<BoardRoom> board() {
      return board;
    }
  }

  /** The board and the plug behind it, in place. */
  record BoardRoom(
      BoardChoice choice, BoardKind kind, Swept outline, java.util.Optional<Swept> plug) {
    static BoardRoom of(BoardChoice choice, BoardKind kind) {
      Swept outline =
          Swept.of(new Shape.Rect(kind.widthMm(), kind.heightMm(), 0), choice.placement());
      double reach = kind.seating().plugReachMm();
      if (reach <= 0 || kind.seating().plugWidthMm() <= 0) {
        return new BoardRoom(choice, kind, outline, java.util.Optional.empty());
      }
      Point middle = choice.placement().place(new Point(0, kind.heightMm() / 2 + reach / 2));
      Swept plug =
          Swept.of(
              new Shape.Rect(kind.seating().plugWidthMm(), reach, 0),
              choice.placement().movedTo(middle.xMm(), middle.yMm()));
      return new BoardRoom(choice, kind, outline, java.util.Optional.of(plug));
    }

    /** {@return whether a body that reaches so far below the panel meets the board's height} */
    boolean meets(Panel panel, double belowMm, double floorMm) {
      if (choice.seat() == BoardChoice.Seat.PANEL) {
        return belowMm > 0;
      }
      return floorMm - belowMm - choice.heightMm(kind) < BEND_MM;
    }
  }

  /** Measures all gaps of a build. */
  public static Gaps of(Build build, Catalogue catalogue) {
    List<Gap> found = new ArrayList<>();
    List<Placed> placed = new ArrayList<>();
    for (Control control : build.controls()) {
      placed.add(Placed.of(control, catalogue.kindOf(control)));
    }
    Surroundings around = new Surroundings(build, catalogue);
    STRtree tree = new STRtree();
    for (int i = 0; i < placed.size(); i++) {
      alone(placed.get(i), around, found);
      depth(placed.get(i), around.panel, found);
      tree.insert(placed.get(i).all(), i);
    }
    board(around, found);
    for (int i = 0; i < placed.size(); i++) {
      Envelope near = new Envelope(placed.get(i).all());
      near.expandBy(nearestWorry(placed.get(i)));
      for (Object hit : tree.query(near)) {
        int j = (Integer) hit;
        if (j < i) {
          pair(placed.get(j), placed.get(i), around.web, found);
        }
      }
    }
    found.sort(
        Comparator.comparingDouble((Gap gap) -> -gap.missingMm())
            .thenComparingDouble(gap -> gap.gapMm() - gap.neededMm())
            .thenComparing(Gap::kind)
            .thenComparing(gap -> gap.controls().toString()));
    return new Gaps(found);
  }

  private static double nearestWorry(Placed part) {
    return Math.max(INTEREST_MM, part.kind().above().fingersMm());
  }

  /** {@return the gaps in which a control takes part} */
  public List<Gap> of(ControlId control) {
    return list.stream().filter(gap -> gap.touches(control)).toList();
  }

  /** {@return the gaps that are too narrow, worst first} */
  public List<Gap> tooNarrow() {
    return list.stream().filter(gap -> gap.missingMm() > 0).toList();
  }

  /** {@return the gaps between things, without the depths, worst first} */
  public List<Gap> sideways() {
    return list.stream().filter(gap -> gap.kind() != Gap.Kind.DEPTH).toList();
  }

  // ---- one part

  /** Measures one part against the panel, the walls, the blocks and the board. */
  static void alone(Placed part, Surroundings around, List<Gap> found) {
    edge(part, around, found);
    Swept body = part.body();
    if (!around.wall.clearlyInside(body, INTEREST_MM)) {
      Swept.Between between = around.wall.from(body);
      if (between.gapMm() <= INTEREST_MM) {
        String side = Boundary.side(between);
        found.add(
            single(
                Gap.Kind.BODY_WALL,
                part,
                between,
                "the " + side + " wall",
                BODY_MM,
                "gap = from the body to the inside of the " + side + " wall",
                "room to get it in"));
      }
    }
    for (int i = 0; i < around.blocks.size(); i++) {
      Swept block = around.blockOutlines.get(i);
      if (!body.clearlyBeyond(block, INTEREST_MM)) {
        Swept.Between between = body.to(block);
        if (between.gapMm() <= INTEREST_MM) {
          String name = around.blocks.get(i).name();
          found.add(
              single(
                  Gap.Kind.BODY_BLOCK,
                  part,
                  between,
                  name,
                  BODY_MM,
                  "gap = from the body to " + name,
                  "room to get it in"));
        }
      }
    }
    around.board().ifPresent(board -> toBoard(part, around.panel, board, found));
  }

  private static void edge(Placed part, Surroundings around, List<Gap> found) {
    Swept.Between nearest = null;
    for (Swept hole : part.holes()) {
      if (!around.edge.clearlyInside(hole, INTEREST_MM)) {
        Swept.Between between = around.edge.from(hole);
        nearest = nearest == null || between.gapMm() < nearest.gapMm() ? between : nearest;
      }
    }
    if (nearest != null && nearest.gapMm() <= INTEREST_MM) {
      found.add(
          single(
              Gap.Kind.HOLE_EDGE,
              part,
              nearest,
              "the " + Boundary.side(nearest) + " edge",
              EDGE_WEBS * around.web,
              "gap = from the edge of the hole to the edge of the panel",
              "1.5 webs of " + around.panel.material().words()));
    }
  }

  private static void depth(Placed part, Panel panel, List<Gap> found) {
    double below = depthBelowMm(part.kind(), panel);
    double floor = floorMm(part, panel);
    double gap = floor - below;
    Point centre = part.control().placement().centre();
    found.add(
        new Gap(
            Gap.Kind.DEPTH,
            List.of(part.control().id()),
            "the case floor",
            gap,
            BEND_MM,
            centre,
            centre,
            new Working(
                "room below " + part.control().label(),
                "gap = H - (D - (t - t0))",
                List.of(
                    Working.value(
                        "H", floor, 1, "mm", "underside of panel to case floor, under this body"),
                    Working.value(
                        "D", part.kind().bodyDepthMm(), 1, "mm", "body with tabs in a thin panel"),
                    Working.value("t", panel.thicknessMm(), 1, "mm", "this panel"),
                    Working.value(
                        "t0", part.kind().thinnestMm(), 1, "mm", "the thinnest panel it takes"),
                    Working.value("needed", BEND_MM, 1, "mm", "bend of the wire")),
                Working.number(gap, 1) + " mm",
                Source.common("body sizes are generic: measure yours"))));
  }

  /** The floor may slope: the body meets it where there is least room. */
  private static double floorMm(Placed part, Panel panel) {
    Envelope box = part.body().envelope();
    return Math.min(panel.depthAtMm(box.getMinY()), panel.depthAtMm(box.getMaxY()));
  }

  /** {@return how far a control reaches below the underside of the panel, in mm} */
  public static double depthBelowMm(ControlKind kind, Panel panel) {
    return kind.depthBelowMm(panel.thicknessMm());
  }

  // ---- the board

  private static void toBoard(Placed part, Panel panel, BoardRoom board, List<Gap> found) {
    double below = depthBelowMm(part.kind(), panel);
    double floor = floorMm(part, panel);
    if (!board.meets(panel, below, floor)) {
      return; // it hangs well above the board
    }
    toBoard(Gap.Kind.BODY_BOARD, part, board, board.outline(), below, floor, found);
    board
        .plug()
        .ifPresent(plug -> toBoard(Gap.Kind.BODY_PLUG, part, board, plug, below, floor, found));
  }

  private static void toBoard(
      Gap.Kind kind,
      Placed part,
      BoardRoom board,
      Swept outline,
      double below,
      double floor,
      List<Gap> found) {
    if (part.body().clearlyBeyond(outline, INTEREST_MM)) {
      return;
    }
    Swept.Between between = part.body().to(outline);
    boolean onPanel = board.choice().seat() == BoardChoice.Seat.PANEL;
    found.add(
        new Gap(
            kind,
            List.of(part.control().id()),
            kind == Gap.Kind.BODY_PLUG ? "the board's plug" : "the board",
            between.gapMm(),
            BODY_MM,
            between.from(),
            between.to(),
            new Working(
                kind.words(),
                onPanel
                    ? "both hang below the panel, so they meet sideways"
                    : "they collide sideways where H - D - B is under the bend of the wire",
                List.of(
                    Working.value("H", floor, 1, "mm", "underside of panel to case floor"),
                    Working.value("D", below, 1, "mm", "body"),
                    Working.value(
                        "B",
                        board.choice().heightMm(board.kind()),
                        1,
                        "mm",
                        "board on its standoffs"),
                    Working.value("needed", BODY_MM, 1, "mm", "sideways")),
                Working.number(between.gapMm(), 1) + " mm sideways",
                Source.common("heights of boards and standoffs vary: measure yours"))));
  }

  /** Measures the board and its plug against walls and blocks. */
  static void board(Surroundings around, List<Gap> found) {
    around
        .board()
        .ifPresent(
            board -> {
              boardWall(Gap.Kind.BOARD_WALL, board.outline(), around, found);
              board.plug().ifPresent(plug -> boardWall(Gap.Kind.PLUG_WALL, plug, around, found));
              for (int i = 0; i < around.blocks.size(); i++) {
                boardBlock(board.outline(), i, around, found);
                int at = i;
                board.plug().ifPresent(plug -> boardBlock(plug, at, around, found));
              }
            });
  }

  private static void boardWall(
      Gap.Kind kind, Swept outline, Surroundings around, List<Gap> found) {
    Swept.Between between = around.wall.from(outline);
    if (between.gapMm() <= INTEREST_MM) {
      boolean plug = kind == Gap.Kind.PLUG_WALL;
      found.add(
          bare(
              kind,
              between,
              "the " + Boundary.side(between) + " wall",
              plug
                  ? "gap = from the end of the plug's bend to the inside of the wall"
                  : "gap = from the board to the inside of the wall",
              plug ? "plug, its grip and the bend of the cable" : "board"));
    }
  }

  private static void boardBlock(Swept outline, int i, Surroundings around, List<Gap> found) {
    Swept block = around.blockOutlines.get(i);
    if (!outline.clearlyBeyond(block, INTEREST_MM)) {
      found.add(
          bare(
              Gap.Kind.BOARD_BLOCK,
              outline.to(block),
              around.blocks.get(i).name(),
              "gap = nearest distance between the two outlines",
              "board, or its plug with the bend of the cable"));
    }
  }

  private static Gap bare(
      Gap.Kind kind, Swept.Between between, String against, String formula, String what) {
    return new Gap(
        kind,
        List.of(),
        against,
        between.gapMm(),
        0,
        between.from(),
        between.to(),
        new Working(
            kind.words(),
            formula,
            List.of(
                Working.words("A", what, "sizes from the catalogue"),
                Working.value("needed", 0, 1, "mm", "they may touch, not cross")),
            Working.number(between.gapMm(), 1) + " mm",
            Source.common("plugs and their grips vary: measure yours")));
  }

  // ---- two parts

  /** Measures two parts against each other. */
  static void pair(Placed a, Placed b, double web, List<Gap> found) {
    swings(a, b, found);
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
    wrench(a, b, found);
    wrench(b, a, found);
  }

  private static void swings(Placed a, Placed b, List<Gap> found) {
    ControlKind.Above aboveA = a.kind().above();
    ControlKind.Above aboveB = b.kind().above();
    if (aboveA.heightMm() < STANDS_MM || aboveB.heightMm() < STANDS_MM) {
      return; // a hand passes over what is flush
    }
    double fingers = Math.max(aboveA.fingersMm(), aboveB.fingersMm());
    if (fingers > 0 && !a.swing().clearlyBeyond(b.swing(), fingers)) {
      add(
          Gap.Kind.SWING_SWING,
          a,
          b,
          a.swing().to(b.swing()),
          fingers,
          "room for the fingers that hold them",
          found);
    }
  }

  /** The nut of the first is turned beside the body of the second. */
  private static void wrench(Placed turned, Placed other, List<Gap> found) {
    double circle = turned.kind().mount().wrenchMm();
    if (circle > 0) {
      Swept sweep = Swept.circle(turned.control().placement().centre(), circle);
      if (!sweep.clearlyBeyond(other.body(), INTEREST_MM)) {
        add(
            Gap.Kind.WRENCH_BODY,
            turned,
            other,
            sweep.to(other.body()),
            0,
            "the wrench just passes",
            found);
      }
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
    if (between.gapMm() > Math.max(INTEREST_MM, needed)) {
      return;
    }
    double centres = a.control().placement().centre().distanceMm(b.control().placement().centre());
    found.add(
        new Gap(
            kind,
            List.of(a.control().id(), b.control().id()),
            "",
            between.gapMm(),
            needed,
            between.from(),
            between.to(),
            new Working(
                kind.words(),
                "gap = nearest distance between the two outlines",
                List.of(
                    Working.value("d", centres, 1, "mm", "between the two centres"),
                    size("A", kind, a, true),
                    size("B", kind, b, false),
                    Working.value("needed", needed, 1, "mm", why)),
                Working.number(between.gapMm(), 1) + " mm",
                MEASURED)));
  }

  private static Working.Value size(String symbol, Gap.Kind kind, Placed part, boolean first) {
    Shape shape =
        switch (kind) {
          case SWING_SWING -> part.kind().above().swing();
          case FLANGE_FLANGE -> part.kind().face();
          case HOLE_HOLE, HOLE_EDGE -> part.kind().cutout();
          case WRENCH_BODY ->
              first ? new Shape.Round(part.kind().mount().wrenchMm()) : part.kind().body();
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

  private static Gap single(
      Gap.Kind kind,
      Placed part,
      Swept.Between between,
      String against,
      double needed,
      String formula,
      String why) {
    return new Gap(
        kind,
        List.of(part.control().id()),
        against,
        between.gapMm(),
        needed,
        between.from(),
        between.to(),
        new Working(
            kind.words(),
            formula,
            List.of(size("A", kind, part, true), Working.value("needed", needed, 1, "mm", why)),
            Working.number(between.gapMm(), 1) + " mm",
            MEASURED));
  }
}
