package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.supply.SupplyBook;
import kumite.kind.BoardKind;
import kumite.kind.SupplyKind;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Lamps;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.loom.Rail;
import kumite.loom.Serves;
import kumite.loom.Supplied;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.power.Wire;
import kumite.wiring.Net;
import kumite.wiring.NetFaults;
import kumite.wiring.Place;
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

  /** Less than this is no current of a lamp but its leakage. */
  private static final double LEAST_MILLIAMPS = 0.01;

  private static final double SUPPLY_WITHIN = 0.05;

  /**
   * One taker.
   *
   * @param taker what sort of taker
   * @param name what takes it
   * @param usualMilliamps in play
   * @param worstMilliamps at worst
   */
  public record Item(Taker taker, String name, double usualMilliamps, double worstMilliamps) {
    Item(String name, double usualMilliamps, double worstMilliamps) {
      this(Taker.PART, name, usualMilliamps, worstMilliamps);
    }
  }

  /** Who takes a current. */
  public enum Taker {
    /** The board itself. */
    BOARD,
    /** What hangs on it. */
    PART,
    /** A fault, which is told by itself. */
    SHORT
  }

  public Budget {
    items = List.copyOf(items);
  }

  /** Adds up a build on its board, its lamps at the current that really flows. */
  public static Budget of(Build build, BoardKind board, Loom loom, Inputs inputs) {
    List<Item> items = new ArrayList<>();
    items.add(
        new Item(
            Taker.BOARD,
            board.name(),
            board.current().usualMilliamps(),
            board.current().mostMilliamps()));
    double lampsWorst = 0;
    Set<ControlId> elsewhere = fedElsewhere(build, loom, items);
    for (LampCurrent lamp : inputs.lamps()) {
      if (lamp.worstMilliamps() > LEAST_MILLIAMPS && !elsewhere.contains(lamp.light().control())) {
        String label =
            build
                .control(lamp.light().control())
                .map(control -> control.label())
                .orElse(lamp.light().control().text());
        // A short of a lamp takes no more than the board's own supply can give.
        double most = Math.min(lamp.worstMilliamps(), limit(build, board, lamp));
        items.add(new Item(label + "'s lamp", Math.min(lamp.restMilliamps(), most), most));
        lampsWorst += most;
      }
    }
    pots(board, loom, items);
    fed(loom, items);
    plugged(loom, inputs, items);
    double carriers = inputs.draws().pullMilliamps();
    if (carriers > LEAST_MILLIAMPS) {
      items.add(new Item("pull-ups on carriers, all held", 0, carriers));
    }
    shorts(build, inputs, items);
    long switches =
        inputs.looks().pulls().values().stream().filter(p -> p != Looks.Pull.NONE).count();
    double pulls = switches * board.logicVolts() / board.pullLeastOhm() * 1000;
    items.add(new Item("pulls of " + switches + " terminals, all held", 0, pulls));
    double usual = items.stream().mapToDouble(Item::usualMilliamps).sum();
    double worst = items.stream().mapToDouble(Item::worstMilliamps).sum();
    boolean port =
        board.brain().link() != BoardKind.Link.HEADER
            && board.brain().link() != BoardKind.Link.PORT
            && Supplied.feeder(build).isEmpty();
    return new Budget(
        items,
        usual,
        worst,
        port ? USB_MILLIAMPS : 0,
        port ? USB_BEFORE_MILLIAMPS : 0,
        drop(build, loom, lampsWorst),
        working(items, usual, worst));
  }

  /**
   * Strips that hang on the board are among what it gives; what another source feeds is not.
   *
   * @return what another source feeds
   */
  private static Set<ControlId> fedElsewhere(Build build, Loom loom, List<Item> items) {
    Set<ControlId> elsewhere = new HashSet<>();
    for (Supplied supplied : loom.supplies()) {
      if (supplied.from().isPresent()) {
        elsewhere.add(supplied.part().id());
      } else if (supplied.kind().does() instanceof SupplyKind.Strip strip) {
        double most = supplied.part().count() * strip.mostMilliamps();
        double idle = supplied.part().count() * strip.idleMilliamps();
        items.add(
            new Item(
                supplied.part().label(),
                idle
                    + (most - idle)
                        * supplied
                            .part()
                            .shows()
                            .share(build.seat().profiles().stream().map(p -> p.name()).toList()),
                most));
      }
    }
    return elsewhere;
  }

  /** What would flow through shorts, were the supply without bound. */
  private static void shorts(Build build, Inputs inputs, List<Item> items) {
    // Wires that short a supply leave the board dead; else there is none to look for.
    List<Net> joined = inputs.dead().isPresent() ? inputs.wiring().nets().joined() : List.<Net>of();
    for (Net net : joined) {
      double most =
          net.places().stream().filter(Place::gives).mapToDouble(Place::volts).max().orElse(0);
      double least =
          net.grounded()
              ? 0
              : net.places().stream()
                  .filter(Place::gives)
                  .mapToDouble(Place::volts)
                  .min()
                  .orElse(0);
      if (most > least && bears(build, net)) {
        double milliamps = (most - least) / Shorts.WIRE_OHM * 1000;
        items.add(
            new Item(
                Taker.SHORT,
                "short of "
                    + Working.number(most, 1)
                    + " V and "
                    + (least == 0 ? "ground" : Working.number(least, 1) + " V")
                    + " by a wire",
                milliamps,
                milliamps));
      }
    }
    for (Shorts.Short one : inputs.shorts().all()) {
      boolean told =
          one.kind() != Shorts.Kind.HARMED
              && !ofSupplies(build, one.one())
              && NetFaults.toldHere(
                  build, inputs.wiring(), one.one(), one.other(), one.contacts(), false);
      if (told) {
        String what = one.kind() == Shorts.Kind.SUPPLY ? "short of " : "drive of ";
        String when = one.atRest() ? " at rest" : ", pressed";
        double milliamps = one.amps() * 1000;
        items.add(
            new Item(
                Taker.SHORT,
                what + one.one().tab() + " and " + one.other().tab() + when,
                one.atRest() ? milliamps : 0,
                milliamps));
      }
    }
  }

  /** Whether the board looked at gives on a net, and none of an earlier seat: it is told once. */
  private static boolean bears(Build build, Net net) {
    Set<String> givers = new HashSet<>();
    net.places().stream().filter(Place::gives).forEach(p -> givers.add(p.joint().part()));
    for (Seat seat : build.seats()) {
      if (seat.id().equals(build.seat().id())) {
        return givers.contains(Joint.BOARD);
      } else if (givers.contains(Joint.boardOf(seat.id()))) {
        return false;
      }
    }
    return false;
  }

  /** What a jack or a cell gives into a short is no matter of the board's port. */
  private static boolean ofSupplies(Build build, Joint giver) {
    return build.get(SupplyBook.PART).parts().stream()
        .anyMatch(
            part -> {
              Joint own = new Joint(part.id().text(), giver.tab());
              return own.equals(giver) || own.at(SupplyBook.seat(build, part)).equals(giver);
            });
  }

  /** {@return the budget of boards that live on one supply, and so on one plug} */
  public static Budget together(List<Budget> budgets) {
    List<Item> items = budgets.stream().flatMap(b -> b.items().stream()).toList();
    double usual = items.stream().mapToDouble(Item::usualMilliamps).sum();
    double worst = items.stream().mapToDouble(Item::worstMilliamps).sum();
    return new Budget(
        items,
        usual,
        worst,
        budgets.stream().mapToDouble(Budget::limitMilliamps).max().orElse(0),
        budgets.stream().mapToDouble(Budget::beforeMilliamps).max().orElse(0),
        budgets.stream().mapToDouble(Budget::dropVolts).max().orElse(0),
        working(items, usual, worst));
  }

  private static double limit(Build build, BoardKind board, LampCurrent lamp) {
    boolean logic =
        build
            .control(lamp.light().control())
            .flatMap(control -> Lamps.supply(board, control))
            .filter(terminal -> terminal.volts() == board.logicVolts())
            .isPresent();
    double gives = board.current().supplyMilliamps();
    return logic && gives > 0 ? gives : Double.POSITIVE_INFINITY;
  }

  private static void pots(BoardKind board, Loom loom, List<Item> items) {
    int pots = 0;
    double milliamps = 0;
    for (ContactSite site : loom.sites()) {
      if (site.contact().type().analog() && !site.fed()) {
        double end = site.kind().ohm() * Math.max(1, site.kind().steps() - 1);
        pots++;
        milliamps += board.logicVolts() / Math.max(1, end) * 1000;
      }
    }
    if (pots > 0) {
      items.add(
          new Item(
              pots + (pots == 1 ? " pot or ladder" : " pots and ladders"),
              milliamps,
              milliamps * (1 + SUPPLY_WITHIN)));
    }
  }

  private static void fed(Loom loom, List<Item> items) {
    Set<ControlId> seen = new HashSet<>();
    for (ContactSite site : loom.sites()) {
      if (site.fed() && seen.add(site.control().id())) {
        double milliamps = site.kind().feed().orElseThrow().milliamps();
        items.add(new Item(site.control().label(), milliamps, milliamps * (1 + SUPPLY_WITHIN)));
      }
    }
  }

  /** Pads at ports, as far as this board feeds them. */
  private static void plugged(Loom loom, Inputs inputs, List<Item> items) {
    for (Pad pad : loom.pads()) {
      boolean own =
          inputs
              .wiring()
              .nets()
              .of(pad.pin(Plugged.SUPPLY))
              .flatMap(Net::source)
              .filter(source -> source.joint().part().equals(Joint.BOARD))
              .isPresent();
      if (own && pad.takesMilliamps() > 0) {
        items.add(new Item(pad.port().label(), pad.takesMilliamps(), pad.takesMilliamps()));
      }
    }
  }

  private static double drop(Build build, Loom loom, double milliamps) {
    Wire wire = Wire.ofAwg(build.loom().laying().gaugeAwg());
    double longest =
        loom.strands().stream()
            .filter(strand -> strand.serves() == Serves.LAMP)
            .mapToInt(strand -> strand.lengthMm())
            .max()
            .orElse(0);
    double back =
        loom.runs().stream()
            .filter(run -> run.rail() instanceof Rail.Ground)
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
        "usually " + words(usual) + ", at worst " + words(worst),
        Source.memory(
            "limits USB 2.0, section 7.2.1: 100 mA before set-up, 500 mA after; board currents are"
                + " common practice"));
  }

  /** {@return what these take in play, in mA} */
  public double usual(Taker... takers) {
    return of(takers).mapToDouble(Item::usualMilliamps).sum();
  }

  /** {@return what these take at worst, in mA} */
  public double worst(Taker... takers) {
    return of(takers).mapToDouble(Item::worstMilliamps).sum();
  }

  private Stream<Item> of(Taker... takers) {
    return items.stream().filter(item -> List.of(takers).contains(item.taker()));
  }

  /** {@return a current in words, in mA or, where a short makes it huge, in A} */
  public static String words(double milliamps) {
    return milliamps < 10_000
        ? Working.number(milliamps, 0) + " mA"
        : Working.number(milliamps / 1000, 0) + " A";
  }

  /** {@return hours that so much battery lasts in play, four fifths of it used} */
  public double hours(double milliampHours) {
    return milliampHours * 0.8 / Math.max(0.001, usualMilliamps);
  }
}
