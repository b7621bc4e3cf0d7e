package kumite.desktop.box;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.box.BoxPicture;
import kumite.box.BoxPlan;
import kumite.box.Piece;
import kumite.parts.Catalogue;

/** The case as a solid that turns, opens its lid and leaves faces out. */
final class SolidView extends VBox {
  private static final double MARGIN_PX = 16;
  private static final double DEGREES_PER_PX = 0.5;
  private static final double MOST_TILT = 89;

  private final Pane picture = new Pane();
  private final Slider lid = new Slider(0, 110, BoxPicture.Look.USUAL.lidDegrees());
  private final Slider apart = new Slider(0, 120, 0);
  private final Label lidWords = new Label("Lid");
  private final CheckBox inside = new CheckBox("inside");
  private final FlowPane faces = new FlowPane();
  private final Set<String> hidden = new HashSet<>();
  private Optional<BoxPlan> plan = Optional.empty();
  private Optional<Catalogue> catalogue = Optional.empty();
  private double turn = BoxPicture.Look.USUAL.turnDegrees();
  private double tilt = BoxPicture.Look.USUAL.tiltDegrees();
  private double fromX;
  private double fromY;

  SolidView() {
    setId("case-solid");
    getStyleClass().add("sheet");
    picture.setId("case-picture");
    picture.setMinSize(160, 160);
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(picture.widthProperty());
    clip.heightProperty().bind(picture.heightProperty());
    picture.setClip(clip);
    VBox.setVgrow(picture, Priority.ALWAYS);
    lid.setId("case-lid");
    lid.setAccessibleText("how far the lid is open");
    apart.setId("case-apart");
    apart.setAccessibleText("how far the pieces are drawn apart");
    inside.setSelected(true);
    inside.setId("case-inside");
    inside.setMinWidth(Region.USE_PREF_SIZE);
    picture.setAccessibleText("the case as a solid; drag it to turn it");
    HBox.setHgrow(lid, Priority.ALWAYS);
    HBox.setHgrow(apart, Priority.ALWAYS);
    Label apartWords = new Label("Apart");
    lidWords.setMinWidth(Region.USE_PREF_SIZE);
    apartWords.setMinWidth(Region.USE_PREF_SIZE);
    HBox row = new HBox(lidWords, lid, apartWords, apart, inside);
    row.setSpacing(8);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("case-bar");
    faces.getStyleClass().add("case-bar");
    faces.setHgap(10);
    faces.setVgap(4);
    Label drag = new Label("Drag the picture to turn it. Shown:");
    drag.getStyleClass().add("note");
    VBox foot = new VBox(drag, faces);
    drag.getStyleClass().add("case-bar");
    getChildren().addAll(row, picture, foot);
    lid.valueProperty().addListener((o, was, is) -> draw());
    apart.valueProperty().addListener((o, was, is) -> draw());
    inside.selectedProperty().addListener((o, was, is) -> draw());
    picture.widthProperty().addListener((o, was, is) -> draw());
    picture.heightProperty().addListener((o, was, is) -> draw());
    picture.setOnMousePressed(
        event -> {
          fromX = event.getX();
          fromY = event.getY();
        });
    picture.setOnMouseDragged(
        event -> {
          turn += (event.getX() - fromX) * DEGREES_PER_PX;
          tilt =
              Math.max(
                  -MOST_TILT, Math.min(MOST_TILT, tilt + (event.getY() - fromY) * DEGREES_PER_PX));
          fromX = event.getX();
          fromY = event.getY();
          draw();
        });
  }

  void show(BoxPlan next, Catalogue kinds) {
    plan = Optional.of(next);
    catalogue = Optional.of(kinds);
    Set<String> ids = new LinkedHashSet<>();
    next.pieces().stream().filter(p -> p.part() != Piece.Part.BLOCK).forEach(p -> ids.add(p.id()));
    boolean same =
        faces.getChildren().stream()
            .map(n -> ((CheckBox) n).getText())
            .toList()
            .equals(ids.stream().toList());
    if (!same) {
      faces.getChildren().clear();
      hidden.retainAll(ids);
      for (String id : ids) {
        CheckBox box = new CheckBox(id);
        box.setId("case-show-" + id);
        box.setSelected(!hidden.contains(id));
        box.selectedProperty()
            .addListener(
                (o, was, is) -> {
                  if (is) {
                    hidden.remove(id);
                  } else {
                    hidden.add(id);
                  }
                  draw();
                });
        faces.getChildren().add(box);
      }
    }
    draw();
  }

  private void draw() {
    picture.getChildren().clear();
    if (plan.isEmpty() || picture.getWidth() < 40 || picture.getHeight() < 40) {
      return;
    }
    lidWords.setText(String.format(java.util.Locale.ROOT, "Lid %.0f°", lid.getValue()));
    BoxPicture seen =
        BoxPicture.of(
            plan.get(),
            catalogue.orElseThrow(),
            new BoxPicture.Look(
                turn, tilt, lid.getValue(), apart.getValue(), hidden, inside.isSelected()));
    BoxPicture.Bounds box = seen.bounds();
    double scale = box.fit(picture.getWidth() - 2 * MARGIN_PX, picture.getHeight() - 2 * MARGIN_PX);
    double x = (picture.getWidth() - (box.rightMm() + box.leftMm()) * scale) / 2;
    double y = (picture.getHeight() - (box.bottomMm() + box.topMm()) * scale) / 2;
    for (BoxPicture.Seen face : seen.faces()) {
      Polygon shape = new Polygon();
      face.corners()
          .forEach(p -> shape.getPoints().addAll(x + p.xMm() * scale, y + p.yMm() * scale));
      shape.setFill(fill(face));
      shape.getStyleClass().add("case-edge");
      shape.setAccessibleText(face.id());
      shape.setMouseTransparent(true);
      picture.getChildren().add(shape);
    }
  }

  private static Color fill(BoxPicture.Seen face) {
    double light = 0.72 + 0.28 * face.light();
    Color base =
        switch (face.kind()) {
          case PANEL -> Color.web("#fdfaf0");
          case WALL -> Color.web("#f2edd9");
          case HOLE -> Color.web("#5d656d");
          case BODY -> Color.web("#cfd6df");
        };
    return face.kind() == BoxPicture.Kind.HOLE
        ? base
        : Color.color(base.getRed() * light, base.getGreen() * light, base.getBlue() * light);
  }
}
