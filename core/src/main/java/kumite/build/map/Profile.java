package kumite.build.map;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.measure.Check;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * One host with what it asks for and what each contact means to it.
 *
 * @param name what it is called, unique in its seat
 * @param host what it talks to
 * @param functions what the host asks for, in the order it asks
 * @param together pairs of functions that play asks for at the same moment
 * @param choice how it comes to be in force
 * @param keys how many keys at once are told
 * @param base the meanings below all layers
 * @param layers other meanings; of several that are reached the last one counts
 * @param chords contacts that together mean another thing
 * @param opposites what opposite directions give, where the builder chose
 * @param fourWays levers of which only one direction passes at a time
 * @param ramps axes that move to the end that a switch asks for, and do not jump
 */
public record Profile(
    String name,
    Host host,
    List<HostFunction> functions,
    List<Pair> together,
    Choice choice,
    Keys keys,
    Mapping base,
    List<Layer> layers,
    List<Chord> chords,
    Map<Opposed, OppositesRule> opposites,
    Map<ControlId, FourWay> fourWays,
    Map<AxisName, Ramp> ramps) {

  /** What the only profile of a build is called. */
  public static final String USUAL_NAME = "Main";

  /** More layers than this nobody keeps in the head; the device counts them in four bits. */
  public static final int MOST_LAYERS = 15;

  /** More chords than this in one profile is taken for a damaged file. */
  public static final int MOST_CHORDS = 256;

  /** How many keys at once a keyboard report tells. */
  public enum Keys {
    /** Any number: one bit for each key. */
    ALL("any number of keys at once"),
    /** Six and the modifiers, as hosts understand that read no descriptor. */
    SIX("six keys at once");

    private final String words;

    Keys(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  public Profile {
    Check.writable(name, "profile name");
    Objects.requireNonNull(host, "host");
    functions = List.copyOf(functions);
    together = List.copyOf(together);
    Objects.requireNonNull(choice, "choice");
    Objects.requireNonNull(keys, "keys");
    Objects.requireNonNull(base, "base");
    layers = List.copyOf(layers);
    chords = List.copyOf(chords);
    opposites = Collections.unmodifiableMap(inOrder(opposites));
    fourWays = Collections.unmodifiableMap(new TreeMap<>(fourWays));
    ramps = Collections.unmodifiableMap(new TreeMap<>(ramps));
    Pair.check(functions, together);
    checkLayers(layers, chords);
  }

  private static Map<Opposed, OppositesRule> inOrder(Map<Opposed, OppositesRule> rules) {
    Map<Opposed, OppositesRule> sorted =
        new TreeMap<>(java.util.Comparator.comparing(Opposed::text));
    sorted.putAll(rules);
    return sorted;
  }

  private static void checkLayers(List<Layer> layers, List<Chord> chords) {
    if (layers.size() > MOST_LAYERS || chords.size() > MOST_CHORDS) {
      throw new IllegalArgumentException(
          "a profile holds at most "
              + MOST_LAYERS
              + " layers and "
              + MOST_CHORDS
              + " chords, but had "
              + layers.size()
              + " and "
              + chords.size());
    }
    Set<String> names = new HashSet<>(Set.of(Layer.BASE));
    for (Layer layer : layers) {
      if (!names.add(layer.name())) {
        throw new IllegalArgumentException("two layers are called \"" + layer.name() + "\"");
      }
    }
    Set<List<Object>> seen = new HashSet<>();
    for (Chord chord : chords) {
      if (!names.contains(chord.layer())) {
        throw new IllegalArgumentException(
            "chord " + chord.id() + " is on layer \"" + chord.layer() + "\", which there is not");
      }
      if (!seen.add(List.of(chord.layer(), chord.contacts()))) {
        throw new IllegalArgumentException(
            "chord " + chord.id() + " is there twice on layer \"" + chord.layer() + "\"");
      }
    }
  }

  /** {@return a profile that asks for nothing and maps nothing yet} */
  public static Profile empty(String name, Host host) {
    return new Profile(
        name,
        host,
        List.of(),
        List.of(),
        Choice.NONE,
        Keys.ALL,
        Mapping.EMPTY,
        List.of(),
        List.of(),
        Map.of(),
        Map.of(),
        Map.of());
  }

  /** {@return the meanings of a layer, or of the base} */
  public Optional<Mapping> mapping(String layer) {
    return layer.equals(Layer.BASE)
        ? Optional.of(base)
        : layers.stream().filter(l -> l.name().equals(layer)).findFirst().map(Layer::mapping);
  }

  /** {@return what a contact means on a layer, fallen through to the base where it names none} */
  public Optional<Mapping.Entry> meaning(String layer, ContactId contact) {
    return mapping(layer).flatMap(m -> m.of(contact)).or(() -> base.of(contact));
  }

  /** {@return what contacts mean on a layer, with what falls through to the base} */
  public Mapping through(Layer layer) {
    Mapping all = base;
    for (Map.Entry<ContactId, Mapping.Entry> entry : layer.mapping().entries().entrySet()) {
      all = all.with(entry.getKey(), entry.getValue());
    }
    return all;
  }

  /** {@return the layer of that name} */
  public Optional<Layer> layer(String wanted) {
    return layers.stream().filter(l -> l.name().equals(wanted)).findFirst();
  }

  /** {@return the meanings of the base, then those of each layer} */
  public Stream<Mapping> mappings() {
    return Stream.concat(Stream.of(base), layers.stream().map(Layer::mapping));
  }

  /** {@return all meanings that it can give, of all layers and chords} */
  public Stream<Mapping.Entry> entries() {
    return Stream.concat(
        mappings().flatMap(m -> m.entries().values().stream()), chords.stream().map(Chord::entry));
  }

  /** {@return all contacts that it speaks of} */
  public Set<ContactId> contacts() {
    Set<ContactId> named = new TreeSet<>(choice.contacts());
    named.addAll(base.entries().keySet());
    layers.forEach(
        layer -> {
          named.addAll(layer.by());
          named.addAll(layer.mapping().entries().keySet());
        });
    chords.forEach(chord -> named.addAll(chord.contacts()));
    return named;
  }

  /** {@return the same profile under another name} */
  public Profile called(String newName) {
    return new Profile(
        newName, host, functions, together, choice, keys, base, layers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile for another host} */
  public Profile withHost(Host newHost) {
    return new Profile(
        name, newHost, functions, together, choice, keys, base, layers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile asking for other functions; pairs that lost one go} */
  public Profile withFunctions(List<HostFunction> newFunctions) {
    return new Profile(
        name,
        host,
        newFunctions,
        Pair.kept(together, newFunctions),
        choice,
        keys,
        base,
        layers,
        chords,
        opposites,
        fourWays,
        ramps);
  }

  /** {@return the same profile wanting other functions at once} */
  public Profile withTogether(List<Pair> newTogether) {
    return new Profile(
        name,
        host,
        functions,
        newTogether,
        choice,
        keys,
        base,
        layers,
        chords,
        opposites,
        fourWays,
        ramps);
  }

  /** {@return the same profile chosen otherwise} */
  public Profile chosen(Choice newChoice) {
    return new Profile(
        name, host, functions, together, newChoice, keys, base, layers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile telling keys otherwise} */
  public Profile telling(Keys newKeys) {
    return new Profile(
        name, host, functions, together, choice, newKeys, base, layers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile with other meanings below all layers} */
  public Profile withBase(Mapping newBase) {
    return new Profile(
        name, host, functions, together, choice, keys, newBase, layers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile with other layers} */
  public Profile withLayers(List<Layer> newLayers) {
    return new Profile(
        name, host, functions, together, choice, keys, base, newLayers, chords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile with other chords} */
  public Profile withChords(List<Chord> newChords) {
    return new Profile(
        name, host, functions, together, choice, keys, base, layers, newChords, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile with a rule for a pair of directions, or none chosen} */
  public Profile withOpposites(Opposed pair, Optional<OppositesRule> rule) {
    Map<Opposed, OppositesRule> next = inOrder(opposites);
    rule.ifPresentOrElse(r -> next.put(pair, r), () -> next.remove(pair));
    return new Profile(
        name, host, functions, together, choice, keys, base, layers, chords, next, fourWays, ramps);
  }

  /** {@return the same profile with a lever filtered to four ways, or not} */
  public Profile withFourWay(ControlId lever, Optional<FourWay> way) {
    Map<ControlId, FourWay> next = new TreeMap<>(fourWays);
    way.ifPresentOrElse(w -> next.put(lever, w), () -> next.remove(lever));
    return new Profile(
        name, host, functions, together, choice, keys, base, layers, chords, opposites, next,
        ramps);
  }

  /** {@return the same profile with an axis that moves slowly, or jumps} */
  public Profile withRamp(AxisName axis, Optional<Ramp> ramp) {
    Map<AxisName, Ramp> next = new TreeMap<>(ramps);
    ramp.ifPresentOrElse(r -> next.put(axis, r), () -> next.remove(axis));
    return new Profile(
        name, host, functions, together, choice, keys, base, layers, chords, opposites, fourWays,
        next);
  }

  /** {@return the same profile with one layer or the base mapped otherwise} */
  public Profile withMapping(String layer, UnaryOperator<Mapping> change) {
    return layer.equals(Layer.BASE)
        ? withBase(change.apply(base))
        : withLayer(layer, l -> l.withMapping(change));
  }

  /** {@return the same profile with one layer changed; a new name goes along with its chords} */
  public Profile withLayer(String layer, UnaryOperator<Layer> change) {
    List<Layer> next = new ArrayList<>();
    List<Chord> along = new ArrayList<>(chords);
    for (Layer one : layers) {
      Layer changed = one.name().equals(layer) ? change.apply(one) : one;
      next.add(changed);
      along.replaceAll(c -> c.layer().equals(one.name()) ? c.on(changed.name()) : c);
    }
    return new Profile(
        name, host, functions, together, choice, keys, base, next, along, opposites, fourWays,
        ramps);
  }

  /** {@return the same profile without one layer and its chords} */
  public Profile withoutLayer(String layer) {
    return withChords(chords.stream().filter(c -> !c.layer().equals(layer)).toList())
        .withLayers(layers.stream().filter(l -> !l.name().equals(layer)).toList());
  }

  /** {@return the same profile with a chord added, or put in place of the one of its members} */
  public Profile withChord(Chord chord) {
    List<Chord> next = new ArrayList<>(chords);
    next.removeIf(c -> c.layer().equals(chord.layer()) && c.contacts().equals(chord.contacts()));
    next.add(chord);
    return withChords(next);
  }

  /** {@return the same profile without a control; chords that lost a member go} */
  public Profile without(ControlId control) {
    Profile left = this;
    for (ContactId contact : contacts()) {
      if (contact.control().equals(control)) {
        left = left.without(contact);
      }
    }
    for (Opposed pair : opposites.keySet()) {
      if (pair.lever().filter(control::equals).isPresent()) {
        left = left.withOpposites(pair, Optional.empty());
      }
    }
    return left.withFourWay(control, Optional.empty());
  }

  /**
   * {@return the same without one contact: its meanings, its chords, what it reaches or chooses}
   */
  public Profile without(ContactId contact) {
    return withChords(chords.stream().filter(c -> !c.contacts().contains(contact)).toList())
        .withLayers(layers.stream().map(l -> l.without(contact)).toList())
        .withBase(base.without(contact))
        .chosen(choice.without(contact));
  }
}
