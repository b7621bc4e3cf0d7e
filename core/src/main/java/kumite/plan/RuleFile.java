package kumite.plan;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import kumite.json.JsonText;
import kumite.json.Key;

/** The rules of order as JSON. */
final class RuleFile {
  private RuleFile() {}

  private static final class Standard {
    static final List<Rule> RULES = shipped();
  }

  static List<Rule> standard() {
    return Standard.RULES;
  }

  private static List<Rule> shipped() {
    try (InputStream stream = RuleFile.class.getResourceAsStream("/kumite/plan/rules.json")) {
      if (stream == null) {
        throw new IOException("the application lacks its file kumite/plan/rules.json");
      }
      JsonNode root = JsonText.read(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
      Key top = new Key("rules.json", root);
      List<Rule> rules = new ArrayList<>();
      for (Key key : top.objects("rules")) {
        rules.add(
            new Rule(
                key.text("id"),
                key.word("before", Act.class),
                key.word("after", Act.class),
                key.has("same") && key.truth("same"),
                key.text("why"),
                key.text("slip")));
        key.done();
      }
      top.done();
      return List.copyOf(rules);
    } catch (IOException e) {
      throw new UncheckedIOException("the rules of order cannot be read", e);
    }
  }
}
