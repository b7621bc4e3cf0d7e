package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.name.Jumper;
import kumite.wiring.Called;
import kumite.wiring.NetCode;
import kumite.working.Working;

/**
 * The last net: whatever was done to the wires, a press that shows otherwise than planned is told,
 * unless a stop about that contact tells it already.
 */
public final class PressChecks {
  private static final int MOST_TOLD = 3;

  private final Build build;
  private final Loom loom;
  private final Set<Subject> told = new HashSet<>();
  private final Set<ContactId> about = new LinkedHashSet<>();
  private final List<String> sentences = new ArrayList<>();

  private PressChecks(Build build, Loom loom, List<Finding> findings) {
    this.build = build;
    this.loom = loom;
    findings.stream()
        .filter(finding -> finding.severity() == Severity.STOP)
        .filter(f -> f.code() instanceof NetCode || f.code() == PowerCode.UNREAD)
        .forEach(finding -> told.addAll(finding.about()));
  }

  /**
   * {@return the findings of nets and power, with this one where no stop tells it; where a press
   * shows otherwise nothing is called fine about the nets, the levels or the contacts concerned}
   */
  public static List<Finding> completed(
      Build build, Loom loom, Presses presses, List<Finding> findings) {
    if (presses.equals(Presses.AS_PLANNED)) {
      return findings;
    }
    Set<Subject> concerned = new HashSet<>();
    presses.rest().forEach(otherwise -> concerned.add(Subject.of(otherwise.contact())));
    presses.held().keySet().forEach(held -> concerned.add(Subject.of(held)));
    List<Finding> all = new ArrayList<>(findings);
    all.removeIf(
        other ->
            other.severity() == Severity.FINE
                && (other.code() == NetCode.NETS_FINE
                    || other.code() == PowerCode.LEVELS_FINE
                    || other.about().stream().anyMatch(concerned::contains)));
    new PressChecks(build, loom, findings).finding(presses).ifPresent(all::add);
    return all;
  }

  private Optional<Finding> finding(Presses presses) {
    presses.rest().forEach(otherwise -> tell("While nobody presses, ", otherwise));
    presses.held().forEach(this::held);
    if (sentences.isEmpty()) {
      return Optional.empty();
    }
    int more = sentences.size() - MOST_TOLD;
    String detail =
        sentences.stream().limit(MOST_TOLD).collect(Collectors.joining("; "))
            + (more > 0 ? "; and " + more + " more" : "");
    Finding finding =
        Finding.of(
            NetCode.SHOWS_OTHERWISE,
            about.stream().map(Subject::of).toList(),
            label(about.iterator().next()) + " shows otherwise than planned",
            detail + ". A wire changed by hand is the cause");
    for (Jumper wire : build.loom().added()) {
      finding =
          finding.mendedBy(
              () ->
                  Optional.of(
                      Fix.of(
                          "Take out " + new Called(build).wire(wire),
                          b -> b.withLoom(b.loom().withoutAdded(wire)))));
    }
    return Optional.of(finding.mendedBy(() -> Optional.of(asPlanned())));
  }

  private static Fix asPlanned() {
    return Fix.of("Wire it as planned", b -> b.withLoom(b.loom().asPlanned()));
  }

  private void held(ContactId held, List<Presses.Otherwise> all) {
    if (isTold(held)) {
      return;
    }
    int before = sentences.size();
    for (Presses.Otherwise otherwise : all) {
      if (!about.contains(otherwise.contact())) {
        tell("With " + label(held) + " held, ", otherwise);
      }
    }
    if (sentences.size() > before) {
      about.add(held);
    }
  }

  private void tell(String when, Presses.Otherwise otherwise) {
    if (isTold(otherwise.contact())) {
      return;
    }
    about.add(otherwise.contact());
    boolean pressed = otherwise.is().pressed();
    String what =
        pressed != otherwise.planned().pressed()
            ? pressed ? " is seen pressed" : " is not seen"
            : " reads "
                + volts(otherwise.is().volts())
                + " in place of "
                + volts(otherwise.planned().volts());
    sentences.add(when + label(otherwise.contact()) + what);
  }

  private boolean isTold(ContactId contact) {
    return told.contains(Subject.of(contact)) || told.contains(Subject.of(contact.control()));
  }

  private String label(ContactId contact) {
    return loom.sites().stream()
        .filter(site -> site.id().equals(contact))
        .findFirst()
        .map(site -> site.label())
        .orElse(contact.toString());
  }

  private static String volts(double volts) {
    return Double.isNaN(volts) ? "nothing" : Working.number(volts, 2) + " V";
  }
}
