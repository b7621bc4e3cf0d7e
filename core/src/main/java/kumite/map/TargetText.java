package kumite.map;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.hid.KeyNames;
import kumite.hid.MediaNames;

/**
 * Meanings as words: {@code Button 4}, {@code Axis Z}, {@code Axis X-}, {@code Hat N}, {@code Key
 * Space}, {@code Steps 17}, {@code Mouse 1}, {@code Mouse X+}, {@code Wheel}, {@code Media Play},
 * {@code Pad 2 Button 4}.
 *
 * <p>Reading is generous: case, spaces and the first word may be short or missing where no doubt is
 * left ({@code b4}, {@code z}, {@code x+}, {@code hat up}, {@code k space}).
 */
public final class TargetText {
  /** What may be typed, for prompts and messages. */
  public static final String FORMS =
      "Button 1 to 128, Axis X to Dial, Axis X- or X+, Hat N E S W, Key A to KP0, Steps 1 to 128,"
          + " Mouse 1 to 8, Mouse X, Y or Wheel, Mouse X+ or X-, Media Play, Pad 2 Button 1";

  private static final Pattern BUTTON = Pattern.compile("(?:b|btn|button)?\\s*(\\d{1,4})");
  private static final Pattern STEPS = Pattern.compile("(?:steps?|s)\\s*(\\d{1,4})");
  private static final Pattern HAT = Pattern.compile("(?:hat|h)\\s*([a-z]+)");
  private static final Pattern AXIS = Pattern.compile("(?:axis|a)?\\s*([a-z]+)\\s*([-+])?");
  private static final Pattern PAD = Pattern.compile("pad\\s*(\\d{1,2})\\s+(\\S.*)");
  private static final Pattern MOUSE = Pattern.compile("(?:mouse|m)\\s*(\\d{1,2})");
  private static final Pattern MOTION = Pattern.compile("(?:mouse\\s*)?(x|y|wheel)\\s*([-+])?");
  private static final Pattern MEDIA = Pattern.compile("media\\s*(\\S.*)");
  private static final Pattern KEY = Pattern.compile("(?:key|k)\\s*(\\S.*)");

  private TargetText() {}

  /** {@return the meaning in words; {@link #parse} reads them back} */
  public static String of(Target target) {
    if (target instanceof Target.OnPad other) {
      return "Pad " + other.pad() + " " + of(other.plain());
    } else if (target instanceof Target.Media media) {
      return "Media " + MediaNames.of(media.usage());
    } else if (target instanceof Target.MouseButton button) {
      return "Mouse " + button.number();
    } else if (target instanceof Target.Motion motion) {
      return motion.axis().words();
    } else if (target instanceof Target.MotionEnd end) {
      return end.axis().words() + (end.high() ? "+" : "-");
    } else if (target instanceof Target.Button button) {
      return "Button " + button.number();
    } else if (target instanceof Target.Steps steps) {
      return "Steps " + steps.first();
    } else if (target instanceof Target.Axis axis) {
      return "Axis " + axis.axis().words();
    } else if (target instanceof Target.AxisEnd end) {
      return "Axis " + end.axis().words() + (end.high() ? "+" : "-");
    } else if (target instanceof Target.Hat hat) {
      return "Hat " + hat.direction();
    } else if (target instanceof Target.Key key) {
      return "Key " + KeyNames.of(key.usage());
    }
    throw new AssertionError(target);
  }

  /** {@return the meaning as short as it fits on a key cap, such as {@code B4} or {@code Hat N}} */
  public static String brief(Target target) {
    if (target instanceof Target.Button button) {
      return "B" + button.number();
    } else if (target instanceof Target.Steps steps) {
      return "B" + steps.first() + "…";
    } else if (target instanceof Target.OnPad other) {
      return other.pad() + ":" + brief(other.plain());
    }
    return of(target).replaceFirst("^(Key|Media) ", "");
  }

  /**
   * {@return the kind of the meaning as one word: button, steps, axis, hat, key, media or mouse}
   */
  public static String kind(Target any) {
    Target target = any.plain();
    if (target instanceof Target.Media) {
      return "media";
    } else if (target instanceof Target.MouseButton
        || target instanceof Target.Motion
        || target instanceof Target.MotionEnd) {
      return "mouse";
    } else if (target instanceof Target.Button) {
      return "button";
    } else if (target instanceof Target.Steps) {
      return "steps";
    } else if (target instanceof Target.Hat) {
      return "hat";
    } else if (target instanceof Target.Key) {
      return "key";
    }
    return "axis";
  }

  /**
   * Reads a meaning.
   *
   * @throws IllegalArgumentException if the text is none; the message lists the forms
   */
  public static Target parse(String typed) {
    String text = typed.strip().toLowerCase(Locale.ROOT);
    Matcher key = KEY.matcher(text);
    if (key.matches()) {
      return key(key.group(1), typed);
    }
    Matcher pad = PAD.matcher(text);
    if (pad.matches()) {
      int number = Integer.parseInt(pad.group(1));
      Target plain = parse(pad.group(2));
      return number == 1 ? plain : new Target.OnPad(number, plain);
    }
    Matcher media = MEDIA.matcher(text);
    if (media.matches()) {
      return media(media.group(1), typed);
    }
    Matcher mouse = MOUSE.matcher(text);
    if (mouse.matches()) {
      return new Target.MouseButton(Integer.parseInt(mouse.group(1)));
    }
    Matcher motion = MOTION.matcher(text);
    if ((text.startsWith("mouse") || text.startsWith("wheel")) && motion.matches()) {
      Target.MouseAxis axis = Target.MouseAxis.valueOf(motion.group(1).toUpperCase(Locale.ROOT));
      return motion.group(2) == null
          ? new Target.Motion(axis)
          : new Target.MotionEnd(axis, motion.group(2).equals("+"));
    }
    Matcher button = BUTTON.matcher(text);
    if (button.matches()) {
      return new Target.Button(Integer.parseInt(button.group(1)));
    }
    Matcher steps = STEPS.matcher(text);
    if (steps.matches()) {
      return new Target.Steps(Integer.parseInt(steps.group(1)));
    }
    Matcher hat = HAT.matcher(text);
    if (hat.matches()) {
      return new Target.Hat(direction(hat.group(1)).orElseThrow(() -> unreadable(typed)));
    }
    Matcher axis = AXIS.matcher(text);
    if (axis.matches()) {
      Optional<AxisName> name =
          Arrays.stream(AxisName.values())
              .filter(a -> a.name().equalsIgnoreCase(axis.group(1)))
              .findFirst();
      if (name.isPresent()) {
        return axis.group(2) == null
            ? new Target.Axis(name.get())
            : new Target.AxisEnd(name.get(), axis.group(2).equals("+"));
      }
    }
    throw unreadable(typed);
  }

  private static Target key(String name, String typed) {
    Matcher hex = Pattern.compile("0x([0-9a-f]{1,2})").matcher(name);
    if (hex.matches()) {
      return new Target.Key(Integer.parseInt(hex.group(1), 16));
    }
    return new Target.Key(
        KeyNames.usage(name)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "\""
                            + typed.strip()
                            + "\" names no key; type for example Key A, Key Space, Key KP0 or a"
                            + " usage such as Key 0x2C")));
  }

  private static Target media(String name, String typed) {
    Matcher hex = Pattern.compile("0x([0-9a-f]{1,3})").matcher(name);
    if (hex.matches()) {
      return new Target.Media(Integer.parseInt(hex.group(1), 16));
    }
    return new Target.Media(
        MediaNames.usage(name)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "\""
                            + typed.strip()
                            + "\" names no media key; type one of "
                            + String.join(", ", MediaNames.all().values())
                            + ", or a usage such as Media 0xCD")));
  }

  private static Optional<Target.Direction> direction(String word) {
    return Arrays.stream(Target.Direction.values())
        .filter(d -> d.name().equalsIgnoreCase(word) || d.words().equals(word))
        .findFirst();
  }

  private static IllegalArgumentException unreadable(String typed) {
    return new IllegalArgumentException(
        "\"" + typed.strip() + "\" is no meaning; type one of: " + FORMS);
  }
}
