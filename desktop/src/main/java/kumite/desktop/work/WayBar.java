package kumite.desktop.work;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Em;
import kumite.plan.Hours;
import kumite.plan.LongestWay;
import kumite.plan.Plan;
import kumite.plan.Step;
import kumite.plan.Sub;

/** What decides when all is done: one stretch after another, waits between them. */
final class WayBar extends VBox {
  private static final double LEAST_PX = 72;
  private static final double ALL_PX = 600;

  private final Label title = new Label();
  private final FlowPane bar = new FlowPane();

  /** Steps of one sub-assembly that follow each other on the way. */
  private record Stretch(Sub sub, List<Step> steps) {
    double minutes() {
      return steps.stream().mapToDouble(Step::minutes).sum();
    }

    boolean noReturn() {
      return steps.stream().anyMatch(Step::noReturn);
    }

    int waits() {
      return steps.get(steps.size() - 1).waitMinutes();
    }
  }

  WayBar() {
    getStyleClass().addAll("sheet", "way-card");
    title.getStyleClass().add("note");
    bar.getStyleClass().add("way-bar");
    getChildren().addAll(title, bar);
  }

  void show(Plan plan) {
    LongestWay way = plan.longest();
    title.setText(
        "The longest way: "
            + Hours.words(way.minutes())
            + " if many hands help; what stands on it holds up all else");
    bar.getChildren().clear();
    List<Stretch> stretches = stretches(way.steps());
    for (Stretch stretch : stretches) {
      double share = (stretch.minutes() + 1) / Math.max(1, way.minutes());
      bar.getChildren().add(block(stretch, share));
      if (stretch.waits() > 0) {
        Label wait = new Label("wait " + Hours.words(stretch.waits()));
        wait.getStyleClass().addAll("way-block", "way-wait");
        wait.setMinWidth(Region.USE_PREF_SIZE);
        wait.setTooltip(new Tooltip("What comes next has to wait so long"));
        bar.getChildren().add(wait);
      }
    }
  }

  private static Label block(Stretch stretch, double share) {
    Label block = new Label(stretch.sub().title() + (stretch.noReturn() ? " ▾" : ""));
    block.getStyleClass().add("way-block");
    if (stretch.noReturn()) {
      block.getStyleClass().add("way-no-return");
    }
    Em.pref(block, Math.max(LEAST_PX, share * ALL_PX));
    Em.min(block, LEAST_PX);
    String steps = String.join("\n", stretch.steps().stream().map(s -> "· " + s.what()).toList());
    block.setTooltip(
        new Tooltip(
            Hours.words(stretch.minutes())
                + (stretch.noReturn() ? ", with a step of no return\n" : "\n")
                + steps));
    return block;
  }

  private static List<Stretch> stretches(List<Step> steps) {
    List<Stretch> all = new ArrayList<>();
    List<Step> run = new ArrayList<>();
    for (Step step : steps) {
      boolean breaks =
          !run.isEmpty()
              && (run.get(0).act().sub() != step.act().sub()
                  || run.get(run.size() - 1).waitMinutes() > 0);
      if (breaks) {
        all.add(new Stretch(run.get(0).act().sub(), List.copyOf(run)));
        run.clear();
      }
      run.add(step);
    }
    if (!run.isEmpty()) {
      all.add(new Stretch(run.get(0).act().sub(), List.copyOf(run)));
    }
    return all;
  }
}
