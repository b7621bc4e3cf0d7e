package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.build.map.Target.Direction;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ReportLayoutTest {

  /** Usage numbers: HID Usage Tables, pages 0x01, 0x07 and 0x09 (TRADE section 6). */
  @DataProvider
  Object[][] usages() {
    return new Object[][] {
      {new Target.Axis(AxisName.X), 0x01, 0x30},
      {new Target.Axis(AxisName.Y), 0x01, 0x31},
      {new Target.Axis(AxisName.Z), 0x01, 0x32},
      {new Target.Axis(AxisName.RX), 0x01, 0x33},
      {new Target.Axis(AxisName.RZ), 0x01, 0x35},
      {new Target.Axis(AxisName.SLIDER), 0x01, 0x36},
      {new Target.Axis(AxisName.DIAL), 0x01, 0x37},
      {new Target.Hat(Direction.N), 0x01, 0x39},
      {new Target.Button(4), 0x09, 4},
      {new Target.Key(KeyNames.usage("A").orElseThrow()), 0x07, 0x04},
      {new Target.Key(KeyNames.usage("1").orElseThrow()), 0x07, 0x1E},
      {new Target.Key(KeyNames.usage("Enter").orElseThrow()), 0x07, 0x28},
      {new Target.Key(KeyNames.usage("Esc").orElseThrow()), 0x07, 0x29},
      {new Target.Key(KeyNames.usage("Space").orElseThrow()), 0x07, 0x2C},
      {new Target.Key(KeyNames.usage("Right").orElseThrow()), 0x07, 0x4F},
      {new Target.Key(KeyNames.usage("Left").orElseThrow()), 0x07, 0x50},
      {new Target.Key(KeyNames.usage("Down").orElseThrow()), 0x07, 0x51},
      {new Target.Key(KeyNames.usage("Up").orElseThrow()), 0x07, 0x52},
      {new Target.Key(KeyNames.usage("Left Ctrl").orElseThrow()), 0x07, 0xE0},
      {new Target.Key(KeyNames.usage("KP0").orElseThrow()), 0x07, 0x62},
      {new Target.Key(KeyNames.usage("F12").orElseThrow()), 0x07, 0x45},
    };
  }

  @Test(dataProvider = "usages")
  public void meaningsHaveTheirTabledUsages(Target target, int page, int id) {
    assertThat(ReportLayout.usageOf(target)).isEqualTo(new Usage(page, id));
    ReportLayout layout = ReportLayout.of(List.of(target), Map.of(), 4095);
    InputField field = layout.fieldOf(target).orElseThrow();
    assertThat(field.usage()).isEqualTo(new Usage(page, id));
    assertThat(layout.reportIds()).containsExactly(0);
  }

  @Test
  public void aGamepadAloneCarriesNoIdAndPacksButtonsFirst() {
    ReportLayout layout =
        ReportLayout.of(
            List.of(
                new Target.Button(10), new Target.Hat(Direction.W), new Target.Axis(AxisName.Z)),
            Map.of(),
            4095);
    // By hand: 10 buttons, the hat's 4 bits and 2 bits of padding, one axis of 16 bits.
    assertThat(layout.lengthBytes(0)).isEqualTo(2 + 2);
    InputField button = layout.fieldOf(new Target.Button(10)).orElseThrow();
    assertThat(button.byteIndex()).isEqualTo(1);
    assertThat(button.bitIndex()).isEqualTo(1);
    InputField hat = layout.fieldOf(new Target.Hat(Direction.W)).orElseThrow();
    assertThat(hat.byteIndex()).isEqualTo(1);
    assertThat(hat.bitIndex()).isEqualTo(2);
    assertThat(hat.logicalMaximum()).isEqualTo(7);
    assertThat(hat.nullState()).isTrue();
    assertThat(layout.fieldOf(new Target.Axis(AxisName.Z)).orElseThrow().logicalMaximum())
        .isEqualTo(4095);
    assertThat(HostView.of(layout.fields(), layout.blank(0)).values())
        .as("a hat at rest is out of its range and left out")
        .doesNotContainKey(Usage.HAT);
  }

  @Test
  public void aSecondDeviceCallsForIds() {
    ReportLayout layout =
        ReportLayout.of(List.of(new Target.Button(3), new Target.Key(0x2C)), Map.of(), 255);
    assertThat(layout.reportIds()).containsExactly(1, 2);
    InputField key = layout.fieldOf(new Target.Key(0x2C)).orElseThrow();
    assertThat(key.reportId()).isEqualTo(2);
    byte[] transfer = layout.blank(2);
    key.write(transfer, 1);
    assertThat(transfer[0]).as("the id leads the transfer").isEqualTo((byte) 2);
    assertThat(HostView.of(layout.fields(), transfer).on()).containsExactly(new Usage(7, 0x2C));
  }

  @Test
  public void stepsTakeARunOfButtons() {
    ReportLayout layout =
        ReportLayout.of(List.of(new Target.Steps(17)), Map.of(new Target.Steps(17), 5), 255);
    assertThat(layout.fields().stream().filter(f -> f.usage().page() == Usage.BUTTON)).hasSize(21);
  }

  @Test
  public void everyButtonCanBeSetAlone() {
    ReportLayout layout = ReportLayout.of(List.of(new Target.Button(128)), Map.of(), 255);
    for (int n = 1; n <= 128; n++) {
      byte[] transfer = layout.blank(0);
      layout.fieldOf(new Target.Button(n)).orElseThrow().write(transfer, 1);
      assertThat(HostView.of(layout.fields(), transfer).on()).containsExactly(new Usage(9, n));
    }
  }
}
