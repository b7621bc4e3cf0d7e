package kumite.files;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.supply.Rgb;
import kumite.build.supply.Shows;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.kind.SupplyKind;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.SupplyFile;
import kumite.room.PartCodec;

/** How what feeds a build stands in the file. */
public final class SupplyJson {
  /** The codec of all supplies. */
  public static final PartCodec<SupplyBook> CODEC = new PartCodec<>(SupplyBook.PART, false, book());

  private SupplyJson() {}

  private static Codec<SupplyBook> book() {
    Fields<SupplyBook> f = new Fields<>();
    Field<SupplyBook, List<SupplyPart>> parts =
        f.some(
            "parts",
            Plain.list(part().named("supply_part"), 0, SupplyBook.MOST),
            SupplyBook::parts);
    Field<SupplyBook, Map<SeatId, ControlId>> boards =
        f.usually("boards", Plain.map(Names.SEAT, Names.CONTROL), SupplyBook::boards, Map.of())
            .says("which part feeds the board of a seat; else its plug does");
    return f.make(in -> new SupplyBook(in.get(parts), in.get(boards)));
  }

  private static Codec<SupplyPart> part() {
    Fields<SupplyPart> f = new Fields<>();
    Field<SupplyPart, ControlId> id = f.need("id", Names.CONTROL, SupplyPart::id);
    Field<SupplyPart, String> label = f.need("label", Plain.LINE, SupplyPart::label);
    Field<SupplyPart, String> kind =
        f.need("kind", Plain.TEXT.asAt(SupplyJson::known, name -> name), SupplyPart::kind);
    Placed<SupplyPart> placed = Placed.among(f, SupplyPart::placement);
    Field<SupplyPart, Optional<SeatId>> seat =
        f.maybe("seat", Names.SEAT, SupplyPart::seat).says("where there are several");
    Field<SupplyPart, Optional<ControlId>> from =
        f.maybe("from", Names.CONTROL, SupplyPart::from).says("what feeds it; else the board does");
    Field<SupplyPart, Optional<Double>> rated =
        f.maybe("rated_ma", Plain.number(SupplyPart.RATED), SupplyPart::milliamps)
            .says("what its own label says");
    Field<SupplyPart, Integer> count =
        f.usually("count", Plain.whole(SupplyPart.LAMPS), SupplyPart::count, 0)
            .says("lamps of a strip");
    Field<SupplyPart, Boolean> open = f.usually("open", Plain.TRUTH, SupplyPart::open, false);
    Field<SupplyPart, Boolean> ground =
        f.usually("in_ground", Plain.TRUTH, SupplyPart::inGround, false)
            .says("a switch or fuse that is in the ground wire");
    Field<SupplyPart, Shows> shows =
        f.usually("shows", shows(), SupplyPart::shows, Shows.USUAL).says("what a strip is told");
    return f.make(
        in ->
            new SupplyPart(
                in.get(id),
                in.get(label),
                in.get(kind),
                placed.of(in),
                in.get(seat),
                in.get(from),
                in.get(rated),
                in.get(count),
                in.get(open),
                in.get(ground),
                in.get(shows)));
  }

  private static Codec<Shows> shows() {
    Codec<Rgb> colour = Plain.TEXT.asAt(SupplyJson::colour, Rgb::text);
    Fields<Shows> f = new Fields<>();
    Field<Shows, Rgb> usual = f.need("usual", colour, Shows::usual);
    Field<Shows, Map<String, Rgb>> profiles =
        f.usually("profiles", Plain.map(Plain.TEXT, colour), Shows::profiles, Map.of())
            .says("while a profile is in force, by its name");
    Field<Shows, Optional<Rgb>> held =
        f.maybe("held", colour, Shows::held).says("while anything is given to the host");
    return f.make(in -> new Shows(in.get(usual), in.get(profiles), in.get(held))).named("shows");
  }

  private static Rgb colour(String text, Value at) {
    try {
      return Rgb.parse(text);
    } catch (IllegalArgumentException e) {
      throw at.misfit("no colour \"" + text + "\"", "write red, green and blue as #20c0ff");
    }
  }

  private static String known(String kind, Value at) {
    if (SupplyFile.find(kind).isEmpty()) {
      throw at.misfit(
          "there is no supply part \"" + kind + "\"",
          "use one of "
              + String.join(", ", SupplyFile.standard().stream().map(SupplyKind::id).toList()));
    }
    return kind;
  }
}
