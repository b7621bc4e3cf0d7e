package kumite.signal;

/** How a line stands, or what a side does with it. */
public enum Level {
  LOW('0', "low"),
  HIGH('1', "high"),
  /** Driven two ways at once, or half-way. */
  UNCLEAR('x', "unclear"),
  /** Nothing holds it; as what a side does: lets it go. */
  FREE('z', "floating");

  private final char sign;
  private final String word;

  Level(char sign, String word) {
    this.sign = sign;
    this.word = word;
  }

  /** {@return the sign of IEEE 1364 for it: 0, 1, x or z} */
  public char sign() {
    return sign;
  }

  /** {@return it as a word} */
  public String word() {
    return word;
  }

  /** {@return high or low} */
  public static Level of(boolean high) {
    return high ? HIGH : LOW;
  }

  /** {@return whether it is high or low} */
  public boolean clear() {
    return this == LOW || this == HIGH;
  }

  /** {@return what an input makes of it: floating reads as anything} */
  public Level read() {
    return this == FREE ? UNCLEAR : this;
  }
}
