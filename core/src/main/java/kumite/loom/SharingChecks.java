package kumite.loom;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.brief.Pair;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.Terminal;
import kumite.name.ContactId;

/** Checks of groups that share terminals, and of contacts that give pulses. */
final class SharingChecks {
  private final Build build;
  private final Loom loom;
  private final List<Finding> findings = new ArrayList<>();

  private SharingChecks(Build build, Loom loom) {
    this.build = build;
    this.loom = loom;
  }

  static List<Finding> of(Build build, Loom loom) {
    SharingChecks checks = new SharingChecks(build, loom);
    checks.groups();
    checks.pulses();
    return checks.findings;
  }

  private void groups() {
    for (Sharing sharing : loom.sharings()) {
      Group group = sharing.group();
      if (sharing.ghosts()) {
        findings.add(
            Finding.of(
                    LoomCode.MATRIX_WITHOUT_DIODES,
                    group.contacts().stream().map(Subject::of).toList(),
                    group.name() + ": three held make a fourth",
                    "Without diodes, three corners of a rectangle of the matrix read as all four")
                .mendedBy(regroup(group, Topology.MATRIX, "Put a diode at each contact"))
                .mendedBy(
                    Fix.of(
                        "Wire " + group.name() + " one by one",
                        b -> b.withLoom(b.loom().ungrouped(group.contacts())))));
      }
      if (group.topology() == Topology.LADDER) {
        Set<ContactId> members = new HashSet<>(group.contacts());
        Optional<Pair> together = heldTogether(members);
        if (together.isPresent()) {
          findings.add(
              Finding.of(
                      LoomCode.LADDER_TOGETHER,
                      group.contacts().stream().map(Subject::of).toList(),
                      group.name() + ": a ladder tells one contact at a time",
                      together.get().one()
                          + " and "
                          + together.get().other()
                          + " are wanted at the same moment; of two held, only the one nearer to"
                          + " the terminal is seen")
                  .mendedBy(
                      Fix.of(
                          "Wire " + group.name() + " one by one",
                          b -> b.withLoom(b.loom().ungrouped(group.contacts())))));
        }
      }
      List<ContactSite> wipers =
          sharing.seats().stream()
              .map(Sharing.Seat::site)
              .filter(site -> misfit(site, group.topology()))
              .toList();
      if (!wipers.isEmpty()) {
        List<ContactId> ids = wipers.stream().map(ContactSite::id).toList();
        findings.add(
            Finding.of(
                    LoomCode.GROUP_CANNOT_READ,
                    ids.stream().map(Subject::of).toList(),
                    wipers.get(0).label() + " cannot be read through " + group.topology().words(),
                    wipers.get(0).contact().type().analog()
                        ? "What is measured needs a terminal that measures volts, or a multiplexer"
                        : wipers.get(0).touched()
                            ? "A finger is not a contact: a pad needs a terminal that senses touch"
                            : "An output that is fed drives its wire; it shares with no other")
                .mendedBy(
                    Fix.of(
                        "Take " + wipers.get(0).label() + " out of " + group.name(),
                        b -> b.withLoom(b.loom().ungrouped(ids)))));
      }
    }
  }

  /** What a way of sharing cannot read: volts, skin and driven outputs want wires of their own. */
  private static boolean misfit(ContactSite site, Topology topology) {
    return switch (topology) {
      case MULTIPLEXER -> site.touched();
      case TOUCH -> site.contact().type().analog() || site.fed();
      case MATRIX, BARE_MATRIX, REGISTERS, LADDER -> !site.switched();
      case PAD -> site.pad().isEmpty();
    };
  }

  private static Fix regroup(Group group, Topology topology, String label) {
    return Fix.of(
        label, b -> b.withLoom(b.loom().withGroup(group.name(), topology, group.contacts())));
  }

  private Optional<Pair> heldTogether(Set<ContactId> members) {
    Set<String> functions = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (members.contains(site.id())) {
        site.entry().ifPresent(entry -> functions.add(entry.function()));
      }
    }
    return build.profile().together().stream()
        .filter(pair -> functions.contains(pair.one()) && functions.contains(pair.other()))
        .findFirst();
  }

  private void pulses() {
    List<Line> uncounted =
        loom.lines().stream()
            .filter(Line::pulses)
            .filter(
                line ->
                    loom.plan()
                        .of(line.id())
                        .filter(pin -> !pin.terminal().can(Terminal.Ability.INTERRUPT))
                        .isPresent())
            .toList();
    if (!uncounted.isEmpty()) {
      findings.add(
          Finding.of(
              LoomCode.PULSES_NOT_COUNTED,
              uncounted.stream().map(line -> Subject.of(line.id())).toList(),
              "Pulses on terminals that do not count",
              String.join(", ", uncounted.stream().map(Line::label).toList())
                  + ": a fast turn can slip between two looks; a terminal that counts pulses does"
                  + " not miss any"));
    }
  }
}
