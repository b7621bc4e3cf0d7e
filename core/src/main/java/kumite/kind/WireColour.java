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
    BK("black", 0x1b1b1b),
    BN("brown", 0x7a4a26),
    RD("red", 0xc22a20),
    OG("orange", 0xe07a1f),
    YE("yellow", 0xe8c11c),
    GN("green", 0x2e8b4f),
    BU("blue", 0x2b66b8),
    VT("violet", 0x7b4aa6),
    GY("grey", 0x8c9196),
    WH("white", 0xffffff),
    PK("pink", 0xe79ab5),
    TQ("turquoise", 0x2fb0a8);

    private final String words;
    private final int rgb;

    Hue(String words, int rgb) {
      this.words = words;
      this.rgb = rgb;
    }

    /** {@return the colour in words} */
    public String words() {
      return words;
    }

    /** {@return how insulation of this colour looks, as red, green and blue of eight bits each} */
    public int rgb() {
      return rgb;
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
