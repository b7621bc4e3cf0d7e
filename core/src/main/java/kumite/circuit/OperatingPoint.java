package kumite.circuit;

import java.util.Collections;
import java.util.List;
import java.util.Map;

/** What a circuit does at rest: solved, or the reason why it cannot be. */
public sealed interface OperatingPoint {

  /**
   * Volts and amps.
   *
   * @param volts at each node against ground
   * @param amps through each part by its letter and name (R1, V1, S1, D1), from its end a to its
   *     end b inside the part; negative for a source that gives current
   * @param steps how many Newton steps it took; 1 for a circuit without diodes
   */
  record Solved(Map<String, Double> volts, Map<String, Double> amps, int steps)
      implements OperatingPoint {
    public Solved {
      volts = Collections.unmodifiableMap(volts);
      amps = Collections.unmodifiableMap(amps);
    }

    /**
     * {@return the volts of a node}
     *
     * @throws IllegalArgumentException if the circuit has no such node
     */
    public double at(String node) {
      if (node.equals(Circuit.GROUND)) {
        return 0;
      }
      Double value = volts.get(node);
      if (value == null) {
        throw new IllegalArgumentException(
            "the circuit has no node \"" + node + "\"; it has " + volts.keySet());
      }
      return value;
    }

    /**
     * {@return the amps through a part, such as {@code R1}}
     *
     * @throws IllegalArgumentException if the circuit has no such part
     */
    public double through(String part) {
      Double value = amps.get(part);
      if (value == null) {
        throw new IllegalArgumentException(
            "the circuit has no part \"" + part + "\"; it has " + amps.keySet());
      }
      return value;
    }
  }

  /**
   * No answer.
   *
   * @param why the kind of fault
   * @param names the nodes or parts it is about
   * @param words what is wrong and what to do, one sentence
   */
  record Unsolved(Why why, List<String> names, String words) implements OperatingPoint {
    public Unsolved {
      names = List.copyOf(names);
    }
  }

  /** Why a circuit has no operating point. */
  enum Why {
    /** Nodes that nothing ties to ground: their volts are anything. */
    FLOATING,
    /** Sources whose ends are joined. */
    SHORTED,
    /** Newton's steps did not come to rest. */
    DIVERGED
  }

  /**
   * {@return the solution}
   *
   * @throws IllegalStateException if there is none; the message says why
   */
  default Solved solved() {
    if (this instanceof Solved done) {
      return done;
    }
    throw new IllegalStateException(((Unsolved) this).words());
  }
}
