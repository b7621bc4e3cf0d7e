package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.map.TargetText;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/**
 * One contact of a build with everything known about it before wiring.
 *
 * @param id its id
 * @param control the control it belongs to
 * @param kind that control's kind
 * @param contact the contact's kind
 * @param common the rail its shared side is tied to
 * @param entry its meaning, if it has one
 */
public record ContactSite(
    ContactId id,
    Control control,
    ControlKind kind,
    ContactKind contact,
    Common common,
    Optional<Mapping.Entry> entry) {

  /** {@return all contacts of a build, in the order of its controls} */
  public static List<ContactSite> all(Build build, Catalogue catalogue) {
    Common usual = catalogue.boardOf(build).map(BoardKind::common).orElse(Common.GROUND);
    List<ContactSite> sites = new ArrayList<>();
    for (Control control : build.controls()) {
      ControlKind kind = catalogue.kindOf(control);
      for (ContactKind contact : kind.contacts()) {
        ContactId id = new ContactId(control.id(), contact.name());
        sites.add(
            new ContactSite(
                id,
                control,
                kind,
                contact,
                control.hookup().common().orElse(usual),
                build.mapping().of(id)));
      }
    }
    return List.copyOf(sites);
  }

  /** {@return the label for people: {@code Horn} or {@code Rudder lever left}} */
  public String label() {
    return contact.name().isEmpty() ? control.label() : control.label() + " " + contact.name();
  }

  /** {@return the wire it wants where it has a terminal of its own} */
  Line line() {
    boolean pulses =
        kind.family() == ControlKind.Family.ENCODER || kind.family() == ControlKind.Family.BALL;
    return new Line(
        id,
        label(),
        contact.type().analog() ? Line.Need.MEASURE : Line.Need.READ,
        place(),
        Optional.empty(),
        List.of(this),
        pulses,
        entry.map(e -> TargetText.of(e.target())));
  }

  /** {@return the tab its signal lands on: NO, or NC where it is wired so} */
  public String signalTab() {
    String tab =
        contact.type() == ContactKind.Type.SWITCH && control.hookup().restsClosed()
            ? "NC"
            : contact.tab().isEmpty() ? "NO" : contact.tab();
    return tabOf(tab);
  }

  /** {@return the tab its shared side lands on} */
  public String commonTab() {
    return tabOf("COM");
  }

  /** {@return a tab of this contact, with its name before it where the control has several} */
  String tabOf(String tab) {
    return contact.name().isEmpty() ? tab : contact.name() + "." + tab;
  }

  /** {@return where its control sits} */
  public Point place() {
    return control.placement().centre();
  }
}
