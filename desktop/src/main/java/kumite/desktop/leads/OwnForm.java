package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.lead.ConnectorKind;
import kumite.lead.OwnPlugs;
import kumite.lead.Pinout;
import kumite.lead.Wired;
import kumite.measure.Range;

/** Connectors and roles of pins that are the builder's own, by table or by the text of a file. */
final class OwnForm extends VBox {
  private final LeadDesk desk;
  private final Runnable known;
  private final TextField name = new TextField();
  private final Choice<Wired.How> how;
  private final Choice<ConnectorKind> kind;
  private final TypedField volts;
  private final TextArea table = new TextArea();
  private double supply = 5;

  /**
   * The form.
   *
   * @param known told when another connector or pinout is known
   */
  OwnForm(LeadDesk desk, Runnable known) {
    this.desk = desk;
    this.known = known;
    setId("own-plugs");
    getStyleClass().addAll("sheet", "make-way");
    name.setId("own-name");
    name.setAccessibleText("name of your connector or roles");
    Em.pref(name, 180);
    how =
        new Choice<>("wires are put on by", List.of(Wired.How.values()), Wired.How::words, h -> {});
    how.show(Optional.of(Wired.How.CRIMP));
    kind =
        new Choice<>(
            "connector of the roles", Plain.kinds(desk.plugs()), ConnectorKind::name, k -> {});
    kind.wide(15);
    kind.show(desk.plugs().connector("nine-pin"));
    volts = TypedField.number("volts", Range.of(1, 24, "V"), v -> supply = v);
    volts.show(supply);
    Em.pref(volts, 76);
    table.setId("own-table");
    table.setAccessibleText("table of pins");
    table.getStyleClass().add("mono");
    table.setPrefRowCount(3);
    table.setPromptText("pin,x,y   for a connector, or   pin,function,flow   for roles");
    FlowPane shape =
        new FlowPane(
            Head.named("name", name),
            Head.named("wired by", how),
            Head.named(" ", Plain.button("Take the connector", "own-connector", this::connector)));
    shape.getStyleClass().add("lead-fields");
    FlowPane roles =
        new FlowPane(
            Head.named("of connector", kind),
            Head.named("volts", volts),
            Head.named(" ", Plain.button("Take the roles", "own-roles", this::roles)));
    roles.getStyleClass().add("lead-fields");
    getChildren()
        .addAll(
            Plain.title("A connector or roles of your own"),
            Plain.note(
                "Measure the pins to the right and up, in mm or in, looking at the pins; or paste the"
                    + " text of a file like connectors.json."),
            shape,
            roles,
            table);
  }

  private void connector() {
    taken(
        () -> {
          if (table.getText().strip().startsWith("{")) {
            return OwnPlugs.read(table.getText());
          }
          return new OwnPlugs(
              List.of(
                  OwnPlugs.connector(
                      name.getText().strip(),
                      table.getText(),
                      how.getValue(),
                      desk.workbench().build().get().brief().units())),
              List.of());
        });
  }

  private void roles() {
    taken(
        () ->
            new OwnPlugs(
                List.of(),
                List.of(
                    OwnPlugs.pinout(
                        name.getText().strip(), kind.getValue(), supply, table.getText()))));
  }

  private void taken(java.util.function.Supplier<OwnPlugs> reader) {
    try {
      OwnPlugs own = reader.get();
      desk.edit(
          "Take a connector of your own",
          book -> {
            List<ConnectorKind> connectors = new ArrayList<>(book.connectors());
            List<Pinout> pinouts = new ArrayList<>(book.pinouts());
            for (ConnectorKind one : own.connectors()) {
              connectors.removeIf(k -> k.id().equals(one.id()));
              connectors.add(one);
            }
            for (Pinout one : own.pinouts()) {
              pinouts.removeIf(p -> p.id().equals(one.id()));
              pinouts.add(one);
            }
            return book.withOwn(connectors, pinouts);
          });
      desk.workbench()
          .say(
              own.connectors().size()
                  + (own.connectors().size() == 1 ? " connector and " : " connectors and ")
                  + own.pinouts().size()
                  + " sets of roles are known now");
      known.run();
    } catch (IllegalArgumentException e) {
      desk.workbench().complain(e.getMessage());
    }
  }

  void show() {
    ConnectorKind was = kind.getValue();
    kind.offer(Plain.kinds(desk.plugs()));
    kind.show(Optional.ofNullable(was));
  }
}
