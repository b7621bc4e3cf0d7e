package kumite.desktop.box;

import java.util.ArrayList;
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
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.panel.Inside;
import kumite.verdict.Bench;

/** The faces laid flat; openings are dragged on them. */
final class UnfoldedView extends Pane {
  private static final double MARGIN_PX = 14;
  private static final double SNAP_MM = 0.5;

  private final Consumer<Optional<String>> chosen;
  private final BiConsumer<Cutout, Point> moved;
  private Optional<BoxPlan> plan = Optional.empty();
  private List<Finding> findings = List.of();
  private List<Inside> standing = List.of();
  private LengthUnit unit = LengthUnit.MM;
  private Optional<String> selected = Optional.empty();
  private Optional<Cutout> dragged = Optional.empty();
  private double scale = 1;
  private double leftPx;
  private double topPx;

  /**
   * A view.
   *
   * @param chosen told which opening was pressed
   * @param moved told of an opening that was dragged to another place on its face
   */
  UnfoldedView(Consumer<Optional<String>> chosen, BiConsumer<Cutout, Point> moved) {
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

  void show(BoxPlan next, Bench bench, Optional<String> name) {
    plan = Optional.of(next);
    findings =
        bench.findings().stream()
            .filter(f -> f.severity() != Severity.FINE)
            .filter(f -> f.named().stream().anyMatch(n -> n.startsWith("opening ")))
            .toList();
    standing =
        Inside.of(next.build(), bench.catalogue()).stream().filter(t -> !t.swings()).toList();
    unit = bench.build().brief().units();
    selected = name;
    draw();
  }

  private void pressed(MouseEvent event) {
    dragged = plan.flatMap(p -> under(p, event.getX(), event.getY()));
    selected = dragged.map(Cutout::name);
    chosen.accept(selected);
    draw();
  }

  private Optional<Cutout> under(BoxPlan at, double x, double y) {
    Unfolded net = new Unfolded(at.shape());
    Point there = place(x, y);
    Cutout best = null;
    double nearest = 8 / scale;
    for (Cutout opening : at.box().openings()) {
      Point on = net.on(opening.face(), there);
      double half = Math.max(opening.hole().widthMm(), opening.hole().heightMm()) / 2;
      double off = Math.max(0, on.distanceMm(opening.at()) - half);
      if (off < nearest) {
        nearest = off;
        best = opening;
      }
    }
    return Optional.ofNullable(best);
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
    Optional<Cutout> was = dragged.flatMap(d -> plan.flatMap(p -> p.box().opening(d.name())));
    if (was.isPresent() && !was.get().at().equals(dragged.get().at())) {
      moved.accept(was.get(), dragged.get().at());
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
    for (Cutout opening : box.box().openings()) {
      boolean now = dragged.filter(d -> d.name().equals(opening.name())).isPresent();
      opening(net, now ? dragged.get() : opening);
    }
    // What is drawn anew while it is dragged must not be what the mouse holds.
    getChildren().forEach(node -> node.setMouseTransparent(true));
  }

  private void face(BoxPlan box, Unfolded net, Face face) {
    List<Point> ring = net.piece(box, face).orElse(net.outline(face));
    if (ring.size() < 3 || !box.shape().panel().rectangular() && face != Face.FLOOR) {
      return;
    }
    Polygon shape = polygon(ring.stream().map(p -> net.at(face, p)).toList());
    shape.getStyleClass().add(face == Face.FLOOR ? "case-floor" : "case-face");
    getChildren().add(shape);
    box.pieces().stream()
        .filter(p -> p.face().filter(f -> f == face).isPresent())
        .flatMap(p -> p.holes().stream())
        .filter(h -> box.box().opening(h.words()).isEmpty())
        .forEach(h -> screwHole(box, net, face, h));
    Point corner = ring.get(0);
    for (Point p : ring) {
      Point there = net.at(face, p);
      Point best = net.at(face, corner);
      if (there.xMm() + there.yMm() < best.xMm() + best.yMm() - 1e-6) {
        corner = p;
      }
    }
    Point there = net.at(face, corner);
    label(words(box, face), x(there) + 5, y(there) + 4, "plan-note");
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
    Piece panel = box.piece("panel").orElseThrow();
    Polygon shape = polygon(panel.outline().stream().map(net::panel).toList());
    shape.getStyleClass().add("case-panel");
    getChildren().add(shape);
    for (Piece.Hole hole : panel.holes()) {
      hole(net.panel(hole.at().centre()), hole, "case-hole");
    }
    Point corner = net.panel(new Point(0, 0));
    label(
        "panel, " + Length.number(panel.thicknessMm(), unit),
        x(corner) + 6,
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
    label(thing.words(), x, y + 1, "plan-note");
  }

  private Polygon polygon(List<Point> ring) {
    Polygon shape = new Polygon();
    ring.forEach(p -> shape.getPoints().addAll(x(p), y(p)));
    return shape;
  }

  private void opening(Unfolded net, Cutout opening) {
    Face face = opening.face();
    Polygon shape = new Polygon();
    Piece.Hole hole =
        new Piece.Hole("", opening.hole(), Placement.at(opening.at().xMm(), opening.at().yMm()));
    List<Point> ring = new ArrayList<>(hole.ring());
    ring.stream().map(p -> net.at(face, p)).forEach(p -> shape.getPoints().addAll(x(p), y(p)));
    boolean now = selected.filter(opening.name()::equals).isPresent();
    shape.getStyleClass().addAll("case-opening", now ? "chosen" : "other", severity(opening));
    getChildren().add(shape);
    Point at = net.at(face, opening.at());
    if (now) {
      measures(net, opening, at);
    }
    double below = Math.max(opening.hole().widthMm(), opening.hole().heightMm()) / 2 * scale;
    label(opening.name(), x(at), y(at) + below + 2, now ? "case-name-chosen" : "case-name")
        .setUserData(opening.name());
  }

  private String severity(Cutout opening) {
    return findings.stream()
        .filter(f -> f.named().contains("opening " + opening.name()))
        .map(f -> f.severity() == Severity.STOP ? "stop" : "look")
        .min((a, b) -> a.equals("stop") ? -1 : 1)
        .orElse("sound");
  }

  /** From the edge that it is measured from, and down from the panel. */
  private void measures(Unfolded net, Cutout opening, Point at) {
    Face face = opening.face();
    Point side = net.at(face, new Point(0, opening.at().yMm()));
    Point top = net.at(face, new Point(opening.at().xMm(), 0));
    line(side, at);
    line(top, at);
    label(
        Length.number(opening.at().xMm(), unit),
        (x(side) + x(at)) / 2,
        (y(side) + y(at)) / 2 - 16,
        "case-measure");
    label(
        Length.number(opening.at().yMm(), unit),
        (x(top) + x(at)) / 2 + 4,
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
