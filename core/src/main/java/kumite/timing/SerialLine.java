package kumite.timing;

import kumite.build.map.Timing;

/**
 * A serial line from a board to one that passes on what it hears.
 *
 * @param bytes of one message, 1 or more
 * @param hearer how the board looks and reports that hears it
 */
public record SerialLine(int bytes, Timing hearer) {
  /** Ten bits at 115 200 baud: eight of data, one to start, one to stop. */
  public static final double BYTE_US = 10e6 / 115_200;

  /** {@return how long a message is under way, in us} */
  public double transferUs() {
    return bytes * BYTE_US;
  }
}
