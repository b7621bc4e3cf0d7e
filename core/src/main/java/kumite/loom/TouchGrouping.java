package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;

/** Pads that a person bridges to the common pad, each on a terminal that senses touch. */
final class TouchGrouping implements Grouping {
  /** A touch is timed, not just read: common practice, no source. */
  private static final double TOUCH_MICROS = 200;

  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    List<Line> lines = new ArrayList<>();
    List<Sharing.Seat> seats = new ArrayList<>();
    for (int i = 0; i < members.size(); i++) {
      Line pad =
          Grouping.line(
              group,
              "pad" + (i + 1),
              members.get(i).label(),
              Line.Need.TOUCH,
              members.subList(i, i + 1));
      lines.add(pad);
      seats.add(new Sharing.Seat(members.get(i), Optional.empty(), pad, "pad " + (i + 1), i + 1));
    }
    return new Sharing(
        group, lines, seats, List.of(), Optional.empty(), members.size() * TOUCH_MICROS, false);
  }

  @Override
  public void wire(Sharing sharing, Cutter cutter) {
    for (Sharing.Seat seat : sharing.seats()) {
      cutter.direct(seat.site(), seat.read());
    }
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    return new Look.Touch();
  }
}
