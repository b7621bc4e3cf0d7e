package kumite.loom;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.kind.SupplyKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.name.Joint;

/** The wires of what feeds a build: each part to what feeds it, and the board to its feeder. */
final class SupplyWires {
  private final BoardKind board;
  private final Cutter cutter;
  private final Map<String, Supplied> byName = new HashMap<>();

  private SupplyWires(BoardKind board, List<Supplied> supplies, Cutter cutter) {
    this.board = board;
    this.cutter = cutter;
    supplies.forEach(supplied -> byName.put(supplied.part().id().text(), supplied));
  }

  static void of(
      Build build, BoardKind board, List<Supplied> supplies, PinPlan plan, Cutter cutter) {
    SupplyWires wires = new SupplyWires(board, supplies, cutter);
    for (Supplied supplied : supplies) {
      cutter.spot(supplied.part().id().text(), supplied.place());
      supplied.wants().forEach(wanted -> wires.wire(supplied, wanted));
      plan.of(supplied.data())
          .ifPresent(
              pin ->
                  cutter.data(
                      supplied,
                      end(supplied, supplied.tab(SupplyKind.Strip.DATA)),
                      pin.terminal()));
    }
    Supplied.feeder(build).ifPresent(wires::board);
  }

  private void wire(Supplied supplied, Supplied.Wanted wanted) {
    Rail rail = wanted.plus() ? new Rail.Supply(volts(supplied)) : new Rail.Ground();
    Strand.End own = end(supplied, wanted.own());
    if (wanted.to().isPresent()) {
      Optional<Supplied> up = Optional.ofNullable(byName.get(wanted.to().get().part()));
      up.ifPresent(
          other ->
              cutter.feed(
                  supplied.number(), !wanted.plus(), own, end(other, wanted.to().get()), rail));
    } else if (supplied.from().isEmpty() && supplied.mayHangOnBoard()) {
      cutter
          .runs()
          .land(
              rail,
              new Runs.Land(
                  supplied.part().label(),
                  Optional.empty(),
                  supplied.place(),
                  0,
                  List.of(new Runs.Tap(own, supplied.number(), Serves.FEED, !wanted.plus()))));
    }
  }

  private double volts(Supplied supplied) {
    return Supplied.inlet(board).map(Terminal::volts).orElse(0.0);
  }

  private void board(Supplied feeder) {
    Optional<Terminal> inlet = Supplied.inlet(board);
    Optional<Terminal> ground = board.terminals(Terminal.Role.GROUND).stream().findFirst();
    Optional<Supplied> giver = feeder.plus().map(at -> byName.get(at.part()));
    Optional<Supplied> back = feeder.ground().map(at -> byName.get(at.part()));
    // What stands at another seat feeds by a wire of both (FeedCrossings), at the same terminals.
    inlet.filter(i -> feeder.plus().isPresent()).ifPresent(cutter.runs()::takes);
    ground.filter(g -> feeder.ground().isPresent()).ifPresent(cutter.runs()::takes);
    if (inlet.isPresent() && giver.isPresent()) {
      cutter.feed(
          0,
          false,
          end(giver.get(), feeder.plus().orElseThrow()),
          cutter.terminal(inlet.get()),
          new Rail.Supply(inlet.get().volts()));
    }
    if (ground.isPresent() && back.isPresent()) {
      cutter.feed(
          0,
          true,
          end(back.get(), feeder.ground().orElseThrow()),
          cutter.terminal(ground.get()),
          new Rail.Ground());
    }
  }

  static Strand.End end(Supplied supplied, Joint at) {
    String label =
        supplied.part().label() + supplied.elsewhere().map(seat -> " of " + seat).orElse("");
    return new Strand.End(at, label, at.tab(), Landing.of(Landing.How.LUG), supplied.place());
  }

  /** Data is told apart from all else in a bundle. */
  static WireColour dataColour() {
    return WireColour.of(WireColour.Hue.GN);
  }
}
