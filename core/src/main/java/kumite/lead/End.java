package kumite.lead;

import java.util.Objects;
import java.util.Optional;
import kumite.name.SeatId;

/** What a lead ends in. */
public sealed interface End {

  /** {@return what it plugs into} */
  Beyond beyond();

  /**
   * A connector, or a cut end.
   *
   * @param connector the id of its shape
   * @param gender pins or sockets, of the lead's own half
   * @param beyond what it plugs into
   * @param pinout the id of what the pins do there, if known
   * @param wired how the wires are put on, where it is not the usual way of that connector
   */
  record Plug(
      String connector,
      Gender gender,
      Beyond beyond,
      Optional<String> pinout,
      Optional<Wired.How> wired)
      implements End {
    public Plug {
      Objects.requireNonNull(connector, "connector");
      Objects.requireNonNull(gender, "gender");
      Objects.requireNonNull(beyond, "beyond");
      Objects.requireNonNull(pinout, "pinout");
      Objects.requireNonNull(wired, "wired");
    }

    /** {@return a connector of which nobody said what it plugs into} */
    public static Plug of(String connector, Gender gender) {
      return new Plug(connector, gender, Beyond.OPEN, Optional.empty(), Optional.empty());
    }

    /** {@return the same half on something of a pinout} */
    public Plug into(Beyond what, Pinout pins) {
      return new Plug(connector, gender, what, Optional.of(pins.id()), wired);
    }
  }

  /**
   * A board of the build: the cores land on its terminals, which are its pins by name.
   *
   * @param seat whose board
   * @param fed whether what the lead plugs into feeds the board, and nothing else does
   */
  record OfBoard(SeatId seat, boolean fed) implements End {
    public OfBoard {
      Objects.requireNonNull(seat, "seat");
    }

    /** A board that is fed by its own plug. */
    public OfBoard(SeatId seat) {
      this(seat, false);
    }

    @Override
    public Beyond beyond() {
      return Beyond.HOST;
    }
  }
}
