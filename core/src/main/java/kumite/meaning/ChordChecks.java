package kumite.meaning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.map.Chord;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.map.MapCode;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.program.Chords;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of chords: what they hold back, what hides them, what hits them by chance. */
final class ChordChecks {
  private final Profile profile;
  private final Sites sites;
  private final List<Finding> findings = new ArrayList<>();

  private ChordChecks(Profile profile, Sites sites) {
    this.profile = profile;
    this.sites = sites;
  }

  /** {@return what chords that wait hold back, and chords that longer ones hide} */
  static List<Finding> late(Profile profile, Sites sites) {
    ChordChecks checks = new ChordChecks(profile, sites);
    checks.chordsThatWait();
    checks.chordsWithin();
    return checks.findings;
  }

  /** {@return chords that play hits by chance, and such as no board sees whole} */
  static List<Finding> amiss(Profile profile, Sites sites) {
    ChordChecks checks = new ChordChecks(profile, sites);
    checks.chordsThatPlayHits();
    checks.chordsApart();
    return checks.findings;
  }

  /** Members that hold back a meaning which play needs at once. */
  private void chordsThatWait() {
    for (Chord chord : profile.chords()) {
      for (ContactId member : chord.contacts()) {
        Optional<String> vital =
            profile
                .meaning(chord.layer(), member)
                .map(Mapping.Entry::function)
                .filter(name -> profile.functions().stream().anyMatch(f -> f.name().equals(name)));
        if (chord.waits() && vital.isPresent()) {
          findings.add(
              Sites.look(
                      MapCode.CHORD_DELAYS,
                      List.of(Subject.of(member)),
                      vital.get() + " comes " + chord.windowMs() + " ms late",
                      sites.label(member)
                          + " waits whether it belongs to "
                          + sites.labels(chord.contacts())
                          + "; fired at once it shows, and is taken back when the chord is complete")
                  .showing(
                      new Working(
                          "delay of a member that waits",
                          "t = window",
                          List.of(
                              Working.value(
                                  "window", chord.windowMs(), 0, "ms", "of chord " + chord.id())),
                          chord.windowMs() + " ms",
                          Source.derived("docs/semantics.md, step 7")))
                  .on("chord " + chord.layer() + " " + chord.id())
                  .mendedBy(
                      Fix.of(
                          "Let " + chord.id() + " fire at once",
                          b -> b.withProfile(p -> p.withChord(chord.waiting(false))))));
        }
      }
    }
  }

  private void chordsWithin() {
    for (Chord shorter : profile.chords()) {
      for (Chord longer : profile.chords()) {
        boolean within =
            shorter.layer().equals(longer.layer())
                && longer.contacts().size() > shorter.contacts().size()
                && longer.contacts().containsAll(shorter.contacts());
        if (within && longer.waits()) {
          findings.add(
              Sites.look(
                      MapCode.CHORD_HIDDEN,
                      Sites.about(shorter.contacts()),
                      sites.labels(shorter.contacts()) + " is hidden by a longer chord",
                      "It waits up to "
                          + longer.windowMs()
                          + " ms whether "
                          + sites.labels(longer.contacts())
                          + " is meant; shorten that window or choose other members")
                  .on("chord " + longer.layer() + " " + longer.id()));
        }
      }
      boolean ever = false;
      for (int layer = 0; layer <= profile.layers().size(); layer++) {
        ever |= Chords.available(profile, shorter, layer);
      }
      if (!ever) {
        findings.add(
            Sites.look(
                MapCode.CHORD_HIDDEN,
                Sites.about(shorter.contacts()),
                sites.labels(shorter.contacts()) + " can never come",
                "Its layer is not there"));
      }
    }
  }

  /** Two functions that play asks for together are not to be a chord that means something else. */
  private void chordsThatPlayHits() {
    for (Chord chord : profile.chords()) {
      List<Set<String>> functions =
          chord.contacts().stream()
              .map(
                  contact ->
                      profile
                          .meaning(chord.layer(), contact)
                          .map(entry -> Set.of(entry.function()))
                          .orElse(Set.<String>of()))
              .toList();
      boolean all = true;
      for (int i = 0; i < functions.size(); i++) {
        for (int j = i + 1; j < functions.size(); j++) {
          all &= together(functions.get(i), functions.get(j));
        }
      }
      if (all) {
        String meaning =
            chord.entry().function().isEmpty()
                ? TargetText.of(chord.entry().target())
                : chord.entry().function();
        findings.add(
            Sites.look(
                    MapCode.CHORD_BY_CHANCE,
                    Sites.about(chord.contacts()),
                    "Play can hit " + meaning + " by chance",
                    "The brief says that "
                        + sites.labels(chord.contacts())
                        + " are wanted at the same moment, and together they mean "
                        + meaning)
                .on("chord " + chord.layer())
                .mendedBy(takenOut(chord)));
      }
    }
  }

  private static Fix takenOut(Chord chord) {
    return Fix.of(
        "Take the chord out",
        b ->
            b.withProfile(
                p -> p.withChords(p.chords().stream().filter(c -> !c.equals(chord)).toList())));
  }

  private boolean together(Set<String> one, Set<String> other) {
    return profile.together().stream()
        .anyMatch(
            pair ->
                one.contains(pair.one()) && other.contains(pair.other())
                    || one.contains(pair.other()) && other.contains(pair.one()));
  }

  private void chordsApart() {
    for (Chord chord : profile.chords()) {
      Set<ContactId> elsewhere = new TreeSet<>(chord.contacts());
      elsewhere.removeAll(sites.by().keySet());
      if (!elsewhere.isEmpty()) {
        findings.add(
            Finding.of(
                    MapCode.CHORD_OF_TWO_SEATS,
                    Sites.about(chord.contacts()),
                    "Chord " + chord.id() + " spans two boards",
                    sites.labels(elsewhere)
                        + " belong to another seat: no board sees all of its members")
                .mendedBy(takenOut(chord)));
      }
    }
  }
}
