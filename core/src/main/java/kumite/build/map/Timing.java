package kumite.build.map;

import java.util.Objects;
import kumite.measure.Range;

/**
 * How the board looks at its terminals and reports.
 *
 * @param scanUs time between two looks at all terminals; 50 to 50000 microseconds
 * @param debounce which edge counts
 * @param waitUs the quiet or hold-off time of the debounce; 0 to 100000 microseconds
 * @param pollUs time between two reports; 1000 to 255000 microseconds
 */
public record Timing(int scanUs, Debounce debounce, int waitUs, int pollUs) {
  /** Between two looks at the inputs. */
  public static final Range SCAN = Range.of(50, 50_000, "us");

  /** What debouncing waits. */
  public static final Range WAIT = Range.of(0, 100_000, "us");

  /** Between two questions of the host. */
  public static final Range POLL = Range.of(1000, 255_000, "us");

  /** Which edge of a bouncing contact counts. */
  public enum Debounce {
    /** Reports once the level has been quiet for the wait: adds the wait to every press. */
    DEFERRED("deferred"),
    /** Reports the first edge, then holds off for the wait: adds nothing, trusts the first edge. */
    EAGER("eager");

    private final String words;

    Debounce(String words) {
      this.words = words;
    }

    /** {@return the school in words for people} */
    public String words() {
      return words;
    }
  }

  /** A look each millisecond, five milliseconds deferred, a report each millisecond. */
  public static final Timing USUAL = new Timing(1000, Debounce.DEFERRED, 5000, 1000);

  public Timing {
    SCAN.check(scanUs, "scan_us");
    Objects.requireNonNull(debounce, "debounce");
    WAIT.check(waitUs, "wait_us");
    POLL.check(pollUs, "poll_us");
  }

  /** {@return the same with so long from one look to the next, in us} */
  public Timing withScanUs(int newScanUs) {
    return new Timing(newScanUs, debounce, waitUs, pollUs);
  }

  /** {@return the same on a board that reports only so often, in ms} */
  public Timing noFasterThan(double rawMillis) {
    int least = (int) Math.round(Math.min(255, rawMillis) * 1000);
    return pollUs >= least ? this : new Timing(scanUs, debounce, waitUs, least);
  }
}
