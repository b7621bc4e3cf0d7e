package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HexFormat;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Held against the two sample descriptors of the Device Class Definition for HID 1.11: the keyboard
 * of appendices B.1 and E.6 (63 bytes) and the mouse of E.10 (50 bytes). Bytes from memory; the
 * lengths are the standard's own.
 */
public class DescriptorReaderTest {
  static final byte[] KEYBOARD =
      hex(
          "05010906A101 050719E029E715002501750195088102 950175088101"
              + "95057501050819012905910295017503910195067508150025650507190029658100 C0");
  static final byte[] MOUSE =
      hex(
          "05010902A1010901A100 0509190129031500250195037501810295017505 8101"
              + "0501093009311581257F750895028106 C0C0");

  static byte[] hex(String text) {
    return HexFormat.of().parseHex(text.replace(" ", ""));
  }

  @Test
  public void readsTheStandardsKeyboard() {
    assertThat(KEYBOARD).hasSize(63);
    List<InputField> fields = DescriptorReader.inputFields(KEYBOARD);
    assertThat(fields).hasSize(8 + 6);
    InputField leftCtrl = fields.get(0);
    assertThat(leftCtrl.usage()).isEqualTo(new Usage(0x07, 0xE0));
    assertThat(leftCtrl.bitOffset()).isZero();
    InputField firstKey = fields.get(8);
    assertThat(firstKey.array()).isTrue();
    assertThat(firstKey.byteIndex()).as("after modifiers and the reserved byte").isEqualTo(2);
    assertThat(firstKey.bits()).isEqualTo(8);
    assertThat(firstKey.lastUsage()).isEqualTo(0x65);
    HostView view = HostView.of(fields, hex("02 00 04 28 00 00 00 00"));
    assertThat(view.on())
        .containsExactly(new Usage(7, 0x04), new Usage(7, 0x28), new Usage(7, 0xE1));
  }

  @Test
  public void readsTheStandardsMouse() {
    assertThat(MOUSE).hasSize(50);
    List<InputField> fields = DescriptorReader.inputFields(MOUSE);
    assertThat(fields).hasSize(5);
    InputField x = fields.get(3);
    assertThat(x.usage()).isEqualTo(new Usage(1, 0x30));
    assertThat(x.logicalMinimum()).isEqualTo(-127);
    assertThat(x.logicalMaximum()).isEqualTo(127);
    HostView view = HostView.of(fields, hex("05 FE 7F"));
    assertThat(view.on()).containsExactly(new Usage(9, 1), new Usage(9, 3));
    assertThat(view.values()).containsEntry(new Usage(1, 0x30), -2);
    assertThat(view.values()).containsEntry(new Usage(1, 0x31), 127);
  }

  @DataProvider
  Object[][] damaged() {
    return new Object[][] {
      {"05", "byte 0"},
      {"0501 A101", "not closed"},
      {"C0", "byte 0"},
      {"B4", "pop"},
      {"8500", "report id 0"},
      {"FE05", "cut short"},
      {"75FF 9501 8102", "255 bits"},
      {"7501 96FFFF 8102 9601F0 8102 8102", "more than"},
    };
  }

  @Test(dataProvider = "damaged")
  public void namesThePlaceOfDamage(String bytes, String says) {
    assertThatThrownBy(() -> DescriptorReader.inputFields(hex(bytes)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(says);
  }

  @Test
  public void survivesEveryCutOfAGoodDescriptor() {
    for (int length = 0; length < KEYBOARD.length; length++) {
      byte[] cut = java.util.Arrays.copyOf(KEYBOARD, length);
      try {
        DescriptorReader.inputFields(cut);
      } catch (IllegalArgumentException e) {
        assertThat(e).hasMessageContaining("descriptor byte");
      }
    }
  }
}
