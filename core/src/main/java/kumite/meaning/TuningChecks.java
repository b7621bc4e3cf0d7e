package kumite.meaning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Repeat;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.ContactKind;
import kumite.loom.ContactSite;
import kumite.map.MapCode;
import kumite.name.ContactId;

/** Tunings that do nothing, or not what they look like: silent nonsense is told. */
final class TuningChecks {
  /** Over so many reports one more or less is not felt: common practice, no source. */
  private static final int EVEN_PERIODS = 4;

  private final Build build;
  private final Timing timing;
  private final Sites sites;
  private final List<Finding> findings = new ArrayList<>();

  private TuningChecks(Build build, Timing timing, Sites sites) {
    this.build = build;
    this.timing = timing;
    this.sites = sites;
  }

  /** {@return tunings of the seat looked at that do nothing, or lose presses} */
  static List<Finding> of(Build build, Timing timing, Sites sites) {
    TuningChecks checks = new TuningChecks(build, timing, sites);
    checks.tunings();
    checks.repeats();
    checks.pulses();
    return checks.findings;
  }

  private void tunings() {
    Tuning tuning = build.tuning();
    for (ContactId contact : tuning.axes().keySet()) {
      tuned(contact, "axis", t -> t.withAxis(contact, Optional.empty()));
    }
    for (ContactId contact : tuning.presses().keySet()) {
      tuned(contact, "press", t -> t.withPress(contact, Optional.empty()));
    }
  }

  private void tuned(ContactId contact, String what, UnaryOperator<Tuning> without) {
    ContactSite site = sites.by().get(contact);
    if (site != null && site.contact().type() == ContactKind.Type.SWITCH) {
      findings.add(
          Sites.inVain(
              List.of(Subject.of(contact)),
              "The " + what + " tuning of " + site.label() + " does nothing",
              "It is a switch: it has no travel to be tuned",
              "Take the tuning out",
              b -> b.withTuning(without.apply(b.tuning()))));
    }
  }

  private void repeats() {
    for (Map.Entry<ContactId, Repeat> repeat : build.tuning().repeats().entrySet()) {
      ContactId contact = repeat.getKey();
      boolean axis =
          build.seat().profiles().stream()
              .flatMap(Profile::mappings)
              .flatMap(mapping -> mapping.of(contact).stream())
              .anyMatch(entry -> entry.target().follows());
      ContactSite site = sites.by().get(contact);
      if (site == null) {
        continue;
      }
      UnaryOperator<Build> out =
          b -> b.withTuning(b.tuning().withRepeat(contact, Optional.empty()));
      if (axis) {
        findings.add(
            Sites.inVain(
                List.of(Subject.of(contact)),
                "Rapid fire of " + site.label() + " does nothing",
                "It gives an axis: there is nothing to press again and again",
                "Take rapid fire out",
                out));
        continue;
      }
      int on = repeat.getValue().onMs() * 1000;
      int off = repeat.getValue().offMs() * 1000;
      int period = Math.max(timing.pollUs(), timing.scanUs());
      boolean lost = Math.min(on, off) < period;
      if (lost || (on + off) % period != 0 && on + off < EVEN_PERIODS * period) {
        String each =
            "It is on for " + ms(on) + " and off for " + ms(off) + ", and the host is told each ";
        findings.add(
            Sites.look(
                MapCode.SHOTS_LOST,
                List.of(Subject.of(contact)),
                lost
                    ? "The host does not see every shot of " + site.label()
                    : "The shots of " + site.label() + " come unevenly",
                each
                    + ms(period)
                    + (lost
                        ? ": some fall between two reports. Make both at least as long"
                        : ": some last one report longer. Let both together be a multiple of it")));
      }
    }
  }

  private void pulses() {
    for (Map.Entry<ContactId, Pulses> one : build.tuning().pulses().entrySet()) {
      ContactId contact = one.getKey();
      ContactSite site = sites.by().get(contact);
      if (site == null) {
        continue;
      }
      Pulses pulses = one.getValue();
      boolean pair =
          Pulses.partner(contact).filter(sites.by()::containsKey).isPresent()
              && site.contact().type() == ContactKind.Type.SWITCH;
      if (!pair) {
        findings.add(
            Sites.inVain(
                List.of(Subject.of(contact)),
                "Pulses of " + site.label() + " do nothing",
                "Pulses are counted of two contacts that lead and follow, named such as "
                    + site.control().id()
                    + ".a and "
                    + site.control().id()
                    + ".b; this one has no partner",
                "Take the counting out",
                b -> b.withTuning(b.tuning().withPulses(contact, Optional.empty()))));
      } else if (pulses.perStep() > pulses.perTurn()) {
        findings.add(
            Sites.look(
                    MapCode.STEP_TOO_LONG,
                    List.of(Subject.of(contact)),
                    site.label() + " gives less than one step in a turn",
                    pulses.perStep()
                        + " counts make a step, and a whole turn has "
                        + pulses.perTurn())
                .mendedBy(
                    Fix.of(
                        "A step for each four counts",
                        b ->
                            b.withTuning(
                                b.tuning()
                                    .withPulses(
                                        contact,
                                        Optional.of(
                                            new Pulses(
                                                pulses.perTurn(),
                                                Math.min(Pulses.USUAL.perStep(), pulses.perTurn()),
                                                pulses.turned())))))));
      }
    }
  }

  private static String ms(int us) {
    return kumite.working.Working.number(us / 1000.0, us % 1000 == 0 ? 0 : 1) + " ms";
  }
}
