package kumite.lead;

/** What an end of a lead plugs into. */
public enum Beyond {
  PAD("pad or stick"),
  HOST("console or computer"),
  /** Nobody said, or nothing yet. */
  OPEN("not said");

  private final String words;

  Beyond(String words) {
    this.words = words;
  }

  /** {@return it in words} */
  public String words() {
    return words;
  }
}
