package kumite.loom;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.loom.WireSort;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.WireColour;
import kumite.name.ContactId;

/** Checks that no colour stands twice among wires that leave the board together. */
final class ColourChecks {
  private final Build build;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<ContactId, Line> lines = new HashMap<>();

  private ColourChecks(Build build, Loom loom) {
    this.build = build;
    this.loom = loom;
    loom.lines().forEach(line -> lines.put(line.id(), line));
  }

  static List<Finding> of(Build build, Loom loom) {
    ColourChecks checks = new ColourChecks(build, loom);
    checks.colours();
    return checks.findings;
  }

  private void colours() {
    if (build.loom().laying().sort(WireSort.Use.SIGNAL).colour().isPresent()) {
      return; // the builder's own code: signals are told apart by their labels
    }
    boolean clash = false;
    Map<ContactId, Strand> strands = loom.byContact();
    for (List<ContactId> bundle : loom.bundles().values()) {
      Map<WireColour, List<ContactId>> byColour = new LinkedHashMap<>();
      for (ContactId contact : bundle) {
        byColour.computeIfAbsent(loom.colours().get(contact), c -> new ArrayList<>()).add(contact);
      }
      for (Map.Entry<WireColour, List<ContactId>> entry : byColour.entrySet()) {
        if (entry.getValue().size() > 1) {
          clash = true;
          findings.add(colourClash(entry.getKey(), entry.getValue(), strands));
        }
      }
    }
    if (!clash && !loom.bundles().isEmpty()) {
      findings.add(
          Finding.of(
              LoomCode.COLOURS_FINE,
              List.of(),
              "No colour twice in a bundle",
              loom.bundles().size()
                  + (loom.bundles().size() == 1 ? " bundle" : " bundles")
                  + ", one on each used side of the board"));
    }
  }

  private String wireName(ContactId wire, Map<ContactId, Strand> strands) {
    return strands.containsKey(wire) ? strands.get(wire).id() : lines.get(wire).label();
  }

  private Finding colourClash(
      WireColour colour, List<ContactId> contacts, Map<ContactId, Strand> strands) {
    List<String> ids = contacts.stream().map(c -> wireName(c, strands)).toList();
    // A colour left to the plan is never doubled, so one of them was chosen by hand.
    Optional<ContactId> chosen =
        contacts.stream().filter(c -> build.loom().colours().containsKey(c)).reduce((a, b) -> b);
    return Finding.of(
            LoomCode.SAME_COLOUR,
            contacts.stream().map(Subject::of).toList(),
            String.join(" and ", ids) + " are both " + colour.words(),
            "They leave the board together; nobody can tell them apart behind the panel")
        .mendedBy(
            chosen.map(
                contact ->
                    Fix.of(
                        "Recolour " + wireName(contact, strands),
                        b -> b.withLoom(b.loom().withoutColour(contact)))));
  }
}
