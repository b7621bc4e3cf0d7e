package kumite.finding;

/** The stations of the workbench, in working order. */
public enum Station {
  BRIEF("Brief"),
  PANEL("Panel"),
  LOOM("Loom"),
  POWER("Power"),
  MAP("Map"),
  LEADS("Leads"),
  LOG("Log");

  private final String title;

  Station(String title) {
    this.title = title;
  }

  /** {@return the station's name on screen} */
  public String title() {
    return title;
  }
}
