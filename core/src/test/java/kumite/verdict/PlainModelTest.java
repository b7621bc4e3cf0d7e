package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.finding.Severity;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Buttons to ground on inputs with pull-ups, wired wrongly in any way: a model of twenty lines,
 * with no circuit in it, says what the host must see. A place joined to ground reads low, whoever
 * joins it; all others are pulled high.
 */
public class PlainModelTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 220).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** A build of a few buttons, its wires left out, added and crossed at random. */
  private static Build spoiled(SplittableRandom random) {
    int count = 2 + random.nextInt(7);
    double[] places = new double[2 * count];
    for (int i = 0; i < count; i++) {
      places[2 * i] = 40 + 50 * (i % 4);
      places[2 * i + 1] = 50 + 60 * (i / 4);
    }
    Build build = Builds.wired(Builds.buttons(places), "native-3v3-26");
    List<Strand> strands = Bench.of(build, CATALOGUE).loom().strands();
    var loom = build.loom();
    List<Joint> joints = new ArrayList<>();
    for (Strand strand : strands) {
      if (random.nextInt(4) == 0) {
        loom = loom.withLeftOut(strand.wire());
      }
      joints.add(strand.from().place());
      joints.add(strand.to().place());
    }
    for (int i = random.nextInt(5); i > 0; i--) {
      Joint a = joints.get(random.nextInt(joints.size()));
      Joint b = joints.get(random.nextInt(joints.size()));
      if (!a.equals(b)) {
        loom = loom.withAdded(new Jumper(a, b));
      }
    }
    return build.withLoom(loom);
  }

  /** Joins by colouring: each round, every wire gives its ends the smaller of their colours. */
  private static Map<Joint, Integer> joined(Bench bench, Set<ContactId> held) {
    Map<Joint, Integer> colour = new HashMap<>();
    Set<Jumper> ways = new LinkedHashSet<>();
    for (Strand strand : bench.loom().strands()) {
      if (!bench.build().loom().leftOut().contains(strand.wire())) {
        ways.add(strand.wire());
      }
    }
    ways.addAll(bench.build().loom().added());
    for (ContactId contact : held) {
      String part = contact.control().text();
      ways.add(new Jumper(new Joint(part, "COM"), new Joint(part, "NO")));
    }
    Optional<Joint> ground = Optional.empty();
    for (Terminal terminal : bench.board().orElseThrow().terminals(Terminal.Role.GROUND)) {
      Joint joint = Joint.board(terminal.name());
      ground.ifPresent(first -> ways.add(new Jumper(first, joint)));
      ground = Optional.of(joint);
    }
    for (Jumper way : ways) {
      colour.putIfAbsent(way.a(), colour.size());
      colour.putIfAbsent(way.b(), colour.size());
    }
    for (boolean changed = true; changed; ) {
      changed = false;
      for (Jumper way : ways) {
        int a = colour.get(way.a());
        int b = colour.get(way.b());
        changed |= a != b;
        colour.put(way.a(), Math.min(a, b));
        colour.put(way.b(), Math.min(a, b));
      }
    }
    ground.ifPresent(joint -> colour.putIfAbsent(joint, -1));
    return colour;
  }

  private static Set<Usage> wanted(Bench bench, Set<ContactId> held) {
    Map<Joint, Integer> colour = joined(bench, held);
    int ground =
        colour.get(
            Joint.board(bench.board().orElseThrow().terminals(Terminal.Role.GROUND).get(0).name()));
    Set<Usage> wanted = new HashSet<>();
    for (SignalPath path : bench.paths()) {
      Joint terminal = Joint.board(path.pin().orElseThrow().terminal().name());
      if (colour.getOrDefault(terminal, -2) == ground) {
        wanted.add(path.field().orElseThrow().usage());
      }
    }
    return wanted;
  }

  private static Set<Usage> seen(Bench bench, Set<ContactId> held) {
    Holds holds = Holds.NONE;
    for (ContactId contact : held) {
      holds = holds.with(contact, 1);
    }
    Set<Usage> on = new HashSet<>();
    for (Trace.Report report : bench.device().steady(holds)) {
      on.addAll(HostView.of(bench.layout().fields(), report.toBytes()).on());
    }
    return on;
  }

  /** Nothing held, each held alone, and random handfuls: the host sees what the model says. */
  @Test(dataProvider = "seeds")
  public void theHostSeesWhatAPlainModelSays(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Bench bench = Bench.of(spoiled(random), CATALOGUE);
    List<Set<ContactId>> handfuls = new ArrayList<>();
    handfuls.add(Set.of());
    bench.paths().forEach(path -> handfuls.add(Set.of(path.id())));
    for (int i = 0; i < 6; i++) {
      Set<ContactId> handful = new HashSet<>();
      bench.paths().stream()
          .filter(path -> random.nextBoolean())
          .forEach(path -> handful.add(path.id()));
      handfuls.add(handful);
    }
    for (Set<ContactId> held : handfuls) {
      assertThat(seen(bench, held))
          .as(
              "seed %d, held %s, by hand %s, left out %s",
              seed, held, bench.build().loom().added(), bench.build().loom().leftOut())
          .isEqualTo(wanted(bench, held));
    }
  }

  /** Where the model says that one is seen otherwise than planned, a finding says so too. */
  @Test(dataProvider = "seeds")
  public void whatTheModelFindsWrongIsTold(int seed) {
    Bench bench = Bench.of(spoiled(new SplittableRandom(seed)), CATALOGUE);
    boolean wrong = !wanted(bench, Set.of()).isEmpty();
    for (SignalPath path : bench.paths()) {
      wrong |= !wanted(bench, Set.of(path.id())).equals(Set.of(path.field().orElseThrow().usage()));
    }
    if (wrong) {
      assertThat(bench.findings())
          .as(
              "left out %s, by hand %s",
              bench.build().loom().leftOut(), bench.build().loom().added())
          .anyMatch(f -> f.severity() == Severity.STOP && f.code().text().startsWith("NT"));
    }
  }
}
