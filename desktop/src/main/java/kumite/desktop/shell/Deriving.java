package kumite.desktop.shell;

import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.application.Platform;
import kumite.build.Build;
import kumite.finding.Finding;
import kumite.verdict.Bench;

/**
 * Works benches out on a thread of their own, and tries fixes on another. While the bench lags
 * behind, only the newest build is worked out next.
 */
final class Deriving {
  private final Consumer<Bench> worked;
  private final Consumer<String> failed;

  /** The newest bench, maybe not shown yet; the next one is made from it. */
  private final AtomicReference<Bench> last;

  private final ExecutorService worker = thread("bench", Thread.NORM_PRIORITY);
  private final FixTrials fixes = new FixTrials(thread("fixes", Thread.MIN_PRIORITY));
  private final AtomicReference<Build> wanted = new AtomicReference<>();

  /** The build on the workbench, for other threads. */
  private final AtomicReference<Build> newest = new AtomicReference<>();

  /**
   * Begins with a bench.
   *
   * @param worked gets each bench on the interface thread; its build may be an older one by then
   * @param failed gets what could not be worked out, on the same thread
   */
  Deriving(Bench first, Consumer<Bench> worked, Consumer<String> failed) {
    this.worked = worked;
    this.failed = failed;
    this.last = new AtomicReference<>(first);
    newest.set(first.build());
  }

  private static ExecutorService thread(String name, int priority) {
    return Executors.newSingleThreadExecutor(
        task -> {
          Thread thread = new Thread(task, name);
          thread.setDaemon(true);
          thread.setPriority(priority);
          return thread;
        });
  }

  /** Works out the bench of a build that came from the one before. */
  void next(Build build) {
    newest.set(build);
    wanted.set(build);
    worker.execute(this::workOut);
  }

  /** Goes on from another bench; what was asked for is dropped. */
  void restart(Bench bench) {
    newest.set(bench.build());
    wanted.set(null);
    last.set(bench);
  }

  private void workOut() {
    Build next = wanted.getAndSet(null);
    if (next == null) {
      return; // a newer one was worked out in its place
    }
    try {
      Bench before = last.get();
      Bench made = before.next(next);
      last.compareAndSet(before, made); // a build opened meanwhile stays the newest
      Platform.runLater(() -> worked.accept(made));
    } catch (RuntimeException e) {
      Platform.runLater(() -> failed.accept("This could not be worked out: " + e.getMessage()));
      throw e;
    }
  }

  /**
   * Tries the fixes of findings; trying one costs a re-check.
   *
   * @param of the bench they belong to; once there is a newer build, the rest is left
   * @param then run on the interface thread when all are known
   */
  void tryFixes(Bench of, List<Finding> findings, Runnable then) {
    fixes.tryOut(findings, () -> newest.get() == of.build(), then);
  }

  /** Runs something on the fixes' own thread, once all that was asked for is tried or dropped. */
  void whenTried(Runnable then) {
    fixes.after(then);
  }

  /** Runs something once all benches asked for so far were worked out, and shown or dropped. */
  void whenWorkedOut(Runnable then) {
    worker.execute(() -> Platform.runLater(then));
  }
}
