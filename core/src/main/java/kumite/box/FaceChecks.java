package kumite.box;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Face;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.measure.Placement;
import kumite.panel.Gaps;
import kumite.panel.Nudge;
import kumite.panel.PanelChecks;
import kumite.parts.Catalogue;
import kumite.room.Derivation;
import kumite.working.Working;

/**
 * The checks of the panel, made of each other face that controls sit in: the face is taken for a
 * panel, with what is opposite for its floor. Repairs are made on the face and put back.
 */
public final class FaceChecks {
  /** What is said of controls in faces of the case. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.of(
          "findings of the faces",
          BoxChecks.SEEN,
          given ->
              given.build().onPanel().size() == given.build().controls().size()
                  ? List.of()
                  : of(BoxPlan.of(given.build(), given.catalogue()), given.catalogue()));

  /** The gaps of each face of the case with a control in it, as that face is measured. */
  public static final Derivation<Map<Face, Gaps>> GAPS =
      Derivation.of(
          "gaps of the faces",
          BoxChecks.SEEN,
          given ->
              given.build().onPanel().size() == given.build().controls().size()
                  ? Map.of()
                  : gaps(BoxPlan.of(given.build(), given.catalogue()), given.catalogue()));

  private FaceChecks() {}

  private static Map<Face, Gaps> gaps(BoxPlan plan, Catalogue catalogue) {
    Map<Face, Gaps> gaps = new EnumMap<>(Face.class);
    for (Face face : Face.values()) {
      plate(plan, face)
          .ifPresent(
              plate ->
                  gaps.put(
                      face, Gaps.of(taken(plan.build(), face, plate, plan.shape()), catalogue)));
    }
    return gaps;
  }

  private static Optional<Panel> plate(BoxPlan plan, Face face) {
    boolean used = plan.build().controls().stream().anyMatch(c -> on(c, face));
    return used ? plate(plan.shape(), face) : Optional.empty();
  }

  /** {@return what the checks of a panel say of each face with a control} */
  static List<Finding> of(BoxPlan plan, Catalogue catalogue) {
    List<Finding> findings = new ArrayList<>();
    for (Face face : Face.values()) {
      Optional<Panel> plate = plate(plan, face);
      if (plate.isPresent()) {
        Build part = taken(plan.build(), face, plate.get(), plan.shape());
        Gaps gaps = Gaps.of(part, catalogue);
        Nudge.Search search = new Nudge.Search(part, catalogue);
        String name =
            face.words().substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                + face.words().substring(1)
                + ": ";
        for (Finding finding : PanelChecks.of(part, catalogue, gaps, search)) {
          findings.add(
              finding.ofPart(
                  name,
                  fix -> {
                    Edit whole = whole(fix, face, plate.get(), plan.shape());
                    String label =
                        label(fix.label(), plan.build(), whole.apply(plan.build()), face);
                    return Fix.of(label, whole::apply);
                  }));
        }
      }
    }
    return findings;
  }

  private static Edit whole(Fix fix, Face face, Panel plate, BoxShape shape) {
    return new Edit(
        fix.label(), b -> put(b, fix.edit().apply(taken(b, face, plate, shape)), face, shape));
  }

  /** On a wall up and down are meant where a panel has forward and back. */
  private static String label(String said, Build before, Build after, Face face) {
    List<Control> moved =
        after.controls().stream()
            .filter(c -> before.control(c.id()).filter(c::equals).isEmpty())
            .toList();
    if (moved.size() != 1 || !face.wall()) {
      return said;
    }
    Placement to = moved.get(0).placement();
    Placement from = before.control(moved.get(0).id()).orElseThrow().placement();
    double along = to.xMm() - from.xMm();
    double down = to.yMm() - from.yMm();
    List<String> ways = new ArrayList<>();
    if (Math.abs(along) > 0.01) {
      ways.add(
          Working.number(Math.abs(along), 1)
              + " mm "
              + (face.across()
                  ? along > 0 ? "right" : "left"
                  : along > 0 ? "to the back" : "to the front"));
    }
    if (Math.abs(down) > 0.01) {
      ways.add(Working.number(Math.abs(down), 1) + " mm " + (down > 0 ? "down" : "up"));
    }
    return ways.isEmpty()
        ? said
        : "Move " + moved.get(0).label() + " " + String.join(" and ", ways);
  }

  private static boolean on(Control control, Face face) {
    return control.face().filter(f -> f == face).isPresent();
  }

  /** A wall is as wide as the panel, with the thickness of its neighbours at every end. */
  private static Optional<Panel> plate(BoxShape shape, Face face) {
    if (!shape.hollow() || !shape.panel().rectangular()) {
      return Optional.empty();
    }
    Panel panel = shape.panel();
    double in = shape.inMm();
    double width = face.across() ? panel.widthMm() : panel.heightMm();
    double height = face.wall() ? shape.leastDepthMm(face) + 2 * in : panel.heightMm();
    double deep =
        switch (face) {
          case FRONT, BACK -> panel.heightMm() - 2 * in;
          case LEFT, RIGHT -> panel.widthMm() - 2 * in;
          case FLOOR -> shape.leastDepthMm(face);
        };
    boolean sound = height >= Panel.HEIGHT.least() && width >= Panel.WIDTH.least() && deep >= 1;
    return sound
        ? Optional.of(
            new Panel(
                width,
                height,
                0,
                shape.wallMm(),
                shape.box().material(),
                new CaseInside(in, deep),
                panel.datum()))
        : Optional.empty();
  }

  /** {@return a build of that face alone} */
  private static Build taken(Build build, Face face, Panel plate, BoxShape shape) {
    return build
        .withControls(
            build.controls().stream()
                .filter(c -> on(c, face))
                .map(c -> c.withPlacement(raised(face.shaped(c.placement()), face, shape, 1)))
                .map(c -> c.on(Optional.empty()))
                .toList())
        .withSeats(build.seats().stream().map(seat -> seat.withBoard(Optional.empty())).toList())
        .with(BoxBook.PART, new BoxBook(Optional.empty()))
        .withPanel(plate);
  }

  /** On a wall the face begins one wall's thickness from the edge of its plate. */
  private static Placement raised(Placement at, Face face, BoxShape shape, int sign) {
    return face.wall() ? at.movedTo(at.xMm(), at.yMm() + sign * shape.inMm()) : at;
  }

  /** Where controls are now on the face, and of which kind, put back into the whole build. */
  private static Build put(Build build, Build part, Face face, BoxShape shape) {
    return build.withControls(
        build.controls().stream()
            .map(
                c ->
                    on(c, face)
                        ? part.control(c.id())
                            .map(
                                now ->
                                    now.placement()
                                            .equals(
                                                raised(face.shaped(c.placement()), face, shape, 1))
                                        ? c.withKind(now.kind())
                                        : c.withKind(now.kind())
                                            .withPlacement(
                                                moved(
                                                    c.placement(),
                                                    raised(now.placement(), face, shape, -1))))
                            .orElse(c)
                        : c)
            .toList());
  }

  /** As it is turned on its face, at another place. */
  private static Placement moved(Placement at, Placement to) {
    return at.movedTo(to.xMm(), to.yMm());
  }

  /** {@return whether anything was decided that makes a case worth judging} */
  static boolean judged(Build build) {
    Optional<Box> box = build.get(BoxBook.PART).box();
    return box.isPresent() || build.onPanel().size() < build.controls().size();
  }
}
