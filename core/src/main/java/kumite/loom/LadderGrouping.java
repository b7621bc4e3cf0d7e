package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.name.TabRole;
import kumite.power.ESeries;
import kumite.power.Ladder;

/**
 * A ladder of buttons on one terminal that measures: each ties its point of a chain of resistors to
 * ground, under one pull-up to the logic supply. It tells one button at a time: of several, the one
 * nearest to the terminal wins.
 */
final class LadderGrouping implements Grouping {
  /** The pull-up above a ladder of buttons: common practice, no source. */
  static final double PULL_OHM = 10_000;

  /** The tolerance its resistors are bought with. */
  static final double TOLERANCE = 0.01;

  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    Line tap = Grouping.line(group, "tap", "tap", Line.Need.MEASURE, members);
    List<Double> ohms = Ladder.ohms(PULL_OHM, members.size(), ESeries.E24);
    String name = group.name().text();
    List<Sharing.Seat> seats = new ArrayList<>();
    List<Component> parts = new ArrayList<>();
    parts.add(
        new Component.Resistor(
            Component.Job.PULL_UP,
            new Joint(name, "TAP"),
            new Joint(name, TabRole.PULL_UP.text()),
            PULL_OHM,
            TOLERANCE));
    for (int i = 0; i < members.size(); i++) {
      ContactSite site = members.get(i);
      seats.add(new Sharing.Seat(site, Optional.empty(), tap, "step " + (i + 1), i + 1));
      if (i > 0) {
        parts.add(
            new Component.Resistor(
                Component.Job.RUNG,
                site.joint(TabRole.RESISTOR),
                site.signal(),
                ohms.get(i),
                TOLERANCE));
      }
    }
    return new Sharing(group, List.of(tap), seats, parts, Optional.empty(), 20, false);
  }

  @Override
  public void wire(Sharing sharing, Cutter cutter) {
    Line tap = sharing.lines().get(0);
    Strand.End previous = cutter.ladderTop(sharing, tap);
    ContactSite last = null;
    for (Sharing.Seat seat : sharing.seats()) {
      ContactSite site = seat.site();
      Strand.End in =
          last == null
              ? cutter.signalIn(site)
              : cutter.lead(site, site.joint(TabRole.RESISTOR), "resistor on " + site.signalTab());
      cutter.chain(tap, site, last, in, previous, Serves.SIGNAL);
      previous = cutter.signalOut(site);
      last = site;
    }
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    return new Look.Step(seat.place(), Ladder.ohms(PULL_OHM, sharing.seats().size(), ESeries.E24));
  }
}
