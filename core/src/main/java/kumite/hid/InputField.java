package kumite.hid;

/**
 * One value in an input report, as a descriptor lays it out.
 *
 * @param reportId its report, 0 where the descriptor uses no ids
 * @param bitOffset its first bit within the transfer, counted from 0; a report id takes the first
 *     eight
 * @param bits its width, 1 to 32
 * @param usage its meaning; for an array the first of the usages it may report
 * @param lastUsage for an array the id of the last usage it may report, else {@code usage.id()}
 * @param array whether it reports which usage is on, rather than the value of one
 * @param logicalMinimum the smallest value
 * @param logicalMaximum the largest value
 * @param nullState whether a value outside that range means "nothing"
 * @param relative whether it tells how far something went since the report before
 * @param application what the outermost collection around it is for
 */
public record InputField(
    int reportId,
    int bitOffset,
    int bits,
    Usage usage,
    int lastUsage,
    boolean array,
    int logicalMinimum,
    int logicalMaximum,
    boolean nullState,
    boolean relative,
    Usage application) {

  /** {@return the byte within the transfer in which it begins} */
  public int byteIndex() {
    return bitOffset / 8;
  }

  /** {@return the bit within that byte, 0 the least significant} */
  public int bitIndex() {
    return bitOffset % 8;
  }

  /** {@return its value in the transfer, sign-extended if its minimum is negative} */
  public int read(byte[] transfer) {
    long value = 0;
    for (int i = 0; i < bits; i++) {
      int bit = bitOffset + i;
      if ((transfer[bit / 8] >> (bit % 8) & 1) != 0) {
        value |= 1L << i;
      }
    }
    if (logicalMinimum < 0 && (value >> (bits - 1) & 1) != 0) {
      value -= 1L << bits;
    }
    return (int) value;
  }

  /** Puts a value into the transfer, least significant bit first. */
  public void write(byte[] transfer, int value) {
    for (int i = 0; i < bits; i++) {
      int bit = bitOffset + i;
      int mask = 1 << (bit % 8);
      if ((value >> i & 1) != 0) {
        transfer[bit / 8] |= (byte) mask;
      } else {
        transfer[bit / 8] &= (byte) ~mask;
      }
    }
  }
}
