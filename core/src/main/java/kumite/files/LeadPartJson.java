package kumite.files;

import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Kinds;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/** Parts soldered into a lead as JSON. */
final class LeadPartJson {
  private static final Codec<Double> OHM = Plain.number(LeadPart.OHM);
  private static final Codec<Double> FARAD = Plain.pointed(LeadPart.FARAD);

  /** The codec of a part. */
  static final Codec<LeadPart> CODEC =
      new Kinds<LeadPart>("kind")
          .or("series", LeadPart.Series.class, series())
          .or(
              "to_ground",
              LeadPart.ResistorToGround.class,
              hanging(
                  LeadPart.ResistorToGround::at,
                  "ohm",
                  OHM,
                  LeadPart.ResistorToGround::ohm,
                  LeadPart.ResistorToGround::new))
          .or(
              "to_ground",
              LeadPart.CapacitorToGround.class,
              hanging(
                  LeadPart.CapacitorToGround::at,
                  "farad",
                  FARAD,
                  LeadPart.CapacitorToGround::farad,
                  LeadPart.CapacitorToGround::new))
          .or(
              "pull_up",
              LeadPart.PullUp.class,
              hanging(LeadPart.PullUp::at, "ohm", OHM, LeadPart.PullUp::ohm, LeadPart.PullUp::new))
          .or("bridge", LeadPart.Bridge.class, bridge())
          .or("diode", LeadPart.Diode.class, diode())
          .or(
              "between",
              LeadPart.ResistorAcross.class,
              across("ohm", OHM, LeadPart.ResistorAcross::ohm, LeadPart.ResistorAcross::new))
          .or(
              "between",
              LeadPart.CapacitorAcross.class,
              across(
                  "farad", FARAD, LeadPart.CapacitorAcross::farad, LeadPart.CapacitorAcross::new))
          .or("drain", LeadPart.Drain.class, drain())
          .make()
          .named("lead_part");

  private LeadPartJson() {}

  private static ObjectCodec<LeadPart.Series> series() {
    Fields<LeadPart.Series> f = new Fields<>();
    Field<LeadPart.Series, String> from =
        f.need("from", PinNames.of(PinNames.FROM), LeadPart.Series::from);
    Field<LeadPart.Series, String> to = f.need("to", PinNames.of(PinNames.TO), LeadPart.Series::to);
    Field<LeadPart.Series, Double> ohm = f.need("ohm", OHM, LeadPart.Series::ohm);
    return f.make(in -> new LeadPart.Series(in.get(from), in.get(to), in.get(ohm)));
  }

  private static ObjectCodec<LeadPart.Diode> diode() {
    Fields<LeadPart.Diode> f = new Fields<>();
    Field<LeadPart.Diode, String> from =
        f.need("from", PinNames.of(PinNames.FROM), LeadPart.Diode::from);
    Field<LeadPart.Diode, String> to = f.need("to", PinNames.of(PinNames.TO), LeadPart.Diode::to);
    Field<LeadPart.Diode, Where> band =
        f.need("band", Plain.word(Where.class), LeadPart.Diode::band)
            .says("the end that its band looks to");
    return f.make(in -> new LeadPart.Diode(in.get(from), in.get(to), in.get(band)));
  }

  /** What a part is worth. */
  private interface Worth<R> {
    Double of(R part);
  }

  private interface Hung<R> {
    R make(Place at, double value);
  }

  private static <R> ObjectCodec<R> hanging(
      java.util.function.Function<R, Place> at,
      String name,
      Codec<Double> codec,
      Worth<R> worth,
      Hung<R> hung) {
    Fields<R> f = new Fields<>();
    PinNames.At<R> place = PinNames.At.among(f, at);
    Field<R, Double> value = f.need(name, codec, worth::of);
    return f.make(in -> hung.make(place.of(in), in.get(value)));
  }

  private interface Spanning<R> {
    R make(Place at, Place other, double value);
  }

  private static <R extends LeadPart.Across> ObjectCodec<R> across(
      String name, Codec<Double> codec, Worth<R> worth, Spanning<R> spanning) {
    Fields<R> f = new Fields<>();
    PinNames.At<R> at = PinNames.At.among(f, LeadPart.Across::at);
    PinNames.Other<R> other =
        PinNames.Other.among(f, at, LeadPart.Across::at, LeadPart.Across::other);
    Field<R, Double> value = f.need(name, codec, worth::of);
    return f.make(in -> spanning.make(at.of(in), other.of(in), in.get(value)));
  }

  private static ObjectCodec<LeadPart.Bridge> bridge() {
    Fields<LeadPart.Bridge> f = new Fields<>();
    PinNames.At<LeadPart.Bridge> at = PinNames.At.among(f, LeadPart.Bridge::at);
    Field<LeadPart.Bridge, String> other = at.other(f, LeadPart.Bridge::other);
    return f.make(in -> new LeadPart.Bridge(at.of(in), in.get(other)));
  }

  private static ObjectCodec<LeadPart.Drain> drain() {
    Fields<LeadPart.Drain> f = new Fields<>();
    PinNames.At<LeadPart.Drain> at = PinNames.At.among(f, LeadPart.Drain::at);
    return f.make(in -> new LeadPart.Drain(at.of(in)));
  }
}
