package kumite.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.ringout.Facts;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.RingOut;

/** What the readings of a ring-out say so far. */
final class RingOutChecks {
  private RingOutChecks() {}

  static List<Finding> of(RingOut ringOut) {
    Known known = Known.of(ringOut);
    List<Subject> about = List.of(new Subject.OfRingOut(ringOut.name()));
    Optional<Facts.Contradiction> contradiction = known.facts().contradiction();
    if (contradiction.isPresent()) {
      List<Integer> readings = contradiction.get().readings();
      int repeat = contradiction.get().repeat();
      return List.of(
          Finding.of(
                  LeadCode.READINGS_CONTRADICT,
                  about,
                  ringOut.name() + ": readings contradict each other",
                  readings.stream()
                          .map(i -> (i + 1) + " (" + ringOut.readings().get(i).words() + ")")
                          .collect(Collectors.joining(" and "))
                      + " cannot all be true. Repeat reading "
                      + (repeat + 1)
                      + " first")
              .mendedBy(
                  Fix.of(
                      "Ask reading " + (repeat + 1) + " again",
                      b ->
                          b.withLeads(
                              b.leads()
                                  .ringOut(ringOut.name())
                                  .filter(r -> r.readings().size() > repeat)
                                  .map(r -> b.leads().with(r.name(), r.without(repeat)))
                                  .orElse(b.leads())))));
    }
    List<Finding> findings = new ArrayList<>();
    List<Known.Fate> fates = known.fates();
    List<String> open = fates.stream().filter(Known.Fate::open).map(Known.Fate::near).toList();
    if (!open.isEmpty()) {
      findings.add(
          Finding.of(
              LeadCode.CORE_BROKEN,
              about,
              ringOut.name() + ": broken: " + String.join(", ", open),
              "None of the places that were left at the other end answered. Bend the cable while you touch both ends: a beep"
                  + " that comes and goes is a break near the plug; cut there, or use a spare core"));
    }
    List<Known.Fate> joined =
        fates.stream()
            .filter(
                f ->
                    !f.touching().isEmpty()
                        || f.far().size() > 1
                        || fates.stream()
                            .anyMatch(o -> o != f && o.far().stream().anyMatch(f.far()::contains)))
            .toList();
    if (!joined.isEmpty()) {
      findings.add(
          Finding.of(
              LeadCode.CORES_TOUCH,
              about,
              ringOut.name()
                  + ": joined: "
                  + joined.stream().map(Known.Fate::near).collect(Collectors.joining(", ")),
              "These cores touch each other, or one goes to two places, so which goes where cannot"
                  + " be told before they are parted: look into the plug for a whisker or a bridge"));
    }
    List<String> crossed =
        fates.stream()
            .filter(f -> f.far().size() == 1 && ringOut.likely().containsKey(f.near()))
            .filter(f -> !f.far().contains(ringOut.likely().get(f.near())))
            .map(f -> f.near() + " goes to " + f.far().get(0))
            .toList();
    if (!crossed.isEmpty()) {
      findings.add(
          Finding.of(
              LeadCode.CORE_ELSEWHERE,
              about,
              ringOut.name() + ": not as expected",
              String.join(", ", crossed) + "; the readings count, not what was thought likely"));
    }
    left(ringOut, known).ifPresent(findings::add);
    return findings;
  }

  /** What is still to be touched: cores that are not settled, or the last round. */
  private static Optional<Finding> left(RingOut ringOut, Known known) {
    long left = known.fates().stream().filter(f -> !f.settled()).count();
    if (left == 0 && NextProbe.of(known).isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        Finding.of(
            LeadCode.RING_OUT_OPEN,
            List.of(new Subject.OfRingOut(ringOut.name())),
            ringOut.name()
                + ": "
                + (left == 0
                    ? "what was found is to be touched once more"
                    : left + (left == 1 ? " core is" : " cores are") + " left"),
            (left == 0
                    ? "A last round shows that no claim is exchanged or joined, and that what seems"
                        + " broken is. "
                    : "")
                + "Go on with it at Leads, Ring-out"));
  }
}
