package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Pinout;
import kumite.lead.Slip;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.name.SeatId;

/** What one end of the lead is. */
final class EndForm extends VBox {
  private final LeadDesk desk;
  private final Where where;
  private final Choice<Target> connector;
  private final Choice<Gender> gender;
  private final Choice<Beyond> beyond;
  private final Choice<Optional<Pinout>> pinout;
  private final Choice<Wired.How> wired;
  private final FlowPane slips = new FlowPane();
  private final javafx.scene.control.CheckBox fed =
      new javafx.scene.control.CheckBox("the lead feeds the board");
  private final FlowPane fields;

  /** A shape, or a board of the build. */
  private record Target(Optional<ConnectorKind> kind, Optional<SeatId> seat) {
    String words() {
      return kind.map(ConnectorKind::name)
          .orElseGet(() -> "Board of the build (" + seat.orElseThrow() + ")");
    }
  }

  EndForm(LeadDesk desk, Where where) {
    this.desk = desk;
    this.where = where;
    String end = where == Where.FROM ? "First end" : "Other end";
    setId(where == Where.FROM ? "end-from" : "end-to");
    getStyleClass().add("lead-form");
    connector = new Choice<>(end + ", connector", List.of(), Target::words, this::connector);
    connector.wide(17);
    gender =
        new Choice<>(
            end + ", pins or sockets",
            List.of(Gender.values()),
            Gender::words,
            g -> plug(p -> new End.Plug(p.connector(), g, p.beyond(), p.pinout(), p.wired())));
    beyond =
        new Choice<>(
            end + ", plugs into",
            List.of(Beyond.values()),
            Beyond::words,
            b -> plug(p -> new End.Plug(p.connector(), p.gender(), b, p.pinout(), p.wired())));
    pinout =
        new Choice<>(
            end + ", what the pins do",
            List.of(),
            p -> p.map(Pinout::name).orElse("not said"),
            o ->
                plug(
                    p ->
                        new End.Plug(
                            p.connector(), p.gender(), p.beyond(), o.map(Pinout::id), p.wired())));
    pinout.wide(17);
    wired =
        new Choice<>(
            end + ", wires are put on by",
            List.of(),
            Wired.How::words,
            h ->
                plug(
                    p ->
                        new End.Plug(
                            p.connector(), p.gender(), p.beyond(), p.pinout(), Optional.of(h))));
    fields =
        new FlowPane(
            Head.named("connector", connector),
            Head.named("what the pins do", pinout),
            Head.named("has", gender),
            Head.named("plugs into", beyond),
            Head.named("wired by", wired),
            Head.named("slides on first", slips),
            fed);
    fed.setId(getId() + "-fed");
    fed.setOnAction(
        event ->
            desk.change(
                fed.isSelected() ? "The lead feeds the board" : "The board has its own plug",
                lead ->
                    lead.end(where) instanceof End.OfBoard board
                        ? lead.withEnd(where, new End.OfBoard(board.seat(), fed.isSelected()))
                        : lead));
    fields.getStyleClass().add("lead-fields");
    fields.setPrefWrapLength(240);
    slips.getStyleClass().add("lead-slips");
    slips.setPrefWrapLength(230);
    getChildren().addAll(Plain.title(end), fields);
  }

  private void plug(java.util.function.UnaryOperator<End.Plug> change) {
    desk.change(
        "Change the " + where.words(),
        lead ->
            lead.end(where) instanceof End.Plug plug
                ? lead.withEnd(where, change.apply(plug))
                : lead);
  }

  /** Pins that the new shape lacks lose their cores, and what hangs on them. */
  private void connector(Target target) {
    desk.change(
        "Take " + target.words() + " at the " + where.words(),
        lead -> {
          if (target.kind().isEmpty()) {
            return fitted(
                lead.withEnd(where, new End.OfBoard(target.seat().orElseThrow())), Set.of());
          }
          ConnectorKind kind = target.kind().get();
          Beyond was =
              lead.end(where).beyond() == Beyond.OPEN
                  ? where == Where.FROM ? Beyond.PAD : Beyond.HOST
                  : lead.end(where).beyond();
          return fitted(
              lead.withEnd(where, Plain.plug(kind, was, desk.plugs())),
              new TreeSet<>(kind.names()));
        });
  }

  private Lead fitted(Lead lead, Set<String> pins) {
    List<Core> cores =
        lead.cores().stream().filter(c -> pins.contains(Lead.pin(c, where))).toList();
    List<LeadPart> parts =
        lead.parts().stream()
            .filter(
                part ->
                    part.places().stream()
                        .allMatch(p -> p.end() != where || pins.contains(p.pin())))
            .toList();
    return lead.withParts(parts).withCores(cores);
  }

  void show(Lead lead) {
    List<Target> targets = new ArrayList<>();
    Plain.kinds(desk.plugs())
        .forEach(kind -> targets.add(new Target(Optional.of(kind), Optional.empty())));
    desk.workbench()
        .build()
        .get()
        .seats()
        .forEach(seat -> targets.add(new Target(Optional.empty(), Optional.of(seat.id()))));
    connector.offer(targets);
    setDisable(desk.ofBoard());
    boolean plugged = lead.end(where) instanceof End.Plug;
    for (var choice : List.of(gender, beyond, pinout, wired)) {
      choice.setDisable(!plugged);
    }
    slips(lead);
    boolean board = lead.end(where) instanceof End.OfBoard;
    fed.setVisible(board);
    fed.setManaged(board);
    fed.setSelected(lead.end(where) instanceof End.OfBoard at && at.fed());
    if (lead.end(where) instanceof End.OfBoard there) {
      connector.show(Optional.of(new Target(Optional.empty(), Optional.of(there.seat()))));
      return;
    }
    End.Plug plug = (End.Plug) lead.end(where);
    ConnectorKind kind = desk.plugs().needed(plug.connector());
    connector.show(Optional.of(new Target(Optional.of(kind), Optional.empty())));
    gender.show(Optional.of(plug.gender()));
    beyond.show(Optional.of(plug.beyond()));
    List<Optional<Pinout>> pinouts = new ArrayList<>();
    pinouts.add(Optional.empty());
    desk.plugs().of(kind).forEach(p -> pinouts.add(Optional.of(p)));
    pinout.offer(pinouts);
    pinout.show(Optional.of(desk.plugs().pinout(plug)));
    wired.offer(kind.ways().stream().map(Wired::how).toList());
    wired.show(Optional.of(kind.wired(plug.wired()).how()));
  }

  private void slips(Lead lead) {
    slips.getChildren().clear();
    for (Slip.Kind kind : Slip.Kind.values()) {
      Slip slip = new Slip(where, kind);
      javafx.scene.control.CheckBox box = new javafx.scene.control.CheckBox(kind.words());
      box.setSelected(lead.slips().contains(slip));
      box.setOnAction(
          event ->
              desk.change(
                  (box.isSelected() ? "Slide on a " : "No ") + kind.words(),
                  l -> {
                    List<Slip> next = new ArrayList<>(l.slips());
                    if (!next.remove(slip)) {
                      next.add(slip);
                    }
                    return l.withSlips(next);
                  }));
      slips.getChildren().add(box);
    }
  }
}
