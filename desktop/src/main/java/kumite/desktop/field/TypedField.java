package kumite.desktop.field;

import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Range;

/**
 * A number that a person types. While it is typed, the line below says what it is understood as, or
 * what is wrong; Enter or leaving the field takes it, Escape puts the old one back. The last good
 * value is never lost.
 */
public final class TypedField extends VBox {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");

  /**
   * What was typed.
   *
   * @param value the number
   * @param understood what it was understood as
   */
  public record Typed(double value, String understood) {}

  /** Itself, its name's box and the row that it stands in. */
  private static final int LEVELS = 3;

  private final TextField text = new TextField();
  private final Label understood = new Label();
  private Function<String, Typed> reader;
  private DoubleFunction<String> writer;
  private final DoubleConsumer taken;
  private double value;
  private boolean fine;
  private Range range = Range.of(-Length.LARGEST_MM, Length.LARGEST_MM);

  private TypedField(
      String name,
      Function<String, Typed> reader,
      DoubleFunction<String> writer,
      DoubleConsumer taken) {
    this.reader = reader;
    this.writer = writer;
    this.taken = taken;
    getStyleClass().add("typed-field");
    text.getStyleClass().add("mono");
    text.setAccessibleText(name);
    understood.getStyleClass().add("understood");
    // It lies over what is below while there is something to say, and takes no room else.
    understood.setManaged(false);
    understood.setVisible(false);
    understood.textProperty().addListener((o, was, is) -> lay());
    getChildren().addAll(text, understood);
    text.textProperty().addListener((o, was, is) -> read());
    text.setOnAction(event -> take());
    text.focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (is) {
                text.selectAll();
              } else {
                take();
              }
              read();
            });
    text.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            write();
            event.consume();
          }
        });
  }

  /**
   * {@return a field for a length; it accepts mm and in whatever the unit shown}
   *
   * @param range in mm
   */
  public static TypedField length(String name, Range range, DoubleConsumer taken) {
    TypedField field = new TypedField(name, text -> null, Double::toString, taken);
    field.range = range;
    field.unit(LengthUnit.MM);
    return field;
  }

  /** {@return a field for a place along an axis of the panel} */
  public static TypedField place(String name, DoubleConsumer taken) {
    return length(name, Range.of(-Length.LARGEST_MM, Length.LARGEST_MM, "mm"), taken);
  }

  /**
   * {@return a field for another quantity}
   *
   * @param range what it may be; its unit is said back
   */
  public static TypedField number(String name, Range range, DoubleConsumer taken) {
    String unit = range.unit();
    return new TypedField(
        name,
        typed -> {
          String plain =
              typed.strip().replaceAll("(?i)\\s*" + java.util.regex.Pattern.quote(unit) + "$", "");
          double number;
          try {
            number = Double.parseDouble(plain.replace(',', '.'));
          } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                "\"" + typed.strip() + "\" is no number; type " + range.words());
          }
          if (!range.has(number)) {
            throw new IllegalArgumentException("type " + range.words());
          }
          return new Typed(number, plain(number) + " " + unit);
        },
        number -> plain(number) + " " + unit,
        taken);
  }

  /** {@return this, showing a hundredth of a millimetre, as a caliper does} */
  public TypedField fine() {
    fine = true;
    return this;
  }

  /** Shows lengths in another unit. */
  public void unit(LengthUnit unit) {
    reader =
        typed -> {
          Length.Typed length = Length.parse(typed, unit);
          if (!range.has(length.mm())) {
            throw new IllegalArgumentException(
                "type "
                    + (range.open() ? "above " : "")
                    + Length.number(range.least(), unit)
                    + " to "
                    + Length.number(range.most(), unit)
                    + " "
                    + unit.symbol());
          }
          return new Typed(length.mm(), length.understood());
        };
    writer = mm -> (fine ? Length.fine(mm, unit) : Length.number(mm, unit)) + " " + unit.symbol();
    if (!text.isFocused()) {
      write();
    }
  }

  /** Shows a value; while the field is being typed in, it is kept for later. */
  public void show(double newValue) {
    value = newValue;
    if (!text.isFocused()) {
      write();
    }
  }

  /** {@return the field itself, for focus and tests} */
  public TextField field() {
    return text;
  }

  /** Explains the field. */
  public void setTooltip(String words) {
    text.setTooltip(new Tooltip(words));
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    lay();
  }

  private void lay() {
    boolean any = !understood.getText().isEmpty();
    understood.setVisible(any);
    Node above = this;
    for (int level = 0; level < LEVELS && above != null; level++) {
      above.setViewOrder(any ? -1 : 0);
      above = above.getParent();
    }
    if (any && getScene() != null) {
      understood.applyCss();
      understood.autosize();
      double left = localToScene(0, 0).getX();
      double most = getScene().getWidth() - understood.getWidth() - 4;
      understood.relocate(Math.min(0, most - left), text.getHeight() + 1);
    }
  }

  private void write() {
    text.setText(writer.apply(value));
    read();
  }

  private void read() {
    try {
      Typed typed = reader.apply(text.getText());
      text.pseudoClassStateChanged(BAD, false);
      understood.pseudoClassStateChanged(BAD, false);
      understood.setText(text.isFocused() && typed != null ? typed.understood() : "");
    } catch (IllegalArgumentException e) {
      text.pseudoClassStateChanged(BAD, true);
      understood.pseudoClassStateChanged(BAD, true);
      understood.setText(e.getMessage());
      understood.setTooltip(new Tooltip(e.getMessage()));
    }
  }

  private void take() {
    try {
      Typed typed = reader.apply(text.getText());
      // What is shown is rounded: only a text that was changed is a new value.
      if (typed != null && !text.getText().equals(writer.apply(value))) {
        value = typed.value();
        taken.accept(value);
      }
      if (!text.isFocused()) {
        write();
      } else {
        text.setText(writer.apply(value));
        text.selectAll();
      }
    } catch (IllegalArgumentException e) {
      if (!text.isFocused()) {
        write(); // the last good value stands
      }
    }
  }

  private static String plain(double number) {
    return number == Math.rint(number) && Math.abs(number) < 1e9
        ? String.valueOf((long) number)
        : String.valueOf(number);
  }
}
