package kumite.plan;

import java.util.Locale;

/** Where a step is worked at. */
public enum Where {
  BENCH("bench"),
  WORKSHOP("workshop"),
  SPRAY_PLACE("spray place"),
  HOST("host");

  private final String words;

  Where(String words) {
    this.words = words;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return its word in files and on the command line} */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
