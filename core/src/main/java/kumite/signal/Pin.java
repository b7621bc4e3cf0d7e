package kumite.signal;

/**
 * One side's end of a line.
 *
 * @param side 0 for the console or board that reads, 1 upward for pads
 * @param line the line's name
 */
public record Pin(int side, String line) {
  /** The number of the reading side. */
  public static final int CONSOLE = 0;
}
