package kumite.desktop.work;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.FileDesk;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.plan.Hours;
import kumite.plan.Plan;
import kumite.verdict.Bench;
import kumite.verdict.Works;

/** In which order, with what, at what cost. */
public final class PlanStation implements StationView {
  /** What is looked at. */
  private enum View {
    TODAY("Today"),
    ALL("All steps"),
    PARTS("Parts");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Segments<View> views;
  private final TodayBar today;
  private final WayBar way = new WayBar();
  private final StepList steps;
  private final PartsList parts;
  private final ScrollPane scroll = new ScrollPane();
  private View view = View.TODAY;

  PlanStation(Workbench workbench, FileDesk files) {
    this.workbench = workbench;
    root.getStyleClass().add("station-room");
    views =
        new Segments<>(
            v -> v.words,
            chosen -> {
              view = chosen;
              show(workbench.bench().get());
            },
            View.values());
    views.choose(view);
    for (int i = 0; i < View.values().length; i++) {
      String word = View.values()[i].name().toLowerCase(java.util.Locale.ROOT);
      views.getChildren().get(i).setId("plan-" + word);
    }
    head = new Head("Plan", views);
    today = new TodayBar(() -> show(workbench.bench().get()));
    steps = new StepList(workbench);
    parts = new PartsList(workbench, files);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().addAll("quiet-scroll", "sheet");
    scroll.setContent(steps);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    VBox.setVgrow(parts, Priority.ALWAYS);
    root.getChildren().addAll(head, today, way, scroll, parts);
  }

  @Override
  public Station station() {
    return Station.PLAN;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Plan plan = bench.get(Works.PLAN);
    long over = plan.steps().size() - plan.open().size();
    head.facts(
        plan.steps().size()
            + " steps · "
            + over
            + " over · "
            + Hours.words(plan.minutesLeft())
            + " left, "
            + Hours.words(plan.waitingLeft())
            + " of waiting");
    shown(today, view == View.TODAY);
    shown(way, view != View.PARTS && !plan.open().isEmpty());
    shown(scroll, view != View.PARTS);
    shown(parts, view == View.PARTS);
    if (view == View.PARTS) {
      parts.show(bench);
      return;
    }
    way.show(plan);
    steps.show(plan, view == View.TODAY ? today.chosen(plan) : java.util.Optional.empty());
  }

  private static void shown(Node node, boolean is) {
    node.setVisible(is);
    node.setManaged(is);
  }
}
