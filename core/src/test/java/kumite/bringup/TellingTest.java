package kumite.bringup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.bringup.Held;
import kumite.build.map.Script;
import kumite.device.SelfTest;
import kumite.loom.Look;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What a board tells, line by line: the stream of the simulated board is heard as it was pressed.
 */
public class TellingTest {
  private static Bench bench() {
    return Bench.of(
        Builds.wired(Builds.buttons(40, 40, 90, 40, 140, 40), "native-3v3-26"),
        Catalogue.standard());
  }

  private static String stream(String script) {
    SelfTest told = bench().device().selfTest(Script.parse("s", script), 1);
    return told.text();
  }

  private static List<Held> heard(List<Look> looks, String stream) {
    Telling telling = new Telling(looks);
    List<Held> shown = new ArrayList<>();
    stream.lines().forEach(line -> telling.take(line).ifPresent(shown::add));
    return shown;
  }

  @DataProvider
  public static Object[][] scripts() {
    return new Object[][] {
      {"b1@0+80ms", List.of("b1")},
      {"b1@0+80ms b2@300ms+80ms", List.of("b1", "b2")},
      {"b1@0+200ms b2@50ms+80ms", List.of("b1 b2")},
      {"b3@0+80ms b3@300ms+80ms b1@600ms+90ms", List.of("b3", "b3", "b1")},
    };
  }

  @Test(dataProvider = "scripts")
  public void pressesAreHeardAsTheyWereMade(String script, List<String> shown) {
    assertThat(heard(bench().looks(), stream(script)).stream().map(Held::toString).toList())
        .isEqualTo(shown);
  }

  /** Lines that are cut, doubled or of another program spoil no other line, and are told. */
  @Test(dataProvider = "scripts")
  public void brokenLinesSpoilNoOther(String script, List<String> shown) {
    SplittableRandom random = new SplittableRandom(script.hashCode());
    StringBuilder broken = new StringBuilder("start of something\n12 0\n");
    stream(script)
        .lines()
        .forEach(
            line -> {
              broken.append(line).append('\n');
              if (random.nextBoolean() && !line.startsWith(SelfTest.BEGIN)) {
                broken.append(line, 0, line.length() / 3).append('\n').append("\u0007\n");
              }
            });
    assertThat(heard(bench().looks(), broken.toString()).stream().map(Held::toString).toList())
        .isEqualTo(shown);
  }

  @Test
  public void aStreamOfAnotherBuildIsNamed() {
    Telling telling = new Telling(bench().looks());
    telling.take("self-test 1 looks 9 scan_us 1000");
    assertThat(telling.heard()).isFalse();
    assertThat(telling.trouble()).hasValueSatisfying(w -> assertThat(w).contains("9"));
    telling.take("self-test 1 looks 3 scan_us 1000");
    assertThat(telling.heard()).isTrue();
    assertThat(telling.trouble()).isEmpty();
    telling.take("0 0000 0000");
    assertThat(telling.trouble()).isPresent();
    telling.take("0 010 010");
    assertThat(telling.trouble()).isEmpty();
    assertThat(telling.now().toString()).isEqualTo("b2");
  }

  /** What is stuck from the start on is rest, and shows with every press. */
  @Test
  public void whatIsStuckShowsWithEveryPress() {
    String stream =
        "self-test 1 looks 3 scan_us 1000\n0 100 100\n10 110 110\n20 100 100\n30 101 101\n40 100 100\n";
    assertThat(heard(bench().looks(), stream).stream().map(Held::toString).toList())
        .containsExactly("b1 b2", "b1 b3");
  }
}
