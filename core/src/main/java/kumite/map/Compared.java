package kumite.map;

import java.util.List;
import java.util.Optional;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.name.ContactId;

/**
 * What contacts mean on one layer of a profile and on another, side by side.
 *
 * @param contact the contact
 * @param one what it means on the one side, if anything
 * @param other what it means on the other
 * @param through whether the other falls through to the base
 */
public record Compared(
    ContactId contact,
    Optional<Mapping.Entry> one,
    Optional<Mapping.Entry> other,
    boolean through) {

  /**
   * One side.
   *
   * @param profile a profile
   * @param layer one of its layers, or {@link Layer#BASE}
   */
  public record Side(Profile profile, String layer) {
    /** {@return in words for people} */
    public String words() {
      return profile.name() + (profile.layers().isEmpty() ? "" : " · " + layer);
    }
  }

  /** {@return whether the contact means the same on both sides} */
  public boolean same() {
    return one.map(Mapping.Entry::target).equals(other.map(Mapping.Entry::target))
        && one.map(Mapping.Entry::function).equals(other.map(Mapping.Entry::function));
  }

  /** {@return one row for each contact, in their order} */
  public static List<Compared> of(List<ContactId> contacts, Side one, Side other) {
    return contacts.stream()
        .map(
            contact ->
                new Compared(
                    contact,
                    one.profile().meaning(one.layer(), contact),
                    other.profile().meaning(other.layer(), contact),
                    !other.layer().equals(Layer.BASE)
                        && other
                            .profile()
                            .mapping(other.layer())
                            .flatMap(m -> m.of(contact))
                            .isEmpty()))
        .toList();
  }
}
