package kumite.lead;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.table.Table;
import kumite.working.Source;

/**
 * A builder's own connectors and roles of pins, from tables or from a file shaped like the shipped
 * {@code connectors.json}.
 *
 * @param connectors of the builder's own
 * @param pinouts of the builder's own
 */
public record OwnPlugs(List<ConnectorKind> connectors, List<Pinout> pinouts) {
  private static final List<String> PLACES = List.of("pin", "x", "y");
  private static final List<String> ROLES = List.of("pin", "function", "flow", "some");

  /** So much room is drawn round the outermost pins of a connector told by its pins alone. */
  private static final double RIM_MM = 2.5;

  public OwnPlugs {
    connectors = List.copyOf(connectors);
    pinouts = List.copyOf(pinouts);
  }

  /**
   * Reads a file with lists {@code connectors} and {@code pinouts}, each optional.
   *
   * @throws kumite.json.Misfit if it is none; the message names the key
   */
  public static OwnPlugs read(String text) {
    JsonNode root = JsonText.read(text);
    Key top = new Key("", root);
    List<ConnectorKind> connectors = new ArrayList<>();
    for (Key key : top.has("connectors") ? top.objects("connectors") : List.<Key>of()) {
      connectors.add(ConnectorFile.CONNECTOR.read(key.here()));
    }
    List<Pinout> pinouts = new ArrayList<>();
    for (Key key : top.has("pinouts") ? top.objects("pinouts") : List.<Key>of()) {
      pinouts.add(ConnectorFile.PINOUT.read(key.here()));
    }
    top.done();
    return new OwnPlugs(connectors, pinouts);
  }

  /**
   * {@return a connector told by where its pins are}
   *
   * @param name for people; its id is made from that
   * @param table a row a pin, {@code pin,x,y}: mm or in to the right and up, looking at the mating
   *     face of the half with pins
   * @param how how a wire is put on
   * @param unit of places that are typed without one
   * @throws IllegalArgumentException if a row is no pin; the message names it
   */
  public static ConnectorKind connector(String name, String table, Wired.How how, LengthUnit unit) {
    List<ConnectorKind.Pin> pins = new ArrayList<>();
    for (Map<String, String> row : rows(table, PLACES, List.of("pin", "x", "y"))) {
      String at = row.get("");
      pins.add(
          new ConnectorKind.Pin(
              row.get("pin"), new Point(mm(row.get("x"), unit, at), mm(row.get("y"), unit, at))));
    }
    double left = pins.stream().mapToDouble(p -> p.at().xMm()).min().orElse(0);
    double right = pins.stream().mapToDouble(p -> p.at().xMm()).max().orElse(0);
    double low = pins.stream().mapToDouble(p -> p.at().yMm()).min().orElse(0);
    double high = pins.stream().mapToDouble(p -> p.at().yMm()).max().orElse(0);
    double x = (left + right) / 2;
    double y = (low + high) / 2;
    double wide = (right - left) / 2 + RIM_MM;
    double tall = (high - low) / 2 + RIM_MM;
    return new ConnectorKind(
        id(name),
        name,
        "told by its pins",
        pins.stream()
            .map(
                p -> new ConnectorKind.Pin(p.name(), new Point(p.at().xMm() - x, p.at().yMm() - y)))
            .toList(),
        List.of(
            new Point(-wide, tall),
            new Point(wide, tall),
            new Point(wide, -tall),
            new Point(-wide, -tall)),
        List.of(),
        List.of(),
        "as you measured it, looking at the pins",
        List.of(new Wired(how, 4, 20, 30, "as the connector's maker says")),
        1,
        Gender.FEMALE,
        Source.given("measured by you"));
  }

  private static double mm(String typed, LengthUnit unit, String row) {
    boolean minus = typed.startsWith("-");
    try {
      double mm = typed.isEmpty() ? 0 : Length.parse(minus ? typed.substring(1) : typed, unit).mm();
      return minus ? -mm : mm;
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(row + ": " + e.getMessage(), e);
    }
  }

  /**
   * {@return roles of a connector's pins}
   *
   * @param table a row a pin, {@code pin,function,flow}: flow as contact, pot, from_pad, from_host,
   *     both, host_supplies, pad_supplies, ground or free
   * @param volts of its supply and signals
   * @throws IllegalArgumentException if a row is none; the message names it
   */
  public static Pinout pinout(String name, ConnectorKind kind, double volts, String table) {
    List<Pinout.Pin> pins = new ArrayList<>();
    for (Map<String, String> row : rows(table, ROLES, List.of("pin", "function"))) {
      String at = row.get("");
      if (!kind.has(row.get("pin"))) {
        throw new IllegalArgumentException(
            at + ": " + kind.name() + " has no pin \"" + row.get("pin") + "\"");
      }
      Function function = Function.named(row.get("function"));
      pins.add(
          new Pinout.Pin(
              row.get("pin"), function, flow(row.get("flow"), function, at), yes(row.get("some"))));
    }
    return new Pinout(
        id(name), name, kind.id(), volts, 0, pins, Set.of(), Source.given("told by you"));
  }

  private static boolean yes(String cell) {
    return cell.equalsIgnoreCase("yes") || cell.equalsIgnoreCase("true");
  }

  /** Supply and ground say what flows by their names; others have to. */
  private static Flow flow(String word, Function function, String row) {
    if (word.isEmpty()) {
      if (function == Function.Known.SUPPLY) {
        return Flow.HOST_SUPPLIES;
      }
      return function == Function.Known.GROUND ? Flow.GROUND : Flow.CONTACT;
    }
    for (Flow flow : Flow.values()) {
      if (flow.name().equalsIgnoreCase(word.replace(' ', '_'))) {
        return flow;
      }
    }
    throw new IllegalArgumentException(
        row
            + ": \""
            + word
            + "\" is no flow; use contact, pot, from_pad, from_host, both, host_supplies,"
            + " pad_supplies, ground or free");
  }

  /** Rows by the names of their columns, and under the empty name which row it is. */
  private static List<Map<String, String>> rows(
      String text, List<String> names, List<String> needed) {
    Table table = Table.read(text, names);
    if (table.rows().isEmpty()) {
      throw new IllegalArgumentException(
          "the table is empty; begin with a row " + String.join(",", needed));
    }
    List<String> head =
        table.rows().get(0).cells().stream().map(c -> c.toLowerCase(Locale.ROOT)).toList();
    for (String name : head) {
      if (!name.isEmpty() && !names.contains(name)) {
        throw new IllegalArgumentException(
            "row 1: no column is called \"" + name + "\"; use " + String.join(", ", names));
      }
    }
    for (String name : needed) {
      if (!head.contains(name)) {
        throw new IllegalArgumentException("row 1: the column \"" + name + "\" is missing");
      }
    }
    List<Map<String, String>> rows = new ArrayList<>();
    for (Table.Row row : table.rows().subList(1, table.rows().size())) {
      Map<String, String> cells = new HashMap<>();
      names.forEach(name -> cells.put(name, ""));
      for (int i = 0; i < Math.min(head.size(), row.cells().size()); i++) {
        cells.put(head.get(i), row.cells().get(i));
      }
      cells.put("", "row " + row.line());
      if (cells.get("pin").isEmpty()) {
        throw new IllegalArgumentException("row " + row.line() + ": the pin is missing");
      }
      rows.add(cells);
    }
    if (rows.isEmpty()) {
      throw new IllegalArgumentException("the table names no pin; add a row for each");
    }
    return rows;
  }

  private static String id(String name) {
    String plain =
        name.strip().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    String letters = plain.matches("[a-z].*") ? plain : "own-" + plain;
    return Optional.of(letters.substring(0, Math.min(40, letters.length())))
        .map(id -> id.replaceAll("-$", ""))
        .orElseThrow();
  }
}
