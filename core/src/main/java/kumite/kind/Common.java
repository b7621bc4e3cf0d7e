package kumite.kind;

/** Which rail the shared side of a contact is tied to. */
public enum Common {
  /** Contacts close to ground; a pull-up holds the terminal high; pressed reads low. */
  GROUND("ground"),
  /** Contacts close to the supply rail; a pull-down holds the terminal low; pressed reads high. */
  RAIL("rail");

  private final String words;

  Common(String words) {
    this.words = words;
  }

  /** {@return the common in words for people} */
  public String words() {
    return words;
  }
}
