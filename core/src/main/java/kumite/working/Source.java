package kumite.working;

import java.util.Objects;

/**
 * Where a formula or a value comes from.
 *
 * @param kind how far it can be trusted
 * @param text the standard with its table, the handbook, or the reason; one line
 */
public record Source(Kind kind, String text) {

  /** How a source can be checked. */
  public enum Kind {
    /** A published standard or table. */
    STANDARD("published"),
    /** A published source, recalled from memory and not looked up. */
    MEMORY("from memory"),
    /** Common practice of the trade; nobody published it. */
    COMMON("common practice, no source"),
    /** Follows by calculation from what is shown. */
    DERIVED("calculated"),
    /** Typed in or measured by the builder. */
    GIVEN("given by you");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** {@return the kind in words for people} */
    public String words() {
      return words;
    }
  }

  public Source {
    Objects.requireNonNull(kind, "kind");
    Objects.requireNonNull(text, "text");
  }

  /** {@return a published source} */
  public static Source standard(String text) {
    return new Source(Kind.STANDARD, text);
  }

  /** {@return a published source recalled from memory} */
  public static Source memory(String text) {
    return new Source(Kind.MEMORY, text);
  }

  /** {@return common practice of the trade, without a source} */
  public static Source common(String text) {
    return new Source(Kind.COMMON, text);
  }

  /** {@return something that follows by calculation} */
  public static Source derived(String text) {
    return new Source(Kind.DERIVED, text);
  }

  /** {@return something that the builder gave} */
  public static Source given(String text) {
    return new Source(Kind.GIVEN, text);
  }

  /** {@return the source as one line for a screen or a sheet} */
  public String inWords() {
    return text.isEmpty() ? kind.words() : text + " (" + kind.words() + ")";
  }
}
