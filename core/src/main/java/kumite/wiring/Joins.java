package kumite.wiring;

import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.Where;
import kumite.name.Joint;
import kumite.name.Jumper;

/** Links and cores of leads, as the wires that they are among all others. */
public final class Joins {
  private Joins() {}

  /** {@return whether a wire is a link or a core of a lead} */
  public static boolean is(Wiring wiring, Jumper wire) {
    Wiring.Wire known = wiring.wires().get(wire);
    return known != null && (known.link() || known.origin() == Wiring.Origin.LEAD);
  }

  /** {@return what it is, such as {@code link 5V to 5V of seat right}} */
  public static String words(Wiring wiring, Jumper wire, Called called) {
    Wiring.Wire known = wiring.wires().get(wire);
    return known.link()
        ? "link " + called.wire(wire)
        : "core " + called.wire(wire) + " of " + known.strand().orElse("the lead");
  }

  /** {@return the build without that link or core; the same where the wire is neither} */
  public static Build without(Build build, Jumper wire, Wiring wiring) {
    Wiring.Wire known = wiring.wires().get(wire);
    if (known == null) {
      return build;
    }
    if (known.link()) {
      List<Link> left =
          build.links().stream().filter(link -> !runs(link, wire, build.seat())).toList();
      return build.withLinks(left);
    }
    return known.origin() == Wiring.Origin.LEAD ? withoutCore(build, wire, wiring) : build;
  }

  private static boolean runs(Link link, Jumper wire, Seat here) {
    return wire.equals(new Jumper(at(link.from(), here), at(link.to(), here)));
  }

  private static Joint at(Link.End end, Seat here) {
    String board = end.seat().equals(here.id()) ? Joint.BOARD : Joint.boardOf(end.seat());
    return new Joint(board, end.terminal());
  }

  private static Build withoutCore(Build build, Jumper wire, Wiring wiring) {
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfLead lead) {
        Optional<Core> core =
            lead.lead().cores().stream()
                .filter(c -> wire(lead, c).filter(wire::equals).isPresent())
                .findFirst();
        Optional<Lead> kept = build.leads().lead(lead.lead().name());
        if (core.isPresent() && kept.isPresent()) {
          Lead next =
              kept.get()
                  .withCores(
                      kept.get().cores().stream().filter(c -> !c.equals(core.get())).toList());
          return build.withLeads(build.leads().with(next.name(), next));
        }
      }
    }
    return build;
  }

  private static Optional<Jumper> wire(Neighbour.OfLead lead, Core core) {
    Where where = lead.where();
    Joint near = lead.terminal(Lead.pin(core, where));
    Joint far = lead.pin(Lead.pin(core, where.across()));
    return near.equals(far) ? Optional.empty() : Optional.of(new Jumper(near, far));
  }
}
