package kumite.parts;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Lamp;
import kumite.kind.ScrewHole;
import kumite.measure.Point;
import kumite.measure.Shape;

/** A kind of control in the shape of its JSON, read and written by field name. */
@JsonInclude(JsonInclude.Include.NON_NULL)
record PartData(
    String id,
    String name,
    String trait,
    String family,
    ShapeData cutoutMm,
    ShapeData faceMm,
    ShapeData bodyMm,
    Double bodyDepthMm,
    double[] panelMm,
    MountData mount,
    ScrewData screws,
    AboveData above,
    Double forceN,
    Double throwMm,
    GateData gate,
    List<ContactData> contacts,
    Double tabMm,
    int[] bounceUs,
    LampData lamp,
    Integer steps,
    Double ohm,
    Boolean latching,
    FeedData feed) {

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ShapeData(Double round, double[] rect, Double corner) {
    Shape toShape(String what) {
      if (round != null) {
        return new Shape.Round(round);
      }
      if (rect == null || rect.length != 2) {
        throw new IllegalArgumentException(
            what + " needs \"round\": a diameter, or \"rect\": [width, front to back]");
      }
      return new Shape.Rect(rect[0], rect[1], corner == null ? 0 : corner);
    }

    static ShapeData of(Shape shape) {
      if (shape instanceof Shape.Round circle) {
        return new ShapeData(circle.diameterMm(), null, null);
      }
      Shape.Rect box = (Shape.Rect) shape;
      return new ShapeData(
          null,
          new double[] {box.widthMm(), box.heightMm()},
          box.cornerMm() == 0 ? null : box.cornerMm());
    }
  }

  record MountData(String how, double wrenchMm) {}

  record AboveData(ShapeData swingMm, double heightMm, double fingersMm) {}

  record GateData(List<Integer> ways, double shaftMm, String plug) {}

  @JsonInclude(JsonInclude.Include.NON_EMPTY)
  record ContactData(String name, String type, String tab, String place) {
    ContactKind toContact() {
      return new ContactKind(
          orEmpty(name),
          constant(ContactKind.Type.class, type, "type"),
          orEmpty(tab),
          orEmpty(place));
    }
  }

  record ScrewData(String screw, double holeMm, double[][] at) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LampData(double forwardV, double currentMa, String colour, Double ratedV) {}

  record FeedData(double leastV, double mostV, double currentMa) {}

  ControlKind toKind() {
    List<ScrewHole> holes = new ArrayList<>();
    if (screws != null) {
      for (double[] at : screws.at()) {
        holes.add(new ScrewHole(new Point(at[0], at[1]), screws.holeMm(), screws.screw()));
      }
    }
    Shape cutout = need(cutoutMm, "cutout_mm").toShape("cutout_mm");
    double[] panel = need(panelMm, "panel_mm");
    if (panel.length != 2) {
      throw new IllegalArgumentException("panel_mm is [thinnest, thickest]");
    }
    Shape face = faceMm == null ? cutout : faceMm.toShape("face_mm");
    return new ControlKind(
        need(id, "id"),
        need(name, "name"),
        orEmpty(trait),
        constant(ControlKind.Family.class, need(family, "family"), "family"),
        cutout,
        face,
        bodyMm == null ? cutout : bodyMm.toShape("body_mm"),
        need(bodyDepthMm, "body_depth_mm"),
        panel[0],
        panel[1],
        mount == null
            ? new ControlKind.Mount(ControlKind.Mount.How.SNAP, 0)
            : new ControlKind.Mount(
                constant(ControlKind.Mount.How.class, mount.how(), "mount.how"), mount.wrenchMm()),
        holes,
        above == null
            ? new ControlKind.Above(face, 0, 0)
            : new ControlKind.Above(
                above.swingMm() == null ? face : above.swingMm().toShape("above.swing_mm"),
                above.heightMm(),
                above.fingersMm()),
        new ControlKind.Feel(orZero(forceN), orZero(throwMm)),
        Optional.ofNullable(gate)
            .map(g -> new ControlKind.Gate(g.ways(), g.shaftMm(), orEmpty(g.plug()))),
        need(contacts, "contacts").stream().map(ContactData::toContact).toList(),
        orZero(tabMm),
        bounceUs == null || bounceUs.length != 2
            ? new ControlKind.Bounce(0, 0)
            : new ControlKind.Bounce(bounceUs[0], bounceUs[1]),
        Optional.ofNullable(lamp)
            .map(
                l ->
                    new Lamp(l.forwardV(), l.currentMa(), orEmpty(l.colour()), orZero(l.ratedV()))),
        steps == null ? 0 : steps,
        orZero(ohm),
        latching != null && latching,
        Optional.ofNullable(feed)
            .map(f -> new ControlKind.Feed(f.leastV(), f.mostV(), f.currentMa())));
  }

  static PartData of(ControlKind kind) {
    ScrewData screws = null;
    if (!kind.screws().isEmpty()) {
      double[][] at = new double[kind.screws().size()][];
      for (int i = 0; i < at.length; i++) {
        Point place = kind.screws().get(i).at();
        at[i] = new double[] {place.xMm(), place.yMm()};
      }
      ScrewHole first = kind.screws().get(0);
      screws = new ScrewData(first.screw(), first.diameterMm(), at);
    }
    return new PartData(
        kind.id(),
        kind.name(),
        kind.trait(),
        word(kind.family()),
        ShapeData.of(kind.cutout()),
        ShapeData.of(kind.face()),
        ShapeData.of(kind.body()),
        kind.bodyDepthMm(),
        new double[] {kind.thinnestMm(), kind.thickestMm()},
        new MountData(word(kind.mount().how()), kind.mount().wrenchMm()),
        screws,
        new AboveData(
            ShapeData.of(kind.above().swing()), kind.above().heightMm(), kind.above().fingersMm()),
        kind.feel().newton(),
        kind.feel().throwMm(),
        kind.gate().map(g -> new GateData(g.ways(), g.shaftMm(), g.plug())).orElse(null),
        kind.contacts().stream()
            .map(c -> new ContactData(c.name(), word(c.type()), c.tab(), c.place()))
            .toList(),
        kind.tabMm(),
        new int[] {kind.bounce().leastUs(), kind.bounce().mostUs()},
        kind.lamp()
            .map(
                l ->
                    new LampData(
                        l.forwardVolts(),
                        l.milliamps(),
                        l.colour(),
                        l.resistorInside() ? l.ratedVolts() : null))
            .orElse(null),
        kind.steps(),
        kind.ohm(),
        kind.latching(),
        kind.feed()
            .map(f -> new FeedData(f.leastVolts(), f.mostVolts(), f.milliamps()))
            .orElse(null));
  }

  /** Finds a constant by its word in files. */
  static <E extends Enum<E>> E constant(Class<E> type, String text, String what) {
    for (E value : type.getEnumConstants()) {
      if (word(value).equals(text)) {
        return value;
      }
    }
    List<String> allowed = new ArrayList<>();
    for (E value : type.getEnumConstants()) {
      allowed.add(word(value));
    }
    throw new IllegalArgumentException(
        what + " \"" + text + "\" is unknown; use one of " + String.join(", ", allowed));
  }

  static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT);
  }

  private static <T> T need(T value, String what) {
    if (value == null) {
      throw new IllegalArgumentException(what + " is missing");
    }
    return value;
  }

  private static double orZero(Double value) {
    return value == null ? 0 : value;
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }
}
