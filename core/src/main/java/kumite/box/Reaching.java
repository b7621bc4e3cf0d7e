package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.finding.Subject;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Polygon;

/**
 * Something that sits in a face of the case and reaches in: what goes through an opening, or a
 * control.
 *
 * @param name what it is called
 * @param subject it, for findings
 * @param control which control it is; empty for an opening
 * @param face which face
 * @param at where on it
 * @param covers what it takes up on the face
 * @param wideMm how wide it is behind the face, along its upper edge
 * @param highMm how high it is there
 * @param behindMm how far it reaches in; 0 where it does not
 * @param nutMm across the corners of its nut inside; 0 where it has none
 * @param mostWallMm the thickest wall that it goes through
 * @param words what goes through
 */
record Reaching(
    String name,
    Subject subject,
    Optional<ControlId> control,
    Face face,
    Placement at,
    Shape covers,
    double wideMm,
    double highMm,
    double behindMm,
    double nutMm,
    double mostWallMm,
    String words) {
  private static final double CHORD_DEGREES = 6;

  /** {@return all that sits in the faces of a case: openings, then controls} */
  static List<Reaching> of(Build build, Catalogue catalogue, Box box) {
    List<Reaching> all = new ArrayList<>();
    box.openings().forEach(opening -> all.add(of(opening)));
    for (Control control : build.controls()) {
      control.face().ifPresent(face -> all.add(of(control, face, catalogue, box)));
    }
    return all;
  }

  static Reaching of(Cutout opening) {
    double nut = opening.through().nutMm();
    return new Reaching(
        opening.name(),
        new Subject.Thing("opening " + opening.name()),
        Optional.empty(),
        opening.face(),
        Placement.at(opening.at().xMm(), opening.at().yMm()),
        opening.hole(),
        Math.max(opening.hole().widthMm(), nut),
        Math.max(opening.hole().heightMm(), nut),
        opening.through().behindMm(),
        nut,
        opening.through().mostWallMm(),
        opening.through().words());
  }

  private static Reaching of(Control control, Face face, Catalogue catalogue, Box box) {
    ControlKind kind = catalogue.kindOf(control);
    Polygon body = ring(kind.body(), face.shaped(control.placement()));
    double thick = box.making().thicknessMm();
    return new Reaching(
        control.label(),
        Subject.of(control.id()),
        Optional.of(control.id()),
        face,
        face.shaped(control.placement()),
        kind.face(),
        body.getEnvelopeInternal().getWidth(),
        body.getEnvelopeInternal().getHeight(),
        kind.depthBelowMm(thick),
        0,
        Double.POSITIVE_INFINITY,
        kind.name());
  }

  private static Polygon ring(Shape shape, Placement at) {
    return Outlines.polygonOf(Rounding.points(Rounding.of(shape, at), CHORD_DEGREES));
  }

  /** {@return what it takes up on its face} */
  Polygon area() {
    return ring(covers, at);
  }

  Point centre() {
    return at.centre();
  }

  double xMm() {
    return at.xMm();
  }

  double yMm() {
    return at.yMm();
  }

  Reaching movedTo(Point place) {
    return new Reaching(
        name,
        subject,
        control,
        face,
        at.movedTo(place.xMm(), place.yMm()),
        covers,
        wideMm,
        highMm,
        behindMm,
        nutMm,
        mostWallMm,
        words);
  }

  /** {@return a build with it elsewhere on its face} */
  Build put(Build build, Point place) {
    if (control.isPresent()) {
      return build.withControl(
          control.get(), c -> c.withPlacement(c.placement().movedTo(place.xMm(), place.yMm())));
    }
    Optional<Box> box = build.get(BoxBook.PART).box();
    return box.flatMap(b -> b.opening(name))
        .map(o -> build.with(BoxBook.PART, new BoxBook(box.get().with(o.movedTo(place)))))
        .orElse(build);
  }
}
