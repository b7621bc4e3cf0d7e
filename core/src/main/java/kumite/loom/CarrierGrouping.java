package kumite.loom;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.component.Component;
import kumite.kind.WireColour;
import kumite.name.Joint;

/** Contacts on chips that sit on a carrier of their own, in the middle of what they serve. */
abstract class CarrierGrouping implements Grouping {
  /** Contacts on one register or multiplexer chip of the usual kind. */
  static final int ON_A_CHIP = 8;

  /** The pull-up beside a chip's input: common practice, no source. */
  static final double PULL_OHM = 10_000;

  private static final double BYPASS_NANOFARADS = 100;

  /** {@return the tabs of the carrier that go to the board, in the order of the group's lines} */
  abstract List<String> tabs(Sharing sharing);

  static int chips(int contacts) {
    return (contacts + ON_A_CHIP - 1) / ON_A_CHIP;
  }

  static Joint at(String carrier, String tab) {
    return new Joint(carrier, tab);
  }

  static Joint input(String carrier, int number) {
    return at(carrier, "IN" + number);
  }

  static Component pullUp(String carrier, int input) {
    return new Component.Resistor(
        Component.Job.PULL_UP, input(carrier, input), at(carrier, "VCC"), PULL_OHM, 0.05);
  }

  /** A capacitor across the supply of each chip. */
  static List<Component> bypasses(String carrier, int chips) {
    List<Component> all = new ArrayList<>();
    for (int chip = 0; chip < chips; chip++) {
      all.add(new Component.Capacitor(at(carrier, "VCC"), at(carrier, "GND"), BYPASS_NANOFARADS));
    }
    return all;
  }

  static String chipWords(int index) {
    return "chip " + (index / ON_A_CHIP + 1) + " input " + (index % ON_A_CHIP + 1);
  }

  @Override
  public void wire(Sharing sharing, Cutter cutter) {
    Set<WireColour> taken = new HashSet<>();
    for (Sharing.Seat seat : sharing.seats()) {
      cutter.toCarrier(sharing, seat, "IN" + seat.place(), taken);
    }
    List<String> tabs = tabs(sharing);
    for (int i = 0; i < sharing.lines().size(); i++) {
      cutter.fromCarrier(sharing, tabs.get(i), sharing.lines().get(i));
    }
    cutter.feedCarrier(sharing);
  }
}
