package kumite.sheet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import kumite.build.Aspect;
import kumite.build.Seat;
import kumite.circuit.IslandDeck;
import kumite.files.LeadFile;
import kumite.files.Tables;
import kumite.firmware.Blueprint;
import kumite.firmware.Firmware;
import kumite.lead.Lead;
import kumite.name.ControlId;
import kumite.verdict.Bench;
import kumite.wiring.Wiring;

/** Everything that goes to the bench as a file, the same for the window and the command line. */
public enum Export {
  BENCH_SHEET("bench-sheet", "Bench sheet", "bench-sheet.pdf", true, false),
  TEMPLATE("template-pdf", "Drill template 1:1", "template.pdf", true, false),
  SVG("svg", "Cut drawing SVG", "panel.svg", false, true),
  DXF("dxf", "Cut drawing DXF", "panel.dxf", false, true),
  ART("art", "Art sheet with its clear cover", "art.pdf", false, false),
  DRILL("drill-csv", "Drill table", "drill.csv", false, false),
  CAP_LABELS("cap-labels", "Labels for caps and wires", "labels.pdf", true, false),
  HEADER_OVERLAY("header-overlay", "Header overlay 1:1", "header-overlay.pdf", true, false),
  WIRING_BOARD("wiring-board", "Wiring board 1:1", "wiring-board.pdf", true, false),
  WIRING("wiring-csv", "Wiring chart", "wiring.csv", false, false),
  CUT_LIST("cut-list", "Cut list", "cut-list.csv", false, false),
  NETLIST("netlist", "Netlist", "netlist.csv", false, false),
  PARTS("parts-csv", "Parts to solder in", "parts.csv", false, false),
  SPICE("spice", "Input circuits for a simulator", "island-01.cir", false, false),
  LABELS("labels", "Labels for wire ends", "wire-labels.pdf", true, false),
  ASSIGNMENT("assignment", "Order of assignment", "assignment.pdf", true, false),
  HOST_CHART("host-chart", "Host chart", "host-chart.csv", false, false),
  MAPPING_LINE("mapping-line", "Controller mapping line", "mapping-line.txt", false, false),
  DESCRIPTOR("descriptor", "Report descriptor", "descriptor.hex", false, false),
  LEADS("leads", "Wiring charts of leads", "leads.pdf", true, false),
  FIRMWARE("firmware", "Firmware", "README.txt", false, false);

  private final String word;
  private final String title;
  private final String file;
  private final boolean onPaper;
  private final boolean cut;

  Export(String word, String title, String file, boolean onPaper, boolean cut) {
    this.word = word;
    this.title = title;
    this.file = file;
    this.onPaper = onPaper;
    this.cut = cut;
  }

  /**
   * What an export can be told.
   *
   * @param paper the paper of printed ones
   * @param kerfMm how wide the beam or cutter of a cut drawing cuts, 0 to 10
   * @param target what kind of code
   */
  public record Choices(Paper paper, double kerfMm, Firmware.Target target) {
    /** A4, true sizes, plain code. */
    public static final Choices USUAL = new Choices(Paper.A4, 0);

    /** For drawings and paper; code is the portable one. */
    public Choices(Paper paper, double kerfMm) {
      this(paper, kerfMm, Firmware.Target.PORTABLE);
    }
  }

  /** {@return its word on the command line} */
  public String word() {
    return word;
  }

  /** {@return its name for people} */
  public String title() {
    return title;
  }

  /** {@return the name of its file} */
  public String file() {
    return file;
  }

  /** {@return whether it is printed, so that the paper matters} */
  public boolean onPaper() {
    return onPaper;
  }

  /** {@return whether a machine cuts by it, so that the kerf matters} */
  public boolean cut() {
    return cut;
  }

  /** {@return the export of that word, if there is one} */
  public static Optional<Export> named(String word) {
    return Arrays.stream(values()).filter(export -> export.word.equals(word)).findFirst();
  }

  /** {@return all words, for messages} */
  public static String words() {
    return Arrays.stream(values()).map(Export::word).collect(Collectors.joining(", "));
  }

  /**
   * {@return the content of its file}
   *
   * @throws IllegalArgumentException if the build or a choice does not allow it; the message says
   *     why
   */
  public byte[] content(Bench bench, Choices choices) {
    return switch (this) {
      case BENCH_SHEET -> BenchSheet.pdf(bench, choices.paper());
      case TEMPLATE -> Template.pdf(bench, choices.paper());
      case SVG -> utf8(SvgDrawing.of(bench, choices.kerfMm()));
      case DXF -> utf8(DxfDrawing.of(bench, choices.kerfMm()));
      case ART -> ArtSheet.pdf(bench);
      case DRILL -> utf8(Tables.drill(bench));
      case CAP_LABELS -> LabelSheet.pdf(bench, choices.paper());
      case HEADER_OVERLAY -> HeaderOverlay.pdf(bench, choices.paper());
      case WIRING_BOARD -> WiringBoard.pdf(bench, choices.paper());
      case WIRING -> utf8(Tables.wiring(bench));
      case CUT_LIST -> utf8(Tables.cutList(bench));
      case NETLIST -> utf8(Tables.netlist(wiring(bench)));
      case PARTS -> utf8(Tables.fittings(bench));
      case SPICE -> decks(bench).values().iterator().next();
      case LABELS -> LabelSheet.wires(bench, choices.paper());
      case ASSIGNMENT -> AssignmentSheet.pdf(bench, choices.paper());
      case HOST_CHART -> utf8(Charts.csv(bench));
      case MAPPING_LINE -> utf8(Charts.lines(bench));
      case DESCRIPTOR -> utf8(Tables.hex(descriptor(bench)));
      case LEADS ->
          LeadSheet.pdf(
              bench.build().brief().title(),
              LeadSheet.judged(bench),
              bench.build().leads().plugs(),
              choices.paper());
      case FIRMWARE -> firmware(bench, choices).get(file);
    };
  }

  /** {@return what to know before it is written; mostly empty} */
  public List<String> notes(Bench bench) {
    if (this == FIRMWARE) {
      return firmwareNotes(bench);
    }
    if (!onPaper && this != ART) {
      return List.of();
    }
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

  /** {@return whether it is of one board, so that a build of several has several of it} */
  private boolean perBoard() {
    return switch (this) {
      case TEMPLATE, SVG, DXF, ART, DRILL, CAP_LABELS, LEADS -> false;
      default -> true;
    };
  }

  /** {@return all its files by name; most have one, and one for each board that there is} */
  public Map<String, byte[]> files(Bench bench, Choices choices) {
    List<Seat> seats = bench.build().seats();
    if (this == FIRMWARE && seats.size() > 1) {
      return firmwareOfSeats(bench, choices);
    }
    if (seats.size() < 2 || !perBoard()) {
      return filesOfSeat(bench, choices);
    }
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (Seat seat : seats) {
      filesOfSeat(bench.next(bench.build().facing(Aspect.of(seat))), choices)
          .forEach((name, bytes) -> files.put(seat.id() + "-" + name, bytes));
    }
    return files;
  }

  private Map<String, byte[]> filesOfSeat(Bench bench, Choices choices) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    if (this == SPICE) {
      return decks(bench);
    }
    if (this == FIRMWARE) {
      return firmware(bench, choices);
    }
    files.put(file, content(bench, choices));
    if (this == ART) {
      files.put("art.svg", utf8(ArtSheet.svg(bench)));
      if (!ArtSheet.fits(bench.build().panel(), choices.paper())) {
        files.put("art-pages.pdf", ArtSheet.pages(bench, choices.paper()));
      }
    }
    if (this == NETLIST) {
      files.put("netlist.json", utf8(Tables.netlistJson(wiring(bench))));
    }
    if (this == LEADS) {
      for (Lead lead : bench.build().leads().leads()) {
        String name = "lead-" + ControlId.fromLabel(lead.name()).text();
        String fresh = name;
        for (int n = 2; files.containsKey(fresh + LeadFile.LEAD_ENDING); n++) {
          fresh = name + "-" + n;
        }
        files.put(fresh + LeadFile.LEAD_ENDING, utf8(LeadFile.text(lead, bench.build().leads())));
      }
    }
    if (this == HOST_CHART) {
      files.put("host-chart.json", utf8(Charts.json(bench)));
    }
    if (this == DESCRIPTOR) {
      files.put("descriptor.bin", descriptor(bench));
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
    if (bench.board().filter(b -> Blueprint.why(b).isEmpty()).isPresent()
        && !bench.looks().isEmpty()) {
      List<String> twins = bench.firmware().twins();
      if (!twins.isEmpty()) {
        notes.add("in the code some labels have another name: " + String.join(", ", twins));
      }
    }
    return notes;
  }

  private static Map<String, byte[]> firmware(Bench bench, Choices choices) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    bench
        .firmware()
        .files(choices.target(), bench.stops())
        .forEach((name, text) -> files.put(name, utf8(text)));
    return files;
  }

  /** A folder for each board that takes a program; what others say is told only if none does. */
  private static Map<String, byte[]> firmwareOfSeats(Bench bench, Choices choices) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    List<String> left = new ArrayList<>();
    for (Seat seat : bench.build().seats()) {
      try {
        firmware(bench.next(bench.build().facing(Aspect.of(seat))), choices)
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

  /**
   * {@return every file of every export that this build allows, by name}
   *
   * @param left told of each export that it does not allow, and why
   */
  public static Map<String, byte[]> everything(
      Bench bench, Choices choices, BiConsumer<Export, String> left) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (Export export : values()) {
      if (export == LEADS && bench.leads().isEmpty()) {
        continue; // most builds have none, and lack nothing
      }
      try {
        String folder = export == FIRMWARE ? "firmware/" : "";
        export.files(bench, choices).forEach((name, bytes) -> files.put(folder + name, bytes));
      } catch (IllegalArgumentException e) {
        left.accept(export, e.getMessage());
      }
    }
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

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
