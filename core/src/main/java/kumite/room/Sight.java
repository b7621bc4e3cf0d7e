package kumite.room;

import java.util.List;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.name.SeatId;

/**
 * What a derivation sees of a build. The seats' names, which of them is looked at, and the kinds of
 * its own parts are always seen.
 *
 * @param facets what else is seen
 */
public record Sight(List<Facet> facets) {
  /** {@return the sight of these} */
  public static Sight of(Facet... facets) {
    return new Sight(List.of(facets));
  }

  /** {@return whether two builds are the same in this sight} */
  public boolean same(Build one, Build other) {
    if (one == other) {
      return true;
    }
    return one.at() == other.at()
        && ids(one).equals(ids(other))
        && facets.stream().allMatch(facet -> facet.same(one, other));
  }

  private static List<SeatId> ids(Build build) {
    return build.seats().stream().map(Seat::id).toList();
  }

  /** {@return a build with what is seen, and all else as if nothing had been decided} */
  public Build only(Build build) {
    Draft draft = new Draft(build);
    facets.forEach(facet -> facet.taken().accept(build, draft));
    return draft.build();
  }
}
