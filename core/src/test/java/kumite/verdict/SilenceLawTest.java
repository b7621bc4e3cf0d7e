package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.device.Holds;
import kumite.device.Trace;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What is not complained of works. A wiring is spoiled by chance; wherever the host then sees
 * something else than it did, a stop says so and names the contact that is held or the one that
 * shows.
 */
public class SilenceLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    List<Object[]> seeds = new ArrayList<>();
    for (Topology topology : Topology.CHOSEN) {
      for (int seed = 0; topology != Topology.TOUCH && seed < 24; seed++) {
        seeds.add(new Object[] {topology, seed});
      }
    }
    return seeds.toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void whatTheHostSeesOtherwiseIsTold(Topology topology, int seed) {
    SplittableRandom random = new SplittableRandom(seed * 104_729L + topology.ordinal());
    Build sound = RandomBuilds.sharing(topology, random.nextInt(2, 13), random);
    Bench before = Bench.of(sound, CATALOGUE);
    Bench after = before.next(spoiled(before, random));
    String edit = after.build().loom().leftOut() + " " + after.build().loom().added();
    Set<Finding> told = new HashSet<>(after.findings());
    told.removeAll(before.findings());
    told.removeIf(finding -> finding.severity() == Severity.FINE);
    for (int set = 0; set < 20; set++) {
      Holds held = Holds.NONE;
      for (int i = random.nextInt(2, 5); i > 0; i--) {
        Control any = sound.controls().get(random.nextInt(sound.controls().size()));
        held = held.with(new ContactId(any.id(), ""), 1);
      }
      if (!buttons(before, held).equals(buttons(after, held))) {
        assertThat(told).as("%s held, now %s", held, edit).isNotEmpty();
      }
    }
    told.removeIf(finding -> finding.severity() != Severity.STOP);
    boolean dead = after.circuit().orElseThrow().inputs().dead().isPresent();
    for (Control control : sound.controls()) {
      Holds held = Holds.NONE.with(new ContactId(control.id(), ""), 1);
      Set<Integer> changed = buttons(before, held);
      for (int button : buttons(after, held)) {
        if (!changed.remove(button)) {
          changed.add(button);
        }
      }
      if (!changed.isEmpty()) {
        assertThat(after.findings())
            .as("fine, while %s shows otherwise, now %s", control.id(), edit)
            .noneMatch(finding -> finding.code().text().matches("NT-20|PW-21"));
      }
      for (int button : changed) {
        assertThat(told)
            .as("b%d while %s is held, now %s", button, control.id(), edit)
            .anyMatch(
                finding ->
                    dead
                        || finding.named().contains("b" + button)
                        || finding.named().contains(control.id().text()));
      }
    }
  }

  @DataProvider
  Object[][] anything() {
    // The last one has ohms so far apart that rounding kept its volts from settling once.
    return IntStream.concat(IntStream.range(0, 150), IntStream.of(1387))
        .mapToObj(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  /** The same of any parts on any board: no report changes without a stop that was not there. */
  @Test(dataProvider = "anything")
  public void noReportChangesInSilence(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 15_485_863L);
    Build any = RandomBuilds.any(random);
    Bench before = Bench.of(any.withLoom(any.loom().asPlanned()), CATALOGUE);
    if (before.loom().strands().isEmpty() || before.wiring().isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Bench after = before.next(spoiled(before, random));
    String edit = after.build().loom().leftOut() + " " + after.build().loom().added();
    Set<Finding> told = new HashSet<>(after.findings());
    told.removeAll(before.findings());
    told.removeIf(finding -> finding.severity() != Severity.STOP);
    for (ContactId contact : before.build().mapping().entries().keySet()) {
      Holds held = Holds.NONE.with(contact, 1);
      if (!after.device().steady(held).equals(before.device().steady(held))) {
        // Where an end of the slip is at a stop already, that stop may go on speaking of it.
        boolean known =
            after.findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .flatMap(f -> f.named().stream())
                .anyMatch(name -> slipAt(after.build(), name));
        assertThat(known || !told.isEmpty()).as("%s held, now %s", contact, edit).isTrue();
      }
    }
  }

  private static boolean slipAt(Build build, String name) {
    return build.loom().added().stream()
        .flatMap(wire -> Stream.of(wire.a(), wire.b()))
        .anyMatch(at -> at.part().equals(name.replaceAll("\\..*", "")));
  }

  /**
   * As planned: a mapped contact that no stop names, and that gives something of its own, works.
   */
  @Test(dataProvider = "anything")
  public void aPlanThatIsNotComplainedOfWorks(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 32_452_843L);
    Build any = RandomBuilds.any(random);
    Bench bench = Bench.of(any.withLoom(any.loom().asPlanned()), CATALOGUE);
    if (bench.circuit().isEmpty()) {
      throw new SkipException("this build has no board");
    }
    if (bench.circuit().get().inputs().dead().isPresent()) {
      // Nothing of it works, and a stop says so of the board.
      assertThat(bench.findings())
          .anyMatch(
              f ->
                  f.severity() == Severity.STOP
                      && (f.station() == Station.POWER || f.station() == Station.LOOM));
      return;
    }
    Set<String> told = new HashSet<>();
    for (Finding finding : bench.findings()) {
      boolean shared = finding.code().text().equals("MP-04");
      if (shared || finding.severity() == Severity.STOP) {
        told.addAll(finding.named());
      }
    }
    List<Trace.Report> rest = bench.device().steady(Holds.NONE);
    for (ContactId contact : bench.build().mapping().entries().keySet()) {
      if (!told.contains(contact.toString()) && !told.contains(contact.control().text())) {
        // What moves the mouse has no steady state: it goes on telling.
        Holds held = Holds.NONE.with(contact, 1);
        boolean tells =
            bench.ofHost() && !read(bench, held).equals(read(bench, Holds.NONE))
                || !bench.device().steady(held).equals(rest)
                || bench.device().move(Holds.NONE, held, 1).reports().size() > rest.size();
        assertThat(tells).as("%s of %s", contact, bench.build().board()).isTrue();
      }
    }
  }

  /** What the board, or the host itself, takes in. */
  private static Object read(Bench bench, Holds held) {
    var inputs = bench.circuit().orElseThrow().inputs();
    return inputs.see(held.over(inputs::rest));
  }

  private static Set<Integer> buttons(Bench bench, Holds held) {
    Set<Integer> on = new TreeSet<>();
    for (Trace.Report report : bench.device().steady(held)) {
      HostView.of(bench.layout().fields(), report.toBytes()).on().stream()
          .filter(usage -> usage.page() == Usage.BUTTON)
          .forEach(usage -> on.add(usage.id()));
    }
    return on;
  }

  private static Build spoiled(Bench bench, SplittableRandom random) {
    List<Strand> strands = bench.loom().strands();
    Strand one = strands.get(random.nextInt(strands.size()));
    Strand other = strands.get(random.nextInt(strands.size()));
    List<Joint> places = List.copyOf(bench.wiring().orElseThrow().nets().places().keySet());
    Joint anywhere = places.get(random.nextInt(places.size()));
    LoomSettings loom = bench.build().loom();
    loom =
        switch (random.nextInt(4)) {
          case 0 -> loom.withLeftOut(one.wire());
          case 1 -> added(loom, one.from().place(), anywhere);
          case 2 -> added(loom.withLeftOut(one.wire()), one.from().place(), anywhere);
          default ->
              added(
                  added(
                      loom.withLeftOut(one.wire()).withLeftOut(other.wire()),
                      one.from().place(),
                      other.to().place()),
                  other.from().place(),
                  one.to().place());
        };
    return bench.build().withLoom(loom);
  }

  private static LoomSettings added(LoomSettings loom, Joint one, Joint other) {
    return one.equals(other) ? loom : loom.withAdded(new Jumper(one, other));
  }
}
