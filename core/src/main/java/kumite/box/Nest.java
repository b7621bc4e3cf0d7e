package kumite.box;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.box.Box;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.StockSheet;
import kumite.build.panel.Material;
import kumite.measure.Point;

/**
 * The pieces laid on sheets: strips across the sheet, the tallest piece first, so that boards are
 * ripped along each strip before they are cut to length.
 *
 * @param sheets in the order they are begun
 * @param tooLarge pieces that go on no sheet, or for which there is none left
 */
public record Nest(List<Laid> sheets, List<Piece> tooLarge) {
  /** Between two pieces under a beam, so that it does not burn both: common practice, no source. */
  private static final double BETWEEN_MM = 2;

  /** From the edge of a sheet to the first piece: common practice, no source. */
  private static final double EDGE_MM = 3;

  /** The usual sheets of a shop with a laser: common practice, no source. */
  private static final List<StockSheet> LASER =
      List.of(new StockSheet(600, 400, 0), new StockSheet(1000, 600, 0));

  /** The usual boards: common practice, no source. */
  private static final List<StockSheet> BOARDS =
      List.of(new StockSheet(1200, 600, 0), new StockSheet(2440, 1220, 0));

  /**
   * One sheet.
   *
   * @param material of it
   * @param thicknessMm of it
   * @param sheet its size
   * @param spots what is cut from it, strip by strip
   */
  public record Laid(Material material, double thicknessMm, StockSheet sheet, List<Spot> spots) {
    public Laid {
      spots = List.copyOf(spots);
    }

    /** {@return how much of it becomes pieces, 0 to 1} */
    public double used() {
      double used = spots.stream().mapToDouble(s -> s.piece().area().getArea()).sum();
      return used / (sheet.widthMm() * sheet.heightMm());
    }
  }

  /**
   * Where a piece lies.
   *
   * @param piece which
   * @param leftMm its left edge on the sheet
   * @param topMm its upper edge on the sheet
   * @param turned whether it lies a quarter turned
   * @param strip which strip of the sheet, from 0
   */
  public record Spot(Piece piece, double leftMm, double topMm, boolean turned, int strip) {
    /** {@return where a place of the piece lies on the sheet; walls and floor seen from inside} */
    public Point at(Point place) {
      double x = place.xMm() - piece.leftMm();
      double y = place.yMm() - piece.topMm();
      x = mirrored() ? piece.widthMm() - x : x;
      return turned
          ? new Point(leftMm + y, topMm + piece.widthMm() - x)
          : new Point(leftMm + x, topMm + y);
    }

    /** {@return whether it lies turned over: back and left are kept as seen from outside} */
    public boolean mirrored() {
      return piece.face().filter(f -> f == Face.BACK || f == Face.LEFT).isPresent();
    }

    /** {@return how much of the sheet's width it takes, in mm} */
    public double widthMm() {
      return turned ? piece.heightMm() : piece.widthMm();
    }

    /** {@return how much of the sheet's height it takes, in mm} */
    public double heightMm() {
      return turned ? piece.widthMm() : piece.heightMm();
    }
  }

  public Nest {
    sheets = List.copyOf(sheets);
    tooLarge = List.copyOf(tooLarge);
  }

  /** {@return the pieces that are cut from sheets, laid on what there is} */
  static Nest of(Box box, List<Piece> pieces) {
    boolean boards = box.making() instanceof Making.Boards;
    List<StockSheet> stock = !box.stock().isEmpty() ? box.stock() : boards ? BOARDS : LASER;
    double kerf =
        box.making() instanceof Making.Boards of
            ? of.kerfMm()
            : box.making() instanceof Making.Laser laser
                ? Math.max(BETWEEN_MM, laser.kerfMm())
                : BETWEEN_MM;
    Map<String, List<Piece>> groups = new LinkedHashMap<>();
    for (Piece piece : pieces) {
      boolean sheet =
          (piece.part() == Piece.Part.WALL || piece.part() == Piece.Part.PANEL)
              && piece.material() != Material.PRINTED
              && !piece.outline().isEmpty();
      if (sheet) {
        groups
            .computeIfAbsent(piece.material() + " " + piece.thicknessMm(), key -> new ArrayList<>())
            .add(piece);
      }
    }
    Layer layer = new Layer(stock, kerf, boards ? kerf : EDGE_MM);
    groups.values().forEach(layer::lay);
    return new Nest(
        layer.open.stream()
            .map(o -> new Laid(o.material, o.thicknessMm, o.sheet, o.spots))
            .toList(),
        layer.tooLarge);
  }

  /** A sheet that is being filled. */
  private static final class Open {
    final Material material;
    final double thicknessMm;
    final StockSheet sheet;
    final List<Spot> spots = new ArrayList<>();
    final List<double[]> strips = new ArrayList<>(); // top, height, filled to

    Open(Piece first, StockSheet sheet) {
      this.material = first.material();
      this.thicknessMm = first.thicknessMm();
      this.sheet = sheet;
    }
  }

  private static final class Layer {
    private final List<StockSheet> stock;
    private final double between;
    private final double edge;
    private final List<Open> open = new ArrayList<>();
    private final List<Piece> tooLarge = new ArrayList<>();
    private final Map<StockSheet, Integer> taken = new LinkedHashMap<>();

    Layer(List<StockSheet> stock, double between, double edge) {
      this.stock = stock;
      this.between = between;
      this.edge = edge;
    }

    void lay(List<Piece> group) {
      List<Piece> sorted = new ArrayList<>(group);
      sorted.sort(Comparator.comparingDouble((Piece p) -> -flat(p)[1]));
      int first = open.size();
      for (Piece piece : sorted) {
        boolean laid = false;
        for (int i = first; i < open.size() && !laid; i++) {
          laid = put(open.get(i), piece);
        }
        if (!laid) {
          Optional<StockSheet> next = next(piece);
          if (next.isEmpty()) {
            tooLarge.add(piece);
          } else {
            taken.merge(next.get(), 1, Integer::sum);
            Open sheet = new Open(piece, next.get());
            open.add(sheet);
            put(sheet, piece);
          }
        }
      }
    }

    /** Lying along the grain: wider than tall. */
    private static double[] flat(Piece piece) {
      return new double[] {
        Math.max(piece.widthMm(), piece.heightMm()), Math.min(piece.widthMm(), piece.heightMm())
      };
    }

    private Optional<StockSheet> next(Piece piece) {
      return stock.stream()
          .filter(s -> s.count() == 0 || taken.getOrDefault(s, 0) < s.count())
          .filter(
              s ->
                  fits(s, flat(piece)[0], flat(piece)[1])
                      || fits(s, flat(piece)[1], flat(piece)[0]))
          .findFirst();
    }

    private boolean fits(StockSheet sheet, double width, double height) {
      return width + 2 * edge <= sheet.widthMm() + 1e-9
          && height + 2 * edge <= sheet.heightMm() + 1e-9;
    }

    private boolean put(Open sheet, Piece piece) {
      double[] flat = flat(piece);
      return put(sheet, piece, flat[0], flat[1])
          || flat[0] != flat[1] && put(sheet, piece, flat[1], flat[0]);
    }

    private boolean put(Open sheet, Piece piece, double width, double height) {
      if (!fits(sheet.sheet, width, height)) {
        return false;
      }
      boolean turned = Math.abs(width - piece.widthMm()) > 1e-9;
      double right = sheet.sheet.widthMm() - edge;
      for (int i = 0; i < sheet.strips.size(); i++) {
        double[] strip = sheet.strips.get(i);
        double left = strip[2] + between;
        if (height <= strip[1] + 1e-9 && left + width <= right + 1e-9) {
          sheet.spots.add(new Spot(piece, left, strip[0], turned, i));
          strip[2] = left + width;
          return true;
        }
      }
      double top = edge;
      if (!sheet.strips.isEmpty()) {
        double[] last = sheet.strips.get(sheet.strips.size() - 1);
        top = last[0] + last[1] + between;
      }
      if (top + height > sheet.sheet.heightMm() - edge + 1e-9) {
        return false;
      }
      sheet.strips.add(new double[] {top, height, edge + width});
      sheet.spots.add(new Spot(piece, edge, top, turned, sheet.strips.size() - 1));
      return true;
    }
  }
}
