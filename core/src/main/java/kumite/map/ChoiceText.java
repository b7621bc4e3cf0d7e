package kumite.map;

import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.build.map.Choice;
import kumite.name.ContactId;

/** How a profile is chosen, as words: {@code anchor + radar held}, {@code nav closed}. */
public final class ChoiceText {
  /** What may be typed, for prompts and messages. */
  public static final String FORMS =
      "contacts held at power-up, such as \"anchor + radar held\", or while it runs, such as"
          + " \"anchor + radar running\", a switch that stays, such as \"nav closed\" or \"nav"
          + " open\", or nothing";

  private ChoiceText() {}

  /** {@return the choice in words; {@link #parse} reads them back} */
  public static String of(Choice choice) {
    if (choice instanceof Choice.Held held) {
      return held.contacts().stream().map(ContactId::toString).collect(Collectors.joining(" + "))
          + " held";
    }
    if (choice instanceof Choice.Running running) {
      return running.contacts().stream().map(ContactId::toString).collect(Collectors.joining(" + "))
          + " running";
    }
    return choice instanceof Choice.Switched by
        ? by.contact() + (by.closed() ? " closed" : " open")
        : "";
  }

  /**
   * Reads a choice. Contacts may be parted by plus, comma or blanks; held may be left out.
   *
   * @param known the contacts there are
   * @throws IllegalArgumentException if it is none, or names a contact that there is not
   */
  public static Choice parse(String typed, Set<ContactId> known) {
    String[] words = typed.strip().toLowerCase(Locale.ROOT).split("[\\s,+]+");
    if (typed.isBlank()) {
      return Choice.NONE;
    }
    String last = words[words.length - 1];
    boolean switched = last.equals("closed") || last.equals("open");
    boolean running = last.equals("running");
    boolean named = switched || running || last.equals("held");
    Set<ContactId> contacts = new TreeSet<>();
    for (String word : Arrays.copyOf(words, words.length - (named ? 1 : 0))) {
      contacts.add(contact(word, known));
    }
    if (switched && contacts.size() == 1) {
      return new Choice.Switched(contacts.iterator().next(), last.equals("closed"));
    }
    if (switched || contacts.isEmpty()) {
      throw new IllegalArgumentException(
          "\"" + typed.strip() + "\" chooses nothing; type " + FORMS);
    }
    return running ? new Choice.Running(contacts) : new Choice.Held(contacts);
  }

  /**
   * Reads contacts parted by plus, comma or blanks.
   *
   * @throws IllegalArgumentException if one is not known
   */
  public static Set<ContactId> contacts(String typed, Set<ContactId> known) {
    Set<ContactId> contacts = new TreeSet<>();
    for (String word : typed.strip().toLowerCase(Locale.ROOT).split("[\\s,+]+")) {
      if (!word.isEmpty()) {
        contacts.add(contact(word, known));
      }
    }
    return contacts;
  }

  private static ContactId contact(String word, Set<ContactId> known) {
    try {
      ContactId id = ContactId.parse(word);
      if (known.contains(id)) {
        return id;
      }
    } catch (IllegalArgumentException e) {
      // Told below, with the contacts there are.
    }
    throw new IllegalArgumentException(
        "there is no contact \""
            + word
            + "\"; there are "
            + known.stream().map(ContactId::toString).collect(Collectors.joining(", ")));
  }
}
