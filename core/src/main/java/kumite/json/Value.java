package kumite.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Supplier;

/**
 * A value in a JSON document that knows its path, and what is known around it.
 *
 * @param path its path; empty for the whole document
 * @param node the value
 * @param scope what is known around it
 */
public record Value(String path, JsonNode node, Scope scope) {
  public Value {
    Objects.requireNonNull(path, "path");
    Objects.requireNonNull(node, "node");
    Objects.requireNonNull(scope, "scope");
  }

  String place() {
    return path.isEmpty() ? "top level" : path;
  }

  /** {@return a misfit at this place} */
  public Misfit misfit(String what, String remedy) {
    return new Misfit(place(), what, remedy);
  }

  /** {@return the same value with more known around it} */
  public Value within(Scope more) {
    return new Value(path, node, more);
  }

  /** {@return a text in the place of this value: the name of a key is read as one} */
  public Value named(String text) {
    return new Value(path, TextNode.valueOf(text), scope);
  }

  /** {@return the object} */
  public Key object() {
    return new Key(this);
  }

  /** {@return the items of the list} */
  public List<Value> items() {
    if (!node.isArray()) {
      throw misfit("must be a list in brackets, but was " + found(), "");
    }
    List<Value> items = new ArrayList<>();
    for (int i = 0; i < node.size(); i++) {
      items.add(new Value(path + "[" + i + "]", node.get(i), scope));
    }
    return items;
  }

  /** {@return the number} */
  public double number() {
    if (!node.isNumber() || Double.isInfinite(node.doubleValue())) {
      throw misfit("must be a number, but was " + found(), "");
    }
    return node.doubleValue();
  }

  /** {@return the whole number} */
  public int integer() {
    if (!node.isIntegralNumber() || !node.canConvertToInt()) {
      throw misfit("must be a whole number, but was " + found(), "");
    }
    return node.intValue();
  }

  /** {@return the true or false} */
  public boolean truth() {
    if (!node.isBoolean()) {
      throw misfit("must be true or false, but was " + found(), "");
    }
    return node.booleanValue();
  }

  /** {@return the text} */
  public String text() {
    if (!node.isTextual()) {
      throw misfit("must be a text in quotes, but was " + found(), "");
    }
    return node.textValue();
  }

  /** {@return the constant whose lower-case name it is} */
  public <E extends Enum<E>> E word(Class<E> type) {
    String text = text();
    List<String> allowed = new ArrayList<>();
    for (E constant : type.getEnumConstants()) {
      String word = constant.name().toLowerCase(Locale.ROOT);
      if (word.equals(text)) {
        return constant;
      }
      allowed.add(word);
    }
    throw misfit("\"" + text + "\" is unknown here", "use one of " + String.join(", ", allowed));
  }

  /** {@return what is made of it, a complaint put down to this place} */
  public <T> T make(Supplier<T> maker) {
    try {
      return maker.get();
    } catch (Misfit e) {
      throw e; // it knows its place better
    } catch (IllegalArgumentException e) {
      throw misfit(e.getMessage(), "");
    }
  }

  /** {@return what stands there, shortened} */
  String found() {
    return JsonText.shortened(node.toString());
  }
}
