package kumite.desktop.field;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.util.StringConverter;

/**
 * A drop-down list that tells of choices made by a person, and not of those shown by the program.
 */
public final class Choice<T> extends ComboBox<T> {
  private boolean showing;

  /**
   * A drop-down list.
   *
   * @param name for screen readers
   * @param words what each choice is called
   * @param chosen told of a choice made by a person
   */
  public Choice(String name, List<T> choices, Function<T, String> words, Consumer<T> chosen) {
    setAccessibleText(name);
    getItems().setAll(choices);
    setMinWidth(USE_PREF_SIZE);
    setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T value) {
            return value == null ? "" : words.apply(value);
          }

          @Override
          public T fromString(String text) {
            throw new UnsupportedOperationException("chosen, not typed");
          }
        });
    // The toolkit's own cell forgets the prompt once something was chosen and is not any more.
    setButtonCell(
        new ListCell<>() {
          @Override
          protected void updateItem(T value, boolean empty) {
            super.updateItem(value, empty);
            String prompt = Choice.this.getPromptText();
            setText(value != null && !empty ? words.apply(value) : prompt == null ? "" : prompt);
          }
        });
    valueProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                chosen.accept(is);
              }
            });
  }

  /** Makes it as wide as so many letters m, whatever the size of type. */
  public void wide(double letters) {
    setStyle("-fx-pref-width: " + letters + "em;");
  }

  /** Offers other choices without telling anybody; what was chosen stays, where it still can. */
  public void offer(List<T> choices) {
    if (!getItems().equals(choices)) {
      T was = getValue();
      showing = true;
      getItems().setAll(choices);
      setValue(was != null && choices.contains(was) ? was : null);
      showing = false;
    }
  }

  /** Shows a choice, or none, without telling anybody. */
  public void show(Optional<T> value) {
    showing = true;
    setValue(value.orElse(null));
    showing = false;
  }
}
