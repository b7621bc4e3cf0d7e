package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import kumite.build.brief.Host;
import kumite.build.map.AxisName;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.ReportLayout;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.program.Program;
import kumite.program.Sense;
import kumite.timing.DelayStudy;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The board's program at 64 contacts with layers and chords, a hundred presses a second; beside it
 * a plain loop over as many contacts that only copies them, the least that a tick can cost. Delay
 * study and descriptor in the same run.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 4, time = 1)
public class ProgramBenchmark {
  private static final int CONTACTS = 64;
  private static final int TICKS = 100_000;

  private Profile profile;
  private List<Sense> senses;
  private ReportLayout layout;
  private boolean[][] hands;
  private List<Target> largest;

  /** Two layers, twelve chords, 64 buttons; hands that move once in ten looks. */
  @Setup
  public void setUp() {
    SplittableRandom random = new SplittableRandom(5);
    Mapping base = Mapping.EMPTY;
    senses = new ArrayList<>();
    for (int i = 0; i < CONTACTS; i++) {
      base = base.with(id(i), new Mapping.Entry(new Target.Button(i + 1), ""));
      senses.add(Sense.press(id(i).toString()));
    }
    profile =
        Profile.empty("P", Host.COMPUTER)
            .withBase(base)
            .withLayers(
                List.of(
                    new Layer("A", Layer.Reach.HOLD, Set.of(id(0)), shifted(base)),
                    new Layer("B", Layer.Reach.TOGGLE, Set.of(id(1)), shifted(base))));
    for (int c = 0; c < 12; c++) {
      profile =
          profile.withChord(
              new Chord(
                  Layer.BASE,
                  Set.of(id(10 + 2 * c), id(11 + 2 * c)),
                  50,
                  c % 2 == 0,
                  new Mapping.Entry(new Target.Button(100 + c), "")));
    }
    layout = ReportLayout.of(profile.entries().map(Mapping.Entry::target).toList(), Map.of(), 4095);
    hands = new boolean[TICKS][];
    boolean[] now = new boolean[CONTACTS];
    for (int t = 0; t < TICKS; t++) {
      if (random.nextInt(10) == 0) {
        now = now.clone();
        now[random.nextInt(CONTACTS)] ^= true;
      }
      hands[t] = now;
    }
    largest = new ArrayList<>();
    for (int i = 1; i <= 128; i++) {
      largest.add(new Target.Button(i));
    }
    for (AxisName axis : AxisName.values()) {
      largest.add(new Target.Axis(axis));
    }
    largest.add(new Target.Hat(Target.Direction.N));
  }

  private static ContactId id(int i) {
    return new ContactId(new ControlId("c" + i), "");
  }

  private static Mapping shifted(Mapping base) {
    Mapping mapping = Mapping.EMPTY;
    for (int i = 2; i < CONTACTS; i += 2) {
      mapping = mapping.with(id(i), new Mapping.Entry(new Target.Button(1 + i), ""));
    }
    return mapping;
  }

  /** A hundred thousand ticks of one microsecond each would be a tenth of a second. */
  @Benchmark
  public int hundredThousandTicks() {
    Program program =
        Program.of(
            senses,
            profile,
            Tuning.NONE,
            new Timing(1000, Timing.Debounce.DEFERRED, 5000, 1000),
            layout,
            4095);
    int[] sent = new int[1];
    int[] codes = new int[CONTACTS];
    for (int t = 0; t < TICKS; t++) {
      program.look(t * 1000L, hands[t], codes);
      program.poll((id, transfer) -> ++sent[0] > 0);
    }
    return sent[0];
  }

  /** The reference: copying as many contacts as often. */
  @Benchmark
  public int hundredThousandCopies() {
    boolean[] settled = new boolean[CONTACTS];
    int changes = 0;
    for (int t = 0; t < TICKS; t++) {
      for (int i = 0; i < CONTACTS; i++) {
        if (settled[i] != hands[t][i]) {
          settled[i] = hands[t][i];
          changes++;
        }
      }
    }
    return changes;
  }

  /** A million presses with bounce. */
  @Benchmark
  public double millionPresses() {
    return DelayStudy.of(Timing.USUAL, 0, java.util.List.of(), 0, 200, 5000, 1_000_000, 3).meanUs();
  }

  /** Layout and descriptor of 128 buttons, eight axes and a hat. */
  @Benchmark
  public int largestLayout() {
    return ReportLayout.of(largest, Map.of(), 4095).descriptor().length;
  }
}
