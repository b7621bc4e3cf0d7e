package kumite.signal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * What a board's program does to read a pad that talks in frames: it drives lines and takes levels,
 * one after the other, and waits for nothing but time. A board that looks now and then could miss
 * an answer of a few microseconds, so it asks for none.
 *
 * <p>Bits are numbered as they are taken, from 0; low is held.
 *
 * @param steps in their order
 * @param buttons the bit of each button
 * @param axes the first of the eight bits of each axis, the least of them first
 * @param known the bits by which the pad is known: without them nothing of it counts
 * @param pauseNs how long the pad is left alone between two readings, at least
 */
public record Asking(
    List<Step> steps,
    Map<String, Integer> buttons,
    Map<String, Integer> axes,
    Map<Integer, Level> known,
    long pauseNs) {
  /** The bits of one axis. */
  public static final int AXIS_BITS = 8;

  /** One step. */
  public sealed interface Step {
    /** {@return the line that it is about} */
    String line();

    /**
     * Drives a line, which stands for a while before the next step.
     *
     * @param forNs so long, at least
     */
    record Drive(String line, boolean high, long forNs) implements Step {}

    /** Takes the level of a line as the next bit. */
    record Take(String line) implements Step {}
  }

  public Asking {
    steps = List.copyOf(steps);
    buttons = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(buttons));
    axes = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(axes));
    known = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(known));
  }

  /** {@return how many bits are taken} */
  public int bits() {
    return (int) steps.stream().filter(Step.Take.class::isInstance).count();
  }

  /**
   * {@return how long one reading takes, in ns}
   *
   * @param settleNs what the board needs to turn a line, or to read one
   */
  public long takesNs(long settleNs) {
    long ns = 0;
    for (Step step : steps) {
      ns += settleNs * (step instanceof Step.Drive drive ? times(drive.forNs(), settleNs) : 1);
    }
    return ns;
  }

  /**
   * {@return how often a line is driven so that it stands long enough}
   *
   * @param settleNs what one turn takes
   */
  public static int times(long ns, long settleNs) {
    return (int) Math.max(1, (ns + settleNs - 1) / settleNs);
  }

  /**
   * {@return at each how many looks it is read, 1 for all, so that the pad has its pause even where
   * a look is late}
   *
   * @param lookNs from one look to the next
   * @param settleNs what the board needs to turn a line, or to read one
   */
  public int everyLooks(long lookNs, long settleNs) {
    long whole = (pauseNs + takesNs(settleNs) + lookNs - 1) / lookNs;
    return pauseNs == 0 ? 1 : (int) whole + 1;
  }

  /** Steps as they are put down. */
  static final class Draft {
    private final List<Step> steps = new ArrayList<>();
    private final Map<String, Integer> buttons = new LinkedHashMap<>();
    private final Map<String, Integer> axes = new LinkedHashMap<>();
    private final Map<Integer, Level> known = new LinkedHashMap<>();
    private int bits;

    void drive(String line, boolean high, long forNs) {
      steps.add(new Step.Drive(line, high, forNs));
    }

    /** Drives a line for as long as some time of a kind lasts at least. */
    void drive(String line, boolean high, Limits limits) {
      drive(line, high, limits.usualNs());
    }

    /** {@return the number of the bit} */
    int take(String line) {
      steps.add(new Step.Take(line));
      return bits++;
    }

    void button(String name, int bit) {
      if (!name.isEmpty()) {
        buttons.putIfAbsent(name, bit);
      }
    }

    void axis(String name, int first) {
      axes.put(name, first);
    }

    void known(int bit, boolean high) {
      known.put(bit, Level.of(high));
    }

    Asking done(long pauseNs) {
      return new Asking(steps, buttons, axes, known, pauseNs);
    }
  }

  // ---- a board that does so

  /** {@return a board's side, which asks so} */
  Mechanism.Console board(PortKind kind, Side side, Consumer<Reading> told) {
    for (SignalLine line : kind.lines()) {
      if (line.from() == SignalLine.From.CONSOLE) {
        side.drive(line, line.idle());
      }
    }
    return () -> step(kind, side, told, 0, new ArrayList<>());
  }

  private void step(
      PortKind kind, Side side, Consumer<Reading> told, int number, List<Level> taken) {
    for (int i = number; i < steps.size(); i++) {
      Step step = steps.get(i);
      SignalLine line = kind.line(step.line());
      if (step instanceof Step.Drive drive) {
        int next = i + 1;
        side.drive(line, drive.high());
        side.afterNs(drive.forNs(), () -> step(kind, side, told, next, taken));
        return;
      }
      taken.add(side.read(line));
    }
    told.accept(made(side.now(), taken));
  }

  private Reading made(long now, List<Level> taken) {
    boolean there = known.entrySet().stream().allMatch(e -> taken.get(e.getKey()) == e.getValue());
    Map<String, Answer> said = new LinkedHashMap<>();
    buttons.forEach(
        (name, bit) -> said.put(name, there ? Answer.low(taken.get(bit)) : Answer.UNCLEAR));
    Map<String, Double> at = new LinkedHashMap<>();
    axes.forEach(
        (name, first) -> {
          Level[] levels = taken.subList(first, first + AXIS_BITS).toArray(new Level[0]);
          Optional<Integer> value = there ? Bytes.value(levels) : Optional.empty();
          value.ifPresent(v -> at.put(name, v / Bytes.MOST));
        });
    return new Reading(now, said, at, known.isEmpty() ? Answer.UNCLEAR : Answer.of(there));
  }
}
