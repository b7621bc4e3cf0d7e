package kumite.sheet;

import java.io.IOException;
import java.util.List;

/** Text and tables that run down a page and on to the next one. */
final class Flow {
  static final double MARGIN_MM = 14;
  private static final double ROW_MM = 5.2;

  private final Pen pen;
  private final String title;
  private final String name;
  private final Pen.Sheet upright;
  private double y;
  private int pages;

  /**
   * A flow that has no page yet.
   *
   * @param title at the head of every page
   * @param name of the sheet, before the page's number
   */
  Flow(Pen pen, String title, String name) {
    this.pen = pen;
    this.title = title;
    this.name = name;
    this.upright = pen.paper();
  }

  /** A flow on paper of another size than the last page's. */
  Flow(Pen pen, Pen.Sheet upright, String title, String name) {
    this.pen = pen;
    this.title = title;
    this.name = name;
    this.upright = upright;
  }

  /**
   * A column of a table.
   *
   * @param face the typeface of its cells
   * @param box whether its cells are boxes to tick; a cell with any text is ticked
   */
  record Column(String head, double widthMm, Face face, boolean box) {
    static Column of(String head, double widthMm) {
      return new Column(head, widthMm, Face.WORDS, false);
    }

    static Column mono(String head, double widthMm) {
      return new Column(head, widthMm, Face.MONO, false);
    }

    static Column tick(String head, double widthMm) {
      return new Column(head, widthMm, Face.WORDS, true);
    }
  }

  double y() {
    return y;
  }

  double widthMm() {
    return pen.paper().widthMm() - 2 * MARGIN_MM;
  }

  void down(double mm) {
    y += mm;
  }

  void newPage() throws IOException {
    newPage(upright);
  }

  /** Begins a page laid the other way; the next page that is full is followed by one like it. */
  void newPageTurned() throws IOException {
    newPage(upright.turned());
  }

  private void newPage(Pen.Sheet size) throws IOException {
    pen.page(size);
    pages++;
    y = MARGIN_MM + 4;
    String page = name + ", page " + pages;
    double width = pen.widthMm(Face.WORDS, 8, page);
    pen.text(Face.STRONG, 14, MARGIN_MM, y, pen.cut(Face.STRONG, 14, title, widthMm() - width - 6));
    pen.text(Face.WORDS, 8, pen.paper().widthMm() - MARGIN_MM - width, y, page);
    pen.width(0.4);
    pen.line(MARGIN_MM, y + 2.5, pen.paper().widthMm() - MARGIN_MM, y + 2.5);
    y += 9;
  }

  /** Goes on to a new page where less than so much room is left. */
  void room(double mm) throws IOException {
    if (full(mm)) {
      newPage(pen.paper());
    }
  }

  private boolean full(double mm) {
    return y + mm > pen.paper().heightMm() - MARGIN_MM;
  }

  void heading(String text) throws IOException {
    pen.text(Face.STRONG, 11, MARGIN_MM, y, pen.cut(Face.STRONG, 11, text, widthMm()));
    y += 5;
  }

  /** A fact: its name, then what is so. */
  void fact(String fact, String words) throws IOException {
    pen.text(Face.STRONG, 9, MARGIN_MM, y, fact);
    pen.text(Face.WORDS, 9, MARGIN_MM + 28, y, pen.cut(Face.WORDS, 9, words, widthMm() - 28));
    y += ROW_MM;
  }

  void paragraph(String text) throws IOException {
    for (String line : pen.wrap(Face.WORDS, 9, text, widthMm())) {
      room(ROW_MM);
      pen.text(Face.WORDS, 9, MARGIN_MM, y, line);
      y += 4.4;
    }
    y += 1.2;
  }

  /**
   * Something to be ticked, whole: what it is, a word at the right, and lines below it.
   *
   * @param done whether it is ticked already
   */
  void item(boolean done, String what, String right, List<String> lines) throws IOException {
    double inset = 7;
    double rightMm = pen.widthMm(Face.WORDS, 8, right) + 3;
    List<String> title = pen.wrap(Face.STRONG, 9, what, widthMm() - inset - rightMm);
    room(title.size() * 4.4 + (lines.isEmpty() ? 1 : 5));
    cell(Column.tick("", inset), done ? "x" : "", MARGIN_MM, 1);
    pen.text(Face.WORDS, 8, MARGIN_MM + widthMm() - rightMm + 3, y, right);
    for (String line : title) {
      pen.text(Face.STRONG, 9, MARGIN_MM + inset, y, line);
      y += 4.2;
    }
    for (String text : lines) {
      for (String line : pen.wrap(Face.WORDS, 8, text, widthMm() - inset)) {
        room(ROW_MM);
        pen.text(Face.WORDS, 8, MARGIN_MM + inset, y, line);
        y += 3.7;
      }
    }
    y += 1.6;
  }

  void table(String heading, List<Column> columns, List<String[]> rows, String empty)
      throws IOException {
    room(28);
    heading(heading);
    if (rows.isEmpty()) {
      paragraph(empty);
      y += 3;
      return;
    }
    double scale = scale(columns);
    head(columns, scale);
    for (String[] row : rows) {
      if (full(ROW_MM)) {
        newPage(pen.paper());
        head(columns, scale);
      }
      double x = MARGIN_MM;
      for (int i = 0; i < columns.size(); i++) {
        cell(columns.get(i), i < row.length ? row[i] : "", x, scale);
        x += columns.get(i).widthMm() * scale;
      }
      pen.width(0.08);
      pen.line(MARGIN_MM, y + 1.4, x, y + 1.4);
      y += ROW_MM;
    }
    y += 4;
  }

  /** A table that is wider than the paper is written smaller: no column falls off. */
  private double scale(List<Column> columns) {
    return Math.min(1, widthMm() / columns.stream().mapToDouble(Column::widthMm).sum());
  }

  private void cell(Column column, String text, double x, double scale) throws IOException {
    if (column.box()) {
      pen.width(0.2);
      pen.box(x + 1, y - 3, 3, 3, 0);
      if (!text.isEmpty()) {
        pen.line(x + 1, y - 3, x + 4, y);
        pen.line(x + 1, y, x + 4, y - 3);
      }
      return;
    }
    double size = (column.face() == Face.MONO ? 7 : 8.5) * scale;
    double wide = (column.widthMm() - 1.5) * scale;
    pen.text(column.face(), size, x, y, pen.cut(column.face(), size, text, wide));
  }

  private void head(List<Column> columns, double scale) throws IOException {
    double x = MARGIN_MM;
    for (Column column : columns) {
      double size = 8 * scale;
      String head = pen.cut(Face.STRONG, size, column.head(), (column.widthMm() - 1) * scale);
      pen.text(Face.STRONG, size, x, y, head);
      x += column.widthMm() * scale;
    }
    pen.width(0.3);
    pen.line(MARGIN_MM, y + 1.4, x, y + 1.4);
    y += ROW_MM;
  }
}
