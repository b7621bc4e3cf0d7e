package kumite.files;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.dataformat.csv.CsvGenerator;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kumite.build.Shape;
import kumite.loom.Strand;
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
