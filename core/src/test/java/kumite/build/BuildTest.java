package kumite.build;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import kumite.Builds;
import kumite.build.panel.Datum;
import kumite.build.panel.Panel;
import kumite.kind.WireColour;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BuildTest {

  @Test
  public void deletingAControlTakesItsWiringAndMeaningsAlong() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60), "native-3v3-26");
    ContactId contact = ContactId.parse("b1");
    Build locked =
        build.withLoom(
            build.loom().withLock(contact, "D2").withColour(contact, WireColour.parse("BU")));
    Build after = locked.without(new ControlId("b1"));
    assertThat(after.mapping().of(contact)).isEmpty();
    assertThat(after.loom().locks()).isEmpty();
    assertThat(after.loom().colours()).isEmpty();
    assertThat(locked.loom().locks()).as("the old build is untouched").hasSize(1);
  }

  @Test
  public void refusesTheSameIdTwice() {
    Control control = Builds.buttons(60, 60).controls().get(0);
    assertThatThrownBy(() -> Build.empty("x").withControls(List.of(control, control)))
        .hasMessageContaining("b1")
        .hasMessageContaining("twice");
  }

  @Test
  public void makesFreshIdsFromAnyLabel() {
    Build build = Builds.buttons(60, 60);
    assertThat(build.freshId("B1").text()).isEqualTo("b1-2");
    assertThat(build.freshId("  Ä? ").text()).isEqualTo("control");
    assertThat(build.freshId("12 Volt lamp").text()).isEqualTo("volt-lamp");
  }

  @DataProvider
  Object[][] datums() {
    Object[][] rows = new Object[Datum.values().length][];
    for (Datum datum : Datum.values()) {
      rows[datum.ordinal()] = new Object[] {datum};
    }
    return rows;
  }

  @Test(dataProvider = "datums")
  public void coordinatesFromAnyDatumReadBack(Datum datum) {
    Panel panel = Build.empty("x").panel();
    Point stored = new Point(33.25, 121.5);
    Point shown = datum.fromStored(stored, panel);
    assertThat(datum.toStored(shown, panel)).isEqualTo(stored);
    Point corner = datum.fromStored(datum.toStored(new Point(0, 0), panel), panel);
    assertThat(corner).isEqualTo(new Point(0, 0));
  }

  @Test
  public void measuresFromTheCornerNamed() {
    Panel panel = Build.empty("x").panel(); // 300 by 200 mm
    Point stored = new Point(10, 20);
    assertThat(Datum.BACK_RIGHT.fromStored(stored, panel)).isEqualTo(new Point(290, 180));
    assertThat(Datum.CENTRE.fromStored(stored, panel)).isEqualTo(new Point(-140, -80));
  }

  /** Codes: IEC 60757, from memory. */
  @Test
  public void readsColourCodes() {
    assertThat(WireColour.parse("bu").words()).isEqualTo("blue");
    assertThat(WireColour.parse("GNYE"))
        .isEqualTo(new WireColour(WireColour.Hue.GN, Optional.of(WireColour.Hue.YE)));
    assertThatThrownBy(() -> WireColour.parse("BLUE")).hasMessageContaining("BK BN RD OG");
    assertThatThrownBy(() -> WireColour.parse("RDRD")).hasMessageContaining("stripe");
  }
}
