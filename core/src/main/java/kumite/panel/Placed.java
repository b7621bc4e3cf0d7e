package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Placement;
import kumite.name.ControlId;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.geom.Envelope;

/**
 * A control with its outlines in place.
 *
 * @param holes its cut-out and screw holes, through the panel
 * @param heads the heads of its screws that lie bare on the face
 * @param face what it covers on the face
 * @param below its body, and the nuts and washers of screws that stand beside it
 * @param swing what moves above the face
 * @param wrench what turns below while it is tightened; none for most
 * @param all the box around everything that can meet a neighbour
 */
record Placed(
    Control control,
    ControlKind kind,
    List<Swept> holes,
    List<Swept> heads,
    Swept face,
    List<Swept> below,
    Swept swing,
    List<Swept> wrench,
    Envelope all) {

  static Placed of(Control control, ControlKind kind) {
    Placement at = control.placement();
    Swept face = Swept.of(kind.face(), at);
    Swept body = Swept.of(kind.body(), at);
    List<Swept> holes = new ArrayList<>();
    List<Swept> heads = new ArrayList<>();
    List<Swept> below = new ArrayList<>();
    holes.add(Swept.of(kind.cutout(), at));
    below.add(body);
    for (ScrewHole screw : kind.screws()) {
      Swept hole = Swept.circle(at.place(screw.at()), screw.diameterMm());
      holes.add(hole);
      Swept head = Swept.circle(at.place(screw.at()), Screw.headRoomMm(screw));
      if (!hole.within(face)) {
        heads.add(head);
      }
      if (!hole.within(body)) {
        below.add(head);
      }
    }
    Swept swing = Swept.of(kind.above().swing(), at);
    List<Swept> wrench =
        kind.mount().wrenchMm() > 0
            ? List.of(Swept.circle(at.centre(), kind.mount().wrenchMm()))
            : List.of();
    Envelope all = new Envelope(face.envelope());
    List.of(holes, heads, below, wrench, List.of(swing))
        .forEach(outlines -> outlines.forEach(o -> all.expandToInclude(o.envelope())));
    return new Placed(
        control,
        kind,
        List.copyOf(holes),
        List.copyOf(heads),
        face,
        List.copyOf(below),
        swing,
        wrench,
        all);
  }

  ControlId id() {
    return control.id();
  }

  Swept body() {
    return below.get(0);
  }

  /** {@return how far it reaches below the underside of the panel, in mm} */
  double depthMm(Panel panel) {
    return kind.depthBelowMm(panel.stackMm());
  }

  /** {@return whether it is pressed from above and stands off the panel, as a cap does} */
  boolean capped() {
    return kind.above().fingersMm() == 0 && kind.above().heightMm() > 0;
  }

  /**
   * {@return the least room between two lists of outlines, or null where all are beyond a limit}
   */
  static Swept.@Nullable Between narrowest(List<Swept> ones, List<Swept> others, double limitMm) {
    Swept.Between narrowest = null;
    for (Swept one : ones) {
      for (Swept other : others) {
        if (!one.clearlyBeyond(other, limitMm)) {
          Swept.Between between = one.to(other);
          if (narrowest == null || between.gapMm() < narrowest.gapMm()) {
            narrowest = between;
          }
        }
      }
    }
    return narrowest;
  }
}
