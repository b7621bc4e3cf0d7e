package kumite.box;

import kumite.measure.Point;

/**
 * How a flat piece lies in the case.
 *
 * @param origin where the piece's own 0, 0 is, on the face that its outline is drawn on
 * @param along the piece's x, of length 1
 * @param down the piece's y, of length 1
 * @param through from that face into its thickness, of length 1
 */
public record Frame(Vec origin, Vec along, Vec down, Vec through) {
  /** {@return a place of the piece in the case} */
  public Vec at(Point place, double throughMm) {
    return origin
        .plus(along.times(place.xMm()))
        .plus(down.times(place.yMm()))
        .plus(through.times(throughMm));
  }

  /** {@return a place in the case as the piece sees it, and how far into its thickness} */
  Vec seen(Vec place) {
    Vec from = place.minus(origin);
    return new Vec(from.dot(along), from.dot(down), from.dot(through));
  }
}
