package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.TargetText;
import kumite.name.ContactId;

/**
 * What one look of the board becomes in a report.
 *
 * @param look the look
 * @param target what it means: the socket's own meaning where the board fixes one, else what its
 *     contact is mapped to
 * @param field its place in a report
 * @param steps of a stepped switch; 0 for others
 */
record Meaning(Look look, Optional<Target> target, Optional<InputField> field, int steps) {
  static List<Meaning> all(Looks looks, Loom loom, ReportLayout layout) {
    Map<ContactId, ContactSite> sites = new HashMap<>();
    loom.sites().forEach(site -> sites.put(site.id(), site));
    List<Meaning> meanings = new ArrayList<>();
    for (Look look : looks.all()) {
      Optional<ContactSite> site = look.contact().map(sites::get);
      Optional<Target> target =
          look.fixed().isPresent()
              ? look.fixed().map(TargetText::parse)
              : site.flatMap(s -> s.entry()).map(entry -> entry.target());
      meanings.add(
          new Meaning(
              look,
              target,
              target.flatMap(layout::fieldOf),
              site.map(s -> s.kind().steps()).orElse(0)));
    }
    return meanings;
  }
}
