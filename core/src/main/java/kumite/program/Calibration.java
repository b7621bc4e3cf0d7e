package kumite.program;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import kumite.build.map.AxisTuning;
import kumite.table.Table;

/**
 * What was read while one control was moved to both ends.
 *
 * @param moved which of the columns moved most, from 0
 * @param rest the code before anything moved: the middle of what was read then
 * @param least the smallest code
 * @param most the largest
 * @param noise the spread of the codes before anything moved
 * @param codeMost what the converter gives at most
 */
public record Calibration(int moved, int rest, int least, int most, int noise, int codeMost) {
  /** A column that moved less than this part of the converter's range was not moved. */
  private static final double MOVED = 0.05;

  /** Readings at the start that lie so near to the first one are of a control at rest. */
  private static final double AT_REST = 0.02;

  /**
   * Finds out which column moved, and how far.
   *
   * @param readings one row for each reading, one column for each contact; oldest first
   * @param codeMost what the converter gives at most
   * @throws IllegalArgumentException if there are too few readings, or nothing moved
   */
  public static Calibration of(List<int[]> readings, int codeMost) {
    if (readings.size() < 3) {
      throw new IllegalArgumentException(
          "too few readings: "
              + readings.size()
              + "; leave the control alone for a moment, then move it to both ends");
    }
    int columns = readings.get(0).length;
    int moved = -1;
    int widest = 0;
    for (int c = 0; c < columns; c++) {
      int column = c;
      int low = readings.stream().mapToInt(r -> r[column]).min().orElseThrow();
      int high = readings.stream().mapToInt(r -> r[column]).max().orElseThrow();
      if (high - low > widest) {
        widest = high - low;
        moved = c;
      }
    }
    if (moved < 0 || widest < MOVED * codeMost) {
      throw new IllegalArgumentException(
          "nothing moved: the widest travel was "
              + widest
              + " of "
              + codeMost
              + "; move one control to both ends");
    }
    int column = moved;
    int first = readings.get(0)[column];
    List<Integer> atRest = new ArrayList<>();
    for (int[] reading : readings) {
      if (Math.abs(reading[column] - first) > AT_REST * codeMost) {
        break;
      }
      atRest.add(reading[column]);
    }
    // The last of them are on their way already: the first half surely is not.
    atRest.subList((atRest.size() + 1) / 2, atRest.size()).clear();
    int low = atRest.stream().mapToInt(i -> i).min().orElse(first);
    int high = atRest.stream().mapToInt(i -> i).max().orElse(first);
    return new Calibration(
        moved,
        (low + high) / 2,
        readings.stream().mapToInt(r -> r[column]).min().orElseThrow(),
        readings.stream().mapToInt(r -> r[column]).max().orElseThrow(),
        high - low,
        codeMost);
  }

  /**
   * Reads readings as text: one row for each, whole numbers parted by commas, semicolons or tabs; a
   * first row of names is passed over.
   *
   * @throws IllegalArgumentException naming the row that cannot be read
   */
  public static List<int[]> read(String text, int codeMost) {
    List<int[]> readings = new ArrayList<>();
    for (Table.Row row : Table.read(text, List.of()).rows()) {
      int[] codes = new int[row.cells().size()];
      for (int i = 0; i < codes.length; i++) {
        String cell = row.cells().get(i);
        if (!cell.matches("\\d{1,6}") || Integer.parseInt(cell) > codeMost) {
          if (readings.isEmpty() && row.line() == 1) {
            codes = new int[0];
            break;
          }
          throw new IllegalArgumentException(
              "row " + row.line() + ": \"" + cell + "\" is no code from 0 to " + codeMost);
        }
        codes[i] = Integer.parseInt(cell);
      }
      if (codes.length > 0) {
        if (!readings.isEmpty() && readings.get(0).length != codes.length) {
          throw new IllegalArgumentException(
              "row "
                  + row.line()
                  + ": has "
                  + codes.length
                  + " codes, but the first row had "
                  + readings.get(0).length);
        }
        readings.add(codes);
      }
    }
    return readings;
  }

  /** {@return whether the control rests between its ends} */
  public boolean centred() {
    double part = (rest - least) / (double) (most - least);
    return part > 0.2 && part < 0.8;
  }

  /**
   * {@return the tuning with these ends: drawn in by the noise, so that the ends are surely
   * reached, and the rest dead for the noise}
   */
  public AxisTuning apply(AxisTuning before) {
    int low = Math.min(999, thousandths(least + noise, true));
    int high = Math.max(low + 1, thousandths(most - noise, false));
    OptionalInt centre =
        centred()
            ? OptionalInt.of(Math.max(low, Math.min(high, thousandths(rest, false))))
            : OptionalInt.empty();
    // A thousandth is more than one code: what rounding costs must be dead too.
    double shaken = noise + codeMost / 1000.0 + 1;
    double half = Math.max(1, (most - least) / 2.0 - shaken);
    int dead = noise == 0 ? 0 : (int) Math.min(900, Math.ceil(1000 * shaken / half));
    AxisTuning measured = before.measured(low, centre, Math.min(1000, high));
    return centred() && dead > before.dead()
        ? measured.between(dead, Math.max(dead + 1, before.saturation()))
        : measured;
  }

  private int thousandths(int code, boolean up) {
    double exact = 1000.0 * Math.max(0, Math.min(codeMost, code)) / codeMost;
    return (int) (up ? Math.ceil(exact) : Math.floor(exact));
  }
}
