package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import kumite.build.Edit;
import kumite.build.lead.LeadBook;
import kumite.desktop.shell.Workbench;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadNets;
import kumite.lead.LeadPart.Place;
import kumite.lead.Plugs;
import kumite.lead.Where;

/** What the tabs of the station share: which lead is looked at, and which pin is lit. */
final class LeadDesk {
  private final Workbench workbench;
  private final ObjectProperty<Optional<Place>> lit = new SimpleObjectProperty<>(Optional.empty());
  private String name = "";

  LeadDesk(Workbench workbench) {
    this.workbench = workbench;
  }

  Workbench workbench() {
    return workbench;
  }

  LeadBook book() {
    return workbench.build().get().leads();
  }

  Plugs plugs() {
    return book().plugs();
  }

  /** {@return all leads, the build's cables among them} */
  List<Lead> all() {
    // Of the build as it is now: its bench may still be worked out.
    List<Lead> all = new ArrayList<>(book().leads());
    book().cables().forEach(cable -> workbench.bench().get().lead(cable).ifPresent(all::add));
    return all;
  }

  /** {@return the lead looked at; the first where that is gone} */
  Optional<Lead> lead() {
    List<Lead> all = all();
    return all.stream()
        .filter(lead -> lead.name().equals(name))
        .findFirst()
        .or(() -> all.stream().findFirst());
  }

  void look(String newName) {
    name = newName;
    lit.set(Optional.empty());
  }

  /**
   * {@return whether the lead looked at follows from the wires, so that its cores are not typed}
   */
  boolean ofBoard() {
    return lead()
        .filter(l -> book().cables().stream().anyMatch(c -> c.name().equals(l.name())))
        .isPresent();
  }

  ObjectProperty<Optional<Place>> lit() {
    return lit;
  }

  /** {@return whether a pin is lit, or joined to the one that is} */
  boolean isLit(Lead lead, Where where, String pin) {
    return lit.get()
        .filter(place -> LeadNets.of(lead).of(place).contains(new Place(where, pin)))
        .isPresent();
  }

  void toggle(Where where, String pin) {
    Optional<Place> place = Optional.of(new Place(where, pin));
    lit.set(lit.get().equals(place) ? Optional.empty() : place);
  }

  /** Changes the lead that is looked at. */
  void change(String label, UnaryOperator<Lead> change) {
    lead().ifPresent(lead -> edit(label, book -> book.with(lead.name(), change.apply(lead))));
  }

  void edit(String label, UnaryOperator<LeadBook> change) {
    try {
      workbench.apply(new Edit(label, b -> b.withLeads(change.apply(b.leads()))));
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  /** Puts a lead made somewhere into the build, under a name of its own, and looks at it. */
  void add(Lead lead) {
    String fresh = book().freshName(lead.name());
    name = fresh;
    edit("Make " + fresh, book -> book.with(fresh, lead.named(fresh)));
  }

  /** {@return the pins of an end: of its connector, or those that cores come to} */
  List<String> pins(Lead lead, Where where) {
    return plugs()
        .connector(lead.end(where))
        .map(ConnectorKind::names)
        .orElseGet(
            () -> lead.cores().stream().map(core -> Lead.pin(core, where)).distinct().toList());
  }

  /** {@return what a pin is for; empty where that is not known} */
  String function(Lead lead, Where where, String pin) {
    return plugs()
        .at(lead.end(where), pin)
        .map(p -> p.function().words())
        .orElseGet(
            () ->
                where == Where.FROM
                    ? lead.cores().stream()
                        .filter(core -> core.from().equals(pin))
                        .findFirst()
                        .flatMap(Core::role)
                        .orElse("")
                    : "");
  }

  /** {@return an end in a few words} */
  String words(Lead lead, Where where) {
    if (lead.end(where) instanceof End.Plug plug) {
      String shape =
          plugs().connector(plug.connector()).map(ConnectorKind::name).orElse(plug.connector());
      return shape
          + (plugs().connector(plug.connector()).filter(ConnectorKind::bare).isPresent()
              ? ""
              : ", " + plug.gender().words())
          + "\n"
          + (plug.beyond() == kumite.lead.Beyond.OPEN
              ? "into: not said"
              : "into the " + plug.beyond().words());
    }
    return "Board of the build\nterminals by name";
  }
}
