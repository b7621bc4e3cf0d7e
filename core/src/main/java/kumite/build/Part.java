package kumite.build;

import java.util.Objects;

/**
 * A station's part of the build: what it is called in the file, and what stands where nothing was
 * decided.
 *
 * <pre>{@code
 * Panel panel = build.get(Panel.PART);
 * Build wider = build.with(Panel.PART, panel.withSize(400, 200));
 * }</pre>
 *
 * @param key its key in the build file; no two parts have the same
 * @param usual what stands where nothing was decided; takes no room in the file
 */
public record Part<T extends Decided<T>>(String key, T usual) {
  public Part {
    Objects.requireNonNull(key, "key");
    Objects.requireNonNull(usual, "usual");
  }

  /** Parts are told apart by their keys. */
  @Override
  public boolean equals(Object other) {
    return other instanceof Part<?> part && part.key.equals(key);
  }

  @Override
  public int hashCode() {
    return key.hashCode();
  }
}
