package kumite.measure;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.working.Working;

/**
 * Reading and writing lengths the way builders type them: {@code 28.6}, {@code 28,6 mm}, {@code 2.5
 * cm}, {@code 0.3 m}, {@code 1 1/8 in}, {@code 1-1/8 in}, {@code 3/4"}, {@code .75 in}, {@code 1
 * ft}, {@code 1 ft 2 1/2 in}.
 *
 * <p>An inch is exactly 25.4 mm (international yard and pound agreement, 1959).
 */
public final class Length {
  /** Millimetres in one inch, exact since the agreement of 1959. */
  public static final double MM_PER_INCH = 25.4;

  /** Nothing at a bench is longer than this; a larger number is a slip of the unit. */
  public static final double LARGEST_MM = 5000;

  private static final double INCHES_PER_FOOT = 12;

  private static final String NUMBER =
      "(?:(?<whole>\\d+)(?:\\s+|\\s*-\\s*)(?<num>\\d+)\\s*[/\u2044]\\s*(?<den>\\d+)"
          + "|(?<fnum>\\d+)\\s*[/\u2044]\\s*(?<fden>\\d+)"
          + "|(?<dec>\\d+(?:[.,]\\d*)?|[.,]\\d+))";

  private static final Pattern TYPED =
      Pattern.compile(
          "(?<sign>[-\u2212])?\\s*"
              + NUMBER
              + "\\s*(?<unit>mm|cm|m|in|inch|inches|\"|\u2033|ft|foot|feet|'|\u2032)?",
          Pattern.CASE_INSENSITIVE);

  private static final Pattern FEET_AND_INCHES =
      Pattern.compile(
          "(?<sign>[-\u2212])?\\s*(?<feet>\\d+)\\s*(?:ft|foot|feet|'|\u2032)\\s*-?\\s*(?<inches>\\S.*)",
          Pattern.CASE_INSENSITIVE);

  private Length() {}

  /**
   * What was typed, and what it was understood as.
   *
   * @param mm the length in millimetres
   * @param understood the same in both units, to be said back to the person
   */
  public record Typed(double mm, String understood) {}

  /**
   * Reads a typed length.
   *
   * @param text what was typed
   * @param unitless the unit of a number without one; a fraction without a unit is always inches
   * @return the length, between -5000 mm and 5000 mm inclusive
   * @throws IllegalArgumentException if the text is no length or is out of range; the message says
   *     what to type
   */
  public static Typed parse(String text, LengthUnit unitless) {
    Matcher both = FEET_AND_INCHES.matcher(text.strip());
    if (both.matches()) {
      return feetAndInches(both, text);
    }
    Matcher match = TYPED.matcher(text.strip());
    if (!match.matches()) {
      throw new IllegalArgumentException(
          "\"" + text.strip() + "\" is not a length; type for example 28.6, 28.6 mm or 1 1/8 in");
    }
    boolean fraction = match.group("dec") == null;
    double number;
    if (match.group("whole") != null) {
      number =
          Double.parseDouble(match.group("whole")) + ratio(match.group("num"), match.group("den"));
    } else if (fraction) {
      number = ratio(match.group("fnum"), match.group("fden"));
    } else {
      number = Double.parseDouble(match.group("dec").replace(',', '.'));
    }
    if (match.group("sign") != null) {
      number = -number;
    }
    String unit = match.group("unit") == null ? "" : match.group("unit").toLowerCase(Locale.ROOT);
    double mm =
        switch (unit) {
          case "mm" -> number;
          case "cm" -> number * 10;
          case "m" -> number * 1000;
          case "ft", "foot", "feet", "'", "\u2032" -> number * INCHES_PER_FOOT * MM_PER_INCH;
          case "" -> fraction || unitless == LengthUnit.INCH ? number * MM_PER_INCH : number;
          default -> number * MM_PER_INCH;
        };
    return checked(mm, text);
  }

  /** Inches after feet are less than a foot and are not in another unit. */
  private static Typed feetAndInches(Matcher match, String text) {
    Matcher inches = TYPED.matcher(match.group("inches").strip());
    boolean plain =
        inches.matches()
            && inches.group("sign") == null
            && (inches.group("unit") == null
                || inches
                    .group("unit")
                    .toLowerCase(Locale.ROOT)
                    .matches("in|inch|inches|\"|\u2033"));
    double rest = plain ? parse(match.group("inches"), LengthUnit.INCH).mm() : Double.NaN;
    if (!(rest >= 0 && rest < INCHES_PER_FOOT * MM_PER_INCH)) {
      throw new IllegalArgumentException(
          "\"" + text.strip() + "\" is not a length; type for example 1 ft 2 1/2 in");
    }
    double mm = Double.parseDouble(match.group("feet")) * INCHES_PER_FOOT * MM_PER_INCH + rest;
    return checked(match.group("sign") == null ? mm : -mm, text);
  }

  private static Typed checked(double mm, String text) {
    if (!(Math.abs(mm) <= LARGEST_MM)) {
      throw new IllegalArgumentException(
          "\""
              + text.strip()
              + "\" is "
              + both(mm)
              + "; lengths here go up to "
              + (int) LARGEST_MM
              + " mm. Is the unit right?");
    }
    return new Typed(mm, both(mm));
  }

  /**
   * {@return the length in the unit, with its symbol: millimetres with one decimal, inches three}
   */
  public static String text(double mm, LengthUnit unit) {
    return number(mm, unit) + " " + unit.symbol();
  }

  /** {@return the length in the unit, without its symbol} */
  public static String number(double mm, LengthUnit unit) {
    return unit == LengthUnit.MM ? Working.number(mm, 1) : Working.number(mm / MM_PER_INCH, 3);
  }

  /** {@return the length in the unit as it is marked at the bench: hundredths of a millimetre} */
  public static String fine(double mm, LengthUnit unit) {
    return unit == LengthUnit.MM ? Working.number(mm, 2) : Working.number(mm / MM_PER_INCH, 3);
  }

  /** {@return the length in both units, for saying back what was understood} */
  public static String both(double mm) {
    return text(mm, LengthUnit.MM) + " = " + text(mm, LengthUnit.INCH);
  }

  /**
   * The nearest 1/64 inch.
   *
   * @param mm a length of zero or more
   * @return such as {@code 1 1/8 in}, the fraction in lowest terms
   */
  public static String nearest64th(double mm) {
    long sixtyFourths = Math.round(mm / MM_PER_INCH * 64);
    long whole = sixtyFourths / 64;
    long part = sixtyFourths % 64;
    if (part == 0) {
      return whole + " in";
    }
    int shift = Math.min(Long.numberOfTrailingZeros(part), 6);
    String fraction = (part >> shift) + "/" + (64 >> shift);
    return (whole == 0 ? fraction : whole + " " + fraction) + " in";
  }

  /** {@return the length minus its nearest 1/64 inch, in millimetres} */
  public static double errorOf64th(double mm) {
    return mm - Math.round(mm / MM_PER_INCH * 64) / 64.0 * MM_PER_INCH;
  }

  private static double ratio(String numerator, String denominator) {
    double below = Double.parseDouble(denominator);
    if (below == 0) {
      throw new IllegalArgumentException("a fraction over 0 is not a length; type for example 3/4");
    }
    return Double.parseDouble(numerator) / below;
  }
}
