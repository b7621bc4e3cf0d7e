package kumite.kind;

/** How a program gets on a board, in general words: common practice, no source. */
public enum Loading {
  DRAGGED_FILE(
      "plug it in with its loader awake (two quick resets, as a rule): it shows as a drive, drag the"
          + " file there"),
  HELD_BUTTON("hold its button while plugging it in: it shows as a drive, drag the file there"),
  LOADER_WINDOW(
      "start the upload, then plug the board in again: its loader listens for a few seconds only"),
  PORT_CHOSEN("choose the board and its port first, then send the program");

  private final String words;

  Loading(String words) {
    this.words = words;
  }

  /** {@return what is done, in words for people} */
  public String words() {
    return words;
  }
}
