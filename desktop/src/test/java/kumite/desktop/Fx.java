package kumite.desktop;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;

/** The interface thread from outside: what it says, and waiting for it without losing time. */
public final class Fx {
  private static final long LOOK_AGAIN_MILLIS = 2;
  private static final long MOST_SECONDS = 60;

  private Fx() {}

  /** {@return what a supplier gives on the interface thread} */
  public static <T> T onFx(Supplier<T> supplier) {
    if (Platform.isFxApplicationThread()) {
      return supplier.get();
    }
    CompletableFuture<T> answer = new CompletableFuture<>();
    Platform.runLater(
        () -> {
          try {
            answer.complete(supplier.get());
          } catch (Throwable e) {
            answer.completeExceptionally(e);
          }
        });
    try {
      return answer.get(MOST_SECONDS, TimeUnit.SECONDS);
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException known) {
        throw known;
      }
      if (e.getCause() instanceof Error known) {
        throw known;
      }
      throw new AssertionError(e.getCause());
    } catch (InterruptedException | TimeoutException e) {
      throw new AssertionError("the interface thread does not answer", e);
    }
  }

  /** Runs something on the interface thread. */
  public static void onFx(Runnable task) {
    onFx(
        () -> {
          task.run();
          return true;
        });
  }

  /** Waits until what is queued for the interface thread is done. */
  public static void idle() {
    onFx(
        () -> {
          // that it is reached is all
        });
  }

  /** {@return whether something came true in time; asked on the calling thread} */
  public static boolean comesTrue(int seconds, BooleanSupplier condition) {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
    while (!condition.getAsBoolean()) {
      if (System.nanoTime() > end) {
        return false;
      }
      try {
        Thread.sleep(LOOK_AGAIN_MILLIS);
      } catch (InterruptedException e) {
        throw new AssertionError(e);
      }
    }
    return true;
  }

  /** Waits for something, and fails with those words if it does not come. */
  public static void await(int seconds, String otherwise, BooleanSupplier condition) {
    if (!comesTrue(seconds, condition)) {
      throw new AssertionError(otherwise);
    }
  }
}
