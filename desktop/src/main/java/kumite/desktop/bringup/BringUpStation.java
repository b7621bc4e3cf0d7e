package kumite.desktop.bringup;

import java.time.Clock;
import java.util.List;
import java.util.SplittableRandom;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.bringup.Question;
import kumite.build.bringup.Round;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** Does it work, and if not, what is wrong? */
public final class BringUpStation implements StationView {
  /** Which questions are put, or any two places. */
  private enum View {
    TRIAL("Trial", Question.Kind.TRIAL),
    CONTINUITY("Continuity", Question.Kind.CONTINUITY),
    VOLTS("Volts", Question.Kind.VOLTS),
    HOST("Host", Question.Kind.HOST),
    PLAY("Play", Question.Kind.PLAY),
    BETWEEN("Any two places", Question.Kind.CONTINUITY);

    private final String words;
    private final Question.Kind kind;

    View(String words, Question.Kind kind) {
      this.words = words;
      this.kind = kind;
    }
  }

  private final Workbench workbench;
  private final RoundDesk desk;
  private final VBox root = new VBox();
  private final Head head;
  private final Segments<View> views;
  private final AskCard ask;
  private final BetweenCard between;
  private final ReadingsList readings;
  private final PointsTo points;
  private final StandInBar standIn;
  private final Button begin = new Button("New round");
  private final VBox left = new VBox();
  private View view = View.CONTINUITY;

  BringUpStation(Workbench workbench, Clock clock) {
    this.workbench = workbench;
    this.desk = new RoundDesk(workbench, clock, () -> Platform.runLater(this::refresh));
    root.getStyleClass().add("station-room");
    views =
        new Segments<>(
            v -> v.words,
            chosen -> {
              view = chosen;
              desk.kind(chosen.kind);
            },
            View.values());
    views.choose(view);
    for (int i = 0; i < View.values().length; i++) {
      views
          .getChildren()
          .get(i)
          .setId("bringup-" + View.values()[i].name().toLowerCase(java.util.Locale.ROOT));
    }
    begin.setId("bringup-begin");
    begin.setOnAction(event -> desk.begin());
    head = new Head("Bring-up", views);
    ask = new AskCard(workbench, desk);
    between = new BetweenCard(desk);
    readings = new ReadingsList(desk);
    points = new PointsTo(desk);
    standIn = new StandInBar(workbench, desk, new SplittableRandom(clock.millis()));
    VBox.setVgrow(readings, Priority.ALWAYS);
    left.getStyleClass().add("bringup-left");
    left.getChildren().addAll(ask, between, readings, standIn);
    HBox.setHgrow(left, Priority.ALWAYS);
    left.setMinWidth(0);
    ScrollPane right = new ScrollPane(points);
    right.setFitToWidth(true);
    right.setFocusTraversable(false);
    right.getStyleClass().add("quiet-scroll");
    Em.pref(right, 250);
    Em.min(right, 220);
    HBox both = new HBox(left, right);
    both.setSpacing(10);
    VBox.setVgrow(both, Priority.ALWAYS);
    root.getChildren().addAll(head, both);
  }

  @Override
  public Station station() {
    return Station.BRING_UP;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    desk.show(bench);
    refresh();
  }

  @Override
  public boolean key(KeyCode code) {
    return view != View.BETWEEN && ask.key(code);
  }

  private void refresh() {
    Bench bench = workbench.bench().get();
    List<Round> rounds = desk.rounds();
    head.facts(
        rounds.isEmpty()
            ? "no round yet"
            : "round " + rounds.size() + ", begun " + rounds.get(rounds.size() - 1).begun());
    boolean any = view == View.BETWEEN;
    shown(ask, !any);
    shown(readings, !any);
    shown(standIn, !any);
    shown(between, any);
    if (any) {
      between.show(bench);
    } else {
      ask.show(bench);
      readings.show();
      standIn.show();
    }
    points.show();
    begin.setDisable(rounds.isEmpty() || rounds.get(rounds.size() - 1).entries().isEmpty());
    if (!views.getChildren().contains(begin)) {
      views.getChildren().add(begin);
    }
  }

  private static void shown(Node node, boolean is) {
    node.setVisible(is);
    node.setManaged(is);
  }
}
