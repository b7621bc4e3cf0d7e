package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * The holes of a panel, listed front to back and left to right within a row.
 *
 * <p>All coordinates are running dimensions: each is measured from the datum and rounded on its
 * own, so that rounding never adds up along a row.
 *
 * @param holes all holes
 */
public record DrillPlan(List<Hole> holes) {
  private static final String CUTOUT = "cut-out";

  /**
   * One hole.
   *
   * @param control the control it is for; empty for a screw of a board
   * @param label the control's label, or which board
   * @param purpose {@code cut-out} or the screw it clears
   * @param xMm from the build's datum
   * @param yMm from the build's datum
   * @param stored the same place in stored coordinates
   * @param shape its shape
   * @param turnDegrees of a shape that is not round, counter-clockwise
   * @param belowXMm from the left edge of the panel turned over, as marked on the underside
   * @param tool what to make it with; empty where it is cut, not drilled
   * @param ends of a slot, where it is drilled at either end, from the build's datum; else empty
   * @param sinkMm diameter to countersink for a flat head; 0 for a cut-out, and where the sheet is
   *     too thin
   * @param order its turn: small holes before large ones, cut-outs last; 1 upward
   */
  public record Hole(
      Optional<ControlId> control,
      String label,
      String purpose,
      double xMm,
      double yMm,
      Point stored,
      Shape shape,
      double turnDegrees,
      double belowXMm,
      Optional<Tool.Choice> tool,
      List<Point> ends,
      double sinkMm,
      int order) {
    public Hole {
      ends = List.copyOf(ends);
    }

    /** {@return where a slot is drilled at either end, in words; empty for other holes} */
    public String endsWords(LengthUnit unit) {
      return ends.stream()
          .map(p -> "x " + Length.fine(p.xMm(), unit) + " y " + Length.fine(p.yMm(), unit))
          .collect(Collectors.joining(" and "));
    }

    /**
     * {@return the size in words, to a hundredth of a millimetre: {@code 30.00 round}, {@code 3.00
     * x 66.00 slot}, {@code 14.00 x 14.00 corner 0.50}}
     */
    public String sizeWords(LengthUnit unit) {
      if (shape instanceof Shape.Round round) {
        return Length.fine(round.diameterMm(), unit) + " round";
      }
      Shape.Rect rect = (Shape.Rect) shape;
      boolean slot = rect.cornerMm() * 2 >= Math.min(rect.widthMm(), rect.heightMm()) - 1e-9;
      String corner =
          slot
              ? " slot"
              : rect.cornerMm() > 0 ? " corner " + Length.fine(rect.cornerMm(), unit) : "";
      return Length.fine(rect.widthMm(), unit)
          + " x "
          + Length.fine(rect.heightMm(), unit)
          + corner
          + (turnDegrees % 180 == 0
              ? ""
              : String.format(Locale.ROOT, " turned %.1f°", turnDegrees));
    }

    /** {@return whether it is the hole that the control itself goes through} */
    public boolean cutout() {
      return purpose.equals(CUTOUT);
    }

    /**
     * {@return from which face it is begun, in words: what is piloted from below is cut from above}
     */
    public String fromWords() {
      boolean piloted = tool.map(t -> t.tool().pilotMm() > 0).orElse(true);
      return piloted ? "pilot below" : "above";
    }

    /** {@return the nearest 1/64 in of a round hole with its error, or an empty text} */
    public String nearestInch() {
      if (shape instanceof Shape.Round round) {
        double error = Length.errorOf64th(round.diameterMm());
        return Length.nearest64th(round.diameterMm())
            + String.format(Locale.ROOT, " (%+.2f mm)", -error);
      }
      return "";
    }

    /** {@return how to make it, in words} */
    public String toolWords() {
      if (tool.isPresent()) {
        return tool.get().tool().name() + ", " + tool.get().playWords();
      }
      if (shape instanceof Shape.Rect rect) {
        double width = Math.min(rect.widthMm(), rect.heightMm());
        boolean slot = rect.cornerMm() * 2 >= width - 1e-9;
        return slot
            ? "drill " + number(width) + " mm at both ends, saw between"
            : "drill inside corners, saw, file";
      }
      return "jigsaw, router or laser";
    }

    private Hole at(int newOrder) {
      return new Hole(
          control,
          label,
          purpose,
          xMm,
          yMm,
          stored,
          shape,
          turnDegrees,
          belowXMm,
          tool,
          ends,
          sinkMm,
          newOrder);
    }

    private static String number(double mm) {
      return String.format(Locale.ROOT, "%.1f", mm);
    }
  }

  public DrillPlan {
    holes = List.copyOf(holes);
  }

  /** {@return the holes in the order they are made, by their numbers} */
  public List<Hole> inOrder() {
    return holes.stream().sorted(Comparator.comparingInt(Hole::order)).toList();
  }

  /** Lists the holes of a build, with coordinates from its datum. */
  public static DrillPlan of(Build build, Catalogue catalogue) {
    List<Control> controls = new ArrayList<>(build.onPanel());
    controls.sort(
        Comparator.comparingDouble((Control c) -> c.placement().yMm())
            .thenComparingDouble(c -> c.placement().xMm()));
    List<Hole> holes = new ArrayList<>();
    Map<String, Optional<Tool.Choice>> tools = new HashMap<>();
    for (Control control : controls) {
      ControlKind kind = catalogue.kindOf(control);
      double cover =
          Math.min(
              kind.face().widthMm() - kind.cutout().widthMm(),
              kind.face().heightMm() - kind.cutout().heightMm());
      // Half of what the flange covers may be play; more would show or let the part wander.
      double play = Math.max(0.1, Math.min(1, cover / 2));
      Point centre = control.placement().centre();
      holes.add(
          hole(
              build,
              Optional.of(control.id()),
              control.label(),
              CUTOUT,
              centre,
              control.placement(),
              kind.cutout(),
              play,
              0,
              tools));
      for (ScrewHole screw : kind.screws()) {
        double sink = Screw.sinkMm(screw, build.panel());
        holes.add(
            hole(
                build,
                Optional.of(control.id()),
                control.label(),
                screw.screw() + " screw",
                control.placement().place(screw.at()),
                control.placement(),
                new Shape.Round(screw.diameterMm()),
                0.5,
                sink,
                tools));
      }
    }
    for (BoardRoom board : BoardRoom.of(build, catalogue)) {
      if (board.hangs()) {
        holes.addAll(screws(build, board, tools));
      }
    }
    LidScrews lid = LidScrews.of(build);
    for (Point at : lid.at()) {
      holes.add(
          hole(
              build,
              Optional.empty(),
              "case",
              "screw",
              at,
              new Placement(at.xMm(), at.yMm(), 0),
              new Shape.Round(lid.clearanceMm()),
              0.5,
              lid.sinkMm(),
              tools));
    }
    return new DrillPlan(ordered(holes));
  }

  /**
   * {@return the holes for the screws of boards that stand on the case floor, seen from above, with
   * coordinates as those of the panel over it}
   */
  public static List<Hole> inFloor(Build build, Catalogue catalogue) {
    List<Hole> holes = new ArrayList<>();
    for (BoardRoom board : BoardRoom.of(build, catalogue)) {
      if (!board.hangs()) {
        holes.addAll(screws(build, board, new HashMap<>()));
      }
    }
    return ordered(holes);
  }

  private static List<Hole> screws(
      Build build, BoardRoom board, Map<String, Optional<Tool.Choice>> tools) {
    List<Hole> holes = new ArrayList<>();
    double diameter = board.kind().seating().standoffHoleMm();
    for (Point at : board.screws()) {
      holes.add(
          hole(
              build,
              Optional.empty(),
              board.words().substring(4),
              "screw",
              at,
              new Placement(at.xMm(), at.yMm(), 0),
              new Shape.Round(diameter),
              0.5,
              0,
              tools));
    }
    return holes;
  }

  private static List<Hole> ordered(List<Hole> holes) {
    List<Integer> turns = new ArrayList<>();
    for (int i = 0; i < holes.size(); i++) {
      turns.add(i);
    }
    turns.sort(
        Comparator.comparing((Integer i) -> holes.get(i).tool().isEmpty())
            .thenComparingDouble(i -> holes.get(i).shape().widthMm())
            .thenComparing(i -> i));
    List<Hole> ordered = new ArrayList<>(holes);
    for (int turn = 0; turn < turns.size(); turn++) {
      int at = turns.get(turn);
      ordered.set(at, holes.get(at).at(turn + 1));
    }
    return ordered;
  }

  private static Hole hole(
      Build build,
      Optional<ControlId> control,
      String label,
      String purpose,
      Point stored,
      Placement placement,
      Shape shape,
      double play,
      double sink,
      Map<String, Optional<Tool.Choice>> tools) {
    Panel panel = build.panel();
    Point shown = panel.datum().fromStored(stored, panel);
    Optional<Tool.Choice> tool = Optional.empty();
    if (shape instanceof Shape.Round round) {
      tool =
          tools.computeIfAbsent(
              round.diameterMm() + " " + play,
              key -> Tool.forHole(round.diameterMm(), play, panel.material(), panel.thicknessMm()));
    }
    return new Hole(
        control,
        label,
        purpose,
        shown.xMm(),
        shown.yMm(),
        stored,
        shape,
        placement.turnDegrees(),
        panel.widthMm() - stored.xMm(),
        tool,
        ends(shape, placement).stream().map(p -> panel.datum().fromStored(p, panel)).toList(),
        sink,
        0);
  }

  /** The middles of a slot's round ends. */
  private static List<Point> ends(Shape shape, Placement at) {
    if (!(shape instanceof Shape.Rect rect)) {
      return List.of();
    }
    double width = Math.min(rect.widthMm(), rect.heightMm());
    double half = (Math.max(rect.widthMm(), rect.heightMm()) - width) / 2;
    if (rect.cornerMm() * 2 < width - 1e-9 || half < 1e-9) {
      return List.of();
    }
    boolean across = rect.widthMm() > rect.heightMm();
    Point end = across ? new Point(half, 0) : new Point(0, half);
    return List.of(at.place(new Point(-end.xMm(), -end.yMm())), at.place(end));
  }

  /** {@return what to mind in a material; common practice, no source} */
  public static String advice(Material material) {
    return switch (material) {
      case PLYWOOD ->
          "Pilot from the underside, then cut from the finished face. Tape over the line keeps the"
              + " veneer whole.";
      case MDF ->
          "Fibreboard clogs and heats the saw: back out, clear, let it cool. Its dust is harmful:"
              + " mask, eye protection and a vacuum.";
      case ACRYLIC ->
          "Clamp it on scrap wood, drill slowly, leave the film on. It cracks at the moment the bit"
              + " breaks through. Cast sheet may be cut by laser; never leave a laser alone.";
      case ALUMINIUM ->
          "Centre-punch, a drop of spirit or oil, clamp the sheet, deburr both sides.";
      case STEEL -> "Centre-punch, slow turns and cutting oil, clamp the sheet, deburr both sides.";
      case PRINTED ->
          "Print the holes; 0.2 mm layers, 0.4 mm nozzle, about 20 % infill. Ream them by hand, heat"
              + " smears plastic.";
    };
  }
}
