package kumite.files;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.json.Topic;
import kumite.json.Value;
import kumite.kind.WireColour;
import kumite.lead.Cable;
import kumite.lead.ConnectorFile;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Slip;
import kumite.lead.Where;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.ringout.RingOut;
import kumite.room.Around;
import kumite.room.PartCodec;

/** Leads, and what else a build keeps of them, as JSON. */
public final class LeadJson {
  private static final Topic<End> PLUG_OF_CABLE = new Topic<>("plug of the cable");

  private static final Codec<Cable> CABLE = cable().named("cable");

  /** The codec of a lead; {@link PinNames#PLUGS} must be known. */
  static final ObjectCodec<Lead> LEAD = lead();

  /** The codec of all leads of a build. */
  static final Codec<LeadBook> BOOK = book();

  /** The codec of leads, cables and ring-outs. */
  public static final PartCodec<LeadBook> CODEC = new PartCodec<>(LeadBook.PART, false, BOOK);

  private LeadJson() {}

  private static Codec<LeadBook> book() {
    Fields<LeadBook> f = new Fields<>();
    Field<LeadBook, List<ConnectorKind>> connectors =
        f.some("connectors", Plain.list(ConnectorFile.CONNECTOR), LeadBook::connectors);
    Field<LeadBook, List<Pinout>> pinouts =
        f.some("pinouts", Plain.list(ConnectorFile.PINOUT), LeadBook::pinouts);
    Field<LeadBook, List<Lead>> leads =
        f.some("leads", Plain.list(LEAD.named("lead"), 0, LeadBook.MOST), LeadBook::leads);
    Field<LeadBook, List<BoardCable>> cables =
        f.some(
            "cables",
            Plain.list(boardCable().named("board_cable"), 0, LeadBook.MOST),
            LeadBook::cables);
    Field<LeadBook, List<RingOut>> ringOuts =
        f.some(
            "ring_outs",
            Plain.list(RingOutJson.CODEC.named("ring_out"), 0, LeadBook.MOST),
            LeadBook::ringOuts);
    f.known(PinNames.PLUGS, in -> Plugs.standard().with(in.get(connectors), in.get(pinouts)));
    return f.make(
        in ->
            new LeadBook(
                in.get(connectors),
                in.get(pinouts),
                in.get(leads),
                in.get(cables),
                in.get(ringOuts)));
  }

  private static ObjectCodec<Lead> lead() {
    Fields<Lead> f = new Fields<>();
    Field<Lead, String> name = f.free("name", Plain.LINE, Lead::name, "Lead");
    Field<Lead, End> from = f.need("from", EndJson.CODEC, Lead::from);
    Field<Lead, End> to = f.need("to", EndJson.CODEC, Lead::to);
    Field<Lead, List<Core>> cores =
        f.need("pins", Plain.list(core(), 0, Lead.MOST_CORES), Lead::cores);
    Field<Lead, List<LeadPart>> parts =
        f.some("parts", Plain.list(LeadPartJson.CODEC), Lead::parts);
    Field<Lead, Optional<Cable>> cable = f.maybe("cable", CABLE, lead -> Optional.of(lead.cable()));
    Field<Lead, List<Slip>> slips =
        f.some("first", Plain.list(slip()), Lead::slips)
            .says("what goes over the cable before the joints");
    f.known(PinNames.FROM, in -> in.get(from));
    f.known(PinNames.TO, in -> in.get(to));
    return f.make(
        in ->
            new Lead(
                in.get(name),
                in.get(from),
                in.get(to),
                in.get(cores),
                in.get(parts),
                in.get(cable).orElseGet(() -> Cable.forCores(Math.max(1, in.get(cores).size()))),
                in.get(slips)));
  }

  private static Codec<Slip> slip() {
    Fields<Slip> f = new Fields<>();
    Field<Slip, Where> end = f.need("end", Plain.word(Where.class), Slip::end);
    Field<Slip, Slip.Kind> kind = f.need("slip", Plain.word(Slip.Kind.class), Slip::kind);
    return f.make(in -> new Slip(in.get(end), in.get(kind)));
  }

  private static Codec<Core> core() {
    Fields<Core> f = new Fields<>();
    Field<Core, String> from = f.need("from", PinNames.of(PinNames.FROM), Core::from);
    Field<Core, String> to = f.need("to", PinNames.of(PinNames.TO), Core::to);
    Field<Core, Optional<String>> role =
        f.maybe("role", Plain.TEXT, Core::role).says("where it is not plain from the pins");
    Field<Core, WireColour> colour = f.need("colour", Names.COLOUR, Core::colour);
    Field<Core, Boolean> shared =
        f.usually("shared", Plain.TRUTH, Core::shared, false).says("it joins pins on purpose");
    return f.make(
        in -> {
          String plain = plainRole(in, in.get(from), in.get(to));
          return new Core(
              in.get(from),
              in.get(to),
              in.get(colour),
              in.get(role).filter(said -> !said.isBlank() && !said.equals(plain)),
              in.get(shared));
        });
  }

  /** What a core is from its pins alone; that is not kept. */
  private static String plainRole(In<Core> in, String from, String to) {
    Plugs plugs = in.known(PinNames.PLUGS);
    return plugs
        .at(in.known(PinNames.FROM), from)
        .or(() -> plugs.at(in.known(PinNames.TO), to))
        .map(pin -> pin.function().words())
        .orElse("");
  }

  private static Codec<Cable> cable() {
    Fields<Cable> f = new Fields<>();
    Field<Cable, Integer> cores = f.need("cores", Plain.whole(Cable.CORES), Cable::cores);
    Field<Cable, Integer> gauge = f.need("gauge_awg", Plain.whole(Cable.GAUGE), Cable::gaugeAwg);
    Field<Cable, Double> length = f.need("length_mm", Plain.number(Cable.LENGTH), Cable::lengthMm);
    Field<Cable, Double> jacket =
        f.usually("jacket_mm", Plain.number(Cable.JACKET), Cable::jacketMm, 0.0);
    Field<Cable, Boolean> bought = f.usually("bought", Plain.TRUTH, Cable::bought, false);
    Field<Cable, Boolean> shielded = f.usually("shielded", Plain.TRUTH, Cable::shielded, false);
    return f.make(
        in ->
            new Cable(
                in.get(cores),
                in.get(gauge),
                in.get(length),
                in.get(jacket),
                in.get(bought),
                in.get(shielded)));
  }

  private static Codec<BoardCable> boardCable() {
    Fields<BoardCable> f = new Fields<>();
    Field<BoardCable, String> name = f.need("name", Plain.LINE, BoardCable::name);
    Field<BoardCable, SeatId> seat =
        f.need("seat", Names.SEAT.asAt(LeadJson::ofBuild, id -> id), BoardCable::seat);
    Field<BoardCable, Set<ControlId>> controls =
        f.usually(
                "controls",
                Plain.set(Names.CONTROL.asAt(LeadJson::ofBuild, id -> id)),
                BoardCable::controls,
                Set.of())
            .says("all where left out");
    Field<BoardCable, End.Plug> plug = f.need("plug", EndJson.PLUG, BoardCable::plug);
    Field<BoardCable, Cable> cable = f.need("cable", CABLE, BoardCable::cable);
    Field<BoardCable, Map<Jumper, String>> pins =
        f.usually(
            "pins", Plain.map(Names.WIRE, PinNames.of(PLUG_OF_CABLE)), BoardCable::pins, Map.of());
    f.known(PLUG_OF_CABLE, in -> in.get(plug));
    return f.make(
        in ->
            new BoardCable(
                in.get(name),
                in.get(seat),
                in.get(controls),
                in.get(plug),
                in.get(cable),
                in.get(pins)));
  }

  private static SeatId ofBuild(SeatId seat, Value at) {
    if (!at.scope().get(Around.SEATS).contains(seat)) {
      throw at.misfit("the build has no seat \"" + seat + "\"", "name one that it has");
    }
    return seat;
  }

  private static ControlId ofBuild(ControlId id, Value at) {
    if (!at.scope().get(Around.CONTROLS).contains(id)) {
      throw at.misfit("the build has no control \"" + id + "\"", "name one, or take it out");
    }
    return id;
  }
}
