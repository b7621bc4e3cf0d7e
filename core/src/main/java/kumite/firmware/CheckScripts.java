package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.device.Away;
import kumite.device.Noise;
import kumite.device.PowerUp;
import kumite.device.Trace;
import kumite.loom.Console;
import kumite.loom.ContactSite;
import kumite.loom.Supplied;
import kumite.name.ContactId;

/** Scripts that an exported program is checked with, and the reports that they have to give. */
final class CheckScripts {
  private static final long SEED = 2025;
  private static final int AT_ONCE = 60;
  private static final long START = -1;

  /** So near to where a clock of 32 bits runs over that a play lives through it. */
  private static final long OVER_SOON_US = (1L << 32) - 50_000;

  /**
   * One script.
   *
   * @param powerUp what is held at power-up
   * @param away when the host takes nothing
   * @param startUs what the board's clock says at power-up
   * @param reports what the workbench's device tells, a line each, then an empty one
   */
  record Check(
      long seed,
      List<ContactId> powerUp,
      List<Away> away,
      long startUs,
      Noise noise,
      Script script,
      String reports) {
    String line() {
      return seed
          + powerUp.stream().map(c -> " ^" + c).collect(Collectors.joining())
          + away.stream()
              .map(a -> " !" + a.fromUs() + "us+" + (a.toUs() - a.fromUs()) + "us")
              .collect(Collectors.joining())
          + (startUs == 0 ? "" : " >" + startUs)
          + (noise.codes() == 0 ? "" : " ~" + noise.codes())
          + " "
          + script.text()
          + "\n";
    }
  }

  private CheckScripts() {}

  /** {@return checks of every profile: each contact, each chord, and presses drawn by chance} */
  static List<Check> of(Blueprint blueprint) {
    List<Check> checks = new ArrayList<>();
    for (Profile profile : blueprint.profiles()) {
      boolean running = profile.choice() instanceof Choice.Running;
      List<ContactId> powerUp = running ? List.of() : List.copyOf(profile.choice().contacts());
      Profile taken =
          PowerUp.chosen(blueprint.profiles(), blueprint.inputs(), blueprint.tuning(), powerUp);
      List<String> scripts =
          scripts(blueprint, profile).stream()
              .map(text -> running ? chosenFirst(blueprint, profile, text) : text)
              .toList();
      // The first once more, before a host that sleeps for a while, while the clock runs over.
      checks.add(check(blueprint, taken, powerUp, scripts.get(0), SEED + checks.size(), true));
      for (String text : scripts) {
        checks.add(check(blueprint, taken, powerUp, text, SEED + checks.size(), false));
      }
    }
    return checks;
  }

  /** A script behind the combination that chooses its profile. */
  private static String chosenFirst(Blueprint blueprint, Profile profile, String text) {
    StringBuilder first = new StringBuilder();
    for (ContactId contact : profile.choice().contacts()) {
      if (blueprint.loom().site(contact).isPresent()) {
        first.append(contact).append("@1ms+").append(HOLD_MS).append("ms ");
      }
    }
    List<Script.Move> moves = Script.parse("check", text).moves();
    List<Script.Move> later =
        moves.stream()
            .map(
                m ->
                    new Script.Move(
                        m.contact(), m.travel(), m.fromUs() + LATER_MS * 1000L, m.forUs()))
            .toList();
    return first + new Script("check", later).text();
  }

  private static final int HOLD_MS = 2200;
  private static final int LATER_MS = 2400;

  private static Check check(
      Blueprint blueprint,
      Profile taken,
      List<ContactId> powerUp,
      String text,
      long seed,
      boolean sleeps) {
    List<Away> away = sleeps ? List.of(new Away(20_000, 60_000)) : List.of();
    Script script = Script.parse("check", text);
    Noise noise = sleeps ? new Noise(2) : Noise.NONE;
    Trace trace = blueprint.device(taken).with(noise).play(script, seed, away);
    return new Check(
        seed,
        powerUp,
        away,
        sleeps ? OVER_SOON_US : 0,
        noise,
        script,
        lines(blueprint, taken, trace));
  }

  /**
   * {@return reports and frames, or of a header the keys, as the program on a computer prints them}
   *
   * @param profile the one that is in force
   */
  static String lines(Blueprint blueprint, Profile profile, Trace trace) {
    if (blueprint.header()) {
      return HeaderSource.told(blueprint, Score.of(blueprint), profile, trace);
    }
    StringBuilder lines = new StringBuilder();
    List<Console> consoles = ConsoleRows.answered(blueprint);
    List<String> before = new ArrayList<>();
    // Of one poll: reports, then strips, then consoles; before all polls what stood at the start.
    TreeMap<Long, StringBuilder> polls = new TreeMap<>();
    int standing = blueprint.layout(profile).reportIds().size();
    for (int i = 0; i < trace.reports().size(); i++) {
      Trace.Report report = trace.reports().get(i);
      at(polls, i < standing ? START : report.us())
          .append(report.us() + " " + report.id() + " " + report.hex() + "\n");
    }
    for (int i = 0; i < trace.lit().size(); i++) {
      Trace.Lit lit = trace.lit().get(i);
      String inForce = trace.profile(lit.us(), profile.name());
      at(polls, i == 0 ? START : lit.us()).append(colours(blueprint, inForce, lit));
    }
    for (int i = 0; i < trace.told().size(); i++) {
      Trace.Told told = trace.told().get(i);
      frames(consoles, told, before, at(polls, i == 0 ? START : told.us()));
    }
    for (Trace.Turn turn : trace.turns()) {
      // A look comes before a poll of its time.
      at(polls, turn.us()).insert(0, turn.us() + " profile " + number(blueprint, turn) + "\n");
    }
    polls.values().forEach(lines::append);
    return lines + "\n";
  }

  private static int number(Blueprint blueprint, Trace.Turn turn) {
    return 1 + blueprint.profiles().stream().map(Profile::name).toList().indexOf(turn.profile());
  }

  private static StringBuilder at(TreeMap<Long, StringBuilder> polls, long us) {
    return polls.computeIfAbsent(us, u -> new StringBuilder());
  }

  private static String colours(Blueprint blueprint, String profile, Trace.Lit lit) {
    StringBuilder lines = new StringBuilder();
    List<Supplied> strips = blueprint.loom().strips(blueprint.board());
    for (int s = 0; s < strips.size(); s++) {
      String told = lit.us() + " strip " + (s + 1) + " ";
      lit.colour(strips.get(s).part().shows(), profile)
          .ifPresent(colour -> lines.append(told).append(colour.hex()).append('\n'));
    }
    return lines.toString();
  }

  private static void frames(
      List<Console> consoles, Trace.Told told, List<String> before, StringBuilder lines) {
    for (int c = 0; c < consoles.size(); c++) {
      String frame = ConsoleRows.frame(consoles.get(c), told.on());
      boolean first = before.size() <= c;
      if (first) {
        before.add(frame);
      }
      if (first || !before.set(c, frame).equals(frame)) {
        lines.append(told.us() + " console " + (c + 1) + " " + frame + "\n");
      }
    }
  }

  private static List<String> scripts(Blueprint blueprint, Profile profile) {
    List<String> scripts = new ArrayList<>();
    List<ContactSite> sites = blueprint.loom().sites();
    for (int from = 0; from < sites.size(); from += AT_ONCE) {
      StringBuilder each = new StringBuilder();
      int ms = 5;
      for (ContactSite site : sites.subList(from, Math.min(sites.size(), from + AT_ONCE))) {
        each.append(site.id()).append('@').append(ms).append("ms+20ms ");
        ms += 45;
      }
      scripts.add(each.toString());
    }
    StringBuilder chords = new StringBuilder();
    int ms = 5;
    for (Chord chord : profile.chords().stream().limit(20).toList()) {
      for (ContactId contact : chord.contacts()) {
        if (sites.stream().anyMatch(s -> s.id().equals(contact))) {
          chords.append(contact).append('@').append(ms++).append("ms+80ms ");
        }
      }
      ms += 200;
    }
    if (!chords.isEmpty()) {
      scripts.add(chords.toString());
    }
    if (!sites.isEmpty()) {
      scripts.add(drawn(sites, new SplittableRandom(SEED), 40, 400));
    }
    return scripts;
  }

  /** {@return a script drawn by chance} */
  static String drawn(List<ContactSite> sites, SplittableRandom random, int moves, int withinMs) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < moves; i++) {
      ContactSite site = sites.get(random.nextInt(sites.size()));
      text.append(site.id());
      if (site.contact().type().analog()) {
        text.append(String.format(Locale.ROOT, "=%.3f", random.nextInt(1001) / 1000.0));
      }
      text.append('@').append(random.nextInt(withinMs * 1000)).append("us");
      if (random.nextInt(4) > 0) {
        text.append('+').append(1 + random.nextInt(100_000)).append("us");
      }
      text.append(' ');
    }
    return text.toString();
  }
}
