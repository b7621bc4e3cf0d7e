package kumite.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import kumite.build.Build;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.hid.KeyNames;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TargetTextTest {

  @DataProvider
  Object[][] typed() {
    return new Object[][] {
      {"b4", "Button 4"},
      {"7", "Button 7"},
      {"BUTTON  12", "Button 12"},
      {"z", "Axis Z"},
      {"axis rz", "Axis Rz"},
      {"x-", "Axis X-"},
      {"Axis Y +", "Axis Y+"},
      {"hat up", "Hat N"},
      {"hat w", "Hat W"},
      {"key a", "Key A"},
      {"k left ctrl", "Key LeftCtrl"},
      {"Key 0x2c", "Key Space"},
      {"key 7", "Key 7"},
      {"steps 17", "Steps 17"},
    };
  }

  @Test(dataProvider = "typed")
  public void understandsShortForms(String typed, String means) {
    assertThat(TargetText.of(TargetText.parse(typed))).isEqualTo(means);
  }

  @Test
  public void everyMeaningReadsBack() {
    for (int usage : KeyNames.all().keySet()) {
      Target key = new Target.Key(usage);
      assertThat(TargetText.parse(TargetText.of(key))).isEqualTo(key);
    }
    for (AxisName axis : AxisName.values()) {
      for (Target target :
          new Target[] {
            new Target.Axis(axis), new Target.AxisEnd(axis, true), new Target.AxisEnd(axis, false)
          }) {
        assertThat(TargetText.parse(TargetText.of(target))).isEqualTo(target);
      }
    }
    assertThat(TargetText.parse("Key 0x9A")).isEqualTo(new Target.Key(0x9A));
  }

  @Test
  public void saysWhatMayBeTyped() {
    assertThatThrownBy(() -> TargetText.parse("fire")).hasMessageContaining("Button 1 to 128");
    assertThatThrownBy(() -> TargetText.parse("button 129")).hasMessageContaining("128");
    assertThatThrownBy(() -> TargetText.parse("key zorro")).hasMessageContaining("names no key");
  }

  @Test
  public void proposesTheHatForALeverAndAxesForSliders() {
    Build build = kumite.Builds.ferryBridge().withMapping(kumite.build.map.Mapping.EMPTY);
    var mapping = Proposal.rest(build, Catalogue.standard());
    assertThat(mapping.entries()).hasSize(17);
    assertThat(TargetText.of(mapping.of(ContactId.parse("rudder.left")).orElseThrow().target()))
        .isEqualTo("Hat W");
    assertThat(mapping.of(ContactId.parse("port")).orElseThrow().target())
        .isInstanceOf(Target.Axis.class);
    assertThat(mapping.of(ContactId.parse("radar")).orElseThrow().function()).isEqualTo("Radar");
    assertThat(mapping.entries().values().stream().map(e -> e.target()).distinct()).hasSize(17);
  }
}
