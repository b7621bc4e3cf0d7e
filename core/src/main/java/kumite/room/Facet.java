package kumite.room;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.BinaryOperator;
import java.util.function.Function;
import java.util.function.Predicate;
import kumite.build.Build;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.build.Seat;

/**
 * One thing of a build that a derivation may read.
 *
 * @param name what it is, for messages
 * @param seen what is read of it; two builds are the same to a reader where this is equal
 * @param taken puts it from a build into a draft of what is seen of that build
 */
public record Facet(String name, Function<Build, Object> seen, BiConsumer<Build, Draft> taken) {
  /** The controls: where each is, of which kind, and how it is hooked up; and the ports. */
  public static final Facet CONTROLS =
      new Facet(
          "controls",
          build -> List.of(build.controls(), build.ports()),
          (from, to) -> to.takeControls());

  /** The wires between boards. */
  public static final Facet LINKS = new Facet("links", Build::links, (from, to) -> to.takeLinks());

  /** The board of each seat, and where it sits. */
  public static final Facet BOARDS =
      ofSeats("boards", Seat::board, (seat, from) -> seat.withBoard(from.board()));

  /** What contacts mean at each seat, in all its profiles. */
  public static final Facet PROFILES =
      ofSeats("profiles", Seat::profiles, (seat, from) -> seat.withProfiles(from.profiles()));

  /** All of every seat. */
  public static final Facet SEATS = ofSeats("seats", seat -> seat, (seat, from) -> from);

  /** All of the seat looked at. */
  public static final Facet SEAT = here("seat", seat -> seat, (seat, from) -> from);

  /** The board of the seat looked at. */
  public static final Facet BOARD =
      here("board", Seat::board, (seat, from) -> seat.withBoard(from.board()));

  /** What was decided about the wires of the seat looked at. */
  public static final Facet WIRES =
      here("wires", Seat::loom, (seat, from) -> seat.withLoom(from.loom()));

  /** What contacts mean at the seat looked at, in the profile in force, below all layers. */
  public static final Facet MEANINGS =
      here(
          "meanings",
          seat -> seat.profile().base(),
          (seat, from) -> seat.withProfile(profile -> profile.withBase(from.profile().base())));

  /**
   * {@return a station's part of the build}
   *
   * <p>A part that names controls or seats is seen as far as those are: where it may, {@link
   * #CONTROLS} belongs to the sight too.
   */
  public static <T extends Decided<T>> Facet of(Part<T> part) {
    return new Facet(part.key(), build -> build.get(part), (from, to) -> to.take(part));
  }

  /**
   * {@return the same where something is so, and nothing where it is not}
   *
   * @param when what is so; for messages
   * @param so a test that reads nothing but what else is seen
   */
  public Facet where(String when, Predicate<Build> so) {
    return new Facet(
        name + " where " + when,
        build -> so.test(build) ? seen.apply(build) : List.of(),
        (from, to) -> {
          if (so.test(from)) {
            taken.accept(from, to);
          }
        });
  }

  /**
   * {@return something of each seat}
   *
   * @param taken given the seat so far, and the one that it is taken from
   */
  public static Facet ofSeats(
      String name, Function<Seat, Object> seen, BinaryOperator<Seat> taken) {
    return new Facet(
        name, build -> build.seats().stream().map(seen).toList(), (from, to) -> to.seats(taken));
  }

  private static Facet here(String name, Function<Seat, Object> seen, BinaryOperator<Seat> taken) {
    return new Facet(
        name,
        build -> seen.apply(build.seat()),
        (from, to) -> to.seat(seat -> taken.apply(seat, from.seat())));
  }

  /** {@return whether two builds say the same here} */
  boolean same(Build one, Build other) {
    return seen.apply(one).equals(seen.apply(other));
  }
}
