package kumite.wiring;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.loom.LoomSettings;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.Terminal;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.working.Working;

/** Checks of what is joined to what, wires put in and left out by hand included. */
public final class NetChecks {
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

  public static List<Finding> of(
      Build build, Loom loom, Wiring planned, Wiring asBuilt, Looks looks) {
    NetChecks checks = new NetChecks(build, asBuilt, looks);
    List<Finding> findings = new ArrayList<>();
    NetFaults.Found found = NetFaults.of(build, loom, asBuilt, planned);
    for (NetFault fault : found.here()) {
      findings.add(checks.finding(fault));
    }
    int nets = asBuilt.nets().joined().size();
    if (found.sound() && nets > 0) {
      findings.add(
          Finding.of(
              NetCode.NETS_FINE,
              Severity.FINE,
              List.of(),
              "Nets are sound",
              nets + " nets: no supply on ground, one ground, no two drivers, nothing bridged"));
    }
    return findings;
  }

  /** {@return the findings of all faults, those too that another one already tells of its place} */
  public static List<Finding> unmasked(
      Build build, Loom loom, Wiring planned, Wiring asBuilt, Looks looks) {
    NetChecks checks = new NetChecks(build, asBuilt, looks);
    return NetFaults.unmasked(build, loom, asBuilt, planned).stream().map(checks::finding).toList();
  }

  /** What the harmed place takes: its own where that is known, else what its board does. */
  private double bears(Joint harmed) {
    return wiring.nets().of(harmed).stream()
        .flatMap(net -> net.places().stream())
        .filter(place -> place.joint().equals(harmed) && place.bearsVolts() > 0)
        .mapToDouble(Place::bearsVolts)
        .findFirst()
        .orElse(wiring.board().logicVolts());
  }

  private Finding finding(NetFault fault) {
    String one = called.place(fault.at().get(0));
    String other = fault.at().size() > 1 ? called.place(fault.at().get(1)) : "";
    String third = fault.at().size() > 2 ? called.place(fault.at().get(2)) : "";
    String byHand = fault.remove().isEmpty() ? "" : "; " + cause(fault.remove().get(0));
    Finding finding =
        switch (fault.kind()) {
          case SUPPLY_ON_GROUND ->
              stop(
                  NetCode.SUPPLY_ON_GROUND,
                  fault,
                  one + " is shorted to ground",
                  "Do not power it: everything between them carries what the port can give"
                      + byHand);
          case UNJOINED_GROUND ->
              stop(
                  NetCode.GROUND_APART,
                  fault,
                  one + " is on a ground of its own",
                  "Two names for one ground, not joined: what hangs on it floats and half works");
          case SUPPLIES_JOINED ->
              stop(
                  NetCode.SUPPLIES_MEET,
                  fault,
                  one + " is joined to " + other,
                  "Two supplies of different volts feed each other" + byHand);
          case INPUTS_JOINED ->
              stop(
                  NetCode.INPUTS_BRIDGED,
                  fault,
                  one + " is bridged to " + other,
                  "Either press is seen on both" + byHand);
          case BYPASSED ->
              stop(
                  NetCode.BYPASSED,
                  fault,
                  one + " is bypassed",
                  "A wire leads round it to "
                      + other
                      + ": a diode no longer blocks, a resistor no longer drops; what it keeps"
                      + " apart shows as one when several are held"
                      + byHand);
          case INPUT_STUCK ->
              stop(
                  NetCode.INPUT_TIED,
                  fault,
                  one + " is tied to " + other,
                  "It reads the same, pressed or not" + byHand);
          case NOT_REACHED ->
              stop(
                  NetCode.NOT_REACHED,
                  fault,
                  one + " does not reach " + other,
                  "Its wire is left out, and no other way joins them");
          case TOO_MANY_VOLTS ->
              stop(
                  NetCode.TOO_MANY_VOLTS,
                  fault,
                  other + " reaches " + one,
                  "A terminal of "
                      + Working.number(bears(fault.at().get(0)), 1)
                      + " V is harmed by more"
                      + byHand);
          case DRIVERS_JOINED ->
              stop(
                  NetCode.DRIVERS_MEET,
                  fault,
                  one + " drives against " + other,
                  "One pulls high what the other pulls low, and both suffer" + byHand);
          case SERIAL_NOT_CROSSED ->
              stop(
                  NetCode.NOT_CROSSED,
                  fault,
                  one + " is joined to " + other,
                  "A sender goes to the other side's receiver: TX to RX, RX to TX" + byHand);
          case NO_SHARED_GROUND ->
              stop(
                  NetCode.DEVICE_WITHOUT_GROUND,
                  fault,
                  one + " does not reach the board's ground",
                  "Every device that is joined by a wire needs the same ground as the board, and"
                      + " each of its grounds that is used");
          case NO_SUCH_PLACE ->
              look(
                  NetCode.NO_SUCH_TAB,
                  fault,
                  one + " does not exist",
                  "A wire put in by hand ends there; check the name of the tab");
          case LINES_CROSSED ->
              stop(
                  NetCode.LINES_MIXED,
                  fault,
                  one + " is joined to " + other,
                  "They are for different things, such as clock and latch, and one line cannot be"
                      + " both"
                      + byHand);
          case LANDS_BADLY -> landsBadly(fault, one, other, byHand);
          case NO_PULL_UP ->
              stop(
                  NetCode.NO_PULL_UP,
                  fault,
                  "Nothing pulls " + one + " up",
                  other
                      + " only closes to ground, and this terminal has no pull-up inside: it floats"
                      + " while nothing is pressed. Solder a resistor of about 10 kohm from it to"
                      + " the board's supply, or take a terminal with a pull-up"
                      + byHand);
          case WRONG_RAIL ->
              stop(
                  NetCode.WRONG_RAIL,
                  fault,
                  one + " is on " + other + " in place of " + third,
                  "The plan has it on the other side: what it feeds reads wrong or is harmed"
                      + byHand);
          case MISPLACED ->
              stop(
                  NetCode.WRONG_TERMINAL,
                  fault,
                  one + " goes to " + other + " in place of " + third,
                  "The board looks for it at "
                      + third
                      + ": a press shows as what is meant for "
                      + other);
          case CROWDED ->
              look(
                  NetCode.TOO_MANY_WIRES,
                  fault,
                  one + " has more wires than it takes",
                  "A push-on tab takes two wires, a header pin or hole one, a screw two; more want"
                      + " a splice, a strip or the next tab"
                      + byHand);
          case UNPLANNED ->
              look(
                  NetCode.JOINED_UNPLANNED,
                  fault,
                  one + " is joined to " + other,
                  "The plan keeps them apart; pressed one by one the contacts may show as planned,"
                      + " held together they may not"
                      + byHand);
          case UNKNOWN_PART ->
              look(
                  NetCode.NO_SUCH_PART,
                  fault,
                  fault.at().get(0).part() + " is no part of this build",
                  "A wire put in by hand goes there; it is taken for another device. A control is"
                      + " named by its id, such as "
                      + example());
          case NOT_IN_PLAN ->
              look(
                  NetCode.NOT_IN_PLAN,
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
        NetCode.LANDS_BADLY,
        fault,
        one + " cannot serve " + other,
        why + ": take another terminal" + byHand);
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
    return build.hands().stream().findFirst().map(c -> c.id().text() + ":NO").orElse("horn:NO");
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

  private Finding stop(Code code, NetFault fault, String title, String detail) {
    return Finding.of(code, Severity.STOP, about(fault), title, detail);
  }

  private Finding look(Code code, NetFault fault, String title, String detail) {
    return Finding.of(code, Severity.LOOK, about(fault), title, detail);
  }

  /** The first control it is about, the places by name, then whom the board reads there. */
  private List<Subject> about(NetFault fault) {
    Set<Subject> about = new LinkedHashSet<>();
    fault.at().stream()
        .flatMap(
            at -> build.labelled().stream().filter(c -> c.id().text().equals(at.part())).limit(1))
        .findFirst()
        .ifPresent(control -> about.add(Subject.of(control.id())));
    fault.at().stream().map(Subject::of).forEach(about::add);
    if (READ_WRONG.contains(fault.kind())) {
      for (Joint joint : fault.at()) {
        looks
            .byContact()
            .forEach(
                (contact, look) -> {
                  if (joint.part().equals(Joint.BOARD) && look.takes(joint.tab())) {
                    about.add(Subject.of(contact));
                  }
                });
      }
    }
    return List.copyOf(about);
  }
}
