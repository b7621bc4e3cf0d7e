package kumite.plan;

import java.util.Locale;

/** What a step is done with, beside hands. */
public enum Implement {
  PRINTER("printer"),
  RULE("rule"),
  DRILL("drill"),
  SAW("saw and file"),
  SPRAY("paint"),
  DRIVER("screwdriver"),
  CUTTER("cutter"),
  IRON("iron"),
  CRIMPER("crimping tool"),
  METER("meter"),
  HEAT("heat"),
  GLUE("glue"),
  COMPUTER("computer");

  private final String words;

  Implement(String words) {
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
