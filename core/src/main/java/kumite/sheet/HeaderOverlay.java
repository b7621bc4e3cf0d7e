package kumite.sheet;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.verdict.Bench;

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
    for (Strand strand : bench.loom().strands()) {
      land(lands, strand, strand.from(), strand.to());
      land(lands, strand, strand.to(), strand.from());
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

  private static void land(
      Map<String, StringBuilder> lands, Strand strand, Strand.End here, Strand.End there) {
    if (here.part().equals("board")) {
      StringBuilder words = lands.computeIfAbsent(here.tab(), t -> new StringBuilder());
      if (!words.isEmpty()) {
        words.append("; ");
      }
      words
          .append(strand.id())
          .append(' ')
          .append(strand.colour().code())
          .append(' ')
          .append(there.part())
          .append(' ')
          .append(there.tab());
    }
  }
}
