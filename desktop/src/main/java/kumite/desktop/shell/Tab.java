package kumite.desktop.shell;

import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.Node;
import kumite.verdict.Bench;

/** One of the tabs of a station. */
public interface Tab {
  /** {@return its node; the same each time} */
  Node node();

  /** Shows a bench. Called whenever it changes while the tab is shown, and when it comes up. */
  void show(Bench bench);

  /** Called when the tab is left. */
  default void leave() {}

  /** {@return a tab of a node, and what shows a bench in it} */
  static Tab of(Node node, Consumer<Bench> show) {
    return new Tab() {
      @Override
      public Node node() {
        return node;
      }

      @Override
      public void show(Bench bench) {
        show.accept(bench);
      }
    };
  }

  /** {@return a tab of a view that shows benches itself} */
  static <N extends Node> Tab of(N view, BiConsumer<N, Bench> show) {
    return of((Node) view, bench -> show.accept(view, bench));
  }
}
