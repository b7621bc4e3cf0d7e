package kumite.plan;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Times as people say them: {@code 2 h}, {@code 90 min}, {@code 1 h 30}. */
public final class Hours {
  private static final int HOUR = 60;
  private static final int MOST = 24 * HOUR;
  private static final Pattern TYPED =
      Pattern.compile("\\s*(?:(\\d+(?:[.,]\\d+)?)\\s*h)?\\s*(?:(\\d+)\\s*(?:min|m)?)?\\s*");

  private Hours() {}

  /** {@return some minutes in words} */
  public static String words(double minutes) {
    long whole = Math.round(minutes);
    long rest = whole % HOUR;
    return whole < HOUR
        ? whole + " min"
        : whole / HOUR + " h" + (rest == 0 ? "" : " " + rest + " min");
  }

  /** {@return what was typed, in minutes; empty where it is no time of a day} */
  public static Optional<Integer> read(String text) {
    Matcher typed = TYPED.matcher(text);
    if (text.isBlank() || !typed.matches()) {
      return Optional.empty();
    }
    double hours =
        typed.group(1) == null ? 0 : Double.parseDouble(typed.group(1).replace(',', '.'));
    long minutes = Math.round(hours * HOUR);
    if (typed.group(2) != null) {
      minutes += typed.group(2).length() < 6 ? Integer.parseInt(typed.group(2)) : MOST + 1;
    }
    return minutes > MOST ? Optional.empty() : Optional.of((int) minutes);
  }
}
