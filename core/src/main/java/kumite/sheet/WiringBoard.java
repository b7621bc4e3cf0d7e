package kumite.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kumite.build.BoardChoice;
import kumite.build.Control;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.measure.Paper;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.panel.Captions;
import kumite.panel.Rounding;
import kumite.verdict.Bench;
import kumite.wiring.Lay;

/**
 * The wires of a build in true size over as many pages as the panel takes, seen from below: a board
 * to lay, tie and mark them on before they go into the case.
 *
 * <pre>{@code
 * byte[] pdf = WiringBoard.pdf(bench, Paper.A4);
 * }</pre>
 */
public final class WiringBoard {
  private static final double WIRE_MM = 0.9;
  private static final double EDGE_MM = 1.2;
  private static final double WORDS = 6;
  private static final double LINE_MM = 2.4;

  /**
   * A caption finds a place somewhere on its page; from the second distance on a line leads to it.
   */
  private static final double FURTHEST_MM = 150;

  private static final double LED_MM = 2;

  private final Bench bench;
  private final Pen pen;
  private final BoardKind board;
  private final Lay lay;
  private final Tiling tiling;

  /** What a pad takes that must be seen: its hole and the copper about it, common practice. */
  private static final double PAD_MM = 1.8;

  private WiringBoard(Bench bench, BoardKind board, Lay lay, Pen pen) {
    this.bench = bench;
    this.board = board;
    this.lay = lay;
    this.pen = pen;
    this.tiling = new Tiling(bench, pen, extent());
  }

  /**
   * {@return the board as a PDF document}
   *
   * @throws IllegalArgumentException if the build has no board yet, or no wire
   */
  public static byte[] pdf(Bench bench, Paper paper) {
    Lay lay =
        bench
            .lay()
            .filter(l -> !l.wires().isEmpty())
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "there are no wires to lay yet; choose a board at the Loom station first"));
    return Pen.pdf(
        bench.build().brief().title() + ", wiring board",
        paper,
        pen -> {
          WiringBoard sheet = new WiringBoard(bench, bench.board().orElseThrow(), lay, pen);
          sheet.tiling.side(
              true,
              "wiring board, from below: the panel turned over left to right.",
              "Full line: the panel's edge and the board. Dashes: bodies. Dots: inside of the case,"
                  + " and what stands in it. Wires drawn broken are not there. Rings: where wires end.",
              sheet::page);
        });
  }

  /** A part or a board beside the panel is on the paper all the same. */
  private Tiling.Extent extent() {
    Tiling.Extent extent = Tiling.Extent.of(bench.build().panel());
    for (Point tab : lay.tabs().values()) {
      extent = extent.with(tab, 8);
    }
    for (Lay.Laid wire : lay.wires()) {
      for (Point corner : wire.way()) {
        extent = extent.with(corner, 2);
      }
    }
    return extent;
  }

  private void page(Tiling.Page page) throws IOException {
    pen.width(0.35);
    pen.outline(Rounding.of(page.panel()), page::seen, page.left(), page.bottom());
    Template.inside(pen, page);
    for (Control control : bench.build().flat().labelled()) {
      ControlKind kind = bench.catalogue().kindOf(control);
      if (Template.meets(page.area(), Template.box(page, control, kind))) {
        pen.width(0.12);
        pen.dashed(1, 1);
        pen.outline(
            Rounding.of(kind.body(), control.placement()), page::seen, page.left(), page.bottom());
        pen.solid();
      }
    }
    board(page);
    for (Lay.Laid wire : lay.wires()) {
      wire(page, wire);
    }
    for (Lay.Small part : lay.parts()) {
      small(page, part);
    }
    pen.width(0.8);
    for (Lay.Tie tie : lay.ties()) {
      pen.line(page.x(tie.from()), page.y(tie.from()), page.x(tie.to()), page.y(tie.to()));
    }
    // Pads are soldered to, so wires end under them.
    Placement seat = bench.build().board().map(BoardChoice::placement).orElseThrow();
    for (Terminal terminal : board.terminals()) {
      Point hole = seat.place(terminal.at());
      dot(page.x(hole), page.y(hole), 1.4);
    }
    lay.tabs()
        .forEach(
            (joint, at) -> {
              if (!joint.part().equals(Joint.BOARD)) {
                dot(page.x(at), page.y(at), 1.8);
              }
            });
    tiling.registration(page);
    words(page);
  }

  private void board(Tiling.Page page) throws IOException {
    Placement at = bench.build().board().map(BoardChoice::placement).orElseThrow();
    List<Point> corners = new ArrayList<>();
    for (double[] sign : new double[][] {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}}) {
      Point offset = new Point(sign[0] * board.widthMm() / 2, sign[1] * board.heightMm() / 2);
      corners.add(page.seen(at.place(offset)));
    }
    pen.width(0.4);
    pen.path(corners, page.left(), page.bottom());
    pen.width(0.15);
    for (Terminal terminal : board.terminals()) {
      Point hole = at.place(terminal.at());
      pen.circle(page.x(hole), page.y(hole), 1.4);
    }
    Point plug = at.place(new Point(0, board.heightMm() / 2 - 2));
    pen.textCentred(Face.WORDS, WORDS, page.x(plug), page.y(plug) + 0.7, "plug");
  }

  private void wire(Tiling.Page page, Lay.Laid wire) throws IOException {
    List<Point> way = wire.way().stream().map(p -> new Point(page.x(p), page.y(p))).toList();
    if (wire.state() == Lay.State.LEFT_OUT) {
      pen.width(0.2);
      pen.dashed(1.5, 1.5);
      pen.through(way);
      pen.solid();
      return;
    }
    pen.width(EDGE_MM);
    pen.through(way);
    WireColour colour = wire.strand().map(s -> s.colour()).orElse(WireColour.of(WireColour.Hue.WH));
    pen.width(WIRE_MM);
    pen.colour(colour.base().rgb());
    pen.through(way);
    if (colour.stripe().isPresent()) {
      pen.colour(colour.stripe().get().rgb());
      pen.width(WIRE_MM / 2);
      pen.dashed(2, 2);
      pen.through(way);
      pen.solid();
    }
    pen.ink(0);
  }

  /** A box between its ends; of a diode, the band at the end that it belongs to. */
  private void small(Tiling.Page page, Lay.Small part) throws IOException {
    double x1 = page.x(part.from());
    double y1 = page.y(part.from());
    double dx = page.x(part.to()) - x1;
    double dy = page.y(part.to()) - y1;
    double length = Math.hypot(dx, dy);
    pen.width(0.3);
    pen.line(x1, y1, x1 + dx, y1 + dy);
    if (length < 1) {
      return;
    }
    double half = Math.min(2.2, length * 0.3);
    double ux = dx / length;
    double uy = dy / length;
    double mx = x1 + dx / 2;
    double my = y1 + dy / 2;
    for (double wide = -1; wide <= 1; wide += 0.25) {
      pen.line(
          mx - half * ux - wide * uy,
          my - half * uy + wide * ux,
          mx + half * ux - wide * uy,
          my + half * uy + wide * ux);
    }
    if (part.part() instanceof Component.Diode) {
      pen.ink(1);
      pen.width(0.5);
      double bx = mx + half * 0.55 * ux;
      double by = my + half * 0.55 * uy;
      pen.line(bx - uy, by + ux, bx + uy, by - ux);
      pen.ink(0);
    }
  }

  private void dot(double x, double y, double diameter) {
    try {
      pen.fill(x - diameter / 2, y - diameter / 2, diameter, diameter, 1);
      pen.width(0.25);
      pen.circle(x, y, diameter);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What is at each place: the place's name, and each wire there with its colour's letters. */
  private void words(Tiling.Page page) {
    lay.tabs().values().forEach(at -> page.captions().avoid(about(page, at, 2)));
    // Pads are soldered to: no word lies on one, used or not.
    Placement seat = bench.build().board().map(BoardChoice::placement).orElseThrow();
    for (Terminal terminal : board.terminals()) {
      page.captions().take(about(page, seat.place(terminal.at()), PAD_MM));
    }
    for (Lay.Laid wire : lay.wires()) {
      for (int i = 1; i < wire.way().size(); i++) {
        page.captions().avoid(between(page, wire.way().get(i - 1), wire.way().get(i)));
      }
    }
    Map<Joint, Point> byName = new TreeMap<>(lay.tabs());
    byName.forEach(
        (joint, at) -> {
          if (about(page, at, 0).within(page.area())) {
            List<String> there = new ArrayList<>(List.of(name(joint)));
            lay.at(joint).forEach(wire -> there.add(words(wire)));
            caption(page, about(page, at, 2), Face.MONO, 5, LINE_MM, String.join(" ", there));
          }
        });
    for (Control control : bench.build().flat().labelled()) {
      Point at = control.placement().centre();
      if (about(page, at, 0).within(page.area())) {
        ControlKind kind = bench.catalogue().kindOf(control);
        Captions.Box body =
            Captions.Box.about(
                page.x(at), page.y(at), kind.body().widthMm(), kind.body().heightMm());
        caption(page, body, Face.STRONG, 8, 3.2, pen.cut(Face.STRONG, 8, control.label(), 50));
      }
    }
  }

  private String name(Joint joint) {
    return joint.part().equals(Joint.BOARD) || controlled(joint)
        ? joint.tab()
        : joint.part() + " " + joint.tab();
  }

  private boolean controlled(Joint joint) {
    return bench.build().labelled().stream().anyMatch(c -> c.id().text().equals(joint.part()));
  }

  private static String words(Lay.Laid wire) {
    String name =
        wire.strand().map(s -> s.id() + " " + s.colour().code()).orElse("by hand " + wire.ends());
    return wire.state() == Lay.State.LEFT_OUT ? name + " left out" : name;
  }

  private void caption(
      Tiling.Page page, Captions.Box named, Face face, double size, double high, String text) {
    double wide = pen.widthMm(face, size, text);
    page.captions()
        .place(named, wide, high, FURTHEST_MM)
        .ifPresent(
            box -> {
              try {
                if (!box.meets(named, LED_MM)) {
                  pen.width(0.1);
                  pen.line(
                      named.midAcross(),
                      named.midDown(),
                      Math.max(box.left(), Math.min(box.right(), named.midAcross())),
                      Math.max(box.top(), Math.min(box.bottom(), named.midDown())));
                }
                pen.fill(box.left(), box.top(), box.width(), box.height(), 1);
                pen.textCentred(face, size, box.midAcross(), box.top() + 0.78 * high, text);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
  }

  private static Captions.Box about(Tiling.Page page, Point at, double wide) {
    return Captions.Box.about(page.x(at), page.y(at), wide, wide);
  }

  private static Captions.Box between(Tiling.Page page, Point a, Point b) {
    double left = Math.min(page.x(a), page.x(b));
    double top = Math.min(page.y(a), page.y(b));
    return new Captions.Box(
        left - 0.6,
        top - 0.6,
        Math.abs(page.x(a) - page.x(b)) + 1.2,
        Math.abs(page.y(a) - page.y(b)) + 1.2);
  }
}
