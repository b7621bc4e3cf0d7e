package kumite.panel;

import java.util.List;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.measure.Point;
import kumite.working.Source;
import kumite.working.Working;
import org.locationtech.jts.geom.Envelope;

/** What lies between one part and the panel, the walls, the blocks, the floor and the board. */
final class PartGaps {
  /** Least material from a hole to the edge of the panel, in webs: common practice, no source. */
  private static final double EDGE_WEBS = 1.5;

  private static final Source BODIES = Source.common("body sizes are generic: measure yours");

  private PartGaps() {}

  static void measure(Placed part, Surroundings around, Measured into) {
    edge(part, around, into);
    walls(part, around, into);
    for (int i = 0; i < around.outlines().size(); i++) {
      block(part, around.outlines().get(i), around.blocks().get(i), around.panel(), into);
    }
    depth(part, around.panel(), into);
    BoardGaps.toPart(part, around, into);
    LidGaps.measure(part, around, into);
  }

  private static void edge(Placed part, Surroundings around, Measured into) {
    Swept.Between hole = around.edge().nearest(part.holes(), Gaps.INTEREST_MM);
    if (hole != null) {
      into.single(
          Gap.Kind.HOLE_EDGE,
          part,
          hole,
          "the " + around.edge().side(hole) + " edge",
          EDGE_WEBS * around.webMm(),
          "gap = from the edge of the hole to the edge of the panel",
          "1.5 webs of " + around.panel().material().words());
    }
    Swept.Between face = around.edge().nearest(List.of(part.face()), 0);
    if (face != null && face.gapMm() < 0) {
      into.single(
          Gap.Kind.FLANGE_EDGE,
          part,
          face,
          "the " + around.edge().side(face) + " edge",
          0,
          "gap = from the rim of the flange to the edge of the panel",
          "it lies on the panel all round");
    }
  }

  private static void walls(Placed part, Surroundings around, Measured into) {
    Swept.Between body = around.wall().nearest(part.below(), Gaps.INTEREST_MM);
    if (body != null) {
      String side = around.wall().side(body);
      into.single(
          Gap.Kind.BODY_WALL,
          part,
          body,
          "the " + side + " wall",
          Gaps.BODY_MM,
          "gap = from the body to the inside of the " + side + " wall",
          "room to get it in");
    }
    Swept.Between wrench = around.wall().nearest(part.wrench(), 0);
    if (wrench != null && wrench.gapMm() < 0) {
      into.single(
          Gap.Kind.WRENCH_WALL,
          part,
          wrench,
          "the " + around.wall().side(wrench) + " wall",
          0,
          "gap = from what the wrench sweeps to the inside of the wall",
          "the wrench just passes");
    }
  }

  /** Beside a block where their heights are shared; above it the wire needs room for its bend. */
  private static void block(Placed part, Swept block, Block of, Panel panel, Measured into) {
    List<Swept> outline = List.of(block);
    String name = of.name();
    double below = part.depthMm(panel);
    double floor = BoardRoom.floorMm(panel, part.body(), block);
    double over = of.topMm(floor) - below;
    if (of.stands() == Block.Stands.FLOOR && over >= 0) {
      above(part, block, of, floor, over, into);
      return;
    }
    Swept.Between body = Placed.narrowest(part.below(), outline, Gaps.INTEREST_MM);
    if (body != null) {
      into.single(
          Gap.Kind.BODY_BLOCK,
          part,
          body,
          name,
          Gaps.BODY_MM,
          "gap = from the body to " + name,
          "room to get it in");
    }
    Swept.Between wrench = Placed.narrowest(part.wrench(), outline, 0);
    if (wrench != null && wrench.gapMm() < 0) {
      into.single(
          Gap.Kind.WRENCH_BLOCK,
          part,
          wrench,
          name,
          0,
          "gap = from what the wrench sweeps to " + name,
          "the wrench just passes");
    }
  }

  private static void above(
      Placed part, Swept block, Block of, double floor, double over, Measured into) {
    Swept.Between sideways = Placed.narrowest(part.below(), List.of(block), Gaps.BODY_MM);
    if (sideways == null || sideways.gapMm() >= Gaps.BODY_MM) {
      return;
    }
    into.add(
        Gap.Kind.BODY_BLOCK,
        List.of(part.id()),
        of.name(),
        new Swept.Between(over, sideways.from(), sideways.from()),
        Gaps.BEND_MM,
        () ->
            new Working(
                Gap.Kind.BODY_BLOCK.words(),
                "gap = H - T - D, straight down",
                List.of(
                    Working.value("H", floor, 1, "mm", "underside of panel to case floor"),
                    Working.value("T", of.tallMm(), 1, "mm", of.name() + ", from the floor up"),
                    Working.value("D", floor - of.tallMm() - over, 1, "mm", "body"),
                    Working.value("needed", Gaps.BEND_MM, 1, "mm", "bend of the wire above it")),
                Working.number(over, 1) + " mm above it",
                BODIES));
  }

  /** {@return the least depth of the case under a body: the floor may slope} */
  static double floorMm(Placed part, Panel panel) {
    Envelope box = part.body().envelope();
    return Math.min(panel.depthAtMm(box.getMinY()), panel.depthAtMm(box.getMaxY()));
  }

  private static void depth(Placed part, Panel panel, Measured into) {
    double below = part.depthMm(panel);
    double floor = floorMm(part, panel);
    double gap = floor - below;
    Point centre = part.control().placement().centre();
    into.found()
        .add(
            new Gap(
                Gap.Kind.DEPTH,
                List.of(part.id()),
                Gap.Thing.NONE,
                "the case floor",
                gap,
                Gaps.BEND_MM,
                centre,
                centre,
                kumite.working.Shown.by(() -> depth(part, panel, floor, gap))));
  }

  private static Working depth(Placed part, Panel panel, double floor, double gap) {
    boolean below = part.kind().mount().from() == kumite.kind.ControlKind.Mount.From.BELOW;
    Working.Value room =
        Working.value("H", floor, 1, "mm", "underside of panel to case floor, under this body");
    Working.Value needed = Working.value("needed", Gaps.BEND_MM, 1, "mm", "bend of the wire");
    double deep = part.kind().bodyDepthMm();
    return new Working(
        "room below " + part.control().label(),
        below ? "gap = H - D" : "gap = H - (D - (t - t0))",
        below
            ? List.of(
                room,
                Working.value("D", deep, 1, "mm", "body with tabs, held from below: hangs whole"),
                needed)
            : List.of(
                room,
                Working.value("D", deep, 1, "mm", "body with tabs in a thin panel"),
                Working.value(
                    "t",
                    panel.stackMm(),
                    1,
                    "mm",
                    panel.coverMm() > 0 ? "this panel and its cover" : "this panel"),
                Working.value("t0", part.kind().thinnestMm(), 1, "mm", "the thinnest it takes"),
                needed),
        Working.number(gap, 1) + " mm",
        BODIES);
  }
}
