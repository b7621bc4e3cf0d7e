package kumite.desktop.field;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Range;

/** Several lengths in one field, parted by commas; it says what it understood. */
public final class LengthsField extends VBox {
  private static final int COLUMNS = 14;

  private final Range range;
  private final Consumer<List<Double>> taken;
  private final TextField field = new TextField();
  private final Label told = new Label();
  private LengthUnit unit = LengthUnit.MM;
  private List<Double> shown = List.of();

  /**
   * A field for lengths.
   *
   * @param name of what it holds, for people
   * @param range of each
   * @param taken takes them in mm, in the order in which they were typed
   */
  public LengthsField(String name, Range range, Consumer<List<Double>> taken) {
    this.range = range;
    this.taken = taken;
    field.setPrefColumnCount(COLUMNS);
    field.setPromptText("none");
    field.setAccessibleText(name);
    field.setTooltip(new Tooltip(name + ": lengths parted by commas; Enter takes them"));
    field.setOnAction(event -> take());
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take();
              }
            });
    told.getStyleClass().add("understood");
    told.setWrapText(true);
    told.managedProperty().bind(told.visibleProperty());
    told.setVisible(false);
    getChildren().addAll(field, told);
  }

  /** {@return where it is typed} */
  public TextField field() {
    return field;
  }

  /** Numbers without a unit are in this one. */
  public void unit(LengthUnit newUnit) {
    unit = newUnit;
  }

  /** Shows these, unless somebody is typing. */
  public void show(List<Double> mm) {
    shown = List.copyOf(mm);
    if (!field.isFocused()) {
      field.setText(text(mm));
      told.setVisible(false);
    }
  }

  private String text(List<Double> mm) {
    return mm.stream().map(one -> Length.text(one, unit)).collect(Collectors.joining(", "));
  }

  private void take() {
    List<Double> mm = new ArrayList<>();
    try {
      for (String word : field.getText().split("[,;]")) {
        if (!word.isBlank()) {
          double length = Length.parse(word.strip(), unit).mm();
          range.check(length, "length");
          mm.add(length);
        }
      }
    } catch (IllegalArgumentException e) {
      say(e.getMessage() + ". Write lengths parted by commas, such as 210, 420 mm, 16 in");
      return;
    }
    told.setVisible(false);
    if (!text(mm).equals(text(shown))) {
      taken.accept(mm);
      say(mm.isEmpty() ? "none" : "taken as " + text(mm));
    }
  }

  private void say(String words) {
    told.setText(words);
    told.setVisible(true);
  }
}
