package kumite.kind;

import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The colour of a wire by its letter code, of one or two colours: {@code BU}, {@code WHGN}.
 *
 * <p>Codes: IEC 60757. Two colours are written one after the other, as that standard does for green
 * and yellow (from memory).
 *
 * @param base the ground colour
 * @param stripe the stripe, if any; other than the base
 */
public record WireColour(Hue base, Optional<Hue> stripe) implements Comparable<WireColour> {

  /** The single colours of IEC 60757. */
  public enum Hue {
    BK("black"),
    BN("brown"),
    RD("red"),
    OG("orange"),
    YE("yellow"),
    GN("green"),
    BU("blue"),
    VT("violet"),
    GY("grey"),
    WH("white"),
    PK("pink"),
    TQ("turquoise");

    private final String words;

    Hue(String words) {
      this.words = words;
    }

    /** {@return the colour in words} */
    public String words() {
      return words;
    }
  }

  public WireColour {
    Objects.requireNonNull(base, "base");
    if (stripe.isPresent() && stripe.get() == base) {
      throw new IllegalArgumentException("a stripe must differ from its base colour " + base);
    }
  }

  /** {@return a plain colour} */
  public static WireColour of(Hue hue) {
    return new WireColour(hue, Optional.empty());
  }

  /**
   * Reads a code of two or four letters.
   *
   * @throws IllegalArgumentException if it is no such code; the message lists the codes
   */
  public static WireColour parse(String code) {
    String upper = code.strip().toUpperCase(Locale.ROOT);
    if (upper.length() == 2) {
      return of(hue(upper, code));
    }
    if (upper.length() == 4) {
      return new WireColour(
          hue(upper.substring(0, 2), code), Optional.of(hue(upper.substring(2), code)));
    }
    throw unknown(code);
  }

  private static Hue hue(String two, String code) {
    return Stream.of(Hue.values())
        .filter(hue -> hue.name().equals(two))
        .findFirst()
        .orElseThrow(() -> unknown(code));
  }

  private static IllegalArgumentException unknown(String code) {
    return new IllegalArgumentException(
        "\"" + code + "\" is no wire colour; use BK BN RD OG YE GN BU VT GY WH PK TQ, or two such");
  }

  /** {@return the letter code} */
  public String code() {
    return base.name() + stripe.map(Hue::name).orElse("");
  }

  /** {@return the colour in words, such as {@code white with green}} */
  public String words() {
    return base.words() + stripe.map(s -> " with " + s.words()).orElse("");
  }

  @Override
  public int compareTo(WireColour other) {
    return code().compareTo(other.code());
  }

  @Override
  public String toString() {
    return code();
  }
}
