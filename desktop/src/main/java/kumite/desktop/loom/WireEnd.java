package kumite.desktop.loom;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.Control;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.Looks;
import kumite.kind.TabSpot;
import kumite.kind.Terminal;
import kumite.loom.Spots;
import kumite.loom.Strand;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.Joint;
import kumite.verdict.Bench;

/** Where one end of a wire lands: the board with its terminal, or the part with its tab. */
final class WireEnd extends Pane {
  private static final double PAD_PX = 16;
  private static final double STUB_PX = 9;

  private Optional<Runnable> draw = Optional.empty();

  WireEnd() {
    setMinSize(160, 120);
    getStyleClass().add("wire-picture");
    widthProperty().addListener((o, was, is) -> draw.ifPresent(Runnable::run));
    heightProperty().addListener((o, was, is) -> draw.ifPresent(Runnable::run));
  }

  void show(Bench bench, Strand.End end) {
    boolean board = end.place().part().equals(Joint.BOARD);
    Optional<BoardKind> kind = bench.board();
    Optional<Control> control =
        bench.build().labelled().stream()
            .filter(c -> c.id().text().equals(end.place().part()))
            .findFirst();
    draw =
        Optional.of(
            () -> {
              getChildren().clear();
              if (board && kind.isPresent()) {
                board(kind.get(), end.tab());
              } else if (control.isPresent()) {
                part(control.get(), bench.catalogue().kindOf(control.get()), end.place());
              } else {
                word(end.words(), getWidth() / 2, getHeight() / 2, true);
              }
            });
    draw.get().run();
    setAccessibleText(end.words());
  }

  /** The board from above, plug at the top, its terminal marked and named. */
  private void board(BoardKind kind, String terminal) {
    double scale =
        Math.min((getWidth() - 140) / kind.widthMm(), (getHeight() - 2 * PAD_PX) / kind.heightMm());
    if (scale <= 0) {
      return;
    }
    double cx = getWidth() / 2;
    double cy = getHeight() / 2;
    Rectangle edge =
        new Rectangle(
            cx - kind.widthMm() * scale / 2,
            cy - kind.heightMm() * scale / 2,
            kind.widthMm() * scale,
            kind.heightMm() * scale);
    edge.getStyleClass().add("wire-outline");
    getChildren().add(edge);
    for (Terminal each : kind.terminals()) {
      double x = cx + each.at().xMm() * scale;
      double y = cy - each.at().yMm() * scale;
      boolean here = each.name().equals(terminal);
      Circle dot = new Circle(x, y, here ? 6 : Math.max(1.5, scale * 0.5));
      dot.getStyleClass().add(here ? "wire-here" : "wire-dot");
      getChildren().add(dot);
      if (here) {
        boolean left = each.side() == Terminal.Side.LEFT;
        word(each.name(), left ? x - 40 : x + 40, y, true);
      }
    }
    word("plug", cx, cy - kind.heightMm() * scale / 2 - 8, false);
  }

  /** The part from below as it sits in the turned-over panel, all its tabs, this one marked. */
  private void part(Control control, ControlKind kind, Joint joint) {
    double turn = control.placement().turnDegrees();
    double angle = Math.toRadians(turn);
    double wide = kind.body().widthMm();
    double high = kind.body().heightMm();
    double across = Math.abs(wide * Math.cos(angle)) + Math.abs(high * Math.sin(angle));
    double along = Math.abs(wide * Math.sin(angle)) + Math.abs(high * Math.cos(angle));
    double scale = Math.min((getWidth() - 2 * PAD_PX) / across, (getHeight() - 3 * PAD_PX) / along);
    if (scale <= 0) {
      return;
    }
    double cx = getWidth() / 2;
    double cy = getHeight() / 2 - PAD_PX / 2;
    outline(kind.body(), cx, cy, scale, turn, "wire-outline");
    outline(kind.cutout(), cx, cy, scale, turn, "wire-dot-line");
    for (TabSpot spot : kind.tabs().spots()) {
      Point at = spot.at().turned(turn);
      boolean here = spot.tab().equals(joint.tab());
      double x = cx - at.xMm() * scale;
      double y = cy - at.yMm() * scale;
      Point out = spot.looks().turned(turn).step();
      if (spot.looks() != Looks.DOWN) {
        Line stub = new Line(x, y, x - out.xMm() * STUB_PX, y - out.yMm() * STUB_PX);
        stub.getStyleClass().add("wire-outline");
        getChildren().add(stub);
      }
      Circle dot = new Circle(x, y, here ? 6 : 3);
      dot.getStyleClass().add(here ? "wire-here" : "wire-dot");
      getChildren().add(dot);
    }
    String seat = Spots.fromBelow(control, kind, joint);
    word(
        "tab " + joint.tab() + (seat.isEmpty() ? "" : ", from below: " + seat),
        cx,
        cy + along * scale / 2 + 12,
        true);
  }

  /** Seen from below a part is turned the other way about. */
  private void outline(Shape shape, double cx, double cy, double scale, double turn, String style) {
    javafx.scene.shape.Shape drawn =
        shape instanceof Shape.Round round
            ? new Circle(cx, cy, round.diameterMm() * scale / 2)
            : new Rectangle(
                cx - shape.widthMm() * scale / 2,
                cy - shape.heightMm() * scale / 2,
                shape.widthMm() * scale,
                shape.heightMm() * scale);
    drawn.setRotate(turn);
    drawn.getStyleClass().add(style);
    getChildren().add(drawn);
  }

  private void word(String text, double x, double y, boolean strong) {
    Label label = new Label(text);
    label.getStyleClass().add(strong ? "wire-word" : "note");
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    label.relocate(Math.round(x - label.getWidth() / 2), Math.round(y - label.getHeight() / 2));
  }
}
