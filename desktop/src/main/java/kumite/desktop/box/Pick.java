package kumite.desktop.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.box.BoxPlan;
import kumite.build.Control;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.parts.Catalogue;

/**
 * Something in a face that can be taken hold of: an opening or a control.
 *
 * @param opening its name; empty for a control
 * @param control it; empty for an opening
 * @param face which face
 * @param at where on it
 * @param hole its hole
 */
record Pick(
    Optional<String> opening, Optional<Control> control, Face face, Placement at, Shape hole) {
  /** {@return all of a case} */
  static List<Pick> of(BoxPlan plan, Catalogue catalogue) {
    List<Pick> all = new ArrayList<>();
    plan.box().openings().forEach(opening -> all.add(of(opening)));
    for (Control control : plan.build().controls()) {
      control
          .face()
          .ifPresent(
              face ->
                  all.add(
                      new Pick(
                          Optional.empty(),
                          Optional.of(control),
                          face,
                          face.shaped(control.placement()),
                          catalogue.kindOf(control).cutout())));
    }
    return all;
  }

  private static Pick of(Cutout opening) {
    return new Pick(
        Optional.of(opening.name()),
        Optional.empty(),
        opening.face(),
        Placement.at(opening.at().xMm(), opening.at().yMm()),
        opening.hole());
  }

  String name() {
    return opening.orElseGet(() -> control.orElseThrow().label());
  }

  /** {@return what findings call it} */
  String subject() {
    return opening.map(o -> "opening " + o).orElseGet(() -> control.orElseThrow().id().text());
  }

  /** {@return whether both are the same thing, wherever it is} */
  boolean same(Pick other) {
    return subject().equals(other.subject());
  }

  Pick movedTo(Point place) {
    return new Pick(opening, control, face, at.movedTo(place.xMm(), place.yMm()), hole);
  }
}
