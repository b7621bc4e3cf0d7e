package kumite.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;
import org.jspecify.annotations.Nullable;

/**
 * Modified nodal analysis with Newton steps.
 *
 * <p>Nodes and source currents are the unknowns (Ho, Ruehli and Brennan, "The modified nodal
 * approach to network analysis", IEEE Transactions on Circuits and Systems 22 (1975), from memory).
 * Diodes are put in as conductance and current source at the last step's volts; the step of a
 * junction is limited in the way of circuit simulators (Nagel, "SPICE2", 1975, from memory). Each
 * junction has {@value #GMIN} siemens across it, so that one that blocks does not cut its node off.
 */
final class Solver {
  static final double GMIN = 1e-12;
  private static final int MOST_STEPS = 200;
  private static final double ABSOLUTE_VOLTS = 1e-9;
  private static final double RELATIVE = 1e-9;

  /** Past so many steps rounding is what still moves: large and small ohms on one node. */
  private static final int FINE_STEPS = 50;

  private static final double ROUNDING_VOLTS = 1e-6;

  private final Circuit circuit;
  private final Map<String, Integer> index = new HashMap<>();
  private final List<Element.Source> sources = new ArrayList<>();
  private final List<Junction> junctions = new ArrayList<>();
  private int size;

  /** A diode's junction, behind its series resistance. */
  private static final class Junction {
    final Element.Diode diode;
    final int anode;
    final int inner;
    final int cathode;
    final double scaleVolts;
    final double criticalVolts;
    double volts;

    Junction(Element.Diode diode, int anode, int inner, int cathode) {
      this.diode = diode;
      this.anode = anode;
      this.inner = inner;
      this.cathode = cathode;
      scaleVolts = diode.model().emission() * Element.Model.THERMAL_VOLTS;
      criticalVolts =
          scaleVolts * Math.log(scaleVolts / (Math.sqrt(2) * diode.model().saturationAmps()));
      volts = criticalVolts;
    }

    double amps() {
      return diode.model().saturationAmps() * Math.expm1(volts / scaleVolts) + GMIN * volts;
    }

    double siemens() {
      return diode.model().saturationAmps() / scaleVolts * Math.exp(volts / scaleVolts) + GMIN;
    }

    /** Takes the new volts, but no further up the exponential than its logarithm allows. */
    void step(double wanted) {
      if (wanted > criticalVolts && Math.abs(wanted - volts) > 2 * scaleVolts) {
        double ratio = 1 + (wanted - volts) / scaleVolts;
        volts =
            volts <= 0
                ? scaleVolts * Math.log(wanted / scaleVolts)
                : ratio > 0 ? volts + scaleVolts * Math.log(ratio) : criticalVolts;
      } else {
        volts = wanted;
      }
    }
  }

  private Solver(Circuit circuit) {
    this.circuit = circuit;
    index.put(Circuit.GROUND, -1);
    for (Element element : circuit.elements()) {
      node(element.a());
      node(element.b());
    }
    for (Element element : circuit.elements()) {
      if (element instanceof Element.Source source) {
        sources.add(source);
      } else if (element instanceof Element.Diode diode) {
        int anode = index.get(diode.a());
        int inner = diode.model().seriesOhm() > 0 ? size++ : anode;
        junctions.add(new Junction(diode, anode, inner, index.get(diode.b())));
      }
    }
  }

  private void node(String name) {
    if (!index.containsKey(name)) {
      index.put(name, size++);
    }
  }

  static OperatingPoint solve(Circuit circuit) {
    Solver solver = new Solver(circuit);
    OperatingPoint.Unsolved fault = solver.fault();
    return fault != null ? fault : solver.run();
  }

  // ---- faults that no volts can be given for

  /** {@return why it cannot be solved; null, within this class only, where it can} */
  private OperatingPoint.@Nullable Unsolved fault() {
    int[] loops = roots();
    for (Element.Source source : sources) {
      if (!join(loops, index.get(source.a()), index.get(source.b()))) {
        return new OperatingPoint.Unsolved(
            OperatingPoint.Why.SHORTED,
            List.of(source.name()),
            "Source "
                + source.name()
                + " is shorted: its ends are joined by a wire or by other sources; take one out");
      }
    }
    int[] tied = roots();
    for (Element element : circuit.elements()) {
      boolean open = element instanceof Element.Switch contact && !contact.closed();
      if (!open) {
        join(tied, index.get(element.a()), index.get(element.b()));
      }
    }
    List<String> floating =
        circuit.nodes().stream()
            .filter(node -> root(tied, index.get(node) + 1) != root(tied, 0))
            .toList();
    return floating.isEmpty()
        ? null
        : new OperatingPoint.Unsolved(
            OperatingPoint.Why.FLOATING,
            floating,
            "Nothing ties "
                + String.join(", ", floating)
                + " to ground: the volts there can be anything; add a pull resistor or a ground");
  }

  private int[] roots() {
    int[] roots = new int[size + 1]; // position 0 is ground
    for (int i = 0; i < roots.length; i++) {
      roots[i] = i;
    }
    return roots;
  }

  private static int root(int[] roots, int at) {
    int place = at;
    while (roots[place] != place) {
      place = roots[place];
    }
    return place;
  }

  /** {@return whether the two were apart before} */
  private static boolean join(int[] roots, int a, int b) {
    int one = root(roots, a + 1);
    int other = root(roots, b + 1);
    roots[Math.max(one, other)] = Math.min(one, other);
    return one != other;
  }

  // ---- Newton

  private OperatingPoint run() {
    int unknowns = size + sources.size();
    if (unknowns == 0) {
      return new OperatingPoint.Solved(Map.of(), Map.of(), 0);
    }
    DMatrixRMaj fixed = new DMatrixRMaj(unknowns, unknowns);
    DMatrixRMaj fixedRight = new DMatrixRMaj(unknowns, 1);
    stampFixed(fixed, fixedRight);
    LinearSolverDense<DMatrixRMaj> lu = LinearSolverFactory_DDRM.lu(unknowns);
    DMatrixRMaj matrix = fixed.copy();
    DMatrixRMaj right = fixedRight.copy();
    DMatrixRMaj x = new DMatrixRMaj(unknowns, 1);
    DMatrixRMaj before = new DMatrixRMaj(unknowns, 1);
    for (int step = 1; step <= MOST_STEPS; step++) {
      matrix.setTo(fixed);
      right.setTo(fixedRight);
      for (Junction junction : junctions) {
        double siemens = junction.siemens();
        double excess = junction.amps() - siemens * junction.volts;
        conductance(matrix, junction.inner, junction.cathode, siemens);
        current(right, junction.inner, junction.cathode, excess);
      }
      if (!lu.setA(matrix)) {
        return diverged();
      }
      lu.solve(right, x);
      boolean settled = step > 1 || junctions.isEmpty();
      double near = step > FINE_STEPS ? ROUNDING_VOLTS : ABSOLUTE_VOLTS;
      for (Junction junction : junctions) {
        double wanted = volts(x, junction.inner) - volts(x, junction.cathode);
        settled &= Math.abs(wanted - junction.volts) <= near + RELATIVE * Math.abs(wanted);
        junction.step(wanted);
      }
      for (int i = 0; i < size && settled; i++) {
        settled =
            junctions.isEmpty()
                || Math.abs(x.data[i] - before.data[i]) <= near + RELATIVE * Math.abs(x.data[i]);
      }
      if (settled) {
        return solved(x, step);
      }
      before.setTo(x);
    }
    return diverged();
  }

  private OperatingPoint diverged() {
    return new OperatingPoint.Unsolved(
        OperatingPoint.Why.DIVERGED,
        junctions.stream().map(j -> j.diode.name()).toList(),
        "The volts did not come to rest in "
            + MOST_STEPS
            + " steps; look for a diode across a source without a resistor");
  }

  private void stampFixed(DMatrixRMaj matrix, DMatrixRMaj right) {
    for (Element element : circuit.elements()) {
      int a = index.get(element.a());
      int b = index.get(element.b());
      if (element instanceof Element.Resistor resistor) {
        conductance(matrix, a, b, 1 / resistor.ohm());
      } else if (element instanceof Element.Switch contact && contact.closed()) {
        conductance(matrix, a, b, 1 / contact.ohm());
      }
    }
    for (Junction junction : junctions) {
      if (junction.inner != junction.anode) {
        conductance(matrix, junction.anode, junction.inner, 1 / junction.diode.model().seriesOhm());
      }
    }
    for (int i = 0; i < sources.size(); i++) {
      int row = size + i;
      place(matrix, row, index.get(sources.get(i).a()), 1);
      place(matrix, row, index.get(sources.get(i).b()), -1);
      right.data[row] = sources.get(i).volts();
    }
  }

  private static void place(DMatrixRMaj matrix, int row, int node, double sign) {
    if (node >= 0) {
      matrix.add(row, node, sign);
      matrix.add(node, row, sign);
    }
  }

  private static void conductance(DMatrixRMaj matrix, int a, int b, double siemens) {
    if (a >= 0) {
      matrix.add(a, a, siemens);
    }
    if (b >= 0) {
      matrix.add(b, b, siemens);
    }
    if (a >= 0 && b >= 0) {
      matrix.add(a, b, -siemens);
      matrix.add(b, a, -siemens);
    }
  }

  private static void current(DMatrixRMaj right, int from, int to, double amps) {
    if (from >= 0) {
      right.data[from] -= amps;
    }
    if (to >= 0) {
      right.data[to] += amps;
    }
  }

  private static double volts(DMatrixRMaj x, int node) {
    return node < 0 ? 0 : x.data[node];
  }

  private OperatingPoint solved(DMatrixRMaj x, int steps) {
    Map<String, Double> volts = new LinkedHashMap<>();
    for (String node : circuit.nodes()) {
      volts.put(node, x.data[index.get(node)]);
    }
    Map<String, Double> amps = new LinkedHashMap<>();
    int source = 0;
    int junction = 0;
    for (Element element : circuit.elements()) {
      double across = volts(x, index.get(element.a())) - volts(x, index.get(element.b()));
      if (element instanceof Element.Resistor resistor) {
        amps.put("R" + resistor.name(), across / resistor.ohm());
      } else if (element instanceof Element.Switch contact) {
        amps.put("S" + contact.name(), contact.closed() ? across / contact.ohm() : 0);
      } else if (element instanceof Element.Source) {
        amps.put("V" + element.name(), x.data[size + source++]);
      } else {
        amps.put("D" + element.name(), junctions.get(junction++).amps());
      }
    }
    return new OperatingPoint.Solved(volts, amps, steps);
  }
}
