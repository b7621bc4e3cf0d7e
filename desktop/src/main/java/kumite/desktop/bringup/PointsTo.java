package kumite.desktop.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.bringup.Diagnosis;
import kumite.bringup.Evidence;
import kumite.bringup.FaultKind;
import kumite.working.Working;

/**
 * What the readings point to: suspects with how sure, what to do, and the probe that tells most.
 */
final class PointsTo extends VBox {
  private static final int SHOWN = 5;
  private static final double LEAST = 0.01;

  private final RoundDesk desk;

  PointsTo(RoundDesk desk) {
    this.desk = desk;
    setId("points-to");
    getStyleClass().addAll("sheet", "points-to");
  }

  void show() {
    getChildren().clear();
    add("What the readings point to", "card-title");
    if (!desk.busy().isEmpty()) {
      add(desk.busy() + " ...", "note");
    }
    Optional<Diagnosis> found = desk.diagnosis();
    if (found.isEmpty()) {
      if (desk.busy().isEmpty()) {
        add(
            "Nothing was read yet. Each answer is held against every fault that this build can"
                + " have.",
            "note");
      }
      return;
    }
    Diagnosis diagnosis = found.get();
    for (Diagnosis.Suspect suspect : diagnosis.suspects().stream().limit(SHOWN).toList()) {
      if (suspect.probability() >= LEAST) {
        suspect(suspect, suspect == diagnosis.suspects().get(0));
      }
    }
    diagnosis.suspects().stream()
        .findFirst()
        .flatMap(first -> alike(diagnosis, first.fault().id()))
        .ifPresent(words -> add(words, "note"));
    next(diagnosis);
    why(diagnosis);
  }

  private void suspect(Diagnosis.Suspect suspect, boolean first) {
    Label what = new Label(suspect.fault().what());
    what.setWrapText(true);
    what.getStyleClass().add(first ? "strong" : "suspect-what");
    ProgressBar bar = new ProgressBar(suspect.probability());
    bar.getStyleClass().add(first ? "suspect-first" : "suspect-bar");
    bar.setMaxWidth(Double.MAX_VALUE);
    bar.setAccessibleText(suspect.fault().what());
    HBox.setHgrow(bar, Priority.ALWAYS);
    // Nothing is ever quite sure.
    Label share =
        new Label(
            suspect.probability() > 0.99
                ? "> 99 %"
                : Working.number(suspect.probability() * 100, 0) + " %");
    share.getStyleClass().add("mono");
    share.setMinWidth(USE_PREF_SIZE);
    HBox row = new HBox(bar, share);
    row.setAlignment(Pos.CENTER_LEFT);
    row.setSpacing(8);
    getChildren().addAll(what, row);
    if (first && suspect.fault().kind() != FaultKind.NONE) {
      add(suspect.fault().repair() + ".", "note");
      Button mended = new Button("It is mended");
      mended.setId("bringup-mended");
      mended.setOnAction(event -> desk.mended(suspect));
      getChildren().add(mended);
    }
  }

  private static Optional<String> alike(Diagnosis diagnosis, String id) {
    return diagnosis.equal().stream()
        .filter(ids -> ids.contains(id))
        .findFirst()
        .map(
            ids ->
                id.equals("none")
                    ? "Of "
                        + (ids.size() - 1)
                        + " faults no question of any round would show anything, such as one open"
                        + " link of a ring."
                    : (ids.size() - 1)
                        + " other "
                        + (ids.size() == 2 ? "fault looks" : "faults look")
                        + " just the same to every probe: look at both places.");
  }

  private void next(Diagnosis diagnosis) {
    add("Best next probe", "card-title");
    if (diagnosis.next().isEmpty()) {
      add("No question tells more.", "note");
      return;
    }
    Diagnosis.Next next = diagnosis.next().get();
    add(next.question().what() + ".", "suspect-what");
    add("Settles " + Working.number(next.bits(), 2) + " bit of what is open.", "note");
    Button ask = new Button("Ask this next");
    ask.setId("bringup-ask-next");
    ask.getStyleClass().add("accent");
    ask.setOnAction(event -> desk.choose(next.question()));
    getChildren().add(ask);
  }

  private void why(Diagnosis diagnosis) {
    List<String> lines = new ArrayList<>();
    Diagnosis.Suspect first = diagnosis.suspects().get(0);
    if (first.explains() > 0) {
      lines.add(
          "It explains "
              + first.explains()
              + (first.explains() == 1 ? " reading" : " readings")
              + " that a sound build does not give.");
    }
    diagnosis.unexplained().stream()
        .limit(3)
        .forEach(
            r -> lines.add("Not explained: " + Evidence.words(r.ask()) + ": " + r.answer() + "."));
    lines.addAll(diagnosis.notes().stream().limit(3).toList());
    if (!lines.isEmpty()) {
      add("Why", "card-title");
      lines.forEach(line -> add(line, "note"));
    }
  }

  private void add(String words, String style) {
    Label label = new Label(words);
    label.setWrapText(true);
    label.setMinHeight(USE_PREF_SIZE);
    label.getStyleClass().add(style);
    getChildren().add(label);
  }
}
