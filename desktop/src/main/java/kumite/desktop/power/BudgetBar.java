package kumite.desktop.power;

import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.circuit.Budget;
import kumite.working.Working;

/** What is taken from the port, usual and at worst, against what it gives. */
final class BudgetBar extends Pane {
  private static final double HEIGHT = 18;
  private static final double TOP = 22;

  private Budget budget;
  private double drawn = -1;

  /** Between two words. */
  private static final double BETWEEN = 22;

  BudgetBar() {
    getStyleClass().add("budget-bar");
    setMinHeight(TOP + HEIGHT + 28);
    setPrefHeight(TOP + HEIGHT + 28);
  }

  void show(Budget newBudget) {
    budget = newBudget;
    drawn = -1;
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    if (budget != null && drawn != getWidth()) {
      drawn = getWidth();
      draw();
    }
    super.layoutChildren();
  }

  private void draw() {
    getChildren().clear();
    double full = Math.max(Math.max(budget.limitMilliamps(), budget.worstMilliamps()), 1);
    double width = Math.max(10, getWidth() - 4);
    bar(width, "budget-track");
    bar(width * budget.worstMilliamps() / full, "budget-worst");
    bar(width * budget.usualMilliamps() / full, "budget-usual");
    if (budget.beforeMilliamps() > 0) {
      double x = width * budget.beforeMilliamps() / full;
      Line before = new Line(x, TOP - 4, x, TOP + HEIGHT + 4);
      before.getStyleClass().add("budget-before");
      getChildren().add(before);
      label(Working.number(budget.beforeMilliamps(), 0) + " before set-up", x + 4, 2, "look-text");
    }
    String usual = "usual " + Budget.words(budget.usualMilliamps());
    String worst = "worst " + Budget.words(budget.worstMilliamps());
    double after = label(usual, 0, TOP + HEIGHT + 4, "mono");
    after = label(worst, after, TOP + HEIGHT + 4, "mono");
    if (budget.limitMilliamps() > 0) {
      label(
          "rated " + Working.number(budget.limitMilliamps(), 0) + " mA",
          after,
          TOP + HEIGHT + 4,
          "mono");
    }
    setAccessibleText(usual + ", " + worst);
  }

  private void bar(double width, String style) {
    Rectangle bar = new Rectangle(0, TOP, Math.max(1, width), HEIGHT);
    bar.getStyleClass().add(style);
    getChildren().add(bar);
  }

  /** {@return where the next word may begin} */
  private double label(String text, double x, double y, String style) {
    Label label = new Label(text);
    label.getStyleClass().addAll(style, "budget-label");
    label.relocate(x, y);
    getChildren().add(label);
    label.applyCss();
    label.autosize();
    return x + label.getWidth() + BETWEEN;
  }
}
