package kumite.build.map;

import java.util.Collections;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import kumite.measure.Check;
import kumite.measure.Range;
import kumite.name.ContactId;

/**
 * Several contacts that together mean another thing.
 *
 * @param layer the layer it belongs to, or {@link Layer#BASE}
 * @param contacts its members, two or more
 * @param windowMs how far apart the first and the last press may be, in ms; 1 to 2000
 * @param waits whether its members hold their own meaning back for the window, so that they never
 *     show before the chord; else they fire at once and are taken back when it is complete
 * @param entry what it means
 */
public record Chord(
    String layer, Set<ContactId> contacts, int windowMs, boolean waits, Mapping.Entry entry) {
  /** How far apart its presses may come. */
  public static final Range WINDOW = Range.of(1, 2000, "ms");

  /** A window that two fingers keep without hurry: common practice, no source. */
  public static final int USUAL_WINDOW_MS = 50;

  public Chord {
    Check.filled(layer, "layer of a chord");
    contacts = Collections.unmodifiableSet(new TreeSet<>(contacts));
    if (contacts.size() < 2) {
      throw new IllegalArgumentException(
          "a chord needs two or more contacts, but had "
              + (contacts.isEmpty() ? "none" : "only " + contacts.iterator().next())
              + "; add one, or map the contact itself");
    }
    WINDOW.check(windowMs, "window_ms");
    Objects.requireNonNull(entry, "entry");
    if (entry.target() instanceof Target.Axis || entry.target() instanceof Target.Steps) {
      throw new IllegalArgumentException(
          "a chord is held or not: it can drive one end of an axis, such as Axis X+, but not a"
              + " whole axis or steps");
    }
  }

  /** {@return the chord's id for findings and scripts, such as {@code a+b}} */
  public String id() {
    return String.join("+", contacts.stream().map(ContactId::toString).toList());
  }

  /** {@return the same chord with other members} */
  public Chord of(Set<ContactId> newContacts) {
    return new Chord(layer, newContacts, windowMs, waits, entry);
  }

  /** {@return the same chord with another window, in ms} */
  public Chord within(int newWindowMs) {
    return new Chord(layer, contacts, newWindowMs, waits, entry);
  }

  /** {@return the same chord whose members wait, or fire at once} */
  public Chord waiting(boolean newWaits) {
    return new Chord(layer, contacts, windowMs, newWaits, entry);
  }

  /** {@return the same chord with another meaning} */
  public Chord meaning(Mapping.Entry newEntry) {
    return new Chord(layer, contacts, windowMs, waits, newEntry);
  }

  /** {@return the same chord on another layer} */
  public Chord on(String newLayer) {
    return new Chord(newLayer, contacts, windowMs, waits, entry);
  }
}
