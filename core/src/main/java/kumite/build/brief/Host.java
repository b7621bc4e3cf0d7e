package kumite.build.brief;

/**
 * What the controller talks to, with what such a host takes.
 *
 * <p>The button limits are common practice, no source: computers list 32 buttons of one gamepad
 * dependably and phones 16.
 */
public enum Host {
  COMPUTER("computer", 32),
  PHONE("phone or tablet", 16);

  private final String words;
  private final int buttons;

  Host(String words, int buttons) {
    this.words = words;
    this.buttons = buttons;
  }

  /** {@return the host in words for people} */
  public String words() {
    return words;
  }

  /** {@return how many buttons of one gamepad it dependably takes} */
  public int buttons() {
    return buttons;
  }
}
