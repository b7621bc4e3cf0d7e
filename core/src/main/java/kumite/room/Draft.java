package kumite.room;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BinaryOperator;
import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Decided;
import kumite.build.Link;
import kumite.build.Part;
import kumite.build.Parts;
import kumite.build.Seat;
import kumite.build.port.PortBook;

/**
 * A build in the making, in which nothing has been decided but how its seats are called, which of
 * them is looked at, and which kinds are its own. A {@link Facet} puts into it what it shows; the
 * build itself is made once.
 */
public final class Draft {
  private final Build of;
  private Parts parts = Parts.USUAL;
  private List<Control> controls = List.of();
  private List<Link> links = List.of();
  private final List<Seat> seats = new ArrayList<>();

  Draft(Build of) {
    this.of = of;
    of.seats().forEach(seat -> seats.add(Seat.empty(seat.id())));
  }

  /** Takes a station's part. */
  public <T extends Decided<T>> void take(Part<T> part) {
    parts = parts.with(part, of.get(part));
  }

  /** Takes the controls, and the ports. */
  public void takeControls() {
    controls = of.controls();
    take(PortBook.PART);
  }

  /** Takes the wires between boards. */
  public void takeLinks() {
    links = of.links();
  }

  /** Changes the seat looked at. */
  public void seat(UnaryOperator<Seat> change) {
    seats.set(of.at(), change.apply(seats.get(of.at())));
  }

  /**
   * Changes each seat.
   *
   * @param change given the seat so far, and the one that it is taken from
   */
  public void seats(BinaryOperator<Seat> change) {
    for (int i = 0; i < seats.size(); i++) {
      seats.set(i, change.apply(seats.get(i), of.seats().get(i)));
    }
  }

  Build build() {
    return new Build("A", parts, controls, seats, links, of.own(), of.ownBoards(), of.at());
  }
}
