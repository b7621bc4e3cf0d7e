package kumite.files;

import java.util.function.Function;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.Plain;
import kumite.json.Topic;
import kumite.json.Value;
import kumite.lead.End;
import kumite.lead.LeadPart.Place;
import kumite.lead.Plugs;
import kumite.lead.Where;

/** How pins of a lead's ends stand in the file, and are held against the plugs there. */
final class PinNames {
  /** The connectors and pinouts there are, with the book's own. */
  static final Topic<Plugs> PLUGS = new Topic<>("connectors");

  /** The first end of the lead that is read. */
  static final Topic<End> FROM = new Topic<>("lead's first end");

  /** Its other end. */
  static final Topic<End> TO = new Topic<>("lead's other end");

  /** The end on whose pin a part hangs. */
  private static final Topic<End> HERE = new Topic<>("part's end");

  /** The end of a part's other pin. */
  private static final Topic<End> THERE = new Topic<>("end of a part's other pin");

  private PinNames() {}

  /** {@return the codec of a pin of an end} */
  static Codec<String> of(Topic<End> end) {
    return Plain.TEXT.asAt((pin, at) -> there(pin, at, end), pin -> pin);
  }

  private static String there(String pin, Value at, Topic<End> end) {
    at.scope()
        .get(PLUGS)
        .connector(at.scope().get(end))
        .filter(kind -> !kind.has(pin))
        .ifPresent(
            kind -> {
              throw at.misfit(
                  kind.name() + " has no pin \"" + pin + "\"",
                  "its pins are "
                      + kind.names().get(0)
                      + " to "
                      + kind.names().get(kind.pins().size() - 1));
            });
    return pin;
  }

  private static End end(In<?> in, Where where) {
    return in.known(where == Where.FROM ? FROM : TO);
  }

  /**
   * The keys of the pin that a part hangs on.
   *
   * @param <R> the part
   */
  record At<R>(Field<R, Where> end, Field<R, String> pin) {
    static <R> At<R> among(Fields<R> f, Function<R, Place> of) {
      Field<R, Where> end = f.need("end", Plain.word(Where.class), part -> of.apply(part).end());
      Field<R, String> pin = f.need("pin", PinNames.of(HERE), part -> of.apply(part).pin());
      f.known(HERE, in -> PinNames.end(in, in.get(end)));
      return new At<>(end, pin);
    }

    Place of(In<R> in) {
      return new Place(in.get(end), in.get(pin));
    }

    /** The key of another pin of the same end. */
    Field<R, String> other(Fields<R> f, Function<R, String> of) {
      return f.need("other", PinNames.of(HERE), of);
    }
  }

  /**
   * The keys of the other pin of a part that lies between two.
   *
   * @param <R> the part
   */
  record Other<R>(At<R> at, Field<R, String> pin, Field<R, java.util.Optional<Where>> end) {
    static <R> Other<R> among(
        Fields<R> f, At<R> at, Function<R, Place> here, Function<R, Place> there) {
      Field<R, String> pin = f.need("other", PinNames.of(THERE), part -> there.apply(part).pin());
      Field<R, java.util.Optional<Where>> end =
          f.maybe(
              "other_end",
              Plain.word(Where.class),
              part ->
                  java.util.Optional.of(there.apply(part).end())
                      .filter(where -> where != here.apply(part).end()));
      f.known(THERE, in -> PinNames.end(in, in.get(end).orElse(in.get(at.end()))));
      return new Other<>(at, pin, end);
    }

    Place of(In<R> in) {
      return new Place(in.get(end).orElse(in.get(at.end())), in.get(pin));
    }
  }
}
