package kumite.verdict;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.loom.LoomSettings;
import kumite.kind.Terminal;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.wiring.NetFault;
import kumite.wiring.NetFaults;
import kumite.wiring.Wiring;
import kumite.working.Working;

/** Checks of what is joined to what, wires put in and left out by hand included. */
final class NetChecks {
  /** The code of sound nets. */
  static final String SOUND = "NT-20";

  /** Faults that spoil all that the board reads by the terminals they are at. */
  private static final Set<NetFault.Kind> READ_WRONG =
      EnumSet.of(
          NetFault.Kind.INPUT_STUCK, NetFault.Kind.INPUTS_JOINED, NetFault.Kind.DRIVERS_JOINED);

  private final Build build;
  private final Wiring wiring;
  private final Looks looks;
  private final Called called;

  private NetChecks(Build build, Wiring wiring, Looks looks) {
    this.build = build;
    this.wiring = wiring;
    this.looks = looks;
    this.called = new Called(build);
  }

  static List<Finding> of(Build build, Loom loom, Bench.Wired wired) {
    Wiring asBuilt = wired.asBuilt();
    NetChecks checks = new NetChecks(build, asBuilt, wired.inputs().looks());
    List<Finding> findings = new ArrayList<>();
    NetFaults.Found found = NetFaults.of(build, loom, asBuilt, wired.planned());
    for (NetFault fault : found.here()) {
      findings.add(checks.finding(fault));
    }
    int nets = asBuilt.nets().joined().size();
    if (found.sound() && nets > 0) {
      findings.add(
          Finding.of(
              SOUND,
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "Nets are sound",
              nets + " nets: no supply on ground, one ground, no two drivers, nothing bridged"));
    }
    return findings;
  }

  /** {@return the findings of all faults, those too that another one already tells of its place} */
  static List<Finding> unmasked(Build build, Loom loom, Bench.Wired wired) {
    NetChecks checks = new NetChecks(build, wired.asBuilt(), wired.inputs().looks());
    return NetFaults.unmasked(build, loom, wired.asBuilt(), wired.planned()).stream()
        .map(checks::finding)
        .toList();
  }

  private Finding finding(NetFault fault) {
    String one = called.place(fault.at().get(0));
    String other = fault.at().size() > 1 ? called.place(fault.at().get(1)) : "";
    String third = fault.at().size() > 2 ? called.place(fault.at().get(2)) : "";
    String byHand = fault.remove().isEmpty() ? "" : "; " + cause(fault.remove().get(0));
    String volts = Working.number(wiring.board().logicVolts(), 1);
    Finding finding =
        switch (fault.kind()) {
          case SUPPLY_ON_GROUND ->
              stop(
                  "NT-01",
                  fault,
                  one + " is shorted to ground",
                  "Do not power it: everything between them carries what the port can give"
                      + byHand);
          case UNJOINED_GROUND ->
              stop(
                  "NT-02",
                  fault,
                  one + " is on a ground of its own",
                  "Two names for one ground, not joined: what hangs on it floats and half works");
          case SUPPLIES_JOINED ->
              stop(
                  "NT-03",
                  fault,
                  one + " is joined to " + other,
                  "Two supplies of different volts feed each other" + byHand);
          case INPUTS_JOINED ->
              stop(
                  "NT-04",
                  fault,
                  one + " is bridged to " + other,
                  "Either press is seen on both" + byHand);
          case BYPASSED ->
              stop(
                  "NT-18",
                  fault,
                  one + " is bypassed",
                  "A wire leads round it to "
                      + other
                      + ": a diode no longer blocks, a resistor no longer drops; what it keeps"
                      + " apart shows as one when several are held"
                      + byHand);
          case INPUT_STUCK ->
              stop(
                  "NT-05",
                  fault,
                  one + " is tied to " + other,
                  "It reads the same, pressed or not" + byHand);
          case NOT_REACHED ->
              stop(
                  "NT-06",
                  fault,
                  one + " does not reach " + other,
                  "Its wire is left out, and no other way joins them");
          case TOO_MANY_VOLTS ->
              stop(
                  "NT-07",
                  fault,
                  other + " reaches " + one,
                  "A terminal of " + volts + " V is harmed by more" + byHand);
          case DRIVERS_JOINED ->
              stop(
                  "NT-08",
                  fault,
                  one + " drives against " + other,
                  "One pulls high what the other pulls low, and both suffer" + byHand);
          case SERIAL_NOT_CROSSED ->
              stop(
                  "NT-09",
                  fault,
                  one + " is joined to " + other,
                  "A sender goes to the other side's receiver: TX to RX, RX to TX" + byHand);
          case NO_SHARED_GROUND ->
              stop(
                  "NT-10",
                  fault,
                  one + " does not reach the board's ground",
                  "Every device that is joined by a wire needs the same ground as the board, and"
                      + " each of its grounds that is used");
          case NO_SUCH_PLACE ->
              look(
                  "NT-11",
                  fault,
                  one + " does not exist",
                  "A wire put in by hand ends there; check the name of the tab");
          case LINES_CROSSED ->
              stop(
                  "NT-27",
                  fault,
                  one + " is joined to " + other,
                  "They are for different things, such as clock and latch, and one line cannot be"
                      + " both"
                      + byHand);
          case LANDS_BADLY -> landsBadly(fault, one, other, byHand);
          case NO_PULL_UP ->
              stop(
                  "NT-28",
                  fault,
                  "Nothing pulls " + one + " up",
                  other
                      + " only closes to ground, and this terminal has no pull-up inside: it floats"
                      + " while nothing is pressed. Solder a resistor of about 10 kohm from it to"
                      + " the board's supply, or take a terminal with a pull-up"
                      + byHand);
          case WRONG_RAIL ->
              stop(
                  "NT-12",
                  fault,
                  one + " is on " + other + " in place of " + third,
                  "The plan has it on the other side: what it feeds reads wrong or is harmed"
                      + byHand);
          case MISPLACED ->
              stop(
                  "NT-13",
                  fault,
                  one + " goes to " + other + " in place of " + third,
                  "The board looks for it at "
                      + third
                      + ": a press shows as what is meant for "
                      + other);
          case CROWDED ->
              look(
                  "NT-14",
                  fault,
                  one + " has more wires than it takes",
                  "A push-on tab takes two wires, a header pin or hole one, a screw two; more want"
                      + " a splice, a strip or the next tab"
                      + byHand);
          case UNPLANNED ->
              look(
                  "NT-19",
                  fault,
                  one + " is joined to " + other,
                  "The plan keeps them apart; pressed one by one the contacts may show as planned,"
                      + " held together they may not"
                      + byHand);
          case UNKNOWN_PART ->
              look(
                  "NT-15",
                  fault,
                  fault.at().get(0).part() + " is no part of this build",
                  "A wire put in by hand goes there; it is taken for another device. A control is"
                      + " named by its id, such as "
                      + example());
          case NOT_IN_PLAN ->
              look(
                  "NT-16",
                  fault,
                  "The wire " + one + " to " + other + " is not in the plan",
                  "It is noted as left out, but the plan has changed since and no longer has it");
        };
    return finding.mendedBy(fix(fault));
  }

  private Finding landsBadly(NetFault fault, String one, String other, String byHand) {
    Optional<Terminal> terminal = wiring.board().terminal(fault.at().get(0).tab());
    String why =
        build.loom().dead().contains(fault.at().get(0).tab())
            ? "It is noted as dead"
            : terminal
                    .flatMap(Terminal::keep)
                    .map(keep -> "It " + keep.words())
                    .orElse("")
                    .isEmpty()
                ? terminal.filter(t -> t.role() == Terminal.Role.INPUT).isPresent()
                    ? "It can only read, and " + other + " listens to what drives it"
                    : "It is there for the board itself, such as reset"
                : terminal.flatMap(Terminal::keep).map(keep -> "It " + keep.words()).orElse("");
    return stop(
        "NT-26", fault, one + " cannot serve " + other, why + ": take another terminal" + byHand);
  }

  /** What a wire that is in the way is. */
  private String cause(Jumper wire) {
    Optional<Wiring.Wire> known = Optional.ofNullable(wiring.wires().get(wire));
    if (known.filter(w -> w.origin() == Wiring.Origin.LEAD).isPresent()) {
      return "a core of " + known.get().strand().orElse("the lead") + " does that";
    }
    return known.filter(Wiring.Wire::link).isPresent()
        ? "the link " + called.wire(wire) + " does that"
        : "the wire " + called.wire(wire) + " was put in by hand";
  }

  private String example() {
    return build.controls().stream().findFirst().map(c -> c.id().text() + ":NO").orElse("horn:NO");
  }

  private Optional<Fix> fix(NetFault fault) {
    boolean nothing =
        fault.remove().isEmpty() && fault.restore().isEmpty() && fault.join().isEmpty();
    return nothing ? Optional.empty() : Optional.of(Fix.of(label(fault), b -> mended(b, fault)));
  }

  private Build mended(Build before, NetFault fault) {
    Build build = before;
    LoomSettings loom = build.loom();
    for (Jumper wire : fault.remove()) {
      loom = loom.withoutAdded(wire);
      build = Joins.without(build, wire, wiring);
    }
    for (Jumper wire : fault.restore()) {
      loom = loom.withoutLeftOut(wire);
    }
    for (Jumper wire : fault.join()) {
      loom = loom.withAdded(wire);
    }
    return build.withLoom(loom);
  }

  private String label(NetFault fault) {
    if (fault.kind() == NetFault.Kind.SERIAL_NOT_CROSSED && !fault.join().isEmpty()) {
      return "Cross TX and RX";
    }
    if (fault.kind() == NetFault.Kind.NOT_IN_PLAN) {
      return "Forget that it was left out";
    }
    if (fault.kind() == NetFault.Kind.MISPLACED && fault.restore().size() > 1) {
      return "Change the two wires over";
    }
    if (!fault.restore().isEmpty()) {
      return "Put back " + called.wire(fault.restore().get(0));
    }
    return fault.remove().isEmpty()
        ? "Join " + called.wire(fault.join().get(0))
        : Joins.is(wiring, fault.remove().get(0))
            ? "Take out the " + Joins.words(wiring, fault.remove().get(0), called)
            : "Take out " + called.wire(fault.remove().get(0));
  }

  private Finding stop(String code, NetFault fault, String title, String detail) {
    return Finding.of(code, Severity.STOP, Station.LOOM, about(fault), title, detail);
  }

  private Finding look(String code, NetFault fault, String title, String detail) {
    return Finding.of(code, Severity.LOOK, Station.LOOM, about(fault), title, detail);
  }

  /** The first control it is about, the places by name, then whom the board reads there. */
  private List<String> about(NetFault fault) {
    Set<String> about = new LinkedHashSet<>();
    fault.at().stream()
        .map(Joint::part)
        .filter(part -> build.controls().stream().anyMatch(c -> c.id().text().equals(part)))
        .findFirst()
        .ifPresent(about::add);
    fault.at().stream().map(Joint::toString).forEach(about::add);
    if (READ_WRONG.contains(fault.kind())) {
      for (Joint joint : fault.at()) {
        looks
            .byContact()
            .forEach(
                (contact, look) -> {
                  if (joint.part().equals(Joint.BOARD) && look.takes(joint.tab())) {
                    about.add(contact.toString());
                  }
                });
      }
    }
    return List.copyOf(about);
  }
}
