package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.hid.HostView;
import kumite.hid.InputField;
import kumite.hid.Usage;
import kumite.kind.ControlKind;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SimulatedDeviceTest {

  private static Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard());
  }

  private static Holds hold(String... contacts) {
    Holds holds = Holds.NONE;
    for (String contact : contacts) {
      holds = holds.with(ContactId.parse(contact), 1);
    }
    return holds;
  }

  private static HostView seen(Bench bench, Holds holds) {
    Trace trace = bench.device().move(Holds.NONE, holds, 5);
    return HostView.of(bench.layout().fields(), trace.last(0).orElseThrow().toBytes());
  }

  @Test
  public void eachContactMovesItsOwnPlaceInTheReportAndNothingElse() {
    Bench bench = bench(Builds.ferryBridge());
    byte[] rest = bench.device().steady(Holds.NONE).get(0).toBytes();
    for (SignalPath path : bench.paths()) {
      Trace trace = bench.device().move(Holds.NONE, hold(path.id().toString()), 3);
      byte[] held = trace.last(0).orElseThrow().toBytes();
      InputField own = path.field().orElseThrow();
      assertThat(own.read(held)).as("%s changes", path.id()).isNotEqualTo(own.read(rest));
      for (InputField other : bench.layout().fields()) {
        if (!other.equals(own)) {
          assertThat(other.read(held))
              .as("%s leaves %s alone", path.id(), other.usage())
              .isEqualTo(other.read(rest));
        }
      }
      Trace back = bench.device().move(hold(path.id().toString()), Holds.NONE, 4);
      assertThat(back.last(0).orElseThrow().toBytes()).as("%s let go", path.id()).isEqualTo(rest);
    }
  }

  /** HID hat: 0 to 7 clockwise from north, null at rest (HID Usage Tables, Hat switch). */
  @DataProvider
  Object[][] hats() {
    return new Object[][] {
      {new String[] {"rudder.up"}, 0},
      {new String[] {"rudder.up", "rudder.right"}, 1},
      {new String[] {"rudder.right"}, 2},
      {new String[] {"rudder.down", "rudder.right"}, 3},
      {new String[] {"rudder.down"}, 4},
      {new String[] {"rudder.down", "rudder.left"}, 5},
      {new String[] {"rudder.left"}, 6},
      {new String[] {"rudder.up", "rudder.left"}, 7},
      {new String[] {"rudder.left", "rudder.right"}, null}, // opposites cancel
      {new String[] {"rudder.up", "rudder.left", "rudder.right"}, 0},
      {new String[] {}, null},
    };
  }

  @Test(dataProvider = "hats")
  public void theHatPointsWhereTheLeverIsPushed(String[] contacts, Integer direction) {
    assertThat(seen(bench(Builds.ferryBridge()), hold(contacts)).values().get(Usage.HAT))
        .isEqualTo(direction);
  }

  @Test
  public void aSwitchedAxisRestsInTheMiddleAndOppositeEndsCancel() {
    Build build = Builds.ferryBridge();
    Mapping mapping =
        build
            .mapping()
            .with(
                ContactId.parse("rudder.left"),
                new Mapping.Entry(new Target.AxisEnd(AxisName.X, false), ""))
            .with(
                ContactId.parse("rudder.right"),
                new Mapping.Entry(new Target.AxisEnd(AxisName.X, true), ""));
    Bench bench = bench(build.withMapping(mapping));
    Usage x = new Usage(1, 0x30);
    assertThat(seen(bench, Holds.NONE).values()).containsEntry(x, 2048);
    assertThat(seen(bench, hold("rudder.left")).values()).containsEntry(x, 0);
    assertThat(seen(bench, hold("rudder.right")).values()).containsEntry(x, 4095);
    assertThat(seen(bench, hold("rudder.left", "rudder.right")).values()).containsEntry(x, 2048);
  }

  @Test
  public void aSteppedControlGivesOneButtonAStepWhenAsked() {
    Build build = Builds.ferryBridge();
    Bench bench =
        bench(
            build.withMapping(
                build
                    .mapping()
                    .with(
                        ContactId.parse("telegraph"),
                        new Mapping.Entry(new Target.Steps(17), ""))));
    for (int step = 0; step < 5; step++) {
      Holds holds = new Holds(Map.of(ContactId.parse("telegraph"), step / 4.0));
      assertThat(seen(bench, holds).on()).containsExactly(new Usage(9, 17 + step));
    }
  }

  /**
   * TRADE section 9: 1 ms scan, 5 ms deferred, 1 ms poll averages 6.0 ms; with 8 ms poll 9.5 ms.
   */
  @DataProvider
  Object[][] latencies() {
    return new Object[][] {
      {new Timing(1000, Timing.Debounce.DEFERRED, 5000, 1000), 6.0},
      {new Timing(1000, Timing.Debounce.DEFERRED, 5000, 8000), 9.5},
      {new Timing(1000, Timing.Debounce.EAGER, 5000, 1000), 1.0},
    };
  }

  @Test(dataProvider = "latencies")
  public void theSimulatedMeanAgreesWithTheFormula(Timing timing, double meanMs) {
    assertThat(kumite.timing.Delay.of(timing).meanUs() / 1000).isCloseTo(meanMs, within(1e-9));
    // The formula leaves bounce out, so the button of this test does not bounce.
    ControlKind button = Catalogue.standard().control("button-30").orElseThrow();
    ControlKind clean = button.withBounce(new ControlKind.Bounce(0, 0));
    Catalogue catalogue = Catalogue.of(List.of(clean), Catalogue.standard().boards());
    Build build = Builds.wired(Builds.buttons(60, 60), "native-3v3-26").withTiming(timing);
    Bench bench = Bench.of(build, catalogue);
    ContactId contact = ContactId.parse("b1");
    double sum = 0;
    int runs = 4000;
    for (int seed = 0; seed < runs; seed++) {
      Trace trace = bench.device().move(Holds.NONE, hold("b1"), seed);
      sum += trace.hops().get(contact).reportedUs().orElseThrow() / 1000.0;
    }
    // Waits of up to 8 ms, uniform: the mean of 4000 has a standard error under 0.04 ms.
    assertThat(sum / runs).isCloseTo(meanMs, within(0.15));
  }

  @Test
  public void theSameSeedGivesTheSameTrace() {
    Bench bench = bench(Builds.ferryBridge());
    Holds holds = hold("horn", "rudder.up", "port");
    assertThat(bench.device().move(Holds.NONE, holds, 12))
        .isEqualTo(bench.device().move(Holds.NONE, holds, 12));
  }

  @Test
  public void deferredDebounceReportsOncePerPressHoweverItBounces() {
    Bench bench = bench(Builds.ferryBridge());
    for (int seed = 0; seed < 300; seed++) {
      List<Trace.Report> reports = bench.device().move(Holds.NONE, hold("nav"), seed).reports();
      assertThat(reports).as("seed %d: at rest, then pressed", seed).hasSize(2);
    }
  }

  @Test
  public void eagerDebounceChattersOnlyWhenItsHoldOffIsShorterThanTheBounce() {
    Build build = Builds.ferryBridge();
    Bench tooShort = bench(build.withTiming(new Timing(100, Timing.Debounce.EAGER, 300, 1000)));
    Bench longEnough = bench(build.withTiming(new Timing(100, Timing.Debounce.EAGER, 8000, 1000)));
    int chatter = 0;
    for (int seed = 0; seed < 200; seed++) {
      if (tooShort.device().move(Holds.NONE, hold("nav"), seed).reports().size() > 2) {
        chatter++;
      }
      assertThat(longEnough.device().move(Holds.NONE, hold("nav"), seed).reports())
          .as("seed %d", seed)
          .hasSize(2);
    }
    assertThat(chatter).as("chattering presses of 200").isGreaterThan(20);
  }

  @Test
  public void nothingIsSentWithoutABoard() {
    Bench bench = bench(Builds.ferryBridge().withBoard(java.util.Optional.empty()));
    assertThat(bench.device().move(Holds.NONE, hold("horn"), 1).reports()).isEmpty();
    assertThat(bench.path(ContactId.parse("horn")).orElseThrow().missing())
        .isEqualTo("no terminal");
  }
}
