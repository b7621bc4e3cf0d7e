package kumite.build.map;

import java.util.List;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.name.ControlId;

/**
 * The scripts of a build.
 *
 * @param scripts the scripts, each name once
 */
public record ScriptBook(List<Script> scripts) implements Decided<ScriptBook> {
  /** The scripts as a part of a build. */
  public static final Part<ScriptBook> PART = new Part<>("scripts", new ScriptBook(List.of()));

  public ScriptBook {
    scripts = List.copyOf(scripts);
    if (scripts.stream().map(Script::name).distinct().count() != scripts.size()) {
      throw new IllegalArgumentException("two scripts have the same name");
    }
  }

  @Override
  public ScriptBook without(ControlId gone) {
    return new ScriptBook(scripts.stream().map(script -> without(script, gone)).toList());
  }

  private static Script without(Script script, ControlId gone) {
    return new Script(
        script.name(),
        script.moves().stream().filter(move -> !move.contact().control().equals(gone)).toList());
  }
}
