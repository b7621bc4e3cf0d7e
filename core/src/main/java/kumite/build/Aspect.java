package kumite.build;

import kumite.build.map.Profile;
import kumite.name.SeatId;

/**
 * Which board and which of its profiles is looked at.
 *
 * @param seat the seat
 * @param profile the name of one of its profiles
 */
public record Aspect(SeatId seat, String profile) {
  /** {@return the first profile of a seat} */
  public static Aspect of(Seat seat) {
    return new Aspect(seat.id(), seat.profiles().get(0).name());
  }

  /** {@return this, or the nearest that the build has} */
  public Aspect in(Build build) {
    Seat there =
        build.seats().stream()
            .filter(s -> s.id().equals(seat))
            .findFirst()
            .orElse(build.seats().get(0));
    boolean has = there.profiles().stream().map(Profile::name).anyMatch(profile::equals);
    return has && there.id().equals(seat) ? this : of(there);
  }
}
