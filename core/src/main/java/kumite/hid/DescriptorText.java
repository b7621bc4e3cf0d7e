package kumite.hid;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.Optional;

/** Bytes of a descriptor as people write or paste them. */
public final class DescriptorText {
  private DescriptorText() {}

  /**
   * {@return pairs of hexadecimal digits as bytes; empty where the text is something else}
   *
   * <p>Blanks, commas, colons, semicolons, braces and 0x between them do not count.
   */
  public static Optional<byte[]> hex(String text) {
    String plain = text.replaceAll("0[xX]|[\\s,;:{}]", "");
    boolean pairs =
        plain.length() % 2 == 0
            && plain.chars().allMatch(c -> Character.digit(c, 16) >= 0 && c < 128)
            && !plain.isEmpty();
    return pairs ? Optional.of(HexFormat.of().parseHex(plain)) : Optional.empty();
  }

  /** {@return the bytes of a file: those that it writes in hexadecimal, else its own} */
  public static byte[] ofFile(byte[] file) {
    return hex(new String(file, StandardCharsets.ISO_8859_1)).orElse(file);
  }
}
