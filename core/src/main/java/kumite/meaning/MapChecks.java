package kumite.meaning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Host;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.map.Coverage;
import kumite.map.MapCode;
import kumite.map.Proposal;
import kumite.map.TargetText;
import kumite.map.Turned;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the map and its timing. */
public final class MapChecks {
  private final Build build;
  private final Catalogue catalogue;
  private final Map<ContactId, ContactSite> sites = new HashMap<>();
  private final List<Finding> findings = new ArrayList<>();

  private MapChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.catalogue = catalogue;
    loom.sites().forEach(site -> sites.put(site.id(), site));
  }

  /** {@return what is to be said of the map of the profile looked at} */
  public static List<Finding> of(
      Build build, Catalogue catalogue, Loom loom, Coverage coverage, ReportLayout layout) {
    MapChecks checks = new MapChecks(build, catalogue, loom);
    if (!loom.sites().isEmpty()) {
      checks.unmapped(loom);
      checks.unfit();
      checks.sockets(loom);
      checks.clashes(coverage);
      checks.coverage(coverage);
      checks.buttons(layout);
      checks.bounce(loom);
      checks.turned();
    }
    return checks.findings;
  }

  private void unmapped(Loom loom) {
    // What reaches a layer, is part of a chord or counts with another need mean nothing itself.
    java.util.Set<ContactId> useful = new java.util.HashSet<>();
    build.profile().layers().forEach(layer -> useful.addAll(layer.by()));
    build.profile().layers().forEach(l -> useful.addAll(l.mapping().entries().keySet()));
    build.profile().chords().forEach(chord -> useful.addAll(chord.contacts()));
    build.seat().profiles().forEach(profile -> useful.addAll(profile.choice().contacts()));
    build.tuning().pulses().keySet().stream()
        .flatMap(contact -> kumite.build.map.Pulses.partner(contact).stream())
        .forEach(useful::add);
    List<ContactSite> without =
        loom.sites().stream()
            .filter(site -> site.entry().isEmpty() && !useful.contains(site.id()))
            .toList();
    if (without.isEmpty()) {
      long meant = loom.sites().stream().filter(site -> site.entry().isPresent()).count();
      findings.add(
          fine(
              MapCode.MAPPED_FINE,
              "Every contact means something",
              meant == loom.sites().size()
                  ? mapped(meant)
                  : mapped(meant)
                      + "; "
                      + (loom.sites().size() - meant)
                      + " reach layers, make chords, count or choose profiles"));
      return;
    }
    String names =
        String.join(", ", without.stream().limit(5).map(ContactSite::label).toList())
            + (without.size() > 5 ? " and " + (without.size() - 5) + " more" : "");
    findings.add(
        Finding.of(
                MapCode.UNMAPPED,
                without.stream().map(site -> Subject.of(site.id())).toList(),
                without.size()
                    + (without.size() == 1 ? " contact means" : " contacts mean")
                    + " nothing yet",
                names)
            .mendedBy(Fix.of("Map the rest", b -> b.withMapping(Proposal.rest(b, catalogue)))));
  }

  private static String mapped(long contacts) {
    return contacts == 1 ? "1 contact is mapped" : contacts + " contacts are mapped";
  }

  private void unfit() {
    build
        .mapping()
        .entries()
        .forEach(
            (contact, entry) -> {
              ContactSite site = sites.get(contact);
              if (site == null) {
                return;
              }
              String why = whyUnfit(site, entry.target());
              if (!why.isEmpty()) {
                Build without = build.withMapping(build.mapping().without(contact));
                Supplier<Optional<Mapping.Entry>> other =
                    () -> Proposal.rest(without, catalogue).of(contact);
                findings.add(
                    Finding.of(
                            MapCode.CANNOT_GIVE,
                            List.of(Subject.of(contact)),
                            site.label() + " cannot give " + TargetText.of(entry.target()),
                            why)
                        .mendedBy(
                            () ->
                                other
                                    .get()
                                    .map(
                                        o ->
                                            Fix.of(
                                                "Make it " + TargetText.of(o.target()),
                                                b ->
                                                    b.withMapping(
                                                        b.mapping()
                                                            .with(
                                                                contact,
                                                                new Mapping.Entry(
                                                                    o.target(),
                                                                    entry.function())))))));
              }
            });
  }

  /** On a board that fixes its meanings, what a contact is mapped to counts for nothing. */
  private void sockets(Loom loom) {
    boolean fixed = catalogue.boardOf(build).filter(board -> board.fixedMap()).isPresent();
    for (ContactSite site : fixed ? loom.sites() : List.<ContactSite>of()) {
      Optional<String> socket = loom.pinOf(site.id()).flatMap(pin -> pin.terminal().fixed());
      Optional<Mapping.Entry> entry = site.entry();
      if (socket.isEmpty()
          || entry.isEmpty()
          || TargetText.of(entry.get().target()).equals(socket.get())) {
        continue;
      }
      findings.add(
          Finding.of(
                  MapCode.FIXED_MEANING,
                  List.of(Subject.of(site.id())),
                  site.label() + " gives " + socket.get() + ", whatever it is mapped to",
                  "Its socket's meaning is fixed in the board; it is mapped to "
                      + TargetText.of(entry.get().target()))
              .mendedBy(
                  Fix.of(
                      "Map it to " + socket.get(),
                      b ->
                          b.withMapping(
                              b.mapping()
                                  .with(
                                      site.id(),
                                      new Mapping.Entry(
                                          TargetText.parse(socket.get()),
                                          entry.get().function()))))));
    }
  }

  /** {@return why a contact cannot give a meaning; empty where it can} */
  static String whyUnfit(ContactSite site, Target any) {
    Target target = any.plain();
    ContactKind.Type type = site.contact().type();
    boolean turns = site.kind().givesPulses();
    if (target instanceof Target.Steps && site.kind().steps() < 2) {
      return "Only a stepped control gives one button for each step";
    }
    if (target instanceof Target.Motion motion && type == ContactKind.Type.SWITCH && !turns) {
      return "A switch has no travel; it can move the mouse one way, such as "
          + motion.axis().words()
          + "+";
    }
    if (target instanceof Target.Axis && type == ContactKind.Type.SWITCH && !turns) {
      return "A switch has no travel; it can drive one end of an axis, such as Axis X-";
    }
    if (target instanceof Target.Steps steps && steps.first() + site.kind().steps() - 1 > 128) {
      return "Its last step would be beyond button 128";
    }
    return "";
  }

  private void clashes(Coverage coverage) {
    List<Target> targets = new ArrayList<>(coverage.clashes().keySet());
    targets.sort(java.util.Comparator.comparing(TargetText::of));
    for (Target target : targets) {
      List<ContactId> contacts =
          coverage.clashes().get(target).stream().filter(sites::containsKey).toList();
      if (contacts.size() < 2) {
        continue;
      }
      ContactId last = contacts.get(contacts.size() - 1);
      Mapping without = build.mapping().without(last);
      Supplier<Optional<Mapping.Entry>> other =
          () ->
              Proposal.rest(build.withMapping(without), catalogue)
                  .of(last)
                  .filter(entry -> !entry.target().equals(target));
      String function = build.mapping().of(last).map(Mapping.Entry::function).orElse("");
      findings.add(
          Finding.of(
                  MapCode.GIVEN_TWICE,
                  contacts.stream().map(Subject::of).toList(),
                  TargetText.of(target) + " is given by " + contacts.size() + " contacts",
                  String.join(", ", contacts.stream().map(c -> sites.get(c).label()).toList())
                      + ": the host cannot tell them apart")
              .mendedBy(
                  () ->
                      other
                          .get()
                          .map(
                              entry ->
                                  Fix.of(
                                      "Make "
                                          + sites.get(last).label()
                                          + " "
                                          + TargetText.of(entry.target()),
                                      b ->
                                          b.withMapping(
                                              b.mapping()
                                                  .with(
                                                      last,
                                                      new Mapping.Entry(
                                                          entry.target(), function)))))));
    }
  }

  private void coverage(Coverage coverage) {
    for (Coverage.Row row : coverage.rows()) {
      if (row.by().isEmpty()) {
        findings.add(
            Finding.of(
                MapCode.UNCOVERED,
                List.of(),
                "Nothing gives " + row.function().name(),
                "The host asks for it as a "
                    + row.function().wants().words()
                    + "; choose a contact for it, or take it out of the brief"));
      } else if (!row.fits()) {
        findings.add(
            Finding.of(
                MapCode.WRONG_INPUT,
                row.by().stream().map(Subject::of).toList(),
                row.function().name() + " gets the wrong kind of input",
                "The host wants a " + row.function().wants().words() + " for it"));
      }
    }
    if (!coverage.rows().isEmpty() && coverage.covered() == coverage.rows().size()) {
      findings.add(
          fine(
              MapCode.COVERED_FINE,
              "All " + coverage.rows().size() + " functions covered",
              "Whatever the host asks for has its contact"));
    }
  }

  private void buttons(ReportLayout layout) {
    Host host = build.profile().host();
    // Each gamepad of the device is listed for itself.
    long used =
        layout.reportIds().stream()
            .filter(id -> layout.part(id) == ReportLayout.Part.GAMEPAD)
            .mapToLong(
                id ->
                    layout.fields().stream()
                        .filter(f -> f.reportId() == id && f.usage().page() == Usage.BUTTON)
                        .count())
            .max()
            .orElse(0);
    if (used > host.buttons()) {
      findings.add(
          Finding.of(
                  MapCode.MANY_BUTTONS,
                  List.of(),
                  used + " buttons are more than a " + host.words() + " surely takes",
                  "It lists "
                      + host.buttons()
                      + " of one gamepad dependably; give keys to the rest")
              .showing(
                  new Working(
                      "buttons of one gamepad",
                      "highest button number in the report",
                      List.of(Working.value("n", used, 0, "", "buttons in the report")),
                      used + " of " + host.buttons(),
                      Source.common("hosts differ; try yours"))));
    }
  }

  private void bounce(Loom loom) {
    Timing timing = build.timing();
    if (timing.debounce() != Timing.Debounce.EAGER) {
      return;
    }
    Optional<ContactSite> worst =
        loom.sites().stream()
            .filter(site -> site.contact().type() == ContactKind.Type.SWITCH)
            .max(java.util.Comparator.comparingInt(site -> site.kind().bounce().mostUs()));
    if (worst.isPresent() && worst.get().kind().bounce().mostUs() > timing.waitUs()) {
      int most = worst.get().kind().bounce().mostUs();
      findings.add(
          Finding.of(
                  MapCode.EAGER_TOO_SHORT,
                  List.of(Subject.of(worst.get().id())),
                  worst.get().label() + " may report twice",
                  "Eager debounce holds off for "
                      + ms(timing.waitUs())
                      + "; a worn contact of this kind bounces for up to "
                      + ms(most))
              .mendedBy(
                  Fix.of(
                      "Hold off for " + ms(most),
                      b ->
                          b.withTiming(
                              new Timing(
                                  b.timing().scanUs(),
                                  b.timing().debounce(),
                                  most,
                                  b.timing().pollUs())))));
    }
  }

  /** A lever turned in its panel closes other contacts than the way it is pushed names. */
  private void turned() {
    for (Control control : build.seated()) {
      ControlKind kind = catalogue.kindOf(control);
      if (!kind.pushesDirections()) {
        continue;
      }
      List<ContactId> wrong = Turned.notTurned(control, kind, build.mapping());
      if (!wrong.isEmpty()) {
        ContactId first = wrong.get(0);
        ContactKind contact = sites.get(first).contact();
        findings.add(
            Finding.of(
                    MapCode.TURNED,
                    wrong.stream().map(Subject::of).toList(),
                    control.label() + " is turned and its map is not",
                    "As it sits, pushing it "
                        + Turned.pushed(control, contact).orElseThrow().words()
                        + " closes its contact \""
                        + contact.name()
                        + "\", which the host takes for "
                        + contact.name())
                .mendedBy(
                    Fix.of(
                        "Turn the map of " + control.label(),
                        b -> b.withMapping(Turned.turned(control, kind, b.mapping())))));
      }
    }
  }

  private static String ms(int us) {
    return Working.number(us / 1000.0, us % 1000 == 0 ? 0 : 1) + " ms";
  }

  private static Finding fine(Code code, String title, String detail) {
    return Finding.of(code, Severity.FINE, List.of(), title, detail);
  }
}
