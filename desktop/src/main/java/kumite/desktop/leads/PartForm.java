package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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
    DIODE("diode in a core"),
    BRIDGE("bridge to a pin"),
    RESISTOR_ACROSS("resistor between two pins"),
    CAPACITOR_ACROSS("capacitor between two pins"),
    DRAIN("shield's drain wire");

    private static final Set<Kind> IN_CORE = Set.of(SERIES, DIODE);
    private static final Set<Kind> TWO_PINS = Set.of(BRIDGE, RESISTOR_ACROSS, CAPACITOR_ACROSS);
    private static final Set<Kind> NO_VALUE = Set.of(DIODE, BRIDGE, DRAIN);

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
  private final Choice<String> other;
  private final TextField value = new TextField();
  private final VBox endField;
  private final VBox otherField;
  private final VBox valueField;
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
    pin = new Choice<>("pin", List.of(), p -> p, p -> fields());
    other = new Choice<>("other pin", List.of(), p -> p, p -> understand());
    value.setId("part-value");
    value.setAccessibleText("value of the part");
    value.getStyleClass().add("mono");
    value.setOnAction(event -> add());
    value.textProperty().addListener((o, was, is) -> understand());
    Em.pref(value, 90);
    add = Plain.button("Put it in", "part-add", this::add);
    endField = Head.named("end", end);
    otherField = Head.named("other pin", other);
    valueField = Head.named("value", value);
    FlowPane fields =
        new FlowPane(
            Head.named("part", kind),
            endField,
            Head.named("pin", pin),
            otherField,
            valueField,
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
    Kind now = kind.getValue();
    boolean within = Kind.IN_CORE.contains(now);
    name(endField, now == Kind.DIODE ? "band looks to" : "end");
    shown(endField, now != Kind.SERIES);
    shown(otherField, Kind.TWO_PINS.contains(now));
    shown(valueField, !Kind.NO_VALUE.contains(now));
    List<String> pins =
        within
            ? shown.cores().stream().map(Core::from).distinct().toList()
            : desk.pins(shown, end.getValue());
    pin.offer(pins);
    pin.show(pins.contains(was) ? Optional.of(was) : pins.stream().findFirst());
    List<String> others =
        desk.pins(shown, end.getValue()).stream().filter(p -> !p.equals(pin.getValue())).toList();
    String before = other.getValue();
    other.offer(others);
    other.show(others.contains(before) ? Optional.of(before) : others.stream().findFirst());
    value.setPromptText(
        switch (now) {
          case SERIES -> "220";
          case RESISTOR, RESISTOR_ACROSS, PULL_UP -> "10k";
          case CAPACITOR, CAPACITOR_ACROSS -> "10n";
          case DIODE, BRIDGE, DRAIN -> "";
        });
    understand();
  }

  private void understand() {
    if (value.getText().isBlank() && !Kind.NO_VALUE.contains(kind.getValue())) {
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
    String second = other.getValue();
    if (second == null && Kind.TWO_PINS.contains(kind.getValue())) {
      throw new IllegalArgumentException("that end has no other pin");
    }
    return switch (kind.getValue()) {
      case SERIES -> {
        Core core = core(at);
        yield new LeadPart.Series(core.from(), core.to(), Quantity.OHM.above0(typed, "resistor"));
      }
      case RESISTOR -> new LeadPart.ResistorToGround(place, Quantity.OHM.above0(typed, "resistor"));
      case CAPACITOR ->
          new LeadPart.CapacitorToGround(place, Quantity.FARAD.above0(typed, "capacitor"));
      case PULL_UP -> new LeadPart.PullUp(place, Quantity.OHM.above0(typed, "pull-up"));
      case DIODE -> {
        Core core = core(at);
        yield new LeadPart.Diode(core.from(), core.to(), end.getValue());
      }
      case BRIDGE -> new LeadPart.Bridge(place, second);
      case RESISTOR_ACROSS ->
          new LeadPart.ResistorAcross(
              place, new Place(place.end(), second), Quantity.OHM.above0(typed, "resistor"));
      case CAPACITOR_ACROSS ->
          new LeadPart.CapacitorAcross(
              place, new Place(place.end(), second), Quantity.FARAD.above0(typed, "capacitor"));
      case DRAIN -> {
        if (!shown.cable().shielded()) {
          throw new IllegalArgumentException(
              "the cable has no shield; tick \"shielded\" under Cable first");
        }
        yield new LeadPart.Drain(place);
      }
    };
  }

  private Core core(String from) {
    return shown.cores().stream().filter(c -> c.from().equals(from)).findFirst().orElseThrow();
  }

  private static void shown(javafx.scene.Node field, boolean is) {
    field.setVisible(is);
    field.setManaged(is);
  }

  private static void name(VBox field, String words) {
    ((Label) field.getChildren().get(0)).setText(words);
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
