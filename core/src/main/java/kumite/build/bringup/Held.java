package kumite.build.bringup;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kumite.name.ContactId;
import kumite.working.Working;

/**
 * Which contacts a hand holds while a reading is taken.
 *
 * @param travel how far each is moved, 0 to 1; contacts not named are at rest
 */
public record Held(Map<ContactId, Double> travel) {
  /** No hand on anything. */
  public static final Held NONE = new Held(Map.of());

  public Held {
    travel.forEach(
        (contact, value) -> {
          if (!(value >= 0 && value <= 1)) {
            throw new IllegalArgumentException(
                contact + " is moved by a share from 0 to 1 (inclusive), but was " + value);
          }
        });
    travel = Collections.unmodifiableMap(new TreeMap<>(travel));
  }

  /** {@return these contacts held all the way} */
  public static Held of(ContactId... contacts) {
    return of(List.of(contacts));
  }

  /** {@return these contacts held all the way} */
  public static Held of(List<ContactId> contacts) {
    return new Held(contacts.stream().collect(Collectors.toMap(c -> c, c -> 1.0, (a, b) -> a)));
  }

  /**
   * Reads contacts parted by blanks, commas or {@code +}: {@code horn rudder.left port=0.7}.
   *
   * @throws IllegalArgumentException if one is no contact or no share
   */
  public static Held parse(String text) {
    Map<ContactId, Double> travel = new TreeMap<>();
    for (String word : text.strip().split("[\\s,;+]+")) {
      if (word.isEmpty()) {
        continue;
      }
      int sign = word.indexOf('=');
      ContactId contact = ContactId.parse(sign < 0 ? word : word.substring(0, sign));
      travel.put(contact, sign < 0 ? 1.0 : share(word.substring(sign + 1), word));
    }
    return new Held(travel);
  }

  private static double share(String typed, String whole) {
    boolean percent = typed.endsWith("%");
    String number = percent ? typed.substring(0, typed.length() - 1) : typed;
    double value;
    try {
      value = Double.parseDouble(number) / (percent ? 100 : 1);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "\"" + whole + "\" gives no share; write for example port=0.7 or port=70%", e);
    }
    if (!(value >= 0 && value <= 1)) {
      throw new IllegalArgumentException(
          "\"" + whole + "\": a share must be between 0 and 1 (inclusive)");
    }
    return value;
  }

  /** {@return the contacts that are held} */
  public Set<ContactId> contacts() {
    return travel.keySet();
  }

  /** {@return how far a contact is moved, where it rests unless a hand is on it} */
  public double at(ContactId contact, double rest) {
    return travel.getOrDefault(contact, rest);
  }

  /** {@return whether no hand is on anything} */
  public boolean none() {
    return travel.isEmpty();
  }

  /** {@return as {@link #parse} reads it} */
  @Override
  public String toString() {
    return travel.entrySet().stream()
        .map(e -> e.getKey() + (e.getValue() == 1 ? "" : "=" + share(e.getValue())))
        .collect(Collectors.joining(" "));
  }

  private static String share(double value) {
    String text = Working.number(value, 3);
    return text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
  }
}
