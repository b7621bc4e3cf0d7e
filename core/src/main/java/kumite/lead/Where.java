package kumite.lead;

/** Which end of a lead. */
public enum Where {
  FROM("first end"),
  TO("other end");

  private final String words;

  Where(String words) {
    this.words = words;
  }

  /** {@return it in words} */
  public String words() {
    return words;
  }

  /** {@return the end across the cable} */
  public Where across() {
    return this == FROM ? TO : FROM;
  }
}
