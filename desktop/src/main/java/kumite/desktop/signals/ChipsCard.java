package kumite.desktop.signals;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.loom.Console;
import kumite.ports.Frame;
import kumite.signal.Level;
import kumite.signal.Play;

/** The chips that answer a console: what each line says when, live, and each pin of each chip. */
final class ChipsCard extends VBox {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");

  private final GridPane truth = new GridPane();
  private final HBox chips = new HBox();

  ChipsCard() {
    setId("port-chips");
    truth.setId("port-truth");
    truth.getStyleClass().add("port-truth");
    chips.getStyleClass().add("port-chips");
    getChildren()
        .add(
            PortSheet.card(
                new Label("The chips that answer"),
                PortSheet.note("no program; low for held"),
                truth,
                chips));
  }

  /**
   * Shows the chips of a board.
   *
   * @param board empty where no chips answer the console
   * @param play what its lines carry now
   */
  void show(Optional<BoardKind> board, Optional<Console> console, Optional<Play> play) {
    boolean answers = board.isPresent() && console.isPresent() && play.isPresent();
    setVisible(answers);
    setManaged(answers);
    truth.getChildren().clear();
    chips.getChildren().clear();
    if (!answers) {
      return;
    }
    truth(Frame.of(console.get(), play.get()));
    Circuit circuit = board.get().circuit().orElseThrow();
    if (circuit.bare()) {
      chips.getChildren().add(PortSheet.note("No chip: each contact closes its line to ground."));
    }
    circuit.chips().forEach(chip -> chips.getChildren().add(legs(chip)));
  }

  /** One row for each moment that the console looks, one column for each line. */
  private void truth(Frame frame) {
    List<String> lines = frame.bits().stream().map(Frame.Bit::line).distinct().toList();
    boolean serial = lines.size() == 1;
    int row = 0;
    if (!serial) {
      for (int i = 0; i < lines.size(); i++) {
        truth.add(PortSheet.note(lines.get(i).replace('_', ' ')), i + 1, row);
      }
      row++;
    }
    String where = "";
    int column = 0;
    for (Frame.Bit bit : frame.bits()) {
      if (serial) {
        truth.add(cell(bit), column % BITS_IN_A_ROW, column / BITS_IN_A_ROW);
        column++;
        continue;
      }
      if (!bit.where().equals(where)) {
        row += where.isEmpty() ? 0 : 1;
        where = bit.where();
        truth.add(PortSheet.note(where), 0, row);
      }
      truth.add(cell(bit), lines.indexOf(bit.line()) + 1, row);
    }
  }

  private static final int BITS_IN_A_ROW = 8;

  private static Label cell(Frame.Bit bit) {
    Label cell = new Label(bit.button().orElse("always") + "\n" + bit.level().word());
    cell.getStyleClass().add("truth-cell");
    cell.pseudoClassStateChanged(LIVE, bit.button().isPresent() && bit.level() == Level.LOW);
    return cell;
  }

  private static VBox legs(Circuit.Chip chip) {
    Label title = new Label(chip.name() + " " + chip.what());
    title.getStyleClass().add("port-name");
    GridPane pins = new GridPane();
    pins.getStyleClass().add("port-legs");
    int half = (chip.legs().size() + 1) / 2;
    for (int i = 0; i < chip.legs().size(); i++) {
      Circuit.Leg leg = chip.legs().get(i);
      Label number = new Label(Integer.toString(leg.number()));
      number.getStyleClass().add("mono");
      Label to = new Label(leg.to());
      to.getStyleClass().add("mono");
      int column = i < half ? 0 : 3;
      pins.add(number, column, i % half);
      pins.add(PortSheet.note(leg.function()), column + 1, i % half);
      pins.add(to, column + 2, i % half);
    }
    return new VBox(title, pins);
  }
}
