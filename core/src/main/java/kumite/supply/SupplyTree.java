package kumite.supply;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.SupplyKind;
import kumite.name.SeatId;
import kumite.parts.SupplyFile;

/**
 * What each source gives and each branch takes, sources first, each followed by what it feeds.
 *
 * <pre>{@code
 * SupplyTree tree = SupplyTree.of(build, loads);
 * tree.branches().get(0); // Jack 5 V: usually 310 mA, at worst 900 of 2500
 * }</pre>
 *
 * @param branches each with what hangs on it behind it
 */
public record SupplyTree(List<Branch> branches) {
  /** What of a cell's or bank's content is used: common practice, no source. */
  public static final double USED = 0.8;

  /**
   * What a board takes.
   *
   * @param label of its seat
   * @param usualMilliamps in play
   * @param worstMilliamps at worst
   * @param volts of its inlet
   */
  public record Load(String label, double usualMilliamps, double worstMilliamps, double volts) {}

  /**
   * One part, or a board, with all that is behind it.
   *
   * @param part it; empty for a board
   * @param seat the seat whose board it is; empty for a part
   * @param label in words for people
   * @param depth how many lie between it and its source
   * @param volts that it is given at, or gives
   * @param usualMilliamps in play, with all behind it once every switch is closed
   * @param worstMilliamps everything on at once
   * @param ratedMilliamps what it bears or gives; 0 where nothing is known
   * @param alive whether it is fed: every switch before it is closed
   * @param hours how long it lasts in play; 0 where it has no end or takes nothing
   */
  public record Branch(
      Optional<SupplyPart> part,
      Optional<SeatId> seat,
      String label,
      int depth,
      double volts,
      double usualMilliamps,
      double worstMilliamps,
      double ratedMilliamps,
      boolean alive,
      double hours) {
    /** {@return its kind; empty for a board} */
    public Optional<SupplyKind> kind() {
      return part.flatMap(p -> SupplyFile.find(p.kind()));
    }
  }

  public SupplyTree {
    branches = List.copyOf(branches);
  }

  /** {@return the tree of a build} */
  public static SupplyTree of(Build build, Map<SeatId, Load> loads) {
    Grower grower = new Grower(build, loads);
    for (SupplyPart part : grower.book.parts()) {
      if (part.from().isEmpty()) {
        grower.grow(part, 0, true);
      }
    }
    return new SupplyTree(grower.branches);
  }

  /** {@return the branch of a part} */
  public Optional<Branch> of(SupplyPart part) {
    return branches.stream().filter(b -> b.part().filter(part::equals).isPresent()).findFirst();
  }

  /** Usual and worst current of a branch. */
  private record Flow(double usual, double worst) {
    Flow plus(Flow other) {
      return new Flow(usual + other.usual, worst + other.worst);
    }
  }

  private static final class Grower {
    private final Build build;
    private final SupplyBook book;
    private final Map<SeatId, Load> loads;
    private final List<Branch> branches = new ArrayList<>();
    private final Map<SupplyPart, Double> volts = new HashMap<>();

    Grower(Build build, Map<SeatId, Load> loads) {
      this.build = build;
      this.book = build.get(SupplyBook.PART);
      this.loads = loads;
    }

    /** Puts a part and all behind it into the list; what it takes is known once those are. */
    Flow grow(SupplyPart part, int depth, boolean fed) {
      SupplyKind.Does does = SupplyFile.find(part.kind()).orElseThrow().does();
      double given = given(part, does);
      volts.put(part, given); // before what is behind it asks
      boolean alive = fed && !part.open();
      int at = branches.size();
      Flow behind = new Flow(0, 0);
      for (SupplyPart child : book.fedBy(part.id())) {
        behind = behind.plus(grow(child, depth + 1, alive));
      }
      for (Seat seat : build.seats()) {
        if (book.boards().get(seat.id()) != null
            && book.boards().get(seat.id()).equals(part.id())
            && loads.containsKey(seat.id())) {
          behind = behind.plus(board(seat.id(), depth + 1, given, alive));
        }
      }
      Flow own = own(part, does, given, behind);
      double hours =
          does instanceof SupplyKind.Source source && source.milliampHours() > 0 && own.usual() > 0
              ? source.milliampHours() * USED * cellShare(source) / own.usual()
              : 0;
      branches.add(
          at,
          new Branch(
              Optional.of(part),
              Optional.empty(),
              part.label(),
              depth,
              given,
              own.usual(),
              own.worst(),
              rated(part, does),
              alive,
              hours));
      return taken(part, does, own);
    }

    /** A converter takes power: more current from fewer volts, and its loss. */
    private Flow taken(SupplyPart part, SupplyKind.Does does, Flow own) {
      if (!(does instanceof SupplyKind.Converter converter)) {
        return own;
      }
      double in =
          part.from()
              .flatMap(book::part)
              .map(up -> volts.getOrDefault(up, 0.0))
              .filter(v -> v > 0)
              .orElse(converter.leastVolts());
      double usual = converter.volts() / (in * converter.share());
      double worst = converter.volts() / (Math.min(in, least(part).orElse(in)) * converter.share());
      return new Flow(own.usual() * usual, own.worst() * worst);
    }

    /** The fewest volts of the source above, as a cell that is nearly empty gives. */
    private Optional<Double> least(SupplyPart part) {
      Optional<SupplyPart> up = part.from().flatMap(book::part);
      while (up.isPresent()) {
        SupplyKind.Does does = SupplyFile.find(up.get().kind()).orElseThrow().does();
        if (does instanceof SupplyKind.Source source) {
          return Optional.of(Math.max(0.5, source.leastVolts()));
        }
        if (does instanceof SupplyKind.Converter converter) {
          return Optional.of(converter.volts());
        }
        up = up.get().from().flatMap(book::part);
      }
      return Optional.empty();
    }

    private Flow board(SeatId seat, int depth, double given, boolean alive) {
      Load load = loads.get(seat);
      branches.add(
          new Branch(
              Optional.empty(),
              Optional.of(seat),
              load.label(),
              depth,
              given,
              load.usualMilliamps(),
              load.worstMilliamps(),
              0,
              alive,
              0));
      return new Flow(load.usualMilliamps(), load.worstMilliamps());
    }

    /** Volts that are passed on, or that it is given. */
    private double given(SupplyPart part, SupplyKind.Does does) {
      if (does instanceof SupplyKind.Source source) {
        return source.volts();
      }
      if (does instanceof SupplyKind.Converter converter) {
        return converter.volts();
      }
      return part.from().flatMap(book::part).map(up -> volts.getOrDefault(up, 0.0)).orElse(0.0);
    }

    private List<String> names(SupplyPart part) {
      return build.seats().stream()
          .filter(seat -> seat.id().equals(part.seat().orElse(build.seats().get(0).id())))
          .flatMap(seat -> seat.profiles().stream().map(profile -> profile.name()))
          .toList();
    }

    private Flow own(SupplyPart part, SupplyKind.Does does, double given, Flow behind) {
      if (does instanceof SupplyKind.Strip strip) {
        double most = part.count() * strip.mostMilliamps();
        double idle = part.count() * strip.idleMilliamps();
        return new Flow(idle + (most - idle) * part.shows().share(names(part)), most);
      }
      if (does instanceof SupplyKind.Indicator lamp) {
        double milliamps =
            lamp.lamp().resistorInside()
                ? Math.max(0, (given - lamp.lamp().forwardVolts()) / lamp.lamp().insideOhm() * 1000)
                : lamp.lamp().milliamps();
        return new Flow(milliamps, milliamps);
      }
      return behind;
    }

    /** A bank's cell has other volts than what it gives; nine tenths come out of its converter. */
    private static double cellShare(SupplyKind.Source source) {
      return source.form() == SupplyKind.Form.BANK ? CELL_VOLTS / source.volts() * BANK_SHARE : 1;
    }

    private static final double CELL_VOLTS = 3.7;
    private static final double BANK_SHARE = 0.9;

    private static double rated(SupplyPart part, SupplyKind.Does does) {
      if (does instanceof SupplyKind.Source source) {
        return part.milliamps().orElse(source.mostMilliamps());
      } else if (does instanceof SupplyKind.Switch contacts) {
        return part.milliamps().orElse(contacts.mostMilliamps());
      } else if (does instanceof SupplyKind.Fuse fuse) {
        return part.milliamps().orElse(fuse.milliamps());
      } else if (does instanceof SupplyKind.Guard guard) {
        return guard.mostMilliamps();
      } else if (does instanceof SupplyKind.Converter converter) {
        return converter.mostMilliamps();
      }
      return 0;
    }
  }
}
