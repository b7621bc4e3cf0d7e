package kumite.ringout;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/**
 * What follows from the answers of a ring-out.
 *
 * <p>{@link Facts} hold whatever the cable is like. On top of them each core is taken to have one
 * partner at most, until the facts say otherwise; that is what leaves it so few candidates.
 */
public final class Known {
  private final RingOut ringOut;
  private final Facts facts;
  private final List<BitSet> candidates = new ArrayList<>();
  private final boolean[] whole;
  private final boolean[] taken;

  private Known(RingOut ringOut, Facts facts) {
    this.ringOut = ringOut;
    this.facts = facts;
    this.whole = new boolean[ringOut.near().size()];
    this.taken = new boolean[ringOut.far().size()];
    believe();
  }

  /** {@return what follows from a ring-out's answers} */
  public static Known of(RingOut ringOut) {
    return new Known(ringOut, Facts.of(ringOut));
  }

  /** {@return what holds whatever the cable is like} */
  public Facts facts() {
    return facts;
  }

  /** {@return the ring-out} */
  public RingOut ringOut() {
    return ringOut;
  }

  private void believe() {
    int near = ringOut.near().size();
    int far = ringOut.far().size();
    for (int i = 0; i < near; i++) {
      BitSet set = new BitSet();
      for (int j = 0; j < far; j++) {
        if (!facts.apart(i, near + j)) {
          set.set(j);
        }
      }
      candidates.add(set);
    }
    for (Reading reading : ringOut.readings()) {
      if (reading.beep()) {
        narrowed(reading.one(), reading.other());
        narrowed(reading.other(), reading.one());
      }
    }
    boolean again = true;
    while (again) {
      again = false;
      for (int i = 0; i < near; i++) {
        again |= settle(i);
      }
      if (ringOut.looksFor() == RingOut.Faults.NONE) {
        again |= Forced.in(candidates, far);
      }
    }
    doubt();
  }

  /**
   * A core that beeped goes somewhere: where belief leaves it no place, it is one of the smallest
   * group that it beeped on, as far as the facts allow.
   */
  private void doubt() {
    for (int i = 0; i < candidates.size(); i++) {
      if (whole[i] && candidates.get(i).isEmpty()) {
        Place core = facts.place(i);
        BitSet smallest = candidates.get(i);
        for (Reading reading : ringOut.readings()) {
          BitSet group = new BitSet();
          if (reading.beep() && reading.one().equals(Set.of(core))) {
            group = allowed(i, reading.other());
          } else if (reading.beep() && reading.other().equals(Set.of(core))) {
            group = allowed(i, reading.one());
          }
          boolean less = smallest.isEmpty() || group.cardinality() < smallest.cardinality();
          smallest = !group.isEmpty() && less ? group : smallest;
        }
        candidates.set(i, smallest);
      }
    }
  }

  private BitSet allowed(int core, Set<Place> group) {
    BitSet in = new BitSet();
    for (Place place : group) {
      int j = ringOut.far().indexOf(place.pin());
      if (place.end() == Where.TO && !facts.apart(core, candidates.size() + j)) {
        in.set(j);
      }
    }
    return in;
  }

  /** A core that beeps on a group has its partner there, and is not broken. */
  private void narrowed(Set<Place> one, Set<Place> group) {
    if (one.size() != 1 || group.stream().anyMatch(p -> p.end() == Where.FROM)) {
      return;
    }
    Place place = one.iterator().next();
    if (place.end() != Where.FROM) {
      return;
    }
    int i = ringOut.near().indexOf(place.pin());
    whole[i] = true;
    BitSet in = new BitSet();
    group.forEach(p -> in.set(ringOut.far().indexOf(p.pin())));
    in.and(candidates.get(i));
    if (!in.isEmpty()) {
      candidates.get(i).and(in);
    }
  }

  /** {@return whether anything was learnt} */
  private boolean settle(int i) {
    Optional<Integer> partner = partner(i);
    if (partner.isEmpty()) {
      return false;
    }
    int j = partner.get();
    boolean learnt = candidates.get(i).cardinality() > 1;
    candidates.get(i).clear();
    candidates.get(i).set(j);
    if (taken[j]) {
      return learnt;
    }
    taken[j] = true;
    for (int other = 0; other < candidates.size(); other++) {
      boolean same = facts.same(other, ringOut.near().size() + j);
      if (other != i && !same) {
        candidates.get(other).clear(j);
      }
    }
    return true;
  }

  /** {@return the far place that a core is known to go to, if it is} */
  Optional<Integer> partner(int i) {
    int near = ringOut.near().size();
    for (int j = 0; j < ringOut.far().size(); j++) {
      if (facts.same(i, near + j)) {
        return Optional.of(j);
      }
    }
    boolean sure = whole[i] || ringOut.looksFor() == RingOut.Faults.NONE;
    BitSet set = candidates.get(i);
    return sure && set.cardinality() == 1 ? Optional.of(set.nextSetBit(0)) : Optional.empty();
  }

  /** {@return far places that a core may still go to} */
  BitSet candidates(int i) {
    return candidates.get(i);
  }

  /** {@return whether a core is known to go somewhere} */
  boolean whole(int i) {
    return whole[i] || ringOut.looksFor() == RingOut.Faults.NONE;
  }

  /** {@return whether a core's partner was looked for to the end} */
  boolean searched(int i) {
    return partner(i).isPresent() || candidates.get(i).isEmpty();
  }

  /** {@return the far places that a core is taken to go to, by number} */
  Set<Integer> claims(int i) {
    Set<Integer> claims = new LinkedHashSet<>();
    for (int j = 0; j < ringOut.far().size(); j++) {
      if (facts.same(i, ringOut.near().size() + j)) {
        claims.add(j);
      }
    }
    partner(i).ifPresent(claims::add);
    return claims;
  }

  /** {@return whether nothing is left to ask about a core, nor anything that could deny it} */
  boolean settled(int i) {
    return searched(i) && (!claims(i).isEmpty() || LastRound.undeniable(this, i));
  }

  /** {@return cores of which the partner is still to be found} */
  List<Integer> unsettled() {
    List<Integer> left = new ArrayList<>();
    for (int i = 0; i < candidates.size(); i++) {
      if (!searched(i)) {
        left.add(i);
      }
    }
    return left;
  }

  /** {@return far places that no core is known to go to} */
  int free() {
    int free = 0;
    for (boolean t : taken) {
      free += t ? 0 : 1;
    }
    return free;
  }

  /** The places that could still deny that a core goes nowhere. */
  private List<Integer> untouched(int i) {
    List<Integer> left = new ArrayList<>();
    for (int j = 0; j < ringOut.far().size(); j++) {
      if (!facts.apart(i, ringOut.near().size() + j)) {
        left.add(j);
      }
    }
    return left;
  }

  /** {@return what is known of each core, in order of the near end} */
  public List<Fate> fates() {
    List<Fate> fates = new ArrayList<>();
    for (int i = 0; i < candidates.size(); i++) {
      String name = ringOut.near().get(i);
      List<String> joined = claims(i).stream().map(j -> ringOut.far().get(j)).toList();
      Set<String> touching = new LinkedHashSet<>();
      for (int other = 0; other < candidates.size(); other++) {
        if (other != i && facts.same(i, other)) {
          touching.add(ringOut.near().get(other));
        }
      }
      List<String> may =
          (candidates.get(i).isEmpty() ? untouched(i) : candidates.get(i).stream().boxed().toList())
              .stream().map(j -> ringOut.far().get(j)).toList();
      fates.add(new Fate(name, joined, List.copyOf(touching), may, settled(i)));
    }
    return fates;
  }

  /**
   * What is known of a core.
   *
   * @param near its place at the near end
   * @param far the places that it goes to; more than one where they are joined
   * @param touching other cores that it is joined to
   * @param may the places it may still go to
   * @param settled whether nothing is left to ask about it
   */
  public record Fate(
      String near, List<String> far, List<String> touching, List<String> may, boolean settled) {
    /** {@return whether it goes nowhere} */
    public boolean open() {
      return settled && far.isEmpty();
    }
  }
}
