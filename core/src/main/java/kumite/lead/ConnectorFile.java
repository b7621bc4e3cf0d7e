package kumite.lead;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Key;
import kumite.json.Value;
import kumite.measure.Check;
import kumite.measure.Point;
import kumite.measure.Range;
import kumite.working.Source;

/** Connectors and pinouts as JSON: those shipped, and a builder's own. */
public final class ConnectorFile {
  private static final int CORNERS_OF_A_ROUND_ONE = 48;
  private static final Range SIDE = Range.above(0, "mm");
  private static final Codec<Double> ALONG = Plain.pointed(Range.of(-150, 150, "mm"));
  private static final Codec<String> NAME = Plain.form("^[a-z][a-z0-9-]{0,39}$");
  private static final Codec<Source> SOURCE = source();
  private static final Codec<List<Wired>> WIRED = Plain.list(wired(), 1, Integer.MAX_VALUE);

  /** The codec of a connector. */
  public static final Codec<ConnectorKind> CONNECTOR = connector().named("connector");

  /** The codec of a pinout. */
  public static final Codec<Pinout> PINOUT = pinout().named("pinout");

  private ConnectorFile() {}

  private enum Shape {
    /** A D: its upper side is the wider. */
    D,
    ROUND,
    BOX
  }

  /** A face by its measures, which becomes an outline. */
  private record Face(
      Shape shape, Optional<Double> width, Optional<Double> height, Optional<Double> diameter) {

    List<Point> outline() {
      if (shape == Shape.ROUND) {
        return round(side(diameter, "diameter"));
      }
      double wide = side(width, "width");
      double high = side(height, "height");
      // The sides of a D lean inward by 10 degrees (IEC 60807, from memory).
      double lean = shape == Shape.D ? 2 * high * Math.tan(Math.toRadians(10)) : 0;
      return List.of(
          new Point(-wide, high),
          new Point(wide, high),
          new Point(wide - lean, -high),
          new Point(lean - wide, -high));
    }

    /** Half of it. */
    private static double side(Optional<Double> said, String what) {
      double mm =
          said.orElseThrow(() -> new IllegalArgumentException(what + "_mm is missing; add it"));
      return SIDE.check(mm, what + " in mm") / 2;
    }
  }

  private static List<Point> round(double radius) {
    List<Point> corners = new ArrayList<>();
    for (int i = 0; i < CORNERS_OF_A_ROUND_ONE; i++) {
      double angle = 2 * Math.PI * i / CORNERS_OF_A_ROUND_ONE;
      corners.add(new Point(radius * Math.cos(angle), radius * Math.sin(angle)));
    }
    return corners;
  }

  private static Codec<ConnectorKind> connector() {
    Fields<ConnectorKind> f = new Fields<>();
    Field<ConnectorKind, String> id = f.need("id", NAME, ConnectorKind::id);
    Field<ConnectorKind, String> name = f.need("name", Plain.TEXT, ConnectorKind::name);
    Field<ConnectorKind, String> mechanism =
        f.need("mechanism", Plain.TEXT, ConnectorKind::mechanism);
    Field<ConnectorKind, List<ConnectorKind.Pin>> pins =
        f.need("pins", Plain.list(pin(), 1, ConnectorKind.MOST_PINS), ConnectorKind::pins);
    Field<ConnectorKind, Optional<Face>> face = f.maybe("face", face(), kind -> Optional.empty());
    Field<ConnectorKind, Optional<List<Point>>> outline =
        f.maybe("outline", corners(), kind -> Optional.of(kind.outline()))
            .says("in place of the face");
    Field<ConnectorKind, List<Point>> key = f.some("key", corners(), ConnectorKind::key);
    Field<ConnectorKind, List<Point>> socketKey =
        f.some("socket_key", corners(), ConnectorKind::socketKey)
            .says("of the other half, where it is no mirror image");
    Field<ConnectorKind, String> numbering =
        f.need("numbering", Plain.TEXT, ConnectorKind::numbering);
    Field<ConnectorKind, List<Wired>> wired = f.need("wired", WIRED, ConnectorKind::wired);
    Field<ConnectorKind, Double> amps =
        f.need("amps_each", Plain.pointed(ConnectorKind.AMPS), ConnectorKind::ampsEach);
    Field<ConnectorKind, Gender> gender =
        f.need("pad_gender", Plain.word(Gender.class), ConnectorKind::padGender);
    Field<ConnectorKind, Source> source = f.need("source", SOURCE, ConnectorKind::source);
    return f.make(
        in -> {
          if (in.get(face).isPresent() == in.get(outline).isPresent()) {
            throw in.misfit(
                face,
                in.has(face) ? "is there beside an outline" : "is missing",
                "describe the face by its shape and sizes, or by an outline");
          }
          return new ConnectorKind(
              in.get(id),
              in.get(name),
              in.get(mechanism),
              in.get(pins),
              in.get(outline).orElseGet(() -> in.get(face).orElseThrow().outline()),
              in.get(key),
              in.get(socketKey),
              in.get(numbering),
              in.get(wired),
              in.get(amps),
              in.get(gender),
              in.get(source));
        });
  }

  private static Codec<ConnectorKind.Pin> pin() {
    Fields<ConnectorKind.Pin> f = new Fields<>();
    Field<ConnectorKind.Pin, String> name = f.need("name", Plain.TEXT, ConnectorKind.Pin::name);
    Field<ConnectorKind.Pin, Double> x = f.need("x_mm", ALONG, pin -> pin.at().xMm());
    Field<ConnectorKind.Pin, Double> y = f.need("y_mm", ALONG, pin -> pin.at().yMm());
    return f.make(in -> new ConnectorKind.Pin(in.get(name), point(in.get(x), in.get(y))));
  }

  private static Point point(double x, double y) {
    return new Point(
        Check.between(-150, 150, x, "place in mm"), Check.between(-150, 150, y, "place in mm"));
  }

  private static Codec<Face> face() {
    Fields<Face> f = new Fields<>();
    Field<Face, Shape> shape = f.need("shape", Plain.word(Shape.class), Face::shape);
    Field<Face, Optional<Double>> width = f.maybe("width_mm", Plain.pointed(SIDE), Face::width);
    Field<Face, Optional<Double>> height = f.maybe("height_mm", Plain.pointed(SIDE), Face::height);
    Field<Face, Optional<Double>> diameter =
        f.maybe("diameter_mm", Plain.pointed(SIDE), Face::diameter);
    return f.make(in -> new Face(in.get(shape), in.get(width), in.get(height), in.get(diameter)))
        .as(ConnectorFile::drawable, face -> face);
  }

  private static Face drawable(Face face) {
    face.outline();
    return face;
  }

  private static Codec<List<Point>> corners() {
    Codec<Point> corner =
        Plain.list(ALONG, 2, 2)
            .asAt(ConnectorFile::corner, point -> List.of(point.xMm(), point.yMm()));
    return Plain.list(corner, 3, Integer.MAX_VALUE)
        .asAt(ConnectorFile::enough, list -> list)
        .named("corners");
  }

  private static Point corner(List<Double> pair, Value at) {
    if (pair.size() != 2) {
      throw at.misfit("must be 2 numbers in brackets", "write [x, y]");
    }
    return point(pair.get(0), pair.get(1));
  }

  private static List<Point> enough(List<Point> corners, Value at) {
    if (!corners.isEmpty() && corners.size() < 3) {
      throw at.misfit("has fewer than three corners", "name them in turn");
    }
    return corners;
  }

  private static Codec<Wired> wired() {
    Fields<Wired> f = new Fields<>();
    Field<Wired, Wired.How> how = f.need("how", Plain.word(Wired.How.class), Wired::how);
    Field<Wired, Double> strip = f.need("strip_mm", Plain.pointed(Wired.STRIP), Wired::stripMm);
    Field<Wired, List<Integer>> awg =
        f.need(
                "awg",
                Plain.list(Plain.whole(Wired.AWG), 2, 2).asAt(ConnectorFile::two, list -> list),
                way -> List.of(way.thickestAwg(), way.thinnestAwg()))
            .says("thickest and thinnest");
    Field<Wired, String> tool = f.need("tool", Plain.TEXT, Wired::tool);
    return f.make(
        in ->
            new Wired(
                in.get(how), in.get(strip), in.get(awg).get(0), in.get(awg).get(1), in.get(tool)));
  }

  private static List<Integer> two(List<Integer> gauges, Value at) {
    if (gauges.size() != 2) {
      throw at.misfit("must be 2 numbers in brackets", "write [thickest, thinnest]");
    }
    return gauges;
  }

  private static Codec<Source> source() {
    Fields<Source> f = new Fields<>();
    Field<Source, Source.Kind> kind = f.need("kind", Plain.word(Source.Kind.class), Source::kind);
    Field<Source, String> text = f.need("text", Plain.TEXT, Source::text);
    return f.make(in -> new Source(in.get(kind), in.get(text))).named("source");
  }

  /** A row of contacts of any number, as the shipped file has it; it is never written. */
  static ConnectorRow row(Key key) {
    return key.whole(
        () ->
            new ConnectorRow(
                key.text("id"),
                key.text("name"),
                key.text("mechanism"),
                key.integer("rows"),
                key.integer("fewest"),
                key.integer("most"),
                key.number("pitch_mm"),
                key.text("numbering"),
                WIRED.read(key.value("wired")),
                key.number("amps_each"),
                SOURCE.read(key.value("source"))));
  }

  private static Codec<Pinout> pinout() {
    Fields<Pinout> f = new Fields<>();
    Field<Pinout, String> id = f.need("id", NAME, Pinout::id);
    Field<Pinout, String> name = f.need("name", Plain.TEXT, Pinout::name);
    Field<Pinout, String> connector = f.need("connector", Plain.TEXT, Pinout::connector);
    Field<Pinout, Double> volts = f.need("volts", Plain.pointed(Pinout.VOLTS), Pinout::volts);
    Field<Pinout, Double> takes =
        f.usually("pad_takes_a", Plain.pointed(Pinout.TAKES), Pinout::padTakesA, 0.0);
    Field<Pinout, List<Pinout.Pin>> pins =
        f.need("pins", Plain.list(pinWithFunction()), Pinout::pins);
    Field<Pinout, Set<String>> identity =
        f.usually("identity", Plain.sorted(Plain.TEXT), Pinout::identity, Set.of())
            .says("pins that the host knows the pad by");
    Field<Pinout, Source> source = f.need("source", SOURCE, Pinout::source);
    return f.make(
        in ->
            new Pinout(
                in.get(id),
                in.get(name),
                in.get(connector),
                in.get(volts),
                in.get(takes),
                in.get(pins),
                in.get(identity),
                in.get(source)));
  }

  private static Codec<Pinout.Pin> pinWithFunction() {
    Fields<Pinout.Pin> f = new Fields<>();
    Field<Pinout.Pin, String> pin = f.need("pin", Plain.TEXT, Pinout.Pin::pin);
    Field<Pinout.Pin, Function> function =
        f.need("function", Plain.TEXT.as(Function::named, Function::words), Pinout.Pin::function);
    Field<Pinout.Pin, Flow> flow = f.need("flow", Plain.word(Flow.class), Pinout.Pin::flow);
    Field<Pinout.Pin, Boolean> some =
        f.usually("some", Plain.TRUTH, Pinout.Pin::some, false).says("on some hosts only");
    return f.make(in -> new Pinout.Pin(in.get(pin), in.get(function), in.get(flow), in.get(some)));
  }
}
