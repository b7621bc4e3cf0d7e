package kumite.desktop.shell;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import kumite.build.Build;

/** The steps that can be taken back, and those that can be done again. */
final class History {
  /** Steps kept for undo; a build takes a few kilobytes. */
  private static final int MOST_STEPS = 1000;

  /**
   * One step.
   *
   * @param label what it did
   * @param other the build on its other side
   */
  record Step(String label, Build other) {}

  private final Deque<Step> undo = new ArrayDeque<>();
  private final Deque<Step> redo = new ArrayDeque<>();

  /** Notes a step; what had been taken back is gone. */
  void did(String label, Build before) {
    undo.push(new Step(label, before));
    if (undo.size() > MOST_STEPS) {
      undo.removeLast();
    }
    redo.clear();
  }

  /** {@return the step that undo takes back, if there is one, with the build before it} */
  Optional<Step> undo(Build now) {
    return turn(undo, redo, now);
  }

  /** {@return the step that redo brings back, if there is one, with the build after it} */
  Optional<Step> redo(Build now) {
    return turn(redo, undo, now);
  }

  private static Optional<Step> turn(Deque<Step> from, Deque<Step> to, Build now) {
    Optional<Step> step = Optional.ofNullable(from.poll());
    step.ifPresent(s -> to.push(new Step(s.label(), now)));
    return step;
  }

  /** {@return the label of the step that undo takes back} */
  Optional<String> undoLabel() {
    return Optional.ofNullable(undo.peek()).map(Step::label);
  }

  /** {@return the label of the step that redo brings back} */
  Optional<String> redoLabel() {
    return Optional.ofNullable(redo.peek()).map(Step::label);
  }

  /** Forgets all: another build is on the bench. */
  void forget() {
    undo.clear();
    redo.clear();
  }
}
