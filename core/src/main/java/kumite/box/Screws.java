package kumite.box;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.box.Box;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.panel.LidScrews;
import kumite.panel.PanelScrews;
import kumite.panel.Screw;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The screws of a case, joint by joint, each as long as it holds and no longer than it stays in.
 */
final class Screws {
  /** The plate of a lever or trackball under the panel: common practice, no source; measure it. */
  static final double PLATE_MM = 2;

  /** So much of a machine screw may stand out past its nut: common practice, no source. */
  private static final double PAST_NUT_MM = 8;

  /** A wood screw holds with so much in the wood: common practice, no source. */
  private static final double WOOD_GRIP_MM = 12;

  /** In end grain: common practice, no source. */
  private static final double END_GRIP_MM = 20;

  /** It stays so far from the other side: common practice, no source. */
  static final double SKIN_MM = 1;

  /** A standoff under a board, as they are sold: common practice, no source. */
  static final double STANDOFF_MM = 10;

  /** Each of the two screws in it takes at least this, and less than half of it. */
  private static final double STANDOFF_GRIP_MM = 3;

  /** A printed circuit board. */
  private static final double BOARD_MM = 1.6;

  /** A threaded insert, and the play of a screw in it: common practice, no source. */
  private static final double INSERT_MM = 5;

  private static final double LEAF_MM = 1;
  private static final double HINGE_EACH_MM = 250;
  private static final double FLOOR_EACH_MM = 150;
  private static final double SIDE_EACH_MM = 60;

  private final Build build;
  private final Catalogue catalogue;
  private final BoxShape shape;
  private final Panel panel;
  private final Box box;
  private final boolean wood;
  private final List<ScrewLine> lines = new ArrayList<>();
  private ScrewLine.Holds holds = ScrewLine.Holds.CONTROL;

  private Screws(Build build, Catalogue catalogue, BoxShape shape) {
    this.build = build;
    this.catalogue = catalogue;
    this.shape = shape;
    this.panel = shape.panel();
    this.box = shape.box();
    this.wood = box.making() instanceof Making.Boards;
  }

  static List<ScrewLine> of(Build build, Catalogue catalogue, BoxShape shape) {
    Screws screws = new Screws(build, catalogue, shape);
    screws.controls();
    if (shape.hollow()) {
      screws.holds = ScrewLine.Holds.LID;
      screws.lid();
      screws.holds = ScrewLine.Holds.WALL;
      screws.walls();
      screws.seams();
      screws.holds = ScrewLine.Holds.FOOT;
      screws.feet();
    }
    screws.holds = ScrewLine.Holds.BOARD;
    screws.boards();
    return screws.lines;
  }

  /** Plates of levers and the like: through the panel, with washer and nut below. */
  private void controls() {
    Map<String, List<Control>> byKind = new LinkedHashMap<>();
    for (Control control : build.controls()) {
      byKind.computeIfAbsent(control.kind(), kind -> new ArrayList<>()).add(control);
    }
    byKind.forEach(
        (id, controls) -> {
          ControlKind kind = catalogue.kindOf(controls.get(0));
          Map<String, List<ScrewHole>> bySize = new LinkedHashMap<>();
          kind.screws()
              .forEach(
                  hole -> bySize.computeIfAbsent(hole.screw(), s -> new ArrayList<>()).add(hole));
          bySize.forEach(
              (size, holes) ->
                  Screw.named(size)
                      .ifPresent(
                          screw ->
                              nut(
                                  screw,
                                  holes.size() * controls.size(),
                                  kind.name() + " to the panel",
                                  panel.stackMm(),
                                  "panel" + (panel.coverMm() > 0 ? " and cover" : ""),
                                  PLATE_MM,
                                  "plate",
                                  Screw.sinkMm(holes.get(0), panel),
                                  controls.stream().map(c -> Subject.of(c.id())).toList())));
        });
  }

  private void nut(
      Screw screw,
      int count,
      String joint,
      double sheetMm,
      String sheet,
      double partMm,
      String part,
      double sinkMm,
      List<Subject> about) {
    ScrewLength.Set set = ScrewLength.of(screw).orElseThrow();
    double head = sinkMm > 0 ? 0 : set.washerMm();
    double least = sheetMm + partMm + head + set.washerMm() + set.nutMm() + 2 * set.pitchMm();
    double most = least + PAST_NUT_MM;
    List<Working.Value> values = new ArrayList<>();
    values.add(Working.value("t", sheetMm, 2, "mm", sheet));
    values.add(Working.value("p", partMm, 2, "mm", part));
    values.add(
        Working.value(
            "w", head + set.washerMm(), 2, "mm", head > 0 ? "two washers" : "a washer below"));
    values.add(Working.value("m", set.nutMm(), 2, "mm", "nut of " + screw.name()));
    values.add(Working.value("P", set.pitchMm(), 2, "mm", "pitch; two stand out"));
    Optional<Double> length = ScrewLength.between(ScrewLength.MACHINE, least, most);
    lines.add(
        new ScrewLine(
            count,
            holds,
            screw.name(),
            length,
            sinkMm > 0 ? ScrewLine.Head.FLAT : ScrewLine.Head.ROUND,
            joint,
            least,
            most,
            0,
            sinkMm,
            (sinkMm > 0 ? "washer and nut" : "two washers and nut"),
            about,
            working("t + p + w + m + 2 P", values, least, most, length)));
  }

  private static Working working(
      String formula,
      List<Working.Value> values,
      double least,
      double most,
      Optional<Double> length) {
    return new Working(
        "length of the screw",
        formula,
        values,
        Working.number(least, 1)
            + " to "
            + Working.number(most, 1)
            + " mm"
            + length.map(mm -> "; " + Working.number(mm, 0) + " is made").orElse("; none is made"),
        Source.memory(
            "ISO 888 lengths, ISO 4032 nuts, ISO 7089 washers; thickness of plates and boards is"
                + " common practice, measure them"));
  }

  /** What holds the lid: a hinge, or screws into the blocks below it. */
  private void lid() {
    Opening opening = panel.inside().opening();
    if (opening != Opening.LIFTS_OFF) {
      boolean across = opening == Opening.HINGED_BACK || opening == Opening.HINGED_FRONT;
      double edge = (across ? panel.widthMm() : panel.heightMm()) - 2 * shape.outMm();
      int hinges = Math.max(2, (int) Math.ceil(edge / HINGE_EACH_MM));
      leaf(hinges * 2, "hinge to the panel", panel.stackMm(), "panel", panel.material());
      if (!(box.making() instanceof Making.Bought)) {
        leaf(hinges * 2, "hinge to the case", shape.wallMm(), "wall", box.material());
      }
      return;
    }
    LidScrews lid = LidScrews.of(panel, box);
    if (lid.at().isEmpty()) {
      return;
    }
    boolean edges = lid.into() == LidScrews.Into.EDGES;
    double shortest =
        edges
            ? Math.min(shape.leastDepthMm(Face.FRONT), shape.leastDepthMm(Face.BACK))
            : PanelScrews.into(panel, Optional.of(box)).stream()
                .mapToDouble(b -> b.bottomMm(shape.depthMm(b.centre().yMm())))
                .min()
                .orElseThrow();
    int count = lid.at().size();
    double sheet = panel.stackMm();
    if (wood) {
      String joint = edges ? "panel to the walls' edges" : "panel to its blocks";
      double grip = edges ? END_GRIP_MM : WOOD_GRIP_MM;
      wooden(3.5, count, joint, sheet, "panel", grip, shortest - SKIN_MM, true);
    } else {
      insert(count, "panel to its blocks", sheet, shortest, lid.sinkMm());
    }
  }

  /** Lips of a parted tray: two screws with nuts through each pair, drilled clamped together. */
  private void seams() {
    holds = ScrewLine.Holds.WALL;
    int pairs = 2 * Parting.seams(shape).size();
    if (pairs > 0) {
      nut(
          Screw.named("M3").orElseThrow(),
          2 * pairs,
          "lips of the seams, through both",
          Parting.LIP_MM,
          "lip",
          Parting.LIP_MM,
          "other lip",
          0,
          List.of());
    }
  }

  private void leaf(int count, String joint, double sheetMm, String sheet, Material material) {
    boolean solid = material == Material.PLYWOOD || material == Material.MDF;
    if (solid && sheetMm >= 10) {
      wooden(3, count, joint, LEAF_MM, "leaf of the hinge", 8, sheetMm - SKIN_MM, false);
    } else {
      nut(
          Screw.named("M3").orElseThrow(),
          count,
          joint,
          sheetMm,
          sheet,
          LEAF_MM,
          "leaf of the hinge",
          0,
          List.of());
    }
  }

  private void insert(int count, String joint, double sheetMm, double deepMm, double sink) {
    double head = sink > 0 ? 0 : 0.5;
    double least = sheetMm + head + INSERT_MM - 1;
    double most = sheetMm + head + Math.min(2.4 * INSERT_MM, deepMm - SKIN_MM);
    Optional<Double> length = ScrewLength.between(ScrewLength.MACHINE, least, most);
    lines.add(
        new ScrewLine(
            count,
            holds,
            "M3",
            length,
            sink > 0 ? ScrewLine.Head.FLAT : ScrewLine.Head.ROUND,
            joint,
            least,
            most,
            0,
            sink,
            sink > 0 ? "insert" : "washer and insert",
            List.of(),
            working(
                "t + w + insert",
                List.of(
                    Working.value("t", sheetMm, 2, "mm", "panel"),
                    Working.value("w", head, 2, "mm", "washer"),
                    Working.value("insert", INSERT_MM, 1, "mm", "four fifths of it at least")),
                least,
                most,
                length)));
  }

  private void wooden(
      double diameter,
      int count,
      String joint,
      double throughMm,
      String through,
      double gripMm,
      double roomMm,
      boolean sunk) {
    double least = throughMm + gripMm;
    double most = throughMm + roomMm;
    double sink = sunk && throughMm >= LidScrews.SUNK_FROM_MM ? 2 * diameter : 0;
    Optional<Double> length = ScrewLength.between(ScrewLength.WOOD, least, most);
    lines.add(
        new ScrewLine(
            count,
            holds,
            Working.number(diameter, 1) + " wood",
            length,
            sink > 0 ? ScrewLine.Head.FLAT : ScrewLine.Head.ROUND,
            joint,
            least,
            most,
            pilotMm(diameter, box.material()),
            sink,
            sink > 0 ? "" : "washer",
            List.of(),
            working(
                "t + grip",
                List.of(
                    Working.value("t", throughMm, 2, "mm", through),
                    Working.value("grip", gripMm, 1, "mm", "in the wood at least"),
                    Working.value("room", roomMm, 1, "mm", "before it comes through")),
                least,
                most,
                length)));
  }

  /**
   * {@return the pilot hole of a wood screw, or of one that cuts its thread in print: common
   * practice, no source}
   */
  static double pilotMm(double diameter, Material material) {
    double share =
        switch (material) {
          case PLYWOOD -> 0.7;
          case MDF, PRINTED -> 0.8;
          case ACRYLIC, ALUMINIUM, STEEL -> 0.85;
        };
    return Math.round(diameter * share * 10) / 10.0;
  }

  /** Walls to each other, and the floor under them. */
  private void walls() {
    if (!wood || !panel.rectangular()) {
      return;
    }
    double wall = shape.wallMm();
    int each = 0;
    for (Face face : List.of(Face.FRONT, Face.BACK)) {
      each += 2 * Math.max(2, (int) Math.ceil(shape.leastDepthMm(face) / SIDE_EACH_MM));
    }
    wooden(
        3.5,
        each,
        "sides into front and back",
        wall,
        "side",
        END_GRIP_MM,
        shape.insideMm(Face.FRONT) / 2,
        true);
    double around = 2 * (panel.widthMm() + panel.heightMm() - 4 * shape.outMm());
    int below = Math.max(8, (int) Math.ceil(around / FLOOR_EACH_MM));
    wooden(
        3.5,
        below,
        "floor under the walls",
        wall,
        "floor",
        WOOD_GRIP_MM,
        Math.min(shape.leastDepthMm(Face.FRONT), shape.leastDepthMm(Face.BACK)) - SKIN_MM,
        true);
  }

  private void feet() {
    if (box.feetMm() <= 0) {
      return;
    }
    double foot = box.feetMm() / 2; // its head lies half-way up in it
    if (wood && shape.wallMm() >= 9) {
      wooden(
          3.5, 4, "feet to the floor", foot, "foot, sunk half", 6, shape.wallMm() - SKIN_MM, false);
    } else {
      nut(
          Screw.named("M4").orElseThrow(),
          4,
          "feet to the floor",
          shape.wallMm(),
          "floor",
          foot,
          "foot, sunk half",
          0,
          List.of());
    }
  }

  /** Boards on the floor or under the panel: a standoff with a screw at either end. */
  private void boards() {
    for (Seat seat : build.seats()) {
      Optional<BoardChoice> choice = seat.board();
      Optional<BoardKind> kind = choice.flatMap(c -> catalogue.board(c.kind()));
      if (kind.isEmpty() || kind.get().seating().standoffs().isEmpty()) {
        continue;
      }
      Optional<Screw> screw = through(kind.get().seating().standoffHoleMm());
      if (screw.isEmpty()) {
        continue;
      }
      int count = kind.get().seating().standoffs().size();
      String name = "board" + (build.seats().size() > 1 ? " of " + seat.id().text() : "");
      boolean hangs = choice.get().seat() == BoardChoice.Seat.PANEL;
      double sheet = hangs ? panel.thicknessMm() : shape.wallMm();
      if (!hangs && box.making() instanceof Making.Printed) {
        post(screw.get(), count, name);
        continue;
      }
      double washer = ScrewLength.of(screw.get()).orElseThrow().washerMm();
      standoff(screw.get(), count, name + " to standoffs", BOARD_MM + washer, "board and washer");
      if (wood && !hangs && shape.wallMm() >= 9) {
        // Standoffs with a thread of their own at the lower end go into wood.
        lines.add(spike(screw.get(), count, name));
      } else {
        standoff(
            screw.get(),
            count,
            "standoffs of the " + name,
            sheet + (hangs ? 0 : washer),
            hangs ? "panel" : "floor and washer");
      }
    }
  }

  /** The standoff itself is screwed into a wooden floor, with its own threaded end. */
  private ScrewLine spike(Screw screw, int count, String name) {
    double least = 6;
    double most = shape.wallMm() - SKIN_MM;
    Optional<Double> length = ScrewLength.between(ScrewLength.MACHINE, least, most);
    return new ScrewLine(
        count,
        holds,
        screw.name(),
        length,
        ScrewLine.Head.ROUND,
        "standoffs of the " + name + ", their threaded ends into the floor",
        least,
        most,
        pilotMm(screw.diameterMm(), box.material()),
        0,
        "standoff of " + Working.number(STANDOFF_MM, 0) + " mm",
        List.of(),
        working(
            "grip",
            List.of(Working.value("room", most, 1, "mm", "before it comes through")),
            least,
            most,
            length));
  }

  private void standoff(Screw screw, int count, String joint, double throughMm, String through) {
    double least = throughMm + STANDOFF_GRIP_MM;
    double most = throughMm + STANDOFF_MM / 2 - 0.1;
    Optional<Double> length = ScrewLength.between(ScrewLength.MACHINE, least, most);
    lines.add(
        new ScrewLine(
            count,
            holds,
            screw.name(),
            length,
            ScrewLine.Head.ROUND,
            joint,
            least,
            most,
            0,
            0,
            "washer, standoff of " + Working.number(STANDOFF_MM, 0) + " mm",
            List.of(),
            working(
                "t + grip in the standoff",
                List.of(
                    Working.value("t", throughMm, 2, "mm", through),
                    Working.value("grip", STANDOFF_GRIP_MM, 1, "mm", "at least"),
                    Working.value("half", STANDOFF_MM / 2, 1, "mm", "of the standoff at most")),
                least,
                most,
                length)));
  }

  /** A screw that cuts its own thread in a printed post. */
  private void post(Screw screw, int count, String name) {
    double least = BOARD_MM + 5;
    double most = BOARD_MM + Tray.POST_MM - SKIN_MM;
    Optional<Double> length = ScrewLength.between(ScrewLength.MACHINE, least, most);
    double diameter = screw.diameterMm();
    lines.add(
        new ScrewLine(
            count,
            holds,
            String.format(Locale.ROOT, "%s thread-cutting", screw.name()),
            length,
            ScrewLine.Head.ROUND,
            name + " to printed posts",
            least,
            most,
            pilotMm(diameter, Material.PRINTED),
            0,
            "",
            List.of(),
            working(
                "board + grip",
                List.of(
                    Working.value("t", BOARD_MM, 2, "mm", "board"),
                    Working.value("grip", 5, 1, "mm", "in the post at least"),
                    Working.value("post", Tray.POST_MM, 1, "mm", "its height")),
                least,
                most,
                length)));
  }

  /** {@return the screw that a clearance hole is made for: the largest that passes} */
  static Optional<Screw> through(double holeMm) {
    return Screw.all().stream()
        .filter(s -> s.coneDegrees() == 90 && s.clearanceMm() <= holeMm + 0.11)
        .reduce((one, larger) -> larger);
  }
}
