package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import kumite.bill.Cutting;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.measure.Placement;
import kumite.parts.Catalogue;
import kumite.plan.Plan;
import kumite.plan.Rule;
import kumite.plan.SeatWork;
import kumite.plan.Step;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleDirectedGraph;
import org.jgrapht.traverse.TopologicalOrderIterator;
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
 * A plan of more than 500 steps made anew (aim: 50 ms) beside the order of the same steps alone by
 * the graph library; 300 wires cut from stock (aim: 200 ms).
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class PlanBenchmark {
  private static final int CONTROLS = 420;

  private Bench bench;
  private List<SeatWork> seats;
  private Plan plan;
  private final List<Integer> wires = new ArrayList<>();
  private final List<Integer> stock = new ArrayList<>();

  @Setup
  public void plan() {
    Build build =
        Build.empty("Wide desk")
            .withBoard(Optional.of(new BoardChoice("native-5v-54", Placement.at(900, 600))));
    for (int i = 0; i < CONTROLS; i++) {
      String kind = i % 3 == 0 ? "button-30-lamp" : "button-30";
      Placement at = Placement.at(60 + 70 * (i % 24), 80 + 90 * (i / 24));
      build = build.withControl(Control.of(build.freshId("C" + i), "C" + i, kind, at));
    }
    bench = Bench.of(build, Catalogue.standard());
    seats = bench.get(Desks.WORK);
    plan = aWholePlan();
    SplittableRandom random = new SplittableRandom(1);
    for (int i = 0; i < 300; i++) {
      wires.add(random.nextInt(50, 900));
    }
    for (int i = 0; i < 40; i++) {
      stock.add(random.nextInt(500, 6000));
    }
  }

  @Benchmark
  public Plan aWholePlan() {
    return Plan.of(bench.build(), bench.catalogue(), bench.drill(), seats, Rule.standard());
  }

  @Benchmark
  public int theOrderAloneByTheLibrary() {
    SimpleDirectedGraph<String, DefaultEdge> graph = new SimpleDirectedGraph<>(DefaultEdge.class);
    for (Step step : plan.steps()) {
      graph.addVertex(step.id());
      step.after().forEach(id -> graph.addEdge(id, step.id()));
    }
    int steps = 0;
    for (var order = new TopologicalOrderIterator<>(graph); order.hasNext(); order.next()) {
      steps++;
    }
    return steps;
  }

  @Benchmark
  public Cutting threeHundredWiresFromStock() {
    return Cutting.of(wires, stock);
  }
}
