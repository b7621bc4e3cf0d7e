package kumite.files;

import kumite.build.map.Script;
import kumite.build.map.ScriptBook;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.room.PartCodec;

/** How scripts stand in the file. */
public final class ScriptJson {
  /** The scripts' codec. */
  public static final PartCodec<ScriptBook> CODEC =
      new PartCodec<>(
          ScriptBook.PART, false, Plain.list(script()).as(ScriptBook::new, ScriptBook::scripts));

  private ScriptJson() {}

  private static Codec<Script> script() {
    Fields<Script> f = new Fields<>();
    Field<Script, String> name = f.need("name", Plain.LINE, Script::name);
    Field<Script, String> moves =
        f.need("moves", Plain.TEXT, Script::text).says("as press takes them");
    return f.make(in -> Script.parse(in.get(name), in.get(moves)))
        .asAt(ScriptJson::ofContactsHere, script -> script);
  }

  private static Script ofContactsHere(Script script, Value at) {
    for (Script.Move move : script.moves()) {
      Names.CONTACT.read(at.named(move.contact().toString()));
    }
    return script;
  }
}
