package kumite.name;

import java.util.Objects;

/**
 * One electrical input of a control, and so one signal path: {@code horn} or {@code lever.left}.
 *
 * @param control the control it belongs to
 * @param contact the contact's name within its kind; empty where the kind has only one
 */
public record ContactId(ControlId control, String contact) implements Comparable<ContactId> {

  public ContactId {
    Objects.requireNonNull(control, "control");
    if (!isName(contact)) {
      throw new IllegalArgumentException(
          "contact name \"" + contact + "\" must start with a letter and hold only a-z and 0-9");
    }
  }

  /** Not a pattern: contacts are named by the thousand on an edit. */
  private static boolean isName(String contact) {
    for (int i = 0; i < contact.length(); i++) {
      char c = contact.charAt(i);
      if (!(c >= 'a' && c <= 'z' || i > 0 && c >= '0' && c <= '9')) {
        return false;
      }
    }
    return true;
  }

  /**
   * Reads {@code control} or {@code control.contact}.
   *
   * @throws IllegalArgumentException if it is neither
   */
  public static ContactId parse(String text) {
    int dot = text.indexOf('.');
    return dot < 0
        ? new ContactId(new ControlId(text), "")
        : new ContactId(new ControlId(text.substring(0, dot)), text.substring(dot + 1));
  }

  @Override
  public int compareTo(ContactId other) {
    int byControl = control.compareTo(other.control);
    return byControl != 0 ? byControl : contact.compareTo(other.contact);
  }

  /** {@return the form used in files and on the command line} */
  @Override
  public String toString() {
    return contact.isEmpty() ? control.text() : control.text() + "." + contact;
  }
}
