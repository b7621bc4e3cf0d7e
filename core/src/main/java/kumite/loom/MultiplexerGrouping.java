package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.name.Joint;

/**
 * Analog multiplexers, eight contacts or wipers each: three select lines for all chips, one output
 * for each. Switches sink to ground under a pull-up at their channel; wipers have none.
 */
final class MultiplexerGrouping extends CarrierGrouping {
  private static final int SELECTS = 3;

  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    int chips = chips(members.size());
    List<Line> lines = new ArrayList<>();
    for (int bit = 1; bit <= SELECTS; bit++) {
      lines.add(Grouping.line(group, "select" + bit, "select " + bit, Line.Need.DRIVE, members));
    }
    for (int chip = 0; chip < chips; chip++) {
      List<ContactSite> served =
          members.subList(chip * ON_A_CHIP, Math.min(members.size(), (chip + 1) * ON_A_CHIP));
      boolean measures = served.stream().anyMatch(s -> s.contact().type().analog());
      lines.add(
          Grouping.line(
              group,
              "out" + (chip + 1),
              "output " + (chip + 1),
              measures ? Line.Need.MEASURE : Line.Need.READ,
              served));
    }
    List<Sharing.Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      Line read = lines.get(SELECTS + i / ON_A_CHIP);
      seats.add(
          new Sharing.Seat(members.get(i), Optional.of(lines.get(0)), read, chipWords(i), i + 1));
    }
    return new Sharing(
        group,
        lines,
        seats,
        parts(group.name().text(), members, chips),
        Optional.of(Grouping.middle(members)),
        ON_A_CHIP * STEP_MICROS * 2,
        false);
  }

  private static List<Component> parts(String carrier, List<ContactSite> members, int chips) {
    List<Component> parts = new ArrayList<>();
    List<Joint> selects = new ArrayList<>();
    for (int bit = 1; bit <= SELECTS; bit++) {
      selects.add(at(carrier, "SELECT" + bit));
    }
    for (int chip = 0; chip < chips; chip++) {
      List<Joint> channels = new ArrayList<>();
      for (int i = 1; i <= ON_A_CHIP; i++) {
        channels.add(input(carrier, chip * ON_A_CHIP + i));
      }
      parts.add(
          new Component.Multiplexer(
              channels,
              selects,
              at(carrier, "OUT" + (chip + 1)),
              at(carrier, "VCC"),
              at(carrier, "GND"),
              false));
    }
    for (int i = 0; i < members.size(); i++) {
      if (members.get(i).switched()) {
        parts.add(pullUp(carrier, i + 1));
      }
    }
    parts.addAll(bypasses(carrier, chips));
    return parts;
  }

  @Override
  List<String> tabs(Sharing sharing) {
    List<String> tabs = new ArrayList<>();
    for (int i = 1; i <= sharing.lines().size(); i++) {
      tabs.add(i <= SELECTS ? "SELECT" + i : "OUT" + (i - SELECTS));
    }
    return tabs;
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    List<Terminal> selects =
        sharing.lines().subList(0, SELECTS).stream()
            .map(line -> plan.of(line.id()).orElseThrow().terminal())
            .toList();
    return new Look.Channel(
        selects, (seat.place() - 1) % ON_A_CHIP, seat.site().contact().type().analog());
  }
}
