package kumite.build.map;

import java.util.Collections;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import kumite.name.ContactId;

/** How one of several profiles comes to be the one in force. */
public sealed interface Choice {
  /** Nothing chooses it: the profile in force when no other is. */
  Choice NONE = new Default();

  /** {@return the contacts it looks at} */
  Set<ContactId> contacts();

  /** {@return the same without one contact, or {@link #NONE} where nothing is left to look at} */
  Choice without(ContactId contact);

  /** In force when no other is. */
  record Default() implements Choice {
    @Override
    public Set<ContactId> contacts() {
      return Set.of();
    }

    @Override
    public Choice without(ContactId contact) {
      return this;
    }
  }

  /**
   * Chosen by contacts that are all held at power-up.
   *
   * @param contacts at least one
   */
  record Held(Set<ContactId> contacts) implements Choice {
    public Held {
      contacts = Collections.unmodifiableSet(new TreeSet<>(contacts));
      if (contacts.isEmpty()) {
        throw new IllegalArgumentException(
            "a profile chosen at power-up needs at least one contact to be held; name one");
      }
    }

    @Override
    public Choice without(ContactId contact) {
      Set<ContactId> left = new TreeSet<>(contacts);
      left.remove(contact);
      return left.isEmpty() ? NONE : new Held(left);
    }
  }

  /**
   * Chosen by a switch of the panel that stays where it is put.
   *
   * @param contact the switch
   * @param closed whether closed chooses it, or open
   */
  record Switched(ContactId contact, boolean closed) implements Choice {
    public Switched {
      Objects.requireNonNull(contact, "contact");
    }

    @Override
    public Set<ContactId> contacts() {
      return Set.of(contact);
    }

    @Override
    public Choice without(ContactId other) {
      return other.equals(contact) ? NONE : this;
    }
  }

  /**
   * Chosen while the board runs: by contacts that are held together for a while and then let go.
   * The board keeps the choice over power-off.
   *
   * @param contacts at least one
   */
  record Running(Set<ContactId> contacts) implements Choice {
    /** How long all have to be held, in us: common practice, no source. */
    public static final long HELD_US = 2_000_000;

    public Running {
      contacts = Collections.unmodifiableSet(new TreeSet<>(contacts));
      if (contacts.isEmpty()) {
        throw new IllegalArgumentException(
            "a profile chosen while running needs at least one contact to be held; name one");
      }
    }

    @Override
    public Choice without(ContactId contact) {
      Set<ContactId> left = new TreeSet<>(contacts);
      left.remove(contact);
      return left.isEmpty() ? NONE : new Running(left);
    }
  }
}
