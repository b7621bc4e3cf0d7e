package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import kumite.kind.ControlKind;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.working.Shown;
import kumite.working.Source;
import kumite.working.Working;

/** Gaps as they are measured one after another, each with what shows how it came about. */
final class Measured {
  private static final Source MEASURED = Source.common("the gap is measured; the room needed is");

  private final List<Gap> found = new ArrayList<>();

  List<Gap> found() {
    return found;
  }

  /** {@return whether one of them is too narrow} */
  boolean narrow() {
    for (Gap gap : found) {
      if (gap.missingMm() > 0) {
        return true;
      }
    }
    return false;
  }

  void add(
      Gap.Kind kind,
      List<ControlId> controls,
      String against,
      Swept.Between between,
      double neededMm,
      Supplier<Working> working) {
    add(kind, controls, Gap.Thing.NONE, against, between, neededMm, working);
  }

  void add(
      Gap.Kind kind,
      List<ControlId> controls,
      Gap.Thing thing,
      String against,
      Swept.Between between,
      double neededMm,
      Supplier<Working> working) {
    if (between.gapMm() <= Math.max(Gaps.INTEREST_MM, neededMm)) {
      found.add(
          new Gap(
              kind,
              controls,
              thing,
              against,
              between.gapMm(),
              neededMm,
              between.from(),
              between.to(),
              Shown.by(working)));
    }
  }

  /** Adds what lies between two parts. */
  void pair(Gap.Kind kind, Placed a, Placed b, Swept.Between between, double neededMm, String why) {
    add(
        kind,
        List.of(a.id(), b.id()),
        "",
        between,
        neededMm,
        () ->
            new Working(
                kind.words(),
                "gap = nearest distance between the two outlines",
                List.of(
                    Working.value(
                        "d",
                        a.control()
                            .placement()
                            .centre()
                            .distanceMm(b.control().placement().centre()),
                        1,
                        "mm",
                        "between the two centres"),
                    size("A", kind, a, true),
                    size("B", kind, b, false),
                    Working.value("needed", neededMm, 1, "mm", why)),
                Working.number(between.gapMm(), 1) + " mm",
                MEASURED));
  }

  /** Adds what lies between a part and what is round it. */
  void single(
      Gap.Kind kind,
      Placed part,
      Swept.Between between,
      String against,
      double neededMm,
      String formula,
      String why) {
    add(
        kind,
        List.of(part.id()),
        against,
        between,
        neededMm,
        () ->
            new Working(
                kind.words(),
                formula,
                List.of(
                    size("A", kind, part, true), Working.value("needed", neededMm, 1, "mm", why)),
                Working.number(between.gapMm(), 1) + " mm",
                MEASURED));
  }

  private static Working.Value size(String symbol, Gap.Kind kind, Placed part, boolean first) {
    Shape shape = shape(kind, part.kind(), first);
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

  private static Shape shape(Gap.Kind kind, ControlKind part, boolean first) {
    return switch (kind) {
      case SWING_SWING, CAP_CAP -> part.above().swing();
      case HEAD_FLANGE ->
          first ? new Shape.Round(Screw.headRoomMm(part.screws().get(0))) : part.face();
      case FLANGE_FLANGE, FLANGE_EDGE -> part.face();
      case HOLE_HOLE, HOLE_EDGE -> part.cutout();
      case WRENCH_BODY, WRENCH_WALL, WRENCH_BLOCK, WRENCH_BOARD ->
          first ? new Shape.Round(part.mount().wrenchMm()) : part.body();
      default -> part.body();
    };
  }
}
