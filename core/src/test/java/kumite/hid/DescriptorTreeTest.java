package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.hid.DescriptorTree.Field;
import kumite.hid.DescriptorTree.Report;
import kumite.hid.DescriptorTree.Type;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Any descriptor as a tree, held against the samples of the Device Class Definition for HID 1.11
 * (appendices B.1 and E.10, bytes from memory) and against the reader of the host's view.
 */
public class DescriptorTreeTest {

  @Test
  public void theStandardsKeyboardHasItsThreeParts() {
    DescriptorTree tree = DescriptorTree.of(DescriptorReaderTest.KEYBOARD);
    assertThat(tree.reports()).hasSize(2);
    Report in = tree.reports().get(0);
    assertThat(in.type()).isEqualTo(Type.INPUT);
    assertThat(in.id()).isZero();
    assertThat(in.bytes()).as("the boot keyboard's report").isEqualTo(8);
    assertThat(in.fields())
        .containsExactly(
            new Field(0, 1, 8, 7, 0xE0, 0xE7, 0, 1, false, false),
            new Field(8, 8, 1, 7, 0, 0, 0, 1, true, false),
            new Field(16, 8, 6, 7, 0, 0x65, 0, 0x65, false, true));
    Report out = tree.reports().get(1);
    assertThat(out.type()).isEqualTo(Type.OUTPUT);
    assertThat(out.bytes()).as("five lamps and three bits of padding").isEqualTo(1);
    assertThat(out.fields().get(0).count()).isEqualTo(5);
    assertThat(tree.lines().get(0).words()).isEqualTo("Usage page Generic Desktop");
    assertThat(tree.lines().get(2).words()).isEqualTo("Collection, application");
    assertThat(tree.lines().get(3).depth()).isEqualTo(1);
    assertThat(tree.lines().stream().map(DescriptorTree.Line::words))
        .anyMatch(words -> words.contains("LeftCtrl to RightGui"))
        .last()
        .isEqualTo("End of collection");
  }

  @Test
  public void theStandardsMouseHasButtonsAndTwoAxes() {
    DescriptorTree tree = DescriptorTree.of(DescriptorReaderTest.MOUSE);
    Report report = tree.reports().get(0);
    assertThat(report.bytes()).isEqualTo(3);
    assertThat(report.fields())
        .containsExactly(
            new Field(0, 1, 3, 9, 1, 3, 0, 1, false, false),
            new Field(3, 5, 1, 9, 0, 0, 0, 1, true, false),
            new Field(8, 8, 1, 1, 0x30, 0x30, -127, 127, false, false),
            new Field(16, 8, 1, 1, 0x31, 0x31, -127, 127, false, false));
    assertThat(tree.lines().stream().mapToInt(DescriptorTree.Line::depth).max()).hasValue(2);
  }

  @DataProvider
  public Object[][] damaged() {
    String deep = "A101".repeat(500);
    return new Object[][] {
      {"05", "byte 0"},
      {"0501 26", "byte 2"},
      {"0501 A101", "not closed"},
      {deep, "500 collection(s)"},
      {"C0", "byte 0"},
      {"A101 C0 C0", "byte 3"},
      {"B4", "pop"},
      {"8500", "report id 0"},
      {"860001", "report id 256"},
      {"FE05", "cut short"},
      {"FE0510 01", "cut short"},
      {"7500 9501 8102", "byte 4"},
      {"75FF 9501 8102", "255 bits"},
      {"7521 9501 8102", "33 bits"},
      {"7501 97FFFFFFFF 8102", "byte 7"},
      {"7520 97FFFFFF7F 8101", "more than 65535 bytes"},
      {"7508 96FFFF 8101 8101", "byte 7"},
      {"0509 1908 2901 8102", "usages end before they begin"},
    };
  }

  /** What is malformed is refused by the byte, in one line, at once. */
  @Test(dataProvider = "damaged")
  public void whatIsMalformedIsRefusedByItsByte(String bytes, String says) {
    assertThatThrownBy(() -> DescriptorTree.of(DescriptorReaderTest.hex(bytes)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageStartingWith("descriptor byte ")
        .hasMessageContaining(says)
        .satisfies(e -> assertThat(e.getMessage().lines()).hasSize(1));
  }

  @Test
  public void aDescriptorIsNoLongerThanItsLengthCanSay() {
    assertThatThrownBy(() -> DescriptorTree.of(new byte[DescriptorTree.MOST_BYTES + 1]))
        .hasMessageContaining("65535");
    assertThat(DescriptorTree.of(new byte[0]).reports()).isEmpty();
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** The tree and the host's view agree on each field of every descriptor that we write. */
  @Test(dataProvider = "seeds")
  public void theTreeAgreesWithTheHostsView(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Target> targets = new ArrayList<>();
    for (int i = 1 + random.nextInt(20); i > 0; i--) {
      AxisName axis = AxisName.values()[random.nextInt(AxisName.values().length)];
      targets.add(
          switch (random.nextInt(5)) {
            case 0 -> new Target.Axis(axis);
            case 1 -> new Target.Hat(Target.Direction.N);
            case 2 -> new Target.Key(random.nextInt(0x04, 0xE8));
            default -> new Target.Button(random.nextInt(1, 129));
          });
    }
    ReportLayout layout = ReportLayout.of(targets, Map.of(), 1023);
    DescriptorTree tree = DescriptorTree.of(layout.descriptor());
    List<InputField> wanted = DescriptorReader.inputFields(layout.descriptor());
    List<List<Integer>> got = new ArrayList<>();
    for (Report report : tree.reports()) {
      if (report.type() != Type.INPUT) {
        continue;
      }
      assertThat(report.bytes() + (report.id() == 0 ? 0 : 1))
          .as("with its id it is what is sent")
          .isEqualTo(layout.blank(report.id()).length);
      for (Field field : report.fields()) {
        for (int i = 0; i < field.count() && !field.constant(); i++) {
          int usage = field.array() ? field.least() : Math.min(field.least() + i, field.most());
          int bit = field.bit() + i * field.size() + (report.id() == 0 ? 0 : 8);
          got.add(List.of(report.id(), bit, field.size(), field.page(), usage));
        }
      }
    }
    assertThat(got)
        .containsExactlyInAnyOrderElementsOf(
            wanted.stream()
                .map(
                    f ->
                        List.of(
                            f.reportId(),
                            f.bitOffset(),
                            f.bits(),
                            f.usage().page(),
                            f.usage().id()))
                .toList());
  }

  /** Noise, and good descriptors with noise in them, are read or refused; nothing hangs. */
  @Test(dataProvider = "seeds")
  public void noiseIsReadOrRefused(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    byte[] bytes =
        random.nextBoolean()
            ? new byte[random.nextInt(1, 400)]
            : DescriptorReaderTest.KEYBOARD.clone();
    for (int i = 0; i < bytes.length; i++) {
      if (random.nextInt(8) == 0) {
        bytes[i] = (byte) random.nextInt();
      }
    }
    byte[] cut = Arrays.copyOf(bytes, random.nextInt(1, bytes.length + 1));
    for (byte[] each : List.of(bytes, cut)) {
      try {
        DescriptorTree tree = DescriptorTree.of(each);
        assertThat(tree.lines()).allMatch(line -> line.at() < each.length && line.depth() >= 0);
        for (Report report : tree.reports()) {
          int end = 0;
          for (Field field : report.fields()) {
            assertThat(field.bit()).isGreaterThanOrEqualTo(end);
            end = field.bit() + field.size() * field.count();
          }
          assertThat((end + 7) / 8).isLessThanOrEqualTo(report.bytes());
        }
      } catch (IllegalArgumentException e) {
        assertThat(e).hasMessageStartingWith("descriptor byte ");
      }
    }
  }
}
