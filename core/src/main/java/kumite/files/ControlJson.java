package kumite.files;

import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.Control;
import kumite.build.box.Face;
import kumite.build.loom.Hookup;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.room.Around;

/** Controls as JSON: what each is, where it stands and how it is hooked up. */
final class ControlJson {
  /** The codec of a control; {@link Around#CATALOGUE} must be known. */
  static final Codec<Control> CODEC = control();

  private ControlJson() {}

  private static Codec<Control> control() {
    Fields<Control> f = new Fields<>();
    Field<Control, ControlId> id = f.need("id", Names.CONTROL, Control::id);
    Field<Control, String> label = f.need("label", Plain.LINE, Control::label);
    Field<Control, String> kind =
        f.need("kind", Plain.TEXT.asAt(ControlJson::known, name -> name), Control::kind);
    Field<Control, Optional<SeatId>> seat =
        f.maybe("seat", Names.SEAT, Control::seat).says("where there are several");
    Placed<Control> placed = Placed.among(f, Control::placement);
    Field<Control, Optional<Face>> face =
        f.maybe("face", Plain.word(Face.class), Control::face)
            .says("of the case; else it sits in the panel");
    Field<Control, Optional<Common>> common =
        f.maybe("common", Plain.word(Common.class), control -> control.hookup().common());
    Field<Control, Boolean> restsClosed =
        f.usually("rests_closed", Plain.TRUTH, control -> control.hookup().restsClosed(), false)
            .says("wired at NC");
    Field<Control, Optional<Double>> lamp =
        f.maybe("lamp_ohm", Plain.number(Hookup.LAMP), ControlJson::lampOhm)
            .says("a resistor of its own value");
    Field<Control, Boolean> shares =
        f.usually("lamp_shares", Plain.TRUTH, control -> control.hookup().lampShares(), false)
            .says("the lamp hangs on the contact");
    Field<Control, Optional<String>> from =
        f.maybe("lamp_from", Plain.LINE, control -> control.hookup().lampFrom()).says("a terminal");
    return f.make(
        in ->
            new Control(
                in.get(id),
                in.get(label),
                in.get(kind),
                placed.of(in),
                new Hookup(
                    in.get(common),
                    in.get(restsClosed),
                    in.get(lamp).map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                    in.get(shares),
                    in.get(from)),
                in.get(seat),
                in.get(face)));
  }

  private static Optional<Double> lampOhm(Control control) {
    OptionalDouble ohm = control.hookup().lampOhm();
    return ohm.isPresent() ? Optional.of(ohm.getAsDouble()) : Optional.empty();
  }

  private static String known(String kind, Value at) {
    Catalogue catalogue = at.scope().get(Around.CATALOGUE);
    if (catalogue.control(kind).isEmpty()) {
      throw at.misfit(
          "the catalogue has no control \"" + kind + "\"",
          "use one of "
              + String.join(", ", catalogue.controls().stream().map(ControlKind::id).toList()));
    }
    return kind;
  }
}
