package kumite.program;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Predicate;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.name.ContactId;

/**
 * Combinations that choose a profile while the board runs (docs/semantics.md): made once all
 * contacts of one have been settled as pressed together for {@value Choice.Running#HELD_US} us, and
 * in force at the look at which none of them is any more. Not thread-safe.
 */
public final class Combinations {
  private static final long NOT_YET = -1;
  private static final long MADE = Long.MIN_VALUE;

  private final List<Profile> profiles;
  private final int inForce;
  private final long[] since;

  /**
   * None is held yet.
   *
   * @param inForce the number of the profile that is in force, which is not chosen again
   */
  public Combinations(List<Profile> profiles, int inForce) {
    this.profiles = profiles;
    this.inForce = inForce;
    since = new long[profiles.size()];
    Arrays.fill(since, NOT_YET);
  }

  private Combinations(Combinations other) {
    profiles = other.profiles;
    inForce = other.inForce;
    since = other.since.clone();
  }

  /** {@return another one in the same state} */
  public Combinations copy() {
    return new Combinations(this);
  }

  /**
   * Takes a look in.
   *
   * @param us its time, 0 upward
   * @param settled which contacts are settled as pressed
   * @return the number of the profile to begin anew with, if one was chosen; the first of several
   */
  public OptionalInt look(long us, Predicate<ContactId> settled) {
    OptionalInt chosen = OptionalInt.empty();
    for (int p = 0; p < since.length; p++) {
      if (p == inForce || !(profiles.get(p).choice() instanceof Choice.Running wants)) {
        continue;
      }
      if (since[p] == MADE) {
        if (chosen.isEmpty() && wants.contacts().stream().noneMatch(settled)) {
          chosen = OptionalInt.of(p);
        }
      } else if (!wants.contacts().stream().allMatch(settled)) {
        since[p] = NOT_YET;
      } else if (since[p] == NOT_YET) {
        since[p] = us;
      } else if (us - since[p] >= Choice.Running.HELD_US) {
        since[p] = MADE;
      }
    }
    return chosen;
  }
}
