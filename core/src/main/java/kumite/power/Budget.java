package kumite.power;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Lamp;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Wire;
import kumite.name.ControlId;
import kumite.working.Source;
import kumite.working.Working;

/**
 * What the controller takes from its supply.
 *
 * @param items what takes how much, the board first
 * @param usualMilliamps in play: lamps on contacts dark, all else on
 * @param worstMilliamps everything on at once, lamps at the upper end of the supply
 * @param limitMilliamps what the port gives a device that is set up; 0 where there is no port
 * @param beforeMilliamps what it gives before that
 * @param dropVolts lost along supply and ground to the farthest lamp, all lamps lit
 * @param working how the worst case came about
 */
public record Budget(
    List<Item> items,
    double usualMilliamps,
    double worstMilliamps,
    double limitMilliamps,
    double beforeMilliamps,
    double dropVolts,
    Working working) {
  /** USB 2.0, section 7.2.1, from memory: a device that is set up may take 500 mA. */
  public static final double USB_MILLIAMPS = 500;

  /** USB 2.0, section 7.2.1, from memory: before that, 100 mA. */
  public static final double USB_BEFORE_MILLIAMPS = 100;

  private static final double SUPPLY_WITHIN = 0.05;

  /**
   * One taker.
   *
   * @param name what takes it
   * @param usualMilliamps in play
   * @param worstMilliamps at worst
   */
  public record Item(String name, double usualMilliamps, double worstMilliamps) {}

  public Budget {
    items = List.copyOf(items);
  }

  /** Adds up a build on its board. */
  public static Budget of(Build build, BoardKind board, Loom loom) {
    List<Item> items = new ArrayList<>();
    items.add(
        new Item(board.name(), board.current().usualMilliamps(), board.current().mostMilliamps()));
    double lampsWorst = 0;
    Set<ControlId> seen = new HashSet<>();
    int pots = 0;
    double potsMilliamps = 0;
    for (ContactSite site : loom.sites()) {
      if (!seen.add(site.control().id())) {
        continue;
      }
      double volts = Loom.lampVolts(board, site.control());
      if (site.kind().lit() && volts > 0) {
        double usual = lampMilliamps(site, volts);
        double worst = lampMilliamps(site, volts * (1 + SUPPLY_WITHIN));
        boolean dark = site.control().hookup().lampShares();
        items.add(new Item(site.control().label() + "'s lamp", dark ? 0 : usual, worst));
        lampsWorst += worst;
      }
    }
    for (ContactSite site : loom.sites()) {
      if (site.contact().type().analog()) {
        double end = site.kind().ohm() * Math.max(1, site.kind().steps() - 1);
        pots++;
        potsMilliamps += board.logicVolts() / Math.max(1, end) * 1000;
      }
    }
    if (pots > 0) {
      items.add(
          new Item(
              pots + (pots == 1 ? " pot or ladder" : " pots and ladders"),
              potsMilliamps,
              potsMilliamps * (1 + SUPPLY_WITHIN)));
    }
    long switches = loom.sites().size() - pots;
    double pulls = switches * board.logicVolts() / board.pullLeastOhm() * 1000;
    items.add(new Item("pulls of " + switches + " contacts, all held", 0, pulls));
    double usual = items.stream().mapToDouble(Item::usualMilliamps).sum();
    double worst = items.stream().mapToDouble(Item::worstMilliamps).sum();
    boolean port = board.brain().link() != BoardKind.Link.HEADER;
    return new Budget(
        items,
        usual,
        worst,
        port ? USB_MILLIAMPS : 0,
        port ? USB_BEFORE_MILLIAMPS : 0,
        drop(build, loom, lampsWorst),
        working(items, usual, worst));
  }

  /** {@return the current of a control's lamp, in mA; without a resistor, what it is made for} */
  public static double lampMilliamps(ContactSite site, double volts) {
    Lamp lamp = site.kind().lamp().orElseThrow();
    double spare = volts - lamp.forwardVolts();
    if (spare <= 0) {
      return 0;
    }
    return site.control().hookup().lampOhm().isPresent()
        ? spare / site.control().hookup().lampOhm().getAsDouble() * 1000
        : lamp.milliamps();
  }

  private static double drop(Build build, Loom loom, double milliamps) {
    Wire wire = Wire.ofAwg(build.loom().laying().gaugeAwg());
    double longest =
        loom.strands().stream()
            .filter(strand -> strand.id().startsWith("L"))
            .mapToInt(strand -> strand.lengthMm())
            .max()
            .orElse(0);
    double back =
        loom.runs().stream()
            .filter(run -> run.name().equals("ground"))
            .mapToInt(CommonRun::lengthMm)
            .sum();
    return milliamps / 1000 * wire.ohm(longest == 0 ? 0 : longest + back);
  }

  private static Working working(List<Item> items, double usual, double worst) {
    List<Working.Value> values = new ArrayList<>();
    for (Item item : items) {
      values.add(
          Working.value(
              "I",
              item.worstMilliamps(),
              1,
              "mA",
              item.name() + ", usually " + Working.number(item.usualMilliamps(), 1) + " mA"));
    }
    return new Working(
        "current from the port",
        "sum of all takers, supply 5 % high",
        values,
        "usually " + Working.number(usual, 0) + " mA, at worst " + Working.number(worst, 0) + " mA",
        Source.memory(
            "limits USB 2.0, section 7.2.1: 100 mA before set-up, 500 mA after; board currents are"
                + " common practice"));
  }

  /** {@return hours that so much battery lasts in play, four fifths of it used} */
  public double hours(double milliampHours) {
    return milliampHours * 0.8 / Math.max(0.001, usualMilliamps);
  }
}
