package kumite.program;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import kumite.build.map.AxisTuning;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Repeat;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.ReportLayout;
import kumite.name.ContactId;
import kumite.timing.Debouncer;

/**
 * The program of a board: it is told what each look read, and gives reports.
 *
 * <pre>{@code
 * Program program = Program.of(senses, profile, Tuning.NONE, Timing.USUAL, layout, 4095);
 * program.look(1000, pressed, codes);
 * program.poll((id, bytes) -> host.take(id, bytes));
 * }</pre>
 *
 * <p>Its steps are those of {@code docs/semantics.md}, in that order. Not thread-safe.
 *
 * <p>Longer than most files: the steps of a look stand in the order of docs/semantics.md, which is
 * read beside it, and so do those of the exported program.
 */
public final class Program {
  /** Where reports go. */
  public interface Host {
    /**
     * Takes one report, with its id first where there is one.
     *
     * @return whether it was taken; if not, it counts as not told and is given again
     */
    boolean take(int reportId, byte[] transfer);

    /**
     * What strips show depends on whether anything is given; called where that is new.
     *
     * @param anew at the first poll
     */
    default void shows(boolean gives, boolean anew) {}
  }

  /** What never changes. */
  private record Fixed(
      List<Sense> senses,
      Meanings meanings,
      Timing timing,
      ReportLayout layout,
      Composer composer,
      int codeMost,
      AxisShape[] shapes,
      PressAt[] presses,
      Repeat[] repeats,
      Pulses[] pulses,
      int[] partners,
      boolean[] counts,
      int[] travels,
      boolean chords,
      boolean layers) {}

  private final Fixed fixed;
  private final Debouncer[] debouncers;
  private final boolean[] lastRaw;
  private final boolean[] raw;
  private final boolean[] settled;
  private final int[] smooth;
  private final int[] gray;
  private final int[] counted;
  private final int[] stepped;
  private final int[] taken;
  private final Layers layers;
  private final Chords chords;
  private final Arbiter arbiter;
  private final Taps taps;
  private final Axes axes;
  private final boolean[] asks;
  private final boolean[] asked;
  private final long[] askedUs;
  private final int[] targetOf;
  private final boolean[] on;
  private final Map<Integer, byte[]> sent;
  private boolean[] told;
  private int layer;
  private long lastUs;
  private boolean started;
  private boolean busy;
  private boolean news = true;
  private OptionalInt refused = OptionalInt.empty();
  private Optional<Boolean> shown = Optional.empty();

  private Program(Fixed fixed, Profile profile) {
    this.fixed = fixed;
    int n = fixed.senses.size();
    int sources = n + profile.chords().size();
    List<Optional<ContactId>> contacts = fixed.senses.stream().map(Sense::contact).toList();
    debouncers = new Debouncer[n];
    for (int i = 0; i < n; i++) {
      debouncers[i] = new Debouncer(fixed.timing, false);
    }
    lastRaw = new boolean[n];
    raw = new boolean[n];
    settled = new boolean[n];
    smooth = new int[n];
    gray = new int[n];
    counted = new int[n];
    stepped = new int[fixed.meanings.targets().size()];
    taken = new int[n];
    layers = new Layers(profile.layers(), contacts);
    chords = new Chords(profile, contacts);
    arbiter = Arbiter.of(profile, fixed.meanings, fixed.senses);
    taps = new Taps(fixed.meanings.targets().size());
    axes = new Axes(fixed.meanings.targets(), fixed.layout, profile.ramps());
    asks = new boolean[sources];
    asked = new boolean[sources];
    askedUs = new long[sources];
    targetOf = new int[sources];
    Arrays.fill(targetOf, -1);
    for (int c = 0; c < profile.chords().size(); c++) {
      targetOf[n + c] = fixed.meanings.chords()[c];
    }
    on = new boolean[fixed.meanings.targets().size()];
    told = new boolean[on.length];
    sent = new HashMap<>();
  }

  private Program(Program other) {
    fixed = other.fixed;
    debouncers = new Debouncer[other.debouncers.length];
    for (int i = 0; i < debouncers.length; i++) {
      debouncers[i] = other.debouncers[i].copy();
    }
    lastRaw = other.lastRaw.clone();
    raw = other.raw.clone();
    settled = other.settled.clone();
    smooth = other.smooth.clone();
    gray = other.gray.clone();
    counted = other.counted.clone();
    stepped = other.stepped.clone();
    taken = other.taken.clone();
    layers = other.layers.copy();
    chords = other.chords.copy();
    arbiter = other.arbiter.copy();
    taps = other.taps.copy();
    axes = other.axes.copy();
    asks = other.asks.clone();
    asked = other.asked.clone();
    askedUs = other.askedUs.clone();
    targetOf = other.targetOf.clone();
    on = other.on.clone();
    told = other.told; // never changed, but replaced
    sent = new HashMap<>(other.sent);
    layer = other.layer;
    lastUs = other.lastUs;
    started = other.started;
    busy = other.busy;
    news = other.news;
    refused = other.refused;
    shown = other.shown;
  }

  /**
   * A program that has looked at nothing yet.
   *
   * @param senses what it looks at, in order
   * @param layout where its reports tell what
   * @param codeMost what the converter gives at most, 1 to 65535
   */
  public static Program of(
      List<Sense> senses,
      Profile profile,
      Tuning tuning,
      Timing timing,
      ReportLayout layout,
      int codeMost) {
    Meanings meanings = Meanings.of(profile, senses);
    int n = senses.size();
    AxisShape[] shapes = new AxisShape[n];
    PressAt[] presses = new PressAt[n];
    Repeat[] repeats = new Repeat[n];
    Pulses[] pulses = new Pulses[n];
    int[] partners = new int[n];
    boolean[] counts = new boolean[n];
    Map<ContactId, Integer> places = new HashMap<>();
    for (int i = 0; i < n; i++) {
      int at = i;
      senses.get(i).contact().ifPresent(contact -> places.put(contact, at));
    }
    for (int i = 0; i < n; i++) {
      Optional<ContactId> contact = senses.get(i).contact();
      double rest = senses.get(i).rest();
      shapes[i] =
          new AxisShape(
              contact.map(c -> tuning.axis(c, rest)).orElse(AxisTuning.STRAIGHT), codeMost);
      presses[i] = contact.map(c -> tuning.press(c, rest)).orElse(PressAt.MIDDLE);
      repeats[i] = contact.map(tuning.repeats()::get).orElse(null);
      Optional<Integer> partner = contact.flatMap(Pulses::partner).map(places::get);
      partners[i] = partner.orElse(-1);
      if (partner.isPresent()
          && tuning.pulses().containsKey(contact.get())
          && !senses.get(i).travels()
          && !senses.get(partner.get()).travels()) {
        pulses[i] = tuning.pulses().get(contact.get());
        counts[i] = true;
        counts[partner.get()] = true;
      }
    }
    int[] travels =
        java.util.stream.IntStream.range(0, n).filter(i -> senses.get(i).travels()).toArray();
    return new Program(
        new Fixed(
            List.copyOf(senses),
            meanings,
            timing,
            layout,
            new Composer(layout, meanings.targets()),
            codeMost,
            shapes,
            presses,
            repeats,
            pulses,
            partners,
            counts,
            travels,
            !profile.chords().isEmpty(),
            !profile.layers().isEmpty()),
        profile);
  }

  /**
   * Takes in one look at everything, steps 1 to 11.
   *
   * @param us its time, never before that of the look before
   * @param pressed what each look read; what travels is not looked at here
   * @param codes what the converter gave, for those that travel
   */
  public void look(long us, boolean[] pressed, int[] codes) {
    boolean changed = !started | news(us, pressed, codes);
    if (!changed && !busy && us <= chords.quietUntilUs()) {
      lastUs = us;
      return;
    }
    int before = layer;
    layer = fixed.layers ? layers.look(settled) : 0;
    chords.look(us, settled, layer, before, layers.keys(), this::tapped);
    ask(us);
    give(us);
    travel(us);
    busy = repeating() || axes.sliding(on) || moving();
    lastUs = us;
    started = true;
  }

  /** Steps 2 to 5: {@return whether anything settled otherwise, was turned or travelled}. */
  private boolean news(long us, boolean[] pressed, int[] codes) {
    boolean changed = false;
    System.arraycopy(pressed, 0, raw, 0, raw.length);
    for (int i : fixed.travels) {
      AxisTuning tuning = fixed.shapes[i].tuning();
      int next =
          started
              ? Smoother.next(smooth[i], codes[i], tuning.smoothing())
              : Smoother.rest(codes[i]);
      changed |= next != smooth[i];
      smooth[i] = next;
      raw[i] = Threshold.next(lastRaw[i], Smoother.code(next), fixed.codeMost, fixed.presses[i]);
    }
    for (int i = 0; i < raw.length; i++) {
      if (raw[i] != lastRaw[i] || raw[i] != settled[i]) {
        lastRaw[i] = raw[i];
        boolean was = settled[i];
        if (!fixed.counts[i]) {
          // What is held at power-up is taken at once: there is no edge that could bounce.
          settled[i] = started ? debouncers[i].look(us, raw[i]) : debouncers[i].settle(raw[i]);
        }
        changed |= settled[i] != was;
      }
      if (fixed.pulses[i] != null) {
        changed |= turn(i);
      }
    }
    return changed;
  }

  private boolean turn(int i) {
    int now = Quadrature.state(raw[i], raw[fixed.partners[i]]);
    int count = started ? Quadrature.count(gray[i], now) : 0;
    gray[i] = now;
    counted[i] += fixed.pulses[i].turned() ? -count : count;
    return Math.abs(counted[i]) >= fixed.pulses[i].perStep();
  }

  private void tapped(int contact) {
    taps.add(fixed.meanings.contacts()[chords.layer(contact)][contact]);
  }

  /** Step 7: what contacts and chords ask for. */
  private void ask(long us) {
    int n = fixed.senses.size();
    for (int i = 0; i < n; i++) {
      Chords.Stand stand = chords.stand(i);
      asks[i] = stand == Chords.Stand.OWN;
      if (stand != Chords.Stand.UP) {
        targetOf[i] = fixed.meanings.contacts()[chords.layer(i)][i];
      }
    }
    for (int c = n; c < asks.length; c++) {
      asks[c] = chords.on(c - n);
    }
    for (int source = 0; source < asks.length; source++) {
      if (asks[source] && !asked[source]) {
        askedUs[source] = us;
      }
      asked[source] = asks[source];
    }
  }

  /** Steps 8 and 9: what of that is given. */
  private void give(long us) {
    arbiter.look(asks, targetOf);
    boolean[] before = on.clone();
    Arrays.fill(on, false);
    for (int source = 0; source < asks.length; source++) {
      int target = targetOf[source];
      boolean rapid =
          source < fixed.repeats.length
              && fixed.repeats[source] != null
              && !Rapid.on(fixed.repeats[source], us - askedUs[source]);
      if (asks[source] && !rapid && target >= 0) {
        on[target] = true;
      }
    }
    news |= !Arrays.equals(before, on);
  }

  private boolean repeating() {
    for (int i = 0; i < fixed.repeats.length; i++) {
      if (fixed.repeats[i] != null && asks[i]) {
        return true;
      }
    }
    return false;
  }

  /** Steps 10 and 11: axes, pulses, motion. */
  private void travel(long us) {
    long since = started ? us - lastUs : 0;
    axes.begin();
    int[] before = stepped.clone();
    Arrays.fill(stepped, -1);
    for (int i : fixed.travels) {
      int read = Smoother.code(smooth[i]);
      int code = fixed.shapes[i].taken(read, started ? taken[i] : Integer.MIN_VALUE / 2);
      taken[i] = code;
      int target = fixed.meanings.contacts()[layer][i];
      if (target < 0) {
        continue;
      }
      Target plain = fixed.meanings.targets().get(target).plain();
      if (plain instanceof Target.Axis) {
        axes.put(target, fixed.shapes[i], code);
      } else if (plain instanceof Target.Motion motion) {
        axes.move(
            motion.axis(),
            since * speed(motion.axis()) * fixed.shapes[i].travel(code) / AxisShape.FULL);
      } else if (plain instanceof Target.Steps && fixed.senses.get(i).steps() > 1) {
        stepped[target] = step(read, fixed.senses.get(i).steps());
      }
    }
    for (int i = 0; i < fixed.senses.size(); i++) {
      int target = fixed.meanings.contacts()[layer][i];
      boolean whole =
          target >= 0
              && !fixed.senses.get(i).travels()
              && fixed.pulses[i] == null
              && fixed.meanings.targets().get(target).plain() instanceof Target.Axis;
      if (whole) {
        axes.put(target, on[target]);
      }
      if (fixed.pulses[i] != null) {
        count(i, target);
      }
    }
    for (int t = 0; t < on.length; t++) {
      if (on[t] && fixed.meanings.targets().get(t) instanceof Target.MotionEnd end) {
        axes.move(end.axis(), since * speed(end.axis()) * (end.high() ? 1 : -1));
      }
    }
    axes.end(on, since);
    news |= !Arrays.equals(before, stepped);
  }

  /** {@return in millionths of a dot each us, which is dots a second} */
  private static long speed(Target.MouseAxis axis) {
    return axis == Target.MouseAxis.WHEEL ? Axes.WHEEL_PER_SECOND : Axes.DOTS_PER_SECOND;
  }

  private int step(int code, int steps) {
    return (int) ((2L * code * (steps - 1) + fixed.codeMost) / (2L * fixed.codeMost));
  }

  private void count(int i, int target) {
    Pulses pulses = fixed.pulses[i];
    int steps = counted[i] / pulses.perStep();
    if (steps == 0) {
      return;
    }
    counted[i] -= steps * pulses.perStep();
    Target plain = target < 0 ? null : fixed.meanings.targets().get(target).plain();
    if (plain instanceof Target.Motion motion) {
      axes.move(motion.axis(), 1_000_000L * steps);
    } else if (plain instanceof Target.Axis) {
      axes.step(target, steps, pulses.perTurn(), pulses.perStep());
    } else {
      int source = steps > 0 ? i : fixed.partners[i];
      for (int k = Math.abs(steps); k > 0; k--) {
        taps.add(fixed.meanings.contacts()[layer][source]);
      }
    }
  }

  /** {@return whether the mouse goes on moving though nothing changes} */
  private boolean moving() {
    for (int t = 0; t < on.length; t++) {
      if (on[t] && fixed.meanings.targets().get(t) instanceof Target.MotionEnd) {
        return true;
      }
    }
    for (int i : fixed.travels) {
      int target = fixed.meanings.contacts()[layer][i];
      if (target >= 0
          && fixed.meanings.targets().get(target) instanceof Target.Motion
          && fixed.shapes[i].travel(taken[i]) != 0) {
        return true;
      }
    }
    return false;
  }

  /**
   * The host asks for reports, steps 12 and 13: those that have something new are given, lowest id
   * first. One that is refused ends the poll and comes first at the next; till then taps stay on.
   * Then strips are told, step 14.
   */
  public void poll(Host host) {
    if (!started) {
      return; // nothing is known yet
    }
    tell(host);
    if (!shown.equals(Optional.of(gives()))) {
      boolean anew = shown.isEmpty();
      shown = Optional.of(gives());
      host.shows(gives(), anew);
    }
  }

  /** {@return whether anything is given, which strips are told anew now} */
  public boolean show() {
    shown = Optional.of(gives());
    return gives();
  }

  /** {@return whether anything is given to the host} */
  public boolean gives() {
    for (boolean one : on) {
      if (one) {
        return true;
      }
    }
    return false;
  }

  private void tell(Host host) {
    if (!news && refused.isEmpty() && !taps.any() && !axes.news()) {
      return;
    }
    if (refused.isEmpty()) {
      taps.begin();
      tapMotion();
    }
    boolean[] given = given();
    told = given.clone();
    for (int id : inTurn()) {
      byte[] transfer = fixed.composer.compose(id, given, axes, taps, stepped);
      boolean moves = axes.moves(id);
      if (moves || !Arrays.equals(transfer, sent.get(id))) {
        if (!host.take(id, transfer)) {
          refused = OptionalInt.of(id);
          return;
        }
        axes.sent(id);
        // What the mouse did is told once; what stands is compared without it.
        sent.put(id, moves ? fixed.composer.compose(id, given, axes, taps, stepped) : transfer);
      }
    }
    refused = OptionalInt.empty();
    axes.told();
    news = taps.any();
  }

  /** A tap of a motion is one dot, or one step of the wheel. */
  private void tapMotion() {
    for (int t = 0; taps.any() && t < on.length; t++) {
      if (taps.on(t) && fixed.meanings.targets().get(t) instanceof Target.MotionEnd end) {
        axes.move(end.axis(), end.high() ? Axes.DOT : -Axes.DOT);
      }
    }
  }

  /** All reports, the refused one first. */
  private List<Integer> inTurn() {
    List<Integer> ids = new ArrayList<>(fixed.layout.reportIds());
    if (refused.isPresent()) {
      Collections.rotate(ids, -ids.indexOf(refused.getAsInt()));
    }
    return ids;
  }

  /** The host may have forgotten what it was told: all reports are given again. */
  public void forget() {
    sent.clear();
    news = true;
  }

  /** {@return the meanings that were given at the last poll: what a console is answered} */
  public Set<Target> told() {
    Set<Target> given = new HashSet<>();
    for (int target = 0; target < told.length; target++) {
      if (told[target]) {
        given.add(fixed.meanings.targets().get(target));
      }
    }
    return given;
  }

  private boolean[] given() {
    if (!taps.any()) {
      return on;
    }
    boolean[] given = on.clone();
    for (int target = 0; target < given.length; target++) {
      given[target] |= taps.on(target);
    }
    return given;
  }

  /** {@return the report as it stands, whether it was told or not} */
  public byte[] report(int id) {
    return fixed.composer.compose(id, given(), axes, taps, stepped);
  }

  /** {@return the layer in force: 0 the base, else its number from 1} */
  public int layer() {
    return layer;
  }

  /** {@return whether a look read pressed, before the debounce} */
  public boolean raw(int sense) {
    return lastRaw[sense];
  }

  /** {@return whether a look's code counts as it is} */
  public boolean travels(int sense) {
    return fixed.senses.get(sense).travels();
  }

  /** {@return whether a look has settled as pressed} */
  public boolean settled(int sense) {
    return settled[sense];
  }

  /** {@return where a look stands with the chords} */
  public Chords.Stand stand(int sense) {
    return chords.stand(sense);
  }

  /** {@return whether a contact can come to be told on the layer it was pressed on} */
  public boolean tells(int sense) {
    int target = fixed.meanings.contacts()[chords.layer(sense)][sense];
    return fixed.composer.tells(target)
        || chords.stand(sense) == Chords.Stand.TAKEN
        || fixed.pulses[sense] != null;
  }

  /** {@return whether a chord is held, by its number in the profile} */
  public boolean chord(int chord) {
    return chords.on(chord);
  }

  /** {@return whether anything goes on by itself, though nothing is touched} */
  public boolean busy() {
    return busy
        || refused.isPresent()
        || chords.quietUntilUs() < Long.MAX_VALUE
        || taps.any()
        || axes.news();
  }

  /** {@return another program in the same state} */
  public Program copy() {
    return new Program(this);
  }
}
