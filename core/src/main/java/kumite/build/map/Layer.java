package kumite.build.map;

import java.util.Collections;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.measure.Check;
import kumite.name.ContactId;

/**
 * Other meanings for some contacts, while the layer is reached. What it does not name falls through
 * to the base.
 *
 * @param name what it is called, unique in its profile
 * @param reach how it is reached
 * @param by the contacts that reach it when all of them are held; empty where none was chosen yet
 * @param mapping its meanings
 */
public record Layer(String name, Reach reach, Set<ContactId> by, Mapping mapping) {
  /** What the meanings below all layers are called. */
  public static final String BASE = "base";

  /** How a layer is reached. */
  public enum Reach {
    /** While its contacts are held. */
    HOLD("while held"),
    /** From one press of its contacts to the next. */
    TOGGLE("from press to press");

    private final String words;

    Reach(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  public Layer {
    Check.writable(name, "layer name");
    if (name.equalsIgnoreCase(BASE)) {
      throw new IllegalArgumentException(
          "a layer cannot be called \""
              + BASE
              + "\", which names what lies below; call it another");
    }
    Objects.requireNonNull(reach, "reach");
    by = Collections.unmodifiableSet(new TreeSet<>(by));
    Objects.requireNonNull(mapping, "mapping");
  }

  /** {@return the same layer with other meanings} */
  public Layer withMapping(UnaryOperator<Mapping> change) {
    return new Layer(name, reach, by, change.apply(mapping));
  }

  /** {@return the same layer reached otherwise} */
  public Layer reached(Reach newReach, Set<ContactId> newBy) {
    return new Layer(name, newReach, newBy, mapping);
  }

  /** {@return the same layer under another name} */
  public Layer called(String newName) {
    return new Layer(newName, reach, by, mapping);
  }

  /** {@return the same layer without one contact} */
  Layer without(ContactId contact) {
    Set<ContactId> left = new TreeSet<>(by);
    left.remove(contact);
    return new Layer(name, reach, left, mapping.without(contact));
  }
}
