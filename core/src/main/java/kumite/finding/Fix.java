package kumite.finding;

import java.util.Objects;
import kumite.build.Edit;

/**
 * A repair that can be applied in one undoable step.
 *
 * @param label what the button says, such as {@code Move Horn 3.5 mm right}
 * @param edit the step
 */
public record Fix(String label, Edit edit) {
  public Fix {
    Objects.requireNonNull(label, "label");
    Objects.requireNonNull(edit, "edit");
  }

  /** {@return a fix whose undo label is the button's} */
  public static Fix of(String label, java.util.function.UnaryOperator<kumite.build.Build> change) {
    return new Fix(label, new Edit(label, change));
  }
}
