package kumite.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kumite.kind.ControlKind;
import kumite.measure.Shape;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Own parts: every shipped one survives its JSON; bad files are refused by row and column. */
public class PartFileTest {
  private static final kumite.kind.ControlKind KIND =
      Catalogue.standard().control("button-30").orElseThrow();

  private static final String HEAD =
      "id,name,family,cutout,face,body,body_depth,panel_min,panel_max,force_n,contacts\n";

  @DataProvider
  Object[][] kinds() {
    return Catalogue.standard().controls().stream()
        .map(kind -> new Object[] {kind})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "kinds")
  public void whatIsWrittenReadsBackTheSame(ControlKind kind) {
    PartFile.Imported back = PartFile.read(PartFile.write(kind).toString(), "x.json");
    assertThat(back.problems()).isEmpty();
    assertThat(back.kinds()).containsExactly(kind);
  }

  /** 1 in = 25.4 mm exactly (1959 agreement); CSV by RFC 4180. */
  @Test
  public void csvTakesInchesShapesAndQuotes() {
    PartFile.Imported read =
        PartFile.read(
            HEAD
                + "fog-bell,\"Fog bell, brass\",button,1 1/8 in round,33 round,38 x 40,2 in,3,20,1.2,switch\n"
                + "pair,Pair,lever,3 x 66 slot,,,20,1,4,,up:switch:NO; down:switch:NC\n",
            "x.csv");
    assertThat(read.problems()).isEmpty();
    ControlKind bell = read.kinds().get(0);
    assertThat(bell.name()).isEqualTo("Fog bell, brass");
    assertThat(bell.cutout()).isEqualTo(new Shape.Round(28.575));
    assertThat(bell.bodyDepthMm()).isCloseTo(50.8, within(1e-9));
    ControlKind pair = read.kinds().get(1);
    assertThat(pair.cutout()).isEqualTo(new Shape.Rect(3, 66, 1.5));
    assertThat(pair.face()).as("not given: as the hole").isEqualTo(pair.cutout());
    assertThat(pair.contacts().stream().map(c -> c.name() + c.tab()))
        .containsExactly("upNO", "downNC");
  }

  /** A wiper that springs back says where it rests, in a table and as JSON, there and back. */
  @Test
  public void aWiperSaysWhereItRests() {
    String head = HEAD.strip() + ",ohm\n";
    String row =
        "tiller,Tiller,knob,9 round,30 round,30 round,40,1,4,1,\"x:wiper:X:0.5; y:wiper:Y\",10000";
    PartFile.Imported read = PartFile.read(head + row + "\n", "x.csv");
    assertThat(read.problems()).isEmpty();
    assertThat(read.kinds().get(0).contacts().stream().map(c -> c.rest()))
        .containsExactly(0.5, 0.0);
    assertThat(PartFile.read(head + row.replace("0.5", "1.5") + "\n", "x.csv").problems())
        .hasSize(1);
    assertThat(
            PartFile.read(head + row.replace("0.5", "half") + "\n", "x.csv")
                .problems()
                .get(0)
                .what())
        .contains("no rest");
  }

  @DataProvider
  Object[][] bad() {
    String good = "a,A,button,30 round,33 round,30 round,40,1,4,1,switch";
    return new Object[][] {
      {"id,nam\nx,y\n", 1, "nam", "unknown column"},
      {HEAD + good.replace("30 round,33", "wide,33"), 2, "cutout", "not a length"},
      {HEAD + good.replace(",40,", ",deep,"), 2, "body_depth", "not a length"},
      {HEAD + good.replace(",40,", ",40 km,"), 2, "body_depth", "not a length"},
      {HEAD + good + "\n" + good.replace(",40,", ",60 in x,"), 3, "body_depth", "not a length"},
      {HEAD + good.replace("button", "bouton"), 2, "family", "\"bouton\" is unknown"},
      {HEAD + good.replace("switch", "lever"), 2, "contacts", "use switch"},
      {HEAD + good.replace(",A,", ",,"), 2, "name", "is missing"},
      {HEAD + good + ",more,cells", 2, "", "more cells"},
      {HEAD + good.replace("30 round,33", "0 round,33"), 2, "cutout_mm", "above 0"},
      {HEAD + good.replace(",1,4,", ",9,4,"), 2, "", "thickest panel"},
      {HEAD + good.replace("switch", "wiper"), 2, "", "ohm"},
      {HEAD + good + "\n" + good, 2, "id", "twice"},
      {"", 1, "", "no part"},
    };
  }

  @Test(dataProvider = "bad")
  public void badRowsAreNamedByRowAndColumn(String text, int row, String column, String what) {
    List<PartFile.Problem> problems = PartFile.read(text, "x.csv").problems();
    assertThat(problems)
        .anySatisfy(
            p -> {
              assertThat(p.row()).isEqualTo(row);
              assertThat(p.column()).isEqualTo(column);
              assertThat(p.what()).contains(what);
            });
  }

  @Test
  public void badJsonIsNamedByItsKey() {
    assertThat(
            PartFile.read(
                    PartFile.write(KIND).toString().replace("\"ohm\"", "\"colour\": 3, \"ohm\""),
                    "x.json")
                .problems())
        .singleElement()
        .satisfies(p -> assertThat(p.words()).contains("row 1", "colour: unknown key"));
    assertThat(
            PartFile.read(
                    PartFile.write(KIND)
                        .toString()
                        .replaceAll("\"panel_mm\":[^]]*]", "\"panel_mm\":\"thin\""),
                    "x.json")
                .problems())
        .singleElement()
        .satisfies(p -> assertThat(p.words()).contains("panel_mm"));
    assertThat(PartFile.read("[{", "x.json").problems()).hasSize(1);
  }

  /** A form filled from any part and left as it is makes that part; one cell changes one thing. */
  @Test
  public void aCopyThatIsNotChangedIsTheSamePart() {
    for (var kind : Catalogue.standard().controls()) {
      var cells = new java.util.LinkedHashMap<>(PartFile.cells(kind));
      assertThat(PartFile.read(cells, kind).kinds()).as(kind.id()).containsExactly(kind);
      cells.put("id", "own-copy");
      cells.put("body_depth", "2 in");
      var changed = PartFile.read(cells, kind);
      assertThat(changed.problems()).as(kind.id()).isEmpty();
      assertThat(changed.kinds().get(0).bodyDepthMm()).isEqualTo(50.8);
      assertThat(changed.kinds().get(0).gate()).isEqualTo(kind.gate());
      assertThat(changed.kinds().get(0).lamp()).isEqualTo(kind.lamp());
      assertThat(changed.kinds().get(0).screws()).isEqualTo(kind.screws());
    }
  }

  /** Three numbers of a caliper make a part that is judged like any other. */
  @Test
  public void threeCaliperNumbersMakeAPart() {
    var made =
        PartFile.read(
            java.util.Map.of(
                "id",
                "own-bell",
                "name",
                "Bell",
                "family",
                "button",
                "cutout",
                "33",
                "face",
                "1 1/2 in",
                "body_depth",
                "46"));
    assertThat(made.problems()).isEmpty();
    var bell = made.kinds().get(0);
    assertThat(bell.coverMm())
        .isCloseTo((38.1 - 33) / 2, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(bell.depthBelowMm(6)).isEqualTo(46 - 5.5);
  }
}
