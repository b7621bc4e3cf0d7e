package kumite.benchmarks;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import kumite.lead.Core;
import kumite.lead.Drawer;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Turn;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.RingOut;
import org.jgrapht.Graph;
import org.jgrapht.alg.matching.HopcroftKarpMaximumCardinalityBipartiteMatching;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The next question about a cable of 40 cores, and a lead looked for among 200, beside a matching
 * of 40 by 40 by the reference library and 40 000 compositions of bare arrays.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 4, time = 1)
public class LeadBenchmark {
  /** How far the ring-out has come. */
  @Param({"0", "80"})
  private int asked;

  private RingOut ringOut;
  private RingOut whole;
  private final List<Lead> drawer = new ArrayList<>();
  private Lead wanted;
  private final List<int[]> arrays = new ArrayList<>();

  /** A cable of 40 cores with likely pairs, half of them wrong; 200 leads that do not do it. */
  @Setup
  public void setUp() {
    Random random = new Random(40);
    Plugs plugs = Plugs.standard();
    RingOut plain = RingOut.of("Cable", plugs.needed("header-40"), plugs.needed("header-40"));
    List<String> truth = new ArrayList<>(plain.far());
    Collections.shuffle(truth.subList(0, 20), random);
    ringOut = rung(plain.withLikely(plain.sameNames()), truth);
    whole =
        rung(
            plain.withLikely(plain.sameNames()).probed(RingOut.Way.ONE_BY_ONE, RingOut.Faults.NONE),
            truth);
    Pinout nine = plugs.neededPinout("nine-pin-direct");
    Lead straight = Making.turning(Turn.PLAIN, nine, plugs);
    for (int i = 0; i < 201; i++) {
      List<Integer> order = new ArrayList<>(IntStream.range(0, 9).boxed().toList());
      Collections.shuffle(order, random);
      List<Core> cores = new ArrayList<>();
      for (int k = 0; k < 9; k++) {
        cores.add(
            straight
                .cores()
                .get(k)
                .between(String.valueOf(k + 1), String.valueOf(order.get(k) + 1)));
      }
      Lead lead = straight.withCores(cores).named("Lead " + i);
      arrays.add(order.stream().mapToInt(x -> x).toArray());
      if (i < 200) {
        drawer.add(lead);
      } else {
        wanted = lead;
      }
    }
  }

  private RingOut rung(RingOut begun, List<String> truth) {
    Map<String, String> goes = new LinkedHashMap<>();
    for (int i = 0; i < truth.size(); i++) {
      goes.put(begun.near().get(i), truth.get(i));
    }
    RingOut now = begun;
    for (int i = 0; i < asked; i++) {
      Optional<NextProbe> next = NextProbe.of(Known.of(now));
      if (next.isEmpty()) {
        return now;
      }
      Set<String> far = new HashSet<>();
      next.get().other().forEach(place -> far.add(place.pin()));
      String near = next.get().one().iterator().next().pin();
      now = now.with(next.get().answered(far.contains(goes.get(near))));
    }
    return now;
  }

  /** Aim: below 50 ms. */
  @Benchmark
  public Optional<NextProbe> nextInGroups() {
    return NextProbe.of(Known.of(ringOut));
  }

  /** Aim: below 50 ms. */
  @Benchmark
  public Optional<NextProbe> nextOneByOne() {
    return NextProbe.of(Known.of(whole));
  }

  /** Beside it. */
  @Benchmark
  public int matching() {
    Graph<Integer, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
    Set<Integer> left = new HashSet<>();
    Set<Integer> right = new HashSet<>();
    for (int i = 0; i < 40; i++) {
      left.add(i);
      right.add(40 + i);
      graph.addVertex(i);
      graph.addVertex(40 + i);
    }
    left.forEach(i -> right.forEach(j -> graph.addEdge(i, j)));
    return new HopcroftKarpMaximumCardinalityBipartiteMatching<>(graph, left, right)
        .getMatching()
        .getEdges()
        .size();
  }

  /** Aim: below 100 ms; none does it, so that all pairs and triples are looked at. */
  @Benchmark
  public Optional<List<Lead>> solveAmong200() {
    return new Drawer(drawer).doing(wanted);
  }

  /** Beside it: every two of the 200 composed as bare arrays. */
  @Benchmark
  public int compositions() {
    int sum = 0;
    for (int[] a : arrays) {
      for (int[] b : arrays) {
        int[] both = new int[9];
        for (int i = 0; i < 9; i++) {
          both[i] = b[a[i]];
        }
        sum += both[0];
      }
    }
    return sum;
  }
}
