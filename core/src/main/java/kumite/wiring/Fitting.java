package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kumite.build.Build;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * One part that is soldered in beside the controls and the board, as a person needs it to build.
 *
 * @param what its kind and value, such as {@code resistor 150 ohm}
 * @param job what it is for
 * @param from the place of its first end
 * @param to the place of its other end; for a chip, how its pins go
 * @param direction which way round, in plain words; empty where that does not matter
 */
public record Fitting(String what, String job, String from, String to, String direction) {

  /** {@return the fittings of a wiring, those of controls first, then those of carriers} */
  public static List<Fitting> all(Build build, Wiring wiring) {
    Words words = new Words(build, wiring);
    List<Fitting> fittings = new ArrayList<>();
    for (Component part : wiring.ownParts()) {
      if (part.fitted()) {
        fittings.add(words.fitting(part));
      }
    }
    return fittings;
  }

  /** Places in the words of labels, leads by the strands that meet there. */
  private static final class Words {
    private final Map<String, String> labels = new HashMap<>();
    private final Map<Joint, List<Wiring.Wire>> at = new HashMap<>();

    Words(Build build, Wiring wiring) {
      build.labelled().forEach(control -> labels.put(control.id().text(), control.label()));
      for (Wiring.Wire wire : wiring.wires().values()) {
        at.computeIfAbsent(wire.ends().a(), j -> new ArrayList<>()).add(wire);
        at.computeIfAbsent(wire.ends().b(), j -> new ArrayList<>()).add(wire);
      }
    }

    Fitting fitting(Component part) {
      if (part instanceof Component.Resistor resistor) {
        return new Fitting(
            resistor.words(), resistor.job().words(), place(resistor.a()), place(resistor.b()), "");
      }
      if (part instanceof Component.Diode diode) {
        return new Fitting(
            diode.words(),
            "lets current flow one way",
            place(diode.anode()),
            place(diode.cathode()),
            "band towards " + tab(diode.cathode()));
      }
      if (part instanceof Component.Capacitor capacitor) {
        return new Fitting(
            capacitor.words(),
            "across the supply, close to the chip",
            place(capacitor.a()),
            place(capacitor.b()),
            "");
      }
      return chip(part);
    }

    private static Fitting chip(Component part) {
      if (part instanceof Component.Register chip) {
        String first = chip.inputs().get(0).tab();
        String last = chip.inputs().get(chip.inputs().size() - 1).tab();
        return new Fitting(
            chip.words(),
            "reads eight contacts",
            chip.inputs().get(0).part() + " " + first + " to " + last,
            pins(chip.load(), chip.clock())
                + "; output "
                + chip.out().tab()
                + ", serial input "
                + chip.next().tab()
                + "; "
                + pins(chip.supply(), chip.ground()),
            "first input comes out first");
      }
      Component.Multiplexer chip = (Component.Multiplexer) part;
      String last = chip.channels().get(chip.channels().size() - 1).tab();
      return new Fitting(
          chip.words(),
          "picks one of eight",
          chip.channels().get(0).part() + " " + chip.channels().get(0).tab() + " to " + last,
          pins(chip.selects().toArray(Joint[]::new))
              + "; output "
              + chip.out().tab()
              + "; "
              + pins(chip.supply(), chip.ground())
              + ", enable to GND",
          "channel 0 first");
    }

    private static String pins(Joint... joints) {
      List<String> tabs = new ArrayList<>();
      for (Joint joint : joints) {
        tabs.add(joint.tab());
      }
      return String.join(", ", tabs);
    }

    private String tab(Joint joint) {
      String part = labels.getOrDefault(joint.part(), joint.part());
      return joint.part().equals(Joint.BOARD)
          ? joint.tab()
          : part + " " + joint.tab().replace('.', ' ');
    }

    /** A lead has no name on the part: it is where its strands meet. */
    private String place(Joint joint) {
      List<Wiring.Wire> wires = at.getOrDefault(joint, List.of());
      if (!lead(joint)) {
        return tab(joint);
      }
      if (wires.isEmpty()) {
        return "nothing: its strand is left out";
      }
      List<String> strands = new ArrayList<>();
      for (Wiring.Wire wire : wires) {
        Jumper ends = wire.ends();
        Joint far = ends.a().equals(joint) ? ends.b() : ends.a();
        strands.add(wire.strand().orElseGet(() -> "the wire to " + tab(far)));
      }
      return (wires.stream().allMatch(w -> w.strand().isPresent())
              ? strands.size() == 1 ? "strand " : "strands "
              : "")
          + String.join(" and ", strands);
    }

    /** {@return whether a place is the free lead of a part, not a tab of what it is soldered to} */
    private static boolean lead(Joint joint) {
      return kumite.name.TabRole.of(joint).filter(kumite.name.TabRole::freeLead).isPresent();
    }
  }
}
