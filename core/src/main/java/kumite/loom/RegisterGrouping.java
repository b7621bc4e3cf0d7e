package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.component.Component;
import kumite.name.Joint;

/**
 * Parallel-in registers in a chain, eight contacts each, read bit by bit. Contacts sink to ground
 * under a pull-up at each input; free inputs have one too, since an open input reads anything.
 */
final class RegisterGrouping extends CarrierGrouping {
  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    int chips = chips(members.size());
    Line load = Grouping.line(group, "load", "load", Line.Need.DRIVE, members);
    Line clock = Grouping.line(group, "clock", "clock", Line.Need.DRIVE, members);
    Line data = Grouping.line(group, "data", "data", Line.Need.READ, members);
    List<Sharing.Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      seats.add(new Sharing.Seat(members.get(i), Optional.of(load), data, chipWords(i), i + 1));
    }
    return new Sharing(
        group,
        List.of(load, clock, data),
        seats,
        parts(group.name().text(), chips),
        Optional.of(Grouping.middle(members)),
        // One bit a clock; a chip takes 1 MHz with ease at any of the usual supplies.
        1 + chips * ON_A_CHIP,
        false);
  }

  private static List<Component> parts(String carrier, int chips) {
    List<Component> parts = new ArrayList<>();
    for (int chip = 0; chip < chips; chip++) {
      List<Joint> inputs = new ArrayList<>();
      for (int i = 1; i <= ON_A_CHIP; i++) {
        inputs.add(input(carrier, chip * ON_A_CHIP + i));
      }
      // The last register takes in its supply, so that what lies beyond it reads as not pressed.
      Joint next = at(carrier, chip + 1 < chips ? "CHAIN" + (chip + 2) : "VCC");
      parts.add(
          new Component.Register(
              inputs,
              at(carrier, "LOAD"),
              at(carrier, "CLOCK"),
              next,
              at(carrier, chip == 0 ? "DATA" : "CHAIN" + (chip + 1)),
              at(carrier, "VCC"),
              at(carrier, "GND"),
              false));
    }
    for (int i = 1; i <= chips * ON_A_CHIP; i++) {
      parts.add(pullUp(carrier, i));
    }
    parts.addAll(bypasses(carrier, chips));
    return parts;
  }

  @Override
  List<String> tabs(Sharing sharing) {
    return List.of("LOAD", "CLOCK", "DATA");
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    return new Look.Bit(
        plan.of(sharing.lines().get(0).id()).orElseThrow().terminal(),
        plan.of(sharing.lines().get(1).id()).orElseThrow().terminal(),
        chips(sharing.seats().size()) * ON_A_CHIP,
        seat.place() - 1,
        input(sharing.group().name().text(), seat.place()),
        Optional.empty());
  }
}
