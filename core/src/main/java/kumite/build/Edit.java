package kumite.build;

import java.util.Objects;
import java.util.function.UnaryOperator;
import kumite.measure.Check;

/**
 * One undoable change: a label for people and the new build it makes from the old one.
 *
 * <pre>{@code
 * Edit edit = new Edit("Move Horn", build -> build.withControl(horn.withPlacement(there)));
 * Build after = edit.apply(before);
 * }</pre>
 *
 * @param label what the undo list says, such as {@code Move Horn}
 * @param change from the old build to the new; must not have side effects
 */
public record Edit(String label, UnaryOperator<Build> change) {
  public Edit {
    Check.filled(label, "label");
    Objects.requireNonNull(change, "change");
  }

  /** {@return the build after the change} */
  public Build apply(Build before) {
    return change.apply(before);
  }
}
