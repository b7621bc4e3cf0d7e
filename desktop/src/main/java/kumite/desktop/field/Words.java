package kumite.desktop.field;

import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

/**
 * A line of words that a person types. Enter or leaving the field takes it, Escape puts the old one
 * back; what cannot be taken stays marked until it is mended or put back.
 */
public final class Words extends TextField {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");

  private final Consumer<String> taken;
  private final Consumer<String> refused;
  private String shown = "";

  /**
   * A field.
   *
   * @param name for screen readers
   * @param taken takes what was typed; throws an {@link IllegalArgumentException} to refuse it
   * @param refused told why
   */
  public Words(String name, Consumer<String> taken, Consumer<String> refused) {
    this.taken = taken;
    this.refused = refused;
    setAccessibleText(name);
    setOnAction(event -> take());
    focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take();
              }
            });
    setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            write();
            event.consume();
          }
        });
  }

  /** Shows words; while the field is being typed in, they are kept for later. */
  public void show(String words) {
    shown = words;
    if (!isFocused()) {
      write();
    }
  }

  private void write() {
    setText(shown);
    pseudoClassStateChanged(BAD, false);
  }

  private void take() {
    String typed = getText().strip();
    if (typed.equals(shown)) {
      return;
    }
    try {
      taken.accept(typed);
      shown = typed;
      pseudoClassStateChanged(BAD, false);
    } catch (IllegalArgumentException e) {
      pseudoClassStateChanged(BAD, true);
      refused.accept(e.getMessage());
    }
  }
}
