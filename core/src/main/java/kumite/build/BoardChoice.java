package kumite.build;

import java.util.Objects;
import kumite.measure.Check;
import kumite.measure.Placement;

/**
 * The board in the case.
 *
 * @param kind the id of its kind in the catalogue
 * @param placement where its centre sits below the panel
 * @param seat what it is screwed to
 */
public record BoardChoice(String kind, Placement placement, Seat seat) {
  /** What a board is screwed to. */
  public enum Seat {
    FLOOR("the case floor"),
    PANEL("the panel's underside");

    private final String words;

    Seat(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  public BoardChoice {
    Check.filled(kind, "board kind");
    Objects.requireNonNull(placement, "placement");
    Objects.requireNonNull(seat, "seat");
  }

  /** A board on the case floor. */
  public BoardChoice(String kind, Placement placement) {
    this(kind, placement, Seat.FLOOR);
  }

  /** {@return the same board elsewhere} */
  public BoardChoice at(Placement newPlacement) {
    return new BoardChoice(kind, newPlacement, seat);
  }

  /** {@return the same board screwed to something else} */
  public BoardChoice on(Seat newSeat) {
    return new BoardChoice(kind, placement, newSeat);
  }
}
