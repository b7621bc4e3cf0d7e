package kumite.build.loom;

import java.util.Collections;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import kumite.kind.WireColour;
import kumite.measure.Range;

/**
 * The wire that a builder takes for one use, where it is another one than for all else.
 *
 * @param gaugeAwg its size; empty as all else
 * @param colour the colour that means this use in the builder's own code; empty as the plan has it
 * @param jumpersMm lengths of ready jumpers at hand; empty where wire is cut
 * @param cores of the cable that is used for it; 0 for single wires
 */
public record WireSort(
    OptionalInt gaugeAwg, Optional<WireColour.Hue> colour, Set<Integer> jumpersMm, int cores) {
  /** Ready jumpers. */
  public static final Range JUMPER = Range.of(20, 2000, "mm");

  /** Cores of one cable. */
  public static final Range CORES = Range.of(0, 100, "");

  /** As all else. */
  public static final WireSort USUAL =
      new WireSort(OptionalInt.empty(), Optional.empty(), Set.of(), 0);

  /** What a wire is for, as builders sort them. */
  public enum Use {
    SIGNAL,
    GROUND,
    SUPPLY;

    /** {@return its word in files} */
    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  public WireSort {
    gaugeAwg.ifPresent(awg -> Laying.GAUGE.check(awg, "gauge_awg"));
    jumpersMm.forEach(mm -> JUMPER.check(mm, "jumpers_mm"));
    CORES.check(cores, "cores");
    jumpersMm = Collections.unmodifiableSet(new TreeSet<>(jumpersMm));
  }

  /** {@return the shortest ready jumper that reaches so far; empty where none does} */
  public OptionalInt jumper(int mm) {
    return jumpersMm.stream().mapToInt(Integer::intValue).filter(j -> j >= mm).min();
  }

  /** {@return the same in another size; empty as all else} */
  public WireSort withGauge(OptionalInt newGauge) {
    return new WireSort(newGauge, colour, jumpersMm, cores);
  }

  /** {@return the same in a colour of the builder's own code; empty as the plan has it} */
  public WireSort withColour(Optional<WireColour.Hue> newColour) {
    return new WireSort(gaugeAwg, newColour, jumpersMm, cores);
  }

  /** {@return the same from ready jumpers of these lengths; none where wire is cut} */
  public WireSort withJumpers(Set<Integer> newJumpersMm) {
    return new WireSort(gaugeAwg, colour, newJumpersMm, cores);
  }

  /** {@return the same in a cable of so many cores; 0 for single wires} */
  public WireSort withCores(int newCores) {
    return new WireSort(gaugeAwg, colour, jumpersMm, newCores);
  }
}
