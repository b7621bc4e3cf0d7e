package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.SupplyKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.parts.SupplyFile;

/**
 * A supply part as the seat that is looked at sees it, with its kind and what feeds it.
 *
 * @param part it
 * @param kind its kind
 * @param from what feeds it; empty for a source, and for what the board feeds
 * @param number its place among those of the build, 1 upward
 * @param elsewhere the seat it stands at, where that is another one
 */
public record Supplied(
    SupplyPart part,
    SupplyKind kind,
    Optional<Supplied> from,
    int number,
    Optional<SeatId> elsewhere) {

  /** {@return the supply parts of the seat looked at, in the order of the build} */
  public static List<Supplied> all(Build build) {
    SupplyBook book = build.get(SupplyBook.PART);
    List<Supplied> all = new ArrayList<>();
    for (SupplyPart part : book.parts()) {
      if (seated(build, part)) {
        all.add(of(build, part));
      }
    }
    return all;
  }

  private static boolean seated(Build build, SupplyPart part) {
    return SupplyBook.seat(build, part).equals(build.seat().id());
  }

  /** {@return a part, of whichever seat, as the seat looked at sees it} */
  static Supplied of(Build build, SupplyPart part) {
    SupplyBook book = build.get(SupplyBook.PART);
    return new Supplied(
        part,
        SupplyFile.find(part.kind()).orElseThrow(),
        part.from().flatMap(book::part).map(up -> of(build, up)),
        book.parts().indexOf(part) + 1,
        Optional.of(SupplyBook.seat(build, part)).filter(seat -> !seat.equals(build.seat().id())));
  }

  /** {@return what feeds the board of the seat looked at, where that is not its plug} */
  public static Optional<Supplied> feeder(Build build) {
    return feeder(build, build.seat().id());
  }

  /** {@return what feeds the board of a seat, where that is not its plug} */
  static Optional<Supplied> feeder(Build build, SeatId seat) {
    SupplyBook book = build.get(SupplyBook.PART);
    return Optional.ofNullable(book.boards().get(seat))
        .flatMap(book::part)
        .map(part -> of(build, part));
  }

  /** {@return the terminal of a board by which it is fed: 5 V where it has that} */
  public static Optional<Terminal> inlet(BoardKind board) {
    List<Terminal> supplies = board.terminals(Terminal.Role.SUPPLY);
    return supplies.stream()
        .filter(t -> t.volts() == FIVE)
        .findFirst()
        .or(() -> supplies.stream().findFirst());
  }

  /** {@return the places at which a board that is fed takes its volts: all pins of its inlet} */
  static List<Joint> fed(BoardKind board) {
    return inlet(board).stream()
        .flatMap(
            inlet ->
                board.terminals(Terminal.Role.SUPPLY).stream()
                    .filter(t -> t.volts() == inlet.volts()))
        .map(t -> Joint.board(t.name()))
        .toList();
  }

  private static final double FIVE = 5;

  /** {@return one of its tabs as a place} */
  public Joint tab(String tab) {
    Joint own = new Joint(part.id().text(), tab);
    return elsewhere.map(own::at).orElse(own);
  }

  /** {@return where what it feeds takes its plus, if it passes any on} */
  public Optional<Joint> plus() {
    boolean through = !kind.does().grounded();
    if (through && part.inGround()) {
      return from.flatMap(Supplied::plus);
    }
    return kind.does().out().isEmpty() ? Optional.empty() : Optional.of(tab(kind.does().out()));
  }

  /** {@return where what it feeds takes its ground} */
  public Optional<Joint> ground() {
    if (kind.does().grounded()) {
      return Optional.of(tab(kind.does().groundOut()));
    }
    return part.inGround() ? Optional.of(tab("2")) : from.flatMap(Supplied::ground);
  }

  /** A wire that it wants: from one of its own tabs to what feeds it. */
  record Wanted(Joint own, Optional<Joint> to, boolean plus) {}

  /** {@return the wires to what feeds it; where the board does, their other ends are empty} */
  List<Wanted> wants() {
    SupplyKind.Does does = kind.does();
    List<Wanted> wants = new ArrayList<>();
    if (does instanceof SupplyKind.Source) {
      return wants;
    }
    if (!does.grounded()) {
      boolean plus = !part.inGround();
      wants.add(
          new Wanted(
              tab(does.in()),
              plus ? from.flatMap(Supplied::plus) : from.flatMap(Supplied::ground),
              plus));
      return wants;
    }
    wants.add(new Wanted(tab(does.in()), from.flatMap(Supplied::plus), true));
    wants.add(new Wanted(tab(does.groundIn()), from.flatMap(Supplied::ground), false));
    return wants;
  }

  /** {@return whether the board may feed it: what only takes} */
  boolean mayHangOnBoard() {
    return kind.does().out().isEmpty();
  }

  /** {@return its electrical parts: what it joins inside, what it makes, its lamp} */
  List<Component> parts() {
    SupplyKind.Does does = kind.does();
    List<Component> parts = new ArrayList<>();
    if (does instanceof SupplyKind.Through) {
      if (!part.open()) {
        parts.add(new Component.Bridge(tab("1"), tab("2")));
      }
    } else if (does instanceof SupplyKind.Guard) {
      parts.add(new Component.Bridge(tab("B+"), tab("P+")));
      parts.add(new Component.Bridge(tab("B-"), tab("P-")));
    } else if (does instanceof SupplyKind.Converter converter) {
      parts.add(new Component.Bridge(tab("IN-"), tab("OUT-")));
      parts.add(new Component.Regulator(tab("IN+"), tab("OUT+"), converter.volts()));
    } else if (does instanceof SupplyKind.Indicator indicator) {
      parts.add(new Component.Light(part.id(), tab("+"), tab("-"), indicator.lamp()));
    }
    return parts;
  }

  /** {@return where it sits} */
  Point place() {
    return part.placement().centre();
  }

  /** {@return the id of the wire of a strip's data, as locks and colours name it} */
  public ContactId data() {
    return new ContactId(part.id(), "data");
  }

  /** {@return whether it is a strip, which is told its colours by the board} */
  public boolean told() {
    return kind.does() instanceof SupplyKind.Strip;
  }

  /** {@return the wire of a strip's data, which wants a terminal that drives} */
  Line line() {
    return new Line(
        data(),
        part.label() + " data",
        Line.Need.DRIVE,
        place(),
        Optional.empty(),
        List.of(),
        false,
        Optional.empty());
  }
}
