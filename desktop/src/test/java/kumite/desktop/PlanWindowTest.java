package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import kumite.build.Edit;
import kumite.build.plan.PlanBook;
import kumite.files.Demo;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.plan.Act;
import kumite.plan.Plan;
import kumite.plan.Step;
import kumite.verdict.Works;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The order of work in the window: planned, bought for, ticked off, changed in the middle. */
public class PlanWindowTest {
  private Window window;
  private Path folder;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-plan");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private Plan plan() {
    return window.bench().get(Works.PLAN);
  }

  private Step step(String id) {
    return plan().step(id).orElseThrow();
  }

  private void fire(String id) {
    Window.onFx(
        () -> {
          ((CheckBox) window.stage().getScene().getRoot().lookup("#" + id)).fire();
          return null;
        });
    window.settle();
  }

  private void type(String id, String text) {
    Window.onFx(
        () -> {
          TextField field = (TextField) window.stage().getScene().getRoot().lookup("#" + id);
          field.setText(text);
          field.fireEvent(new javafx.event.ActionEvent());
          return null;
        });
    window.settle();
  }

  private List<String> labels() {
    return Window.onFx(
        () ->
            window.stage().getScene().getRoot().lookupAll(".label").stream()
                .filter(Labeled.class::isInstance)
                .map(node -> ((Labeled) node).getText())
                .toList());
  }

  private void open() throws Exception {
    window = Window.open(folder.resolve("state"));
    kumite.build.Build desk = Demo.open("ferry-bridge", Catalogue.standard());
    Window.onFx(
        () -> {
          window.workbench().open(desk, java.util.Optional.empty());
          return null;
        });
    window.settle();
    window.click("#station-plan");
  }

  /** The desk is planned, ticked off and changed in the middle: what is touched is open again. */
  @Test
  public void theDeskIsTickedOffAndChangedInTheMiddle() throws Exception {
    open();
    assertThat(labels()).contains("Print the drill template at 100 %, tape it on");
    fire("tick-template");
    assertThat(step("template").state()).isEqualTo(Step.State.DONE);
    window.click("#plan-all");
    for (Step step : plan().steps()) {
      if (!step.over()) {
        fire("tick-" + step.id());
      }
    }
    assertThat(plan().open()).isEmpty();
    assertThat(window.bench().build().loom().done()).hasSizeGreaterThan(30);
    Window.onFx(
        () -> {
          window
              .workbench()
              .apply(new Edit("Take radar out", b -> b.without(new ControlId("radar"))));
          return null;
        });
    window.settle();
    assertThat(plan().open().stream().map(Step::id))
        .contains("fit-button-30", "wire", "join-anchor")
        .doesNotContain("template", "load", "fit-first-lever-8");
    assertThat(labels()).anyMatch(text -> text.contains("that were done are open again"));
    Window.onFx(
        () -> {
          window.workbench().undo();
          return null;
        });
    window.settle();
    assertThat(plan().open()).isEmpty();
  }

  /** Today: a shorter time, another place, and what waits; words that are no time are told. */
  @Test
  public void todayFollowsTimePlaceAndTools() throws Exception {
    open();
    assertThat(labels()).anyMatch(text -> text.startsWith("Drill 8 holes"));
    window.click("#place-workshop");
    assertThat(labels()).noneMatch(text -> text.startsWith("Drill 8 holes"));
    window.click("#place-workshop");
    type("plan-hours", "15 min");
    assertThat(labels())
        .contains("understood 15 min")
        .noneMatch(text -> text.startsWith("Drill 8 holes"));
    type("plan-hours", "a while");
    assertThat(labels()).anyMatch(text -> text.startsWith("write 2 h"));
    type("plan-hours", "1 h 30");
    assertThat(labels()).contains("understood 1 h 30 min");
  }

  /** A step of one's own comes after the chosen one, says so, and can be taken out again. */
  @Test
  public void anOwnStepComesAfterTheChosenOne() throws Exception {
    open();
    window.click("#plan-all");
    window.click("#step-scale");
    assertThat(labels()).anyMatch(text -> text.contains("a printer that fits to the page"));
    type("own-step", "Show it to Nora");
    assertThat(step("own-show-it-to-nora").after()).containsExactly("scale");
    assertThat(step("own-show-it-to-nora").act()).isEqualTo(Act.OWN);
    window.click("#step-turn");
    window.click("#mark-leave-it-out");
    assertThat(window.bench().build().get(PlanBook.PART).unused()).containsExactly("turn");
    window.click("#step-turn");
    window.click("#step-turn");
    window.click("#mark-to-be-done-after-all");
    assertThat(window.bench().build().get(PlanBook.PART).unused()).isEmpty();
  }

  /** The drawer is typed, summed and kept for the next build; what cannot be read is told. */
  @Test
  public void theDrawerIsKeptAcrossBuilds() throws Exception {
    open();
    window.click("#plan-parts");
    type("have-button-30", "5");
    type("price-button-30", "1,50");
    assertThat(Files.readString(folder.resolve("state").resolve("drawer.csv")))
        .contains("button-30,5,,1.5,");
    assertThat(labels()).anyMatch(text -> text.contains("no shop 3.00"));
    type("have-lever-8", "-3");
    assertThat(window.workbench().notice().get().orElseThrow().text()).contains("-3");
    assertThat(Files.readString(folder.resolve("state").resolve("drawer.csv")))
        .doesNotContain("lever-8");
    window.close();
    open();
    window.click("#plan-parts");
    assertThat(
            Window.<String>onFx(
                () ->
                    ((TextField) window.stage().getScene().getRoot().lookup("#have-button-30"))
                        .getText()))
        .isEqualTo("5");
  }
}
