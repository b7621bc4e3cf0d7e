package kumite.files;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.dataformat.csv.CsvGenerator;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import kumite.loom.Joints;
import kumite.loom.Netlist;
import kumite.loom.Strand;
import kumite.measure.Shape;
import kumite.name.Joint;
import kumite.panel.DrillPlan;
import kumite.verdict.Bench;

/** Tables as CSV (RFC 4180, header line first, point as decimal mark, CR LF line ends). */
public final class Tables {
  private static final CsvMapper CSV =
      CsvMapper.csvBuilder().enable(CsvGenerator.Feature.STRICT_CHECK_FOR_QUOTING).build();

  private Tables() {}

  /** {@return the holes of the panel: one row a hole, millimetres from the build's datum} */
  public static String drill(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      boolean round = hole.shape() instanceof Shape.Round;
      rows.add(
          List.of(
              hole.control().text(),
              hole.label(),
              hole.purpose(),
              number(hole.xMm()),
              number(hole.yMm()),
              round ? number(hole.shape().widthMm()) : "",
              round ? "" : number(hole.shape().widthMm()),
              round ? "" : number(hole.shape().heightMm()),
              number(hole.turnDegrees()),
              hole.nearestInch(),
              number(hole.belowXMm()),
              hole.toolWords(),
              hole.tool().map(t -> number(t.tool().diameterMm())).orElse(""),
              hole.tool().map(t -> number(t.playMm())).orElse(""),
              hole.tool().map(t -> number(t.tool().pilotMm())).orElse(""),
              number(hole.sinkMm()),
              String.valueOf(hole.order())));
    }
    return csv(
        List.of(
            "control",
            "label",
            "purpose",
            "x_mm",
            "y_mm",
            "diameter_mm",
            "width_mm",
            "height_mm",
            "turn_degrees",
            "nearest_inch",
            "below_x_mm",
            "tool",
            "tool_mm",
            "play_mm",
            "pilot_mm",
            "sink_mm",
            "order"),
        rows);
  }

  /** {@return the strands of the loom: one row a strand} */
  public static String wiring(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    for (Strand strand : bench.loom().strands()) {
      rows.add(
          List.of(
              strand.id(),
              strand.contact().map(Object::toString).orElse(""),
              strand.from().part(),
              strand.from().tab(),
              strand.from().joint(),
              strand.to().part(),
              strand.to().tab(),
              strand.to().joint(),
              strand.colour().code(),
              String.valueOf(strand.gaugeAwg()),
              String.valueOf(strand.lengthMm())));
    }
    return csv(
        List.of(
            "strand",
            "contact",
            "from",
            "from_tab",
            "from_joint",
            "to",
            "to_tab",
            "to_joint",
            "colour",
            "gauge_awg",
            "length_mm"),
        rows);
  }

  /** {@return the nets as a table: one row a place} */
  public static String netlist(Netlist netlist) {
    List<List<String>> rows = new ArrayList<>();
    for (Netlist.Net net : netlist.nets()) {
      for (Netlist.Pin pin : net.pins()) {
        rows.add(
            List.of(
                net.name(),
                pin.joint().part(),
                pin.joint().tab(),
                pin.role().name().toLowerCase(Locale.ROOT),
                pin.volts() == 0 ? "" : number(pin.volts()),
                String.join(" ", net.strands())));
      }
    }
    return csv(List.of("net", "part", "tab", "role", "volts", "strands"), rows);
  }

  /** {@return the nets as JSON, an array of nets with their places} */
  public static String netlistJson(Netlist netlist) {
    ArrayNode nets = JsonNodeFactory.instance.arrayNode();
    for (Netlist.Net net : netlist.nets()) {
      ObjectNode node = nets.addObject();
      node.put("net", net.name());
      ArrayNode pins = node.putArray("pins");
      for (Netlist.Pin pin : net.pins()) {
        ObjectNode item = pins.addObject();
        item.put("part", pin.joint().part());
        item.put("tab", pin.joint().tab());
        item.put("role", pin.role().name().toLowerCase(Locale.ROOT));
        if (pin.volts() != 0) {
          item.put("volts_v", pin.volts());
        }
      }
      ArrayNode strands = node.putArray("strands");
      net.strands().forEach(strands::add);
    }
    return nets.toPrettyString();
  }

  /** Share of each colour and gauge bought beyond what is cut: common practice, no source. */
  public static final double SPARE = 0.1;

  /** {@return the strands in the order they are cut: by gauge and colour, longest first} */
  public static String cutList(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    Map<Joint, List<String>> shared = Joints.shared(bench.loom());
    Map<String, Integer> totals = new TreeMap<>();
    for (Strand strand : bench.loom().strands()) {
      totals.merge(strand.gaugeAwg() + " " + strand.colour(), strand.lengthMm(), Integer::sum);
    }
    bench.loom().strands().stream()
        .sorted(
            Comparator.comparingInt(Strand::gaugeAwg)
                .thenComparing(Strand::colour)
                .thenComparing(Comparator.comparingInt(Strand::lengthMm).reversed()))
        .forEach(
            strand ->
                rows.add(
                    List.of(
                        String.valueOf(strand.gaugeAwg()),
                        strand.colour().code(),
                        strand.id(),
                        String.valueOf(strand.lengthMm()),
                        strand.from().words(),
                        strand.from().joint(),
                        number(Joints.stripMm(strand.from().joint())),
                        strand.to().words(),
                        strand.to().joint(),
                        number(Joints.stripMm(strand.to().joint())),
                        Joints.partner(shared, strand, strand.from().place()).orElse(""),
                        Joints.partner(shared, strand, strand.to().place()).orElse(""),
                        strand.way().map(String::valueOf).orElse(""),
                        number(
                            totals.get(strand.gaugeAwg() + " " + strand.colour())
                                * (1 + SPARE)
                                / 1000))));
    return csv(
        List.of(
            "gauge_awg",
            "colour",
            "strand",
            "length_mm",
            "from",
            "from_joint",
            "from_strip_mm",
            "to",
            "to_joint",
            "to_strip_mm",
            "from_with",
            "to_with",
            "connector_way",
            "buy_of_colour_m"),
        rows);
  }

  /** {@return the descriptor as hexadecimal, sixteen bytes a line} */
  public static String hex(byte[] bytes) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < bytes.length; i++) {
      text.append(String.format(Locale.ROOT, "%02X", bytes[i] & 0xFF));
      text.append(i % 16 == 15 || i == bytes.length - 1 ? "\n" : " ");
    }
    return text.toString();
  }

  private static String number(double value) {
    String text = String.format(Locale.ROOT, "%.2f", value);
    return text.equals("-0.00") ? "0.00" : text;
  }

  private static String csv(List<String> header, List<List<String>> rows) {
    CsvSchema.Builder schema = CsvSchema.builder().setUseHeader(true).setLineSeparator("\r\n");
    header.forEach(schema::addColumn);
    try {
      return CSV.writer(schema.build()).writeValueAsString(rows);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a table of plain texts can always be written", e);
    }
  }
}
