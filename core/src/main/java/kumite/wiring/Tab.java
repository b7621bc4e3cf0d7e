package kumite.wiring;

/** Names of pins as tabs of places: what a place's name cannot hold is left out. */
final class Tab {
  private static final int MOST_LETTERS = 40;

  private Tab() {}

  /** {@return the name, or what can be kept of it} */
  static String of(String pin) {
    String kept = pin.replaceAll("[^A-Za-z0-9+./ -]", "").strip();
    while (kept.startsWith(".") || kept.startsWith("/") || kept.startsWith("-")) {
      kept = kept.substring(1).strip();
    }
    if (pin.equals("-")) {
      return pin;
    }
    String name = kept.equals(pin) ? kept : kept + "u" + Integer.toHexString(pin.hashCode());
    return name.length() > MOST_LETTERS
        ? name.substring(0, MOST_LETTERS - 9) + "u" + Integer.toHexString(pin.hashCode())
        : name;
  }
}
