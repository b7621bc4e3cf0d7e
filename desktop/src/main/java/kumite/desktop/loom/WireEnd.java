package kumite.desktop.loom;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import kumite.build.Control;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.measure.Shape;
import kumite.name.Joint;
import kumite.verdict.Bench;

/** Where one end of a wire lands: the board with its terminal, or the part with its tab. */
final class WireEnd extends Pane {
  private static final double PAD_PX = 16;
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
                part(bench.catalogue().kindOf(control.get()), end.tab());
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

  /** The part from below, as it is seen with the iron in hand, its tab named. */
  private void part(ControlKind kind, String tab) {
    double scale =
        Math.min(
            (getWidth() - 2 * PAD_PX) / kind.body().widthMm(),
            (getHeight() - 3 * PAD_PX) / kind.body().heightMm());
    if (scale <= 0) {
      return;
    }
    double cx = getWidth() / 2;
    double cy = getHeight() / 2 - PAD_PX / 2;
    outline(kind.body(), cx, cy, scale, "wire-outline");
    outline(kind.cutout(), cx, cy, scale, "wire-dot-line");
    Circle here = new Circle(cx, cy, 6);
    here.getStyleClass().add("wire-here");
    getChildren().add(here);
    String place =
        kind.contacts().stream()
            .filter(c -> tab.equals(c.tab()) || tab.startsWith(c.name() + "."))
            .map(kumite.kind.ContactKind::place)
            .filter(text -> !text.isEmpty())
            .findFirst()
            .map(text -> ", " + text)
            .orElse("");
    word("tab " + tab + place, cx, cy + kind.body().heightMm() * scale / 2 + 12, true);
  }

  private void outline(Shape shape, double cx, double cy, double scale, String style) {
    javafx.scene.shape.Shape drawn =
        shape instanceof Shape.Round round
            ? new Circle(cx, cy, round.diameterMm() * scale / 2)
            : new Rectangle(
                cx - shape.widthMm() * scale / 2,
                cy - shape.heightMm() * scale / 2,
                shape.widthMm() * scale,
                shape.heightMm() * scale);
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
