package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.brief.Hand;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.Test;

/** What a hand has to do, against right triangles and the normal distribution. */
public class ReachTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Build handed(Build build, Hand hand) {
    return build.withBrief(build.brief().withHand(hand));
  }

  /** Legs of 60 and 80 mm make 100 mm: the triangle of 3, 4 and 5. */
  @Test
  public void reachIsStraightFromTheNearestRest() {
    Hand hand =
        Hand.AVERAGE
            .withReach(100)
            .withRests(
                List.of(
                    new Hand.Rest("left hand", new Point(0, 0)),
                    new Hand.Rest("right hand", new Point(300, 0))));
    Reach reach = Reach.of(handed(Builds.buttons(60, 80, 61, 80, 240, 80), hand), CATALOGUE);
    assertThat(reach.reaches().get(0).awayMm()).isCloseTo(100, within(1e-9));
    assertThat(reach.reaches().stream().map(Reach.Row::within)).containsExactly(true, false, true);
    assertThat(reach.reaches().get(2).rest().name()).isEqualTo("right hand");
    assertThat(Reach.of(Builds.buttons(60, 80), CATALOGUE).reaches())
        .as("nobody has said where the hand rests")
        .isEmpty();
  }

  /**
   * ISO 9241-411 (from memory): within 4.133 standard deviations lie 96 % of presses. Checked
   * against the density of the normal distribution, summed up here.
   */
  @Test
  public void theEffectiveWidthHoldsNinetySixOfAHundred() {
    double half = Reach.WIDTHS / 2;
    double sum = 0;
    double step = 1e-4;
    for (double z = -half + step / 2; z < half; z += step) {
      sum += Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) * step;
    }
    assertThat(sum).isCloseTo(0.96, within(0.002));
  }

  @Test
  public void aScatteringHandNeedsLargerTargetsFurtherApart() {
    // Flanges of 33.4 mm; 9 mm of scatter ask for 37.2 mm, and 18.6 mm to the neighbour's edge.
    Build build = handed(Builds.buttons(60, 60, 95, 60), Hand.AVERAGE.withWander(9));
    List<Reach.Target> targets = Reach.of(build, CATALOGUE).targets();
    assertThat(targets.stream().filter(t -> t.neighbour().isEmpty())).hasSize(2);
    Reach.Target near =
        targets.stream().filter(t -> t.neighbour().isPresent()).findFirst().orElseThrow();
    assertThat(near.thereMm()).isCloseTo(35 - 16.7, within(1e-6));
    assertThat(near.neededMm()).isCloseTo(4.133 * 9 / 2, within(1e-6));
    assertThat(Reach.of(handed(build, Hand.AVERAGE), CATALOGUE).targets()).isEmpty();
  }

  @Test
  public void twoAtOnceFallToOneHandOnly() {
    Build build = Builds.buttons(40, 60, 260, 60);
    build =
        build
            .withProfile(
                p ->
                    p.withFunctions(
                            List.of(
                                new HostFunction("Jump", HostFunction.Wants.PRESS),
                                new HostFunction("Duck", HostFunction.Wants.PRESS)))
                        .withTogether(List.of(new Pair("Jump", "Duck"))))
            .withMapping(
                Mapping.EMPTY
                    .with(ContactId.parse("b1"), new Mapping.Entry(new Target.Button(1), "Jump"))
                    .with(ContactId.parse("b2"), new Mapping.Entry(new Target.Button(2), "Duck")));
    Hand both = Hand.AVERAGE.withRests(Hand.AVERAGE.usualRests(build.panel()));
    assertThat(Reach.of(handed(build, both), CATALOGUE).pairs()).as("one for each hand").isEmpty();
    Hand one = Hand.AVERAGE.withUses(Hand.Uses.LEFT);
    Reach alone = Reach.of(handed(build, one.withRests(one.usualRests(build.panel()))), CATALOGUE);
    assertThat(alone.pairs()).hasSize(1);
    assertThat(alone.pairs().get(0).within()).as("220 mm with a span of 190").isFalse();
    assertThat(Optional.of(alone.pairs().get(0).one())).contains(new ControlId("b1"));
  }
}
