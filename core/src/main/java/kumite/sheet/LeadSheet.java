package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.WireColour;
import kumite.lead.Chart;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Plugs;
import kumite.lead.Seen;
import kumite.lead.Side;
import kumite.lead.Told;
import kumite.lead.Where;
import kumite.measure.Paper;
import kumite.measure.Point;
import kumite.verdict.Bench;

/** Wiring charts of leads, with their faces, for the bench. */
public final class LeadSheet {
  private final Pen pen;
  private final Flow flow;
  private final Plugs plugs;

  LeadSheet(Pen pen, Flow flow, Plugs plugs) {
    this.pen = pen;
    this.flow = flow;
    this.plugs = plugs;
  }

  /**
   * A lead with what is wrong with it.
   *
   * @param lead it
   * @param findings about it
   */
  public record Judged(Lead lead, List<Finding> findings) {
    public Judged {
      findings = List.copyOf(findings);
    }
  }

  /** {@return all leads of a build with what is wrong with them} */
  static List<Judged> judged(Bench bench) {
    List<Judged> judged = new ArrayList<>();
    for (Lead lead : bench.leads()) {
      judged.add(
          new Judged(
              lead, bench.findings().stream().filter(f -> f.isAboutLead(lead.name())).toList()));
    }
    return judged;
  }

  /** {@return the charts of some leads as a PDF document, each on pages of its own} */
  public static byte[] pdf(String title, List<Judged> leads, Plugs plugs, Paper paper) {
    if (leads.isEmpty()) {
      throw new IllegalArgumentException("there are no leads; make one at the Leads station first");
    }
    return Pen.pdf(
        title + ", leads",
        paper,
        pen -> {
          Flow flow = new Flow(pen, title, "Wiring chart of leads");
          LeadSheet sheet = new LeadSheet(pen, flow, plugs);
          for (Judged judged : leads) {
            flow.newPage();
            sheet.chart(judged);
          }
          sheet.faces(leads.stream().map(Judged::lead).toList());
        });
  }

  /** Draws a lead's chart from where the flow stands. */
  void chart(Judged judged) throws IOException {
    Lead lead = judged.lead();
    Chart chart = Chart.of(lead, plugs);
    flow.heading("Lead: " + lead.name());
    flow.fact("First end", words(lead.from()));
    flow.fact("Other end", words(lead.to()));
    flow.fact("It does", Told.of(lead, plugs).words());
    flow.fact(
        "Cable",
        String.format(
            Locale.ROOT,
            "%d cores of %d AWG, %.0f mm long, %d used",
            lead.cable().cores(),
            lead.cable().gaugeAwg(),
            lead.cable().lengthMm(),
            lead.cores().size()));
    flow.down(2);
    wireSides(lead);
    rows(chart);
    for (LeadPart part : lead.parts()) {
      flow.paragraph("[ ] Solder in: " + part.words());
    }
    for (Finding finding : judged.findings()) {
      if (finding.severity() != Severity.FINE) {
        flow.paragraph(BenchSheet.told(finding));
      }
    }
    cuts(chart);
    steps(chart);
    tests(chart);
  }

  private String words(End end) {
    if (end instanceof End.OfBoard board) {
      return "board of seat " + board.seat() + ", terminals by name";
    }
    End.Plug plug = (End.Plug) end;
    ConnectorKind kind = plugs.needed(plug.connector());
    return kind.name()
        + (kind.bare() ? "" : ", " + plug.gender().words())
        + ", into: "
        + plug.beyond().words()
        + plugs.pinout(plug).map(p -> ", " + p.name()).orElse("")
        + ", "
        + kind.wired(plug.wired()).how().words();
  }

  private void rows(Chart chart) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Chart.Row row : chart.rows()) {
      rows.add(
          new String[] {
            String.valueOf(row.number()),
            row.from(),
            row.fromWords() + ", strip " + mm(row.stripFromMm()),
            row.colour().code(),
            row.role(),
            row.to(),
            row.toWords() + ", strip " + mm(row.stripToMm()),
            ""
          });
    }
    flow.table(
        "Cores, tick each when both ends are on",
        List.of(
            Flow.Column.mono("core", 10),
            Flow.Column.mono("from pin", 17),
            Flow.Column.of("how", 38),
            Flow.Column.mono("colour", 15),
            Flow.Column.of("role", 34),
            Flow.Column.mono("to pin", 17),
            Flow.Column.of("how", 38),
            Flow.Column.tick("done", 8)),
        rows,
        "No cores yet.");
  }

  private static String mm(double mm) {
    return mm > 0 ? String.format(Locale.ROOT, "%.0f mm", mm) : "not";
  }

  private void cuts(Chart chart) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Chart.Cut cut : chart.cuts()) {
      rows.add(new String[] {cut.what(), cut.count() + " x", mm(cut.lengthMm()), ""});
    }
    flow.table(
        "Cut list",
        List.of(
            Flow.Column.of("what", 120),
            Flow.Column.mono("count", 16),
            Flow.Column.mono("length", 20),
            Flow.Column.tick("done", 8)),
        rows,
        "");
  }

  private void steps(Chart chart) throws IOException {
    flow.room(20);
    flow.heading("Order of work");
    int number = 1;
    for (String step : chart.steps()) {
      flow.paragraph("[ ] " + number++ + ". " + step + ".");
    }
    flow.paragraph(
        "An iron burns at once and its fumes want air; shield your eyes when you cut leads. Test with"
            + " nothing plugged in.");
    flow.down(2);
  }

  private void tests(Chart chart) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Chart.Test test : chart.tests()) {
      rows.add(new String[] {test.one(), test.other(), test.words(), "", ""});
    }
    flow.table(
        "Tests with the meter, before the hoods are closed and after",
        List.of(
            Flow.Column.of("one probe", 56),
            Flow.Column.of("other probe", 56),
            Flow.Column.of("must", 20),
            Flow.Column.tick("open", 12),
            Flow.Column.tick("closed", 14)),
        rows,
        "");
  }

  // ---- faces

  private static final double SCALE = 3.6;
  private static final double LEAST_WITH_COLOUR_MM = 5;

  /** Both ends from their wire side, enlarged, as they lie before one who solders. */
  private void wireSides(Lead lead) throws IOException {
    List<Where> shown = new ArrayList<>();
    double high = 0;
    double wide = 0;
    for (Where where : Where.values()) {
      Optional<ConnectorKind> kind = plugs.connector(lead.end(where)).filter(k -> !k.bare());
      if (kind.isPresent()) {
        shown.add(where);
        high = Math.max(high, Extent.of(kind.get().seen(Gender.MALE, Side.WIRES)).high());
        wide = Math.max(wide, Extent.of(kind.get().seen(Gender.MALE, Side.WIRES)).wide());
      }
    }
    if (shown.isEmpty()) {
      return;
    }
    double column = flow.widthMm() / shown.size();
    double scale = Math.min(SCALE, (column - 6) / wide);
    flow.room(high * scale + 20);
    double top = flow.y();
    for (int i = 0; i < shown.size(); i++) {
      Where where = shown.get(i);
      End.Plug plug = (End.Plug) lead.end(where);
      Seen seen = plugs.needed(plug.connector()).seen(plug.gender(), Side.WIRES);
      double middle = Flow.MARGIN_MM + column * (i + 0.5);
      pen.textCentred(Face.STRONG, 9, middle, top, capital(where.words()) + ", wire side");
      face(seen, colours(lead, where), middle, top + 5 + high * scale / 2, scale);
      pen.textCentred(
          Face.WORDS,
          7.5,
          middle,
          top + 10 + high * scale,
          plug.gender().words() + "; the cable comes towards you; " + seen.countedFrom());
    }
    flow.down(high * scale + 17);
  }

  private static String capital(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  static Map<String, WireColour> colours(Lead lead, Where where) {
    Map<String, WireColour> colours = new HashMap<>();
    for (Core core : lead.cores()) {
      colours.putIfAbsent(Lead.pin(core, where), core.colour());
    }
    return colours;
  }

  /** How much room a face takes, in mm. */
  record Extent(double wide, double high) {
    static Extent of(Seen seen) {
      List<Point> all = new ArrayList<>(seen.outline());
      all.addAll(seen.key());
      double wide = all.stream().mapToDouble(p -> Math.abs(p.xMm())).max().orElse(0);
      double high = all.stream().mapToDouble(p -> Math.abs(p.yMm())).max().orElse(0);
      return new Extent(2 * wide, 2 * high);
    }
  }

  private void face(Seen seen, Map<String, WireColour> colours, double x, double y, double scale)
      throws IOException {
    pen.width(0.3);
    outline(seen.outline(), x, y, scale);
    if (!seen.key().isEmpty()) {
      outline(seen.key(), x, y, scale);
    }
    boolean first = true;
    for (ConnectorKind.Pin pin : seen.pins()) {
      double px = x + pin.at().xMm() * scale;
      double py = y - pin.at().yMm() * scale;
      double size = Math.min(1.9, nearest(seen) * 0.8) * scale;
      pen.width(0.2);
      if (first) { // pin 1 has a square round it
        pen.box(px - size * 0.62, py - size * 0.62, size * 1.24, size * 1.24, 0);
        first = false;
      }
      pen.circle(px, py, size);
      // The colour stands under the number, inside of the pin, so that it is no other pin's.
      Optional<WireColour> colour =
          size < LEAST_WITH_COLOUR_MM
              ? Optional.empty()
              : Optional.ofNullable(colours.get(pin.name()));
      double points = Math.min(colour.isPresent() ? 7 : 8, size * 1.5);
      double down = colour.isPresent() ? -size * 0.05 : points * 0.12;
      pen.textCentred(Face.MONO, points, px, py + down, pin.name());
      if (colour.isPresent()) {
        pen.textCentred(Face.MONO, 4.5, px, py + size * 0.33, colour.get().code());
      }
    }
  }

  private static double nearest(Seen seen) {
    double nearest = 5;
    for (ConnectorKind.Pin one : seen.pins()) {
      for (ConnectorKind.Pin other : seen.pins()) {
        if (one != other) {
          nearest = Math.min(nearest, one.at().distanceMm(other.at()));
        }
      }
    }
    return nearest;
  }

  private void outline(List<Point> corners, double x, double y, double scale) throws IOException {
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      pen.line(x + a.xMm() * scale, y - a.yMm() * scale, x + b.xMm() * scale, y - b.yMm() * scale);
    }
  }

  /** A page of all faces in true size, to lay the real plug on. */
  void faces(List<Lead> leads) throws IOException {
    List<ConnectorKind> kinds =
        leads.stream()
            .flatMap(lead -> List.of(lead.from(), lead.to()).stream())
            .flatMap(end -> plugs.connector(end).stream())
            .filter(kind -> !kind.bare())
            .distinct()
            .toList();
    if (!kinds.isEmpty()) {
      trueSize(kinds);
    }
  }

  private void trueSize(List<ConnectorKind> kinds) throws IOException {
    flow.newPage();
    flow.heading("Faces in true size");
    flow.paragraph(
        "Print at 100 % and check the bars first. Lay the real plug on: every pin must meet its"
            + " circle. Pin 1 has the square; the arrow points to the side drawn as up.");
    for (ConnectorKind kind : kinds) {
      double high = 0;
      double wide = 0;
      for (Side side : Side.values()) {
        high = Math.max(high, Extent.of(kind.seen(Gender.MALE, side)).high());
        wide = Math.max(wide, Extent.of(kind.seen(Gender.MALE, side)).wide());
      }
      int across = Math.max(1, (int) (flow.widthMm() / Math.max(42, wide + 8)));
      across = Math.min(4, across);
      double cell = flow.widthMm() / across;
      flow.room(14 + (high + 15) * Math.ceil(4.0 / across) + 24);
      flow.heading(kind.name());
      flow.paragraph(kind.numbering() + ". " + kind.source().inWords() + ".");
      int at = 0;
      double top = flow.y() + 2;
      for (Gender gender : Gender.values()) {
        for (Side side : Side.values()) {
          double x = Flow.MARGIN_MM + cell * (at % across + 0.5);
          double y = top + (high + 15) * (at / across) + high / 2;
          face(kind.seen(gender, side), Map.of(), x, y, 1);
          arrow(x + wide / 2 + 2.5, y);
          pen.textCentred(Face.STRONG, 7.5, x, y + high / 2 + 4.5, gender.words());
          pen.textCentred(Face.WORDS, 7.5, x, y + high / 2 + 8, side.words());
          at++;
        }
      }
      flow.down((high + 15) * Math.ceil(4.0 / across) + 4);
    }
    CheckBars.level(pen, Flow.MARGIN_MM, pen.paper().heightMm() - 16);
  }

  private void arrow(double x, double y) throws IOException {
    pen.width(0.25);
    pen.line(x, y + 2.5, x, y - 2.5);
    pen.line(x, y - 2.5, x - 0.9, y - 1.2);
    pen.line(x, y - 2.5, x + 0.9, y - 1.2);
  }

  /** {@return a connector's faces in true size as a PDF document} */
  public static byte[] faces(ConnectorKind kind, Paper paper) {
    return Pen.pdf(
        kind.name() + ", faces",
        paper,
        pen -> {
          Flow flow = new Flow(pen, kind.name(), "Faces in true size");
          new LeadSheet(pen, flow, Plugs.standard()).trueSize(List.of(kind));
        });
  }
}
