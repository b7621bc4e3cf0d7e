package kumite.power;

import java.util.Locale;
import java.util.Map;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.working.Quantity;

/** Typed texts by name, read as quantities; complaints name the text. */
record Typed(Map<String, String> texts) {
  /** Longer than any wire of a controller. */
  private static final double MOST_LENGTH_MM = 1e6;

  String text(String name) {
    return texts.get(name).toLowerCase(Locale.ROOT);
  }

  double above0(String name, Quantity quantity) {
    return quantity.above0(texts.get(name), name);
  }

  double atLeast0(String name, Quantity quantity) {
    try {
      return quantity.parse(texts.get(name));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(name + ": " + e.getMessage(), e);
    }
  }

  int whole(String name, int least, int most) {
    String text = texts.get(name);
    int value;
    try {
      value = Integer.parseInt(text);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          name + ": \"" + text + "\" is no whole number; type " + least + " to " + most, e);
    }
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          name + " must be between " + least + " and " + most + " (inclusive), but was " + value);
    }
    return value;
  }

  /** {@return a share from 0 to 1} */
  double percent(String name) {
    String text = texts.get(name).replace("%", "").strip();
    double value;
    try {
      value = Double.parseDouble(text.replace(',', '.'));
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          name + ": \"" + text + "\" is no percentage; type for example 30 or 30 %", e);
    }
    if (!(value >= 0 && value <= 100)) {
      throw new IllegalArgumentException(
          name + " must be between 0 and 100 % (inclusive), but was " + text);
    }
    return value / 100;
  }

  double lengthMm(String name) {
    double mm;
    try {
      mm = Length.parse(texts.get(name), LengthUnit.MM).mm();
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(name + ": " + e.getMessage(), e);
    }
    if (!(mm >= 0 && mm <= MOST_LENGTH_MM)) {
      throw new IllegalArgumentException(
          name + " must be between 0 and 1 000 000 mm (inclusive), but was " + texts.get(name));
    }
    return mm;
  }

  ESeries series() {
    String text = texts.get("series").toUpperCase(Locale.ROOT);
    return switch (text) {
      case "E12" -> ESeries.E12;
      case "E24" -> ESeries.E24;
      default ->
          throw new IllegalArgumentException("series \"" + text + "\" is unknown; use E12 or E24");
    };
  }
}
