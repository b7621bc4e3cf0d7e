package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Profiles, layers, chords, seats and scripts that cannot be: named by place, with what to do. */
public class HostileMapTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static String demo(String name) throws BuildFileException {
    return BuildFile.text(Demo.open(name, CATALOGUE));
  }

  private static UnaryOperator<String> swap(String from, String to) {
    return text -> {
      assertThat(text).as("the demo holds what is replaced").contains(from);
      return text.replace(from, to);
    };
  }

  private static UnaryOperator<String> swapMatch(String pattern, String to) {
    return text -> {
      String next = text.replaceFirst(pattern, to);
      assertThat(next).as("the demo matches %s", pattern).isNotEqualTo(text);
      return next;
    };
  }

  @DataProvider
  public Object[][] hostile() {
    String profile = "seats[0].profiles[0]";
    return new Object[][] {
      // a chord of one, of nobody, on no layer, twice, with a whole axis
      {
        "one-hand",
        swapMatch(
            "(?s)\"contacts\": \\[\\s*\"dash\",\\s*\"light\"\\s*\\]", "\"contacts\": [\"dash\"]"),
        profile + ".chords[0]: a chord needs two or more contacts"
      },
      {
        "one-hand",
        swapMatch("(?s)\"contacts\": \\[\\s*\"dash\"", "\"contacts\": [\"organ\""),
        profile + ".chords[0].contacts[0]: the build has no such contact \"organ\""
      },
      {
        "one-hand",
        swap("\"layer\": \"Shift\"", "\"layer\": \"Attic\""),
        "is on layer \"Attic\", which there is not"
      },
      {"one-hand", swap("\"to\": \"Button 7\"", "\"to\": \"Axis X\""), "but not a whole axis"},
      {"one-hand", swap("\"window_ms\": 60", "\"window_ms\": 0"), "window_ms must be between 1"},
      {"one-hand", swap("\"window_ms\": 60", "\"window_ms\": 1e9"), "window_ms"},
      // layers
      {"one-hand", swap("\"name\": \"Shift\"", "\"name\": \"base\""), "names what lies below"},
      {
        "one-hand",
        swap("\"reach\": \"hold\"", "\"reach\": \"stare\""),
        "layers[0].reach: \"stare\""
      },
      {
        "one-hand",
        swapMatch("(?s)\"by\": \\[\\s*\"shift\"", "\"by\": [\"ghost\""),
        "layers[0].by[0]: the build has no such contact \"ghost\""
      },
      // meanings out of range
      {
        "one-hand",
        swap("\"Button 3\"", "\"Button 129\""),
        "button number must be between 1 and 128"
      },
      {"one-hand", swap("\"Button 3\"", "\"Key 0xFFF\""), "names no key"},
      {"one-hand", swap("\"Button 3\"", "\"Media 0xFFF\""), "media usage must be between 1"},
      {"one-hand", swap("\"Button 3\"", "\"Pad 9 Button 1\""), "pad must be between 2 and 8"},
      {"one-hand", swap("\"Button 3\"", "\"Pad 2 Key A\""), "only what a gamepad reports"},
      {"one-hand", swap("\"Button 3\"", "\"Mouse 9\""), "mouse button must be between 1 and 8"},
      // rules
      {"one-hand", swap("\"Hat left right\"", "\"Hat sideways\""), "no pair of directions"},
      {"one-hand", swap("\"Hat left right\": \"last\"", "\"Hat left right\": \"fate\""), "fate"},
      // tuning
      {
        "one-hand",
        swap("\"most\": 986", "\"most\": 5"),
        "tuning.axes.speed: most must be between 12"
      },
      {
        "one-hand",
        swap("\"most\": 986", "\"most\": 986, \"bend\": 2"),
        "tuning.axes.speed.bend: unknown key"
      },
      // scripts
      {
        "one-hand",
        swap("shift@0ms", "organ@0ms"),
        "scripts[0]: the build has no such contact \"organ\""
      },
      {"one-hand", swap("shift@0ms", "shift@-1ms"), "before the start"},
      {"one-hand", swap("shift@0ms", "shift@later"), "is no time"},
      // profiles
      {
        "ferry-bridge",
        swap("\"name\": \"Phone\"", "\"name\": \"Main\""),
        "two profiles are called \"Main\""
      },
      {
        "ferry-bridge",
        swapMatch("(?s)\"held_at_power_up\": \\[[^\\]]*\\]", "\"held_at_power_up\": []"),
        "needs at least one contact"
      },
      {
        "ferry-bridge",
        swapMatch("(?s)\"profiles\": \\[.*\\](,\\s*\"timing\")", "\"profiles\": []$1"),
        "seats[0]: a seat has 1 to 16 profiles"
      },
      // seats and links
      {"lantern-duel", swap("\"id\": \"right\"", "\"id\": \"left\""), "seat"},
      {"lantern-duel", swap("\"id\": \"right\"", "\"id\": \"Right Side\""), "seats[1].id"},
      {
        "lantern-duel",
        swapMatch("\"seat\": \"right\"", "\"seat\": \"middle\""),
        "at seat \"middle\", which there is not"
      },
      {
        "lantern-duel",
        swap("\"log\": [", "\"links\": [\"left:TX - left:RX\"],\n  \"log\": ["),
        "stays on one board"
      },
      {
        "lantern-duel",
        swap("\"log\": [", "\"links\": [\"left:TX - attic:RX\"],\n  \"log\": ["),
        "names seat \"attic\", which there is not"
      },
      {
        "lantern-duel",
        swap("\"log\": [", "\"links\": [\"left TX right RX\"],\n  \"log\": ["),
        "is no link"
      },
    };
  }

  @Test(dataProvider = "hostile")
  public void whatCannotBeIsNamed(String name, UnaryOperator<String> spoil, String told)
      throws Exception {
    String spoilt = spoil.apply(demo(name));
    assertThatThrownBy(() -> BuildFile.parse(spoilt, "odd", CATALOGUE))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining(told)
        .satisfies(e -> assertThat(e.getMessage().lines()).hasSize(1));
  }

  /** A small build stays small: what it does not use is not written. */
  @Test
  public void whatIsNotUsedIsNotWritten() {
    String text = BuildFile.text(Build.empty("Bare"));
    for (String key :
        new String[] {
          "layers",
          "chords",
          "opposites",
          "four_way",
          "ramps",
          "tuning",
          "scripts",
          "links",
          "held_at_power_up",
          "\"seat\": \"first\"",
          "keys"
        }) {
      assertThat(text).doesNotContain(key);
    }
  }
}
