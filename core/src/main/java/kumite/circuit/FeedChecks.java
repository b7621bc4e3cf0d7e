package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.component.Component;
import kumite.finding.Finding;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.name.ControlId;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;
import kumite.working.Working;

/** Checks of parts that need a supply of their own: trackballs, spinners, active sensors. */
public final class FeedChecks {
  private FeedChecks() {}

  /** {@return parts that need a supply and have none} */
  public static List<Finding> of(BoardKind board, Loom loom, Wiring wiring) {
    List<Finding> findings = new ArrayList<>();
    Set<ControlId> done = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      boolean wanted = site.fed() && loom.pinOf(site.id()).isPresent();
      if (wanted && done.add(site.control().id())) {
        check(board, site, wiring).ifPresent(findings::add);
      }
    }
    return findings;
  }

  /** {@return what parts take from the board's logic supply as they are wired, in mA} */
  public static double onLogic(BoardKind board, Loom loom, Wiring wiring) {
    double milliamps = 0;
    Set<ControlId> done = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (site.fed() && done.add(site.control().id())) {
        boolean logic =
            wiring.ownParts().stream()
                .filter(p -> p instanceof Component.Output o && o.contact().equals(site.id()))
                .map(p -> ((Component.Output) p).supply())
                .anyMatch(
                    supply ->
                        wiring
                            .nets()
                            .of(supply)
                            .flatMap(Net::source)
                            .filter(p -> p.volts() == board.logicVolts())
                            .isPresent());
        milliamps += logic ? site.kind().feed().orElseThrow().milliamps() : 0;
      }
    }
    for (Pad pad : loom.pads()) {
      boolean logic =
          wiring
              .nets()
              .of(pad.pin(Plugged.SUPPLY))
              .flatMap(Net::source)
              .filter(p -> p.volts() == board.logicVolts())
              .isPresent();
      milliamps += logic ? pad.takesMilliamps() : 0;
    }
    return milliamps;
  }

  private static Optional<Finding> check(BoardKind board, ContactSite site, Wiring wiring) {
    ControlKind.Feed feed = site.kind().feed().orElseThrow();
    Component.Output output =
        wiring.parts().stream()
            .filter(p -> p instanceof Component.Output o && o.contact().equals(site.id()))
            .map(p -> (Component.Output) p)
            .findFirst()
            .orElseThrow();
    double volts =
        wiring.nets().of(output.supply()).flatMap(Net::source).map(Place::volts).orElse(0.0);
    boolean grounded = wiring.nets().of(output.ground()).filter(Net::grounded).isPresent();
    String range =
        Working.number(feed.leastVolts(), 1) + " to " + Working.number(feed.mostVolts(), 1) + " V";
    if (volts > feed.mostVolts() + 1e-9) {
      return Optional.of(
          stop(
              site,
              site.control().label() + " gets " + Working.number(volts, 1) + " V",
              "It bears " + range));
    }
    if (volts < feed.leastVolts() - 1e-9 || !grounded) {
      return Optional.of(
          stop(
              site,
              site.control().label() + " has no supply that suits",
              "It needs "
                  + range
                  + " and ground; "
                  + (grounded
                      ? volts > 0
                          ? "it gets " + Working.number(volts, 1) + " V"
                          : board.name() + " gives it none"
                      : "its ground is not joined")));
    }
    return Optional.empty();
  }

  private static Finding stop(ContactSite site, String title, String detail) {
    return Finding.of(
        PowerCode.PART_UNFED, List.of(Subject.of(site.control().id())), title, detail);
  }
}
