package kumite.name;

import java.util.Locale;

/**
 * A place where a wire lands: a tab of a control, a terminal of the board or of a carrier, such as
 * {@code horn:NO}, {@code rudder:left.COM}, {@code board:GND.2} or {@code keys:IN3}.
 *
 * @param part a control's id, a group's name, {@value #BOARD}, the name of another device, or in
 *     capitals what the plan adds: {@value #PERSON}, a strip such as {@code STRIP-GND}, what is at
 *     another seat, such as {@code BOARD-RIGHT}, or the far end of a lead, such as {@code LEAD-PAD}
 * @param tab the tab or terminal, as it is marked; no colon, comma or quote
 */
public record Joint(String part, String tab) implements Comparable<Joint> {
  /** The part that stands for the build's board. */
  public static final String BOARD = "board";

  /** How the name of a board at another seat begins. */
  public static final String BOARD_OF = "BOARD-";

  /** The part that stands for the person at touch pads. */
  public static final String PERSON = "PERSON";

  private static final int MOST_LETTERS = 40;

  /** What is at another seat has that seat's name behind its own. */
  private static final int MOST_CAPITALS = 120;

  public Joint {
    if (!isPart(part)) {
      throw new IllegalArgumentException(
          "\"" + part + "\" is no part; write board, a control's id or another device's name");
    }
    if (!isTab(tab)) {
      throw new IllegalArgumentException(
          "\"" + tab + "\" is no tab; write it as it is marked, such as NO or GND.2");
    }
  }

  /** Not a pattern: places are made by the thousand on an edit. */
  private static boolean isPart(String part) {
    boolean capitals = !part.isEmpty() && part.charAt(0) >= 'A' && part.charAt(0) <= 'Z';
    char first = capitals ? 'A' : 'a';
    boolean fits =
        !part.isEmpty()
            && part.length() <= (capitals ? MOST_CAPITALS : MOST_LETTERS)
            && part.charAt(0) >= first
            && part.charAt(0) < first + 26;
    for (int i = 1; i < part.length() && fits; i++) {
      char c = part.charAt(i);
      fits = c >= first && c < first + 26 || c >= '0' && c <= '9' || c == '-';
    }
    return fits;
  }

  private static boolean isTab(String tab) {
    if (tab.equals("-")) {
      return true;
    }
    boolean fits = !tab.isEmpty() && tab.length() <= MOST_LETTERS;
    for (int i = 0; i < tab.length() && fits; i++) {
      char c = tab.charAt(i);
      boolean letter = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9';
      fits = letter || c == '+' || i > 0 && (c == '.' || c == '/' || c == ' ' || c == '-');
    }
    return fits;
  }

  /**
   * Reads {@code part:tab}.
   *
   * @throws IllegalArgumentException if it is not that
   */
  public static Joint parse(String text) {
    int colon = text.indexOf(':');
    if (colon < 0) {
      throw new IllegalArgumentException(
          "\"" + text.strip() + "\" is no place; write part:tab, such as horn:NO or board:GND");
    }
    return new Joint(text.substring(0, colon).strip(), text.substring(colon + 1).strip());
  }

  /** {@return the name of a seat's board where another seat is looked at} */
  public static String boardOf(SeatId seat) {
    return BOARD_OF + seat.text().toUpperCase(Locale.ROOT);
  }

  /** {@return this place of a seat's loom as it is called where another seat is looked at} */
  public Joint at(SeatId seat) {
    return new Joint(
        part.toUpperCase(Locale.ROOT) + "-" + seat.text().toUpperCase(Locale.ROOT), tab);
  }

  /** {@return a terminal of the build's board} */
  public static Joint board(String terminal) {
    return new Joint(BOARD, terminal);
  }

  @Override
  public int compareTo(Joint other) {
    int byPart = part.compareTo(other.part);
    return byPart != 0 ? byPart : tab.compareTo(other.tab);
  }

  /** {@return the form used in files and tables} */
  @Override
  public String toString() {
    return part + ":" + tab;
  }
}
