package kumite.map;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import kumite.build.Seat;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.name.ContactId;

/** Which profile a board takes at power-up. */
public final class Chosen {
  private Chosen() {}

  /**
   * {@return the profile in force}
   *
   * <p>Of those whose contacts are all held the one that asks for most of them, the first of
   * several; else the first whose switch stands so; else the first of the list, where nothing was
   * kept that was chosen while running.
   *
   * @param held the contacts that are closed at power-up
   */
  public static Profile of(Seat seat, Set<ContactId> held) {
    return of(seat.profiles(), held);
  }

  /** {@return which of some profiles is in force} */
  public static Profile of(List<Profile> profiles, Set<ContactId> held) {
    return profiles.stream()
        .skip(1)
        .filter(p -> p.choice() instanceof Choice.Held wants && held.containsAll(wants.contacts()))
        .max(
            Comparator.<Profile>comparingInt(p -> p.choice().contacts().size())
                .thenComparing(p -> -profiles.indexOf(p)))
        .or(
            () ->
                profiles.stream()
                    .skip(1)
                    .filter(
                        p ->
                            p.choice() instanceof Choice.Switched by
                                && held.contains(by.contact()) == by.closed())
                    .findFirst())
        .orElse(profiles.get(0));
  }
}
