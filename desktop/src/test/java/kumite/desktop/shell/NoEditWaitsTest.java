package kumite.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.brief.Brief;
import kumite.desktop.Fx;
import kumite.files.Demo;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.parts.Catalogue;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import kumite.verdict.Bench;
import kumite.verdict.Room;
import kumite.verdict.Rooms;
import org.testfx.api.FxToolkit;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Fixes are tried aside: an edit is worked out while one is tried, and drops what is left. */
public class NoEditWaitsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Station SLOW = new Station("Slow");

  private enum Says implements Code {
    SLOWLY;

    @Override
    public Said said() {
      return new Said(SLOW, "SL-01", Severity.LOOK);
    }
  }

  /** A station whose fixes stand still until they are let go. */
  private static final class SlowRoom implements Room {
    final CountDownLatch begun = new CountDownLatch(1);
    final CountDownLatch go = new CountDownLatch(1);
    final AtomicInteger tried = new AtomicInteger();

    @Override
    public Station station() {
      return SLOW;
    }

    @Override
    public List<Derivation<List<Finding>>> checks() {
      return List.of(
          Derivation.of(
              "slow findings",
              Sight.of(),
              given -> {
                Finding finding =
                    Finding.of(
                        Says.SLOWLY, List.of(), "Slow", "Its fixes take as long as they like");
                for (int i = 0; i < 5; i++) {
                  finding = finding.mendedBy(this::proposal);
                }
                return List.of(finding);
              }));
    }

    private Optional<Fix> proposal() {
      tried.incrementAndGet();
      begun.countDown();
      NoEditWaitsTest.await(go);
      return Optional.empty();
    }
  }

  @BeforeClass
  public void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void waitFor(Workbench workbench, String title) {
    Fx.await(
        20,
        "the bench waited for the fixes",
        () -> Fx.onFx(() -> workbench.bench().get().build().brief().title().equals(title)));
  }

  @Test(timeOut = 60_000)
  public void aBenchIsNotHeldUpByFixes() throws Exception {
    SlowRoom room = new SlowRoom();
    Build build = Demo.open(Demo.USUAL, CATALOGUE);
    Bench first = Bench.of(build, CATALOGUE, Rooms.standard().with(room));
    Workbench workbench = Fx.onFx(() -> new Workbench(CATALOGUE, first));
    List<Finding> slow = first.findings().stream().filter(f -> f.code() == Says.SLOWLY).toList();
    AtomicInteger shown = new AtomicInteger();
    Fx.onFx(
        () -> {
          workbench.workOutFixes(first, slow, shown::incrementAndGet);
          return null;
        });
    room.begun.await();
    for (int i = 0; i < 3; i++) {
      String title = "Title " + i;
      Fx.onFx(
          () -> {
            workbench.apply(new Edit("Title", b -> b.withBrief(b.brief().withTitle(title))));
            return null;
          });
      waitFor(workbench, title);
    }
    assertThat(Fx.onFx(() -> slow.get(0).fixKnown()))
        .as("asking whether it is known does not wait either")
        .isFalse();
    assertThat(room.tried.get()).as("one fix is being tried all the while").isEqualTo(1);
    room.go.countDown();
    Bench newest = Fx.onFx(() -> workbench.bench().get());
    AtomicInteger asked = new AtomicInteger();
    Fx.onFx(
        () -> {
          workbench.workOutFixes(newest, newest.findings(), asked::incrementAndGet);
          return null;
        });
    Fx.await(30, "the fixes of the newest build never came", () -> asked.get() == 1);
    assertThat(shown.get()).as("what is told of an old build is dropped").isZero();
    assertThat(slow.get(0).fixKnown()).as("broken off, so not known").isFalse();
    assertThat(room.tried.get()).as("one of the old build, five of the newest").isEqualTo(6);
  }

  /** While a newer build is being worked out no more is tried for the one before. */
  @Test(timeOut = 60_000)
  public void nothingMoreIsTriedWhileANewerBuildIsInWork() throws Exception {
    SlowRoom room = new SlowRoom();
    CountDownLatch working = new CountDownLatch(1);
    CountDownLatch work = new CountDownLatch(1);
    Room slowToWork =
        new Room() {
          @Override
          public Station station() {
            return new Station("Slow to work");
          }

          @Override
          public List<Derivation<List<Finding>>> checks() {
            return List.of(
                Derivation.of(
                    "slow check",
                    Sight.of(Facet.of(Brief.PART)),
                    given -> {
                      if (given.build().brief().title().equals("Newer")) {
                        working.countDown();
                        await(work);
                      }
                      return List.of();
                    }));
          }
        };
    Build build = Demo.open(Demo.USUAL, CATALOGUE);
    Bench first = Bench.of(build, CATALOGUE, Rooms.standard().with(room).with(slowToWork));
    Workbench workbench = Fx.onFx(() -> new Workbench(CATALOGUE, first));
    CountDownLatch tried = new CountDownLatch(1);
    Fx.onFx(() -> workbench.workOutFixes(first, first.findings(), () -> {}));
    room.begun.await();
    Fx.onFx(
        () -> workbench.apply(new Edit("Title", b -> b.withBrief(b.brief().withTitle("Newer")))));
    working.await();
    room.go.countDown();
    workbench.whenTried(tried::countDown);
    tried.await();
    assertThat(room.tried.get()).as("the one that was being tried").isEqualTo(1);
    work.countDown();
    waitFor(workbench, "Newer");
  }

  /** A preview that comes back to where it was, a build opened again: equal, but another one. */
  @Test(timeOut = 60_000)
  public void theFixesOfAnEqualBuildAreTriedToo() throws Exception {
    Build build = Demo.open(Demo.USUAL, CATALOGUE);
    SlowRoom room = new SlowRoom();
    room.go.countDown();
    Bench first = Bench.of(build, CATALOGUE, Rooms.standard().with(room));
    Workbench workbench = Fx.onFx(() -> new Workbench(CATALOGUE, first));
    List<Runnable> ways =
        List.of(
            () -> workbench.preview(NoEditWaitsTest::again),
            workbench::endPreview,
            () -> workbench.apply(new Edit("Again", NoEditWaitsTest::again)),
            () -> workbench.open(again(build), Optional.empty()),
            () -> workbench.open(build, Optional.empty()));
    for (Runnable way : ways) {
      Fx.onFx(way);
      CountDownLatch worked = new CountDownLatch(1);
      Fx.onFx(() -> workbench.whenWorkedOut(worked::countDown));
      worked.await();
      Bench shown = Fx.onFx(() -> workbench.bench().get());
      assertThat(shown.build()).isEqualTo(build);
      AtomicInteger told = new AtomicInteger();
      CountDownLatch tried = new CountDownLatch(1);
      Fx.onFx(() -> workbench.workOutFixes(shown, shown.findings(), told::incrementAndGet));
      workbench.whenTried(tried::countDown);
      tried.await();
      Fx.idle();
      assertThat(told.get()).isEqualTo(1);
      assertThat(shown.findings()).allMatch(Finding::fixKnown);
    }
  }

  private static Build again(Build build) {
    String title = build.brief().title();
    return build.withBrief(build.brief().withTitle("-")).withBrief(build.brief().withTitle(title));
  }
}
