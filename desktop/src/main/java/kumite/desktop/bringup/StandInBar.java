package kumite.desktop.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import kumite.bringup.Fault;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.SeatWires;
import kumite.bringup.StandIn;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.desktop.shell.Workbench;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/** A build with a hidden fault that answers in place of the one on the bench. */
final class StandInBar extends VBox {
  private final Workbench workbench;
  private final RoundDesk desk;
  private final RandomGenerator random;
  private final Label says = new Label();
  private final Button hide = new Button("Hide a fault in a stand-in");
  private final Button answer = new Button("Let it answer");
  private final Button all = new Button("All of this round");
  private final Button tell = new Button("What was it?");
  private Optional<StandIn> standIn = Optional.empty();

  StandInBar(Workbench workbench, RoundDesk desk, RandomGenerator random) {
    this.workbench = workbench;
    this.desk = desk;
    this.random = random;
    getStyleClass().addAll("sheet", "stand-in");
    says.setWrapText(true);
    says.getStyleClass().add("note");
    says.setMinWidth(0);
    says.setId("stand-in-says");
    says.setMinHeight(USE_PREF_SIZE);
    hide.setId("stand-in-hide");
    answer.setId("stand-in-answer");
    all.setId("stand-in-all");
    tell.setId("stand-in-tell");
    hide.setOnAction(event -> hide());
    answer.setOnAction(event -> desk.question().ifPresent(q -> give(List.of(q))));
    all.setOnAction(
        event -> give(desk.questions(desk.kind()).stream().filter(q -> !desk.over(q)).toList()));
    tell.setOnAction(
        event -> standIn.ifPresent(s -> says.setText("It was: " + s.fault().what() + ".")));
    for (Button button : List.of(hide, answer, all, tell)) {
      button.setMinWidth(USE_PREF_SIZE);
    }
    FlowPane row = new FlowPane(hide, answer, all, tell);
    row.getStyleClass().add("ask-row");
    setMinHeight(USE_PREF_SIZE);
    getChildren().addAll(says, row, new LiveBar(workbench, desk));
    says.setText("No build at hand? A stand-in answers as one would that has a fault.");
  }

  void show() {
    hide.setDisable(desk.places().filter(p -> !p.empty()).isEmpty());
    answer.setDisable(standIn.isEmpty() || desk.question().isEmpty());
    all.setDisable(standIn.isEmpty() || desk.question().isEmpty());
    tell.setDisable(standIn.isEmpty());
  }

  private void hide() {
    Places places = desk.places().orElseThrow();
    List<Fault> faults = StandIn.faults(places);
    if (!faults.isEmpty()) {
      stand(faults.get(random.nextInt(faults.size())));
    }
  }

  /** Puts a certain fault in. */
  void stand(Fault fault) {
    Bench bench = workbench.bench().get();
    List<SeatWires> seats = bench.get(Desks.METERED);
    standIn =
        Optional.of(
            StandIn.of(
                bench.build().home(),
                desk.places().orElseThrow(),
                seats,
                fault,
                random.nextLong()));
    says.setText("A stand-in with a hidden fault is on the bench. Ask, or let it answer.");
    show();
  }

  private void give(List<Question> questions) {
    StandIn stand = standIn.orElseThrow();
    List<Entry> entries = new ArrayList<>();
    for (Question question : questions) {
      RoundDesk.twin(question.ask())
          .ifPresent(rest -> entries.add(Entry.of(rest, stand.answer(rest))));
      Ask ask = question.ask();
      entries.add(Entry.of(ask, stand.answer(ask)));
    }
    desk.answer(entries);
  }
}
