package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kumite.build.map.Script;
import kumite.build.map.ScriptBook;
import kumite.json.Key;
import kumite.name.ContactId;
import kumite.room.Around;
import kumite.room.PartCodec;

/** How scripts stand in the file. */
public final class ScriptJson {
  /** The scripts' codec. */
  public static final PartCodec<ScriptBook> CODEC =
      new PartCodec<>(ScriptBook.PART, false, ScriptJson::read, ScriptJson::write);

  private ScriptJson() {}

  private static ScriptBook read(Key top, String key, Around around) {
    List<Script> scripts = new ArrayList<>();
    for (Key item : top.objects(key)) {
      scripts.add(script(item, around.contacts()));
    }
    return top.make(() -> new ScriptBook(scripts));
  }

  private static Script script(Key key, Set<ContactId> contacts) {
    Script script = key.whole(() -> Script.parse(key.text("name"), key.text("moves")));
    for (Script.Move move : script.moves()) {
      BuildJson.contact(key, move.contact().toString(), contacts);
    }
    return script;
  }

  private static JsonNode write(ScriptBook book) {
    ArrayNode scripts = JsonNodeFactory.instance.arrayNode();
    book.scripts().forEach(s -> scripts.addObject().put("name", s.name()).put("moves", s.text()));
    return scripts;
  }
}
