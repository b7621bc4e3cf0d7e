package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.loom.WireSort;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.working.Working;

/**
 * The wires by which a supply part of one seat feeds a part or the board of another: the seat that
 * gives has the say how they are made, and cuts them; both see the same wire.
 */
final class FeedCrossings {
  /** What gives or takes: where it is seen, and at which seat it stands. */
  private record Party(SeatId seat, Strand.End end) {}

  private final Build build;
  private final Catalogue catalogue;
  private final BoardKind board;
  private final List<Strand> strands = new ArrayList<>();
  private final Map<String, Point> spots = new LinkedHashMap<>();

  private FeedCrossings(Build build, Catalogue catalogue, BoardKind board) {
    this.build = build;
    this.catalogue = catalogue;
    this.board = board;
  }

  /** {@return all of them that touch the seat looked at} */
  static FeedCrossings of(Build build, Catalogue catalogue, BoardKind board) {
    FeedCrossings all = new FeedCrossings(build, catalogue, board);
    if (!SupplyBook.across(build).isEmpty()) {
      build.get(SupplyBook.PART).parts().forEach(all::part);
      build.seats().forEach(all::board);
    }
    return all;
  }

  List<Strand> strands() {
    return strands;
  }

  /** {@return where their ends at other seats are, by the names they have here} */
  Map<String, Point> spots() {
    return spots;
  }

  private void part(SupplyPart part) {
    Supplied taker = Supplied.of(build, part);
    for (Supplied.Wanted wanted : taker.wants()) {
      wanted
          .to()
          .ifPresent(
              to ->
                  wire(
                      taker.number(),
                      wanted.plus(),
                      giver(taker.from(), to),
                      new Party(SupplyBook.seat(build, part), SupplyWires.end(taker, wanted.own())),
                      0));
    }
  }

  private void board(Seat seat) {
    Optional<Supplied> feeder = Supplied.feeder(build, seat.id());
    Optional<BoardKind> kind = seat.board().flatMap(choice -> catalogue.board(choice.kind()));
    if (feeder.isEmpty() || kind.isEmpty()) {
      return;
    }
    int number = build.get(SupplyBook.PART).parts().size() + build.seats().indexOf(seat) + 1;
    Optional<Terminal> inlet = Supplied.inlet(kind.get());
    Optional<Terminal> ground = kind.get().terminals(Terminal.Role.GROUND).stream().findFirst();
    if (inlet.isPresent() && feeder.get().plus().isPresent()) {
      wire(
          number,
          true,
          giver(feeder, feeder.get().plus().get()),
          terminal(seat, kind.get(), inlet.get()),
          inlet.get().volts());
    }
    if (ground.isPresent() && feeder.get().ground().isPresent()) {
      wire(
          number,
          false,
          giver(feeder, feeder.get().ground().get()),
          terminal(seat, kind.get(), ground.get()),
          0);
    }
  }

  /** The part of a chain of feeders to which a place belongs. */
  private Party giver(Optional<Supplied> from, Joint at) {
    Supplied up = from.orElseThrow();
    return up.tab(at.tab()).equals(at)
        ? new Party(SupplyBook.seat(build, up.part()), SupplyWires.end(up, at))
        : giver(up.from(), at);
  }

  private Party terminal(Seat seat, BoardKind kind, Terminal terminal) {
    boolean here = seat.id().equals(build.seat().id());
    Joint place =
        here ? Joint.board(terminal.name()) : new Joint(Joint.boardOf(seat.id()), terminal.name());
    return new Party(
        seat.id(),
        new Strand.End(
            place,
            here ? "board" : "board of " + seat.id(),
            terminal.name(),
            Landing.of(
                seat.board().orElseThrow().soldered(kind)
                    ? Landing.How.HOLE
                    : Landing.How.HEADER_PIN),
            seat.board().orElseThrow().placement().place(terminal.at())));
  }

  private void wire(int number, boolean plus, Party giver, Party taker, double volts) {
    SeatId here = build.seat().id();
    boolean across = !giver.seat().equals(taker.seat());
    if (!across || !giver.seat().equals(here) && !taker.seat().equals(here)) {
      return;
    }
    Seat cuts =
        build.seats().stream().filter(s -> s.id().equals(giver.seat())).findFirst().orElseThrow();
    if (cuts.board().flatMap(choice -> catalogue.board(choice.kind())).isEmpty()) {
      return; // nothing of that seat is wired yet
    }
    WireSort.Use use = plus ? WireSort.Use.SUPPLY : WireSort.Use.GROUND;
    Rail rail = plus ? new Rail.Supply(volts) : new Rail.Ground();
    WireColour colour =
        cuts.loom().laying().sort(use).colour().map(WireColour::of).orElse(rail.colour());
    double way = new Lengths(build, board).along(giver.end().at(), taker.end().at());
    double slack = cuts.loom().laying().slackMm();
    Lengths.Cut cut =
        Lengths.Cut.of(
            "L = way + 2 slack",
            List.of(
                Working.value("way", way, 0, "mm", "along the edges, from seat to seat"),
                Working.value("slack", slack, 0, "mm", "at each end")),
            way + 2 * slack);
    strands.add(
        new Strand(
            Serves.FEED_ACROSS,
            Serves.FEED_ACROSS.id(number) + (plus ? "" : "b"),
            Optional.empty(),
            giver.end(),
            taker.end(),
            colour,
            cuts.loom().laying().gaugeAwg(use),
            cut.lengthMm(),
            Optional.empty(),
            cut.working(),
            use));
    Party far = giver.seat().equals(here) ? taker : giver;
    spots.putIfAbsent(far.end().place().part(), far.end().at());
  }
}
