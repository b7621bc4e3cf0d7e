package kumite.desktop.box;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.box.BoxPlan;
import kumite.box.ScrewLine;
import kumite.desktop.shell.WorkingView;
import kumite.working.Working;

/** The screws, joint by joint; each shows its working when it is pressed. */
final class ScrewList extends VBox {
  private Optional<String> open = Optional.empty();
  private Optional<BoxPlan> plan = Optional.empty();

  ScrewList() {
    setId("case-screws");
    setSpacing(3);
  }

  void show(BoxPlan next) {
    plan = Optional.of(next);
    getChildren().clear();
    Label title = new Label("Screws");
    title.getStyleClass().add("strong");
    getChildren().add(title);
    if (next.screws().isEmpty()) {
      Label none = new Label("It takes none.");
      none.getStyleClass().add("note");
      getChildren().add(none);
    }
    for (ScrewLine line : next.screws()) {
      Button words = new Button(line.words());
      words.getStyleClass().addAll("link", "mono");
      words.setMinWidth(Region.USE_PREF_SIZE);
      words.setOnAction(
          event -> {
            open =
                open.equals(Optional.of(line.joint()))
                    ? Optional.empty()
                    : Optional.of(line.joint());
            plan.ifPresent(this::show);
          });
      Label joint = new Label(line.joint() + extra(line));
      joint.getStyleClass().add("note");
      joint.setWrapText(true);
      getChildren().addAll(words, joint);
      if (open.filter(line.joint()::equals).isPresent()) {
        getChildren().add(new WorkingView(line.working()));
      }
    }
  }

  private static String extra(ScrewLine line) {
    String with = line.with().isEmpty() ? "" : ", " + line.with();
    String pilot = line.pilotMm() > 0 ? ", pilot " + Working.number(line.pilotMm(), 1) + " mm" : "";
    String sink = line.sinkMm() > 0 ? ", sunk to " + Working.number(line.sinkMm(), 1) + " mm" : "";
    return with + pilot + sink;
  }
}
