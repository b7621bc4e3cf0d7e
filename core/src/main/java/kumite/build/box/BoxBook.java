package kumite.build.box;

import java.util.Objects;
import java.util.Optional;
import kumite.build.Decided;
import kumite.build.Part;

/**
 * The case as a part of a build.
 *
 * @param box what was decided; empty where nobody spoke of it yet, and a plain one is worked out
 */
public record BoxBook(Optional<Box> box) implements Decided<BoxBook> {
  /** The case as a part of a build. */
  public static final Part<BoxBook> PART = new Part<>("case", new BoxBook(Optional.empty()));

  public BoxBook {
    Objects.requireNonNull(box, "box");
  }

  /** A case that was spoken of. */
  public BoxBook(Box box) {
    this(Optional.of(box));
  }
}
