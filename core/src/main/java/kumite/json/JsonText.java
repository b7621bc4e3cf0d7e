package kumite.json;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.exc.MismatchedInputException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a text as JSON (RFC 8259); what is wrong is told in our own words, with line and column.
 */
public final class JsonText {
  private static final JsonMapper JSON =
      JsonMapper.builder()
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private static final Pattern TWICE = Pattern.compile("Duplicate field '([^']*)'.*");

  private JsonText() {}

  /**
   * Reads a document. A byte order mark before it is passed over.
   *
   * @throws Misfit if it is none; its place is line and column
   */
  public static JsonNode read(String text) {
    String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
    if (bare.isBlank()) {
      throw new Misfit("line 1", "the file is empty", "is it the right file?");
    }
    try {
      return JSON.readTree(bare);
    } catch (JsonProcessingException e) {
      throw misfit(e, bare);
    }
  }

  private static Misfit misfit(JsonProcessingException e, String text) {
    JsonLocation at = e.getLocation();
    String place = at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr();
    String message = e.getOriginalMessage();
    Matcher twice = TWICE.matcher(message.lines().findFirst().orElse(""));
    if (twice.matches()) {
      return new Misfit(place, "the key \"" + twice.group(1) + "\" is there twice", "keep one");
    }
    if (e instanceof StreamConstraintsException) {
      return new Misfit(
          place,
          "it goes deeper or has longer numbers than any such file",
          "is it the right file?");
    }
    int offset = at == null ? -1 : (int) at.getCharOffset();
    if (message.startsWith("Unexpected end-of-input")) {
      return new Misfit(place, "the file ends too early", "was it cut short?");
    }
    if (e instanceof MismatchedInputException) {
      return new Misfit(place, "something follows after the end", "take it out");
    }
    boolean last = offset >= text.length();
    String rest = offset < 0 ? "" : last ? text.strip() : text.substring(offset);
    String there = rest.lines().findFirst().orElse("").strip();
    String found = there.isEmpty() ? "" : ": found " + shortened(there);
    return new Misfit(
        place,
        "is not JSON" + found,
        "look for a comma, quote or bracket missing or left over just before it");
  }

  static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 37) + "..." : text;
  }
}
