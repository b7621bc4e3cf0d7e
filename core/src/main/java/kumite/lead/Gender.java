package kumite.lead;

/** Whether a connector has pins or the sockets that take them. */
public enum Gender {
  MALE("pins"),
  FEMALE("sockets");

  private final String words;

  Gender(String words) {
    this.words = words;
  }

  /** {@return what it has, in words} */
  public String words() {
    return words;
  }

  /** {@return the one it plugs into} */
  public Gender other() {
    return this == MALE ? FEMALE : MALE;
  }
}
