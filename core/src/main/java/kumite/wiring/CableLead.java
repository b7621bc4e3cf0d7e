package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.lead.BoardCable;
import kumite.kind.WireColour;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.lead.Slip;
import kumite.lead.Where;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * A cable of a build as a lead: its cores are the wires that run to the board, as they are,
 * whatever was changed by hand.
 */
public final class CableLead {
  private CableLead() {}

  /**
   * {@return the cable as a lead, from its connector to the board's terminals}
   *
   * @param loom of the cable's seat, for colours and names
   * @param wiring of that seat as it is
   */
  public static Lead of(BoardCable cable, Loom loom, Wiring wiring, Plugs plugs) {
    Map<Jumper, Strand> strands = new HashMap<>();
    loom.strands().forEach(strand -> strands.putIfAbsent(strand.wire(), strand));
    List<Core> cores = new ArrayList<>();
    for (Map.Entry<Jumper, String> entry : pins(cable, wiring, plugs).entrySet()) {
      Jumper wire = entry.getKey();
      Optional<Strand> strand = Optional.ofNullable(strands.get(wire));
      Joint board = onBoard(wire.a()) ? wire.a() : wire.b();
      Joint other = onBoard(wire.a()) ? wire.b() : wire.a();
      cores.add(
          new Core(
              entry.getValue(),
              board.tab(),
              strand.map(Strand::colour).orElse(WireColour.of(WireColour.Hue.GY)),
              Optional.of(strand.map(s -> away(s).words()).orElse(other + ", by hand"))));
    }
    List<Slip> slips =
        plugs.connector(cable.plug().connector()).filter(kind -> !kind.bare()).isPresent()
            ? List.of(new Slip(Where.FROM, Slip.Kind.HOOD), new Slip(Where.TO, Slip.Kind.GLAND))
            : List.of(new Slip(Where.TO, Slip.Kind.GLAND));
    return new Lead(
        cable.name(),
        cable.plug(),
        new End.OfBoard(cable.seat()),
        cores,
        List.of(),
        cable.cable(),
        slips);
  }

  private static Strand.End away(Strand strand) {
    return onBoard(strand.from().place()) ? strand.to() : strand.from();
  }

  /**
   * {@return the wires that run through a cable, each with its pin}
   *
   * <p>A wire without a chosen pin has the next one that is free; where there are more wires than
   * pins, they are numbered on.
   */
  public static Map<Jumper, String> pins(BoardCable cable, Wiring wiring, Plugs plugs) {
    List<Jumper> through =
        wiring.wires().values().stream()
            // Links and cores of leads have ways of their own to the board.
            .filter(wire -> !wire.link())
            .filter(
                wire -> wire.origin() == Wiring.Origin.PLAN || wire.origin() == Wiring.Origin.HAND)
            .map(Wiring.Wire::ends)
            .filter(wire -> through(cable, wire))
            .toList();
    List<String> names =
        new ArrayList<>(
            plugs.connector(cable.plug().connector()).map(ConnectorKind::names).orElse(List.of()));
    int enough = names.size() + through.size();
    for (int extra = names.size() + 1; names.size() < enough; extra++) {
      if (!names.contains(String.valueOf(extra))) {
        names.add(String.valueOf(extra));
      }
    }
    Set<String> taken = new HashSet<>();
    through.forEach(wire -> Optional.ofNullable(cable.pins().get(wire)).ifPresent(taken::add));
    Map<Jumper, String> pins = new java.util.LinkedHashMap<>();
    for (Jumper wire : through) {
      String chosen = cable.pins().get(wire);
      String pin =
          chosen != null
              ? chosen
              : names.stream().filter(name -> !taken.contains(name)).findFirst().orElseThrow();
      taken.add(pin);
      pins.put(wire, pin);
    }
    return pins;
  }

  private static boolean through(BoardCable cable, Jumper wire) {
    boolean a = onBoard(wire.a());
    boolean b = onBoard(wire.b());
    if (a == b) {
      return false;
    }
    String part = (a ? wire.b() : wire.a()).part();
    boolean control = cable.controls().stream().anyMatch(id -> id.text().equals(part));
    // What the plan adds, such as strips, serves all controls, so it goes with the whole seat.
    return cable.controls().isEmpty() || control;
  }

  private static boolean onBoard(Joint joint) {
    return joint.part().equals(Joint.BOARD);
  }
}
