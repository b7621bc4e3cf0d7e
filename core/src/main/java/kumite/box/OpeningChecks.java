package kumite.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Through;
import kumite.build.panel.Panel;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.SupplyKind;
import kumite.measure.Point;
import kumite.panel.Inside;
import kumite.panel.WayOut;
import kumite.parts.Catalogue;
import kumite.parts.SupplyFile;
import kumite.working.Working;
import org.locationtech.jts.geom.Polygon;

/** Checks of what goes through the faces of a case. */
final class OpeningChecks {
  /** Beside a wall that backs it an edge may be so narrow: common practice, no source. */
  private static final double BACKED_MM = 2;

  private static final double BEHIND_MM = 1;

  /** A spanner or two fingers beside a nut: common practice, no source. */
  private static final double FINGERS_MM = 3;

  private static final int FARTHEST_MM = 400;

  private final Build build;
  private final Catalogue catalogue;
  private final BoxShape shape;
  private final Box box;
  private final Panel panel;
  private final List<Inside> inside;
  private final List<WayOut> ways;
  private final List<Reaching> all;
  private final List<Finding> findings = new ArrayList<>();

  private OpeningChecks(Build build, Catalogue catalogue, BoxShape shape) {
    this.build = build;
    this.catalogue = catalogue;
    this.shape = shape;
    this.box = shape.box();
    this.panel = shape.panel();
    this.inside = Inside.of(build, catalogue);
    this.ways = WayOut.of(build, catalogue);
    this.all = Reaching.of(build, catalogue, box);
  }

  static List<Finding> of(Build build, Catalogue catalogue, BoxShape shape) {
    OpeningChecks checks = new OpeningChecks(build, catalogue, shape);
    checks.all.forEach(checks::opening);
    checks.pairs();
    checks.plugs();
    checks.parts();
    return checks.findings;
  }

  /** {@return an opening where it troubles nobody, as near as there is such a place} */
  static Cutout placed(Build build, Catalogue catalogue, BoxShape shape, Cutout opening) {
    Reaching wanted = Reaching.of(opening);
    OpeningChecks checks = new OpeningChecks(build, catalogue, shape);
    return checks.sound(wanted)
        ? opening
        : checks.place(wanted).map(opening::movedTo).orElse(opening);
  }

  private void opening(Reaching opening) {
    if (opening.face().wall() && !panel.rectangular()) {
      boolean control = opening.control().isPresent();
      if (control || strip(opening).isEmpty()) {
        findings.add(
            finding(
                    BoxCode.NO_FACE,
                    Severity.STOP,
                    opening,
                    "No wall is there for " + opening.name(),
                    control
                        ? "Parts in walls are worked out for a rectangular panel only: put it into"
                            + " the panel or the floor"
                        : "The panel has no straight edge there on its outermost "
                            + opening.face().words()
                            + ": move it to where it has, drill it by hand, or put it into the"
                            + " floor")
                .made()
                .mendedBy(() -> control ? Optional.empty() : moved(opening)));
        return;
      }
    }
    if (opening.control().isEmpty()) {
      edge(opening); // of a control the checks of its face tell more
    }
    double wall = shape.wallMm();
    if (wall > opening.mostWallMm()) {
      say(
          BoxCode.WALL_TOO_THICK,
          Severity.STOP,
          opening,
          "The wall is too thick for " + opening.name(),
          mm(wall)
              + "; "
              + opening.words()
              + " goes through "
              + mm(opening.mostWallMm())
              + " at most: take the wall down from inside there, or set it in a thin plate over a"
              + " larger hole");
    }
    nut(opening);
    met(opening)
        .ifPresent(
            thing ->
                findings.add(
                    finding(
                            BoxCode.MEETS_INSIDE,
                            Severity.STOP,
                            opening,
                            opening.name() + " meets " + thing.words() + " inside",
                            opening.behindMm() > 0
                                ? first(opening.words())
                                    + " reaches "
                                    + mm(opening.behindMm())
                                    + " in from the "
                                    + opening.face().words()
                                : "It stands right behind the hole and closes it")
                        .about(thing)
                        .made()
                        .mendedBy(() -> moved(opening))));
    swung(opening)
        .ifPresent(
            thing ->
                findings.add(
                    finding(
                            BoxCode.MEETS_AS_IT_SWINGS,
                            Severity.STOP,
                            opening,
                            thing.words() + " meets " + opening.name() + " as the lid swings",
                            "Its lowest edge runs on a circle about the hinge; "
                                + opening.words()
                                + " reaches into it")
                        .about(thing)
                        .made()
                        .mendedBy(() -> moved(opening))));
  }

  private void edge(Reaching opening) {
    double web = edgeMm(opening);
    if (web >= BACKED_MM) {
      return;
    }
    boolean off = web < 0;
    findings.add(
        finding(
                BoxCode.OFF_ITS_FACE,
                off ? Severity.STOP : Severity.LOOK,
                opening,
                off
                    ? opening.name() + " is not on the " + opening.face().words()
                    : opening.name() + " is near the edge of the " + opening.face().words(),
                off
                    ? "It reaches " + mm(-web) + " past the inside of the walls, floor or panel"
                    : mm(web)
                        + " are left; "
                        + mm(BACKED_MM)
                        + " beside the next wall hold (common practice)")
            .made()
            .mendedBy(() -> moved(opening)));
  }

  /** {@return the least left between a hole and the end of its face; negative past it} */
  private double edgeMm(Reaching opening) {
    Optional<Polygon> region =
        panel.rectangular() || !opening.face().wall() ? region(opening.face()) : strip(opening);
    if (region.isEmpty()) {
      return -1;
    }
    Polygon hole = opening.area();
    double distance = region.get().getBoundary().distance(hole);
    if (region.get().contains(hole)) {
      return distance;
    }
    double out = 0;
    for (var corner : hole.getCoordinates()) {
      var point = hole.getFactory().createPoint(corner);
      out = Math.max(out, region.get().distance(point));
    }
    return -Math.max(out, 0.01);
  }

  /** {@return the wall of a panel that is no rectangle in which an opening has its middle} */
  private Optional<Polygon> strip(Reaching opening) {
    return shape.strips(opening.face()).stream()
        .filter(s -> s.get(0).xMm() <= opening.xMm() && opening.xMm() <= s.get(1).xMm())
        .map(Outlines::polygonOf)
        .findFirst();
  }

  /** {@return a face between its neighbours, as places on it are measured} */
  private Optional<Polygon> region(Face face) {
    if (!shape.hollow()) {
      return Optional.empty();
    }
    double in = shape.inMm();
    double width = panel.widthMm();
    double height = panel.heightMm();
    double front = shape.depthMm(in);
    double back = shape.depthMm(height - in);
    return Optional.of(
        Outlines.polygonOf(
            switch (face) {
              case FRONT -> BoardPieces.rectangle(in, 0, width - in, front);
              case BACK -> BoardPieces.rectangle(in, 0, width - in, back);
              case LEFT, RIGHT ->
                  List.of(
                      new Point(in, 0),
                      new Point(height - in, 0),
                      new Point(height - in, back),
                      new Point(in, front));
              case FLOOR -> shape.ring(in);
            }));
  }

  private void nut(Reaching opening) {
    double nut = opening.nutMm();
    if (nut <= 0 || !opening.face().wall()) {
      return;
    }
    double above = opening.yMm() - nut / 2;
    double depth =
        opening.face().across() ? shape.leastDepthMm(opening.face()) : shape.depthMm(opening.xMm());
    double below = depth - opening.yMm() - nut / 2;
    double room = Math.min(above, below);
    if (room < FINGERS_MM && edgeMm(opening) >= 0) {
      findings.add(
          finding(
                  BoxCode.NUT_BOUND,
                  room < 0 ? Severity.STOP : Severity.LOOK,
                  opening,
                  room < 0
                      ? "The nut of " + opening.name() + " does not go on"
                      : "The nut of " + opening.name() + " is hard to reach",
                  mm(nut)
                      + " across; "
                      + mm(Math.max(0, room))
                      + " are left to the "
                      + (above < below ? "panel" : "floor")
                      + "; "
                      + mm(FINGERS_MM)
                      + " let it be turned (common practice)")
              .made()
              .mendedBy(() -> moved(opening)));
    }
  }

  /** What a part takes up inside the case: left, front, right, back, upper and lower end. */
  private Optional<double[]> behind(Reaching opening) {
    // What is right behind an open hole closes it.
    double deep = Math.max(BEHIND_MM, opening.behindMm());
    double w = opening.wideMm() / 2;
    double h = opening.highMm() / 2;
    double x = opening.xMm();
    double y = opening.yMm();
    double in = shape.inMm();
    double right = panel.widthMm() - in;
    double back = panel.heightMm() - in;
    return Optional.of(
        switch (opening.face()) {
          case FRONT -> new double[] {x - w, in, x + w, in + deep, y - h, y + h};
          case BACK -> new double[] {x - w, back - deep, x + w, back, y - h, y + h};
          case LEFT -> new double[] {in, x - w, in + deep, x + w, y - h, y + h};
          case RIGHT -> new double[] {right - deep, x - w, right, x + w, y - h, y + h};
          case FLOOR -> {
            double floor = Math.min(shape.depthMm(y - h), shape.depthMm(y + h));
            yield new double[] {x - w, y - h, x + w, y + h, floor - deep, floor};
          }
        });
  }

  private Optional<Inside> met(Reaching opening) {
    return behind(opening)
        .flatMap(
            b ->
                inside.stream()
                    .filter(t -> t.gapMm(b[0], b[1], b[2], b[3], b[4], b[5]) < 0)
                    .findFirst());
  }

  private Optional<Inside> swung(Reaching opening) {
    return behind(opening)
        .flatMap(
            b ->
                inside.stream()
                    .filter(t -> t.gapMm(b[0], b[1], b[2], b[3], b[4], b[5]) >= 0)
                    .filter(t -> t.swungMm(panel, b[0], b[1], b[2], b[3], b[4]) < 0)
                    .findFirst());
  }

  /** Two openings on one face, and what is behind two on any. */
  private void pairs() {
    for (int i = 0; i < all.size(); i++) {
      for (int j = i + 1; j < all.size(); j++) {
        pair(all.get(i), all.get(j));
      }
    }
  }

  private void pair(Reaching one, Reaching other) {
    boolean same = one.face() == other.face();
    if (same && one.control().isPresent() && other.control().isPresent()) {
      return; // told by the checks of that face
    }
    double web = same ? one.area().distance(other.area()) : Double.POSITIVE_INFINITY;
    boolean shared = same && one.area().intersects(other.area()) || behindMeets(one, other);
    double wanted = box.material().webMm(shape.wallMm());
    if (!shared && web >= wanted) {
      return;
    }
    findings.add(
        finding(
                BoxCode.OPENINGS_MEET,
                shared ? Severity.STOP : Severity.LOOK,
                one,
                one.name()
                    + (shared ? " and " : " is near ")
                    + other.name()
                    + (shared ? " meet" : ""),
                shared
                    ? same && web <= 0
                        ? "Their holes run into each other on the " + one.face().words()
                        : "What is behind them takes the same room"
                    : mm(web) + " are left between them; " + mm(wanted) + " hold (common practice)")
            .about(other)
            .made()
            .mendedBy(() -> moved(other)));
  }

  private boolean behindMeets(Reaching one, Reaching other) {
    Optional<double[]> a = behind(one);
    Optional<double[]> b = behind(other);
    if (a.isEmpty() || b.isEmpty()) {
      return false;
    }
    for (int i : new int[] {0, 1, 4}) {
      int end = i == 4 ? 5 : i + 2;
      if (a.get()[i] >= b.get()[end] - 1e-9 || b.get()[i] >= a.get()[end] - 1e-9) {
        return false;
      }
    }
    return true;
  }

  /** Each board's plug has its own way out, or a cable that is led out elsewhere. */
  private void plugs() {
    List<WayOut> without = new ArrayList<>();
    for (WayOut way : ways) {
      if (panel.rectangular() && !way.let(box)) {
        without.add(way);
      }
    }
    long cables =
        box.openings().stream()
            .filter(
                o ->
                    switch (o.through()) {
                      case CABLE, CABLE_WITH_PLUG, GROMMET, GLAND, USB_SOCKET -> true;
                      default -> false;
                    })
            .count();
    for (WayOut way : without) {
      Optional<Cutout> tight = tight(way);
      if (tight.isPresent()) {
        findings.add(
            finding(
                    BoxCode.DOES_NOT_PASS,
                    Severity.STOP,
                    Reaching.of(tight.get()),
                    "The plug of " + way.board() + " does not pass its opening",
                    "Its grip is "
                        + mm(way.gripMm())
                        + " x "
                        + mm(WayOut.GRIP_HIGH_MM)
                        + ", "
                        + mm(way.atMm())
                        + " from the "
                        + way.side().from()
                        + " edge and "
                        + mm(way.downMm())
                        + " below the panel")
                .made()
                .mendedBy(
                    Fix.of(
                        "Put an opening of its size where it comes out",
                        b ->
                            cased(
                                b,
                                c -> c.without(tight.get().name()).with(PlainBox.opening(way))))));
      } else if (cables > 0) {
        cables--;
      } else {
        findings.add(
            Finding.of(
                    BoxCode.PLUG_HAS_NO_WAY,
                    Severity.LOOK,
                    List.of(new Subject.Thing("case")),
                    "The plug of " + way.board() + " has no way out",
                    "It points to the "
                        + way.side().words()
                        + ", "
                        + mm(way.atMm())
                        + " from the "
                        + way.side().from()
                        + " edge and "
                        + mm(way.downMm())
                        + " below the panel; no opening is left for it or for its cable")
                .mendedBy(
                    Fix.of(
                        "Put an opening there",
                        b -> cased(b, c -> c.with(PlainBox.opening(way))))));
      }
    }
  }

  /** {@return an opening for a plug that lies where the plug comes out, and is too small} */
  private Optional<Cutout> tight(WayOut way) {
    Point at = new Point(way.atMm(), way.downMm());
    return box.openings().stream()
        .filter(o -> o.through() == Through.PLUG && o.face().name().equals(way.side().name()))
        .filter(o -> o.at().distanceMm(at) < way.plugMm())
        .findFirst();
  }

  /** Jacks and switches of the supply sit in a hole. */
  private void parts() {
    for (SupplyPart part : build.get(SupplyBook.PART).parts()) {
      SupplyKind.Does does = SupplyFile.find(part.kind()).orElseThrow().does();
      Optional<Through> wants =
          does instanceof SupplyKind.Source source && source.form() == SupplyKind.Form.JACK
              ? Optional.of(Through.JACK)
              : does instanceof SupplyKind.Switch ? Optional.of(Through.SWITCH) : Optional.empty();
      if (wants.isPresent() && box.opening(part.label()).isEmpty()) {
        Cutout hole =
            new Cutout(
                part.label(),
                Face.BACK,
                new Point(part.placement().xMm(), shape.leastDepthMm(Face.BACK) / 2),
                wants.get());
        findings.add(
            Finding.of(
                    BoxCode.PART_WITHOUT_HOLE,
                    Severity.LOOK,
                    List.of(Subject.of(part.id())),
                    part.label() + " has no hole in the case",
                    "It sits in a face where hands reach it; an opening of its name tells which")
                .mendedBy(
                    () ->
                        panel.rectangular() || !shape.strips(Face.BACK).isEmpty()
                            ? Optional.of(
                                Fix.of(
                                    "Put it into the back",
                                    b ->
                                        cased(
                                            b, c -> c.with(placed(build, catalogue, shape, hole)))))
                            : Optional.empty()));
      }
    }
  }

  private boolean sound(Reaching opening) {
    double wanted = box.material().webMm(shape.wallMm());
    double nut = opening.nutMm() / 2 + FINGERS_MM;
    boolean reached =
        opening.nutMm() <= 0
            || !opening.face().wall()
            || opening.yMm() >= nut && depthAt(opening) - opening.yMm() >= nut;
    Predicate<Reaching> apart =
        other ->
            other.subject().equals(opening.subject())
                || !behindMeets(opening, other)
                    && (other.face() != opening.face()
                        || other.area().distance(opening.area()) >= wanted);
    return reached
        && edgeMm(opening) >= BACKED_MM
        && met(opening).isEmpty()
        && swung(opening).isEmpty()
        && all.stream().allMatch(apart);
  }

  private double depthAt(Reaching opening) {
    return opening.face().across()
        ? shape.leastDepthMm(opening.face())
        : shape.depthMm(opening.xMm());
  }

  private Optional<Point> place(Reaching opening) {
    List<Double> levels = new ArrayList<>();
    levels.add(opening.yMm());
    if (opening.face().wall()) {
      levels.add(depthAt(opening) / 2);
    }
    for (int step = 0; step <= FARTHEST_MM; step++) {
      for (double level : levels) {
        for (int sign : new int[] {1, -1}) {
          Point at = new Point(opening.xMm() + sign * step, level);
          if (sound(opening.movedTo(at))) {
            return Optional.of(at);
          }
        }
      }
    }
    return Optional.empty();
  }

  private Optional<Fix> moved(Reaching opening) {
    return place(opening)
        .map(
            at ->
                Fix.of(
                    "Move " + opening.name() + " by " + mm(at.distanceMm(opening.centre())),
                    b -> opening.put(b, at)));
  }

  static Build cased(Build build, java.util.function.UnaryOperator<Box> change) {
    return build.with(BoxBook.PART, new BoxBook(build.get(BoxBook.PART).box().map(change)));
  }

  private void say(BoxCode code, Severity severity, Reaching opening, String title, String detail) {
    findings.add(finding(code, severity, opening, title, detail).made());
  }

  /** A finding of an opening, which may be of others too. */
  private record Told(
      BoxCode code, Severity severity, List<Subject> about, String title, String detail) {
    Told about(Inside thing) {
      List<Subject> more = new ArrayList<>(about);
      thing.control().ifPresent(control -> more.add(Subject.of(control)));
      return new Told(code, severity, more, title, detail);
    }

    Told about(Reaching other) {
      List<Subject> more = new ArrayList<>(about);
      more.add(other.subject());
      return new Told(code, severity, more, title, detail);
    }

    Finding made() {
      return Finding.of(code, severity, about, title, detail);
    }
  }

  private static Told finding(
      BoxCode code, Severity severity, Reaching opening, String title, String detail) {
    return new Told(code, severity, List.of(opening.subject()), title, detail);
  }

  private static String first(String words) {
    return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
  }

  static String mm(double value) {
    return Working.number(value, 1) + " mm";
  }
}
