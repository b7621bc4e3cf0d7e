package kumite.files;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import kumite.build.map.AxisTuning;
import kumite.build.map.PressAt;
import kumite.build.map.Pulses;
import kumite.build.map.Repeat;
import kumite.build.map.Tuning;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.name.ContactId;
import kumite.room.PartCodec;

/** The part of the saved file that holds how single contacts are read. */
public final class TuningJson {
  /** The codec of how contacts are read. */
  public static final PartCodec<Tuning> CODEC = new PartCodec<>(Tuning.PART, false, tuning());

  private TuningJson() {}

  private static Codec<Tuning> tuning() {
    Fields<Tuning> f = new Fields<>();
    Field<Tuning, Map<ContactId, AxisTuning>> axes = entries(f, "axes", axis(), Tuning::axes);
    Field<Tuning, Map<ContactId, PressAt>> presses =
        entries(f, "presses", press(), Tuning::presses);
    Field<Tuning, Map<ContactId, Repeat>> repeats =
        entries(f, "repeats", repeat(), Tuning::repeats);
    Field<Tuning, Map<ContactId, Pulses>> pulses = entries(f, "pulses", pulses(), Tuning::pulses);
    return f.make(in -> new Tuning(in.get(axes), in.get(presses), in.get(repeats), in.get(pulses)));
  }

  private static <T> Field<Tuning, Map<ContactId, T>> entries(
      Fields<Tuning> f, String name, Codec<T> codec, Function<Tuning, Map<ContactId, T>> of) {
    return f.usually(name, Plain.map(Names.CONTACT, codec), of, Map.of());
  }

  private static Codec<AxisTuning> axis() {
    AxisTuning usual = AxisTuning.STRAIGHT;
    Fields<AxisTuning> f = new Fields<>();
    Field<AxisTuning, Integer> least =
        f.need("least", Plain.whole(AxisTuning.LEAST), AxisTuning::least)
            .says("in thousandths of the range of the converter");
    Field<AxisTuning, Optional<Integer>> centre =
        f.maybe(
                "centre",
                Plain.whole(AxisTuning.CENTRE),
                axis ->
                    axis.centre().isPresent()
                        ? Optional.of(axis.centre().getAsInt())
                        : Optional.empty())
            .says("where it rests");
    Field<AxisTuning, Integer> most =
        f.need("most", Plain.whole(AxisTuning.MOST), AxisTuning::most);
    Field<AxisTuning, Integer> dead =
        f.usually("dead", Plain.whole(AxisTuning.DEAD), AxisTuning::dead, usual.dead())
            .says("in thousandths of the travel");
    Field<AxisTuning, Integer> saturation =
        f.usually(
            "saturation",
            Plain.whole(AxisTuning.SATURATION),
            AxisTuning::saturation,
            usual.saturation());
    Field<AxisTuning, Integer> curve =
        f.usually("curve", Plain.whole(AxisTuning.CURVE), AxisTuning::curve, usual.curve())
            .says("above 0 finer near the rest");
    Field<AxisTuning, Boolean> inverted =
        f.usually("inverted", Plain.TRUTH, AxisTuning::inverted, false);
    Field<AxisTuning, Integer> smoothing =
        f.usually(
            "smoothing",
            Plain.whole(AxisTuning.SMOOTHING),
            AxisTuning::smoothing,
            usual.smoothing());
    Field<AxisTuning, Boolean> calibrated =
        f.usually("calibrated", Plain.TRUTH, AxisTuning::calibrated, false);
    return f.make(
        in ->
            new AxisTuning(
                in.get(least),
                in.get(centre).map(OptionalInt::of).orElse(OptionalInt.empty()),
                in.get(most),
                in.get(dead),
                in.get(saturation),
                in.get(curve),
                in.get(inverted),
                in.get(smoothing),
                in.get(calibrated)));
  }

  private static Codec<PressAt> press() {
    Fields<PressAt> f = new Fields<>();
    Field<PressAt, Integer> on = f.need("on", Plain.whole(PressAt.ON), PressAt::on);
    Field<PressAt, Integer> off = f.need("off", Plain.whole(PressAt.OFF), PressAt::off);
    return f.make(in -> new PressAt(in.get(on), in.get(off)));
  }

  private static Codec<Repeat> repeat() {
    Fields<Repeat> f = new Fields<>();
    Field<Repeat, Integer> on = f.need("on_ms", Plain.whole(Repeat.LASTS), Repeat::onMs);
    Field<Repeat, Integer> off = f.need("off_ms", Plain.whole(Repeat.LASTS), Repeat::offMs);
    return f.make(in -> new Repeat(in.get(on), in.get(off)));
  }

  private static Codec<Pulses> pulses() {
    Fields<Pulses> f = new Fields<>();
    Field<Pulses, Integer> turn = f.need("per_turn", Plain.whole(Pulses.PER_TURN), Pulses::perTurn);
    Field<Pulses, Integer> step = f.need("per_step", Plain.whole(Pulses.PER_STEP), Pulses::perStep);
    Field<Pulses, Boolean> turned = f.usually("turned", Plain.TRUTH, Pulses::turned, false);
    return f.make(in -> new Pulses(in.get(turn), in.get(step), in.get(turned)));
  }
}
