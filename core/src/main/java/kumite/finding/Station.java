package kumite.finding;

import java.util.Locale;

/**
 * A station of the workbench. The application's own are named here, because findings below all
 * rooms are dealt with at them; another room brings its own.
 *
 * @param title its name on screen; no two stations have the same
 */
public record Station(String title) {
  public static final Station BRIEF = new Station("Brief");
  public static final Station PANEL = new Station("Panel");
  public static final Station CASE = new Station("Case");
  public static final Station LOOM = new Station("Loom");
  public static final Station POWER = new Station("Power");
  public static final Station MAP = new Station("Map");
  public static final Station SIGNALS = new Station("Signals");
  public static final Station LEADS = new Station("Leads");
  public static final Station PLAN = new Station("Plan");
  public static final Station BRING_UP = new Station("Bring-up");
  public static final Station LOG = new Station("Log");

  /** {@return its name in lower case, as files and the command line write it} */
  public String word() {
    return title.toLowerCase(Locale.ROOT);
  }

  @Override
  public String toString() {
    return title;
  }
}
