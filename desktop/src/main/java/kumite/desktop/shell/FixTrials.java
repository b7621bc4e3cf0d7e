package kumite.desktop.shell;

import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import kumite.finding.Finding;

/**
 * Tries fixes on a thread of their own, so that no bench waits for them. What was asked for last is
 * tried next; what was asked for before it, or of a build that is no longer the newest, is dropped
 * between two proposals.
 */
final class FixTrials {
  private final ExecutorService thread;
  private final AtomicReference<Object> asked = new AtomicReference<>();

  FixTrials(ExecutorService thread) {
    this.thread = thread;
  }

  /**
   * Tries the fixes of findings.
   *
   * @param newest whether their build is the newest one; asked on another thread
   * @param then run on the interface thread when all are known; not if they were dropped
   */
  void tryOut(List<Finding> findings, BooleanSupplier newest, Runnable then) {
    Object asking = new Object();
    asked.set(asking);
    BooleanSupplier wanted = () -> newest.getAsBoolean() && asked.get() == asking;
    thread.execute(
        () -> {
          findings.forEach(finding -> finding.fix(wanted));
          if (wanted.getAsBoolean()) {
            Platform.runLater(then);
          }
        });
  }

  /** Runs something on the same thread, after all that was asked for so far. */
  void after(Runnable then) {
    thread.execute(then);
  }
}
