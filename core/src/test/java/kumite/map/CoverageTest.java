package kumite.map;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.brief.HostFunction;
import kumite.build.brief.HostFunction.Wants;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CoverageTest {

  @DataProvider
  Object[][] wishes() {
    return new Object[][] {
      // what the host wants, what it gets, whether that fits
      {Wants.PRESS, new Target.Button(1), true},
      {Wants.PRESS, new Target.Key(0x2C), true},
      {Wants.PRESS, new Target.Hat(Target.Direction.N), true},
      {Wants.PRESS, new Target.Axis(AxisName.Z), false},
      {Wants.DIRECTION, new Target.Hat(Target.Direction.W), true},
      {Wants.DIRECTION, new Target.AxisEnd(AxisName.X, false), true},
      {Wants.DIRECTION, new Target.Axis(AxisName.X), false},
      {Wants.AXIS, new Target.Axis(AxisName.RZ), true},
      {Wants.AXIS, new Target.Button(3), false},
      {Wants.AXIS, new Target.AxisEnd(AxisName.X, true), false},
    };
  }

  @Test(dataProvider = "wishes")
  public void anInputMustBeOfTheWishedKind(Wants wants, Target target, boolean fits) {
    Build build = Builds.buttons(60, 60);
    Build mapped =
        build
            .withProfile(p -> p.withFunctions(List.of(new HostFunction("Bell", wants))))
            .withMapping(
                Mapping.EMPTY.with(ContactId.parse("b1"), new Mapping.Entry(target, "Bell")));
    Coverage coverage = Coverage.of(mapped, kumite.parts.Catalogue.standard());
    assertThat(coverage.rows().get(0).by()).containsExactly(ContactId.parse("b1"));
    assertThat(coverage.rows().get(0).covered()).isEqualTo(fits);
    assertThat(coverage.covered()).isEqualTo(fits ? 1 : 0);
  }

  @Test
  public void theSameMeaningTwiceIsAClash() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60, 160, 60), "native-3v3-26");
    Mapping mapping =
        build.mapping().with(ContactId.parse("b3"), new Mapping.Entry(new Target.Button(1), ""));
    Coverage coverage = Coverage.of(build.withMapping(mapping), kumite.parts.Catalogue.standard());
    assertThat(coverage.clashes())
        .containsOnlyKeys(new Target.Button(1))
        .containsEntry(new Target.Button(1), List.of(ContactId.parse("b1"), ContactId.parse("b3")));
  }

  @Test
  public void aWholeAxisAndItsEndAreAClash() {
    Target whole = new Target.Axis(AxisName.Z);
    Target end = new Target.AxisEnd(AxisName.Z, true);
    Mapping mapping =
        Mapping.EMPTY
            .with(ContactId.parse("b1"), new Mapping.Entry(end, ""))
            .with(ContactId.parse("b2"), new Mapping.Entry(whole, ""))
            .with(
                ContactId.parse("b3"), new Mapping.Entry(new Target.AxisEnd(AxisName.X, true), ""));
    Build build = Builds.buttons(60, 60, 110, 60, 160, 60).withMapping(mapping);
    assertThat(Coverage.of(build, kumite.parts.Catalogue.standard()).clashes())
        .containsOnlyKeys(whole)
        .containsEntry(whole, List.of(ContactId.parse("b2"), ContactId.parse("b1")));
  }

  @Test
  public void anEncoderOnlyHandsOutWhatItsSocketsMean() {
    Build build =
        Builds.wired(
                Builds.buttons(
                    40, 50, 80, 50, 120, 50, 160, 50, 200, 50, 240, 50, 40, 100, 80, 100, 120, 100,
                    160, 100),
                "encoder-12-rail")
            .withMapping(Mapping.EMPTY);
    Mapping proposed = Proposal.rest(build, Catalogue.standard());
    assertThat(proposed.entries()).as("eight buttons, then none").hasSize(8);
    assertThat(proposed.entries().values().stream().map(e -> ((Target.Button) e.target()).number()))
        .containsExactlyInAnyOrder(1, 2, 3, 4, 5, 6, 7, 8);
  }
}
