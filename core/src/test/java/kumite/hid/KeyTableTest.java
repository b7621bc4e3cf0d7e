package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** HID Usage Tables, keyboard page 0x07 (from memory), as runs and single keys. */
public class KeyTableTest {

  /** First usage, names in order. */
  @DataProvider
  public Object[][] runs() {
    return new Object[][] {
      {0x04, "A B C D E F G H I J K L M N O P Q R S T U V W X Y Z"},
      {0x1E, "1 2 3 4 5 6 7 8 9 0"},
      {0x28, "Enter Esc Backspace Tab Space Minus Equals LeftBracket RightBracket Backslash"},
      {0x33, "Semicolon Quote Grave Comma Dot Slash CapsLock"},
      {0x3A, "F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 F11 F12"},
      {0x46, "PrintScreen ScrollLock Pause Insert Home PageUp Delete End PageDown"},
      {0x4F, "Right Left Down Up NumLock"},
      {0x54, "KP/ KP* KP- KP+ KPEnter KP1 KP2 KP3 KP4 KP5 KP6 KP7 KP8 KP9 KP0"},
      {0xE0, "LeftCtrl LeftShift LeftAlt LeftGui RightCtrl RightShift RightAlt RightGui"},
    };
  }

  @Test(dataProvider = "runs")
  public void keysHaveTheirTabledUsages(int first, String names) {
    String[] all = names.split(" ");
    for (int i = 0; i < all.length; i++) {
      assertThat(KeyNames.usage(all[i])).as(all[i]).contains(first + i);
      assertThat(KeyNames.of(first + i)).isEqualTo(all[i]);
      assertThat(KeyNames.usage(all[i].toUpperCase(java.util.Locale.ROOT))).contains(first + i);
    }
  }

  /** No name twice; what has no name is shown in hexadecimal, and that reads back elsewhere. */
  @Test
  public void everyUsageHasOneName() {
    assertThat(KeyNames.all().values()).doesNotHaveDuplicates();
    IntStream.range(0x04, 0xE8)
        .forEach(
            usage -> {
              String name = KeyNames.of(usage);
              if (KeyNames.all().containsKey(usage)) {
                assertThat(KeyNames.usage(name)).contains(usage);
              } else {
                assertThat(Integer.decode(name)).isEqualTo(usage);
              }
            });
    assertThat(KeyNames.usage("no such key")).isEmpty();
  }
}
