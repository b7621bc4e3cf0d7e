package kumite.circuit;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.name.Jumper;
import kumite.wiring.Called;
import kumite.wiring.Joins;
import kumite.wiring.NetCode;
import kumite.wiring.NetFaults;
import kumite.wiring.Wiring;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of what contacts short: at rest, pressed alone, or two or three together. */
public final class ShortChecks {
  private static final int MOST_TOLD = 4;

  private final Build build;
  private final Loom loom;
  private final Wiring wiring;
  private final Called called;

  private ShortChecks(Build build, Loom loom, Wiring wiring) {
    this.build = build;
    this.loom = loom;
    this.wiring = wiring;
    this.called = new Called(build);
  }

  /** {@return what contacts short, at rest or when pressed} */
  public static List<Finding> of(Build build, Loom loom, Wired wired) {
    ShortChecks checks = new ShortChecks(build, loom, wired.asBuilt());
    Shorts shorts = wired.inputs().shorts();
    List<Finding> findings = new ArrayList<>();
    for (Shorts.Short one : shorts.all()) {
      boolean victim = one.kind() == Shorts.Kind.HARMED;
      if (NetFaults.toldHere(
          build, wired.asBuilt(), one.one(), one.other(), one.contacts(), victim)) {
        findings.add(checks.finding(one));
      }
    }
    if (!shorts.whole()) {
      findings.add(
          Finding.of(
              NetCode.SHORTS_NOT_ALL_TRIED,
              List.of(),
              "Not every pair of contacts was looked at for shorts",
              "So many contacts hang together that not all ways of pressing three of them were"
                  + " tried; take some of the wires between them out"));
    }
    return findings;
  }

  private Finding finding(Shorts.Short one) {
    String a = called.place(one.one());
    String b = called.place(one.other());
    String flows = amps(one.amps());
    Finding finding =
        switch (one.kind()) {
          case SUPPLY ->
              one.atRest()
                  ? stop(
                      NetCode.SHORT_AT_REST,
                      one,
                      a + " is shorted to " + b + " through " + through(one),
                      "Do not power it: nobody need press anything, and "
                          + flows
                          + " would flow, or as much as the port gives")
                  : stop(
                      NetCode.SHORT_WHEN_PRESSED,
                      one,
                      a + " is shorted to " + b + " when pressed",
                      ways(one)
                          + ": "
                          + flows
                          + " would flow, or as much as the port gives, and the board goes down");
          case DRIVEN ->
              stop(
                  NetCode.DRIVEN_LINE_HELD,
                  one,
                  a + " is held by " + b + when(one),
                  how(one)
                      + ": the board or a chip drives "
                      + a
                      + ", and "
                      + b
                      + " holds it. What it drives reads wrong"
                      + (one.amps() > 0 ? "; " + flows + " flow, and both suffer" : ""));
          case HARMED ->
              stop(
                  NetCode.TERMINAL_HARMED,
                  one,
                  b + " reaches " + a + when(one),
                  how(one) + ": the terminal is harmed by more than it bears");
        };
    Finding shown = one.kind() == Shorts.Kind.HARMED ? finding : finding.showing(working(one));
    return mended(shown, one);
  }

  private Finding stop(Code code, Shorts.Short one, String title, String detail) {
    List<Subject> about = new ArrayList<>();
    one.contacts().forEach(contact -> about.add(Subject.of(contact)));
    one.through().stream().map(Subject::of).filter(t -> !about.contains(t)).forEach(about::add);
    about.add(Subject.of(one.one()));
    about.add(Subject.of(one.other()));
    return Finding.of(code, Severity.STOP, about, title, detail);
  }

  private static String when(Shorts.Short one) {
    return one.atRest() ? "" : " when pressed";
  }

  private String how(Shorts.Short one) {
    return one.atRest() ? "Through " + through(one) : ways(one);
  }

  private String through(Shorts.Short one) {
    return one.through().isEmpty()
        ? "a contact"
        : one.through().stream().map(this::label).collect(Collectors.joining(" and "));
  }

  private String ways(Shorts.Short one) {
    String told =
        one.ways().stream()
            .limit(MOST_TOLD)
            .map(
                way ->
                    "with "
                        + way.stream()
                            .map(move -> label(move.contact()) + " " + move.words())
                            .collect(Collectors.joining(" and ")))
            .collect(Collectors.joining("; or "));
    int more = one.ways().size() - MOST_TOLD;
    return "With"
        + told.substring("with".length())
        + (more > 0 ? "; and in " + more + " more ways" : "");
  }

  /** A contact of another seat is called by its control too. */
  private String label(ContactId contact) {
    return loom.sites().stream()
        .filter(site -> site.id().equals(contact))
        .findFirst()
        .map(site -> site.label())
        .or(() -> build.control(contact.control()).map(Control::label))
        .orElse(contact.toString());
  }

  private static String amps(double amps) {
    return amps >= 1 ? Working.number(amps, 0) + " A" : Working.number(amps * 1000, 0) + " mA";
  }

  private static Working working(Shorts.Short one) {
    return new Working(
        "current of the short",
        "G v = i, solved: contacts 0.1 ohm, track ends 1 ohm, driving terminals 50 ohm",
        List.of(Working.value("I", one.amps(), 2, "A", one.one() + " to " + one.other())),
        amps(one.amps()),
        Source.derived("modified nodal analysis; the resistances are common practice"));
  }

  /** Wires put in by hand go first, then links and cores; then what was decided of a contact. */
  private Finding mended(Finding finding, Shorts.Short one) {
    Finding next = finding;
    Set<Jumper> wires = new LinkedHashSet<>(build.loom().added());
    wiring.wires().keySet().stream().filter(w -> Joins.is(wiring, w)).forEach(wires::add);
    for (Jumper wire : wires) {
      boolean join = Joins.is(wiring, wire);
      next =
          next.mendedBy(
              () ->
                  Optional.of(
                      Fix.of(
                          join
                              ? "Take out the " + Joins.words(wiring, wire, called)
                              : "Take out " + called.wire(wire),
                          b ->
                              Joins.without(
                                  b.withLoom(b.loom().withoutAdded(wire)), wire, wiring))));
    }
    Set<ContactId> contacts = new LinkedHashSet<>(one.through());
    contacts.addAll(one.contacts());
    for (ContactId contact : contacts) {
      Optional<Control> control =
          build.hands().stream().filter(c -> c.id().equals(contact.control())).findFirst();
      if (control.isPresent() && control.get().hookup().restsClosed()) {
        next =
            next.mendedBy(
                Fix.of(
                    "Wire " + control.get().label() + " at NO",
                    b ->
                        b.withControl(
                            contact.control(), c -> c.withHookup(h -> h.withRestsClosed(false)))));
      }
      if (control.isPresent() && control.get().hookup().common().isPresent()) {
        next =
            next.mendedBy(
                Fix.of(
                    "Wire " + control.get().label() + " to the board's own common",
                    b ->
                        b.withControl(
                            contact.control(),
                            c -> c.withHookup(h -> h.withCommon(Optional.empty())))));
      }
    }
    return next.mendedBy(
        () -> Optional.of(Fix.of("Wire it as planned", b -> b.withLoom(b.loom().asPlanned()))));
  }
}
