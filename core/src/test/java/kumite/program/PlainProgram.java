package kumite.program;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.name.ContactId;

/**
 * A second program, written from docs/semantics.md alone, slowly and plainly: every look it goes
 * through all it knows, by names and not by numbers, and shares no code with the first. It knows
 * switches that mean buttons, hats or keys; layers, chords, opposites of the hat and rapid fire.
 */
final class PlainProgram {
  /** One press that is not let go yet. */
  private static final class Press {
    final long since;
    final String layer;
    boolean waits;
    Chord chord;

    Press(long since, String layer, boolean waits) {
      this.since = since;
      this.layer = layer;
      this.waits = waits;
    }
  }

  private final Profile profile;
  private final boolean deferred;
  private final long waitUs;
  private final Map<ContactId, kumite.build.map.Repeat> repeats;
  private final Map<ContactId, Boolean> read = new HashMap<>();
  private final Map<ContactId, Long> readSince = new HashMap<>();
  private final Map<ContactId, Long> countedAt = new HashMap<>();
  private final Set<ContactId> settled = new TreeSet<>();
  private final Set<ContactId> keys = new TreeSet<>();
  private final Set<String> toggled = new TreeSet<>();
  private final Set<String> full = new TreeSet<>();
  private final Map<ContactId, Press> presses = new TreeMap<>();
  private final List<Chord> held = new ArrayList<>();
  private final Map<Object, Long> askedSince = new HashMap<>();
  private final Map<Boolean, List<Integer>> order = new HashMap<>();
  private final Map<Target, Integer> taps = new HashMap<>();
  private final Set<Target> tapping = new java.util.HashSet<>();
  private String layer = Layer.BASE;
  private boolean first = true;
  private Set<Target> on = new java.util.HashSet<>();

  PlainProgram(
      Profile profile,
      boolean deferred,
      long waitUs,
      Map<ContactId, kumite.build.map.Repeat> repeats) {
    this.profile = profile;
    this.deferred = deferred;
    this.waitUs = waitUs;
    this.repeats = repeats;
  }

  /** One look; what it gives is in {@link #told}. */
  void look(long us, Map<ContactId, Boolean> pressed) {
    Set<ContactId> before = new TreeSet<>(settled);
    pressed.forEach((contact, level) -> settle(us, contact, level));
    String layerBefore = layer;
    layers(before);
    chords(us, layerBefore);
    on = given(us);
    first = false;
  }

  private void settle(long us, ContactId contact, boolean level) {
    if (first) {
      read.put(contact, level);
      if (level) {
        settled.add(contact);
      }
      return;
    }
    if (read.getOrDefault(contact, false) != level) {
      read.put(contact, level);
      readSince.put(contact, us);
    }
    if (settled.contains(contact) != level) {
      boolean counts =
          deferred
              ? us - readSince.get(contact) >= waitUs
              : us >= countedAt.getOrDefault(contact, Long.MIN_VALUE / 2) + waitUs;
      if (counts) {
        countedAt.put(contact, us);
        if (level) {
          settled.add(contact);
        } else {
          settled.remove(contact);
        }
      }
    }
  }

  private void layers(Set<ContactId> before) {
    Set<ContactId> fresh = new TreeSet<>(settled);
    fresh.removeAll(before);
    keys.retainAll(settled);
    for (ContactId contact : fresh) {
      boolean reaches = profile.layers().stream().anyMatch(l -> l.by().contains(contact));
      boolean named =
          profile.layer(layer).filter(l -> l.mapping().of(contact).isPresent()).isPresent();
      if (reaches && !named) {
        keys.add(contact);
      }
    }
    layer = Layer.BASE;
    for (Layer one : profile.layers()) {
      boolean all = !one.by().isEmpty() && keys.containsAll(one.by());
      if (one.reach() == Layer.Reach.TOGGLE) {
        if (all && !full.contains(one.name()) && !first) {
          if (!toggled.remove(one.name())) {
            toggled.add(one.name());
          }
        }
        if (toggled.contains(one.name())) {
          layer = one.name();
        }
      } else if (all) {
        layer = one.name();
      }
      if (all) {
        full.add(one.name());
      } else {
        full.remove(one.name());
      }
    }
  }

  /** The chords that count on a layer. */
  private List<Chord> counting(String on) {
    List<Chord> all = new ArrayList<>();
    for (Chord chord : profile.chords()) {
      if (chord.layer().equals(on)) {
        all.add(chord);
      } else if (chord.layer().equals(Layer.BASE)) {
        Layer there = profile.layer(on).orElseThrow();
        boolean hidden =
            chord.contacts().stream().anyMatch(c -> there.mapping().of(c).isPresent())
                || profile.chords().stream()
                    .anyMatch(c -> c.layer().equals(on) && c.contacts().equals(chord.contacts()));
        if (!hidden) {
          all.add(chord);
        }
      }
    }
    return all;
  }

  private void chords(long us, String layerBefore) {
    held.removeIf(chord -> !settled.containsAll(chord.contacts()));
    for (ContactId contact : new ArrayList<>(presses.keySet())) {
      if (!settled.contains(contact)) {
        Press over = presses.remove(contact);
        if (over.waits) {
          profile
              .meaning(over.layer, contact)
              .ifPresent(entry -> taps.merge(entry.target(), 1, Integer::sum));
        }
      }
    }
    for (ContactId contact : settled) {
      if (!presses.containsKey(contact)) {
        String its = keys.contains(contact) ? layerBefore : layer;
        boolean waits =
            counting(its).stream().anyMatch(c -> c.waits() && c.contacts().contains(contact));
        presses.put(contact, new Press(us, its, waits));
      }
    }
    List<Chord> longest = new ArrayList<>(profile.chords());
    longest.sort((a, b) -> b.contacts().size() - a.contacts().size());
    for (Chord chord : longest) {
      if (!held.contains(chord) && complete(chord) && !mayGrow(chord, us)) {
        for (ContactId member : chord.contacts()) {
          held.remove(presses.get(member).chord);
          presses.get(member).chord = chord;
          presses.get(member).waits = false;
        }
        held.add(chord);
      }
    }
    presses.forEach(
        (contact, press) -> {
          long window =
              counting(press.layer).stream()
                  .filter(c -> c.waits() && c.contacts().contains(contact))
                  .mapToLong(c -> 1000L * c.windowMs())
                  .max()
                  .orElse(0);
          press.waits &= us - press.since <= window;
        });
  }

  private boolean complete(Chord chord) {
    List<Press> members = new ArrayList<>();
    for (ContactId contact : chord.contacts()) {
      Press press = presses.get(contact);
      boolean free =
          press != null
              && (press.chord == null || held.contains(press.chord) && inside(press.chord, chord));
      if (!free) {
        return false;
      }
      members.add(press);
    }
    long from = members.stream().mapToLong(p -> p.since).min().orElseThrow();
    long to = members.stream().mapToLong(p -> p.since).max().orElseThrow();
    Press last = members.stream().filter(p -> p.since == to).reduce((a, b) -> b).orElseThrow();
    return to - from <= 1000L * chord.windowMs() && counting(last.layer).contains(chord);
  }

  private static boolean inside(Chord shorter, Chord longer) {
    return longer.contacts().size() > shorter.contacts().size()
        && longer.contacts().containsAll(shorter.contacts());
  }

  private boolean mayGrow(Chord chord, long us) {
    ContactId any = chord.contacts().iterator().next();
    return counting(presses.get(any).layer).stream()
        .filter(longer -> longer.waits() && inside(chord, longer))
        .anyMatch(
            longer ->
                longer.contacts().stream()
                    .map(presses::get)
                    .allMatch(
                        p ->
                            p == null
                                || p.chord == null && us - p.since <= 1000L * longer.windowMs()));
  }

  private Set<Target> given(long us) {
    Map<Object, Target> asks = new java.util.LinkedHashMap<>();
    presses.forEach(
        (contact, press) -> {
          if (press.chord == null && !press.waits) {
            asks.put(
                contact, profile.meaning(press.layer, contact).map(e -> e.target()).orElse(null));
          }
        });
    held.forEach(chord -> asks.put(chord, chord.entry().target()));
    askedSince.keySet().retainAll(asks.keySet());
    asks.keySet().forEach(source -> askedSince.putIfAbsent(source, us));
    for (boolean upright : new boolean[] {false, true}) {
      opposites(asks, upright);
    }
    Set<Target> given = new java.util.HashSet<>();
    asks.forEach(
        (source, target) -> {
          kumite.build.map.Repeat repeat = repeats.get(source);
          boolean off =
              repeat != null
                  && (us - askedSince.get(source)) % (1000L * (repeat.onMs() + repeat.offMs()))
                      >= 1000L * repeat.onMs();
          if (target != null && !off) {
            given.add(target);
          }
        });
    return given;
  }

  /** By the rule where one is chosen; the hat's report gives neither where none is. */
  private void opposites(Map<Object, Target> asks, boolean upright) {
    Target low = new Target.Hat(upright ? Target.Direction.N : Target.Direction.W);
    Target high = new Target.Hat(upright ? Target.Direction.S : Target.Direction.E);
    List<Integer> came = order.computeIfAbsent(upright, u -> new ArrayList<>());
    boolean both = asks.containsValue(low) && asks.containsValue(high);
    if (both && came.isEmpty()) {
      came.add(0); // together, out of nothing
    } else if (both && came.size() == 1 && came.get(0) != 0) {
      came.add(-came.get(0));
    } else if (!both) {
      came.clear();
      if (asks.containsValue(low)) {
        came.add(-1);
      } else if (asks.containsValue(high)) {
        came.add(1);
      }
    }
    OppositesRule rule =
        profile
            .opposites()
            .getOrDefault(new kumite.build.map.Opposed.HatPair(upright), OppositesRule.NEUTRAL);
    if (both) {
      int wins =
          switch (rule) {
            case NEUTRAL -> 0;
            case LOW -> -1;
            case HIGH -> 1;
            case FIRST -> came.get(0);
            case LAST -> -came.get(0);
          };
      asks.values().removeIf(t -> low.equals(t) && wins >= 0 || high.equals(t) && wins <= 0);
    }
  }

  /** The host asks: what is on, with the taps whose turn it is. */
  Set<Target> told() {
    Set<Target> told = new java.util.HashSet<>(on);
    Set<Target> before = new java.util.HashSet<>(tapping);
    tapping.clear();
    for (Target target : new ArrayList<>(taps.keySet())) {
      if (!before.contains(target)) { // else it was on in the report before: now it is off
        told.add(target);
        tapping.add(target);
        taps.merge(target, -1, Integer::sum);
      }
    }
    taps.values().removeIf(left -> left == 0);
    return told;
  }
}
