package kumite.desktop.field;

import java.util.List;
import java.util.Locale;
import javafx.beans.binding.Bindings;
import javafx.beans.property.DoubleProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;

/**
 * Widths that grow with the type. They are given in dots at the usual size of type and kept in ems,
 * so that what fits at one size fits at every size.
 */
public final class Em {
  private static final double USUAL_PX = 13;

  /** Styles that are set smaller, by as much as the style sheet says. */
  private static final List<String> SMALLER = List.of("mono", "note", "field-name");

  private static final double SMALLER_PX = 11;

  private Em() {}

  /** Sets the width that a region wants; call it once its styles are on. */
  public static void pref(Region region, double px) {
    set(region, "pref", region.prefWidthProperty(), px);
  }

  /** Sets the least width of a region. */
  public static void min(Region region, double px) {
    set(region, "min", region.minWidthProperty(), px);
  }

  /** Sets the most width of a region. */
  public static void max(Region region, double px) {
    set(region, "max", region.maxWidthProperty(), px);
  }

  private static void set(Region region, String which, DoubleProperty width, double px) {
    boolean smaller = region.getStyleClass().stream().anyMatch(SMALLER::contains);
    double em = px / (smaller ? SMALLER_PX : USUAL_PX);
    if (region instanceof Labeled labeled) {
      follow(width, labeled.fontProperty(), em);
    } else if (region instanceof TextInputControl field) {
      follow(width, field.fontProperty(), em);
    } else {
      // What has no type of its own asks the style sheet for it, which is slower.
      region.setStyle(
          region.getStyle() + String.format(Locale.ROOT, "-fx-%s-width: %.2fem;", which, em));
    }
  }

  private static void follow(DoubleProperty width, ObservableValue<Font> font, double em) {
    width.bind(Bindings.createDoubleBinding(() -> em * font.getValue().getSize(), font));
  }
}
