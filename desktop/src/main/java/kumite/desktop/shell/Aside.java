package kumite.desktop.shell;

import java.util.concurrent.Callable;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.concurrent.Task;

/**
 * Works an answer out aside of the interface thread, for questions that come faster than answers: a
 * newer question ends an older one, and an answer is shown only if its question still stands.
 *
 * <p>All methods are for the interface thread; the work itself must be a pure function.
 *
 * @param <Q> what is asked, with a value equality
 * @param <A> what comes of it
 */
public final class Aside<Q, A> {
  private final String name;
  private final Function<Q, A> work;
  private final Consumer<Q> begun;
  private final BiConsumer<Q, A> answered;
  private final Consumer<String> failed;
  private Task<A> running;
  private Q asked;

  /**
   * A desk for one kind of question.
   *
   * @param name of its thread
   * @param begun told when the work begins, to say so on the screen
   * @param answered told of the answer
   * @param failed told in words where there is none
   */
  public Aside(
      String name,
      Function<Q, A> work,
      Consumer<Q> begun,
      BiConsumer<Q, A> answered,
      Consumer<String> failed) {
    this.name = name;
    this.work = work;
    this.begun = begun;
    this.answered = answered;
    this.failed = failed;
  }

  /** Asks; the question that was asked last, running or answered, is not asked again. */
  public void ask(Q question) {
    if (question.equals(asked)) {
      return;
    }
    cancel();
    asked = question;
    Task<A> task = task(name, () -> work.apply(question));
    task.setOnSucceeded(
        event -> {
          if (running == task) {
            running = null;
            answered.accept(question, task.getValue());
          }
        });
    task.setOnFailed(
        event -> {
          if (running == task) {
            cancel();
            failed.accept(task.getException().getMessage());
          }
        });
    running = task;
    begun.accept(question);
    begin(task, name);
  }

  /**
   * Works something out once, aside of the interface thread.
   *
   * @param name of its thread
   * @param then told on the interface thread what came of it
   * @param failed told there in words why nothing did
   * @return the work, to be bound to or cancelled
   */
  public static <A> Task<A> run(
      String name, Callable<A> work, Consumer<A> then, Consumer<String> failed) {
    Task<A> task = task(name, work);
    task.setOnSucceeded(event -> then.accept(task.getValue()));
    task.setOnFailed(event -> failed.accept(task.getException().getMessage()));
    begin(task, name);
    return task;
  }

  private static <A> Task<A> task(String name, Callable<A> work) {
    return new Task<>() {
      @Override
      protected A call() throws Exception {
        return work.call();
      }

      @Override
      public String toString() {
        return name;
      }
    };
  }

  private static void begin(Task<?> task, String name) {
    Thread thread = new Thread(task, name);
    thread.setDaemon(true);
    thread.start();
  }

  /** {@return whether an answer is being worked out} */
  public boolean busy() {
    return running != null;
  }

  /** Lets the running question go; it may be asked again. */
  public void cancel() {
    if (running != null) {
      running.cancel(true);
      running = null;
    }
    asked = null;
  }
}
