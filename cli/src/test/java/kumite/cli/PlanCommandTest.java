package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Plan and bill on the command line, as a script sees them. */
public class PlanCommandTest {
  private Path folder;
  private String desk;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("plan");
    Path file = folder.resolve("desk.kumite.json");
    Files.writeString(file, BuildFile.text(Demo.open("ferry-bridge", Catalogue.standard())));
    desk = file.toString();
  }

  private String written(String name, String text) throws Exception {
    return Files.writeString(folder.resolve(name), text).toString();
  }

  @Test
  public void thePlanComesInAnOrderThatCanBeWorked() throws Exception {
    JsonNode plan = Ran.run("plan", desk, "--json").json();
    Set<String> met = new HashSet<>();
    double minutes = 0;
    for (JsonNode step : plan.get("steps")) {
      step.get("after").forEach(id -> assertThat(met).contains(id.asText()));
      assertThat(met.add(step.get("id").asText())).isTrue();
      assertThat(step.get("why").asText()).isNotBlank();
      assertThat(step.get("done").asBoolean()).isFalse();
      assertThat(step.has("wait_min") && step.has("no_return") && step.has("group")).isTrue();
      minutes += step.get("minutes").asDouble();
    }
    assertThat(minutes).isCloseTo(plan.get("minutes_left").asDouble(), within(1e-6));
    List<String> way = new ArrayList<>();
    plan.get("longest_way").get("steps").forEach(id -> way.add(id.asText()));
    assertThat(met).containsAll(way);
    assertThat(Ran.run("plan", desk).out()).contains("no way back").contains("longest way");
    JsonNode today =
        Ran.run(
                "plan",
                desk,
                "--today",
                "30",
                "--place",
                "bench",
                "--tool",
                "rule,printer",
                "--json")
            .json()
            .get("today");
    assertThat(today.get("minutes").asDouble()).isBetween(1.0, 30.0);
    assertThat(today.get("steps").toString()).contains("template").doesNotContain("drill");
  }

  @Test
  public void theBillIsHeldAgainstADrawer() throws Exception {
    String stock = written("stock.csv", "item,have,price\nbutton-30,4,\"1,25\"\n");
    JsonNode bill = Ran.run("bill", desk, "--stock", stock, "--json").json();
    JsonNode button = null;
    for (JsonNode item : bill.get("items")) {
      button = item.get("id").asText().equals("button-30") ? item : button;
    }
    assertThat(button.get("need").asInt()).isEqualTo(7);
    assertThat(button.get("buy").asInt()).isEqualTo(3);
    assertThat(button.get("short").asBoolean()).isTrue();
    assertThat(bill.get("sums").get("no shop").asDouble()).isEqualTo(3.75);
    assertThat(Ran.run("bill", desk).out()).contains("Wire").contains("solder");
  }

  @DataProvider
  public Object[][] refused() throws Exception {
    return new Object[][] {
      {List.of("plan", desk, "--place", "bench"), "--today"},
      {List.of("plan", desk, "--today", "-5"), "0 or more minutes"},
      {List.of("plan", desk, "--today", "9", "--place", "moon"), "no place \"moon\"; use bench"},
      {List.of("plan", desk, "--today", "9", "--tool", "laser"), "no tool \"laser\""},
      {List.of("plan", desk, "--today", "soon"), "soon"},
      {List.of("bill", desk, "--stock", folder.resolve("none.csv").toString()), "no such file"},
      {List.of("bill", desk, "--stock", written("a.csv", "item,have\nx,-1\n")), "row 2, have"},
      {List.of("bill", desk, "--stock", written("b.csv", "have\n1\n")), "no column \"item\""},
    };
  }

  @Test(dataProvider = "refused")
  public void whatCannotBeReadIsNamed(List<String> words, String told) throws Exception {
    Ran ran = Ran.run(words.toArray(String[]::new));
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(told).doesNotContain("Exception");
  }

  /** Exports on paper and as a table hold what the plan and the bill hold. */
  @Test
  public void paperHoldsThePlan() throws Exception {
    for (String what : List.of("plan", "bill", "bill-sheet")) {
      Path out = folder.resolve("out");
      Ran ran = Ran.run("export", desk, "--what", what, "--out", out.toString());
      assertThat(ran.exit()).as(ran.err()).isZero();
    }
    Path out = folder.resolve("out");
    assertThat(Files.size(out.resolve("plan.pdf"))).isGreaterThan(5000);
    assertThat(Files.size(out.resolve("bill.pdf"))).isGreaterThan(5000);
    assertThat(Files.readString(out.resolve("bill.csv")))
        .startsWith("item,group,what,unit,need,spare,buy")
        .contains("\nlever-8,Controls,");
  }
}
