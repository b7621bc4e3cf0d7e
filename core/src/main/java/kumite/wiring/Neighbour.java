package kumite.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.lead.AtPin;
import kumite.lead.Core;
import kumite.lead.Ends;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Where;
import kumite.loom.Looks;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;

/** What stands beside a seat's own loom and is joined to its board by wires. */
public sealed interface Neighbour {
  /** {@return its places that are more than tabs} */
  List<Place> places();

  /** {@return what it joins inside} */
  List<Jumper> inside();

  /** {@return the electrical parts it brings} */
  List<Component> parts();

  /** {@return the wires it brings, and how they came to be there} */
  List<Wiring.Wire> wires();

  /** {@return wires that were taken out at its end} */
  default Set<Jumper> leftOut() {
    return Set.of();
  }

  /**
   * The board of another seat with its whole loom as it is.
   *
   * @param seat which
   * @param board its kind
   * @param looks how its program uses its terminals
   * @param wiring its own wiring as it is, with the names of its own loom
   * @param leftOut wires of its plan that are not there
   * @param hands ids of all controls, which are called the same everywhere
   * @param feeds the seat of each supply part, by its id
   * @param here the seat that is looked at
   */
  record OfSeat(
      SeatId seat,
      BoardKind board,
      Looks looks,
      Wiring wiring,
      Set<Jumper> leftOut,
      Set<ControlId> hands,
      Map<String, SeatId> feeds,
      SeatId here)
      implements Neighbour {

    /** {@return what a place of that loom is called here} */
    public Joint called(Joint joint) {
      if (joint.part().equals(Joint.boardOf(here))) {
        return Joint.board(joint.tab());
      }
      if (Character.isUpperCase(joint.part().charAt(0))) {
        return joint.part().startsWith(Joint.BOARD_OF) ? joint : fed(joint);
      }
      boolean control = hands.stream().anyMatch(id -> id.text().equals(joint.part()));
      return control ? joint : joint.at(seat);
    }

    /** A supply part of a third seat is called as there; one of the seat looked at by its id. */
    private Joint fed(Joint joint) {
      for (Map.Entry<String, SeatId> part : feeds.entrySet()) {
        Joint own = new Joint(part.getKey(), joint.tab());
        if (!part.getValue().equals(seat) && own.at(part.getValue()).equals(joint)) {
          return part.getValue().equals(here) ? own : joint;
        }
      }
      return joint.at(seat);
    }

    private Jumper called(Jumper wire) {
      return new Jumper(called(wire.a()), called(wire.b()));
    }

    @Override
    public List<Place> places() {
      return Stream.concat(
              board.terminals().stream().map(t -> Wiring.place(board, t, wiring.drives(t))),
              wiring.pins().stream())
          .map(p -> new Place(called(p.joint()), p.role(), p.volts(), p.bearsVolts()))
          .toList();
    }

    @Override
    public List<Jumper> inside() {
      return Wiring.inside(board).stream().map(this::called).toList();
    }

    @Override
    public List<Component> parts() {
      return wiring.parts().stream().map(part -> part.renamed(this::called)).toList();
    }

    @Override
    public List<Wiring.Wire> wires() {
      return wiring.wires().values().stream()
          .map(wire -> new Wiring.Wire(called(wire.ends()), wire.strand(), Wiring.Origin.ELSEWHERE))
          .toList();
    }

    @Override
    public Set<Jumper> leftOut() {
      Set<Jumper> out = new LinkedHashSet<>();
      leftOut.forEach(wire -> out.add(called(wire)));
      return out;
    }
  }

  /**
   * What a lead from the board plugs into, and its cores.
   *
   * @param part the name of its far end among places, such as {@code LEAD-PAD}
   * @param lead it
   * @param where the end that is at the board
   * @param far what is at the pins of the other end
   * @param board what the board's end is called here
   */
  record OfLead(String part, Lead lead, Where where, Map<String, AtPin> far, String board)
      implements Neighbour {
    /** Of resistors soldered into leads: the usual 5 %. */
    private static final double TOLERANCE = 0.05;

    /** {@return the lead's far end as a neighbour} */
    public static OfLead of(String part, Lead lead, Where where, Ends ends, String board) {
      Map<String, AtPin> far = new LinkedHashMap<>();
      for (String pin : ends.pins(where.across())) {
        far.put(pin, ends.at(where.across(), pin));
      }
      for (Core core : lead.cores()) {
        String pin = Lead.pin(core, where.across());
        far.computeIfAbsent(pin, p -> ends.at(where.across(), p));
      }
      return new OfLead(part, lead, where, far, board);
    }

    /** {@return the seat whose board it is at} */
    public Optional<SeatId> seat() {
      return lead.end(where) instanceof kumite.lead.End.OfBoard there
          ? Optional.of(there.seat())
          : Optional.empty();
    }

    /** {@return the place of a pin of the far end} */
    public Joint pin(String name) {
      return new Joint(part, Tab.of(name));
    }

    /** {@return the place of a terminal at the board's end} */
    public Joint terminal(String name) {
      return new Joint(board, Tab.of(name));
    }

    private Joint at(LeadPart.Place place) {
      return place.end() == where ? terminal(place.pin()) : pin(place.pin());
    }

    @Override
    public List<Place> places() {
      List<Place> places = new ArrayList<>();
      far.forEach(
          (name, at) -> places.add(new Place(pin(name), role(at), at.volts(), at.bearsVolts())));
      return places;
    }

    private static Place.Role role(AtPin at) {
      return switch (at.nature()) {
        case GIVES_SUPPLY -> Place.Role.SUPPLY;
        case TAKES_SUPPLY -> Place.Role.FED;
        case GROUND -> Place.Role.GROUND;
        case DRIVES -> Place.Role.SENDS;
        case SHARES -> Place.Role.SHARES;
        case CONTACT, POT -> Place.Role.CLOSES;
        case LISTENS -> Place.Role.LISTENS;
        case NOTHING, UNKNOWN -> Place.Role.PASSIVE;
      };
    }

    @Override
    public List<Jumper> inside() {
      return List.of();
    }

    /** Parts in and between cores; what hangs from a pin to a rail of its end is not followed. */
    @Override
    public List<Component> parts() {
      List<Component> parts = new ArrayList<>();
      for (LeadPart part : lead.parts()) {
        if (part instanceof LeadPart.InCore within) {
          Joint near = terminal(where == Where.FROM ? within.from() : within.to());
          Joint far = pin(where == Where.FROM ? within.to() : within.from());
          if (within instanceof LeadPart.Series series) {
            parts.add(
                new Component.Resistor(Component.Job.LEAD, near, far, series.ohm(), TOLERANCE));
          } else if (within instanceof LeadPart.Diode diode) {
            boolean bandNear = diode.band() == where;
            parts.add(new Component.Diode(bandNear ? far : near, bandNear ? near : far));
          }
        } else if (part instanceof LeadPart.Across across) {
          Joint one = at(across.at());
          Joint other = at(across.other());
          if (across instanceof LeadPart.ResistorAcross resistor) {
            parts.add(
                new Component.Resistor(
                    Component.Job.ACROSS, one, other, resistor.ohm(), TOLERANCE));
          } else if (across instanceof LeadPart.CapacitorAcross capacitor) {
            parts.add(new Component.Capacitor(one, other, capacitor.farad() * 1e9));
          }
        }
      }
      return parts;
    }

    @Override
    public List<Wiring.Wire> wires() {
      List<Wiring.Wire> wires = new ArrayList<>();
      for (Core core : lead.cores()) {
        String near = Lead.pin(core, where);
        String other = Lead.pin(core, where.across());
        if (lead.within(core).isEmpty()) {
          wire(terminal(near), pin(other)).ifPresent(wires::add);
        }
      }
      for (LeadPart part : lead.parts()) {
        if (part instanceof LeadPart.Bridge bridge) {
          Joint one = at(bridge.at());
          Joint other = at(new LeadPart.Place(bridge.at().end(), bridge.other()));
          wire(one, other).ifPresent(wires::add);
        }
      }
      List<LeadPart.Place> drains = lead.drains();
      for (int i = 1; i < drains.size(); i++) {
        wire(at(drains.get(0)), at(drains.get(i))).ifPresent(wires::add);
      }
      return wires;
    }

    /** A core from a terminal to itself joins nothing. */
    private Optional<Wiring.Wire> wire(Joint a, Joint b) {
      return a.equals(b)
          ? Optional.empty()
          : Optional.of(
              new Wiring.Wire(new Jumper(a, b), Optional.of(lead.name()), Wiring.Origin.LEAD));
    }

    /** {@return what is at the pin of that place, if it is one of this far end} */
    public Optional<AtPin> at(Joint joint) {
      return joint.part().equals(part)
          ? far.entrySet().stream()
              .filter(e -> Tab.of(e.getKey()).equals(joint.tab()))
              .map(Map.Entry::getValue)
              .findFirst()
          : Optional.empty();
    }
  }
}
