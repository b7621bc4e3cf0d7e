package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Panel;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.panel.Gaps;
import kumite.panel.Section;
import kumite.verdict.Bench;

/** A cut through panel and case along a line, to scale. */
final class SectionView extends Pane {
  private static final double MARGIN_PX = 46;

  private final List<double[]> labelBoxes = new ArrayList<>();
  private double scale = 1;
  private double leftPx;
  private double facePx;

  SectionView() {
    getStyleClass().add("plan-view");
    setMinSize(200, 120);
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
  }

  void show(Bench bench, Section.Line line) {
    getChildren().clear();
    labelBoxes.clear();
    if (getWidth() < 50 || getHeight() < 50) {
      return;
    }
    Section cut = Section.of(bench.build(), bench.catalogue(), line);
    Panel panel = bench.build().panel();
    LengthUnit unit = bench.build().brief().units();
    double length = line.alongX() ? panel.widthMm() : panel.heightMm();
    double top = 4;
    for (Section.Piece piece : cut.pieces()) {
      top = Math.max(top, piece.topMm());
    }
    double floor = Math.min(cut.floorFromMm(), cut.floorToMm());
    scale =
        Math.min(
            (getWidth() - 2 * MARGIN_PX - 60) / length,
            (getHeight() - 2 * MARGIN_PX) / (top - floor));
    leftPx = (getWidth() - length * scale) / 2;
    facePx = MARGIN_PX + top * scale + (getHeight() - 2 * MARGIN_PX - (top - floor) * scale) / 2;
    for (Section.Role role : Section.Role.values()) {
      for (Section.Piece piece : cut.pieces()) {
        if (piece.role() == role) {
          piece(piece);
        }
      }
    }
    Line ground = new Line(x(0), y(cut.floorFromMm()), x(length), y(cut.floorToMm()));
    ground.getStyleClass().add("section-floor");
    getChildren().add(ground);
    for (Section.Piece piece : cut.pieces()) {
      if (piece.role() == Section.Role.BODY) {
        body(piece, cut, length, unit);
      } else if (piece.role() == Section.Role.BOARD || piece.role() == Section.Role.BLOCK) {
        label(piece.label(), x((piece.fromMm() + piece.toMm()) / 2), y(piece.topMm()) - 9, true);
      }
    }
    depths(panel.inside(), cut, length, unit);
    label(line.alongX() ? "left" : "front", x(0), facePx - top * scale - 14, true);
    label(line.alongX() ? "right" : "back", x(length), facePx - top * scale - 14, true);
  }

  private void piece(Section.Piece piece) {
    Rectangle box =
        new Rectangle(
            x(piece.fromMm()),
            y(piece.topMm()),
            Math.max(1, (piece.toMm() - piece.fromMm()) * scale),
            Math.max(1, (piece.topMm() - piece.bottomMm()) * scale));
    box.getStyleClass().add("section-" + piece.role().name().toLowerCase(java.util.Locale.ROOT));
    getChildren().add(box);
  }

  /** A body with its name, and how much is left below it. */
  private void body(Section.Piece piece, Section cut, double length, LengthUnit unit) {
    double middle = (piece.fromMm() + piece.toMm()) / 2;
    double floor = cut.floorFromMm() + (cut.floorToMm() - cut.floorFromMm()) * middle / length;
    double left = piece.bottomMm() - floor;
    Line gap = new Line(x(middle), y(piece.bottomMm()), x(middle), y(floor));
    gap.getStyleClass()
        .addAll("gap-line", left < 0 ? "stop" : left < Gaps.BEND_MM ? "look" : "fine");
    getChildren().add(gap);
    label(piece.label(), x(middle), y(piece.topMm()) + 12, false);
    label(Length.number(left, unit), x(middle), y((piece.bottomMm() + floor) / 2), true);
  }

  private void depths(CaseInside inside, Section cut, double length, LengthUnit unit) {
    double under = 0;
    for (Section.Piece piece : cut.pieces()) {
      if (piece.role() == Section.Role.PANEL) {
        under = piece.bottomMm();
      }
    }
    label(
        Length.text(under - cut.floorFromMm(), unit),
        x(0) - 34,
        y((under + cut.floorFromMm()) / 2),
        true);
    if (Math.abs(cut.floorFromMm() - cut.floorToMm()) > 0.05) {
      label(
          Length.text(under - cut.floorToMm(), unit),
          x(length) + 34,
          y((under + cut.floorToMm()) / 2),
          true);
    }
  }

  /** Labels that would lie on each other are set lower until they do not. */
  private void label(String text, double x, double y, boolean mono) {
    Label label = new Label(text);
    label.getStyleClass().addAll(mono ? "mono" : "section-name", "section-label");
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    double left =
        Math.max(2, Math.min(getWidth() - label.getWidth() - 2, x - label.getWidth() / 2));
    double top = y - label.getHeight() / 2;
    for (int tries = 0; tries < 8; tries++) {
      boolean free = true;
      for (double[] box : labelBoxes) {
        free &=
            left + label.getWidth() < box[0]
                || left > box[2]
                || top + label.getHeight() < box[1]
                || top > box[3];
      }
      if (free) {
        break;
      }
      top += label.getHeight() + 1;
    }
    labelBoxes.add(new double[] {left, top, left + label.getWidth(), top + label.getHeight()});
    label.relocate(Math.round(left), Math.round(top));
  }

  private double x(double mm) {
    return leftPx + mm * scale;
  }

  private double y(double mm) {
    return facePx - mm * scale;
  }
}
