package kumite.benchmarks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Topology;
import kumite.build.panel.Panel;
import kumite.circuit.Circuit;
import kumite.circuit.Element;
import kumite.circuit.Inputs;
import kumite.circuit.OperatingPoint;
import kumite.circuit.Solves;
import kumite.kind.BoardKind;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.Proposal;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.wiring.Wiring;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;
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
 * Wiring planned, solved and judged. Aims: 128 contacts on a matrix and shift registers under 200
 * ms; 10 000 operating points a second of a lamp circuit of six nodes; 64 held sets of a bare 8 by
 * 8 matrix read in 50 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class WiringBenchmark {
  private final Catalogue catalogue = Catalogue.standard();
  private Build shared;
  private Build direct;
  private Loom bare;
  private BoardKind board;
  private final List<Set<ContactId>> held = new ArrayList<>();
  private Circuit lamp;
  private DMatrixRMaj matrix;
  private DMatrixRMaj right;

  /** Makes the builds and the circuit. */
  @Setup
  public void make() {
    shared = panel(128);
    List<ContactId> all = shared.controls().stream().map(c -> new ContactId(c.id(), "")).toList();
    shared =
        shared.withLoom(
            shared
                .loom()
                .withGroup(new ControlId("keys"), Topology.MATRIX, all.subList(0, 64))
                .withGroup(new ControlId("more"), Topology.REGISTERS, all.subList(64, 128)));
    direct = panel(44);
    bareMatrix();
    lamp =
        Circuit.of(
            new Element.Source("1", "vdd", "0", 3.3),
            new Element.Source("2", "feed", "0", 5),
            new Element.Resistor("1", "vdd", "pin", 35_000),
            new Element.Resistor("2", "feed", "anode", 220),
            new Element.Diode("1", "anode", "pin", Element.Model.lamp(2, 0.015, 0)),
            new Element.Switch("1", "pin", "common", 0.1, true),
            new Element.Resistor("3", "common", "0", 0.2),
            new Element.Resistor("4", "pin", "0", 3.3e6));
    matrix = new DMatrixRMaj(8, 8);
    right = new DMatrixRMaj(8, 1);
    for (int i = 0; i < 8; i++) {
      for (int j = 0; j < 8; j++) {
        matrix.set(i, j, i == j ? 10 : 1.0 / (1 + i + j));
      }
      right.set(i, 0, i);
    }
  }

  private void bareMatrix() {
    Build keys = panel(64);
    List<ContactId> all = keys.controls().stream().map(c -> new ContactId(c.id(), "")).toList();
    keys = keys.withLoom(keys.loom().withGroup(new ControlId("keys"), Topology.BARE_MATRIX, all));
    bare = Loom.of(keys, catalogue);
    board = catalogue.boardOf(keys).orElseThrow();
    SplittableRandom random = new SplittableRandom(1);
    for (int set = 0; set < 64; set++) {
      Set<ContactId> some = new HashSet<>();
      for (int i = random.nextInt(set + 1); i >= 0; i--) {
        some.add(all.get(random.nextInt(all.size())));
      }
      held.add(some);
    }
  }

  private Build panel(int count) {
    int columns = (int) Math.ceil(Math.sqrt(count * 2.0));
    List<Control> controls = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      controls.add(
          Control.of(
              new ControlId("b" + i),
              "B" + i,
              "button-24",
              Placement.at(45 + 34.0 * (i % columns), 45 + 34.0 * (i / columns))));
    }
    Build empty = Build.empty("Generated");
    Panel panel = empty.panel().withSize(90 + 34.0 * columns, 90 + 34.0 * columns / 2);
    Build build =
        empty
            .withPanel(panel)
            .withControls(controls)
            .withBoard(
                Optional.of(
                    new BoardChoice(
                        "native-3v3-48", Placement.at(panel.widthMm() / 2, panel.heightMm() / 2))));
    return build.withMapping(Proposal.rest(build, catalogue));
  }

  /** {@return 128 contacts, half on a matrix and half on registers, planned and judged} */
  @Benchmark
  public Bench sharedContacts() {
    return Bench.of(shared, catalogue);
  }

  /** {@return beside it: 44 contacts one by one, as many as the board takes} */
  @Benchmark
  public Bench directContacts() {
    return Bench.of(direct, catalogue);
  }

  /**
   * {@return how many sets were read: 64 sets of held keys of a bare matrix, each solved afresh}
   */
  @Benchmark
  public int heldSetsOfABareMatrix() {
    Inputs inputs = Inputs.of(Wiring.planned(board, bare), Looks.of(board, bare), new Solves());
    int read = 0;
    for (Set<ContactId> some : held) {
      inputs.see(contact -> some.contains(contact) ? 1 : 0);
      read++;
    }
    return read;
  }

  /** {@return one operating point of the lamp circuit} */
  @Benchmark
  public OperatingPoint operatingPoint() {
    return lamp.operatingPoint();
  }

  /** {@return beside it: one bare solution of eight linear equations by the library} */
  @Benchmark
  public DMatrixRMaj linearSolution() {
    LinearSolverDense<DMatrixRMaj> lu = LinearSolverFactory_DDRM.lu(8);
    lu.setA(matrix.copy());
    DMatrixRMaj x = new DMatrixRMaj(8, 1);
    lu.solve(right, x);
    return x;
  }
}
