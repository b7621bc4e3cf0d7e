package kumite.hid;

/**
 * How a board that is no device of its own tells its reports to one that is, over a serial wire: a
 * byte to begin with, a count, the report's id, the report without it, and two bytes of check. The
 * frame is our own.
 */
public final class SerialFrame {
  /** Bytes of a frame beside its report. */
  public static final int AROUND = 5;

  /** The longest report that a frame holds, in bytes without its id. */
  public static final int MOST = 250;

  private SerialFrame() {}

  /** {@return how many bytes a report has in a frame: those without its id} */
  public static int reportBytes(ReportLayout layout, int id) {
    return layout.lengthBytes(id) - (id > 0 ? 1 : 0);
  }

  /** {@return how many bytes the longest frame of a layout has} */
  public static int bytes(ReportLayout layout) {
    int longest =
        layout.reportIds().stream().mapToInt(id -> reportBytes(layout, id)).max().orElse(0);
    return AROUND + longest;
  }
}
