package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.device.SignalPath;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.loom.CommonRun;
import kumite.loom.Spots;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.name.Jumper;
import kumite.panel.DrillPlan;
import kumite.verdict.Bench;
import kumite.wiring.Fitting;
import kumite.wiring.Wiring;

/**
 * The sheet to take to the bench: build facts, panel plan, drill table, wiring chart, map chart,
 * open findings and cautions.
 *
 * <pre>{@code
 * byte[] pdf = BenchSheet.pdf(bench, Paper.A4);
 * }</pre>
 */
public final class BenchSheet {
  private final Bench bench;
  private final Build build;
  private final LengthUnit unit;
  private final Pen pen;
  private final Flow flow;

  private BenchSheet(Bench bench, Pen pen) {
    this.bench = bench;
    this.build = bench.build();
    this.unit = build.brief().units();
    this.pen = pen;
    this.flow =
        new Flow(pen, build.brief().title(), "Kumite bench sheet, revision " + build.revision());
  }

  /** {@return the sheet as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", bench sheet",
        paper,
        pen -> new BenchSheet(bench, pen).draw());
  }

  private void draw() throws IOException {
    flow.newPage();
    facts();
    PlanPicture.draw(bench, flow, pen);
    findings();
    cautions();
    drill();
    flow.newPage();
    wiring();
    fittings();
    ElectricTables electric = new ElectricTables(bench, flow);
    electric.chips();
    map();
    electric.volts();
    leads();
  }

  /** Each lead's chart, on pages of its own. */
  private void leads() throws IOException {
    List<LeadSheet.Judged> leads = LeadSheet.judged(bench);
    LeadSheet sheet = new LeadSheet(pen, flow, build.leads().plugs());
    for (LeadSheet.Judged lead : leads) {
      flow.newPage();
      sheet.chart(lead);
    }
    sheet.faces(leads.stream().map(LeadSheet.Judged::lead).toList());
  }

  // ---- parts of the sheet

  private void facts() throws IOException {
    Panel panel = build.panel();
    Optional<BoardKind> board = bench.board();
    flow.fact(
        "Host", build.profile().host().words() + ", " + number(build.brief().supplyVolts()) + " V");
    flow.fact("Board", board.map(BoardKind::name).orElse("not chosen yet"));
    flow.fact(
        "Panel",
        length(panel.widthMm())
            + " x "
            + length(panel.heightMm())
            + " x "
            + length(panel.thicknessMm())
            + " "
            + panel.material().words());
    flow.fact(
        "Case inside",
        length(panel.inside().depthMm())
            + " deep, walls "
            + length(panel.inside().wallMm())
            + " in from the edge");
    flow.fact(
        "Loom",
        bench.loom().strands().size()
            + " strands, "
            + String.format(Locale.ROOT, "%.1f m", bench.loom().totalMetres())
            + " of "
            + build.loom().laying().gaugeAwg()
            + " AWG before spare; take 10 % more");
    flow.fact(
        "Verdict",
        bench.count(Severity.STOP)
            + " to stop, "
            + bench.count(Severity.LOOK)
            + " to look at, "
            + bench.count(Severity.FINE)
            + " fine");
    flow.down(3);
  }

  /** On pages of their own, laid across, so that the sheet can lie by the drill alone. */
  private void drill() throws IOException {
    flow.newPageTurned();
    List<String[]> rows = new ArrayList<>();
    for (DrillPlan.Hole hole : bench.drill().inOrder()) {
      rows.add(
          new String[] {
            String.valueOf(hole.order()),
            hole.label(),
            hole.purpose(),
            Length.fine(hole.xMm(), unit),
            Length.fine(hole.belowXMm(), unit),
            Length.fine(hole.yMm(), unit),
            hole.sizeWords(unit),
            hole.nearestInch(),
            hole.toolWords(),
            hole.tool()
                .filter(t -> t.tool().pilotMm() > 0)
                .map(t -> fine(t.tool().pilotMm()))
                .orElse("-"),
            hole.sinkMm() > 0 ? fine(hole.sinkMm()) : "-",
            hole.fromWords(),
            ""
          });
    }
    flow.table(
        "Drill table in the order of work, " + unit.symbol(),
        List.of(
            Flow.Column.mono("no.", 9),
            Flow.Column.of("for", 34),
            Flow.Column.of("hole", 17),
            Flow.Column.mono("x above", 16),
            Flow.Column.mono("x below", 16),
            Flow.Column.mono("y", 16),
            Flow.Column.of("size", 27),
            Flow.Column.of("nearest 1/64 in", 28),
            Flow.Column.of("tool", 57),
            Flow.Column.mono("pilot", 11),
            Flow.Column.mono("sink", 12),
            Flow.Column.of("from", 20),
            Flow.Column.tick("done", 8)),
        rows,
        "No holes yet: no controls are placed.");
    flow.paragraph(
        "x above and y are measured on the finished face from the "
            + build.panel().datum().words()
            + "; x below on the underside, turned over left to right, from its left edge. What says \"pilot below\" is piloted from"
            + " the underside and then cut from the finished face. "
            + DrillPlan.advice(build.panel().material()));
    String slots =
        bench.drill().inOrder().stream()
            .filter(hole -> !hole.ends().isEmpty())
            .map(hole -> hole.order() + " " + hole.label() + ": " + hole.endsWords(unit))
            .collect(Collectors.joining("; "));
    if (!slots.isEmpty()) {
      flow.paragraph("Slots are drilled at both ends, as x above and y: " + slots + ".");
    }
    List<DrillPlan.Hole> floor = DrillPlan.inFloor(build.home(), bench.catalogue());
    if (!floor.isEmpty()) {
      Map<String, List<String>> byBoard = new LinkedHashMap<>();
      for (DrillPlan.Hole hole : floor) {
        byBoard
            .computeIfAbsent(hole.label() + ", " + hole.sizeWords(unit), l -> new ArrayList<>())
            .add("x " + fine(hole.xMm()) + " y " + fine(hole.yMm()));
      }
      for (Map.Entry<String, List<String>> board : byBoard.entrySet()) {
        flow.paragraph(
            "Screws in the case floor, seen from above and measured as the panel over it: "
                + board.getKey()
                + ", at "
                + String.join("; ", board.getValue())
                + ". Hold the board itself on the place before you drill.");
      }
    }
  }

  private String fine(double mm) {
    return Length.fine(mm, unit);
  }

  private void wiring() throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Strand strand : bench.loom().strands()) {
      rows.add(
          new String[] {
            strand.id(),
            strand.colour().code(),
            strand.from().words(),
            strand.from().joint(),
            strand.to().words() + (there(strand) ? "" : ", LEFT OUT"),
            Length.text(strand.lengthMm(), unit),
            build.loom().done().contains(strand.wire()) ? "x" : ""
          });
    }
    for (Jumper wire : bench.wiring().map(Wiring::byHand).orElse(List.of())) {
      rows.add(new String[] {"by hand", "", wire.a().toString(), "", wire.b().toString(), "", ""});
    }
    flow.table(
        "Wiring chart, tick each strand when both ends are on",
        List.of(
            Flow.Column.mono("strand", 14),
            Flow.Column.mono("colour", 14),
            Flow.Column.of("from", 54),
            Flow.Column.of("joint", 24),
            Flow.Column.of("to", 48),
            Flow.Column.mono("cut", 20),
            Flow.Column.tick("done", 8)),
        rows,
        bench.board().isEmpty() ? "No strands yet: choose a board." : "No strands yet.");
    tabs();
    for (CommonRun run : bench.loom().runs()) {
      flow.paragraph(
          run.words()
              + " from "
              + run.terminal()
              + ": "
              + String.join(" - ", run.stops().stream().map(CommonRun.Stop::label).toList())
              + (run.ring() ? " - back to the board" : ""));
    }
  }

  /** Of parts with tabs on several sides, or with a row of pins: which is where. */
  private void tabs() throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Control control : build.seated()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      Map<String, List<String>> sides = Spots.sidesFromBelow(control, kind);
      if (build.control(control.id()).isPresent()
          && (sides.size() > 1 || sides.values().stream().anyMatch(s -> s.size() > 3))) {
        sides.forEach(
            (side, tabs) ->
                rows.add(new String[] {control.label(), side, String.join(", ", tabs)}));
      }
    }
    if (!rows.isEmpty()) {
      flow.table(
          "Where tabs are, the panel turned over left to right; each row from the left, or from the"
              + " front",
          List.of(
              Flow.Column.of("part", 44), Flow.Column.of("side", 28), Flow.Column.of("tabs", 110)),
          rows,
          "");
      flow.paragraph(
          "A lever closes the switch opposite the push: pushed to the back, the one at its front.");
    }
  }

  private boolean there(Strand strand) {
    return bench.wiring().filter(wiring -> wiring.has(strand.wire())).isPresent();
  }

  /** Every part between two wires, with its value, which way round, and where it is soldered. */
  private void fittings() throws IOException {
    List<Fitting> all = bench.wiring().map(wiring -> Fitting.all(build, wiring)).orElse(List.of());
    if (all.isEmpty()) {
      return;
    }
    double[] widths = {40, 46, 42, 46, 8};
    List<String[]> rows = new ArrayList<>();
    List<String> whole = new ArrayList<>();
    for (Fitting fitting : all) {
      String[] row = {fitting.what(), fitting.from(), fitting.to(), note(fitting), ""};
      if (uncut(row, widths)) {
        rows.add(row);
      } else { // a chip's pins want a line of their own
        whole.add(String.join(": ", row[0], String.join("; ", row[1], row[2], row[3])));
      }
    }
    flow.table(
        "Parts to solder in",
        List.of(
            Flow.Column.of("part", widths[0]),
            Flow.Column.of("one lead at", widths[1]),
            Flow.Column.of("other lead at", widths[2]),
            Flow.Column.of("which way, what for", widths[3]),
            Flow.Column.tick("done", widths[4])),
        rows,
        "Chips only:");
    for (String line : whole) {
      flow.paragraph("[ ] " + line);
    }
    flow.paragraph(
        "In all: "
            + String.join(
                ", ",
                bench.loom().partCounts().stream()
                    .map(p -> p.count() + " x " + p.name())
                    .toList()));
    flow.down(3);
  }

  private boolean uncut(String[] row, double[] widths) throws IOException {
    for (int i = 0; i < row.length; i++) {
      if (pen.widthMm(Face.WORDS, 8.5, row[i]) > widths[i] - 2) {
        return false;
      }
    }
    return true;
  }

  private static String note(Fitting fitting) {
    return fitting.direction().isEmpty() ? fitting.job() : fitting.direction();
  }

  private void map() throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (SignalPath path : bench.paths()) {
      rows.add(
          new String[] {
            path.site().label(),
            ElectricTables.terminal(bench, path),
            path.target().map(TargetText::of).orElse("-"),
            path.field().map(f -> "byte " + f.byteIndex() + " bit " + f.bitIndex()).orElse("-"),
            path.function()
          });
    }
    flow.table(
        "Map chart: assign these on the host",
        List.of(
            Flow.Column.of("contact", 48),
            Flow.Column.mono("terminal", 36),
            Flow.Column.of("host sees", 30),
            Flow.Column.of("report", 26),
            Flow.Column.of("function", 42)),
        rows,
        "Nothing is mapped yet.");
  }

  private void findings() throws IOException {
    List<Finding> open =
        bench.findings().stream().filter(f -> f.severity() != Severity.FINE).toList();
    flow.room(20);
    flow.heading("Findings still open");
    if (open.isEmpty()) {
      flow.paragraph("None.");
    }
    for (Finding finding : open) {
      flow.paragraph(told(finding));
    }
    flow.down(3);
  }

  /** {@return a finding in one paragraph, with what mends it} */
  static String told(Finding finding) {
    return finding.severity().word().toUpperCase(Locale.ROOT)
        + "  "
        + finding.code().text()
        + "  "
        + finding.title()
        + ". "
        + finding.detail()
        + finding.fix().map(fix -> ". Remedy: " + fix.label()).orElse("");
  }

  private void cautions() throws IOException {
    flow.room(50);
    flow.heading("Cautions");
    for (String caution : cautionsOf(bench)) {
      flow.paragraph("- " + caution);
    }
  }

  /** {@return the cautions that this build's work calls for} */
  static Set<String> cautionsOf(Bench bench) {
    Set<String> cautions = new LinkedHashSet<>();
    cautions.add(
        "Clamp the panel before you drill or saw; wear eye protection and, for fibreboard, wood and"
            + " plastic dust, a mask.");
    cautions.add(
        "A soldering iron is hot enough to burn at once: stand it in its holder, air the room, wash"
            + " your hands after leaded solder, shield your eyes when you cut leads.");
    cautions.add("Wire with the plug pulled; test with a meter before you plug it in.");
    bench
        .board()
        .ifPresent(
            board -> {
              if (!board.fiveVoltTolerant()) {
                cautions.add("This board's terminals do not bear 5 V: never feed them from 5V.");
              }
              if (board.common() == Common.RAIL) {
                cautions.add(
                    "The shared side of the contacts is the 5 V rail: never tie it to ground.");
              }
            });
    cautions.add(
        "Nothing here is planned above 12 V DC. Anything on mains is for a qualified person under"
            + " your local rules. Keep small parts from small children.");
    return cautions;
  }

  private String length(double mm) {
    return Length.text(mm, unit);
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.1f", value);
  }
}
