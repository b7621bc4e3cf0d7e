package kumite.program;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.name.ContactId;

/**
 * Step 7: what a press asks for: its own meaning, nothing yet, or its part of a chord. Not
 * thread-safe.
 */
public final class Chords {
  /** Where a contact stands. */
  public enum Stand {
    /** Let go. */
    UP,
    /** Pressed, and waiting whether it belongs to a chord. */
    WAITING,
    /** Pressed, and asking for its own meaning. */
    OWN,
    /** Pressed, and part of a chord. */
    TAKEN
  }

  /** The chords of a profile by number, for some contacts. */
  private record Score(
      int[][] members,
      long[] windowUs,
      boolean[] waits,
      boolean[][] available,
      int[] longestFirst,
      int[][] chordsOf) {
    boolean within(int inner, int outer) {
      return members[inner].length < members[outer].length
          && IntStream.of(members[inner])
              .allMatch(i -> IntStream.of(members[outer]).anyMatch(o -> o == i));
    }
  }

  private final Score score;
  private final long[][] waitUs; // by layer and contact; below 0: does not wait
  private final Stand[] stands;
  private final long[] sinceUs;
  private final int[] layers;
  private final int[] takenBy;
  private final boolean[] on;
  private int busy;
  private long quietUntilUs = Long.MAX_VALUE;

  /**
   * All let go.
   *
   * @param contacts in the order of the looks; an empty place for a look without a contact
   */
  public Chords(Profile profile, List<Optional<ContactId>> contacts) {
    List<Chord> chords = profile.chords();
    int layerCount = profile.layers().size() + 1;
    int[][] members = new int[chords.size()][];
    boolean[][] available = new boolean[layerCount][chords.size()];
    for (int c = 0; c < chords.size(); c++) {
      Chord chord = chords.get(c);
      members[c] =
          IntStream.range(0, contacts.size())
              .filter(i -> contacts.get(i).filter(chord.contacts()::contains).isPresent())
              .toArray();
      boolean whole = members[c].length == chord.contacts().size();
      for (int l = 0; l < layerCount; l++) {
        available[l][c] = whole && available(profile, chord, l);
      }
    }
    List<Integer> order = new ArrayList<>(IntStream.range(0, chords.size()).boxed().toList());
    order.sort(Comparator.comparingInt(c -> -members[c].length));
    score =
        new Score(
            members,
            chords.stream().mapToLong(c -> 1000L * c.windowMs()).toArray(),
            waits(chords),
            available,
            order.stream().mapToInt(c -> c).toArray(),
            chordsOf(members, contacts.size()));
    waitUs = new long[layerCount][contacts.size()];
    for (int l = 0; l < layerCount; l++) {
      java.util.Arrays.fill(waitUs[l], -1);
      for (int c = 0; c < chords.size(); c++) {
        for (int i : available[l][c] && score.waits[c] ? members[c] : new int[0]) {
          waitUs[l][i] = Math.max(waitUs[l][i], score.windowUs[c]);
        }
      }
    }
    stands = new Stand[contacts.size()];
    java.util.Arrays.fill(stands, Stand.UP);
    sinceUs = new long[contacts.size()];
    layers = new int[contacts.size()];
    takenBy = new int[contacts.size()];
    on = new boolean[chords.size()];
  }

  private Chords(Chords other) {
    score = other.score;
    waitUs = other.waitUs;
    stands = other.stands.clone();
    sinceUs = other.sinceUs.clone();
    layers = other.layers.clone();
    takenBy = other.takenBy.clone();
    on = other.on.clone();
    busy = other.busy;
    quietUntilUs = other.quietUntilUs;
  }

  private static int[][] chordsOf(int[][] members, int contacts) {
    int[][] of = new int[contacts][];
    for (int i = 0; i < contacts; i++) {
      int contact = i;
      of[i] =
          IntStream.range(0, members.length)
              .filter(c -> IntStream.of(members[c]).anyMatch(m -> m == contact))
              .toArray();
    }
    return of;
  }

  private static boolean[] waits(List<Chord> chords) {
    boolean[] waits = new boolean[chords.size()];
    for (int c = 0; c < waits.length; c++) {
      waits[c] = chords.get(c).waits();
    }
    return waits;
  }

  /**
   * {@return whether a chord counts on a layer: on its own, and one of the base also on a layer
   * that gives none of its members another meaning}
   *
   * @param layer 0 the base, else its number from 1
   */
  public static boolean available(Profile profile, Chord chord, int layer) {
    if (layer == 0) {
      return chord.layer().equals(Layer.BASE);
    }
    Layer there = profile.layers().get(layer - 1);
    if (!chord.layer().equals(Layer.BASE)) {
      return chord.layer().equals(there.name());
    }
    boolean renamed = chord.contacts().stream().anyMatch(c -> there.mapping().of(c).isPresent());
    boolean replaced =
        profile.chords().stream()
            .anyMatch(c -> c.layer().equals(there.name()) && c.contacts().equals(chord.contacts()));
    return !renamed && !replaced;
  }

  /**
   * One look.
   *
   * @param us its time
   * @param pressed the settled state of each contact
   * @param layer the layer in force
   * @param layerOfKeys the layer in force before, which presses that reach a layer belong to
   * @param keys by contact, whether its press reaches a layer
   * @param tapped told of each press that was over before it knew what it was, while {@link #layer}
   *     still says which layer it belonged to
   */
  void look(
      long us, boolean[] pressed, int layer, int layerOfKeys, boolean[] keys, IntConsumer tapped) {
    for (int c = 0; c < on.length; c++) {
      for (int i : on[c] ? score.members[c] : new int[0]) {
        on[c] &= pressed[i];
      }
    }
    for (int i = 0; i < pressed.length; i++) {
      if (!pressed[i] && stands[i] != Stand.UP) {
        if (stands[i] == Stand.WAITING) {
          tapped.accept(i);
          busy--;
        }
        stands[i] = Stand.UP;
      } else if (pressed[i] && stands[i] == Stand.UP) {
        sinceUs[i] = us;
        layers[i] = keys[i] ? layerOfKeys : layer;
        takenBy[i] = -1;
        stands[i] = waitUs[layers[i]][i] >= 0 ? Stand.WAITING : Stand.OWN;
        busy += stands[i] == Stand.WAITING ? 1 : 0;
      }
    }
    for (int c : score.longestFirst) {
      if (!on[c] && complete(c) && !blocked(c, us)) {
        take(c);
      }
    }
    for (int i = 0; busy > 0 && i < stands.length; i++) {
      if (stands[i] == Stand.WAITING && us - sinceUs[i] > waitUs[layers[i]][i]) {
        stands[i] = Stand.OWN;
        busy--;
      }
    }
    quiet(us);
  }

  /** All members are held, pressed within the window, and free or part of a shorter chord. */
  private boolean complete(int c) {
    long from = Long.MAX_VALUE;
    long to = Long.MIN_VALUE;
    int last = 0;
    for (int i : score.members[c]) {
      boolean free =
          stands[i] != Stand.TAKEN
              || takenBy[i] >= 0 && on[takenBy[i]] && score.within(takenBy[i], c);
      if (stands[i] == Stand.UP || !free) {
        return false;
      }
      from = Math.min(from, sinceUs[i]);
      if (sinceUs[i] >= to) {
        to = sinceUs[i];
        last = i;
      }
    }
    return to - from <= score.windowUs[c] && score.available[layers[last]][c];
  }

  /** A longer chord that its members wait for may still come. */
  private boolean blocked(int c, long us) {
    int first = score.members[c][0];
    for (int longer : score.longestFirst) {
      if (score.members[longer].length <= score.members[c].length) {
        return false;
      }
      if (score.waits[longer]
          && score.available[layers[first]][longer]
          && score.within(c, longer)
          && open(longer, us)) {
        return true;
      }
    }
    return false;
  }

  private boolean open(int c, long us) {
    for (int i : score.members[c]) {
      boolean spent =
          stands[i] == Stand.TAKEN || stands[i] != Stand.UP && us - sinceUs[i] > score.windowUs[c];
      if (spent) {
        return false;
      }
    }
    return true;
  }

  private void take(int c) {
    on[c] = true;
    for (int i : score.members[c]) {
      if (stands[i] == Stand.TAKEN) {
        on[takenBy[i]] = false;
      } else if (stands[i] == Stand.WAITING) {
        busy--;
      }
      stands[i] = Stand.TAKEN;
      takenBy[i] = c;
    }
  }

  /**
   * {@return until when nothing comes of itself, that time included: the next window of a press
   * that waits is not over before}
   */
  long quietUntilUs() {
    return quietUntilUs;
  }

  private void quiet(long us) {
    quietUntilUs = Long.MAX_VALUE;
    for (int i = 0; busy > 0 && i < stands.length; i++) {
      for (int c : stands[i] == Stand.WAITING ? score.chordsOf[i] : new int[0]) {
        long over = sinceUs[i] + score.windowUs[c];
        if (over >= us && score.waits[c]) {
          quietUntilUs = Math.min(quietUntilUs, over);
        }
      }
    }
  }

  /** {@return where a contact stands} */
  public Stand stand(int contact) {
    return stands[contact];
  }

  /** {@return the layer that was in force when a contact was pressed} */
  int layer(int contact) {
    return layers[contact];
  }

  /** {@return whether a chord is held} */
  public boolean on(int chord) {
    return on[chord];
  }

  Chords copy() {
    return new Chords(this);
  }
}
