package kumite.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.name.Joint;

/** What is to be said of the readings of the round that goes on. */
public final class BringUpChecks {
  /** A reading is as expected if the sound build gives it this often at least: our choice. */
  private static final double AS_EXPECTED = 0.05;

  private BringUpChecks() {}

  /** {@return what is to be said; nothing before a round is begun} */
  public static List<Finding> of(Build build, Places places) {
    List<Finding> findings = new ArrayList<>();
    Round round = build.get(RoundBook.PART).now().orElse(Round.begun(java.time.LocalDate.EPOCH));
    if (round.entries().isEmpty() || places.empty()) {
      return findings;
    }
    Evidence evidence = Evidence.of(places, round);
    for (String note : evidence.notes()) {
      findings.add(
          Finding.of(BringUpCode.DOES_NOT_COUNT, List.<Subject>of(), "A reading is doubted", note));
    }
    List<String> odd = new ArrayList<>();
    List<Subject> at = new ArrayList<>();
    for (Evidence.Reading reading : evidence.readings()) {
      if (expected(places, reading)) {
        continue;
      }
      if (shorted(places, reading)) {
        Ask.Probe probe = (Ask.Probe) reading.ask();
        findings.add(
            Finding.of(
                BringUpCode.SUPPLY_SHORTED,
                List.of(Subject.of(probe.red()), Subject.of(probe.black())),
                "Do not power it: " + probe.red() + " beeps to " + probe.black(),
                "A supply that beeps to ground or to another supply is shorted. Find the bridge or"
                    + " the wire at the wrong place before anything is plugged in"));
      } else {
        odd.add(Evidence.words(reading.ask()) + ": " + reading.answer());
        if (reading.ask() instanceof Ask.Probe probe) {
          at.add(Subject.of(probe.red()));
        }
      }
    }
    if (!odd.isEmpty()) {
      findings.add(
          Finding.of(
              BringUpCode.OTHERWISE,
              at.stream().distinct().toList(),
              odd.size() == 1
                  ? "A reading is not as worked out"
                  : odd.size() + " readings are not as worked out",
              String.join("; ", odd.subList(0, Math.min(5, odd.size())))
                  + ". Bring-up says what explains them and where to put the probes next"));
    }
    boolean odds = !findings.isEmpty();
    for (View view : places.views()) {
      common(places, view, Commons.of(view, evidence.readings())).ifPresent(findings::add);
    }
    if (!odds && !evidence.readings().isEmpty()) {
      findings.add(
          Finding.of(
              BringUpCode.AS_EXPECTED,
              List.<Subject>of(),
              evidence.readings().size() + " readings are as worked out",
              "Of "
                  + places.questions().size()
                  + " questions of all rounds, so many were answered"
                  + " and fit; nothing is said of the others"));
    }
    return findings;
  }

  /** What was proven of a board whose contacts may share a side, and what it may be taken for. */
  private static Optional<Finding> common(Places places, View view, Commons commons) {
    List<Subject> sides = commons.sides().stream().map(view::global).map(Subject::of).toList();
    return switch (commons.verdict()) {
      case OPEN -> Optional.empty();
      case SHARED -> {
        Finding finding =
            Finding.of(
                BringUpCode.COMMON_PROVEN,
                sides,
                "Its contacts share one side: it is proven",
                "All "
                    + commons.sides().size()
                    + " second sides beep to each other. One chain is"
                    + " enough; the board can be taken for one with a common");
        BoardKind proven = ProvenBoard.of(view.wires().board());
        yield Optional.of(
            finding.mendedBy(
                Fix.of(
                    "Take the common as proven",
                    build -> ProvenBoard.taken(build, view.wires().seat(), proven))));
      }
      case APART ->
          Optional.of(
              Finding.of(
                  BringUpCode.SIDES_APART,
                  sides,
                  "Its contacts share no side",
                  "None of "
                      + commons.sides().size()
                      + " second sides beeps to another one: two"
                      + " wires a contact are right"));
      case SOME ->
          Optional.of(
              Finding.of(
                  BringUpCode.COMMON_PROVEN,
                  sides,
                  "Some of its contacts share a side, others do not",
                  "Keep two wires a contact: a chain over all of them would join what the board"
                      + " keeps apart"));
    };
  }

  /** {@return whether a reading is what the sound build gives} */
  public static boolean expected(Places places, Evidence.Reading reading) {
    return places.sound().agrees(reading.ask(), reading.answer()) >= AS_EXPECTED;
  }

  private static boolean shorted(Places places, Evidence.Reading reading) {
    return reading.ask() instanceof Ask.Probe probe
        && reading.answer() instanceof Answer.Beep beep
        && beep.beeps()
        && rail(places, probe.red())
        && rail(places, probe.black());
  }

  private static boolean rail(Places places, Joint place) {
    return places.views().stream()
        .filter(view -> view.has(place))
        .flatMap(view -> view.wiring().nets().of(view.local(place)).stream())
        .anyMatch(net -> net.rail());
  }
}
