package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.loom.Netlist;
import kumite.name.Joint;
import kumite.name.Jumper;

/** Checks of what is joined to what, wires put in and left out by hand included. */
final class NetChecks {
  private NetChecks() {}

  static List<Finding> of(Build build, BoardKind board, Netlist netlist) {
    List<Finding> findings = new ArrayList<>();
    for (Netlist.Fault fault : netlist.faults(board)) {
      findings.add(finding(build, board, fault));
    }
    if (findings.isEmpty() && !netlist.nets().isEmpty()) {
      findings.add(
          Finding.of(
              "NT-20",
              Severity.FINE,
              Station.LOOM,
              List.of(),
              "Nets are sound",
              netlist.nets().size()
                  + " nets: no supply on ground, one ground, no two drivers, nothing bridged"));
    }
    return findings;
  }

  private static Finding finding(Build build, BoardKind board, Netlist.Fault fault) {
    Joint first = fault.at().get(0);
    String one = words(build, first);
    String other = fault.at().size() > 1 ? words(build, fault.at().get(1)) : "";
    Optional<String> control =
        fault.at().stream()
            .map(Joint::part)
            .filter(part -> build.controls().stream().anyMatch(c -> c.id().text().equals(part)))
            .findFirst();
    List<String> about = control.map(List::of).orElse(List.of());
    String byHand =
        fault
            .remove()
            .map(wire -> "; the wire " + words(build, wire) + " was put in by hand")
            .orElse("");
    Finding finding =
        switch (fault.kind()) {
          case SUPPLY_ON_GROUND ->
              stop(
                  "NT-01",
                  about,
                  one + " is shorted to ground",
                  "Do not power it: everything between them carries what the port can give"
                      + byHand);
          case UNJOINED_GROUND ->
              stop(
                  "NT-02",
                  about,
                  one + " is on a ground of its own",
                  "Two names for one ground, not joined: what hangs on it floats and half works");
          case SUPPLIES_JOINED ->
              stop(
                  "NT-03",
                  about,
                  one + " is joined to " + other,
                  "Two supplies of different volts feed each other" + byHand);
          case INPUTS_JOINED ->
              stop(
                  "NT-04",
                  about,
                  one + " is bridged to " + other,
                  "Either press is seen on both" + byHand);
          case INPUT_STUCK ->
              stop(
                  "NT-05",
                  about,
                  one + " is tied to " + other,
                  "It reads the same, pressed or not" + byHand);
          case NOT_REACHED ->
              stop(
                  "NT-06",
                  about,
                  one + " does not reach " + other,
                  "Its wire is left out, and no other way joins them");
          case TOO_MANY_VOLTS ->
              stop(
                  "NT-07",
                  about,
                  other + " reaches " + one,
                  "A terminal of "
                      + kumite.working.Working.number(board.logicVolts(), 1)
                      + " V is harmed by more"
                      + byHand);
          case DRIVERS_JOINED ->
              stop(
                  "NT-08",
                  about,
                  one + " drives against " + other,
                  "One pulls high what the other pulls low, and both suffer" + byHand);
          case SERIAL_NOT_CROSSED ->
              stop(
                  "NT-09",
                  about,
                  one + " is joined to " + other,
                  "A sender goes to the other side's receiver: TX to RX, RX to TX" + byHand);
          case NO_SHARED_GROUND ->
              stop(
                  "NT-10",
                  about,
                  first.part() + " does not share the ground",
                  "Every device that is joined by a wire needs the same ground as the board");
          case NO_SUCH_PLACE ->
              Finding.of(
                  "NT-11",
                  Severity.LOOK,
                  Station.LOOM,
                  about,
                  one + " does not exist",
                  "A wire put in by hand ends there; check the name of the tab");
        };
    return finding.mendedBy(fix(build, fault));
  }

  private static Optional<Fix> fix(Build build, Netlist.Fault fault) {
    if (fault.remove().isPresent()) {
      Jumper wire = fault.remove().get();
      return Optional.of(
          Fix.of("Take out " + words(build, wire), b -> b.withLoom(b.loom().withoutAdded(wire))));
    }
    if (fault.restore().isPresent()) {
      Jumper wire = fault.restore().get();
      return Optional.of(
          Fix.of("Put back " + words(build, wire), b -> b.withLoom(b.loom().withoutLeftOut(wire))));
    }
    if (fault.kind() == Netlist.Kind.UNJOINED_GROUND
        || fault.kind() == Netlist.Kind.NO_SHARED_GROUND) {
      Jumper join = new Jumper(fault.at().get(0), fault.at().get(1));
      return Optional.of(
          Fix.of("Join " + words(build, join), b -> b.withLoom(b.loom().withAdded(join))));
    }
    return Optional.empty();
  }

  private static Finding stop(String code, List<String> about, String title, String detail) {
    return Finding.of(code, Severity.STOP, Station.LOOM, about, title, detail);
  }

  private static String words(Build build, Jumper wire) {
    return words(build, wire.a()) + " to " + words(build, wire.b());
  }

  private static String words(Build build, Joint joint) {
    String part =
        build.controls().stream()
            .filter(control -> control.id().text().equals(joint.part()))
            .map(control -> control.label())
            .findFirst()
            .orElse(joint.part());
    return joint.part().equals(Joint.BOARD) ? joint.tab() : part + " " + joint.tab();
  }
}
