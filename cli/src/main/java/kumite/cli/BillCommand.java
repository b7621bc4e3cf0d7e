package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import kumite.bill.Carriers;
import kumite.bill.Item;
import kumite.bill.Shopping;
import kumite.bill.Stock;
import kumite.files.BuildFileException;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Works;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "bill",
    description =
        "All that a build takes, with spares; held against a drawer, what is to be bought and what"
            + " that costs.",
    mixinStandardHelpOptions = true)
final class BillCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--stock",
      paramLabel = "FILE",
      description = "The drawer: a table item,have,pieces,price,shop.")
  private Path stock;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException, IOException {
    Bench bench = input.bench();
    Stock drawer = drawer();
    Shopping shopping = Shopping.of(bench.get(Works.BILL), drawer);
    List<Carriers.Way> carriers = Carriers.of(bench.get(Desks.WORK), drawer);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ObjectNode node = node(shopping);
      ArrayNode ways = node.putArray("carriers");
      carriers.forEach(way -> ways.add(node(way)));
      out.println(Json.print(node));
    } else {
      print(shopping, out);
      carriers.forEach(way -> print(way, out));
    }
    return 0;
  }

  private Stock drawer() throws IOException {
    if (stock == null) {
      return Stock.EMPTY;
    }
    try {
      return Stock.read(Files.readString(stock));
    } catch (NoSuchFileException e) {
      throw new IllegalArgumentException(stock + ": there is no such file; check the name", e);
    } catch (MalformedInputException e) {
      throw new IllegalArgumentException(stock + ": it is no text in UTF-8; save it so", e);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(stock + ": " + e.getMessage(), e);
    }
  }

  // ---- JSON

  private static ObjectNode node(Shopping shopping) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    ArrayNode items = node.putArray("items");
    shopping.lines().forEach(line -> items.add(node(line)));
    ObjectNode sums = node.putObject("sums");
    shopping.sums().forEach((shop, sum) -> sums.put(shop.isEmpty() ? "no shop" : shop, sum));
    node.put("unpriced", shopping.unpriced());
    return node;
  }

  private static ObjectNode node(Carriers.Way way) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("how", way.how().words());
    node.put("area_mm2", Math.round(way.areaMm2()));
    node.put("joints", way.joints());
    way.price().ifPresent(price -> node.put("price", price));
    node.put("why", way.how().why());
    return node;
  }

  private static ObjectNode node(Shopping.Line line) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    Item item = line.item();
    node.put("id", item.id());
    node.put("group", item.group().title());
    node.put("what", item.what());
    node.put("unit", item.unit().words());
    node.put("need", item.need());
    node.put("spare", item.spare());
    node.put("have", line.have());
    node.put("buy", line.buy());
    node.put("short", line.missing());
    line.price().ifPresent(price -> node.put("price", price));
    line.sum().ifPresent(sum -> node.put("sum", sum));
    if (!line.shop().isEmpty()) {
      node.put("shop", line.shop());
    }
    ArrayNode others = node.putArray("alternatives");
    item.alternatives().forEach(others::add);
    ArrayNode instead = node.putArray("instead");
    line.instead().forEach(instead::add);
    line.cutting()
        .ifPresent(
            cutting -> {
              ArrayNode pieces = node.putArray("cut_from");
              cutting
                  .pieces()
                  .forEach(
                      piece -> {
                        ObjectNode one = pieces.addObject();
                        one.put("piece_mm", piece.lengthMm());
                        ArrayNode cuts = one.putArray("cuts_mm");
                        piece.cuts().forEach(cuts::add);
                        one.put("rest_mm", piece.restMm());
                      });
              ArrayNode left = node.putArray("not_cut_mm");
              cutting.unserved().forEach(left::add);
            });
    return node;
  }

  // ---- text

  private void print(Shopping shopping, PrintWriter out) {
    for (Item.Group group : Item.Group.values()) {
      boolean any = false;
      for (Shopping.Line line : shopping.lines()) {
        if (line.item().group() == group) {
          if (!any) {
            out.println(group.title());
            any = true;
          }
          print(line, out);
        }
      }
    }
    for (Map.Entry<String, Double> sum : shopping.sums().entrySet()) {
      out.println(
          (sum.getKey().isEmpty() ? "no shop named" : sum.getKey())
              + ": "
              + String.format(Locale.ROOT, "%.2f", sum.getValue()));
    }
    long bought = shopping.list().size();
    out.println(
        shopping.lines().size()
            + " items, "
            + bought
            + " to be bought"
            + (shopping.unpriced() > 0 ? ", " + shopping.unpriced() + " without a price" : ""));
  }

  private static void print(Carriers.Way way, PrintWriter out) {
    out.println(
        "small parts on "
            + way.how().words()
            + ": "
            + Math.round(way.areaMm2())
            + " mm², "
            + way.joints()
            + " joints"
            + (way.price().isPresent()
                ? String.format(Locale.ROOT, ", %.2f", way.price().getAsDouble())
                : "")
            + "; "
            + way.how().why());
  }

  private void print(Shopping.Line line, PrintWriter out) {
    Item item = line.item();
    String unit = item.unit().words().isEmpty() ? "" : " " + item.unit().words();
    out.println(
        "  "
            + item.words(item.need())
            + unit
            + (item.spare() > 0 ? " + " + item.words(item.spare()) + unit : "")
            + "  "
            + item.what()
            + "  ("
            + item.id()
            + ")"
            + (stock == null
                ? ""
                : "  have "
                    + item.words(line.have())
                    + unit
                    + ", buy "
                    + item.words(line.buy())
                    + unit)
            + (line.instead().isEmpty()
                ? ""
                : "; in its place: " + String.join(", ", line.instead())));
    line.cutting()
        .ifPresent(
            cutting ->
                cutting
                    .pieces()
                    .forEach(
                        piece ->
                            out.println(
                                "      from "
                                    + piece.lengthMm()
                                    + " mm: "
                                    + (piece.cuts().isEmpty() ? "nothing" : piece.cuts().toString())
                                    + ", rest "
                                    + piece.restMm()
                                    + " mm")));
  }
}
