package kumite.desktop.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import kumite.build.Control;
import kumite.build.bringup.Ask;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.verdict.Bench;
import kumite.wiring.Lay;

/** Where the probes go, seen from the face: red and black on the panel, what is held filled. */
final class ProbePicture extends Pane {
  private static final double WIDE_PX = 250;
  private static final double HIGH_PX = 160;

  private final double scale;
  private final double high;
  private final Bench bench;

  private ProbePicture(Bench bench, Ask ask) {
    this.bench = bench;
    double wide = bench.build().panel().widthMm();
    double tall = bench.build().panel().heightMm();
    scale = Math.min(WIDE_PX / wide, HIGH_PX / tall);
    high = tall * scale;
    setId("probe-picture");
    setMinSize(wide * scale + 2, high + 2);
    setMaxSize(wide * scale + 2, high + 2);
    getChildren().add(styled(new Rectangle(wide * scale, high), "step-panel"));
    Set<String> held = new TreeSet<>();
    ask.held().contacts().forEach(c -> held.add(c.control().text()));
    for (Control control : bench.build().onPanel()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      boolean meant = held.contains(control.id().text());
      getChildren().add(styled(part(control, kind), meant ? "step-meant" : "step-other"));
    }
    board();
    if (ask instanceof Ask.Probe probe) {
      Optional<Lay> lay = bench.lay();
      probe(probe.black(), lay, "probe-black", "black", -1);
      probe(probe.red(), lay, "probe-red", "red", 1);
    }
  }

  /** {@return the picture of a question that is about places or contacts of the panel} */
  static Optional<ProbePicture> of(Bench bench, Ask ask) {
    boolean some = ask instanceof Ask.Probe || !ask.held().none();
    return some ? Optional.of(new ProbePicture(bench, ask)) : Optional.empty();
  }

  private void board() {
    Optional<BoardKind> kind = bench.board();
    bench
        .build()
        .board()
        .ifPresent(
            choice -> {
              double wide = kind.map(BoardKind::widthMm).orElse(24.0);
              double tall = kind.map(BoardKind::heightMm).orElse(24.0);
              Point at = choice.placement().centre();
              Rectangle there =
                  new Rectangle(
                      (at.xMm() - wide / 2) * scale,
                      high - (at.yMm() + tall / 2) * scale,
                      wide * scale,
                      tall * scale);
              there.setRotate(-choice.placement().turnDegrees());
              getChildren().add(styled(there, "step-other"));
            });
  }

  private Shape part(Control control, ControlKind kind) {
    double x = control.placement().xMm() * scale;
    double y = high - control.placement().yMm() * scale;
    if (kind.face() instanceof kumite.measure.Shape.Round round) {
      return new Circle(x, y, Math.max(2, round.diameterMm() / 2 * scale));
    }
    double wide = Math.max(2, kind.face().widthMm() * scale);
    double tall = Math.max(2, kind.face().heightMm() * scale);
    Rectangle there = new Rectangle(x - wide / 2, y - tall / 2, wide, tall);
    there.setRotate(-control.placement().turnDegrees());
    return there;
  }

  /** A probe as a tip on its place, with the word beside it. */
  private void probe(Joint place, Optional<Lay> lay, String style, String word, int side) {
    Optional<Point> at = at(place, lay);
    if (at.isEmpty()) {
      return;
    }
    double x = at.get().xMm() * scale;
    double y = high - at.get().yMm() * scale;
    double away = 26 * side;
    double tipX = x + away;
    double tipY = y - 22 < 4 ? y + 22 : y - 22;
    Line lead = new Line(x, y, tipX, tipY);
    Polygon head =
        new Polygon(
            x, y, x + 5 * side, y + (tipY < y ? -10 : 10), x + 10 * side, y + (tipY < y ? -5 : 5));
    Text name = new Text(word);
    name.getStyleClass().add("probe-word");
    name.setX(side > 0 ? Math.min(tipX + 2, getMinWidth() - 26) : Math.max(2, tipX - 30));
    name.setY(Math.max(11, Math.min(high - 3, tipY)));
    getChildren().addAll(styled(lead, style), styled(head, style), name);
  }

  private Optional<Point> at(Joint place, Optional<Lay> lay) {
    Optional<Point> ofWire = lay.flatMap(l -> l.place(place));
    if (ofWire.isPresent()) {
      return ofWire;
    }
    List<Point> found = new ArrayList<>();
    bench.build().flat().controls().stream()
        .filter(c -> c.id().text().equals(place.part()))
        .map(c -> c.placement().centre())
        .forEach(found::add);
    if (place.part().equals(Joint.BOARD)) {
      bench.build().board().map(choice -> choice.placement().centre()).ifPresent(found::add);
    }
    return found.stream().findFirst();
  }

  private static Shape styled(Shape shape, String style) {
    shape.getStyleClass().add(style);
    return shape;
  }
}
