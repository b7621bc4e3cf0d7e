package kumite.files;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.dataformat.csv.CsvGenerator;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kumite.bill.Bill;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.Rounds;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.component.Component;
import kumite.firmware.SocketTable;
import kumite.kind.BoardKind;
import kumite.loom.CutList;
import kumite.loom.Strand;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.panel.DrillPlan;
import kumite.signal.Waveform;
import kumite.verdict.Bench;
import kumite.wiring.Fitting;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;

/** Tables as CSV (RFC 4180, header line first, point as decimal mark, CR LF line ends). */
public final class Tables {
  private static final CsvMapper CSV =
      CsvMapper.csvBuilder().enable(CsvGenerator.Feature.STRICT_CHECK_FOR_QUOTING).build();

  private Tables() {}

  /** {@return all that a build takes: one row an item} */
  public static String bill(Bill bill) {
    return csv(
        List.of("item", "group", "what", "unit", "need", "spare", "buy"),
        bill.items().stream()
            .map(
                item ->
                    List.of(
                        item.id(),
                        item.group().title(),
                        item.what(),
                        item.unit().words(),
                        item.words(item.need()),
                        item.words(item.spare()),
                        item.words(item.wanted())))
            .toList());
  }

  /** {@return the questions of all rounds with what is expected, and what was read of them last} */
  public static String readings(Bench bench) {
    Places places = bench.places();
    List<Question> questions =
        places.empty() ? List.of() : Rounds.of(places, List.of(Question.Kind.values()));
    Optional<Round> now = bench.build().get(RoundBook.PART).now();
    return csv(
        List.of("from", "to", "state", "held", "reading", "expected", "what", "note"),
        questions.stream()
            .map(
                q -> {
                  Optional<Entry> entry = now.flatMap(round -> round.last(q.ask()));
                  return List.of(
                      q.ask().from(),
                      q.ask().to(),
                      q.ask().state(),
                      q.ask().held().toString(),
                      entry.flatMap(Entry::answer).map(Answer::toString).orElse(""),
                      q.expected(),
                      q.what(),
                      entry.map(Entry::note).orElse(""));
                })
            .toList());
  }

  /** {@return the holes of the panel: one row a hole, millimetres from the build's datum} */
  public static String drill(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      boolean round = hole.shape() instanceof Shape.Round;
      rows.add(
          List.of(
              hole.control().map(ControlId::text).orElse(""),
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
              hole.fromWords(),
              hole.shape() instanceof Shape.Rect rect ? number(rect.cornerMm()) : "",
              String.valueOf(hole.order()),
              hole.ends().isEmpty() ? "" : number(hole.ends().get(0).xMm()),
              hole.ends().isEmpty() ? "" : number(hole.ends().get(0).yMm()),
              hole.ends().isEmpty() ? "" : number(hole.ends().get(1).xMm()),
              hole.ends().isEmpty() ? "" : number(hole.ends().get(1).yMm())));
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
            "from",
            "corner_mm",
            "order",
            "end1_x_mm",
            "end1_y_mm",
            "end2_x_mm",
            "end2_y_mm"),
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
              String.valueOf(strand.lengthMm()),
              bench.build().loom().done().contains(strand.wire()) ? "yes" : "no",
              bench.wiring().filter(w -> w.has(strand.wire())).isPresent() ? "planned" : "left out",
              bench.fromBelow(strand.from().place()),
              bench.fromBelow(strand.to().place())));
    }
    for (Jumper wire : bench.wiring().map(Wiring::byHand).orElse(List.of())) {
      rows.add(
          List.of(
              "",
              "",
              wire.a().part(),
              wire.a().tab(),
              "",
              wire.b().part(),
              wire.b().tab(),
              "",
              "",
              "",
              "",
              "no",
              "by hand",
              bench.fromBelow(wire.a()),
              bench.fromBelow(wire.b())));
    }
    bench.wiring().ifPresent(wiring -> cores(wiring, rows));
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
            "length_mm",
            "done",
            "state",
            "from_seen_from_below",
            "to_seen_from_below"),
        rows);
  }

  /** Cores of leads that land on a board are wires of its wiring too. */
  private static void cores(Wiring wiring, List<List<String>> rows) {
    for (Wiring.Wire wire : wiring.wires().values()) {
      boolean here =
          wire.ends().a().part().equals(Joint.BOARD) || wire.ends().b().part().equals(Joint.BOARD);
      if (wire.origin() == Wiring.Origin.LEAD && here) {
        Joint board =
            wire.ends().a().part().equals(Joint.BOARD) ? wire.ends().a() : wire.ends().b();
        Joint far = board.equals(wire.ends().a()) ? wire.ends().b() : wire.ends().a();
        rows.add(
            List.of(
                wire.strand().orElse(""),
                "",
                far.part(),
                far.tab(),
                "",
                board.part(),
                board.tab(),
                "",
                "",
                "",
                "",
                "no",
                "core of a lead",
                "",
                ""));
      }
    }
  }

  /**
   * {@return the table for the loader of a settable encoder, one row a socket}
   *
   * @throws IllegalArgumentException if there is no board, or it takes none
   */
  public static String sockets(Bench bench) {
    BoardKind board =
        bench
            .board()
            .orElseThrow(
                () -> new IllegalArgumentException("no board yet; choose one at the Loom station"));
    return csv(
        SocketTable.COLUMNS,
        SocketTable.of(bench.build().seat().profiles().get(0), board, bench.loom()).cells());
  }

  /** {@return the nets as a table: one row a place, with the parts whose ends are there} */
  public static String netlist(Wiring wiring) {
    List<List<String>> rows = new ArrayList<>();
    Map<Joint, List<String>> parts = partsAt(wiring);
    for (Net net : shown(wiring, parts)) {
      for (Place place : net.places()) {
        rows.add(
            List.of(
                net.name(),
                place.joint().part(),
                place.joint().tab(),
                word(place.role()),
                place.gives() ? number(place.volts()) : "",
                String.join(" ", net.strands()),
                String.join("; ", parts.getOrDefault(place.joint(), List.of()))));
      }
    }
    return csv(List.of("net", "part", "tab", "role", "volts", "strands", "parts"), rows);
  }

  /** Nets that join something, by wires or by a part between two of them. */
  private static List<Net> shown(Wiring wiring, Map<Joint, List<String>> parts) {
    return wiring.nets().all().stream()
        .filter(
            net ->
                net.places().size() > 1
                    || net.places().stream().anyMatch(p -> parts.containsKey(p.joint())))
        .toList();
  }

  /** What is soldered to each place, and where its other ends go. */
  private static Map<Joint, List<String>> partsAt(Wiring wiring) {
    Map<Joint, List<String>> at = new HashMap<>();
    for (Component part : wiring.parts()) {
      for (Joint end : part.fitted() ? part.ends() : List.<Joint>of()) {
        String others =
            String.join(
                " ",
                part.ends().stream().filter(e -> !e.equals(end)).map(Joint::toString).toList());
        String which =
            part instanceof Component.Diode diode
                ? diode.cathode().equals(end) ? " (band here)" : " (band there)"
                : "";
        at.computeIfAbsent(end, e -> new ArrayList<>()).add(part.words() + " to " + others + which);
      }
    }
    return at;
  }

  /** {@return the nets as JSON, an array of nets with their places and the parts there} */
  public static String netlistJson(Wiring wiring) {
    ArrayNode nets = JsonNodeFactory.instance.arrayNode();
    Map<Joint, List<String>> parts = partsAt(wiring);
    for (Net net : shown(wiring, parts)) {
      ObjectNode node = nets.addObject();
      node.put("net", net.name());
      ArrayNode places = node.putArray("pins");
      for (Place place : net.places()) {
        ObjectNode item = places.addObject();
        item.put("part", place.joint().part());
        item.put("tab", place.joint().tab());
        item.put("role", word(place.role()));
        if (place.gives()) {
          item.put("volts_v", place.volts());
        }
        ArrayNode here = item.putArray("parts");
        parts.getOrDefault(place.joint(), List.of()).forEach(here::add);
      }
      ArrayNode strands = node.putArray("strands");
      net.strands().forEach(strands::add);
    }
    return nets.toPrettyString();
  }

  private static String word(Place.Role role) {
    return role.name().toLowerCase(Locale.ROOT);
  }

  /** {@return the parts that are soldered in, one row a part, with where and which way round} */
  public static String fittings(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    bench
        .wiring()
        .ifPresent(
            wiring ->
                Fitting.all(bench.build(), wiring)
                    .forEach(
                        f ->
                            rows.add(List.of(f.what(), f.job(), f.from(), f.to(), f.direction()))));
    return csv(List.of("part", "for", "from", "to", "direction"), rows);
  }

  /** {@return the strands in the order they are cut: by gauge and colour, longest first} */
  public static String cutList(Bench bench) {
    List<List<String>> rows = new ArrayList<>();
    CutList list = CutList.of(bench.loom());
    for (CutList.Cut cut : list.cuts()) {
      Strand strand = cut.strand();
      rows.add(
          List.of(
              String.valueOf(strand.gaugeAwg()),
              strand.colour().code(),
              strand.id(),
              String.valueOf(strand.lengthMm()),
              strand.from().words(),
              strand.from().joint(),
              number(strand.from().landing().stripMm()),
              strand.to().words(),
              strand.to().joint(),
              number(strand.to().landing().stripMm()),
              cut.fromWith().orElse(""),
              cut.toWith().orElse(""),
              strand.way().map(String::valueOf).orElse(""),
              number(list.metres(strand)),
              list.bus(strand)
                  .map(bus -> bus.strands().get(0) + " " + bus.lengthMm() + " mm")
                  .orElse("")));
    }
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
            "buy_of_colour_m",
            "one_wire"),
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

  /** {@return lines over time: a row a change, a column a line; 0, 1, x unclear, z floating} */
  public static String waveform(Waveform waveform) {
    List<String> header = new ArrayList<>(List.of("time_us"));
    header.addAll(waveform.lines());
    Map<String, String> stands = new HashMap<>();
    Map<Long, List<String>> rows = new LinkedHashMap<>();
    for (Waveform.Change change : waveform.changes()) {
      stands.put(change.line(), String.valueOf(change.level().sign()));
      List<String> row =
          new ArrayList<>(
              List.of(BigDecimal.valueOf(change.atNs(), 3).stripTrailingZeros().toPlainString()));
      waveform.lines().forEach(line -> row.add(stands.getOrDefault(line, "z")));
      rows.put(change.atNs(), row);
    }
    return csv(header, List.copyOf(rows.values()));
  }

  private static String number(double value) {
    String text = String.format(Locale.ROOT, "%.2f", value);
    return text.equals("-0.00") ? "0.00" : text;
  }

  /** {@return a table with a header; cells in quotes where they need them} */
  public static String csv(List<String> header, List<List<String>> rows) {
    CsvSchema.Builder schema = CsvSchema.builder().setUseHeader(true).setLineSeparator("\r\n");
    header.forEach(schema::addColumn);
    try {
      return CSV.writer(schema.build()).writeValueAsString(rows);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a table of plain texts can always be written", e);
    }
  }
}
