package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.map.AxisName;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Descriptors against the samples of the standard, and several things in one device. */
public class SampleDescriptorsTest {

  /** HID 1.11, appendix E.6: report descriptor of the sample keyboard, 63 bytes (from memory). */
  private static final String KEYBOARD =
      "05010906A101050719E029E71500250175019508810295017508810195057501050819012905910295017503"
          + "9101950675081500256505071900296581"
          + "00C0";

  /** HID 1.11, appendix E.10: report descriptor of the sample mouse, 50 bytes (from memory). */
  private static final String MOUSE =
      "05010902A1010901A10005091901290315002501950375018102950175058101050109300931158125"
          + "7F750895028106C0C0";

  private static String hex(ReportLayout layout) {
    return HexFormat.of().withUpperCase().formatHex(layout.descriptor());
  }

  /** Items may come in any order before their main item: the same set says the same. */
  private static List<String> items(String hex) {
    byte[] bytes = HexFormat.of().parseHex(hex);
    List<String> items = new java.util.ArrayList<>();
    List<String> run = new java.util.ArrayList<>();
    for (DescriptorItem item : DescriptorItem.all(bytes)) {
      String text = String.format("%02X %d", item.tag(), item.value());
      boolean main = (item.tag() & 0x0C) == 0;
      if (main) {
        java.util.Collections.sort(run);
        items.addAll(run);
        run.clear();
        items.add(text);
      } else {
        run.add(text);
      }
    }
    return items;
  }

  @Test
  public void sixKeysAreTheSampleKeyboard() {
    ReportLayout layout =
        ReportLayout.of(List.of(new Target.Key(0x04)), Map.of(), 255, Profile.Keys.SIX);
    assertThat(layout.descriptor()).hasSize(63);
    assertThat(items(hex(layout))).isEqualTo(items(KEYBOARD));
    assertThat(layout.lengthBytes(0)).as("the boot report of appendix B").isEqualTo(8);
  }

  @Test
  public void threeButtonsAreTheSampleMouse() {
    ReportLayout layout =
        ReportLayout.of(List.of(new Target.Motion(Target.MouseAxis.X)), Map.of(), 255);
    assertThat(layout.descriptor()).hasSize(50);
    assertThat(hex(layout)).isEqualTo(MOUSE);
    assertThat(layout.lengthBytes(0)).as("the boot report of appendix B").isEqualTo(3);
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Target any(SplittableRandom random) {
    Target pad =
        switch (random.nextInt(4)) {
          case 0 -> new Target.Axis(AxisName.values()[random.nextInt(8)]);
          case 1 -> new Target.Hat(Target.Direction.values()[random.nextInt(4)]);
          default -> new Target.Button(random.nextInt(1, 129));
        };
    return switch (random.nextInt(7)) {
      case 0 -> new Target.Key(random.nextInt(4, 0xE8));
      case 1 -> new Target.Media(random.nextInt(1, 1024));
      case 2 -> new Target.MouseButton(random.nextInt(1, 9));
      case 3 -> new Target.MotionEnd(Target.MouseAxis.values()[random.nextInt(3)], true);
      case 4 -> new Target.OnPad(random.nextInt(2, 9), pad);
      default -> pad;
    };
  }

  /**
   * Whatever is mapped: each meaning has a place of its own, of its own usage, in the report of the
   * thing it belongs to; no two places overlap; and the tree that any host would read agrees.
   */
  @Test(dataProvider = "seeds")
  public void eachMeaningHasAPlaceOfItsOwn(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Target> targets =
        IntStream.range(0, random.nextInt(1, 30)).mapToObj(i -> any(random)).toList();
    Profile.Keys keys = Profile.Keys.values()[seed % 2];
    ReportLayout layout = ReportLayout.of(targets, Map.of(), 1023, keys);
    Map<String, Target> taken = new LinkedHashMap<>();
    for (Target target : targets) {
      InputField field = layout.fieldOf(target).orElseThrow();
      boolean shared =
          target.plain() instanceof Target.Hat
              || target instanceof Target.MotionEnd
              || field.array();
      assertThat(field.usage().page()).isEqualTo(ReportLayout.usageOf(target).page());
      Target other = taken.put(field.reportId() + "/" + field.bitOffset(), target);
      assertThat(other == null || shared || other.equals(target))
          .as("%s, %s", target, other)
          .isTrue();
    }
    Map<Integer, boolean[]> bits = new LinkedHashMap<>();
    for (InputField field : layout.fields()) {
      boolean[] used =
          bits.computeIfAbsent(
              field.reportId(), id -> new boolean[8 * layout.lengthBytes(field.reportId())]);
      for (int bit = field.bitOffset(); bit < field.bitOffset() + field.bits(); bit++) {
        assertThat(used[bit]).as("bit %d of report %d", bit, field.reportId()).isFalse();
        used[bit] = true;
      }
    }
    // Well packed: no report has a whole byte to spare, but for what the boot keyboard reserves.
    bits.forEach(
        (id, used) -> {
          boolean reserved = layout.part(id) == ReportLayout.Part.KEYBOARD;
          for (int at = id > 0 ? 1 : 0; at < used.length / 8 && !reserved; at++) {
            boolean any = false;
            for (int bit = 0; bit < 8; bit++) {
              any |= used[8 * at + bit];
            }
            assertThat(any).as("byte %d of report %d", at, id).isTrue();
          }
        });
    DescriptorTree tree = DescriptorTree.of(layout.descriptor());
    for (int id : layout.reportIds()) {
      int bytes =
          tree.reports().stream()
              .filter(r -> r.id() == id && r.type() == DescriptorTree.Type.INPUT)
              .mapToInt(DescriptorTree.Report::bytes)
              .findFirst()
              .orElseThrow();
      assertThat(bytes)
          .as("report %d, by the other reader", id)
          .isEqualTo(layout.lengthBytes(id) - (id > 0 ? 1 : 0));
    }
  }

  /** 128 buttons, eight axes and a hat are one gamepad: 16 bytes, half a byte and eight pairs. */
  @Test
  public void theLargestGamepadIsOneReport() {
    List<Target> targets = new java.util.ArrayList<>(List.of(new Target.Button(128)));
    targets.add(new Target.Hat(Target.Direction.N));
    for (AxisName axis : AxisName.values()) {
      targets.add(new Target.Axis(axis));
    }
    ReportLayout layout = ReportLayout.of(targets, Map.of(), 4095);
    assertThat(layout.lengthBytes(0)).isEqualTo(16 + 1 + 16);
    assertThat(layout.reportIds()).containsExactly(0);
  }
}
