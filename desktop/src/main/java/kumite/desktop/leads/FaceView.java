package kumite.desktop.leads;

import java.util.List;
import java.util.Optional;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.kind.WireColour;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.Seen;
import kumite.lead.Where;
import kumite.measure.Point;

/** One face of a connector, enlarged, with its numbers and the colours that come to its pins. */
final class FaceView extends Pane {
  private final LeadDesk desk;
  private final Where where;
  private Optional<Lead> lead = Optional.empty();
  private Optional<Seen> seen = Optional.empty();

  FaceView(LeadDesk desk, Where where) {
    this.desk = desk;
    this.where = where;
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    getStyleClass().add("lead-face");
    setMinHeight(56);
    setPrefHeight(120);
    widthProperty().addListener((o, was, is) -> draw());
    heightProperty().addListener((o, was, is) -> draw());
    desk.lit().addListener((o, was, is) -> draw());
  }

  void show(Lead newLead, Seen newSeen) {
    lead = Optional.of(newLead);
    seen = Optional.of(newSeen);
    setAccessibleText(newSeen.words() + "; " + newSeen.countedFrom());
    draw();
  }

  private void draw() {
    getChildren().clear();
    if (seen.isEmpty() || getWidth() < 20) {
      return;
    }
    Seen face = seen.get();
    double wide =
        java.util.stream.Stream.concat(face.outline().stream(), face.key().stream())
            .mapToDouble(p -> Math.abs(p.xMm()))
            .max()
            .orElse(1);
    double high =
        java.util.stream.Stream.concat(face.outline().stream(), face.key().stream())
            .mapToDouble(p -> Math.abs(p.yMm()))
            .max()
            .orElse(1);
    double scale =
        Math.min(14, Math.min((getWidth() - 12) / (2 * wide), (getHeight() - 12) / (2 * high)));
    polygon(face.outline(), scale, "face-outline");
    if (!face.key().isEmpty()) {
      polygon(face.key(), scale, "face-key");
    }
    double size = Math.max(5, Math.min(26, nearest(face) * scale * 0.82));
    for (int i = 0; i < face.pins().size(); i++) {
      pin(face.pins().get(i), scale, size, i == 0);
    }
  }

  private static double nearest(Seen face) {
    double nearest = 4;
    for (ConnectorKind.Pin one : face.pins()) {
      for (ConnectorKind.Pin other : face.pins()) {
        if (one != other) {
          nearest = Math.min(nearest, one.at().distanceMm(other.at()));
        }
      }
    }
    return nearest;
  }

  private double x(Point at, double scale) {
    return getWidth() / 2 + at.xMm() * scale;
  }

  private double y(Point at, double scale) {
    return getHeight() / 2 - at.yMm() * scale;
  }

  private void polygon(List<Point> corners, double scale, String style) {
    Polygon polygon = new Polygon();
    corners.forEach(c -> polygon.getPoints().addAll(x(c, scale), y(c, scale)));
    polygon.getStyleClass().add(style);
    polygon.setManaged(false);
    getChildren().add(polygon);
  }

  private void pin(ConnectorKind.Pin pin, double scale, double size, boolean first) {
    double x = x(pin.at(), scale);
    double y = y(pin.at(), scale);
    if (first) {
      Rectangle mark = new Rectangle(x - size * 0.62, y - size * 0.62, size * 1.24, size * 1.24);
      mark.getStyleClass().add("face-first");
      mark.setManaged(false);
      getChildren().add(mark);
    }
    Optional<WireColour> colour =
        lead.flatMap(
            l ->
                l.cores().stream()
                    .filter(core -> Lead.pin(core, where).equals(pin.name()))
                    .map(Core::colour)
                    .findFirst());
    Label number = new Label(size < 11 ? "" : pin.name());
    number.getStyleClass().add("lead-pin-number");
    StackPane spot = new StackPane(number);
    spot.getStyleClass().add("face-pin");
    colour.ifPresent(
        c -> {
          spot.setStyle(
              String.format(
                  "-fx-background-color: #%06x; -fx-background-radius: 40;", c.base().rgb()));
          number.setStyle("-fx-text-fill: " + (dark(c.base().rgb()) ? "#ffffff" : "#16191d") + ";");
        });
    if (lead.filter(l -> desk.isLit(l, where, pin.name())).isPresent()) {
      spot.getStyleClass().add("lit");
    }
    spot.setManaged(false);
    spot.setMinSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    spot.resizeRelocate(x - size / 2, y - size / 2, size, size);
    spot.setAccessibleRole(AccessibleRole.BUTTON);
    spot.setAccessibleText(
        "Pin " + pin.name() + colour.map(c -> ", " + c.words()).orElse(", no core"));
    spot.setOnMouseClicked(event -> desk.toggle(where, pin.name()));
    getChildren().add(spot);
  }

  static boolean dark(int rgb) {
    double light = 0.3 * (rgb >> 16) + 0.59 * (rgb >> 8 & 0xff) + 0.11 * (rgb & 0xff);
    return light < 130;
  }
}
