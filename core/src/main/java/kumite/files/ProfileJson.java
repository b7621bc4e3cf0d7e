package kumite.files;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.build.map.AxisName;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Ramp;
import kumite.build.map.Target;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * The part of the saved file that holds hosts and meanings. What a profile does not use is not
 * written.
 */
final class ProfileJson {
  private static final String AXES =
      Stream.of(AxisName.values()).map(AxisName::words).collect(Collectors.joining("|"));

  private static final Codec<Target> MEANING =
      Plain.form(
              "^((Pad [2-8] )?(Button \\d{1,3}|Steps \\d{1,3}|Axis ("
                  + AXES
                  + ")[-+]?|Hat [NESW])|Key \\S+|Media \\S+|Mouse [1-8]|(Mouse [XY]|Wheel)[-+]?)$")
          .as(TargetText::parse, TargetText::of)
          .named("meaning");

  private static final Codec<Mapping> MAP =
      Plain.map(Names.CONTACT, entry()).as(Mapping::new, Mapping::entries).named("map");

  /** The codec of a profile. */
  static final Codec<Profile> CODEC = profile().named("profile");

  private ProfileJson() {}

  private static Codec<Profile> profile() {
    Fields<Profile> f = new Fields<>();
    Field<Profile, String> name = f.need("name", Plain.LINE, Profile::name);
    Field<Profile, Host> host = f.need("host", Plain.word(Host.class), Profile::host);
    Field<Profile, Optional<Set<ContactId>>> held =
        combination(f, "held_at_power_up", Choice.Held.class)
            .says("this, or one of the next three, is how it is chosen; the first needs none");
    Field<Profile, Optional<Set<ContactId>>> running =
        combination(f, "held_while_running", Choice.Running.class)
            .says("together for 2 s, then let go; kept over power-off");
    Field<Profile, Optional<ContactId>> closed =
        f.maybe("switch_closed", Names.CONTACT, profile -> switched(profile, true));
    Field<Profile, Optional<ContactId>> open =
        f.maybe("switch_open", Names.CONTACT, profile -> switched(profile, false));
    Field<Profile, Profile.Keys> keys =
        f.usually("keys", Plain.word(Profile.Keys.class), Profile::keys, Profile.Keys.ALL);
    Field<Profile, List<HostFunction>> functions =
        f.need("functions", Plain.list(function()), Profile::functions).says("in the host's order");
    Field<Profile, List<Pair>> together =
        f.need("together", Plain.list(pair()), Profile::together)
            .says("functions wanted at the same moment");
    Field<Profile, Mapping> base = f.need("map", MAP, Profile::base);
    Field<Profile, List<Layer>> layers =
        f.some(
            "layers", Plain.list(layer().named("layer"), 0, Profile.MOST_LAYERS), Profile::layers);
    Field<Profile, List<Chord>> chords =
        f.some(
            "chords", Plain.list(chord().named("chord"), 0, Profile.MOST_CHORDS), Profile::chords);
    Field<Profile, Map<Opposed, OppositesRule>> opposites =
        f.usually(
                "opposites",
                Plain.map(opposed(), Plain.word(OppositesRule.class)),
                Profile::opposites,
                Map.of())
            .says("a pair of directions, and what both at once give");
    Field<Profile, Map<ControlId, FourWay>> fourWays =
        f.usually(
            "four_way",
            Plain.map(Names.CONTROL_WITH_CONTACTS, Plain.word(FourWay.class)),
            Profile::fourWays,
            Map.of());
    Field<Profile, Map<AxisName, Ramp>> ramps =
        f.usually("ramps", Plain.map(axis(), ramp()), Profile::ramps, Map.of());
    return f.make(
        in -> {
          Optional<Choice> choice =
              in.get(held)
                  .<Choice>map(Choice.Held::new)
                  .or(() -> in.get(running).map(Choice.Running::new))
                  .or(() -> in.get(closed).map(contact -> new Choice.Switched(contact, true)))
                  .or(() -> in.get(open).map(contact -> new Choice.Switched(contact, false)));
          if (Stream.of(held, running, closed, open).filter(in::has).count() > 1) {
            throw in.misfit(
                in.has(open) ? open : in.has(closed) ? closed : running,
                "is there beside another way to choose the profile",
                "keep one of them");
          }
          return new Profile(
              in.get(name),
              in.get(host),
              in.get(functions),
              in.get(together),
              choice.orElse(Choice.NONE),
              in.get(keys),
              in.get(base),
              in.get(layers),
              in.get(chords),
              in.get(opposites),
              in.get(fourWays),
              in.get(ramps));
        });
  }

  private static Field<Profile, Optional<Set<ContactId>>> combination(
      Fields<Profile> f, String key, Class<? extends Choice> how) {
    return f.maybe(
        key,
        Plain.once(Names.CONTACT, 1, "contact"),
        profile -> Optional.of(profile.choice()).filter(how::isInstance).map(Choice::contacts));
  }

  private static Optional<ContactId> switched(Profile profile, boolean closed) {
    return profile.choice() instanceof Choice.Switched by && by.closed() == closed
        ? Optional.of(by.contact())
        : Optional.empty();
  }

  private static Codec<HostFunction> function() {
    Fields<HostFunction> f = new Fields<>();
    Field<HostFunction, String> name = f.need("name", Plain.LINE, HostFunction::name);
    Field<HostFunction, HostFunction.Wants> wants =
        f.need("wants", Plain.word(HostFunction.Wants.class), HostFunction::wants);
    return f.make(in -> new HostFunction(in.get(name), in.get(wants)));
  }

  private static Codec<Pair> pair() {
    Fields<Pair> f = new Fields<>();
    Field<Pair, String> one = f.need("one", Plain.LINE, Pair::one);
    Field<Pair, String> other = f.need("other", Plain.LINE, Pair::other);
    return f.make(in -> new Pair(in.get(one), in.get(other)));
  }

  private static Codec<Mapping.Entry> entry() {
    Fields<Mapping.Entry> f = new Fields<>();
    Field<Mapping.Entry, Target> to = f.need("to", MEANING, Mapping.Entry::target);
    Field<Mapping.Entry, String> function =
        f.free("function", Plain.TEXT, Mapping.Entry::function, "").says("what it is called there");
    return f.make(in -> new Mapping.Entry(in.get(to), in.get(function)));
  }

  private static Codec<Layer> layer() {
    Fields<Layer> f = new Fields<>();
    Field<Layer, String> name = f.need("name", Plain.LINE, Layer::name);
    Field<Layer, Layer.Reach> reach = f.need("reach", Plain.word(Layer.Reach.class), Layer::reach);
    Field<Layer, Set<ContactId>> by =
        f.need("by", Plain.once(Names.CONTACT, 0, "contact"), Layer::by);
    Field<Layer, Mapping> map = f.need("map", MAP, Layer::mapping);
    return f.make(in -> new Layer(in.get(name), in.get(reach), in.get(by), in.get(map)));
  }

  private static Codec<Chord> chord() {
    Fields<Chord> f = new Fields<>();
    Field<Chord, String> layer = f.usually("layer", Plain.LINE, Chord::layer, Layer.BASE);
    Field<Chord, Set<ContactId>> contacts =
        f.need("contacts", Plain.once(Names.CONTACT, 2, "contact"), Chord::contacts);
    Field<Chord, Integer> window =
        f.free("window_ms", Plain.whole(Chord.WINDOW), Chord::windowMs, Chord.USUAL_WINDOW_MS);
    Field<Chord, Boolean> waits = f.free("waits", Plain.TRUTH, Chord::waits, true);
    Field<Chord, Target> to = f.need("to", MEANING, chord -> chord.entry().target());
    Field<Chord, String> function =
        f.free("function", Plain.TEXT, chord -> chord.entry().function(), "");
    return f.make(
        in ->
            new Chord(
                in.get(layer),
                in.get(contacts),
                in.get(window),
                in.get(waits),
                new Mapping.Entry(in.get(to), in.get(function))));
  }

  private static Codec<Opposed> opposed() {
    return Plain.form(
            "^(Hat (left right|up down)|Axis ("
                + AXES
                + ")|[a-z][a-z0-9-]{0,39} (left right|up down))$")
        .as(Opposed::parse, Opposed::text)
        .asAt(ProfileJson::ofLeversHere, pair -> pair);
  }

  private static Opposed ofLeversHere(Opposed pair, Value at) {
    pair.lever().ifPresent(lever -> Names.withContacts(lever, at));
    return pair;
  }

  private static Codec<AxisName> axis() {
    Codec<AxisName> words = Plain.words(List.of(AxisName.values()), AxisName::words);
    return Plain.TEXT.as(ProfileJson::axis, AxisName::words).withSchema(words::schema);
  }

  private static AxisName axis(String text) {
    if (TargetText.parse("axis " + text) instanceof Target.Axis whole) {
      return whole.axis();
    }
    throw new IllegalArgumentException("\"" + text + "\" is no axis; write X, Y, Z, Rx, Ry, Rz");
  }

  private static Codec<Ramp> ramp() {
    Fields<Ramp> f = new Fields<>();
    Field<Ramp, Integer> rise = f.need("rise_ms", Plain.whole(Ramp.LASTS), Ramp::riseMs);
    Field<Ramp, Integer> back = f.need("return_ms", Plain.whole(Ramp.LASTS), Ramp::returnMs);
    return f.make(in -> new Ramp(in.get(rise), in.get(back)));
  }
}
