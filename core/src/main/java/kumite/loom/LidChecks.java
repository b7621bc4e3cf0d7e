package kumite.loom;

import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Laying;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.measure.Length;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks whether the case can be opened with the wires on. */
final class LidChecks {
  private LidChecks() {}

  /**
   * A panel that lifts off a board has to rise by its deepest part before it is clear of the case.
   * A hinged one is not asked about: its wires are cut so that it opens square.
   */
  static Optional<Finding> of(Build build, Catalogue catalogue, Loom loom) {
    Laying laying = build.loom().laying();
    double deepest = 0;
    Optional<Control> deep = Optional.empty();
    for (Control control : build.controls()) {
      double depth = catalogue.kindOf(control).depthBelowMm(build.panel().stackMm());
      if (depth > deepest) {
        deepest = depth;
        deep = Optional.of(control);
      }
    }
    boolean tooShort = laying.serviceLoopMm() < deepest;
    if (!Loom.loopIsChosen(build) || laying.connector() || !tooShort || loom.strands().isEmpty()) {
      return Optional.empty();
    }
    double wanted = Math.ceil(deepest / 10) * 10 + 20;
    Working working =
        new Working(
            "loop of the wires",
            "loop >= D",
            List.of(
                Working.value("D", deepest, 1, "mm", deep.orElseThrow().label() + ", the deepest"),
                Working.value("loop", laying.serviceLoopMm(), 1, "mm", "service loop")),
            Working.number(laying.serviceLoopMm() - deepest, 1) + " mm to spare",
            Source.common("the panel rises straight until its deepest part is out of the case"));
    return Optional.of(
        Finding.of(
                LoomCode.LID_LOOP,
                List.of(),
                "The wires are too short to lift the panel off",
                "It has to rise by "
                    + mm(build, deepest)
                    + " before "
                    + deep.orElseThrow().label()
                    + " is out of the case; the loop gives "
                    + mm(build, laying.serviceLoopMm()))
            .showing(working)
            .mendedBy(
                Fix.of(
                    "Make the service loop " + mm(build, wanted),
                    b ->
                        b.withLoom(
                            b.loom()
                                .withLaying(
                                    b.loom()
                                        .laying()
                                        .withAllowances(b.loom().laying().slackMm(), wanted))))));
  }

  private static String mm(Build build, double mm) {
    return Length.text(mm, build.brief().units());
  }
}
