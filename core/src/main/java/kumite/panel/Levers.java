package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * All kinds of levers side by side for one lever's place on this panel and this player.
 *
 * @param chosen the lever they are compared with
 * @param rows one a kind, the chosen one's own kind first
 */
public record Levers(ControlId chosen, List<Row> rows) {
  /** Least height of a lever's top to grip it well: common practice, no source. */
  public static final double LEAST_SHAFT_MM = 28;

  /** Two holes nearer than this are one hole: half a drill's usual play. */
  private static final double SAME_HOLE_MM = 0.3;

  /**
   * One kind of lever in that place.
   *
   * @param kind the kind
   * @param same whether it is what is fitted now
   * @param holds whether it takes this panel's thickness
   * @param shaftMm height of its top's centre above the face of this panel
   * @param roomBelowMm from its tabs to the case floor
   * @param tooStiff whether it asks more force than the player has
   * @param shared how many of its screw holes the chosen lever has drilled already
   * @param drilled how many new screw holes it needs
   * @param pattern what one drilled pattern that serves both would be
   * @param narrow how many gaps would be too narrow with it, depth included
   * @param cost what the swap costs, in words
   */
  public record Row(
      ControlKind kind,
      boolean same,
      boolean holds,
      double shaftMm,
      double roomBelowMm,
      boolean tooStiff,
      int shared,
      int drilled,
      Pattern pattern,
      int narrow,
      List<String> cost) {
    public Row {
      cost = List.copyOf(cost);
    }

    /** {@return whether the panel leaves too little of its shaft to grip it well} */
    public boolean low() {
      return shaftMm < LEAST_SHAFT_MM;
    }

    /** {@return whether too little is left below its tabs for the bend of the wire} */
    public boolean tight() {
      return roomBelowMm < Gaps.BEND_MM;
    }
  }

  /**
   * One set of holes for two levers.
   *
   * @param cutoutMm diameter of the hole for the shaft: the larger of both
   * @param screws places from the lever's centre with diameters, those of the chosen lever first
   * @param leastWebMm the least material left between any two of them
   * @param serves whether that is at least the web this material needs
   */
  public record Pattern(
      double cutoutMm, List<ScrewHole> screws, double leastWebMm, boolean serves) {
    public Pattern {
      screws = List.copyOf(screws);
    }
  }

  public Levers {
    rows = List.copyOf(rows);
  }

  /** {@return the comparison for a control, if it is a lever} */
  public static Optional<Levers> of(Build build, Catalogue catalogue, ControlId id) {
    return build
        .control(id)
        .filter(c -> catalogue.kindOf(c).pushesDirections())
        .map(control -> compare(build, catalogue, control));
  }

  private static Levers compare(Build build, Catalogue catalogue, Control control) {
    ControlKind now = catalogue.kindOf(control);
    List<Row> rows = new ArrayList<>();
    rows.add(row(build, catalogue, control, now, now));
    for (ControlKind kind : catalogue.controls(ControlKind.Family.LEVER)) {
      if (!kind.id().equals(now.id())) {
        rows.add(row(build, catalogue, control, now, kind));
      }
    }
    return new Levers(control.id(), rows);
  }

  private static Row row(
      Build build, Catalogue catalogue, Control control, ControlKind now, ControlKind kind) {
    Panel panel = build.panel();
    boolean same = kind.id().equals(now.id());
    int shared = shared(now, kind);
    Pattern pattern = pattern(now, kind, panel);
    double shaft =
        kind.leftAboveMm(kind.gate().map(ControlKind.Gate::shaftMm).orElse(0.0), panel.stackMm());
    boolean holds = Grip.holds(kind, panel);
    Build swapped = same ? build : build.withControl(control.id(), c -> c.withKind(kind.id()));
    List<Gap> gaps = Gaps.of(swapped, catalogue).of(control.id());
    int narrow = (int) gaps.stream().filter(gap -> gap.missingMm() > 0).count();
    double below =
        gaps.stream()
            .filter(gap -> gap.kind() == Gap.Kind.DEPTH)
            .mapToDouble(Gap::gapMm)
            .findFirst()
            .orElse(0);
    return new Row(
        kind,
        same,
        holds,
        shaft,
        below,
        kind.feel().newton() > build.brief().hand().forceN(),
        shared,
        kind.screws().size() - shared,
        pattern,
        narrow,
        same ? List.of() : cost(build, now, kind, shared, narrow, holds));
  }

  private static List<String> cost(
      Build build, ControlKind now, ControlKind kind, int shared, int narrow, boolean holds) {
    List<String> cost = new ArrayList<>();
    LengthUnit unit = build.brief().units();
    if (!holds) {
      cost.add(
          "takes "
              + Length.text(kind.thinnestMm(), unit)
              + " to "
              + Length.text(kind.thickestMm(), unit)
              + " only");
    }
    int drilled = kind.screws().size() - shared;
    if (drilled > 0) {
      cost.add(drilled == 1 ? "1 new screw hole" : drilled + " new screw holes");
    }
    double more = kind.cutout().widthMm() - now.cutout().widthMm();
    if (more > 0.05) {
      cost.add(
          "open the hole from "
              + Length.number(now.cutout().widthMm(), unit)
              + " to "
              + Length.text(kind.cutout().widthMm(), unit));
    } else if (more < -0.5 && kind.face().widthMm() <= now.cutout().widthMm() + 2) {
      cost.add("a washer over the old hole");
    }
    String plugNow = now.gate().map(ControlKind.Gate::plug).orElse("");
    String plug = kind.gate().map(ControlKind.Gate::plug).orElse("");
    if (!plug.equals(plugNow)) {
      cost.add(
          plug.contains("connector")
              ? "a splitter or identified wires for its connector"
              : "single wires in place of the connector");
    }
    int lost = now.contacts().size() - kind.contacts().size();
    if (lost > 0) {
      cost.add("loses " + lost + " contacts");
    }
    if (narrow > 0) {
      cost.add(narrow + (narrow == 1 ? " gap too narrow" : " gaps too narrow"));
    }
    if (cost.isEmpty()) {
      cost.add("nothing to drill");
    }
    return cost;
  }

  private static int shared(ControlKind now, ControlKind kind) {
    return (int)
        kind.screws().stream()
            .filter(
                hole ->
                    now.screws().stream()
                        .anyMatch(
                            old ->
                                old.at().distanceMm(hole.at()) <= SAME_HOLE_MM
                                    && Math.abs(old.diameterMm() - hole.diameterMm())
                                        <= SAME_HOLE_MM))
            .count();
  }

  /** Joins two patterns: holes that coincide are drilled once, to the larger diameter. */
  static Pattern pattern(ControlKind one, ControlKind other, Panel panel) {
    List<ScrewHole> screws = new ArrayList<>(one.screws());
    for (ScrewHole hole : other.screws()) {
      int same = -1;
      for (int i = 0; i < screws.size(); i++) {
        if (screws.get(i).at().distanceMm(hole.at()) <= SAME_HOLE_MM) {
          same = i;
        }
      }
      if (same < 0) {
        screws.add(hole);
      } else if (hole.diameterMm() > screws.get(same).diameterMm()) {
        screws.set(same, new ScrewHole(screws.get(same).at(), hole.diameterMm(), hole.screw()));
      }
    }
    double cutout = Math.max(one.cutout().widthMm(), other.cutout().widthMm());
    List<Swept> holes = new ArrayList<>();
    holes.add(Swept.of(new Shape.Round(cutout), Placement.at(0, 0)));
    screws.forEach(
        s -> holes.add(Swept.circle(new Point(s.at().xMm(), s.at().yMm()), s.diameterMm())));
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < holes.size(); i++) {
      for (int j = 0; j < i; j++) {
        least = Math.min(least, holes.get(i).to(holes.get(j)).gapMm());
      }
    }
    boolean serves = least >= panel.material().webMm(panel.thicknessMm());
    return new Pattern(cutout, screws, least, serves);
  }
}
