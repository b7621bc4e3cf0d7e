package kumite.build;

import kumite.build.map.Profile;
import kumite.name.SeatId;

/**
 * Which board and which of its profiles is looked at.
 *
 * <p>{@link Build#facing} turns a build so that this seat stands alone with this profile first, and
 * {@link Build#turnedBack} puts a change of it back, so that whatever works on a build of one board
 * and one profile works on each of several.
 *
 * @param seat the seat
 * @param profile the name of one of its profiles
 */
public record Aspect(SeatId seat, String profile) {
  /** {@return the first profile of the first seat} */
  public static Aspect first(Build build) {
    return of(build.seat());
  }

  /** {@return the first profile of a seat} */
  public static Aspect of(Seat seat) {
    return new Aspect(seat.id(), seat.profiles().get(0).name());
  }

  /** {@return this, or the nearest that the build has} */
  public Aspect in(Build build) {
    Seat there =
        build.seats().stream().filter(s -> s.id().equals(seat)).findFirst().orElse(build.seat());
    boolean has = there.profiles().stream().map(Profile::name).anyMatch(profile::equals);
    return has && there.id().equals(seat) ? this : of(there);
  }
}
