package kumite.meaning;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.map.MapCode;
import kumite.name.ContactId;

/**
 * The contacts of a board by name, and how they are spoken of.
 *
 * @param by each by its name
 */
record Sites(Map<ContactId, ContactSite> by) {
  static Sites of(Loom loom) {
    Map<ContactId, ContactSite> sites = new HashMap<>();
    loom.sites().forEach(site -> sites.put(site.id(), site));
    return new Sites(sites);
  }

  /** {@return what a contact is called, here or at another seat} */
  String label(ContactId contact) {
    return Optional.ofNullable(by.get(contact)).map(ContactSite::label).orElse(contact.toString());
  }

  /** {@return what contacts that belong together are called} */
  String labels(Set<ContactId> contacts) {
    return contacts.stream().map(this::label).collect(Collectors.joining(" with "));
  }

  static List<Subject> about(Set<ContactId> contacts) {
    return contacts.stream().map(Subject::of).toList();
  }

  static Finding look(Code code, List<Subject> about, String title, String detail) {
    return Finding.of(code, Severity.LOOK, about, title, detail);
  }

  /** {@return a finding of something that does nothing, which its fix takes out} */
  static Finding inVain(
      List<Subject> about, String title, String why, String fix, UnaryOperator<Build> mended) {
    return look(MapCode.RULE_IN_VAIN, about, title, why).mendedBy(Fix.of(fix, mended));
  }
}
