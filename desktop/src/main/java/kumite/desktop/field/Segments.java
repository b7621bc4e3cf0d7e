package kumite.desktop.field;

import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;

/** A row of buttons of which one is chosen. */
public final class Segments<T> extends HBox {
  private final ToggleGroup group = new ToggleGroup();

  /**
   * A row of choices.
   *
   * @param words what each is called
   * @param chosen told of a choice made by a person
   */
  @SafeVarargs
  public Segments(Function<T, String> words, Consumer<T> chosen, T... choices) {
    getStyleClass().add("segments");
    for (T choice : choices) {
      ToggleButton button = new ToggleButton(words.apply(choice));
      button.setUserData(choice);
      button.setToggleGroup(group);
      button.getStyleClass().add("segment");
      button.setOnAction(
          event -> {
            button.setSelected(true); // a second press does not unchoose
            chosen.accept(choice);
          });
      getChildren().add(button);
    }
  }

  /** Shows a choice without telling anybody. */
  public void choose(T choice) {
    group.getToggles().stream()
        .filter(toggle -> choice.equals(toggle.getUserData()))
        .forEach(group::selectToggle);
  }
}
