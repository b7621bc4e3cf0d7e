package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.Seen;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.program.Chords;
import kumite.program.Combinations;
import kumite.program.Program;
import kumite.timing.Bounce;
import org.jspecify.annotations.Nullable;

/**
 * A simulated device that is switched on. Toggled layers stay toggled from one move to the next,
 * and presses that come close together make chords. Not thread-safe.
 *
 * <p>Times are us since power-up; those of a {@link Trace} count from its move.
 *
 * <p>Longer than most files: hands, board and host share one clock, and what it has reached.
 */
public final class Session {
  /** A run that has not come to rest so long after its last edge never will. */
  private static final long LONGEST_US = 2_000_000;

  /** What goes on for ever, such as rapid fire, is followed so long. */
  private static final long GOES_ON_US = 250_000;

  /** One contact on its way from one place to another. */
  private record Moving(double from, double to, Bounce bounce, long startUs) {
    double at(long us) {
      return bounce.turnedAt((int) Math.min(Integer.MAX_VALUE, us - startUs)) ? to : from;
    }

    boolean over(long us) {
      return us - startUs >= bounce.lengthUs();
    }
  }

  /** When a moved contact got where. */
  private static final class Progress {
    long startUs;
    long bounceUs;
    boolean settledBefore;
    int codeBefore;
    boolean pressedBefore;
    OptionalLong seenUs = OptionalLong.empty();
    OptionalLong settledUs = OptionalLong.empty();
    OptionalLong reportedUs = OptionalLong.empty();
  }

  /** No travel: the hand leaves, and the contact goes where it rests. */
  private static final Double LET_GO = -1.0;

  private SimulatedDevice device;
  private final Optional<Inputs> inputs;
  private final SplittableRandom random;
  private final long seed;
  private final List<Look> looks;
  private final Map<ContactId, Integer> places;
  private final Map<Map<ContactId, Double>, Map<Look, Seen>> known;
  private final Map<Map<ContactId, Double>, Boolean> deaths;
  private @Nullable Program program;
  private Combinations combinations;
  private Holds holds;
  private final Map<ContactId, Moving> moving = new LinkedHashMap<>();
  private long nowUs;
  private long scanUs;
  private long pollUs;
  private long edgeUs;

  /** A short holds the board down; without it, it powers up again. */
  private boolean off;

  /** When the host takes nothing, counted from the play's begin. */
  private List<Away> away = List.of();

  private long played;
  private boolean gone;

  private boolean[] pressed;
  private int[] codes;
  private boolean[] late;
  private final Set<ContactId> unsure = new TreeSet<>();

  /** Looks since power-up: pads that need a pause are read at some of them only. */
  private long looked;

  private final int[] every;

  private final Optional<SelfTest.Writer> stream;
  private final boolean answers;
  private final boolean lights;
  private final boolean passed;

  Session(SimulatedDevice device, Holds holds, long seed) {
    this(device, holds, seed, Optional.empty());
  }

  /** A device that also writes its self-test stream. */
  Session(SimulatedDevice device, Holds holds, long seed, Optional<SelfTest.Writer> stream) {
    this.device = device;
    this.stream = stream;
    this.inputs = device.alive();
    this.answers =
        inputs.filter(in -> !device.loom().answered(in.wiring().board()).isEmpty()).isPresent();
    this.lights =
        inputs.filter(in -> !device.loom().strips(in.wiring().board()).isEmpty()).isPresent();
    this.passed =
        inputs
            .filter(in -> in.wiring().board().brain().link() == BoardKind.Link.SERIAL)
            .isPresent();
    this.random = new SplittableRandom(seed);
    this.seed = seed;
    this.looks = inputs.map(in -> in.looks().all()).orElse(List.of());
    this.places = new HashMap<>();
    for (int i = 0; i < looks.size(); i++) {
      int at = i;
      looks.get(i).contact().ifPresent(contact -> places.put(contact, at));
    }
    this.every = every(looks, device.timing().scanUs());
    this.known = new HashMap<>();
    this.deaths = new HashMap<>();
    this.program = device.program().orElse(null);
    this.combinations = combinations(device);
    this.holds = holds;
    pressed = new boolean[looks.size()];
    codes = new int[looks.size()];
    late = new boolean[looks.size()];
    if (program != null) {
      see();
      see(); // registers show the look before
      looked = 0;
      run(restUs(0), t -> {}, (id, transfer) -> true);
    }
  }

  private Session(Session other) {
    device = other.device;
    inputs = other.inputs;
    random = other.random.split();
    seed = other.seed;
    looks = other.looks;
    places = other.places;
    every = other.every;
    known = other.known;
    deaths = other.deaths;
    program = other.program == null ? null : other.program.copy();
    combinations = other.combinations.copy();
    holds = other.holds;
    moving.putAll(other.moving);
    nowUs = other.nowUs;
    scanUs = other.scanUs;
    pollUs = other.pollUs;
    edgeUs = other.edgeUs;
    off = other.off;
    away = other.away;
    played = other.played;
    gone = other.gone;
    pressed = other.pressed.clone();
    codes = other.codes.clone();
    late = other.late.clone();
    looked = other.looked;
    unsure.addAll(other.unsure);
    stream = other.stream;
    answers = other.answers;
    lights = other.lights;
    passed = other.passed;
  }

  /** Pads of a kind are asked alike. */
  private static int[] every(List<Look> looks, int scanUs) {
    Map<String, Integer> byKind = new HashMap<>();
    return looks.stream()
        .mapToInt(
            look ->
                look.how() instanceof Look.Frame frame
                    ? byKind.computeIfAbsent(
                        frame.talk().kind().id(), id -> look.everyLooks(scanUs))
                    : 1)
        .toArray();
  }

  private static Combinations combinations(SimulatedDevice device) {
    return new Combinations(device.profiles(), device.profiles().indexOf(device.profile()));
  }

  /** {@return the profile in force} */
  public Profile profile() {
    return device.profile();
  }

  /** {@return what is held now} */
  public Holds holds() {
    return holds;
  }

  /** {@return the layer in force: 0 the base, else its number in the profile from 1} */
  public int layer() {
    return program == null ? 0 : program.layer();
  }

  /** {@return the reports as they stand} */
  public List<Trace.Report> standing() {
    List<Trace.Report> reports = new ArrayList<>();
    if (program != null && device.heard() && !off) {
      for (int id : device.layout().reportIds()) {
        reports.add(report(0, id, program.report(id)));
      }
    }
    return reports;
  }

  /** {@return the meanings that consoles are answered} */
  public Set<Target> told() {
    return program == null ? Set.of() : program.told();
  }

  /** Looks and reports begin anew somewhere in their periods, as for a press at any time. */
  void anew() {
    scanUs = nowUs + random.nextInt(device.timing().scanUs());
    pollUs = nowUs + random.nextInt(device.timing().pollUs());
  }

  /** Lets time pass; nothing is moved. At most a few seconds of it are lived through. */
  public void pass(long us) {
    long to = nowUs + Math.max(0, us);
    if (program == null) {
      nowUs = to;
      return;
    }
    long skip = to - nowUs - LONGEST_US;
    if (skip > 0) {
      long whole = skip / device.timing().scanUs() * device.timing().scanUs();
      run(nowUs + LONGEST_US, t -> {}, (id, transfer) -> true);
      scanUs += whole;
      pollUs += whole;
      nowUs += whole;
    }
    run(to, t -> {}, (id, transfer) -> true);
  }

  /**
   * Moves the controls now, and follows what comes of it until all rests. Time stays at the move.
   *
   * @return what happened; its reports begin with the state before
   */
  public Trace move(Holds after) {
    return follow(List.of(new Step(0, after)));
  }

  /** Plays a script and follows it to its end. */
  Trace play(Script script, List<Away> absences) {
    away = List.copyOf(absences);
    played = nowUs;
    TreeMap<Long, Map<ContactId, Double>> changes = new TreeMap<>();
    for (Script.Move move : script.moves()) {
      if (move.forUs() > 0) {
        changes
            .computeIfAbsent(move.fromUs() + move.forUs(), t -> new TreeMap<>())
            .putIfAbsent(move.contact(), LET_GO);
      }
    }
    for (Script.Move move : script.moves()) {
      changes
          .computeIfAbsent(move.fromUs(), t -> new TreeMap<>())
          .put(move.contact(), move.travel());
    }
    List<Step> steps = new ArrayList<>();
    Holds now = holds;
    for (Map.Entry<Long, Map<ContactId, Double>> change : changes.entrySet()) {
      for (Map.Entry<ContactId, Double> one : change.getValue().entrySet()) {
        now =
            one.getValue().equals(LET_GO)
                ? now.without(one.getKey())
                : now.with(one.getKey(), one.getValue());
      }
      steps.add(new Step(change.getKey(), now));
    }
    return follow(steps);
  }

  /** What is held from some time on, counted from the first move. */
  private record Step(long us, Holds holds) {}

  private Trace follow(List<Step> steps) {
    List<Trace.Report> reports = new ArrayList<>(standing());
    Map<ContactId, Progress> progress = new LinkedHashMap<>();
    List<Trace.Change> changes = new ArrayList<>();
    List<Trace.Told> told = new ArrayList<>();
    List<Trace.Lit> lit = new ArrayList<>();
    List<Trace.Turn> turns = new ArrayList<>();
    long origin = nowUs;
    answered(origin, origin, told);
    if (lights && program != null && !off) {
      lit.add(new Trace.Lit(0, program.show(), true));
    }
    Session ahead = this;
    for (int i = 0; i < steps.size(); i++) {
      Step step = steps.get(i);
      ahead.runTraced(origin + step.us(), origin, progress, changes, told, lit, turns, reports);
      ahead.shift(step.holds(), progress);
      if (i == 0) {
        ahead = new Session(this); // time stays at the first move; the rest is looked ahead
      }
    }
    if (program == null) {
      return new Trace(hops(progress, origin), reports, changes, told, lit, turns, 0);
    }
    long end = ahead.restUs(ahead.edgeUs);
    ahead.runTraced(end, origin, progress, changes, told, lit, turns, reports);
    long most = end + GOES_ON_US;
    while (ahead.program.busy() && ahead.nowUs < most) {
      ahead.runTraced(
          Math.min(most, ahead.nowUs + device.timing().pollUs()),
          origin,
          progress,
          changes,
          told,
          lit,
          turns,
          reports);
    }
    long last = reports.isEmpty() ? 0 : reports.get(reports.size() - 1).us();
    return new Trace(
        hops(progress, origin),
        reports,
        changes,
        told,
        lit,
        turns,
        Math.max(last, ahead.edgeUs - origin));
  }

  private static Map<ContactId, Trace.Hops> hops(Map<ContactId, Progress> progress, long origin) {
    Map<ContactId, Trace.Hops> hops = new HashMap<>();
    progress.forEach(
        (id, p) ->
            hops.put(
                id,
                new Trace.Hops(
                    p.startUs - origin + p.bounceUs, p.seenUs, p.settledUs, p.reportedUs)));
    return hops;
  }

  /** Hands move: each contact that changes its place begins to bounce. */
  private void shift(Holds after, Map<ContactId, Progress> progress) {
    for (ContactSite site : device.loom().sites()) {
      double from = holds.over(this::rest).applyAsDouble(site.id());
      double to = after.over(this::rest).applyAsDouble(site.id());
      if (from == to) {
        continue;
      }
      ControlKind.Bounce range = site.kind().bounce();
      Bounce bounce =
          site.contact().type().analog()
              ? Bounce.clean()
              : Bounce.drawn(range.leastUs(), range.mostUs(), random);
      Progress p = new Progress();
      p.startUs = nowUs;
      p.bounceUs = bounce.lengthUs();
      Optional.ofNullable(places.get(site.id()))
          .ifPresent(
              i -> {
                p.settledBefore = program.settled(i);
                p.pressedBefore = pressed[i];
                p.codeBefore = codes[i];
              });
      progress.putIfAbsent(site.id(), p);
      moving.put(site.id(), new Moving(from, to, bounce, nowUs));
      edgeUs = Math.max(edgeUs, nowUs + bounce.lengthUs());
    }
    holds = after;
  }

  /** After the last edge: one look, the wait, a look to see that it is over, and one report. */
  private long restUs(long lastEdge) {
    return lastEdge
        + Math.min(
            LONGEST_US,
            device.timing().waitUs() * 2L
                + device.timing().scanUs() * 4L
                + device.timing().pollUs()
                + device.longestWindowUs());
  }

  private interface Watch {
    void looked(long us);

    /** The board took another profile. */
    default void turned(long us) {}
  }

  private void runTraced(
      long to,
      long origin,
      Map<ContactId, Progress> progress,
      List<Trace.Change> changes,
      List<Trace.Told> told,
      List<Trace.Lit> lit,
      List<Trace.Turn> turns,
      List<Trace.Report> reports) {
    if (program == null) {
      nowUs = to;
      return;
    }
    run(
        to,
        new Watch() {
          @Override
          public void looked(long us) {
            if (us >= 0) {
              if (!off) {
                note(us, origin, progress);
              }
              changed(us - origin, changes);
            } else if (!gone) {
              told(-us, origin, progress);
            }
            if (us < 0) {
              answered(-us, origin, told);
            }
          }

          @Override
          public void turned(long us) {
            turns.add(new Trace.Turn(us - origin, device.profile().name()));
          }
        },
        new Program.Host() {
          @Override
          public boolean take(int id, byte[] transfer) {
            if (device.heard()) {
              reports.add(report(pollUs - origin, id, transfer));
            }
            return true;
          }

          @Override
          public void shows(boolean gives, boolean anew) {
            if (lights) {
              lit.add(new Trace.Lit(pollUs - origin, gives, anew));
            }
          }
        });
  }

  /** Notes what consoles are answered, where that changed. */
  private void answered(long us, long origin, List<Trace.Told> told) {
    if (program == null || !answers) {
      return;
    }
    Trace.Told now = new Trace.Told(us - origin, program.told());
    if (told.isEmpty() || !told.get(told.size() - 1).on().equals(now.on())) {
      told.add(now);
    }
  }

  /**
   * Looks and reports until some time.
   *
   * @param watch told the time of each look; after a poll, its time below 0
   */
  private void run(long toUs, Watch watch, Program.Host host) {
    while (Math.min(scanUs, pollUs) <= toUs) {
      if (scanUs <= pollUs) {
        nowUs = scanUs;
        see();
        if (!off) {
          program.look(scanUs, pressed, codes);
          stream.ifPresent(this::write);
        }
        watch.looked(scanUs);
        if (!off) {
          turn(watch);
        }
        scanUs += device.timing().scanUs();
      } else {
        nowUs = pollUs;
        boolean was = gone;
        gone = away.stream().anyMatch(one -> one.holds(pollUs - played));
        if (!off) {
          if (was && !gone) {
            program.forget();
          }
          // While no host is there, a console is the only one, and is told all the same; so is a
          // board that passes reports on, which knows of the host what this one does not.
          boolean alone = gone && (answers || passed);
          program.poll(
              new Program.Host() {
                @Override
                public boolean take(int id, byte[] transfer) {
                  return alone || !gone && host.take(id, transfer);
                }

                @Override
                public void shows(boolean gives, boolean anew) {
                  host.shows(gives, anew);
                }
              });
          watch.looked(-pollUs);
        }
        pollUs += device.timing().pollUs();
      }
    }
    nowUs = Math.max(nowUs, toUs);
  }

  /** The board keeps a profile that was chosen, and begins anew with it at its next look. */
  private void turn(Watch watch) {
    OptionalInt chosen =
        combinations.look(
            scanUs,
            contact ->
                Optional.ofNullable(places.get(contact)).filter(program::settled).isPresent());
    if (chosen.isPresent()) {
      device = device.taking(device.profiles().get(chosen.getAsInt()));
      program = device.program().orElseThrow();
      combinations = combinations(device);
      watch.turned(scanUs);
    }
  }

  private void write(SelfTest.Writer out) {
    int n = looks.size();
    Boolean[] raw = new Boolean[n];
    Boolean[] settled = new Boolean[n];
    List<Integer> travels = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      raw[i] = program.raw(i);
      settled[i] = program.settled(i);
      if (program.travels(i)) {
        travels.add(codes[i]);
      }
    }
    out.look(scanUs, raw, settled, travels.toArray(new Integer[0]));
  }

  /** What each look reads now; each set of places is solved once. */
  private void see() {
    Map<ContactId, Double> now = new TreeMap<>(holds.travel());
    moving.forEach((id, m) -> now.put(id, m.at(nowUs)));
    moving.values().removeIf(m -> m.over(nowUs));
    now.entrySet().removeIf(entry -> entry.getValue() == rest(entry.getKey()));
    boolean dies = deaths.computeIfAbsent(now, held -> inputs.orElseThrow().dies(at(held)));
    if (dies) {
      off = true;
      return;
    }
    if (off) {
      off = false;
      program = device.program().orElseThrow();
      combinations = combinations(device);
      looked = 0;
    }
    Map<Look, Seen> seen = known.computeIfAbsent(now, held -> inputs.orElseThrow().see(at(held)));
    Set<ContactId> before = unsure.isEmpty() ? Set.of() : Set.copyOf(unsure);
    unsure.clear();
    int off = device.noise().at(nowUs, seed);
    for (int i = 0; i < looks.size(); i++) {
      if (looked % every[i] != 0) {
        looks.get(i).contact().filter(before::contains).ifPresent(unsure::add);
        continue; // what it said last stands
      }
      Seen one = seen.get(looks.get(i));
      if (one.reading() == InputLevels.Reading.UNDEFINED) {
        looks.get(i).contact().ifPresent(unsure::add);
      }
      // Registers are loaded after their bits were shifted out: they show the look before. Pads are
      // latched and clocked out at once.
      boolean register = looks.get(i).how() instanceof Look.Bit bit && !bit.ofPad();
      pressed[i] = register ? late[i] : one.pressed();
      late[i] = one.pressed();
      codes[i] = one.code();
      if (off != 0 && looks.get(i).measured() && !looks.get(i).heard()) {
        noisy(i, off);
      }
    }
    looked++;
  }

  private void noisy(int i, int off) {
    int bits = inputs.orElseThrow().wiring().board().adcBits();
    codes[i] = Math.max(0, Math.min((1 << bits) - 1, codes[i] + off));
    if (looks.get(i).how() instanceof Look.Step step) {
      pressed[i] = step.at(codes[i], bits);
    }
  }

  private ToDoubleFunction<ContactId> at(Map<ContactId, Double> held) {
    return new Holds(held).over(this::rest);
  }

  private double rest(ContactId contact) {
    return inputs.map(all -> all.rest(contact)).orElse(0.0);
  }

  /** {@return whether a short holds the board down now} */
  public boolean off() {
    return off;
  }

  private void note(long us, long origin, Map<ContactId, Progress> progress) {
    progress.forEach(
        (id, p) ->
            Optional.ofNullable(places.get(id))
                .ifPresent(
                    i -> {
                      Look look = looks.get(i);
                      boolean travels = look.travels();
                      boolean moved =
                          travels ? codes[i] != p.codeBefore : pressed[i] != p.pressedBefore;
                      boolean settled = travels ? moved : program.settled(i) != p.settledBefore;
                      if (p.seenUs.isEmpty() && moved) {
                        p.seenUs = OptionalLong.of(us - origin);
                      }
                      if (p.settledUs.isEmpty() && settled) {
                        p.settledUs = OptionalLong.of(us - origin);
                      }
                    }));
  }

  private void told(long us, long origin, Map<ContactId, Progress> progress) {
    if (!device.heard()) {
      return;
    }
    progress.forEach(
        (id, p) -> {
          boolean known =
              p.settledUs.isPresent()
                  && p.reportedUs.isEmpty()
                  && Optional.ofNullable(places.get(id))
                      .filter(i -> program.tells(i))
                      .filter(i -> program.stand(i) != Chords.Stand.WAITING)
                      .isPresent();
          if (known) {
            p.reportedUs = OptionalLong.of(us - origin);
          }
        });
  }

  /** Notes which contacts, which chords and which layer the program knows, where that changed. */
  private void changed(long us, List<Trace.Change> changes) {
    TreeSet<ContactId> settled = new TreeSet<>();
    for (int i = 0; i < looks.size() && !off; i++) {
      if (program.settled(i)) {
        looks.get(i).contact().ifPresent(settled::add);
      }
    }
    TreeSet<String> chords = new TreeSet<>();
    for (int c = 0; c < device.profile().chords().size() && !off; c++) {
      if (program.chord(c)) {
        chords.add(device.profile().chords().get(c).id());
      }
    }
    Trace.Change now =
        new Trace.Change(
            us, off ? 0 : program.layer(), settled, chords, off ? Set.of() : unsure, off);
    if (changes.isEmpty() || !changes.get(changes.size() - 1).same(now)) {
      changes.add(now);
    }
  }

  private static Trace.Report report(long us, int id, byte[] transfer) {
    List<Integer> bytes = new ArrayList<>(transfer.length);
    for (byte b : transfer) {
      bytes.add(b & 0xFF);
    }
    return new Trace.Report(us, id, bytes);
  }
}
