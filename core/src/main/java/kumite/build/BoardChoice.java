package kumite.build;

import java.util.Objects;
import kumite.kind.BoardKind;
import kumite.measure.Check;
import kumite.measure.Placement;

/**
 * The board in the case.
 *
 * @param kind the id of its kind in the catalogue
 * @param placement where its centre sits below the panel; turned, its plug looks another way
 * @param seat what it is screwed to
 * @param stripped whether its connectors are taken off, so that it is flatter and wires are
 *     soldered to it
 */
public record BoardChoice(String kind, Placement placement, Seat seat, boolean stripped) {
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

  /** A board on the case floor, with its connectors on. */
  public BoardChoice(String kind, Placement placement) {
    this(kind, placement, Seat.FLOOR, false);
  }

  /** {@return the same board elsewhere} */
  public BoardChoice at(Placement newPlacement) {
    return new BoardChoice(kind, newPlacement, seat, stripped);
  }

  /** {@return the same board screwed to something else} */
  public BoardChoice on(Seat newSeat) {
    return new BoardChoice(kind, placement, newSeat, stripped);
  }

  /** {@return the same board with its connectors taken off, or on} */
  public BoardChoice withStripped(boolean newStripped) {
    return new BoardChoice(kind, placement, seat, newStripped);
  }

  /** {@return how high it stands from what it is screwed to, in mm} */
  public double heightMm(BoardKind board) {
    return stripped ? board.seating().strippedMm() : board.seating().heightMm();
  }

  /** {@return whether wires are soldered to its terminals} */
  public boolean soldered(BoardKind board) {
    return board.brain().solder() || stripped;
  }
}
