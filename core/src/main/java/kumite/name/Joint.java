package kumite.name;

import java.util.regex.Pattern;

/**
 * A place where a wire lands: a tab of a control, a terminal of the board or of a carrier, such as
 * {@code horn:NO}, {@code rudder:left.COM}, {@code board:GND.2} or {@code keys:IN3}.
 *
 * @param part a control's id, a group's name, {@value #BOARD}, the name of another device, or in
 *     capitals what the plan adds: {@value #PERSON}, or a strip such as {@code STRIP-GND}
 * @param tab the tab or terminal, as it is marked; no colon, comma or quote
 */
public record Joint(String part, String tab) implements Comparable<Joint> {
  /** The part that stands for the build's board. */
  public static final String BOARD = "board";

  /** The part that stands for the person at touch pads. */
  public static final String PERSON = "PERSON";

  private static final Pattern PART = Pattern.compile("[a-z][a-z0-9-]{0,39}|[A-Z][A-Z0-9-]{0,39}");
  private static final Pattern TAB = Pattern.compile("[A-Za-z0-9+][A-Za-z0-9+./ -]{0,39}|-");

  public Joint {
    if (!PART.matcher(part).matches()) {
      throw new IllegalArgumentException(
          "\"" + part + "\" is no part; write board, a control's id or another device's name");
    }
    if (!TAB.matcher(tab).matches()) {
      throw new IllegalArgumentException(
          "\"" + tab + "\" is no tab; write it as it is marked, such as NO or GND.2");
    }
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
