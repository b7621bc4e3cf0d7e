package kumite.signal;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SplittableRandom;

/**
 * How fast the sides of a play are: each time as it usually is, or drawn anew between its limits
 * each time.
 */
public final class Tempo {
  private final Map<Timed, Limits> times;
  private final Optional<SplittableRandom> chance;

  private Tempo(Map<Timed, Limits> times, Optional<SplittableRandom> chance) {
    this.times = times;
    this.chance = chance;
  }

  /**
   * The tempo of a kind of port.
   *
   * @param seed draws each time between its limits; empty for the usual times
   */
  public static Tempo of(PortKind kind, OptionalLong seed) {
    Map<Timed, Limits> times = new EnumMap<>(Timed.class);
    times.putAll(kind.times());
    return new Tempo(
        times,
        seed.isPresent() ? Optional.of(new SplittableRandom(seed.getAsLong())) : Optional.empty());
  }

  /** {@return the same at usual times, without chance} */
  public static Tempo usual(PortKind kind) {
    return of(kind, OptionalLong.empty());
  }

  /** {@return a time for this once, in ns} */
  long of(Timed timed) {
    Limits limits = times.get(timed);
    if (limits == null) {
      throw new IllegalArgumentException("the kind has no time " + timed.word());
    }
    return chance.isEmpty() || limits.mostNs() == limits.leastNs()
        ? limits.usualNs()
        : chance.get().nextLong(limits.leastNs(), limits.mostNs() + 1);
  }
}
