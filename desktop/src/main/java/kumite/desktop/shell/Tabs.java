package kumite.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.scene.Node;
import kumite.desktop.field.Segments;
import kumite.verdict.Bench;

/**
 * The tabs of a station: each is made when it is first looked at, and follows the bench only while
 * it is shown.
 *
 * @param <T> their names
 */
public final class Tabs<T extends Enum<T>> {
  private final Class<T> type;
  private final Segments<T> bar;
  private final Map<T, Supplier<Tab>> makers;
  private final Map<T, Tab> made;
  private T chosen;

  /**
   * Tabs that are not made yet; the first is chosen.
   *
   * @param words what each is called
   * @param byHand told of a choice made by a person; it has to show the tab
   */
  public Tabs(Class<T> type, Function<T, String> words, Consumer<T> byHand) {
    this.type = type;
    makers = new EnumMap<>(type);
    made = new EnumMap<>(type);
    chosen = type.getEnumConstants()[0];
    bar =
        new Segments<>(
            words,
            which -> {
              choose(which);
              byHand.accept(which);
            },
            type.getEnumConstants());
    bar.choose(chosen);
  }

  /** Says how a tab is made; {@return this} */
  public Tabs<T> tab(T which, Supplier<Tab> maker) {
    makers.put(which, maker);
    return this;
  }

  /** {@return the row of their names} */
  public Segments<T> bar() {
    return bar;
  }

  /** {@return the one that is chosen} */
  public T chosen() {
    return chosen;
  }

  /** Chooses one; the one before is left. */
  public void choose(T which) {
    if (which != chosen) {
      Optional.ofNullable(made.get(chosen)).ifPresent(Tab::leave);
    }
    chosen = which;
    bar.choose(which);
  }

  /**
   * {@return the chosen tab, made if it is not yet}
   *
   * @throws IllegalStateException if nobody said how it is made
   */
  public Tab tab() {
    return made.computeIfAbsent(
        chosen,
        which ->
            Optional.ofNullable(makers.get(which))
                .orElseThrow(() -> new IllegalStateException("no tab of " + type + " for " + which))
                .get());
  }

  /** Shows a bench in the chosen tab; {@return its node} */
  public Node show(Bench bench) {
    tab().show(bench);
    return tab().node();
  }
}
