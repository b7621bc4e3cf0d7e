package kumite.build.map;

/** What two opposite directions give while both are asked for. */
public enum OppositesRule {
  /** Neither. */
  NEUTRAL("neither"),
  /** The one that was asked for last; both from the same look give neither. */
  LAST("the last one"),
  /** The one that was asked for first; both from the same look give neither. */
  FIRST("the first one"),
  /** Always left, up, or the low end. */
  LOW("left or up"),
  /** Always right, down, or the high end. */
  HIGH("right or down");

  private final String words;

  OppositesRule(String words) {
    this.words = words;
  }

  /** {@return what wins, in words for people} */
  public String words() {
    return words;
  }
}
