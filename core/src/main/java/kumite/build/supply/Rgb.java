package kumite.build.supply;

import java.util.Locale;
import java.util.regex.Pattern;
import kumite.measure.Check;

/**
 * What one lamp of a strip is told.
 *
 * @param red 0 to 255
 * @param green 0 to 255
 * @param blue 0 to 255
 */
public record Rgb(int red, int green, int blue) {
  /** The strongest of each. */
  public static final int MOST = 255;

  private static final Pattern TEXT = Pattern.compile("#[0-9A-Fa-f]{6}");

  public Rgb {
    Check.between(0, MOST, red, "red");
    Check.between(0, MOST, green, "green");
    Check.between(0, MOST, blue, "blue");
  }

  /**
   * {@return a colour of a text such as {@code #20c0ff}}
   *
   * @throws IllegalArgumentException if it is none
   */
  public static Rgb parse(String text) {
    if (!TEXT.matcher(text).matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no colour; write red, green and blue as #20c0ff");
    }
    int all = Integer.parseInt(text.substring(1), 16);
    return new Rgb(all >> 16, all >> 8 & MOST, all & MOST);
  }

  /** {@return the part of full white that it takes, 0 to 1} */
  public double share() {
    return (red + green + blue) / (3.0 * MOST);
  }

  /** {@return its digits, two for each, in capitals} */
  public String hex() {
    return String.format(Locale.ROOT, "%02X%02X%02X", red, green, blue);
  }

  /** {@return as it stands in files} */
  public String text() {
    return "#" + hex().toLowerCase(Locale.ROOT);
  }
}
