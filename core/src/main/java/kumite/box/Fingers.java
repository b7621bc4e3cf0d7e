package kumite.box;

/**
 * How an edge is shared between two pieces: fingers of equal length in turn, the same piece at both
 * ends.
 *
 * @param count how many, odd; 1 where the edge is too short, which is then glued as it is
 * @param lengthMm of each
 */
public record Fingers(int count, double lengthMm) {
  /** A finger is no shorter than so many thicknesses: common practice, no source. */
  private static final double PER_THICKNESS = 3;

  /** And no shorter than this, so that it does not break off: common practice, no source. */
  private static final double LEAST_MM = 8;

  /** More make more work and no better joint: common practice, no source. */
  private static final int MOST = 41;

  /** {@return how an edge of that length is shared} */
  public static Fingers of(double edgeMm, double thicknessMm) {
    double least = Math.max(LEAST_MM, PER_THICKNESS * thicknessMm);
    int count = (int) Math.min(MOST, Math.floor(Math.max(0, edgeMm) / least));
    if (count % 2 == 0) {
      count--;
    }
    return count < 3 ? new Fingers(1, Math.max(0, edgeMm)) : new Fingers(count, edgeMm / count);
  }

  /** {@return whether the edge is joined by fingers at all} */
  public boolean joined() {
    return count > 1;
  }

  /** {@return where finger {@code i} begins, in mm along the edge} */
  double fromMm(int i) {
    return i * lengthMm;
  }

  /** {@return where finger {@code i} ends, in mm along the edge} */
  double toMm(int i) {
    return (i + 1) * lengthMm;
  }
}
