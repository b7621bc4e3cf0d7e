package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.codec.Schemas;
import kumite.json.Value;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Wired;
import kumite.name.SeatId;

/** Ends of leads as JSON. */
final class EndJson {
  /** The codec of a connector's half; {@link PinNames#PLUGS} must be known. */
  static final Codec<End.Plug> PLUG = plug().named("plug");

  /** The codec of an end: a plug, or a board of the build. */
  static final Codec<End> CODEC = end().named("lead_end");

  private EndJson() {}

  private static Codec<End> end() {
    ObjectCodec<End.OfBoard> board = ofBoard();
    return new Codec<>() {
      @Override
      public End read(Value at) {
        return at.object().has("board") ? board.read(at) : PLUG.read(at);
      }

      @Override
      public JsonNode write(End end) {
        return end instanceof End.OfBoard of ? board.write(of) : PLUG.write((End.Plug) end);
      }

      @Override
      public ObjectNode schema(Schemas schemas) {
        ObjectNode schema = board.schema(schemas).objectNode();
        ArrayNode oneOf = schema.putArray("oneOf");
        oneOf.add(PLUG.schema(schemas)).add(board.schema(schemas));
        return schema;
      }
    };
  }

  private static ObjectCodec<End.OfBoard> ofBoard() {
    Fields<End.OfBoard> f = new Fields<>();
    Field<End.OfBoard, SeatId> seat = f.need("board", Names.SEAT, End.OfBoard::seat);
    Field<End.OfBoard, Boolean> fed =
        f.usually("fed", Plain.TRUTH, End.OfBoard::fed, false)
            .says("what the lead plugs into feeds it, and nothing else does");
    return f.make(in -> new End.OfBoard(in.get(seat), in.get(fed)));
  }

  private static Codec<End.Plug> plug() {
    Fields<End.Plug> f = new Fields<>();
    Field<End.Plug, String> connector =
        f.need(
                "connector",
                Plain.TEXT.asAt(
                    (id, at) -> at.scope().get(PinNames.PLUGS).needed(id).id(), id -> id),
                End.Plug::connector)
            .says(
                "several plugs at one end, for a lead with three ends or more, are one: nine-pin-and-nine-pin, its pins A1 to B9");
    Field<End.Plug, Optional<Gender>> gender =
        f.maybe("gender", Plain.word(Gender.class), plug -> Optional.of(plug.gender()))
            .says("male has pins, female sockets");
    Field<End.Plug, Beyond> beyond =
        f.usually("beyond", Plain.word(Beyond.class), End.Plug::beyond, Beyond.OPEN);
    Field<End.Plug, Optional<String>> pinout = f.maybe("pinout", Plain.TEXT, End.Plug::pinout);
    Field<End.Plug, Optional<Wired.How>> wired =
        f.maybe("wired", Plain.word(Wired.How.class), End.Plug::wired);
    return f.make(
        in -> {
          Plugs plugs = in.known(PinNames.PLUGS);
          ConnectorKind kind = plugs.needed(in.get(connector));
          in.get(pinout).ifPresent(id -> requireShape(in, pinout, plugs, id, kind));
          return new End.Plug(
              kind.id(),
              in.get(gender).orElse(kind.padGender()),
              in.get(beyond),
              in.get(pinout),
              in.get(wired));
        });
  }

  private static void requireShape(
      In<End.Plug> in, Field<End.Plug, ?> at, Plugs plugs, String id, ConnectorKind kind) {
    Pinout known;
    try {
      known = plugs.neededPinout(id);
    } catch (IllegalArgumentException e) {
      throw in.misfit(at, e.getMessage(), "");
    }
    if (!known.connector().equals(kind.id())) {
      throw in.misfit(
          at,
          "\"" + id + "\" is of " + known.connector() + ", but the connector is " + kind.id(),
          "name a pinout of that shape, or take it out");
    }
  }
}
