package kumite.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.loom.Topology;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Decks read back by the rules of SPICE: title line, element lines, .param, .model, .op, .end, an
 * expression in braces. That an independent simulator gives the same volts is checked in the
 * benchmarks.
 */
public class IslandDeckTest {
  private static final Pattern TERM =
      Pattern.compile("\\+([0-9.e+-]+?)\\*max\\(0,1-abs\\(state-(\\d+)\\)\\)");

  @DataProvider
  Object[][] builds() {
    SplittableRandom random = new SplittableRandom(4);
    return new Object[][] {
      {"demo", Builds.ferryBridge(), 4},
      {"matrix", RandomBuilds.sharing(Topology.MATRIX, 9, random), 1},
      {"bare matrix", RandomBuilds.sharing(Topology.BARE_MATRIX, 9, random), 1},
      {"ladder", RandomBuilds.sharing(Topology.LADDER, 5, random), 1},
    };
  }

  @Test(dataProvider = "builds")
  public void everyStateReadBackHasTheVoltsItsTitleSays(
      String name, kumite.build.Build build, int kinds) {
    List<IslandDeck> decks = IslandDeck.all(InputLevelsTest.inputs(build));
    assertThat(decks).as(name).hasSize(kinds);
    for (IslandDeck deck : decks) {
      String[] lines = deck.text().split("\n");
      assertThat(lines[lines.length - 2]).isEqualTo(".op");
      assertThat(lines[lines.length - 1]).isEqualTo(".end");
      for (int state = 0; state < deck.states().size(); state++) {
        IslandDeck.State wanted = deck.states().get(state);
        OperatingPoint.Solved read = read(lines, state).operatingPoint().solved();
        assertThat(read.at(wanted.node()))
            .as("%s, %s, %s", name, deck.title(), wanted.words())
            .isCloseTo(wanted.volts(), within(2e-3));
      }
    }
  }

  private static Circuit read(String[] lines, int state) {
    Map<String, Element.Model> models = new HashMap<>();
    for (String line : lines) {
      Matcher match =
          Pattern.compile("\\.model (\\S+) D \\(IS=(\\S+) N=(\\S+) RS=(\\S+)\\)").matcher(line);
      if (match.matches()) {
        models.put(
            match.group(1),
            new Element.Model(
                "read",
                Double.parseDouble(match.group(2)),
                Double.parseDouble(match.group(3)),
                Double.parseDouble(match.group(4))));
      }
    }
    List<Element> read = new ArrayList<>();
    for (int i = 1; i < lines.length; i++) {
      String[] word = lines[i].split(" ");
      switch (lines[i].charAt(0)) {
        case 'R' -> read.add(new Element.Resistor(word[0], word[1], word[2], ohm(word[3], state)));
        case 'V' ->
            read.add(new Element.Source(word[0], word[1], word[2], Double.parseDouble(word[4])));
        case 'D' -> read.add(new Element.Diode(word[0], word[1], word[2], models.get(word[3])));
        default -> assertThat(lines[i]).matches("[*.].*");
      }
    }
    return new Circuit(read);
  }

  private static double ohm(String word, int state) {
    if (!word.startsWith("{")) {
      return Double.parseDouble(word);
    }
    assertThat(word).startsWith("{1/(").endsWith(")}");
    double siemens = 1e-12;
    Matcher term = TERM.matcher(word);
    while (term.find()) {
      siemens += Integer.parseInt(term.group(2)) == state ? Double.parseDouble(term.group(1)) : 0;
    }
    return 1 / siemens;
  }
}
