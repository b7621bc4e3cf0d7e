package kumite.files;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.build.loom.Group;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.build.loom.WireSort;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.kind.WireColour;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.room.Around;

/** The part of the saved file that holds decisions about the wiring. */
final class LoomJson {
  /** The codec of decisions about the wiring. */
  static final Codec<LoomSettings> CODEC = loom().named("loom");

  private LoomJson() {}

  private static Codec<LoomSettings> loom() {
    Fields<LoomSettings> f = new Fields<>();
    Field<LoomSettings, Laying.CommonShape> shape =
        f.need("shape", Plain.word(Laying.CommonShape.class), loom -> loom.laying().shape());
    Field<LoomSettings, Double> slack =
        f.need("slack_mm", Plain.number(Laying.SLACK), loom -> loom.laying().slackMm());
    Field<LoomSettings, Double> loop =
        f.need(
            "service_loop_mm",
            Plain.number(Laying.SERVICE_LOOP),
            loom -> loom.laying().serviceLoopMm());
    Field<LoomSettings, Integer> gauge =
        f.need("gauge_awg", Plain.whole(Laying.GAUGE), loom -> loom.laying().gaugeAwg());
    Field<LoomSettings, Boolean> connector =
        f.need("connector", Plain.TRUTH, loom -> loom.laying().connector());
    Field<LoomSettings, Set<WireColour.Hue>> stock =
        f.need("stock", Plain.constants(WireColour.Hue.class, hue()), loom -> loom.laying().stock())
            .says("colours that there are; empty for all");
    Field<LoomSettings, Map<WireSort.Use, WireSort>> sorts =
        f.usually(
                "wires",
                Plain.map(Plain.word(WireSort.Use.class).as(u -> u, u -> u), sort()),
                loom -> loom.laying().sorts(),
                Map.of())
            .says("wire for signals, grounds or supplies, where it is another one");
    Field<LoomSettings, Map<ContactId, String>> locks =
        f.need("locks", Plain.map(Names.WIRE_OF_CONTACT, Plain.TEXT), LoomSettings::locks)
            .says("contact or wire of a group, and its terminal");
    Field<LoomSettings, Map<ContactId, WireColour>> colours =
        f.need("colours", Plain.map(Names.WIRE_OF_CONTACT, Names.COLOUR), LoomSettings::colours)
            .says("the same, and its colour");
    Field<LoomSettings, List<Group>> groups =
        f.need("groups", Plain.list(group()), LoomSettings::groups);
    Field<LoomSettings, Set<String>> dead =
        f.need("dead", Plain.set(Plain.TEXT), LoomSettings::dead)
            .says("terminals that turned out bad");
    Field<LoomSettings, Set<Jumper>> added =
        f.need("added", Plain.set(Names.WIRE), LoomSettings::added)
            .says("put in by hand, such as horn:NO - board:D9");
    Field<LoomSettings, Set<Jumper>> leftOut =
        f.need("left_out", Plain.set(Names.WIRE), LoomSettings::leftOut)
            .says("wires of the plan that are not there");
    Field<LoomSettings, Set<Jumper>> done =
        f.need("done", Plain.set(Names.WIRE), LoomSettings::done).says("wires that are on");
    f.known(
        Names.GROUPS, in -> in.get(groups).stream().map(Group::name).collect(Collectors.toSet()));
    return f.make(
        in ->
            new LoomSettings(
                new Laying(
                    in.get(shape),
                    in.get(slack),
                    in.get(loop),
                    in.get(gauge),
                    in.get(connector),
                    in.get(stock),
                    in.get(sorts)),
                in.get(locks),
                in.get(colours),
                in.get(groups),
                in.get(dead),
                in.get(added),
                in.get(leftOut),
                in.get(done)));
  }

  private static Codec<WireSort> sort() {
    Fields<WireSort> f = new Fields<>();
    Field<WireSort, Optional<Integer>> gauge =
        f.maybe(
            "gauge_awg",
            Plain.whole(Laying.GAUGE),
            s ->
                s.gaugeAwg().isPresent() ? Optional.of(s.gaugeAwg().getAsInt()) : Optional.empty());
    Field<WireSort, Optional<WireColour.Hue>> colour =
        f.maybe("colour", hue(), WireSort::colour).says("what means this use in your own code");
    Field<WireSort, Set<Integer>> jumpers =
        f.usually(
                "jumpers_mm",
                Plain.sorted(Plain.whole(WireSort.JUMPER)),
                WireSort::jumpersMm,
                Set.of())
            .says("ready jumpers; else wire is cut");
    Field<WireSort, Integer> cores =
        f.usually("cores", Plain.whole(WireSort.CORES), WireSort::cores, 0)
            .says("of the cable that is used");
    return f.make(
        in ->
            new WireSort(
                in.get(gauge).map(OptionalInt::of).orElse(OptionalInt.empty()),
                in.get(colour),
                in.get(jumpers),
                in.get(cores)));
  }

  private static Codec<WireColour.Hue> hue() {
    return Plain.words(List.of(WireColour.Hue.values()), WireColour.Hue::name);
  }

  private static Codec<Group> group() {
    Fields<Group> f = new Fields<>();
    Field<Group, ControlId> name =
        f.need("name", Names.CONTROL.asAt(LoomJson::noControl, id -> id), Group::name);
    Field<Group, Topology> topology =
        f.need(
            "topology",
            Plain.words(Topology.CHOSEN, way -> way.name().toLowerCase(java.util.Locale.ROOT)),
            Group::topology);
    Field<Group, List<ContactId>> contacts =
        f.need("contacts", Plain.list(Names.CONTACT, 1, Integer.MAX_VALUE), Group::contacts);
    return f.make(in -> new Group(in.get(name), in.get(topology), in.get(contacts)));
  }

  private static ControlId noControl(ControlId name, Value at) {
    Collection<ContactId> contacts = at.scope().get(Around.CONTACTS);
    if (contacts.stream().anyMatch(contact -> contact.control().equals(name))) {
      throw at.misfit("\"" + name + "\" is a control", "give the group another name");
    }
    return name;
  }
}
