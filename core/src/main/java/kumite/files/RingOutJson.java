package kumite.files;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import kumite.ringout.Reading;
import kumite.ringout.RingOut;

/** Ring-outs as JSON. */
final class RingOutJson {
  private static final Codec<Set<String>> PLACES =
      Plain.once(Plain.TEXT, 1, "place").named("places");

  /** The codec of a ring-out; {@link PinNames#PLUGS} must be known. */
  static final ObjectCodec<RingOut> CODEC = ringOut();

  private RingOutJson() {}

  private static ObjectCodec<RingOut> ringOut() {
    Fields<RingOut> f = new Fields<>();
    Field<RingOut, String> name = f.free("name", Plain.LINE, RingOut::name, "Ring-out");
    // A file may say how many cores there are and no more; what is written says the ends.
    Field<RingOut, Optional<Integer>> cores =
        f.maybe(
                "cores",
                Plain.whole(RingOut.CORES)
                    .as(n -> RingOut.CORES.check(n, "number of cores"), n -> n),
                ringOut -> Optional.empty())
            .says("in place of both ends");
    Field<RingOut, Optional<End.Plug>> from =
        f.maybe("from", EndJson.PLUG, ringOut -> Optional.of(ringOut.from()));
    Field<RingOut, Optional<End.Plug>> to =
        f.maybe("to", EndJson.PLUG, ringOut -> Optional.of(ringOut.to()));
    Field<RingOut, Optional<Set<String>>> near = names(f, "near", RingOut::near);
    Field<RingOut, Optional<Set<String>>> far = names(f, "far", RingOut::far);
    Field<RingOut, RingOut.Way> way =
        f.free("way", Plain.word(RingOut.Way.class), RingOut::way, RingOut.Way.GROUPED);
    Field<RingOut, RingOut.Faults> looksFor =
        f.free(
            "looks_for",
            Plain.word(RingOut.Faults.class),
            RingOut::looksFor,
            RingOut.Faults.BROKEN);
    Field<RingOut, Map<String, String>> likely =
        f.usually("likely", Plain.map(Plain.TEXT, Plain.TEXT), RingOut::likely, Map.of())
            .says("near to far");
    Field<RingOut, List<Reading>> readings =
        f.free(
            "readings",
            Plain.list(reading().named("reading"), 0, RingOut.MOST_READINGS),
            RingOut::readings,
            List.of());
    return f.make(
        in -> {
          End.Plug one = plug(in, from, in.get(cores));
          End.Plug other = plug(in, to, in.get(cores));
          return new RingOut(
              in.get(name),
              one,
              other,
              in.get(near).map(List::copyOf).orElseGet(() -> pins(in, one)),
              in.get(far).map(List::copyOf).orElseGet(() -> pins(in, other)),
              in.get(way),
              in.get(looksFor),
              in.get(likely),
              in.get(readings));
        });
  }

  private static Field<RingOut, Optional<Set<String>>> names(
      Fields<RingOut> f, String name, java.util.function.Function<RingOut, List<String>> of) {
    return f.maybe(
        name, PLACES, ringOut -> Optional.of(new java.util.LinkedHashSet<>(of.apply(ringOut))));
  }

  private static End.Plug plug(
      In<RingOut> in, Field<RingOut, Optional<End.Plug>> field, Optional<Integer> cores) {
    if (in.get(field).isEmpty() && cores.isEmpty()) {
      throw in.misfit(field, "is missing", "name a connector there, or how many cores there are");
    }
    return in.get(field).orElseGet(() -> End.Plug.of("bare-" + cores.orElseThrow(), Gender.MALE));
  }

  private static List<String> pins(In<RingOut> in, End.Plug plug) {
    ConnectorKind kind = in.known(PinNames.PLUGS).needed(plug.connector());
    return kind.bare()
        ? IntStream.rangeClosed(1, kind.pins().size()).mapToObj(String::valueOf).toList()
        : kind.names();
  }

  /** The places of both probes. */
  private record Probes(Set<Place> one, Set<Place> other) {
    /** Those at one end, if a single probe is there. */
    Optional<Set<String>> alone(Where end) {
      return at(one, end) == at(other, end)
          ? Optional.of(names(one)).filter(names -> at(one, end))
          : Optional.of(names(at(one, end) ? one : other));
    }

    /** Those of the second probe, if both are at one end. */
    Optional<Set<String>> against(Where end) {
      return at(one, end) && at(other, end) ? Optional.of(names(other)) : Optional.empty();
    }

    private static boolean at(Set<Place> places, Where end) {
      return places.iterator().next().end() == end;
    }

    private static Set<String> names(Set<Place> places) {
      return places.stream()
          .map(Place::pin)
          .collect(Collectors.toCollection(java.util.LinkedHashSet::new));
    }
  }

  /**
   * The keys of the places of both probes.
   *
   * @param <R> what has them
   */
  private record ProbeFields<R>(
      Field<R, Optional<Set<String>>> near,
      Field<R, Optional<Set<String>>> far,
      Field<R, Optional<Set<String>>> nearAgainst,
      Field<R, Optional<Set<String>>> farAgainst) {

    static <R> ProbeFields<R> among(Fields<R> f, java.util.function.Function<R, Probes> of) {
      return new ProbeFields<>(
          f.maybe("near", PLACES, r -> of.apply(r).alone(Where.FROM)),
          f.maybe("far", PLACES, r -> of.apply(r).alone(Where.TO)),
          f.maybe("near_against", PLACES, r -> of.apply(r).against(Where.FROM)),
          f.maybe("far_against", PLACES, r -> of.apply(r).against(Where.TO)));
    }

    Probes of(In<R> in) {
      List<Set<Place>> probes =
          Stream.of(
                  places(in, near, Where.FROM),
                  places(in, nearAgainst, Where.FROM),
                  places(in, far, Where.TO),
                  places(in, farAgainst, Where.TO))
              .flatMap(Optional::stream)
              .toList();
      boolean against = in.has(near) && in.has(nearAgainst) || in.has(far) && in.has(farAgainst);
      if (probes.size() == 2 && (against || in.has(near) && in.has(far))) {
        return new Probes(probes.get(0), probes.get(1));
      }
      throw in.misfit(
          in.has(near) ? nearAgainst : farAgainst,
          probes.size() > 2 ? "is a third probe" : "is missing",
          "name near and far, near and near_against, or far and far_against");
    }

    private static <R> Optional<Set<Place>> places(
        In<R> in, Field<R, Optional<Set<String>>> field, Where end) {
      return in.get(field)
          .map(
              names ->
                  names.stream()
                      .map(name -> new Place(end, name))
                      .collect(Collectors.toCollection(java.util.LinkedHashSet::new)));
    }
  }

  private static Codec<Reading> reading() {
    Fields<Reading> f = new Fields<>();
    ProbeFields<Reading> probes =
        ProbeFields.among(f, reading -> new Probes(reading.one(), reading.other()));
    Field<Reading, Boolean> beep = f.need("beep", Plain.TRUTH, Reading::beep);
    return f.make(
        in -> {
          Probes read = probes.of(in);
          return new Reading(read.one(), read.other(), in.get(beep));
        });
  }

  private static final ObjectCodec<Probes> PROBES = probes();

  private static ObjectCodec<Probes> probes() {
    Fields<Probes> f = new Fields<>();
    ProbeFields<Probes> fields = ProbeFields.among(f, probes -> probes);
    return f.make(fields::of);
  }

  /** Writes the places of both probes; those of the near end are named first. */
  static void places(ObjectNode node, Set<Place> one, Set<Place> other) {
    PROBES.write(new Probes(one, other), node);
  }
}
