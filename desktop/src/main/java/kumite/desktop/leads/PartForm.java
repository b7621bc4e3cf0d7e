package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import kumite.working.Quantity;

/** The parts that are soldered into the lead. */
final class PartForm extends VBox {
  private enum Kind {
    SERIES("resistor in a core"),
    RESISTOR("resistor to ground"),
    CAPACITOR("capacitor to ground"),
    PULL_UP("pull-up to supply"),
    BRIDGE("bridge to a pin");

    private final String words;

    Kind(String words) {
      this.words = words;
    }
  }

  private final LeadDesk desk;
  private final VBox list = new VBox();
  private final Choice<Kind> kind;
  private final Choice<Where> end;
  private final Choice<String> pin;
  private final TextField value = new TextField();
  private final Label said = Plain.note("");
  private final Button add;
  private Lead shown;

  PartForm(LeadDesk desk) {
    this.desk = desk;
    getStyleClass().add("lead-form");
    setId("lead-parts");
    kind = new Choice<>("kind of part", List.of(Kind.values()), k -> k.words, k -> fields());
    kind.show(Optional.of(Kind.SERIES));
    end = new Choice<>("end", List.of(Where.values()), Where::words, w -> fields());
    end.show(Optional.of(Where.FROM));
    pin = new Choice<>("pin", List.of(), p -> p, p -> {});
    value.setId("part-value");
    value.setAccessibleText("value of the part, or the other pin");
    value.getStyleClass().add("mono");
    value.setOnAction(event -> add());
    value.textProperty().addListener((o, was, is) -> understand());
    Em.pref(value, 90);
    add = Plain.button("Put it in", "part-add", this::add);
    FlowPane fields =
        new FlowPane(
            Head.named("part", kind),
            Head.named("end", end),
            Head.named("pin", pin),
            Head.named("value, or pin", value),
            Head.named(" ", add));
    fields.getStyleClass().add("lead-fields");
    fields.setPrefWrapLength(240);
    getChildren().addAll(Plain.title("Parts in it"), list, fields, said);
  }

  void show(Lead lead) {
    shown = lead;
    setDisable(desk.ofBoard());
    list.getChildren().clear();
    for (LeadPart part : lead.parts()) {
      Label words = new Label(part.words());
      words.setWrapText(true);
      HBox.setHgrow(words, Priority.ALWAYS);
      words.setMaxWidth(Double.MAX_VALUE);
      Button gone = new Button("✕");
      gone.getStyleClass().addAll("quiet", "small");
      gone.setAccessibleText("Take out " + part.words());
      gone.setOnAction(
          event ->
              desk.change(
                  "Take out " + part.words(),
                  l -> {
                    List<LeadPart> next = new ArrayList<>(l.parts());
                    next.remove(part);
                    return l.withParts(next);
                  }));
      list.getChildren().add(new HBox(words, gone));
    }
    fields();
  }

  private void fields() {
    if (shown == null) {
      return;
    }
    String was = pin.getValue();
    boolean series = kind.getValue() == Kind.SERIES;
    end.setDisable(series);
    List<String> pins =
        series
            ? shown.cores().stream().map(Core::from).distinct().toList()
            : desk.pins(shown, end.getValue());
    pin.offer(pins);
    pin.show(pins.contains(was) ? Optional.of(was) : pins.stream().findFirst());
    value.setPromptText(
        switch (kind.getValue()) {
          case SERIES -> "220";
          case RESISTOR, PULL_UP -> "10k";
          case CAPACITOR -> "10n";
          case BRIDGE -> "pin";
        });
    understand();
  }

  private void understand() {
    if (value.getText().isBlank()) {
      said.setText("");
      return;
    }
    try {
      said.setText("understood: " + part().words());
    } catch (IllegalArgumentException e) {
      said.setText(e.getMessage());
    }
  }

  private LeadPart part() {
    String at = pin.getValue();
    if (at == null) {
      throw new IllegalArgumentException("choose a pin first; the lead has no core yet");
    }
    Place place = new Place(end.getValue(), at);
    String typed = value.getText().strip();
    return switch (kind.getValue()) {
      case SERIES -> {
        Core core =
            shown.cores().stream().filter(c -> c.from().equals(at)).findFirst().orElseThrow();
        yield new LeadPart.Series(core.from(), core.to(), Quantity.OHM.above0(typed, "resistor"));
      }
      case RESISTOR -> new LeadPart.ResistorToGround(place, Quantity.OHM.above0(typed, "resistor"));
      case CAPACITOR ->
          new LeadPart.CapacitorToGround(place, Quantity.FARAD.above0(typed, "capacitor"));
      case PULL_UP -> new LeadPart.PullUp(place, Quantity.OHM.above0(typed, "pull-up"));
      case BRIDGE -> {
        if (!desk.pins(shown, end.getValue()).contains(typed)) {
          throw new IllegalArgumentException(
              "\"" + typed + "\" is no pin of the " + end.getValue().words() + "; type its number");
        }
        yield new LeadPart.Bridge(place, typed);
      }
    };
  }

  private void add() {
    try {
      LeadPart part = part();
      value.clear();
      desk.change(
          "Put in " + part.words(),
          lead -> {
            List<LeadPart> next = new ArrayList<>(lead.parts());
            next.add(part);
            return lead.withParts(next);
          });
    } catch (IllegalArgumentException e) {
      desk.workbench().complain(e.getMessage());
    }
  }
}
