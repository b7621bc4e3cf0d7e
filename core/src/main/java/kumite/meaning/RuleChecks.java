package kumite.meaning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.device.Senses;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.firmware.Blueprint;
import kumite.kind.BoardKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.map.MapCode;
import kumite.map.TargetText;
import kumite.map.Turned;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/** Rules that do nothing, or not what they look like: silent nonsense is told. */
public final class RuleChecks {
  private final Build build;
  private final Profile profile;
  private final Timing timing;
  private final Sites sites;
  private final Set<ContactId> all = new TreeSet<>();
  private final List<Finding> findings = new ArrayList<>();

  private RuleChecks(Build build, Catalogue catalogue, Loom loom, Optional<BoardKind> board) {
    this.build = build;
    this.profile = build.profile();
    this.timing = Senses.timing(build, board);
    this.sites = Sites.of(loom);
    build
        .hands()
        .forEach(
            control ->
                catalogue
                    .kindOf(control)
                    .contacts()
                    .forEach(contact -> all.add(new ContactId(control.id(), contact.name()))));
  }

  /**
   * {@return rules that do nothing, or harm, in the profile looked at}
   *
   * @param first whether it is its seat's first: what is tuned for all profiles is told once
   */
  public static List<Finding> of(
      Build build, Catalogue catalogue, Loom loom, Optional<BoardKind> board, boolean first) {
    RuleChecks checks = new RuleChecks(build, catalogue, loom, board);
    if (loom.sites().isEmpty() || board.filter(BoardKind::bringsProgram).isPresent()) {
      return checks.findings;
    }
    KeysOnly.of(checks.profile, checks.sites, board).ifPresent(checks.findings::add);
    checks.opposites();
    checks.fourWays();
    checks.ramps();
    checks.strangers();
    checks.windows();
    checks.latches();
    checks.pads();
    checks.balls();
    if (first) {
      checks.findings.addAll(TuningChecks.of(build, checks.timing, checks.sites));
      checks.slots(board);
      checks.program(board);
    }
    return checks.findings;
  }

  private boolean has(ControlId control, String... names) {
    return Stream.of(names).allMatch(name -> sites.by().containsKey(new ContactId(control, name)));
  }

  // ---- rules

  private void opposites() {
    for (Opposed pair : profile.opposites().keySet()) {
      if (pair instanceof Opposed.Lever lever
          && here(lever.control())
          && !has(
              lever.control(),
              lever.upright() ? "up" : "left",
              lever.upright() ? "down" : "right")) {
        findings.add(
            Sites.inVain(
                List.of(Subject.of(lever.control())),
                "The rule for " + pair.text() + " does nothing",
                lever.control() + " has no two such contacts",
                "Take the rule out",
                b -> b.withProfile(p -> p.withOpposites(pair, Optional.empty()))));
      } else if (pair instanceof Opposed.OfReport of && !(given(of.low()) && given(of.high()))) {
        findings.add(
            Sites.inVain(
                List.of(),
                "The rule for " + pair.text() + " does nothing",
                "Nothing gives both of its directions",
                "Take the rule out",
                b -> b.withProfile(p -> p.withOpposites(pair, Optional.empty()))));
      }
    }
  }

  private boolean here(ControlId control) {
    return sites.by().values().stream().anyMatch(site -> site.control().id().equals(control));
  }

  private void fourWays() {
    for (Map.Entry<ControlId, FourWay> way : profile.fourWays().entrySet()) {
      ControlId control = way.getKey();
      boolean upright = has(control, "up") || has(control, "down");
      boolean across = has(control, "left") || has(control, "right");
      if (here(control) && !(upright && across)) {
        findings.add(
            Sites.inVain(
                List.of(Subject.of(control)),
                "Four ways of " + control + " do nothing",
                "It has no contacts upright and across that could be had at once",
                "Take the rule out",
                b -> b.withProfile(p -> p.withFourWay(control, Optional.empty()))));
      }
    }
  }

  private boolean given(Target target) {
    return profile.entries().map(entry -> entry.target().plain()).anyMatch(target::equals);
  }

  private void ramps() {
    for (AxisName axis : profile.ramps().keySet()) {
      if (!given(new Target.AxisEnd(axis, false)) && !given(new Target.AxisEnd(axis, true))) {
        findings.add(
            Sites.inVain(
                List.of(),
                "The ramp of axis " + axis.words() + " does nothing",
                "A ramp is how switches drive an axis, and none drives this one",
                "Take the ramp out",
                b -> b.withProfile(p -> p.withRamp(axis, Optional.empty()))));
      }
    }
  }

  /** A contact of another seat in this one's map: its board does not see it. */
  private void strangers() {
    Set<ContactId> strange = new TreeSet<>();
    profile.mappings().forEach(m -> strange.addAll(m.entries().keySet()));
    profile.layers().forEach(layer -> strange.addAll(layer.by()));
    strange.addAll(profile.choice().contacts());
    strange.retainAll(all);
    strange.removeAll(sites.by().keySet());
    // What is here and not read is told at its port.
    build.seated().forEach(here -> strange.removeIf(c -> c.control().equals(here.id())));
    for (ContactId contact : strange) {
      findings.add(
          Sites.look(
                  MapCode.OTHER_SEATS_CONTACT,
                  List.of(Subject.of(contact)),
                  contact + " is mapped at a seat that it does not belong to",
                  "Its wires end at another board, so this one never sees it")
              .mendedBy(
                  Fix.of("Take it out of this map", b -> b.withProfile(p -> p.without(contact)))));
    }
  }

  // ---- time

  private void windows() {
    for (Chord chord : profile.chords()) {
      if (chord.windowMs() * 1000 < timing.scanUs()) {
        findings.add(
            Sites.look(
                MapCode.WINDOW_TOO_SHORT,
                chord.contacts().stream().map(Subject::of).toList(),
                "The window of chord " + chord.id() + " is shorter than a look",
                "It is "
                    + chord.windowMs()
                    + " ms, and the board looks each "
                    + ms(timing.scanUs())
                    + ": its members must be seen at the same look"));
      }
    }
  }

  /** A switch that stays where it is put holds its key down, and the host repeats it. */
  private void latches() {
    Stream<Mapping> maps =
        Stream.concat(Stream.of(profile.base()), profile.layers().stream().map(Layer::mapping));
    maps.flatMap(mapping -> mapping.entries().entrySet().stream())
        .filter(entry -> entry.getValue().target().plain() instanceof Target.Key)
        .filter(entry -> sites.by().containsKey(entry.getKey()))
        .filter(entry -> sites.by().get(entry.getKey()).kind().latching())
        .filter(entry -> !sites.by().get(entry.getKey()).kind().choosesOneOfSeveral())
        .map(entry -> entry.getKey())
        .distinct()
        .forEach(
            contact ->
                findings.add(
                    Sites.look(
                        MapCode.KEY_HELD_DOWN,
                        List.of(Subject.of(contact)),
                        sites.label(contact)
                            + " holds "
                            + TargetText.of(meaning(contact))
                            + " down for as long as it stands",
                        "It stays where it is put, and a host repeats a key that is held: give it a"
                            + " button of the gamepad, or take a switch that springs back")));
  }

  private void pads() {
    int pads = profile.entries().mapToInt(entry -> entry.target().pad()).max().orElse(1);
    if (pads > 1) {
      findings.add(
          Sites.look(
              MapCode.SEVERAL_PADS,
              List.of(),
              pads + " gamepads go over one interface",
              "Some hosts merge them into one (from memory): try yours, and give each player a board of"
                  + " their own where it does"));
    }
  }

  /** A ball turned in its panel rolls its pairs another way than the host takes them. */
  private void balls() {
    for (Control control : build.seated()) {
      ContactId across = new ContactId(control.id(), "xa");
      ContactId upright = new ContactId(control.id(), "ya");
      int quarters = Turned.quarters(control).orElse(0);
      ContactSite site = sites.by().get(across);
      if (site == null
          || !site.kind().rolls()
          || quarters == 0
          || !Turned.rolls(profile.base(), across, upright)
          || quarters == 2 && backward(across) && backward(upright)) {
        continue;
      }
      findings.add(
          Sites.look(
                  MapCode.TURNED,
                  List.of(Subject.of(across), Subject.of(upright)),
                  control.label() + " is turned and its map is not",
                  "As it sits, rolling it right turns its "
                      + (quarters == 2 ? "pair x backward" : "pair y")
                      + ", which the host takes for another way")
              .mendedBy(
                  Fix.of(
                      "Turn the map of " + control.label(),
                      b -> Turned.ball(b, across, upright, quarters))));
    }
  }

  private boolean backward(ContactId first) {
    Pulses pulses = build.tuning().pulses().get(first);
    return pulses != null && pulses.turned();
  }

  private Target meaning(ContactId contact) {
    return Stream.concat(Stream.of(profile.base()), profile.layers().stream().map(Layer::mapping))
        .flatMap(mapping -> mapping.of(contact).stream())
        .map(Mapping.Entry::target)
        .filter(target -> target.plain() instanceof Target.Key)
        .findFirst()
        .orElseThrow();
  }

  /** A board that somebody else has to write a program for. */
  private void program(Optional<BoardKind> board) {
    board
        .filter(b -> b.brain().needsCode())
        .flatMap(Blueprint::why)
        .ifPresent(
            why ->
                findings.add(
                    Sites.look(
                        MapCode.NO_PROGRAM,
                        List.of(Subject.BOARD),
                        "No program is written for this board",
                        why + ". What it does then is up to the program that you put on it")));
  }

  /** A radio tells in slots: what was typed for the poll is rounded up to one. */
  private void slots(Optional<BoardKind> board) {
    Optional<BoardKind> radio = board.filter(b -> b.brain().link() == BoardKind.Link.RADIO);
    int typed = build.timing().pollUs();
    if (radio.isPresent() && typed < radio.get().brain().rawMillis() * 1000) {
      findings.add(
          Sites.look(
              MapCode.RADIO_SLOT,
              List.of(),
              "The radio tells each " + ms(timing.pollUs()) + ", not each " + ms(typed),
              radio.get().name()
                  + " waits for its next slot; what is typed below that is taken as one slot"));
    }
  }

  private static String ms(int us) {
    return kumite.working.Working.number(us / 1000.0, us % 1000 == 0 ? 0 : 1) + " ms";
  }
}
