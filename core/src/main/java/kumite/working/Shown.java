package kumite.working;

import java.util.Objects;
import java.util.function.Supplier;

/**
 * A working that is written out when somebody looks at it, since thousands of numbers are worked
 * out for each one that is looked at.
 *
 * <p>All are equal to each other: what they show follows from the number they stand beside.
 */
public final class Shown {
  private final Supplier<Working> write;

  private Shown(Supplier<Working> write) {
    this.write = Objects.requireNonNull(write, "write");
  }

  /** {@return a working to be written later; what writes it must be a pure function} */
  public static Shown by(Supplier<Working> write) {
    return new Shown(write);
  }

  /** {@return it, written out} */
  public Working working() {
    return write.get();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Shown;
  }

  @Override
  public int hashCode() {
    return 1;
  }
}
