package kumite.sheet;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.measure.Paper;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.verdict.Bench;
import kumite.wiring.Wiring;

/**
 * A paper to lay round the board's headers in true size: each terminal with the strands that land
 * on it, seen from above and, mirrored, from the solder side.
 */
public final class HeaderOverlay {
  private static final double MARGIN_MM = 14;

  private HeaderOverlay() {}

  /**
   * {@return the overlay as a PDF document}
   *
   * @throws IllegalArgumentException if the build has no board yet
   */
  public static byte[] pdf(Bench bench, Paper paper) {
    BoardKind board =
        bench
            .board()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "the build has no board yet; choose one at the Loom station first"));
    return Pen.pdf(
        bench.build().brief().title() + ", header overlay",
        paper,
        pen -> {
          draw(pen, bench, board, false);
          draw(pen, bench, board, true);
        });
  }

  private static void draw(Pen pen, Bench bench, BoardKind board, boolean below)
      throws IOException {
    pen.page();
    pen.text(
        Face.STRONG,
        11,
        MARGIN_MM,
        MARGIN_MM,
        pen.cut(
            Face.STRONG,
            11,
            board.name() + (below ? ", solder side, mirrored" : ", from above, plug at the top"),
            pen.paper().widthMm() - 2 * MARGIN_MM));
    pen.text(
        Face.WORDS,
        8,
        MARGIN_MM,
        MARGIN_MM + 5,
        pen.cut(
            Face.WORDS,
            8,
            bench.build().brief().title()
                + " rev "
                + bench.build().revision()
                + ". Cut along the board's outline and slip it over the headers.",
            pen.paper().widthMm() - 2 * MARGIN_MM));
    double cx = pen.paper().widthMm() / 2;
    double cy = MARGIN_MM + 16 + board.heightMm() / 2;
    pen.width(0.25);
    pen.box(
        cx - board.widthMm() / 2, cy - board.heightMm() / 2, board.widthMm(), board.heightMm(), 1);
    Map<String, StringBuilder> lands = new HashMap<>();
    Wiring wiring = bench.wiring().orElseThrow();
    for (Strand strand : bench.loom().strands()) {
      String how =
          strand.id()
              + ' '
              + strand.colour().code()
              + (wiring.has(strand.wire()) ? "" : " LEFT OUT");
      land(lands, how, strand.from().place(), strand.to().words());
      land(lands, how, strand.to().place(), strand.from().words());
    }
    for (Jumper wire : wiring.byHand()) {
      land(lands, "by hand", wire.a(), wire.b().toString());
      land(lands, "by hand", wire.b(), wire.a().toString());
    }
    for (Wiring.Wire wire : wiring.wires().values()) {
      if (wire.origin() == Wiring.Origin.LEAD) {
        String lead = wire.strand().orElse("lead");
        land(lands, lead, wire.ends().a(), wire.ends().b().tab());
        land(lands, lead, wire.ends().b(), wire.ends().a().tab());
      }
    }
    for (Terminal terminal : board.terminals()) {
      double x = cx + (below ? -1 : 1) * terminal.at().xMm();
      double y = cy - terminal.at().yMm();
      pen.width(0.15);
      pen.circle(x, y, 1.1);
      boolean left = x < cx;
      String words =
          terminal.name()
              + Optional.ofNullable(lands.get(terminal.name())).map(t -> "  " + t).orElse("");
      double edge = board.widthMm() / 2 + 2;
      double most = pen.paper().widthMm() / 2 - edge - Tiling.RIM_MM;
      words = pen.cut(Face.MONO, 5, words, most);
      double at = left ? cx - edge - pen.widthMm(Face.MONO, 5, words) : cx + edge;
      pen.text(Face.MONO, 5, at, y + 0.7, words);
      pen.width(0.08);
      pen.line(x, y, left ? cx - edge + 0.5 : cx + edge - 0.5, y);
    }
    CheckBars.level(pen, MARGIN_MM, pen.paper().heightMm() - 14);
  }

  /** Notes at a terminal which wire lands there, and where it comes from. */
  private static void land(Map<String, StringBuilder> lands, String how, Joint here, String there) {
    if (here.part().equals(Joint.BOARD)) {
      StringBuilder words = lands.computeIfAbsent(here.tab(), t -> new StringBuilder());
      words.append(words.isEmpty() ? "" : "; ").append(how).append(' ').append(there);
    }
  }
}
