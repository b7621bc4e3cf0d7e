package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A converter's noise is no movement: what nobody touches sends nothing, wherever it stands. */
public class NoiseLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Two sliders, a knob and a step switch beside buttons, on a board of 10 or of 12 bits. */
  private static SimulatedDevice device(SplittableRandom random) {
    Build build = Builds.buttons(40, 50, 90, 50);
    Mapping mapping =
        Mapping.EMPTY
            .with(ContactId.parse("b1"), entry("Button 1"))
            .with(ContactId.parse("b2"), entry("Button 2"));
    String[] kinds = {"slider-60", "slider-45", "knob-9", "stick-thumb"};
    int axis = 0;
    for (int i = 0; i < 3; i++) {
      ControlId id = new ControlId("s" + i);
      String kind = kinds[random.nextInt(kinds.length)];
      Control control = Control.of(id, "S" + i, kind, Placement.at(60 + 70 * i, 120));
      build = build.withControl(control);
      for (var contact : CATALOGUE.kindOf(control).contacts()) {
        if (contact.type() == kumite.kind.ContactKind.Type.WIPER) {
          ContactId at =
              CATALOGUE.kindOf(control).contacts().size() == 1
                  ? ContactId.parse(id.text())
                  : new ContactId(id, contact.name());
          mapping =
              mapping.with(
                  at, new Mapping.Entry(new Target.Axis(AxisName.values()[axis++ % 6]), ""));
        }
      }
    }
    String board = random.nextBoolean() ? "native-5v-18" : "native-3v3-26";
    return Bench.of(Builds.wired(build, board).withMapping(mapping), CATALOGUE).device();
  }

  private static Mapping.Entry entry(String target) {
    return new Mapping.Entry(TargetText.parse(target), "");
  }

  @Test(dataProvider = "seeds")
  public void whatNobodyTouchesSendsNothing(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    SimulatedDevice exact = device(random);
    // Wherever the sliders were left, only the buttons move from then on.
    StringBuilder text = new StringBuilder();
    TreeSet<String> wipers = new TreeSet<>();
    exact
        .loom()
        .sites()
        .forEach(
            site -> {
              if (site.contact().type().analog()) {
                wipers.add(site.id().toString());
              }
            });
    for (int i = 0; i < 12; i++) {
      text.append("b").append(1 + random.nextInt(2)).append("@").append(100 * (i + 1));
      text.append("ms+").append(random.nextInt(20, 80)).append("ms ");
    }
    Script presses = Script.parse("presses", text.toString().strip());
    long chance = random.nextLong();
    List<Trace.Report> plain = exact.play(presses, chance).reports();
    for (int codes = 1; codes <= 2; codes++) {
      assertThat(exact.with(new Noise(codes)).play(presses, chance).reports())
          .as("%d codes either way", codes)
          .isEqualTo(plain);
    }
    StringBuilder left = new StringBuilder();
    wipers.forEach(
        w -> left.append(w).append("=0.").append(random.nextInt(10, 99)).append("@0ms "));
    Script moved = Script.parse("moved", left + text.toString().strip());
    List<Trace.Report> noisy = exact.with(new Noise(2)).play(moved, chance).reports();
    // After all have arrived only presses and their ends are reports: 24 at most.
    assertThat(noisy.stream().filter(r -> r.us() > 60_000).count()).isBetween(12L, 24L);
    assertThat(exact.with(new Noise(2)).play(moved, chance).reports())
        .as("the same seed, the same play")
        .isEqualTo(noisy);
  }

  /** Noise is as large as it is said to be, goes both ways, and is one thing at one moment. */
  @Test
  public void noiseIsWhatIsAskedFor() {
    for (int codes : new int[] {1, 2, 7}) {
      Noise noise = new Noise(codes);
      List<Integer> seen = new ArrayList<>();
      for (int us = 0; us < 4000; us++) {
        seen.add(noise.at(us, 42));
        assertThat(noise.at(us, 42)).isEqualTo(seen.get(us));
      }
      assertThat(new TreeSet<>(seen)).hasSize(2 * codes + 1);
      assertThat(seen).allMatch(n -> Math.abs(n) <= codes);
      assertThat(seen.stream().mapToInt(n -> n).average().orElse(9)).isBetween(-0.3, 0.3);
    }
    assertThat(Noise.NONE.at(5, 5)).isZero();
    for (int bad : new int[] {-1, 65}) {
      assertThatThrownBy(() -> new Noise(bad)).hasMessageContaining("codes of noise");
    }
  }
}
