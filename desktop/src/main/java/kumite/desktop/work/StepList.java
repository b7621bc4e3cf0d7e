package kumite.desktop.work;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.plan.OwnStep;
import kumite.build.plan.PlanBook;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.name.ControlId;
import kumite.plan.Hours;
import kumite.plan.Implement;
import kumite.plan.Plan;
import kumite.plan.Step;
import kumite.plan.Sub;
import kumite.plan.Ticks;
import kumite.plan.Today;

/** The steps, to be ticked off; the one that is looked at shows what it takes. */
final class StepList extends VBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("selected");
  private static final String CONTROL = "control ";

  private final Workbench workbench;
  private Optional<String> chosen = Optional.empty();
  private Plan plan = new Plan(List.of(), List.of());
  private Optional<Today> today = Optional.empty();

  StepList(Workbench workbench) {
    this.workbench = workbench;
    setId("plan-steps");
    getStyleClass().add("step-list");
  }

  /**
   * Shows a plan.
   *
   * @param only what can be done today; all of it where empty
   */
  void show(Plan newPlan, Optional<Today> only) {
    boolean same = newPlan.equals(plan) && only.equals(today) && !getChildren().isEmpty();
    plan = newPlan;
    today = only;
    if (!same) {
      draw();
    }
  }

  private void draw() {
    getChildren().clear();
    List<Step> steps = today.map(Today::steps).orElseGet(plan::steps);
    if (steps.isEmpty()) {
      getChildren().add(nothing());
    }
    Sub last = null;
    for (Step step : steps) {
      if (step.act().sub() != last) {
        last = step.act().sub();
        getChildren().add(heading(last));
      }
      getChildren().add(row(step));
    }
    today.filter(t -> !t.waits().isEmpty()).ifPresent(t -> waits(t.waits()));
    if (today.isEmpty() && !plan.steps().isEmpty()) {
      getChildren().add(adder());
    }
  }

  private Node nothing() {
    Label words =
        new Label(
            plan.steps().isEmpty()
                ? "Nothing to plan yet. Place a control or add a port; the steps follow from the"
                    + " build."
                : plan.open().isEmpty()
                    ? "All is done."
                    : "Nothing can be begun in that time, there, with that. Choose more above, or"
                        + " look at all steps.");
    words.setWrapText(true);
    words.getStyleClass().add("note");
    VBox box = new VBox(words);
    box.getStyleClass().add("form");
    return box;
  }

  private Node heading(Sub sub) {
    List<Step> all = plan.steps().stream().filter(s -> s.act().sub() == sub).toList();
    long over = all.stream().filter(Step::over).count();
    Label title = new Label(sub.title());
    title.getStyleClass().add("card-title");
    Label facts =
        new Label(
            over
                + " of "
                + all.size()
                + " over · "
                + String.join(
                    ", ", all.stream().map(s -> s.act().where().words()).distinct().toList()));
    facts.getStyleClass().add("note");
    HBox head = new HBox(title, facts);
    head.getStyleClass().add("step-heading");
    return head;
  }

  private Node row(Step step) {
    boolean open = chosen.filter(step.id()::equals).isPresent();
    CheckBox tick = new CheckBox();
    tick.setId("tick-" + step.id());
    tick.setAccessibleText(step.what());
    tick.setSelected(step.over());
    tick.setDisable(step.over() && step.state() != Step.State.DONE);
    tick.setOnAction(event -> ticked(step, tick.isSelected()));
    Label what = new Label(step.what());
    what.getStyleClass().add(step.over() ? "step-over" : open ? "strong" : "step-what");
    what.setWrapText(true);
    Label why = new Label(step.why());
    why.getStyleClass().add("note");
    why.setWrapText(true);
    VBox words = new VBox(what, why);
    HBox.setHgrow(words, Priority.ALWAYS);
    Label right =
        new Label(
            step.state() != Step.State.OPEN && step.state() != Step.State.DONE
                ? step.state().words()
                : Math.round(step.minutes())
                    + " min"
                    + (step.waitMinutes() > 0 ? " + wait " + Hours.words(step.waitMinutes()) : ""));
    right.getStyleClass().add("note");
    right.setMinWidth(Region.USE_PREF_SIZE);
    HBox row = new HBox(tick, words);
    if (step.noReturn()) {
      Label never = new Label("no way back");
      never.getStyleClass().addAll("note", "bad-text");
      never.setMinWidth(Region.USE_PREF_SIZE);
      row.getChildren().add(never);
    }
    row.getChildren().add(right);
    row.setId("step-" + step.id());
    row.getStyleClass().add("step-row");
    row.pseudoClassStateChanged(CHOSEN, open);
    row.setOnMouseClicked(event -> choose(step));
    if (open) {
      words.getChildren().addAll(details(step));
      StepPicture.of(workbench.build().get(), workbench.catalogueOf(workbench.build().get()), step)
          .ifPresent(picture -> row.getChildren().add(2, picture));
    }
    return row;
  }

  private void choose(Step step) {
    chosen =
        chosen.filter(step.id()::equals).isPresent() ? Optional.empty() : Optional.of(step.id());
    control(step).ifPresent(workbench::select);
    draw();
  }

  private static Optional<ControlId> control(Step step) {
    List<String> at = step.at().stream().filter(a -> a.startsWith(CONTROL)).toList();
    return at.size() == 1
        ? Optional.of(new ControlId(at.get(0).substring(CONTROL.length())))
        : Optional.empty();
  }

  private List<Node> details(Step step) {
    List<Node> lines = new ArrayList<>();
    step.details().forEach(text -> lines.add(line(text, "mono")));
    step.parts().forEach(text -> lines.add(line("take " + text, "mono")));
    if (!step.with().isEmpty()) {
      lines.add(
          line(
              "with " + String.join(", ", step.with().stream().map(Implement::words).toList()),
              "note"));
    }
    step.caution().ifPresent(words -> lines.add(line("Caution: " + words, "look-text")));
    if (!step.after().isEmpty()) {
      String before =
          String.join(
              "; ",
              step.after().stream()
                  .limit(4)
                  .map(id -> plan.step(id).map(Step::what).orElse(id))
                  .toList());
      int more = step.after().size() - 4;
      lines.add(line("after: " + before + (more > 0 ? "; and " + more + " more" : ""), "note"));
    }
    lines.add(marks(step));
    return lines;
  }

  private static Label line(String text, String style) {
    Label label = new Label(text);
    label.setWrapText(true);
    label.getStyleClass().add(style);
    return label;
  }

  /** What a step is about may be there already, or not be used at all. */
  private Node marks(Step step) {
    FlowPane row = new FlowPane();
    row.getStyleClass().add("chip-row");
    String id = control(step).map(ControlId::text).orElse(step.id());
    boolean thing = control(step).isPresent();
    boolean marked = step.state() == Step.State.ALREADY || step.state() == Step.State.UNUSED;
    if (marked) {
      row.getChildren().add(mark("To be done after all", id, book -> needed(book, step)));
    } else {
      row.getChildren()
          .addAll(
              mark(thing ? "It is there already" : "Done before", id, b -> b.withAlready(id)),
              mark(thing ? "It is not used" : "Leave it out", id, b -> b.withUnused(id)));
    }
    Station shows =
        switch (step.act().sub()) {
          case PANEL -> Station.PANEL;
          case LEADS -> Station.LEADS;
          case BOARDS, HARNESS, PROVE, CASE -> Station.LOOM;
        };
    Button show = new Button("Show it at " + shows.title());
    show.setId("step-show");
    show.getStyleClass().add("small");
    show.setOnAction(event -> workbench.station().set(shows));
    row.getChildren().add(show);
    boolean own =
        workbench.build().get().get(PlanBook.PART).own().stream()
            .anyMatch(o -> o.id().equals(step.id()));
    if (own) {
      row.getChildren().add(mark("Delete this step", id, book -> book.without(step.id())));
    }
    return row;
  }

  private static PlanBook needed(PlanBook book, Step step) {
    PlanBook next = book.withNeeded(step.id());
    for (String at : step.at()) {
      next = at.startsWith(CONTROL) ? next.withNeeded(at.substring(CONTROL.length())) : next;
    }
    return next;
  }

  private Button mark(String words, String id, UnaryOperator<PlanBook> change) {
    Button button = new Button(words);
    button.setId("mark-" + words.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    button.getStyleClass().add("small");
    button.setOnAction(event -> apply(words + ": " + id, change));
    return button;
  }

  private void apply(String name, UnaryOperator<PlanBook> change) {
    workbench.apply(new Edit(name, b -> b.with(PlanBook.PART, change.apply(b.get(PlanBook.PART)))));
  }

  private void ticked(Step step, boolean done) {
    Plan now = plan;
    chosen = Optional.empty();
    workbench.apply(
        new Edit(
            (done ? "Done: " : "Open again: ") + step.what(),
            b -> done ? Ticks.done(b, now, step) : Ticks.open(b, now, step)));
  }

  private void waits(List<Step> waits) {
    Label title = new Label("Waits for paint or glue");
    title.getStyleClass().add("card-title");
    HBox head = new HBox(title);
    head.getStyleClass().add("step-heading");
    getChildren().add(head);
    for (Step step : waits) {
      Label what = new Label(step.what());
      what.getStyleClass().add("note");
      HBox row = new HBox(what);
      row.getStyleClass().add("step-row");
      getChildren().add(row);
    }
  }

  // ---- a step of one's own

  private Node adder() {
    TextField text = new TextField();
    text.setId("own-step");
    text.setAccessibleText("a step of your own");
    text.setPromptText(
        chosen.isPresent()
            ? "A step of your own, after the chosen one"
            : "A step of your own; choose the step that it follows first");
    HBox.setHgrow(text, Priority.ALWAYS);
    Button add = new Button("Add a step");
    add.setId("own-step-add");
    add.setOnAction(event -> add(text.getText().strip()));
    text.setOnAction(event -> add(text.getText().strip()));
    HBox row = new HBox(text, add);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("field-row");
    VBox box = new VBox(row);
    box.getStyleClass().add("form");
    return box;
  }

  private void add(String what) {
    if (what.isEmpty()) {
      workbench.complain("Write what is to be done first");
      return;
    }
    String base = "own-" + what.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    String id = base.replaceAll("-+$", "");
    for (int n = 2; plan.step(id).isPresent(); n++) {
      id = base.replaceAll("-+$", "") + "-" + n;
    }
    String fresh = id;
    List<String> after = chosen.map(List::of).orElse(List.of());
    apply(
        "Add a step",
        book -> book.with(new OwnStep(fresh, what, "", after, List.of(), 10, 0, false)));
  }
}
