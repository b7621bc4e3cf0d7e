package kumite.leads;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.WireColour;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.lead.Pinout;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.power.Wire;

/** Whether a lead's plugs mate, and whether its cable is fit for it. */
final class LeadCableChecks {
  /** More than this share of the supply lost in a lead is too much: common practice, no source. */
  private static final double MOST_LOST = 0.05;

  private final LeadSubject subject;
  private final Lead lead;
  private final List<Finding> findings = new ArrayList<>();

  private LeadCableChecks(LeadSubject subject) {
    this.subject = subject;
    this.lead = subject.lead();
  }

  static List<Finding> of(LeadSubject subject) {
    LeadCableChecks checks = new LeadCableChecks(subject);
    checks.mates();
    checks.cable();
    checks.colours();
    return checks.findings;
  }

  private void stop(Code code, List<Place> places, String title, String detail) {
    findings.add(subject.found(code, Severity.STOP, places, title, detail));
  }

  private void mates() {
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug) || plug.beyond() == Beyond.OPEN) {
        continue;
      }
      Optional<ConnectorKind> kind = subject.plugs().connector(plug.connector());
      if (kind.isEmpty() || kind.get().bare()) {
        continue;
      }
      var theirs =
          plug.beyond() == Beyond.PAD ? kind.get().padGender() : kind.get().padGender().other();
      if (plug.gender() == theirs) {
        Finding finding =
            subject.found(
                LeadCode.GENDERS,
                Severity.STOP,
                List.of(),
                plug.gender().words() + " meet " + theirs.words() + " at the " + where.words(),
                "The "
                    + plug.beyond().words()
                    + " usually has "
                    + theirs.words()
                    + " there, so this end needs "
                    + theirs.other().words()
                    + "; look at the real plug first. Changing it does not change the numbers, but"
                    + " it mirrors the face");
        End flipped =
            new End.Plug(
                plug.connector(), theirs.other(), plug.beyond(), plug.pinout(), plug.wired());
        findings.add(
            subject.mended(
                finding,
                "Take " + theirs.other().words() + " at the " + where.words(),
                l -> l.withEnd(where, flipped)));
      }
    }
  }

  private void cable() {
    int used = lead.cores().size();
    int cores = lead.cable().cores();
    if (used > cores) {
      findings.add(
          subject.cableMended(
              subject.found(
                  LeadCode.TOO_FEW_CORES,
                  Severity.STOP,
                  List.of(),
                  "the cable has too few cores",
                  used + " are needed and it has " + cores + "; take a cable of " + (used + 1)),
              "Plan for " + (used + 1) + " cores",
              cable -> cable.withCores(used + 1)));
    } else if (used == cores && used > 1 && !lead.cable().bought() && made()) {
      findings.add(
          subject.cableMended(
              subject.found(
                  LeadCode.NO_SPARE,
                  Severity.LOOK,
                  List.of(),
                  "the cable has " + cores + " cores and no spare",
                  "A slip with the knife costs the cable; a spare core saves it"),
              "Plan for " + (used + 1) + " cores",
              cable -> cable.withCores(used + 1)));
    }
    gauges();
    current();
  }

  /** Whether any end of it is made: a slip of the knife needs a knife. */
  private boolean made() {
    return java.util.Arrays.stream(Where.values())
        .anyMatch(
            w ->
                !(lead.end(w) instanceof End.Plug plug)
                    || !plug.wired().equals(Optional.of(Wired.How.MOULDED)));
  }

  private void gauges() {
    int awg = lead.cable().gaugeAwg();
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug)) {
        continue;
      }
      Optional<ConnectorKind> kind = subject.plugs().connector(plug.connector());
      if (kind.isEmpty()) {
        continue;
      }
      Wired wired = kind.get().wired(plug.wired());
      if (plug.wired().isPresent() && wired.how() != plug.wired().get()) {
        stop(
            LeadCode.PLUG_DOES_NOT_TAKE,
            List.of(),
            "no " + plug.wired().get().words() + " at the " + where.words(),
            kind.get().name()
                + " is wired by "
                + kind.get().wired().stream()
                    .map(w -> w.how().words())
                    .collect(Collectors.joining(" or ")));
      } else if (!wired.takes(awg)) {
        int fits = Math.max(wired.thickestAwg(), Math.min(wired.thinnestAwg(), awg));
        findings.add(
            subject.cableMended(
                subject.found(
                    LeadCode.PLUG_DOES_NOT_TAKE,
                    Severity.STOP,
                    List.of(),
                    "the " + where.words() + " does not take " + awg + " AWG",
                    kind.get().name()
                        + ", "
                        + wired.how().words()
                        + ", takes "
                        + wired.thickestAwg()
                        + " to "
                        + wired.thinnestAwg()
                        + " AWG"),
                "Take " + fits + " AWG",
                cable -> cable.withGauge(fits)));
      }
    }
  }

  /** What the pad takes flows through the supply and back through ground. */
  private void current() {
    for (Where where : Where.values()) {
      if (!(lead.end(where) instanceof End.Plug plug) || plug.beyond() != Beyond.PAD) {
        continue;
      }
      Optional<Pinout> pinout = subject.plugs().pinout(plug).filter(p -> p.padTakesA() > 0);
      if (pinout.isEmpty()) {
        continue;
      }
      double amps = pinout.get().padTakesA();
      double length = lead.cable().lengthMm();
      int awg = lead.cable().gaugeAwg();
      double lost = 2 * Wire.ofAwg(awg).ohm(length) * amps;
      if (lost <= MOST_LOST * pinout.get().volts()) {
        continue;
      }
      int enough = awg;
      while (enough > 16
          && 2 * Wire.ofAwg(enough).ohm(length) * amps > MOST_LOST * pinout.get().volts()) {
        enough--;
      }
      int gauge = enough;
      findings.add(
          subject.cableMended(
              subject
                  .found(
                      LeadCode.CORES_TOO_THIN,
                      Severity.STOP,
                      List.of(),
                      "the cores are too thin",
                      String.format(
                          java.util.Locale.ROOT,
                          "%.0f mA through supply and ground of %d AWG lose %.2f V of %.1f V on the way;"
                              + " 5 %% is the most. Take %d AWG or a shorter lead",
                          amps * 1000,
                          awg,
                          lost,
                          pinout.get().volts(),
                          gauge))
                  .showing(Wire.ofAwg(awg).working(length)),
              "Take " + gauge + " AWG",
              cable -> cable.withGauge(gauge)));
    }
  }

  private void colours() {
    Map<WireColour, List<Core>> alike = new HashMap<>();
    for (Core core : lead.cores()) {
      alike.computeIfAbsent(core.colour(), c -> new ArrayList<>()).add(core);
    }
    alike.entrySet().stream()
        .filter(entry -> entry.getValue().size() > 1)
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            entry ->
                findings.add(
                    subject.mended(
                        subject.found(
                            LeadCode.CORES_OF_ONE_COLOUR,
                            Severity.LOOK,
                            entry.getValue().stream()
                                .map(core -> new Place(Where.FROM, core.from()))
                                .toList(),
                            "two cores are " + entry.getKey().words(),
                            "Cores "
                                + entry.getValue().stream()
                                    .map(Core::words)
                                    .collect(Collectors.joining(" and "))
                                + " look alike: ring them out before each joint, or give them other"
                                + " colours"),
                        "Give each core a colour of its own",
                        LeadCableChecks::recoloured)));
  }

  private static Lead recoloured(Lead lead) {
    List<Optional<WireColour>> kept = new ArrayList<>();
    Set<WireColour> seen = new HashSet<>();
    for (Core core : lead.cores()) {
      kept.add(seen.add(core.colour()) ? Optional.of(core.colour()) : Optional.empty());
    }
    List<WireColour> colours =
        kumite.lead.Making.colours(
            kept, kept.stream().map(c -> Optional.<Pinout.Pin>empty()).toList());
    List<Core> cores = new ArrayList<>();
    for (int i = 0; i < colours.size(); i++) {
      Core core = lead.cores().get(i);
      cores.add(core.coloured(colours.get(i)));
    }
    return lead.withCores(cores);
  }
}
