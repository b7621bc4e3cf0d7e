package kumite.plan;

/** What is built as one before it meets the rest. */
public enum Sub {
  PANEL("Panel"),
  BOARDS("Boards"),
  LEADS("Leads"),
  HARNESS("Harness"),
  PROVE("Prove"),
  CASE("Case");

  private final String title;

  Sub(String title) {
    this.title = title;
  }

  /** {@return its name for people} */
  public String title() {
    return title;
  }
}
