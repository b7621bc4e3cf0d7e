package kumite.files;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.json.Key;
import kumite.kind.WireColour;
import kumite.lead.Beyond;
import kumite.lead.Cable;
import kumite.lead.ConnectorFile;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Slip;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.ringout.RingOut;
import kumite.room.PartCodec;

/** Leads, and what else a build keeps of them, as JSON. */
public final class LeadJson {
  /** The codec of leads, cables and ring-outs. */
  public static final PartCodec<LeadBook> CODEC =
      new PartCodec<>(
          LeadBook.PART,
          false,
          (top, key, around) -> book(top.object(key), around.seats(), around.controls()),
          book -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            write(book, node);
            return node;
          });

  private enum PartWord {
    SERIES,
    TO_GROUND,
    PULL_UP,
    BRIDGE,
    DIODE,
    BETWEEN,
    DRAIN
  }

  private LeadJson() {}

  // ---- reading

  static LeadBook book(Key key, Set<SeatId> seats, Set<ControlId> controls) {
    List<ConnectorKind> connectors = new ArrayList<>();
    for (Key item : some(key, "connectors")) {
      connectors.add(ConnectorFile.read(item));
    }
    List<Pinout> pinouts = new ArrayList<>();
    for (Key item : some(key, "pinouts")) {
      pinouts.add(ConnectorFile.pinout(item));
    }
    Plugs plugs = Plugs.standard().with(connectors, pinouts);
    List<Lead> leads = new ArrayList<>();
    for (Key item : some(key, "leads")) {
      leads.add(lead(item, plugs));
    }
    List<BoardCable> cables = new ArrayList<>();
    for (Key item : some(key, "cables")) {
      cables.add(cable(item, plugs, seats, controls));
    }
    List<RingOut> ringOuts = new ArrayList<>();
    for (Key item : some(key, "ring_outs")) {
      ringOuts.add(RingOutJson.read(item, plugs));
    }
    return key.whole(() -> new LeadBook(connectors, pinouts, leads, cables, ringOuts));
  }

  private static List<Key> some(Key key, String name) {
    return key.has(name) ? key.objects(name) : List.of();
  }

  /**
   * {@return the lead at a place}
   *
   * @throws kumite.json.Misfit if it is none, or names a connector, pinout or pin that there is not
   */
  static Lead lead(Key key, Plugs plugs) {
    End from = end(key.object("from"), plugs);
    End to = end(key.object("to"), plugs);
    List<Core> cores = new ArrayList<>();
    for (Key item : key.objects("pins")) {
      cores.add(core(item, from, to, plugs));
    }
    List<LeadPart> parts = new ArrayList<>();
    for (Key item : some(key, "parts")) {
      parts.add(part(item, from, to, plugs));
    }
    Cable cable =
        key.maybe("cable").map(LeadJson::cable).orElse(Cable.forCores(Math.max(1, cores.size())));
    List<Slip> slips = new ArrayList<>();
    for (Key item : some(key, "first")) {
      slips.add(
          item.whole(
              () -> new Slip(item.word("end", Where.class), item.word("slip", Slip.Kind.class))));
    }
    return key.whole(
        () -> new Lead(key.text("name", "Lead"), from, to, cores, parts, cable, slips));
  }

  private static End end(Key key, Plugs plugs) {
    if (key.has("board")) {
      return key.whole(
          () -> new End.OfBoard(new SeatId(key.text("board")), key.has("fed") && key.truth("fed")));
    }
    return plug(key, plugs);
  }

  static End.Plug plug(Key key, Plugs plugs) {
    ConnectorKind kind = key.make("connector", () -> plugs.needed(key.text("connector")));
    Optional<String> pinout =
        key.has("pinout") ? Optional.of(key.text("pinout")) : Optional.empty();
    pinout.ifPresent(
        id -> {
          Pinout known = key.make("pinout", () -> plugs.neededPinout(id));
          if (!known.connector().equals(kind.id())) {
            throw key.misfit(
                "pinout",
                "\"" + id + "\" is of " + known.connector() + ", but the connector is " + kind.id(),
                "name a pinout of that shape, or take it out");
          }
        });
    return key.whole(
        () ->
            new End.Plug(
                kind.id(),
                key.has("gender") ? key.word("gender", Gender.class) : kind.padGender(),
                key.has("beyond") ? key.word("beyond", Beyond.class) : Beyond.OPEN,
                pinout,
                key.has("wired")
                    ? Optional.of(key.word("wired", Wired.How.class))
                    : Optional.empty()));
  }

  private static Core core(Key key, End from, End to, Plugs plugs) {
    String one = pin(key, "from", from, plugs);
    String other = pin(key, "to", to, plugs);
    String said = key.text("role", "");
    String plain =
        plugs
            .at(from, one)
            .or(() -> plugs.at(to, other))
            .map(pin -> pin.function().words())
            .orElse("");
    Optional<String> role =
        said.isBlank() || said.equals(plain) ? Optional.empty() : Optional.of(said);
    return key.whole(
        () ->
            new Core(
                one,
                other,
                key.make("colour", () -> WireColour.parse(key.text("colour"))),
                role,
                key.has("shared") && key.truth("shared")));
  }

  private static String pin(Key key, String name, End end, Plugs plugs) {
    String pin = key.text(name);
    plugs
        .connector(end)
        .filter(kind -> !kind.has(pin))
        .ifPresent(
            kind -> {
              throw key.misfit(
                  name,
                  kind.name() + " has no pin \"" + pin + "\"",
                  "its pins are "
                      + kind.names().get(0)
                      + " to "
                      + kind.names().get(kind.pins().size() - 1));
            });
    return pin;
  }

  private static LeadPart part(Key key, End from, End to, Plugs plugs) {
    PartWord kind = key.word("kind", PartWord.class);
    LeadPart part =
        switch (kind) {
          case SERIES ->
              key.make(
                  () ->
                      new LeadPart.Series(
                          pin(key, "from", from, plugs),
                          pin(key, "to", to, plugs),
                          key.number("ohm")));
          case TO_GROUND -> {
            Place at = place(key, from, to, plugs);
            yield key.has("farad")
                ? key.make(() -> new LeadPart.CapacitorToGround(at, key.number("farad")))
                : key.make(() -> new LeadPart.ResistorToGround(at, key.number("ohm")));
          }
          case PULL_UP -> {
            Place at = place(key, from, to, plugs);
            yield key.make(() -> new LeadPart.PullUp(at, key.number("ohm")));
          }
          case BRIDGE -> {
            Place at = place(key, from, to, plugs);
            End end = at.end() == Where.FROM ? from : to;
            yield key.make(() -> new LeadPart.Bridge(at, pin(key, "other", end, plugs)));
          }
          case DIODE ->
              key.make(
                  () ->
                      new LeadPart.Diode(
                          pin(key, "from", from, plugs),
                          pin(key, "to", to, plugs),
                          key.word("band", Where.class)));
          case BETWEEN -> {
            Place at = place(key, from, to, plugs);
            Where there = key.has("other_end") ? key.word("other_end", Where.class) : at.end();
            Place other =
                new Place(there, pin(key, "other", there == Where.FROM ? from : to, plugs));
            yield key.has("farad")
                ? key.make(() -> new LeadPart.CapacitorAcross(at, other, key.number("farad")))
                : key.make(() -> new LeadPart.ResistorAcross(at, other, key.number("ohm")));
          }
          case DRAIN -> new LeadPart.Drain(place(key, from, to, plugs));
        };
    key.done();
    return part;
  }

  private static Place place(Key key, End from, End to, Plugs plugs) {
    Where where = key.word("end", Where.class);
    return new Place(where, pin(key, "pin", where == Where.FROM ? from : to, plugs));
  }

  private static Cable cable(Key key) {
    return key.whole(
        () ->
            new Cable(
                key.integer("cores"),
                key.integer("gauge_awg"),
                key.number("length_mm"),
                key.number("jacket_mm", 0),
                key.has("bought") && key.truth("bought"),
                key.has("shielded") && key.truth("shielded")));
  }

  private static BoardCable cable(
      Key key, Plugs plugs, Set<SeatId> seats, Set<ControlId> controls) {
    SeatId seat = key.make("seat", () -> new SeatId(key.text("seat")));
    if (!seats.contains(seat)) {
      throw key.misfit("seat", "the build has no seat \"" + seat + "\"", "name one that it has");
    }
    Set<ControlId> through = new TreeSet<>();
    for (String text : key.has("controls") ? key.texts("controls") : List.<String>of()) {
      ControlId id = key.make("controls", () -> new ControlId(text));
      if (!controls.contains(id)) {
        throw key.misfit(
            "controls", "the build has no control \"" + text + "\"", "name one, or take it out");
      }
      through.add(id);
    }
    End.Plug plug = plug(key.object("plug"), plugs);
    Cable cable = cable(key.object("cable"));
    Map<Jumper, String> pins = new LinkedHashMap<>();
    key.maybe("pins")
        .ifPresent(
            item ->
                item.members()
                    .keySet()
                    .forEach(
                        wire ->
                            pins.put(
                                item.make(wire, () -> Jumper.parse(wire)),
                                pin(item, wire, plug, plugs))));
    return key.whole(() -> new BoardCable(key.text("name"), seat, through, plug, cable, pins));
  }

  // ---- writing

  static void write(LeadBook book, ObjectNode node) {
    array(node, "connectors", book.connectors(), (a, kind) -> a.add(ConnectorFile.write(kind)));
    array(node, "pinouts", book.pinouts(), (a, pinout) -> a.add(ConnectorFile.write(pinout)));
    array(node, "leads", book.leads(), (a, lead) -> write(lead, a.addObject()));
    array(node, "cables", book.cables(), (a, cable) -> write(cable, a.addObject()));
    array(node, "ring_outs", book.ringOuts(), (a, ring) -> RingOutJson.write(ring, a.addObject()));
  }

  private static <T> void array(
      ObjectNode node,
      String name,
      List<T> items,
      java.util.function.BiConsumer<ArrayNode, T> write) {
    if (!items.isEmpty()) {
      ArrayNode array = node.putArray(name);
      items.forEach(item -> write.accept(array, item));
    }
  }

  static void write(Lead lead, ObjectNode node) {
    node.put("name", lead.name());
    write(lead.from(), node.putObject("from"));
    write(lead.to(), node.putObject("to"));
    ArrayNode pins = node.putArray("pins");
    for (Core core : lead.cores()) {
      ObjectNode item = pins.addObject().put("from", core.from()).put("to", core.to());
      core.role().ifPresent(role -> item.put("role", role));
      item.put("colour", core.colour().code());
      if (core.shared()) {
        item.put("shared", true);
      }
    }
    array(node, "parts", lead.parts(), (a, part) -> write(part, a.addObject()));
    write(lead.cable(), node.putObject("cable"));
    array(
        node,
        "first",
        lead.slips(),
        (a, slip) ->
            a.addObject()
                .put("end", BuildJson.word(slip.end()))
                .put("slip", BuildJson.word(slip.kind())));
  }

  private static void write(End end, ObjectNode node) {
    if (end instanceof End.OfBoard board) {
      node.put("board", board.seat().text());
      if (board.fed()) {
        node.put("fed", true);
      }
    } else if (end instanceof End.Plug plug) {
      write(plug, node);
    }
  }

  static void write(End.Plug plug, ObjectNode node) {
    node.put("connector", plug.connector()).put("gender", BuildJson.word(plug.gender()));
    if (plug.beyond() != Beyond.OPEN) {
      node.put("beyond", BuildJson.word(plug.beyond()));
    }
    plug.pinout().ifPresent(id -> node.put("pinout", id));
    plug.wired().ifPresent(how -> node.put("wired", BuildJson.word(how)));
  }

  private static void write(LeadPart part, ObjectNode node) {
    if (part instanceof LeadPart.Series p) {
      node.put("kind", "series").put("from", p.from()).put("to", p.to());
      BuildJson.number(node, "ohm", p.ohm());
    } else if (part instanceof LeadPart.ResistorToGround p) {
      place(node.put("kind", "to_ground"), p.at());
      BuildJson.number(node, "ohm", p.ohm());
    } else if (part instanceof LeadPart.CapacitorToGround p) {
      place(node.put("kind", "to_ground"), p.at());
      node.put("farad", p.farad());
    } else if (part instanceof LeadPart.PullUp p) {
      place(node.put("kind", "pull_up"), p.at());
      BuildJson.number(node, "ohm", p.ohm());
    } else if (part instanceof LeadPart.Bridge p) {
      place(node.put("kind", "bridge"), p.at());
      node.put("other", p.other());
    } else if (part instanceof LeadPart.Diode p) {
      node.put("kind", "diode").put("from", p.from()).put("to", p.to());
      node.put("band", BuildJson.word(p.band()));
    } else if (part instanceof LeadPart.ResistorAcross p) {
      between(node, p);
      BuildJson.number(node, "ohm", p.ohm());
    } else if (part instanceof LeadPart.CapacitorAcross p) {
      between(node, p);
      node.put("farad", p.farad());
    } else if (part instanceof LeadPart.Drain p) {
      place(node.put("kind", "drain"), p.at());
    }
  }

  private static void between(ObjectNode node, LeadPart.Across part) {
    place(node.put("kind", "between"), part.at());
    node.put("other", part.other().pin());
    if (part.other().end() != part.at().end()) {
      node.put("other_end", BuildJson.word(part.other().end()));
    }
  }

  private static void place(ObjectNode node, Place at) {
    node.put("end", BuildJson.word(at.end())).put("pin", at.pin());
  }

  private static void write(Cable cable, ObjectNode node) {
    node.put("cores", cable.cores()).put("gauge_awg", cable.gaugeAwg());
    BuildJson.number(node, "length_mm", cable.lengthMm());
    if (cable.jacketMm() > 0) {
      BuildJson.number(node, "jacket_mm", cable.jacketMm());
    }
    if (cable.bought()) {
      node.put("bought", true);
    }
    if (cable.shielded()) {
      node.put("shielded", true);
    }
  }

  private static void write(BoardCable cable, ObjectNode node) {
    node.put("name", cable.name()).put("seat", cable.seat().text());
    array(node, "controls", List.copyOf(cable.controls()), (a, control) -> a.add(control.text()));
    write(cable.plug(), node.putObject("plug"));
    write(cable.cable(), node.putObject("cable"));
    if (!cable.pins().isEmpty()) {
      ObjectNode pins = node.putObject("pins");
      cable.pins().forEach((wire, pin) -> pins.put(wire.toString(), pin));
    }
  }
}
