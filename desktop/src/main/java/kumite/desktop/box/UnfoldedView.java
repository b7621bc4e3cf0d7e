package kumite.desktop.box;

import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.box.BoxPlan;
import kumite.box.Piece;
import kumite.box.Unfolded;
import kumite.build.box.Face;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.panel.Inside;
import kumite.verdict.Bench;

/** The faces laid flat; openings are dragged on them. */
final class UnfoldedView extends Pane {
  private static final double CORNER_PX = 24;
  private static final double MARGIN_PX = 14;
  private static final double SNAP_MM = 0.5;
  private static final double ASIDE_PX = 34;

  private final Consumer<Optional<Pick>> chosen;
  private final BiConsumer<Pick, Point> moved;
  private Optional<BoxPlan> plan = Optional.empty();
  private List<Finding> findings = List.of();
  private List<Inside> standing = List.of();
  private LengthUnit unit = LengthUnit.MM;
  private List<Pick> picks = List.of();
  private Optional<Pick> selected = Optional.empty();
  private Optional<Pick> dragged = Optional.empty();
  private double scale = 1;
  private double leftPx;
  private double topPx;

  /**
   * A view.
   *
   * @param chosen told what was pressed: an opening, or a control in a face
   * @param moved told of one that was dragged to another place on its face
   */
  UnfoldedView(Consumer<Optional<Pick>> chosen, BiConsumer<Pick, Point> moved) {
    this.chosen = chosen;
    this.moved = moved;
    setId("case-unfolded");
    getStyleClass().add("plan-view");
    setMinSize(200, 200);
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
    widthProperty().addListener((o, was, is) -> draw());
    heightProperty().addListener((o, was, is) -> draw());
    setOnMousePressed(this::pressed);
    setOnMouseDragged(this::drag);
    setOnMouseReleased(event -> drop());
  }

  void show(BoxPlan next, Bench bench, Optional<Pick> pick) {
    plan = Optional.of(next);
    picks = Pick.of(next, bench.catalogue());
    findings = bench.findings().stream().filter(f -> f.severity() != Severity.FINE).toList();
    standing =
        Inside.of(next.build(), bench.catalogue()).stream().filter(t -> !t.swings()).toList();
    unit = bench.build().brief().units();
    selected = pick;
    draw();
  }

  private void pressed(MouseEvent event) {
    dragged = plan.flatMap(p -> under(p, event.getX(), event.getY()));
    selected = dragged;
    chosen.accept(selected);
    draw();
  }

  private Optional<Pick> under(BoxPlan at, double x, double y) {
    Unfolded net = new Unfolded(at.shape());
    Point there = place(x, y);
    Optional<Pick> best = Optional.empty();
    double nearest = 8 / scale;
    for (Pick pick : picks) {
      Point on = net.on(pick.face(), there);
      double half = Math.max(pick.hole().widthMm(), pick.hole().heightMm()) / 2;
      double off = Math.max(0, on.distanceMm(pick.at().centre()) - half);
      if (off < nearest) {
        nearest = off;
        best = Optional.of(pick);
      }
    }
    return best;
  }

  private void drag(MouseEvent event) {
    if (dragged.isPresent() && plan.isPresent()) {
      Point on =
          new Unfolded(plan.get().shape())
              .on(dragged.get().face(), place(event.getX(), event.getY()));
      dragged = Optional.of(dragged.get().movedTo(new Point(snapped(on.xMm()), snapped(on.yMm()))));
      draw();
    }
  }

  private static double snapped(double mm) {
    return Math.round(mm / SNAP_MM) * SNAP_MM;
  }

  private void drop() {
    Optional<Pick> was = dragged.flatMap(d -> picks.stream().filter(d::same).findFirst());
    if (was.isPresent() && !was.get().at().equals(dragged.get().at())) {
      moved.accept(was.get(), dragged.get().at().centre());
    }
    dragged = Optional.empty();
  }

  private Point place(double x, double y) {
    return new Point((x - leftPx) / scale, (y - topPx) / scale);
  }

  private double x(Point at) {
    return leftPx + at.xMm() * scale;
  }

  private double y(Point at) {
    return topPx + at.yMm() * scale;
  }

  private void draw() {
    getChildren().clear();
    if (plan.isEmpty() || getWidth() < 50 || getHeight() < 50) {
      return;
    }
    BoxPlan box = plan.get();
    Unfolded net = new Unfolded(box.shape());
    scale =
        Math.min(
            (getWidth() - 2 * MARGIN_PX) / net.widthMm(),
            (getHeight() - 2 * MARGIN_PX) / net.heightMm());
    leftPx = (getWidth() - net.widthMm() * scale) / 2;
    topPx = (getHeight() - net.heightMm() * scale) / 2;
    for (Face face : Face.values()) {
      face(box, net, face);
    }
    panel(box, net);
    standing.forEach(thing -> standing(net, thing));
    for (Pick pick : picks) {
      pick(net, dragged.filter(pick::same).orElse(pick));
    }
    // What is drawn anew while it is dragged must not be what the mouse holds.
    getChildren().forEach(node -> node.setMouseTransparent(true));
  }

  private void face(BoxPlan box, Unfolded net, Face face) {
    List<List<Point>> rings =
        net.outlines(box, face).stream().filter(ring -> ring.size() > 2).toList();
    if (rings.isEmpty()) {
      return;
    }
    for (List<Point> ring : rings) {
      Polygon shape = polygon(ring.stream().map(p -> net.at(face, p)).toList());
      shape.getStyleClass().add(face == Face.FLOOR ? "case-floor" : "case-face");
      getChildren().add(shape);
    }
    for (Unfolded.Seam seam : net.seams(face)) {
      Point from = net.at(face, seam.from());
      Point to = net.at(face, seam.to());
      Line line = new Line(x(from), y(from), x(to), y(to));
      line.getStyleClass().add("case-seam");
      getChildren().add(line);
    }
    box.pieces().stream()
        .filter(p -> p.face().filter(f -> f == face).isPresent())
        .flatMap(p -> p.holes().stream())
        .filter(h -> picks.stream().noneMatch(pick -> pick.name().equals(h.words())))
        .forEach(h -> screwHole(box, net, face, h));
    Point corner = rings.get(0).get(0);
    for (Point p : rings.get(0)) {
      Point there = net.at(face, p);
      Point best = net.at(face, corner);
      if (there.xMm() + there.yMm() < best.xMm() + best.yMm() - 1e-6) {
        corner = p;
      }
    }
    Point there = net.at(face, corner);
    // A block and its screw hole may stand in the corner of floor and panel: names begin beside it.
    double beside = face == Face.FLOOR ? CORNER_PX : 5;
    label(words(box, face), x(there) + beside, y(there) + 4, "plan-note");
  }

  private String words(BoxPlan box, Face face) {
    String tall =
        face.across() && face.wall()
            ? " " + Length.number(box.shape().leastDepthMm(face), unit)
            : "";
    return face.words() + tall;
  }

  private void screwHole(BoxPlan box, Unfolded net, Face face, Piece.Hole hole) {
    Point at = hole.at().centre();
    Point on = face == Face.FLOOR ? box.shape().onFloor(at) : at;
    hole(net.at(face, on), hole, "case-hole");
  }

  private void hole(Point middle, Piece.Hole hole, String style) {
    Polygon shape = new Polygon();
    for (Point p : hole.ring()) {
      shape
          .getPoints()
          .addAll(
              x(middle) + (p.xMm() - hole.at().xMm()) * scale,
              y(middle) - (p.yMm() - hole.at().yMm()) * scale);
    }
    shape.getStyleClass().add(style);
    getChildren().add(shape);
  }

  private void panel(BoxPlan box, Unfolded net) {
    // A printed one may be parted.
    List<Piece> parts = box.pieces().stream().filter(p -> p.part() == Piece.Part.PANEL).toList();
    for (Piece part : parts) {
      Polygon shape = polygon(part.outline().stream().map(net::panel).toList());
      shape.getStyleClass().add("case-panel");
      getChildren().add(shape);
    }
    parts.stream()
        .flatMap(part -> part.holes().stream())
        .distinct()
        .forEach(hole -> hole(net.panel(hole.at().centre()), hole, "case-hole"));
    Point corner = net.panel(new Point(0, 0));
    label(
        "panel, " + Length.number(box.shape().panel().thicknessMm(), unit),
        x(corner) + CORNER_PX,
        y(corner) - 18,
        "plan-note");
  }

  /** A board or block that stands on the floor. */
  private void standing(Unfolded net, Inside thing) {
    Polygon shape = polygon(thing.corners().stream().map(p -> net.at(Face.FLOOR, p)).toList());
    shape.getStyleClass().add("case-standing");
    getChildren().add(shape);
    Point first = net.at(Face.FLOOR, thing.corners().get(0));
    double x = x(first);
    double y = y(first);
    for (Point corner : thing.corners()) {
      x = Math.min(x, x(net.at(Face.FLOOR, corner)));
      y = Math.max(y, y(net.at(Face.FLOOR, corner)));
    }
    boolean lip = net.onSeam(thing.corners());
    if (!lip) { // the seam's line says what it is for
      label(thing.words(), x, y + 1, "plan-note");
    }
  }

  private Polygon polygon(List<Point> ring) {
    Polygon shape = new Polygon();
    ring.forEach(p -> shape.getPoints().addAll(x(p), y(p)));
    return shape;
  }

  private void pick(Unfolded net, Pick pick) {
    Face face = pick.face();
    Polygon shape = new Polygon();
    new Piece.Hole("", pick.hole(), pick.at())
        .ring().stream()
            .map(p -> net.at(face, p))
            .forEach(p -> shape.getPoints().addAll(x(p), y(p)));
    boolean now = selected.filter(pick::same).isPresent();
    shape.getStyleClass().addAll("case-opening", now ? "chosen" : "other", severity(pick));
    getChildren().add(shape);
    Point at = net.at(face, pick.at().centre());
    if (now) {
      measures(net, pick, at);
    }
    double below = Math.max(pick.hole().widthMm(), pick.hole().heightMm()) / 2 * scale;
    label(pick.name(), x(at), y(at) + below + 2, now ? "case-name-chosen" : "case-name");
  }

  private String severity(Pick pick) {
    return findings.stream()
        .filter(f -> f.named().contains(pick.subject()))
        .filter(f -> f.station().equals(Station.CASE) || f.station().equals(Station.PANEL))
        .map(f -> f.severity() == Severity.STOP ? "stop" : "look")
        .min((a, b) -> a.equals("stop") ? -1 : 1)
        .orElse("sound");
  }

  /** From the edge that it is measured from, and down from the panel. */
  private void measures(Unfolded net, Pick pick, Point at) {
    Face face = pick.face();
    Point side = net.at(face, new Point(0, pick.at().yMm()));
    Point top = net.at(face, new Point(pick.at().xMm(), 0));
    line(side, at);
    line(top, at);
    label(
        Length.number(pick.at().xMm(), unit),
        x(side) + (x(at) - x(side)) / 3,
        y(side) + (y(at) - y(side)) / 3 - 16,
        "case-measure");
    // Beside the name, which stands under the hole.
    label(
        Length.number(pick.at().yMm(), unit),
        (x(top) + x(at)) / 2 + ASIDE_PX,
        (y(top) + y(at)) / 2 - 8,
        "case-measure");
  }

  private void line(Point from, Point to) {
    Line line = new Line(x(from), y(from), x(to), y(to));
    line.getStyleClass().add("case-line");
    getChildren().add(line);
  }

  private Label label(String text, double x, double y, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    boolean middle = style.startsWith("case-name");
    double left = middle ? x - label.getWidth() / 2 : x;
    label.relocate(
        Math.max(2, Math.min(getWidth() - label.getWidth() - 2, left)),
        Math.max(2, Math.min(getHeight() - label.getHeight() - 2, y)));
    return label;
  }
}
