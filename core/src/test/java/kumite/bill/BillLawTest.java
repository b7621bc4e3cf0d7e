package kumite.bill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.plan.PlanBook;
import kumite.component.Component;
import kumite.files.Demo;
import kumite.files.Tables;
import kumite.kind.Landing;
import kumite.loom.Strand;
import kumite.parts.Catalogue;
import kumite.plan.SeatWork;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Works;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A bill counts what the other papers count; wire is cut from stock as well as can be. */
public class BillLawTest {
  private static Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  private static List<Build> builds() throws Exception {
    List<Build> all = new ArrayList<>();
    for (String demo :
        List.of("ferry-bridge", "lantern-duel", "one-hand", "quarter-turn", "attic-pads")) {
      all.add(Demo.open(demo, Catalogue.standard()));
    }
    SplittableRandom random = new SplittableRandom(27);
    for (int i = 0; i < 12; i++) {
      all.add(RandomBuilds.any(random));
    }
    return all;
  }

  /** Controls, holes, wires, tabs and parts are as many as drill table, cut list and loom say. */
  @Test
  public void theBillCountsWhatThePapersCount() throws Exception {
    for (Build build : builds()) {
      Bench bench = bench(build);
      Bill bill = bench.get(Works.BILL);
      Set<String> ids = new HashSet<>();
      bill.items().forEach(item -> assertThat(ids.add(item.id())).as(item.id()).isTrue());
      double controls = sum(bill, Item.Group.CONTROLS);
      assertThat(controls).isEqualTo(build.controls().size());
      long screws =
          bench.drill().holes().stream()
                  .filter(hole -> hole.control().isPresent() && !hole.cutout())
                  .count()
              + build.controls().stream()
                  .filter(control -> control.face().isPresent())
                  .mapToInt(control -> bench.catalogue().kindOf(control).screws().size())
                  .sum();
      assertThat(
              bill.items().stream()
                  .filter(i -> i.id().startsWith("screw-"))
                  .mapToDouble(Item::need)
                  .sum())
          .isEqualTo(screws);
      List<Strand> cut = new ArrayList<>();
      int parts = 0;
      Map<String, Integer> tabs = new HashMap<>();
      for (SeatWork seat : bench.get(Desks.WORK)) {
        seat.loom().strands().stream().filter(Strand::cutHere).forEach(cut::add);
        parts += seat.loom().partCounts().stream().mapToInt(part -> part.count()).sum();
        Set<String> places = new HashSet<>();
        for (Strand strand : seat.loom().strands()) {
          for (Strand.End end : List.of(strand.from(), strand.to())) {
            boolean tab = end.landing().how() == Landing.How.PUSH_ON;
            if (strand.cutHere() && tab && places.add(end.place().toString())) {
              tabs.merge(end.landing().words(), 1, Integer::sum);
            }
          }
        }
      }
      assertThat(sum(bill, Item.Group.WIRE))
          .isCloseTo(cut.stream().mapToInt(Strand::lengthMm).sum() / 1000.0, within(1e-9));
      assertThat(
              bill.items().stream()
                  .filter(i -> i.group() == Item.Group.WIRE)
                  .mapToInt(i -> i.cuts().size())
                  .sum())
          .isEqualTo(cut.size());
      tabs.forEach(
          (words, count) ->
              assertThat(
                      bill.item("joint-" + words.replace(' ', '-').replace('.', '-'))
                          .orElseThrow()
                          .need())
                  .isEqualTo((double) count));
      assertThat(sum(bill, Item.Group.SMALL_PARTS)).isGreaterThanOrEqualTo(parts);
      assertThat(Tables.bill(bill).lines().count()).isEqualTo(bill.items().size() + 1L);
    }
  }

  private static double sum(Bill bill, Item.Group group) {
    return bill.items().stream()
        .filter(item -> item.group() == group)
        .mapToDouble(Item::need)
        .sum();
  }

  /** What is not used is neither bought nor wired; what is there is wired and not bought. */
  @Test
  public void marksTakeThingsOffTheBill() throws Exception {
    Build build = Demo.open("ferry-bridge", Catalogue.standard());
    Bill all = bench(build).get(Works.BILL);
    Bill there =
        bench(build.with(PlanBook.PART, PlanBook.EMPTY.withAlready("horn"))).get(Works.BILL);
    Bill dark = bench(build.with(PlanBook.PART, PlanBook.EMPTY.withUnused("horn"))).get(Works.BILL);
    assertThat(all.item("button-30-lamp")).isPresent();
    assertThat(there.item("button-30-lamp")).isEmpty();
    assertThat(dark.item("button-30-lamp")).isEmpty();
    assertThat(sum(there, Item.Group.WIRE)).isEqualTo(sum(all, Item.Group.WIRE));
    assertThat(sum(dark, Item.Group.WIRE)).isLessThan(sum(all, Item.Group.WIRE));
  }

  /** A made board takes one joint an end; wires of perforated board only add; chips never hang. */
  @Test
  public void carriersAreComparedByJoints() throws Exception {
    int compared = 0;
    for (Build build : builds()) {
      List<SeatWork> seats = bench(build).get(Desks.WORK);
      List<Component> parts =
          seats.stream()
              .flatMap(seat -> seat.loom().parts().stream())
              .filter(Component::fitted)
              .toList();
      int ends = parts.stream().mapToInt(part -> part.ends().size()).sum();
      boolean chips =
          parts.stream()
              .anyMatch(p -> p instanceof Component.Register || p instanceof Component.Multiplexer);
      Map<Carriers.How, Carriers.Way> ways = new HashMap<>();
      Carriers.of(seats, Stock.EMPTY).forEach(way -> ways.put(way.how(), way));
      assertThat(ways.isEmpty()).isEqualTo(parts.isEmpty());
      if (!parts.isEmpty()) {
        compared++;
        assertThat(ways.containsKey(Carriers.How.HANGING)).isEqualTo(!chips);
        assertThat(ways.get(Carriers.How.MADE).joints()).isEqualTo(ends);
        assertThat(ways.get(Carriers.How.PERF).joints()).isGreaterThanOrEqualTo(ends);
        assertThat(ways.get(Carriers.How.PERF).areaMm2())
            .isGreaterThan(ways.get(Carriers.How.MADE).areaMm2());
      }
    }
    assertThat(compared).isGreaterThan(3);
  }

  // ---- wire against its joint

  @DataProvider
  public Object[][] gauges() {
    return new Object[][] { // common practice: what such connectors are sold for
      {6.3, 16, Landing.Fit.FITS},
      {6.3, 24, Landing.Fit.FITS},
      {6.3, 26, Landing.Fit.FOLDED},
      {6.3, 30, Landing.Fit.TOO_THIN},
      {6.3, 12, Landing.Fit.TOO_THICK},
      {4.8, 22, Landing.Fit.FITS},
      {4.8, 28, Landing.Fit.FOLDED},
      {2.8, 16, Landing.Fit.TOO_THICK},
      {2.8, 26, Landing.Fit.FITS},
    };
  }

  /** A wire that does not suit its tab is told with the gauge that does; a sound one never. */
  @Test(dataProvider = "gauges")
  public void aWireIsHeldAgainstItsTab(double tab, int awg, Landing.Fit fit) throws Exception {
    assertThat(Landing.tab(tab).fit(awg)).isEqualTo(fit);
    assertThat(Landing.of(Landing.How.LUG).fit(awg)).isEqualTo(Landing.Fit.FITS);
    Build desk = Demo.open("ferry-bridge", Catalogue.standard());
    Build laid = desk.withLoom(desk.loom().withLaying(desk.loom().laying().withGauge(awg)));
    boolean off =
        Set.of(Landing.Fit.TOO_THIN, Landing.Fit.TOO_THICK).contains(Landing.tab(4.8).fit(awg));
    var found =
        bench(laid).findings().stream().filter(f -> f.code().text().equals("LM-21")).toList();
    assertThat(found).hasSize(off ? 1 : 0);
    if (off) {
      Build mended = found.get(0).fix().orElseThrow().edit().apply(laid);
      assertThat(bench(mended).findings().stream().map(f -> f.code().text()))
          .doesNotContain("LM-21");
    }
  }

  // ---- cutting

  /**
   * All ways to put lengths into pieces, tried one after another, share no code with the cutter.
   */
  private static int[] exhaustive(List<Integer> lengths, List<Integer> stock) {
    int ways = 1;
    for (int i = 0; i < lengths.size(); i++) {
      ways *= stock.size() + 1;
    }
    int[] best = {Integer.MAX_VALUE, Integer.MAX_VALUE};
    for (int way = 0; way < ways; way++) {
      int[] used = new int[stock.size()];
      int unserved = 0;
      int rest = way;
      for (int length : lengths) {
        int piece = rest % (stock.size() + 1);
        rest /= stock.size() + 1;
        if (piece == stock.size()) {
          unserved += length;
        } else {
          used[piece] += length;
        }
      }
      int opened = 0;
      boolean fits = true;
      for (int p = 0; p < used.length; p++) {
        fits &= used[p] <= stock.get(p);
        opened += used[p] > 0 ? stock.get(p) : 0;
      }
      if (fits && (unserved < best[0] || unserved == best[0] && opened < best[1])) {
        best = new int[] {unserved, opened};
      }
    }
    return best;
  }

  @Test
  public void smallCasesAreCutAsWellAsCanBe() {
    SplittableRandom random = new SplittableRandom(11);
    for (int i = 0; i < 150; i++) {
      List<Integer> lengths = drawn(random, 1 + random.nextInt(6), 400);
      List<Integer> stock = drawn(random, 1 + random.nextInt(4), 900);
      Cutting cutting = Cutting.of(lengths, stock);
      whole(cutting, lengths, stock);
      assertThat(new int[] {cutting.unservedMm(), cutting.openedMm()})
          .as("%s from %s", lengths, stock)
          .isEqualTo(exhaustive(lengths, stock));
    }
  }

  /** Never worse than longest first into the first piece that has room, written out once more. */
  @Test
  public void largeCasesAreNeverWorseThanFirstFitDecreasing() {
    SplittableRandom random = new SplittableRandom(12);
    for (int i = 0; i < 60; i++) {
      List<Integer> lengths = drawn(random, 300, 900);
      List<Integer> stock = drawn(random, 1 + random.nextInt(40), 6000);
      Cutting cutting = Cutting.of(lengths, stock);
      whole(cutting, lengths, stock);
      List<Integer> sorted = new ArrayList<>(lengths);
      sorted.sort(Collections.reverseOrder());
      int[] room = stock.stream().mapToInt(mm -> mm).toArray();
      int unserved = 0;
      for (int length : sorted) {
        int p = 0;
        while (p < room.length && room[p] < length) {
          p++;
        }
        if (p < room.length) {
          room[p] -= length;
        } else {
          unserved += length;
        }
      }
      assertThat(cutting.unservedMm()).isLessThanOrEqualTo(unserved);
    }
  }

  private static List<Integer> drawn(SplittableRandom random, int count, int most) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      all.add(20 + 5 * random.nextInt(most / 5));
    }
    return all;
  }

  /** Each length is cut once or not at all, and no piece is longer than it is. */
  private static void whole(Cutting cutting, List<Integer> lengths, List<Integer> stock) {
    List<Integer> all = new ArrayList<>(cutting.unserved());
    cutting.pieces().forEach(piece -> all.addAll(piece.cuts()));
    assertThat(all).containsExactlyInAnyOrderElementsOf(lengths);
    assertThat(cutting.pieces().stream().map(Cutting.Piece::lengthMm)).isEqualTo(stock);
    assertThat(cutting.pieces()).allMatch(piece -> piece.restMm() >= 0);
  }

  // ---- the drawer

  @Test
  public void aDrawerIsHeldAgainstTheBill() throws Exception {
    Bill bill = bench(Demo.open("ferry-bridge", Catalogue.standard())).get(Works.BILL);
    Item black = bill.item("wire-22-BK").orElseThrow();
    int all = black.cuts().stream().mapToInt(mm -> mm).sum();
    Stock stock =
        Stock.read(
            "item;have;pieces;price;shop\nbutton-30;5;;1,50;Bench\nlever-8;4;;20;Bench\n"
                + "wire-22-BK;;"
                + 2 * all
                + ";0,2;Wire\nwire-22-RD;;60x20;0.2;Wire\nsolder;2;;;\n");
    Map<String, Shopping.Line> lines = new HashMap<>();
    Shopping shopping = Shopping.of(bill, stock);
    shopping.lines().forEach(line -> lines.put(line.item().id(), line));
    assertThat(lines.get("button-30").buy()).isEqualTo(2);
    assertThat(lines.get("button-30").missing()).isTrue();
    assertThat(lines.get("button-30").sum()).hasValue(3.0);
    assertThat(lines.get("lever-8").buy()).isZero();
    assertThat(lines.get("wire-22-BK").buy()).isZero();
    assertThat(lines.get("wire-22-RD").missing()).isTrue();
    assertThat(lines.get("wire-22-RD").cutting().orElseThrow().unserved()).isNotEmpty();
    assertThat(lines.get("solder").buy())
        .isEqualTo(Math.ceil(lines.get("solder").item().wanted() - 2));
    assertThat(shopping.sums()).containsEntry("Bench", 3.0).containsKey("Wire");
    assertThat(Stock.read(stock.text())).isEqualTo(stock);
  }

  /** Alternatives fit the same hole, are no deeper and have the same contacts. */
  @Test
  public void alternativesFit() throws Exception {
    Catalogue catalogue = Catalogue.standard();
    int found = 0;
    for (Build build : builds()) {
      for (Item item : bench(build).get(Works.BILL).items()) {
        for (String id : item.alternatives()) {
          var one = catalogue.control(item.id()).orElseThrow();
          var other = catalogue.control(id).orElseThrow();
          assertThat(other.cutout()).isEqualTo(one.cutout());
          assertThat(other.bodyDepthMm()).isLessThanOrEqualTo(one.bodyDepthMm());
          assertThat(other.contacts()).hasSameSizeAs(one.contacts());
          found++;
        }
      }
    }
    assertThat(found).isPositive();
  }

  @DataProvider
  public Object[][] wrongDrawers() {
    return new Object[][] {
      {"", "row 1"},
      {"have,price\n1,2\n", "no column \"item\""},
      {"item,have,colour\na,1,red\n", "columns colour are unknown"},
      {"item,have,have\na,1,1\n", "row 1, have: the column is there twice"},
      {"item,have\na,-1\n", "row 2, have: \"-1\" must be 0"},
      {"item,have\na,many\n", "row 2, have: \"many\" is no number"},
      {"item,price\na,1.234,56\n", "row 2: it has 3 cells under 2 columns"},
      {"item,price\na,\"1.234,56\"\n", "row 2, price: \"1.234,56\" is no number"},
      {"item,price\na,$5\n", "row 2, price: \"$5\" is no number"},
      {"item,have\n,1\n", "row 2, item: it is empty"},
      {"item,have\na,1\na,2\n", "row 3, item: \"a\" is there twice"},
      {"item,pieces\na,3m\n", "row 2, pieces: \"3m\" is no length"},
      {"item,pieces\na,300x9999\n", "row 2, pieces"},
      {"item,pieces\na,0\n", "row 2, pieces"},
      {"item,have\n\"a,1\n", "row 2: a quote is not closed"},
    };
  }

  @Test(dataProvider = "wrongDrawers")
  public void aWrongDrawerIsNamedByRowAndColumn(String text, String words) {
    assertThatThrownBy(() -> Stock.read(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(words);
  }
}
