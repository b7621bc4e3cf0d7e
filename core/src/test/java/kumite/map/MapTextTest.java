package kumite.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.brief.HostFunction;
import kumite.build.map.Choice;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.Script;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is typed at the Map station: choices, charts, pairs, scripts. */
public class MapTextTest {
  private static final Set<ContactId> KNOWN =
      Set.of(ContactId.parse("a"), ContactId.parse("b"), ContactId.parse("lever.left"));

  @DataProvider
  public Object[][] choices() {
    return new Object[][] {
      {"a held", "a held"},
      {"a", "a held"},
      {" B + a ", "a + b held"},
      {"lever.left,a held", "a + lever.left held"},
      {"a closed", "a closed"},
      {"lever.left OPEN", "lever.left open"},
      {"b a running", "a + b running"},
      {"", ""},
    };
  }

  @Test(dataProvider = "choices")
  public void aChoiceIsReadAsItIsSaid(String typed, String said) {
    Choice choice = ChoiceText.parse(typed, KNOWN);
    assertThat(ChoiceText.of(choice)).isEqualTo(said);
    assertThat(ChoiceText.parse(said, KNOWN)).isEqualTo(choice);
  }

  @Test
  public void whatChoosesNothingIsRefused() {
    for (String typed : List.of("c held", "a b closed", "closed", "running", "a.b.c", "Ä")) {
      assertThatThrownBy(() -> ChoiceText.parse(typed, KNOWN))
          .as(typed)
          .isInstanceOf(IllegalArgumentException.class);
    }
  }

  /** A chart written is the chart read, whatever is in the names. */
  @Test
  public void aChartIsWrittenAndReadBack() {
    List<HostFunction> functions =
        List.of(
            new HostFunction("Fire, loudly", HostFunction.Wants.PRESS),
            new HostFunction("Say \"stop\"", HostFunction.Wants.DIRECTION),
            new HostFunction("Gas; slowly", HostFunction.Wants.AXIS),
            new HostFunction("Plain", HostFunction.Wants.PRESS));
    assertThat(HostChart.read(HostChart.text(functions))).isEqualTo(functions);
  }

  @DataProvider
  public Object[][] charts() {
    return new Object[][] {
      {"function;wants;order\nB;travel;2\nA;press;1\n", "A press, B travel"},
      {"order\twants\tfunction\n1\tdirection\tUp\n", "Up direction"},
      {"Jump\nDuck\n", "Jump press, Duck press"},
      {"Jump,press,9\nDuck,,1.5\n", "Duck press, Jump press"},
      {"", ""},
    };
  }

  @Test(dataProvider = "charts")
  public void chartsOfAnyShapeAreRead(String text, String read) {
    String said =
        String.join(
            ", ",
            HostChart.read(text).stream().map(f -> f.name() + " " + f.wants().words()).toList());
    assertThat(said).isEqualTo(read);
  }

  @DataProvider
  public Object[][] badCharts() {
    return new Object[][] {
      {"function,wants\nA,press\nA,press\n", "row 3: \"A\" is there twice"},
      {"function,wants\nA,shove\n", "row 2: \"shove\" is no kind of input"},
      {"function,order\nA,soon\n", "row 2: the order \"soon\" is no number"},
      {"function,wants\n,press\n", "row 2: function name must not be empty"},
    };
  }

  @Test(dataProvider = "badCharts")
  public void aBadChartIsNamedByItsRow(String text, String told) {
    assertThatThrownBy(() -> HostChart.read(text)).hasMessageContaining(told);
  }

  @Test
  public void pairsAndScriptsAreReadAsTheyAreSaid() {
    for (String pair : List.of("Hat left right", "Hat up down", "Axis Rz", "lever left right")) {
      assertThat(Opposed.parse(pair).text()).isEqualTo(pair);
      assertThat(Opposed.parse(pair.toUpperCase(java.util.Locale.ROOT)).text()).isEqualTo(pair);
    }
    assertThatThrownBy(() -> Opposed.parse("up down")).hasMessageContaining("no pair");
    SplittableRandom random = new SplittableRandom(3);
    for (int i = 0; i < 200; i++) {
      StringBuilder text = new StringBuilder();
      for (int m = random.nextInt(1, 6); m > 0; m--) {
        text.append(random.nextBoolean() ? "a" : "lever.left")
            .append(random.nextBoolean() ? "=0.25" : "")
            .append('@')
            .append(random.nextInt(5000))
            .append(random.nextBoolean() ? "ms" : "us")
            .append(random.nextBoolean() ? "+" + random.nextInt(1, 900) + "ms" : "")
            .append(' ');
      }
      Script script = Script.parse("s", text.toString());
      assertThat(Script.parse("s", script.text())).isEqualTo(script);
    }
  }

  /** Side by side with itself nothing differs; with a layer just what it names does. */
  @Test
  public void layersSideBySideDifferInWhatTheyName() {
    Build build = Builds.wired(Builds.buttons(40, 40, 90, 40, 140, 40), "native-3v3-26");
    ContactId b2 = ContactId.parse("b2");
    Build layered =
        build.withProfile(
            p ->
                p.withLayers(
                    List.of(
                        new Layer(
                            "Shift",
                            Layer.Reach.HOLD,
                            Set.of(ContactId.parse("b3")),
                            Mapping.EMPTY.with(
                                b2, new Mapping.Entry(TargetText.parse("Key A"), ""))))));
    List<ContactId> contacts = List.of(ContactId.parse("b1"), b2, ContactId.parse("b3"));
    Compared.Side base = new Compared.Side(layered.profile(), Layer.BASE);
    Compared.Side shift = new Compared.Side(layered.profile(), "Shift");
    assertThat(Compared.of(contacts, base, base)).allMatch(Compared::same);
    assertThat(
            Compared.of(contacts, base, shift).stream()
                .filter(row -> !row.same())
                .map(Compared::contact))
        .containsExactly(b2);
    assertThat(Compared.of(contacts, base, shift)).filteredOn(Compared::through).hasSize(2);
  }
}
