package kumite.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.desktop.Fx;
import kumite.files.Demo;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import org.testfx.api.FxToolkit;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The state behind the window: undo is total, previews leave no trace, the bench follows. */
public class WorkbenchTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @BeforeClass
  public void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  private static Workbench demo() {
    try {
      Build build = Demo.open(Demo.USUAL, CATALOGUE);
      return Fx.onFx(() -> new Workbench(CATALOGUE, build));
    } catch (kumite.files.BuildFileException e) {
      throw new AssertionError(e);
    }
  }

  private static void waitForBench(Workbench workbench) throws Exception {
    Fx.await(
        20,
        "the bench never caught up",
        () -> Fx.onFx(() -> workbench.bench().get().build().equals(workbench.build().get())));
  }

  @Test
  public void undoAndRedoRetraceAnyWalk() throws Exception {
    Workbench workbench = demo();
    SplittableRandom random = new SplittableRandom(77);
    List<Build> states = new ArrayList<>();
    states.add(Fx.onFx(() -> workbench.build().get()));
    for (int i = 0; i < 60; i++) {
      Fx.onFx(() -> workbench.apply(randomEdit(workbench.build().get(), random)));
      Build now = Fx.onFx(() -> workbench.build().get());
      if (!now.equals(states.get(states.size() - 1))) {
        states.add(now);
      }
    }
    for (int i = states.size() - 2; i >= 0; i--) {
      Fx.onFx(workbench::undo);
      assertThat(Fx.onFx(() -> workbench.build().get()))
          .as("back at %d", i)
          .isEqualTo(states.get(i));
    }
    assertThat(Fx.onFx(workbench::undoLabel)).isEmpty();
    for (int i = 1; i < states.size(); i++) {
      Fx.onFx(workbench::redo);
      assertThat(Fx.onFx(() -> workbench.build().get()))
          .as("forth at %d", i)
          .isEqualTo(states.get(i));
    }
    assertThat(Fx.onFx(workbench::redoLabel)).isEmpty();
    waitForBench(workbench);
  }

  private static Edit randomEdit(Build build, SplittableRandom random) {
    ControlKind kind = CATALOGUE.controls().get(random.nextInt(CATALOGUE.controls().size()));
    if (build.controls().isEmpty() || random.nextInt(4) == 0) {
      return Arrange.add(
          Arrange.fresh(build, kind, new Point(random.nextDouble(400), random.nextDouble(220))));
    }
    ControlId id = build.controls().get(random.nextInt(build.controls().size())).id();
    return switch (random.nextInt(5)) {
      case 0 -> Arrange.delete(build, List.of(id));
      case 1 -> Arrange.mirror(build, List.of(id));
      case 2 -> Arrange.duplicate(build, CATALOGUE, List.of(id));
      case 3 ->
          new Edit("Nothing", b -> b); // a step that changes nothing must leave no step behind
      default -> Arrange.shift(build, List.of(id), random.nextInt(-9, 10), random.nextInt(-9, 10));
    };
  }

  /** Everything that was to be worked out before has been, and was shown or dropped. */
  private static void allWorkedOut(Workbench workbench) throws Exception {
    java.util.concurrent.CountDownLatch done = new java.util.concurrent.CountDownLatch(1);
    Fx.onFx(() -> workbench.whenWorkedOut(done::countDown));
    assertThat(done.await(20, TimeUnit.SECONDS)).isTrue();
  }

  /** An edit and an opening in one pulse: the bench of the edit comes late and is dropped. */
  @Test
  public void whatIsShownBelongsToTheBuildShown() throws Exception {
    Workbench workbench = demo();
    Build demo = Fx.onFx(() -> workbench.build().get());
    for (int round = 0; round < 20; round++) {
      Build other = Build.empty("Other " + round);
      Fx.onFx(
          () -> {
            workbench.apply(Arrange.mirror(workbench.build().get(), ids(workbench)));
            workbench.open(other, java.util.Optional.empty());
          });
      allWorkedOut(workbench);
      assertThat(Fx.onFx(() -> workbench.bench().get().build())).as("%d", round).isSameAs(other);
      Fx.onFx(
          () -> {
            workbench.open(demo, java.util.Optional.empty());
            workbench.apply(Arrange.mirror(demo, List.of(demo.controls().get(0).id())));
          });
      allWorkedOut(workbench);
      assertThat(Fx.onFx(() -> workbench.bench().get().build()))
          .as("%d", round)
          .isSameAs(Fx.onFx(() -> workbench.build().get()));
    }
  }

  private static List<ControlId> ids(Workbench workbench) {
    return workbench.build().get().controls().stream().map(kumite.build.Control::id).toList();
  }

  /** What is only shown is not saved, not kept safe, and not called unsaved. */
  @Test
  public void aPreviewIsNotWhatIsSaved() throws Exception {
    Workbench workbench = demo();
    Build before = Fx.onFx(() -> workbench.build().get());
    Fx.onFx(() -> workbench.preview(b -> b.without(new ControlId("horn"))));
    assertThat(Fx.onFx(() -> workbench.build().get())).isNotEqualTo(before);
    assertThat(Fx.onFx(workbench::kept)).isEqualTo(before);
    assertThat(Fx.onFx(workbench::unsaved)).isFalse();
    Fx.onFx(() -> workbench.savedTo(java.nio.file.Path.of("/bench/x.kumite.json")));
    Fx.onFx(workbench::endPreview);
    assertThat(Fx.onFx(() -> workbench.build().get())).isEqualTo(before);
    assertThat(Fx.onFx(workbench::unsaved)).isFalse();
    allWorkedOut(workbench);
    assertThat(Fx.onFx(() -> workbench.bench().get().build())).isEqualTo(before);
  }

  @Test
  public void aPreviewLeavesNoStepAndItsEndIsOne() {
    Workbench workbench = demo();
    Build before = Fx.onFx(() -> workbench.build().get());
    ControlId horn = new ControlId("horn");
    for (int i = 1; i < 10; i++) {
      int dx = i;
      Fx.onFx(
          () ->
              workbench.preview(
                  b -> b.withControl(horn, c -> c.withPlacement(Placement.at(100 + dx, 60)))));
    }
    assertThat(Fx.onFx(workbench::undoLabel)).as("nothing is kept yet").isEmpty();
    Fx.onFx(workbench::endPreview);
    assertThat(Fx.onFx(() -> workbench.build().get())).isEqualTo(before);
    Fx.onFx(
        () ->
            workbench.preview(
                b -> b.withControl(horn, c -> c.withPlacement(Placement.at(90, 60)))));
    Fx.onFx(
        () ->
            workbench.apply(
                Arrange.place("Move Horn", java.util.Map.of(horn, Placement.at(91, 60)))));
    assertThat(Fx.onFx(workbench::undoLabel)).contains("Move Horn");
    Fx.onFx(workbench::undo);
    assertThat(Fx.onFx(() -> workbench.build().get()))
        .as("to before the preview")
        .isEqualTo(before);
  }

  @Test
  public void anEditThatCannotBeIsToldAndChangesNothing() {
    Workbench workbench = demo();
    Build before = Fx.onFx(() -> workbench.build().get());
    Fx.onFx(() -> workbench.apply(new Edit("Shrink", b -> b.withPanel(b.panel().withSize(1, 1)))));
    assertThat(Fx.onFx(() -> workbench.build().get())).isEqualTo(before);
    assertThat(Fx.onFx(() -> workbench.notice().get()).orElseThrow().text())
        .contains("width_mm must be between 20 and 3000");
  }

  @Test
  public void deletingTheSelectionClearsItAndItsHolds() throws Exception {
    Workbench workbench = demo();
    ContactId horn = ContactId.parse("horn");
    Fx.onFx(() -> workbench.select(horn));
    Fx.onFx(() -> workbench.hold(horn, 1));
    assertThat(Fx.onFx(() -> workbench.trace().get())).isPresent();
    Fx.onFx(
        () -> workbench.apply(Arrange.delete(workbench.build().get(), List.of(horn.control()))));
    waitForBench(workbench);
    Fx.idle();
    assertThat(Fx.onFx(() -> workbench.selection().get())).isEmpty();
    assertThat(Fx.onFx(() -> workbench.holds().get().travel())).isEmpty();
    assertThat(Fx.onFx(() -> workbench.path().get()))
        .as("another path is shown")
        .isNotEqualTo(Optional.of(horn));
  }

  @Test
  public void everySwitchHasALetterOfItsOwnWhileLettersLast() {
    Workbench workbench = demo();
    Keys keys = Fx.onFx(() -> new Keys(workbench));
    Set<String> letters = new HashSet<>();
    workbench.bench().get().paths().stream()
        .filter(p -> !p.site().contact().type().analog())
        .forEach(
            path -> {
              String letter = keys.of(path.id()).orElseThrow();
              assertThat(letters.add(letter)).as("%s has %s", path.id(), letter).isTrue();
            });
    assertThat(keys.of(ContactId.parse("horn"))).contains("H");
    assertThat(keys.of(ContactId.parse("port"))).as("a slider is dragged").isEmpty();
  }

  @Test
  public void everyCommandHasItsOwnKeysAndAName() {
    Workbench workbench = demo();
    Commands commands =
        Fx.onFx(
            () ->
                new Commands(
                    workbench,
                    new FileDesk(
                        workbench,
                        new kumite.files.RecentFiles(
                            java.nio.file.Path.of(
                                System.getProperty("java.io.tmpdir"),
                                "kumite-recent-" + System.nanoTime()))),
                    kumite.verdict.Rooms.standard().stations()));
    List<String> keys =
        commands.all().stream().map(Command::keyText).filter(text -> !text.isEmpty()).toList();
    assertThat(keys).doesNotHaveDuplicates().hasSizeGreaterThan(12);
    assertThat(commands.all().stream().map(Command::name)).doesNotHaveDuplicates();
  }

  @Test
  public void addingPutsPartsWhereTheyFitUntilThePanelIsFull() {
    Workbench workbench = Fx.onFx(() -> new Workbench(CATALOGUE, Build.empty("Full")));
    Commands commands =
        Fx.onFx(
            () ->
                new Commands(
                    workbench,
                    new FileDesk(
                        workbench,
                        new kumite.files.RecentFiles(
                            java.nio.file.Path.of(
                                System.getProperty("java.io.tmpdir"),
                                "kumite-recent-" + System.nanoTime()))),
                    List.of()));
    ControlKind kind = CATALOGUE.control("button-24").orElseThrow();
    for (int i = 0; i < 20; i++) {
      Fx.onFx(() -> commands.add(kind));
    }
    Build build = Fx.onFx(() -> workbench.build().get());
    assertThat(build.controls().stream().map(Control::placement).distinct()).hasSize(20);
    assertThat(kumite.panel.Gaps.of(build, CATALOGUE).tooNarrow()).isEmpty();
  }
}
