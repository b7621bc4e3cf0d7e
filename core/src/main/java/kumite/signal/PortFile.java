package kumite.signal;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Kinds;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Value;
import kumite.measure.Range;
import kumite.working.Source;

/** Kinds of ports as JSON: those shipped, and a builder's own. */
public final class PortFile {
  private static final double NS_IN_US = 1000;
  private static final Range BYTE = Range.of(0, 255);
  private static final Codec<List<Integer>> BYTES = Plain.list(Plain.whole(BYTE), 1, 16);
  private static final Codec<String> BIT = Plain.TEXT;
  private static final Codec<Limits> LIMITS = limits();
  private static final Codec<Timed> TIMED = Plain.words(List.of(Timed.values()), Timed::word);

  /** The codec of a kind of port. */
  public static final Codec<PortKind> PORT = port().named("port_kind");

  private PortFile() {}

  private static final class Standard {
    static final List<PortKind> KINDS = shipped();
  }

  /** {@return the kinds that ship with the application; read once} */
  public static List<PortKind> standard() {
    return Standard.KINDS;
  }

  /** {@return the kind of that id among some, if it is there} */
  public static Optional<PortKind> find(List<PortKind> kinds, String id) {
    return kinds.stream().filter(kind -> kind.id().equals(id)).findFirst();
  }

  private static List<PortKind> shipped() {
    try (InputStream stream = PortFile.class.getResourceAsStream("/kumite/parts/ports.json")) {
      if (stream == null) {
        throw new IOException("the application lacks its file kumite/parts/ports.json");
      }
      JsonNode root = JsonText.read(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
      Key top = new Key("ports.json", root);
      List<PortKind> kinds = new ArrayList<>();
      for (Key key : top.objects("ports")) {
        kinds.add(PORT.read(key.here()));
      }
      top.done();
      return List.copyOf(kinds);
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped kinds of ports cannot be read", e);
    }
  }

  private static Codec<PortKind> port() {
    Fields<PortKind> f = new Fields<>();
    Field<PortKind, String> id =
        f.need("id", Plain.form("^[a-z0-9]+(-[a-z0-9]+){0,5}$"), PortKind::id);
    Field<PortKind, String> what = f.need("what", Plain.TEXT, PortKind::what);
    Field<PortKind, String> pinout = f.need("pinout", Plain.TEXT, PortKind::pinout);
    Field<PortKind, Double> volts = f.need("volts", Plain.pointed(PortKind.VOLTS), PortKind::volts);
    Field<PortKind, Optional<Double>> from =
        f.maybe(
                "works_from_v",
                Plain.pointed(PortKind.VOLTS),
                kind ->
                    kind.worksFromVolts() == kind.volts()
                        ? Optional.empty()
                        : Optional.of(kind.worksFromVolts()))
            .says("where a pad works with less");
    Field<PortKind, Optional<Double>> lineVolts =
        f.maybe(
                "line_v",
                Plain.pointed(PortKind.VOLTS),
                kind ->
                    kind.lineVolts() == kind.volts()
                        ? Optional.empty()
                        : Optional.of(kind.lineVolts()))
            .says("where a pad makes the volts of its lines itself");
    Field<PortKind, List<SignalLine>> lines =
        f.need("lines", Plain.list(line(), 1, 32), PortKind::lines);
    Field<PortKind, Map<Timed, Limits>> times =
        f.need("times_us", Plain.map(TIMED, LIMITS), PortKind::times)
            .says("least, usual and most of each");
    Field<PortKind, List<String>> order =
        f.need("bits", Plain.list(BIT), PortKind::order).says("in the order they are said");
    Field<PortKind, List<String>> axes = f.some("axes", Plain.list(Plain.TEXT), PortKind::axes);
    Field<PortKind, Mechanism> mechanism = f.need("mechanism", mechanism(), PortKind::mechanism);
    Field<PortKind, Source> source = f.need("source", source(), PortKind::source);
    return f.make(
        in ->
            PortKind.checked(
                new PortKind(
                    in.get(id),
                    in.get(what),
                    in.get(pinout),
                    in.get(volts),
                    in.get(from).orElse(in.get(volts)),
                    in.get(lineVolts).orElse(in.get(volts)),
                    in.get(lines),
                    in.get(times),
                    in.get(order),
                    in.get(axes),
                    in.get(mechanism),
                    in.get(source))));
  }

  private static Codec<SignalLine> line() {
    Fields<SignalLine> f = new Fields<>();
    Field<SignalLine, String> name = f.need("name", Plain.TEXT, SignalLine::name);
    Field<SignalLine, String> pin = f.need("pin", Plain.TEXT, SignalLine::pin);
    Field<SignalLine, SignalLine.From> from =
        f.need("from", Plain.word(SignalLine.From.class), SignalLine::from);
    Field<SignalLine, Level> idle =
        f.need("idle", Plain.words(List.of(Level.LOW, Level.HIGH), Level::word), SignalLine::idle);
    Field<SignalLine, Optional<Double>> pull =
        f.maybe("pull_ohm", Plain.number(SignalLine.OHM), SignalLine::pull);
    return f.make(
        in -> new SignalLine(in.get(name), in.get(pin), in.get(from), in.get(idle), in.get(pull)));
  }

  private static Codec<Limits> limits() {
    return Plain.list(Plain.number(Limits.MICROS), 3, 3)
        .asAt(
            PortFile::limits,
            l -> List.of(l.leastNs() / NS_IN_US, l.usualNs() / NS_IN_US, l.mostNs() / NS_IN_US));
  }

  private static Limits limits(List<Double> three, Value at) {
    if (three.size() != 3) {
      throw at.misfit("must be 3 numbers in brackets", "write [least, usual, most] in us");
    }
    return Limits.micros(three.get(0), three.get(1), three.get(2));
  }

  private static Codec<Mechanism> mechanism() {
    Fields<OneShot> shot = new Fields<>();
    Field<OneShot, Double> ohm =
        shot.need("pot_ohm", Plain.number(Range.of(1000, 1e7, "ohm")), OneShot::potOhm);
    Field<OneShot, Double> each =
        shot.need("ns_per_ohm", Plain.number(Range.of(0.001, 1000, "ns")), OneShot::nsPerOhm);
    Fields<Packet> packet = new Fields<>();
    Field<Packet, List<Integer>> question = packet.need("question", BYTES, Packet::question);
    Field<Packet, List<Integer>> identity = packet.need("identity", BYTES, Packet::identity);
    Fields<KeyFrame> keys = new Fields<>();
    Field<KeyFrame, Map<String, List<Integer>>> codes =
        keys.need("codes", Plain.map(Plain.TEXT, BYTES), KeyFrame::codes);
    Fields<PulsedWire> pulsed = new Fields<>();
    Field<PulsedWire, Integer> asks =
        pulsed.need("question", Plain.whole(BYTE), PulsedWire::question);
    Fields<SerialBytes> serial = new Fields<>();
    Field<SerialBytes, Integer> begin = serial.need("begin", Plain.whole(BYTE), SerialBytes::begin);
    Fields<UsbPad> usb = new Fields<>();
    Field<UsbPad, Boolean> full = usb.usually("full_speed", Plain.TRUTH, UsbPad::full, true);
    Field<UsbPad, Optional<UsbReport>> report =
        usb.maybe("report", usbReport(), UsbPad::report)
            .says("where its report says what; else a bit a button, then a byte an axis");
    return new Kinds<Mechanism>("kind")
        .or("phased", Phased.class, phased())
        .or("serial_latch", SerialLatch.class, latch())
        .or(
            "packet",
            Packet.class,
            packet.make(in -> new Packet(in.get(question), in.get(identity))))
        .or("pulsed_wire", PulsedWire.class, pulsed.make(in -> new PulsedWire(in.get(asks))))
        .or("one_shot", OneShot.class, shot.make(in -> new OneShot(in.get(ohm), in.get(each))))
        .or("key_frame", KeyFrame.class, keys.make(in -> new KeyFrame(in.get(codes))))
        .or("serial_bytes", SerialBytes.class, serial.make(in -> new SerialBytes(in.get(begin))))
        .or("usb", UsbPad.class, usb.make(in -> new UsbPad(in.get(full), in.get(report))))
        .make();
  }

  private static Codec<UsbReport> usbReport() {
    Fields<UsbReport> f = new Fields<>();
    Field<UsbReport, Integer> id = f.usually("id", Plain.whole(UsbReport.ID), UsbReport::id, 0);
    Field<UsbReport, Integer> bytes =
        f.need("bytes", Plain.whole(UsbReport.BYTES), UsbReport::bytes).says("its id left out");
    Field<UsbReport, Map<String, UsbReport.Place>> buttons =
        f.need("buttons", Plain.map(Plain.TEXT, place()), UsbReport::buttons);
    Field<UsbReport, Map<String, UsbReport.Place>> axes =
        f.need("axes", Plain.map(Plain.TEXT, place()), UsbReport::axes);
    Fields<UsbReport.Hat> h = new Fields<>();
    Field<UsbReport.Hat, UsbReport.Place> at = h.need("place", place(), UsbReport.Hat::place);
    Field<UsbReport.Hat, List<String>> says =
        h.need("says", Plain.list(Plain.TEXT, 4, 4), UsbReport.Hat::says)
            .says("the names of up, right, down and left");
    Codec<UsbReport.Hat> hats = h.make(in -> new UsbReport.Hat(in.get(at), in.get(says)));
    Field<UsbReport, Optional<UsbReport.Hat>> hat = f.maybe("hat", hats, UsbReport::hat);
    return f.make(
        in -> new UsbReport(in.get(id), in.get(bytes), in.get(buttons), in.get(axes), in.get(hat)));
  }

  private static Codec<UsbReport.Place> place() {
    Fields<UsbReport.Place> f = new Fields<>();
    Field<UsbReport.Place, Integer> bit =
        f.need("bit", Plain.whole(UsbReport.Place.BIT), UsbReport.Place::bit);
    Field<UsbReport.Place, Integer> bits =
        f.usually("bits", Plain.whole(UsbReport.Place.BITS), UsbReport.Place::bits, 1);
    Field<UsbReport.Place, Integer> least =
        f.usually("least", Plain.whole(UsbReport.Place.SAYS), UsbReport.Place::least, 0);
    Field<UsbReport.Place, Integer> most =
        f.usually("most", Plain.whole(UsbReport.Place.SAYS), UsbReport.Place::most, 1);
    return f.make(
        in -> new UsbReport.Place(in.get(bit), in.get(bits), in.get(least), in.get(most)));
  }

  private static ObjectCodec<Phased> phased() {
    Fields<Phased> f = new Fields<>();
    Field<Phased, Optional<String>> select = f.maybe("select", Plain.TEXT, Phased::select);
    Codec<Phased.Says> says = Plain.TEXT.as(Phased.Says::of, Phased.Says::word);
    Field<Phased, List<Map<String, Phased.Says>>> phases =
        f.need("phases", Plain.list(Plain.map(Plain.TEXT, says), 1, 16), Phased::phases)
            .says("line to button, or low or high");
    return f.make(in -> new Phased(in.get(select), in.get(phases)));
  }

  private static ObjectCodec<SerialLatch> latch() {
    Fields<SerialLatch> f = new Fields<>();
    Field<SerialLatch, SerialLatch.Shift> shift =
        f.usually(
            "shift",
            Plain.word(SerialLatch.Shift.class),
            SerialLatch::shift,
            SerialLatch.Shift.RISE);
    Field<SerialLatch, SerialLatch.Take> take =
        f.usually(
            "take",
            Plain.word(SerialLatch.Take.class),
            SerialLatch::take,
            SerialLatch.Take.BEFORE_RISE);
    return f.make(in -> new SerialLatch(in.get(shift), in.get(take)));
  }

  private static Codec<Source> source() {
    Fields<Source> f = new Fields<>();
    Field<Source, Source.Kind> kind = f.need("kind", Plain.word(Source.Kind.class), Source::kind);
    Field<Source, String> text = f.need("text", Plain.TEXT, Source::text);
    return f.make(in -> new Source(in.get(kind), in.get(text)));
  }

  /** {@return the names of all kinds, for messages} */
  public static String words(List<PortKind> kinds) {
    return String.join(", ", kinds.stream().map(PortKind::id).toList());
  }
}
