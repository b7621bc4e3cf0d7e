package kumite.build.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.measure.Check;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.ringout.RingOut;

/**
 * All that a build has of leads.
 *
 * @param connectors kinds of connectors that belong to this build alone
 * @param pinouts pinouts that belong to it alone
 * @param leads its leads
 * @param cables cables that wires to its boards run through
 * @param ringOuts cables that are being rung out
 */
public record LeadBook(
    List<ConnectorKind> connectors,
    List<Pinout> pinouts,
    List<Lead> leads,
    List<BoardCable> cables,
    List<RingOut> ringOuts)
    implements Decided<LeadBook> {
  /** Nothing of the kind. */
  public static final LeadBook EMPTY =
      new LeadBook(List.of(), List.of(), List.of(), List.of(), List.of());

  /** Leads as a part of a build. */
  public static final Part<LeadBook> PART = new Part<>("leads", EMPTY);

  /** More of a kind than this is taken for a damaged file. */
  public static final int MOST = 500;

  public LeadBook {
    connectors = List.copyOf(connectors);
    pinouts = List.copyOf(pinouts);
    leads = List.copyOf(leads);
    cables = List.copyOf(cables);
    ringOuts = List.copyOf(ringOuts);
    once(connectors.stream().map(ConnectorKind::id), "own connectors have the id");
    once(pinouts.stream().map(Pinout::id), "own pinouts have the id");
    once(
        Stream.concat(leads.stream().map(Lead::name), cables.stream().map(BoardCable::name)),
        "leads are called");
    once(ringOuts.stream().map(RingOut::name), "ring-outs are called");
    Check.between(0, MOST, leads.size(), "number of leads");
    Check.between(0, MOST, cables.size(), "number of cables");
    Check.between(0, MOST, ringOuts.size(), "number of ring-outs");
  }

  private static void once(Stream<String> names, String what) {
    Set<String> seen = new HashSet<>();
    names.forEach(
        name -> {
          if (!seen.add(name)) {
            throw new IllegalArgumentException("two " + what + " \"" + name + "\"");
          }
        });
  }

  /**
   * {@return whether nothing here ends at a board, so that the rest of the build is nothing to it}
   */
  public boolean standsAlone() {
    return cables.isEmpty()
        && leads.stream().allMatch(l -> l.from() instanceof End.Plug && l.to() instanceof End.Plug);
  }

  /** {@return the connectors and pinouts that its leads may use} */
  public Plugs plugs() {
    return Plugs.standard().with(connectors, pinouts);
  }

  /** {@return the lead of that name, if there is one} */
  public Optional<Lead> lead(String name) {
    return leads.stream().filter(lead -> lead.name().equals(name)).findFirst();
  }

  /** {@return the ring-out of that name, if there is one} */
  public Optional<RingOut> ringOut(String name) {
    return ringOuts.stream().filter(r -> r.name().equals(name)).findFirst();
  }

  /** {@return a name made from the one wanted that no lead, cable or ring-out has yet} */
  public String freshName(String wanted) {
    String name = wanted;
    for (int n = 2; taken(name); n++) {
      name = wanted + " " + n;
    }
    return name;
  }

  private boolean taken(String name) {
    return lead(name).isPresent()
        || ringOut(name).isPresent()
        || cables.stream().anyMatch(cable -> cable.name().equals(name));
  }

  /** {@return the same with one more lead, or another in the place of the one of that name} */
  public LeadBook with(String name, Lead lead) {
    List<Lead> next = new ArrayList<>(leads);
    int at = leads.stream().map(Lead::name).toList().indexOf(name);
    if (at < 0) {
      next.add(lead);
    } else {
      next.set(at, lead);
    }
    return withLeads(next);
  }

  /** {@return the same with other leads} */
  public LeadBook withLeads(List<Lead> newLeads) {
    return new LeadBook(connectors, pinouts, newLeads, cables, ringOuts);
  }

  /** {@return the same with other cables} */
  public LeadBook withCables(List<BoardCable> newCables) {
    return new LeadBook(connectors, pinouts, leads, newCables, ringOuts);
  }

  /** {@return the same with one more ring-out, or another in the place of the one of that name} */
  public LeadBook with(String name, RingOut ringOut) {
    List<RingOut> next = new ArrayList<>(ringOuts);
    int at = ringOuts.stream().map(RingOut::name).toList().indexOf(name);
    if (at < 0) {
      next.add(ringOut);
    } else {
      next.set(at, ringOut);
    }
    return withRingOuts(next);
  }

  /** {@return the same with other ring-outs} */
  public LeadBook withRingOuts(List<RingOut> newRingOuts) {
    return new LeadBook(connectors, pinouts, leads, cables, newRingOuts);
  }

  /** {@return the same with other connectors and pinouts of its own} */
  public LeadBook withOwn(List<ConnectorKind> newConnectors, List<Pinout> newPinouts) {
    return new LeadBook(newConnectors, newPinouts, leads, cables, ringOuts);
  }

  /** {@return the same without the lead, cable or ring-out of that name} */
  public LeadBook without(String name) {
    return new LeadBook(
        connectors,
        pinouts,
        leads.stream().filter(l -> !l.name().equals(name)).toList(),
        cables.stream().filter(c -> !c.name().equals(name)).toList(),
        ringOuts.stream().filter(r -> !r.name().equals(name)).toList());
  }

  @Override
  public LeadBook within(Set<SeatId> seats, Set<ControlId> controls) {
    if (cables.isEmpty()) {
      return this;
    }
    return withCables(
        cables.stream()
            .filter(cable -> seats.contains(cable.seat()))
            .flatMap(cable -> cable.within(controls).stream())
            .toList());
  }
}
