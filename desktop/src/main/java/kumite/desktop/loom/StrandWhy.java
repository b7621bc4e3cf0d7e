package kumite.desktop.loom;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.loom.LoomSettings;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.kind.WireColour;
import kumite.loom.PinChoice;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.power.LampResistor;
import kumite.working.Quantity;

/** Why the chosen strand goes where it goes, and what can be chosen about it. */
final class StrandWhy extends VBox {
  private final Workbench workbench;

  StrandWhy(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("why");
    setMinHeight(Region.USE_PREF_SIZE);
  }

  private void loom(String label, UnaryOperator<LoomSettings> change) {
    workbench.apply(new Edit(label, b -> b.withLoom(change.apply(b.loom()))));
  }

  /** A field for the resistor in series with a lamp; emptied, the lamp has none. */
  private Node[] lampResistor(SignalPath path) {
    Label name = new Label("lamp resistor");
    name.getStyleClass().add("field-name");
    TextField ohm = new TextField();
    ohm.setPromptText("none");
    ohm.setPrefColumnCount(6);
    ohm.getStyleClass().add("mono");
    ohm.setAccessibleText("Resistor in series with the lamp, in ohm");
    path.site()
        .control()
        .hookup()
        .lampOhm()
        .ifPresent(value -> ohm.setText(LampResistor.ohms(value)));
    ohm.setOnAction(
        event -> {
          String typed = ohm.getText().strip();
          try {
            OptionalDouble value =
                typed.isEmpty()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Quantity.OHM.above0(typed, "the resistor"));
            workbench.apply(
                new Edit(
                    "Resistor of " + path.site().control().label(),
                    b -> b.withControl(path.id().control(), c -> c.withLampOhm(value))));
          } catch (IllegalArgumentException e) {
            workbench.complain(e.getMessage());
          }
        });
    return new Node[] {name, ohm};
  }

  void show(Optional<SignalPath> path) {
    getChildren().clear();
    if (path.isEmpty() || path.get().pin().isEmpty() || path.get().strand().isEmpty()) {
      Label hint = new Label("Select a strand to see why it goes where it goes.");
      hint.getStyleClass().add("note");
      getChildren().add(hint);
      return;
    }
    PinChoice pin = path.get().pin().get();
    Strand strand = path.get().strand().get();
    ContactId id = path.get().id();
    Label title = new Label("Why " + pin.terminal().name() + " for " + path.get().site().label());
    title.getStyleClass().add("strong");
    Label reasons = new Label(String.join("; ", workbench.bench().get().loom().whyPin(id)) + ".");
    reasons.setWrapText(true);
    reasons.setMinHeight(Region.USE_PREF_SIZE);
    reasons.getStyleClass().add("note");
    Label cut =
        new Label(
            strand.working().formula()
                + ": "
                + String.join(
                    " + ",
                    strand.working().values().stream()
                        .map(v -> v.symbol() + " " + v.text().replace(" mm", ""))
                        .toList())
                + " = "
                + strand.lengthMm()
                + " mm");
    cut.getStyleClass().addAll("mono", "note");
    cut.setWrapText(true);
    cut.setMinHeight(Region.USE_PREF_SIZE);
    Button lock = new Button(pin.locked() ? "Let go" : "Lock to " + pin.terminal().name());
    lock.setTooltip(new Tooltip("A locked contact keeps its terminal when the plan is redrawn"));
    lock.setOnAction(
        event ->
            loom(
                (pin.locked() ? "Let go " : "Lock ") + path.get().site().label(),
                l -> pin.locked() ? l.withoutLock(id) : l.withLock(id, pin.terminal().name())));
    ComboBox<String> colour = new ComboBox<>();
    colour.setAccessibleText("Colour of the strand");
    colour.getItems().add("colour by plan");
    for (WireColour.Hue hue : WireColour.Hue.values()) {
      colour.getItems().add(hue + " " + hue.words());
    }
    Optional<WireColour> chosen =
        Optional.ofNullable(workbench.build().get().loom().colours().get(id));
    colour.setValue(chosen.map(c -> c.code() + " " + c.words()).orElse("colour by plan"));
    colour.setOnAction(
        event -> {
          String text = colour.getValue();
          loom(
              "Colour " + strand.id(),
              l ->
                  text.startsWith("colour")
                      ? l.withoutColour(id)
                      : l.withColour(id, WireColour.parse(text.substring(0, 2))));
        });
    Label move = new Label("Click a terminal of the board to move it there.");
    move.getStyleClass().add("note");
    lock.setMinWidth(Region.USE_PREF_SIZE);
    move.setMinWidth(Region.USE_PREF_SIZE);
    FlowPane actions = new FlowPane(lock, colour);
    actions.setMinHeight(Region.USE_PREF_SIZE);
    actions.getStyleClass().add("field-row");
    if (path.get().site().kind().lit()) {
      actions.getChildren().addAll(lampResistor(path.get()));
    }
    actions.getChildren().add(move);
    getChildren().addAll(title, reasons, cut, actions);
  }
}
