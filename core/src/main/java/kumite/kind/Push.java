package kumite.kind;

import java.util.Locale;
import java.util.Optional;

/** Which way a hand pushes a lever, by the name of the contact that it closes. */
enum Push {
  UP,
  DOWN,
  LEFT,
  RIGHT;

  /** {@return the push that a contact is named for, if it is named for one} */
  static Optional<Push> of(ContactKind contact) {
    for (Push push : values()) {
      if (push.name().toLowerCase(Locale.ROOT).equals(contact.name())) {
        return Optional.of(push);
      }
    }
    return Optional.empty();
  }
}
