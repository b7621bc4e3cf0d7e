package kumite.build.map;

/** What a lever gives when two neighbouring directions are closed and only one may pass. */
public enum FourWay {
  /** The direction that was there first stays until it is let go. */
  FIRST("the first direction stays"),
  /** The direction that came last takes over. */
  LAST("the last direction takes over");

  private final String words;

  FourWay(String words) {
    this.words = words;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }
}
