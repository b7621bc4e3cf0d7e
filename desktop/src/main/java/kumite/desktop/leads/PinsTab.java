package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.lead.BoardCable;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.lead.Cable;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.Pinout;
import kumite.lead.Told;
import kumite.lead.Turn;
import kumite.lead.Where;

/** The lead as strands, as a table, and what it is made of. */
final class PinsTab extends HBox {
  private final LeadDesk desk;
  private final StrandsView strands;
  private final CoreTable table;
  private final RoseView rose = new RoseView();
  private final FlowPane turns = new FlowPane();
  private final VBox turning = new VBox();
  private final EndForm from;
  private final EndForm to;
  private final PartForm parts;
  private final TypedField cores;
  private final TypedField gauge;
  private final TypedField length;
  private final CheckBox bought;
  private final CheckBox shielded;

  PinsTab(LeadDesk desk) {
    this.desk = desk;
    setId("lead-pins");
    getStyleClass().add("pins-tab");
    strands = new StrandsView(desk);
    table = new CoreTable(desk);
    ScrollPane scroll = new ScrollPane(strands);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFocusTraversable(false);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    scroll.setPrefHeight(420);
    table.setPrefHeight(190);
    table.setMinHeight(120);
    VBox left = new VBox(scroll, table);
    left.getStyleClass().addAll("sheet", "lead-drawing");
    left.setMinWidth(0);
    HBox.setHgrow(left, Priority.ALWAYS);
    from = new EndForm(desk, Where.FROM);
    to = new EndForm(desk, Where.TO);
    parts = new PartForm(desk);
    cores =
        TypedField.number(
            "cores of the cable",
            Cable.CORES,
            n -> cable("Cores of the cable", c -> c.withCores((int) Math.round(n))));
    gauge =
        TypedField.number(
            "gauge",
            Cable.GAUGE,
            n -> cable("Gauge of the cable", c -> c.withGauge((int) Math.round(n))));
    length =
        TypedField.length(
            "length of the lead",
            Cable.LENGTH,
            mm -> cable("Length of the lead", c -> c.withLength(mm)));
    Em.pref(cores, 56);
    Em.pref(gauge, 74);
    Em.pref(length, 92);
    FlowPane cable =
        new FlowPane(
            Head.named("cores", cores), Head.named("gauge", gauge), Head.named("length", length));
    cable.getStyleClass().add("lead-fields");
    bought = tick("bought as it is", "cable-bought", Cable::withBought);
    shielded = tick("shielded", "cable-shielded", Cable::withShield);
    cable.getChildren().addAll(bought, shielded);
    VBox cableForm = new VBox(Plain.title("Cable"), cable);
    cableForm.getStyleClass().add("lead-form");
    turns.getStyleClass().add("lead-fields");
    turns.setId("lead-turns");
    for (Turn turn :
        List.of(
            new Turn(1, false),
            new Turn(2, false),
            new Turn(3, false),
            new Turn(0, true),
            Turn.PLAIN)) {
      Button button =
          Plain.button(
              turn.equals(Turn.PLAIN) ? "Plain" : turn.title(),
              "turn-" + (turn.mirrored() ? "mirror" : turn.quarters() * 90),
              () -> turn(turn));
      turns.getChildren().add(button);
    }
    turning.getChildren().addAll(Plain.title("Turn the stick"), rose, turns);
    turning.getStyleClass().add("lead-form");
    turns.setPrefWrapLength(240);
    cable.setPrefWrapLength(240);
    VBox side = new VBox(turning, cableForm, from, to, parts);
    side.getStyleClass().add("lead-side");
    ScrollPane forms = new ScrollPane(side);
    forms.setFitToWidth(true);
    forms.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    forms.getStyleClass().addAll("quiet-scroll", "sheet");
    forms.setFocusTraversable(false);
    Em.pref(forms, 276);
    Em.min(forms, 276);
    getChildren().addAll(left, forms);
  }

  private CheckBox tick(String words, String id, BiFunction<Cable, Boolean, Cable> change) {
    CheckBox box = new CheckBox(words);
    box.setId(id);
    box.setOnAction(event -> cable("Cable " + words, c -> change.apply(c, box.isSelected())));
    return box;
  }

  private void cable(String label, java.util.function.UnaryOperator<Cable> change) {
    Optional<Lead> lead = desk.lead();
    if (lead.isEmpty()) {
      return;
    }
    if (!desk.ofBoard()) {
      desk.change(label, l -> l.withCable(change.apply(l.cable())));
      return;
    }
    String name = lead.get().name();
    desk.edit(
        label,
        book ->
            book.withCables(
                book.cables().stream()
                    .map(
                        (BoardCable c) ->
                            c.name().equals(name) ? c.withCable(change.apply(c.cable())) : c)
                    .toList()));
  }

  /** Moves the cores of the four directions; all others stay where they are. */
  private void turn(Turn turn) {
    desk.change(
        turn.title(),
        lead -> {
          Map<Turn.Direction, String> pushed = directions(lead, Where.FROM);
          Map<Turn.Direction, String> read = directions(lead, Where.TO);
          Map<String, String> goes = new HashMap<>();
          pushed.forEach((direction, pin) -> goes.put(pin, read.get(turn.of(direction))));
          List<Core> cores = new ArrayList<>();
          for (Core core : lead.cores()) {
            cores.add(
                goes.containsKey(core.from())
                    ? core.between(core.from(), goes.get(core.from()))
                    : core);
          }
          return lead.withCores(cores.stream().distinct().toList());
        });
  }

  private Map<Turn.Direction, String> directions(Lead lead, Where where) {
    return lead.end(where) instanceof kumite.lead.End.Plug plug
        ? desk.plugs().pinout(plug).map(Pinout::directions).orElse(Map.of())
        : Map.of();
  }

  void show(Lead lead) {
    strands.show(Optional.of(lead));
    table.show(lead);
    Told told = Told.of(lead, desk.plugs());
    rose.show(told.turn());
    boolean turns =
        !directions(lead, Where.FROM).isEmpty() && !directions(lead, Where.TO).isEmpty();
    turning.setVisible(turns);
    turning.setManaged(turns);
    bought.setSelected(lead.cable().bought());
    shielded.setSelected(lead.cable().shielded());
    cores.show(lead.cable().cores());
    gauge.show(lead.cable().gaugeAwg());
    length.unit(desk.workbench().build().get().brief().units());
    length.show(lead.cable().lengthMm());
    from.show(lead);
    to.show(lead);
    parts.show(lead);
  }
}
