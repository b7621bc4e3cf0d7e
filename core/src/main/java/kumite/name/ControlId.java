package kumite.name;

import java.util.Locale;
import java.util.Objects;
import java.util.regex.Pattern;

/**
 * The name a control is known by in files, wires and on the command line, such as {@code horn}.
 *
 * @param text lower-case letters, digits and hyphens, starting with a letter; at most 40
 */
public record ControlId(String text) implements Comparable<ControlId> {
  private static final Pattern FORM = Pattern.compile("[a-z][a-z0-9-]{0,39}");

  public ControlId {
    Objects.requireNonNull(text, "text");
    if (!FORM.matcher(text).matches()) {
      throw new IllegalArgumentException(
          "control id \""
              + text
              + "\" must start with a letter and hold only a-z, 0-9 and hyphens (40 at most)");
    }
  }

  /**
   * An id made from a label.
   *
   * @param label any text, such as {@code "Horn 2"}
   * @return such as {@code horn-2}; {@code control} where nothing is left of the label
   */
  public static ControlId fromLabel(String label) {
    String text =
        label.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^[-0-9]+|-+$", "");
    if (text.length() > 36) {
      text = text.substring(0, 36).replaceAll("-+$", "");
    }
    return new ControlId(text.isEmpty() ? "control" : text);
  }

  @Override
  public int compareTo(ControlId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
