package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Common;
import kumite.build.ContactId;
import kumite.build.ContactKind;
import kumite.build.Control;
import kumite.build.ControlKind;
import kumite.build.Mapping;
import kumite.build.Point;
import kumite.parts.BoardKind;
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
                control.common().orElse(usual),
                build.mapping().of(id)));
      }
    }
    return List.copyOf(sites);
  }

  /** {@return the label for people: {@code Horn} or {@code Rudder lever left}} */
  public String label() {
    return contact.name().isEmpty() ? control.label() : control.label() + " " + contact.name();
  }

  /** {@return where its control sits} */
  public Point place() {
    return control.placement().centre();
  }
}
