package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.signal.Answer;
import kumite.signal.Held;
import kumite.signal.Play;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.Tempo;
import kumite.signal.UsbPad;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** USB pads by their report descriptors. */
public class UsbPadsTest {
  private static final List<String> HAT = List.of("Up", "Right", "Down", "Left");

  /**
   * A stick as the annex of HID 1.11 has one, from memory: two axes, a throttle, a hat in four
   * steps and four buttons.
   */
  private static final String STICK =
      """
      05 01 15 81 25 7F 09 04 A1 01 05 02 09 BB 75 08 95 01 81 02
      05 01 09 01 A1 00 09 30 09 31 95 02 81 02 C0
      09 39 15 00 25 03 35 00 46 0E 01 65 14 75 04 95 01 81 42
      05 09 19 01 29 04 15 00 25 01 75 01 95 04 65 00 81 02 C0
      """;

  private static final String KEYBOARD =
      "05 01 09 06 A1 01 85 02 05 07 19 E0 29 E7 15 00 25 01 75 01 95 08 81 02 C0";

  private static byte[] bytes(String hex) {
    return DescriptorText.hex(hex).orElseThrow();
  }

  private static UsbPads.Told told(String hex) {
    return UsbPads.of(bytes(hex), UsbPads.Wish.called("Stick"));
  }

  @Test
  public void aStickOfTheStandard() {
    UsbPads.Told told = told(STICK);
    assertThat(told.kind().buttons())
        .containsExactly("1", "2", "3", "4", "Up", "Right", "Down", "Left");
    assertThat(told.kind().axes()).containsExactly("Throttle", "X", "Y");
    assertThat(told.left()).isEmpty();
    UsbPad pad = (UsbPad) told.kind().mechanism();
    Held hands = Held.of(told.kind(), List.of("2", "Right", "X=1", "Y=0", "Throttle=0.5"));
    // Throttle 0, X 127, Y -127; the hat's second step, then button 2.
    assertThat(pad.report(told.kind(), hands)).containsExactly(0, 127, 0x81, 0x21);
    assertThat(pad.report(told.kind(), Held.NOTHING)).containsExactly(0, 0, 0, 0x04);
  }

  /** What is no pad is left alone, and of two pads in one device the one that is meant counts. */
  @Test
  public void otherDevicesBesideIt() {
    String one = "05 01 09 05 A1 01 85 01 05 09 19 01 29 08 15 00 25 01 75 01 95 08 81 02 C0";
    String two = one.replace("85 01", "85 07").replace("29 08", "29 04").replace("95 08", "95 04");
    UsbPads.Told told = told(KEYBOARD + one + two);
    assertThat(told.kind().buttons()).hasSize(8);
    assertThat(told.others()).containsExactly(7);
    UsbPads.Wish other = new UsbPads.Wish("usb-other", "Other", true, Optional.of(7));
    PortKind second = UsbPads.of(bytes(KEYBOARD + one + two), other).kind();
    assertThat(second.buttons()).hasSize(4);
    assertThat(((UsbPad) second.mechanism()).report(second, Held.of(second, List.of("3"))))
        .containsExactly(7, 4);
  }

  @DataProvider
  public Object[][] wrongs() {
    String button = "05 09 19 01 29 01 15 00 25 01 75 01 95 01 81 02";
    return new Object[][] {
      {KEYBOARD, "no pad or stick, but of: Keyboard"},
      {"05 01 09 02 A1 01 " + button + " C0", "but of: Mouse"},
      {"05 01 09 05 A1 01 C0", "no pad or stick"},
      {"05 01 09 05 A1 01 " + button, "not closed"},
      {"05 01 09 05 A1 01 05 01 09 30 75 08 95 01 15 00 25 7F 81 02 C0", "no button"},
      {
        "05 01 09 05 A1 01 05 09 19 01 29 08 15 01 25 08 75 08 95 02 81 00 C0", "numbers, not a bit"
      },
      {"05 01", "no pad or stick"},
      {"05", "cut short"},
    };
  }

  @Test(dataProvider = "wrongs")
  public void whatIsNoPadIsNamed(String hex, String words) {
    assertThatThrownBy(() -> told(hex))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(words);
  }

  /** What is not taken is said, one by one. */
  @Test
  public void whatIsLeftOutIsSaid() {
    String more =
        "05 01 09 39 15 00 25 07 75 04 95 01 81 42 09 39 81 42 " // a second hat
            + "09 38 15 81 25 7F 75 08 81 06 " // a wheel that says how far it went
            + "09 30 75 20 17 00 00 00 80 27 FF FF FF 7F 81 02 " // an axis of 32 bits
            + "06 00 FF 09 01 15 00 25 7F 75 08 81 02";
    String one =
        "05 01 09 05 A1 01 05 09 19 01 29 08 15 00 25 01 75 01 95 08 81 02 " + more + " C0";
    UsbPads.Told told = told(one);
    assertThat(told.left()).hasSize(4);
    assertThat(told.left().get(0)).contains("second hat");
    assertThat(told.left().get(1)).contains("how far");
    assertThat(told.left().get(2)).contains("32 bits");
    assertThat(told.left().get(3)).contains("neither button nor axis");
    assertThat(told.kind().axes()).isEmpty();
  }

  @DataProvider
  public Object[][] pads() {
    SplittableRandom random = new SplittableRandom(12);
    Object[][] all = new Object[200][];
    for (int i = 0; i < all.length; i++) {
      boolean small = i % 4 == 0;
      DrawnPad drawn = DrawnPad.of(random, small);
      UsbPads.Wish wish =
          new UsbPads.Wish("usb-drawn", "Drawn " + i, !small || i % 8 != 0, Optional.empty());
      all[i] = new Object[] {drawn, UsbPads.of(drawn.descriptor(), wish).kind(), random.nextLong()};
    }
    return all;
  }

  private static Held hands(PortKind kind, SplittableRandom random) {
    Set<String> held = new HashSet<>();
    kind.buttons().stream().filter(b -> random.nextInt(3) == 0).forEach(held::add);
    Map<String, Double> axes = new LinkedHashMap<>();
    kind.axes().forEach(axis -> axes.put(axis, random.nextInt(0, 1001) / 1000.0));
    return new Held(held, axes);
  }

  /** A reader of descriptors that knows nothing of ports finds in its report what hands do. */
  @Test(dataProvider = "pads")
  public void anyHostReadsWhatIsHeld(DrawnPad drawn, PortKind kind, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<InputField> fields = DescriptorReader.inputFields(drawn.descriptor());
    UsbPad pad = (UsbPad) kind.mechanism();
    for (int i = 0; i < 20; i++) {
      Held held = hands(kind, random);
      List<Integer> said = pad.report(kind, held);
      byte[] transfer = new byte[said.size()];
      for (int b = 0; b < transfer.length; b++) {
        transfer[b] = said.get(b).byteValue();
      }
      HostView view = HostView.of(fields, transfer);
      Set<Integer> on = new TreeSet<>();
      view.on().forEach(usage -> on.add(usage.id()));
      Set<Integer> wanted = new TreeSet<>();
      for (int button = 1; button <= drawn.buttons(); button++) {
        if (held.holds(String.valueOf(button))) {
          wanted.add(button);
        }
      }
      assertThat(on).isEqualTo(wanted);
      for (InputField field : fields) {
        int at = drawn.axes().indexOf(field.usage().id());
        if (field.usage().page() == Usage.GENERIC_DESKTOP && at >= 0) {
          double span = (double) field.logicalMaximum() - field.logicalMinimum();
          double part = (view.values().get(field.usage()) - field.logicalMinimum()) / span;
          assertThat(part).isCloseTo(held.at(kind.axes().get(at)), within(0.5001 / span));
        }
      }
      assertThat(turned(view, fields, drawn)).isEqualTo(way(held, drawn));
    }
  }

  /** The hat's angle in eighths of a turn from up, -1 for rest, as the host has it. */
  private static int turned(HostView view, List<InputField> fields, DrawnPad drawn) {
    Integer value = view.values().get(Usage.HAT);
    if (value == null) {
      return -1;
    }
    InputField hat =
        fields.stream().filter(f -> f.usage().equals(Usage.HAT)).findFirst().orElseThrow();
    return (value - hat.logicalMinimum()) * 8 / drawn.hatSteps();
  }

  /** The same as hands have it: both sides at once are none, and four steps know no corners. */
  private static int way(Held held, DrawnPad drawn) {
    int x = (held.holds("Right") ? 1 : 0) - (held.holds("Left") ? 1 : 0);
    int y = (held.holds("Up") ? 1 : 0) - (held.holds("Down") ? 1 : 0);
    if (drawn.hatSteps() == 0 || x == 0 && y == 0) {
      return -1;
    }
    double eighths = Math.toDegrees(Math.atan2(drawn.hatSteps() == 4 && y != 0 ? 0 : x, y)) / 45;
    return Math.floorMod(Math.round(eighths), 8);
  }

  /** Over a straight lead a host hears what hands do, at either speed. */
  @Test(dataProvider = "pads")
  public void aHostHearsWhatIsHeld(DrawnPad drawn, PortKind kind, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Held held = hands(kind, random);
    Reading reading = Play.straight(kind, held, 1, Tempo.usual(kind)).readings().get(0);
    assertThat(reading.presence()).isEqualTo(Answer.YES);
    int way = way(held, drawn);
    Set<String> wanted = new HashSet<>(held.buttons());
    for (int i = 0; i < HAT.size() && drawn.hatSteps() > 0; i++) {
      int off = Math.floorMod(way - 2 * i, 8);
      boolean is = way >= 0 && (off <= 1 || off == 7);
      if (is) {
        wanted.add(HAT.get(i));
      } else {
        wanted.remove(HAT.get(i));
      }
    }
    assertThat(reading.held()).isEqualTo(wanted);
  }

  /** A kind goes into a file and comes back as it was. */
  @Test(dataProvider = "pads")
  public void aFileKeepsIt(DrawnPad drawn, PortKind kind, long seed) {
    String text = PortFile.PORT.write(kind).toString();
    assertThat(PortFile.PORT.read(new Key("", JsonText.read(text)).here())).isEqualTo(kind);
  }
}
