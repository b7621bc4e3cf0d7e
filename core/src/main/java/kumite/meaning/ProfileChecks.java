package kumite.meaning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.map.Doable;
import kumite.map.MapCode;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/** Checks of how profiles are chosen, and of how single contacts are read. */
public final class ProfileChecks {
  private final Seat seat;
  private final Build build;
  private final Doable doable;
  private final Map<ContactId, ContactSite> sites = new HashMap<>();
  private final List<Finding> findings = new ArrayList<>();

  private ProfileChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.doable = Doable.of(build, catalogue);
    this.seat = build.seat();
    loom.sites().forEach(site -> sites.put(site.id(), site));
  }

  /** {@return what is to be said of profiles and how they are chosen} */
  public static List<Finding> of(
      Build build, Catalogue catalogue, Loom loom, Optional<BoardKind> board) {
    ProfileChecks checks = new ProfileChecks(build, catalogue, loom);
    checks.choices();
    if (board.filter(b -> !b.bringsProgram() && b.brain().needsCode()).isPresent()) {
      checks.calibrated();
    }
    return checks.findings;
  }

  private void choices() {
    List<Profile> profiles = seat.profiles();
    for (Profile profile : profiles) {
      together(profile);
      if (profiles.size() > 1 && profile.choice() instanceof Choice.Running running) {
        running(profile, running);
      }
    }
    for (int i = 1; i < profiles.size(); i++) {
      Profile profile = profiles.get(i);
      if (profile.choice().contacts().isEmpty()) {
        findings.add(
            look(
                MapCode.PROFILE_UNCHOSEN,
                List.of(),
                "Nothing chooses profile " + profile.name(),
                "Name contacts that are held at power-up or while it runs, or a switch that stays"));
      }
      // While it runs the profile in force is not chosen again: two alike lead to each other.
      int alike = profile.choice() instanceof Choice.Running ? 2 : 1;
      for (int j = 0; j < i; j++) {
        Profile other = profiles.get(j);
        boolean same =
            !other.choice().contacts().isEmpty() && other.choice().equals(profile.choice());
        if (same && --alike == 0) {
          findings.add(
              look(
                  MapCode.PROFILE_CHOSEN_BADLY,
                  about(profile.choice()),
                  "Profiles " + other.name() + " and " + profile.name() + " are chosen alike",
                  words(profile.choice())
                      + " chooses both; "
                      + other.name()
                      + " comes first, and "
                      + profile.name()
                      + " never"));
        }
      }
      stuck(profile);
    }
  }

  /** A combination that one fault, or a part that stays where it is put, can hold by itself. */
  private void stuck(Profile profile) {
    if (!(profile.choice() instanceof Choice.Held held)) {
      return;
    }
    boolean byItself =
        held.contacts().stream()
            .map(sites::get)
            .allMatch(
                site ->
                    site != null
                        && (site.control().hookup().restsClosed() || site.kind().latching()));
    if (byItself) {
      findings.add(
          look(
              MapCode.PROFILE_CHOSEN_BADLY,
              about(held),
              "Profile " + profile.name() + " chooses itself",
              words(held) + " can be closed with no hand on it, at any power-up"));
    } else if (held.contacts().size() == 1) {
      findings.add(
          look(
              MapCode.PROFILE_CHOSEN_BADLY,
              about(held),
              "A stuck contact chooses profile " + profile.name(),
              words(held) + " alone is enough; ask for a second contact with it"));
    }
  }

  /** One that is held in play all the same, or that nobody can make, or leave. */
  private void running(Profile profile, Choice.Running running) {
    List<ContactSite> wanted =
        running.contacts().stream()
            .flatMap(c -> Optional.ofNullable(sites.get(c)).stream())
            .toList();
    Optional<ContactSite> stays =
        wanted.stream()
            .filter(s -> s.control().hookup().restsClosed() || s.kind().latching())
            .findFirst();
    if (stays.isPresent()) {
      findings.add(
          look(
              MapCode.PROFILE_CHOSEN_BADLY,
              about(running),
              "Profile " + profile.name() + " is not chosen by a hand alone",
              stays.get().label()
                  + " stays closed by itself: the combination counts once none of it is held any"
                  + " more; take contacts that spring back"));
    } else if (running.contacts().size() == 1) {
      findings.add(
          look(
              MapCode.PROFILE_CHOSEN_BADLY,
              about(running),
              "Play chooses profile " + profile.name(),
              words(running)
                  + " alone, held for 2 s as in play, is enough; ask for a second contact with"
                  + " it"));
    }
  }

  /** Contacts that no hands hold together choose nothing. */
  private void together(Profile profile) {
    doable
        .together(profile.choice().contacts())
        .ifPresent(
            why ->
                findings.add(
                    look(
                        MapCode.PROFILE_CHOSEN_BADLY,
                        about(profile.choice()),
                        "No hand can choose profile " + profile.name(),
                        "All have to be held together, but " + why)));
  }

  private void calibrated() {
    for (ContactSite site : sites.values().stream().sorted(byNumber()).toList()) {
      boolean axis =
          site.contact().type() == ContactKind.Type.WIPER
              && site.pad().filter(Pad::framed).isEmpty() // a pad says where its ends are by itself
              && seat.profiles().stream()
                  .flatMap(Profile::mappings)
                  .flatMap(mapping -> mapping.of(site.id()).stream())
                  .anyMatch(entry -> entry.target().follows());
      boolean done =
          Optional.ofNullable(build.tuning().axes().get(site.id()))
              .filter(tuning -> tuning.calibrated())
              .isPresent();
      if (axis && !done) {
        String rest = site.kind().restsBetweenEnds() ? "ends and its rest" : "ends";
        findings.add(
            look(
                MapCode.UNCALIBRATED,
                List.of(Subject.of(site.id())),
                site.label() + " was never calibrated",
                "Its "
                    + rest
                    + " are taken for those of the converter; move it to both and record"
                    + " them under Axes"));
      }
    }
  }

  private static java.util.Comparator<ContactSite> byNumber() {
    return java.util.Comparator.comparingInt(ContactSite::number);
  }

  private String words(Choice choice) {
    return choice.contacts().stream()
        .map(c -> Optional.ofNullable(sites.get(c)).map(ContactSite::label).orElse(c.toString()))
        .collect(Collectors.joining(" with "));
  }

  private static List<Subject> about(Choice choice) {
    return choice.contacts().stream().map(Subject::of).toList();
  }

  private static Finding look(Code code, List<Subject> about, String title, String detail) {
    return Finding.of(code, Severity.LOOK, about, title, detail);
  }
}
