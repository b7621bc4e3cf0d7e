package kumite.files;

import java.util.List;
import java.util.Optional;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Topic;
import kumite.json.Value;
import kumite.lead.Plugs;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;

/** Ports as JSON: the kinds that are a build's own, and where its pads plug in. */
final class PortJson {
  private static final Topic<PortBook> KINDS = new Topic<>("kinds of ports");

  /** The codec of all ports of a build. */
  static final Codec<PortBook> CODEC = book();

  private PortJson() {}

  private static Codec<PortBook> book() {
    Fields<PortBook> f = new Fields<>();
    Field<PortBook, List<PortKind>> kinds =
        f.some(
                "kinds",
                Plain.list(PortFile.PORT.asAt(PortJson::plugged, kind -> kind), 0, PortBook.MOST),
                PortBook::kinds)
            .says("kinds of this build alone");
    f.known(KINDS, in -> new PortBook(in.get(kinds), List.of()));
    Field<PortBook, List<Port>> ports =
        f.some("ports", Plain.list(port().named("port"), 0, PortBook.MOST), PortBook::ports);
    return f.make(in -> new PortBook(in.get(kinds), in.get(ports)));
  }

  private static PortKind plugged(PortKind kind, Value at) {
    var pinout =
        Plugs.standard()
            .pinout(kind.pinout())
            .orElseThrow(
                () ->
                    at.misfit(
                        "there is no pinout \"" + kind.pinout() + "\"",
                        "use one of those that kumite lead kinds lists"));
    for (SignalLine line : kind.lines()) {
      if (pinout.at(line.pin()).isEmpty()) {
        throw at.misfit(
            "line \"" + line.name() + "\" is on pin " + line.pin(),
            "pinout " + pinout.id() + " has no such pin");
      }
    }
    return kind;
  }

  private static Codec<Port> port() {
    Fields<Port> f = new Fields<>();
    Field<Port, ControlId> id = f.need("id", Names.CONTROL, Port::id);
    Field<Port, String> label = f.need("label", Plain.LINE, Port::label);
    Field<Port, String> kind =
        f.need("kind", Plain.TEXT.asAt(PortJson::known, name -> name), Port::kind);
    Field<Port, Optional<SeatId>> seat =
        f.maybe("seat", Names.SEAT, Port::seat).says("where there are several");
    Placed<Port> placed = Placed.among(f, Port::placement);
    Field<Port, Optional<Double>> feed =
        f.maybe("feed_v", Plain.pointed(PortKind.VOLTS), Port::feedVolts)
            .says("what its pad is fed with, where that was chosen");
    Field<Port, Port.Does> does =
        f.usually("does", Plain.word(Port.Does.class), Port::does, Port.Does.READS)
            .says("which side of the plug the build is");
    return f.make(
        in ->
            new Port(
                in.get(id),
                in.get(label),
                in.get(kind),
                placed.of(in),
                in.get(seat),
                in.get(feed),
                in.get(does)));
  }

  private static String known(String kind, Value at) {
    List<PortKind> kinds = at.scope().get(KINDS).known();
    if (PortFile.find(kinds, kind).isEmpty()) {
      throw at.misfit(
          "there is no kind of port \"" + kind + "\"", "use one of " + PortFile.words(kinds));
    }
    return kind;
  }
}
