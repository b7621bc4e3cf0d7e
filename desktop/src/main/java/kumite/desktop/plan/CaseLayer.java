package kumite.desktop.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import kumite.build.Seat;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.panel.Captions;
import kumite.panel.Rounding;
import kumite.verdict.Bench;

/** What lies under the controls on the plan: the panel, the walls, the blocks and the board. */
public final class CaseLayer extends Group {
  private final Polygon outline = new Polygon();
  private final Polygon wall = new Polygon();
  private final Label wallLabel = note("inside of the case wall");
  private final Group blocks = new Group();
  private final Map<Label, Captions.Box> outside = new LinkedHashMap<>();
  private final Group board = new Group();
  private final Group others = new Group();
  private final Rectangle boardBox = new Rectangle();
  private final Label boardLabel = note("board");

  /** An empty one. */
  public CaseLayer() {
    outline.getStyleClass().add("panel-outline");
    wall.getStyleClass().add("case-wall");
    boardBox.getStyleClass().add("board-below");
    boardBox.setId("board-below");
    wall.setMouseTransparent(true);
    blocks.setMouseTransparent(true);
    getChildren().addAll(outline, wall, blocks, others, board, boardLabel, wallLabel);
  }

  private static Label note(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("plan-note");
    label.setMouseTransparent(true);
    return label;
  }

  /** Leaves out the word on the board, for a view that shows what is on it. */
  public void withoutBoardName() {
    boardLabel.setText("");
  }

  /** {@return whether a picked node is the board} */
  public boolean isBoard(javafx.scene.Node node) {
    return node == boardBox;
  }

  /** Draws the case of a build. */
  public void show(Scale scale, Bench bench) {
    Panel panel = bench.build().panel();
    fill(outline, Rounding.points(panel, 3), scale);
    List<Point> inner = Rounding.insideOfWall(panel);
    boolean walls = panel.inside().wallMm() > 0 && !inner.isEmpty();
    wall.setVisible(walls);
    wallLabel.setVisible(walls);
    fill(wall, inner, scale);
    wallLabel.applyCss();
    wallLabel.autosize();
    double in = panel.inside().wallMm();
    double right = Math.max(scale.x(in), scale.x(panel.widthMm() - in));
    wallLabel.relocate(right - wallLabel.getWidth() - 6, scale.y(in) - 18);
    blocks(scale, panel.inside().blocks());
    board(scale, bench);
    others(scale, bench);
  }

  /** The boards of other seats, as outlines alone. */
  private void others(Scale scale, Bench bench) {
    others.getChildren().clear();
    for (Seat seat : bench.build().seats()) {
      Optional<BoardKind> kind =
          seat.board().flatMap(choice -> bench.catalogue().board(choice.kind()));
      if (kind.isEmpty() || seat.id().equals(bench.build().seat().id())) {
        continue;
      }
      Placement at = seat.board().orElseThrow().placement();
      Rectangle box = box(scale, at.centre(), kind.get().widthMm(), kind.get().heightMm());
      box.setRotate(scale.turned() ? at.turnDegrees() : -at.turnDegrees());
      box.getStyleClass().add("board-plug-room");
      Label name = note("board of " + seat.id());
      others.getChildren().addAll(box, name);
      name.applyCss();
      name.autosize();
      name.relocate(
          Math.round(scale.x(at.xMm()) - name.getWidth() / 2),
          Math.round(box.getY() + box.getHeight() + 2));
    }
    others.setMouseTransparent(true);
  }

  private static void fill(Polygon polygon, List<Point> ring, Scale scale) {
    Double[] points = new Double[ring.size() * 2];
    for (int i = 0; i < ring.size(); i++) {
      points[2 * i] = scale.x(ring.get(i).xMm());
      points[2 * i + 1] = scale.y(ring.get(i).yMm());
    }
    polygon.getPoints().setAll(points);
  }

  private void blocks(Scale scale, List<Block> all) {
    blocks.getChildren().clear();
    outside.clear();
    for (Block block : all) {
      Rectangle box = box(scale, block.centre(), block.widthMm(), block.heightMm());
      box.getStyleClass().add("block");
      Label name = note(block.title());
      blocks.getChildren().addAll(box, name);
      name.applyCss();
      name.autosize();
      double x = scale.x(block.centre().xMm());
      double y = scale.y(block.centre().yMm());
      name.relocate(x - name.getWidth() / 2, y - name.getHeight() / 2);
      if (name.getWidth() > box.getWidth()) {
        outside.put(name, Captions.Box.about(x, y, box.getWidth(), box.getHeight()));
      }
    }
  }

  private static Rectangle box(Scale scale, Point centre, double widthMm, double heightMm) {
    double w = widthMm * scale.pxPerMm();
    double h = heightMm * scale.pxPerMm();
    return new Rectangle(scale.x(centre.xMm()) - w / 2, scale.y(centre.yMm()) - h / 2, w, h);
  }

  private void board(Scale scale, Bench bench) {
    Optional<BoardKind> kind = bench.board();
    board.getChildren().clear();
    boardLabel.setVisible(kind.isPresent());
    if (kind.isEmpty()) {
      return;
    }
    BoardKind.Seating seating = kind.get().seating();
    Placement at = bench.build().board().orElseThrow().placement();
    Point centre = at.centre();
    Rectangle to = box(scale, centre, kind.get().widthMm(), kind.get().heightMm());
    boardBox.setX(to.getX());
    boardBox.setY(to.getY());
    boardBox.setWidth(to.getWidth());
    boardBox.setHeight(to.getHeight());
    double turn = scale.turned() ? at.turnDegrees() : -at.turnDegrees();
    boardBox.setRotate(turn);
    board.getChildren().add(boardBox);
    if (seating.plugReachMm() > 0) {
      Point middle = at.place(new Point(0, kind.get().heightMm() / 2 + seating.plugReachMm() / 2));
      Rectangle plug = box(scale, middle, seating.plugWidthMm(), seating.plugReachMm());
      plug.setRotate(turn);
      plug.getStyleClass().add("board-plug-room");
      addQuiet(plug);
    }
    for (Point standoff : seating.standoffs()) {
      Point p = at.place(standoff);
      Circle hole =
          new Circle(
              scale.x(p.xMm()),
              scale.y(p.yMm()),
              Math.max(1, seating.standoffHoleMm() / 2 * scale.pxPerMm()));
      hole.getStyleClass().add("board-plug-room");
      addQuiet(hole);
    }
    boardLabel.applyCss();
    boardLabel.autosize();
    boardLabel.relocate(
        Math.round(scale.x(at.xMm()) - boardLabel.getWidth() / 2),
        Math.round(scale.y(at.yMm()) - boardLabel.getHeight() / 2));
  }

  private void addQuiet(Shape shape) {
    shape.setMouseTransparent(true);
    board.getChildren().add(shape);
  }

  /** {@return names that do not fit into what they name, with where that is} */
  public Map<Label, Captions.Box> outside() {
    return outside;
  }

  /** {@return the words written on it} */
  public java.util.List<javafx.scene.Node> words() {
    java.util.List<javafx.scene.Node> words = new java.util.ArrayList<>();
    words.add(wallLabel);
    words.add(boardLabel);
    blocks.getChildren().stream()
        .filter(Label.class::isInstance)
        .filter(word -> !outside.containsKey(word))
        .forEach(words::add);
    return words;
  }
}
