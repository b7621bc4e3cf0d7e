package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.loom.CutList;
import kumite.loom.Strand;
import kumite.measure.Shape;
import kumite.name.Jumper;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.wiring.Wiring;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Every table that leaves the application, read back by another parser (RFC 4180) and held against
 * the wiring as it is, on builds that nobody thought of.
 */
public class TablesTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Bench bench(int seed) {
    return Bench.of(RandomBuilds.any(new SplittableRandom(7000 + seed)), CATALOGUE);
  }

  private static List<CSVRecord> rows(String text) throws Exception {
    try (CSVParser parser =
        CSVParser.parse(
            new StringReader(text),
            CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get())) {
      List<CSVRecord> rows = parser.getRecords();
      rows.forEach(row -> assertThat(row.isConsistent()).isTrue());
      return rows;
    }
  }

  private static double number(CSVRecord row, String column) {
    return Double.parseDouble(row.get(column));
  }

  /** The chart has each wire that is there, and each that should be: neither more nor less. */
  @Test(dataProvider = "seeds")
  public void theWiringChartIsTheWiringAsItIs(int seed) throws Exception {
    Bench bench = bench(seed);
    Set<Jumper> there = new HashSet<>();
    Set<String> planned = new HashSet<>();
    for (CSVRecord row : rows(Tables.wiring(bench))) {
      String state = row.get("state");
      if (state.equals("by hand")) {
        assertThat(row.get("strand")).isEmpty();
        there.add(
            Jumper.parse(
                row.get("from")
                    + ":"
                    + row.get("from_tab")
                    + " - "
                    + row.get("to")
                    + ":"
                    + row.get("to_tab")));
        continue;
      }
      Strand strand =
          bench.loom().strands().stream()
              .filter(s -> s.id().equals(row.get("strand")))
              .findFirst()
              .orElseThrow();
      assertThat(planned.add(strand.id())).as("%s once", strand.id()).isTrue();
      assertThat(row.get("colour")).isEqualTo(strand.colour().code());
      assertThat(number(row, "length_mm")).isEqualTo(strand.lengthMm());
      assertThat(row.get("done").equals("yes"))
          .isEqualTo(bench.build().loom().done().contains(strand.wire()));
      if (state.equals("planned")) {
        there.add(strand.wire());
      } else {
        assertThat(state).isEqualTo("left out");
        assertThat(bench.build().loom().leftOut()).contains(strand.wire());
      }
    }
    assertThat(planned).hasSize(bench.loom().strands().size());
    assertThat(there)
        .isEqualTo(bench.wiring().map(wiring -> wiring.wires().keySet()).orElse(Set.of()));
  }

  /** What is bought of a colour is what is cut of it, with a tenth more. */
  @Test(dataProvider = "seeds")
  public void theCutListAddsUp(int seed) throws Exception {
    Bench bench = bench(seed);
    Map<String, Double> cut = new TreeMap<>();
    Map<String, Double> buy = new HashMap<>();
    int count = 0;
    for (CSVRecord row : rows(Tables.cutList(bench))) {
      String spool = row.get("gauge_awg") + row.get("colour");
      cut.merge(spool, number(row, "length_mm") / 1000, Double::sum);
      buy.put(spool, number(row, "buy_of_colour_m"));
      assertThat(number(row, "from_strip_mm")).isBetween(0.0, 30.0);
      count++;
    }
    assertThat(count).isEqualTo(bench.loom().strands().size());
    cut.forEach(
        (spool, metres) ->
            assertThat(buy.get(spool))
                .as(spool)
                .isCloseTo(metres * (1 + CutList.SPARE), within(0.006)));
    assertThat(cut.values().stream().mapToDouble(m -> m).sum())
        .isCloseTo(bench.loom().totalMetres(), within(1e-6));
  }

  /** Ends that share a joint say so of each other. */
  @Test(dataProvider = "seeds")
  public void sharedJointsAreNamedFromBothSides(int seed) throws Exception {
    Map<String, Set<String>> with = new HashMap<>();
    for (CSVRecord row : rows(Tables.cutList(bench(seed)))) {
      Set<String> partners = with.computeIfAbsent(row.get("strand"), id -> new HashSet<>());
      for (String column : List.of("from_with", "to_with")) {
        if (!row.get(column).isEmpty()) {
          partners.addAll(List.of(row.get(column).split(" and ")));
        }
      }
    }
    with.forEach(
        (strand, partners) ->
            partners.forEach(
                partner ->
                    assertThat(with.get(partner))
                        .as("%s shares with %s", partner, strand)
                        .contains(strand)));
  }

  @Test(dataProvider = "seeds")
  public void theDrillTableIsTheDrillPlan(int seed) throws Exception {
    Bench bench = bench(seed);
    List<CSVRecord> rows = rows(Tables.drill(bench));
    assertThat(rows).hasSize(bench.drill().holes().size());
    Set<Integer> orders = new HashSet<>();
    double width = bench.build().panel().widthMm();
    for (int i = 0; i < rows.size(); i++) {
      CSVRecord row = rows.get(i);
      DrillPlan.Hole hole = bench.drill().holes().get(i);
      assertThat(row.get("control")).isEqualTo(hole.control().map(c -> c.text()).orElse(""));
      assertThat(number(row, "x_mm")).isCloseTo(hole.xMm(), within(0.011));
      assertThat(number(row, "y_mm")).isCloseTo(hole.yMm(), within(0.011));
      assertThat(number(row, "below_x_mm"))
          .as("turned over left to right")
          .isCloseTo(width - hole.stored().xMm(), within(0.011));
      if (hole.shape() instanceof Shape.Round round) {
        assertThat(number(row, "diameter_mm")).isCloseTo(round.diameterMm(), within(0.011));
        assertThat(row.get("width_mm") + row.get("height_mm")).isEmpty();
      } else {
        assertThat(number(row, "width_mm")).isCloseTo(hole.shape().widthMm(), within(0.011));
        assertThat(row.get("diameter_mm")).isEmpty();
      }
      orders.add(Integer.parseInt(row.get("order")));
    }
    assertThat(orders)
        .as("numbers are those of the work, each once")
        .isEqualTo(new HashSet<>(IntStream.rangeClosed(1, rows.size()).boxed().toList()));
  }

  /** Each place stands in one net only, and the two forms of the netlist say the same. */
  @Test(dataProvider = "seeds")
  public void theNetlistHasEachPlaceOnce(int seed) throws Exception {
    Bench bench = bench(seed);
    if (bench.wiring().isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Wiring wiring = bench.wiring().get();
    List<String> places = new ArrayList<>();
    Map<String, Set<String>> nets = new TreeMap<>();
    for (CSVRecord row : rows(Tables.netlist(wiring))) {
      String place = row.get("part") + ":" + row.get("tab");
      places.add(place);
      nets.computeIfAbsent(row.get("net"), net -> new HashSet<>()).add(place);
    }
    assertThat(places).doesNotHaveDuplicates();
    for (Jumper wire : wiring.wires().keySet()) {
      assertThat(nets.values())
          .as("%s joins its ends", wire)
          .anyMatch(net -> net.contains(wire.a().toString()) && net.contains(wire.b().toString()));
    }
    Map<String, Set<String>> json = new TreeMap<>();
    new com.fasterxml.jackson.databind.ObjectMapper()
        .readTree(Tables.netlistJson(wiring))
        .forEach(
            net -> {
              Set<String> of = new HashSet<>();
              net.get("pins").forEach(p -> of.add(place(p)));
              json.put(net.get("net").asText(), of);
            });
    assertThat(json).isEqualTo(nets);
  }

  private static String place(com.fasterxml.jackson.databind.JsonNode node) {
    return node.get("part").asText() + ":" + node.get("tab").asText();
  }

  /** Every export of every build is written or says in words why not; the same bytes each time. */
  @Test(dataProvider = "seeds")
  public void tablesAreTheSameEachTime(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(7000 + seed));
    for (Export export :
        new Export[] {
          Exports.WIRING,
          Exports.CUT_LIST,
          Exports.DRILL,
          Exports.NETLIST,
          Exports.PARTS,
          Exports.SVG,
          Exports.DXF,
          Exports.DESCRIPTOR,
          Exports.SPICE
        }) {
      try {
        byte[] once = export.content(Bench.of(build, CATALOGUE), Export.Choices.USUAL);
        byte[] again = export.content(Bench.of(build, CATALOGUE), Export.Choices.USUAL);
        assertThat(again).as(export.word()).isEqualTo(once);
      } catch (IllegalArgumentException e) {
        assertThat(e.getMessage()).as(export.word()).isNotBlank().doesNotContain("\n");
      }
    }
  }
}
