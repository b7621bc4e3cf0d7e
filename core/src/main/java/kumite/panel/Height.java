package kumite.panel;

/** The level at which a gap is measured. */
public enum Height {
  /** Above the finished face: what swings, slides or is gripped. */
  ABOVE("above the face"),
  /** On the finished face: flanges, bezels and plates. */
  FACE("on the face"),
  /** Through the panel: cut-outs and screw holes. */
  PANEL("through the panel"),
  /** Below the panel: bodies, wrenches, walls, the board and its plug. */
  BELOW("below the panel");

  private final String words;

  Height(String words) {
    this.words = words;
  }

  /** {@return the height in words for people} */
  public String words() {
    return words;
  }
}
