package kumite.firmware;

import java.util.ArrayList;
import java.util.List;

/**
 * A table of whole numbers that the program reads.
 *
 * @param name its name in code
 * @param type what its numbers take
 * @param rows its numbers
 */
record Table(String name, Type type, List<Row> rows) {
  /** What a number takes. */
  enum Type {
    BYTE("uint8_t"),
    WORD("uint16_t"),
    /** One byte in small builds, two in large ones. */
    NUMBER("number_t");

    private final String word;

    Type(String word) {
      this.word = word;
    }

    String word() {
      return word;
    }
  }

  /**
   * One number.
   *
   * @param value it
   * @param word its name in code; empty for a plain number
   * @param note what it belongs to; empty where that is plain
   */
  record Row(int value, String word, String note) {
    String text() {
      return word.isEmpty() ? Integer.toString(value) : word;
    }
  }

  Table {
    rows = List.copyOf(rows);
  }

  /** {@return the value of a row} */
  int at(int row) {
    return rows.get(row).value();
  }

  /** {@return the bytes it takes} */
  int bytes(boolean small) {
    return rows.size() * (type == Type.BYTE || type == Type.NUMBER && small ? 1 : 2);
  }

  /** Rows as they are put down. */
  static final class Draft {
    private final String name;
    private final Type type;
    private final List<Row> rows = new ArrayList<>();

    Draft(String name, Type type) {
      this.name = name;
      this.type = type;
    }

    Draft add(int value) {
      return add(value, "", "");
    }

    Draft add(int value, String word, String note) {
      rows.add(new Row(value, word, note));
      return this;
    }

    /** Adds a number that has a name in every program. */
    Draft code(String name, String note) {
      return add(Codes.of(name), name, note);
    }

    int size() {
      return rows.size();
    }

    Table done() {
      return new Table(name, type, rows);
    }
  }
}
