package kumite.lead;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import kumite.measure.Check;

/** What a pin is for. Two pins with the same function belong together. */
public sealed interface Function {

  /** {@return its name for people and files} */
  String words();

  /** Functions that Kumite reasons with. */
  enum Known implements Function {
    UP("up"),
    DOWN("down"),
    LEFT("left"),
    RIGHT("right"),
    FIRE("fire"),
    FIRE_2("fire 2"),
    FIRE_3("fire 3"),
    FIRE_4("fire 4"),
    POT_X("pot x"),
    POT_Y("pot y"),
    POT_X2("pot x 2"),
    POT_Y2("pot y 2"),
    SELECT("select"),
    CLOCK("clock"),
    LATCH("latch"),
    DATA("data"),
    DATA_MINUS("data minus"),
    DATA_PLUS("data plus"),
    SUPPLY("supply"),
    GROUND("ground");

    private final String words;

    Known(String words) {
      this.words = words;
    }

    @Override
    public String words() {
      return words;
    }
  }

  /**
   * One that the builder named.
   *
   * @param name compared without regard to capitals
   */
  record Own(String name) implements Function {
    public Own {
      name = Check.writable(name.strip(), "function of a pin").toLowerCase(Locale.ROOT);
      if (name.length() > 40) {
        throw new IllegalArgumentException("a function's name has 40 letters at most");
      }
    }

    @Override
    public String words() {
      return name;
    }
  }

  /** {@return the function of that name: a known one, else the builder's own} */
  static Function named(String words) {
    return known(words).<Function>map(known -> known).orElseGet(() -> new Own(words));
  }

  /** {@return the known function of that name, if it is one} */
  static Optional<Known> known(String words) {
    String plain = words.strip().toLowerCase(Locale.ROOT).replace('_', ' ');
    return Stream.of(Known.values()).filter(known -> known.words.equals(plain)).findFirst();
  }
}
