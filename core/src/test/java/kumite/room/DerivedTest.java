package kumite.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.panel.Panel;
import kumite.parts.Catalogue;
import org.testng.annotations.Test;

/** What follows from a build is made when asked for, and again only where what it read differs. */
public class DerivedTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private final List<String> made = new ArrayList<>();

  private final Derivation<Double> width =
      Derivation.of(
          "width",
          Sight.of(Facet.of(Panel.PART)),
          given -> {
            made.add("width");
            return given.build().panel().widthMm();
          });

  private final Derivation<Boolean> wide =
      Derivation.<Boolean>of(
              "wide",
              Sight.of(),
              given -> {
                made.add("wide");
                return given.get(width) > 500;
              })
          .from(width);

  /** The titles of narrow builds; of wide ones it never asks who they are. */
  private final Derivation<Integer> controls =
      Derivation.of(
          "controls",
          Sight.of(Facet.CONTROLS),
          given -> {
            made.add("controls");
            return given.build().controls().size();
          });

  private final Derivation<Integer> counted =
      Derivation.<Integer>of(
              "counted",
              Sight.of(),
              given -> {
                made.add("counted");
                return given.get(wide) ? -1 : given.get(controls);
              })
          .from(wide, controls);

  private static Build sized(Build build, double widthMm) {
    return build.withPanel(build.panel().withSize(widthMm, 200));
  }

  @Test
  public void whatNobodyAsksForIsNotMade() {
    made.clear();
    Build build = sized(Builds.buttons(30, 30, 75, 30), 600);
    Derived first = Derived.of(build, CATALOGUE);
    assertThat(first.get(counted)).isEqualTo(-1);
    assertThat(made).containsExactly("counted", "wide", "width");
    made.clear();
    Derived moved = first.next(Builds.buttons(30, 30).withPanel(build.panel()), CATALOGUE);
    assertThat(moved.get(counted)).isEqualTo(-1);
    assertThat(made).isEmpty(); // it never looked at the controls
    Derived narrow = moved.next(sized(build, 400), CATALOGUE);
    assertThat(narrow.get(counted)).isEqualTo(2);
    assertThat(made).containsExactly("width", "wide", "counted", "controls");
  }

  /** Whatever chain of edits led there, what is given is what a build gives afresh. */
  @Test
  public void itIsAlwaysWhatIsGivenAfresh() {
    SplittableRandom random = new SplittableRandom(5);
    Derived derived = Derived.of(sized(Builds.buttons(30, 30), 400), CATALOGUE);
    for (int edit = 0; edit < 300; edit++) {
      double[] places = new double[2 * (1 + random.nextInt(4))];
      for (int i = 0; i < places.length; i++) {
        places[i] = 30 + 20 * i;
      }
      Build build = sized(Builds.buttons(places), random.nextBoolean() ? 400 : 600);
      derived = derived.next(build, CATALOGUE);
      if (random.nextInt(3) > 0) {
        assertThat(derived.get(counted)).isEqualTo(Derived.of(build, CATALOGUE).get(counted));
      }
      if (random.nextInt(3) == 0) {
        assertThat(derived.get(controls)).isEqualTo(places.length / 2);
      }
    }
  }

  @Test
  public void whatItDoesNotNameItCannotAsk() {
    Derivation<Double> sly = Derivation.of("sly", Sight.of(), given -> given.get(width));
    assertThatThrownBy(() -> Derived.of(Builds.buttons(30, 30), CATALOGUE).get(sly))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("\"sly\" does not say that it follows from \"width\"");
  }
}
