package kumite.desktop.panel;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.brief.Hand;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.panel.Reach;
import kumite.verdict.Bench;

/** Where the player rests, and what the hand has to do from there. */
final class HandTab implements Tab {
  private final Workbench workbench;
  private final Button set = new Button("Set resting points");
  private final Button clear = new Button("Take the points away");
  private final Label player = new Label();
  private final Label facts = new Label();
  private final VBox root = new VBox();

  HandTab(Workbench workbench) {
    this.workbench = workbench;
    set.setId("set-rests");
    set.getStyleClass().add("small");
    set.setOnAction(
        event -> {
          Hand hand = workbench.build().get().brief().hand();
          rests("Set resting points", hand.usualRests(workbench.build().get().panel()));
        });
    clear.getStyleClass().add("small");
    clear.setOnAction(event -> rests("Take the resting points away", List.of()));
    Button measures = new Button("To the Brief");
    measures.getStyleClass().add("small");
    measures.setOnAction(event -> workbench.station().set(Station.BRIEF));
    for (Button button : new Button[] {set, clear, measures}) {
      button.setMinWidth(Region.USE_PREF_SIZE);
    }
    HBox.setHgrow(player, Priority.ALWAYS);
    player.setMaxWidth(Double.MAX_VALUE);
    HBox row = new HBox(player, set, clear, measures);
    row.getStyleClass().add("chip-row");
    facts.getStyleClass().add("note");
    for (Label label : new Label[] {player, facts}) {
      label.setWrapText(true);
      label.setMinHeight(Region.USE_PREF_SIZE);
    }
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(row, facts);
  }

  private void rests(String label, List<Hand.Rest> rests) {
    workbench.apply(
        new Edit(label, b -> b.withBrief(b.brief().withHand(b.brief().hand().withRests(rests)))));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Hand hand = bench.build().brief().hand();
    LengthUnit unit = bench.build().brief().units();
    boolean any = !hand.rests().isEmpty();
    set.setVisible(!any);
    set.setManaged(!any);
    clear.setVisible(any);
    clear.setManaged(any);
    player.setText(
        "Plays with "
            + hand.uses().words()
            + ": reach "
            + Length.text(hand.reachMm(), unit)
            + ", breadth "
            + Length.text(hand.breadthMm(), unit)
            + ", span "
            + Length.text(hand.spanMm(), unit)
            + ", up to "
            + hand.forceN()
            + " N"
            + (hand.wanderMm() > 0
                ? ", presses scatter by " + Length.text(hand.wanderMm(), unit)
                : "")
            + (hand.measured() ? ", measured." : ". These are averages: measure the player."));
    facts.setText(
        any
            ? facts(bench, unit)
            : "Say where the palms rest: the plan then shows how far fingers reach from there, and what lies beyond.");
  }

  private static String facts(Bench bench, LengthUnit unit) {
    StringBuilder text = new StringBuilder();
    for (Hand.Rest rest : bench.build().brief().hand().rests()) {
      long within =
          bench.reach().reaches().stream()
              .filter(row -> row.rest().equals(rest) && row.within())
              .count();
      long all = bench.reach().reaches().stream().filter(row -> row.rest().equals(rest)).count();
      text.append(rest.name())
          .append(" at ")
          .append(Length.number(rest.at().xMm(), unit))
          .append(", ")
          .append(Length.number(rest.at().yMm(), unit))
          .append(": ")
          .append(within)
          .append(" of the ")
          .append(all)
          .append(" controls nearest to it are in reach. ");
    }
    for (Reach.Together pair : bench.reach().pairs()) {
      text.append(pair.functions().one())
          .append(" with ")
          .append(pair.functions().other())
          .append(" falls to the ")
          .append(pair.rest().name())
          .append(" alone, ")
          .append(Length.text(pair.apartMm(), unit))
          .append(pair.within() ? " apart: it can. " : " apart: it cannot. ");
    }
    return text.toString();
  }
}
