package kumite.sheet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kumite.box.BoxChecks;
import kumite.build.Aspect;
import kumite.build.Seat;
import kumite.circuit.IslandDeck;
import kumite.files.LeadFile;
import kumite.files.Tables;
import kumite.firmware.Blueprint;
import kumite.kind.BoardKind;
import kumite.lead.Lead;
import kumite.name.ControlId;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Works;
import kumite.wiring.Wiring;

/** Everything that goes to the bench as a file; each room declares its own of these. */
public final class Exports {
  // ---- of the whole

  public static final Export BENCH_SHEET =
      paper(
          "bench-sheet", "Bench sheet", "bench-sheet.pdf", (b, c) -> BenchSheet.pdf(b, c.paper()));

  // ---- of the panel

  public static final Export TEMPLATE =
      paper(
              "template-pdf",
              "Drill template 1:1",
              "template.pdf",
              (b, c) -> Template.pdf(b, c.paper()))
          .once();

  public static final Export SVG =
      Export.chosen(
              "svg",
              "Cut drawing SVG",
              "panel.svg",
              (bench, choices) -> utf8(SvgDrawing.of(bench, choices.kerfMm())))
          .cut()
          .once();

  public static final Export DXF =
      Export.chosen(
              "dxf",
              "Cut drawing DXF",
              "panel.dxf",
              (bench, choices) -> utf8(DxfDrawing.of(bench, choices.kerfMm())))
          .cut()
          .once();

  public static final Export ART =
      Export.ofFiles("art", "Art sheet with its clear cover", "art.pdf", Exports::art)
          .noting(Exports::signs)
          .once();

  public static final Export DRILL =
      Export.of("drill-csv", "Drill table", "drill.csv", bench -> utf8(Tables.drill(bench))).once();

  public static final Export CAP_LABELS =
      paper(
              "cap-labels",
              "Labels for caps and wires",
              "labels.pdf",
              (bench, choices) -> LabelSheet.pdf(bench, choices.paper()))
          .once();

  // ---- of the case

  public static final Export CASE_DXF =
      Export.ofFiles(
              "case-dxf",
              "Pieces of the case on their sheets, DXF",
              "case-1.dxf",
              (bench, choices) -> BoxDrawing.files(bench, "dxf", DxfDrawing::of))
          .once()
          .where(BoxDrawing::anySheet);

  public static final Export CASE_SVG =
      Export.ofFiles(
              "case-svg",
              "Pieces of the case on their sheets, SVG",
              "case-1.svg",
              (bench, choices) -> BoxDrawing.files(bench, "svg", d -> SvgDrawing.of(d, 0)))
          .once()
          .where(BoxDrawing::anySheet);

  public static final Export CASE_STL =
      Export.ofFiles(
              "case-stl",
              "Printed pieces of the case, STL",
              "tray.stl",
              (bench, choices) -> BoxDrawing.solids(bench))
          .once()
          .where(bench -> !bench.get(BoxChecks.PLAN).printed().isEmpty());

  public static final Export CASE_CUTS =
      paper(
              "case-cuts",
              "Case: cut list, screws, order of work",
              "case-cuts.pdf",
              (bench, choices) -> BoxPaper.pdf(bench, choices.paper()))
          .once();

  public static final Export CASE_DRILL =
      paper(
              "case-drill",
              "Drill templates of the case's faces 1:1",
              "case-drill.pdf",
              (bench, choices) -> FacePaper.pdf(bench, choices.paper()))
          .once()
          .where(FacePaper::any);

  // ---- of the loom

  public static final Export HEADER_OVERLAY =
      paper(
          "header-overlay",
          "Header overlay 1:1",
          "header-overlay.pdf",
          (bench, choices) -> HeaderOverlay.pdf(bench, choices.paper()));

  public static final Export WIRING_BOARD =
      paper(
          "wiring-board",
          "Wiring board 1:1",
          "wiring-board.pdf",
          (bench, choices) -> WiringBoard.pdf(bench, choices.paper()));

  public static final Export WIRING =
      Export.of("wiring-csv", "Wiring chart", "wiring.csv", bench -> utf8(Tables.wiring(bench)));

  public static final Export CUT_LIST =
      Export.of("cut-list", "Cut list", "cut-list.csv", bench -> utf8(Tables.cutList(bench)));

  public static final Export NETLIST =
      Export.ofFiles(
          "netlist",
          "Netlist",
          "netlist.csv",
          (bench, choices) ->
              files(
                  "netlist.csv",
                  utf8(Tables.netlist(wiring(bench))),
                  "netlist.json",
                  utf8(Tables.netlistJson(wiring(bench)))));

  public static final Export PARTS =
      Export.of(
          "parts-csv", "Parts to solder in", "parts.csv", bench -> utf8(Tables.fittings(bench)));

  public static final Export LABELS =
      paper(
          "labels",
          "Labels for wire ends",
          "wire-labels.pdf",
          (bench, choices) -> LabelSheet.wires(bench, choices.paper()));

  // ---- of ports

  public static final Export PORTS =
      paper(
          "ports",
          "Sheet of ports",
          "ports.pdf",
          (bench, choices) -> PortPaper.pdf(bench, choices.paper()));

  // ---- of the work

  public static final Export PLAN =
      paper(
              "plan",
              "Plan to tick off",
              "plan.pdf",
              (bench, choices) -> PlanPaper.pdf(bench, bench.get(Works.PLAN), choices.paper()))
          .once();

  public static final Export BILL =
      Export.of("bill", "Bill of all parts", "bill.csv", b -> utf8(Tables.bill(b.get(Works.BILL))))
          .once();

  public static final Export BILL_SHEET =
      paper(
              "bill-sheet",
              "Bill on paper",
              "bill.pdf",
              (bench, choices) -> BillPaper.pdf(bench, bench.get(Works.BILL), choices.paper()))
          .once();

  // ---- of bring-up

  public static final Export ROUND =
      paper(
              "round",
              "Bring-up rounds to tick off",
              "bring-up.pdf",
              (bench, choices) -> RoundPaper.pdf(bench, choices.paper()))
          .once();

  public static final Export READINGS =
      Export.of("readings", "Questions and readings", "readings.csv", b -> utf8(Tables.readings(b)))
          .once();

  // ---- of volts and amps

  public static final Export SPICE =
      Export.ofFiles(
          "spice",
          "Input circuits for a simulator",
          "island-01.cir",
          (bench, choices) -> decks(bench));

  // ---- of what contacts mean

  public static final Export ASSIGNMENT =
      paper(
          "assignment",
          "Order of assignment",
          "assignment.pdf",
          (bench, choices) -> AssignmentSheet.pdf(bench, choices.paper()));

  public static final Export HOST_CHART =
      Export.ofFiles(
          "host-chart",
          "Host chart",
          "host-chart.csv",
          (bench, choices) ->
              files(
                  "host-chart.csv",
                  utf8(Charts.csv(bench)),
                  "host-chart.json",
                  utf8(Charts.json(bench))));

  public static final Export MAPPING_LINE =
      Export.of(
          "mapping-line",
          "Controller mapping line",
          "mapping-line.txt",
          bench -> utf8(Charts.lines(bench)));

  public static final Export DESCRIPTOR =
      Export.ofFiles(
          "descriptor",
          "Report descriptor",
          "descriptor.hex",
          (bench, choices) ->
              files(
                  "descriptor.hex",
                  utf8(Tables.hex(descriptor(bench))),
                  "descriptor.bin",
                  descriptor(bench)));

  public static final Export FIRMWARE =
      Export.ofFiles("firmware", "Firmware", "README.txt", Exports::firmware)
          .noting(Exports::firmwareNotes)
          .into("firmware/")
          .once();

  public static final Export LOADER_TABLE =
      Export.of(
              "loader-table",
              "Table for the encoder's loader",
              "loader-table.csv",
              bench -> utf8(Tables.sockets(bench)))
          .where(bench -> bench.board().flatMap(BoardKind::settable).isPresent());

  // ---- of leads

  public static final Export LEADS =
      Export.ofFiles("leads", "Wiring charts of leads", "leads.pdf", Exports::leads)
          .printed()
          .noting(Exports::signs)
          .where(bench -> !bench.leads().isEmpty()) // most builds have none, and lack nothing
          .once();

  private Exports() {}

  private static Export paper(String word, String title, String file, Export.Chosen content) {
    return Export.chosen(word, title, file, content).printed().noting(Exports::signs);
  }

  private static Map<String, byte[]> files(
      String one, byte[] content, String other, byte[] otherContent) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put(one, content);
    files.put(other, otherContent);
    return files;
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /** Names that hold signs which no typeface here has. */
  private static List<String> signs(Bench bench) {
    List<String> texts = new ArrayList<>();
    texts.add(bench.build().brief().title());
    bench.build().controls().forEach(control -> texts.add(control.label()));
    bench.build().profile().functions().forEach(function -> texts.add(function.name()));
    bench.build().panel().inside().blocks().forEach(block -> texts.add(block.title()));
    List<String> notes = new ArrayList<>();
    for (String text : texts) {
      List<String> missing = Signs.missing(text);
      if (!missing.isEmpty()) {
        notes.add(
            "\""
                + text
                + "\" holds "
                + String.join(" ", missing)
                + ", which no typeface here has; on paper "
                + Signs.MISSING
                + " stands for it");
      }
    }
    return notes;
  }

  private static Map<String, byte[]> art(Bench bench, Export.Choices choices) {
    Map<String, byte[]> files =
        files("art.pdf", ArtSheet.pdf(bench), "art.svg", utf8(ArtSheet.svg(bench)));
    if (!ArtSheet.fits(bench.build().panel(), choices.paper())) {
      files.put("art-pages.pdf", ArtSheet.pages(bench, choices.paper()));
    }
    return files;
  }

  private static Map<String, byte[]> leads(Bench bench, Export.Choices choices) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put(
        "leads.pdf",
        LeadSheet.pdf(
            bench.build().brief().title(),
            LeadSheet.judged(bench),
            bench.build().leads().plugs(),
            choices.paper()));
    for (Lead lead : bench.build().leads().leads()) {
      String name = "lead-" + ControlId.fromLabel(lead.name()).text();
      String fresh = name;
      for (int n = 2; files.containsKey(fresh + LeadFile.LEAD_ENDING); n++) {
        fresh = name + "-" + n;
      }
      files.put(fresh + LeadFile.LEAD_ENDING, utf8(LeadFile.text(lead, bench.build().leads())));
    }
    return files;
  }

  private static byte[] descriptor(Bench bench) {
    if (bench.ofHost()) {
      throw new IllegalArgumentException(
          "no report descriptor: the host reads "
              + bench.board().orElseThrow().name()
              + " itself, and there is no report");
    }
    return bench.layout().descriptor();
  }

  private static List<String> firmwareNotes(Bench bench) {
    List<String> notes = new ArrayList<>();
    for (Seat seat : bench.build().seats()) {
      bench
          .programless(seat.id())
          .ifPresent(why -> notes.add("seat " + seat.id() + " has no program: " + why));
    }
    List<String> stops = bench.stops();
    if (!stops.isEmpty()) {
      notes.add(
          "the build has stops, and the README begins with them: " + String.join("; ", stops));
    }
    if (bench.board().filter(b -> Blueprint.why(b, bench.loom().pads()).isEmpty()).isPresent()
        && !bench.looks().isEmpty()) {
      List<String> twins = bench.firmware().twins();
      if (!twins.isEmpty()) {
        notes.add("in the code some labels have another name: " + String.join(", ", twins));
      }
    }
    return notes;
  }

  /** A folder for each board that takes a program; what others say is told only if none does. */
  private static Map<String, byte[]> firmware(Bench bench, Export.Choices choices) {
    if (bench.build().seats().size() == 1) {
      return program(bench, choices);
    }
    Map<String, byte[]> files = new LinkedHashMap<>();
    List<String> left = new ArrayList<>();
    for (Seat seat : bench.build().seats()) {
      try {
        program(bench.next(bench.build().facing(Aspect.of(seat))), choices)
            .forEach((name, bytes) -> files.put(seat.id() + "/" + name, bytes));
      } catch (IllegalArgumentException e) {
        left.add("seat " + seat.id() + ": " + e.getMessage());
      }
    }
    if (files.isEmpty()) {
      throw new IllegalArgumentException(String.join("; ", left));
    }
    return files;
  }

  private static Map<String, byte[]> program(Bench bench, Export.Choices choices) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    bench
        .firmware()
        .files(choices.target(), bench.stops())
        .forEach((name, text) -> files.put(name, utf8(text)));
    return files;
  }

  private static Wiring wiring(Bench bench) {
    return bench
        .wiring()
        .orElseThrow(
            () -> new IllegalArgumentException("there are no nets before a board is chosen"));
  }

  /** A deck for each kind of island. */
  private static Map<String, byte[]> decks(Bench bench) {
    Map<String, byte[]> decks = new LinkedHashMap<>();
    bench
        .circuit()
        .ifPresent(
            wired -> {
              for (IslandDeck deck : IslandDeck.all(wired.inputs())) {
                String name = String.format(Locale.ROOT, "island-%02d.cir", decks.size() + 1);
                decks.put(name, utf8(deck.text()));
              }
            });
    if (decks.isEmpty()) {
      throw new IllegalArgumentException(
          "there are no input circuits before contacts have terminals; choose a board first");
    }
    return decks;
  }
}
