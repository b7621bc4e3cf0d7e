package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Timing;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a board tells of itself is what hands did, and what cannot be read is named. */
public class SelfTestTest {
  private static final Build THREE =
      Builds.wired(Builds.buttons(30, 30, 75, 30, 120, 30), "native-5v-18")
          .withTiming(new Timing(1000, Timing.Debounce.DEFERRED, 5000, 1000));

  /**
   * As many presses as were played, whatever the bounce; a chatter no longer than the contact's.
   */
  @Test
  public void pressesAreCounted() {
    SplittableRandom random = new SplittableRandom(4);
    Bench bench = Bench.of(THREE, Catalogue.standard());
    int bounceUs = bench.loom().sites().get(0).kind().bounce().mostUs();
    for (int round = 0; round < 40; round++) {
      int presses = random.nextInt(0, 6);
      StringBuilder moves = new StringBuilder("b2@1 ");
      for (int i = 0; i < presses; i++) {
        moves.append("b1@").append(10 + 120 * i).append("+60ms ");
      }
      SelfTest test = bench.device().selfTest(Script.parse("s", moves.toString()), round);
      assertThat(SelfTest.read(test.text(), 3)).isEqualTo(test);
      SelfTest.Seen first = test.seen(0);
      assertThat(first.presses()).as(moves.toString()).isEqualTo(presses);
      assertThat(first.chatterUs()).isBetween(0L, bounceUs + 1000L);
      assertThat(first.rests()).isTrue();
      assertThat(test.seen(1))
          .extracting(SelfTest.Seen::presses, SelfTest.Seen::rests)
          .containsExactly(1, false);
      assertThat(test.seen(2).words(5000)).isEqualTo("never pressed");
    }
  }

  @DataProvider
  public Object[][] unreadable() {
    String head = "self-test 1 looks 3 scan_us 1000\n";
    return new Object[][] {
      {"", "line 1", "begins with"},
      {"0 000 000\n", "line 1", "begins with"},
      {"self-test 2 looks 3 scan_us 1000\n", "line 1", "begins with"},
      {"self-test 1 looks 4 scan_us 1000\n", "line 1", "tells of 4 contacts"},
      {"self-test 1 looks x scan_us 1000\n", "line 1", "no whole number"},
      {head + "0 000 000\n12 00", "line 3", "cut off"},
      {head + "0 000 0002\n", "line 2", "twice 3 levels"},
      {head + "-5 000 000\n", "line 2", "no whole number"},
      {head + "5 000 000 12x\n", "line 2", "no whole number"},
      {head + "99999999999 000 000\n", "line 2", "no whole number"},
    };
  }

  @Test(dataProvider = "unreadable")
  public void whatCannotBeReadIsNamed(String text, String place, String why) {
    assertThatThrownBy(() -> SelfTest.read(text, 3))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(place)
        .hasMessageContaining(why);
  }

  /** A profile is taken by what the board reads: a contact without its wire chooses nothing. */
  @Test
  public void aProfileIsChosenThroughTheWires() {
    ContactId b2 = ContactId.parse("b2");
    Profile main = THREE.profile();
    List<Profile> both =
        List.of(main, main.called("Other").chosen(new Choice.Held(java.util.Set.of(b2))));
    Build build = THREE.withSeats(List.of(THREE.seat().withProfiles(both)));
    Bench sound = Bench.of(build, Catalogue.standard());
    assertThat(chosen(sound, both, b2)).isEqualTo("Other");
    assertThat(chosen(sound, both, ContactId.parse("b1"))).isEqualTo(main.name());
    Bench broken =
        Bench.of(
            build.withLoom(
                build
                    .loom()
                    .withLeftOut(
                        sound.loom().strands().stream()
                            .filter(strand -> strand.from().place().part().equals("b2"))
                            .findFirst()
                            .orElseThrow()
                            .wire())),
            Catalogue.standard());
    assertThat(chosen(broken, both, b2)).isEqualTo(main.name());
  }

  private static String chosen(Bench bench, List<Profile> profiles, ContactId held) {
    return PowerUp.chosen(
            profiles, bench.circuit().orElseThrow().inputs(), bench.build().tuning(), List.of(held))
        .name();
  }

  @DataProvider
  public Object[][] ladders() {
    return new Object[][] {{8}, {10}, {12}, {16}};
  }

  /** Every code is one step or none; each step's own volts lie within its bounds. */
  @Test(dataProvider = "ladders")
  public void everyCodeIsOneStepOrNone(int bits) {
    List<Double> ohms = List.of(10_000.0, 1800.0, 3000.0, 6200.0, 15_000.0);
    double below = 0;
    for (int step = 1; step <= ohms.size(); step++) {
      below += step > 1 ? ohms.get(step - 1) : 0;
      int code = (int) (below / (below + ohms.get(0)) * (1 << bits));
      assertThat(new Look.Step(step, ohms).at(code, bits)).as("step " + step).isTrue();
    }
    for (int code = 0; code < 1 << bits; code++) {
      int held = 0;
      for (int step = 1; step <= ohms.size(); step++) {
        held += new Look.Step(step, ohms).at(code, bits) ? 1 : 0;
      }
      assertThat(held).isLessThanOrEqualTo(1);
      if (code == (1 << bits) - 1) {
        assertThat(held).as("nothing held").isZero();
      }
    }
  }
}
