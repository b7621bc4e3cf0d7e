package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.loom.CommonRun;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.verdict.Bench;
import kumite.verdict.Finding;
import kumite.verdict.Severity;
import kumite.wiring.Fitting;

/**
 * The sheet to take to the bench: build facts, panel plan, drill table, wiring chart, map chart,
 * open findings and cautions.
 *
 * <pre>{@code
 * byte[] pdf = BenchSheet.pdf(bench, Paper.A4);
 * }</pre>
 */
public final class BenchSheet {
  private static final double MARGIN_MM = 14;
  private static final double ROW_MM = 5.2;

  private final Bench bench;
  private final Build build;
  private final LengthUnit unit;
  private final Pen pen;
  private double y;
  private int pages;

  private BenchSheet(Bench bench, Pen pen) {
    this.bench = bench;
    this.build = bench.build();
    this.unit = build.brief().units();
    this.pen = pen;
  }

  /** {@return the sheet as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", bench sheet",
        paper,
        pen -> new BenchSheet(bench, pen).draw());
  }

  private void draw() throws IOException {
    newPage();
    facts();
    plan();
    drill();
    wiring();
    fittings();
    map();
    findings();
    cautions();
  }

  // ---- parts of the sheet

  private void facts() throws IOException {
    Panel panel = build.panel();
    Optional<BoardKind> board = bench.board();
    List<String[]> facts = new ArrayList<>();
    facts.add(
        new String[] {
          "Host", build.brief().host().words() + ", " + number(build.brief().supplyVolts()) + " V"
        });
    facts.add(new String[] {"Board", board.map(BoardKind::name).orElse("not chosen yet")});
    facts.add(
        new String[] {
          "Panel",
          length(panel.widthMm())
              + " x "
              + length(panel.heightMm())
              + " x "
              + length(panel.thicknessMm())
              + " "
              + panel.material().words()
        });
    facts.add(
        new String[] {
          "Case inside",
          length(panel.inside().depthMm())
              + " deep, walls "
              + length(panel.inside().wallMm())
              + " in from the edge"
        });
    facts.add(
        new String[] {
          "Loom",
          bench.loom().strands().size()
              + " strands, "
              + String.format(Locale.ROOT, "%.1f m", bench.loom().totalMetres())
              + " of "
              + build.loom().laying().gaugeAwg()
              + " AWG before spare; take 10 % more"
        });
    facts.add(
        new String[] {
          "Verdict",
          bench.count(Severity.STOP)
              + " to stop, "
              + bench.count(Severity.LOOK)
              + " to look at, "
              + bench.count(Severity.FINE)
              + " fine"
        });
    for (String[] fact : facts) {
      pen.text(Face.STRONG, 9, MARGIN_MM, y, fact[0]);
      pen.text(Face.WORDS, 9, MARGIN_MM + 28, y, fact[1]);
      y += ROW_MM;
    }
    y += 3;
  }

  private void plan() throws IOException {
    Panel panel = build.panel();
    double width = pen.paper().widthMm() - 2 * MARGIN_MM - 12;
    double scale = Math.min(1, Math.min(width / panel.widthMm(), 120 / panel.heightMm()));
    double height = panel.heightMm() * scale;
    room(height + 24);
    heading(
        String.format(
            Locale.ROOT, "Panel from the finished face, not to scale (1 : %.2f)", 1 / scale));
    double left = MARGIN_MM + 10;
    double top = y + 3;
    double bottom = top + height;
    pen.width(0.4);
    pen.box(left, top, panel.widthMm() * scale, height, panel.cornerMm() * scale);
    pen.width(0.15);
    pen.dashed(0.4, 1);
    double wall = panel.inside().wallMm() * scale;
    if (2 * wall < Math.min(panel.widthMm() * scale, height)) {
      pen.box(left + wall, top + wall, panel.widthMm() * scale - 2 * wall, height - 2 * wall, 0);
    }
    pen.solid();
    ruler(left, bottom, scale, panel);
    for (Control control : build.controls()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      Placement at = control.placement();
      pen.width(0.3);
      pen.shape(kind.cutout(), at, left, bottom, scale);
      pen.width(0.12);
      pen.shape(kind.face(), at, left, bottom, scale);
      pen.dashed(1, 0.8);
      pen.shape(kind.body(), at, left, bottom, scale);
      pen.solid();
      for (ScrewHole screw : kind.screws()) {
        Point hole = at.place(screw.at());
        pen.circle(
            left + hole.xMm() * scale, bottom - hole.yMm() * scale, screw.diameterMm() * scale);
      }
      double cx = left + at.xMm() * scale;
      double cy = bottom - at.yMm() * scale;
      pen.line(cx - 1.5, cy, cx + 1.5, cy);
      pen.line(cx, cy - 1.5, cx, cy + 1.5);
    }
    // Words last, on white, so that no line runs through them; the drill table has every label
    // whole.
    for (Control control : build.controls()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      double cx = left + control.placement().xMm() * scale;
      double cy = bottom - control.placement().yMm() * scale;
      double below = cy + kind.face().heightMm() * scale / 2 + 2.6;
      Point shown = panel.datum().fromStored(control.placement().centre(), panel);
      plate(Face.STRONG, 6.5, cx, below, cut(Face.STRONG, 6.5, control.label(), 24));
      plate(
          Face.MONO,
          5.2,
          cx,
          below + 2.4,
          Length.number(shown.xMm(), unit) + ", " + Length.number(shown.yMm(), unit));
    }
    y = bottom + 9;
    pen.text(
        Face.WORDS,
        8,
        MARGIN_MM,
        y,
        "Measured from the "
            + panel.datum().words()
            + ". Full line: cut-out. Thin line: flange or plate. Dashed: body below. Dotted: case wall.");
    y += 7;
  }

  /** Centred words on a white ground. */
  private void plate(Face face, double size, double x, double at, String text) throws IOException {
    double width = pen.widthMm(face, size, text);
    double height = size * 0.3;
    pen.fill(x - width / 2 - 0.4, at - height + 0.2, width + 0.8, height + 0.3, 1);
    pen.textCentred(face, size, x, at, text);
  }

  private void ruler(double left, double bottom, double scale, Panel panel) throws IOException {
    double step = unit == LengthUnit.MM ? 50 : 2 * Length.MM_PER_INCH;
    for (double mm = 0; mm <= panel.widthMm() + 0.01; mm += step) {
      double x = left + mm * scale;
      pen.line(x, bottom + 1, x, bottom + 2.5);
      pen.textCentred(Face.MONO, 5, x, bottom + 4.8, tick(mm));
    }
    for (double mm = 0; mm <= panel.heightMm() + 0.01; mm += step) {
      double at = bottom - mm * scale;
      pen.line(left - 2.5, at, left - 1, at);
      String text = tick(mm);
      pen.text(Face.MONO, 5, left - 3.5 - pen.widthMm(Face.MONO, 5, text), at + 0.6, text);
    }
  }

  private String tick(double mm) {
    return String.format(Locale.ROOT, "%.0f", unit == LengthUnit.MM ? mm : mm / Length.MM_PER_INCH);
  }

  private void drill() throws IOException {
    List<String[]> rows = new ArrayList<>();
    int number = 1;
    for (DrillPlan.Hole hole : bench.drill().holes()) {
      rows.add(
          new String[] {
            String.valueOf(number++),
            hole.label(),
            hole.purpose(),
            Length.number(hole.xMm(), unit),
            Length.number(hole.yMm(), unit),
            size(hole),
            hole.nearestInch()
          });
    }
    table(
        "Drill table, " + unit.symbol() + " from the " + build.panel().datum().words(),
        new String[] {"", "for", "hole", "x", "y", "size", "nearest 1/64 in"},
        new double[] {8, 42, 24, 20, 20, 34, 34},
        rows,
        "No holes yet: no controls are placed.");
  }

  private String size(DrillPlan.Hole hole) {
    if (unit == LengthUnit.MM) {
      return hole.sizeWords();
    }
    if (hole.shape() instanceof Shape.Round round) {
      return Length.number(round.diameterMm(), unit) + " round";
    }
    return Length.number(hole.shape().widthMm(), unit)
        + " x "
        + Length.number(hole.shape().heightMm(), unit);
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
            strand.to().words(),
            Length.text(strand.lengthMm(), unit),
            ""
          });
    }
    table(
        "Wiring chart, tick each strand when both ends are on",
        new String[] {"strand", "colour", "from", "joint", "to", "cut", "done"},
        new double[] {14, 14, 54, 24, 48, 20, 8},
        rows,
        bench.board().isEmpty() ? "No strands yet: choose a board." : "No strands yet.");
    for (CommonRun run : bench.loom().runs()) {
      paragraph(
          run.words()
              + " from "
              + run.terminal()
              + ": "
              + String.join(" - ", run.stops().stream().map(CommonRun.Stop::label).toList())
              + (run.ring() ? " - back to the board" : ""));
    }
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
    table(
        "Parts to solder in",
        new String[] {"part", "one lead at", "other lead at", "which way, what for", "done"},
        widths,
        rows,
        "Chips only:");
    for (String line : whole) {
      paragraph("[ ] " + line);
    }
    paragraph(
        "In all: "
            + String.join(
                ", ",
                bench.loom().partCounts().stream()
                    .map(p -> p.count() + " x " + p.name())
                    .toList()));
    y += 3;
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
            path.pin().map(pin -> pin.terminal().name()).orElse("-"),
            path.target().map(TargetText::of).orElse("-"),
            path.field().map(f -> "byte " + f.byteIndex() + " bit " + f.bitIndex()).orElse("-"),
            path.function()
          });
    }
    table(
        "Map chart: assign these on the host",
        new String[] {"contact", "terminal", "host sees", "report", "function"},
        new double[] {50, 22, 32, 32, 46},
        rows,
        "Nothing is mapped yet.");
  }

  private void findings() throws IOException {
    List<Finding> open =
        bench.findings().stream().filter(f -> f.severity() != Severity.FINE).toList();
    room(20);
    heading("Findings still open");
    if (open.isEmpty()) {
      paragraph("None.");
    }
    for (Finding finding : open) {
      paragraph(
          finding.severity().word().toUpperCase(Locale.ROOT)
              + "  "
              + finding.code()
              + "  "
              + finding.title()
              + ". "
              + finding.detail()
              + finding.fix().map(fix -> ". Remedy: " + fix.label()).orElse(""));
    }
    y += 3;
  }

  private void cautions() throws IOException {
    room(50);
    heading("Cautions");
    for (String caution : cautionsOf(bench)) {
      paragraph("- " + caution);
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

  // ---- flow

  private void newPage() throws IOException {
    pen.page();
    pages++;
    y = MARGIN_MM + 4;
    pen.text(Face.STRONG, 14, MARGIN_MM, y, cut(Face.STRONG, 14, build.brief().title(), 120));
    String page = "Kumite bench sheet, revision " + build.revision() + ", page " + pages;
    pen.text(
        Face.WORDS,
        8,
        pen.paper().widthMm() - MARGIN_MM - pen.widthMm(Face.WORDS, 8, page),
        y,
        page);
    pen.width(0.4);
    pen.line(MARGIN_MM, y + 2.5, pen.paper().widthMm() - MARGIN_MM, y + 2.5);
    y += 9;
  }

  private void room(double mm) throws IOException {
    if (y + mm > pen.paper().heightMm() - MARGIN_MM) {
      newPage();
    }
  }

  private void heading(String text) throws IOException {
    pen.text(Face.STRONG, 11, MARGIN_MM, y, text);
    y += 5;
  }

  private void paragraph(String text) throws IOException {
    for (String line : pen.wrap(Face.WORDS, 9, text, pen.paper().widthMm() - 2 * MARGIN_MM)) {
      room(ROW_MM);
      pen.text(Face.WORDS, 9, MARGIN_MM, y, line);
      y += 4.4;
    }
    y += 1.2;
  }

  private void table(
      String title, String[] header, double[] widths, List<String[]> rows, String empty)
      throws IOException {
    room(28);
    heading(title);
    if (rows.isEmpty()) {
      paragraph(empty);
      y += 3;
      return;
    }
    header(header, widths);
    for (String[] row : rows) {
      if (y + ROW_MM > pen.paper().heightMm() - MARGIN_MM) {
        newPage();
        header(header, widths);
      }
      double x = MARGIN_MM;
      for (int i = 0; i < row.length; i++) {
        if (header[i].equals("done")) {
          pen.width(0.2);
          pen.box(x + 1, y - 3, 3, 3, 0);
        } else {
          Face face = header[i].matches("|x|y|cut|colour|terminal|strand") ? Face.MONO : Face.WORDS;
          double size = face == Face.MONO ? 7 : 8.5;
          pen.text(face, size, x, y, cut(face, size, row[i], widths[i] - 2));
        }
        x += widths[i];
      }
      pen.width(0.08);
      pen.line(MARGIN_MM, y + 1.4, x, y + 1.4);
      y += ROW_MM;
    }
    y += 4;
  }

  private void header(String[] header, double[] widths) throws IOException {
    double x = MARGIN_MM;
    for (int i = 0; i < header.length; i++) {
      pen.text(Face.STRONG, 8, x, y, header[i]);
      x += widths[i];
    }
    pen.width(0.3);
    pen.line(MARGIN_MM, y + 1.4, x, y + 1.4);
    y += ROW_MM;
  }

  private String cut(Face face, double size, String text, double widthMm) {
    if (pen.widthMm(face, size, text) <= widthMm) {
      return text;
    }
    String shorter = text;
    while (shorter.length() > 1 && pen.widthMm(face, size, shorter + "…") > widthMm) {
      shorter = shorter.substring(0, shorter.length() - 1);
    }
    return shorter + "…";
  }

  private String length(double mm) {
    return Length.text(mm, unit);
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.1f", value);
  }
}
