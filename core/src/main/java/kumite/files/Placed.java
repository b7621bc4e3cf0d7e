package kumite.files;

import java.util.function.Function;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.Plain;
import kumite.measure.Placement;

/**
 * The keys of whatever stands somewhere: its place and how it is turned.
 *
 * @param <R> what stands there
 */
record Placed<R>(Field<R, Double> x, Field<R, Double> y, Field<R, Double> turn) {
  private static final Codec<Double> TURN = Plain.number(Placement.TURN).named("turn");

  /** {@return the keys, put among the others of a record} */
  static <R> Placed<R> among(Fields<R> f, Function<R, Placement> of) {
    return new Placed<>(
        f.need("x_mm", Names.ALONG, record -> of.apply(record).xMm()),
        f.need("y_mm", Names.ALONG, record -> of.apply(record).yMm()),
        f.usually("turn_degrees", TURN, record -> of.apply(record).turnDegrees(), 0.0));
  }

  /** {@return the placement that is read} */
  Placement of(In<R> in) {
    return new Placement(in.get(x), in.get(y), in.get(turn));
  }
}
