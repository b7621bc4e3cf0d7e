package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kumite.box.BoxChecks;
import kumite.box.BoxPicture;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.box.Piece;
import kumite.box.ScrewLine;
import kumite.build.box.Making;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.measure.Point;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;

/** The case on paper: pieces, how they lie on their sheets, screws, and the order of work. */
final class BoxPaper {
  private static final double MARGIN_MM = 14;
  private static final double APART_MM = 45;

  /** A hinged lid stands a little open, one that lifts off is raised. */
  private static final double APART_LID = 25;

  private BoxPaper() {}

  /** {@return it as a PDF document} */
  static byte[] pdf(Bench bench, Paper paper) {
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    String title = bench.build().brief().title();
    return Pen.pdf(
        title + ", case",
        paper,
        pen -> {
          Flow flow = new Flow(pen, title, "Case");
          flow.newPage();
          flow.heading(first(plan.box().making().words()));
          flow.paragraph(
              (plan.spoken()
                      ? ""
                      : "Nobody decided anything about this case yet: it is a plain one, made from"
                          + " the panel and the depths below it. ")
                  + "Wear eye protection and a mask at saw and router, let nobody leave a running"
                  + " beam alone, and clamp small pieces. Local rules and qualified people come"
                  + " first.");
          pieces(flow, plan, bench.build().brief().units());
          sheets(flow, plan);
          screws(flow, plan);
          order(flow, plan);
          picture(pen, plan, bench.catalogue(), title);
        });
  }

  /** How it goes together: all pieces drawn apart, from the front left. */
  private static void picture(Pen pen, BoxPlan plan, Catalogue catalogue, String title)
      throws IOException {
    Pen.Sheet sheet = pen.paper();
    pen.page(sheet);
    pen.text(Face.STRONG, 11, MARGIN_MM, MARGIN_MM + 4, title + ", how it goes together");
    BoxPicture seen =
        BoxPicture.of(
            plan, catalogue, new BoxPicture.Look(-32, 30, APART_LID, APART_MM, Set.of(), false));
    BoxPicture.Bounds box = seen.bounds();
    double scale = box.fit(sheet.widthMm() - 2 * MARGIN_MM, sheet.heightMm() - 3 * MARGIN_MM);
    double x = MARGIN_MM - box.leftMm() * scale;
    double y = 2 * MARGIN_MM - box.topMm() * scale;
    pen.width(0.2);
    for (BoxPicture.Seen face : seen.faces()) {
      List<Point> ring =
          face.corners().stream().map(p -> new Point(p.xMm() * scale, -p.yMm() * scale)).toList();
      List<Rounding.Piece> sides = new ArrayList<>();
      for (int i = 0; i < ring.size(); i++) {
        sides.add(new Rounding.Side(ring.get(i), ring.get((i + 1) % ring.size())));
      }
      double grey = face.kind() == BoxPicture.Kind.HOLE ? 0.6 : 0.86 + 0.14 * face.light();
      pen.filled(sides, x, y, grey);
      pen.path(ring, x, y);
    }
  }

  private static String first(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  private static void pieces(Flow flow, BoxPlan plan, LengthUnit unit) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (int i = 0; i < plan.pieces().size(); i++) {
      Piece piece = plan.pieces().get(i);
      rows.add(
          new String[] {
            "",
            String.valueOf(i + 1),
            piece.id(),
            Length.fine(piece.widthMm(), unit),
            Length.fine(piece.heightMm(), unit),
            Length.fine(piece.thicknessMm(), unit),
            piece.material().words(),
            edges(piece)
          });
    }
    flow.table(
        "Pieces, " + unit.symbol() + ", true sizes without the kerf",
        List.of(
            Flow.Column.tick("", 6),
            Flow.Column.mono("no.", 9),
            Flow.Column.of("piece", 26),
            Flow.Column.mono("width", 20),
            Flow.Column.mono("height", 20),
            Flow.Column.mono("thick", 16),
            Flow.Column.of("of", 26),
            Flow.Column.of("edges and holes", 62)),
        rows,
        "");
  }

  private static String edges(Piece piece) {
    List<String> words = new ArrayList<>();
    for (Piece.Bevel bevel : piece.bevels()) {
      words.add(
          String.format(
              Locale.ROOT, "%s %.1f°, %s", bevel.edge(), bevel.degrees(), bevel.longer()));
    }
    if (!piece.holes().isEmpty()) {
      words.add(piece.holes().size() + (piece.holes().size() == 1 ? " hole" : " holes"));
    }
    return String.join("; ", words);
  }

  private static void sheets(Flow flow, BoxPlan plan) throws IOException {
    boolean boards = plan.box().making() instanceof Making.Boards;
    List<String[]> rows = new ArrayList<>();
    for (int i = 0; i < plan.nest().sheets().size(); i++) {
      Nest.Laid laid = plan.nest().sheets().get(i);
      for (Nest.Spot spot : laid.spots()) {
        rows.add(
            new String[] {
              "",
              String.valueOf(i + 1),
              String.valueOf(spot.strip() + 1),
              spot.piece().id(),
              String.format(Locale.ROOT, "%.1f", spot.leftMm()),
              String.format(Locale.ROOT, "%.1f", spot.topMm()),
              String.format(Locale.ROOT, "%.1f x %.1f", spot.widthMm(), spot.heightMm())
            });
      }
    }
    flow.table(
        boards
            ? "On the boards, mm: rip each strip first, then cut it to length"
            : "On the sheets, mm",
        List.of(
            Flow.Column.tick("", 6),
            Flow.Column.mono("sheet", 14),
            Flow.Column.mono("strip", 14),
            Flow.Column.of("piece", 40),
            Flow.Column.mono("left", 20),
            Flow.Column.mono("top", 20),
            Flow.Column.mono("size", 40)),
        rows,
        "Nothing is cut from a sheet.");
    for (Piece large : plan.nest().tooLarge()) {
      flow.paragraph("No sheet takes " + large.id() + ".");
    }
  }

  private static void screws(Flow flow, BoxPlan plan) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (ScrewLine line : plan.screws()) {
      rows.add(
          new String[] {
            "",
            line.words(),
            line.joint(),
            String.format(Locale.ROOT, "%.1f to %.1f", line.leastMm(), line.mostMm()),
            line.pilotMm() > 0 ? String.format(Locale.ROOT, "%.1f", line.pilotMm()) : "",
            line.sinkMm() > 0 ? String.format(Locale.ROOT, "%.1f", line.sinkMm()) : "",
            line.with()
          });
    }
    flow.table(
        "Screws; tighten crosswise, by hand in plastic",
        List.of(
            Flow.Column.tick("", 6),
            Flow.Column.of("screw", 48),
            Flow.Column.of("what it holds", 46),
            Flow.Column.mono("may be", 22),
            Flow.Column.mono("pilot", 11),
            Flow.Column.mono("sink", 11),
            Flow.Column.of("with", 40)),
        rows,
        "It takes no screws.");
  }

  private static void order(Flow flow, BoxPlan plan) throws IOException {
    List<String[]> rows = new ArrayList<>();
    int number = 1;
    for (String step : steps(plan)) {
      rows.add(new String[] {"", String.valueOf(number++), step});
    }
    flow.table(
        "In this order",
        List.of(Flow.Column.tick("", 6), Flow.Column.mono("", 9), Flow.Column.of("", 160)),
        rows,
        "");
  }

  private static List<String> steps(BoxPlan plan) {
    List<String> steps = new ArrayList<>();
    Making making = plan.box().making();
    if (making instanceof Making.Boards) {
      steps.add("Measure the boards with a caliper; they are seldom as thick as sold.");
      steps.add("Rip all strips of one width in one setting, then cut to length.");
      steps.add("Saw the bevels after the lengths, with a piece of waste first.");
      steps.add("Drill and cut all openings while the boards lie flat.");
      steps.add("Put the walls together dry, check both diagonals, then glue and screw.");
      steps.add("Floor last, so that it draws the walls square.");
      steps.add("Sand and paint before anything goes in.");
    } else if (making instanceof Making.Laser) {
      steps.add("Cut one corner first, and try its fingers; change kerf or fit if they are loose.");
      steps.add("Cut the sheets; numbers come to lie inside.");
      steps.add("Put it together dry. Sides between front and back, then the floor from below.");
      steps.add(
          "Glue with a thin line inside the corners; no threadlocker near acrylic, it cracks.");
    } else if (making instanceof Making.Printed) {
      steps.add("Print the tray with its floor on the bed; 0.2 mm layers do.");
      steps.add("Clear the pilot holes with a drill by hand before a screw cuts its thread.");
    } else {
      steps.add("Mark from the templates with the box empty, and clamp wood behind each hole.");
      steps.add("Clean out all chips before a board goes in.");
    }
    steps.add("Lead the cable through its opening before its inner end is soldered.");
    steps.add("Test before the lid is closed for good.");
    return steps;
  }
}
