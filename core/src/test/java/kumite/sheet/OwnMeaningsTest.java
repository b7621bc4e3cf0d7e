package kumite.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.brief.HostFunction;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.map.TargetText;
import kumite.measure.Paper;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Papers of boards that have meanings of their own, or no report, say what the board does. */
public class OwnMeaningsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] boards() {
    return CATALOGUE.boards().stream().map(b -> new Object[] {b}).toArray(Object[][]::new);
  }

  /** Four buttons, of which two are a chord, one has a layer, and one a meaning of its own. */
  private static Bench bench(BoardKind board) {
    Build build = Builds.wired(Builds.buttons(40, 50, 85, 50, 130, 50, 175, 50), board.id());
    ContactId one = ContactId.parse("b1");
    ContactId two = ContactId.parse("b2");
    ContactId three = ContactId.parse("b3");
    Mapping layer = Mapping.EMPTY.with(two, new Mapping.Entry(new Target.Button(31), "Layered"));
    return Bench.of(
        build.withProfile(
            p ->
                p.withFunctions(
                        List.of(
                            new HostFunction("Chorded", HostFunction.Wants.PRESS),
                            new HostFunction("Layered", HostFunction.Wants.PRESS),
                            new HostFunction("Plain", HostFunction.Wants.PRESS)))
                    .withBase(p.base().with(one, new Mapping.Entry(new Target.Button(17), "Plain")))
                    .withLayers(List.of(new Layer("Shift", Layer.Reach.HOLD, Set.of(three), layer)))
                    .withChord(
                        new Chord(
                            Layer.BASE,
                            Set.of(one, two),
                            50,
                            true,
                            new Mapping.Entry(new Target.Button(40), "Chorded")))),
        CATALOGUE);
  }

  private static String text(Bench bench, Export export) {
    StringBuilder all = new StringBuilder();
    for (Map.Entry<String, byte[]> file :
        export.files(bench, new Export.Choices(Paper.A4, 0)).entrySet()) {
      all.append(new String(file.getValue(), StandardCharsets.UTF_8));
    }
    return all.toString();
  }

  /**
   * A chord or layer stands on the chart only where the board plays it; a socket's meaning wins.
   */
  @Test(dataProvider = "boards")
  public void chartsShowWhatTheBoardDoes(BoardKind board) {
    Bench bench = bench(board);
    String chart = text(bench, Exports.HOST_CHART);
    assertThat(chart.contains("Button 40")).as("chord").isEqualTo(!board.fixedMap());
    assertThat(chart.contains("Button 31")).as("layer").isEqualTo(!board.fixedMap());
    SignalPath path = bench.path(ContactId.parse("b1")).orElseThrow();
    String given = path.target().map(TargetText::of).orElseThrow();
    if (path.pin().isPresent()) {
      assertThat(chart).contains(given);
      assertThat(chart.contains("Button 17")).isEqualTo(given.equals("Button 17"));
    }
  }

  /** What the host reads itself has no report, and no descriptor to export. */
  @Test(dataProvider = "boards")
  public void whatTheHostReadsItselfHasNoReport(BoardKind board) {
    Bench bench = bench(board);
    boolean ofHost =
        Set.of(BoardKind.Link.HEADER, BoardKind.Link.PORT).contains(board.brain().link());
    assertThat(bench.ofHost()).isEqualTo(ofHost);
    Holds held = Holds.NONE.with(ContactId.parse("b1"), 1);
    var trace = bench.device().move(Holds.NONE, held, 1);
    boolean heard = bench.hearing().filter(h -> h.reaches()).isPresent();
    assertThat(trace.reports().isEmpty()).isEqualTo(ofHost || !heard);
    if (ofHost) {
      assertThatThrownBy(() -> text(bench, Exports.DESCRIPTOR))
          .hasMessageContaining("there is no report");
      assertThat(bench.path(ContactId.parse("b1")).orElseThrow().arrives()).isTrue();
    } else {
      assertThat(text(bench, Exports.DESCRIPTOR)).isNotEmpty();
    }
  }
}
