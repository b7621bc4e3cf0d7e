package kumite.device;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.TargetText;
import kumite.map.Within;
import kumite.name.ContactId;
import kumite.program.Sense;

/** What a board's program looks at and reports, as it follows from the plan and a profile. */
public final class Senses {
  private Senses() {}

  /** {@return one for each look, in their order} */
  public static List<Sense> of(Looks looks, Loom loom) {
    Map<ContactId, ContactSite> sites = new HashMap<>();
    loom.sites().forEach(site -> sites.put(site.id(), site));
    return looks.all().stream().map(look -> sense(look, sites)).toList();
  }

  private static Sense sense(Look look, Map<ContactId, ContactSite> sites) {
    return new Sense(
        look.contact(),
        look.travels(),
        look.contact().map(sites::get).map(site -> site.kind().steps()).orElse(0),
        look.contact().map(sites::get).map(ContactSite::rest).orElse(0.0),
        look.fixed().map(TargetText::parse));
  }

  /**
   * {@return the profile as far as a board can do it: one that fixes its meanings, or takes them
   * from a table, knows no more}
   */
  public static Profile known(Profile profile, Optional<BoardKind> board) {
    return Within.of(profile, board);
  }

  /** {@return how single contacts are read: a board that brings its program repeats nothing} */
  public static Tuning known(Tuning tuning, Optional<BoardKind> board) {
    return board.filter(BoardKind::bringsProgram).isPresent()
        ? new Tuning(tuning.axes(), tuning.presses(), Map.of(), tuning.pulses())
        : tuning;
  }

  /**
   * {@return the reports of a board under a profile}
   *
   * <p>A board that fixes its meanings reports all its sockets, and nothing but these; what a host
   * reads itself is no report at all.
   */
  public static ReportLayout layout(Loom loom, Optional<BoardKind> board, Profile profile) {
    java.util.Set<Target> targets = new java.util.LinkedHashSet<>();
    if (board.filter(BoardKind::ofHost).isPresent()) {
      return ReportLayout.of(targets, Map.of(), board.get().axisMaximum(), profile.keys());
    }
    Map<Target, Integer> steps = new HashMap<>();
    Map<ContactId, ContactSite> sites = new HashMap<>();
    loom.sites().forEach(site -> sites.put(site.id(), site));
    if (board.filter(BoardKind::fixedMap).isPresent()) {
      board.get().terminals(Terminal.Role.INPUT).stream()
          .flatMap(t -> t.fixed().stream())
          .forEach(text -> targets.add(TargetText.parse(text)));
    } else {
      profile
          .mappings()
          .forEach(
              mapping ->
                  mapping
                      .entries()
                      .forEach(
                          (contact, entry) -> {
                            ContactSite site = sites.get(contact);
                            if (site != null) {
                              targets.add(entry.target());
                              if (entry.target().plain() instanceof Target.Steps) {
                                steps.merge(
                                    entry.target(), Math.max(1, site.kind().steps()), Math::max);
                              }
                            }
                          }));
      profile.chords().stream()
          .filter(chord -> sites.keySet().containsAll(chord.contacts()))
          .forEach(chord -> targets.add(chord.entry().target()));
    }
    return ReportLayout.of(
        targets, steps, board.map(BoardKind::axisMaximum).orElse(255), profile.keys());
  }

  /** {@return whether a meaning is a key, such as a computer takes from its own header} */
  public static boolean isKey(Target target) {
    return target instanceof Target.Key || target instanceof Target.Media;
  }

  /**
   * {@return how keys stand inside of a program whose board is the host's own header: a bit each;
   * it goes out to nobody}
   */
  public static ReportLayout keys(Profile profile) {
    java.util.Set<Target> targets = new java.util.LinkedHashSet<>();
    profile.entries().map(Mapping.Entry::target).filter(Senses::isKey).forEach(targets::add);
    return ReportLayout.of(targets, Map.of(), 255, Profile.Keys.ALL);
  }

  /** {@return how a board looks and reports: no faster than it can} */
  public static Timing timing(Build build, Optional<BoardKind> board) {
    if (board.flatMap(BoardKind::circuit).isPresent()) {
      // Chips follow at once, and bounce with the contact; the console looks once a frame.
      return new Timing((int) Timing.SCAN.least(), Timing.Debounce.EAGER, 0, Timing.USUAL.pollUs())
          .noFasterThan(board.get().brain().rawMillis());
    }
    return board
        .map(b -> build.timing().noFasterThan(b.brain().rawMillis()))
        .orElse(build.timing());
  }
}
